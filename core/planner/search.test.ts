import { describe, expect, it } from '@jest/globals'
import { prism } from '../geometry/convex.ts'
import { seeded } from '../measure/seeded.ts'
import type { Market } from './market.ts'
import { beats } from './measures.ts'
import { howMany, type Lot, type Offer } from './offer.ts'
import { differ, measuresOf, Shelf, worthOf, type Aim } from './plans.ts'
import { byOften, lotsOf, type SearchOptions } from './orders.ts'
import { refitted, searching, withRoomFor } from './search.ts'

/*
 * A made-up market of three walls and two kinds of build, small enough to try everything: each build costs something to
 * begin and something for each thing, and takes so much of its wall.
 */
const WALLS = ['a', 'b', 'c']
interface Kind {
  id: string
  beginMinor: number
  floor: number
}
interface Thing {
  id: string
  mm: number
  /** What it costs to keep in each kind, minor units; a kind that is nothing for it is left out. */
  minor: Record<string, number>
}
class TinyMarket implements Market {
  readonly walls = WALLS
  constructor(
    readonly kinds: readonly Kind[],
    readonly things: readonly Thing[],
    readonly wallMm: Record<string, number>,
  ) {}
  readonly thing = (id: string) => this.things.find((t) => t.id === id)!

  kindsFor(lot: Lot) {
    return this.kinds
      .filter((k) => lot.every((g) => this.thing(g.goodsId).minor[k.id] !== undefined))
      .map((k) => ({ kind: k.id, score: 2 }))
  }
  used = (wallId: string, offers: readonly Offer[]) =>
    offers
      .filter((o) => o.build.wallId === wallId)
      .flatMap((o) => o.housed)
      .reduce((n, g) => n + g.count * this.thing(g.goodsId).mm, 0)

  of(kind: string, wallId: string, housed: Lot): Offer {
    const k = this.kinds.find((x) => x.id === kind)!
    const minor = housed.reduce((n, g) => n + g.count * this.thing(g.goodsId).minor[kind], k.beginMinor)
    return {
      build: { id: `${kind} ${wallId}`, family: kind, wallId } as Offer['build'],
      judged: true,
      troubles: 0,
      fails: false,
      ways: [],
      body: prism(
        [
          [0, 0],
          [1, 0],
          [1, 1],
          [0, 1],
        ],
        0,
        1,
      ),
      housed,
      minor,
      floorM2: k.floor * howMany(housed),
      reach: 0,
      lessWell: [],
      asking: [],
      needsTwo: false,
      glued: false,
      inWall: false,
      overhead: false,
      fixings: 0,
    }
  }
  fitting(wallId: string, lot: Lot, others: readonly Offer[]): Lot {
    let left = this.wallMm[wallId] - this.used(wallId, others)
    return lot.flatMap((g) => {
      const count = Math.min(g.count, Math.floor(left / this.thing(g.goodsId).mm))
      left -= count * this.thing(g.goodsId).mm
      return count > 0 ? [{ goodsId: g.goodsId, count }] : []
    })
  }
  offer(kind: string, wallId: string, lot: Lot, others: readonly Offer[]): Offer | null {
    // One of a kind at a wall is enough: more of it is the same one, longer.
    if (others.some((o) => o.build.family === kind && o.build.wallId === wallId)) return null
    const housed = this.fitting(wallId, lot, others)
    return housed.length > 0 ? this.of(kind, wallId, housed) : null
  }
  extended(o: Offer, lot: Lot, others: readonly Offer[]): Offer | null {
    const more = this.fitting(o.build.wallId, lot, [...others, o])
    return more.length > 0 ? this.of(o.build.family, o.build.wallId, [...o.housed, ...more]) : null
  }
  under = () => null
  settled = (o: Offer) => o
  lightened = (o: Offer) => o
  latest = (o: Offer) => o
  fits = (o: Offer, others: readonly Offer[]) =>
    others.every((x) => x.build.id !== o.build.id) &&
    this.used(o.build.wallId, [...others, o]) <= this.wallMm[o.build.wallId]
  wallsBy = (o: Offer) => [o.build.wallId]
}

