import { describe, expect, it } from '@jest/globals'
import { freshProject } from '../../test-support/one-build.ts'
import { GOODS_KINDS } from '../catalogue/containers.ts'
import { allFamilies } from '../families/registry.ts'
import { neverOf, wishedWay } from '../goods/ways.ts'
import { newGoods, type Goods } from '../goods/goods.ts'
import { NEVER, WAYS } from '../wording/ways.ts'
import { propose } from './proposals.ts'
import { waysToKeep } from './ways-to-keep.ts'

const thing = (over: Partial<Parameters<typeof newGoods>[0]> & { often?: Goods['often'] }): Goods => ({
  ...newGoods({
    id: 'g',
    name: 'thing',
    kind: 'box',
    count: 2,
    acrossMm: 400,
    deepMm: 300,
    tallMm: 250,
    massKg: 6,
    ...over,
  }),
  ...(over.often ? { often: over.often } : {}),
})
const drum = thing({ kind: 'drum', acrossMm: 580, deepMm: 580, tallMm: 880, massKg: 210 })
const sheet = thing({ kind: 'sheet', acrossMm: 2440, deepMm: 18, tallMm: 1220, massKg: 29 })
const plank = thing({ kind: 'board', acrossMm: 2800, deepMm: 180, tallMm: 32, massKg: 11 })
const ladder = thing({ acrossMm: 3000, deepMm: 120, tallMm: 420, massKg: 14 })
const chisel = thing({ kind: 'tool', acrossMm: 30, deepMm: 30, tallMm: 270, massKg: 0.2 })
const codes = (g: Goods) => waysToKeep(g).map((w) => w.code)

describe('ways to keep a thing', () => {
  it('say of a tote its rails first, of a tool its holder, of a board its arms, of a drum the floor', () => {
    expect(codes(thing({ kind: 'tote' }))[0]).toBe('rim-rails')
    expect(codes(chisel)[0]).toBe('own-holder')
    expect(codes(plank)).toEqual(['on-arms', 'along-ceiling'])
    expect(codes(drum)).toEqual(['under-shelf'])
    expect(codes(sheet)).toEqual(['in-store', 'below-arms'])
    expect(codes(thing({ kind: 'equipment', tallMm: 450 }))[0]).toBe('in-well')
  })
  it('never put a sheet flat, a ladder upright or a drum up on a shelf', () => {
    for (const g of [sheet, plank, ladder]) expect(codes(g)).not.toContain('on-shelf')
    expect([neverOf(drum), neverOf(sheet), neverOf(ladder)]).toEqual([['high-drum'], ['flat-sheet'], ['on-end']])
  })
  it('stand no rake on an open shelf, and a short tool still', () => {
    const rake = thing({ kind: 'tool', acrossMm: 450, deepMm: 80, tallMm: 1650, massKg: 2 })
    const short = thing({ kind: 'tool', acrossMm: 220, deepMm: 80, tallMm: 220, massKg: 2 })
    expect(codes(rake)).not.toContain('on-shelf')
    expect(codes(rake)[0]).toBe('own-holder')
    expect(neverOf(rake)).toContain('stood-up')
    expect(codes(short)).toContain('on-shelf')
    expect(neverOf(short)).not.toContain('stood-up')
  })
  it('lay what is long and bulky on a deck as well, and what no arm is long enough for there alone', () => {
    const roofBox = (deepMm: number, massKg = 22) =>
      thing({ kind: 'board', acrossMm: 2000, deepMm, tallMm: 400, massKg, often: 'seldom' })
    expect(codes(roofBox(600))).toEqual(['on-arms', 'along-ceiling', 'high'])
    expect(codes(roofBox(950))).toEqual(['along-ceiling', 'high'])
    // Two lift it, and no more than half as much again as one does.
    expect(codes(roofBox(950, 31))).toEqual([])
    expect(codes({ ...roofBox(950), often: 'daily' })).toEqual([])
  })
  it('put up high what is light and seldom wanted, and nothing of every day', () => {
    const of = (often: Goods['often'], massKg = 6) =>
      waysToKeep(thing({ often, massKg })).find((w) => w.code === 'high')
    expect([of('seldom')?.score, of('weekly')?.score, of('daily'), of('seldom', 40)]).toEqual([
      2,
      1,
      undefined,
      undefined,
    ])
  })
  it('come the best first, each once, with words for all, and every kind of thing has one', () => {
    for (const kind of GOODS_KINDS) {
      const ways = waysToKeep(thing({ kind }))
      expect(`${kind} ${ways.length > 0}`).toBe(`${kind} true`)
      expect(ways.map((w) => w.score)).toEqual(ways.map((w) => w.score).sort((a, b) => b - a))
      expect(new Set(ways.map((w) => w.code)).size).toBe(ways.length)
      for (const w of ways) expect(WAYS[w.code].length).toBeGreaterThan(5)
      for (const n of neverOf(thing({ kind }))) expect(NEVER[n].length).toBeGreaterThan(5)
    }
  })
  it('every kind of build that proposes itself says what it is for', () => {
    const offered = new Set(
      GOODS_KINDS.flatMap((kind) =>
        [
          { kind, massKg: 1 },
          { kind, massKg: 1, tallMm: 60 },
          { kind, massKg: 1, acrossMm: 800, deepMm: 600 },
        ].flatMap((x) => waysToKeep(thing(x)).flatMap((w) => w.families)),
      ),
    )
    const bySomebody = ['reused-cabinets', 'partition', 'framed-wall', 'corner-bench']
    for (const f of allFamilies()) if (!bySomebody.includes(f.id)) expect([...offered]).toContain(f.id)
  })
})

