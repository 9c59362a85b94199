import type { Assembly, Body, Part, Support } from '../assembly/assembly.ts'
import { jointsById, partsById } from '../assembly/by-id.ts'
import { bendingSection, isLevelSheet, type PartBoxes } from '../assembly/part-box.ts'
import type { Box } from '../geometry/box.ts'
import { mid, scale, type Vec3 } from '../geometry/vec.ts'
import { addTo } from '../measure/add-to.ts'
import { kept } from '../measure/kept.ts'
import { newtons } from '../measure/units.ts'
import type { Conditions, DesignMethod } from '../mechanics/methods/method.ts'
import { holdBody, isHeld, wrenchOf, type Force } from './body.ts'
import type { EdgeStrip } from './edged-panel.ts'
import { bodyKey, frameOf } from './frame.ts'
import { closeOnGround, notLifted } from './ground.ts'
import { emptyPath, wayOf, type LoadPath, type Member, type Patch } from './load-path.ts'
import { FLAT, over, rigidity, solveMember, type MemberOptions } from './member.ts'
import { newMemo, solvedBefore, type Memo } from './memo.ts'
import { pressesOn } from './pressing.ts'

export interface AnalysisOptions {
  method: DesignMethod
  conditions: Conditions
  /** Loads times this: 1 and 1 for sag, the method's own for strength. */
  factor: { self: number; goods: number }
  /** Strips fastened under panels, by panel. */
  stripsOf: ReadonlyMap<string, EdgeStrip[]>
  /** What was solved before of the same assembly. */
  memo?: Memo
}

/** The strips under each panel's edges: boards that hang from a level sheet by the fasteners along them. */
export function edgeStrips(a: Assembly): Map<string, EdgeStrip[]> {
  const byId = partsById(a)
  const joints = jointsById(a)
  const out = new Map<string, EdgeStrip[]>()
  for (const s of a.supports) {
    if (s.via !== 'hanging' || !('part' in s.from) || s.on.kind !== 'part' || s.joint === null) continue
    const [strip, panel] = [byId.get(s.from.part), byId.get(s.on.part)]
    if (strip?.stock.kind !== 'board' || !panel || !isLevelSheet(panel)) continue
    addTo(out, panel.id, { part: strip, glued: joints.get(s.joint)?.kind === 'glued-screwed' })
  }
  return out
}

type Doubt = Extract<Member['state'], { kind: 'unknown' }>['reason']

/**
 * Follows every weight from the goods down to floor, wall or ceiling: each member is solved on its true supports and
 * its reactions become the loads of what it rests on. Units N and mm.
 */