function tiny(seed: number, roomShare: number) {
  const random = seeded(seed)
  const kinds: Kind[] = [
    { id: 'x', beginMinor: 3000 + Math.round(4000 * random()), floor: 0.4 },
    { id: 'y', beginMinor: 1000 + Math.round(3000 * random()), floor: 0.2 },
  ]
  const things = Array.from({ length: 6 }, (_, i): Thing => {
    const minor: Thing['minor'] = {}
    for (const k of kinds) if (random() < 0.8) minor[k.id] = 500 + Math.round(3000 * random())
    if (Object.keys(minor).length === 0) minor.x = 1000
    return { id: `t${i}`, mm: 300 + Math.round(900 * random()), minor }
  })
  const all = things.reduce((n, t) => n + t.mm, 0)
  const wallMm = Object.fromEntries(WALLS.map((w) => [w, Math.round((all * roomShare * (0.6 + 0.8 * random())) / 3)]))
  return new TinyMarket(kinds, things, wallMm)
}

const options = (aim: Aim, seed = 1): SearchOptions => ({
  aim,
  urgency: () => 1,
  bulk: () => 1,
  budgetMinor: null,
  unlike: [],
  random: seeded(seed),
})

/** Every way to give each thing a kind and a wall, or none: the least any of them is worth, and how few it leaves out. */
function everyWay(market: TinyMarket, aim: Aim): { worth: number; homeless: number } {
  const choices = [null, ...market.kinds.flatMap((k) => WALLS.map((w) => [k.id, w] as const))]
  let best = { worth: Infinity, homeless: Infinity }
  const given: (readonly [string, string] | null)[] = []
  const taken: Record<string, number> = { a: 0, b: 0, c: 0 }
  const tryAll = (i: number) => {
    if (i < market.things.length) {
      const { mm, minor } = market.things[i]
      for (const c of choices) {
        if (c && (minor[c[0]] === undefined || taken[c[1]] + mm > market.wallMm[c[1]])) continue
        given[i] = c
        if (c) taken[c[1]] += mm
        tryAll(i + 1)
        if (c) taken[c[1]] -= mm
      }
      return
    }
    const by = new Map<string, { kind: string; wall: string; lot: { goodsId: string; count: number }[] }>()
    const homeless: { goodsId: string; count: number }[] = []
    market.things.forEach((t, k) => {
      const c = given[k]
      if (!c) return void homeless.push({ goodsId: t.id, count: 1 })
      const seen = by.get(c.join()) ?? { kind: c[0], wall: c[1], lot: [] }
      seen.lot.push({ goodsId: t.id, count: 1 })
      by.set(c.join(), seen)
    })
    const offers = [...by.values()].map((b) => market.of(b.kind, b.wall, b.lot))
    const worth = worthOf(
      measuresOf({ offers, homeless }, () => 1),
      { aim, budgetMinor: null },
    )
    if (worth < best.worth) best = { worth, homeless: howMany(homeless) }
  }
  tryAll(0)
  return best
}

