import type { Part, Support } from '../assembly/assembly.ts'
import { stiffnessLeft } from '../assembly/net-section.ts'
import { bendingSection, thicknessAxis, type PartBoxes } from '../assembly/part-box.ts'
import { findGrade } from '../catalogue/lumber.ts'
import { findSheet, type Sheet } from '../catalogue/sheets.ts'
import { findTube } from '../catalogue/steel.ts'
import type { Box } from '../geometry/box.ts'
import { dot, mid, scale } from '../geometry/vec.ts'
import { kept } from '../measure/kept.ts'
import { secondMoment, shearStiffness, STEEL_E, tubeSecondMoment } from '../mechanics/section.ts'
import type { AnalysisOptions } from './analyse.ts'
import { edgedPanel } from './edged-panel.ts'
import { wayOf, type Member, type Patch, type Stiffening } from './load-path.ts'
import type { Memo } from './memo.ts'
import { slantedEdges } from './on-outline.ts'
import {
  bendsAlongStrength,
  intoRails,
  isConcentrated,
  isPointed,
  panelSite,
  saysTooMuch,
  solvePanel,
} from './panel.ts'
import { panelOnFrame } from './panel-on-frame.ts'
import { panelOnPoints } from './panel-on-points.ts'
import { solveHeld, type Held, type Rigidity } from './solve-held.ts'
import { asBeamLoad, solveStick, solveStrut, stickSite } from './stick.ts'

/**
 * A member this steep is a post; one this flat is a beam; between them it braces. Size of the upward part of its axis.
 */
export const STEEP = 0.9
export const FLAT = 0.1
/** A member whose contact covers this share of its length lies on its support and does not bend. */
const BEDDED = 0.9

/** A tube bends like a board; a threaded rod is pulled, or keeps things in. */
const tubeOf = (p: Part) => (p.stock.kind === 'steel' ? findTube(p.stock.rod) : undefined)
const bends = (p: Part): boolean => p.stock.kind === 'board' || tubeOf(p) !== undefined

/** What of `region` lies over `b` from above; all of `b`'s top where they do not meet. */
export function over(region: Box, b: Box): Box {
  const out: Box = { min: [...b.min], max: [...b.max] }
  for (const i of [0, 1]) {
    const [lo, hi] = [Math.max(region.min[i], b.min[i]), Math.min(region.max[i], b.max[i])]
    if (lo <= hi) [out.min[i], out.max[i]] = [lo, hi]
  }
  out.min[2] = out.max[2]
  return out
}

/** Whether a level member runs neither along the wall nor out from it. */
const isAskew = (p: Part): boolean => Math.min(Math.abs(p.at.along[0]), Math.abs(p.at.along[1])) > FLAT

/** Where on a member's length a box of the build lies. */
function along(p: Part, b: Box): { from: number; to: number } {
  const half = p.size.lengthMm / 2
  if (isAskew(p)) {
    // A box square to the room says little of what lies along it: no more of it than is surely there.
    const at = half + dot(mid(b.min, b.max), p.at.along) - dot(p.at.centre, p.at.along)
    const reach = Math.abs(
      Math.abs(p.at.along[0]) * (b.max[0] - b.min[0]) - Math.abs(p.at.along[1]) * (b.max[1] - b.min[1]),
    )
    const ends = [at - reach / 2, at + reach / 2].map((mm) => Math.min(p.size.lengthMm, Math.max(0, mm)))
    return { from: ends[0], to: ends[1] }
  }
  const origin = dot(p.at.centre, p.at.along)
  const x = dot(b.min, p.at.along) - origin + half
  const y = dot(b.max, p.at.along) - origin + half
  return { from: Math.max(0, Math.min(x, y)), to: Math.min(p.size.lengthMm, Math.max(x, y)) }
}

