import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../../test-support/near.ts'
import { readParams, tryParams } from '../../../test-support/read-params.ts'
import { withMoved } from '../../assembly/moved.ts'
import { partBox } from '../../assembly/part-box.ts'
import { misplaced } from '../../assembly/sound.ts'
import { validateAssembly } from '../../assembly/validate.ts'
import { usableFaces } from '../../checks/usable-faces.ts'
import { METRIC } from '../../measure/units.ts'
import { sayProblem } from '../../wording/problems.ts'
import { sayIn } from '../../wording/say.ts'
import { exampleContext, exampleGoods, handTools, smallTins } from '../example-context.ts'
import { findFamily } from '../registry.ts'
import { startingParams, type ShelfUnitParams } from './parameters.ts'
import { shelfUnit } from './shelf-unit.ts'

const say = sayIn(METRIC)
const boxes = exampleGoods('metric', 'box', 4)
const given = (over: Partial<ShelfUnitParams>): ShelfUnitParams => ({ ...startingParams('metric', true), ...over })
const ctx = (goods: Parameters<typeof exampleContext>[1]) => exampleContext('metric', goods)
const dimOf = (r: ReturnType<typeof readParams>, path: string) => r.shaped.dims.find((d) => d.path === path)!.value

describe('a shelf unit behind leaves that are boxes', () => {
  const goods = ctx([boxes, smallTins('metric')])
  const read = (over: Partial<ShelfUnitParams> = {}) =>
    readParams(shelfUnit, given({ front: 'deep-doors', bays: 1, ...over }), goods)
  const r = read()
  const a = r.shaped.assembly
  const swings = a.motions.flatMap((m) => (m.kind === 'swing' ? [m] : []))
  it('holds, small things in the leaves and the others behind them', () => {
    expect([...validateAssembly(a), ...misplaced(a)]).toEqual([])
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
    expect(r.shaped.unhoused).toEqual([])
    const inside = (code: string) => a.bays.filter((b) => b.name.code === code).flatMap((b) => b.items)
    expect(new Set(inside('tier').map((i) => i.goodsId))).toEqual(new Set(['tins-metric']))
    expect(inside('tier')).toHaveLength(8)
    expect(inside('shelf')).toHaveLength(4)
  })
  it('stands off the floor with its leaves, which end with its uprights and turn beside it', () => {
    const leaf = r.boxes.get('leaf-0-stile-0')!
    expectNear(leaf.min[2], 15, 1e-9)
    expectNear(leaf.max[2], r.boxes.get('upright-0')!.max[2], 1e-9)
    const open = withMoved(a, swings).find((p) => p.id === 'leaf-0-face')!
    const deep = leaf.max[1] - leaf.min[1]
    expectNear(partBox(open).max[0], r.boxes.get('upright-0')!.min[0] - deep, 1e-6)
    // Flat hinges on its sides are no nearer to what stands beside it than it begins.
    expect(Math.min(...[...r.boxes.values()].map((b) => b.min[0]))).toBeGreaterThan(-1e-9)
  })
  it('is as high as its leaves ask, and as deep in front of the wall as leaf, face and shelves together', () => {
    const six = read({ tiers: 6 })
    expect(six.boxes.get('upright-0')!.max[2]).toBeGreaterThan(r.boxes.get('upright-0')!.max[2])
    const front = Math.max(...[...r.boxes.values()].map((b) => b.max[1]))
    expectNear(front, 6 + dimOf(r, 'depthMm') + dimOf(r, 'leafMm') + 6, 1e-6)
    expect(front).toBeLessThan(goods.space.depthMm)
  })
  it('empty behind its leaves, loaded in them, it is told that it tips', () => {
    const loose = given({ front: 'deep-doors', bays: 1, tie: false, feet: 'standing' })
    const tips = (g: typeof goods) => readParams(shelfUnit, loose, g).checks.find((c) => c.check === 'tip-over')!
    expect(tips(ctx(handTools('metric')))).toMatchObject({ state: 'fails' })
    expect(tips(goods).ratio!).toBeLessThan(tips(ctx(handTools('metric'))).ratio!)
  })
  it('says where its tiers cannot be', () => {
    const { problem } = tryParams(shelfUnit, given({ front: 'deep-doors', tiers: 2, tierMm: [2000] }), goods)
    expect(problem).toMatchObject({ code: 'tier-over-leaf', field: 'tiers' })
    const high = tryParams(shelfUnit, given({ front: 'deep-doors', abovePlayMm: 590, tiers: 6 }), goods)
    expect(high.problem).toMatchObject({ code: 'shelf-above-sheet', field: 'tiers' })
  })
})

