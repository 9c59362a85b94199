import { describe, expect, it } from '@jest/globals'
import { gridPlate } from '../../test-support/grid-plate.ts'
import { expectNear } from '../../test-support/near.ts'
import { pinBends, pinInHole, pinMoment } from './bearing.ts'
import { solvePlate, type PlateSpec } from './plate.ts'

const D = 1e6
const corners = (a: number, b: number) => [
  { uMm: 0, vMm: 0 },
  { uMm: a, vMm: 0 },
  { uMm: 0, vMm: b },
  { uMm: a, vMm: b },
]
const square = (over: Partial<PlateSpec> = {}): PlateSpec => ({
  lengthMm: 600,
  widthMm: 600,
  along: D,
  across: D,
  twist: D / 2,
  supportsMm: [],
  points: corners(600, 600),
  beams: [],
  loads: [{ fromU: 0, toU: 600, fromV: 0, toV: 600, n: 360 }],
  ...over,
})

describe('a plate on points', () => {
  it('square on its four corners: each takes a quarter, and it sags as the differences say', () => {
    const r = solvePlate(square())!
    for (const n of r.points) expectNear(n, 90, 1e-6)
    const grid = gridPlate({
      ...square(),
      points: corners(600, 600),
      nu: 40,
      nv: 40,
      pressure: () => 360 / 600 ** 2,
    })
    expectNear(r.sag.mm, grid.sagMm, 0.02)
    // Published values with Poisson's ratio 0.3 lie at 0.025; without it the plate is a little softer.
    const k = (r.sag.mm * D) / ((360 / 600 ** 2) * 600 ** 4)
    expect(k).toBeGreaterThan(0.024)
    expect(k).toBeLessThan(0.029)
  })
  it('a shelf on pins set in from its edges, stiff along and soft across, as the differences say', () => {
    const points = [
      { uMm: 0, vMm: 40 },
      { uMm: 900, vMm: 40 },
      { uMm: 0, vMm: 280 },
      { uMm: 900, vMm: 280 },
    ]
    const spec = square({ lengthMm: 900, widthMm: 320, across: 0.3 * D, twist: 0.1 * D, points })
    const loads = [{ fromU: 300, toU: 600, fromV: 160, toV: 320, n: 200 }]
    const r = solvePlate({ ...spec, loads })!
    const inside = (u: number, v: number) => {
      const share = (x: number, from: number, to: number) => (x < from || x > to ? 0 : x === from || x === to ? 0.5 : 1)
      return (share(u, 300, 600) * (v < 160 ? 0 : v === 160 ? 0.5 : 1) * 200) / (300 * 160)
    }
    const grid = gridPlate({ ...spec, nu: 60, nv: 32, points, pressure: inside })
    expectNear(r.sag.mm, grid.sagMm, 0.03)
    r.points.forEach((n, i) => expectNear(n, grid.points[i], 0.02))
  })
  it('pins are in equilibrium with any load, about both axes', () => {
    const points = [
      { uMm: 5, vMm: 37 },
      { uMm: 795, vMm: 37 },
      { uMm: 5, vMm: 263 },
      { uMm: 795, vMm: 263 },
    ]
    const loads = [{ fromU: 40, toU: 240, fromV: 10, toV: 200, n: 120 }]
    const r = solvePlate(square({ lengthMm: 800, widthMm: 300, points, loads }))!
    const sum = (of: (p: (typeof points)[number]) => number) => r.points.reduce((s, n, i) => s + n * of(points[i]), 0)
    expectNear(
      sum(() => 1),
      120,
      1e-6,
    )
    expectNear(
      sum((p) => p.uMm),
      120 * 140,
      1e-5,
    )
    expectNear(
      sum((p) => p.vMm),
      120 * 105,
      1e-5,
    )
  })
  it('two points do not hold it', () => {
    expect(solvePlate(square({ points: corners(600, 600).slice(0, 2) }))).toBeNull()
  })
})

describe('a pin in its hole', () => {
  it('is in equilibrium where the wood yields: force and moment about the face', () => {
    const [fh, d, L, e] = [12, 5, 12, 9]
    const F = pinInHole(fh, d, L, e)
    // Pressed down over x from the face, up over the rest: F = fh·d·(x − (L − x)), F·e = −fh·d·(x²/2 − (L² − x²)/2).
    const x = (F / (fh * d) + L) / 2
    expectNear(F * e, -fh * d * (x ** 2 / 2 - (L ** 2 - x ** 2) / 2), 1e-9)
  })
  it('bends most where the wood stops pressing it', () => {
    const [fh, d, e, F] = [12, 5, 9, 60]
    const at = F / (fh * d)
    expectNear(pinMoment(F, fh, d, e), F * (e + at) - (fh * d * at ** 2) / 2, 1e-9)
    expectNear(pinBends(pinMoment(F, fh, d, e), fh, d, e), F, 1e-9)
  })
})
