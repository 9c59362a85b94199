import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { beamCurve } from '../mechanics/beam.ts'
import type { BeamLoad } from '../mechanics/beam.ts'
import { SolvedBeams, solveHeld, type Held } from './solve-held.ts'

const L = 2400
const held = (places: number[], loose = true): Held[] => places.map((atMm, i) => ({ id: `s${i}`, atMm, loose }))

describe('a member lying on its supports', () => {
  it('lifts off where it would have to be pulled down, and only there', () => {
    const r = solveHeld(
      L,
      { ei: 1e10 },
      held([0, 1000, 1400]),
      [{ kind: 'point', atMm: 1200, n: 500 }],
      new SolvedBeams(),
    )!
    expect(r.supports).not.toContain('s0')
    const fastened = solveHeld(
      L,
      { ei: 1e10 },
      held([0, 1000, 1400], false),
      [{ kind: 'point', atMm: 1200, n: 500 }],
      new SolvedBeams(),
    )!
    expect(fastened.supports).toEqual(['s0', 's1', 's2'])
    expect(Math.min(...fastened.result.reactions)).toBeLessThan(0)
  })
  it('cannot be held when all but one let go', () => {
    expect(
      solveHeld(L, { ei: 1e10 }, held([0, 300]), [{ kind: 'point', atMm: L, n: 500 }], new SolvedBeams()),
    ).toBeNull()
  })
  it('no loose support pulls, and the member sinks into none it has left', () => {
    const place = fc.integer({ min: 0, max: 24 })
    const load = fc
      .record({ at: fc.integer({ min: 0, max: 24 }), n: fc.integer({ min: 10, max: 3000 }) })
      .map((x): BeamLoad => ({ kind: 'point', atMm: x.at * 100, n: x.n }))
    fc.assert(
      fc.property(
        fc.uniqueArray(place, { minLength: 3, maxLength: 6 }),
        fc.array(load, { minLength: 1, maxLength: 5 }),
        (places, loads) => {
          const all = held(places.sort((a, b) => a - b).map((x) => x * 100))
          const r = solveHeld(L, { ei: 2e9 }, all, loads, new SolvedBeams())
          if (!r) return
          const total = loads.reduce((s, l) => s + (l.kind === 'point' ? l.n : 0), 0)
          for (const n of r.result.reactions) expect(n).toBeGreaterThanOrEqual(-1e-6 * total)
          const curve = beamCurve(r.spec)!
          for (const h of all) if (!r.supports.includes(h.id)) expect(curve.sagAt(h.atMm)).toBeLessThanOrEqual(1e-5)
          expect(Math.abs(r.result.reactions.reduce((s, n) => s + n, 0) - total)).toBeLessThan(1e-6 * total)
        },
      ),
      { numRuns: 300 },
    )
  })
})
