import { describe, expect, it } from '@jest/globals'
import { sweptTop } from '../../../test-support/door-model.ts'
import { expectNear } from '../../../test-support/near.ts'
import { newGoods } from '../../goods/goods.ts'
import { METRIC } from '../../measure/units.ts'
import { newBuild } from '../../project/new-build.ts'
import { newProject, type Project } from '../../project/project.ts'
import { placesByDoor } from '../../project/places-by-door.ts'
import { roomPlan } from '../../project/read-build.ts'
import { readBuilds } from '../../project/read-builds.ts'
import { frameInRoom } from '../../project/room-checks.ts'
import { newFeature, USUAL_SECTIONAL } from '../../room/features.ts'
import { plainCeiling } from '../../room/room.ts'
import { sayCheck } from '../../wording/checks.ts'
import { sayIn } from '../../wording/say.ts'
import { startingParams } from './parameters.ts'

const say = sayIn(METRIC)
const [CEILING, WEB, RIM, DOOR] = [2900, 63, 40, 2134]
const s = USUAL_SECTIONAL
/** Height of the outside of the open door, from its track as one measures it. */
const REST = DOOR - s.topEdgeMm + s.beforeBendMm + s.radiusMm + s.rollerMm + s.thicknessMm

/** Two totes over the way of a door that rolls up, on the wall it is in, from `outMm` out. */
function overDoor(tallMm: number, outMm = 300): Project {
  const p = newProject('p', 'over a door', 'metric', '2026-01-01T00:00:00.000Z')
  const wallId = p.room.walls[0].id
  p.room.walls[0] = { ...p.room.walls[0], lengthMm: 5000, heightMm: CEILING, depthMm: 4000 }
  p.room.ceiling = {
    ...plainCeiling(CEILING),
    kind: 'joists',
    alongWallId: wallId,
    spacingMm: 400,
    firstMm: 200,
    joist: { wideMm: 45, deepMm: 195, spanMm: 3600 },
    allowanceKnM2: 0.96,
    finished: false,
  }
  p.room.features = [newFeature({ id: 'd', kind: 'sectional-door', wallId, atMm: 200, wideMm: 4500, highMm: DOOR })]
  const size = { acrossMm: 400, deepMm: 600, tallMm, massKg: 12 }
  p.goods = [
    {
      ...newGoods({ id: 'g', name: 'Tote', kind: 'tote', count: 2, ...size }),
      tote: { rimMm: RIM, overhangMm: 25, taperMm: 15, assumed: false },
    },
  ]
  const params = startingParams('metric') as never
  const build = newBuild({ id: 'b', name: 'b', family: 'ceiling-runners', params, wallId })
  p.builds = [{ ...build, offsetMm: 1000, outMm, goods: [{ goodsId: 'g', count: 2 }] }]
  return p
}
const sweepOf = (p: Project) => {
  const [r] = readBuilds(p)
  if (!r.ok) throw new Error(JSON.stringify(r.problem))
  return { c: r.reading.checks.find((x) => x.check === 'door-sweep')!, r: r.reading }
}
/** Highest place of the door over a stretch, by the model that shares nothing with the product's. */
const highest = (from: number, to: number) =>
  Math.max(
    ...sweptTop(
      {
        heightMm: DOOR,
        sections: s.sections,
        thickness: s.thicknessMm,
        radius: s.radiusMm,
        horizontal: s.horizontalMm,
        trackOut: s.trackOutMm,
        roller: s.rollerMm,
        topEdge: s.topEdgeMm,
        bottomEdge: s.bottomEdgeMm,
        beforeBend: s.beforeBendMm,
      },
      Array.from({ length: 61 }, (_, i) => from + ((to - from) * i) / 60),
    ).filter((v): v is number => v !== null),
  )

/** Over the two totes, worked out once. */
let known: number | null = null
const overTotes = (): number => (known ??= highest(300, 900))

describe('totes over the way of a door', () => {
  it('clear of the open door by 40 mm, and struck by its rising top edge, are refused with the gap', () => {
    const { c, r } = sweepOf(overDoor(CEILING - WEB + RIM - REST - 40))
    const low = r.shaped.assembly.bays[0].items[0].box.min[2]
    expectNear(low - REST, 40, 0.1)
    expect(c.state).toBe('fails')
    expect(Number(c.data.gapMm)).toBeLessThan(25)
    expect(sayCheck(c, say)).toMatch(/on the way up.*nothing may be taller than \d+ mm/)
    expect(c.bays).toHaveLength(2)
  })
  it('the tallest tote that passes is found to 2 mm, against a door model of its own', () => {
    const tall = Number(sweepOf(overDoor(420)).c.data.tallMm)
    const byModel = CEILING - WEB + RIM - (overTotes() + 25)
    expect(Math.abs(tall - byModel)).toBeLessThan(2)
    expect(sweepOf(overDoor(Math.floor(tall) - 1)).c.state).toBe('holds')
    expect(sweepOf(overDoor(Math.ceil(tall) + 2)).c.state).toBe('fails')
  })
  it('in behind the bend taller ones pass than over it', () => {
    const tallest = (out: number) => {
      let [lo, hi] = [200, 800]
      while (hi - lo > 20) {
        const middle = (lo + hi) / 2
        if (sweepOf(overDoor(middle, out)).c.state === 'holds') lo = middle
        else hi = middle
      }
      return lo
    }
    expect(tallest(1400)).toBeGreaterThan(tallest(300) + 24)
  })
})

describe('which places take which tote', () => {
  const room = () => {
    const p = overDoor(300)
    const [g] = p.goods
    const small = { ...g, id: 'small', name: 'Small', tallMm: 180, acrossMm: 380, count: 0 }
    const wide = { ...g, id: 'wide', name: 'Wide', acrossMm: 520, count: 0 }
    return { ...p, goods: [g, small, wide] }
  }
  const placesOf = (p: Project) => {
    const { r } = sweepOf(p)
    const { outline } = roomPlan(p.room)
    const wall = outline.walls.find((w) => w.wall.id === r.build.wallId)!
    return placesByDoor(r, { frame: frameInRoom(outline, r)!, wall, door: p.room.features[0] }, p.goods)
  }
  it('the tallest that clears is what the model of the door says', () => {
    const places = placesOf(room())
    expect(places).toHaveLength(2)
    const byModel = CEILING - WEB + RIM - (overTotes() + 25)
    for (const x of places) expect(Math.abs(x.tallestMm - byModel)).toBeLessThan(2)
  })
  it('a small make clears where a tall one is struck; one too wide for the runners is told', () => {
    const p = room()
    const tall = placesOf(p)[0].tallestMm
    p.goods[0] = { ...p.goods[0], tallMm: tall + 30 }
    p.goods[1] = { ...p.goods[1], tallMm: tall - 20 }
    for (const { sizes } of placesOf(p)) {
      expect(sizes.map((x) => [x.goodsId, x.clears])).toEqual([
        ['g', false],
        ['small', true],
        ['wide', false],
      ])
      expect(sizes[2].gapMm).toBeNull()
      expect(sizes[1].gapMm! - sizes[0].gapMm!).toBeGreaterThan(20)
    }
  })
  it('where nothing hangs by its rim there is nothing to say', () => {
    const p = room()
    p.builds = [{ ...p.builds[0], goods: [] }]
    const [r] = readBuilds(p)
    if (r.ok) expect(r.reading.shaped.assembly.bays.flatMap((b) => b.items)).toEqual([])
    else expect(r.problem.code).toMatch(/no-goods|no-totes/)
  })
})
