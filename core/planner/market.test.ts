import { describe, expect, it } from '@jest/globals'
import { newGoods } from '../goods/goods.ts'
import { newProject, type Project } from '../project/project.ts'
import { readingsOf } from '../project/read-build.ts'
import { readBuilds } from '../project/read-builds.ts'
import { NO_WISHES } from '../project/wishes.ts'
import { newFeature, type Feature } from '../room/features.ts'
import { wantsIn, whyHomeless } from './help.ts'
import { RoomMarket } from './market.ts'
import { howMany, type Offer } from './offer.ts'

const WALL_MM = 6000
const thing = (kind: Feature['kind'], id: string, atMm: number, more: Partial<Feature> = {}): Feature => ({
  ...newFeature({ id, kind, wallId: 'n', atMm }),
  ...more,
})
const boxes = (count: number) =>
  newGoods({ id: 'box', name: 'box', kind: 'box', count, acrossMm: 330, deepMm: 430, tallMm: 165, massKg: 5 })

/** One long wall with some things along it, and three others at which nothing may be. */
function room(features: Feature[], count = 12): { p: Project; market: RoomMarket } {
  const p = newProject('p', 'p', 'metric', '2026-01-01T00:00:00.000Z')
  const [first] = p.room.walls
  const wall = (id: string, lengthMm: number) => ({ ...first, id, name: id, lengthMm, depthMm: 900 })
  const walls = [wall('n', WALL_MM), wall('e', 5000), wall('s', WALL_MM), wall('w', 5000)]
  const project = { ...p, goods: [boxes(count)], room: { ...p.room, closed: true, walls, features } }
  return { p: project, market: new RoomMarket(project, { ...NO_WISHES, keepFree: ['e', 's', 'w'] }) }
}
const offered = ({ market }: { market: RoomMarket }, kind: string, count = 12): Offer | null =>
  market.offer(kind, 'n', [{ goodsId: 'box', count }], [])
const [from, to] = [(o: Offer) => Math.min(...o.body.points.map((p) => p[0])), (o: Offer) => Math.max(...o.body.points.map((p) => p[0]))] // prettier-ignore
const failing = (p: Project, o: Offer) =>
  readingsOf(readBuilds({ ...p, builds: [o.build] }))[0].checks.filter((c) => c.state === 'fails' && c.link === 'room')

