import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { expectNear } from '../../test-support/near.ts'
import { referencePlate } from '../../test-support/reference-plate.ts'
import { solvePlate, type PlateSpec } from './plate.ts'

const D = 3300 * (18 ** 3 / 12)
const plain = (over: Partial<PlateSpec> = {}): PlateSpec => ({
  lengthMm: 906,
  widthMm: 300,
  along: D,
  across: D,
  twist: 0.4 * D,
  supportsMm: [0, 906],
  beams: [],
  loads: [{ fromU: 0, toU: 906, fromV: 0, toV: 300, n: 550 }],
  ...over,
})

describe('a plate across its supports', () => {
  it('under an even load bends like a beam as wide: 5wL⁴/384EI, wL²/8', () => {
    const r = solvePlate(plain())!
    const w = 550 / 906 / 300
    expectNear(r.sag.mm, (5 * w * 906 ** 4) / 384 / D, 1e-3)
    expectNear(r.moment.nmm, (w * 906 ** 2) / 8, 5e-3)
  })
  it('over two spans: 0.00541 wl⁴/EI in the spans, wl²/8 over the middle', () => {
    const r = solvePlate(plain({ supportsMm: [0, 453, 906] }))!
    const w = 550 / 906 / 300
    expectNear(r.sag.mm, (0.005416 * w * 453 ** 4) / D, 0.01)
    expectNear(Math.abs(r.moment.nmm), (w * 453 ** 2) / 8, 0.02)
  })
  it('with one edge beam agrees with series and differences: the other edge is hardly helped', () => {
    for (const ei of [11_000 * ((18 * 44 ** 3) / 12), 4 * 11_000 * ((18 * 44 ** 3) / 12)]) {
      const s = plain({ beams: [{ vMm: 300, ei }] })
      const [r, ref] = [solvePlate(s)!, referencePlate(s)]
      expectNear(r.sag.mm, ref.sag, 0.02)
      expectNear(r.moment.nmm, ref.moment, 0.03)
      expectNear(r.beams[0], ref.beams[0], 0.03)
      expect(r.sag.vMm).toBe(0)
      // As if the beam stiffened the whole depth it would sag far less than it does.
      const whole = (5 * (550 / 906) * 906 ** 4) / 384 / (D * 300 + ei)
      expect(r.sag.mm).toBeGreaterThan(1.6 * whole)
    }
  })
  it('agrees with series and differences on any plate, load and beams', () => {
    fc.assert(
      fc.property(
        fc.record({
          lengthMm: fc.integer({ min: 400, max: 1500 }),
          widthMm: fc.integer({ min: 150, max: 600 }),
          across: fc.double({ min: 0.15, max: 1, noNaN: true }),
          twist: fc.double({ min: 0.08, max: 0.4, noNaN: true }),
          front: fc.double({ min: 0, max: 6, noNaN: true }),
          rear: fc.double({ min: 0, max: 6, noNaN: true }),
          box: fc.record({
            u: fc.double({ min: 0, max: 0.6, noNaN: true }),
            v: fc.double({ min: 0, max: 0.6, noNaN: true }),
          }),
        }),
        ({ lengthMm, widthMm, across, twist, front, rear, box }) => {
          const fromU = box.u * lengthMm
          const fromV = box.v * widthMm
          const s: PlateSpec = {
            lengthMm,
            widthMm,
            along: D,
            across: across * D,
            twist: twist * D,
            supportsMm: [0, lengthMm],
            beams: [
              { vMm: 0, ei: rear * D * 100 },
              { vMm: widthMm, ei: front * D * 100 },
            ],
            loads: [
              { fromU: 0, toU: lengthMm, fromV: 0, toV: widthMm, n: 60 },
              { fromU, toU: fromU + 0.4 * lengthMm, fromV, toV: fromV + 0.4 * widthMm, n: 300 },
            ],
          }
          const [r, ref] = [solvePlate(s)!, referencePlate(s)]
          expectNear(r.sag.mm, ref.sag, 0.03)
          expectNear(r.moment.nmm, ref.moment, 0.05)
        },
      ),
      { numRuns: 12 },
    )
  })
  it('more stiffness never sags more; a load that is a point is worse than one that is spread', () => {
    const box = (half: number): PlateSpec['loads'] => [
      { fromU: 453 - half, toU: 453 + half, fromV: 150 - half, toV: 150 + half, n: 300 },
    ]
    expect(solvePlate(plain({ loads: box(0) }))!.sag.mm).toBeGreaterThan(solvePlate(plain({ loads: box(60) }))!.sag.mm)
    let last = Infinity
    for (const ei of [0, 1e7, 1e8, 1e9, 1e10]) {
      const { sag } = solvePlate(plain({ beams: [{ vMm: 300, ei }] }))!
      expect(sag.mm).toBeLessThanOrEqual(last + 1e-9)
      last = sag.mm
    }
  })
  it('on one support it is not held', () => {
    expect(solvePlate(plain({ supportsMm: [400] }))).toBeNull()
  })
})
