import { effectiveContact, notchFactor } from '../bearing.ts'
import { combinedEc5, instabilityFactor } from '../column.ts'
import { embedment, gapShare, johansen, yieldMoment } from '../dowel.ts'
import { gyration, sectionModulus } from '../section.ts'
import { effectiveBolts, spacingEc5, spacingLargeEc5 } from '../spacing.ts'
import { headMm } from '../../catalogue/fasteners.ts'
import type { Grade } from '../../catalogue/lumber.ts'
import { headPullThrough, screwWithdrawal, screwWithdrawalEc5 } from '../withdrawal.ts'
import {
  overGap,
  PANEL_G,
  strength,
  type Conditions,
  type Duration,
  type CreepMaterial,
  type DesignMethod,
  type Factor,
  type LateralCase,
  type Strength,
  type Wood,
} from './method.ts'

const EN1995 = 'EN 1995-1-1'
/** Service classes 1, 2, 3. Null: the material may not be used there. */
type ByClass = [number, number | null, number | null]
/** Table 3.1, load-duration class "long-term" (storage: table 2.2), "permanent", and "short-term" (less than a week). */
const KMOD: Record<Duration, Record<CreepMaterial, ByClass>> = {
  short: {
    lumber: [0.9, 0.9, 0.7],
    solid: [0.9, 0.9, 0.7],
    plywood: [0.9, 0.9, 0.7],
    'lumber-core': [0.9, 0.9, null],
    osb: [0.9, 0.7, null],
    particleboard: [0.85, 0.6, null],
    hardboard: [0.85, 0.6, null],
    mdf: [0.8, 0.45, null],
  },
  long: {
    lumber: [0.7, 0.7, 0.55],
    solid: [0.7, 0.7, 0.55],
    plywood: [0.7, 0.7, 0.55],
    'lumber-core': [0.7, 0.7, null],
    osb: [0.5, 0.4, null],
    particleboard: [0.45, 0.3, null],
    hardboard: [0.45, 0.3, null],
    // Dry grades belong in class 1 only; for class 2 the figure of moisture-resistant particleboard stands in, and the
    // source says so.
    mdf: [0.4, 0.3, null],
  },
  permanent: {
    lumber: [0.6, 0.6, 0.5],
    solid: [0.6, 0.6, 0.5],
    plywood: [0.6, 0.6, 0.5],
    'lumber-core': [0.6, 0.6, null],
    osb: [0.4, 0.3, null],
    particleboard: [0.3, 0.2, null],
    hardboard: [0.3, 0.2, null],
    mdf: [0.2, 0.2, null],
  },
}
const CLASS_NAME: Record<Duration, string> = { permanent: 'permanent', long: 'long-term', short: 'short-term' }
/** Table 3.2. Particleboard of class 2 takes P5. */
const KDEF: Record<CreepMaterial, ByClass> = {
  lumber: [0.6, 0.8, 2.0],
  solid: [0.6, 0.8, 2.0],
  plywood: [0.8, 1.0, 2.5],
  'lumber-core': [0.8, 1.0, 2.5],
  osb: [1.5, 2.25, null],
  particleboard: [2.25, 3.0, null],
  mdf: [2.25, 3.0, null],
  hardboard: [2.25, 3.0, null],
}
/** Table 2.3. */
const GAMMA_M: Record<CreepMaterial, number> = {
  lumber: 1.3,
  solid: 1.3,
  plywood: 1.2,
  'lumber-core': 1.3,
  osb: 1.2,
  particleboard: 1.3,
  mdf: 1.3,
  hardboard: 1.3,
}
const GAMMA_CONNECTION = 1.3

const column = (c: Conditions) => ({ dry: 0, unheated: 1, wet: 2 })[c.moisture]
function design(material: CreepMaterial, c: Conditions, more: Factor[] = []): Factor[] | null {
  const kmod = KMOD[c.duration][material][column(c)]
  if (kmod === null) return null
  return [
    {
      symbol: 'kmod',
      value: kmod,
      source:
        (material === 'mdf' || material === 'particleboard') && c.moisture === 'unheated'
          ? `none in ${EN1995} table 3.1 for dry grades in class 2; that of moisture-resistant particleboard, indicative`
          : `${EN1995} table 3.1, ${CLASS_NAME[c.duration]}, class ${column(c) + 1}`,
    },
    { symbol: '1/γM', value: 1 / GAMMA_M[material], source: `${EN1995} table 2.3: γM = ${GAMMA_M[material]}` },
    ...more,
  ]
}
/** Lumber, or the sheet a strip is of. */
const woodKind = (g: Grade): CreepMaterial => g.of?.kind ?? 'lumber'
const designed = (symbol: string, base: number, source: string, factors: Factor[] | null): Strength | null =>
  factors ? strength(symbol, base, source, factors) : null

