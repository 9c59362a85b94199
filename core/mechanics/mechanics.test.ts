import { describe, expect, it } from '@jest/globals'
import { readFileSync, writeFileSync } from 'node:fs'
import { verificationPage, WORKED } from '../../test-support/worked-examples.ts'
import fc from 'fast-check'
import { findGrade } from '../catalogue/lumber.ts'
import { findSheet, ownSheetId } from '../catalogue/sheets.ts'
import { findScrew, SCREWS } from '../catalogue/fasteners.ts'
import { expectNear } from '../../test-support/near.ts'
import { inches, MPA_PER_PSI, N_PER_LBF } from '../measure/units.ts'
import { beamCurve, solveBeam, type BeamSpec } from './beam.ts'
import { columnStability, instabilityFactor } from './column.ts'
import { sagAfter } from './creep.ts'
import type { Conditions } from './methods/method.ts'
import { asd } from './methods/asd.ts'
import { ec5 } from './methods/ec5.ts'
import { secondMoment } from './section.ts'
import { screwWithdrawal } from './withdrawal.ts'

const [L, EI, W, P] = [2400, 3e10, 2.5, 900]
const uniform = (from = 0, to = L, w = W) => ({
  kind: 'line' as const,
  fromMm: from,
  toMm: to,
  startNPerMm: w,
  endNPerMm: w,
})
const simple = { supports: [{ atMm: 0 }, { atMm: L }], lengthMm: L, ei: EI }
const solve = (b: BeamSpec) => solveBeam(b)!

