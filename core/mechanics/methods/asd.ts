import type { Grade } from '../../catalogue/lumber.ts'
import { psi } from '../../measure/units.ts'
import { bearingAreaFactor } from '../bearing.ts'
import { columnStability, combinedBiaxialAsd, eulerStress, lateralEuler } from '../column.ts'
import {
  bearingStrength,
  END_GRAIN_LATERAL,
  groupFactor,
  gapShare,
  LARGE_FROM_MM,
  lateralYield,
  PENETRATION,
  penetrationShare,
} from '../dowel.ts'
import { sectionModulus } from '../section.ts'
import { spacingAsd, spacingLargeAsd } from '../spacing.ts'
import { headPullThrough, lagWithdrawal, nailWithdrawal, screwWithdrawal } from '../withdrawal.ts'
import { headMm, type Screw } from '../../catalogue/fasteners.ts'
import { ec5, embeds, isFibrous, kdef } from './ec5.ts'
import {
  overGap,
  PANEL_G,
  strength,
  type Conditions,
  type DesignMethod,
  type Factor,
  type LateralCase,
  type PostAxis,
  type Strength,
  type Wood,
} from './method.ts'

const NDS = 'NDS 2018'
const DURATION: Record<Conditions['duration'], Factor> = {
  permanent: { symbol: 'CD', value: 0.9, source: `${NDS} table 2.3.2: permanent load, what stored goods are` },
  long: { symbol: 'CD', value: 1.0, source: `${NDS} table 2.3.2: ten years, goods that change` },
  short: { symbol: 'CD', value: 1.25, source: `${NDS} table 2.3.2: seven days in all, people on it` },
}
const duration = (c: Conditions): Factor => DURATION[c.duration]

// NDS Supplement table 4A adjustment factors, by nominal width in inches.
const CF_BENDING: Record<number, number> = { 4: 1.5, 5: 1.4, 6: 1.3, 8: 1.2, 10: 1.1, 12: 1.0, 14: 0.9 }
const CF_COMPRESSION: Record<number, number> = { 4: 1.15, 5: 1.1, 6: 1.1, 8: 1.05, 10: 1.0, 12: 1.0, 14: 0.9 }
const CFU: Record<number, number> = { 4: 1.1, 5: 1.1, 6: 1.15, 8: 1.15, 10: 1.2 }
/** Widths of 2 and 3 in count as the 2 to 4 in row. */
const row = (nominal: number) => Math.max(4, nominal)

/** Wet-service factors of the same table, above 19 % moisture. */
const WET = { fb: 0.85, fv: 0.97, fcPerp: 0.67, fc: 0.8, e: 0.9 } as const
/** Of strips of a sheet: Panel Design Specification, above 16 % moisture, stiffness and strength. */
const WET_PANEL = { e: 0.85, other: 0.75 } as const
function wet(of: keyof typeof WET | 'ft', g: Grade, c: Conditions): Factor[] {
  if (c.moisture !== 'wet') return []
  if (g.of)
    return [
      {
        symbol: 'CM',
        value: of === 'e' ? WET_PANEL.e : WET_PANEL.other,
        source: 'Panel Design Specification: wet, above 16 % moisture',
      },
    ]
  // Pulled along the grain lumber loses nothing.
  return of === 'ft'
    ? []
    : [{ symbol: 'CM', value: WET[of], source: `${NDS} Supplement table 4A, above 19 % moisture` }]
}

/**
 * Base value, where a species is listed by width that of the width; a board of no nominal width takes the widest, which
 * is least.
 */
const listed = (a: NonNullable<Grade['asd']>, of: 'fb' | 'ft' | 'fc', nominal: number | null): number =>
  (nominal === null ? undefined : a.byWidth?.find((w) => nominal <= w.upTo))?.[of] ?? wider(a, nominal)?.[of] ?? a[of]
