import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { expectNear } from '../../test-support/near.ts'
import { referenceDowel } from '../../test-support/reference-dowel.ts'
import { findScrew, OTHER_FASTENERS, SCREWS } from '../catalogue/fasteners.ts'
import { findGrade, GRADES } from '../catalogue/lumber.ts'
import { findSheet } from '../catalogue/sheets.ts'
import { inches, N_PER_LBF, psi } from '../measure/units.ts'
import {
  atAngle,
  gapShare,
  groupFactor,
  johansen,
  lateralYield,
  PENETRATION,
  penetrationShare,
  yieldMoment,
  type YieldMode,
} from './dowel.ts'
import { asd } from './methods/asd.ts'
import { ec5 } from './methods/ec5.ts'
import type { Conditions, LateralCase, Wood } from './methods/method.ts'

const size = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const cases = fc.record({
  d: size(2, 16),
  fyb: size(250, 750),
  side: size(8, 90),
  main: size(12, 120),
  fes: size(8, 45),
  fem: size(8, 45),
})

describe('yield equations against statics', () => {
  const whole = (c: { d: number; fyb: number; side: number; main: number; fes: number; fem: number }) => ({
    diameterMm: c.d,
    fyb: c.fyb,
    sideMm: c.side,
    mainMm: c.main,
    fes: c.fes,
    fem: c.fem,
  })
  it('over a gap: less the wider it is, nothing over none, and over a wide one what both ends can bend', () => {
    fc.assert(
      fc.property(cases, size(0.1, 40), (c, gap) => {
        expect(gapShare(whole(c), 0)).toBe(1)
        expect(gapShare(whole(c), gap)).toBeLessThanOrEqual(1 + 1e-12)
        expect(gapShare(whole(c), 2 * gap)).toBeLessThanOrEqual(gapShare(whole(c), gap) + 1e-12)
        // Like a bar clamped at both faces, 2·M over the gap at most; turning in a thin piece it gives less.
        const moment = (c.fyb * c.d ** 3) / 6
        const straight = referenceDowel({
          diameterMm: c.d,
          momentNmm: moment,
          side: { lengthMm: c.side, bearingMpa: c.fes },
          main: { lengthMm: c.main, bearingMpa: c.fem },
        })
        const least = Math.min(...Object.values(straight))
        expect(least * gapShare(whole(c), gap)).toBeLessThanOrEqual(((2 * moment) / gap) * (1 + 1e-9))
      }),
    )
  })
  it('over a gap: a #10 screw over half an inch by hand, mode IV', () => {
    // Root 0.152 in, 80 000 psi, Fe 3350 psi both sides: M = 46.8 lb·in, q = 509 lb/in, P²/q + P/2 − 2·M = 0.
    const [d, fe, fyb] = [0.152, 3350, 80_000]
    const [q, m] = [fe * d, (fyb * d ** 3) / 6]
    const at = (g: number) => (-g + Math.sqrt(g * g + (8 * m) / q)) / (2 / q)
    const got = gapShare(
      {
        diameterMm: inches(d),
        fyb: psi(fyb),
        sideMm: inches(1.5),
        mainMm: inches(2),
        fes: psi(fe),
        fem: psi(fe),
      },
      inches(0.5),
    )
    expectNear(got, at(0.5) / at(0), 1e-6)
    expect(got).toBeGreaterThan(0.5)
  })
  it('North American: every mode, D ≥ 1/4 in and thinner', () => {
    fc.assert(
      fc.property(cases, fc.constantFrom(0, 45, 90), (c, angle) => {
        const got = lateralYield({
          diameterMm: c.d,
          fyb: c.fyb,
          sideMm: c.side,
          mainMm: c.main,
          fes: c.fes,
          fem: c.fem,
          angleDeg: angle,
        })
        // NDS takes the plastic moment of a round bar, fyb·D³/6.
        const ref = referenceDowel({
          diameterMm: c.d,
          momentNmm: (c.fyb * c.d ** 3) / 6,
          side: { lengthMm: c.side, bearingMpa: c.fes },
          main: { lengthMm: c.main, bearingMpa: c.fem },
        })
        const inch = c.d / 25.4
        const kd = inch <= 0.17 ? 2.2 : 10 * inch + 0.5
        const turned = 1 + angle / 360
        const over: Record<YieldMode, number> =
          inch < 0.25
            ? { Im: kd, Is: kd, II: kd, IIIm: kd, IIIs: kd, IV: kd }
            : {
                Im: 4 * turned,
                Is: 4 * turned,
                II: 3.6 * turned,
                IIIm: 3.2 * turned,
                IIIs: 3.2 * turned,
                IV: 3.2 * turned,
              }
        for (const mode of Object.keys(over) as YieldMode[]) expectNear(got.modes[mode], ref[mode] / over[mode], 1e-9)
        expectNear(got.n, Math.min(...(Object.keys(over) as YieldMode[]).map((m) => ref[m] / over[m])), 1e-9)
      }),
    )
  })
  it('Eurocode: the same statics, bending modes raised by 1.05 and 1.15, and by the rope at most', () => {
    fc.assert(
      fc.property(cases, size(0, 4000), (c, fax) => {
        const my = yieldMoment(c.fyb, c.d)
        const ref = referenceDowel({
          diameterMm: c.d,
          momentNmm: my,
          side: { lengthMm: c.side, bearingMpa: c.fes },
          main: { lengthMm: c.main, bearingMpa: c.fem },
        })
        const plain = { diameterMm: c.d, myRk: my, t1Mm: c.side, t2Mm: c.main, fh1: c.fes, fh2: c.fem }
        // 8.6 d and e raise the part of the hinge only as the standard writes it; that is 1.05 of the whole.
        const parts = [ref.Is, ref.Im, ref.II, 1.05 * ref.IIIs, 1.05 * ref.IIIm, 1.15 * ref.IV]
        expectNear(johansen({ ...plain, faxRk: 0, ropeMost: 0 }).n, Math.min(...parts), 1e-9)
        const roped = parts.map((p, i) => (i < 2 ? p : p + Math.min(fax / 4, p)))
        expectNear(johansen({ ...plain, faxRk: fax, ropeMost: 1 }).n, Math.min(...roped), 1e-9)
      }),
    )
  })
  it('a thread of 1/4 in and more with a thin root: KD times Kθ', () => {
    const base = { diameterMm: inches(0.173), fyb: psi(70_000), sideMm: 38, mainMm: 40, fes: 30, fem: 30 }
    const across = lateralYield({ ...base, nominalMm: inches(0.25), angleDeg: 90 })
    const along = lateralYield({ ...base, nominalMm: inches(0.25), angleDeg: 0 })
    expectNear(along.n / across.n, 1.25, 1e-9)
    expectNear(lateralYield({ ...base, nominalMm: inches(0.2), angleDeg: 90 }).n, along.n, 1e-9)
  })
})

