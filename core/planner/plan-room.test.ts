import { describe, expect, it } from '@jest/globals'
import { findFamily } from '../families/registry.ts'
import { newGoods, type Goods } from '../goods/goods.ts'
import { withPresumed } from '../goods/presumed.ts'
import { newProject, type Project } from '../project/project.ts'
import { startOf } from '../project/proposals.ts'
import { readingsOf } from '../project/read-build.ts'
import { readBuilds } from '../project/read-builds.ts'
import { procure } from '../project/plan.ts'
import type { Feature } from '../room/features.ts'
import { beats } from './measures.ts'
import { HeldPlanning } from './held.ts'
import { isInWall } from './offer.ts'
import { RoomMarket } from './market.ts'
import { planningRoom } from './plan-room.ts'
import { METRIC } from '../measure/units.ts'
import { sayProof } from '../wording/room-plans.ts'
import { sayIn } from '../wording/say.ts'
import { PRESUMED_RATING_N } from '../project/rating-wanted.ts'
import type { PlannedRoom, Planning } from './planned.ts'
import { NO_WISHES, type Wishes } from '../project/wishes.ts'

const thing = (
  id: string,
  kind: Goods['kind'],
  count: number,
  [acrossMm, deepMm, tallMm]: [number, number, number],
  massKg: number | null,
  often: Goods['often'] = 'weekly',
): Goods => newGoods({ id, name: id, kind, count, acrossMm, deepMm, tallMm, massKg, often })

/** A closed room of four walls with a door, an outlet and a heater. */
function household(goods: Goods[], wide = 5400, deep = 4200): Project {
  const p = newProject('p', 'p', 'metric', '2026-01-01T00:00:00.000Z')
  const [first] = p.room.walls
  const wall = (id: string, lengthMm: number) => ({ ...first, id, name: id, lengthMm, depthMm: 900 })
  const feature = (
    id: string,
    kind: Feature['kind'],
    wallId: string,
    atMm: number,
    more: Partial<Feature> = {},
  ): Feature => ({
    id,
    kind,
    name: '',
    wallId,
    atMm,
    outMm: 0,
    upMm: 0,
    wideMm: 900,
    deepMm: 0,
    highMm: 2000,
    clear: null,
    leaf: null,
    sectional: null,
    holdsKg: null,
    ...more,
  })
  return {
    ...p,
    goods,
    room: {
      ...p.room,
      closed: true,
      walls: [wall('n', wide), wall('e', deep), wall('s', wide), wall('w', deep)],
      features: [
        feature('door', 'door', 'e', 400, { leaf: { hinge: 'left', opens: 'in', openRad: 1.57, outsideMm: null } }),
        feature('plug', 'outlet', 's', 2600, { wideMm: 80, highMm: 80, upMm: 300 }),
        feature('heater', 'water-heater', 'w', 3300, { wideMm: 500, deepMm: 500, highMm: 1500 }),
      ],
    },
  }
}
const HEAP = [
  thing('drum', 'drum', 1, [580, 580, 880], 160),
  thing('freezer', 'equipment', 1, [600, 620, 850], 55, 'daily'),
  thing('jars', 'box', 8, [400, 300, 250], null),
  thing('paint', 'pail', 6, [170, 170, 200], 5, 'seldom'),
  thing('ladder', 'board', 2, [2800, 400, 90], 11, 'seldom'),
  thing('plywood', 'sheet', 3, [2000, 18, 1000], 20, 'seldom'),
  thing('drill', 'tool', 2, [250, 80, 220], 2, 'daily'),
  thing('bicycle', 'bicycle', 1, [1750, 600, 1050], 16),
]

