import { describe, expect, it } from '@jest/globals'
import { newGoods, type Goods } from '../goods/goods.ts'
import { newProject, type Project } from '../project/project.ts'
import { NO_WISHES } from '../project/wishes.ts'
import type { Construction } from '../room/room.ts'
import { whyHomeless } from './help.ts'
import type { Offer } from './offer.ts'
import { planningRoom } from './plan-room.ts'
import type { PlannedRoom } from './planned.ts'

const STUDS: Construction = newProject('p', 'p', 'metric', '2026-01-01T00:00:00.000Z').room.walls[0].construction

/** A room of four walls of one make with one thing to keep. */
function room(
  kind: Goods['kind'],
  [acrossMm, deepMm, tallMm]: [number, number, number],
  massKg: number,
  { construction = STUDS, depthMm = 900 }: { construction?: Construction; depthMm?: number } = {},
): Project {
  const p = newProject('p', 'p', 'metric', '2026-01-01T00:00:00.000Z')
  const walls = ['n', 'e', 's', 'w'].map((id, i) => ({
    ...p.room.walls[0],
    id,
    name: id,
    lengthMm: i % 2 ? 4200 : 5400,
    depthMm,
    construction,
  }))
  const thing = newGoods({ id: 'x', name: 'x', kind, count: 1, acrossMm, deepMm, tallMm, massKg, often: 'weekly' })
  return {
    ...p,
    goods: [thing],
    room: { ...p.room, closed: true, walls },
    settings: { ...p.settings, anchorRatedN: 4000 },
  }
}

function planned(p: Project): PlannedRoom {
  const search = planningRoom(p, NO_WISHES, { rounds: 1 })
  for (;;) {
    const next = search.next()
    if (next.done) return next.value.plans[0]
  }
}
/** What is told of the one thing. */
const told = (p: Project) => planned(p).homeless[0]
const isHoused = (p: Project) => {
  const { homeless, measures } = planned(p)
  return homeless.length === 0 && measures.troubles === 0
}

describe('what would give a thing a place, where it has none', () => {
  it.each([
    ['board', [3000, 200, 200], 200],
    ['sheet', [2000, 100, 1000], 400],
    ['bicycle', [1750, 600, 1050], 90],
  ] as const)('a %s that is too heavy is held as heavy as is told', (kind, size, kg) => {
    const why = told(room(kind, [...size], kg))
    if (why.why !== 'too-heavy' || why.mostKg === null) throw new Error(why.why)
    expect(why.kg).toBe(kg)
    expect(why.mostKg).toBeGreaterThan(0)
    expect(isHoused(room(kind, [...size], why.mostKg))).toBe(true)
    expect(isHoused(room(kind, [...size], Math.min(kg, 2 * why.mostKg)))).toBe(false)
  })

  it.each([
    ['board', [3000, 200, 200], 8],
    ['board', [3000, 200, 200], 200],
    ['bicycle', [1750, 600, 1050], 90],
  ] as const)('a %s before walls that hold no fixing, light or heavy', (kind, size, kg) => {
    expect(told(room(kind, [...size], kg, { construction: { kind: 'thin' } })).why).toBe('bare-walls')
  })
  it('which is kept where the same walls are solid', () => {
    expect(isHoused(room('board', [3000, 200, 200], 8, { construction: { kind: 'concrete' } }))).toBe(true)
  })

  it.each([
    ['box', 'studs', [950, 1000, 600], STUDS],
    ['box', 'thin', [950, 1000, 600], { kind: 'thin' }],
    ['equipment', 'studs, turned', [1200, 950, 600], STUDS],
  ] as const)(
    '%s deeper than the strip before the walls (%s) is housed by one as deep as is told',
    (kind, _, size, c) => {
      const why = told(room(kind, [...size], 40, { construction: c }))
      if (why.why !== 'deeper') throw new Error(why.why)
      expect(why.deepMm).toBeGreaterThan(900)
      expect(isHoused(room(kind, [...size], 40, { construction: c, depthMm: Math.ceil(why.deepMm / 10) * 10 }))).toBe(
        true,
      )
    },
  )

  it('a box too deep is kept turned, whichever way round it was measured', () => {
    expect(isHoused(room('box', [600, 1000, 600], 40))).toBe(true)
    expect(isHoused(room('box', [1000, 600, 600], 40))).toBe(true)
  })

  it('what is higher than the room is too large, whatever the strip and the weight', () => {
    expect(told(room('equipment', [800, 800, 3500], 100)).why).toBe('too-large')
    expect(told(room('box', [3000, 2500, 2000], 5)).why).toBe('too-large')
  })
})

describe('a thing for which what fits beside the rest does not hold', () => {
  const p = room('board', [3000, 200, 200], 20)
  const lot = { goodsId: 'x', count: 1 }
  /** There is room at one wall of two, where nothing holds. */
  const told = (heldAt: string | null) =>
    whyHomeless(
      p,
      NO_WISHES,
      {
        walls: ['n', 'e'],
        freeMm: (wallId) => (wallId === 'n' ? 4000 : 500),
        kindsFor: () => [{ kind: 'board-rack', score: 3 }],
        offer: () => ({}) as Offer,
        settled: (o) => ({ ...o, fails: true }),
      },
      [],
      { mm: () => 3000, isHeld: (wallId) => wallId === heldAt },
      lot,
    )
  it('is told that more of a wall would house it where it holds there', () =>
    expect(told('e')).toEqual({ ...lot, why: 'more-wall', wallId: 'e', moreMm: 2500 }))
  it('and to be too heavy only where it holds at none', () => expect(told(null).why).toBe('too-heavy'))
})
