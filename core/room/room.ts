import { id, lengthMm, listOf, LONGEST_MM, words, z } from '../measure/schema.ts'
import { clearOf, feature, FEATURE_DEFAULTS, type Feature } from './features.ts'
import { preparedAt, type Prepared } from './prepared.ts'

/** What was found where a stud should be, or where none should. */
export const FINDINGS = ['stud', 'no-stud', 'double', 'pipe'] as const

/** What a wall is made of, and so what it can hold. */
export const construction = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('studs'),
    /** Centre to centre. */
    spacingMm: lengthMm(100, 2000),
    /** Left end of the wall to the centre of the first stud. */
    firstMm: lengthMm(0, 2000),
    /** Face width of a stud. */
    studMm: lengthMm(20, 200),
    /** Open studs have no lining in front of them. */
    lined: z.boolean(),
    /** Thickness of that lining. */
    liningMm: lengthMm(0, 100),
    /** What a drill or a magnet found, centre from the left end: it overrules the spacing. */
    found: z.array(z.object({ atMm: lengthMm(0, LONGEST_MM), what: z.enum(FINDINGS) })).max(200),
  }),
  z.object({
    kind: z.literal('masonry'),
    /** Its courses, once somebody has measured them: from the middle of one joint to the next, the lowest above the floor. */
    courses: z
      .object({
        everyMm: lengthMm(40, 600),
        firstMm: lengthMm(0, 1200),
        jointMm: lengthMm(1, 40),
        /** Where fixings go: what their rating is for. */
        fixIn: z.enum(['units', 'joints']),
      })
      .optional(),
  }),
  z.object({ kind: z.literal('concrete') }),
  /** A skin that can carry nothing. */
  z.object({ kind: z.literal('thin') }),
])
export type Construction = z.infer<typeof construction>

/** An inside corner between these, radians: 20° to 340°. */
const cornerRad = z
  .number()
  .min(Math.PI / 9)
  .max((17 * Math.PI) / 9)

export const wall = z.object({
  id,
  name: words(60).min(1),
  lengthMm: lengthMm(300, LONGEST_MM),
  heightMm: lengthMm(300, 12_000),
  /** How far out from this wall builds may stand. */
  depthMm: lengthMm(50, LONGEST_MM),
  construction,
  /**
   * The inside angle at its right end, to the next wall; null while nobody has measured it: then a right angle is
   * taken.
   */
  cornerRad: cornerRad.nullable(),
  /** A board along its foot that stands before its face. */
  skirting: z.object({ highMm: lengthMm(5, 500), deepMm: lengthMm(1, 100) }).optional(),
})
export type Wall = z.infer<typeof wall>

/** A tape stretched from the left end of one wall to the left end of another. */
export const diagonal = z.object({ id, fromWallId: id, toWallId: id, lengthMm: lengthMm(300, 2 * LONGEST_MM) })
export type Diagonal = z.infer<typeof diagonal>

export const ceiling = z.object({
  heightMm: lengthMm(300, 12_000),
  /** What is above: joists one may hang from, trusses only an engineer may judge, or nothing known. */
  kind: z.enum(['joists', 'trusses', 'unknown']),
  /** Which wall the joists run parallel to. */
  alongWallId: id.nullable(),
  spacingMm: lengthMm(100, 2000),
  /** From that wall's face to the centre of the first joist. */
  firstMm: lengthMm(0, 2000),
  /**
   * One joist: its width, its depth, and how far it spans from wall to wall or beam; null while nobody has measured it.
   */
  joist: z
    .object({ wideMm: lengthMm(20, 300), deepMm: lengthMm(50, 600), spanMm: lengthMm(300, 12_000) })
    .nullable()
    .default(null),
  /** What may be added, kN/m² of ceiling; null: the preset of its kind. */
  allowanceKnM2: z.number().min(0).max(20).nullable(),
  finished: z.boolean(),
  /** The lining keeps fire from the house: holes in it are closed again. */
  fireSeparation: z.boolean(),
  /**
   * A slope: its height at one wall, and how far it rises for each metre away from that wall, up to the ceiling height.
   */
  slope: z.object({ wallId: id, startMm: lengthMm(300, 12_000), riseMmPerM: z.number().min(0).max(3000) }).nullable(),
})
export type Ceiling = z.infer<typeof ceiling>

