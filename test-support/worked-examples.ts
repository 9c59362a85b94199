import { beamCurve, solveBeam, type BeamSpec } from '../core/mechanics/beam.ts'
import {
  bearingAreaFactor,
  boredHolePressure,
  effectiveContact,
  notchedShear,
  notchFactor,
  pinInHole,
  pinMoment,
  roundPlasticMoment,
} from '../core/mechanics/bearing.ts'
import {
  columnStability,
  combinedAsd,
  combinedBiaxialAsd,
  combinedEc5,
  eulerStress,
  instabilityFactor,
  lateralEuler,
} from '../core/mechanics/column.ts'
import { wireYield } from '../core/catalogue/fasteners.ts'
import { sagAfter } from '../core/mechanics/creep.ts'
import {
  atAngle,
  bearingStrength,
  effectiveNumber,
  embedment,
  groupFactor,
  johansen,
  lateralYield,
  PENETRATION,
  penetrationShare,
  yieldMoment,
} from '../core/mechanics/dowel.ts'
import {
  bevelPull,
  eccentricPull,
  kneeBrace,
  rodTension,
  stressAreaInch,
  stressAreaMetric,
  tubeStress,
  washerBearing,
} from '../core/mechanics/hung.ts'
import {
  compositeStiffness,
  looseStiffness,
  modulusFromSag,
  partialStiffness,
  secondMoment,
  sectionModulus,
  shearStiffness,
  slipModulus,
  type Layer,
} from '../core/mechanics/section.ts'
import { lagWithdrawal, nailWithdrawal, screwWithdrawal, screwWithdrawalEc5 } from '../core/mechanics/withdrawal.ts'
import { inches, N_PER_LBF, psi } from '../core/measure/units.ts'

/** One figure of the program beside a figure that comes from elsewhere. */
export interface WorkedExample {
  topic: string
  name: string
  source: string
  unit: string
  expected: number
  actual: () => number
  /** Share by which they may differ: rounding of a published table, or floating point. */
  within: number
}

// A beam for closed forms: 2 m, 9·10⁹ N·mm², 1.5 N/mm, 900 N.
const [L, EI, W, P] = [2000, 9e9, 1.5, 900]
const GA = 4e5
const solve = (b: Partial<BeamSpec>) =>
  solveBeam({ lengthMm: L, ei: EI, supports: [{ atMm: 0 }, { atMm: L }], loads: [], ...b })!
const uniform = (from = 0, to = L, w = W) => ({
  kind: 'line' as const,
  fromMm: from,
  toMm: to,
  startNPerMm: w,
  endNPerMm: w,
})
const lb = (n: number) => n / N_PER_LBF
const EXACT = 1e-6
const closed = 'closed form (Euler and Bernoulli)'
const timoshenko = 'closed form (Timoshenko)'
const douglas = bearingStrength(0.5, inches(0.131))

const nail = (d: number, long: number, side: number) => {
  const main = inches(long - side)
  return lateralYield({
    diameterMm: inches(d),
    fyb: wireYield(inches(d)),
    sideMm: inches(side),
    mainMm: main,
    fes: douglas,
    fem: douglas,
  })
}
/**
 * Found by halving: of the hole's depth L a stretch a₁ at the face presses up and the rest down; F·e and both presses
 * must balance about the face.
 */
const pinByHand = (fh: number, d: number, depth: number, out: number): number => {
  let [lo, hi] = [depth / 2, depth]
  for (let i = 0; i < 80; i++) {
    const a = (lo + hi) / 2
    const force = fh * d * (a - (depth - a))
    const turning = force * out + (fh * d * a * a) / 2 - fh * d * (depth - a) * (a + (depth - a) / 2)
    if (turning > 0) hi = a
    else lo = a
  }
  return fh * d * (2 * lo - depth)
}
/** A wood screw through 1 1/2 in, ten diameters and more in the main piece. */
const woodScrew = (d: number, root: number, g: number) => {
  const fe = bearingStrength(g, inches(d))
  return lateralYield({
    diameterMm: inches(root),
    nominalMm: inches(d),
    fyb: wireYield(inches(d)),
    sideMm: inches(1.5),
    mainMm: inches(10 * d),
    fes: fe,
    fem: fe,
  }).n
}
/** A 1/4 x 3 in lag screw through 1 1/2 in, what is in the main piece without half the tip. */
const lag14 = (fe: number, angleDeg: number) =>
  lateralYield({
    diameterMm: inches(0.173),
    nominalMm: inches(0.25),
    fyb: psi(70_000),
    sideMm: inches(1.5),
    mainMm: inches(1.5 - 5 / 64),
    fes: fe,
    fem: fe,
    angleDeg,
  }).n
