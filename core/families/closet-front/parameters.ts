import { latch } from '../../blocks/fronts/front.ts'
import { z } from '../../measure/schema.ts'
import type { UnitSystem } from '../../measure/units.ts'
import type { Raw } from '../family.ts'
import { drawersBelow, usualBelow } from '../drawers-below.ts'
import { countDim, dim, dims, section, sheet } from '../params.ts'

export const LIMITS = { bays: 12, shelves: 9 } as const

/**
 * What parts the bays: one sheet for two of them, a side for each, a ladder of boards with a sheet on both faces, or one
 * with a thin sheet on a face only.
 */
export const school = z.enum(['shared', 'boxes', 'ladders', 'frames'])
export type School = z.infer<typeof school>
/** Posts and rungs carry, and shelves lie on cleats. */
export const isFramed = (p: { school: School }): boolean => p.school === 'ladders' || p.school === 'frames'
/** How bays are closed; `both`: doors below, leaves that turn up over the highest shelf; `drawers`: those below, doors over them. */
export const closed = z.enum(['doors', 'sliding', 'lift-up', 'both', 'drawers', 'open', 'curtain'])
export type Closed = z.infer<typeof closed>

/** What the front edges show: themselves, banded, or stiles and rails before them. */
export const FACES = ['edges', 'frame'] as const

export const closetFrontParams = z.object({
  bays: countDim(1, LIMITS.bays),
  /** Clear width of a bay. */
  clearMm: dim(200, 1200),
  /** Clear depth in front of the back. */
  depthMm: dim(150, 800),
  /** Of its uprights. */
  highMm: dim(900, 2800),
  /** Underside of the lowest panels. */
  kickMm: dim(30, 300),
  /** Panels one over the other in each bay, the lowest among them, the top not. */
  shelves: countDim(1, LIMITS.shelves),
  /** Height of each shelf's top over the floor, from below; the lowest panel is none of them. */
  topMm: dims(60, 2800, LIMITS.shelves),
  abovePlayMm: dim(0, 600),
  sidePlayMm: dim(0, 100),
  school,
  front: closed,
  latch,
  /** Boards on the front edges of sides of sheet, which leaves hang on. */
  face: z.enum(FACES),
  faceSection: section,
  sheet,
  backSheet: sheet,
  /** On a face of light frames. */
  skinSheet: sheet,
  /** Posts and rungs of ladders, and the cleats of their shelves. */
  postSection: section,
  cleatSection: section,
  ...drawersBelow,
  /** A strip at both ends and over the top, scribed to walls and ceiling. */
  fillers: z.boolean(),
  tie: z.boolean(),
})
export type ClosetFrontParams = z.infer<typeof closetFrontParams>

const STOCK: Record<
  UnitSystem,
  Pick<ClosetFrontParams, 'sheet' | 'backSheet' | 'skinSheet' | 'postSection' | 'cleatSection' | 'faceSection'>
> = {
  imperial: {
    sheet: 'ply-23/32',
    backSheet: 'hb-1/4',
    skinSheet: 'ply-15/32',
    postSection: '2x2',
    cleatSection: '2x2',
    faceSection: '2x2',
  },
  metric: {
    sheet: 'ply-18mm',
    backSheet: 'hb-6mm',
    skinSheet: 'ply-12mm',
    postSection: '38x38mm',
    cleatSection: '38x38mm',
    faceSection: '38x38mm',
  },
}

export const startingParams = (system: UnitSystem, canTie: boolean): ClosetFrontParams => ({
  bays: null,
  clearMm: null,
  depthMm: null,
  highMm: null,
  kickMm: null,
  shelves: null,
  topMm: [],
  abovePlayMm: null,
  sidePlayMm: null,
  school: 'shared',
  front: 'doors',
  latch: 'magnet',
  face: 'edges',
  ...STOCK[system],
  ...usualBelow(system),
  fillers: true,
  tie: canTie,
})

const systemOf = (raw: Raw): UnitSystem => (String(raw.postSection).endsWith('mm') ? 'metric' : 'imperial')
/** The first form knew no light frames, the second no face frame, the third no drawers. */
export const UPGRADES = [
  (raw: Raw): Raw => ({ skinSheet: STOCK[systemOf(raw)].skinSheet, ...raw }),
  (raw: Raw): Raw => ({ face: 'edges', faceSection: STOCK[systemOf(raw)].faceSection, ...raw }),
  (raw: Raw): Raw => ({ ...usualBelow(systemOf(raw)), ...raw }),
]