export const FLOORS = ['slab', 'timber'] as const
/**
 * A height of the floor as it is measured: down from a level line to the floor, at a place along and out from a wall.
 */
export const floorPoint = z.object({
  wallId: id,
  atMm: lengthMm(0, LONGEST_MM),
  outMm: lengthMm(0, LONGEST_MM),
  downMm: lengthMm(0, 12_000),
})
export type FloorPoint = z.infer<typeof floorPoint>

/** The surveyed room. Walls in the order one walks past them, each to the right of the one before. */
export const room = z.object({
  name: words(80),
  walls: listOf(wall, 60),
  /** The last wall ends where the first begins. */
  closed: z.boolean(),
  diagonals: listOf(diagonal, 120),
  ceiling,
  floor: z.object({ kind: z.enum(FLOORS), points: z.array(floorPoint).max(200) }),
  features: listOf(feature, 300),
})
export type Room = z.infer<typeof room>

/** A build no further than this from its wall stands at it, mm: what falls back leans there, what ties it is packed out. */
const AT_WALL_MM = 20
/** Past a skirting by this it still does, mm. */
const PAST_SKIRTING_MM = 10
export const atWallMm = (w: Wall): number => Math.max(AT_WALL_MM, w.skirting ? w.skirting.deepMm + PAST_SKIRTING_MM : 0)
export const standsAtWall = (w: Wall, outMm: number): boolean => outMm <= atWallMm(w)

/** A corner nobody has measured is taken as square. */
export const cornerOf = (w: Wall): number => w.cornerRad ?? Math.PI / 2

/** A drill finding this close to a stud of the spacing speaks of that stud, mm. */
const SAME_STUD_MM = 150

/**
 * Centres of the studs along a wall, mm from its left end: by the spacing, corrected by what was found; none where it
 * has no studs.
 */
export function studCentres(w: Wall): number[] {
  if (w.construction.kind !== 'studs') return []
  const { firstMm, spacingMm, found } = w.construction
  const n = Math.floor((w.lengthMm - firstMm) / spacingMm) + 1
  const even = Array.from({ length: Math.max(0, n) }, (_, i) => firstMm + i * spacingMm)
  const kept = even.filter((x) => !found.some((f) => Math.abs(f.atMm - x) < Math.min(SAME_STUD_MM, spacingMm / 2)))
  const real = found
    .filter((f) => (f.what === 'stud' || f.what === 'double') && f.atMm <= w.lengthMm)
    .map((f) => f.atMm)
  return [...kept, ...real].sort((a, b) => a - b)
}

/** The space a build may fill at a wall. */
export interface FreeSpace {
  lengthMm: number
  heightMm: number
  depthMm: number
  ceilingMm: number
  /** What feet stand on: a floor, or the top of another build. */
  floor: Room['floor']['kind'] | 'top'
  construction: Construction
  /** Stud centres behind the space, from its left end, mm. */
  studsMm: number[]
  /** How far the floor lies below the level line at a place of the build: zero at its highest. Straight in x and y. */
  floorFall: FloorFall
  /** What is over the ceiling, as the build meets it; null while nobody has looked. */
  joists: Joists | null
  /** What is on or before the wall there. */
  obstacles: readonly Obstacle[]
  /** Between its back and the wall, where it stands at that, mm: fixings there are packed out. */
  packMm: number
  /** What is behind it, or over it, to be fixed to. */
  prepared: readonly Prepared[]
  /** The corners at both ends of the wall; null where the build is not set along it, or nobody knows them. */
  corners: Corners | null
  /** The walls square to it at both ends; null as the corners are. */
  sides: Sides | null
  /** Nothing is behind it: it can fall that way too. */
  away: boolean
}

/** Inside angle of a corner, rad, and how far it is from the left end of the space along the wall, mm. */
export interface Corner {
  rad: number
  fromMm: number
}
export interface Corners {
  left: Corner | null
  right: Corner | null
}

