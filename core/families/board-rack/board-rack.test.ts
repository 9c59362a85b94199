import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../../test-support/near.ts'
import { checkOf, readParams, tryParams } from '../../../test-support/read-params.ts'
import type { CheckContext } from '../../checks/check.ts'
import { lying } from '../../checks/lying.ts'
import { partMassKg } from '../../assembly/mass.ts'
import { netSection } from '../../assembly/net-section.ts'
import { newGoods, type Goods } from '../../goods/goods.ts'
import { inEquilibrium } from '../../loads/load-path.ts'
import { METRIC, newtons } from '../../measure/units.ts'
import type { BuildReading } from '../../project/read-build.ts'
import { safeLoads } from '../../project/safe-load.ts'
import { sayProblem } from '../../wording/problems.ts'
import { sayIn } from '../../wording/say.ts'
import { exampleContext } from '../example-context.ts'
import type { ShapeContext } from '../family.ts'
import { boardRack } from './board-rack.ts'
import { startingParams, type BoardRackParams } from './parameters.ts'
import { spread, stacked } from '../../blocks/arms/stacking.ts'

const say = sayIn(METRIC)
const board = (over: Partial<Goods> = {}): Goods =>
  newGoods({
    ...{ id: 'b', name: 'Board', kind: 'board', count: 6, acrossMm: 3000, deepMm: 140, tallMm: 30, massKg: 6 },
    ...over,
  })
const ctx = (goods: Goods[] = [board()], over: Partial<ShapeContext['space']> = {}): ShapeContext => {
  const c = exampleContext(
    'metric',
    goods.map((item) => ({ item, count: item.count })),
  )
  return { ...c, space: { ...c.space, ...over } }
}
const read = (p: Partial<BoardRackParams> = {}, c = ctx()): BuildReading =>
  readParams(boardRack, { ...startingParams('metric'), ...p }, c)
const problemOf = (p: Partial<BoardRackParams> = {}, c = ctx()) =>
  tryParams(boardRack, { ...startingParams('metric'), ...p }, c).problem

