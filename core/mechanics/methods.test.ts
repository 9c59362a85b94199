import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { expectNear } from '../../test-support/near.ts'
import { findGrade, findSection, GRADES, SECTIONS } from '../catalogue/lumber.ts'
import { findSheet, SHEETS } from '../catalogue/sheets.ts'
import { inches, psi } from '../measure/units.ts'
import { asd } from './methods/asd.ts'
import { ec5 } from './methods/ec5.ts'
import { DURATIONS, MOISTURES, type Conditions, type PostAxis } from './methods/method.ts'

/*
 * Both methods written out once more from their tables, in the units of the tables, and compared over every section,
 * grade, moisture and duration.
 */

const US = {
  CD: { permanent: 0.9, long: 1, short: 1.25 },
  CF: { 2: 1.5, 3: 1.5, 4: 1.5, 6: 1.3, 8: 1.2, 10: 1.1, 12: 1 },
  CFc: { 2: 1.15, 3: 1.15, 4: 1.15, 6: 1.1, 8: 1.05, 10: 1, 12: 1 },
  Cfu: { 2: 1, 3: 1, 4: 1.1, 6: 1.15, 8: 1.15, 10: 1.2, 12: 1 },
} as const
const PSI: Record<string, { fb: number; fv: number; fcp: number; fc: number; e: number; eMin: number }> = {
  'spf-no2': { fb: 875, fv: 135, fcp: 425, fc: 1150, e: 1.4e6, eMin: 510e3 },
  'hf-no2': { fb: 850, fv: 150, fcp: 405, fc: 1300, e: 1.3e6, eMin: 470e3 },
  'dfl-no2': { fb: 900, fv: 180, fcp: 625, fc: 1350, e: 1.6e6, eMin: 580e3 },
}
const cases = MOISTURES.flatMap((moisture) =>
  [...DURATIONS, 'short' as const].map((duration): Conditions => ({ moisture, duration })),
)
const inch = SECTIONS.filter((s) => s.system === 'imperial' && !s.round)
type Nominal = keyof typeof US.CF

