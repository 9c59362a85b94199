import type { Part } from '../assembly/assembly.ts'
import { netAcross, netSection } from '../assembly/net-section.ts'
import { bendingSection, isLevelSheet, isUpright } from '../assembly/part-box.ts'
import { findGrade, findSection } from '../catalogue/lumber.ts'
import { findSheet } from '../catalogue/sheets.ts'
import type { Bent, LoadPath, Member } from '../loads/load-path.ts'
import { bendsAlongStrength } from '../loads/panel.ts'
import { spanAround } from '../loads/span.ts'
import { sagAfter } from '../mechanics/creep.ts'
import type { Strength } from '../mechanics/methods/method.ts'
import { secondMoment, sectionModulus } from '../mechanics/section.ts'
import {
  defineCheck,
  measured,
  plain,
  type AnyCheck,
  type CheckContext,
  type CheckResult,
  type Input,
  type Link,
} from './check.ts'

export const linkOf = (p: Part): Link => (isLevelSheet(p) ? 'shelf' : isUpright(p) ? 'post' : 'rail')

/** A strength taken apart: its base and every factor on it, each with its source. */
export const factorInputs = (s: Strength, quantity: Input['quantity']): Input[] => [
  { symbol: s.baseSymbol, value: s.base, quantity, source: s.source },
  ...s.factors.map((f): Input => ({ symbol: f.symbol, value: f.value, quantity: 'ratio', source: f.source })),
]

/** What holes and the like leave of a section modulus, where they leave less than all. */
export const netInput = (net: number): Input[] =>
  net < 1
    ? [
        {
          symbol: 'net / whole',
          value: net,
          quantity: 'ratio',
          source: 'section modulus at the hole, cut-out or notch',
        },
      ]
    : []

type Reads = Pick<CheckContext, 'alike' | 'service' | 'design' | 'settings' | 'method'>

/**
 * For every group of parts cut alike, the result of its worst member; one that could not be computed outranks all
 * others.
 * @param hard how hard a bent member works, comparable among parts cut alike
 */
function worstOfEach(
  c: Reads,
  path: LoadPath,
  hard: (b: Bent) => number,
  of: (p: Part, m: Member) => CheckResult | null,
): CheckResult[] {
  return c.alike.flatMap((group) => {
    let worst: { p: Part; m: Member; hard: number } | null = null
    const ids: string[] = []
    for (const p of group.parts) {
      const m = path.members.get(p.id)
      if (!m) continue
      const bent = bentOf(m)
      if (bent.length === 0 && m.state.kind !== 'unknown') continue
      ids.push(p.id)
      const h = m.state.kind === 'unknown' ? Infinity : bent.reduce((x, b) => Math.max(x, hard(b)), 0)
      if (!worst || h > worst.hard) worst = { p, m, hard: h }
    }
    const r = worst && of(worst.p, worst.m)
    if (!worst || !r) return []
    const first = worst.p.id
    const data = Object.assign(r.data, { letter: group.letter, role: worst.p.role })
    return [{ ...r, id: `${r.check}:${group.parts[0].id}`, data, parts: [first, ...ids.filter((id) => id !== first)] }]
  })
}

const notComputed = (check: string, p: Part, reason: string): CheckResult =>
  plain({ check, link: linkOf(p), code: `unknown-${reason}`, quantity: 'ratio', subject: p.id, state: 'unknown' })

/** The strip or beam that bends hardest by `of`. */
/** Less than this of a section is none: the share of what it is asked for is then far past one, and still a number. */
export const LEAST_NET = 1e-4
const hardest = (list: Bent[], of: (b: Bent) => number): Bent => list.reduce((a, b) => (of(b) > of(a) ? b : a))
const NONE: Bent[] = []
const bentOf = (m: Member): Bent[] =>
  m.state.kind === 'beam' ? [m.state.bent] : m.state.kind === 'panel' ? m.state.strips : NONE

