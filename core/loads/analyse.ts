import type { Assembly, Body, Part, Support } from '../assembly/assembly.ts'
import { massCentre, partMassKg } from '../assembly/mass.ts'
import { bendingSection, isLevelSheet, thicknessAxis, type PartBoxes } from '../assembly/part-box.ts'
import { findGrade } from '../catalogue/lumber.ts'
import { findSheet } from '../catalogue/sheets.ts'
import { findTube } from '../catalogue/steel.ts'
import type { Box } from '../geometry/box.ts'
import { dot, mid, scale, type Vec3 } from '../geometry/vec.ts'
import { newtons } from '../measure/units.ts'
import type { Conditions, DesignMethod } from '../mechanics/methods/method.ts'
import { secondMoment, shearStiffness, STEEL_E, tubeSecondMoment } from '../mechanics/section.ts'
import { holdBody, isHeld, wrenchOf, type Force } from './body.ts'
import { edgedPanel, type EdgeStrip, type SolvedPlates } from './edged-panel.ts'
import { closeOnGround } from './ground.ts'
import { emptyPath, wayOf, type LoadPath, type Member, type Patch, type Stiffening } from './load-path.ts'
import { bendsAlongStrength, intoRails, isConcentrated, solvePanel } from './panel.ts'
import { panelOnFrame } from './panel-on-frame.ts'
import { panelOnPoints } from './panel-on-points.ts'
import { pressesOn } from './pressing.ts'
import { solveHeld, type Held, type Rigidity, type SolvedBeams } from './solve-held.ts'
import { asBeamLoad, solveStick, solveStrut } from './stick.ts'

export interface AnalysisOptions {
  method: DesignMethod
  conditions: Conditions
  /** Loads times this: 1 and 1 for sag, the method's own for strength. */
  factor: { self: number; goods: number }
  /** Strips fastened under panels, by panel. */
  stripsOf: ReadonlyMap<string, EdgeStrip[]>
  /** Beams solved before with the same wood: looked up and added to. */
  known?: SolvedBeams
  plates?: SolvedPlates
  /** Members solved before under the same loads: looked up and added to. Of the same assembly only, its goods apart. */
  members?: SolvedMembers
  /** Stiffness of what is under a panel the way it bends, N·mm²; null when nobody knows it. */
  railEi?: (s: Support) => number | null
}

/** The strips under each panel's edges: boards that hang from a level sheet by the fasteners along them. */
export function edgeStrips(a: Assembly): Map<string, EdgeStrip[]> {
  const byId = new Map(a.parts.map((p) => [p.id, p]))
  const joints = new Map(a.joints.map((j) => [j.id, j]))
  const out = new Map<string, EdgeStrip[]>()
  for (const s of a.supports) {
    if (s.via !== 'hanging' || !('part' in s.from) || s.on.kind !== 'part' || s.joint === null) continue
    const [strip, panel] = [byId.get(s.from.part), byId.get(s.on.part)]
    if (strip?.stock.kind !== 'board' || !panel || !isLevelSheet(panel)) continue
    push(out, panel.id, { part: strip, glued: joints.get(s.joint)?.kind === 'glued-screwed' })
  }
  return out
}

/**
 * A member this steep is a post; one this flat is a beam; between them it braces. Size of the upward part of its axis.
 */
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