export function analyse(a: Assembly, boxes: PartBoxes, o: AnalysisOptions): LoadPath {
  const weights: Force[] = []
  const path = emptyPath()
  const onPart = new Map<string, Patch[]>()
  const onBody = new Map<string, Force[]>()
  const doubtful = new Map<string, Doubt>()
  const { byPart, supportsOf, order, leaning, bodyOf, frameOf: stiffened, weights: selves } = frameOf(a)
  const memo = o.memo ?? newMemo()
  const weigh = (n: number, at: Vec3) => {
    path.loadsN += n
    weights.push({ at, n: [0, 0, -n] })
  }
  const give = (s: Support, patch: Patch, doubt: Doubt | null) => {
    path.reactions.set(s.id, (path.reactions.get(s.id) ?? 0) + patch.n)
    if (s.on.kind !== 'part') {
      path.arrivals.push({ support: s.id, at: mid(patch.box.min, patch.box.max), n: scale(wayOf(patch), patch.n) })
      return
    }
    addTo(onPart, s.on.part, patch)
    if (doubt) doubtful.set(s.on.part, doubt)
  }

  /** What lies on an arm that leans presses at the height that has there: only so it is as far out as it lies. */
  const onAxis = (on: Support['on'], box: Box): Box => {
    const p = on.kind === 'part' ? leaning.get(on.part) : undefined
    if (!p) return box
    const level = Math.hypot(p.at.along[0], p.at.along[1])
    const out = ([0, 1] as const).reduce<number>(
      (mm, i) => mm + (((box.min[i] + box.max[i]) / 2 - p.at.centre[i]) * p.at.along[i]) / level,
      0,
    )
    const z = p.at.centre[2] + (out * p.at.along[2]) / level
    return { min: [box.min[0], box.min[1], z], max: [box.max[0], box.max[1], z] }
  }

  for (const b of a.bays) {
    const on = supportsOf.get(b.id) ?? []
    for (const item of b.items) {
      const doubt: Doubt | null = item.massKg === null ? 'not-weighed' : null
      if (doubt && b.carriers.length > 0 && !path.notWeighed.includes(item.goodsId)) path.notWeighed.push(item.goodsId)
      const n = newtons(item.massKg ?? 0) * o.factor.goods
      for (const s of on) {
        const carrier = s.on.kind === 'part' ? boxes.get(s.on.part)! : s.contact
        for (const p of pressesOn(item)) {
          // What stands out past its carrier presses on its edge; whether it may is asked elsewhere.
          const patch: Patch = { box: onAxis(s.on, over(p.box, carrier)), n: (n * p.share) / on.length }
          weigh(patch.n, mid(patch.box.min, patch.box.max))
          give(s, patch, doubt)
        }
      }
    }
  }
  for (const { part, n: whole, at, ends, slabs } of selves) {
    const self = whole * o.factor.self
    weigh(self, at)
    if (slabs) for (const { box, share } of slabs) addTo(onPart, part.id, { box, n: self * share })
    else if (ends.length === 0) addTo(onPart, part.id, { box: boxes.get(part.id)!, n: self })
    for (const { contact, part: end, support, share } of ends) {
      const patch: Patch = { box: contact, n: self * share }
      if (end !== null) addTo(onPart, end, patch)
      else path.arrivals.push({ support, at: mid(contact.min, contact.max), n: [0, 0, -patch.n] })
    }
  }

  /** Of a layer on another that other lies between: the rail is under it. */
  const railEi = (s: Support): number | null => {
    const p = s.on.kind === 'part' ? byPart.get(s.on.part) : undefined
    if (!p) return null
    if (p.stock.kind === 'sheet') {
      const below = (supportsOf.get(p.id) ?? []).find((x) => lieOverEachOther(x.contact, s.contact))
      return below ? railEi(below) : null
    }
    const { depthMm, breadthMm } = bendingSection(p)
    return rigidity(p, depthMm, breadthMm, o)?.ei ?? null
  }
  const options: MemberOptions = { boxes, railEi, ...o, memo }
  for (const node of order) {
    if ('body' in node) passBody(node.body)
    else passPart(node.part)
  }
  path.weights = wrenchOf(weights)
  closeOnGround(a, path)
  notLifted(a, path)
  return path

  function passPart(p: Part) {
    const all = onPart.get(p.id) ?? []
    const patches = stiffened.has(p.id) || bodyOf.has(p.id) ? all.filter((x) => !toFrame(p, x) && !toBox(p, x)) : all
    let totalN = 0
    for (const x of patches) totalN += Math.abs(x.n)
    const supports = supportsOf.get(p.id) ?? []
    const doubt = doubtful.get(p.id) ?? null
    const is = (state: Member['state']) =>
      path.members.set(p.id, {
        part: p.id,
        state: doubt ? { kind: 'unknown', reason: doubt } : state,
        totalN,
        loads: patches,
      })
    const body = supports.length === 0 ? bodyOf.get(p.id) : undefined
    if (body !== undefined) {
      for (const x of patches) addTo(onBody, body, { at: mid(x.box.min, x.box.max), n: scale(wayOf(x), x.n) })
      if (doubt) doubtful.set(bodyKey(body), doubt)
      is({ kind: 'joined', body })
      return
    }
    const solved = solvedBefore(memo, p, patches, () => solveMember(p, patches, supports, options))
    for (const { support, patch } of solved.passed)
      give(support, patch, doubt ?? (solved.state.kind === 'unknown' ? solved.state.reason : null))
    is(solved.state)
  }

  /** What pushes an upright of a stiff frame sideways is handed on to the frame. */
  function toFrame(p: Part, x: Patch): boolean {
    const frame = stiffened.get(p.id)
    if (frame === undefined || Math.abs(wayOf(x)[2]) > FLAT) return false
    addTo(onBody, frame, { at: mid(x.box.min, x.box.max), n: scale(wayOf(x), x.n) })
    return true
  }

  /** What pushes a level sheet of a box along itself is handed on to the box: it is stiff that way, and held on its edges. */
  function toBox(p: Part, x: Patch): boolean {
    const body = bodyOf.get(p.id)
    if (body === undefined || x.way === undefined || Math.abs(x.way[2]) > FLAT || !isLevelSheet(p)) return false
    if ((supportsOf.get(p.id) ?? []).length === 0) return false
    addTo(onBody, body, { at: mid(x.box.min, x.box.max), n: scale(x.way, x.n) })
    return true
  }

  function passBody(b: Body) {
    const supports = supportsOf.get(bodyKey(b.id)) ?? []
    const holds = kept(memo.holds, supports, () =>
      supports.map((s) => ({ id: s.id, at: mid(s.contact.min, s.contact.max), push: s.push, way: s.way })),
    )
    const held = holdBody(onBody.get(b.id) ?? [], holds)
    const doubt = doubtful.get(bodyKey(b.id)) ?? (isHeld(held) ? null : 'too-few-supports')
    if (!isHeld(held)) path.notHeld.push(b.id)
    const by = new Map(supports.map((s, i) => [s.id, held.forces[i]]))
    supports.forEach((s, i) => {
      give(s, { box: s.contact, n: held.forces[i], way: scale(s.push, -1), held: true }, doubt)
      const more = s.wedged ? Math.abs(by.get(s.wedged.by) ?? 0) * s.wedged.share - Math.abs(held.forces[i]) : 0
      if (more > 0) wedge(s, more, doubt)
    })
  }

  /** What a bevel pulls more than the body needs presses the body against the wall where it hangs. */
  function wedge(s: Support, n: number, doubt: Doubt | null) {
    const way = s.way === 'pull' ? s.push : scale(s.push, -1)
    give(s, { box: s.contact, n: s.way === 'pull' ? -n : n, way: scale(s.push, -1) }, doubt)
    path.arrivals.push({ support: s.id, at: mid(s.contact.min, s.contact.max), n: scale(way, -n) })
  }
}

/** Seen from above the same. */
const lieOverEachOther = (a: Box, b: Box): boolean =>
  [0, 1].every((i) => Math.abs(a.min[i] - b.min[i]) < 1 && Math.abs(a.max[i] - b.max[i]) < 1)