describe('what can be had at a wall', () => {
  it('is found behind many things too: the stretch that is free is looked at first', () => {
    // Seven narrow cupboards, a hand's width between each two, and two metres free behind them.
    const full = Array.from({ length: 7 }, (_, i) =>
      thing('other', `c${i}`, i * 570, { wideMm: 450, deepMm: 500, highMm: 1900 }),
    )
    const there = room(full)
    const o = offered(there, 'post-rack')!
    expect(o.build.offsetMm).toBeGreaterThanOrEqual(6 * 570 + 450)
    expect(to(o)).toBeLessThanOrEqual(WALL_MM + 1)
    expect(failing(there.p, o)).toEqual([])
  })
  it('is nothing before a door that rolls up, nor beside it where it would reach before it', () => {
    const door = thing('sectional-door', 'd', 1500, { wideMm: 3000, highMm: 2100 })
    for (const kind of ['post-rack', 'shelf-unit', 'ledger-shelf']) {
      const o = offered(room([door]), kind)
      if (o) expect(to(o) <= 1500 || from(o) >= 4500).toBe(true)
    }
    expect(offered(room([{ ...door, atMm: 100, wideMm: 5800 }]), 'post-rack')).toBeNull()
  })
  it('stands behind a car that is parked near its wall, less deep, and stays so', () => {
    const car = thing('car', 'car', 0, { outMm: 600, wideMm: WALL_MM, deepMm: 1900, highMm: 1500 })
    const there = room([car], 20)
    const free = offered(room([], 20), 'shelf-unit', 20)!
    const o = offered(there, 'shelf-unit', 20)!
    expect(Math.max(...o.body.points.map((p) => Math.abs(p[1])))).toBeLessThan(
      Math.max(...free.body.points.map((p) => Math.abs(p[1]))),
    )
    expect(o.build.params.depthMm).toEqual(expect.any(Number))
    expect(failing(there.p, o)).toEqual([])
    // Where nothing is before it, its depth is its own to find.
    expect(free.build.params.depthMm).toBeNull()
  })
  it('is makeshift for what is spoilt in the open, where it has no front', () => {
    const { p } = room([])
    const dusty = { ...p, goods: p.goods.map((g) => ({ ...g, care: ['dust' as const] })) }
    const market = new RoomMarket(dusty, { ...NO_WISHES, keepFree: ['e', 's', 'w'] })
    const [closed, open] = ['shelf-unit', 'ledger-shelf'].map((kind) => offered({ market }, kind)!)
    expect([howMany(closed.lessWell), howMany(open.lessWell)]).toEqual([0, 12])
    expect(new Set(open.lessWell.map((x) => `${x.goodsId} ${x.why}`))).toEqual(new Set(['box open']))
    expect(offered({ market: new RoomMarket(p, NO_WISHES) }, 'ledger-shelf')!.lessWell).toEqual([])
  })
  it('keeps what burns apart from what is charged, in one build and in two', () => {
    const outlet = thing('outlet', 'o', 1000)
    const { p } = room([outlet])
    const named = (id: string, care: 'aerosol' | 'charging') => ({
      ...p.goods[0],
      id,
      name: id,
      count: 1,
      care: [care],
    })
    const goods = [named('can', 'aerosol'), named('charger', 'charging')]
    const market = new RoomMarket({ ...p, goods }, { ...NO_WISHES, keepFree: ['e', 's', 'w'] })
    const kept = (id: string, others: Offer[] = []) =>
      market.offer('ledger-shelf', 'n', [{ goodsId: id, count: 1 }], others)
    expect(market.offer('ledger-shelf', 'n', goods.map((g) => ({ goodsId: g.id, count: 1 })), [])).toBeNull() // prettier-ignore
    const charger = kept('charger')!
    // By itself it would stand where the charger does; beside that it is half a metre away.
    expect(kept('can')!.build.offsetMm).toBe(charger.build.offsetMm)
    const can = kept('can', [charger])!
    const apart = Math.max(from(can) - to(charger), from(charger) - to(can))
    const [c, d] = [can, charger].map((o) => o.asking[0].body)
    expect(Math.hypot(...[0, 1, 2].map((k) => Math.max(0, c.min[k] - d.max[k], d.min[k] - c.max[k])))).toBeGreaterThanOrEqual(500) // prettier-ignore
    expect(apart).toBeGreaterThan(0)
    const read = readingsOf(readBuilds({ ...p, goods, builds: [charger.build, can.build] }))
    expect(read.flatMap((r) => r.checks.filter((x) => x.check === 'keeping' && x.state === 'fails'))).toEqual([])
  })
  it('is nowhere for what is charged too far from every outlet, and anywhere where nobody surveyed one', () => {
    const { p } = room([])
    const goods = [{ ...p.goods[0], count: 1, care: ['charging' as const] }]
    const at = (features: Feature[]) =>
      new RoomMarket({ ...p, goods, room: { ...p.room, features } }, { ...NO_WISHES, keepFree: ['e', 's', 'w'] })
    const kept = (market: RoomMarket) => market.offer('ledger-shelf', 'n', [{ goodsId: 'box', count: 1 }], [])
    const far = thing('outlet', 'o', 2500, { wallId: 's' })
    expect([kept(at([])) === null, kept(at([far])) === null]).toEqual([false, true])
  })
  it('is none the less deep where nothing is in its way but that it may not be there, under a slope as well', () => {
    const { p } = room([])
    const goods = [{ ...p.goods[0], count: 1, care: ['charging' as const] }]
    const far = thing('outlet', 'o', 2500, { wallId: 's' })
    for (const slope of [null, ...p.room.walls.map((w) => ({ wallId: w.id, startMm: 1900, riseMmPerM: 300 }))]) {
      const ceiling = { ...p.room.ceiling, slope }
      const there = { ...p, goods, room: { ...p.room, ceiling, features: [far] } }
      const market = new RoomMarket(there, { ...NO_WISHES, keepFree: ['e', 's', 'w'] })
      const depths: number[] = []
      const look = market['look'].bind(market)
      market['look'] = (asking, offsetMm, held) => {
        depths.push(held.mostDeepMm ?? 0)
        return look(asking, offsetMm, held)
      }
      for (const kind of ['ledger-shelf', 'post-rack', 'tote-rack', 'shelf-unit'])
        market.offer(kind, 'n', [{ goodsId: 'box', count: 1 }], [])
      expect(depths.length).toBeGreaterThan(0)
      expect(new Set(depths)).toEqual(new Set([0]))
    }
  })
  it('is never over the eyes for what leaks, however little room there is', () => {
    const bench = thing('other', 'b', 0, { wideMm: WALL_MM, deepMm: 400, highMm: 1500 })
    const { p } = room([bench], 4)
    const offers = (kind: 'box' | 'pail') => {
      const goods = p.goods.map((g) => ({ ...g, kind, acrossMm: 200, deepMm: 200, tallMm: 200 }))
      const market = new RoomMarket({ ...p, goods }, { ...NO_WISHES, keepFree: ['e', 's', 'w'] })
      return ['wall-cabinet', 'bracket-shelf'].map((k) => offered({ market }, k, 4) !== null)
    }
    expect(offers('box')).toContain(true)
    expect(offers('pail')).toEqual([false, false])
  })
  it('hangs over what is low', () => {
    const low = thing('other', 'b', 0, { wideMm: WALL_MM, deepMm: 600, highMm: 800 })
    const light = room([low], 4)
    const o = offered(light, 'wall-cabinet', 4) ?? offered(light, 'bracket-shelf', 4)
    expect(o).not.toBeNull()
    expect(Math.min(...o!.body.points.map((p) => p[2]))).toBeGreaterThan(800)
  })
})

