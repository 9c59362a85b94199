import { exampleContext } from '../core/families/example-context.ts'
import type { ShapeContext } from '../core/families/family.ts'
import { newGoods, type Goods } from '../core/goods/goods.ts'

/** A usual bicycle, or so many. */
export const bicycle = (over: Partial<Goods> = {}): Goods =>
  newGoods({
    ...{ id: 'b', name: 'Bicycle', kind: 'bicycle', count: 2, acrossMm: 1760, deepMm: 620, tallMm: 1040, massKg: 16 },
    ...over,
  })

/** A wall with studs for some things, metric. */
export const wallFor = (goods: Goods[], wallMm = 6000, over: Partial<ShapeContext['space']> = {}): ShapeContext => {
  const c = exampleContext(
    'metric',
    goods.map((item) => ({ item, count: item.count })),
    wallMm,
  )
  return { ...c, space: { ...c.space, ...over } }
}
