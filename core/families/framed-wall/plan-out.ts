import { unitsOf, type Settings } from '../../assembly/settings.ts'
import { findSection, type Section } from '../../catalogue/lumber.ts'
import { findSheet, type Sheet } from '../../catalogue/sheets.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { roundUp } from '../../measure/rounding.ts'
import { inches, type UnitSystem } from '../../measure/units.ts'
import type { Joists } from '../../room/room.ts'
import { spliceOver, type Stretch } from '../../blocks/sizing/splice.ts'
import type { DimPen } from '../dim-pen.ts'
import type { ShapeContext } from '../family.ts'
import type { FramedWallParams } from './parameters.ts'

/** What is said with its reasons and problems. */
export interface ReasonData {
  'framed-long': { haveMm: number }
  'framed-high': object
  'framed-studs': { mm: number }
  'framed-door': { mm: number }
  'framed-door-middle': object
  'framed-door-high': { mm: number }
  'framed-anchors': { mm: number }
}
export interface ProblemData {
  'framed-no-ceiling': object
  'framed-no-slab': object
  'framed-not-at-ceiling': { mm: number; ceilingMm: number }
  'framed-no-joist': { mm: number }
  'framed-few-joists': { count: number }
  'framed-stud-too-long': { mm: number; mostMm: number }
  'framed-door-past-wall': { mm: number; leastMm: number; mostMm: number }
  'framed-door-narrow': { mm: number; leastMm: number }
  'framed-door-too-high': { mm: number; mostMm: number }
  'framed-panel-too-high': { mm: number; mostMm: number }
  'framed-not-spliced': { mostMm: number }
}

/**
 * Studs of usual walls, middle to middle, and anchors of their plates; the rough opening of a usual door: 32 in wide and
 * 80 in high with what its frame takes, and 860 by 1985 mm in the opening of DIN 18100.
 */
const USUAL: Record<UnitSystem, { studs: number; anchors: number; door: number; doorHigh: number }> = {
  imperial: { studs: inches(16), anchors: inches(32), door: inches(34), doorHigh: inches(82.5) },
  metric: { studs: 400, anchors: 800, door: 885, doorHigh: 2010 },
}
/** Of a wall beside its door, mm: two anchors 50 mm from the ends of its plate, and twice as far from each other. */
const LEAST_PIER_MM = 200
/** Screws up into a joist that runs over it all along, mm. */
const SCREWS_EVERY_MM = 400
/** The wood beside a screw up into a joist, mm. */
const BESIDE_MM = 12
/** Panels begin this far over the floor: what is spilt does not reach them, mm. */
export const PANEL_FOOT_MM = 10
/** It is fixed to the ceiling where it ends no further under that, mm. */
const AT_CEILING_MM = 1

export interface Door extends Stretch {
  highMm: number
}
export interface Plan {
  section: Section
  sheet: Sheet
  lengthMm: number
  highMm: number
  /** Left edges of studs from floor to ceiling; those on both sides of a door among them. */
  studs: number[]
  /** Studs on which panels may meet: those at even distances. */
  even: number[]
  door: Door | null
  plates: Stretch[]
  tops: Stretch[]
  anchorEveryMm: number
  /** Where screws go up into joists, along the wall. */
  fixedAt: number[]
  joists: Joists | null
  /** Where the studs begin, out from the back. */
  backMm: number
}