/** What a board past the widths of its grade counts as; of no nominal width it may be one. */
const wider = (a: NonNullable<Grade['asd']>, nominal: number | null) =>
  a.wider && (nominal === null || nominal > a.wider.over) ? a.wider : undefined

function sizeFactor(a: NonNullable<Grade['asd']>, nominal: number | null, of: 'bending' | 'compression'): Factor[] {
  const kind = wider(a, nominal)?.sizeFactor ?? a.sizeFactor
  if (kind === 'none' || nominal === null) return []
  const w = row(nominal)
  const table = of === 'bending' ? CF_BENDING : CF_COMPRESSION
  const stud = w > 4 ? 1.0 : of === 'bending' ? 1.1 : 1.05
  return [
    {
      symbol: 'CF',
      value: kind === 'stud' ? stud : (table[w] ?? 0.9),
      source: `${NDS} Supplement table 4A, ${w} in wide`,
    },
  ]
}

/**
 * Dowel bearing of panels, MPa: NDS 2018 table 12.3.3B, plywood (structural 1 and Southern pine are higher) and OSB.
 */
const PANEL_BEARING: Partial<Record<string, number>> = { plywood: psi(3350), osb: psi(4650) }

function bears(w: Wood, diameterMm: number, thicknessMm: number, along: boolean): number | null {
  if (w.kind === 'lumber') return w.grade.asd ? bearingStrength(w.grade.asd.g, diameterMm, along) : null
  // This method lists no bearing strength for fibre and particle panels: the Eurocode's embedment stands in.
  return PANEL_BEARING[w.sheet.kind] ?? embeds(w, diameterMm, thicknessMm, false)
}

/** Lag screws of less than 10 D keep half their tip out of what bears. NDS 2018 12.3.5.3. */
const bearingLength = (f: Screw, mainMm: number) =>
  mainMm >= 10 * f.diameterMm ? mainMm : Math.max(0, mainMm - (f.tipMm ?? 0) / 2)

function lateral(j: LateralCase, c: Conditions): Strength | null {
  const { kind, rootMm: d, diameterMm: nominalMm, fyb, tipMm = 0 } = j.fastener
  // A nut holds a rod along itself; across it nobody has looked.
  if (kind === 'nut') return null
  const large = nominalMm >= LARGE_FROM_MM
  const along = !(large && j.acrossGrain)
  const [fes, fem] = [bears(j.side, nominalMm, j.sideMm, along), bears(j.main, nominalMm, j.mainMm, along)]
  if (fes === null || fem === null) return null
  const mainMm = bearingLength(j.fastener, j.mainMm)
  const { n, mode } =
    mainMm <= 0
      ? { n: 0, mode: 'Im' }
      : lateralYield({
          diameterMm: d,
          nominalMm,
          fyb,
          sideMm: j.sideMm,
          mainMm,
          fes,
          fem,
          angleDeg: large && j.acrossGrain ? 90 : 0,
        })
  const factors: Factor[] = [duration(c)]
  if (j.gapMm && mainMm > 0)
    factors.push(overGap(gapShare({ diameterMm: d, fyb, sideMm: j.sideMm, mainMm, fes, fem }, j.gapMm)))
  if (c.moisture === 'wet') factors.push({ symbol: 'CM', value: 0.7, source: `${NDS} table 11.3.3` })
  if (kind !== 'bolt') {
    const rule = PENETRATION[kind]
    const reach = j.mainMm - tipMm
    const share = penetrationShare(reach, nominalMm, rule)
    if (share < 1)
      factors.push({
        symbol: `p/${rule.full}D`,
        value: share,
        source: `${rule.source}: penetration of ${Math.round((reach / nominalMm) * 10) / 10} D; ${rule.full} D is full, below ${rule.least} D does not count`,
      })
  }
  if (j.into === 'end')
    factors.push({ symbol: 'Ceg', value: END_GRAIN_LATERAL, source: `${NDS} 12.5.2: into end grain` })
  // A sheet's edge is not tabulated at all: treated as end grain, indicative.
  if (j.into === 'edge' && j.main.kind === 'sheet')
    factors.push({
      symbol: 'Ceg',
      value: END_GRAIN_LATERAL,
      source: 'edge of a sheet taken like end grain: product decision',
    })
  if (j.askew) factors.push({ symbol: 'Ctn', value: 0.83, source: `${NDS} 12.5.4: driven askew` })
  return strength(`Z (mode ${mode})`, n, `${NDS} table 12.3.1A, root diameter ${d.toFixed(2)} mm`, factors)
}

