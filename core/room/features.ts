import { HEAVIEST_KG, id, lengthMm, LONGEST_MM, words, z } from '../measure/schema.ts'

/** Things that stand, hang or open in a room. */
export const FEATURE_KINDS = [
  'door',
  'window',
  'sectional-door',
  'outlet',
  'switch',
  'panel',
  'light',
  'water-heater',
  'furnace',
  'return-grille',
  'conduit',
  'pipe',
  'beam',
  'post',
  'steps',
  'walkway',
  'car',
  'bench',
  'blocking',
  'bolt',
  'ceiling-blocking',
  'ceiling-bolt',
  'other',
] as const
export type FeatureKind = (typeof FEATURE_KINDS)[number]

const clear = z.object({
  leftMm: lengthMm(0, 5000),
  rightMm: lengthMm(0, 5000),
  frontMm: lengthMm(0, 5000),
  aboveMm: lengthMm(0, 5000),
  belowMm: lengthMm(0, 5000),
})
export type Clear = z.infer<typeof clear>

/** A leaf on hinges. `left` and `right` as one faces the wall from inside. */
const leaf = z.object({
  hinge: z.enum(['left', 'right']),
  opens: z.enum(['in', 'out']),
  /** How far it is to open. */
  openRad: z.number().min(0.1).max(Math.PI),
  /** Width of the passage on the other side, for carrying things through; null: open air. */
  outsideMm: lengthMm(300, LONGEST_MM).nullable(),
})
export type Leaf = z.infer<typeof leaf>

/**
 *  A door of hinged sections on rollers, from the side; the wall is at the left, the room at the right, y into the room:
 *
 *            ____________________ horizontal track, its rollers `radius` above where the bend begins
 *          /   bend
 *         |
 *         |   vertical track, `trackOutMm` from the wall's face
 */
const sectional = z.object({
  /** Opening between floor and ceiling of the room: the height of the door when it is shut. */
  sections: z.int().min(2).max(12),
  thicknessMm: lengthMm(10, 120),
  radiusMm: lengthMm(100, 1500),
  /** Length of the horizontal track from the end of the bend. */
  horizontalMm: lengthMm(300, 8000),
  /** Roller centres from the wall's face. */
  trackOutMm: lengthMm(20, 400),
  /** Roller centres from the inside face of the sections. */
  rollerMm: lengthMm(0, 150),
  /** From the top roller to the top edge of the door. */
  topEdgeMm: lengthMm(0, 400),
  /** From the lowest roller to the bottom edge. */
  bottomEdgeMm: lengthMm(0, 400),
  /** From the highest place of the roller before the bend (shut) to where the bend begins. */
  beforeBendMm: lengthMm(0, 1500),
  springs: z.enum(['torsion', 'extension', 'none']),
  opener: z.boolean(),
})
export type Sectional = z.infer<typeof sectional>

/** No lamp in such a room is brighter, lm. Product decision. */
export const BRIGHTEST_LM = 100_000

export const feature = z.object({
  id,
  kind: z.enum(FEATURE_KINDS),
  name: words(60),
  /** Where it is: from the left end of a wall along it, out from it, and up from the level line. */
  wallId: id,
  atMm: z.number().min(-LONGEST_MM).max(LONGEST_MM),
  outMm: lengthMm(0, LONGEST_MM),
  upMm: lengthMm(0, 12_000),
  wideMm: lengthMm(1, LONGEST_MM),
  deepMm: lengthMm(0, LONGEST_MM),
  highMm: lengthMm(0, 12_000),
  /** Space to keep round it; null: the default of its kind. */
  clear: clear.nullable(),
  leaf: leaf.nullable(),
  sectional: sectional.nullable(),
  /** Prepared to fix to: what it carries, one bolt, or blocking from one stud or joist to the next; null: nobody said. */
  holdsKg: z.number().min(0).max(HEAVIEST_KG).nullable().default(null),
  /** It is taken down before anything is built where it is: in nobody's way. */
  comesDown: z.boolean().optional(),
  /** Of a wide door: false where nobody walks in through it. */
  walkedThrough: z.boolean().optional(),
  /** Of a lamp: its light when new, lm; none: nobody said. */
  lumens: z.number().min(1).max(BRIGHTEST_LM).optional(),
  /** And what its cover lets through of that, as a share; none: the lumens are those that leave it. */
  coverShare: z.number().min(0.01).max(1).optional(),
})
export type Feature = z.infer<typeof feature>