/** Where a panel is not meant for the place at all, its largest listed creep stands in. */
export const kdef = (material: CreepMaterial, c: Conditions): number => KDEF[material][column(c)] ?? 4

/**
 * Embedment of panels, MPa: EN 1995-1-1 equations 8.20 (plywood), 8.21 (hardboard) and 8.22 (particleboard, OSB).
 * Fibreboard (MDF) has none of its own there and is taken like particleboard; lumber-core and solid panels like lumber
 * of their density.
 */
export function embeds(w: Wood, diameterMm: number, thicknessMm: number, bored: boolean): number | null {
  if (w.kind === 'lumber') return w.grade.ec5 ? embedment(w.grade.ec5.rhoK, diameterMm, bored) : null
  if (w.sheet.kind === 'plywood') return 0.11 * 0.85 * w.sheet.densityKgM3 * diameterMm ** -0.3
  if (w.sheet.kind === 'hardboard') return 30 * diameterMm ** -0.3 * Math.min(thicknessMm, w.sheet.thicknessMm) ** 0.6
  if (w.sheet.kind === 'lumber-core' || w.sheet.kind === 'solid')
    return embedment(0.85 * w.sheet.densityKgM3, diameterMm, bored)
  return 65 * diameterMm ** -0.7 * Math.min(thicknessMm, w.sheet.thicknessMm) ** 0.1
}

function lateral(j: LateralCase, c: Conditions): Strength | null {
  const { fastener: f } = j
  if (f.kind === 'nut') return null
  // Screws bend and bear on 1.1 times their root: EN 1995-1-1 8.7.1(3).
  const d = f.kind === 'screw' || f.kind === 'lag' ? 1.1 * f.rootMm : f.diameterMm
  const bored = isLarge(f)
  const [fh1, fh2] = [embeds(j.side, d, j.sideMm, bored), embeds(j.main, d, j.mainMm, bored)]
  if (fh1 === null || fh2 === null) return null
  const across = bored && j.acrossGrain ? 1 / (1.35 + 0.015 * d) : 1
  const fu = f.kind === 'bolt' ? 400 : 600
  const material: CreepMaterial[] = [j.side, j.main].map((w) => (w.kind === 'lumber' ? 'lumber' : w.sheet.kind))
  const kmods = material.map((m) => KMOD[c.duration][m][column(c)])
  if (kmods.some((k) => k === null)) return null
  const kmod = Math.sqrt((kmods[0] as number) * (kmods[1] as number))
  const { n, mode } = johansen({
    diameterMm: d,
    myRk: yieldMoment(fu, d),
    t1Mm: j.sideMm,
    t2Mm: j.mainMm,
    fh1: fh1 * across,
    fh2: fh2 * across,
    faxRk: 0,
    ropeMost: 0,
  })
  const factors: Factor[] = [
    { symbol: 'kmod', value: kmod, source: `${EN1995} 2.3.2.1: root of the two materials` },
    { symbol: '1/γM', value: 1 / GAMMA_CONNECTION, source: `${EN1995} table 2.3: connections 1.3` },
  ]
  if (j.gapMm && j.mainMm > 0) {
    const fyb = (6 * yieldMoment(fu, d)) / d ** 3
    const [fes, fem] = [fh1 * across, fh2 * across]
    factors.push(overGap(gapShare({ diameterMm: d, fyb, sideMm: j.sideMm, mainMm: j.mainMm, fes, fem }, j.gapMm)))
  }
  const least = f.kind === 'bolt' ? 0 : 6
  if (j.mainMm < least * f.diameterMm)
    factors.push({ symbol: 't2 < 6d', value: 0, source: `${EN1995} 8.3.1.2 and 8.7.2: point too short to count` })
  if (j.into === 'end') factors.push({ symbol: 'end grain', value: 1 / 3, source: `${EN1995} 8.3.1.2(4): one third` })
  if (j.into === 'edge' && j.main.kind === 'sheet')
    factors.push({ symbol: 'edge', value: 1 / 3, source: 'edge of a sheet taken like end grain: product decision' })
  if (j.askew)
    factors.push({ symbol: 'askew', value: 0.83, source: 'NDS 2018 12.5.4, taken here too: product decision' })
  return strength(`Fv,Rk (mode ${mode})`, n, `${EN1995} 8.6, no rope effect`, factors)
}

/** Thread a screw that is pulled has in the wood at least, in its diameters: EN 1995-1-1 8.7.2(3). */
const LEAST_THREAD = 6

