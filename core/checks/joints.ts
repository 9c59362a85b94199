import type { Assembly, Joint, Part } from '../assembly/assembly.ts'
import { stockKey } from '../assembly/identical.ts'
import type { PartBoxes } from '../assembly/part-box.ts'
import { meetingAxis, type Box } from '../geometry/box.ts'
import { findScrew } from '../catalogue/fasteners.ts'
import type { Factor, Strength } from '../mechanics/methods/method.ts'
import { housingBearing } from '../mechanics/bearing.ts'
import type { JointRoom } from './joint-room.ts'
import { linkOf } from './members.ts'
import { woodOf } from './wood.ts'
import { defineCheck, measured, plain, type CheckContext, type CheckResult, type Input } from './check.ts'

/** Sizes of two parts along the way a fastener is driven from one into the other: the axis on which they touch. */
function passed(a: Box, b: Box): { throughMm: number; behindMm: number } {
  const axis = meetingAxis(a, b)
  return { throughMm: a.max[axis] - a.min[axis], behindMm: b.max[axis] - b.min[axis] }
}

/** A pocket screw leaves about a third of its length in the piece it starts in: NDS 2018 12.1.6 for fasteners driven askew. */
const POCKET_SHARE = 1 / 3

/** What one fastener of a joint gives, N; null when the method has no value for the woods. */
export function oneFastener(j: Joint, f: Joint['fasteners'][number], parts: ReadonlyMap<string, Part>, boxes: PartBoxes, c: Pick<CheckContext, 'method' | 'settings'>): Strength | null {
  const [near, far] = [parts.get(j.near)!, parts.get(j.far)!]
  const fastener = findScrew(f.fastener)
  const [side, main] = [woodOf(near), woodOf(far)]
  if (!fastener || !side || !main) return null
  const pocket = j.kind === 'pocket-screwed'
  const { throughMm, behindMm: behind } = passed(boxes.get(near.id)!, boxes.get(far.id)!)
  const sideMm = pocket ? fastener.lengthMm * POCKET_SHARE : throughMm
  const mainMm = Math.max(0, Math.min(fastener.kind === 'bolt' ? behind : fastener.lengthMm - sideMm, f.into === 'end' ? Infinity : behind))
  if (mainMm <= 0) return null
  // The load runs down: along the grain of an upright, across that of everything level.
  const acrossGrain = Math.abs(near.at.along[2]) < 0.5 || Math.abs(far.at.along[2]) < 0.5
  return c.method.lateral({ fastener, side, sideMm, main, mainMm, into: f.into, acrossGrain, askew: pocket }, c.settings)
}

/** Modulus times area of a piece, N. */
function stiffArea(p: Part, c: Pick<CheckContext, 'method' | 'settings'>): number {
  const wood = woodOf(p)
  const e = wood?.kind === 'lumber' ? c.method.modulus(wood.grade, c.settings)?.value : wood && (wood.sheet.ei.along * 12) / wood.sheet.thicknessMm ** 3
  return (e ?? 0) * p.size.widthMm * p.size.thicknessMm
}

/** What the place of fasteners leaves of their strength: too near to an edge or to each other, and several in a row. */
function placeFactors(j: Joint, room: JointRoom | null | undefined, parts: ReadonlyMap<string, Part>, c: Pick<CheckContext, 'method' | 'settings'>): Factor[] {
  if (!room) return []
  const out: Factor[] = room.share < 1 ? [{ symbol: 'CΔ', value: room.share, source: `${room.source}: distances kept to this share only, and bored; NDS 2018 12.5.1.2: none below one half` }] : []
  const group = room.count > 1 ? c.method.group(room.fastener, room.count, Math.max(room.alongMm, 1), () => [stiffArea(parts.get(j.near)!, c), stiffArea(parts.get(j.far)!, c)]) : null
  return group ? [...out, group] : out
}
const product = (list: Factor[]) => list.reduce((v, f) => v * f.value, 1)

/** What the fasteners of a joint give together, N, and how the first kind of them comes to it. */
interface Given { capacity: number; one: Strength; place: Factor[]; count: number }
interface Found extends Given { joint: Joint; demand: number; from: Part; on: Part }