describe('boards on arms', () => {
  const r = read()
  const a = r.shaped.assembly
  it('holds; uprights on studs, an arm of each level in every one of them', () => {
    expect(r.verdict.state).toBe('holds')
    const posts = a.parts.filter((p) => p.role === 'post')
    for (const p of posts) expect(r.space.studsMm.some((s) => Math.abs(s - p.at.centre[0]) < 1e-9)).toBe(true)
    expect(a.parts.filter((p) => p.role === 'arm')).toHaveLength(posts.length * a.bays.length)
    for (const x of a.anchors) expect(r.space.studsMm.some((s) => Math.abs(s - x.at[0]) < 1e-9)).toBe(true)
  })
  it('reaches past its outer uprights by half their distance at most, and lies on two at least', () => {
    const posts = a.parts.filter((p) => p.role === 'post').map((p) => p.at.centre[0])
    const [item] = a.bays[0].items
    const past = Math.min(...posts) - item.box.min[0]
    expect(past).toBeLessThanOrEqual((posts[1] - posts[0]) / 2 + 60 + 1e-6)
    expect(posts.filter((x) => x > item.box.min[0] && x < item.box.max[0]).length).toBeGreaterThanOrEqual(2)
  })
  it('judges an arm with half of all on its level, by hand: M = W/2·e, σ = M / W', () => {
    const c = checkOf(r, 'tubes:tube')
    expect(c.data.arranged).toBe('on-two')
    const tube = a.parts.find((p) => p.role === 'arm')!
    const face = r.boxes.get('upright-0')!.max[1]
    const tilt = Math.asin(tube.at.along[2])
    const half = newtons(6 * 6) / 2
    // Drawn to the ends of the arms.
    const by = a.bays[0].clear.max[1] - Math.max(...a.bays[0].items.map((i) => i.box.max[1]))
    const mid = (i: (typeof a.bays)[number]['items'][number]) => (i.box.min[1] + i.box.max[1]) / 2 - face + by
    const e = a.bays[0].items.reduce((s, i) => s + mid(i), 0) / a.bays[0].items.length
    const self = newtons(partMassKg(tube))
    // At the first support, a sixth of the hole behind the face.
    const inside = (58 / Math.cos(tilt) / 6) * Math.cos(tilt)
    const m = half * (e + inside) + self * (tube.at.centre[1] - face + inside)
    const modulus = (Math.PI * (26.9 ** 4 - 21.7 ** 4)) / (32 * 26.9)
    const factor = r.design.loadsN / r.service.loadsN
    expectNear(c.demand!, (factor * m) / modulus, 0.03)
    expectNear(c.capacity!, 195, 1e-9)
  })
  it('counts what pulls an arm along itself, for it rises: N / A beside M / W', () => {
    const c = checkOf(r, 'tubes:tube')
    const [m, n] = ['M', 'N'].map((symbol) => c.working!.inputs.find((i) => i.symbol === symbol)!.value)
    expect(n).toBeGreaterThan(1)
    const [outer, inner] = [26.9, 21.7]
    const bent = (32 * m * outer) / (Math.PI * (outer ** 4 - inner ** 4))
    expectNear(c.demand!, bent + (4 * n) / (Math.PI * (outer ** 2 - inner ** 2)), 1e-9)
  })
  it('arrives at the studs whole, pull and weight', () => {
    expect(inEquilibrium(r.service)).toBe(true)
    const up = a.supports
      .filter((s) => s.on.kind === 'wall' && s.push[2] > 0.9)
      .reduce((n, s) => n + (r.service.reactions.get(s.id) ?? 0), 0)
    expectNear(up, newtons(36 + r.massKg), 1e-6)
  })
  it('takes what is bored out of an upright off its section', () => {
    const net = netSection(a.parts.find((p) => p.role === 'post')!)
    expect(net.flat).toBeLessThan(0.75)
    expectNear(net.area, 1 - (26.9 * 58) / 4900, 1e-9)
  })
  it('a heavy load bends its arms, and a lever mends it', () => {
    const c = ctx([board({ count: 24, tallMm: 40, massKg: 22 })])
    const heavy = read({ armMm: 600, tube: 'tube-21.3x2.6' }, c)
    expect(checkOf(heavy, 'tubes:tube').state).toBe('fails')
    const levers = boardRack.levers({ ...startingParams('metric'), armMm: 600, tube: 'tube-21.3x2.6' }, c)
    expect(levers.map((l) => l.code)).toEqual(expect.arrayContaining(['arm-tube', 'arms-shorter', 'more-levels']))
    const thick = read({ armMm: 600, tube: 'tube-33.7x3.2' }, c)
    expect(checkOf(thick, 'tubes:tube').ratio!).toBeLessThan(checkOf(heavy, 'tubes:tube').ratio!)
  })
  it('says when boards take a bend: 5·w·L⁴ / 384·EI over the years', () => {
    const thin = board({ tallMm: 8, massKg: 1.5 })
    const bent = read({ apartMm: 1600 }, ctx([thin], { studsMm: [800, 1200, 2400, 2800, 4000] }))
    const c = checkOf(bent, 'lying:b')
    expect(c.state).toBe('fails')
    const posts = bent.shaped.assembly.parts.filter((p) => p.role === 'post').map((p) => p.at.centre[0])
    const L = posts[1] - posts[0]
    const w = newtons(1.5) / 3000
    expectNear(c.demand!, (2 * 5 * w * L ** 4) / (384 * 8000 * ((140 * 8 ** 3) / 12)), 1e-6)
    expect(checkOf(read({ apartMm: 400 }, ctx([thin])), 'lying:b').state).toBe('holds')
  })
  it('lays what is short over two arms: on every stud where they would be too far apart else', () => {
    const short = (acrossMm: number) => ctx([board(), board({ id: 'short', acrossMm, count: 2 })])
    for (const mm of [560, 700, 900, 1100]) {
      const r = read({}, short(mm))
      const posts = r.shaped.assembly.parts.filter((p) => p.role === 'post').map((p) => p.at.centre[0])
      const own = r.shaped.assembly.bays.flatMap((b) => b.items).filter((i) => i.goodsId === 'short')
      expect(own).toHaveLength(2)
      for (const { box } of own)
        expect(posts.filter((x) => x > box.min[0] + 59 && x < box.max[0] - 59).length).toBeGreaterThan(1)
      expect(r.verdict.state).toBe('holds')
    }
    const fixed = read({ apartMm: 813 }, short(700))
    expect(fixed.shaped.unhoused).toEqual([{ goodsId: 'short', count: 2, why: 'too-short-for-arms' }])
    expect(fixed.shaped.assembly.bays.flatMap((b) => b.items).some((i) => i.goodsId === 'short')).toBe(false)
  })
  it('lays nothing past the corner to have it on two of few uprights', () => {
    const few = read({ uprights: 2, apartMm: 400 }, ctx([board(), board({ id: 'short', acrossMm: 900, count: 2 })]))
    expect(few.shaped.unhoused).toEqual([{ goodsId: 'b', count: 6, why: 'no-place' }])
    const items = few.shaped.assembly.bays.flatMap((b) => b.items)
    expect(items.map((i) => i.goodsId)).toEqual(['short', 'short'])
    expect(Math.min(...items.map((i) => i.box.min[0]))).toBeGreaterThanOrEqual(0)
  })
  it('never says that what lies on one arm, or on none, stays there', () => {
    const { carried, boxes, goods } = read()
    const asked = (by: number) => {
      const bays = carried.bays.map((b) => ({
        ...b,
        items: b.items.map((i) => ({
          ...i,
          box: {
            min: [i.box.min[0] + by, i.box.min[1], i.box.min[2]] as [number, number, number],
            max: [i.box.max[0] + by, i.box.max[1], i.box.max[2]] as [number, number, number],
          },
        })),
      }))
      return lying.run({ assembly: { ...carried, bays }, boxes, goods } as never as CheckContext).map((c) => c.code)
    }
    expect(asked(0)).toEqual(['lying'])
    // Its middle past the last arm; past all of them.
    for (const by of [1900, 5000]) expect(asked(by)).toContain('lying-off')
  })
  it('conduit is counted with an assumed strength, and says so', () => {
    const c = exampleContext('imperial', [{ item: board(), count: 6 }])
    const conduit = readParams(boardRack, { ...startingParams('imperial'), tube: 'conduit-3/4' }, c)
    const t = checkOf(conduit, 'tubes:tube')
    expectNear(t.capacity!, 200 / 1.67, 1e-9)
    expect(t.data.assumed).toBe(1)
  })
  it('is labelled with what two of its arms carry, however many there are', () => {
    const settings = ctx().settings
    const four = safeLoads({ settings }, read())[0]
    const seven = safeLoads({ settings }, read({ apartMm: 400 }))[0]
    expect(four.spreadKg).toBeGreaterThan(36)
    // More arms beside them bear nothing of it; only the pair moves along the uprights.
    expect(Math.abs(seven.spreadKg - four.spreadKg)).toBeLessThan(0.1 * four.spreadKg)
  })
  it('leaves sheets room below: the lowest arms over the tallest', () => {
    const sheet = newGoods({
      id: 's',
      name: 'Sheet',
      kind: 'sheet',
      count: 3,
      acrossMm: 2440,
      deepMm: 18,
      tallMm: 1220,
      massKg: 29,
    })
    const over = read({}, ctx([board(), sheet]))
    const lowest = Math.min(
      ...over.shaped.assembly.parts.filter((p) => p.role === 'arm').map((p) => over.boxes.get(p.id)!.min[2]),
    )
    expect(lowest).toBeGreaterThan(1220)
    const bay = over.shaped.assembly.bays.find((b) => b.id === 'sheets')!
    expect(bay.items).toHaveLength(3)
    expect(bay.carriers).toEqual([])
    expect(over.verdict.state).toBe('holds')
  })
  const box = newGoods({
    id: 'x',
    name: 'Box',
    kind: 'box',
    count: 1,
    acrossMm: 400,
    deepMm: 300,
    tallMm: 300,
    massKg: 5,
  })
  it.each([
    ['nothing long', {}, [box], {}, 'no-boards', undefined],
    [
      'an arm as thick as its upright',
      { uprightSection: '47x100mm', tube: 'tube-33.7x3.2' },
      [board()],
      {},
      'arm-too-thick',
      'tube',
    ],
    ['one stud', {}, [board()], { studsMm: [900] }, 'too-few-uprights', 'apartMm'],
    ['a board longer than its wall', {}, [board({ acrossMm: 5900 })], { lengthMm: 5000 }, 'rack-past-wall', 'uprights'],
    ['a passage in front of it', {}, [board()], { depthMm: 300 }, 'arm-too-deep', 'armMm'],
    ['levels above the wall', { levels: 9 }, [board()], {}, 'levels-too-high', 'levels'],
    ['a thin wall', {}, [board()], { construction: { kind: 'thin' as const } }, 'no-wall-to-hang-on', undefined],
  ])('with %s says so', (_n, p, goods, over, code, field) => {
    const problem = problemOf(p as Partial<BoardRackParams>, ctx(goods, over))!
    expect([problem.code, problem.field]).toEqual([code, field])
    expect(sayProblem(problem, say)).toMatch(/^[A-Z].*\.$/)
  })
  it('leaves what is thick itself its height: a kayak, a roof box', () => {
    const kayak = board({ id: 'k', count: 1, acrossMm: 3200, deepMm: 650, tallMm: 380, massKg: 24 })
    const box = board({ id: 'r', count: 1, acrossMm: 2000, deepMm: 600, tallMm: 400, massKg: 20 })
    for (const item of [kayak, box]) {
      const r2 = read({}, ctx([item], { depthMm: 900 }))
      expect(r2.shaped.unhoused).toEqual([])
      const [placed] = r2.shaped.assembly.bays.flatMap((b) => b.items)
      const [bay] = r2.shaped.assembly.bays
      expect(placed.box.max[2]).toBeLessThanOrEqual(bay.clear.max[2])
    }
  })
  it('keeps its usual rise where more levels keep more than one high thing would', () => {
    const many = board({ id: 'm', count: 200, tallMm: 60 })
    const thick = board({ id: 't', count: 1, acrossMm: 2000, deepMm: 400, tallMm: 700 })
    const left = (goods: Goods[]) => read({}, ctx(goods, { depthMm: 900 })).shaped.unhoused
    const count = (goods: Goods[], id: string) => left(goods).reduce((n, u) => n + (u.goodsId === id ? u.count : 0), 0)
    // More boards than it takes: the thick thing costs them one place at most, and by itself it has one.
    expect(count([many, thick], 'm')).toBeLessThanOrEqual(count([many], 'm') + 1)
    expect(count([thick], 't')).toBe(0)
  })
  it('lays a ladder on its long edge, on arms of the usual length, with nothing piled on it', () => {
    const ladder = board({ id: 'l', name: 'Ladder', count: 2, deepMm: 450, tallMm: 180, massKg: 14 })
    const r = read({}, ctx([ladder, board()], { depthMm: 500 }))
    expect(r.shaped.unhoused).toEqual([])
    expect(r.verdict.state).toBe('holds')
    const all = r.shaped.assembly.bays.flatMap((b) => b.items)
    for (const { box } of all.filter((x) => x.goodsId === 'l')) {
      expect([box.max[1] - box.min[1], box.max[2] - box.min[2]]).toEqual([180, 450].map((mm) => expect.closeTo(mm, 6)))
      const over = all.filter((x) => x.box.min[2] > box.min[2] + 1 && x.box.min[2] < box.max[2] + 1)
      expect(over).toEqual([])
    }
    expect(checkOf(r, 'contents-fit:on-side:l').data).toMatchObject({ goods: 'Ladder', count: 2 })
    expect(r.shaped.dims.find((d) => d.path === 'armMm')!.why.code).toBe('arms-usual')
    // Where the levels are said to be closer than that it lies flat.
    const flat = read({ riseMm: 400 }, ctx([{ ...ladder, count: 1 }]))
    const [only] = flat.shaped.assembly.bays[0].items
    expect(only.box.max[1] - only.box.min[1]).toBeCloseTo(450, 6)
    expect(flat.checks.some((c) => c.id.startsWith('contents-fit:on-side'))).toBe(false)
  })
  it('tells what is no board, and keeps the rest', () => {
    const r2 = read({}, ctx([board(), box]))
    expect(r2.shaped.unhoused).toEqual([{ goodsId: 'x', count: 1, why: 'no-board' }])
  })
})