/** @param nmm moment per mm of width, N·mm. @param along whether it bends along the panel's length */
function panelBending(c: Reads, p: Part, wholeNmm: number, along: boolean): CheckResult {
  // Holes and cut-outs leave less of it.
  const net = along ? netSection(p).flat : netAcross(p)
  const nmm = wholeNmm / Math.max(net, LEAST_NET)
  const sheet = findSheet(p.stock.kind === 'sheet' ? p.stock.sheet : '')!
  const s = c.method.panelMoment(sheet, bendsAlongStrength(p, along), c.settings)
  if (!s) return notComputed('bending', p, 'no-strength')
  return measured({
    check: 'bending',
    link: linkOf(p),
    code: 'panel-bending',
    quantity: 'moment-per-width',
    subject: p.id,
    demand: nmm,
    capacity: s.value,
    data: { sheet: sheet.label },
    working: {
      formula: 'm ≤ moment the panel may carry per width',
      inputs: [
        { symbol: 'm', value: nmm, quantity: 'moment-per-width', source: c.method.loadFactor.source },
        ...netInput(net),
        ...factorInputs(s, 'moment-per-width'),
      ],
      source: s.source,
    },
  })
}

function bendingOf(c: Reads, p: Part, design: Member): CheckResult | null {
  const bent = bentOf(design)
  if (design.state.kind === 'unknown') return notComputed('bending', p, design.state.reason)
  if (bent.length === 0) return null
  const worst = hardest(bent, momentShare)
  const moment = Math.abs(worst.result.moment.nmm)
  if (p.stock.kind === 'sheet') {
    const along = design.state.kind === 'panel' && design.state.along
    const one = panelBending(c, p, moment / worst.widthMm, along)
    const across = design.state.kind === 'panel' ? design.state.acrossNmm : undefined
    const other = across === undefined ? one : panelBending(c, p, across, !along)
    return (other.ratio ?? Infinity) > (one.ratio ?? Infinity) ? other : one
  }
  if (p.stock.kind !== 'board') return null
  const grade = findGrade(p.stock.grade)!
  const { depthMm, breadthMm, onEdge } = bendingSection(p)
  const net = netSection(p)[onEdge ? 'edge' : 'flat']
  const s = c.method.bending(
    grade,
    { depthMm, nominalWidth: findSection(p.stock.section)!.nominalWidth, flat: !onEdge },
    c.settings,
  )
  if (!s) return notComputed('bending', p, 'no-strength')
  return measured({
    check: 'bending',
    link: linkOf(p),
    code: 'member-bending',
    quantity: 'stress',
    subject: p.id,
    demand: moment / Math.max(net, LEAST_NET) / sectionModulus(breadthMm, depthMm),
    capacity: s.value,
    data: { section: p.stock.section },
    working: {
      formula: 'σ = M / (b·d²/6)',
      inputs: [
        { symbol: 'M', value: moment, quantity: 'moment', source: c.method.loadFactor.source },
        { symbol: 'b', value: breadthMm, quantity: 'length' },
        { symbol: 'd', value: depthMm, quantity: 'length' },
        ...netInput(net),
        ...factorInputs(s, 'stress'),
      ],
      source: s.source,
    },
  })
}

function shearOf(c: Reads, p: Part, design: Member): CheckResult | null {
  if (p.stock.kind !== 'board') return null
  if (design.state.kind === 'unknown') return notComputed('shear', p, design.state.reason)
  if (design.state.kind !== 'beam') return null
  const grade = findGrade(p.stock.grade)!
  const { depthMm, breadthMm } = bendingSection(p)
  const s = c.method.shear(grade, c.settings)
  if (!s) return notComputed('shear', p, 'no-strength')
  const v = Math.abs(design.state.bent.result.shear.n)
  // A notch on the underside near a support takes more than its depth of the strength.
  const cut = notchAtSupport(p, design.state.bent)
  const notch = cut ? c.method.notch(depthMm, depthMm - cut.depthMm, cut.reachMm) : null
  const capacity = s.value * (notch?.value ?? 1)
  return measured({
    check: 'shear',
    link: linkOf(p),
    code: notch ? 'notched-shear' : 'member-shear',
    quantity: 'stress',
    subject: p.id,
    demand: (1.5 * v) / (breadthMm * c.method.shearWidthFactor * depthMm),
    capacity,
    data: { section: p.stock.section, ...(cut ? { notchMm: cut.depthMm } : {}) },
    working: {
      formula: c.method.shearWidthFactor === 1 ? 'τ = 3V / (2·b·d)' : 'τ = 3V / (2·kcr·b·d)',
      inputs: [
        { symbol: 'V', value: v, quantity: 'force', source: c.method.loadFactor.source },
        { symbol: 'b', value: breadthMm, quantity: 'length' },
        { symbol: 'd', value: depthMm, quantity: 'length' },
        ...(c.method.shearWidthFactor === 1
          ? []
          : [
              {
                symbol: 'kcr',
                value: c.method.shearWidthFactor,
                quantity: 'ratio' as const,
                source: 'EN 1995-1-1 6.1.7(2)',
              },
            ]),
        ...factorInputs(s, 'stress'),
        ...(notch
          ? [{ symbol: notch.symbol, value: notch.value, quantity: 'ratio' as const, source: notch.source }]
          : []),
      ],
      source: s.source,
    },
  })
}

