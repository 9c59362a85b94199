import { describe, expect, it } from '@jest/globals'
import { readParams } from '../../test-support/read-params.ts'
import { sharesMoreThan } from '../geometry/box.ts'
import { newGoods } from '../goods/goods.ts'
import { exampleContext } from './example-context.ts'
import { fill, fillFlat, reachesMm, tallestOf } from './house-on-shelves.ts'
import { findFamily } from './registry.ts'

const bag = (count: number, pile?: number) =>
  newGoods({
    ...{ id: 'bag', name: 'bag', kind: 'bag', count, acrossMm: 400, deepMm: 300, tallMm: 120, massKg: 10 },
    ...(pile === undefined ? {} : { pile }),
  })
const bags = (n: number, pile?: number) => Array.from({ length: n }, () => bag(n, pile))
const OPEN = [{ left: 0, right: 900 }]

describe('things in piles', () => {
  it('stand behind each other first, then on each other, then beside', () => {
    const at = fill(bags(11), OPEN, 620, 10, 0).spots.map((s) => [s.x, s.y, s.z])
    expect(at.slice(0, 2)).toEqual([
      [10, 0, 0],
      [10, 300, 0],
    ])
    // Two piles of five, and the eleventh begins another beside them.
    expect(at.slice(2, 10).map(([x, y]) => [x, y])).toEqual([...Array(4).fill([10, 0]), ...Array(4).fill([10, 300])])
    expect(Math.max(...at.slice(0, 10).map(([, , z]) => z))).toBe(4 * 120)
    expect(at[10][0]).toBeGreaterThanOrEqual(410)
    expect(at[10][2]).toBe(0)
  })
  it('a level is as high as its highest pile', () => {
    const { spots } = fill(bags(7), OPEN, 320, 10, 0)
    expect(Math.max(...spots.map(reachesMm))).toBe(5 * 120)
    expect(tallestOf(spots)?.tallMm).toBe(5 * 120)
    expect(bag(1).tallMm).toBe(120)
  })
  it('nothing lies on anything in a drawer, nor where somebody wants no pile', () => {
    expect(fillFlat(bags(4), OPEN, 320, 10).spots.every((s) => s.z === 0)).toBe(true)
    expect(fillFlat(bags(4), OPEN, 320, 10).left).toHaveLength(2)
    expect(fill(bags(4, 1), OPEN, 320, 10, 0).left).toHaveLength(2)
  })
  it('what is too high for the last shelf leaves it to what is lower; a pile is parted before that', () => {
    const thing = (id: string, count: number, tallMm: number, massKg: number, pile = 1) => ({
      item: newGoods({ id, name: id, kind: 'box', count, acrossMm: 380, deepMm: 300, tallMm, massKg, pile }),
      count,
    })
    const low = (goods: ReturnType<typeof thing>[]) => {
      const c = exampleContext('metric', goods, 1220)
      const context = { ...c, space: { ...c.space, heightMm: 1100 } }
      const family = findFamily('ledger-shelf')!
      return readParams(family, { ...(family.start(context) as object), floorBay: false }, context).shaped
    }
    const heavy = thing('heavy', 2, 500, 15)
    const { unhoused } = low([heavy, thing('tall', 1, 900, 2), thing('flat', 2, 100, 1)])
    expect(unhoused.map((u) => [u.goodsId, u.count])).toEqual([['tall', 1]])
    const parted = low([heavy, thing('piled', 2, 200, 1, 4)])
    expect(parted.unhoused).toEqual([])
    const on = (id: string) => parted.assembly.bays.flatMap((b) => b.items).filter((i) => i.goodsId === id)
    expect(new Set(on('piled').map((i) => i.box.min[2])).size).toBe(1)
  })
  it('stand by themselves up to three times their lesser side, whatever somebody said', () => {
    const thin = (count: number) =>
      newGoods({
        ...{ id: 'thin', name: 'thin', kind: 'box', count, acrossMm: 300, deepMm: 100, tallMm: 90, massKg: 1 },
        pile: count,
      })
    const pileOf = (count: number) => {
      const family = findFamily('ledger-shelf')!
      const c = exampleContext('metric', [{ item: thin(count), count }], 1220)
      const params = { ...(family.start(c) as object), depthMm: 150 }
      return readParams(family, params, c).checks.find((x) => x.id === 'contents-fit:pile:thin')
    }
    expect(pileOf(1)).toBeUndefined()
    expect(pileOf(3)).toMatchObject({ state: 'holds', demand: expect.closeTo(270, 6), capacity: 300 })
    expect(pileOf(4)).toMatchObject({ state: 'fails', demand: expect.closeTo(360, 6) })
  })
  it.each([
    'post-rack',
    'ledger-shelf',
    'shelf-unit',
    'floating-shelf-rack',
    'wall-cabinet',
    'bracket-shelf',
    'closet-front',
    'box-bench',
    'rod-stack',
  ])('in a %s lie on what is under them and reach into nothing', (id) => {
    const family = findFamily(id)!
    const flat = { ...bag(2, 1), id: 'flat' }
    const goods = [bag(8), flat].map((item) => ({ item, count: item.count }))
    const context = exampleContext('metric', goods, 3600)
    const { shaped, boxes, checks, service } = readParams(family, family.start(context) as object, context)
    const items = shaped.assembly.bays.flatMap((b) => b.items)
    const piled = items.filter((i) => i.goodsId === 'bag')
    expect(piled.length).toBeGreaterThan(1)
    const floors = new Set(piled.map((i) => i.box.min[2]))
    expect(floors.size).toBeGreaterThan(1)
    for (const [k, i] of items.entries()) {
      for (const j of items.slice(k + 1)) expect(sharesMoreThan(i.box, j.box, 0.01)).toBe(false)
      for (const b of boxes.values()) expect(sharesMoreThan(i.box, b, 0.01)).toBe(false)
      const on = items.find((j) => j !== i && Math.abs(j.box.max[2] - i.box.min[2]) < 0.01 && j.goodsId === i.goodsId)
      const carriers = shaped.assembly.bays.find((b) => b.items.includes(i))!.clear.min[2]
      expect(on !== undefined || Math.abs(i.box.min[2] - carriers) < 0.01).toBe(true)
    }
    // All of a pile weighs on what carries it.
    const onParts = shaped.assembly.bays.filter((b) => b.carriers.length > 0).flatMap((b) => b.items)
    expect(service.loadsN).toBeGreaterThanOrEqual(onParts.length * 10 * 9.8)
    expect(
      checks
        .filter((c) => c.link === 'goods' && !c.code.startsWith('unhoused') && c.state === 'fails')
        .map((c) => c.id),
    ).toEqual([])
  })
})

