import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { expectNear } from '../../test-support/near.ts'
import { faceMm2, massCentre } from '../assembly/mass.ts'
import { penetration, type TurnedBox } from './box.ts'
import { contactOf, outsideBy, roomTowards } from './contact.ts'
import { convexPieces, isConvex, isSimple, trianglesOf } from './pieces.ts'

/*
 *   500  ┌──────┐            an L: 600 long, 500 deep, the corner at the upper right left out
 *        │      │
 *   200  │      └───────┐
 *        └──────────────┘
 */
const L: [number, number][] = [
  [0, 0],
  [600, 0],
  [600, 200],
  [250, 200],
  [250, 500],
  [0, 500],
]
const solid = (outline?: [number, number][], size = [600, 500, 40], centre = [300, 250, 20]): TurnedBox => ({
  centre: centre as [number, number, number],
  along: [1, 0, 0],
  across: [0, 1, 0],
  size: size as [number, number, number],
  ...(outline ? { outline: outline.map(([u, v]) => [u - size[0] / 2, v - size[1] / 2] as const) } : {}),
})
const block = (x: number, y: number, side = 100) => solid(undefined, [side, side, 40], [x, y, 20])

describe('a face with a corner that points inwards', () => {
  it('is made of triangles that fill it, none beside it', () => {
    expect(isConvex(L)).toBe(false)
    const area = (t: readonly (readonly [number, number])[]) =>
      t.reduce((s, [u, v], i) => s + u * t[(i + 1) % t.length][1] - t[(i + 1) % t.length][0] * v, 0) / 2
    const all = trianglesOf(L).map(area)
    expect(Math.min(...all)).toBeGreaterThan(0)
    expectNear(
      all.reduce((s, a) => s + a, 0),
      600 * 200 + 250 * 300,
    )
    expect(convexPieces(solid())).toHaveLength(1)
    const p = { outline: L, size: { lengthMm: 600, widthMm: 500, thicknessMm: 40 } }
    expectNear(faceMm2(p), 195_000)
    // Middle of two rectangles.
    const at = { centre: [300, 250, 20], along: [1, 0, 0], across: [0, 1, 0] } as never
    expectNear(massCentre({ ...p, at })[0], (120_000 * 300 + 75_000 * 125) / 195_000)
  })
  it('leaves its corner free, and nothing else', () => {
    const l = solid(L)
    expect(penetration(l, block(425, 350))).toBeLessThanOrEqual(0)
    expect(contactOf(l, block(425, 350), 0.5)).toBeNull()
    expect(penetration(l, block(425, 150))).toBeGreaterThan(10)
    expect(penetration(l, block(100, 400))).toBeGreaterThan(10)
    expect(outsideBy(l, [425, 350, 20])).toBeGreaterThan(100)
    expect(outsideBy(l, [125, 350, 20])).toBe(0)
  })
  it('meets what lies in its corner on both its faces', () => {
    const c = contactOf(solid(L), block(300, 250), 0.5)!
    expect(c.box.min.slice(0, 2).map((v) => Math.round(v))).toEqual([250, 200])
    // Within the half millimetre they may be apart.
    for (const [v, want] of [
      [c.box.max[0], 350],
      [c.box.max[1], 300],
    ])
      expect(Math.abs(v - want)).toBeLessThanOrEqual(0.5)
  })
  it('has room as far as it goes', () => {
    const l = solid(L)
    expectNear(roomTowards(l, [100, 100, 20], [1, 0, 0]), 500, 1e-6)
    expectNear(roomTowards(l, [100, 300, 20], [1, 0, 0]), 150, 1e-6)
    expectNear(roomTowards(l, [100, 100, 20], [0, 1, 0]), 400, 1e-6)
    expect(roomTowards(l, [500, 400, 20], [1, 0, 0])).toBe(0)
  })
  it('two of them the same as one of them and a part of the other: never less than each piece', () => {
    fc.assert(
      fc.property(fc.integer({ min: -200, max: 800 }), fc.integer({ min: -200, max: 700 }), (x, y) => {
        const l = solid(L)
        const inside = (u: number, v: number) =>
          (u >= 0 && u <= 600 && v >= 0 && v <= 200) || (u >= 0 && u <= 250 && v >= 0 && v <= 500)
        expect(outsideBy(l, [x, y, 20]) === 0).toBe(inside(x, y))
      }),
    )
  })
})

it('an outline that crosses itself is none', () => {
  expect(isSimple(L)).toBe(true)
  expect(
    isSimple([
      [0, 0],
      [100, 100],
      [100, 0],
      [0, 100],
    ]),
  ).toBe(false)
})
