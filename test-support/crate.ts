import { newGoods, type Goods } from '../core/goods/goods.ts'

/** A box of one size and weight. @param size across, deep and tall, mm */
export const crateOf = (
  [acrossMm, deepMm, tallMm]: readonly [number, number, number],
  massKg: number,
  more: Partial<Goods> = {},
): Goods => newGoods({ id: 'g', name: 'crate', kind: 'box', count: 1, acrossMm, deepMm, tallMm, massKg, ...more })