type Node = { part: Part } | { body: Body }
/** Worked out once for all arrangements of the goods of one build: they share its supports. */
const orders = new WeakMap<Support[], { parts: Part[]; order: Node[] }>()
/** Parts and bodies in an order where everything comes after all that rests on it. */
function fromTheTop(a: Assembly): Node[] {
  const known = orders.get(a.supports)
  if (known?.parts === a.parts) return known.order
  const order = sortedDown(a)
  orders.set(a.supports, { parts: a.parts, order })
  return order
}
function sortedDown(a: Assembly): Node[] {
  const below = new Map<string, string[]>()
  const nodes = new Map<string, Node>([
    ...a.parts.map((part) => [part.id, { part }] as const),
    ...a.bodies.map((body) => [bodyKey(body.id), { body }] as const),
  ])
  const waiting = new Map([...nodes.keys()].map((id) => [id, 0]))
  const edge = (from: string, to: string) => {
    push(below, from, to)
    waiting.set(to, (waiting.get(to) ?? 0) + 1)
  }
  const own = new Set<string>()
  for (const s of a.supports) {
    if ('bay' in s.from) continue
    const from = 'part' in s.from ? s.from.part : bodyKey(s.from.body)
    own.add(from)
    if (s.on.kind === 'part') edge(from, s.on.part)
  }
  for (const b of a.bodies) for (const id of b.parts) if (b.sideways || !own.has(id)) edge(id, bodyKey(b.id))
  const ready = [...nodes].filter(([id]) => waiting.get(id) === 0)
  const out: Node[] = []
  while (ready.length > 0) {
    const [id, node] = ready.pop()!
    out.push(node)
    for (const next of below.get(id) ?? []) {
      waiting.set(next, waiting.get(next)! - 1)
      if (waiting.get(next) === 0) ready.push([next, nodes.get(next)!])
    }
  }
  return out
}
/** Bodies and parts have ids of their own. */
const bodyKey = (id: string) => `body ${id}`

/** A tube bends like a board; a threaded rod is pulled, or keeps things in. */
const tubeOf = (p: Part) => (p.stock.kind === 'steel' ? findTube(p.stock.rod) : undefined)
const bends = (p: Part): boolean => p.stock.kind === 'board' || tubeOf(p) !== undefined

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

