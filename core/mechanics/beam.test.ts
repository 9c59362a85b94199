import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { expectNear } from '../../test-support/near.ts'
import { referenceBeam } from '../../test-support/reference-beam.ts'
import { beamCurve, solveBeam, type BeamLoad, type BeamSpec } from './beam.ts'

const share = (min: number, max: number) => fc.double({ min, max, noNaN: true })
type Straight = Exclude<BeamLoad, { kind: 'couple' }>
const load = (l: number): fc.Arbitrary<Straight> =>
  fc.oneof(
    fc
      .record({ at: share(0, 1), n: share(50, 3000) })
      .map((x): Straight => ({ kind: 'point', atMm: x.at * l, n: x.n })),
    fc.record({ from: share(0, 0.95), wide: share(0, 1), a: share(0, 6), b: share(0, 6) }).map((x): Straight => ({
      kind: 'line',
      fromMm: x.from * l,
      toMm: (x.from + Math.max(0.001, x.wide * (1 - x.from))) * l,
      startNPerMm: x.a + 0.01,
      endNPerMm: x.b,
    })),
  )
/**
 * Any beam of this trade: two to five supports, some springs, overhangs, up to five loads of every kind, with and
 * without shear.
 */
const beams = fc
  .record({
    lengthMm: share(300, 5000),
    ei: share(1e8, 2e11),
    soft: share(0.3, 1),
    changes: share(0.2, 0.8),
    shear: fc.boolean(),
  })
  .chain((g) =>
    fc.record({
      g: fc.constant(g),
      supports: fc.uniqueArray(fc.integer({ min: 0, max: 20 }), { minLength: 2, maxLength: 5 }).chain((list) =>
        fc.tuple(
          ...list
            .sort((a, b) => a - b)
            .map((x) =>
              fc.option(share(20, 5000), { nil: undefined, freq: 4 }).map((stiffness) => ({
                atMm: (x / 20) * g.lengthMm,
                ...(stiffness === undefined ? {} : { stiffness }),
              })),
            ),
        ),
      ),
      loads: fc.array(load(g.lengthMm), { minLength: 1, maxLength: 5 }),
    }),
  )

/** Of a length, or of a moment's scale: too little to matter to anyone, where a peak is itself nearly nought. */
const NOTHING = 1e-6
const weight = (loads: BeamLoad[]) =>
  loads.reduce((s, l) => {
    if (l.kind === 'couple') return s
    return s + (l.kind === 'point' ? l.n : ((l.startNPerMm + l.endNPerMm) / 2) * (l.toMm - l.fromMm))
  }, 0)