export interface FeatureDefaults {
  wideMm: number
  deepMm: number
  highMm: number
  upMm: number
  clear: Clear
  /** Where the clearance comes from. */
  source: string
  /** Through a wide door one also gets beside what stands before a part of it: what is kept all the same. */
  wayIn?: { besideMm: number; frontMm: number }
  /** Takes up space itself, as against a hole in a wall or a strip of floor to keep. */
  solid: boolean
  /** Which strip of the unrolled room it belongs to. */
  on: 'wall' | 'floor' | 'ceiling'
  /** Set in a wall or ceiling before it was lined, to fix to: in nobody's way. */
  prepared?: 'blocking' | 'bolt'
}

const keep = (leftMm: number, rightMm = leftMm, frontMm = leftMm, aboveMm = leftMm, belowMm = leftMm): Clear => ({
  leftMm,
  rightMm,
  frontMm,
  aboveMm,
  belowMm,
})
/** Inside a door one stands before one goes on, mm: IRC R311.3, 36 in. */
const LANDING_MM = 914
const PREPARED = 'it is there to be fixed to: nothing is kept free'
const OURS = 'product decision: room for a hand and a plug; change it to what you need'

/** Usual sizes and the space each asks for, mm. */
export const FEATURE_DEFAULTS: Record<FeatureKind, FeatureDefaults> = {
  door: {
    wideMm: 813,
    deepMm: 0,
    highMm: 2032,
    upMm: 0,
    clear: keep(0, 0, LANDING_MM, 0, 0),
    source: 'a landing 36 in long inside a door: IRC R311.3; and the sweep of its leaf',
    solid: false,
    on: 'wall',
  },
  window: {
    wideMm: 900,
    deepMm: 0,
    highMm: 900,
    upMm: 1070,
    clear: keep(0, 0, 50, 0, 0),
    source: 'product decision: light and a hand behind the glass',
    solid: false,
    on: 'wall',
  },
  'sectional-door': {
    wideMm: 4877,
    deepMm: 0,
    highMm: 2134,
    upMm: 0,
    clear: keep(0),
    source: 'its sweep, springs and opener; and a way in 36 in long, 18 in narrower at each side than it',
    wayIn: { besideMm: 457, frontMm: LANDING_MM },
    solid: false,
    on: 'wall',
  },
  outlet: {
    wideMm: 70,
    deepMm: 5,
    highMm: 115,
    upMm: 300,
    clear: keep(40, 40, 100, 40, 40),
    source: OURS,
    solid: false,
    on: 'wall',
  },
  switch: {
    wideMm: 70,
    deepMm: 5,
    highMm: 115,
    upMm: 1150,
    clear: keep(50, 50, 600, 50, 50),
    source: OURS,
    solid: false,
    on: 'wall',
  },
  panel: {
    wideMm: 370,
    deepMm: 100,
    highMm: 760,
    upMm: 1100,
    clear: { leftMm: 196, rightMm: 196, frontMm: 914, aboveMm: 121, belowMm: 1100 },
    source: 'working space 30 in wide, 36 in deep, from the floor to 6 ft 6 in: NEC 110.26(A); ask locally',
    solid: true,
    on: 'wall',
  },
  light: {
    wideMm: 300,
    deepMm: 300,
    highMm: 120,
    upMm: 2300,
    clear: keep(152, 152, 152, 0, 152),
    source: '6 in from storage for enclosed lamps: NEC 410.16(C); a bare bulb wants 12 in',
    solid: true,
    on: 'ceiling',
  },
  'water-heater': {
    wideMm: 560,
    deepMm: 560,
    highMm: 1500,
    upMm: 0,
    clear: keep(150, 150, 760, 450, 0),
    source: 'about 30 in of service space in front; the label on it comes first',
    solid: true,
    on: 'floor',
  },
  furnace: {
    wideMm: 600,
    deepMm: 760,
    highMm: 1600,
    upMm: 0,
    clear: keep(150, 150, 762, 450, 0),
    source: '30 in level working space at its controls: IMC 306.1; the label on it comes first',
    solid: true,
    on: 'floor',
  },
  'return-grille': {
    wideMm: 500,
    deepMm: 10,
    highMm: 350,
    upMm: 200,
    clear: keep(0, 0, 300, 0, 0),
    source: 'product decision: air has to reach it',
    solid: false,
    on: 'wall',
  },
  conduit: {
    wideMm: 25,
    deepMm: 30,
    highMm: 2400,
    upMm: 0,
    clear: keep(25, 25, 25, 25, 25),
    source: 'product decision: no screw and no post against it',
    solid: true,
    on: 'wall',
  },
  pipe: {
    wideMm: 50,
    deepMm: 60,
    highMm: 2400,
    upMm: 0,
    clear: keep(25, 25, 25, 25, 25),
    source: 'product decision: no screw and no post against it',
    solid: true,
    on: 'wall',
  },
  beam: {
    wideMm: 3000,
    deepMm: 150,
    highMm: 250,
    upMm: 2150,
    clear: keep(0, 0, 0, 0, 10),
    source: 'product decision: a finger under it',
    solid: true,
    on: 'ceiling',
  },
  post: {
    wideMm: 100,
    deepMm: 100,
    highMm: 2400,
    upMm: 0,
    clear: keep(5, 5, 5, 0, 0),
    source: 'product decision: posts are not straight',
    solid: true,
    on: 'floor',
  },
  steps: {
    wideMm: 1000,
    deepMm: 560,
    highMm: 370,
    upMm: 0,
    clear: keep(0, 0, 914, 2032, 0),
    source: 'a landing of 36 in and headroom: IRC R311.7',
    solid: true,
    on: 'floor',
  },
  walkway: {
    wideMm: 2400,
    deepMm: 900,
    highMm: 2032,
    upMm: 0,
    clear: keep(0, 0, 0, 0, 0),
    source: 'the strip itself is kept free',
    solid: false,
    on: 'floor',
  },
  car: {
    wideMm: 1850,
    deepMm: 4700,
    highMm: 1650,
    upMm: 0,
    clear: keep(600, 600, 300, 100, 0),
    source: 'product decision: a door opened far enough to get out',
    solid: true,
    on: 'floor',
  },
  bench: {
    wideMm: 1800,
    deepMm: 600,
    highMm: 900,
    upMm: 0,
    clear: keep(0, 0, 900, 600, 0),
    source: 'product decision: a person working in front of it',
    solid: true,
    on: 'floor',
  },
  blocking: {
    wideMm: 1200,
    deepMm: 38,
    highMm: 140,
    upMm: 1500,
    clear: keep(0),
    source: PREPARED,
    solid: false,
    on: 'wall',
    prepared: 'blocking',
  },
  bolt: {
    wideMm: 10,
    deepMm: 60,
    highMm: 10,
    upMm: 1500,
    clear: keep(0),
    source: PREPARED,
    solid: false,
    on: 'wall',
    prepared: 'bolt',
  },
  'ceiling-blocking': {
    wideMm: 400,
    deepMm: 140,
    highMm: 38,
    upMm: 2400,
    clear: keep(0),
    source: PREPARED,
    solid: false,
    on: 'ceiling',
    prepared: 'blocking',
  },
  'ceiling-bolt': {
    wideMm: 10,
    deepMm: 10,
    highMm: 60,
    upMm: 2400,
    clear: keep(0),
    source: PREPARED,
    solid: false,
    on: 'ceiling',
    prepared: 'bolt',
  },
  other: {
    wideMm: 500,
    deepMm: 300,
    highMm: 500,
    upMm: 0,
    clear: keep(25, 25, 25, 25, 0),
    source: 'product decision',
    solid: true,
    on: 'floor',
  },
}