/** North American allowable-stress design. Service stays dry (below 19 % moisture) unless someone says otherwise. */
export const asd: DesignMethod = {
  id: 'asd',
  loadFactor: { self: 1, goods: 1, source: 'ASCE 7-16 2.4.1: dead and storage load unfactored' },
  screwTogether: {
    formula: '(V²/Z + T²/W) / √(V² + T²)',
    source: `${NDS} 12.4.1: Hankinson’s rule between Z and W`,
    share(v, t, z, w) {
      const all = Math.hypot(v, t)
      return all > 0 ? (v ** 2 / z + t ** 2 / w) / all : 0
    },
  },
  bending(g, use, c) {
    if (!g.asd) return null
    const flat = use.flat && use.nominalWidth !== null && CFU[use.nominalWidth]
    const cfu: Factor[] = flat ? [{ symbol: 'Cfu', value: flat, source: `${NDS} Supplement table 4A, flat use` }] : []
    return strength('Fb', listed(g.asd, 'fb', use.nominalWidth), g.source, [
      duration(c),
      ...sizeFactor(g.asd, use.nominalWidth, 'bending'),
      ...cfu,
      ...wet('fb', g, c),
    ])
  },
  shear: (g, c) => (g.asd ? strength('Fv', g.asd.fv, g.source, [duration(c), ...wet('fv', g, c)]) : null),
  // No value stands for sawn lumber, which is not to be asked for it: what curved members are held to is taken.
  acrossGrain: (g, c) =>
    g.asd
      ? strength('Frt', psi(15), `${NDS} 5.2.8: radial tension, all species but southern pine`, [
          duration(c),
          ...wet('fv', g, c),
        ])
      : null,
  shearWidthFactor: 1,
  // The stress is worked out over the whole depth, so (dn/d) comes in once more: V ≤ 2/3·Fv'·b·dn·(dn/d)².
  notch: (depthMm, leftMm) => ({
    symbol: '(dn/d)³',
    value: (leftMm / depthMm) ** 3,
    source: `${NDS} 3.4.3.2: notched on the tension side`,
  }),
  compression: (g, nominal, c) =>
    g.asd
      ? strength('Fc', listed(g.asd, 'fc', nominal), g.source, [
          duration(c),
          ...sizeFactor(g.asd, nominal, 'compression'),
          ...wet('fc', g, c),
        ])
      : null,
  tension: (g, nominal, c) =>
    g.asd
      ? strength('Ft', listed(g.asd, 'ft', nominal), g.source, [
          duration(c),
          // The size factor of bending is that of tension as well.
          ...sizeFactor(g.asd, nominal, 'bending'),
          ...wet('ft', g, c),
        ])
      : null,
  // CD does not apply across the grain: NDS table 4.3.1.
  bearing(g, c, k) {
    if (!g.asd) return null
    const cb = bearingAreaFactor(k.lengthMm, Math.min(k.beforeMm, k.afterMm))
    return strength('Fc⊥', g.asd.fcPerp, g.source, [
      ...(cb > 1 ? [{ symbol: 'Cb', value: cb, source: `${NDS} 3.10.4` }] : []),
      ...wet('fcPerp', g, c),
    ])
  },
  post(p, c) {
    if (!p.grade.asd) return null
    const fc = asd.compression(p.grade, p.nominalWidth, c)!
    const eMin = strength('Emin', p.grade.asd.eMin, p.grade.source, wet('e', p.grade, c))
    const source = `${NDS} 3.7.1 (c = 0.8, le/d at most 50) and 3.9.2; CL = 1: ends held (4.4.1)`
    const [x, y] = p.axes
    const side = (own: PostAxis, other: PostAxis) => {
      const slender = own.unheldMm / own.depthMm
      const fb = asd.bending(
        p.grade,
        { depthMm: own.depthMm, nominalWidth: p.nominalWidth, flat: own.depthMm < other.depthMm },
        c,
      )!
      return {
        own,
        slender,
        cp: columnStability(fc.value, eMin.value, slender),
        fcE: eulerStress(eMin.value, slender),
        fb,
        bends: own.momentNmm / sectionModulus(other.depthMm, own.depthMm),
      }
    }
    const sides = [side(x, y), side(y, x)]
    const slim = sides[1].slender > sides[0].slender ? 1 : 0
    const cp = sides[slim].cp
    if (cp === null) return { ratio: null, axis: slim, formula: 'le / d ≤ 50', source, factors: fc.factors }
    const sigma = p.axialN / (x.depthMm * y.depthMm)
    // The more slender way says what compression may be; bending comes from both.
    const edge = x.depthMm > y.depthMm ? 0 : 1
    const [deep, flat] = [sides[edge], sides[1 - edge]]
    const moment = x.momentNmm > 0 || y.momentNmm > 0
    // With a moment the square of the compression's share comes in: it may not be more by itself either (NDS 3.6.3).
    const plainShare = sigma / (fc.value * cp)
    const ratio = moment
      ? Math.max(
          plainShare,
          combinedBiaxialAsd({
            fc: sigma,
            fcAllowed: fc.value * cp,
            fb1: deep.bends,
            fb1Allowed: deep.fb.value,
            fcE1: deep.fcE,
            fb2: flat.bends,
            fb2Allowed: flat.fb.value,
            fcE2: flat.fcE,
            fbE: lateralEuler(eMin.value, 1.84 * flat.own.unheldMm, deep.own.depthMm, flat.own.depthMm),
          }),
        )
      : plainShare
    const bentMost = deep.bends / deep.fb.value > flat.bends / flat.fb.value ? edge : 1 - edge
    const axis = moment && plainShare ** 2 < 0.5 * ratio ? bentMost : slim
    const told = (s: (typeof sides)[number], of: string): Factor[] =>
      s.bends > 0
        ? [
            { symbol: `fb, ${of}`, value: s.bends, source: 'M / (b·d²/6)', stress: true },
            { symbol: `Fb′, ${of}`, value: s.fb.value, source: s.fb.source, stress: true },
            { symbol: `FcE, ${of}`, value: s.fcE, source, stress: true },
          ]
        : []
    return {
      ratio,
      axis: axis === 0 ? 0 : 1,
      formula: moment
        ? '(fc/Fc′)² + fb1 / [Fb1′·(1 − fc/FcE1)] + fb2 / [Fb2′·(1 − fc/FcE2 − (fb1/FbE)²)] ≤ 1'
        : 'P ≤ Fc·CP·A',
      source,
      factors: [
        { symbol: 'Fc*', value: fc.value, source: fc.source, stress: true },
        ...fc.factors,
        { symbol: 'le/d', value: sides[slim].slender, source: 'unheld length over side, the more slender way' },
        { symbol: 'CP', value: cp, source },
        ...told(deep, 'on edge'),
        ...told(flat, 'flat'),
      ],
    }
  },
  panelMoment(s, along, c) {
    if (s.asdMoment)
      return strength('FbS', along ? s.asdMoment.along : s.asdMoment.across, s.source, [
        duration(c),
        ...(c.moisture === 'wet' ? [{ symbol: 'CM', value: 0.75, source: `${NDS} table 9.3.3` }] : []),
      ])
    const borrowed = ec5.panelMoment(s, along, c)
    if (!borrowed) return null
    // This method lists no allowable moment for fibre and particle panels: the limit-state value over its own load
    // factor.
    const over: Factor = {
      symbol: '1/γQ',
      value: 1 / ec5.loadFactor.goods,
      source: `${ec5.loadFactor.source}; no North American value for this panel`,
    }
    return strength(borrowed.baseSymbol, borrowed.base, borrowed.source, [...borrowed.factors, over])
  },
  modulus: (g, c) => (g.asd ? strength('E', g.asd.e, g.source, wet('e', g, c)) : null),
  // The tabulated E already holds the sag from shear of slender beams; E/16 adds what short deep ones have more.
  shearModulus: (g, c) =>
    g.asd
      ? strength('E/16', g.asd.e / 16, 'Wood Handbook (FPL-GTR-282) table 5-1, mean of softwoods', wet('e', g, c))
      : null,
  lateral,
  spacing(f, w, runs, bored) {
    if (w.kind === 'sheet')
      return {
        end: 2.5,
        edge: 2.5,
        loadedEdge: 2.5,
        along: 3,
        across: 3,
        source: 'sheets: as edges of lumber, product decision',
      }
    if (f.diameterMm >= LARGE_FROM_MM) return { ...spacingLargeAsd(runs), source: `${NDS} 12.5.1` }
    return { source: `${NDS} commentary C12.1.5.7, ${bored ? 'bored' : 'driven'}`, ...spacingAsd(runs, bored) }
  },
  group(f, count, alongMm, ea) {
    if (f.diameterMm < LARGE_FROM_MM || count < 2) return null
    const [side, main] = ea()
    return side > 0 && main > 0
      ? { symbol: 'Cg', value: groupFactor(count, alongMm, f.diameterMm, main, side), source: `${NDS} 11.3.6` }
      : null
  },
  withdrawal(f, g, threadMm, c) {
    if (!g.asd) return null
    const of = { screw: screwWithdrawal, lag: lagWithdrawal, nail: nailWithdrawal }
    if (f.kind === 'bolt' || f.kind === 'nut') return null
    const source = { screw: `${NDS} 12.2-2`, lag: `${NDS} 12.2-1`, nail: `${NDS} 12.2-3` }[f.kind]
    // Thread only: a lag's tip holds nothing.
    const held = Math.max(0, threadMm - (f.tipMm ?? 0))
    return strength('W·p', of[f.kind](g.asd.g, f.diameterMm, held, 1), source, [
      duration(c),
      ...(c.moisture === 'wet'
        ? [{ symbol: 'CM', value: f.kind === 'nail' ? 0.25 : 0.7, source: `${NDS} table 11.3.3, withdrawal` }]
        : []),
    ])
  },
  headPull(f, w, thicknessMm, c) {
    const g = w.kind === 'lumber' ? w.grade.asd?.g : PANEL_G
    return g === undefined || f.kind === 'bolt' || f.kind === 'nut'
      ? null
      : strength('W_H', headPullThrough(g, headMm(f), thicknessMm, 1), `${NDS} 12.2-6`, [duration(c)])
  },
  creep(material, c) {
    if (material === 'lumber' || material === 'solid')
      return {
        symbol: 'Kcr',
        value: c.moisture === 'wet' ? 2 : 1.5,
        source: `${NDS} 3.5.2: ${c.moisture === 'wet' ? 'wet' : 'seasoned'} lumber, long-term load`,
      }
    if (isFibrous(material))
      return {
        symbol: '1 + kdef',
        value: 1 + kdef(material, c),
        source: 'EN 1995-1-1 table 3.2: the North American method gives none for this panel',
      }
    return { symbol: 'Kcr', value: 2, source: `${NDS} 3.5.2: wood structural panels, long-term load` }
  },
}
