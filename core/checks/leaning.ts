import { fastenersIn } from '../assembly/fasteners-in.ts'
import type { Assembly, Part } from '../assembly/assembly.ts'
import { bendsAlongStrength } from '../loads/panel.ts'
import { findGrade, findSection } from '../catalogue/lumber.ts'
import { findSheet } from '../catalogue/sheets.ts'
import { partBox } from '../assembly/part-box.ts'
import { edgeStrips } from '../loads/analyse.ts'
import { secondMoment, sectionModulus } from '../mechanics/section.ts'
import { pulledTogether } from '../mechanics/withdrawal.ts'
import { jointGives } from './ties.ts'
import { defineCheck, measured, plain, type CheckContext, type CheckResult, type Input } from './check.ts'

/*
 * A person leans, sits or kneels on a worktop wherever they like: at its front edge in the middle of its longest span.
 * The sheet and the board under that edge bend together and share the moment by their stiffness; each is judged by its
 * share. In front of that board the sheet is a cantilever.
 */

/** One knee or both hands of a heavy person: EN 1991-1-1 table 6.2, Qk of a category A floor is 2 kN; half of it here. N */
const LEAN_N = 1000
/** A hand or a knee presses on so much, mm. Product decision. */
const PRESSED_MM = 50
/**
 * Width of a plate that carries a load in the middle of its span, of the span: H. M. Westergaard, Public Roads 1930,
 * 0.58·L + 2c for slabs; half of it at an edge.
 */
const SPREAD = 0.58

type Given = Pick<CheckContext, 'assembly' | 'parts' | 'boxes' | 'settings' | 'method'>

/** Middles of what bears a top, along it. */
const bearersOf = (a: Assembly, p: Part): number[] =>
  a.supports
    .filter((s) => 'part' in s.from && s.from.part === p.id && s.via === 'bearing')
    .map((s) => (s.contact.min[0] + s.contact.max[0]) / 2)
    .sort((x, y) => x - y)

/** What a span and what stiffens it are asked for, N·mm/mm, MPa or N, and what they may. */
interface Asked {
  of: 'sheet' | 'board' | 'edge' | 'screws'
  demand: number
  capacity: number
  inputs: Input[]
  span: number
  board: Part | null
}
const shareOf = (x: Asked) => x.demand / x.capacity

/** One span, leaned on in its middle at the front edge; null where the strength of something in it is not known. */
function ofSpan(p: Part, [from, to]: readonly [number, number], strips: readonly Part[], c: Given): Asked[] | null {
  const { method, settings } = c
  const sheet = findSheet(p.stock.kind === 'sheet' ? p.stock.sheet : '')
  const along = bendsAlongStrength(p, true)
  const moment = sheet && method.panelMoment(sheet, along, settings)
  const across = sheet && method.panelMoment(sheet, !along, settings)
  if (!sheet || !moment || !across) return null
  const span = to - from
  const n = LEAN_N * method.loadFactor.goods
  const m = (n * span) / 4
  const wide = Math.min(p.size.widthMm, (SPREAD * span + PRESSED_MM) / 2)
  // Only a board that lies under this very span helps it.
  const middle = (from + to) / 2
  const under = strips.filter((s) => partBox(s).min[0] < middle && partBox(s).max[0] > middle)
  const board = under.reduce<Part | null>((f, s) => (!f || partBox(s).max[1] > partBox(f).max[1] ? s : f), null)
  const outMm = board ? Math.max(0, partBox(p).max[1] - partBox(board).max[1]) : 0
  const common: Input[] = [
    { symbol: 'P', value: n, quantity: 'force', source: 'a person leaning: product decision, half of EN 1991-1-1 Qk' },
    { symbol: 'span', value: span, quantity: 'length' },
    {
      symbol: 'width of the sheet that carries it',
      value: wide,
      quantity: 'length',
      source: 'Westergaard 1930, at an edge',
    },
  ]
  const stiff = board && stiffnessOf(board, c)
  const held = board && endsHold(board, p, c)
  if (board && (!stiff || held === null)) return null
  const topEi = wide * (along ? sheet.ei.along : sheet.ei.across)
  const share = stiff ? stiff.ei / (stiff.ei + topEi) : 0
  const inputs: Input[] = [
    ...common,
    { symbol: 'share of the board under the edge', value: share, quantity: 'ratio', source: 'by EI' },
  ]
  const edge: Input = { symbol: 'edge in front of it', value: outMm, quantity: 'length' }
  const asked = (of: Asked['of'], demand: number, capacity: number, more: Input[] = []): Asked => ({
    of,
    demand,
    capacity,
    inputs: [...inputs, ...more],
    span,
    board,
  })
  return [
    asked('sheet', ((1 - share) * m) / wide, moment.value),
    ...(stiff ? [asked('board', (share * m) / stiff.modulus, stiff.may)] : []),
    // The board hangs by its screws: pressed down in the middle it pulls at those of its ends.
    ...(stiff ? [asked('screws', (share * n) / 2, held!)] : []),
    ...(outMm > 0 ? [asked('edge', (n * outMm) / (2 * outMm + PRESSED_MM), across.value, [edge])] : []),
  ]
}