/** Works out every dimension of a framed wall before a piece is placed. */
export function planOut(p: FramedWallParams, ctx: ShapeContext, pen: DimPen): Result<Plan> {
  const { settings, space } = ctx
  const [section, sheet] = [findSection(p.section)!, findSheet(p.sheet)!]
  if (space.floor !== 'slab') return bad('framed-no-slab')
  const lengthMm = pen.length(
    { path: 'lengthMm', code: 'length', min: 600, max: 9000 },
    Math.min(9000, Math.max(600, space.lengthMm)),
    { code: 'framed-long', terms: [], data: { haveMm: space.lengthMm } },
  )
  const highMm = pen.length(
    { path: 'highMm', code: 'framed-high', min: 1800, max: 4000 },
    Math.min(4000, Math.max(1800, space.ceilingMm)),
    { code: 'framed-high', terms: [] },
  )
  const skin = p.faces === 'none' ? 0 : sheet.thicknessMm
  const backMm = p.faces === 'both' ? skin : 0
  const joists = ctx.joistsUnder ? ctx.joistsUnder(lengthMm, backMm + section.widthMm + skin) : space.joists
  const fixedAt = underJoists(joists, { lengthMm, middleMm: backMm + section.widthMm / 2 })
  if (!fixedAt.ok) return fixedAt
  if (Math.abs(highMm - space.ceilingMm) > AT_CEILING_MM)
    return bad('framed-not-at-ceiling', { mm: highMm, ceilingMm: space.ceilingMm }, 'highMm')
  const usual = USUAL[settings.yard]
  const everyMm = pen.length({ path: 'everyMm', code: 'framed-studs', min: 200, max: 620 }, usual.studs, {
    ...{ code: 'framed-studs', terms: [], data: { mm: usual.studs } },
  })
  const t = section.thicknessMm
  const even = evenly(lengthMm, t, everyMm)
  const door = doorOf(ctx, pen, { lengthMm, highMm, section })
  if (!door.ok) return door
  const anchorEveryMm = pen.length(
    { path: 'anchorEveryMm', code: 'framed-anchors', min: 200, max: 1200 },
    usual.anchors,
    { code: 'framed-anchors', terms: [], data: { mm: usual.anchors } },
  )
  const boardMm = Math.max(...ctx.boards(p.section, false).map((b) => b.lengthMm - settings.squaringTrimMm), 0)
  const studMm = highMm - 2 * t
  if (studMm > boardMm) return bad('framed-stud-too-long', { mm: studMm, mostMm: boardMm }, 'section')
  const [panelMm, sheetMm] = [highMm - PANEL_FOOT_MM, panelMost(sheet, settings)]
  if (p.faces !== 'none' && panelMm > sheetMm)
    return bad('framed-panel-too-high', { mm: panelMm, mostMm: sheetMm }, 'faces')
  const studs = withDoor(even, door.value, t)
  const { plates, tops } = platesOf({ lengthMm, boardMm, t }, studs, door.value, fixedAt.value)
  if (!plates || !tops) return bad('framed-not-spliced', { mostMm: boardMm }, 'lengthMm')
  const meets = [plates, tops].flatMap((row) => row.slice(1).flatMap((s, i) => (row[i].to === s.from ? [s.from] : [])))
  const doubled = twoWhere(studs, meets, t)
  return good({
    ...{ section, sheet, lengthMm, highMm, studs: doubled, even, door: door.value, plates, tops, anchorEveryMm },
    ...{ fixedAt: fixedAt.value, joists, backMm },
  })
}

/** As high as a panel in one piece comes, mm. */
const panelMost = (sheet: Sheet, { sheetTrimMm }: Settings) => sheet.lengthMm - 2 * sheetTrimMm

/** Whether a wall up to the ceiling has panels in one piece: else it begins with its faces open. */
export const takesPanels = ({ sheet }: FramedWallParams, { space, settings }: ShapeContext): boolean =>
  space.ceilingMm - PANEL_FOOT_MM <= panelMost(findSheet(sheet)!, settings)

/** Left edges of studs at even distances, both ends among them. */
function evenly(lengthMm: number, t: number, everyMm: number): number[] {
  const n = Math.max(1, Math.ceil((lengthMm - t) / everyMm - 1e-9))
  return Array.from({ length: n + 1 }, (_, i) => ((lengthMm - t) * i) / n)
}

/** Left edges of the long studs beside a door, outside the short ones. */
const kingsOf = (door: Door | null, t: number): number[] => (door ? [door.from - 2 * t, door.to + t] : [])

/** Studs that stand in the way of a door go; beside it stand two, and one under each end of what is over it. */
function withDoor(even: readonly number[], door: Door | null, t: number): number[] {
  if (!door) return [...even]
  const kings = kingsOf(door, t)
  const free = even.filter((x) => x + t <= kings[0] + 1e-6 || x >= kings[1] + t - 1e-6)
  return [...free, ...kings].sort((a, b) => a - b)
}