describe('allowable stress, table by table', () => {
  it.each(Object.keys(PSI))(
    '%s: Fb′, Fv′, Fc*, Fc⊥′ and E′ of every section, dry and wet, for good and for ten years',
    (id) => {
      const [grade, v] = [findGrade(id)!, PSI[id]]
      for (const c of cases)
        for (const s of inch) {
          const n = s.nominalWidth as Nominal
          const wet = c.moisture === 'wet'
          const onEdge = asd.bending(grade, { depthMm: s.widthMm, nominalWidth: n, flat: false }, c)!.value
          expectNear(onEdge / psi(1), v.fb * US.CD[c.duration] * US.CF[n] * (wet ? 0.85 : 1), 1e-9)
          expectNear(
            asd.bending(grade, { depthMm: s.thicknessMm, nominalWidth: n, flat: true }, c)!.value / onEdge,
            US.Cfu[n],
            1e-9,
          )
          expectNear(asd.shear(grade, c)!.value / psi(1), v.fv * US.CD[c.duration] * (wet ? 0.97 : 1), 1e-9)
          expectNear(
            asd.compression(grade, n, c)!.value / psi(1),
            v.fc * US.CD[c.duration] * US.CFc[n] * (wet ? 0.8 : 1),
            1e-9,
          )
          expectNear(
            asd.bearing(grade, c, { lengthMm: 38.1, beforeMm: 100, afterMm: 100 })!.value / psi(1),
            v.fcp * ((1.5 + 0.375) / 1.5) * (wet ? 0.67 : 1),
            1e-9,
          )
          expectNear(asd.modulus(grade, c)!.value / psi(1), v.e * (wet ? 0.9 : 1), 1e-9)
        }
    },
  )
  it('stud grade takes its own factors; southern pine none, but the row of its width', () => {
    const c = cases[0]
    expectNear(
      asd.bending(findGrade('dfl-stud')!, { depthMm: 88.9, nominalWidth: 4, flat: false }, c)!.value / psi(1),
      700 * 0.9 * 1.1,
      1e-9,
    )
    expectNear(asd.compression(findGrade('hf-stud')!, 4, c)!.value / psi(1), 800 * 0.9 * 1.05, 1e-9)
    // Past 6 in nominal a Stud counts as No. 3, with its size factors.
    for (const [id, fb, fc] of [
      ['spf-stud', 500, 650],
      ['hf-stud', 500, 725],
      ['dfl-stud', 525, 775],
    ] as const)
      for (const n of [8, 10, 12] as const) {
        const use = { depthMm: 184, nominalWidth: n, flat: false }
        expectNear(asd.bending(findGrade(id)!, use, c)!.value / psi(1), fb * 0.9 * US.CF[n], 1e-9)
        expectNear(asd.compression(findGrade(id)!, n, c)!.value / psi(1), fc * 0.9 * US.CFc[n], 1e-9)
      }
    for (const [n, fb, fc] of [
      [2, 1100, 1450],
      [4, 1100, 1450],
      [6, 1000, 1400],
      [8, 925, 1350],
      [10, 800, 1300],
      [12, 750, 1250],
    ] as const) {
      expectNear(
        asd.bending(findGrade('syp-no2')!, { depthMm: 100, nominalWidth: n, flat: false }, c)!.value / psi(1),
        fb * 0.9,
        1e-9,
      )
      expectNear(asd.compression(findGrade('syp-no2')!, n, c)!.value / psi(1), fc * 0.9, 1e-9)
    }
  })
  it('a post loaded in its middle: Fc*·CP of the more slender way', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...Object.keys(PSI)),
        fc.double({ min: 200, max: 1850, noNaN: true }),
        fc.double({ min: 200, max: 4000, noNaN: true }),
        fc.double({ min: 100, max: 8000, noNaN: true }),
        (id, lx, ly, axialN) => {
          const v = PSI[id]
          const r = asd.post(
            {
              grade: findGrade(id)!,
              nominalWidth: 4,
              axialN,
              axes: [
                { depthMm: 38.1, unheldMm: lx, momentNmm: 0 },
                { depthMm: 88.9, unheldMm: ly, momentNmm: 0 },
              ],
            },
            cases[0],
          )!
          const slender = Math.max(lx / 38.1, ly / 88.9)
          const [star, fcE] = [v.fc * 0.9 * 1.15, (0.822 * v.eMin) / slender ** 2]
          const a = (1 + fcE / star) / 1.6
          const cp = a - Math.sqrt(a * a - fcE / star / 0.8)
          expectNear(r.ratio!, axialN / 38.1 / 88.9 / psi(1) / (star * cp), 1e-9)
          expect(r.axis).toBe(lx / 38.1 >= ly / 88.9 ? 0 : 1)
        },
      ),
    )
  })
  it('a post bent on edge gets no bonus for lying flat, and bending either way never helps', () => {
    const [flat, deep]: [PostAxis, PostAxis] = [
      { depthMm: 38.1, unheldMm: 600, momentNmm: 0 },
      { depthMm: 88.9, unheldMm: 600, momentNmm: 2e5 },
    ]
    const spf = findGrade('spf-no2')!
    const r = asd.post({ grade: spf, nominalWidth: 4, axialN: 1, axes: [flat, deep] }, cases[0])!
    // Hardly any compression: fb over Fb′ = 875·0.9·1.5, no Cfu.
    expectNear(r.ratio!, 2e5 / ((38.1 * 88.9 ** 2) / 6) / psi(875 * 0.9 * 1.5), 2e-3)
    expect(r.axis).toBe(1)
    const lying = asd.post(
      {
        grade: spf,
        nominalWidth: 4,
        axialN: 1,
        axes: [
          { ...flat, momentNmm: 1e5 },
          { ...deep, momentNmm: 0 },
        ],
      },
      cases[0],
    )!
    expectNear(lying.ratio!, 1e5 / ((88.9 * 38.1 ** 2) / 6) / psi(875 * 0.9 * 1.5 * 1.1), 2e-3)
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 3e5, noNaN: true }),
        fc.double({ min: 0, max: 1e5, noNaN: true }),
        fc.double({ min: 10, max: 5000, noNaN: true }),
        (m1, m2, n) => {
          for (const [method, grade] of [
            [asd, spf],
            [ec5, findGrade('c24')!],
          ] as const) {
            const at = (a: number, b: number) =>
              method.post(
                {
                  grade,
                  nominalWidth: 4,
                  axialN: n,
                  axes: [
                    { ...flat, momentNmm: b },
                    { ...deep, momentNmm: a },
                  ],
                },
                cases[0],
              )!.ratio ?? Infinity
            expect(at(m1, m2)).toBeGreaterThanOrEqual(at(m1, 0) - 1e-12)
            expect(at(m1, m2)).toBeGreaterThanOrEqual(at(0, m2) - 1e-12)
          }
        },
      ),
    )
  })
  it('too slender is refused, about to buckle is without end', () => {
    const spf = findGrade('spf-no2')!
    const axes = (unheldMm: number, momentNmm = 0): [PostAxis, PostAxis] => [
      { depthMm: 38.1, unheldMm, momentNmm },
      { depthMm: 88.9, unheldMm: 300, momentNmm: 0 },
    ]
    expect(asd.post({ grade: spf, nominalWidth: 4, axialN: 10, axes: axes(1906) }, cases[0])!.ratio).toBeNull()
    expect(asd.post({ grade: spf, nominalWidth: 4, axialN: 10, axes: axes(1904) }, cases[0])!.ratio).toBeGreaterThan(0)
    expect(asd.post({ grade: spf, nominalWidth: 4, axialN: 1e6, axes: axes(1800, 1000) }, cases[0])!.ratio).toBe(
      Infinity,
    )
  })
})