describe('the search for plans', () => {
  it.each([
    [1, 1.6],
    [2, 1.6],
    [3, 1.1],
    [5, 0.8],
  ])('finds what trying everything finds, within a fiftieth (case %i, room %f)', (seed, room) => {
    const market = tiny(seed, room)
    const heap = market.things.map((t) => ({ goodsId: t.id, count: 1 }))
    for (const aim of ['cost', 'floor'] as const) {
      const shelf = new Shelf(() => 1)
      const search = searching(heap, market, shelf, options(aim, seed), 200)
      while (!search.next().done);
      const found = shelf.best({ aim, budgetMinor: null })!
      const best = everyWay(market, aim)
      expect(howMany(found.plan.homeless)).toBe(best.homeless)
      const homelessWorth = 20_000 * best.homeless
      expect(worthOf(found.measures, { aim, budgetMinor: null }) - homelessWorth).toBeLessThanOrEqual(
        1.02 * (best.worth - homelessWorth) + 1e-6,
      )
    }
  })
  it('loses nothing and invents nothing', () => {
    const market = tiny(7, 0.9)
    const heap = market.things.map((t, i) => ({ goodsId: t.id, count: 1 + (i % 3) }))
    const shelf = new Shelf(() => 1)
    const search = searching(heap, market, shelf, options('cost'), 60)
    while (!search.next().done);
    expect(shelf.kept.length).toBeGreaterThan(0)
    for (const { plan } of shelf.kept) {
      const counts = new Map<string, number>()
      for (const g of [...plan.offers.flatMap((o) => o.housed), ...plan.homeless])
        counts.set(g.goodsId, (counts.get(g.goodsId) ?? 0) + g.count)
      expect([...counts].sort()).toEqual(heap.map((g) => [g.goodsId, g.count]).sort())
      for (const w of WALLS) expect(market.used(w, plan.offers)).toBeLessThanOrEqual(market.wallMm[w])
    }
  })
  it('keeps on its shelf only plans that none beats in everything', () => {
    const market = tiny(3, 1.1)
    const shelf = new Shelf(() => 1)
    const search = searching(
      market.things.map((t) => ({ goodsId: t.id, count: 2 })),
      market,
      shelf,
      options('cost'),
      100,
    )
    while (!search.next().done);
    for (const a of shelf.kept) for (const b of shelf.kept) expect(beats(a.measures, b.measures)).toBe(false)
  })
  it('begins with what takes least room where room is short, and is not told to have less than before', () => {
    // Three large things would take all walls, and leave none to eighteen small ones.
    const things = Array.from({ length: 21 }, (_, i): Thing => ({
      id: `t${i}`,
      mm: i < 3 ? 1000 : 100,
      minor: { x: 500 },
    }))
    const walls = Object.fromEntries(WALLS.map((w) => [w, 1000]))
    const market = new TinyMarket([{ id: 'x', beginMinor: 1000, floor: 0.1 }], things, walls)
    const heap = things.map((t) => ({ goodsId: t.id, count: 1 }))
    const shelf = new Shelf(() => 1)
    const bulk = (id: string) => market.thing(id).mm
    const search = searching(heap, market, shelf, { ...options('cost'), bulk }, 0)
    const left: number[] = []
    for (let step = search.next(); step.value !== 'first'; step = search.next())
      left.push(howMany(shelf.begun!.homeless))
    expect(left).toEqual([...left].sort((a, b) => b - a))
    // One large thing and twenty times a small one's room: eighteen small ones and one large.
    expect(howMany(shelf.best({ aim: 'cost', budgetMinor: null })!.plan.homeless)).toBe(2)
  })
  /** Three walls, some large things of every day, and more small ones that are used seldom than go beside them. */
  function overfull() {
    const things = Array.from({ length: 33 }, (_, i): Thing => ({
      id: `t${i}`,
      mm: i < 2 ? 900 : 100,
      minor: { x: 500 },
    }))
    const market = new TinyMarket(
      [{ id: 'x', beginMinor: 1000, floor: 0.1 }],
      things,
      Object.fromEntries(WALLS.map((w) => [w, 1000])),
    )
    const heap = things.map((t) => ({ goodsId: t.id, count: 1 }))
    const isDaily = (id: string) => market.thing(id).mm === 900
    const urgency = (id: string) => (isDaily(id) ? 5 : 0.25)
    return { market, heap, isDaily, o: { ...options('cost'), urgency, bulk: (id: string) => market.thing(id).mm } }
  }
  /** A thing of every day and some small ones at the one wall there is, which what holds the former outgrows. */
  function outgrown() {
    const small = Array.from({ length: 5 }, (_, i) => `s${i}`)
    const minor = { x: 500, y: 500 }
    const things: Thing[] = [{ id: 'd', mm: 500, minor }, ...small.map((id) => ({ id, mm: 100, minor }))]
    class Outgrown extends TinyMarket {
      private moreMm = 0
      latest = (o: Offer) => {
        this.moreMm = 100
        return { ...o }
      }
      used = (wallId: string, offers: readonly Offer[]) =>
        offers
          .filter((o) => o.build.wallId === wallId)
          .reduce(
            (n, o) =>
              n +
              (o.build.family === 'x' ? this.moreMm : 0) +
              o.housed.reduce((m, g) => m + this.thing(g.goodsId).mm, 0),
            0,
          )
    }
    const kind = (id: string) => ({ id, beginMinor: 1000, floor: 0.1 })
    const market = new Outgrown([kind('x'), kind('y')], things, { a: 1000, b: 0, c: 0 })
    const one = (id: string) => ({ goodsId: id, count: 1 })
    const o = { ...options('cost'), urgency: (id: string) => (id === 'd' ? 25 : 1) }
    return { market, o, one, small }
  }
  it('of builds that no longer go beside each other keeps what holds what is used most often', () => {
    const { market, o, one, small } = outgrown()
    // Those that were there first are not those that stay.
    const offers = [market.of('y', 'a', small.map(one)), market.of('x', 'a', [one('d')])]
    const { offers: now, homeless } = refitted({ offers, homeless: [] }, market, o)
    expect(now.flatMap((x) => x.housed).some((g) => g.goodsId === 'd')).toBe(true)
    expect(homeless).toHaveLength(1)
    expect(market.used('a', now)).toBeLessThanOrEqual(1000)
  })
  it('gives what is used every day the place of what is used less', () => {
    const { market, o, one, small } = outgrown()
    const full = { offers: [market.of('y', 'a', [...small, ...small].map(one))], homeless: [one('d')] }
    const ways = Array.from({ length: 20 }, () => withRoomFor(full, [one('d')], market, o)).filter((x) => x !== null)
    expect(ways.length).toBeGreaterThan(0)
    for (const x of ways) expect(x.homeless.map((g) => g.goodsId)).not.toContain('d')
  })
  it('looks first at what is used most often', () => {
    const { o, one } = outgrown()
    const lots = [[one('s0')], [one('s1'), one('d')], [one('s2')]]
    expect(byOften(lots, o)).toEqual([lots[1], lots[0], lots[2]])
  })
  it('grows in the order of how much things are wanted where room is short, however large they are', () => {
    const { market, heap, isDaily, o } = overfull()
    const shelf = new Shelf(o.urgency)
    for (const stage of searching(heap, market, shelf, o, 0)) if (stage === 'first') break
    const { homeless } = shelf.best(o)!.plan
    expect(homeless.filter((g) => isDaily(g.goodsId))).toEqual([])
    // Two walls of 1000 mm have one small thing beside a large one, the third has ten.
    expect(howMany(homeless)).toBe(31 - 12)
  })
  it('gets to the same sooner where it is told that things are surely too many, and goes on as ever where they are not', () => {
    const grown = (isTight: boolean, of: () => ReturnType<typeof overfull>) => {
      const { market, heap, o } = of()
      const shelf = new Shelf(o.urgency)
      const stages: string[] = []
      for (const stage of searching(heap, market, shelf, { ...o, isTight }, 1)) stages.push(stage)
      const first = stages.indexOf('first')
      return { first, next: stages[first + 1], homeless: shelf.best(o)!.measures.homeless }
    }
    const [plain, tight] = [grown(false, overfull), grown(true, overfull)]
    expect(tight.first).toBeLessThan(plain.first)
    expect(tight.homeless).toBe(plain.homeless)
    // Told so, and yet all has a place: nothing is hurried.
    const roomy = () => {
      const all = overfull()
      return { ...all, heap: all.heap.slice(0, 5) }
    }
    expect(grown(true, roomy).next).toBe('grown')
    expect(grown(true, overfull).next).not.toBe('grown')
  })
  it('tears down and grows again before anything is judged where room is short, for a share of the time', () => {
    const { market, heap, o } = overfull()
    let judged = 0
    const of = market.of.bind(market)
    market.of = (...given) => ({ ...of(...given), judged: false })
    market.settled = (x: Offer) => {
      judged++
      return { ...x, judged: true }
    }
    let late = 0
    const stages: string[] = []
    for (const stage of searching(heap, market, new Shelf(o.urgency), { ...o, isGrown: () => late++ > 6 }, 100)) {
      stages.push(`${stage}${judged > 0 ? ' judged' : ''}`)
      if (judged > 0) break
    }
    expect(stages.filter((x) => x === 'round')).toHaveLength(7)
    expect(stages[stages.length - 1]).toBe('judged judged')
  })
  it('has a plan at hand from the first one on', () => {
    for (const seed of [1, 2, 3, 4]) {
      const market = tiny(seed, 1.2)
      const shelf = new Shelf(() => 1)
      const heap = market.things.map((t) => ({ goodsId: t.id, count: 1 }))
      const told: number[] = []
      for (const stage of searching(heap, market, shelf, options('cost', seed), 5)) {
        if (stage === 'growing') told.push(howMany(shelf.begun!.homeless))
        else expect(shelf.best({ aim: 'cost', budgetMinor: null })).not.toBeNull()
        // What is not looked at yet has no place: nothing is lost on the way.
        for (const { offers, homeless } of shelf.begun ? [shelf.begun] : [])
          expect(howMany([...homeless, ...offers.flatMap((o) => o.housed)])).toBe(howMany(heap))
      }
      // The first is told as it grows, thing after thing, and is whole after that.
      expect(told.length).toBeGreaterThan(1)
      expect(told[0]).toBe(howMany(heap) - 1)
      expect(told).toEqual([...told].sort((a, b) => b - a))
      expect(shelf.begun).toBeNull()
    }
  })
  it('goes on only with what was judged, and never with what fails', () => {
    // The cheap kind looks as good as the dear one until somebody judges it.
    class Deceiving extends TinyMarket {
      private readonly judged = new Map<Offer, Offer>()
      private readonly seen = new Map<string, Offer>()
      override of(kind: string, wallId: string, housed: Lot): Offer {
        const key = JSON.stringify([kind, wallId, housed])
        const seen = this.seen.get(key) ?? { ...super.of(kind, wallId, housed), judged: false }
        this.seen.set(key, seen)
        // As it is known by now: whoever asks again is told what was found.
        return this.latest(seen)
      }
      override settled = (o: Offer): Offer => {
        const fails = o.build.family === 'cheap'
        const now = o.judged ? o : (this.judged.get(o) ?? { ...o, judged: true, fails, troubles: fails ? 1 : 0 })
        this.judged.set(o, now)
        return now
      }
      override latest = (o: Offer): Offer => this.judged.get(o) ?? o
    }
    const market = new Deceiving(
      [
        { id: 'cheap', beginMinor: 100, floor: 0.3 },
        { id: 'dear', beginMinor: 9000, floor: 0.3 },
      ],
      ['t0', 't1', 't2'].map((id) => ({ id, mm: 900, minor: { cheap: 10, dear: 900 } })),
      { a: 1000, b: 1000, c: 1000 },
    )
    const shelf = new Shelf(() => 1)
    const heap = market.things.map((t) => ({ goodsId: t.id, count: 1 }))
    const search = searching(heap, market, shelf, options('cost'), 30)
    while (!search.next().done);
    const { plan } = shelf.best({ aim: 'cost', budgetMinor: null }, [], true)!
    expect(plan.homeless).toEqual([])
    expect(plan.offers.map((x) => [x.build.family, x.judged, x.fails])).toEqual(Array(3).fill(['dear', true, false]))
  })
  it('finds the same from the same seed', () => {
    const run = () => {
      const market = tiny(5, 1)
      const shelf = new Shelf(() => 1)
      const heap = market.things.map((t) => ({ goodsId: t.id, count: 2 }))
      const search = searching(heap, market, shelf, options('cost', 9), 40)
      while (!search.next().done);
      return shelf.kept.map((x) => x.measures)
    }
    expect(run()).toEqual(run())
  })
  it('leaves out what is wanted least where room is short', () => {
    const market = new TinyMarket(
      [{ id: 'x', beginMinor: 1000, floor: 0.3 }],
      ['daily', 'weekly', 'seldom'].map((id) => ({ id, mm: 1000, minor: { x: 100 } })),
      { a: 1000, b: 1000, c: 0 },
    )
    const urgency = (id: string) => ({ daily: 3, weekly: 2, seldom: 1 })[id]!
    const shelf = new Shelf(urgency)
    const heap = market.things.map((t) => ({ goodsId: t.id, count: 1 }))
    const search = searching(heap, market, shelf, { ...options('cost'), urgency }, 30)
    while (!search.next().done);
    expect(shelf.best({ aim: 'cost', budgetMinor: null })!.plan.homeless).toEqual([{ goodsId: 'seldom', count: 1 }])
  })
  it('gives what is wanted much the room of many things that are wanted little', () => {
    // Each small thing goes to a kind of its own: all five builds of a wall have to give way at once.
    const small = [0, 1, 2, 3, 4]
    const market = new TinyMarket(
      ['big', ...small.map((i) => `s${i}`)].map((id) => ({ id, beginMinor: 1000, floor: 0.3 })),
      [
        ...small.map((i) => ({ id: `t${i}`, mm: 400, minor: { [`s${i}`]: 100 } })),
        { id: 'freezer', mm: 2000, minor: { big: 100 } },
      ],
      { a: 2000, b: 0, c: 0 },
    )
    const urgency = (id: string) => (id === 'freezer' ? 9 : 1)
    const shelf = new Shelf(urgency)
    const heap = market.things.map((t) => ({ goodsId: t.id, count: 1 }))
    // What is small stands first: only by making room for it the freezer has a place.
    const o = { ...options('cost'), urgency, bulk: (id: string) => (id === 'freezer' ? 0.01 : 1) }
    const search = searching(heap, market, shelf, o, 30)
    while (!search.next().done);
    const { plan } = shelf.best({ aim: 'cost', budgetMinor: null })!
    expect(plan.offers.map((x) => x.build.family)).toEqual(['big'])
    expect(howMany(plan.homeless)).toBe(5)
  })
  it('takes things that suit the same kinds together, what suits few first', () => {
    const market = tiny(1, 1)
    const heap = market.things.map((t) => ({ goodsId: t.id, count: 1 }))
    const lots = lotsOf(heap, market, () => 1)
    expect(lots.flat().length).toBe(6)
    const kinds = lots.map((l) => market.kindsFor(l).length)
    expect(kinds).toEqual([...kinds].sort((a, b) => a - b))
    expect(kinds.every((n) => n > 0)).toBe(true)
  })
  it('tells plans apart by what keeps each thing', () => {
    const market = tiny(1, 2)
    const lot = (n: number) => [{ goodsId: 't0', count: n }]
    const plan = (x: number, y: number) => ({
      offers: [market.of('x', 'a', lot(x)), market.of('y', 'b', lot(y))],
      homeless: [],
    })
    expect(differ(plan(3, 1), plan(3, 1))).toBe(0)
    expect(differ(plan(4, 0), plan(2, 2))).toBe(0.5)
    expect(differ({ offers: [], homeless: [] }, plan(1, 1))).toBe(0)
  })
})
