import { describe, expect, it } from '@jest/globals'
import { newGoods } from '../goods/goods.ts'
import { newProject, type Project } from '../project/project.ts'
import { NO_WISHES } from '../project/wishes.ts'
import { RoomMarket } from './market.ts'
import { planningRoom } from './plan-room.ts'
import type { Planning } from './planned.ts'

/*
 * What has no place under any shelf stands on the floor by itself, and only that.
 */
const thing = (
  id: string,
  kind: 'equipment' | 'box',
  [acrossMm, deepMm, tallMm]: number[],
  massKg: number,
  count = 1,
) => newGoods({ ...{ id, name: id, kind, count }, acrossMm, deepMm, tallMm, massKg })
const cellar = (goods: ReturnType<typeof thing>[]) => {
  const p = newProject('p', 'Cellar', 'metric', '2026-01-01T00:00:00.000Z')
  const [first] = p.room.walls
  const construction = { ...first.construction, kind: 'studs' as const, spacingMm: 600, firstMm: 600 }
  const wall = { ...first, id: 'n', lengthMm: 4200, heightMm: 1850, depthMm: 1250, construction } as typeof first
  const room = { ...p.room, walls: [wall], ceiling: { ...p.room.ceiling, heightMm: 1850 } }
  return { ...p, goods, room }
}
/** The plans of a cellar, one at least. */
const planned = (p: Project) => {
  const search = planningRoom(p, NO_WISHES, { rounds: 12 })
  let step: IteratorResult<Planning, Planning>
  do step = search.next()
  while (!step.done)
  expect(step.value.plans.length).toBeGreaterThan(0)
  return step.value.plans
}
const fridge = thing('Refrigerator', 'equipment', [600, 650, 1750], 80)
const cases = thing('Case', 'box', [400, 300, 300], 8, 6)

describe('what has no place otherwise', () => {
  it('stands on the floor where the ceiling leaves no shelf over it, beside all else', () => {
    const p = cellar([fridge, cases])
    for (const plan of planned(p)) {
      expect(plan.homeless).toEqual([])
      expect(plan.measures.troubles).toBe(0)
      const places = plan.builds.filter((b) => b.family === 'floor-place')
      expect(places.map((b) => b.goods.map((h) => h.goodsId))).toEqual([['Refrigerator']])
    }
  })
  it('stands there too where somebody wishes it so, though a shelf would go over it', () => {
    const mower = { ...thing('Mower', 'equipment', [900, 560, 800], 30), keptAs: 'on-floor' as const }
    const p = cellar([mower, cases])
    const market = new RoomMarket(p, NO_WISHES)
    expect(market.kindsFor([{ goodsId: 'Mower', count: 1 }])).toEqual([{ kind: 'floor-place', score: 3 }])
    for (const plan of planned(p)) {
      expect(plan.homeless).toEqual([])
      const holding = plan.builds.find((b) => b.goods.some((g) => g.goodsId === 'Mower'))!
      expect(holding.family).toBe('floor-place')
    }
  })
  it('is no kind of build a plan is grown with, and none for what goes elsewhere', () => {
    const market = new RoomMarket(cellar([fridge, cases]), NO_WISHES)
    expect(market.kindsFor([{ goodsId: 'Refrigerator', count: 1 }]).map((k) => k.kind)).not.toContain('floor-place')
    expect(market.lastPlaces([], [{ goodsId: 'Case', count: 6 }])).toEqual([])
    const [found] = market.lastPlaces([], [{ goodsId: 'Refrigerator', count: 1 }])
    expect(found.build.family).toBe('floor-place')
    // Beside itself there is room for no more than its wall has.
    const all = market.lastPlaces([found], [{ goodsId: 'Refrigerator', count: 1 }])
    expect(all.every((x) => market.fits(x, [found]))).toBe(true)
  })
})
