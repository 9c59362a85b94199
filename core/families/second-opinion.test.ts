import { describe, expect, it } from '@jest/globals'
import { bodyFrame, memberFrame } from '../../test-support/member-frame.ts'
import { readParams } from '../../test-support/read-params.ts'
import type { Body, Part, Support } from '../assembly/assembly.ts'
import { dot, mid, scale, type Vec3 } from '../geometry/vec.ts'
import { wayOf, type Patch } from '../loads/load-path.ts'
import type { BuildReading } from '../project/read-build.ts'
import { allFamilies } from './registry.ts'

/*
 * Every board of every example that statics alone holds, and every body, is solved again as a space frame under what
 * comes down on it: what each support gives must agree.
 */

const SHARE = 1e-3

const force = (x: Patch): { at: Vec3; n: Vec3 } => ({
  at: mid(x.box.min, x.box.max),
  n: scale(wayOf(x), x.n),
})

/** A patch that stands out past a board presses on what of it is there. */
function onto(p: Part, x: Patch): Patch {
  const i = p.at.along.findIndex((v) => Math.abs(v) > 0.9)
  const [from, to] = [p.at.centre[i] - p.size.lengthMm / 2, p.at.centre[i] + p.size.lengthMm / 2]
  const within = (v: number) => Math.min(to, Math.max(from, v))
  const box = { min: [...x.box.min] as Vec3, max: [...x.box.max] as Vec3 }
  box.min[i] = within(box.min[i])
  box.max[i] = within(box.max[i])
  return { ...x, box }
}

/** Supports that give something, where statics alone says what; else null. */
function justHeld(r: BuildReading, p: Part): Support[] | null {
  const own = r.shaped.assembly.supports.filter((s) => 'part' in s.from && s.from.part === p.id)
  const gives = own.filter((s) => Math.abs(r.service.reactions.get(s.id) ?? 0) > 1e-6)
  if (gives.length === 0 || own.some((s) => s.steadies)) return null
  const line = (s: Support) => s.push.map((v) => Math.abs(v).toFixed(3)).join()
  const place = (s: Support) => dot(mid(s.contact.min, s.contact.max), p.at.along).toFixed(1)
  // Two on both sides of a board that lean alike are one.
  const groups = new Set(gives.map((s) => `${line(s)} ${place(s)}`))
  const lines = new Set(gives.map(line))
  return groups.size <= (lines.size === 1 ? 2 : 3) ? gives : null
}

const agrees = (name: string, supports: readonly Support[], frame: readonly number[], r: BuildReading, all: number) =>
  supports.forEach((s, i) => {
    const n = r.service.reactions.get(s.id)!
    // The ground takes couples that members leave to it: so much more or less over some hundreds of millimetres.
    const beside = s.on.kind === 'part' ? 0 : (r.service.besideMm * r.service.loadsN) / 300
    const said = Math.abs(frame[i] - n) < SHARE * all + beside ? 'agrees' : `${frame[i]} for ${n}`
    expect([name, s.id, said]).toEqual([name, s.id, 'agrees'])
  })

/**
 * What hangs at two places and is kept from turning there: together an edge and the fastener beside it give what a beam
 * on two supports gives, with all loads on its middle line.
 */
function heldBelow(r: BuildReading, p: Part): { supports: Support[]; net: number[] } | null {
  const own = r.shaped.assembly.supports.filter((s) => 'part' in s.from && s.from.part === p.id)
  const mains = own.filter((s) => !s.steadies)
  if (mains.length !== 2 || mains.length === own.length || own.some((s) => Math.abs(s.push[2]) < 0.9)) return null
  const place = (s: Support) => dot(mid(s.contact.min, s.contact.max), p.at.along)
  const net = mains.map((s) =>
    own
      .filter((o) => Math.abs(place(o) - place(s)) < 1)
      .reduce((n, o) => n + (r.service.reactions.get(o.id) ?? 0) * o.push[2], 0),
  )
  return { supports: mains, net }
}

/** What acts on a body: all its parts that nothing holds by themselves, and what they bear. */
function loadsOnBody(r: BuildReading, b: Body): { at: Vec3; n: Vec3 }[] {
  return b.parts.flatMap((id) => {
    const m = r.service.members.get(id)
    if (m?.state.kind !== 'joined') return []
    return m.loads.map(force)
  })
}

describe.each(allFamilies().map((f) => [f.id, f] as const))('%s', (_id, family) => {
  const readings = family.examples().map((e) => readParams(family, e.params as object, e.context, 'as-drawn'))
  it('what statics alone holds, and bodies on equal springs, give what a space frame gives', () => {
    let looked = 0
    for (const r of readings) {
      for (const p of r.shaped.assembly.parts) {
        const m = r.service.members.get(p.id)!
        if (m.state.kind !== 'beam' || Math.max(...p.at.along.map(Math.abs)) < 0.99) continue
        const loads = m.loads.map((x) => force(onto(p, x)))
        const below = heldBelow(r, p)
        if (below) {
          const frame = memberFrame(p, loads, below.supports)
          const all = loads.reduce((s, l) => s + Math.hypot(...l.n), 0)
          frame.forEach((n, i) => expect(Math.abs(n - below.net[i])).toBeLessThan(SHARE * all + 1e-6))
          looked++
          continue
        }
        const supports = justHeld(r, p)
        if (!supports) continue
        const all = loads.reduce((s, l) => s + Math.hypot(...l.n), 0)
        agrees(p.id, supports, memberFrame(p, loads, supports), r, all)
        looked++
      }
      for (const b of r.shaped.assembly.bodies) {
        const own = r.shaped.assembly.supports.filter((s) => 'body' in s.from && s.from.body === b.id)
        if (b.sideways || own.some((s) => s.wedged)) continue
        const gives = own.filter((s) => Math.abs(r.service.reactions.get(s.id) ?? 0) > 1e-6)
        const loads = loadsOnBody(r, b)
        const all = loads.reduce((s, l) => s + Math.hypot(...l.n), 0)
        agrees(b.id, gives, bodyFrame(loads, gives), r, all)
        looked++
      }
    }
    // What bears nothing but itself is screwed to as many studs as there are.
    const bears = readings.some((r) => r.shaped.assembly.bays.some((b) => b.carriers.length > 0))
    if (bears) expect(looked).toBeGreaterThan(1)
  })
})
