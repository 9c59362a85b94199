import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../../test-support/near.ts'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import { partMassKg } from '../../assembly/mass.ts'
import { PEG_HOOK } from '../../catalogue/hardware.ts'
import { newGoods, type Goods } from '../../goods/goods.ts'
import { countedKg } from '../../goods/presumed.ts'
import { assumedTool } from '../../goods/tool.ts'
import { inEquilibrium } from '../../loads/load-path.ts'
import { METRIC, newtons } from '../../measure/units.ts'
import type { BuildReading } from '../../project/read-build.ts'
import { sayProblem } from '../../wording/problems.ts'
import { sayIn } from '../../wording/say.ts'
import { exampleContext } from '../example-context.ts'
import type { ShapeContext } from '../family.ts'
import { startingParams, type PegboardParams } from './parameters.ts'
import { pegboard } from './pegboard.ts'

const say = sayIn(METRIC)
const tool = (over: Partial<Goods> = {}): Goods => {
  const size = { acrossMm: 120, deepMm: 50, tallMm: 300 }
  const item = newGoods({ id: 't', name: 'Square', kind: 'tool', count: 6, ...size, massKg: 1, ...over })
  return { ...item, tool: { ...assumedTool(item, 'hook'), assumed: false, hangMm: 0.9 * item.tallMm } }
}
const ctx = (goods: Goods[] = [tool()], over: Partial<ShapeContext['space']> = {}): ShapeContext => {
  const c = exampleContext(
    'metric',
    goods.map((item) => ({ item, count: item.count })),
  )
  return { ...c, space: { ...c.space, ...over } }
}
const read = (p: Partial<PegboardParams> = {}, c = ctx()): BuildReading =>
  readParams(pegboard, { ...startingParams('metric'), ...p }, c)
const problemOf = (p: Partial<PegboardParams> = {}, c = ctx()) =>
  tryParams(pegboard, { ...startingParams('metric'), ...p }, c).problem