describe('beam against closed forms', () => {
  it('simple, uniform: M = wL²/8, sag 5wL⁴/384EI', () => {
    const r = solve({ ...simple, loads: [uniform()] })
    expectNear(r.moment.nmm, (W * L ** 2) / 8, 1e-9)
    expectNear(r.sag.mm, (5 * W * L ** 4) / (384 * EI), 1e-6)
    expectNear(r.shear.n, (W * L) / 2, 1e-9)
    expect(r.sag.atMm).toBeCloseTo(L / 2, 2)
  })
  it('halving the span cuts the sag to a sixteenth', () => {
    const half = solve({
      lengthMm: L / 2,
      ei: EI,
      supports: [{ atMm: 0 }, { atMm: L / 2 }],
      loads: [uniform(0, L / 2)],
    })
    expectNear(solve({ ...simple, loads: [uniform()] }).sag.mm / half.sag.mm, 16, 1e-6)
  })
  it('simple, point in the middle: PL/4 and PL³/48EI', () => {
    const r = solve({ ...simple, loads: [{ kind: 'point', atMm: L / 2, n: P }] })
    expectNear(r.moment.nmm, (P * L) / 4, 1e-9)
    expectNear(r.sag.mm, (P * L ** 3) / (48 * EI), 1e-6)
  })
  it('simple, point off centre: largest sag Pb(L²−b²)^1.5/(9√3·EI·L) at √((L²−b²)/3)', () => {
    const b = L / 4
    const r = solve({ ...simple, loads: [{ kind: 'point', atMm: L - b, n: P }] })
    expectNear(r.sag.mm, (P * b * (L * L - b * b) ** 1.5) / (9 * Math.sqrt(3) * EI * L), 1e-5)
    expectNear(r.sag.atMm, Math.sqrt((L * L - b * b) / 3), 1e-4)
  })
  it('clamped both ends, uniform: wL²/12 and wL⁴/384EI', () => {
    const r = solve({
      ...simple,
      supports: [
        { atMm: 0, clamped: true },
        { atMm: L, clamped: true },
      ],
      loads: [uniform()],
    })
    expectNear(Math.abs(r.moment.nmm), (W * L ** 2) / 12, 1e-9)
    expectNear(r.sag.mm, (W * L ** 4) / (384 * EI), 1e-6)
  })
  it('cantilever, point at the tip: PL and PL³/3EI', () => {
    const r = solve({ ...simple, supports: [{ atMm: 0, clamped: true }], loads: [{ kind: 'point', atMm: L, n: P }] })
    expectNear(r.moment.nmm, -P * L, 1e-9)
    expectNear(r.sag.mm, (P * L ** 3) / (3 * EI), 1e-9)
  })
  it('propped cantilever, uniform: far reaction 3wL/8, sag wL⁴/185EI', () => {
    const r = solve({ ...simple, supports: [{ atMm: 0, clamped: true }, { atMm: L }], loads: [uniform()] })
    expectNear(r.reactions[1], (3 * W * L) / 8, 1e-9)
    expectNear(r.sag.mm, (W * L ** 4) / (184.6 * EI), 1e-3)
  })
  it('two equal spans, uniform: reactions 3/8, 10/8, 3/8 and −wl²/8 over the middle', () => {
    const l = L / 2
    const r = solve({ ...simple, supports: [{ atMm: 0 }, { atMm: l }, { atMm: L }], loads: [uniform()] })
    expectNear(r.reactions[0], (3 * W * l) / 8, 1e-9)
    expectNear(r.reactions[1], (10 * W * l) / 8, 1e-9)
    expectNear(r.moment.nmm, (-W * l * l) / 8, 1e-9)
  })
  it('three equal spans, uniform: 0.4, 1.1, 1.1, 0.4 wl', () => {
    const l = L / 3
    const r = solve({ ...simple, supports: [0, 1, 2, 3].map((i) => ({ atMm: i * l })), loads: [uniform()] })
    ;[0.4, 1.1, 1.1, 0.4].forEach((k, i) => expectNear(r.reactions[i], k * W * l, 1e-9))
  })
  it('triangular load: largest moment wL²/(9√3) at L/√3', () => {
    const r = solve({ ...simple, loads: [{ kind: 'line', fromMm: 0, toMm: L, startNPerMm: 0, endNPerMm: W }] })
    expectNear(r.moment.nmm, (W * L * L) / (9 * Math.sqrt(3)), 1e-9)
    expectNear(r.moment.atMm, L / Math.sqrt(3), 1e-9)
  })
  it('overhang: moment over the support is wa²/2', () => {
    const a = 600
    const r = solve({ lengthMm: L + a, ei: EI, supports: [{ atMm: 0 }, { atMm: L }], loads: [uniform(L, L + a)] })
    expectNear(r.moment.nmm, (-W * a * a) / 2, 1e-9)
    expectNear(r.reactions[0], (-W * a * a) / 2 / L, 1e-9)
  })
  it('stepped stiffness, and a spring, agree with virtual work', () => {
    // Half the length twice as stiff; point in the middle: δ = PL³/96·(1/EI₁ + 1/EI₂).
    const r = solve({
      ...simple,
      ei: [
        { toMm: L / 2, ei: EI },
        { toMm: L, ei: 2 * EI },
      ],
      loads: [{ kind: 'point', atMm: L / 2, n: P }],
    })
    const curve = beamCurve({
      ...simple,
      ei: [
        { toMm: L / 2, ei: EI },
        { toMm: L, ei: 2 * EI },
      ],
      loads: [{ kind: 'point', atMm: L / 2, n: P }],
    })!
    expectNear(curve.sagAt(L / 2), ((P * L ** 3) / 96) * (1 / EI + 1 / (2 * EI)), 1e-9)
    expect(r.sag.mm).toBeGreaterThanOrEqual(curve.sagAt(L / 2))
    const k = 50
    const sprung = solve({
      ...simple,
      supports: [
        { atMm: 0, stiffness: k },
        { atMm: L, stiffness: k },
      ],
      loads: [{ kind: 'point', atMm: L / 2, n: P }],
    })
    expectNear(sprung.sag.mm, (P * L ** 3) / (48 * EI) + P / 2 / k, 1e-9)
  })
  it('refuses a mechanism', () => {
    expect(solveBeam({ ...simple, supports: [{ atMm: 0 }], loads: [uniform()] })).toBeNull()
    expect(solveBeam({ ...simple, supports: [], loads: [uniform()] })).toBeNull()
  })
})

describe('beam properties', () => {
  const load = fc.record({
    from: fc.double({ min: 0, max: 0.8, noNaN: true }),
    wide: fc.double({ min: 0.02, max: 0.2, noNaN: true }),
    w: fc.double({ min: 0.1, max: 10, noNaN: true }),
  })
  const loads = fc
    .array(load, { minLength: 1, maxLength: 6 })
    .map((list) => list.map((x) => uniform(x.from * L, (x.from + x.wide) * L, x.w)))
  const inner = fc
    .array(fc.double({ min: 0.1, max: 0.9, noNaN: true }), { maxLength: 3 })
    .map((list) => [0, ...list, 1].map((x) => ({ atMm: x * L })))
  it('is in equilibrium: forces and moments', () => {
    fc.assert(
      fc.property(loads, inner, (q, supports) => {
        const r = solve({ ...simple, supports, loads: q })
        const total = q.reduce((n, l) => n + l.startNPerMm * (l.toMm - l.fromMm), 0)
        const turning = q.reduce((n, l) => n + (l.startNPerMm * (l.toMm - l.fromMm) * (l.toMm + l.fromMm)) / 2, 0)
        expectNear(
          r.reactions.reduce((a, b) => a + b, 0),
          total,
          1e-6,
        )
        // A load's edge may have moved to a node: by no more than a two-thousandth of the length.
        expect(Math.abs(r.reactions.reduce((a, b, i) => a + b * supports[i].atMm, 0) - turning)).toBeLessThanOrEqual(
          (total * L) / 2000,
        )
      }),
    )
  })
  it('superposes, mirrors, and sags no less under more', () => {
    fc.assert(
      fc.property(loads, (q) => {
        const at = (list: typeof q, x: number) => beamCurve({ ...simple, loads: list })!.sagAt(x)
        // Against the sag of the whole load in the middle: a load's edge may have moved by a two-thousandth of the
        // length.
        const scale = q.reduce((n, l) => n + (l.startNPerMm * (l.toMm - l.fromMm) * L ** 3) / (48 * EI), 0)
        expect(Math.abs(at(q, 900) - q.reduce((s, l) => s + at([l], 900), 0))).toBeLessThan(0.003 * scale)
        const mirrored = q.map((l) => ({ ...l, fromMm: L - l.toMm, toMm: L - l.fromMm }))
        expect(Math.abs(at(mirrored, L - 900) - at(q, 900))).toBeLessThan(0.003 * scale)
        expect(solve({ ...simple, loads: [...q, uniform(0, L, 0.1)] }).sag.mm).toBeGreaterThan(
          solve({ ...simple, loads: q }).sag.mm,
        )
      }),
    )
  })
})

