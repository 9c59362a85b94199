import { describe, expect, it } from '@jest/globals'
import { isTrouble } from '../checks/verdict.ts'
import { newGoods, type Goods } from '../goods/goods.ts'
import { METRIC } from '../measure/units.ts'
import { sayLever } from '../wording/levers.ts'
import { sayIn } from '../wording/say.ts'
import { lowerBoxes, packedLower } from './lower-boxes.ts'
import { newProject, type Project } from './project.ts'
import { startOf } from './proposals.ts'
import { readingsOf } from './read-build.ts'
import { readBuilds } from './read-builds.ts'

const tote = (count: number, tallMm = 420): Goods =>
  newGoods({ id: 't', name: 'tall tote', kind: 'tote', count, acrossMm: 430, deepMm: 600, tallMm, massKg: 14 })

/** A rack of totes fixed at a pitch that is too low for them. */
function tooLow(count = 6): Project {
  const p = newProject('p', 'p', 'metric', '2026-01-01T00:00:00.000Z')
  p.goods = [tote(count)]
  const made = startOf(p, 'tote-rack', {
    id: 'b',
    wallId: p.room.walls[0].id,
    offsetMm: 0,
    goods: [{ goodsId: 't', count }],
  })!
  const params = { ...(made.build.params as object), rows: 3, pitchMm: [null, 380, 380], columns: 4 }
  return { ...p, builds: [{ ...made.build, params: params as never }] }
}
const troublesOf = (p: Project) => readingsOf(readBuilds(p)).flatMap((r) => r.checks.filter(isTrouble))

describe('the same things in lower boxes', () => {
  it('are so many more and so much lighter each, of the same footprint, their rim not known', () => {
    const lower = packedLower(tote(6), 350)
    expect(lower).toMatchObject({ acrossMm: 430, deepMm: 600, tallMm: 350, count: 8, inUse: null })
    expect(lower.massKg).toBeCloseTo((14 * 350) / 420, 9)
    expect(lower.tote?.assumed).toBe(true)
    expect(packedLower({ ...tote(6), massKg: null }, 350).massKg).toBeNull()
    expect(packedLower(tote(6), 210).count).toBe(12)
  })
  it('are offered where height is what is wrong, the highest that go in, and end it', () => {
    const p = tooLow()
    const wrong = troublesOf(p).find((c) => c.code === 'taller-than-opening')!
    const [offer] = lowerBoxes(p, p.builds[0], wrong.id)
    expect(offer.goods!.tallMm).toBeLessThan(380)
    expect(offer.changes[0].data.count).toBe(offer.goods!.count)
    expect(offer.build.goods).toEqual([{ goodsId: 't', count: offer.goods!.count }])
    const then = { ...p, goods: [offer.goods!], builds: [offer.build] }
    expect(troublesOf(then).some((c) => c.code === wrong.code)).toBe(false)
    expect(troublesOf(then).length === 0).toBe(offer.allHold)
    expect(sayLever('lower-boxes', offer.changes[0].data, sayIn(METRIC), [])).toMatch(
      /^Pack "tall tote" into \d+ boxes/,
    )
  })
  it('not where something else is wrong, nor of what stands elsewhere too', () => {
    const p = tooLow()
    expect(lowerBoxes(p, p.builds[0], 'bending:rail-0')).toEqual([])
    const wrong = troublesOf(p).find((c) => c.code === 'taller-than-opening')!
    const more = { ...p, goods: [tote(9)] }
    expect(lowerBoxes(more, more.builds[0], wrong.id)).toEqual([])
  })
})
