import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { beamCurve, solveBeam, type BeamLoad } from '../mechanics/beam.ts'
import { solveHeld, type Held } from './solve-held.ts'

const L = 2400
const held = (places: number[], loose = true): Held[] => places.map((atMm, i) => ({ id: `s${i}`, atMm, loose }))

describe('a member lying on its supports', () => {
  it('lifts off where it would have to be pulled down, and only there', () => {
    const r = solveHeld(L, { ei: 1e10 }, held([0, 1000, 1400]), [{ kind: 'point', atMm: 1200, n: 500 }])!
    expect(r.supports).not.toContain('s0')
    const fastened = solveHeld(L, { ei: 1e10 }, held([0, 1000, 1400], false), [{ kind: 'point', atMm: 1200, n: 500 }])!
    expect(fastened.supports).toEqual(['s0', 's1', 's2'])
    expect(Math.min(...fastened.result.reactions)).toBeLessThan(0)
  })
  it('cannot be held when all but one let go', () => {
    expect(solveHeld(L, { ei: 1e10 }, held([0, 300]), [{ kind: 'point', atMm: L, n: 500 }])).toBeNull()
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
          const r = solveHeld(L, { ei: 2e9 }, all, loads)
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

describe('what was solved before', () => {
  const place = fc.integer({ min: 0, max: 3 * L }).map((x) => x / 3)
  const anyBeam = fc.record({
    ei: fc.double({ min: 1e7, max: 1e11, noNaN: true }),
    places: fc.uniqueArray(place, {
      ...{ minLength: 2, maxLength: 5 },
      comparator: (a, b) => Math.abs(a - b) < L / 100,
    }),
    loads: fc.array(fc.record({ at: place, n: fc.double({ min: 1e-4, max: 5e3, noNaN: true }) }), {
      minLength: 1,
      maxLength: 4,
    }),
  })
  type AnyBeam = typeof anyBeam extends fc.Arbitrary<infer T> ? T : never
  /** With its places and forces off by so much of themselves. */
  const solve = (b: AnyBeam, off = 0) => {
    const near = (x: number) => x * (1 + off)
    return solveHeld(
      near(L),
      { ei: b.ei },
      held(
        b.places.map((x) => near(x)),
        false,
      ),
      b.loads.map(({ at, n }): BeamLoad => ({ kind: 'point', atMm: near(at), n: near(n) })),
    )!
  }
  it('is as it is solved by itself', () => {
    fc.assert(
      fc.property(anyBeam, (b) => {
        const { result } = solve(b)
        const alone = solveBeam({
          ...{ lengthMm: L, ei: b.ei, supports: b.places.map((atMm) => ({ atMm })) },
          loads: b.loads.map(({ at, n }) => ({ kind: 'point', atMm: at, n })),
        })!
        const most = Math.max(...alone.reactions.map(Math.abs))
        alone.reactions.forEach((n, i) => expect(Math.abs(result.reactions[i] - n)).toBeLessThan(1e-6 * most))
        expect(Math.abs(result.sag.mm - alone.sag.mm)).toBeLessThanOrEqual(1e-6 * Math.abs(alone.sag.mm))
      }),
      { numRuns: 200 },
    )
  })
  it('is the same beam when only rounding differs, and another one when its loads do by a millionth', () => {
    const b: AnyBeam = { ei: 2e9, places: [100, 1234.5, 2300], loads: [{ at: 700, n: 0.00123 }] }
    expect(solve(b, 1e-15)).toEqual(solve(b))
    const more = solve({ ...b, loads: [{ at: 700, n: 0.00123 * (1 + 1e-6) }] })
    expect(more.result.reactions[0] / solve(b).result.reactions[0] - 1).toBeCloseTo(1e-6, 8)
  })
  it('does not depend on what was solved between, or has been forgotten since', () => {
    const b: AnyBeam = { ei: 3e9, places: [0, 900, 2400], loads: [{ at: 300, n: 500 }] }
    const first = solve(b)
    for (let i = 1; i <= 9000; i++) solve({ ...b, loads: [{ at: 300, n: 500 + i / 100 }] })
    expect(solve(b)).toEqual(first)
    // It was solved anew: nothing keeps what nobody asks for.
    expect(solve(b).result).not.toBe(first.result)
  })
})