/** 3/4 in fibreboard shelf, 36 in clear, 40 lb per foot, 11 1/4 in deep. */
const mdf = { e: 3000, b: inches(11.25), t: inches(0.75), span: inches(36), w: (40 * N_PER_LBF) / inches(12) }
const sheet: Layer = { e: 3000, breadthMm: inches(11.25), depthMm: inches(0.75), middleMm: inches(1.5 + 0.375) }
const strip: Layer = { e: 9653, breadthMm: inches(0.75), depthMm: inches(1.5), middleMm: inches(0.75) }
const compositeByHand = (() => {
  const [a1, a2] = [sheet.e * sheet.breadthMm * sheet.depthMm, strip.e * strip.breadthMm * strip.depthMm]
  return (
    sheet.e * secondMoment(sheet.breadthMm, sheet.depthMm) +
    strip.e * secondMoment(strip.breadthMm, strip.depthMm) +
    ((a1 * a2) / (a1 + a2)) * (sheet.middleMm - strip.middleMm) ** 2
  )
})()

export const WORKED: WorkedExample[] = [
  {
    topic: 'Beams',
    name: 'simple, uniform: sag 5wL⁴/384EI',
    source: closed,
    unit: 'mm',
    expected: (5 * W * L ** 4) / (384 * EI),
    actual: () => solve({ loads: [uniform()] }).sag.mm,
    within: EXACT,
  },
  {
    topic: 'Beams',
    name: 'simple, uniform: moment wL²/8',
    source: closed,
    unit: 'N·mm',
    expected: (W * L * L) / 8,
    actual: () => solve({ loads: [uniform()] }).moment.nmm,
    within: EXACT,
  },
  {
    topic: 'Beams',
    name: 'simple, point in the middle: sag PL³/48EI',
    source: closed,
    unit: 'mm',
    expected: (P * L ** 3) / (48 * EI),
    actual: () => solve({ loads: [{ kind: 'point', atMm: L / 2, n: P }] }).sag.mm,
    within: EXACT,
  },
  {
    topic: 'Beams',
    name: 'simple, two points at thirds: sag 23PL³/648EI',
    source: closed,
    unit: 'mm',
    expected: (23 * P * L ** 3) / (648 * EI),
    actual: () =>
      solve({
        loads: [
          { kind: 'point', atMm: L / 3, n: P },
          { kind: 'point', atMm: (2 * L) / 3, n: P },
        ],
      }).sag.mm,
    within: EXACT,
  },
  {
    topic: 'Beams',
    name: 'simple, triangular load: moment w₀L²/(9√3)',
    source: closed,
    unit: 'N·mm',
    expected: (W * L * L) / (9 * Math.sqrt(3)),
    actual: () => solve({ loads: [{ kind: 'line', fromMm: 0, toMm: L, startNPerMm: 0, endNPerMm: W }] }).moment.nmm,
    within: EXACT,
  },
  {
    topic: 'Beams',
    name: 'simple, triangular load: sag 0.00652·w₀L⁴/EI',
    source: closed,
    unit: 'mm',
    expected: (0.006522 * W * L ** 4) / EI,
    actual: () => solve({ loads: [{ kind: 'line', fromMm: 0, toMm: L, startNPerMm: 0, endNPerMm: W }] }).sag.mm,
    within: 2e-4,
  },
  {
    topic: 'Beams',
    name: 'cantilever, uniform: sag wL⁴/8EI',
    source: closed,
    unit: 'mm',
    expected: (W * L ** 4) / (8 * EI),
    actual: () => solve({ supports: [{ atMm: 0, clamped: true }], loads: [uniform()] }).sag.mm,
    within: EXACT,
  },
  {
    topic: 'Beams',
    name: 'clamped both ends, point in the middle: sag PL³/192EI',
    source: closed,
    unit: 'mm',
    expected: (P * L ** 3) / (192 * EI),
    actual: () =>
      solve({
        supports: [
          { atMm: 0, clamped: true },
          { atMm: L, clamped: true },
        ],
        loads: [{ kind: 'point', atMm: L / 2, n: P }],
      }).sag.mm,
    within: EXACT,
  },
  {
    topic: 'Beams',
    name: 'propped cantilever, uniform: prop 3wL/8',
    source: closed,
    unit: 'N',
    expected: (3 * W * L) / 8,
    actual: () => solve({ supports: [{ atMm: 0, clamped: true }, { atMm: L }], loads: [uniform()] }).reactions[1],
    within: EXACT,
  },
  {
    topic: 'Beams',
    name: 'two equal spans, uniform: middle reaction 10/8·wl',
    source: 'three-moment equation (Clapeyron)',
    unit: 'N',
    expected: (10 / 8) * W * (L / 2),
    actual: () => solve({ supports: [{ atMm: 0 }, { atMm: L / 2 }, { atMm: L }], loads: [uniform()] }).reactions[1],
    within: EXACT,
  },
  {
    topic: 'Beams',
    name: 'three equal spans, uniform: moment over a support 0.1·wl²',
    source: 'three-moment equation',
    unit: 'N·mm',
    expected: -0.1 * W * (L / 3) ** 2,
    actual: () => solve({ supports: [0, 1, 2, 3].map((i) => ({ atMm: (i * L) / 3 })), loads: [uniform()] }).moment.nmm,
    within: EXACT,
  },
  {
    topic: 'Beams',
    name: 'three equal spans, uniform: end reaction 0.4·wl',
    source: 'three-moment equation',
    unit: 'N',
    expected: (0.4 * W * L) / 3,
    actual: () =>
      solve({ supports: [0, 1, 2, 3].map((i) => ({ atMm: (i * L) / 3 })), loads: [uniform()] }).reactions[0],
    within: EXACT,
  },
  {
    topic: 'Beams',
    name: 'overhang a beyond one support, point at its tip: tip Pa²(L+a)/3EI',
    source: closed,
    unit: 'mm',
    expected: (P * 500 ** 2 * (1500 + 500)) / (3 * EI),
    actual: () =>
      beamCurve({
        lengthMm: 2000,
        ei: EI,
        supports: [{ atMm: 0 }, { atMm: 1500 }],
        loads: [{ kind: 'point', atMm: 2000, n: P }],
      })!.sagAt(2000),
    within: EXACT,
  },
  {
    topic: 'Beams',
    name: 'simple, half of it loaded: reaction 3wL/8',
    source: closed,
    unit: 'N',
    expected: (3 * W * L) / 8,
    actual: () => solve({ loads: [uniform(0, L / 2)] }).reactions[0],
    within: EXACT,
  },
  {
    topic: 'Beams',
    name: 'on three springs, rigid: each a third',
    source: 'symmetry',
    unit: 'N',
    expected: P / 3,
    actual: () =>
      solve({
        ei: 1e16,
        supports: [0, L / 2, L].map((atMm) => ({ atMm, stiffness: 50 })),
        loads: [{ kind: 'point', atMm: L / 2, n: P }],
      }).reactions[1],
    within: 1e-4,
  },
  {
    topic: 'Beams',
    name: 'half as stiff in its middle half, point in the middle: PL³/48EI · 15/8',
    source: 'unit load method by hand',
    unit: 'mm',
    expected: ((P * L ** 3) / (48 * EI)) * (15 / 8),
    actual: () =>
      solve({
        ei: [
          { toMm: L / 4, ei: EI },
          { toMm: (3 * L) / 4, ei: EI / 2 },
          { toMm: L, ei: EI },
        ],
        loads: [{ kind: 'point', atMm: L / 2, n: P }],
      }).sag.mm,
    within: EXACT,
  },
  {
    topic: 'Shear sag',
    name: 'simple, uniform, with shear: 5wL⁴/384EI + wL²/8κGA',
    source: timoshenko,
    unit: 'mm',
    expected: (5 * W * L ** 4) / (384 * EI) + (W * L * L) / (8 * GA),
    actual: () => solve({ ga: GA, loads: [uniform()] }).sag.mm,
    within: EXACT,
  },
  {
    topic: 'Shear sag',
    name: 'simple, point in the middle, with shear: PL³/48EI + PL/4κGA',
    source: timoshenko,
    unit: 'mm',
    expected: (P * L ** 3) / (48 * EI) + (P * L) / (4 * GA),
    actual: () => solve({ ga: GA, loads: [{ kind: 'point', atMm: L / 2, n: P }] }).sag.mm,
    within: EXACT,
  },
  {
    topic: 'Shear sag',
    name: 'cantilever, triangular to the tip, with shear: 11w₀L⁴/120EI + w₀L²/3κGA',
    source: timoshenko,
    unit: 'mm',
    expected: (11 * W * L ** 4) / (120 * EI) + (W * L * L) / (3 * GA),
    actual: () =>
      solve({
        ga: GA,
        supports: [{ atMm: 0, clamped: true }],
        loads: [{ kind: 'line', fromMm: 0, toMm: L, startNPerMm: 0, endNPerMm: W }],
      }).sag.mm,
    within: EXACT,
  },
  {
    topic: 'Shear sag',
    name: 'propped cantilever, uniform, with shear: prop',
    source: 'force method by hand: (wL⁴/8EI + wL²/2κGA)/(L³/3EI + L/κGA)',
    unit: 'N',
    expected: ((W * L ** 4) / (8 * EI) + (W * L * L) / (2 * GA)) / (L ** 3 / (3 * EI) + L / GA),
    actual: () =>
      solve({ ga: GA, supports: [{ atMm: 0, clamped: true }, { atMm: L }], loads: [uniform()] }).reactions[1],
    within: EXACT,
  },
  {
    topic: 'Shear sag',
    name: 'κGA of 38 × 89 at G 500',
    source: 'form factor 5/6',
    unit: 'N',
    expected: (5 / 6) * 500 * 38 * 89,
    actual: () => shearStiffness(500, 38, 89),
    within: EXACT,
  },
  {
    topic: 'Sections',
    name: '2x4 on edge: S = 3.063 in³',
    source: 'NDS Supplement 2018, table 1B',
    unit: 'in³',
    expected: 3.063,
    actual: () => sectionModulus(38.1, 88.9) / inches(1) ** 3,
    within: 2e-4,
  },
  {
    topic: 'Sections',
    name: '2x10 on edge: I = 98.93 in⁴',
    source: 'NDS Supplement 2018, table 1B',
    unit: 'in⁴',
    expected: 98.93,
    actual: () => secondMoment(inches(1.5), inches(9.25)) / inches(1) ** 4,
    within: 2e-4,
  },
  {
    topic: 'Sections',
    name: 'shelf with a glued edge strip: E₁I₁ + E₂I₂ + E₁A₁E₂A₂/(E₁A₁+E₂A₂)·a²',
    source: 'transformed section by hand',
    unit: 'N·mm²',
    expected: compositeByHand,
    actual: () => compositeStiffness([sheet, strip]),
    within: EXACT,
  },
  {
    topic: 'Sections',
    name: 'the same only screwed: E₁I₁ + E₂I₂',
    source: 'by hand',
    unit: 'N·mm²',
    expected: 3000 * secondMoment(inches(11.25), inches(0.75)) + 9653 * secondMoment(inches(0.75), inches(1.5)),
    actual: () => looseStiffness([sheet, strip]),
    within: EXACT,
  },
  {
    topic: 'Sections',
    name: 'held without slip it is the glued one',
    source: 'EN 1995-1-1 annex B with K → ∞',
    unit: 'N·mm²',
    expected: compositeByHand,
    actual: () => partialStiffness(sheet, strip, 150, 1e15, 900),
    within: 1e-5,
  },
  {
    topic: 'Sections',
    name: 'slip of a 5 mm screw in 420 kg/m³: ρ^1.5·d/23',
    source: 'EN 1995-1-1 table 7.1',
    unit: 'N/mm',
    expected: (420 ** 1.5 * 5) / 23,
    actual: () => slipModulus(420, 5, 'screw'),
    within: EXACT,
  },
  {
    topic: 'Sections',
    name: 'sag test: 20 kg at 800 mm, 300 × 18, sags 2.3 mm',
    source: 'E = PL³/48Iδ by hand',
    unit: 'MPa',
    expected: (196.133 * 800 ** 3) / (48 * ((300 * 18 ** 3) / 12) * 2.3),
    actual: () => modulusFromSag(196.133, 800, 300, 18, 2.3),
    within: EXACT,
  },
  {
    topic: 'Panels',
    name: '3/4 in fibreboard, 36 in, 40 lb/ft: sag on day one',
    source: '5wL⁴/384EI by hand',
    unit: 'mm',
    expected: (5 * mdf.w * mdf.span ** 4) / (384 * mdf.e * ((mdf.b * mdf.t ** 3) / 12)),
    actual: () =>
      solveBeam({
        lengthMm: mdf.span,
        ei: mdf.e * secondMoment(mdf.b, mdf.t),
        supports: [{ atMm: 0 }, { atMm: mdf.span }],
        loads: [uniform(0, mdf.span, mdf.w)],
      })!.sag.mm,
    within: EXACT,
  },
  {
    topic: 'Creep',
    name: 'fibreboard, dry, after 50 years: × 3.25',
    source: 'EN 1995-1-1 table 3.2',
    unit: '×',
    expected: 3.25,
    actual: () => sagAfter(1, 3.25, 50),
    within: EXACT,
  },
  {
    topic: 'Creep',
    name: 'after ten years: 1 + 2.25·(10/50)^0.21',
    source: 'the curve itself, an approximation',
    unit: '×',
    expected: 1 + 2.25 * 0.2 ** 0.21,
    actual: () => sagAfter(1, 3.25, 10),
    within: EXACT,
  },
  {
    topic: 'Columns',
    name: 'CP at FcE/Fc* = 1',
    source: 'NDS 2018 3.7-1 by hand: 1.25 − √(1.5625 − 1.25)',
    unit: '–',
    expected: 1.25 - Math.sqrt(0.3125),
    actual: () => columnStability(10, (10 * 30 ** 2) / 0.822, 30)!,
    within: EXACT,
  },
  {
    topic: 'Columns',
    name: 'CP of a 4x4 Douglas fir No. 2 post, 8 ft: 0.366',
    source: 'NDS 2018 3.7.1 by hand: Fc* 1552.5, Emin 580 000, le/d 27.43',
    unit: '–',
    expected: (() => {
      const r = (0.822 * 580000) / (96 / 3.5) ** 2 / 1552.5
      const t = (1 + r) / 1.6
      return t - Math.sqrt(t * t - r / 0.8)
    })(),
    actual: () => columnStability(psi(1552.5), psi(580000), 96 / 3.5)!,
    within: EXACT,
  },
  {
    topic: 'Columns',
    name: 'FcE at le/d 50',
    source: 'NDS 2018 3.7.1.5',
    unit: 'MPa',
    expected: (0.822 * 3516) / 2500,
    actual: () => eulerStress(3516, 50),
    within: EXACT,
  },
  {
    topic: 'Columns',
    name: 'kc of C24 at λ = 100',
    source: 'EN 1995-1-1 6.25 by hand: λrel 1.696, k 2.078',
    unit: '–',
    expected: (() => {
      const r = (100 / Math.PI) * Math.sqrt(21 / 7400)
      const k = 0.5 * (1 + 0.2 * (r - 0.3) + r * r)
      return 1 / (k + Math.sqrt(k * k - r * r))
    })(),
    actual: () => instabilityFactor(21, 7400, 100),
    within: EXACT,
  },
  {
    topic: 'Columns',
    name: 'off its axis, no side load: 15.4-1',
    source: 'NDS 2018 15.4-1 by hand',
    unit: '–',
    expected: (2 / 8) ** 2 + (2 * ((6 * 20) / 89) * (1 + (0.234 * 2) / 6)) / (10 * (1 - 2 / 6)),
    actual: () => combinedAsd({ fc: 2, fcAllowed: 8, fb: 0, fbAllowed: 10, fcE: 6, eccentricityMm: 20, depthMm: 89 }),
    within: EXACT,
  },
  {
    topic: 'Columns',
    name: 'compression, bent on edge and flat: 3.9-3',
    source: 'NDS 2018 3.9-3 by hand',
    unit: '–',
    expected: (2 / 8) ** 2 + 3 / (12 * (1 - 2 / 9)) + 1 / (13 * (1 - 2 / 5 - (3 / 40) ** 2)),
    actual: () =>
      combinedBiaxialAsd({
        fc: 2,
        fcAllowed: 8,
        fb1: 3,
        fb1Allowed: 12,
        fcE1: 9,
        fb2: 1,
        fb2Allowed: 13,
        fcE2: 5,
        fbE: 40,
      }),
    within: EXACT,
  },
  {
    topic: 'Columns',
    name: 'FbE of 2x6, le 2 m, Emin 510 000 psi: 1.2·Emin·b²/(le·d)',
    source: 'NDS 2018 3.3.3.6 and 3.3.3.8 by hand',
    unit: 'MPa',
    expected: (1.2 * psi(510_000) * 38.1 ** 2) / (2000 * 139.7),
    actual: () => lateralEuler(psi(510_000), 2000, 139.7, 38.1),
    within: EXACT,
  },
  {
    topic: 'Columns',
    name: 'compression and bending both ways: 6.24',
    source: 'EN 1995-1-1 6.24 by hand, km 0.7',
    unit: '–',
    expected: 2 / (0.4 * 12) + 0.7 * (3 / 14) + 1 / 14,
    actual: () => combinedEc5({ sigmaC: 2, fcDesign: 12, kc: 0.4, sigmaM: 1, fmDesign: 14, otherWay: 3 / 14 }),
    within: EXACT,
  },
  {
    topic: 'Columns',
    name: 'compression and bending: 6.23',
    source: 'EN 1995-1-1 6.23 by hand',
    unit: '–',
    expected: 2 / (0.4 * 12) + 3 / 14,
    actual: () => combinedEc5({ sigmaC: 2, fcDesign: 12, kc: 0.4, sigmaM: 3, fmDesign: 14 }),
    within: EXACT,
  },
  {
    topic: 'Nails and screws, lateral',
    name: '8d common nail, 3/4 in side, Douglas fir: 90 lb',
    source: 'NDS 2018 table 12N',
    unit: 'lb',
    expected: 90,
    actual: () => lb(nail(0.131, 2.5, 0.75).n),
    within: 0.008,
  },
  {
    topic: 'Nails and screws, lateral',
    name: '16d common nail, 1 1/2 in side, Douglas fir: 141 lb',
    source: 'NDS 2018 table 12N',
    unit: 'lb',
    expected: 141,
    actual: () => lb(nail(0.162, 3.5, 1.5).n),
    within: 0.008,
  },
  {
    topic: 'Nails and screws, lateral',
    name: '10d common nail, 3/4 in side, Douglas fir: 105 lb',
    source: 'NDS 2018 table 12N',
    unit: 'lb',
    expected: 105,
    actual: () => lb(nail(0.148, 3, 0.75).n),
    within: 0.008,
  },
  {
    topic: 'Nails and screws, lateral',
    name: '10d common nail, 1 1/2 in side, Douglas fir: 118 lb',
    source: 'NDS 2018 table 12N',
    unit: 'lb',
    expected: 118,
    actual: () => lb(nail(0.148, 3, 1.5).n),
    within: 0.008,
  },
  {
    topic: 'Nails and screws, lateral',
    name: '1/2 in bolt, 1 1/2 in both, Douglas fir, along the grain: 480 lb',
    source: 'NDS 2018 table 12A',
    unit: 'lb',
    expected: 480,
    actual: () =>
      lb(
        lateralYield({
          diameterMm: inches(0.5),
          fyb: psi(45000),
          sideMm: inches(1.5),
          mainMm: inches(1.5),
          fes: psi(5600),
          fem: psi(5600),
        }).n,
      ),
    within: 0.012,
  },
  {
    topic: 'Nails and screws, lateral',
    name: '1/4 in lag, 1 1/2 in side, Douglas fir, along the grain: 150 lb',
    source: 'NDS 2018 table 12J',
    unit: 'lb',
    expected: 150,
    actual: () => lb(lag14(bearingStrength(0.5, inches(0.25)), 0)),
    within: 0.03,
  },
  {
    topic: 'Nails and screws, lateral',
    name: 'the same across the grain of both: Dr²/(KD·Kθ)·√(Fe·Fyb/3)',
    source: 'NDS 2018 12.3-6 and table 12.3.1B note 1 by hand: Fe 4465 psi, KD 2.23, Kθ 1.25',
    unit: 'lb',
    expected: (0.173 ** 2 / (2.23 * 1.25)) * Math.sqrt((4465.3 * 70_000) / 3),
    actual: () => lb(lag14(bearingStrength(0.5, inches(0.25), false), 90)),
    within: 0.001,
  },
  {
    topic: 'Nails and screws, lateral',
    name: 'lag screw 6 diameters in, tip left out: 6/8',
    source: 'NDS 2018 table 12J, note',
    unit: '–',
    expected: 0.75,
    actual: () => penetrationShare(6, 1, PENETRATION.lag),
    within: EXACT,
  },
  {
    topic: 'Nails and screws, lateral',
    name: '#8 wood screw, 1 1/2 in side, spruce-pine-fir: Dr²/KD·√(Fe·Fyb/3)',
    source: 'NDS 2018 12.3-6 by hand: Dr 0.131, KD 2.2, Fe 3364 psi, Fyb 90 000 psi',
    unit: 'lb',
    expected: (0.131 ** 2 / 2.2) * Math.sqrt((3364 * 90_000) / 3),
    actual: () => lb(woodScrew(0.164, 0.131, 0.42)),
    within: 0.001,
  },
  {
    topic: 'Nails and screws, lateral',
    name: '#10 wood screw, 1 1/2 in side, Douglas fir: the same',
    source: 'NDS 2018 12.3-6 by hand: Dr 0.152, KD 2.2, Fe 4637 psi, Fyb 80 000 psi',
    unit: 'lb',
    expected: (0.152 ** 2 / 2.2) * Math.sqrt((4637 * 80_000) / 3),
    actual: () => lb(woodScrew(0.19, 0.152, 0.5)),
    within: 0.001,
  },
  {
    topic: 'Nails and screws, lateral',
    name: 'dowel bearing of Douglas fir below 1/4 in: 4650 psi',
    source: 'NDS 2018 table 12.3.3',
    unit: 'psi',
    expected: 4650,
    actual: () => douglas / psi(1),
    within: 0.005,
  },
  {
    topic: 'Nails and screws, lateral',
    name: 'penetration of 8 diameters: 0.8',
    source: 'NDS 2018 table 12N, note',
    unit: '–',
    expected: 0.8,
    actual: () => penetrationShare(inches(1.048), inches(0.131)),
    within: EXACT,
  },
  {
    topic: 'Nails and screws, lateral',
    name: 'Johansen mode f, 4 mm nail, fh 19, My 6620: 1.15·√(2·My·fh·d)',
    source: 'EN 1995-1-1 8.6 f by hand',
    unit: 'N',
    expected: 1.15 * Math.sqrt(2 * 6620 * 19 * 4),
    actual: () =>
      johansen({ diameterMm: 4, myRk: 6620, t1Mm: 60, t2Mm: 60, fh1: 19, fh2: 19, faxRk: 0, ropeMost: 0 }).n,
    within: EXACT,
  },
  {
    topic: 'Nails and screws, lateral',
    name: 'yield moment of a 4 mm nail of 600 MPa: 0.3·600·4^2.6',
    source: 'EN 1995-1-1 8.14',
    unit: 'N·mm',
    expected: 180 * 4 ** 2.6,
    actual: () => yieldMoment(600, 4),
    within: EXACT,
  },
  {
    topic: 'Nails and screws, lateral',
    name: 'embedment, driven 3.1 mm nail in 350 kg/m³: 20.4 MPa',
    source: 'EN 1995-1-1 8.15 by hand',
    unit: 'MPa',
    expected: 0.082 * 350 * 3.1 ** -0.3,
    actual: () => embedment(350, 3.1, false),
    within: EXACT,
  },
  {
    topic: 'Nails and screws, lateral',
    name: 'four in a row at 10 d count as 4^0.85',
    source: 'EN 1995-1-1 8.17, table 8.1',
    unit: '–',
    expected: 4 ** 0.85,
    actual: () => effectiveNumber(4, 10),
    within: EXACT,
  },
  {
    topic: 'Nails and screws, lateral',
    name: 'four 1 in bolts in a row at 4 in, As 5 in², As/Am 0.5: 0.84',
    source: 'NDS 2018 table 11.3.6A',
    unit: '–',
    expected: 0.84,
    actual: () => groupFactor(4, inches(4), inches(1), 10 * 1.4e6 * N_PER_LBF, 5 * 1.4e6 * N_PER_LBF),
    within: 0.006,
  },
  {
    topic: 'Withdrawal',
    name: '#8 wood screw, Douglas fir: 117 lb per inch',
    source: 'NDS 2018 table 12.2B',
    unit: 'lb',
    expected: 117,
    actual: () => lb(screwWithdrawal(0.5, inches(0.164), inches(1), 1)),
    within: 0.006,
  },
  {
    topic: 'Withdrawal',
    name: '#10 wood screw, hem-fir G 0.43: 100 lb per inch',
    source: 'NDS 2018 table 12.2B',
    unit: 'lb',
    expected: 100,
    actual: () => lb(screwWithdrawal(0.43, inches(0.19), inches(1), 1)),
    within: 0.006,
  },
  {
    topic: 'Withdrawal',
    name: '3/8 in lag, Douglas fir G 0.50: 305 lb per inch',
    source: 'NDS 2018 table 12.2A',
    unit: 'lb',
    expected: 305,
    actual: () => lb(lagWithdrawal(0.5, inches(0.375), inches(1), 1)),
    within: 0.004,
  },
  {
    topic: 'Withdrawal',
    name: '1/4 in lag, spruce-pine-fir G 0.42: 173 lb per inch',
    source: 'NDS 2018 table 12.2A',
    unit: 'lb',
    expected: 173,
    actual: () => lb(lagWithdrawal(0.42, inches(0.25), inches(1), 1)),
    within: 0.004,
  },
  {
    topic: 'Withdrawal',
    name: '8d common nail, Douglas fir: 32 lb per inch',
    source: 'NDS 2018 table 12.2C',
    unit: 'lb',
    expected: 32,
    actual: () => lb(nailWithdrawal(0.5, inches(0.131), inches(1), 1)),
    within: 0.02,
  },
  {
    topic: 'Withdrawal',
    name: '8 mm screw, 80 mm of thread, 350 kg/m³',
    source: 'EN 1995-1-1 8.38 to 8.40 by hand',
    unit: 'N',
    expected: 0.52 * 8 ** -0.5 * 80 ** -0.1 * 350 ** 0.8 * 8 * 80,
    actual: () => screwWithdrawalEc5(350, 8, 80),
    within: EXACT,
  },
  {
    topic: 'Withdrawal',
    name: 'at 45° with Z = W: the same',
    source: 'NDS 2018 12.4-1',
    unit: 'N',
    expected: 500,
    actual: () => atAngle(500, 500, Math.PI / 4),
    within: EXACT,
  },
  {
    topic: 'Bearing and notches',
    name: 'Cb of a 1 1/2 in post mid-plate: 1.25',
    source: 'NDS 2018 table 3.10.4',
    unit: '–',
    expected: 1.25,
    actual: () => bearingAreaFactor(inches(1.5), inches(12)),
    within: EXACT,
  },
  {
    topic: 'Bearing and notches',
    name: 'effective contact of 45 mm with wood on both sides: 105',
    source: 'EN 1995-1-1 6.1.5',
    unit: 'mm',
    expected: 105,
    actual: () => effectiveContact(45, 400, 400),
    within: EXACT,
  },
  {
    topic: 'Bearing and notches',
    name: '2x8 notched a quarter: 2/3·Fv·b·dn·(dn/d)²',
    source: 'NDS 2018 3.4-3 by hand',
    unit: 'lb',
    expected: (2 / 3) * 180 * 1.5 * 5.4375 * (5.4375 / 7.25) ** 2,
    actual: () => lb(notchedShear(psi(180), inches(1.5), inches(7.25), inches(5.4375))),
    within: EXACT,
  },
  {
    topic: 'Bearing and notches',
    name: 'kv of 200 mm notched to 150, 50 from the support',
    source: 'EN 1995-1-1 6.62 by hand',
    unit: '–',
    expected: 5 / (Math.sqrt(200) * (Math.sqrt(0.75 * 0.25) + 0.8 * 0.25 * Math.sqrt(1 / 0.75 - 0.5625))),
    actual: () => notchFactor(200, 150, 50),
    within: EXACT,
  },
  {
    topic: 'Bearing and notches',
    name: '27 mm tube 60 deep, 200 N at 250 mm: (4V + 6M/L)/(dL)',
    source: 'straight-line pressure by hand',
    unit: 'MPa',
    expected: (800 + (6 * 50000) / 60) / (27 * 60),
    actual: () => boredHolePressure(200, 50000, 27, 60),
    within: EXACT,
  },
  {
    topic: 'Bearing and notches',
    name: 'shelf pin 5 mm, 10 deep, 4 mm out, fh 28: the two stretches of yielding wood balance it',
    source: 'equilibrium by hand: a₁ − a₂ = F/(fh·d), moments about the face',
    unit: 'N',
    expected: pinByHand(28, 5, 10, 4),
    actual: () => pinInHole(28, 5, 10, 4),
    within: 1e-6,
  },
  {
    topic: 'Bearing and notches',
    name: 'round pin 5 mm, 240 MPa: fy·d³/6',
    source: 'plastic modulus of a circle',
    unit: 'N·mm',
    expected: 5000,
    actual: () => roundPlasticMoment(240, 5),
    within: EXACT,
  },
  {
    topic: 'Bearing and notches',
    name: 'pin of 100 N, 4 mm out, fh 28: F·e + F²/(2·fh·d)',
    source: 'moment where the shear is nought, by hand',
    unit: 'N·mm',
    expected: 400 + 100 ** 2 / 280,
    actual: () => pinMoment(100, 28, 5, 4),
    within: EXACT,
  },
  {
    topic: 'Hung',
    name: '3/8-16 rod: stress area 0.0775 in²',
    source: 'ASME B1.1',
    unit: 'in²',
    expected: 0.0775,
    actual: () => stressAreaInch(inches(0.375), 16) / inches(1) ** 2,
    within: 2e-3,
  },
  {
    topic: 'Hung',
    name: 'M10: stress area 58.0 mm²',
    source: 'ISO 898-1',
    unit: 'mm²',
    expected: 58,
    actual: () => stressAreaMetric(10, 1.5),
    within: 2e-3,
  },
  {
    topic: 'Hung',
    name: '3/8 in rod of 58 ksi: 2.40 kip',
    source: 'AISC 360 table J3.2, Ω = 2',
    unit: 'lb',
    expected: (0.75 * 58000 * (Math.PI / 4) * 0.375 ** 2) / 2,
    actual: () => lb(rodTension(psi(58000), inches(0.375))),
    within: EXACT,
  },
  {
    topic: 'Hung',
    name: '1 1/2 in washer, 7/16 hole, 405 psi: 655 lb',
    source: 'ring area by hand',
    unit: 'lb',
    expected: (Math.PI / 4) * (1.5 ** 2 - 0.4375 ** 2) * 405,
    actual: () => lb(washerBearing(inches(1.5), inches(0.4375), psi(405))),
    within: EXACT,
  },
  {
    topic: 'Hung',
    name: 'bracket: 400 N at 200, upper screw 250 up: 320 N',
    source: 'moments by hand',
    unit: 'N',
    expected: 320,
    actual: () => eccentricPull(400, 200, 250),
    within: EXACT,
  },
  {
    topic: 'Hung',
    name: 'bevelled strip at 45°, no friction: the whole load',
    source: 'wedge by hand',
    unit: 'N',
    expected: 400,
    actual: () => bevelPull(400, 100, 300),
    within: EXACT,
  },
  {
    topic: 'Hung',
    name: 'knee brace at 45°: √2 times the load',
    source: 'statics',
    unit: 'N',
    expected: 400 * Math.SQRT2,
    actual: () => kneeBrace(400, Math.PI / 4),
    within: EXACT,
  },
  {
    topic: 'Hung',
    name: 'tube 26.7 × 2.1, 50 N·m: 32MD/π(D⁴−d⁴)',
    source: 'by hand',
    unit: 'MPa',
    expected: (32 * 50000 * 26.7) / (Math.PI * (26.7 ** 4 - 22.5 ** 4)),
    actual: () => tubeStress(50000, 26.7, 2.1),
    within: EXACT,
  },
]

