import { CONTAINERS, GOODS_KINDS, TOTE_GUESS, type GoodsKind } from '../catalogue/containers.ts'
import { usualThing } from '../catalogue/find-usual.ts'
import { usualCare } from '../catalogue/usual-care.ts'
import { OFTEN } from '../catalogue/usual-often.ts'
import { HEAVIEST_KG, id, lengthMm, words, z } from '../measure/schema.ts'
import { CARES } from './care.ts'
import { usualPile } from './pile.ts'
import { assumedTool, toolShape } from './tool.ts'
import { WAY_CODES } from './way-codes.ts'

export const DECISIONS = ['keep', 'pass', 'bin'] as const
export { OFTEN }
/** Where a thing is in time: its place is kept whichever it is. */
export const TIMES = ['here', 'shown', 'lent', 'seasonal', 'to-come'] as const

/** Largest single thing, mm, and most of one kind: past these a slip of the keyboard is likelier. */
export const GOODS_LIMITS = { minMm: 5, maxMm: 6000, maxCount: 2000, mostPiled: 20 } as const
/** Rims and overhangs of totes lie well within these, mm. */
const [LEAST_RIM_MM, MOST_RIM_MM, MOST_OVERHANG_MM] = [1, 400, 300]
const size = lengthMm(GOODS_LIMITS.minMm, GOODS_LIMITS.maxMm)

/**
 *      |<------ acrossMm ------>|
 *      ==========================  lid      \  rimMm: lid top to the underside of the rim
 *      |_ |                  | _|           /
 *         |                  |  |<-overhangMm, each side
 *          \                /
 *           \______________/   taperMm, each side, between rim and base
 */
export const toteShape = z.object({
  rimMm: lengthMm(LEAST_RIM_MM, MOST_RIM_MM),
  overhangMm: lengthMm(0, MOST_OVERHANG_MM),
  taperMm: lengthMm(0, MOST_OVERHANG_MM),
  /** True while nobody has measured these: they are proportions of the lid. */
  assumed: z.boolean(),
})
export type ToteShape = z.infer<typeof toteShape>

export const goodsItem = z.object({
  id,
  name: words(80).min(1),
  kind: z.enum(GOODS_KINDS),
  count: z.int().min(1).max(GOODS_LIMITS.maxCount),
  /** As it faces you in the bay; a tote's lid width. */
  acrossMm: size,
  /** Front to back; a tote's lid length. */
  deepMm: size,
  /** Over the lid, handle or tallest point. */
  tallMm: size,
  /** Of one, as it is stored; null when nobody has weighed it: then nothing that carries it counts as proven. */
  massKg: z.number().min(0).max(HEAVIEST_KG).nullable(),
  tote: toteShape.nullable(),
  /** How a tool is kept and where it is held; null for everything else. */
  tool: toolShape.nullable(),
  group: words(60),
  decision: z.enum(DECISIONS),
  often: z.enum(OFTEN),
  whereNow: words(120),
  /** How somebody wants it kept; null where any way that suits it will do. */
  keptAs: z.enum(WAY_CODES).nullable(),
  /** Its size as it is used or kept ready, where that is larger: a pump in the bung, a lid that stands open. */
  inUse: z.object({ acrossMm: size, deepMm: size, tallMm: size }).nullable(),
  /** What it must be kept from, and what others must be kept from. */
  care: z.array(z.enum(CARES)).max(CARES.length),
  /** Somebody else's: ask first. */
  whose: words(60),
  time: z.enum(TIMES),
  /** So many lie on each other where it stands on something; one where it is not piled. */
  pile: z.int().min(1).max(GOODS_LIMITS.mostPiled),
  /** Places kept for more of them. */
  spare: z.int().min(0).max(GOODS_LIMITS.maxCount),
  /** Where it goes when it does not stay, what is cut up first, and whether it is gone. */
  leaving: z.object({ to: words(80), first: words(80), gone: z.boolean() }),
})
export type Goods = z.infer<typeof goodsItem>

/** A tote's rim and taper as they usually are for its size, marked as assumed. */
export function assumedTote(acrossMm: number, tallMm: number): ToteShape {
  const near = CONTAINERS.find(
    (c) => c.kind === 'tote' && Math.abs(c.acrossMm - acrossMm) < 1 && Math.abs(c.tallMm - tallMm) < 1,
  )
  // Proportions of a very small or very large thing end at what a tote can have.
  const half = (mm: number, most: number) => Math.min(most, Math.round(mm * 2) / 2)
  return {
    rimMm: near?.rimMm ?? Math.max(LEAST_RIM_MM, half(TOTE_GUESS.rimOfHeight * tallMm, MOST_RIM_MM)),
    overhangMm: near?.overhangMm ?? half(TOTE_GUESS.overhangOfWidth * acrossMm, MOST_OVERHANG_MM),
    taperMm: near?.taperMm ?? half(TOTE_GUESS.taperOfWidth * acrossMm, MOST_OVERHANG_MM),
    assumed: true,
  }
}

/**
 * A rim or a base must lie on its rail by at least this much with the tote pushed hard to the other side, mm.
 * Product decision: less slips off when a lid bows under its load.
 */