const EU = {
  C16: { fm: 16, fc0: 17, fc90: 2.2, fv: 3.2, e: 8000, e05: 5400 },
  C24: { fm: 24, fc0: 21, fc90: 2.5, fv: 4, e: 11000, e05: 7400 },
  kmod: {
    short: { dry: 0.9, unheated: 0.9, wet: 0.7 },
    long: { dry: 0.7, unheated: 0.7, wet: 0.55 },
    permanent: { dry: 0.6, unheated: 0.6, wet: 0.5 },
  },
} as const

describe('Eurocode 5, table by table', () => {
  it.each([
    ['c16', EU.C16],
    ['c24', EU.C24],
  ] as const)('%s: fm,d with its size, fv,d, fc,0,d, fc,90,d', (id, v) => {
    const grade = findGrade(id)!
    for (const c of cases) {
      const k = EU.kmod[c.duration][c.moisture] / 1.3
      for (const s of SECTIONS.filter((x) => x.system === 'metric' && !x.round)) {
        const kh = s.widthMm < 150 ? Math.min(1.3, (150 / s.widthMm) ** 0.2) : 1
        expectNear(
          ec5.bending(grade, { depthMm: s.widthMm, nominalWidth: null, flat: false }, c)!.value,
          v.fm * k * kh,
          1e-9,
        )
      }
      expectNear(ec5.shear(grade, c)!.value, v.fv * k, 1e-9)
      expectNear(ec5.compression(grade, null, c)!.value, v.fc0 * k, 1e-9)
      expectNear(
        ec5.bearing(grade, c, { lengthMm: 38, beforeMm: 0, afterMm: 100 })!.value,
        v.fc90 * k * ((38 + 30) / 38),
        1e-9,
      )
      expect(ec5.modulus(grade, c)!.value).toBe(v.e)
    }
  })
  it('a post with its load off the axis both ways: 6.23 and 6.24, the worse', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 300, max: 3000, noNaN: true }),
        fc.double({ min: 300, max: 3000, noNaN: true }),
        fc.double({ min: 0, max: 2e5, noNaN: true }),
        fc.double({ min: 0, max: 2e5, noNaN: true }),
        fc.double({ min: 100, max: 6000, noNaN: true }),
        (lx, ly, mx, my, n) => {
          const [bx, by] = [38, 89]
          const r = ec5.post(
            {
              grade: findGrade('c24')!,
              nominalWidth: null,
              axialN: n,
              axes: [
                { depthMm: bx, unheldMm: lx, momentNmm: mx },
                { depthMm: by, unheldMm: ly, momentNmm: my },
              ],
            },
            { moisture: 'unheated', duration: 'long' },
          )!
          const k = 0.7 / 1.3
          const kc = (l: number, h: number) => {
            const rel = ((l * Math.sqrt(12)) / h / Math.PI) * Math.sqrt(21 / 7400)
            if (rel <= 0.3) return 1
            const q = 0.5 * (1 + 0.2 * (rel - 0.3) + rel ** 2)
            return 1 / (q + Math.sqrt(q * q - rel * rel))
          }
          const fm = (h: number) => 24 * k * Math.min(1.3, (150 / h) ** 0.2)
          const [sx, sy] = [mx / ((by * bx ** 2) / 6) / fm(bx), my / ((bx * by ** 2) / 6) / fm(by)]
          const c = n / (bx * by) / (21 * k)
          expectNear(r.ratio!, Math.max(c / kc(lx, bx) + sx + 0.7 * sy, c / kc(ly, by) + sy + 0.7 * sx), 1e-9)
        },
      ),
    )
  })
  it('notches: kv times what is left; square ones by equation 6.62', () => {
    const n = ec5.notch(89, 60, 25)
    const alpha = 60 / 89
    const kv = Math.min(
      1,
      5 / (Math.sqrt(89) * (Math.sqrt(alpha * (1 - alpha)) + ((0.8 * 25) / 89) * Math.sqrt(1 / alpha - alpha ** 2))),
    )
    expectNear(n.value, kv * alpha, 1e-9)
    expectNear(asd.notch(88.9, 60, 25).value, (60 / 88.9) ** 3, 1e-12)
  })
})

