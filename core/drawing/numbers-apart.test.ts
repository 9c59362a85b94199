import { describe, expect, it } from '@jest/globals'
import type { Point } from '../geometry/hull.ts'
import { numbersApart } from './numbers-apart.ts'

const box = (x: number, y: number, w: number, d: number): Point[] => [
  [x, y],
  [x + w, y],
  [x + w, y + d],
  [x, y + d],
]
const INSIDE: Point = [3000, -2000]

describe('numbers of what is drawn from above', () => {
  it('stand in the middle of what is large enough, and beside what is thin, in the room', () => {
    const [rack, strip, side] = numbersApart(
      [box(0, -600, 2400, 600), box(3000, -20, 1200, 20), box(0, -4000, 20, 1000)],
      300,
      INSIDE,
    )
    expect(rack).toEqual([1200, -300])
    expect(strip[0]).toBeCloseTo(3600, 6)
    expect(strip[1]).toBeLessThan(-20 - 150)
    expect(side[0]).toBeGreaterThan(20 + 150)
  })
  it('are clear of each other where one hangs over the other', () => {
    const same = Array.from({ length: 6 }, () => box(0, -400, 2400, 400))
    const at = numbersApart(same, 300, INSIDE)
    at.forEach((a, i) =>
      at.slice(i + 1).forEach((b) => expect(Math.hypot(a[0] - b[0], a[1] - b[1])).toBeGreaterThanOrEqual(285)),
    )
  })
  it('are somewhere even where there is no room, or nothing to number', () => {
    expect(numbersApart([], 300, INSIDE)).toEqual([])
    const many = Array.from({ length: 40 }, () => box(0, 0, 10, 10))
    expect(numbersApart(many, 300, INSIDE).flat().every(Number.isFinite)).toBe(true)
    expect(
      numbersApart([[[5, 5]]], 300, INSIDE)
        .flat()
        .every(Number.isFinite),
    ).toBe(true)
  })
})
