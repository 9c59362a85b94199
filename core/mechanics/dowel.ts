import { inches } from '../measure/units.ts'

/*
 * One dowel-type fastener (nail, wood screw, lag screw, bolt) loaded across its length in single shear: the yield-limit
 * equations. All lengths mm, strengths MPa, result N.
 */

export interface DowelCase {
  /** Diameter that bends and bears: the root of a screw, the shank of a nail or bolt. */
  diameterMm: number
  /** Bending yield strength of the fastener. */
  fyb: number
  /** Thickness of the piece it goes through, and its penetration into the other. */
  sideMm: number
  mainMm: number
  /** Dowel bearing strengths of the two. */
  fes: number
  fem: number
  /** Outside diameter of a thread, where it is more than `diameterMm`. */
  nominalMm?: number
  /** Greatest angle of load to grain in either, degrees; only matters from 1/4 in up. */
  angleDeg?: number
}

export type YieldMode = 'Im' | 'Is' | 'II' | 'IIIm' | 'IIIs' | 'IV'

/** From here on fasteners bear differently along and across the grain, mm. NDS 2018 12.3.3. */
export const LARGE_FROM_MM = inches(1 / 4)

/**
 * Reduction terms Rd of NDS 2018 table 12.3.1B; its note 1: a thread of 1/4 in and more with a thinner root takes
 * KD·Kθ.
 */
function reduction(diameterMm: number, nominalMm: number, angleDeg: number): Record<YieldMode, number> {
  const d = diameterMm / inches(1)
  const k = 1 + 0.25 * (angleDeg / 90)
  if (diameterMm < LARGE_FROM_MM) {
    const kd = (d <= 0.17 ? 2.2 : 10 * d + 0.5) * (nominalMm < LARGE_FROM_MM ? 1 : k)
    return { Im: kd, Is: kd, II: kd, IIIm: kd, IIIs: kd, IV: kd }
  }
  return { Im: 4 * k, Is: 4 * k, II: 3.6 * k, IIIm: 3.2 * k, IIIs: 3.2 * k, IV: 3.2 * k }
}

/**
 * Reference lateral value Z, single shear: NDS 2018 table 12.3.1A.
 * @returns N for one fastener at normal load duration, and the mode that governs
 */
export function lateralYield(c: DowelCase): { n: number; mode: YieldMode; modes: Record<YieldMode, number> } {
  const { diameterMm: d, fyb, sideMm: ls, mainMm: lm, fes, fem } = c
  const re = fem / fes
  const rt = lm / ls
  const k1 = (Math.sqrt(re + 2 * re * re * (1 + rt + rt * rt) + rt * rt * re ** 3) - re * (1 + rt)) / (1 + re)
  const k2 = -1 + Math.sqrt(2 * (1 + re) + (2 * fyb * (1 + 2 * re) * d * d) / (3 * fem * lm * lm))
  const k3 = -1 + Math.sqrt((2 * (1 + re)) / re + (2 * fyb * (2 + re) * d * d) / (3 * fem * ls * ls))
  const r = reduction(d, c.nominalMm ?? d, c.angleDeg ?? 0)
  const modes: Record<YieldMode, number> = {
    Im: (d * lm * fem) / r.Im,
    Is: (d * ls * fes) / r.Is,
    II: (k1 * d * ls * fes) / r.II,
    IIIm: (k2 * d * lm * fem) / ((1 + 2 * re) * r.IIIm),
    IIIs: (k3 * d * ls * fem) / ((2 + re) * r.IIIs),
    IV: ((d * d) / r.IV) * Math.sqrt((2 * fem * fyb) / (3 * (1 + re))),
  }
  const mode = (Object.keys(modes) as YieldMode[]).reduce((a, b) => (modes[b] < modes[a] ? b : a))
  return { n: modes[mode], mode, modes }
}

/**
 * What a gap between the two pieces leaves of a dowel's strength: it bends over the gap first. AWC TR12 2018, general
 * dowel equations; pieces as thick as they are, the same bearing at every depth. The same share is taken of Johansen's
 * values, which rest on the same statics.
 * @param gapMm lining or air between the pieces
 */
