import { describe, expect, it } from '@jest/globals'
import { inFourWalls, withRack } from '../../test-support/one-build.ts'
import { nextOffset, nextWall } from './next-place.ts'
import { readingsOf, roomPlan } from './read-build.ts'
import { readBuilds } from './read-builds.ts'
import { placeBuilds } from './room-checks.ts'
import { FEATURE_DEFAULTS, newFeature, type Feature, type FeatureKind } from '../room/features.ts'
import { fromWall, onPlan } from '../room/outline.ts'

describe('where the next build stands', () => {
  const sizeOf = (p: ReturnType<typeof withRack>) => {
    const [{ solids, frame }] = placeBuilds(roomPlan(p.room).outline, readingsOf(readBuilds(p)))
    return { whole: solids.whole, alongMm: frame.alongMm }
  }

  it('is past what reaches there from the next wall, and nowhere else', () => {
    const p = inFourWalls(withRack(6, 12, {}, 'tote', 'tote-rack'))
    const { outline } = roomPlan(p.room)
    const [first, second] = outline.walls
    // At the right end of the first wall it stands before the left end of the second.
    const atTheEnd = () => (p.builds[0] = { ...p.builds[0], offsetMm: first.wall.lengthMm - sizeOf(p).alongMm })
    // Near the end it is narrower than where there is room.
    atTheEnd()
    atTheEnd()
    const reachesMm = Math.max(...sizeOf(p).whole.points.map(([x, y]) => fromWall(second, [x, y]).alongMm))
    expect(reachesMm).toBeGreaterThan(200)
    expect(nextOffset(p, second.wall.id)).toBe(Math.ceil(reachesMm + 50))
    // Nearer to the middle of its wall it leaves the other alone.
    p.builds[0] = { ...p.builds[0], offsetMm: 0 }
    expect(nextOffset(p, second.wall.id)).toBe(0)
  })

  it('is before what stands at the right end, and on the first wall that has room', () => {
    const p = inFourWalls(withRack(6, 12, {}, 'tote', 'tote-rack'))
    const [first] = p.room.walls
    p.builds[0] = { ...p.builds[0], wallId: first.id, offsetMm: first.lengthMm - sizeOf(p).alongMm - 100 }
    expect(nextOffset(p, first.id)).toBe(0)
    expect(nextWall(p)).toBe(first.id)
    // A wall that a build takes whole has none.
    first.lengthMm = sizeOf(p).alongMm + 500
    p.builds[0] = { ...p.builds[0], offsetMm: 250 }
    expect(nextWall(p)).toBe(p.room.walls[1].id)
    expect(nextOffset(p, first.id)).toBe(Math.ceil(250 + sizeOf(p).alongMm + 50))
  })

  it('is past a door and what stands on the floor, and not past a socket or a lamp', () => {
    const p = inFourWalls(withRack(6, 12))
    p.builds = []
    const [first] = p.room.walls
    const stands = (kind: FeatureKind, atMm: number, over: Partial<Feature> = {}) => {
      const { wideMm, deepMm, highMm, upMm } = FEATURE_DEFAULTS[kind]
      const size = { wideMm, deepMm, highMm, upMm, ...over }
      p.room.features = [newFeature({ id: 'f', kind, wallId: first.id, atMm, ...size })]
      return nextOffset(p, first.id)
    }
    expect(stands('outlet', 100)).toBe(0)
    expect(stands('light', 100)).toBe(0)
    // A door at the left end: past its landing, and a hand's width.
    expect(stands('door', 100, { wideMm: 900 })).toBe(100 + 900 + 50)
    // Where less than 600 mm is left before it.
    expect(stands('door', 500, { wideMm: 900 })).toBe(500 + 900 + 50)
    expect(stands('door', 700, { wideMm: 900 })).toBe(0)
    expect(stands('furnace', 0)).toBeGreaterThan(FEATURE_DEFAULTS.furnace.wideMm)
    // At the next wall's left end it is in the way there, where it reaches to this one.
    p.room.features = [{ ...p.room.features[0], wallId: p.room.walls[1].id }]
    expect(nextOffset(p, first.id)).toBe(0)
    // A door that takes the wall leaves it to the next one.
    expect(stands('door', 200, { wideMm: first.lengthMm - 400, leaf: null })).toBe(0)
    expect(nextWall(p)).toBe(p.room.walls[1].id)
  })

  it('is said along and out from the wall, which is the way back from the plan', () => {
    for (const w of roomPlan(inFourWalls(withRack(6, 12)).room).outline.walls) {
      const { alongMm, outMm } = fromWall(w, onPlan(w, 1234, 567))
      expect([alongMm, outMm]).toEqual([expect.closeTo(1234, 6), expect.closeTo(567, 6)])
    }
  })

  it('is nowhere in a room without walls', () => {
    const p = withRack(6, 12)
    p.room.walls = []
    p.builds = []
    expect([nextWall(p), nextOffset(p, 'none')]).toEqual(['', 0])
  })
})
