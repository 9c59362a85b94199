import { describe, expect, it } from '@jest/globals'
import { frameOf, TURNS } from '../clearance/placing.ts'
import { joistsOver } from './ceiling.ts'
import { turnedJoists } from './joists-turned.ts'
import { mirroredJoists, mirroredSpace } from './mirrored.ts'
import { outline } from './outline.ts'
import { fallAt, freeSpace, type Joists, type Room } from './room.ts'
import { newProject } from '../project/project.ts'

const room: Room = (() => {
  const { room: r } = newProject('p', 'p', 'metric', '2026-01-01T00:00:00.000Z')
  const ceiling = { ...r.ceiling, kind: 'joists' as const, spacingMm: 430, firstMm: 170 }
  return { ...r, ceiling: { ...ceiling, alongWallId: r.walls[0].id, joist: { wideMm: 45, deepMm: 200, spanMm: 5200 } } }
})()
const square: Room = {
  ...room,
  closed: true,
  walls: ['a', 'b', 'c', 'd'].map((id, i) => ({
    ...room.walls[0],
    ...{ id, name: id, lengthMm: i % 2 === 0 ? 6000 : 5000, cornerRad: Math.PI / 2 },
  })),
}

/** Lines of the joists on the plan, from what a build says of them in its own frame. */
const onPlan = (j: Joists, toPlan: (x: number, y: number) => readonly [number, number]) =>
  j.atMm.map((v) => {
    const [p, q] = j.run === 'out' ? [toPlan(v, 0), toPlan(v, 1)] : [toPlan(0, v), toPlan(1, v)]
    // Which way it runs, and how far it is from the origin.
    const way = Math.abs(q[0] - p[0]) > 0.5 ? 'x' : 'y'
    return `${way} ${(way === 'x' ? p[1] : p[0]).toFixed(3)}`
  })

describe.each(['a', 'b'])('joists along wall %s, over a build at wall a', (along) => {
  const r = { ...square, ceiling: { ...square.ceiling, alongWallId: along } }
  const o = outline(r)
  const wall = o.walls[0]
  const [wideMm, deepMm, at] = [2300, 640, { alongMm: 900, outMm: 700 }]
  const straight = joistsOver(r, o, wall, at)!
  const told = new Set(onPlan(straight, frameOf(wall, { ...at, turn: 0 }, wideMm, deepMm).toPlan))
  it.each(TURNS.map((t) => [t] as const))('turned %s times are those of the room', (turn) => {
    const j = turnedJoists(straight, turn, { wideMm, deepMm })
    const lines = onPlan(j, frameOf(wall, { ...at, turn }, wideMm, deepMm).toPlan)
    expect(new Set(lines)).toEqual(told)
    expect([...j.atMm]).toEqual([...j.atMm].sort((a, b) => a - b))
    // From where one begins to where it ends: the same stretch of the plan.
    const ends = (x: Joists, t: 0 | 1 | 2 | 3) => {
      const f = frameOf(wall, { ...at, turn: t }, wideMm, deepMm)
      const to = x.fromMm + x.size!.spanMm
      const [p, q] =
        x.run === 'out' ? [f.toPlan(0, x.fromMm), f.toPlan(0, to)] : [f.toPlan(x.fromMm, 0), f.toPlan(to, 0)]
      const i = Math.abs(q[0] - p[0]) > Math.abs(q[1] - p[1]) ? 0 : 1
      return [p[i], q[i]].sort((a, b) => a - b).map((v) => v.toFixed(3))
    }
    expect(ends(j, turn)).toEqual(ends(straight, 0))
  })
  it('mirrored twice are as they were', () => {
    const twice = mirroredJoists(mirroredJoists(straight, wideMm), wideMm)
    expect(twice.atMm.map((x) => x.toFixed(6))).toEqual(straight.atMm.map((x) => x.toFixed(6)))
    expect(twice.fromMm).toBeCloseTo(straight.fromMm, 6)
  })
})

describe('the space of a mirrored build', () => {
  const p = newProject('p', 'p', 'metric', '2026-01-01T00:00:00.000Z')
  const space = {
    ...freeSpace(p.room, p.room.walls[0], 300),
    floorFall: { atOriginMm: 2, xMmPerM: 5, yMmPerM: -3 },
    obstacles: [{ name: 'window', left: 400, right: 1100, footMm: 900, headMm: 2000, outMm: 0 }],
    prepared: [
      ...[{ of: 'b', kind: 'bolt' as const, on: 'wall' as const, left: 195, right: 205, from: 1495, to: 1505 }],
    ].map((x) => ({ ...x, thickMm: 60, holdsN: 900 })),
  }
  const wide = 2000
  const there = mirroredSpace(space, wide)
  it('has everything as far from its other end', () => {
    expect(there.obstacles[0]).toMatchObject({ left: 900, right: 1600, footMm: 900, headMm: 2000 })
    expect(there.prepared[0]).toMatchObject({ left: 1795, right: 1805, from: 1495, holdsN: 900 })
    const within = space.studsMm.filter((x) => x <= wide)
    expect(there.studsMm).toEqual(within.map((x) => wide - x).sort((a, b) => a - b))
  })
  it('falls as the floor does, at every place of the build', () => {
    for (const [x, y] of [
      [0, 0],
      [700, 300],
      [wide, 600],
    ])
      expect(fallAt(there.floorFall, wide - x, y)).toBeCloseTo(fallAt(space.floorFall, x, y), 9)
  })
  it('mirrored twice is as it was, within the build', () => {
    const again = mirroredSpace(there, wide)
    expect(again.obstacles).toEqual(space.obstacles)
    expect(again.prepared).toEqual(space.prepared)
    expect(again.floorFall.atOriginMm).toBeCloseTo(space.floorFall.atOriginMm, 9)
    expect(again.studsMm).toEqual(space.studsMm.filter((x) => x <= wide))
  })
})
