import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../test-support/near.ts'
import { newGoods } from '../goods/goods.ts'
import type { CheckResult } from '../checks/check.ts'
import { newBuild } from '../project/new-build.ts'
import { newProject } from '../project/project.ts'
import {
  sayHomeless,
  sayLessWell,
  sayPresumed,
  sayPresumedShort,
  sayTrade,
  sayWithoutPlace,
  titlesOf,
  type WithoutPlace,
} from '../wording/room-plans.ts'
import { sayIn } from '../wording/say.ts'
import { shareOf, together } from './lots.ts'
import { beats, pastReachM, type Measures } from './measures.ts'
import { lotWithout } from './offer.ts'
import { toDrop } from './plan-room.ts'
import { tradesOf } from './trade.ts'
import { NO_WISHES, wishes } from '../project/wishes.ts'

const plain: Measures = {
  homeless: 0,
  troubles: 0,
  makeshift: 0,
  minor: 50_000,
  floorM2: 4,
  reach: 10,
  kinds: 3,
  builds: 5,
}
describe('measures of plans', () => {
  it('one beats another when it is no worse in anything and better in something', () => {
    expect(beats(plain, plain)).toBe(false)
    expect(beats({ ...plain, minor: 49_000 }, plain)).toBe(true)
    expect(beats(plain, { ...plain, minor: 49_000 })).toBe(false)
    expect(beats({ ...plain, minor: 49_000, floorM2: 4.1 }, plain)).toBe(false)
    // What is left out is in nobody's reach: that others are nearer for it is no merit.
    expect(beats({ ...plain, reach: plain.reach + 5 }, { ...plain, homeless: plain.homeless + 1 })).toBe(true)
    expect(beats({ ...plain, reach: plain.reach + 5 }, plain)).toBe(false)
    // Rounding is no difference.
    expect(beats({ ...plain, floorM2: 4 - 1e-12 }, plain)).toBe(false)
  })
  it('reach is how far a thing is past hanging hands and shoulders', () => {
    const at = (z: number) => pastReachM({ box: { min: [0, 0, z - 50], max: [1, 1, z + 50] } }, 1700)
    expect(at(1000)).toBe(0)
    // Knuckles at 0.485 · 1700 = 824.5, shoulders at 0.818 · 1700 = 1390.6 mm.
    expectNear(at(500), 0.3245, 1e-9)
    expectNear(at(1800), 0.4094, 1e-9)
    expectNear(pastReachM({ box: { min: [0, 0, -50], max: [1, 1, 50] } }, 1700, 900), 0, 1e-9)
  })
})

describe('lots', () => {
  const a = [
    { goodsId: 'x', count: 3 },
    { goodsId: 'y', count: 1 },
  ]
  it('are put together and taken apart', () => {
    expect(together(a, [{ goodsId: 'y', count: 2 }])).toEqual([
      { goodsId: 'x', count: 3 },
      { goodsId: 'y', count: 3 },
    ])
    expect(lotWithout(a, [{ goodsId: 'x', count: 1 }])).toEqual([
      { goodsId: 'x', count: 2 },
      { goodsId: 'y', count: 1 },
    ])
    expect(lotWithout(a, together(a, a))).toEqual([])
    // The same thing named twice is counted twice.
    expect(lotWithout([...a, ...a], a)).toEqual(a)
  })
  it('of a share of them what is wanted least is left out', () => {
    const p = newProject('p', 'p', 'metric', '2026-01-01T00:00:00.000Z')
    const goods = (id: string, often: 'daily' | 'seldom') =>
      newGoods({ id, name: id, kind: 'box', count: 9, acrossMm: 300, deepMm: 300, tallMm: 300, massKg: 1, often })
    const q = { ...p, goods: [goods('x', 'seldom'), goods('y', 'daily')] }
    const lot = [
      { goodsId: 'x', count: 4 },
      { goodsId: 'y', count: 4 },
    ]
    expect(shareOf(q, lot, 0.5)).toEqual([{ goodsId: 'y', count: 4 }])
    expect(shareOf(q, lot, 0.75)).toEqual([
      { goodsId: 'x', count: 2 },
      { goodsId: 'y', count: 4 },
    ])
    expect(shareOf(q, lot, 0.05)).toEqual([])
  })
})