describe('beams against a second solver', () => {
  it('agree within a thousandth of their peaks: reactions, sag and moment anywhere', () => {
    fc.assert(
      fc.property(beams, share(0, 1), ({ g, supports, loads }, where) => {
        const x0 = g.changes * g.lengthMm
        const ga = g.shear ? (g.ei * 900) / g.lengthMm ** 2 : undefined
        const spec: BeamSpec = {
          lengthMm: g.lengthMm,
          ei: [
            { toMm: x0, ei: g.ei },
            { toMm: g.lengthMm, ei: g.ei * g.soft },
          ],
          ...(ga === undefined ? {} : { ga }),
          supports,
          loads,
        }
        const [got, curve] = [solveBeam(spec)!, beamCurve(spec)!]
        const ref = referenceBeam({
          lengthMm: g.lengthMm,
          ei: (x) => (x < x0 ? g.ei : g.ei * g.soft),
          ga,
          supports,
          loads,
        })
        const most = Math.max(...ref.reactions.map(Math.abs))
        got.reactions.forEach((r, i) => expect(Math.abs(r - ref.reactions[i])).toBeLessThanOrEqual(1e-3 * most))
        // Peaks of the reference on its own grid.
        const grid = Array.from({ length: 401 }, (_, i) => (i / 400) * g.lengthMm)
        const peak = (of: (x: number) => number) => Math.max(...grid.map((x) => Math.abs(of(x))))
        const [sag, moment] = [peak(ref.sagAt), peak(ref.momentAt)]
        const [sagSlack, momentSlack] = [
          1e-3 * sag + NOTHING * g.lengthMm,
          1e-3 * moment + NOTHING * weight(loads) * g.lengthMm,
        ]
        expect(Math.abs(got.sag.mm)).toBeGreaterThanOrEqual(sag - sagSlack)
        expect(Math.abs(got.sag.mm)).toBeLessThanOrEqual(sag + 2 * sagSlack)
        expect(Math.abs(got.moment.nmm)).toBeGreaterThanOrEqual(moment - momentSlack)
        const x = where * g.lengthMm
        expect(Math.abs(curve.sagAt(x) - ref.sagAt(x))).toBeLessThanOrEqual(sagSlack)
      }),
      { numRuns: 60 },
    )
  })
  it('a load whose edge lies just beside a support keeps its moment', () => {
    // 0.8 mm from the prop: moved to it, and its moment kept.
    const b: BeamSpec = {
      lengthMm: 2000,
      ei: 1e10,
      supports: [{ atMm: 0 }, { atMm: 1200 }],
      loads: [
        { kind: 'point', atMm: 1200.8, n: 1000 },
        { kind: 'line', fromMm: 1199.4, toMm: 2000, startNPerMm: 1, endNPerMm: 2 },
      ],
    }
    const d = 800.6
    const turning = 1000 * 1200.8 + d * (1199.4 + d / 2) + (d / 2) * (1199.4 + (2 * d) / 3)
    expectNear(solveBeam(b)!.reactions[1], turning / 1200, 1e-9)
  })
  it('turned end for end it bends the same', () => {
    fc.assert(
      fc.property(beams, ({ g, supports, loads }) => {
        const l = g.lengthMm
        const turned: BeamLoad[] = loads.map((x) =>
          x.kind === 'point'
            ? { ...x, atMm: l - x.atMm }
            : {
                kind: 'line',
                fromMm: l - x.toMm,
                toMm: l - x.fromMm,
                startNPerMm: x.endNPerMm,
                endNPerMm: x.startNPerMm,
              },
        )
        const one = solveBeam({ lengthMm: l, ei: g.ei, supports, loads })!
        const other = solveBeam({
          lengthMm: l,
          ei: g.ei,
          supports: supports.map((s) => ({ ...s, atMm: l - s.atMm })),
          loads: turned,
        })!
        expect(Math.abs(other.sag.mm - one.sag.mm)).toBeLessThanOrEqual(1e-3 * Math.abs(one.sag.mm) + NOTHING * l)
        expect(Math.abs(Math.abs(other.moment.nmm) - Math.abs(one.moment.nmm))).toBeLessThanOrEqual(
          1e-3 * Math.abs(one.moment.nmm) + NOTHING * weight(loads) * l,
        )
      }),
    )
  })
  it('twice the load bends twice as far; twice the stiffness half as far', () => {
    fc.assert(
      fc.property(beams, ({ g, supports, loads }) => {
        const rigid = supports.map(({ atMm }) => ({ atMm }))
        const one = solveBeam({ lengthMm: g.lengthMm, ei: g.ei, supports: rigid, loads })!
        const heavy = solveBeam({
          lengthMm: g.lengthMm,
          ei: g.ei,
          supports: rigid,
          loads: loads.map((x) =>
            x.kind === 'point'
              ? { ...x, n: 2 * x.n }
              : { ...x, startNPerMm: 2 * x.startNPerMm, endNPerMm: 2 * x.endNPerMm },
          ),
        })!
        const stiff = solveBeam({ lengthMm: g.lengthMm, ei: 2 * g.ei, supports: rigid, loads })!
        expectNear(heavy.sag.mm, 2 * one.sag.mm, 1e-6)
        expectNear(stiff.sag.mm, one.sag.mm / 2, 1e-6)
      }),
    )
  })
})