describe('tools on a panel', () => {
  const r = read()
  const a = r.shaped.assembly
  it('holds, each tool on a hook of its own, none over another or past its panel', () => {
    expect(r.verdict.state).toBe('holds')
    expect(a.bays).toHaveLength(6)
    const items = a.bays.map((b) => b.items[0].box)
    items.forEach((x, i) =>
      items
        .slice(i + 1)
        .forEach((y) =>
          expect([0, 2].some((k) => x.min[k] >= y.max[k] - 1e-6 || y.min[k] >= x.max[k] - 1e-6)).toBe(true),
        ),
    )
    const panels = a.parts.filter((p) => p.role === 'back').map((p) => r.boxes.get(p.id)!)
    for (const x of items) expect(panels.some((p) => x.min[0] >= p.min[0] && x.max[0] <= p.max[0])).toBe(true)
  })
  it('brings all weight to the studs, and what stands off pulls at the screws of the panel as statics says', () => {
    expect(inEquilibrium(r.service)).toBe(true)
    const onWall = a.supports.filter((s) => s.on.kind === 'wall')
    const sum = (k: number) => onWall.reduce((n, s) => n + (r.service.reactions.get(s.id) ?? 0) * s.push[k], 0)
    expectNear(sum(2), newtons(6 + r.massKg), 1e-6)
    expect(Math.abs(sum(1))).toBeLessThan(1e-6)
    const own = a.supports.filter((s) => 'body' in s.from && s.from.body === 'panel-0-body' && s.push[1] > 0.9)
    const plane = r.boxes.get('panel-0')!.min[1]
    const moment = own.reduce((n, s) => n + (r.service.reactions.get(s.id) ?? 0) * s.contact.min[2], 0)
    const parts = a.parts.filter((p) => p.role === 'back' || p.role === 'hardware')
    const turned =
      a.bays.reduce((n, b) => n + newtons(1) * ((b.items[0].box.min[1] + b.items[0].box.max[1]) / 2 - plane), 0) +
      parts.reduce((n, p) => n + newtons(partMassKg(p)) * (p.at.centre[1] - plane), 0)
    // Goods press on their hooks, whose middles are where they are counted: within a few millimetres of their own.
    expect(Math.abs(Math.abs(moment) - turned)).toBeLessThan(0.15 * turned)
  })
  it('a hook carries what its maker says, and no more', () => {
    const c = checkOf(r, 'ratings:rating')
    expectNear(c.demand!, newtons(1 + PEG_HOOK.massKg) * (r.design.loadsN / r.service.loadsN), 0.05)
    const heavy = read({}, ctx([tool({ massKg: 6 })]))
    expect(checkOf(heavy, 'ratings:rating').state).toBe('fails')
  })
  it('grows by panels, and what is larger than one is left out and said', () => {
    const many = read({}, ctx([tool({ count: 40 })]))
    expect(many.shaped.assembly.parts.filter((p) => p.role === 'back').length).toBeGreaterThan(1)
    const wide = read({}, ctx([tool(), tool({ id: 'w', name: 'Wide', count: 1, acrossMm: 2000 })]))
    expect(wide.shaped.unhoused).toEqual([{ goodsId: 'w', count: 1, why: 'no-place' }])
  })
  it('stands off the wall, on battens no further apart than asked', () => {
    const z = a.stick.map((m) => m.zMm)
    z.slice(1).forEach((v, i) => expect(v - z[i]).toBeLessThanOrEqual(407))
    expect(r.boxes.get('panel-0')!.min[1]).toBe(38)
  })
  it.each([
    ['no room behind it', { battenSection: '18x44mm' }, {}, null, undefined],
    ['a panel larger than its sheet', { panelHighMm: 1300, panelWideMm: 1300 }, {}, 'panel-past-sheet', 'panelHighMm'],
    ['panels past the wall', { panels: 6 }, {}, 'pegboard-past-wall', 'panels'],
    ['one stud', {}, { studsMm: [400] }, 'battens-miss-studs', 'panels'],
    ['an edge above the wall', { lowestMm: 2300 }, {}, 'pegboard-too-high', 'lowestMm'],
    ['a thin wall', {}, { construction: { kind: 'thin' as const } }, 'no-wall-to-hang-on', undefined],
  ])('with %s says so, or holds', (_n, p, over, code, field) => {
    const problem = problemOf(p as Partial<PegboardParams>, ctx([tool()], over))
    if (code === null) return expect(problem).toBeNull()
    expect([problem!.code, problem!.field]).toEqual([code, field])
    expect(sayProblem(problem!, say)).toMatch(/^[A-Z].*\.$/)
  })
})

describe('a panel narrower than two studs are apart', () => {
  it('has another beside it, and says why', () => {
    const c = ctx([tool()], { studsMm: [600, 1350, 2100] })
    const r = read({}, c)
    const panels = r.shaped.dims.find((d) => d.path === 'panels')!
    expect([panels.value, panels.why.code]).toEqual([2, 'panels-studs'])
    expect(r.verdict.state).toBe('holds')
    // Somebody who wants one is told.
    expect(problemOf({ panels: 1 }, c)?.code).toBe('battens-miss-studs')
  })
})