describe('what a wall gives to screw to', () => {
  const narrow = (firstMm: number, goods: number) => {
    const { p } = room([], goods)
    const walls = p.room.walls.map((w) => ({
      ...w,
      construction: { ...w.construction, kind: 'studs', spacingMm: 600, firstMm } as typeof w.construction,
    }))
    const project = { ...p, room: { ...p.room, walls } }
    return { p: project, market: new RoomMarket(project, { ...NO_WISHES, keepFree: ['e', 's', 'w'] }) }
  }
  it('two studs at least, wherever the first of them is: further along, longer, or it is not offered', () => {
    for (const kind of ['post-rack', 'shelf-unit', 'wall-cabinet', 'tote-rack'])
      for (const first of [80, 250, 420, 590])
        for (const count of [1, 3]) {
          const there = narrow(first, count)
          const o = offered(there, kind, count)
          if (!o) continue
          expect(`${kind} ${first} ${o.fixings !== 1}`).toBe(`${kind} ${first} true`)
          expect(failing(there.p, o).map((c) => c.code)).toEqual([])
        }
  })
})

describe('what hangs on studs', () => {
  it('begins at one of them, so that it is hardly longer than what they are apart', () => {
    const shelf = (firstMm: number, count: number) => {
      const { p } = room([], count)
      const walls = p.room.walls.map((w) => ({
        ...w,
        construction: { ...w.construction, kind: 'studs', spacingMm: 600, firstMm } as typeof w.construction,
      }))
      const market = new RoomMarket({ ...p, room: { ...p.room, walls } }, { ...NO_WISHES, keepFree: ['e', 's', 'w'] })
      return market.offer('bracket-shelf', 'n', [{ goodsId: 'box', count }], [])!
    }
    // A box is 330 wide: one or two want two studs, three want three.
    for (const firstMm of [40, 150, 300, 420, 560])
      for (const [count, apartMm] of [
        [1, 600],
        [2, 600],
        [3, 1200],
      ]) {
        const o = shelf(firstMm, count)
        expect(howMany(o.housed)).toBe(count)
        expect(to(o) - from(o)).toBeLessThan(apartMm + 150)
      }
  })
})