/**
 * A notch this close to a support weakens it, in depths of the member. Product decision, about what the equations
 * cover.
 */
const NOTCH_NEAR = 1

/** The deepest notch on the lower edge of a beam near one of its supports. */
function notchAtSupport(p: Part, bent: Bent): { depthMm: number; reachMm: number } | null {
  const low = p.at.across[2] >= 0 ? 'low' : 'high'
  let worst: { depthMm: number; reachMm: number } | null = null
  for (const m of p.machining) {
    if (m.kind !== 'notch' || m.edge !== low) continue
    const reach = Math.min(...bent.spec.supports.map((s) => Math.max(m.atMm - s.atMm, s.atMm - m.atMm - m.lengthMm, 0)))
    if (reach <= NOTCH_NEAR * p.size.widthMm && (!worst || m.depthMm > worst.depthMm))
      worst = { depthMm: m.depthMm, reachMm: Math.max(reach, m.lengthMm / 2) }
  }
  return worst
}

const momentShare = (b: Bent) => Math.abs(b.result.moment.nmm) / b.widthMm
const shearShare = (b: Bent) => Math.abs(b.result.shear.n)
/** How much of its limit a bent piece sags, before creep: what makes one strip worse than another. */
const sagShare = (b: Bent) => Math.abs(b.result.sag.mm) / spanAround(b.spec, b.result.sag.atMm)

function sagOf(c: Reads, p: Part, service: Member): CheckResult | null {
  // Steel does not creep, and what lies on it is judged by itself.
  if (p.stock.kind === 'steel') return null
  if (service.state.kind === 'unknown') return notComputed('sag', p, service.state.reason)
  const bent = bentOf(service)
  if (bent.length === 0) return null
  const worst = hardest(bent, sagShare)
  const span = spanAround(worst.spec, worst.result.sag.atMm)
  const first = Math.abs(worst.result.sag.mm)
  const sheet = p.stock.kind === 'sheet' ? findSheet(p.stock.sheet)! : null
  const grade = p.stock.kind === 'board' ? findGrade(p.stock.grade)! : null
  const creep = c.method.creep(sheet?.kind ?? grade?.of?.kind ?? 'lumber', c.settings)
  const end = first * creep.value
  const limit = span / c.settings.sagRatio
  const along = service.state.kind === 'panel' && bendsAlongStrength(p, service.state.along)
  const stiffness: Input[] = sheet
    ? [
        {
          symbol: 'EI',
          value: along ? sheet.ei.along : sheet.ei.across,
          quantity: 'stiffness',
          source: `${sheet.source}; ${along ? 'along' : 'across'} the strength axis`,
        },
        ...(service.state.kind === 'panel' && service.state.stiff.strips.length > 0
          ? [
              {
                symbol: 'with edge strips',
                value: service.state.stiff.sag,
                quantity: 'ratio' as const,
                source:
                  'times as stiff at its softest edge: a plate with beams at its edges, one section with them when glued and screwed',
              },
            ]
          : []),
      ]
    : [
        { symbol: 'E', value: c.method.modulus(grade!, c.settings)!.value, quantity: 'stress', source: grade!.source },
        {
          symbol: 'I',
          value: secondMoment(bendingSection(p).breadthMm, bendingSection(p).depthMm),
          quantity: 'second-moment',
          source: 'b·d³/12',
        },
        {
          symbol: 'G',
          value: c.method.shearModulus(grade!, c.settings)?.value ?? 0,
          quantity: 'stress',
          source: 'sag from shear is in the beam, κ = 5/6',
        },
      ]
  return measured({
    check: 'sag',
    link: linkOf(p),
    code: sheet ? 'panel-sag' : 'member-sag',
    quantity: 'sag',
    subject: p.id,
    demand: end,
    capacity: limit,
    data: {
      firstMm: first,
      oneYearMm: sagAfter(first, creep.value, 1),
      tenYearsMm: sagAfter(first, creep.value, 10),
      endMm: end,
      limitMm: limit,
      spanMm: span,
      ratio: c.settings.sagRatio,
      ...(sheet ? { sheet: sheet.label } : { section: p.stock.kind === 'board' ? p.stock.section : '' }),
    },
    working: {
      formula: 'long-term sag = day-one sag × creep ≤ span / limit; day-one sag from the beam on its true supports',
      inputs: [
        { symbol: 'day-one sag', value: first, quantity: 'sag' },
        { symbol: creep.symbol, value: creep.value, quantity: 'ratio', source: creep.source },
        { symbol: 'span', value: span, quantity: 'length' },
        { symbol: 'limit', value: c.settings.sagRatio, quantity: 'ratio', source: 'project setting: span over this' },
        ...stiffness,
      ],
      source: creep.source,
    },
  })
}

