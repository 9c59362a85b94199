import type { Assembly, Bay, Part } from '../assembly/assembly.ts'
import { findSheet } from '../catalogue/sheets.ts'
import { bendsAlongStrength } from '../loads/panel.ts'
import { defineCheck, measured, notWeighed, plain, type CheckContext, type CheckResult } from './check.ts'
import { leanIn, type Lean } from './lean.ts'

/*
 * What leans in a slot (`lean.ts`) leans on its divider, which is held in the decks under and over it: a beam from deck
 * to deck over as much of its depth as the thing meets.
 */

type Given = Pick<CheckContext, 'assembly' | 'parts' | 'boxes' | 'method' | 'settings' | 'goods'>

const partitionsOf = (a: Assembly, parts: ReadonlyMap<string, Part>): Part[] =>
  a.subassemblies.filter((s) => s.tags?.use === 'partitions').flatMap((s) => s.parts.map((id) => parts.get(id)!))

/** Dividers that stand at a side of a slot. */
function beside(bay: Bay, all: readonly Part[], c: Given): Part[] {
  return all.filter((p) => {
    const b = c.boxes.get(p.id)!
    const touches = Math.abs(b.min[0] - bay.clear.max[0]) < 1 || Math.abs(b.max[0] - bay.clear.min[0]) < 1
    return touches && b.min[2] < bay.clear.max[2] && b.max[2] > bay.clear.min[2]
  })
}

/** Dividers of slots against what leans on them. */
export const partitions = defineCheck({
  id: 'partitions',
  asksForTheMost: true,
  reads: ['assembly', 'parts', 'boxes', 'method', 'settings', 'goods'],
  run(c): CheckResult[] {
    const all = partitionsOf(c.assembly, c.parts)
    const slots = c.assembly.bays.filter((b) => b.holds === 'slot' && b.items.length > 0)
    if (all.length === 0 || slots.length === 0) return []
    const given = { check: 'partitions', link: 'shelf' as const, subject: 'dividers', quantity: 'moment' as const }
    const lost = slots.flatMap((b) => b.items).find((i) => i.massKg === null)
    if (lost) return [notWeighed(given, lost.goodsId, c.goods)]
    let worst: CheckResult | null = null
    for (const lean of slots.map((b) => leanIn(b, 0, c.method.loadFactor.goods)))
      for (const p of beside(lean.bay, all, c)) {
        const r = ofDivider(p, lean, c, given)
        if (r.state === 'unknown') return [r]
        if (!worst || (r.ratio ?? 9) > (worst.ratio ?? 9)) worst = r
      }
    return worst ? [worst] : []
  },
})

type Known = Pick<CheckResult, 'check' | 'link' | 'quantity'>

function ofDivider(p: Part, { bay, n, highsMm }: Lean, c: Given, given: Known & { subject: string }): CheckResult {
  const spanMm = bay.clear.max[2] - bay.clear.min[2]
  const momentAt = (mm: number) => (n * mm * (spanMm - mm)) / spanMm
  const places = highsMm.map((mm) => Math.min(spanMm, mm))
  const aMm = places.reduce((x, y) => (momentAt(y) > momentAt(x) ? y : x))
  const moment = momentAt(aMm)
  const wideMm = Math.min(p.size.lengthMm, ...bay.items.map((i) => i.box.max[1] - i.box.min[1]))
  const sheet = p.stock.kind === 'sheet' ? findSheet(p.stock.sheet) : undefined
  // It bends from deck to deck, across its length.
  const strength = sheet && c.method.panelMoment(sheet, bendsAlongStrength(p, false), c.settings)
  const data = { n, spanMm }
  const told = { ...given, parts: [p.id], bays: [bay.id], data }
  if (!strength)
    return plain({ ...told, code: 'unknown-no-strength', state: 'unknown', data: { ...data, role: p.role } })
  return measured({
    ...told,
    code: 'partitions',
    demand: moment,
    capacity: strength.value * wideMm,
    working: {
      formula: 'N = W·f / (2·h);  M = N·a·(L − a) / L ≤ m·b',
      inputs: [
        { symbol: 'N', value: n, quantity: 'force', source: c.method.loadFactor.source },
        { symbol: 'a', value: aMm, quantity: 'length' },
        { symbol: 'L', value: spanMm, quantity: 'length' },
        { symbol: 'm', value: strength.value, quantity: 'moment-per-width', source: strength.source },
        { symbol: 'b', value: wideMm, quantity: 'length' },
      ],
      source: 'moments about the foot of what leans; a divider as a simple beam from deck to deck',
    },
  })
}