function doorOf(
  ctx: ShapeContext,
  pen: DimPen,
  w: { lengthMm: number; highMm: number; section: Section },
): Result<Door | null> {
  const units = unitsOf(ctx.settings)
  const usual = USUAL[ctx.settings.yard]
  const t = w.section.thicknessMm
  // At each end a stud, and beside the door another with the short one that carries what is over it; a plate there has
  // two anchors.
  const beside = Math.max(3 * t, LEAST_PIER_MM)
  const fits = w.lengthMm - 2 * beside >= usual.door
  const doorMm = pen.length(
    { path: 'doorMm', code: 'framed-door', min: 0, max: 1800 },
    fits ? roundUp(usual.door, units) : 0,
    { code: 'framed-door', terms: [], data: { mm: usual.door } },
  )
  if (doorMm === 0) return good(null)
  if (doorMm < LEAST_DOOR_MM) return bad('framed-door-narrow', { mm: doorMm, leastMm: LEAST_DOOR_MM }, 'doorMm')
  const [leastMm, mostMm] = [beside, w.lengthMm - doorMm - beside]
  const from = pen.length(
    { path: 'doorAtMm', code: 'framed-door-at', min: 0, max: 9000 },
    roundUp(Math.max(0, (w.lengthMm - doorMm) / 2), units),
    { code: 'framed-door-middle', terms: [] },
  )
  if (mostMm < leastMm || from < leastMm || from > mostMm)
    return bad('framed-door-past-wall', { mm: from, leastMm, mostMm }, 'doorAtMm')
  const highMm = pen.length(
    { path: 'doorHighMm', code: 'framed-door-high', min: 1200, max: 3000 },
    Math.min(roundUp(usual.doorHigh, units), w.highMm - 3 * t),
    { code: 'framed-door-high', terms: [], data: { mm: usual.doorHigh } },
  )
  // The board over the door, a piece over that, and the plate.
  const most = w.highMm - 3 * t
  if (highMm > most) return bad('framed-door-too-high', { mm: highMm, mostMm: most }, 'doorHighMm')
  return good({ from, to: from + doorMm, highMm })
}

/** Nobody goes through a narrower door, mm. Product decision. */
const LEAST_DOOR_MM = 300

/** Two studs side by side need so many times the thickness of one from each of their neighbours. */
const ROOM_FOR_TWO = 2.5

/** Plates under and over the studs, in pieces that meet in the middle of one that stands alone; none under a door. */
function platesOf(
  { lengthMm, boardMm, t }: { lengthMm: number; boardMm: number; t: number },
  studs: readonly number[],
  door: Door | null,
  fixedAt: readonly number[],
): { plates: Stretch[] | null; tops: Stretch[] | null } {
  // Where pieces meet a second stud goes beside the first: there is room for it.
  const apart = (x: number) => studs.every((y) => y === x || Math.abs(y - x) >= ROOM_FOR_TWO * t)
  const seats = studs.filter((x) => apart(x) && !kingsOf(door, t).includes(x))
  const spliced = (from: number, to: number, early = 0) => {
    const ends = [0, to - from]
    const inside = [...ends, ...seats.map((x) => x + t / 2 - from).filter((x) => x > t && x < to - from - t)]
    inside.sort((a, b) => a - b)
    return spliceOver(to - from, boardMm, inside, early)?.map((s) => ({ from: s.from + from, to: s.to + from })) ?? null
  }
  const lows = door ? [spliced(0, door.from), spliced(door.to, lengthMm)] : [spliced(0, lengthMm)]
  // Each piece above has two screws in joists: where the last would have one, the first ends sooner.
  const held = (row: Stretch[] | null) =>
    row?.every((s) => fixedAt.filter((x) => x > s.from + BESIDE_MM && x < s.to - BESIDE_MM).length >= 2)
  const tops = seats.map((_x, early) => spliced(0, lengthMm, early)).find(held)
  return { plates: lows.some((x) => !x) ? null : lows.flatMap((x) => x!), tops: tops ?? null }
}

/** Two studs in place of one over whose middle pieces of plate meet: each piece ends on its own. */
const twoWhere = (studs: readonly number[], meets: readonly number[], t: number): number[] =>
  studs.flatMap((x) => (meets.some((m) => Math.abs(x + t / 2 - m) < 1) ? [x - t / 2, x + t / 2] : [x]))

/** Where a plate can be screwed up into joists: each it crosses, or one that runs over it all along. */
function underJoists(joists: Joists | null, w: { lengthMm: number; middleMm: number }): Result<number[]> {
  if (!joists || joists.kind !== 'joists') return bad('framed-no-ceiling')
  if (joists.run === 'out') {
    const at = joists.atMm.filter((x) => x >= 25 && x <= w.lengthMm - 25)
    return at.length < 2 ? bad('framed-few-joists', { count: at.length }, 'lengthMm') : good(at)
  }
  const half = (joists.size?.wideMm ?? 38) / 2 - BESIDE_MM
  const nearest = joists.atMm.reduce((b, y) => (Math.abs(y - w.middleMm) < Math.abs(b - w.middleMm) ? y : b), Infinity)
  const off = nearest - w.middleMm
  if (!(Math.abs(off) <= half)) return bad('framed-no-joist', { mm: Number.isFinite(off) ? off : 0 })
  const n = Math.max(2, 1 + Math.ceil((w.lengthMm - 100) / SCREWS_EVERY_MM))
  return good(Array.from({ length: n }, (_, i) => 50 + ((w.lengthMm - 100) * i) / (n - 1)))
}