describe('proposals for a mixed heap', () => {
  it('give no kind what it is nothing for: boards to arms, crates to shelves, and neither to the other', () => {
    const p = freshProject()
    const crate = { ...thing({ count: 4 }), id: 'crate' }
    const boards = { ...plank, id: 'plank', count: 3 }
    p.goods = [crate, boards]
    const goods = p.goods.map((g) => ({ goodsId: g.id, count: g.count }))
    const list = propose(p, 'wall-1', 0, goods, 'n')
    expect(list.length).toBeGreaterThan(1)
    for (const x of list) {
      const ids = x.build.goods.map((g) => g.goodsId)
      expect(ids).toEqual(x.build.family === 'board-rack' ? ['plank'] : ['crate'])
      expect(x.holds + x.leftOut).toBe(7)
    }
  })
})

describe('a way that somebody chose', () => {
  const crate = { ...thing({ count: 4 }), id: 'crate' }
  const familiesFor = (g: Goods) => {
    const p = freshProject()
    p.goods = [g]
    return [...new Set(propose(p, 'wall-1', 0, [{ goodsId: g.id, count: g.count }], 'n').map((x) => x.build.family))]
  }
  it('is as good as the best, and no other will do', () => {
    const closed = { ...crate, keptAs: 'closed' as const }
    expect(familiesFor(crate).length).toBeGreaterThan(1)
    expect(familiesFor(closed)).toEqual(['wall-cabinet'])
    const cabinet = allFamilies().find((f) => f.id === 'wall-cabinet')!
    const rack = allFamilies().find((f) => f.id === 'post-rack')!
    expect(wishedWay(cabinet, closed)).toEqual({ code: 'closed', score: 3 })
    expect(wishedWay(rack, closed)).toBeNull()
    expect(wishedWay(rack, crate)).toEqual(rack.suits(crate))
  })
  it('that no kind offers is offered by none', () => {
    const odd = { ...crate, keptAs: 'by-its-bar' as const }
    expect(allFamilies().every((f) => wishedWay(f, odd) === null)).toBe(true)
    expect(waysToKeep(odd).length).toBeGreaterThan(0)
  })
})
