import type { Assembly, Part, Placed, Support } from '../assembly/assembly.ts'
import { partMassKg } from '../assembly/mass.ts'
import { bendingSection, thicknessAxis, type PartBoxes } from '../assembly/part-box.ts'
import { findGrade } from '../catalogue/lumber.ts'
import { findSheet } from '../catalogue/sheets.ts'
import type { Box } from '../geometry/box.ts'
import { dot } from '../geometry/vec.ts'
import { newtons } from '../measure/units.ts'
import type { BeamLoad } from '../mechanics/beam.ts'
import type { Conditions, DesignMethod } from '../mechanics/methods/method.ts'
import { compositeStiffness, looseStiffness, secondMoment, shearStiffness, type Layer } from '../mechanics/section.ts'
import type { LoadPath, Member, Patch, Stiffening } from './load-path.ts'
import { bendsAlongStrength, solvePanel } from './panel.ts'
import { solveHeld, type Held, type Rigidity, type SolvedBeams } from './solve-held.ts'

export interface AnalysisOptions {
  method: DesignMethod
  conditions: Conditions
  /** Loads times this: 1 and 1 for sag, the method's own for strength. */
  factor: { self: number; goods: number }
  /** Strips fastened under panels, by panel. */
  stripsOf: ReadonlyMap<string, EdgeStrip[]>
}
export interface EdgeStrip {
  part: Part
  glued: boolean
}

/** The strips under each panel's edges. */
export function edgeStrips(a: Assembly): Map<string, EdgeStrip[]> {
  const byId = new Map(a.parts.map((p) => [p.id, p]))
  const out = new Map<string, EdgeStrip[]>()
  for (const j of a.joints) {
    const strip = byId.get(j.far)
    if (strip?.role === 'edge') push(out, j.near, { part: strip, glued: j.kind === 'glued-screwed' })
  }
  return out
}

/** A member this steep is a post; one this flat is a beam; between them it braces. Size of the upward part of its axis. */
const STEEP = 0.9
const FLAT = 0.1
/** A member whose contact covers this share of its length lies on its support and does not bend. */
const BEDDED = 0.9

type Doubt = Extract<Member['state'], { kind: 'unknown' }>['reason']

function push<T>(map: Map<string, T[]>, key: string, value: T) {
  const list = map.get(key)
  if (list) list.push(value)
  else map.set(key, [value])
}

/** A patch shorter than this share of the member acts at its middle: never less bending than the patch itself would give. */
const POINT_SHARE = 0.05

/** Adds a weight's moments about the build's two level axes. */
function turn(moments: [number, number], { box: { min, max }, n }: Patch) {
  moments[0] += (n * (min[0] + max[0])) / 2
  moments[1] += (n * (min[1] + max[1])) / 2
}

/** Parts in an order where everything comes after all that rests on it. */
function fromTheTop(a: Assembly): Part[] {
  const below = new Map<string, string[]>()
  const waiting = new Map(a.parts.map((p) => [p.id, 0]))
  for (const s of a.supports) {
    if (!('part' in s.from) || s.on.kind !== 'part') continue
    push(below, s.from.part, s.on.part)
    waiting.set(s.on.part, (waiting.get(s.on.part) ?? 0) + 1)
  }
  const byId = new Map(a.parts.map((p) => [p.id, p]))
  const ready = a.parts.filter((p) => waiting.get(p.id) === 0)
  const out: Part[] = []
  while (ready.length > 0) {
    const p = ready.pop()!
    out.push(p)
    for (const id of below.get(p.id) ?? []) {
      waiting.set(id, waiting.get(id)! - 1)
      if (waiting.get(id) === 0) ready.push(byId.get(id)!)
    }
  }
  return out
}

