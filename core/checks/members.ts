import type { Part } from '../assembly/assembly.ts'
import { bendingSection } from '../assembly/part-box.ts'
import { findGrade, findSection } from '../catalogue/lumber.ts'
import { findSheet } from '../catalogue/sheets.ts'
import type { Bent, LoadPath, Member } from '../loads/load-path.ts'
import { bendsAlongStrength } from '../loads/panel.ts'
import { spanAround } from '../loads/span.ts'
import { sagAfter } from '../mechanics/creep.ts'
import type { Strength } from '../mechanics/methods/method.ts'
import { secondMoment, sectionModulus } from '../mechanics/section.ts'
import { defineCheck, measured, plain, type AnyCheck, type CheckContext, type CheckResult, type Input, type Link } from './check.ts'

const LINKS: Partial<Record<Part['role'], Link>> = { shelf: 'shelf', top: 'shelf', post: 'post' }
export const linkOf = (p: Part): Link => LINKS[p.role] ?? 'rail'

const factorInputs = (s: Strength, quantity: Input['quantity']): Input[] => [
  { symbol: s.baseSymbol, value: s.base, quantity, source: s.source },
  ...s.factors.map((f): Input => ({ symbol: f.symbol, value: f.value, quantity: 'ratio', source: f.source })),
]

type Reads = Pick<CheckContext, 'alike' | 'service' | 'design' | 'settings' | 'method'>

/**
 * For every group of parts cut alike, the result of its worst member; one that could not be computed outranks all others.
 * @param hard how hard a bent member works, comparable among parts cut alike
 */
function worstOfEach(
  c: Reads, path: LoadPath, hard: (b: Bent) => number, of: (p: Part, m: Member) => CheckResult | null,
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
    const data = { ...r.data, letter: group.letter, role: worst.p.role }
    return [{ ...r, id: `${r.check}:${group.parts[0].id}`, data, parts: [first, ...ids.filter((id) => id !== first)] }]
  })
}

const notComputed = (check: string, p: Part, reason: string): CheckResult =>
  plain({ check, link: linkOf(p), code: `unknown-${reason}`, quantity: 'ratio', subject: p.id, state: 'unknown' })

/** The strip or beam that bends hardest by `of`. */
const hardest = (list: Bent[], of: (b: Bent) => number): Bent => list.reduce((a, b) => (of(b) > of(a) ? b : a))
const NONE: Bent[] = []
const bentOf = (m: Member): Bent[] => (m.state.kind === 'beam' ? [m.state.bent] : m.state.kind === 'panel' ? m.state.strips : NONE)