const reads = ['alike', 'service', 'design', 'settings', 'method'] as const

export const bending: AnyCheck = defineCheck({
  id: 'bending',
  reads,
  run: (c) => worstOfEach(c, c.design, momentShare, (p, m) => bendingOf(c, p, m)),
})
export const shear: AnyCheck = defineCheck({
  id: 'shear',
  reads,
  run: (c) => worstOfEach(c, c.design, shearShare, (p, m) => shearOf(c, p, m)),
})
export const sag: AnyCheck = defineCheck({
  id: 'sag',
  lasting: true,
  reads,
  run: (c) => worstOfEach(c, c.service, sagShare, (p, m) => sagOf(c, p, m)),
})

/** A strip under a panel's edge bends with it, as a beam at the edge of a plate. */
export const edgeStrip: AnyCheck = defineCheck({
  id: 'edge-strip',
  reads: ['parts', 'design', 'settings', 'method'],
  run({ parts, design, settings, method }): CheckResult[] {
    let worst: CheckResult | null = null
    for (const m of design.members.values()) {
      if (m.state.kind !== 'panel' || m.state.stiff.strips.length === 0) continue
      const panel = parts.get(m.part)!
      const hard = m.state.stiff.strips.reduce((x, y) => (y.momentNmm > x.momentNmm ? y : x))
      const strip = parts.get(hard.id)!
      if (strip.stock.kind !== 'board') continue
      const { depthMm, breadthMm } = bendingSection(strip)
      const s = method.bending(
        findGrade(strip.stock.grade)!,
        { depthMm, nominalWidth: findSection(strip.stock.section)!.nominalWidth, flat: false },
        settings,
      )
      if (!s)
        return [
          plain({
            check: 'bending',
            link: 'shelf',
            code: 'unknown-no-strength',
            quantity: 'stress',
            subject: 'edge',
            state: 'unknown',
            parts: [strip.id],
            data: { role: 'edge' },
          }),
        ]
      const r = measured({
        check: 'bending',
        link: 'shelf',
        code: 'member-bending',
        quantity: 'stress',
        subject: 'edge',
        demand: hard.momentNmm / sectionModulus(breadthMm, depthMm),
        capacity: s.value,
        parts: [strip.id, panel.id],
        data: { role: 'edge', section: strip.stock.section },
        working: {
          formula: 'σ = M / (b·d²/6), M of the strip as a beam under the edge of a plate',
          source: s.source,
          inputs: [{ symbol: 'M', value: hard.momentNmm, quantity: 'moment' }, ...factorInputs(s, 'stress')],
        },
      })
      if (!worst || (r.ratio ?? 0) > (worst.ratio ?? 0)) worst = r
    }
    return worst ? [worst] : []
  },
})