function plan(p: Project, wishes: Partial<Wishes> = {}, rounds = 9): { last: Planning; all: Planning[] } {
  const search = planningRoom(p, { ...NO_WISHES, ...wishes }, { rounds })
  const all: Planning[] = []
  for (;;) {
    const next = search.next()
    if (next.done) return { last: next.value, all }
    all.push(next.value)
  }
}
const kept = (x: PlannedRoom) => {
  const out = new Map<string, number>()
  for (const g of [...x.builds.flatMap((b) => b.goods), ...x.homeless])
    out.set(g.goodsId, (out.get(g.goodsId) ?? 0) + g.count)
  return out
}
/** The builds of a plan where they go, with everything weighing what it is presumed to. */
const readAgain = (p: Project, x: PlannedRoom) =>
  readingsOf(readBuilds({ ...p, goods: withPresumed(p.goods), builds: [...p.builds, ...x.builds] }))

describe('a plan of a whole room', () => {
  const p = household(HEAP)
  const { last, all } = plan(p)

  it('is told at once, and better as it goes on', () => {
    expect(all[0].plans.length).toBeGreaterThan(0)
    expect(all[0].plans[0].proven).toBe(false)
    expect(last.doing).toBe('done')
    expect(last.plans.length).toBeGreaterThan(0)
    expect(last.looks).toBeGreaterThan(all[0].looks)
  })
  it('has every thing once: in a build that suits it, or told to have none', () => {
    for (const x of last.plans) {
      expect([...kept(x)].sort()).toEqual(HEAP.map((g) => [g.id, g.count]).sort())
      for (const b of x.builds)
        for (const g of b.goods)
          expect(findFamily(b.family)!.suits(HEAP.find((t) => t.id === g.goodsId)!)).not.toBeNull()
      expect(x.homeless).toEqual([])
    }
  })
  it('is not like another that is shown: a good part of the things is in other kinds of build', () => {
    const ways = (x: PlannedRoom) => new Set(x.builds.flatMap((b) => b.goods.map((g) => `${g.goodsId} ${b.family}`)))
    last.plans.forEach((x, i) =>
      last.plans.slice(i + 1).forEach((y) => {
        const others = ways(y)
        expect([...ways(x)].some((w) => !others.has(w))).toBe(true)
      }),
    )
  })
  it('has others beside it also where there was no time to look for them: one build of it in another kind', () => {
    const search = planningRoom(household(HEAP, 5600), NO_WISHES, { rounds: 4, shouldStop: (share) => share < 0.75 })
    let now = search.next()
    while (!now.done) now = search.next()
    expect(now.value.plans.length).toBeGreaterThan(1)
    for (const x of now.value.plans) {
      expect(x.proven).toBe(true)
      expect(x.measures.troubles).toBe(0)
      expect([...kept(x)].sort()).toEqual(HEAP.map((g) => [g.id, g.count]).sort())
    }
  })
  it('is looked for with another aim first where several searches go on at once', () => {
    for (const [turn, aim] of [
      [0, 'cost'],
      [1, 'floor'],
    ] as const) {
      const search = planningRoom(household(HEAP, 5600), NO_WISHES, { turn, rounds: 3 })
      let now = search.next()
      while (!now.done && !now.value.plans[0]?.proven) now = search.next()
      expect(now.value.plans[0].aim).toBe(aim)
    }
  })
  it('is proven: read again in the room, nothing of it fails and nothing is unknown', () => {
    for (const x of last.plans) {
      expect(x.proven).toBe(true)
      expect(x.measures.troubles).toBe(0)
      const readings = readAgain(p, x)
      expect(readings.length).toBe(x.builds.length)
      for (const r of readings) {
        expect(r.checks.filter((c) => c.state === 'fails' || c.state === 'unknown').map((c) => c.code)).toEqual([])
        expect(r.shaped.unhoused).toEqual([])
      }
      expect(procure(p, readings).bill.totalMinor).toBe(x.measures.minor)
    }
  })
  it('taken while nobody has weighed a thing, everything stands where it was proven, and nothing fails', () => {
    for (const x of last.plans) {
      const presumed = readAgain(p, x)
      const taken = readingsOf(readBuilds({ ...p, builds: [...p.builds, ...x.builds] }))
      expect(taken).toHaveLength(presumed.length)
      taken.forEach((r, i) => {
        const places = (y: typeof r) =>
          y.shaped.assembly.bays.flatMap((b) => b.items.map((t) => `${t.goodsId} ${t.box.min.join()}`)).sort()
        expect(places(r)).toEqual(places(presumed[i]))
        expect(r.checks.filter((c) => c.state === 'fails').map((c) => c.code)).toEqual([])
      })
    }
  })
  it('keeps what is long on the wall and the drum on the floor', () => {
    for (const x of last.plans) {
      const of = (id: string) => x.builds.filter((b) => b.goods.some((g) => g.goodsId === id))
      expect(of('ladder').every((b) => findFamily(b.family)!.hangs(b.params))).toBe(true)
      const drums = readAgain(p, x).flatMap((r) =>
        r.shaped.assembly.bays.flatMap((b) => b.items.filter((i) => i.goodsId === 'drum')),
      )
      expect(drums.map((i) => Math.round(i.box.min[2]))).toEqual([0])
    }
  })
  it('says what it presumes to weigh so much', () => {
    for (const x of last.plans) expect(x.presumed.map((m) => [m.goodsId, m.count])).toEqual([['jars', 8]])
  })
  it('shows none that another beats, nor that one rack of a kind for all it takes does', () => {
    for (const a of last.plans) for (const b of last.plans) expect(beats(a.measures, b.measures)).toBe(false)
    const single = startOf({ ...p, goods: withPresumed(p.goods) }, 'post-rack', {
      id: 'one',
      wallId: 's',
      offsetMm: 0,
      goods: HEAP.map((g) => ({ goodsId: g.id, count: g.count })),
    })!
    const [r] = readingsOf(readBuilds({ ...p, goods: withPresumed(p.goods), builds: [single.build] }))
    // One rack leaves out what does not suit it: that is worse than anything it saves.
    expect(r.shaped.unhoused.length).toBeGreaterThan(0)
  })
})