export const rigidity = (p: Part, depthMm: number, breadthMm: number, o: AnalysisOptions): Rigidity | null => {
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

const NOT_STIFFENED: Stiffening = { sag: 1, strips: [] }

/** What a member is solved with. */
export interface MemberOptions extends AnalysisOptions {
  boxes: PartBoxes
  memo: Memo
  /** Stiffness of what is under a panel the way it bends, N·mm²; null when nobody knows it. */
  railEi: (s: Support) => number | null
}

/** What became of a member, and what it hands on. */
export interface SolvedMember {
  state: Member['state']
  passed: { support: Support; patch: Patch }[]
}

/**
 * Weights shared out evenly: where the split does not matter, or nothing better is known (then the state says unknown).
 */
const shareEvenly = (patches: readonly Patch[], supports: readonly Support[]): SolvedMember['passed'] =>
  supports.flatMap((support) =>
    patches.map((x) => ({ support, patch: { ...x, box: over(x.box, support.contact), n: x.n / supports.length } })),
  )

/** Where a beam is held and how stiff it is. */
export interface BeamSite {
  spots: { s: Support; r: { from: number; to: number } }[]
  isBedded: boolean
  ei: Rigidity | null
  held: Held[]
  breadthMm: number
}

function beamSite(p: Part, supports: readonly Support[], o: AnalysisOptions): BeamSite {
  const spots = supports.map((s) => ({ s, r: along(p, s.contact) }))
  const { depthMm, breadthMm } = bendingSection(p)
  return {
    spots,
    isBedded: spots.reduce((sum, { r }) => sum + r.to - r.from, 0) >= BEDDED * p.size.lengthMm,
    ei: rigidity(p, depthMm, breadthMm, o),
    held: spots.map(({ s, r }): Held => ({ id: s.id, atMm: (r.from + r.to) / 2, loose: s.way !== 'both' })),
    breadthMm,
  }
}

/** The sheet of a part as stiff as its dadoes leave it, and as it may be laid on the sheet it is cut from. */
function asCut(p: Part, sheet: Sheet | undefined): Sheet | undefined {
  const kept = stiffnessLeft(p)
  if (!sheet || (kept === 1 && p.grain !== 'any')) return sheet
  const { along, across } = sheet.ei
  const weaker = Math.min(along, across)
  const ei =
    p.grain === 'any'
      ? { along: weaker * kept, across: weaker * kept }
      : p.grain === 'length'
        ? { along: along * kept, across }
        : { along, across: across * kept }
  return { ...sheet, ei }
}

/** Whether a level board that runs askew lies on one piece with all its length, held down to it or not. */
const liesAllAlong = (p: Part, supports: readonly Support[]): boolean =>
  isAskew(p) &&
  supports.every((s) => Math.abs(s.push[2]) === 1) &&
  new Set(supports.map((s) => (s.on.kind === 'part' ? s.on.part : s.on.kind))).size === 1 &&
  supports.some((s) => s.push[2] === 1 && (s.areaMm2 ?? 0) >= BEDDED * p.size.lengthMm * bendingSection(p).breadthMm)

/** What presses on such a board goes straight on where it is, and what pulls at it into what holds it down. */
function heldAllAlong(patches: readonly Patch[], supports: readonly Support[]): SolvedMember['passed'] {
  const [up, down] = [1, -1].map((way) => supports.find((s) => s.push[2] === way))
  return patches.map((x) => {
    const n = -x.n * wayOf(x)[2]
    const support = n < 0 && down ? down : up!
    return { support, patch: support === up ? { box: x.box, n } : { box: x.box, n: -n, way: scale(support.push, -1) } }
  })
}

/** A part under what rests on it, solved on its true supports. */
export function solveMember(p: Part, patches: Patch[], supports: Support[], o: MemberOptions): SolvedMember {
  const even = (state: Member['state']): SolvedMember => ({ state, passed: shareEvenly(patches, supports) })
  const byId = (id: string) => supports.find((s) => s.id === id)!
  const up = Math.abs(p.at.along[2])
  if (p.stock.kind === 'sheet' && Math.abs(thicknessAxis(p)[2]) > STEEP) {
    // What pushes a sheet up is a load less than nothing.
    if (patches.some((x) => wayOf(x)[2] > STEEP)) return solveMember(p, patches.map(turnedDown), supports, o)
    const sheet = asCut(p, findSheet(p.stock.sheet))
    const site = sheet && kept(o.memo.panelSites, supports, () => panelSite(p, supports, sheet.ei))
    const solution = site && solvePanel(p, patches, site)
    const onPoints = sheet && !solution ? panelOnPoints(p, patches, supports, sheet) : null
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
        ? edgedPanel({ p, sheet, patches, supports, strips, boxes: o.boxes, solution }, o)
        : null
    const framed =
      !edged &&
      solution.along &&
      slantedEdges(p).length === 0 &&
      (patches.some((x) => isConcentrated(p, x) || isPointed(p, x)) || saysTooMuch(p, patches, solution))
        ? panelOnFrame(p, patches, supports, sheet, o.railEi)
        : null
    // Only of a plate what stands at a rail may go past the strips: its bending is in the plate.
    const { down, rest } = framed ? intoRails(p, patches, supports) : { down: [], rest: patches }
    const passing = down.length > 0 ? solvePanel(p, rest, site!) : solution
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
    const { pulledN, pressedN, passed } = strut
    return { state: { kind: 'strut', axial: { pulledN, pressedN } }, passed }
  }
  if (bends(p) && up <= FLAT && liesAllAlong(p, supports))
    return { state: { kind: 'bedded' }, passed: heldAllAlong(patches, supports) }
  const onlyDown = patches.every(isDown) && supports.every((s) => s.push[2] === 1 && !s.steadies)
  if (bends(p) && !onlyDown) return anyWay(p, patches, supports, o)
  if (up > STEEP) return even({ kind: 'column', axialN: patches.reduce((sum, x) => sum + x.n, 0) })
  if (up > FLAT || !bends(p))
    return {
      state: { kind: 'idle' },
      passed: shareEvenly(
        patches.map((x) => throughIt(p, x)),
        supports,
      ),
    }

  const { spots, isBedded, ei, held, breadthMm } = kept(o.memo.beamSites, supports, () => beamSite(p, supports, o))
  if (isBedded) return { state: { kind: 'bedded' }, passed: bedded(p, patches, spots) }
  if (ei === null) return even({ kind: 'unknown', reason: 'no-stiffness' })
  const loads = patches.map((x) => asBeamLoad(p, x, x.n, along))
  const solved = solveHeld(p.size.lengthMm, ei, held, loads)
  if (!solved) return even({ kind: 'unknown', reason: 'too-few-supports' })
  return {
    state: { kind: 'beam', bent: { widthMm: breadthMm, ...solved } },
    passed: solved.supports.map((id, i) => ({
      support: byId(id),
      patch: { box: byId(id).contact, n: solved.result.reactions[i] },
    })),
  }
}

/** What is screwed on the face of a sheet that stands on its edge comes down through all of its thickness. */
function throughIt(p: Part, x: Patch): Patch {
  if (Math.abs(p.at.across[2]) < STEEP) return x
  const i = thicknessAxis(p).findIndex((v) => Math.abs(v) > STEEP)
  if (i < 0 || x.box.max[i] - x.box.min[i] > 0) return x
  const box: Box = { min: [...x.box.min], max: [...x.box.max] }
  const half = p.size.thicknessMm / 2
  ;[box.min[i], box.max[i]] = [p.at.centre[i] - half, p.at.centre[i] + half]
  return { ...x, box }
}

const turnedDown = (x: Patch): Patch => (wayOf(x)[2] > STEEP ? { box: x.box, n: -x.n } : x)

const isDown = (x: Patch) => x.way === undefined || x.way[2] === -1

/** A board loaded or held otherwise than straight down. */
function anyWay(p: Part, patches: Patch[], supports: Support[], o: MemberOptions): SolvedMember {
  const rigid = (part: Part, depthMm: number, breadthMm: number) => rigidity(part, depthMm, breadthMm, o)
  const site = kept(o.memo.stickSites, supports, () => stickSite(p, supports, along))
  const s = solveStick(p, patches, site, rigid, along)
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
function bedded(
  p: Part,
  patches: Patch[],
  spots: { s: Support; r: { from: number; to: number } }[],
): SolvedMember['passed'] {
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