describe('a shelf unit with leaves on pins', () => {
  const goods = ctx([...handTools('metric'), boxes])
  const given4 = (over: Partial<ShelfUnitParams> = {}) => given({ front: 'pivots', clearMm: 900, leaves: 4, ...over })
  const r = readParams(shelfUnit, given4(), goods)
  const a = r.shaped.assembly
  it('holds: tools on its leaves, the rest on its shelves, the leaves between the lowest and the highest', () => {
    expect([...validateAssembly(a), ...misplaced(a)]).toEqual([])
    expect(r.verdict).toMatchObject({ fails: 0, unknown: 0 })
    const last = dimOf(r, 'shelves') - 1
    const leaf = r.boxes.get('leaf-left-0')!
    expect(leaf.min[2]).toBeGreaterThan(r.boxes.get('shelf-0-0')!.max[2])
    expect(leaf.max[2]).toBeLessThan(r.boxes.get(`shelf-0-${last}`)!.min[2])
    expect(leaf.max[2] - leaf.min[2]).toBeGreaterThan(dimOf(r, 'leafHighMm') - 1e-6)
    expect(a.bays.filter((b) => b.holds === 'hung').flatMap((b) => b.items)).toHaveLength(29)
  })
  it('what is between the lowest and the highest shelf is behind the leaves', () => {
    const three = readParams(shelfUnit, given4({ shelves: 3 }), goods)
    const [low, mid, top] = [0, 1, 2].map((i) => three.boxes.get(`shelf-0-${i}`)!)
    expect(low.max[1]).toBe(top.max[1])
    const back = Math.min(...three.shaped.assembly.parts.filter((p) => p.role === 'door').map((p) => partBox(p).min[1]))
    expect(mid.max[1]).toBeLessThan(back)
  })
  it('counts what can be hung by the same rule as every cabinet: both faces of each leaf', () => {
    const leaves = a.parts.filter((p) => p.role === 'door')
    const faces = leaves.reduce((mm2, p) => mm2 + 2 * p.size.lengthMm * p.size.widthMm, 0)
    const { areaMm2 } = usableFaces(a, r.boxes)
    const back = a.parts.find((p) => p.role === 'back')!
    expectNear(areaMm2, faces + back.size.lengthMm * back.size.widthMm, 1e-6)
  })
  it('without a thing on them their corners still turn clear of what is behind', () => {
    const empty = readParams(shelfUnit, given4({ leaves: 2 }), ctx([boxes]))
    expect(empty.checks.filter((c) => c.check === 'own-sweep').every((c) => c.state === 'holds')).toBe(true)
  })
  it('on cleats its highest shelf lies on them with two thirds of its depth', () => {
    const cleated = readParams(shelfUnit, given4({ hold: 'cleats', leaves: 2 }), ctx(handTools('metric')))
    expect(cleated.verdict).toMatchObject({ unknown: 0 })
    const [cleat, top] = [cleated.boxes.get('cleat-left-0-1')!, cleated.boxes.get('shelf-0-1')!]
    expect((cleat.max[1] - cleat.min[1]) / (top.max[1] - top.min[1])).toBeGreaterThan(0.66)
  })
  it('refuses what leaves on pins cannot be in, in words', () => {
    const of = (over: Partial<ShelfUnitParams>) => tryParams(shelfUnit, given4(over), goods).problem!
    expect(of({ bays: 2 })).toMatchObject({ code: 'leaves-one-opening', field: 'bays' })
    expect(of({ shelves: 1 })).toMatchObject({ code: 'leaves-one-shelf', field: 'front' })
    expect(of({ shelves: 2, topMm: [null, 500] })).toMatchObject({ code: 'leaves-too-high', field: 'topMm.1' })
    for (const p of [of({ bays: 2 }), of({ shelves: 1 }), of({ shelves: 2, topMm: [null, 500] })])
      expect(sayProblem(p, say)).toMatch(/^[A-Z].*\.$/)
  })
  it('an older file has neither', () => {
    const added = ['leafMm', 'tiers', 'tierMm', 'leaves', 'apartMm', 'leafHighMm']
    const old = Object.fromEntries(Object.entries(given({})).filter(([k]) => !added.includes(k)))
    expect(findFamily('shelf-unit')!.upgrade(old, 4)).toEqual(given({}))
  })
})