describe('wishes of a plan', () => {
  const few = [HEAP[2], HEAP[3], HEAP[4]].map((g) => ({ ...g, massKg: 6 }))
  it('a wall kept free has nothing, and a wall without holes no screw', () => {
    const p = household(few)
    const { last } = plan(p, { keepFree: ['s', 'w'], noHolesIn: ['n'] }, 1)
    expect(last.plans.length).toBeGreaterThan(0)
    for (const x of last.plans) {
      expect(x.builds.map((b) => b.wallId).filter((w) => w === 's' || w === 'w')).toEqual([])
      for (const r of readAgain(p, x)) if (r.build.wallId === 'n') expect(isInWall(r.shaped.assembly)).toBe(false)
    }
  })
  it('what cannot be within the budget says by how much it is over', () => {
    const { last } = plan(household(few), { budgetMinor: 100 }, 3)
    for (const x of last.plans) {
      expect(x.overMinor).toBe(x.measures.minor - 100)
      expect(x.measures.troubles).toBeGreaterThan(0)
    }
  })
  it('with every wall kept free there is no plan, and everything is told to have no place', () => {
    const { last } = plan(household(few), { keepFree: ['n', 'e', 's', 'w'] }, 3)
    for (const x of last.plans) expect(x.builds).toEqual([])
  })
  it('the same seed gives the same plans', () => {
    const once = plan(household(few.slice(1)), {}, 2).last
    const twice = plan(household(few.slice(1)), {}, 2).last
    expect(twice).toEqual(once)
  })
  it('nothing to keep is no plan, and nothing is changed by planning', () => {
    const p = household([])
    const before = structuredClone(p)
    expect(plan(p, {}, 3).last.plans.every((x) => x.builds.length === 0)).toBe(true)
    expect(p).toEqual(before)
  })
})