/** What of `region` lies over `b` from above; all of `b`'s top where they do not meet. */
function over(region: Box, b: Box): Box {
  const out: Box = { min: [...b.min], max: [...b.max] }
  for (const i of [0, 1]) {
    const [lo, hi] = [Math.max(region.min[i], b.min[i]), Math.min(region.max[i], b.max[i])]
    if (lo <= hi) [out.min[i], out.max[i]] = [lo, hi]
  }
  out.min[2] = out.max[2]
  return out
}

/** Where on a member's length a box of the build lies. */
function along(p: Part, b: Box): { from: number; to: number } {
  const half = p.size.lengthMm / 2
  const origin = dot(p.at.centre, p.at.along)
  const x = dot(b.min, p.at.along) - origin + half
  const y = dot(b.max, p.at.along) - origin + half
  return { from: Math.max(0, Math.min(x, y)), to: Math.min(p.size.lengthMm, Math.max(x, y)) }
}

const asLoad = (p: Part, patch: Patch): BeamLoad => {
  const r = along(p, patch.box)
  const length = r.to - r.from
  if (length < POINT_SHARE * p.size.lengthMm) return { kind: 'point', atMm: (r.from + r.to) / 2, n: patch.n }
  return { kind: 'line', fromMm: r.from, toMm: r.to, startNPerMm: patch.n / length, endNPerMm: patch.n / length }
}

const rigidity = (p: Part, o: AnalysisOptions): Rigidity | null => {
  if (p.stock.kind !== 'board') return null
  const grade = findGrade(p.stock.grade)
  const e = grade && o.method.modulus(grade, o.conditions)
  const g = grade && o.method.shearModulus(grade, o.conditions)
  const { depthMm, breadthMm } = bendingSection(p)
  return e ? { ei: e.value * secondMoment(breadthMm, depthMm), ...(g ? { ga: shearStiffness(g.value, breadthMm, depthMm) } : {}) } : null
}

/** Side of a foot under a piece of equipment, mm; its weight stands on four at its corners. Product decision. */
const FOOT_MM = 60
/** A round base presses like a square of the same area: √π/2 of its diameter. */
const ROUND = Math.sqrt(Math.PI) / 2

/** Where a thing presses on what carries it: all over its base, over a round one, or at four feet. */
function pressesOn(item: Placed): { box: Box; share: number }[] {
  const { min, max } = item.box
  const at = (x0: number, x1: number, y0: number, y1: number): Box => ({ min: [x0, y0, min[2]], max: [x1, y1, max[2]] })
  const [w, d] = [max[0] - min[0], max[1] - min[1]]
  if (item.stands === 'round') {
    const [kx, ky] = [(w * (1 - ROUND)) / 2, (d * (1 - ROUND)) / 2]
    return [{ box: at(min[0] + kx, max[0] - kx, min[1] + ky, max[1] - ky), share: 1 }]
  }
  if (item.stands === 'feet') {
    const [f, g] = [Math.min(FOOT_MM, w / 2), Math.min(FOOT_MM, d / 2)]
    return [[min[0], min[0] + f], [max[0] - f, max[0]]].flatMap(([x0, x1]) => [[min[1], min[1] + g], [max[1] - g, max[1]]].map(([y0, y1]) => ({ box: at(x0, x1, y0, y1), share: 1 / 4 })))
  }
  return [{ box: item.box, share: 1 }]
}

/**
 * Follows every weight from the goods down to floor, wall or ceiling: each member is solved on its true supports and its reactions
 * become the loads of what it rests on. Units N and mm.
 */
