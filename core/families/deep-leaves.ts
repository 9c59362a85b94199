import type { Draft } from '../assembly/draft.ts'
import {
  leafEdges,
  leafInside,
  overRod,
  placeDeepLeaves,
  rodRoom,
  tierBays,
  type DeepLeaf,
  type DeepLeaves,
} from '../blocks/fronts/deep-leaf.ts'
import { ONE_LEAF_MM } from '../blocks/fronts/hinged.ts'
import type { Sheet } from '../catalogue/sheets.ts'
import { RODS, type Rod } from '../catalogue/steel.ts'
import type { Goods } from '../goods/goods.ts'
import { bad, good, type Result } from '../measure/result.ts'
import { roundDown } from '../measure/rounding.ts'
import type { Units } from '../measure/units.ts'
import type { DimPen } from './dim-pen.ts'
import type { ShapeContext } from './family.ts'
import { house, LEAST_OPEN, standing, type Level } from './house-on-shelves.ts'
import { countDim, dim, dims } from './params.ts'
import { levelTerms, topsInside } from './shelf-tops.ts'

/*
 * Leaves that are shallow boxes: how deep they are, which things go into them, and how high their tiers are.
 */

export const TIERS = 6
/** Inside of a leaf that is a box, mm: hand tools and tins. Product decision. */
const USUAL_MM = 90
/** Heavier things do not go into a leaf, kg. Product decision: what swings is loaded lightly. */
const MOST_KG = 3
/** Least room over the last tier of a leaf, mm. */
const LEAST_TIER_MM = 60

export const deepLeaf = {
  /** How deep a leaf is inside that is a box. */
  leafMm: dim(40, 200),
  /** Places to stand things in it, one over the other, its bottom among them. */
  tiers: countDim(1, TIERS),
  /** Top of each tier over the bottom, from the underside of the leaf. */
  tierMm: dims(40, 2200, TIERS),
}
interface DeepLeafParams {
  leafMm: number | null
  tiers: number | null
  tierMm: (number | null)[]
}
export const usualLeaf = (): DeepLeafParams => ({ leafMm: null, tiers: null, tierMm: [] })

/** What leaves are made of, and the play of things in them. */
export interface LeafSizes {
  sheet: Sheet
  face: Sheet
  /** Depth inside. */
  leafMm: number
  sideMm: number
  aboveMm: number
}
export interface LeafPlan extends LeafSizes {
  pair: boolean
  /** Free depth behind the rods, and the tops of the tiers from the underside. */
  deepMm: number
  tiersMm: number[]
  levels: Level[]
  rod: Rod
}

/** What keeps things in a leaf: the thinnest rod a yard keeps. */
const rodOf = (sheet: Sheet): Rod => RODS.find((r) => r.system === sheet.system)!

export const leafDepth = (pen: DimPen, units: Units): number =>
  pen.length({ path: 'leafMm', code: 'leaf-depth', min: 40, max: 200 }, roundDown(USUAL_MM, units), {
    code: 'leaf-usual',
    terms: [],
  })

/** What a leaf takes: shallow and light things. */
export const fitsLeaf = (g: Goods, s: Pick<LeafSizes, 'sheet' | 'leafMm'>): boolean =>
  g.deepMm <= s.leafMm - rodRoom(rodOf(s.sheet)) && g.massKg !== null && g.massKg <= MOST_KG

type Filled = Omit<LeafPlan, 'tiersMm'>
/**
 * Leaves over a front, what stands in them, and what is left for the shelves behind.
 * @param mostHigh of a leaf, mm
 */
export function fillLeaves(
  p: DeepLeafParams,
  ctx: Pick<ShapeContext, 'goods'>,
  s: LeafSizes,
  { left, right, mostHigh }: { left: number; right: number; mostHigh: number },
): { leaf: Filled; left: ShapeContext['goods'] } {
  const pair = right - left > ONE_LEAF_MM
  const inside = leafEdges(left, right, pair).map((e) => leafInside(e.left, e.right, s.sheet))
  const rod = rodOf(s.sheet)
  const deepMm = s.leafMm - rodRoom(rod)
  const small = ctx.goods.filter((g) => fitsLeaf(g.item, s))
  const grows = (levels: Level[]) => leafHigh(levels, s) <= mostHigh
  const { levels, unhoused } = house(small, null, p.tiers, inside, deepMm, s.sideMm, 0, grows, TIERS)
  const over = new Map(unhoused.map((u) => [u.goodsId, u.count]))
  const goods = ctx.goods.map((g) => ({ ...g, count: fitsLeaf(g.item, s) ? (over.get(g.item.id) ?? 0) : g.count }))
  return { leaf: { ...s, pair, deepMm, levels, rod }, left: goods.filter((g) => g.count > 0) }
}

/** Room over what stands in a leaf: it is lifted out over its rod. */
const overTier = (s: LeafSizes): number => Math.max(s.aboveMm, overRod(rodOf(s.sheet)))
const lastTall = (levels: readonly Level[]) => levels[levels.length - 1].tallest?.tallMm ?? LEAST_OPEN
/** How high a leaf is in which all of its tiers have what they need, mm. */
export const leafHigh = (levels: readonly Level[], s: LeafSizes): number =>
  levelTerms(levels, overTier(s), s.sheet.thicknessMm)
    .flat()
    .reduce((sum, x) => sum + x.mm, lastTall(levels) + overTier(s) + s.sheet.thicknessMm)

/** The leaf with the tops of its tiers; all must stay under its head. @param highMm how high it is */
export function withTiers(leaf: Filled, highMm: number, pen: DimPen): Result<LeafPlan> {
  const t = leaf.sheet.thicknessMm
  const asked = { path: 'tierMm', code: 'tier-top', startMm: 0 }
  const inside = topsInside(leaf.levels, overTier(leaf), t, pen, asked)
  if (!inside.ok) return inside
  const tiersMm = inside.value
  const mostMm = highMm - t - LEAST_TIER_MM
  const last = tiersMm[tiersMm.length - 1]
  return last > mostMm
    ? bad('tier-over-leaf', { mm: last, mostMm, shelf: tiersMm.length }, 'tiers')
    : good({ ...leaf, tiersMm })
}

/** The leaves over a front, and what stands in them. @param s panels behind them, where no hinge goes either */
export function hangDeepLeaves(
  d: Draft,
  leaf: LeafPlan,
  s: Pick<DeepLeaves, 'left' | 'right' | 'footMm' | 'headMm' | 'frontMm' | 'uprights' | 'panelsMm'>,
): DeepLeaf[] {
  const { sheet, face, rod, pair, tiersMm, levels } = leaf
  const t = sheet.thicknessMm
  const leaves = placeDeepLeaves(d, {
    ...{ id: 'leaf', sheet, face, rod, pair, tiersMm, ...s },
    deepMm: leaf.deepMm + rodRoom(rod),
    panelsMm: [...s.panelsMm, ...tiersMm.map((z) => s.footMm + z - t / 2)],
  })
  leaves.forEach((x, i) => {
    const tiers = tiersMm.map((z, n) => ({
      topMm: s.footMm + z,
      headMm: s.footMm + (tiersMm[n + 1] ?? s.headMm - s.footMm) - t,
      items: standing(levels[n], i, x.inside.backMm, s.footMm + z),
    }))
    tierBays(d, x, i + 1, tiers, { sideMm: leaf.sideMm, aboveMm: leaf.aboveMm, deepMm: 0 })
  })
  return leaves
}