describe('what is known from elsewhere', () => {
  it('finds the same as somebody who looks at it for the first time', () => {
    const there = () =>
      room([
        thing('other', 'a', 1500, { wideMm: 300, deepMm: 500, highMm: 1900 }),
        thing('window', 'w', 2600, { wideMm: 900, highMm: 900 }),
        thing('other', 'b', 4300, { wideMm: 400, deepMm: 500, highMm: 700 }),
      ])
    const known = there()
    for (const kind of [
      'post-rack',
      'shelf-unit',
      'ledger-shelf',
      'bracket-shelf',
      'wall-cabinet',
      'floating-shelf-rack',
    ])
      for (const count of [12, 9, 6, 2]) {
        const [a, b] = [known, there()].map((x) => offered(x, kind, count))
        expect([kind, count, a?.build.offsetMm, a?.housed]).toEqual([kind, count, b?.build.offsetMm, b?.housed])
      }
    // And it is looked at less often.
    const anew = ['post-rack', 'shelf-unit'].map((kind) => {
      const one = there()
      for (const count of [12, 9, 6, 2]) offered(one, kind, count)
      return one.market.looks
    })
    expect(anew.every((n) => n > 0)).toBe(true)
  })
  it('what one build wanted to hold the next of its kind has from the first look on, and does without where it can', () => {
    const planks = (count: number) => newGoods({ id: `plank${count}`, name: 'plank', kind: 'board', count, acrossMm: 2400, deepMm: 200, tallMm: 30, massKg: count > 2 ? 14 : 2 }) // prettier-ignore
    const { p } = room([])
    const project = { ...p, goods: [planks(8), planks(7), planks(1)] }
    const market = new RoomMarket(project, { ...NO_WISHES, keepFree: ['e', 's', 'w'] })
    const offer = (count: number) => market.offer('board-rack', 'n', [{ goodsId: `plank${count}`, count }], [])!
    const first = offer(8)
    const judged = market.settled(first)
    const changed = Object.keys(judged.build.params).filter(
      (k) => JSON.stringify(judged.build.params[k]) !== JSON.stringify(first.build.params[k]),
    )
    expect([judged.fails, changed.length > 0]).toEqual([false, true])
    const next = offer(7)
    for (const k of changed) expect(next.build.params[k]).toEqual(judged.build.params[k])
    expect(next.plain).toMatchObject(Object.fromEntries(changed.map((k) => [k, first.build.params[k]])))
    const light = offer(1)
    expect(market.settled(light).build.params).toMatchObject(light.plain!)
    expect(market.settled(light).fails).toBe(false)
  })
  it('what is none anywhere on a wall is not looked at again in less room', () => {
    const { p, market } = room([])
    const rack = market.offer('post-rack', 'n', [{ goodsId: 'box', count: 12 }], [])!
    const lot = [{ goodsId: 'box', count: 1 }]
    expect(market.offer('loft-deck', 'n', lot, [])).toBeNull()
    const { looks } = market
    expect(market.offer('loft-deck', 'n', lot, [rack])).toBeNull()
    expect(market.looks).toBe(looks)
    // Somebody who begins there looks, and finds the same.
    const other = new RoomMarket(p, { ...NO_WISHES, keepFree: ['e', 's', 'w'] })
    expect(other.offer('loft-deck', 'n', lot, [rack])).toBeNull()
    expect(other.looks).toBeGreaterThan(0)
  })
  it('but under a ceiling that slopes, where there is more height further along', () => {
    const { p } = room([], 4)
    const tall = { ...boxes(4), tallMm: 1400 }
    const slope = { wallId: 'w', startMm: 700, riseMmPerM: 400 }
    const ceiling = { ...p.room.ceiling, heightMm: 2400, slope }
    const sloped = { ...p, goods: [tall], room: { ...p.room, ceiling } }
    const wishes = { ...NO_WISHES, keepFree: ['e', 's', 'w'] }
    const lot = [{ goodsId: 'box', count: 4 }]
    const post = thing('other', 'post', 2500, { wideMm: 100, deepMm: 500, highMm: 2000 })
    const market = new RoomMarket({ ...sloped, room: { ...sloped.room, features: [post] } }, wishes)
    const o = market.offer('post-rack', 'n', lot, [])
    expect(o && from(o)).toBeGreaterThanOrEqual(2600)
  })
  it('what stands in a corner stands before both walls, but for one that is kept free', () => {
    const { p } = room([])
    const at = (keepFree: string[]) => {
      const market = new RoomMarket(p, { ...NO_WISHES, keepFree })
      return market.wallsBy(market.offer('post-rack', 'n', [{ goodsId: 'box', count: 12 }], [])!)
    }
    expect(at([])).toEqual(['n', 'w'])
    expect(at(['e', 's', 'w'])).toEqual(['n'])
  })
  it('between a door and a window it is as short as there is room, where it would be none otherwise', () => {
    // 1100 mm free, and a rack of its usual modules is 1220 long at least; the window begins over what is low.
    const door = thing('door', 'door', 0, { wideMm: 900 })
    const window = thing('window', 'window', 2000, { wideMm: 3900, highMm: 1000, upMm: 300 })
    const { p } = room([door, window], 24)
    const walls = p.room.walls.map((w) => ({ ...w, construction: { kind: 'masonry' as const } }))
    const there = { ...p, room: { ...p.room, walls } }
    const market = new RoomMarket(there, { ...NO_WISHES, keepFree: ['e', 's', 'w'] })
    const lot = [{ goodsId: 'box', count: 24 }]
    expect(market.offer('post-rack', 'n', lot, [])).toBeNull()
    const o = market.offer('post-rack', 'n', lot, [], { squeezed: true })!
    expect(from(o)).toBeGreaterThanOrEqual(900)
    expect(to(o)).toBeLessThanOrEqual(2000)
    expect(to(o) - from(o)).toBeGreaterThan(1000)
    // Taken as it is it stays so: nothing meets anything, and all it was promised to hold is in it.
    expect(failing(there, o)).toEqual([])
    const [reading] = readingsOf(readBuilds({ ...there, builds: [o.build] }))
    expect(reading.shaped.unhoused).toEqual([])
    expect(reading.build.goods).toEqual(o.housed)
    // What is asked for afterwards is as long as it comes again.
    expect(market.offer('post-rack', 'n', lot, [])).toBeNull()
  })
  it('ends with its wall, though no other begins there', () => {
    const { p } = room([], 12)
    const [n] = p.room.walls
    const open = { ...p, room: { ...p.room, closed: false, walls: [{ ...n, lengthMm: 700 }] } }
    const market = new RoomMarket(open, NO_WISHES)
    for (const kind of ['ledger-shelf', 'post-rack', 'shelf-unit'])
      for (const squeezed of [false, true]) {
        const o = market.offer(kind, 'n', [{ goodsId: 'box', count: 12 }], [], { squeezed })
        if (o) expect(to(o)).toBeLessThanOrEqual(700 + 1)
      }
  })
  it('what no stud holds is offered only where it is low', () => {
    const { p } = room([], 3)
    const walls = p.room.walls.map((w) => ({
      ...w,
      construction: { ...w.construction, kind: 'studs', spacingMm: 1200, firstMm: 1190 } as typeof w.construction,
    }))
    const market = new RoomMarket({ ...p, room: { ...p.room, walls } }, { ...NO_WISHES, keepFree: ['e', 's', 'w'] })
    for (const kind of ['post-rack', 'shelf-unit', 'floating-shelf-rack', 'ledger-shelf'])
      for (const count of [1, 2, 3]) {
        const o = market.offer(kind, 'n', [{ goodsId: 'box', count }], [])
        if (!o || o.fixings > 0) continue
        const [wide, deep, high] = o.body.max.map((v, i) => v - o.body.min[i])
        expect(high).toBeLessThanOrEqual(1.5 * Math.min(wide, deep))
      }
  })
})