/** Null when any kind of its fasteners has no value. */
function whatItGives(j: Joint, rooms: readonly (JointRoom | null)[] | undefined, parts: ReadonlyMap<string, Part>, boxes: PartBoxes, c: Pick<CheckContext, 'method' | 'settings'>): Given | null {
  const each: { one: Strength; place: Factor[]; count: number }[] = []
  for (const [i, f] of j.fasteners.entries()) {
    const one = oneFastener(j, f, parts, boxes, c)
    if (!one) return null
    each.push({ one, place: placeFactors(j, rooms?.[i], parts, c), count: f.count })
  }
  return each.length === 0 ? null : { ...each[0], capacity: each.reduce((s, e) => s + e.one.value * e.count * product(e.place), 0) }
}

/** Stocks by number: alike where they are bought alike. */
function kindsOf(parts: ReadonlyMap<string, Part>): Map<Part['stock'], number> {
  const [numbers, out] = [new Map<string, number>(), new Map<Part['stock'], number>()]
  for (const { stock } of parts.values()) {
    if (out.has(stock)) continue
    const key = stockKey(stock)
    if (!numbers.has(key)) numbers.set(key, numbers.size)
    out.set(stock, numbers.get(key)!)
  }
  return out
}

/** All that the strength of a joint depends on beside the stocks and the room it has. */
function shapeKey(j: Joint, near: Part, far: Part, boxes: PartBoxes): string {
  const { throughMm, behindMm } = passed(boxes.get(near.id)!, boxes.get(far.id)!)
  const upright = (near.at.along[2] > 0.5 ? 2 : 0) + (far.at.along[2] > 0.5 ? 1 : 0)
  let key = `${j.kind}|${upright}|${Math.round(10 * throughMm)}|${Math.round(10 * behindMm)}`
  for (const f of j.fasteners) key += `|${f.fastener}|${f.into}|${f.count}`
  return key
}

/** Loads that pass through fasteners alone: the screws of every joint against what comes down through it. */
export const joints = defineCheck({
  id: 'joints',
  reads: ['assembly', 'parts', 'boxes', 'design', 'settings', 'method', 'rooms'],
  run({ assembly, parts, boxes, design, settings, method, rooms }): CheckResult[] {
    const passing = new Map<string, number>()
    for (const s of assembly.supports) {
      if (s.via !== 'fasteners' || s.joint === null) continue
      passing.set(s.joint, (passing.get(s.joint) ?? 0) + Math.abs(design.reactions.get(s.id) ?? 0))
    }
    const kindOf = kindsOf(parts)
    // Joints alike give the same: worked out once.
    const known = new Map<string, Given | null>()
    const worst = new Map<string, Found>()
    const lost = new Map<string, Joint>()
    for (const j of assembly.joints) {
      const demand = passing.get(j.id)
      if (demand === undefined) continue
      const [near, far] = [parts.get(j.near)!, parts.get(j.far)!]
      const key = near.role < far.role ? `${near.role}-${far.role}` : `${far.role}-${near.role}`
      const alike = `${kindOf.get(near.stock)}|${kindOf.get(far.stock)}|${shapeKey(j, near, far, boxes)}|${rooms.get(j.id)?.map((r) => r?.share)}`
      let gives = known.get(alike)
      if (gives === undefined) known.set(alike, (gives = whatItGives(j, rooms.get(j.id), parts, boxes, { method, settings })))
      if (gives === null) lost.set(key, j)
      else {
        const seen = worst.get(key)
        if (!seen || hard(demand, gives.capacity) > hard(seen.demand, seen.capacity)) worst.set(key, { joint: j, demand, ...gives, from: near, on: far })
      }
    }
    const given = { check: 'joints', quantity: 'force' as const }
    const out: CheckResult[] = []
    for (const [key, w] of worst) {
      const f = w.joint.fasteners[0]
      const data = { near: w.from.role, far: w.on.role, fastener: findScrew(f.fastener)!.label, count: w.count, end: f.into === 'end' ? 1 : 0, endGrain: method.id === 'ec5' ? 'third' : 'two-thirds', oneN: w.one.value }
      const inputs: Input[] = [
        { symbol: 'load on the joint', value: w.demand, quantity: 'force', source: method.loadFactor.source }, { symbol: 'fasteners', value: w.count, quantity: 'count' },
        { symbol: w.one.baseSymbol, value: w.one.base, quantity: 'force', source: w.one.source }, ...[...w.one.factors, ...w.place].map((x): Input => ({ symbol: x.symbol, value: x.value, quantity: 'ratio', source: x.source })),
      ]
      const working = { formula: 'load ≤ fasteners × what one carries across its length', inputs, source: w.one.source }
      const base = { ...given, link: linkOf(w.from.role === 'post' ? w.on : w.from), subject: key, parts: [w.joint.near, w.joint.far], data, working }
      // A fastener that may not be counted at all gives nothing: the joint holds only if nothing passes through it.
      out.push(w.capacity > 0 ? measured({ ...base, code: f.into === 'end' ? 'joint-end-grain' : 'joint', demand: w.demand, capacity: w.capacity }) : measured({ ...base, code: w.one.value > 0 ? 'joint-crowded' : 'joint-too-short', demand: w.demand, capacity: 0 }))
    }
    for (const [key, j] of lost)
      out.push(plain({ ...given, link: linkOf(parts.get(j.near)!), code: 'unknown-joint', subject: `${key}:unknown`, state: 'unknown', parts: [j.near, j.far], data: { near: parts.get(j.near)!.role, far: parts.get(j.far)!.role, role: parts.get(j.near)!.role } }))
    return out
  },
})

