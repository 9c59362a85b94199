import { describe, expect, it } from '@jest/globals'
import { canHoldTie, freeSpace, room, studCentres, type Room, type Wall } from './room.ts'

const wall: Wall = { id: 'w', name: 'North', lengthMm: 3000, heightMm: 2600, depthMm: 800, construction: { kind: 'studs', spacingMm: 600, firstMm: 300, studMm: 38, lined: true } }
const garage: Room = { name: 'g', walls: [wall], ceiling: { heightMm: 2400 }, floor: { kind: 'slab' } }

describe('room', () => {
  it('finds the studs of a wall, and none where it has none', () => {
    expect(studCentres(wall)).toEqual([300, 900, 1500, 2100, 2700])
    expect(studCentres({ ...wall, construction: { kind: 'masonry' } })).toEqual([])
    expect(studCentres({ ...wall, lengthMm: 300, construction: { ...wall.construction, firstMm: 400 } as Wall['construction'] })).toEqual([])
  })
  it('leaves a build what is right of its corner, up to the next build and under the lower of wall and ceiling', () => {
    expect(freeSpace(garage, wall, 1000)).toMatchObject({ lengthMm: 2000, heightMm: 2400, depthMm: 800, ceilingMm: 2400, studsMm: [500, 1100, 1700] })
    expect(freeSpace(garage, wall, 1000, 1800).lengthMm).toBe(800)
    expect(freeSpace(garage, wall, 4000).lengthMm).toBe(0)
  })
  it('knows what can hold a tie', () => {
    expect((['masonry', 'concrete', 'thin'] as const).map((kind) => canHoldTie({ kind }))).toEqual([true, true, false])
  })
  it('refuses walls that cannot be', () => {
    for (const change of [{ lengthMm: 0 }, { lengthMm: -5 }, { lengthMm: 1e9 }, { heightMm: NaN }, { name: '' }, { construction: { kind: 'studs', spacingMm: 0, firstMm: 0, studMm: 38, lined: true } }])
      expect(room.safeParse({ ...garage, walls: [{ ...wall, ...change }] }).success).toBe(false)
    expect(room.safeParse(garage).success).toBe(true)
  })
})