/** Stiffness of a board on edge, N·mm², its section modulus, mm³, and what it may be bent with, MPa. */
function stiffnessOf(p: Part, { method, settings }: Given): { ei: number; modulus: number; may: number } | null {
  const grade = p.stock.kind === 'board' ? findGrade(p.stock.grade) : undefined
  const { thicknessMm: t, widthMm: w } = p.size
  const nominalWidth = p.stock.kind === 'board' ? (findSection(p.stock.section)?.nominalWidth ?? null) : null
  const e = grade && method.modulus(grade, settings)
  const fb = grade && method.bending(grade, { depthMm: w, nominalWidth, flat: false }, settings)
  return e && fb ? { ei: e.value * secondMoment(t, w), modulus: sectionModulus(t, w), may: fb.value } : null
}

/** What the screws at one end of a board under a top hold pulled, N; null when nobody knows. */
function endsHold(board: Part, top: Part, c: Given): number | null {
  const joint = c.assembly.joints.find((j) => j.near === top.id && j.far === board.id)
  const count = joint ? fastenersIn([joint]) : 0
  // How many of them stand near an end is told by how the top is put on; else one.
  const tags = c.assembly.subassemblies.find((s) => s.parts.includes(top.id))?.tags
  const atEnd = Number(tags?.endScrews ?? 1)
  if (!joint || count < 2 * atEnd) return null
  const all = jointGives(joint, 2, c.parts, c.boxes, c)
  return all && (all / pulledTogether(count)) * pulledTogether(atEnd)
}

function ofTop(p: Part, c: Given): CheckResult {
  const given = { check: 'leaning', link: 'whole' as const, subject: p.id, parts: [p.id], data: { n: LEAN_N } }
  const at = bearersOf(c.assembly, p)
  const strips = (edgeStrips(c.assembly).get(p.id) ?? []).map((s) => s.part)
  const spans = at.slice(1).map((x, i) => ofSpan(p, [at[i], x], strips, c))
  if (spans.length === 0 || spans.includes(null))
    return plain({ ...given, quantity: 'ratio', code: 'unknown-leaning', state: 'unknown' })
  const worst = spans.flatMap((x) => x!).reduce((a, b) => (shareOf(b) > shareOf(a) ? b : a))
  return measured({
    ...given,
    quantity: QUANTITY[worst.of],
    code: 'leaning',
    demand: worst.demand,
    capacity: worst.capacity,
    parts: [p.id, ...(worst.board ? [worst.board.id] : [])],
    data: { ...given.data, spanMm: worst.span },
    working: {
      formula: FORMULA[worst.of],
      source: 'statics of a simple span; board and sheet bend together',
      inputs: worst.inputs,
    },
  })
}

const QUANTITY = { sheet: 'moment-per-width', board: 'stress', edge: 'moment-per-width', screws: 'force' } as const
const FORMULA: Record<Asked['of'], string> = {
  sheet: 'm = (1 − share) · P·L / 4 / width',
  board: 'σ = share · P·L / 4 / (b·d²/6)',
  edge: 'm = P·a / (2·a + c) in front of the board',
  screws: 'share · P / 2 ≤ what the screws at one end of the board hold pulled',
}

/** Tops that people work at, told by how they are put on, carry a person wherever one leans. */
export const leaning = defineCheck({
  id: 'leaning',
  reads: ['assembly', 'parts', 'boxes', 'settings', 'method'],
  run: (c): CheckResult[] => {
    const tops = c.assembly.subassemblies.filter((s) => s.tags?.use === 'worktop').flatMap((s) => s.parts)
    return tops.map((id) => ofTop(c.parts.get(id)!, c))
  },
})