const figure = (n: number) =>
  Math.abs(n) >= 1000 ? Math.round(n).toLocaleString('en-US') : Number(n.toPrecision(5)).toString()

/** docs/verification.md, from the list above. */
export function verificationPage(): string {
  const topics = [...new Set(WORKED.map((w) => w.topic))]
  const rows = (topic: string) =>
    WORKED.filter((w) => w.topic === topic)
      .map((w) => {
        const off = Math.abs(w.actual() - w.expected) / Math.abs(w.expected)
        return `| ${w.name.replace(/\|/g, '/')} | ${w.source} | ${figure(w.expected)} ${w.unit} | ${figure(w.actual())} ${w.unit} | ${off < 1e-6 ? '0' : (off * 100).toFixed(2)} % |`
      })
      .join('\n')
  return [
    '# Verification of the mechanics',
    '',
    `${WORKED.length} figures of the program beside figures from elsewhere: closed forms, hand calculations and published tables. The list lives in`,
    '`test-support/worked-examples.ts`; a test reproduces every line of it and checks that this page is what the list says',
    '(`UPDATE_DOCS=1 npm run -s unit -- core/mechanics` rewrites it). Published tables round to two or three figures; the rest agrees to rounding.',
    '',
    'Beams of random lengths, supports, springs, overhangs and loads are compared with a second solver that works with forces instead of stiffnesses',
    '(`test-support/reference-beam.ts`): reactions, sag and moment within 0.1 %. Every yield mode of both methods is compared with the statics of a dowel',
    '(`test-support/reference-dowel.ts`) on random cases, to rounding.',
    '',
    'A sectional door’s sweep is checked against a second model of it (`test-support/door-model.ts`), cut plans by `core/cutting/verify.ts`, every',
    'assembly by `core/assembly/validate.ts`, and every load path by equilibrium (loads in = reactions out).',
    '',
    ...topics.flatMap((t) => [
      `## ${t}`,
      '',
      '| case | source | expected | program | off by |',
      '|---|---|---|---|---|',
      rows(t),
      '',
    ]),
  ].join('\n')
}