describe('stacks', () => {
  const list = [
    { item: board({ id: 'light', massKg: 1, count: 9 }), count: 9 },
    { item: board({ id: 'heavy', massKg: 12, count: 5 }), count: 5 },
  ]
  it('lose none: what is laid and what is left is what there is, heaviest lowest', () => {
    const { levels, left } = stacked(list, 100, 320, 8)
    const laid = levels.flatMap((l) => l.stacks).reduce((n, s) => n + s.count, 0)
    expect(laid + [...left.values()].reduce((n, v) => n + v, 0)).toBe(14)
    expect(levels[0].stacks[0].item.id).toBe('heavy')
    for (const s of levels.flatMap((l) => l.stacks)) expect(s.count * s.item.tallMm).toBeLessThanOrEqual(100)
  })
  it('spread over more levels are lower, and no more is left over', () => {
    const full = stacked(list, 200, 320, 2)
    const wide = spread(list, 200, 320, 4)
    const highest = (x: typeof full) =>
      Math.max(...x.levels.flatMap((l) => l.stacks.map((s) => s.count * s.item.tallMm)))
    expect(highest(wide)).toBeLessThan(highest(full))
    expect(wide.left.size).toBe(0)
    expect(wide.levels.length).toBeLessThanOrEqual(4)
  })
  it('pile nothing on what is much higher than wide', () => {
    const on = (tallMm: number) => stacked([{ item: board({ deepMm: 150, tallMm }), count: 3 }], 1500, 500, 1).levels[0]
    expect(on(300).stacks.map((x) => x.count)).toEqual([3])
    expect(on(301).stacks.map((x) => x.count)).toEqual([1, 1, 1])
  })
})