describe('columns', () => {
  it('NDS CP: hand-worked 2x4 of spruce-pine-fir No. 2, le/d = 48', () => {
    // Fc* = 1150·0.9·1.15 = 1190.25; FcE = 0.822·510000/48² = 181.95; ratio 0.15287; t = 0.72054; CP = 0.1477
    const fcStar = 1190.25 * MPA_PER_PSI
    expectNear(columnStability(fcStar, 510000 * MPA_PER_PSI, 48)!, 0.1477, 0.001)
    expect(columnStability(fcStar, 510000 * MPA_PER_PSI, 50.1)).toBeNull()
    expectNear(columnStability(fcStar, 510000 * MPA_PER_PSI, 0.01)!, 1, 1e-3)
  })
  it('EC5 kc: C24 at λ = 60 and λ = 100', () => {
    // λrel = λ/π·√(21/7400) = 1.0174 → k = 1.0893, kc = 1/(1.0893 + √0.15144) = 0.6764; λ = 100: λrel 1.6957, k 2.0772, kc 0.3052
    expectNear(instabilityFactor(21, 7400, 60), 0.6764, 0.0005)
    expectNear(instabilityFactor(21, 7400, 100), 0.3052, 0.0005)
    expect(instabilityFactor(21, 7400, 10)).toBe(1)
  })
})

