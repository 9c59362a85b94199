import { describe, expect, it } from '@jest/globals'
import { findFamily } from '../families/registry.ts'
import { gapBetween, prism, type Convex } from '../geometry/convex.ts'
import { newBuild } from '../project/new-build.ts'
import { newProject, type Project } from '../project/project.ts'
import { roomPlan } from '../project/read-build.ts'
import { fromWall, type WallLine } from '../room/outline.ts'
import { Fitting, overAll, type Asking, type Held, type Sight } from './fitting.ts'
import { howMany, type Offer } from './offer.ts'

const WALL_MM = 4000
const STUDS: WallLine['wall']['construction'] = {
  ...{ kind: 'studs', firstMm: 400, spacingMm: 400, found: [] },
  ...{ studMm: 38, lined: false, liningMm: 0 },
}

/** A wall along which things stand, with studs every 400 mm. */
function wallOf(p: Project): WallLine {
  const [first, ...others] = p.room.walls
  const wall = { ...first, lengthMm: WALL_MM, depthMm: 900, construction: STUDS }
  return roomPlan({ ...p.room, walls: [wall, ...others] }).outline.walls[0]
}
const p = newProject('p', 'p', 'metric', '2026-01-01T00:00:00.000Z')
const w = wallOf(p)
/** From where to where along the wall, how far out, and how high it stands. */
function body(from: number, to: number, out: readonly [number, number], high: readonly [number, number]): Convex {
  const at = (along: number, o: number): [number, number] => [
    w.from[0] + along * w.along[0] + o * w.inward[0],
    w.from[1] + along * w.along[1] + o * w.inward[1],
  ]
  return prism([at(from, out[0]), at(to, out[0]), at(to, out[1]), at(from, out[1])], high[0], high[1])
}

/** What a build takes up: so long for each thing, so deep, from one height to another; and how many fixings it has there. */
interface Made {
  eachMm?: number
  deepMm?: number
  high?: readonly [number, number]
  fixings?: (fromMm: number, toMm: number) => number
  allowed?: boolean
}
function fitting(made: Made, standing: readonly Convex[] = []) {
  const { eachMm = 100, deepMm = 600, high = [0, 1800], fixings = () => 2, allowed = true } = made
  const looks: (Held & { atMm: number; count: number })[] = []
  const sight: Sight = {
    p,
    kindOf: (id) => findFamily(id)!,
    allowed: () => allowed,
    metBy: (o) => standing.filter((b) => gapBetween(o.body, b) < -1),
    fits: (o) =>
      allowed && sight.metBy(o, []).length === 0 && fromWall(w, [o.body.max[0], o.body.max[1]]).alongMm <= WALL_MM,
    look(a: Asking, offsetMm: number, held: Held): Offer {
      const count = howMany(a.lot)
      looks.push({ ...held, atMm: offsetMm, count })
      const long = Math.min(Math.max(count * eachMm, held.leastLongMm ?? 0), held.mostLongMm ?? Infinity)
      const [low, top] = held.overMm === null ? high : [held.overMm, held.overMm + high[1] - high[0]]
      const to = offsetMm + long
      return {
        build: newBuild({ id: 'x', wallId: w.wall.id, offsetMm, family: a.kind, params: {} }),
        ...{
          judged: false,
          troubles: 0,
          fails: false,
          ways: [],
          lessWell: [],
          asking: [],
          needsTwo: false,
          glued: false,
        },
        body: body(offsetMm, to, [0, Math.min(deepMm, held.mostDeepMm ?? Infinity)], [low, top]),
        ...{ housed: a.lot, minor: 0, floorM2: 1, reach: 0, inWall: true, overhead: false },
        fixings: fixings(offsetMm, to),
      }
    },
  }
  const at = (offsetMm: number, count = 12, more: Partial<Asking> = {}) =>
    new Fitting(sight).at({ kind: 'post-rack', w, lot: [{ goodsId: 'box', count }], others: [], ...more }, offsetMm)
  return { at, looks }
}
const along = (o: Offer): [number, number] => {
  const at = o.body.points.map(([x, y]) => fromWall(w, [x, y]).alongMm)
  return [Math.round(Math.min(...at)), Math.round(Math.max(...at))]
}
const deep = (o: Offer) => Math.round(Math.max(...o.body.points.map(([x, y]) => fromWall(w, [x, y]).outMm)))

