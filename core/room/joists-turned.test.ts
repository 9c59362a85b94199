import { describe, expect, it } from '@jest/globals'
import { frameOf, TURNS } from '../clearance/placing.ts'
import { joistsOver } from './ceiling.ts'
import { mirroredJoists, turnedJoists } from './joists-turned.ts'
import { outline } from './outline.ts'
import type { Joists, Room } from './room.ts'
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