export function gapShare(
  c: Pick<DowelCase, 'diameterMm' | 'fyb' | 'sideMm' | 'mainMm' | 'fes' | 'fem'>,
  gapMm: number,
) {
  const { diameterMm: d, sideMm: ls, mainMm: lm } = c
  const [qs, qm, moment] = [c.fes * d, c.fem * d, (c.fyb * d ** 3) / 6]
  const turnedIn = (q: number, l: number) => ({ a: 1 / (4 * q), b: l / 2, c: (q * l * l) / 4 })
  const bentIn = (q: number) => ({ a: 1 / (2 * q), b: 0, c: moment })
  const givesAt = (gap: number) => {
    const sides = [turnedIn(qs, ls), bentIn(qs)]
    const mains = [turnedIn(qm, lm), bentIn(qm)]
    const bends = sides.flatMap((s) =>
      mains.map((m) => {
        const [a, b] = [s.a + m.a, s.b + m.b + gap]
        return (-b + Math.sqrt(b * b + 4 * a * (s.c + m.c))) / (2 * a)
      }),
    )
    return Math.min(qs * ls, qm * lm, ...bends)
  }
  return gapMm <= 0 ? 1 : givesAt(gapMm) / givesAt(0)
}

export interface JohansenCase {
  diameterMm: number
  /** Characteristic yield moment, N·mm. */
  myRk: number
  /** Thickness of the head-side piece and penetration of the point side. */
  t1Mm: number
  t2Mm: number
  /** Characteristic embedment strengths, MPa. */
  fh1: number
  fh2: number
  /** Characteristic withdrawal of the fastener, N, for the rope effect; 0 leaves it out. */
  faxRk: number
  /** Share of the Johansen part the rope effect may add: 0.15 round nails, 1 screws, 0.25 bolts. */
  ropeMost: number
}

/**
 * Characteristic lateral resistance in single shear, timber to timber: EN 1995-1-1 equation 8.6. @returns N for one
 * fastener
 */
export function johansen(c: JohansenCase): { n: number; mode: 'a' | 'b' | 'c' | 'd' | 'e' | 'f' } {
  const { diameterMm: d, myRk, t1Mm: t1, t2Mm: t2, fh1, fh2 } = c
  const b = fh2 / fh1
  const q = t2 / t1
  const rope = (johansenPart: number) => johansenPart + Math.min(c.faxRk / 4, c.ropeMost * johansenPart)
  const modes = {
    a: fh1 * t1 * d,
    b: fh2 * t2 * d,
    c: rope(((fh1 * t1 * d) / (1 + b)) * (Math.sqrt(b + 2 * b * b * (1 + q + q * q) + b ** 3 * q * q) - b * (1 + q))),
    d: rope(
      1.05 *
        ((fh1 * t1 * d) / (2 + b)) *
        (Math.sqrt(2 * b * (1 + b) + (4 * b * (2 + b) * myRk) / (fh1 * d * t1 * t1)) - b),
    ),
    e: rope(
      1.05 *
        ((fh1 * t2 * d) / (1 + 2 * b)) *
        (Math.sqrt(2 * b * b * (1 + b) + (4 * b * (1 + 2 * b) * myRk) / (fh1 * d * t2 * t2)) - b),
    ),
    f: rope(1.15 * Math.sqrt((2 * b) / (1 + b)) * Math.sqrt(2 * myRk * fh1 * d)),
  }
  const mode = (Object.keys(modes) as (keyof typeof modes)[]).reduce((x, y) => (modes[y] < modes[x] ? y : x))
  return { n: modes[mode], mode }
}

/** Characteristic yield moment of a round fastener, N·mm: EN 1995-1-1 equations 8.14 and 8.30, My = 0.3·fu·d^2.6. */
export const yieldMoment = (fu: number, diameterMm: number): number => 0.3 * fu * diameterMm ** 2.6