describe('where not all has a place', () => {
  const thing = (id: string, count: number, tallMm: number, massKg: number, kind: 'box' | 'equipment' = 'box') => ({
    item: newGoods({ id, name: id, kind, count, acrossMm: 300, deepMm: 300, tallMm, massKg }),
    count,
  })
  const read = (goods: ReturnType<typeof thing>[], heightMm: number, family = 'ledger-shelf') => {
    const c = exampleContext('metric', goods, 1220)
    const context = { ...c, space: { ...c.space, heightMm } }
    const kind = findFamily(family)!
    return readParams(kind, kind.start(context) as object, context).shaped
  }
  const at = (shaped: ReturnType<typeof read>, id: string) =>
    shaped.assembly.bays.flatMap((b) => b.items.filter((i) => i.goodsId === id).map((i) => i.box))

  it('what is of one height shares a shelf, so that there are more of them', () => {
    // By weight alone each shelf would have one high thing on it, and be as high.
    const mixed = [thing('high 1', 1, 500, 12), thing('low 1', 2, 150, 11), thing('high 2', 1, 500, 10)]
    const goods = [...mixed, thing('low 2', 2, 150, 9), thing('high 3', 1, 500, 8), thing('low 3', 2, 150, 7)]
    const shaped = read(goods, 1450)
    expect(shaped.unhoused).toEqual([])
    const tops = new Map<number, Set<number>>()
    for (const g of goods)
      for (const b of at(shaped, g.item.id)) {
        const z = Math.round(b.min[2])
        tops.set(z, (tops.get(z) ?? new Set()).add(g.item.tallMm))
      }
    for (const heights of tops.values()) expect(heights.size).toBe(1)
  })
  it('it stands on the floor too, beside what belongs there, no higher than that', () => {
    const goods = [thing('vacuum', 1, 700, 18, 'equipment'), thing('crate', 8, 320, 10), thing('tall', 1, 800, 5)]
    const few = read([goods[0], thing('crate', 2, 320, 10)], 2400)
    expect(at(few, 'crate').every((b) => b.min[2] > 700)).toBe(true)
    const many = read(goods, 1700)
    expect(at(many, 'crate').filter((b) => b.min[2] === 0).length).toBeGreaterThan(0)
    expect(at(many, 'tall').every((b) => b.min[2] > 0)).toBe(true)
    expect(Math.max(...at(many, 'crate').map((b) => b.max[2]))).toBeLessThanOrEqual(1700)
  })
  it('nothing is counted twice or lost', () => {
    for (const heightMm of [900, 1200, 1700, 2400]) {
      const goods = [thing('vacuum', 2, 700, 18, 'equipment'), thing('crate', 9, 320, 24), thing('tall', 3, 600, 5)]
      const shaped = read(goods, heightMm)
      for (const g of goods) {
        const left = shaped.unhoused.filter((u) => u.goodsId === g.item.id).reduce((n, u) => n + u.count, 0)
        expect(at(shaped, g.item.id).length + left).toBe(g.count)
      }
    }
  })
})