const DRY: Conditions = { moisture: 'dry', duration: 'permanent' }
const spf: Wood = { kind: 'lumber', grade: findGrade('spf-no2')! }
const c24: Wood = { kind: 'lumber', grade: findGrade('c24')! }
const joint = (fastener: string, over: Partial<LateralCase> = {}): LateralCase => ({
  fastener: findScrew(fastener)!,
  side: spf,
  sideMm: 38.1,
  main: spf,
  mainMm: 60,
  into: 'side',
  acrossGrain: true,
  askew: false,
  ...over,
})

describe('one fastener by each method', () => {
  it('lag screws: 4 D in is the least, 8 D without the tip is full, wet 0.7', () => {
    const lag = findScrew('lag-3/8x4')!
    const at = (d: number, c = DRY) => asd.lateral(joint('lag-3/8x4', { mainMm: d * lag.diameterMm + lag.tipMm! }), c)!
    expect(at(3.9).value).toBe(0)
    expect(at(4).factors.find((f) => f.symbol === 'p/8D')!.value).toBeCloseTo(0.5, 9)
    expect(at(8).factors.some((f) => f.symbol === 'p/8D')).toBe(false)
    expectNear(at(8, { ...DRY, moisture: 'wet' }).value / at(8).value, 0.7, 1e-9)
  })
  it('withdrawal counts the thread, not the tip; wet it loses three tenths, nails three quarters', () => {
    const lag = findScrew('lag-1/4x3')!
    const w = (f: string, mm: number, c = DRY) => asd.withdrawal(findScrew(f)!, findGrade('dfl-no2')!, mm, c)!.value
    expectNear(w('lag-1/4x3', inches(1) + lag.tipMm!) / N_PER_LBF, 1800 * 0.5 ** 1.5 * 0.25 ** 0.75 * 0.9, 1e-9)
    expectNear(w('screw-8x2', 30, { ...DRY, moisture: 'wet' }) / w('screw-8x2', 30), 0.7, 1e-9)
    expectNear(w('nail-8d', 30, { ...DRY, moisture: 'wet' }) / w('nail-8d', 30), 0.25, 1e-9)
    expect(asd.withdrawal(findScrew('bolt-3/8x6')!, findGrade('dfl-no2')!, 30, DRY)).toBeNull()
  })
  it('from 1/4 in on, across the grain holds less than along it; below that the same', () => {
    const share = (f: string, m: typeof asd, wood: Wood) => {
      const at = (acrossGrain: boolean) => m.lateral(joint(f, { acrossGrain, side: wood, main: wood }), DRY)!.value
      return at(true) / at(false)
    }
    expect(share('bolt-3/8x3.5', asd, spf)).toBeLessThan(0.8)
    expect(share('lag-3/8x4', asd, spf)).toBeLessThan(0.85)
    expect(share('screw-9x3', asd, spf)).toBe(1)
    expect(share('bolt-M10x90', ec5, c24)).toBeLessThan(0.9)
    expect(share('screw-5x80mm', ec5, c24)).toBe(1)
  })
  it('denser wood and thicker fasteners never hold less', () => {
    const byDensity = [...GRADES].filter((g) => g.asd).sort((a, b) => a.asd!.g - b.asd!.g)
    for (const f of [...SCREWS, ...OTHER_FASTENERS].filter((x) => x.system === 'imperial')) {
      const values = byDensity.map(
        (grade) =>
          asd.lateral(joint(f.id, { side: { kind: 'lumber', grade }, main: { kind: 'lumber', grade } }), DRY)!.value,
      )
      for (let i = 1; i < values.length; i++) expect(values[i]).toBeGreaterThanOrEqual(values[i - 1] - 1e-9)
    }
    const screws = [8, 9, 10]
      .map((g) => SCREWS.find((s) => s.id.startsWith(`screw-${g}x`)))
      .filter((s) => s !== undefined)
    const held = screws.map(
      (s) => asd.lateral(joint(s.id, { fastener: { ...s, lengthMm: 200 }, mainMm: 100 }), DRY)!.value,
    )
    for (let i = 1; i < held.length; i++) expect(held[i]).toBeGreaterThan(held[i - 1])
  })
  it('panels: plywood 3350 psi, OSB 4650; fibreboard borrows the Eurocode’s embedment; both methods answer for every sheet', () => {
    for (const id of ['ply-23/32', 'osb-23/32', 'mdf-3/4', 'pb-3/4', 'hb-1/4', 'lc-3/4', 'solid-3/4']) {
      const side: Wood = { kind: 'sheet', sheet: findSheet(id)! }
      for (const m of [asd, ec5]) {
        const main = m === asd ? spf : c24
        const s = m.lateral(joint('screw-8x2', { side, sideMm: side.sheet.thicknessMm, main, mainMm: 30 }), DRY)!
        expect(s.value).toBeGreaterThan(50)
        expect(s.value).toBeLessThan(900)
      }
    }
    const fe = (id: string) =>
      lateralYield({
        diameterMm: inches(0.131),
        fyb: psi(90_000),
        sideMm: inches(0.719),
        mainMm: inches(1.25),
        fes: psi(id === 'ply' ? 3350 : 4650),
        fem: psi(16600 * 0.42 ** 1.84),
      }).n * 0.9
    const got = (id: string) =>
      asd.lateral(
        joint('screw-8x2', {
          side: { kind: 'sheet', sheet: findSheet(id)! },
          sideMm: inches(0.719),
          mainMm: inches(1.25),
        }),
        DRY,
      )!
    for (const [kind, id] of [
      ['ply', 'ply-23/32'],
      ['osb', 'osb-23/32'],
    ] as const) {
      const share = penetrationShare(inches(1.25), inches(0.164), PENETRATION.screw)
      expectNear(got(id).value, fe(kind) * share, 1e-6)
    }
  })
  it('a pull and a push together lie between the two alone', () => {
    fc.assert(
      fc.property(size(50, 2000), size(50, 2000), size(0, Math.PI / 2), (z, w, angle) => {
        const n = atAngle(z, w, angle)
        expect(n).toBeGreaterThanOrEqual(Math.min(z, w) - 1e-6)
        expect(n).toBeLessThanOrEqual(Math.max(z, w) + 1e-6)
      }),
    )
    expectNear(atAngle(300, 700, 0), 300, 1e-9)
    expectNear(atAngle(300, 700, Math.PI / 2), 700, 1e-9)
    expect(atAngle(300, 0, 0.3)).toBe(0)
  })
  it('a group never counts more than its number, nor less with stiffer pieces', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 8 }),
        size(30, 120),
        size(6.4, 20),
        size(1e7, 2e8),
        size(0.2, 1),
        (n, s, d, ea, ratio) => {
          const cg = groupFactor(n, s, d, ea, ea * ratio)
          expect(cg).toBeLessThanOrEqual(1 + 1e-9)
          expect(cg).toBeGreaterThan(0.15)
          expect(groupFactor(n, s, d, 2 * ea, 2 * ea * ratio)).toBeGreaterThanOrEqual(cg - 1e-9)
          expect(groupFactor(n, s, d, ea, ea * ratio)).toBeCloseTo(groupFactor(n, s, d, ea * ratio, ea), 9)
        },
      ),
    )
  })
})