describe('sheets in both methods', () => {
  const dry: Conditions = { moisture: 'dry', duration: 'permanent' }
  it('span-rated ones by their own moment, others by the limit-state value over its load factor', () => {
    expectNear(
      asd.panelMoment(findSheet('ply-23/32')!, true, dry)!.value,
      ((845 * 4.4482216152605 * 25.4) / 304.8) * 0.9,
      1e-6,
    )
    const mdf = findSheet('mdf-3/4')!
    expectNear(asd.panelMoment(mdf, true, dry)!.value, ((18 * inches(0.75) ** 2) / 6) * (0.2 / 1.3 / 1.5), 1e-9)
    expectNear(
      ec5.panelMoment(findSheet('osb3-18mm')!, false, { moisture: 'unheated', duration: 'long' })!.value,
      ((8.2 * 18 ** 2) / 6) * (0.4 / 1.2),
      1e-9,
    )
  })
  it('wet, fibre and particle boards have no strength, so nothing of them is proven', () => {
    for (const s of SHEETS.filter(
      (x) => ['mdf', 'particleboard', 'hardboard', 'osb', 'lumber-core'].includes(x.kind) && !x.asdMoment,
    ))
      for (const m of [asd, ec5]) expect(m.panelMoment(s, true, { moisture: 'wet', duration: 'long' })).toBeNull()
  })
  it('creep by material and moisture', () => {
    const factor = (m: typeof asd, kind: Parameters<typeof asd.creep>[0], moisture: Conditions['moisture']) =>
      m.creep(kind, { moisture, duration: 'long' }).value
    for (const [kind, dryKdef, shed] of [
      ['lumber', 0.6, 0.8],
      ['plywood', 0.8, 1],
      ['osb', 1.5, 2.25],
      ['particleboard', 2.25, 3],
      ['mdf', 2.25, 3],
      ['hardboard', 2.25, 3],
    ] as const) {
      expectNear(factor(ec5, kind, 'dry'), 1 + dryKdef, 1e-12)
      expectNear(factor(ec5, kind, 'unheated'), 1 + shed, 1e-12)
    }
    expect([
      factor(asd, 'lumber', 'dry'),
      factor(asd, 'lumber', 'wet'),
      factor(asd, 'plywood', 'unheated'),
      factor(asd, 'osb', 'dry'),
    ]).toEqual([1.5, 2, 2, 2])
    for (const kind of ['mdf', 'particleboard', 'hardboard'] as const)
      expect(factor(asd, kind, 'unheated')).toBe(factor(ec5, kind, 'unheated'))
  })
  it('a method without values for a wood says so everywhere', () => {
    for (const g of GRADES) {
      const [own, other] = g.asd ? [asd, ec5] : [ec5, asd]
      expect(own.modulus(g, dry)).not.toBeNull()
      for (const value of [
        other.modulus(g, dry),
        other.shear(g, dry),
        other.bending(g, { depthMm: 89, nominalWidth: 4, flat: false }, dry),
        other.bearing(g, dry, { lengthMm: 40, beforeMm: 0, afterMm: 0 }),
        other.compression(g, 4, dry),
        other.post(
          {
            grade: g,
            nominalWidth: 4,
            axialN: 1,
            axes: [
              { depthMm: 38, unheldMm: 500, momentNmm: 0 },
              { depthMm: 89, unheldMm: 500, momentNmm: 0 },
            ],
          },
          dry,
        ),
      ])
        expect(value).toBeNull()
    }
    expect(findSection('2x4')!.nominalWidth).toBe(4)
  })
})