export function analyse(a: Assembly, boxes: PartBoxes, o: AnalysisOptions): LoadPath {
  const path: LoadPath = { members: new Map(), reactions: new Map(), loadsN: 0, arrivedN: 0, loadsAt: [0, 0], arrivedAt: [0, 0], notWeighed: [] }
  const onPart = new Map<string, Patch[]>()
  const doubtful = new Map<string, Doubt>()
  const supportsOf = new Map<string, Support[]>()
  for (const s of a.supports) {
    const from = 'part' in s.from ? s.from.part : s.from.bay
    push(supportsOf, from, s)
  }
  const give = (s: Support, patch: Patch, doubt: Doubt | null) => {
    path.reactions.set(s.id, (path.reactions.get(s.id) ?? 0) + patch.n)
    if (s.on.kind !== 'part') {
      path.arrivedN += patch.n
      turn(path.arrivedAt, patch)
      return
    }
    push(onPart, s.on.part, patch)
    if (doubt) doubtful.set(s.on.part, doubt)
  }

  for (const b of a.bays) {
    const on = supportsOf.get(b.id) ?? []
    for (const item of b.items) {
      const doubt: Doubt | null = item.massKg === null ? 'not-weighed' : null
      if (doubt && b.carriers.length > 0 && !path.notWeighed.includes(item.goodsId)) path.notWeighed.push(item.goodsId)
      const n = newtons(item.massKg ?? 0) * o.factor.goods
      path.loadsN += n
      for (const s of on) {
        const carrier = s.on.kind === 'part' ? boxes.get(s.on.part)! : s.contact
        for (const p of pressesOn(item)) {
          // What stands out past its carrier presses on its edge; whether it may is asked elsewhere.
          const patch: Patch = { box: over(p.box, carrier), n: (n * p.share) / on.length }
          turn(path.loadsAt, patch)
          give(s, patch, doubt)
        }
      }
    }
  }

  const known: SolvedBeams = new Map()
  for (const p of fromTheTop(a)) {
    const self: Patch = { box: boxes.get(p.id)!, n: newtons(partMassKg(p)) * o.factor.self }
    path.loadsN += self.n
    turn(path.loadsAt, self)
    push(onPart, p.id, self)
    const patches = onPart.get(p.id)!
    const totalN = patches.reduce((sum, x) => sum + x.n, 0)
    const supports = supportsOf.get(p.id) ?? []
    const doubt = doubtful.get(p.id) ?? null
    const solved = solveMember(p, patches, supports, o, known)
    for (const { support, patch } of solved.passed) give(support, patch, doubt ?? (solved.state.kind === 'unknown' ? solved.state.reason : null))
    const state: Member['state'] = doubt ? { kind: 'unknown', reason: doubt } : solved.state
    path.members.set(p.id, { part: p.id, state, totalN })
  }
  return path
}

const NOT_STIFFENED: Stiffening = { sag: 1, share: 1, strips: [] }

/**
 * How strips under a panel's edges stiffen it along its length. Glued and screwed they bend as one with it; only screwed, their stiffnesses
 * add up, a lower bound. For strength the sum is always taken: it gives the panel and the strip no less than they get.
 */
function stiffening(p: Part, ei: number, o: AnalysisOptions): Stiffening {
  const strips = o.stripsOf.get(p.id) ?? []
  if (strips.length === 0 || !bendsAlongStrength(p, true)) return NOT_STIFFENED
  const { widthMm, thicknessMm } = p.size
  const panel: Layer = { e: (ei * 12) / thicknessMm ** 3, breadthMm: widthMm, depthMm: thicknessMm, middleMm: 0 }
  const layers: Layer[] = [panel]
  const loose: Layer[] = [panel]
  let glued = true
  for (const s of strips) {
    const grade = s.part.stock.kind === 'board' ? findGrade(s.part.stock.grade) : undefined
    const e = grade && o.method.modulus(grade, o.conditions)
    if (!e) return NOT_STIFFENED
    const { depthMm, breadthMm } = bendingSection(s.part)
    const layer: Layer = { e: e.value, breadthMm, depthMm, middleMm: s.part.at.centre[2] - p.at.centre[2] }
    loose.push(layer)
    layers.push(layer)
    glued &&= s.glued
  }
  const own = ei * widthMm
  const sum = looseStiffness(loose)
  return { sag: (glued ? compositeStiffness(layers) : sum) / own, share: own / sum, strips: strips.map((s) => s.part.id) }
}

