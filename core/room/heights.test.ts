import { describe, expect, it } from '@jest/globals'
import { newProject } from '../project/project.ts'
import { setCeilingHeight, setWallHeight } from './heights.ts'
import type { Room } from './room.ts'

function room(...heights: number[]): Room {
  const { room: r } = newProject('p', 'p', 'metric', '2026-01-01T00:00:00.000Z')
  return { ...r, walls: heights.map((heightMm, i) => ({ ...r.walls[0], id: `w${i}`, heightMm })) }
}
const all = (r: Room) => [...r.walls.map((w) => w.heightMm), r.ceiling.heightMm]

describe('heights of walls and ceiling', () => {
  it('begin alike', () => {
    const { room: r } = newProject('p', 'p', 'metric', '2026-01-01T00:00:00.000Z')
    expect(r.walls[0].heightMm).toBe(r.ceiling.heightMm)
  })
  it.each([
    ['a higher ceiling takes along the walls that went up to it', [2400, 1100], 2700, [2700, 1100, 2700]],
    ['a lower one too, and no wall stays higher', [2400, 2300, 1100], 2200, [2200, 2200, 1100, 2200]],
  ] as const)('%s', (_n, walls, mm, after) => {
    const r = room(...walls)
    setCeilingHeight(r, mm)
    expect(all(r)).toEqual(after)
  })
  it.each([
    [
      'a wall measured higher raises the ceiling, and what went up to it',
      [2400, 2400, 1100],
      2700,
      [2700, 2700, 1100, 2700],
    ],
    ['one measured lower is lower by itself', [2400, 2400], 1500, [1500, 2400, 2400]],
  ] as const)('%s', (_n, walls, mm, after) => {
    const r = room(...walls)
    setWallHeight(r, 'w0', mm)
    expect(all(r)).toEqual(after)
  })
})