/** Kinds of thing a person may take down. */
export const TAKEN_DOWN: ReadonlySet<FeatureKind> = new Set(['bench', 'light', 'other'])

const NONE = keep(0)
/** The space a thing keeps round it: none where it comes down. */
export const clearOf = (f: Feature): Clear => (f.comesDown ? NONE : (f.clear ?? FEATURE_DEFAULTS[f.kind].clear))

/** Through a wide door: what of it is kept in front of it, from either side of it and out from its wall, mm; null where nothing is. */
export function wayIn(f: Feature): { besideMm: number; frontMm: number } | null {
  const usual = f.comesDown || f.walkedThrough === false ? undefined : FEATURE_DEFAULTS[f.kind].wayIn
  return usual ? { ...usual, besideMm: Math.min(usual.besideMm, f.wideMm / 4) } : null
}

/** Usual measures of a door that rolls up; each to be measured on the real one. Indicative. */
export const USUAL_SECTIONAL: Sectional = {
  sections: 4,
  thicknessMm: 45,
  radiusMm: 381,
  horizontalMm: 2500,
  trackOutMm: 75,
  rollerMm: 25,
  topEdgeMm: 90,
  bottomEdgeMm: 75,
  beforeBendMm: 60,
  springs: 'torsion',
  opener: true,
}
export const USUAL_LEAF: Leaf = { hinge: 'left', opens: 'in', openRad: Math.PI / 2, outsideMm: null }

/** A thing of the usual size for its kind. */
export function newFeature(given: Pick<Feature, 'id' | 'kind' | 'wallId' | 'atMm'> & Partial<Feature>): Feature {
  const d = FEATURE_DEFAULTS[given.kind]
  return {
    name: '',
    outMm: 0,
    upMm: d.upMm,
    wideMm: d.wideMm,
    deepMm: d.deepMm,
    highMm: d.highMm,
    clear: null,
    leaf: given.kind === 'door' ? USUAL_LEAF : null,
    sectional: given.kind === 'sectional-door' ? USUAL_SECTIONAL : null,
    holdsKg: null,
    ...given,
  }
}