describe('a build fitted to a place along a wall', () => {
  it('is as it comes where nothing is in its way, and looked at once', () => {
    const { at, looks } = fitting({})
    expect(along(at(500)!)).toEqual([500, 1700])
    expect(looks).toHaveLength(1)
  })
  it('is none where its builder does not want it', () => {
    expect(fitting({ allowed: false }).at(500)).toBeNull()
  })
  it('ends before what stands at the wall, with fewer of its goods', () => {
    const { at } = fitting({}, [body(1500, 2000, [0, 500], [0, 2000])])
    const o = at(500)!
    // A finger’s width before it.
    expect(along(o)[1]).toBeLessThanOrEqual(1495)
    expect(howMany(o.housed)).toBe(9)
  })
  it('is shallower behind what stands before the wall, and ends at it where too little is left behind', () => {
    const before = (outMm: number) => fitting({}, [body(0, WALL_MM, [outMm, 900], [0, 2000])]).at(500)
    const o = before(450)!
    expect([deep(o), howMany(o.housed)]).toEqual([440, 12])
    expect(deep(before(270)!)).toBe(260)
    // Less than 250 mm is left.
    expect(before(250)).toBeNull()
  })
  it('is only as long as there is room, with all its goods, where that is asked for', () => {
    const standing = [body(1500, 2000, [0, 500], [0, 2000])]
    const one = (squeezed: boolean) => fitting({ eachMm: 1100 }, standing).at(500, 1, { squeezed })
    expect(one(false)).toBeNull()
    expect(along(one(true)!)).toEqual([500, 1480])
  })
  it('that a single stud would hold is moved over two, or made longer, or is none', () => {
    const studs = [400, 800, 1200, 1600, 2000, 2400]
    const fixings = (from: number, to: number) => studs.filter((s) => s >= from + 40 && s <= to - 40).length
    // 480 mm long, with 40 beyond either stud: only from 360 on.
    const moved = fitting({ eachMm: 480, fixings }).at(100, 1)!
    expect(moved.fixings).toBe(2)
    expect(along(moved)[0]).toBe(360)
    const longer = fitting({ eachMm: 300, fixings }).at(350, 1)!
    expect(along(longer)).toEqual([350, 840])
    const barred = [body(0, 340, [0, 500], [0, 2000]), body(700, 900, [0, 500], [0, 2000])]
    expect(fitting({ eachMm: 300, fixings }, barred).at(350, 1)).toBeNull()
  })
  it('that hangs goes over what stands below it, a hand’s width, unless that is too high', () => {
    const over = (highMm: number) => {
      const { at } = fitting({ high: [1200, 1500] }, [body(0, WALL_MM, [0, 500], [0, highMm])])
      return at(0, 12, { kind: 'wall-cabinet' })
    }
    expect(over(1100)!.body.min[2]).toBe(1200)
    expect(over(1300)!.body.min[2]).toBe(1350)
    expect(over(1800)).toBeNull()
  })
  it('that hangs is not put over what is too deep to reach over, nor anywhere where it meets nothing', () => {
    const own = body(0, 1000, [0, 300], [1200, 1500])
    const below = (deepMm: number) => body(0, 1000, [0, deepMm], [0, 1300])
    expect(overAll(w, own, [below(900)])).toBe(1350)
    expect(overAll(w, own, [below(901)])).toBeNull()
    expect(overAll(w, own, [])).toBeNull()
  })
})