function bendingOf(c: Reads, p: Part, design: Member): CheckResult | null {
  const bent = bentOf(design)
  if (design.state.kind === 'unknown') return notComputed('bending', p, design.state.reason)
  if (bent.length === 0) return null
  const worst = hardest(bent, momentShare)
  const moment = Math.abs(worst.result.moment.nmm)
  if (p.stock.kind === 'sheet') {
    const sheet = findSheet(p.stock.sheet)!
    const along = design.state.kind === 'panel' && bendsAlongStrength(p, design.state.along)
    const s = c.method.panelMoment(sheet, along, c.settings.moisture)
    if (!s) return notComputed('bending', p, 'no-strength')
    return measured({
      check: 'bending', link: linkOf(p), code: 'panel-bending', quantity: 'moment-per-width', subject: p.id, demand: moment / worst.widthMm, capacity: s.value,
      data: { sheet: sheet.label },
      working: {
        formula: 'M / strip width ≤ moment the panel may carry per width',
        inputs: [{ symbol: 'M', value: moment, quantity: 'moment' }, { symbol: 'strip width', value: worst.widthMm, quantity: 'length' }, ...factorInputs(s, 'moment-per-width')],
        source: s.source,
      },
    })
  }
  if (p.stock.kind !== 'board') return null
  const grade = findGrade(p.stock.grade)!
  const { depthMm, breadthMm, onEdge } = bendingSection(p)
  const s = c.method.bending(grade, { depthMm, nominalWidth: findSection(p.stock.section)!.nominalWidth, flat: !onEdge }, c.settings.moisture)
  if (!s) return notComputed('bending', p, 'no-strength')
  return measured({
    check: 'bending', link: linkOf(p), code: 'member-bending', quantity: 'stress', subject: p.id, demand: moment / sectionModulus(breadthMm, depthMm), capacity: s.value,
    data: { section: p.stock.section },
    working: {
      formula: 'σ = M / (b·d²/6)',
      inputs: [
        { symbol: 'M', value: moment, quantity: 'moment', source: c.method.loadFactor.source },
        { symbol: 'b', value: breadthMm, quantity: 'length' }, { symbol: 'd', value: depthMm, quantity: 'length' }, ...factorInputs(s, 'stress'),
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
  const s = c.method.shear(grade, c.settings.moisture)
  if (!s) return notComputed('shear', p, 'no-strength')
  const v = Math.abs(design.state.bent.result.shear.n)
  return measured({
    check: 'shear', link: linkOf(p), code: 'member-shear', quantity: 'stress', subject: p.id, demand: (1.5 * v) / (breadthMm * c.method.shearWidthFactor * depthMm), capacity: s.value,
    data: { section: p.stock.section },
    working: {
      formula: c.method.shearWidthFactor === 1 ? 'τ = 3V / (2·b·d)' : 'τ = 3V / (2·kcr·b·d)',
      inputs: [
        { symbol: 'V', value: v, quantity: 'force', source: c.method.loadFactor.source }, { symbol: 'b', value: breadthMm, quantity: 'length' }, { symbol: 'd', value: depthMm, quantity: 'length' },
        ...(c.method.shearWidthFactor === 1 ? [] : [{ symbol: 'kcr', value: c.method.shearWidthFactor, quantity: 'ratio' as const, source: 'EN 1995-1-1 6.1.7(2)' }]),
        ...factorInputs(s, 'stress'),
      ],
      source: s.source,
    },
  })
}

const momentShare = (b: Bent) => Math.abs(b.result.moment.nmm) / b.widthMm
const shearShare = (b: Bent) => Math.abs(b.result.shear.n)
/** How much of its limit a bent piece sags, before creep: what makes one strip worse than another. */
const sagShare = (b: Bent) => Math.abs(b.result.sag.mm) / spanAround(b.spec, b.result.sag.atMm)

function sagOf(c: Reads, p: Part, service: Member): CheckResult | null {
  if (service.state.kind === 'unknown') return notComputed('sag', p, service.state.reason)
  const bent = bentOf(service)
  if (bent.length === 0) return null
  const worst = hardest(bent, sagShare)
  const span = spanAround(worst.spec, worst.result.sag.atMm)
  const first = Math.abs(worst.result.sag.mm)
  const sheet = p.stock.kind === 'sheet' ? findSheet(p.stock.sheet)! : null
  const grade = p.stock.kind === 'board' ? findGrade(p.stock.grade)! : null
  const creep = c.method.creep(sheet ? sheet.kind : 'lumber', c.settings.moisture)
  const end = first * creep.value
  const limit = span / c.settings.sagRatio
  const along = service.state.kind === 'panel' && bendsAlongStrength(p, service.state.along)
  const stiffness: Input[] = sheet
    ? [{ symbol: 'EI', value: along ? sheet.ei.along : sheet.ei.across, quantity: 'stiffness', source: `${sheet.source}; ${along ? 'along' : 'across'} the strength axis` }]
    : [
        { symbol: 'E', value: c.method.modulus(grade!, c.settings.moisture)!.value, quantity: 'stress', source: grade!.source },
        { symbol: 'I', value: secondMoment(bendingSection(p).breadthMm, bendingSection(p).depthMm), quantity: 'ratio', source: 'b·d³/12, mm⁴' },
      ]
  return measured({
    check: 'sag', link: linkOf(p), code: sheet ? 'panel-sag' : 'member-sag', quantity: 'sag', subject: p.id, demand: end, capacity: limit,
    data: {
      firstMm: first, tenYearsMm: sagAfter(first, creep.value, 10), endMm: end, limitMm: limit, spanMm: span, ratio: c.settings.sagRatio,
      ...(sheet ? { sheet: sheet.label } : { section: p.stock.kind === 'board' ? p.stock.section : '' }),
    },
    working: {
      formula: 'long-term sag = day-one sag × creep ≤ span / limit; day-one sag from the beam on its true supports',
      inputs: [
        { symbol: 'day-one sag', value: first, quantity: 'sag' }, { symbol: creep.symbol, value: creep.value, quantity: 'ratio', source: creep.source },
        { symbol: 'span', value: span, quantity: 'length' }, { symbol: 'limit', value: c.settings.sagRatio, quantity: 'ratio', source: 'project setting: span over this' }, ...stiffness,
      ],
      source: creep.source,
    },
  })
}

const reads = ['alike', 'service', 'design', 'settings', 'method'] as const

export const bending: AnyCheck = defineCheck({ id: 'bending', reads, run: (c) => worstOfEach(c, c.design, momentShare, (p, m) => bendingOf(c, p, m)) })
export const shear: AnyCheck = defineCheck({ id: 'shear', reads, run: (c) => worstOfEach(c, c.design, shearShare, (p, m) => shearOf(c, p, m)) })
export const sag: AnyCheck = defineCheck({ id: 'sag', reads, run: (c) => worstOfEach(c, c.service, sagShare, (p, m) => sagOf(c, p, m)) })