describe('what no kind of build keeps', () => {
  it('is told from the first plan on, and takes no care from the others', () => {
    const few = HEAP.slice(2, 4)
    const heavy = Array.from({ length: 7 }, (_, i) => thing(`safe-${i}`, 'board', 1, [9000, 900, 900], 4000))
    const market = new RoomMarket(household([...few, ...heavy]), NO_WISHES)
    const none = heavy.filter((g) => market.kindsFor([{ goodsId: g.id, count: 1 }]).length === 0)
    expect(none).toEqual(heavy)
    const alone = plan(household(few)).last
    const { all, last } = plan(household([...few, ...heavy]))
    for (const x of [all[0].plans[0], ...last.plans])
      expect(x.homeless.filter((h) => h.why === 'no-kind').map((h) => h.goodsId)).toEqual(heavy.map((g) => g.id))
    expect(last.plans.map((x) => [x.measures.minor, x.builds.length])).toEqual(
      alone.plans.map((x) => [x.measures.minor, x.builds.length]),
    )
  })
})

describe('more than a room can take', () => {
  it('leaves out what is used least, and says what would house it', () => {
    const box = (id: string, often: Goods['often']) => thing(id, 'box', 18, [600, 500, 500], 15, often)
    const p = household([box('each day', 'daily'), box('now and then', 'seldom')], 1800, 1500)
    const { last } = plan(p, {}, 3)
    expect(last.plans.length).toBeGreaterThan(0)
    for (const x of last.plans) {
      const out = new Map(x.homeless.map((h) => [h.goodsId, h]))
      expect(out.get('now and then')?.count ?? 0).toBeGreaterThan(out.get('each day')?.count ?? 0)
      expect(out.get('now and then')!.why).toMatch(/more-wall|no-room/)
    }
  })
})

describe('a shed whose walls carry nothing', () => {
  const goods = HEAP.filter((g) => g.kind !== 'board' && g.kind !== 'sheet' && g.kind !== 'bicycle')
  const plain = household(goods, 6600, 5200)
  const walls = plain.room.walls.map((w) => ({ ...w, construction: { kind: 'thin' as const } }))
  const shed = (anchorRatedN: number | null): Project => ({
    ...plain,
    room: { ...plain.room, walls },
    settings: { ...plain.settings, anchorRatedN },
  })
  it('is planned with builds that stand by themselves, proven once the anchors in its slab are rated', () => {
    const p = shed(4000)
    const { last } = plan(p, {}, 15)
    expect(last.plans.length).toBeGreaterThan(0)
    for (const x of last.plans) {
      expect(x.proven).toBe(true)
      expect(x.measures.troubles).toBe(0)
      expect(x.homeless).toEqual([])
      for (const r of readAgain(p, x)) expect(r.shaped.assembly.anchors.every((a) => a.into === 'slab')).toBe(true)
    }
  })
  it('while nobody has rated them is planned with what such anchors mostly hold, and promises nothing', () => {
    const p = shed(null)
    const { plans } = plan({ ...p, goods: goods.slice(3, 4) }, {}, 2).last
    expect(plans.some((x) => x.builds.length > 0)).toBe(true)
    for (const x of plans) waitsForItsAnchors(p, x)
  })
})

/** A plan that holds with anchors as they are presumed, told so; as long as they are not rated nothing of it is proven. */
function waitsForItsAnchors(p: Project, x: PlannedRoom) {
  const fixed = readAgain(p, x).filter((r) => r.shaped.assembly.anchors.length > 0)
  expect(x.unrated).toEqual(fixed.length > 0 ? { builds: fixed.length, presumedN: PRESUMED_RATING_N } : null)
  for (const r of fixed) expect(r.verdict.state).toBe('unknown')
  const rated = { ...p, settings: { ...p.settings, anchorRatedN: PRESUMED_RATING_N } }
  expect(x.measures.troubles).toBe(0)
  for (const r of readAgain(rated, x)) expect(['holds', 'hard-worked']).toContain(r.verdict.state)
}