const hard = (demand: number, capacity: number) => (capacity > 0 ? demand / capacity : demand > 0 ? Infinity : 0)

/** Pressure a panel's edge and the shoulder it stands on take, MPa: about half of what softwood takes across its grain. Product decision. */
const SHOULDER_MPA = 1

/** Shelves that stand in dadoes: the shoulder that carries them. */
export const housings = defineCheck({
  id: 'housing',
  reads: ['assembly', 'design'],
  run({ assembly, design }): CheckResult[] {
    const byJoint = new Map(assembly.joints.map((j) => [j.id, j]))
    let worst: CheckResult | null = null
    for (const s of assembly.supports) {
      const j = s.joint === null ? undefined : byJoint.get(s.joint)
      if (j?.kind !== 'housed' || s.on.kind !== 'part' || !('part' in s.from)) continue
      const state = design.members.get(s.from.part)?.state
      const given = { check: 'housing', link: 'shelf' as const, quantity: 'force' as const, subject: 'dado', parts: [s.from.part, s.on.part] }
      if (state?.kind === 'unknown') return [plain({ ...given, code: `unknown-${state.reason}`, state: 'unknown', data: { role: 'shelf' } })]
      const [w, d] = [s.contact.max[0] - s.contact.min[0], s.contact.max[1] - s.contact.min[1]]
      const n = design.reactions.get(s.id) ?? 0
      const r = measured({
        ...given, code: 'dado', demand: n, capacity: housingBearing(w, d, SHOULDER_MPA), data: { deepMm: w },
        working: { formula: 'N ≤ depth of dado × its length × strength', inputs: [{ symbol: 'N', value: n, quantity: 'force' }, { symbol: 'depth of dado', value: w, quantity: 'length' }, { symbol: 'length', value: d, quantity: 'length' }, { symbol: 'strength', value: SHOULDER_MPA, quantity: 'stress', source: 'product decision' }], source: 'bearing' },
      })
      if (!worst || (r.ratio ?? 9) > (worst.ratio ?? 9)) worst = r
    }
    return worst ? [worst] : []
  },
})

/** All the fasteners that hold one part, along it: what a diagonal can pull. */
export function heldBy(a: Assembly, id: string, parts: ReadonlyMap<string, Part>, boxes: PartBoxes, c: Pick<CheckContext, 'method' | 'settings'>): { joint: Joint; n: number }[] {
  return a.joints.filter((j) => j.near === id || j.far === id).map((joint) => ({
    joint, n: joint.fasteners.reduce((s, f) => s + (oneFastener(joint, f, parts, boxes, c)?.value ?? 0) * f.count, 0),
  }))
}
