import { describe, expect, it } from '@jest/globals'
import { newGoods } from '../goods/goods.ts'
import { startingParams } from '../families/wall-cabinet/parameters.ts'
import { newBuild } from './new-build.ts'
import { newProject, type Project } from './project.ts'
import { ratingWanted, waitsForRating } from './rating-wanted.ts'
import { readBuild } from './read-build.ts'

/** A cabinet with tins on a brick wall. */
function project(massKg: number, anchorRatedN: number | null = null): Project {
  const p = newProject('p', 'p', 'metric', '2026-01-01T00:00:00.000Z')
  const [wall] = p.room.walls
  const tins = newGoods({
    ...{ id: 'tin', name: 'tin', kind: 'box', count: 12 },
    ...{ acrossMm: 180, deepMm: 200, tallMm: 220, massKg },
  })
  return {
    ...p,
    settings: { ...p.settings, anchorRatedN },
    goods: [tins],
    room: { ...p.room, walls: [{ ...wall, construction: { kind: 'masonry' } }] },
    builds: [
      newBuild({
        ...{ id: 'b', name: 'Cabinet', family: 'wall-cabinet', wallId: wall.id, offsetMm: 600 },
        params: { ...startingParams('metric') },
        goods: [{ goodsId: 'tin', count: 12 }],
      }),
    ],
  }
}
const reading = (p: Project) => {
  const r = readBuild(p, p.builds[0])
  if (!r.ok) throw new Error(JSON.stringify(r.problem))
  return r.reading
}

describe('anchors nobody has rated', () => {
  it('are waited for, until somebody says what they hold', () => {
    expect(waitsForRating(reading(project(4)))).toBe(true)
    expect(waitsForRating(reading(project(4, 20_000)))).toBe(false)
  })
  it('hold from a rating on, and hardly below it', () => {
    const p = project(4)
    const { n, elseToo } = ratingWanted(p, p.builds[0])
    expect(elseToo).toBe(false)
    const trouble = (rated: number) => {
      const { verdict } = reading(project(4, rated))
      return verdict.fails + verdict.unknown
    }
    for (const more of [1, 1.2, 2, 5]) expect([more, trouble(more * n!)]).toEqual([more, 0])
    expect(trouble(n! / 1.1 - 50)).toBeGreaterThan(0)
  })
  it('must hold more where more hangs on them', () => {
    const [light, heavy] = [3, 8].map((kg) => ratingWanted(project(kg), project(kg).builds[0]).n!)
    expect(heavy).toBeGreaterThan(1.5 * light)
  })
  it('nothing is told to hold at the wall that no rating proves: what nobody has weighed, or is heavier than any holds', () => {
    for (const massKg of [null, 2000]) {
      const p = project(4)
      const other = { ...p, goods: p.goods.map((g) => ({ ...g, massKg })) }
      expect([massKg, ratingWanted(other, other.builds[0])]).toEqual([
        massKg,
        { n: null, unknown: massKg === null, elseToo: true },
      ])
    }
  })
  it('what does not hold for another reason is told, beside what its anchors want', () => {
    const p = project(4)
    const high = newGoods({ ...p.goods[0], id: 'high', tallMm: 1900, count: 1 })
    const goods = [...p.builds[0].goods, { goodsId: 'high', count: 1 }]
    const more = { ...p, goods: [...p.goods, high], builds: [{ ...p.builds[0], goods }] }
    const { n, elseToo } = ratingWanted(more, more.builds[0])
    expect(elseToo).toBe(true)
    expect(n).toBeGreaterThan(0)
  })
})