describe('a thing that is left out', () => {
  it('is told what would house one of it, however many there are', () => {
    const bicycle = newGoods({ id: 'bicycle', name: 'bicycle', kind: 'bicycle', count: 5, acrossMm: 1750, deepMm: 600, tallMm: 1050, massKg: 14 }) // prettier-ignore
    const { p } = room([thing('other', 'full', 0, { wideMm: 5900, deepMm: 600, highMm: 2300 })])
    const project = { ...p, goods: [bicycle] }
    const wishes = { ...NO_WISHES, keepFree: ['e', 's', 'w'] }
    const market = new RoomMarket(project, wishes)
    const why = (count: number) =>
      whyHomeless(project, wishes, market, [], wantsIn(project, wishes, market), { goodsId: 'bicycle', count })
    expect(why(1)).toMatchObject({ why: 'more-wall', wallId: 'n' })
    expect(why(5)).toEqual({ ...why(1), count: 5 })
  })
})

describe('over something low', () => {
  const planks = newGoods({ id: 'plank', name: 'plank', kind: 'board', count: 6, acrossMm: 2400, deepMm: 200, tallMm: 30, massKg: 8 }) // prettier-ignore
  const over = (highMm: number) => {
    const low = thing('other', 'low', 0, { wideMm: 5900, deepMm: 600, highMm })
    const { p } = room([low])
    const project = { ...p, goods: [planks] }
    const market = new RoomMarket(project, { ...NO_WISHES, keepFree: ['e', 's', 'w'] })
    return { p: project, o: market.offer('board-rack', 'n', [{ goodsId: 'plank', count: 6 }], []) }
  }
  it('boards hang on the wall above it, as high as that wants; before something high they do not', () => {
    const lowest = (o: Offer) => Math.min(...o.body.points.map((p) => p[2]))
    for (const high of [700, 1000, 1300]) {
      const { p, o } = over(high)
      expect(lowest(o!)).toBeGreaterThanOrEqual(high - 1)
      expect(failing(p, o!)).toEqual([])
    }
    expect(lowest(over(700).o!)).toBeLessThan(lowest(over(1300).o!))
    expect(over(2300).o).toBeNull()
  })
  it('two of a kind at one place, one over the other, are two builds', () => {
    const { p } = room([])
    const long = { ...planks, acrossMm: 4800, count: 2 }
    const market = new RoomMarket({ ...p, goods: [long] }, { ...NO_WISHES, keepFree: ['e', 's', 'w'] })
    const lot = [{ goodsId: 'plank', count: 1 }]
    const first = market.offer('board-rack', 'n', lot, [])!
    const second = market.offer('board-rack', 'n', lot, [first])!
    expect(second.build.offsetMm).toBe(first.build.offsetMm)
    expect(second.body.min[2]).toBeGreaterThanOrEqual(first.body.max[2])
    expect(second.build.id).not.toBe(first.build.id)
  })
  it('what hangs by its bar is raised as far as it must be, and not where that is out of reach', () => {
    const bicycle = newGoods({ id: 'bicycle', name: 'bicycle', kind: 'bicycle', count: 1, acrossMm: 1750, deepMm: 600, tallMm: 1050, massKg: 14 }) // prettier-ignore
    const hung = (features: Feature[]) => {
      const { p } = room(features)
      const project = { ...p, goods: [bicycle] }
      const market = new RoomMarket(project, { ...NO_WISHES, keepFree: ['e', 's', 'w'] })
      return { p: project, o: market.offer('hanging-arms', 'n', [{ goodsId: 'bicycle', count: 1 }], []) }
    }
    const foot = (o: Offer) => Math.min(...o.body.points.map((p) => p[2]))
    const free = hung([]).o!
    for (const highMm of [450, 700, 900]) {
      const { p, o } = hung([thing('other', 'low', 0, { wideMm: 5900, deepMm: 500, highMm })])
      expect(foot(o!)).toBeGreaterThanOrEqual(highMm)
      expect(foot(o!)).toBeLessThan(highMm + 100)
      expect(failing(p, o!)).toEqual([])
    }
    expect(foot(free)).toBeLessThan(450)
    expect(hung([thing('other', 'high', 0, { wideMm: 5900, deepMm: 500, highMm: 1900 })]).o).toBeNull()
  })
  it('makes way for what stands on the floor: it hangs higher with all it holds, where there is room for that', () => {
    const bicycle = newGoods({ id: 'bicycle', name: 'bicycle', kind: 'bicycle', count: 1, acrossMm: 1750, deepMm: 600, tallMm: 1050, massKg: 14 }) // prettier-ignore
    const under = (tallMm: number) => {
      // Nothing is free beside what hangs there.
      const { p } = room([thing('other', 'full', 1900, { wideMm: 4000, deepMm: 600, highMm: 2300 })])
      const chest = newGoods({ id: 'chest', name: 'chest', kind: 'equipment', count: 1, acrossMm: 700, deepMm: 450, tallMm, massKg: 25 }) // prettier-ignore
      const project = { ...p, goods: [bicycle, chest] }
      const market = new RoomMarket(project, { ...NO_WISHES, keepFree: ['e', 's', 'w'] })
      const [hangs, stands] = [[{ goodsId: 'bicycle', count: 1 }], [{ goodsId: 'chest', count: 1 }]]
      const before = market.offer('hanging-arms', 'n', hangs, [])!
      expect(market.offer('post-rack', 'n', stands, [before])).toBeNull()
      return { p: project, market, before, found: market.under('post-rack', 'n', stands, [before]) }
    }
    const { p, market, before, found } = under(600)
    const [hung] = found!.others
    expect(hung.housed).toEqual(before.housed)
    expect(hung.build.offsetMm).toBe(before.build.offsetMm)
    expect(hung.body.min[2]).toBeGreaterThanOrEqual(found!.offer.body.max[2])
    expect([market.fits(hung, [found!.offer]), market.fits(found!.offer, [hung])]).toEqual([true, true])
    expect([failing(p, hung), failing(p, found!.offer)]).toEqual([[], []])
    // Over this it would be in the ceiling.
    expect(under(1400).found).toBeNull()
  })
  it('the same things in another order are the same look', () => {
    const { p } = room([])
    const two = { ...p, goods: [boxes(4), { ...boxes(4), id: 'case' }] }
    const market = new RoomMarket(two, NO_WISHES)
    const lot = [
      { goodsId: 'case', count: 4 },
      { goodsId: 'box', count: 4 },
    ]
    const once = market.offer('shelf-unit', 'n', lot, [])
    const looks = market.looks
    expect(market.offer('shelf-unit', 'n', [...lot].reverse(), [])).toBe(once)
    expect(market.looks).toBe(looks)
  })
})