/** A wall that meets the one behind a space at a right angle, or nearly. */
export interface SideWall {
  name: string
  construction: Construction
  /** Where its face is along the space at the back of it, mm, and how far it goes back for each mm out from that. */
  atMm: number
  backPerMm: number
  highMm: number
  /** What ends no further from it stands at it, mm. */
  nearMm: number
  /** Centres of its studs out from the back of the space, mm. */
  studsMm: number[]
  /** What is on or in it, by the same measure, with the room each keeps. */
  obstacles: readonly { from: number; to: number; footMm: number; headMm: number }[]
}
export interface Sides {
  left: SideWall | null
  right: SideWall | null
}

/** What is in the way at a wall, with the room it keeps round it, from the left end and the floor of the space, mm. */
export interface Obstacle {
  name: string
  left: number
  right: number
  footMm: number
  headMm: number
  /** How far out from the wall it begins: what is less deep passes behind it. */
  outMm: number
}

const obstacleOf = (f: Feature, offsetMm: number): Obstacle => {
  const c = clearOf(f)
  return {
    name: f.name || f.kind,
    left: f.atMm - c.leftMm - offsetMm,
    right: f.atMm + f.wideMm + c.rightMm - offsetMm,
    footMm: f.upMm - c.belowMm,
    headMm: f.upMm + f.highMm + c.aboveMm,
    outMm: f.outMm,
  }
}

/** Joists over a build, in its own frame. */
export interface Joists {
  /** Sloped ones are rafters: nothing level lies on them. */
  kind: 'joists' | 'trusses' | 'sloped'
  /** Square to the wall, side by side along it; or along the wall, one behind the other. */
  run: 'out' | 'along'
  /** Centres, mm: along the wall where they run out from it, else out from it. */
  atMm: number[]
  spacingMm: number
  /** Where one begins on its own run, mm: at the wall, or at the wall's left end. */
  fromMm: number
  size: { wideMm: number; deepMm: number; spanMm: number } | null
  /** What may be added to the ceiling, kN/m²; null where only an engineer may say. */
  allowanceKnM2: number | null
  /** Lining under the joists, mm: none where one sees them. */
  liningMm: number
}
/** Fall of the floor in a build's own frame, mm: `atOriginMm + xMmPerM·x/1000 + yMmPerM·y/1000`. */
export interface FloorFall {
  atOriginMm: number
  xMmPerM: number
  yMmPerM: number
}
/** Less than this a foot gives by itself, mm: no wedge. */
export const THINNEST_SHIM_MM = 1
export const LEVEL: FloorFall = { atOriginMm: 0, xMmPerM: 0, yMmPerM: 0 }
export const fallAt = (f: FloorFall, xMm: number, yMm: number): number =>
  f.atOriginMm + (f.xMmPerM * xMm + f.yMmPerM * yMm) / 1000

/** Whether a wall can hold a tie at all, by itself or by what was prepared in it. */
export const canHoldTie = (s: Pick<FreeSpace, 'construction' | 'prepared'>): boolean =>
  s.construction.kind !== 'thin' || s.prepared.some((p) => p.on === 'wall')

/** From the wall's left end plus `offsetMm` to its right end, or to `untilMm` where the next build begins. */
export const freeSpace = (r: Room, w: Wall, offsetMm: number, untilMm = w.lengthMm): FreeSpace => ({
  lengthMm: Math.max(0, Math.min(untilMm, w.lengthMm) - offsetMm),
  heightMm: Math.min(w.heightMm, r.ceiling.heightMm),
  depthMm: w.depthMm,
  ceilingMm: r.ceiling.heightMm,
  joists: null,
  packMm: 0,
  corners: null,
  sides: null,
  away: false,
  obstacles: r.features
    .filter((f) => f.wallId === w.id && !FEATURE_DEFAULTS[f.kind].prepared && !f.comesDown)
    .map((f) => obstacleOf(f, offsetMm)),
  prepared: preparedAt(r.features, w.id, offsetMm),
  floor: r.floor.kind,
  construction: w.construction,
  studsMm: studCentres(w)
    .map((x) => x - offsetMm)
    .filter((x) => x >= 0),
  floorFall: LEVEL,
})

/** A room nobody has measured yet beyond one wall. */
export const plainCeiling = (heightMm: number): Ceiling => ({
  heightMm,
  kind: 'unknown',
  alongWallId: null,
  spacingMm: 406.4,
  firstMm: 406.4,
  joist: null,
  allowanceKnM2: null,
  finished: true,
  fireSeparation: false,
  slope: null,
})
