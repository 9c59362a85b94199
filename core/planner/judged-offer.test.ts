import { describe, expect, it } from '@jest/globals'
import { newGoods, type Goods } from '../goods/goods.ts'
import { newProject } from '../project/project.ts'
import { fewerOf } from './judged-offer.ts'

const thing = (id: string, massKg: number, often: Goods['often'], count = 1): Goods => ({
  ...newGoods({ id, name: id, kind: 'box', count, acrossMm: 300, deepMm: 300, tallMm: 300, massKg }),
  often,
})
const lotsOf = (...goods: Goods[]) => {
  const p = { ...newProject('p', 'p', 'metric', '2026-01-01T00:00:00.000Z'), goods }
  const lot = goods.map((g) => ({ goodsId: g.id, count: g.count }))
  return fewerOf(p, lot).map((x) => x.map((g) => `${g.count} ${g.goodsId}`).join(', '))
}

describe('what is tried where a build does not hold with all of its goods', () => {
  it('is first what is used most often, with some of the rest and alone; then what is lightest', () => {
    const [freezer, tins, hose] = [
      thing('freezer', 60, 'daily'),
      thing('tin', 5, 'weekly', 8),
      thing('hose', 4, 'seldom'),
    ]
    // Of 44 kg beside the freezer 0.4 is 17.6: the hose and two tins. Of 104 kg 0.65 is 67.6 and 0.4 is 41.6.
    expect(lotsOf(freezer, tins, hose)).toEqual([
      '1 freezer, 1 hose, 2 tin',
      '1 freezer',
      '1 hose, 8 tin',
      '1 hose, 7 tin',
    ])
  })
  it('is what is lightest alone, where all is used as often', () => {
    expect(lotsOf(thing('anvil', 80, 'weekly'), thing('box', 10, 'weekly', 4))).toEqual(['4 box', '4 box'])
    expect(lotsOf(thing('anvil', 80, 'weekly'))).toEqual([])
  })
})