interface Solved {
  state: Member['state']
  passed: { support: Support; patch: Patch }[]
}

/** Weights shared out evenly: where the split does not matter, or nothing better is known (then the state says unknown). */
const shareEvenly = (patches: Patch[], supports: Support[]): Solved['passed'] =>
  supports.flatMap((support) => patches.map((x) => ({ support, patch: { box: over(x.box, support.contact), n: x.n / supports.length } })))

function solveMember(p: Part, patches: Patch[], supports: Support[], o: AnalysisOptions, known: SolvedBeams): Solved {
  const even = (state: Member['state']): Solved => ({ state, passed: shareEvenly(patches, supports) })
  const byId = (id: string) => supports.find((s) => s.id === id)!
  const up = Math.abs(p.at.along[2])
  if (p.stock.kind === 'sheet' && Math.abs(thicknessAxis(p)[2]) > STEEP) {
    const sheet = findSheet(p.stock.sheet)
    const stiff = sheet ? stiffening(p, sheet.ei.along, o) : NOT_STIFFENED
    const solution = sheet && solvePanel(p, patches, supports, { along: sheet.ei.along * stiff.sag, across: sheet.ei.across }, known)
    if (!solution) return even({ kind: 'unknown', reason: 'too-few-supports' })
    return {
      state: { kind: 'panel', along: solution.along, strips: solution.strips, stiff },
      passed: solution.passed.map((x) => ({ support: byId(x.support), patch: x.patch })),
    }
  }
  if (up > STEEP) return even({ kind: 'column', axialN: patches.reduce((sum, x) => sum + x.n, 0) })
  if (up > FLAT || p.stock.kind !== 'board') return even({ kind: 'idle' })

  const spots = supports.map((s) => ({ s, r: along(p, s.contact) }))
  const covered = spots.reduce((sum, { r }) => sum + r.to - r.from, 0)
  if (covered >= BEDDED * p.size.lengthMm) return { state: { kind: 'bedded' }, passed: bedded(p, patches, spots) }
  const ei = rigidity(p, o)
  if (ei === null) return even({ kind: 'unknown', reason: 'no-stiffness' })
  const held = spots.map(({ s, r }): Held => ({ id: s.id, atMm: (r.from + r.to) / 2, loose: s.via === 'bearing' }))
  const loads = patches.map((x) => asLoad(p, x))
  const solved = solveHeld(p.size.lengthMm, ei, held, loads, known)
  if (!solved) return even({ kind: 'unknown', reason: 'too-few-supports' })
  return {
    state: { kind: 'beam', bent: { ...solved, widthMm: bendingSection(p).breadthMm } },
    passed: solved.supports.map((id, i) => ({ support: byId(id), patch: { box: byId(id).contact, n: solved.result.reactions[i] } })),
  }
}

/** What lies on its supports hands each weight straight on: to those it lies over, as much as it lies over each; else to the nearest. */
function bedded(p: Part, patches: Patch[], spots: { s: Support; r: { from: number; to: number } }[]): Solved['passed'] {
  return patches.flatMap((patch) => {
    const r = along(p, patch.box)
    const shared = spots.map((x) => Math.max(0, Math.min(r.to, x.r.to) - Math.max(r.from, x.r.from)))
    const sum = shared.reduce((a, b) => a + b, 0)
    if (sum > 0) return spots.flatMap((x, i) => (shared[i] > 0 ? [{ support: x.s, patch: { box: over(patch.box, x.s.contact), n: (patch.n * shared[i]) / sum } }] : []))
    const middle = (r.from + r.to) / 2
    const distance = (x: { from: number; to: number }) => Math.max(x.from - middle, middle - x.to, 0)
    const nearest = spots.reduce((best, x) => (distance(x.r) < distance(best.r) ? x : best))
    return [{ support: nearest.s, patch: { box: over(patch.box, nearest.s.contact), n: patch.n } }]
  })
}