describe('loads nearer to a support than a two-thousandth of the length', () => {
  it('bend as statics says, to a millionth: a short patch and a point beside the node they would share', () => {
    // Simply supported, 2 m: a point load P at a gives P·a·b/L under it.
    for (const d of [0.05, 0.3, 0.7, 0.95]) {
      const one = solveBeam({
        lengthMm: 2000,
        ei: 1e10,
        supports: [{ atMm: 0 }, { atMm: 2000 }],
        loads: [
          { kind: 'point', atMm: 1000, n: 400 },
          { kind: 'point', atMm: 1000 + d, n: 600 },
        ],
      })!
      const right = (400 * 1000 + 600 * (1000 + d)) / 2000
      expectNear(one.moment.nmm, Math.max(right * (1000 - d), (1000 - right) * 1000), 1e-7)
      // A patch whose edge lies that near another load's place.
      const w = 5
      const patch = solveBeam({
        lengthMm: 2000,
        ei: 1e10,
        supports: [{ atMm: 0 }, { atMm: 2000 }],
        loads: [
          { kind: 'line', fromMm: 900, toMm: 1000 + d, startNPerMm: w, endNPerMm: w },
          { kind: 'point', atMm: 1000, n: 1e-6 },
        ],
      })!
      const [wide, centre] = [100 + d, 950 + d / 2]
      const rb = (w * wide * centre) / 2000
      const ra = w * wide - rb
      expectNear(patch.moment.nmm, ra * 900 + ra ** 2 / (2 * w), 1e-6)
    }
  })
  it('bend two spans as a second solver says', () => {
    const loads: BeamLoad[] = [
      { kind: 'point', atMm: 1000.4, n: 700 },
      { kind: 'line', fromMm: 500, toMm: 999.6, startNPerMm: 2, endNPerMm: 3 },
    ]
    const supports = [{ atMm: 0 }, { atMm: 1000 }, { atMm: 2000 }]
    const b = solveBeam({ lengthMm: 2000, ei: 1e10, supports, loads })!
    const r = referenceBeam({ lengthMm: 2000, ei: () => 1e10, supports, loads })
    expectNear(b.moment.nmm, r.momentAt(b.moment.atMm), 3e-5)
    b.reactions.forEach((n, i) => expectNear(n, r.reactions[i], 3e-5))
  })
})

describe('couples', () => {
  it('turn a simple beam by C/L at its ends, and the moment jumps by C where they act', () => {
    const b = solveBeam({
      lengthMm: 1000,
      ei: 1e9,
      supports: [{ atMm: 0 }, { atMm: 1000 }],
      loads: [{ kind: 'couple', atMm: 300, nmm: 90_000 }],
    })!
    expectNear(b.reactions[0], -90, 1e-9)
    expectNear(b.reactions[1], 90, 1e-9)
    expectNear(b.moment.nmm, 63_000, 1e-9)
    expect(b.moment.atMm).toBeCloseTo(300, 6)
  })
  it('bend beams on any supports as a second solver says', () => {
    const supports = [{ atMm: 0 }, { atMm: 700 }, { atMm: 1500 }]
    const loads: BeamLoad[] = [
      { kind: 'couple', atMm: 250, nmm: 50_000 },
      { kind: 'couple', atMm: 1200, nmm: -80_000 },
      { kind: 'point', atMm: 1000, n: 120 },
    ]
    const b = solveBeam({ lengthMm: 1500, ei: 2e10, supports, loads })!
    const r = referenceBeam({ lengthMm: 1500, ei: () => 2e10, supports, loads })
    b.reactions.forEach((n, i) => expectNear(n, r.reactions[i], 1e-3))
    const curve = beamCurve({ lengthMm: 1500, ei: 2e10, supports, loads })!
    for (const x of [100, 400, 900, 1300]) expectNear(curve.sagAt(x), r.sagAt(x), 2e-3)
  })
})
