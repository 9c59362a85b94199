import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { corners, penetration, type TurnedBox } from './box.ts'
import { contactOf, outsideBy, roomTowards } from './contact.ts'
import { add, norm, sub, type Vec3 } from './vec.ts'

const square = (min: Vec3, size: Vec3): TurnedBox => ({
  centre: [min[0] + size[0] / 2, min[1] + size[1] / 2, min[2] + size[2] / 2],
  along: [1, 0, 0],
  across: [0, 1, 0],
  size,
})
/** Everything turned about the upright axis, and moved. */
const turned = (v: Vec3, by: number): Vec3 => [
  v[0] * Math.cos(by) - v[1] * Math.sin(by),
  v[0] * Math.sin(by) + v[1] * Math.cos(by),
  v[2],
]
const moved = (b: TurnedBox, by: number, shift: Vec3): TurnedBox => ({
  centre: add(turned(b.centre, by), shift),
  along: turned(b.along, by),
  across: turned(b.across, by),
  size: b.size,
})
const near = (a: Vec3, b: Vec3, mm = 1e-6) => expect(norm(sub(a, b))).toBeLessThan(mm)
const length = fc.double({ min: 5, max: 2000, noNaN: true })
const sizes = fc.tuple(length, length, length)

describe('where two solids meet', () => {
  const post = square([0, 0, 0], [38, 89, 2000])
  it('is the rectangle two faces share, its middle in it', () => {
    const rail = square([20, 89, 900], [600, 38, 89])
    const c = contactOf(post, rail, 0)!
    near(c.at, [29, 89, 944.5])
    near(c.box.min, [20, 89, 900])
    near(c.box.max, [38, 89, 989])
  })
  it('is nowhere a millimetre apart, and there again with that much slack', () => {
    const rail = square([20, 90, 900], [600, 38, 89])
    expect(contactOf(post, rail, 0.5)).toBeNull()
    expect(contactOf(post, rail, 1.01)).not.toBeNull()
  })
  it('of a diagonal across a post is a parallelogram about their crossing', () => {
    const s = Math.SQRT1_2
    const brace: TurnedBox = { centre: [19, 98, 1000], along: [s, 0, s], across: [-s, 0, s], size: [1200, 89, 18] }
    const c = contactOf(post, brace, 0.01)!
    near([c.at[0], 0, c.at[2]], [19, 0, 1000], 0.05)
    // 89 mm wide at 45° it covers 89·√2 of a post, and as much more as the post is wide.
    expect(c.box.max[2] - c.box.min[2]).toBeCloseTo(89 * Math.SQRT2 + 38, 0)
  })
  it('does not depend on where they stand, how they are turned, or which is named first', () => {
    const turn = fc.double({ min: -3, max: 3, noNaN: true })
    fc.assert(
      fc.property(sizes, sizes, turn, fc.tuple(length, length, length), (p, q, by, shift) => {
        const a = square([0, 0, 0], p)
        // Against the far side of the first, half past its edge.
        const b = square([p[0] / 2, p[1], p[2] / 2], q)
        const here = contactOf(a, b, 0.01)!
        near(contactOf(moved(a, by, shift), moved(b, by, shift), 0.01)!.at, add(turned(here.at, by), shift), 0.1)
        near(contactOf(b, a, 0.01)!.at, here.at, 0.1)
        const there = Math.max(outsideBy(a, here.at), outsideBy(b, here.at))
        expect(there).toBeLessThanOrEqual(0.02)
      }),
    )
  })
})

describe('how far outside a solid a point lies', () => {
  const b = moved(square([-50, -20, -10], [100, 40, 20]), Math.PI / 6, [1000, 0, 0])
  it('is nothing inside, and the shortest way to it outside: off a face, an edge, a corner', () => {
    const at = (v: Vec3) => outsideBy(b, add(turned(v, Math.PI / 6), [1000, 0, 0]))
    expect(at([49, 19, 9])).toBe(0)
    expect(at([57, 0, 0])).toBeCloseTo(7, 9)
    expect(at([53, 24, 0])).toBeCloseTo(5, 9)
    expect(at([52, 23, 16])).toBeCloseTo(7, 9)
  })
})

describe('a plate with an outline', () => {
  // A triangle 300 by 200 with its right angle at the wall's upper corner, 12 thick.
  const gusset: TurnedBox = {
    ...square([0, 0, 0], [300, 200, 12]),
    outline: [
      [-150, 100],
      [-150, -100],
      [150, 100],
    ],
  }
  it('ends where its sloped edge does', () => {
    expect(corners(gusset)).toHaveLength(6)
    expect(outsideBy(gusset, [40, 160, 6])).toBe(0)
    // The middle of the rectangle lies on the edge; the lower right corner 200·300/√(200² + 300²) off it.
    expect(outsideBy(gusset, [150, 100, 6])).toBeCloseTo(0, 9)
    expect(outsideBy(gusset, [300, 0, 6])).toBeCloseTo(60000 / Math.hypot(200, 300), 9)
    expect(outsideBy(gusset, [40, 160, 15])).toBeCloseTo(3, 9)
  })
  it('does not meet what lies only within the rectangle around it', () => {
    const block = square([220, 10, 12], [60, 40, 30])
    expect(contactOf(gusset, block, 0.1)).toBeNull()
    expect(penetration(gusset, { ...block, centre: [250, 30, 6] })).toBeLessThan(0)
    expect(penetration(square([0, 0, 0], [300, 200, 12]), { ...block, centre: [250, 30, 6] })).toBeGreaterThan(0)
  })
  it('meets a board over its edge in what of its face is there', () => {
    const rail = square([-50, 150, 12], [500, 50, 38])
    const c = contactOf(gusset, rail, 0.1)!
    // A trapezoid 300 wide above and 225 below; its middle by hand.
    const below = 225
    const middle = (300 ** 2 + 300 * below + below ** 2) / (3 * (300 + below))
    near(c.at, [middle, 200 - ((50 / 3) * (300 + 2 * below)) / (300 + below), 12], 0.2)
    expect(c.box.max[0]).toBeCloseTo(300, 0)
  })
  it('has room along a way until it ends', () => {
    expect(roomTowards(gusset, [0, 200, 6], [1, 0, 0])).toBeCloseTo(300, 9)
    expect(roomTowards(gusset, [0, 100, 6], [1, 0, 0])).toBeCloseTo(150, 9)
    expect(roomTowards(gusset, [290, 10, 6], [1, 0, 0])).toBe(0)
  })
})