describe('wishes', () => {
  it('are refused with the field that is wrong', () => {
    expect(wishes.safeParse(NO_WISHES).success).toBe(true)
    for (const [field, value] of [
      ['budgetMinor', -1],
      ['budgetMinor', 1.5],
      ['noHolesIn', 'north'],
      ['alone', 'yes'],
    ] as const)
      expect(wishes.safeParse({ ...NO_WISHES, [field]: value }).error?.issues[0].path[0]).toBe(field)
  })
})

describe('what plans trade', () => {
  const say = { ...sayIn({ system: 'metric', fraction: 16 }), currency: 'EUR' as const }
  const plans = [
    { minor: 40_000, floorM2: 6, reach: 12, builds: 5, hours: 40 },
    { minor: 60_000, floorM2: 3, reach: 10, builds: 5, hours: 40 },
    { minor: 50_000, floorM2: 5, reach: 4, builds: 9, hours: 40 },
  ]
  it('is what each is best at, and what it pays most for that', () => {
    const trades = tradesOf(plans)
    expect(trades.map((t) => t.best)).toEqual([['minor', 'builds'], ['floorM2', 'builds'], ['reach']])
    expect(trades.map((t) => t.alone)).toEqual([['minor'], ['floorM2'], ['reach']])
    expect(trades[0].pays).toEqual({ key: 'reach', by: 8 })
    expect(trades[1].pays).toEqual({ key: 'reach', by: 6 })
    expect(trades[2].pays).toEqual({ key: 'builds', by: 4 })
  })
  it('is said in a sentence, under a name of its own', () => {
    const trades = tradesOf(plans)
    expect(titlesOf(trades)).toEqual(['Least cost', 'Most floor free', 'Nearest to hand'])
    expect(sayTrade(trades[2], say)).toBe(
      'It keeps what is used often nearest to the hand, but is 4 builds more than the fewest.',
    )
    expect(new Set(titlesOf(tradesOf([plans[0], plans[0], plans[0]]))).size).toBe(3)
    expect(sayTrade(tradesOf([plans[0], plans[0]])[0], say)).toBe('Much like the others in every measure.')
    expect(titlesOf(tradesOf([plans[0]]))).toEqual(['One plan'])
  })
  it('one of them costs least, however little the next one costs more; hours are not told so closely', () => {
    const three = [69_258, 68_247, 79_553].map((minor, i) => ({ minor, hours: [33, 32.8, 43][i] }))
    expect(tradesOf(three).map((t) => t.best)).toEqual([['hours'], ['minor', 'hours'], []])
  })
  it('what has no place is told with what would make one', () => {
    expect(
      sayHomeless(
        { goodsId: 'x', count: 1, why: 'more-wall', wallId: 'n', moreMm: 437 },
        { name: 'Rack', count: 1 },
        'North wall',
        say,
      ),
    ).toBe('1 Rack: 440 mm more of free wall at the North wall would house it.')
    for (const why of ['no-kind', 'too-large', 'bare-walls', 'no-room'] as const)
      expect(sayHomeless({ goodsId: 'x', count: 2, why }, { name: 'Sled', count: 2 }, '', say)).toMatch(
        /^2 Sled: .+\.$/,
      )
    const heavy = { goodsId: 'x', count: 1, why: 'too-heavy', kg: 90 } as const
    expect(sayHomeless({ ...heavy, mostKg: 40 }, { name: 'Safe', count: 1 }, '', say)).toMatch(
      /counted as .+ or less would be held/,
    )
    expect(sayHomeless({ ...heavy, mostKg: null }, { name: 'Safe', count: 1 }, '', say)).not.toMatch(
      /counted|would be held/,
    )
  })
  it('and of several alike in one line, what the least would help first', () => {
    const of = (goodsId: string, moreMm: number, count = 1): WithoutPlace => ({
      h: { goodsId, count, why: 'more-wall', wallId: 'n', moreMm },
      thing: { name: goodsId, count },
      wall: 'North wall',
    })
    const lines = [
      of('saw', 977),
      {
        h: { goodsId: 'safe', count: 1, why: 'too-heavy', kg: 200, mostKg: null },
        thing: { name: 'safe', count: 1 },
        wall: '',
      },
      of('tyres', 980, 4),
      of('bin', 975),
      of('mop', 55),
      { ...of('rug', 977), wall: 'South wall' },
      { h: { goodsId: 'boat', count: 1, why: 'too-large' }, thing: { name: 'boat', count: 1 }, wall: '' },
      { h: { goodsId: 'mast', count: 1, why: 'too-large' }, thing: { name: 'mast', count: 1 }, wall: '' },
    ] as const satisfies readonly WithoutPlace[]
    expect(sayWithoutPlace(lines, say)).toEqual([
      expect.stringMatching(/^1 safe: nothing/),
      '1 boat and 1 mast: too large for whatever can be built at these walls.',
      '1 mop: 60 mm more of free wall at the North wall would house it.',
      '1 saw, 4 tyres and 1 bin: 980 mm more of free wall at the North wall would house one of them.',
      '1 rug: 980 mm more of free wall at the South wall would house it.',
    ])
  })
  it('and what is kept less well than it could be, by what is bad about it', () => {
    const of = (id: string) => ({ name: id, count: id === 'tins' ? 12 : 1 })
    const list = [
      { goodsId: 'radio', why: 'far-from-outlet', count: 1 },
      { goodsId: 'tins', why: 'over-eyes', count: 4 },
      { goodsId: 'can', why: 'over-eyes', count: 1 },
      { goodsId: 'mat', why: 'makeshift', count: 1 },
    ] as const
    expect(sayLessWell(list, of)).toEqual([
      '4 tins and 1 can: over the eyes, where what leaks or bursts should not be.',
      '1 radio: further from an outlet than a cord is long.',
      '1 mat: in a way that is only possible for them.',
    ])
    expect(sayLessWell([], of)).toEqual([])
  })
  it('and a presumed mass with what it is presumed from', () => {
    const [box, tin] = [
      { kg: 31.5, contents: 'books', kgPerLitre: 0.75 },
      { kg: 6, contents: 'usual', kgPerLitre: 1 },
    ] as const
    expect(sayPresumedShort(box, { name: 'box', count: 2 }, say)).toBe('box 32 kg each (as if full of books)')
    expect(sayPresumedShort(tin, { name: 'paint can', count: 1 }, say)).toBe('paint can 6 kg')
    expect(sayPresumed({ kg: 31.5, contents: 'books', kgPerLitre: 0.75 }, 'Box', say)).toBe(
      'Box 32 kg each, as if full of books, 0.8 kg a litre',
    )
  })
})

