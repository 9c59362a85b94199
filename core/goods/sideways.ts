import type { Goods } from './goods.ts'

/** Share of its depth a thing may stand out past a shelf and still stand safely on it: product decision. */
const OUT_SHARE = 1 / 4
/** Depth in which a thing finds room: the shelf's, and what it may stand out. mm */
export const roomFor = (g: Pick<Goods, 'deepMm'>, depthMm: number, stickOutMm: number): number =>
  depthMm + Math.min(stickOutMm, OUT_SHARE * g.deepMm)

/** What has a side one gets at, or is laid as it comes, is not turned on its shelf. */
const HAS_FRONT: readonly Goods['kind'][] = ['equipment', 'tool', 'bicycle', 'board', 'sheet']

/** A thing as it stands on a shelf so deep: its long side along that where it is too deep otherwise. */
export function sideways(g: Goods, depthMm: number, stickOutMm = 0): Goods {
  const on: Goods = { ...g, acrossMm: g.deepMm, deepMm: g.acrossMm }
  const fits = (x: Goods) => x.deepMm <= roomFor(x, depthMm, stickOutMm)
  return HAS_FRONT.includes(g.kind) || fits(g) || !fits(on) ? g : on
}