/** Embedment strength of nails and of screws up to 6 mm, MPa: EN 1995-1-1 equations 8.15 (driven) and 8.16 (bored). */
export const embedment = (rhoK: number, diameterMm: number, bored: boolean): number =>
  bored ? 0.082 * (1 - 0.01 * diameterMm) * rhoK : 0.082 * rhoK * diameterMm ** -0.3

/**
 * Dowel bearing strength of lumber, MPa: NDS 2018 12.3.3; below 1/4 in the same in every direction, from there on along
 * or across the grain.
 * @param diameterMm outside diameter: a thread counts here with all of it
 */
export function bearingStrength(g: number, diameterMm: number, alongGrain = true): number {
  const d = diameterMm / inches(1)
  const psi =
    diameterMm < LARGE_FROM_MM ? 16600 * g ** 1.84 : alongGrain ? 11200 * g : (6100 * g ** 1.45) / Math.sqrt(d)
  return psi * 0.00689475729316836
}

/** Penetration in diameters below which a fastener counts for nothing, and from which it counts in full. */
export interface PenetrationRule {
  least: number
  full: number
  source: string
}
export const PENETRATION: Record<'screw' | 'nail' | 'lag', PenetrationRule> = {
  screw: { least: 6, full: 10, source: 'NDS 2018 12.1.5 and table 12L notes' },
  nail: { least: 6, full: 10, source: 'NDS 2018 12.1.6 and table 12N notes' },
  lag: { least: 4, full: 8, source: 'NDS 2018 12.1.4 and table 12J notes, tip not counted' },
}

/** How much of the lateral value a short penetration leaves: in proportion between the two bounds of the rule. */
export const penetrationShare = (penetrationMm: number, diameterMm: number, rule = PENETRATION.nail): number => {
  const n = penetrationMm / diameterMm
  return n < rule.least ? 0 : Math.min(1, n / rule.full)
}

/**
 * End grain takes two thirds of the lateral value: NDS 2018 12.5.2, Ceg = 0.67. Withdrawal from it counts for nothing
 * (12.2.2.3).
 */
export const END_GRAIN_LATERAL = 0.67

/**
 * Lateral and withdrawal together on one screw: NDS 2018 equation 12.4-1. @param angleRad load against the surface, 0
 * along it
 */
export const atAngle = (lateralN: number, withdrawalN: number, angleRad: number): number => {
  const [c, s] = [Math.cos(angleRad), Math.sin(angleRad)]
  return withdrawalN === 0 && s > 1e-9 ? 0 : (withdrawalN * lateralN) / (withdrawalN * c * c + lateralN * s * s)
}

/**
 * Fasteners in one row, each a little less than alone: NDS 2018 11.3.6 lets all below 1/4 in count fully; EN 1995-1-1
 * 8.3.1.1: n^kef.
 */
export const effectiveNumber = (n: number, spacingDiameters: number): number =>
  spacingDiameters >= 14 ? n : spacingDiameters >= 10 ? n ** 0.85 : spacingDiameters >= 7 ? n ** 0.7 : n ** 0.5

/** Group action factor for a row of bolts or lags: NDS 2018 equation 11.3-1. Areas mm², E MPa. */
export function groupFactor(n: number, spacingMm: number, diameterMm: number, mainEa: number, sideEa: number): number {
  if (n < 2) return 1
  // Load-slip modulus of a dowel in wood-to-wood, N/mm: 180 000 D^1.5 lb/in.
  const gamma = (180_000 * (diameterMm / inches(1)) ** 1.5 * 4.4482216152605) / inches(1)
  const [em, es] = mainEa <= sideEa ? [mainEa, sideEa] : [sideEa, mainEa]
  const rea = em / es
  const u = 1 + ((gamma * spacingMm) / 2) * (1 / mainEa + 1 / sideEa)
  const m = u - Math.sqrt(u * u - 1)
  return ((m * (1 - m ** (2 * n))) / (n * ((1 + rea * m ** n) * (1 + m) - 1 + m ** (2 * n)))) * ((1 + rea) / (1 - m))
}