export const LEAST_BEARING_MM = 6

/** How a thing's weight comes down on what carries it. */
export const standsOn = (kind: GoodsKind): 'flat' | 'round' | 'feet' =>
  isRound(kind) ? 'round' : kind === 'equipment' || kind === 'bicycle' ? 'feet' : 'flat'
/** Boards, pipe, ladders: far longer than it is deep or high, and too long for a shelf. */
export const isLong = (g: Goods): boolean =>
  g.kind === 'board' ||
  (g.kind !== 'sheet' &&
    g.kind !== 'tool' &&
    g.acrossMm > ON_SHELF_MM &&
    g.acrossMm >= LONG_SHARE * Math.max(g.deepMm, g.tallMm))
const LONG_SHARE = 4
/** What is no longer than this lies on a shelf, mm. Product decision: three feet, a usual bay. */
const ON_SHELF_MM = 915
export const isRound = (kind: GoodsKind): boolean => kind === 'pail' || kind === 'drum'
/** What a thing takes up, litres: the box round it, or the round in that. */
export const litresOf = (g: Pick<Goods, 'kind' | 'acrossMm' | 'deepMm' | 'tallMm'>): number =>
  ((isRound(g.kind) ? Math.PI / 4 : 1) * g.acrossMm * g.deepMm * g.tallMm) / 1e6

/*
 *        straight
 *       |<----->|
 *      _|_______|_     the bar it is hung by
 *      \\       /|
 *    ( o )-----( o )   belowMm: from the bar to its lowest point
 */
/** Hung by a bar of its own that lies on two arms. */
export const hangsByBar = (g: Pick<Goods, 'kind'>): boolean => g.kind === 'bicycle'
/** Hung upright by its front wheel. */
export const hangsByWheel = (g: Pick<Goods, 'kind'>): boolean => g.kind === 'bicycle'
/** How far below its bar a thing reaches, and how much of the bar is straight, mm: shares of a usual frame. */
export const barOf = (g: Goods): { belowMm: number; straightMm: number } => ({
  belowMm: BAR_UP * g.tallMm,
  straightMm: BAR_STRAIGHT * g.acrossMm,
})
/** Indicative, of diamond frames of 500 to 600 mm on wheels of 650 to 700 mm. */
const [BAR_UP, BAR_STRAIGHT] = [0.75, 0.3]

/** Width of a tote's body just below the rim, mm; for anything else its full width. */
export const bodyAcross = (g: Goods): number => g.acrossMm - 2 * (g.tote?.overhangMm ?? 0)
/** Width at the base, mm. */
export const baseAcross = (g: Goods): number => bodyAcross(g) - 2 * (g.tote?.taperMm ?? 0)

/** What nobody has said of a thing. */
export const nothingTold = (): Pick<Goods, 'inUse' | 'care' | 'whose' | 'time' | 'spare' | 'leaving'> => ({
  inUse: null,
  care: [],
  whose: '',
  time: 'here',
  spare: 0,
  leaving: { to: '', first: '', gone: false },
})

/** Places a thing asks for: those it has now, and those kept for more of them. */
export const placesOf = (g: Pick<Goods, 'count' | 'spare'>): number => g.count + g.spare

/**
 * As its place must take it: in each direction the larger of its sizes at rest and in use. A tote only grows upward, its
 * rim stays where it is; tools and bicycles have measures of their own to be held by.
 */
export function asUsed(g: Goods): Goods {
  if (!g.inUse || g.kind === 'tool' || hangsByBar(g)) return g
  const larger = (key: 'acrossMm' | 'deepMm' | 'tallMm') => Math.max(g[key], g.inUse![key])
  const tallMm = larger('tallMm')
  if (g.tote) return { ...g, tallMm, tote: { ...g.tote, rimMm: g.tote.rimMm + tallMm - g.tallMm } }
  return { ...g, acrossMm: larger('acrossMm'), deepMm: larger('deepMm'), tallMm }
}

/** How large a thing usually is in use, where that is more than it is at rest: with its lid up, as high as that is deep. */
const usualInUse = (g: Pick<Goods, 'name' | 'acrossMm' | 'deepMm' | 'tallMm'>): Goods['inUse'] =>
  usualThing(g.name)?.lid
    ? { acrossMm: g.acrossMm, deepMm: g.deepMm, tallMm: Math.min(GOODS_LIMITS.maxMm, g.tallMm + g.deepMm) }
    : null

/** Goods with the defaults of a freshly entered line. */
export function newGoods(
  given: Pick<Goods, 'id' | 'name' | 'kind' | 'count' | 'acrossMm' | 'deepMm' | 'tallMm' | 'massKg'> & Partial<Goods>,
): Goods {
  return {
    tote: given.kind === 'tote' ? assumedTote(given.acrossMm, given.tallMm) : null,
    tool: given.kind === 'tool' ? assumedTool(given) : null,
    group: '',
    decision: 'keep',
    often: usualThing(given.name)?.often ?? 'weekly',
    whereNow: '',
    keptAs: null,
    pile: usualPile(given),
    ...nothingTold(),
    care: usualCare(given.name),
    inUse: usualInUse(given),
    ...given,
  }
}