const rigidity = (p: Part, depthMm: number, breadthMm: number, o: AnalysisOptions): Rigidity | null => {
  const tube = tubeOf(p)
  if (tube) return { ei: STEEL_E * tubeSecondMoment(tube.outerMm, tube.wallMm) }
  if (p.stock.kind !== 'board') return null
  const grade = findGrade(p.stock.grade)
  const e = grade && o.method.modulus(grade, o.conditions)
  const g = grade && o.method.shearModulus(grade, o.conditions)
  return e
    ? {
        ei: e.value * secondMoment(breadthMm, depthMm),
        ...(g ? { ga: shearStiffness(g.value, breadthMm, depthMm) } : {}),
      }
    : null
}

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
  const supportsOf = new Map<string, Support[]>()
  for (const s of a.supports) {
    const from = 'part' in s.from ? s.from.part : 'bay' in s.from ? s.from.bay : bodyKey(s.from.body)
    push(supportsOf, from, s)
  }
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
    push(onPart, s.on.part, patch)
    if (doubt) doubtful.set(s.on.part, doubt)
  }

  const leaning = new Map(a.parts.filter(leans).map((p) => [p.id, p]))
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
  // A strut takes no load across itself: half its weight hangs on what it holds, half on what holds it.
  for (const p of a.parts) {
    const self = newtons(partMassKg(p)) * o.factor.self
    weigh(self, massCentre(p))
    const ends = p.axial ? endsOf(p, a.supports) : []
    if (ends.length === 0) push(onPart, p.id, { box: boxes.get(p.id)!, n: self })
    for (const { contact, part, support } of ends) {
      const patch: Patch = { box: contact, n: self / ends.length }
      if (part !== null) push(onPart, part, patch)
      else path.arrivals.push({ support, at: mid(contact.min, contact.max), n: [0, 0, -patch.n] })
    }
  }

  const known: SolvedBeams = o.known ?? new Map()
  const byPart = new Map(a.parts.map((p) => [p.id, p]))
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
  const of = (which: readonly Body[]) => new Map(which.flatMap((b) => b.parts.map((id) => [id, b.id] as const)))
  const bodyOf = of(a.bodies.filter((b) => !b.sideways))
  const frameOf = of(a.bodies.filter((b) => b.sideways))
  for (const node of fromTheTop(a)) {
    if ('body' in node) passBody(node.body)
    else passPart(node.part)
  }
  path.weights = wrenchOf(weights)
  closeOnGround(a, path)
  return path

  function passPart(p: Part) {
    const patches = (onPart.get(p.id) ?? []).filter((x) => !toFrame(p, x))
    const totalN = patches.reduce((sum, x) => sum + Math.abs(x.n), 0)
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
      for (const x of patches) push(onBody, body, { at: mid(x.box.min, x.box.max), n: scale(wayOf(x), x.n) })
      if (doubt) doubtful.set(bodyKey(body), doubt)
      is({ kind: 'joined', body })
      return
    }
    const solved =
      solvedBefore(o.members, p, patches) ?? solveMember(p, patches, supports, boxes, { ...o, railEi }, known)
    keep(o.members, p, patches, solved)
    for (const { support, patch } of solved.passed)
      give(support, patch, doubt ?? (solved.state.kind === 'unknown' ? solved.state.reason : null))
    is(solved.state)
  }

  /** What pushes an upright of a stiff frame sideways is handed on to the frame. */
  function toFrame(p: Part, x: Patch): boolean {
    const frame = frameOf.get(p.id)
    if (frame === undefined || Math.abs(wayOf(x)[2]) > FLAT) return false
    push(onBody, frame, { at: mid(x.box.min, x.box.max), n: scale(wayOf(x), x.n) })
    return true
  }

  function passBody(b: Body) {
    const supports = supportsOf.get(bodyKey(b.id)) ?? []
    const holds = supports.map((s) => ({ id: s.id, at: mid(s.contact.min, s.contact.max), push: s.push, way: s.way }))
    const held = holdBody(onBody.get(b.id) ?? [], holds)
    const doubt = doubtful.get(bodyKey(b.id)) ?? (isHeld(held) ? null : 'too-few-supports')
    if (!isHeld(held)) path.notHeld.push(b.id)
    const by = new Map(supports.map((s, i) => [s.id, held.forces[i]]))
    supports.forEach((s, i) => {
      give(s, { box: s.contact, n: held.forces[i], way: scale(s.push, -1) }, doubt)
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

interface End {
  contact: Box
  /** What is there; null where it is the floor, a wall or the ceiling. */
  part: string | null
  support: string
}

function endsOf(p: Part, supports: readonly Support[]): End[] {
  return supports.flatMap((s): End[] => {
    if (s.on.kind === 'part' && s.on.part === p.id && 'part' in s.from)
      return [{ contact: s.contact, part: s.from.part, support: s.id }]
    if ('part' in s.from && s.from.part === p.id)
      return [{ contact: s.contact, part: s.on.kind === 'part' ? s.on.part : null, support: s.id }]
    return []
  })
}

const NOT_STIFFENED: Stiffening = { sag: 1, strips: [] }

/** By part, what each loading came to. */
export type SolvedMembers = Map<string, { patches: readonly Patch[]; solved: Solved }[]>

const sameBox = (a: Box, b: Box) => a === b || [0, 1, 2].every((i) => a.min[i] === b.min[i] && a.max[i] === b.max[i])
const samePatch = (a: Patch, b: Patch) =>
  a === b ||
  (a.n === b.n && sameBox(a.box, b.box) && (a.way === b.way || [0, 1, 2].every((i) => wayOf(a)[i] === wayOf(b)[i])))

const solvedBefore = (seen: SolvedMembers | undefined, p: Part, patches: readonly Patch[]): Solved | undefined =>
  seen
    ?.get(p.id)
    ?.find((x) => x.patches.length === patches.length && x.patches.every((y, i) => samePatch(y, patches[i])))?.solved

function keep(seen: SolvedMembers | undefined, p: Part, patches: readonly Patch[], solved: Solved) {
  const list = seen?.get(p.id)
  if (list?.some((x) => x.solved === solved)) return
  if (list) list.push({ patches, solved })
  else seen?.set(p.id, [{ patches, solved }])
}

interface Solved {
  state: Member['state']
  passed: { support: Support; patch: Patch }[]
}

/**
 * Weights shared out evenly: where the split does not matter, or nothing better is known (then the state says unknown).
 */
const shareEvenly = (patches: readonly Patch[], supports: readonly Support[]): Solved['passed'] =>
  supports.flatMap((support) =>
    patches.map((x) => ({ support, patch: { ...x, box: over(x.box, support.contact), n: x.n / supports.length } })),
  )

function solveMember(
  p: Part,
  patches: Patch[],
  supports: Support[],
  boxes: PartBoxes,
  o: AnalysisOptions,
  known: SolvedBeams,
): Solved {
  const even = (state: Member['state']): Solved => ({ state, passed: shareEvenly(patches, supports) })
  const byId = (id: string) => supports.find((s) => s.id === id)!
  const up = Math.abs(p.at.along[2])
  if (p.stock.kind === 'sheet' && Math.abs(thicknessAxis(p)[2]) > STEEP) {
    // What pushes a sheet up is a load less than nothing.
    if (patches.some((x) => wayOf(x)[2] > STEEP))
      return solveMember(p, patches.map(turnedDown), supports, boxes, o, known)
    const sheet = findSheet(p.stock.sheet)
    const solution = sheet && solvePanel(p, patches, supports, sheet.ei, known)
    const onPoints = sheet && !solution ? panelOnPoints(p, patches, supports, sheet, o.plates ?? new Map()) : null
    if (onPoints)
      return {
        state: {
          kind: 'panel',
          along: true,
          strips: [onPoints.bent],
          stiff: NOT_STIFFENED,
          acrossNmm: onPoints.acrossNmm,
        },
        passed: onPoints.passed.map((x) => ({ support: byId(x.support), patch: x.patch })),
      }
    if (!solution) return even({ kind: 'unknown', reason: 'too-few-supports' })
    const strips = o.stripsOf.get(p.id) ?? []
    const edged =
      strips.length > 0 && bendsAlongStrength(p, true)
        ? edgedPanel({ p, sheet, patches, supports, strips, boxes, solution }, { ...o, plates: o.plates ?? new Map() })
        : null
    const framed =
      !edged && solution.along && patches.some((x) => isConcentrated(p, x))
        ? panelOnFrame(p, patches, supports, sheet, o.railEi ?? (() => null), o.plates ?? new Map())
        : null
    // Only of a plate what stands at a rail may go past the strips: its bending is in the plate.
    const { down, rest } = framed ? intoRails(p, patches, supports) : { down: [], rest: patches }
    const passing = down.length > 0 ? solvePanel(p, rest, supports, sheet.ei, known) : solution
    if (!passing) return even({ kind: 'unknown', reason: 'too-few-supports' })
    return {
      state: {
        kind: 'panel',
        along: solution.along,
        strips: edged ? [edged.bent] : framed ? [framed.bent] : solution.strips,
        stiff: edged?.stiff ?? NOT_STIFFENED,
        ...(framed ? { acrossNmm: framed.acrossNmm } : {}),
      },
      passed: [...passing.passed.map((x) => ({ support: byId(x.support), patch: x.patch })), ...down],
    }
  }
  if (p.axial) {
    const strut = solveStrut(p, patches, supports)
    if (typeof strut === 'string') return even({ kind: 'unknown', reason: strut })
    return { state: { kind: 'strut', axial: strut }, passed: strut.passed }
  }
  const onlyDown = patches.every(isDown) && supports.every((s) => s.push[2] === 1)
  if (bends(p) && !onlyDown) return anyWay(p, patches, supports, o, known)
  if (up > STEEP) return even({ kind: 'column', axialN: patches.reduce((sum, x) => sum + x.n, 0) })
  if (up > FLAT || !bends(p)) return even({ kind: 'idle' })

  const spots = supports.map((s) => ({ s, r: along(p, s.contact) }))
  const covered = spots.reduce((sum, { r }) => sum + r.to - r.from, 0)
  if (covered >= BEDDED * p.size.lengthMm) return { state: { kind: 'bedded' }, passed: bedded(p, patches, spots) }
  const { depthMm, breadthMm } = bendingSection(p)
  const ei = rigidity(p, depthMm, breadthMm, o)
  if (ei === null) return even({ kind: 'unknown', reason: 'no-stiffness' })
  const held = spots.map(({ s, r }): Held => ({ id: s.id, atMm: (r.from + r.to) / 2, loose: s.way !== 'both' }))
  const loads = patches.map((x) => asBeamLoad(p, x, x.n, along))
  const solved = solveHeld(p.size.lengthMm, ei, held, loads, known)
  if (!solved) return even({ kind: 'unknown', reason: 'too-few-supports' })
  return {
    state: { kind: 'beam', bent: { ...solved, widthMm: breadthMm } },
    passed: solved.supports.map((id, i) => ({
      support: byId(id),
      patch: { box: byId(id).contact, n: solved.result.reactions[i] },
    })),
  }
}

const turnedDown = (x: Patch): Patch => (wayOf(x)[2] > STEEP ? { box: x.box, n: -x.n } : x)

/** Neither level nor upright: a shelf or a box may lie on it all the same. */
const leans = (p: Part): boolean => Math.abs(p.at.along[2]) > 1e-6 && Math.abs(p.at.along[2]) <= STEEP

const isDown = (x: Patch) => x.way === undefined || x.way[2] === -1

/** A board loaded or held otherwise than straight down. */
function anyWay(p: Part, patches: Patch[], supports: Support[], o: AnalysisOptions, known: SolvedBeams): Solved {
  const rigid = (part: Part, depthMm: number, breadthMm: number) => rigidity(part, depthMm, breadthMm, o)
  const s = solveStick(p, patches, supports, rigid, along, known)
  if (typeof s === 'string') return { state: { kind: 'unknown', reason: s }, passed: shareEvenly(patches, supports) }
  const { pulledN, pressedN, passed } = s
  if (Math.abs(p.at.along[2]) > STEEP)
    return { state: { kind: 'column', axialN: pressedN, pulledN, bent: s.bent }, passed }
  const [bent, other] = s.bent
  if (!bent) return { state: { kind: 'strut', axial: { pulledN, pressedN } }, passed }
  const axial = pulledN > 0 || pressedN > 0 ? { axial: { pulledN, pressedN } } : {}
  return { state: { kind: 'beam', bent, ...(other ? { other } : {}), ...axial }, passed }
}

/**
 * What lies on its supports hands each weight straight on: to those it lies over, as much as it lies over each; else to
 * the nearest.
 */
function bedded(p: Part, patches: Patch[], spots: { s: Support; r: { from: number; to: number } }[]): Solved['passed'] {
  return patches.flatMap((patch) => {
    const r = along(p, patch.box)
    const shared = spots.map((x) => Math.max(0, Math.min(r.to, x.r.to) - Math.max(r.from, x.r.from)))
    const sum = shared.reduce((a, b) => a + b, 0)
    if (sum > 0)
      return spots.flatMap((x, i) =>
        shared[i] > 0
          ? [{ support: x.s, patch: { box: over(patch.box, x.s.contact), n: (patch.n * shared[i]) / sum } }]
          : [],
      )
    const middle = (r.from + r.to) / 2
    const distance = (x: { from: number; to: number }) => Math.max(x.from - middle, middle - x.to, 0)
    const nearest = spots.reduce((best, x) => (distance(x.r) < distance(best.r) ? x : best))
    return [{ support: nearest.s, patch: { box: over(patch.box, nearest.s.contact), n: patch.n } }]
  })
}