describe('what is no part of a plan', () => {
  const built = (id: string, count: number, ...checks: Partial<CheckResult>[]) => ({
    build: newBuild({ id, name: id, family: 'post-rack', params: {}, wallId: 'w', goods: [{ goodsId: 'x', count }] }),
    checks: checks as CheckResult[],
  })
  const shared = { check: 'shared-hold', state: 'unknown' } as const
  it('is all that fails, whatever it shares', () => {
    const list = [built('a', 9, { state: 'fails' }), built('b', 1, shared), built('c', 2, shared, { state: 'fails' })]
    expect([...toDrop(list)]).toEqual(['a', 'c'])
  })
  it('is none that is not proven by itself either: without the others it would be no more so', () => {
    const open = { check: 'joists', state: 'unknown' } as const
    expect([...toDrop([built('a', 4, shared, open), built('b', 3, shared, open)])]).toEqual([])
  })
  it('else of those that ask too much of the same joists the one that keeps least; else nothing', () => {
    expect([...toDrop([built('a', 4, shared), built('b', 3, shared), built('c', 1)])]).toEqual(['b'])
    expect([...toDrop([built('a', 4, { check: 'sag', state: 'unknown' }), built('b', 3, { state: 'holds' })])]).toEqual(
      [],
    )
  })
})