const DRY: Conditions = { moisture: 'dry', duration: 'permanent' }
const SHED: Conditions = { moisture: 'unheated', duration: 'permanent' }
describe('methods', () => {
  const spf = findGrade('spf-no2')!
  const c24 = findGrade('c24')!
  const use = { depthMm: inches(3.5), nominalWidth: 4, flat: false }
  it('NDS: Fb′ of a 2x4 on edge is 875·0.9·1.5, flat 1.1 more', () => {
    expectNear(asd.bending(spf, use, SHED)!.value / MPA_PER_PSI, 875 * 0.9 * 1.5, 1e-9)
    expectNear(asd.bending(spf, { ...use, flat: true }, SHED)!.value / MPA_PER_PSI, 875 * 0.9 * 1.5 * 1.1, 1e-9)
    expectNear(asd.bearing(spf, DRY, { lengthMm: 200, beforeMm: 0, afterMm: 0 })!.value / MPA_PER_PSI, 425, 1e-9)
  })
  it('EC5: fm,d of C24, 100 mm deep, long-term, class 2', () =>
    expectNear(
      ec5.bending(c24, { depthMm: 100, nominalWidth: null, flat: false }, { ...SHED, duration: 'long' })!.value,
      (24 * 0.7 * 1.0845) / 1.3,
      1e-4,
    ))
  it('has no value where the method gives none', () => {
    expect(ec5.bending(spf, use, DRY)).toBeNull()
    expect(asd.modulus(c24, DRY)).toBeNull()
  })
  it('creeps: lumber 1.5, panels 2, fibreboard as Eurocode even in the North American method', () => {
    expect(asd.creep('lumber', DRY).value).toBe(1.5)
    expect(asd.creep('osb', DRY).value).toBe(2)
    expect(asd.creep('mdf', SHED).value).toBe(4)
    expect(ec5.creep('osb', SHED).value).toBe(3.25)
  })
  it('goods that change: CD 1.0; goods for good: kmod 0.6; above 19 % moisture: CM 0.85', () => {
    expectNear(
      asd.bending(spf, use, { ...SHED, duration: 'long' })!.value / asd.bending(spf, use, SHED)!.value,
      1 / 0.9,
      1e-9,
    )
    expectNear(
      asd.bending(spf, use, { ...SHED, moisture: 'wet' })!.value / asd.bending(spf, use, SHED)!.value,
      0.85,
      1e-9,
    )
    expectNear(
      ec5.bending(c24, use, SHED)!.value / ec5.bending(c24, use, { ...SHED, duration: 'long' })!.value,
      6 / 7,
      1e-9,
    )
    expect(ec5.panelMoment(findSheet('mdf-18mm')!, true, { ...SHED, moisture: 'wet' })).toBeNull()
  })
  it('screws: end grain two thirds, a short point less, a point below six diameters nothing', () => {
    const f = findScrew('screw-9x3')!
    const at = (mainMm: number, into: 'side' | 'end') =>
      asd.lateral(
        {
          fastener: f,
          side: { kind: 'lumber', grade: spf },
          sideMm: 38.1,
          main: { kind: 'lumber', grade: spf },
          mainMm,
          into,
          acrossGrain: true,
          askew: false,
        },
        DRY,
      )!.value
    expectNear(at(60, 'end') / at(60, 'side'), 0.67, 1e-9)
    expect(at(8 * f.diameterMm, 'side')).toBeLessThan(at(10 * f.diameterMm, 'side'))
    expect(at(5.9 * f.diameterMm, 'side')).toBe(0)
    expect(asd.withdrawal(f, c24, 30, DRY)).toBeNull()
  })
  it('a screw pulled has six diameters of thread in the wood, or holds nothing: never no number', () => {
    const f = SCREWS.find((x) => x.system === 'metric' && x.kind === 'screw' && x.diameterMm >= 6)!
    const pulled = (threadMm: number) => ec5.withdrawal(f, c24, threadMm, DRY)!.value
    expect([0, 5.9 * f.diameterMm].map(pulled)).toEqual([0, 0])
    expect(pulled(6 * f.diameterMm)).toBeGreaterThan(500)
  })
  it('a sheet of one’s own is what its name says, and a spoilt name is none', () => {
    const id = ownSheetId({
      label: 'shop floor ply',
      kind: 'plywood',
      system: 'metric',
      thicknessMm: 17.5,
      lengthMm: 2440,
      widthMm: 1220,
      densityKgM3: 560,
      alongMpa: 9100,
      acrossMpa: 4000,
      bendingMpa: null,
    })
    expect(findSheet(id)).toMatchObject({ label: 'shop floor ply', thicknessMm: 17.5, kind: 'plywood' })
    expectNear(findSheet(id)!.ei.along, (9100 * 17.5 ** 3) / 12, 1e-9)
    expect(findSheet(id)!.ec5Bending).toBeUndefined()
    for (const bad of [
      'own:',
      'own:plywood:metric:x:-1:2:3:4:5:6:7',
      id.replace('17.5', 'thick'),
      'own:paper:metric:x:1:2:3:4:5:6:7',
    ])
      expect(findSheet(bad)).toBeUndefined()
  })
  it('panels: stiffness of a 48/24 panel is 400,000 lb·in²/ft', () =>
    expectNear(findSheet('ply-23/32')!.ei.along, 400000 * 9.4155, 1e-4))
  it('withdrawal of a #8 screw in G 0.5: 117 lb for each inch', () =>
    expectNear(screwWithdrawal(0.5, inches(0.164), inches(1), 1) / N_PER_LBF, 2850 * 0.25 * 0.164, 1e-9))
  it('sag grows from day one to the long-term value and stops there', () => {
    expect(sagAfter(2, 1.5, 0)).toBe(2)
    expectNear(sagAfter(2, 1.5, 50), 3, 1e-12)
    expect(sagAfter(2, 1.5, 500)).toBe(3)
    expectNear(sagAfter(2, 1.5, 10), 2 + 0.2 ** 0.21, 1e-9)
  })
  it('I of a 2x4 on edge is 5.359 in⁴', () =>
    expectNear(secondMoment(inches(1.5), inches(3.5)) / 25.4 ** 4, 5.359, 1e-4))
})

describe('worked examples', () => {
  it.each(WORKED.map((w) => [w.topic, w.name, w] as const))('%s: %s', (_t, _n, w) =>
    expectNear(w.actual(), w.expected, Math.max(w.within, 1e-9)),
  )
  it('are at least forty, and stand in docs/verification.md as they are', () => {
    expect(WORKED.length).toBeGreaterThanOrEqual(40)
    if (process.env.UPDATE_DOCS) writeFileSync('docs/verification.md', verificationPage())
    expect(readFileSync('docs/verification.md', 'utf8')).toBe(verificationPage())
  })
})