/** What counts as a bolt, not as a nail. */
const isLarge = (f: LateralCase['fastener']) => f.kind === 'bolt' || f.diameterMm > 6

/** Eurocode 5, limit states. */
/** Specific gravity on the oven-dry base of a characteristic density in kg/m³: about 0.95 of it. */
const gravityOf = (rhoK: number) => rhoK / 1000 / 0.95
/**
 * Where a declared value of the screw is wanted and there is none, the North American formula with its own safety
 * stands in, marked.
 */
const borrowed = (symbol: string, value: number, equation: string): Strength =>
  strength(
    symbol,
    value * 1.5,
    `NDS 2018 ${equation} (no declared value for this screw), × 1.5 as loads are factored: indicative`,
    [{ symbol: 'CD', value: 0.9, source: 'NDS 2018 table 2.3.2' }],
  )

export const ec5: DesignMethod = {
  id: 'ec5',
  loadFactor: { self: 1.35, goods: 1.5, source: 'EN 1990 equation 6.10: permanent 1.35, variable 1.5' },
  screwTogether: {
    formula: '(V/Z)² + (T/W)²',
    source: `${EN1995} 8.7.3(4) and equation 8.28`,
    // Its root, as a share that grows with the load.
    share: (v, t, z, w) => Math.hypot(v / z, t / w),
  },
  bending(g, use, c) {
    if (!g.ec5) return null
    // Of sheets in their plane no size effect is counted.
    const kh = use.depthMm < 150 && !g.of ? Math.min((150 / use.depthMm) ** 0.2, 1.3) : 1
    return designed(
      'fm,k',
      g.ec5.fm,
      g.source,
      design(woodKind(g), c, [
        { symbol: 'kh', value: kh, source: `${EN1995} 3.2(3), depth ${Math.round(use.depthMm)} mm` },
      ]),
    )
  },
  shear: (g, c) => (g.ec5 ? designed('fv,k', g.ec5.fv, g.source, design(woodKind(g), c)) : null),
  // EN 338:2016 table 1: the same for all classes of softwood.
  acrossGrain: (g, c) => (g.ec5 ? designed('ft,90,k', 0.4, 'EN 338:2016 table 1', design(woodKind(g), c)) : null),
  // kcr, EN 1995-1-1 6.1.7(2).
  shearWidthFactor: 0.67,
  // The stress is worked out over the whole depth; the method asks for the depth that is left.
  notch: (depthMm, leftMm, reachMm) => ({
    symbol: 'kv·hef/h',
    value: (notchFactor(depthMm, leftMm, reachMm) * leftMm) / depthMm,
    source: `${EN1995} 6.5.2: notched on the side of the support`,
  }),
  tension: (g, _nominal, c) => (g.ec5 ? designed('ft,0,k', g.ec5.ft0, g.source, design(woodKind(g), c)) : null),
  compression: (g, _nominal, c) => (g.ec5 ? designed('fc,0,k', g.ec5.fc0, g.source, design(woodKind(g), c)) : null),
  bearing(g, c, k) {
    if (!g.ec5) return null
    const longer = effectiveContact(k.lengthMm, k.beforeMm, k.afterMm) / k.lengthMm
    return designed(
      'fc,90,k',
      g.ec5.fc90,
      g.source,
      design(
        woodKind(g),
        c,
        longer > 1
          ? [{ symbol: 'Aef/A', value: longer, source: `${EN1995} 6.1.5: 30 mm more on each side, kc,90 = 1` }]
          : [],
      ),
    )
  },
  post(p, c) {
    if (!p.grade.ec5) return null
    const { fc0, e05 } = p.grade.ec5
    const fc = ec5.compression(p.grade, p.nominalWidth, c)
    const [x, y] = p.axes
    const sides = [x, y].map((own, i) => {
      const slender = own.unheldMm / gyration(own.depthMm)
      const fm = ec5.bending(p.grade, { depthMm: own.depthMm, nominalWidth: p.nominalWidth, flat: true }, c)
      return {
        slender,
        kc: instabilityFactor(fc0, e05, slender),
        fm,
        bends: own.momentNmm / sectionModulus([y, x][i].depthMm, own.depthMm),
      }
    })
    if (!fc || sides.some((s) => !s.fm)) return null
    const source = `${EN1995} 6.3.2, βc = 0.2, km = 0.7`
    const sigmaC = p.axialN / (x.depthMm * y.depthMm)
    const [rx, ry] = sides.map((s, i) =>
      combinedEc5({
        sigmaC,
        fcDesign: fc.value,
        kc: s.kc,
        sigmaM: s.bends,
        fmDesign: s.fm!.value,
        otherWay: sides[1 - i].bends / sides[1 - i].fm!.value,
      }),
    )
    const axis = ry > rx ? 1 : 0
    const worst = sides[axis]
    return {
      ratio: Math.max(rx, ry),
      axis,
      formula: 'σc / (kc·fc,0,d) + σm / fm,d + km·σm / fm,d of the other way ≤ 1',
      source,
      factors: [
        { symbol: 'fc,0,d', value: fc.value, source: fc.source, stress: true },
        ...fc.factors,
        { symbol: 'λ', value: worst.slender, source: 'unheld length over radius of gyration' },
        { symbol: 'kc', value: worst.kc, source },
        ...sides.flatMap((s, i): Factor[] =>
          s.bends > 0
            ? [
                { symbol: i === axis ? 'σm' : 'σm, other way', value: s.bends, source: 'M / (b·d²/6)', stress: true },
                {
                  symbol: i === axis ? 'fm,d' : 'fm,d, other way',
                  value: s.fm!.value,
                  source: s.fm!.source,
                  stress: true,
                },
              ]
            : [],
        ),
      ],
    }
  },
  panelMoment(s, along, c) {
    if (!s.ec5Bending) return null
    const fmk = along ? s.ec5Bending.along : s.ec5Bending.across
    return designed('fm,k · t²/6', (fmk * s.thicknessMm ** 2) / 6, s.source, design(s.kind, c))
  },
  modulus: (g) => (g.ec5 ? strength('E0,mean', g.ec5.eMean, g.source, []) : null),
  shearModulus: (g) => (g.ec5 ? strength('Gmean', g.ec5.eMean / 16, 'EN 338:2016: Gmean = E0,mean / 16', []) : null),
  lateral,
  spacing(f, w, runs, bored) {
    // Loaded edges of sheets ask for up to 7 d; the load of a shelf comes down over its whole length.
    if (w.kind === 'sheet') return { end: 3, edge: 3, loadedEdge: 3, along: 4, across: 4, source: `${EN1995} 8.3.1.3` }
    if (isLarge(f)) return { ...spacingLargeEc5(runs, f.diameterMm), source: `${EN1995} table 8.4` }
    return {
      source: `${EN1995} table 8.2, ${bored ? 'predrilled' : 'not predrilled'}`,
      ...spacingEc5(runs, f.diameterMm, bored),
    }
  },
  group(f, count, alongMm) {
    if (count < 2) return null
    if (isLarge(f))
      return {
        symbol: 'nef / n',
        value: effectiveBolts(count, alongMm, f.diameterMm) / count,
        source: `${EN1995} 8.34`,
      }
    return { symbol: 'nef / n', value: 1, source: `${EN1995} 8.3.1.1(8): set out of line by a diameter` }
  },
  withdrawal(f, g, threadMm, c) {
    if (!g.ec5 || f.kind === 'bolt' || f.kind === 'nail' || f.kind === 'nut') return null
    const base = { kmod: KMOD[c.duration].lumber[column(c)] ?? 0.5 }
    const factors: Factor[] = [
      { symbol: 'kmod', value: base.kmod, source: `${EN1995} table 3.1` },
      { symbol: '1/γM', value: 1 / GAMMA_CONNECTION, source: `${EN1995} table 2.3` },
    ]
    if (f.diameterMm >= 6 && threadMm < LEAST_THREAD * f.diameterMm)
      factors.push({ symbol: 'lef < 6d', value: 0, source: `${EN1995} 8.7.2(3): too little thread to count` })
    if (f.diameterMm >= 6)
      return strength('Fax,Rk', screwWithdrawalEc5(g.ec5.rhoK, f.diameterMm, threadMm), `${EN1995} 8.38`, factors)
    return borrowed('W·p', screwWithdrawal(gravityOf(g.ec5.rhoK), f.diameterMm, threadMm, 1), '12.2-2')
  },
  headPull(f, w, thicknessMm) {
    const g = w.kind === 'lumber' ? w.grade.ec5 && gravityOf(w.grade.ec5.rhoK) : PANEL_G
    return g === undefined || f.kind === 'bolt' || f.kind === 'nut'
      ? null
      : borrowed('W_H', headPullThrough(g, headMm(f), thicknessMm, 1), '12.2-6')
  },
  creep: (material, c) => ({
    symbol: '1 + kdef',
    value: 1 + kdef(material, c),
    source: `${EN1995} table 3.2, class ${column(c) + 1}: goods that stay count as permanent`,
  }),
}

/** Panels of fibre and particles, for which the North American method lists no creep. */
export const isFibrous = (material: CreepMaterial): boolean =>
  material === 'mdf' || material === 'particleboard' || material === 'hardboard'