describe('under a ceiling whose joists are known', () => {
  const seldom = { often: 'seldom' } as const
  const GOODS = [
    { ...boxes(4), ...seldom },
    newGoods({ id: 'ladder', name: 'ladder', kind: 'board', count: 1, acrossMm: 2400, deepMm: 450, tallMm: 170, massKg: 25, ...seldom }), // prettier-ignore
    newGoods({ id: 'beam', name: 'beam', kind: 'board', count: 1, acrossMm: 2400, deepMm: 150, tallMm: 150, massKg: 60, ...seldom }), // prettier-ignore
  ]
  const under = (joist: Project['room']['ceiling']['joist']) => {
    const { p } = room([])
    const ceiling = {
      ...p.room.ceiling,
      kind: 'joists' as const,
      alongWallId: 'n',
      spacingMm: 400,
      firstMm: 200,
      joist,
    }
    const project = { ...p, goods: GOODS, room: { ...p.room, ceiling } }
    return { p: project, market: new RoomMarket(project, { ...NO_WISHES, keepFree: ['e', 's', 'w'] }) }
  }
  const KNOWN = { wideMm: 45, deepMm: 200, spanMm: 4000 }
  it.each([
    ['ceiling-platform', 'box', 4],
    ['ceiling-cradles', 'ladder', 1],
  ] as const)('%s is offered, and holds: what lies over the joists is not in the room', (kind, goodsId, count) => {
    const there = under(KNOWN)
    const o = there.market.offer(kind, 'n', [{ goodsId, count }], [])!
    expect(o.housed).toEqual([{ goodsId, count }])
    expect(o.body.max[2]).toBeGreaterThan(there.p.room.ceiling.heightMm)
    expect(there.market.settled(o)).toMatchObject({ fails: false, troubles: 0 })
    expect(under(null).market.offer(kind, 'n', [{ goodsId, count }], [])).toBeNull()
  })
  it('what is long is lifted there by two, and no more than they lift', () => {
    expect(under(KNOWN).market.offer('ceiling-cradles', 'n', [{ goodsId: 'beam', count: 1 }], [])).toBeNull()
  })
})