describe('a long tool', () => {
  it('has a panel as high as a sheet is wide', () => {
    const r = read({}, ctx([tool({ tallMm: 900, count: 2 })]))
    const high = r.shaped.dims.find((d) => d.path === 'panelHighMm')!
    expect(high.why.code).toBe('panel-long')
    expect(high.value).toBeGreaterThan(1200)
    expect(r.shaped.unhoused).toEqual([])
    expect(r.verdict.state).toBe('holds')
  })
  it('longer than a panel hangs past its lower edge, over the floor, with nothing under it', () => {
    const broom = tool({ id: 'broom', name: 'Broom', tallMm: 1500, acrossMm: 300, count: 3 })
    const r = read({}, ctx([broom, tool({ count: 2 })]))
    expect(r.shaped.unhoused).toEqual([])
    expect(r.verdict.state).toBe('holds')
    const lowest = r.shaped.dims.find((d) => d.path === 'lowestMm')!
    const { bays, parts } = r.shaped.assembly
    const brooms = bays.filter((b) => b.items[0].goodsId === 'broom').map((b) => b.items[0].box)
    expect(brooms).toHaveLength(3)
    for (const b of brooms) {
      expect(b.min[2]).toBeLessThan(lowest.value)
      expect(b.min[2]).toBeGreaterThanOrEqual(50)
      const under = bays.filter((x) => x.items[0].goodsId !== 'broom').map((x) => x.items[0].box)
      for (const x of under) expect(x.max[0] <= b.min[0] || x.min[0] >= b.max[0]).toBe(true)
    }
    // Each hook is on a panel.
    const panels = parts.filter((p) => p.role === 'back').map((p) => r.boxes.get(p.id)!)
    for (const p of parts.filter((x) => x.role === 'hardware')) {
      const { centre } = p.at
      expect(panels.some((b) => centre[2] > b.min[2] && centre[2] < b.max[2])).toBe(true)
    }
  })
  it('so long that it would stand on the floor has no place; the panel goes up for what just does not', () => {
    const with900 = { panelHighMm: 900 }
    const long = (tallMm: number) => read(with900, ctx([tool(), tool({ id: 'l', name: 'Long', tallMm, count: 1 })]))
    const lowestOf = (r: ReturnType<typeof long>) => r.shaped.dims.find((d) => d.path === 'lowestMm')!
    expect(lowestOf(long(1500)).why.code).toBe('panel-at-hand')
    // Beyond what is over the floor with its middle at the shoulder.
    const r = long(1850)
    expect(r.shaped.unhoused).toEqual([])
    expect(lowestOf(r).why.code).toBe('panel-over-floor')
    expect(Math.min(...r.shaped.assembly.bays.map((b) => b.clear.min[2]))).toBeGreaterThanOrEqual(50)
    expect(long(2300).shaped.unhoused).toEqual([{ goodsId: 'l', count: 1, why: 'no-place' }])
    // At no length between it is refused whole, or ends in the floor.
    for (let mm = 1700; mm <= 2000; mm += 7)
      expect(Math.min(...long(mm).shaped.assembly.bays.map((b) => b.clear.min[2]))).toBeGreaterThanOrEqual(50)
    // Said to hang lower, it takes no more than ends over the floor.
    const low = read({ lowestMm: 300 }, ctx([tool(), tool({ id: 'l', name: 'Long', tallMm: 1500, count: 1 })]))
    expect(low.shaped.unhoused).toEqual([{ goodsId: 'l', count: 1, why: 'no-place' }])
  })
})

describe('what goes on a pegboard', () => {
  const kg = (massKg: number | null, over: Partial<Goods> = {}) => tool({ massKg, ...over })
  it('is a tool of three kilograms at most; what is heavier is none for a hook in a hole', () => {
    expect(pegboard.suits(kg(3))).not.toBeNull()
    expect(pegboard.suits(kg(3.01))).toBeNull()
    expect(pegboard.suits({ ...kg(1), tool: null })).toBeNull()
    expect(pegboard.propose(ctx([kg(2)]))).toEqual([startingParams('metric')])
    expect(pegboard.propose(ctx([kg(2), kg(3.5, { id: 'heavy' })]))).toEqual([])
  })
  it('counts for its size what nobody weighed, and is then not proven', () => {
    const small = kg(null)
    expect(countedKg(small)).toBeLessThanOrEqual(3)
    expect(pegboard.suits(small)).not.toBeNull()
    expect(read({}, ctx([small])).verdict.state).toBe('unknown')
    expect(pegboard.suits(kg(null, { acrossMm: 500, deepMm: 400, tallMm: 500 }))).toBeNull()
  })
})
