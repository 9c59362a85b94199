import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { findFamily } from '../families/registry.ts'
import { newGoods } from '../goods/goods.ts'
import { METRIC } from '../measure/units.ts'
import { RoomMarket } from '../planner/market.ts'
import { newBuild } from '../project/new-build.ts'
import { newProject, type Build, type Project } from '../project/project.ts'
import { contextOf, readingsOf } from '../project/read-build.ts'
import { readBuilds } from '../project/read-builds.ts'
import { remedies } from '../project/remedies.ts'
import { NO_WISHES } from '../project/wishes.ts'
import { sayCheck } from '../wording/checks.ts'
import { sayIn } from '../wording/say.ts'
import { shiftsOntoStuds } from './onto-studs.ts'
import { studCentres, type Wall } from './room.ts'

const wallOf = (firstMm: number, spacingMm: number, lengthMm = 4800): Wall => ({
  ...newProject('p', 'studs', 'metric', '2026-01-01T00:00:00.000Z').room.walls[0],
  lengthMm,
  construction: { kind: 'studs', spacingMm, firstMm, studMm: 38, lined: true, liningMm: 12.5, found: [] },
})
const behind = (w: Wall, from: number, to: number) =>
  studCentres(w).filter((x) => x >= from + 40 && x <= to - 40).length

describe('moved along a wall over a second stud', () => {
  it('is by the least that does it, to either side, and never off the wall', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 50, max: 600 }),
        fc.integer({ min: 300, max: 650 }),
        fc.integer({ min: 0, max: 4000 }),
        fc.integer({ min: 200, max: 800 }),
        (firstMm, spacingMm, from, long) => {
          const w = wallOf(firstMm, spacingMm)
          const to = from + long
          const { left, right } = shiftsOntoStuds(w, from, to)
          for (const [mm, way] of [
            [left, -1],
            [right, 1],
          ] as const) {
            // By trying each millimetre.
            const room = way < 0 ? from : w.lengthMm - to
            const tried = Array.from({ length: Math.max(0, room + 1) }, (_, i) => i).find(
              (i) => behind(w, from + way * i, to + way * i) >= 2,
            )
            if (tried === undefined) expect(mm).toBeNull()
            else expect(Math.abs(mm! - tried)).toBeLessThan(1)
          }
        },
      ),
    )
  })
  it('nothing does it for what is narrower than their spacing, or where there are none', () => {
    expect(shiftsOntoStuds(wallOf(300, 600), 1000, 1600)).toEqual({ left: null, right: null })
    expect(shiftsOntoStuds({ ...wallOf(300, 600), construction: { kind: 'masonry' } }, 0, 2000)).toEqual({
      left: null,
      right: null,
    })
  })
})

/** Four totes in a rack of one column, before a wall whose studs begin far out. */
function project(offsetMm: number, firstMm = 620, spacingMm = 400): Project {
  const p = newProject('p', 'studs', 'metric', '2026-01-01T00:00:00.000Z')
  const tote = { id: 't', name: 'tote', kind: 'tote' as const, count: 4, acrossMm: 490, deepMm: 720, tallMm: 350 }
  p.goods = [newGoods({ ...tote, massKg: 14 })]
  p.room.walls[0].construction = wallOf(firstMm, spacingMm).construction
  const bare = newBuild({ id: 'b', name: 'Rack', family: 'tote-rack', params: {}, wallId: 'wall-1', offsetMm })
  bare.goods = [{ goodsId: 't', count: 4 }]
  const params = findFamily('tote-rack')!.start(contextOf(p, bare)!) as Build['params']
  p.builds = [{ ...bare, params }]
  return p
}

describe('what a single stud would hold', () => {
  const p = project(100)
  const [r] = readingsOf(readBuilds(p))
  const check = r.checks.find((c) => c.check === 'fixing')!
  it('fails, and says how far along the wall a second one is', () => {
    expect(check).toMatchObject({ code: 'one-fixing', state: 'fails', data: { moveWay: 'right' } })
    expect(sayCheck(check, sayIn(METRIC))).toMatch(/Move it \d+ mm to the right, over a second stud/)
  })
  it('is offered the move, and then it is held', () => {
    const [first] = remedies(p, p.builds[0], check.id)
    expect(first.changes).toEqual([{ code: 'move', data: { mm: check.data.moveMm, way: 'right' } }])
    const [moved] = readingsOf(readBuilds({ ...p, builds: [first.build] }))
    expect(moved.checks.find((c) => c.check === 'fixing')).toMatchObject({ state: 'holds' })
  })
  it('is planned a little further along, and where it is held anyway it stays in the corner', () => {
    const offerOf = (q: Project) =>
      new RoomMarket({ ...q, builds: [] }, NO_WISHES).offer('tote-rack', 'wall-1', [{ goodsId: 't', count: 4 }], [])!
    const over = offerOf(project(0, 450))
    expect(over.fixings).toBeGreaterThanOrEqual(2)
    expect(over.build.offsetMm).toBeGreaterThan(0)
    expect(offerOf(project(0, 100)).build.offsetMm).toBe(0)
  })
})
