import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../test-support/near.ts'
import { readParams } from '../../test-support/read-params.ts'
import { newGoods } from '../goods/goods.ts'
import { LIFTERS, liftedToMm, liftShare } from '../goods/person.ts'
import { exampleContext, exampleGoods } from './example-context.ts'
import { findFamily } from './registry.ts'

const ONE_KG = 23
const box = (id: string, count: number, massKg: number | null) => ({
  item: newGoods({ id, name: id, kind: 'box', count, acrossMm: 380, deepMm: 300, tallMm: 300, massKg }),
  count,
})
const read = (kind: string, goods: ReturnType<typeof box>[], more: object = {}) => {
  const family = findFamily(kind)!
  const context = exampleContext('metric', goods, 1250)
  return readParams(family, { ...(family.start(context) as object), ...more }, context)
}

describe('what two people lift', () => {
  it('is 46 kg to the knuckles and less higher up, as the equation has it', () => {
    expect(liftedToMm(LIFTERS * ONE_KG, ONE_KG)).toBe(750)
    // 1 − 0.003·(125 − 75) = 0.85.
    expectNear(liftedToMm(0.85 * LIFTERS * ONE_KG, ONE_KG), 1250, 1e-9)
    expect(liftedToMm(30, ONE_KG)).toBe(Infinity)
    expect(liftedToMm(46.5, ONE_KG)).toBe(-Infinity)
    for (const kg of [33, 36, 40, 45]) expectNear(LIFTERS * ONE_KG * liftShare(liftedToMm(kg, ONE_KG)), kg, 1e-9)
  })
  it.each(['post-rack', 'ledger-shelf', 'shelf-unit', 'closet-front', 'floating-shelf-rack'])(
    'stands no higher in a %s; what is light goes over it',
    (kind) => {
      const { shaped, checks } = read(kind, [box('heavy', 14, 41), box('light', 2, 4)])
      expect(checks.find((c) => c.id === 'lift:goods')).toMatchObject({ state: 'holds' })
      const items = shaped.assembly.bays.flatMap((b) => b.items)
      const at = (id: string) => items.filter((i) => i.goodsId === id).map((i) => i.box.min[2])
      expect(at('heavy').length).toBeGreaterThan(2)
      expect(Math.max(...at('heavy')) + 150).toBeLessThanOrEqual(liftedToMm(41, ONE_KG))
      expect(shaped.unhoused.map((u) => u.goodsId)).toEqual(['heavy'])
      expect(Math.max(...at('light'))).toBeGreaterThan(Math.max(...at('heavy')))
    },
  )
  it('by those who build it: what is too heavy for them stands on the floor', () => {
    const heavy = [box('heavy', 2, 40), box('light', 2, 4)]
    const context = exampleContext('metric', heavy, 2600)
    for (const kind of ['post-rack', 'ledger-shelf']) {
      const family = findFamily(kind)!
      const low = (onePersonKg: number) => {
        const ctx = { ...context, settings: { ...context.settings, onePersonKg } }
        const { shaped } = readParams(family, family.start(ctx) as object, ctx)
        return shaped.assembly.bays.flatMap((b) =>
          b.items.filter((i) => i.goodsId === 'heavy').map((i) => i.box.min[2]),
        )
      }
      expect([kind, ...low(15)]).toEqual([kind, 0, 0])
      expect(Math.min(...low(23))).toBeGreaterThan(0)
    }
  })
  it('is left as it is where somebody says how many shelves there are: the check tells', () => {
    const { checks } = read('ledger-shelf', [box('heavy', 14, 41)], { shelves: 4 })
    expect(checks.find((c) => c.id === 'lift:goods')).toMatchObject({ state: 'fails' })
  })
  it('one alone lifts nothing heavier than a whole lift over the shoulder, where the first shelf is over something high', () => {
    const fridge = {
      item: newGoods({ ...{ id: 'fridge', name: 'fridge', kind: 'equipment', count: 1, acrossMm: 600, deepMm: 500 }, tallMm: 1750, massKg: 90 }), // prettier-ignore
      count: 1,
    }
    const wheels = box('wheel', 4, 26)
    wheels.item.pile = 4
    const { shaped } = read('ledger-shelf', [fridge, wheels, box('light', 2, 4)])
    const at = (id: string) =>
      shaped.assembly.bays.flatMap((b) => b.items.filter((i) => i.goodsId === id).map((i) => i.box))
    expect(at('fridge').map((b) => b.min[2])).toEqual([0])
    expect(at('light').map((b) => b.min[2])).toEqual([at('light')[0].min[2], at('light')[0].min[2]])
    expect(at('light')[0].min[2]).toBeGreaterThan(1750)
    // They stand on the floor beside it.
    for (const b of at('wheel')) expect(b.min[2]).toBeLessThan(1200)
    // And nothing is piled through the ceiling where it is light enough.
    const high = read('ledger-shelf', [fridge, { ...wheels, item: { ...wheels.item, massKg: 5 } }])
    const boxes = high.shaped.assembly.bays.flatMap((b) => b.items.map((i) => i.box.max[2]))
    expect(Math.max(...boxes)).toBeLessThanOrEqual(2440)
  })
  it('a bay left high has its shelf over it, and what does not go on that is told', () => {
    const tall = exampleGoods('metric', 'box', 14)
    const { item } = tall
    const freezer = {
      item: newGoods({ ...{ id: 'f', name: 'f', kind: 'equipment', count: 1, acrossMm: 600, deepMm: 500 }, tallMm: 1700, massKg: 80 }), // prettier-ignore
      count: 1,
    }
    const family = findFamily('post-rack')!
    const context = exampleContext('metric', [freezer, { item: { ...item, massKg: 25 }, count: 14 }], 4200)
    const leftOut = [
      { module: 1, shelf: 1 },
      { module: 1, shelf: 2 },
    ]
    const { shaped } = readParams(family, { ...(family.start(context) as object), leftOut, lengthMm: 3600 }, context)
    const heavy = shaped.assembly.bays.flatMap((b) => b.items.filter((i) => i.goodsId === item.id))
    expect(heavy.length).toBeGreaterThan(2)
    for (const i of heavy) expect(i.box.min[2]).toBeLessThanOrEqual(0.818 * context.settings.personMm)
    const tops = new Set(shaped.assembly.parts.filter((p) => p.role === 'shelf').map((p) => Math.round(p.at.centre[2])))
    expect(tops.size).toBeGreaterThanOrEqual(3)
  })
  it('is so many rows of a tote rack', () => {
    const rows = (massKg: number | null) => {
      const { item } = exampleGoods('metric', 'tote', 12)
      const totes = [{ item: { ...item, massKg }, count: 12 }]
      const { shaped, checks } = read('tote-rack', totes)
      const at = shaped.assembly.bays.filter((b) => b.carriers.length > 0).flatMap((b) => b.items.map((i) => i.box))
      return {
        rows: new Set(at.map((x) => Math.round(x.min[2]))).size,
        lift: checks.find((c) => c.id === 'lift:goods'),
      }
    }
    const [light, heavy] = [rows(20), rows(43)]
    expect(heavy.rows).toBeLessThan(light.rows)
    expect([light, heavy].map((x) => x.lift!.state)).toEqual(['holds', 'holds'])
  })
})
