import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { boxOverlap, boxUnion, corners, extents, meetingAxis, penetration, type TurnedBox } from './box.ts'
import { hull } from './hull.ts'
import { cross, dot, norm, unit, type Vec3 } from './vec.ts'

const square = (centre: Vec3, size: Vec3): TurnedBox => ({ centre, size, along: [1, 0, 0], across: [0, 1, 0] })
const turned = (centre: Vec3, size: Vec3, angle: number): TurnedBox => ({
  centre,
  size,
  along: [Math.cos(angle), 0, Math.sin(angle)],
  across: [0, 1, 0],
})

describe('boxes', () => {
  it('overlap, touch and part', () => {
    const a = { min: [0, 0, 0] as Vec3, max: [10, 10, 10] as Vec3 }
    expect(boxOverlap(a, { min: [5, 5, 5], max: [20, 20, 20] })).toEqual({ min: [5, 5, 5], max: [10, 10, 10] })
    expect(boxOverlap(a, { min: [10, 0, 0], max: [20, 10, 10] })).toEqual({ min: [10, 0, 0], max: [10, 10, 10] })
    expect(boxOverlap(a, { min: [10.4, 0, 0], max: [20, 10, 10] })).toBeNull()
    expect(boxOverlap(a, { min: [10.4, 0, 0], max: [20, 10, 10] }, 0.5)?.min[0]).toBeCloseTo(10.2, 9)
  })
  it('reach as far as their corners, however they are turned', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -3, max: 3, noNaN: true }),
        fc.integer({ min: 1, max: 900 }),
        fc.integer({ min: 1, max: 90 }),
        (angle, l, w) => {
          const b = turned([10, 20, 30], [l, w, 40], angle)
          const points = corners(b)
          const box = extents(b)
          for (const i of [0, 1, 2]) {
            expect(box.min[i]).toBeCloseTo(Math.min(...points.map((p) => p[i])), 6)
            expect(box.max[i]).toBeCloseTo(Math.max(...points.map((p) => p[i])), 6)
          }
        },
      ),
    )
  })
  it('unite to the box around both', () => {
    expect(
      boxUnion([
        { min: [0, 0, 0], max: [1, 1, 1] },
        { min: [-2, 0, 0], max: [0, 5, 1] },
      ]),
    ).toEqual({ min: [-2, 0, 0], max: [1, 5, 1] })
  })
})

describe('the axis on which boxes meet', () => {
  it('is that along which they share least, and of two alike the one neither is long along', () => {
    const at = (min: [number, number, number], max: [number, number, number]) => ({ min, max })
    expect(meetingAxis(at([0, 0, 0], [100, 40, 90]), at([20, 40, 0], [60, 80, 90]))).toBe(1)
    // A rail along x in a notch of an upright as thick as itself: bolted through y.
    expect(meetingAxis(at([0, 0, 900], [2400, 40, 1100]), at([0, 0, 0], [40, 100, 1100]))).toBe(1)
  })
})
describe('penetration', () => {
  it('is the least push that parts square boxes', () => {
    expect(penetration(square([0, 0, 0], [10, 10, 10]), square([8, 0, 0], [10, 10, 10]))).toBeCloseTo(2, 9)
    expect(penetration(square([0, 0, 0], [10, 10, 10]), square([10, 0, 0], [10, 10, 10]))).toBeCloseTo(0, 9)
    expect(penetration(square([0, 0, 0], [10, 10, 10]), square([15, 0, 0], [10, 10, 10]))).toBeCloseTo(-5, 9)
  })
  it('sees that a diagonal passes a corner which its upright box would hit', () => {
    const brace = turned([500, 0, 500], [1200, 20, 90], Math.PI / 4)
    const corner = square([900, 0, 100], [80, 20, 80])
    expect(boxOverlap(extents(brace), extents(corner))).not.toBeNull()
    expect(penetration(brace, corner)).toBeLessThan(0)
  })
  it('is the same seen from either box', () => {
    fc.assert(
      fc.property(fc.double({ min: -2, max: 2, noNaN: true }), fc.integer({ min: -80, max: 80 }), (angle, x) => {
        const [a, b] = [turned([0, 0, 0], [100, 20, 30], angle), square([x, 5, 10], [60, 20, 20])]
        expect(penetration(a, b)).toBeCloseTo(penetration(b, a), 6)
      }),
    )
  })
})

describe('hull and vectors', () => {
  it('keeps the outer points, counter-clockwise', () => {
    expect(
      hull([
        [0, 0],
        [4, 0],
        [2, 1],
        [4, 4],
        [0, 4],
        [2, 2],
      ]),
    ).toEqual([
      [0, 0],
      [4, 0],
      [4, 4],
      [0, 4],
    ])
  })
  it('gives a cross product square to both', () => {
    const [a, b]: Vec3[] = [
      [1, 2, 3],
      [-2, 0.5, 4],
    ]
    expect(dot(cross(a, b), a)).toBeCloseTo(0, 9)
    expect(dot(cross(a, b), b)).toBeCloseTo(0, 9)
    expect(norm(unit(a))).toBeCloseTo(1, 12)
  })
})