describe('a garage of brick', () => {
  const plain = household(HEAP.filter((g) => ['jars', 'paint', 'ladder', 'drill'].includes(g.id)))
  const walls = plain.room.walls.map((w) => ({ ...w, construction: { kind: 'masonry' as const } }))
  const brick = { ...plain, room: { ...plain.room, walls } }
  it('has plans to choose from before its anchors are rated, each told to wait for that', () => {
    const { plans } = plan(brick, {}, 5).last
    expect(plans.length).toBeGreaterThan(1)
    for (const x of plans) {
      expect(x.unrated!.builds).toBeGreaterThan(0)
      waitsForItsAnchors(brick, x)
      expect(sayProof(x, sayIn(METRIC))).toMatch(
        /^not proven until its anchors are rated: .* if it is 4,000 N .408 kg. or more and things weigh/,
      )
    }
  })
  it('holds by what somebody said of them, and waits for nothing, once somebody has', () => {
    const { plans } = plan({ ...brick, settings: { ...brick.settings, anchorRatedN: 6000 } }, {}, 2).last
    expect(plans.length).toBeGreaterThan(0)
    for (const x of plans) expect(x.unrated).toBeNull()
  })
})

describe('plans that are begun before anybody asks', () => {
  const p = household(HEAP)
  /** A clock that goes on by a little each time somebody looks at it. */
  const counting = () => {
    let ms = 0
    return { looked: () => ms, now: () => (ms += STEP_MS) }
  }
  const wanted = 1
  const STEP_MS = 10
  it('wait at their first plan, which is there at once when they are asked for', () => {
    const { now, looked } = counting()
    const held = new HeldPlanning(p, NO_WISHES, wanted, now)
    void [...held.toFirst()]
    const before = looked()
    const first = held.goOn().next()
    expect(first.done).toBe(false)
    expect(first.value.plans).toHaveLength(1)
    expect(first.value.doing).toBe('looking')
    // One look at the clock for when they were asked for: nothing was searched.
    expect(looked() - before).toBe(STEP_MS)
    void [...held.toFirst()]
    expect(looked() - before).toBe(STEP_MS)
  })
  it('are gone on with where they are when somebody asks before the first is whole', () => {
    const { now } = counting()
    const held = new HeldPlanning(p, NO_WISHES, wanted, now)
    const begun = held.toFirst()
    for (let k = 0; k < 3; k++) expect(begun.next().done).toBe(false)
    const told = held.goOn().next().value
    const straight = new HeldPlanning(p, NO_WISHES, wanted, counting().now).goOn()
    const [one, , three] = [straight.next(), straight.next(), straight.next()].map((x) => x.value)
    const placed = (x: Planning) => x.plans[0]?.builds.length ?? 0
    expect(told.doing).toBe('growing')
    // What was placed so far is told first: nothing is begun anew.
    expect(placed(told)).toBe(placed(three))
    expect(placed(told)).toBeGreaterThan(placed(one))
  })
  it('have all their time from when they are asked for, and end proven', () => {
    const { now, looked } = counting()
    const held = new HeldPlanning(p, NO_WISHES, wanted, now)
    void [...held.toFirst()]
    // Somebody reads the wishes for far longer than the search would take.
    while (looked() < 10_000 * wanted) now()
    const all = [...held.goOn()]
    expect(all.length).toBeGreaterThan(2)
    const end = all[all.length - 1]
    expect(end.seen).toBeGreaterThan(all[0].seen)
    expect(end.plans.some((x) => x.proven)).toBe(true)
  })
  it('asked for without having been begun are searched as ever', () => {
    const { now } = counting()
    const straight = [...new HeldPlanning(p, NO_WISHES, wanted, now).goOn()]
    // Told as it grows: after one thing already, none of it proven.
    const open = straight.map((x) => x.plans[0]).map((x) => x && x.homeless.reduce((n, h) => n + h.count, 0))
    const growing = straight.filter((x) => x.doing === 'growing')
    expect(growing.length).toBeGreaterThan(3)
    expect(straight.slice(0, growing.length)).toEqual(growing)
    expect(open[0]).toBeGreaterThan(open[growing.length]!)
    for (const x of growing) expect(x.plans.map((y) => [y.proven, y.hours])).toEqual([[false, 0]])
    expect(straight[straight.length - 1].plans.some((x) => x.proven)).toBe(true)
  })
})
