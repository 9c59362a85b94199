import { SUPPORTS } from '../../blocks/frame/doubled-post.ts'
import { slidingFront } from '../../blocks/fronts/front.ts'
import { z } from '../../measure/schema.ts'
import type { Preset, Raw } from '../family.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { countDim, dim, dims, section, sheet } from '../params.ts'
import { ends, feet, tiedOrAlone } from '../stands-alone.ts'

export const LIMITS = { shelves: 10, modules: 8, bracedModules: 2, midPosts: 5, leftOut: 24 } as const

/** Where the rails of the uppermost shelf are: between the posts as all others, or on top of them. */
export const TOP_FRAME = ['between-posts', 'on-posts'] as const
/** How far the sheets of a rack on posts reach. */
export const PANELS = ['between-posts', 'round-posts'] as const

/** Of a shelf's top above the floor. */
export const TOP_MM = [60, 4000] as const

export const SIDES = ['free', 'tied'] as const

export const postRackParams = z.object({
  /** Fill the wall, or be only as long as the goods need. */
  follow: z.enum(['goods', 'wall']),
  lengthMm: dim(400, 15_000),
  /** Depth of the sheet. */
  depthMm: dim(150, 1250),
  /** Heavy and bulky goods stand on the floor under the lowest shelf. */
  floorBay: z.boolean(),
  /** Shelves that a module has not: its bay is higher there. */
  leftOut: z
    .array(z.object({ module: z.int().min(1).max(LIMITS.modules), shelf: z.int().min(1).max(LIMITS.shelves) }))
    .max(LIMITS.leftOut),
  /** Shelves that are at a height of their own in one module: a bench bay, a seat. */
  ownTops: z
    .array(
      z.object({
        module: z.int().min(1).max(LIMITS.modules),
        shelf: z.int().min(1).max(LIMITS.shelves),
        topMm: z.number().min(TOP_MM[0]).max(TOP_MM[1]),
      }),
    )
    .max(LIMITS.leftOut),
  shelves: countDim(1, LIMITS.shelves),
  /** Height of each shelf's top above the floor, from below. */
  topMm: dims(TOP_MM[0], TOP_MM[1], LIMITS.shelves),
  abovePlayMm: dim(0, 600),
  sidePlayMm: dim(0, 100),
  /** Middle posts in each module, and where they stand (centre, from the rack's left end). */
  midPosts: countDim(0, LIMITS.midPosts),
  midAtMm: dims(0, 15_000, LIMITS.modules * LIMITS.midPosts),
  /** Most from one cross piece to the next. */
  crossEveryMm: dim(150, 1300),
  railSection: section,
  postSection: section,
  backSection: section,
  sheet,
  /** Sheets lie between the rows of posts, or reach past them to their outer faces, notched round each. */
  panels: z.enum(PANELS),
  /** The uppermost frame is held between the posts, or lies on them. */
  topFrame: z.enum(TOP_FRAME),
  /** What holds a rail at each post: three screws, five, or two bolts. */
  railJoint: z.enum(['screws', 'more-screws', 'bolts']),
  /** A rail is held by its fasteners, or bears on a piece beside each post as well. */
  supports: z.enum(SUPPORTS),
  /** Screws through the rail into each end of a cross piece. */
  crossJoint: z.enum(['two', 'three', 'four']),
  brace: z.boolean(),
  tie: z.boolean(),
  /** What stands at a wall with an end of it is free there, or tied to that wall. */
  sides: z.enum(SIDES),
  ends,
  feet,
  raise: z.enum(['tilt', 'in-place']),
  front: slidingFront,
  /** Its back is closed by panels, which keep it from folding in place of the brace. */
  cover: z.enum(['none', 'panels']),
  coverSheet: sheet,
})
export type PostRackParams = z.infer<typeof postRackParams>

type Stocks = Pick<PostRackParams, 'railSection' | 'postSection' | 'backSection' | 'sheet' | 'coverSheet'>
const STOCK: Record<UnitSystem, Stocks> = {
  imperial: { railSection: '2x4', postSection: '2x4', backSection: '1x4', sheet: 'ply-23/32', coverSheet: 'ply-3/8' },
  metric: {
    railSection: '38x89mm',
    postSection: '38x89mm',
    backSection: '18x94mm',
    sheet: 'osb3-18mm',
    coverSheet: 'ply-9mm',
  },
}

export const startingParams = (system: UnitSystem, canTie: boolean, canPin = false): PostRackParams => ({
  follow: 'goods',
  lengthMm: null,
  depthMm: null,
  floorBay: true,
  leftOut: [],
  ownTops: [],
  shelves: null,
  topMm: [],
  abovePlayMm: null,
  sidePlayMm: null,
  midPosts: null,
  midAtMm: [],
  crossEveryMm: null,
  ...STOCK[system],
  panels: 'between-posts',
  topFrame: 'between-posts',
  ...tiedOrAlone(system, canTie, canPin),
  sides: 'free',
  railJoint: 'screws',
  supports: 'single',
  crossJoint: 'two',
  brace: true,
  raise: 'tilt',
  front: 'open',
  cover: 'none',
})

/** What is chosen together for what a rack is to carry; whether it does is proven all the same. Product decision. */
const heavy = { railJoint: 'bolts', crossJoint: 'three' } as const
const light = { railJoint: 'screws', crossJoint: 'two' } as const
export const DUTY: Record<UnitSystem, Preset> = {
  imperial: {
    code: 'duty',
    options: {
      light: { railSection: '2x3', postSection: '2x3', sheet: 'ply-15/32', ...light },
      medium: { railSection: '2x4', postSection: '2x4', sheet: 'ply-23/32', ...light },
      heavy: { railSection: '2x6', postSection: '2x4', sheet: 'ply-23/32', ...heavy },
    },
  },
  metric: {
    code: 'duty',
    options: {
      light: { railSection: '38x63mm', postSection: '38x63mm', sheet: 'ply-12mm', ...light },
      medium: { railSection: '38x89mm', postSection: '38x89mm', sheet: 'osb3-18mm', ...light },
      heavy: { railSection: '47x150mm', postSection: '47x100mm', sheet: 'osb3-18mm', ...heavy },
    },
  },
}

/**
 * The first form knew fewer joints, and no fronts; the second no braced ends and no feet held down; the third no panels
 * over its back; the fourth no sheets round its posts; the fifth every shelf in every module; the sixth no pieces under
 * rails; the seventh no frame on top of its posts; the eighth no ties to the walls beside it; the ninth
 * no shelf at a height of its own.
 */
export const UPGRADES = [
  (raw: Raw): Raw => ({ railJoint: 'screws', crossJoint: 'two', front: 'open', ...raw }),
  (raw: Raw): Raw => ({ ends: 'open', feet: 'standing', ...raw }),
  (raw: Raw): Raw => ({
    cover: 'none',
    coverSheet: String(raw.railSection).endsWith('mm') ? STOCK.metric.coverSheet : STOCK.imperial.coverSheet,
    ...raw,
  }),
  (raw: Raw): Raw => ({ panels: 'between-posts', ...raw }),
  (raw: Raw): Raw => ({ leftOut: [], ...raw }),
  (raw: Raw): Raw => ({ supports: 'single', ...raw }),
  (raw: Raw): Raw => ({ topFrame: 'between-posts', ...raw }),
  (raw: Raw): Raw => ({ sides: 'free', ...raw }),
  (raw: Raw): Raw => ({ ownTops: [], ...raw }),
]
