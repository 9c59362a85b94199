import type { Assembly, Bay, Part } from '../assembly/assembly.ts'
import { findSheet } from '../catalogue/sheets.ts'
import { bendsAlongStrength } from '../loads/panel.ts'
import { newtons } from '../measure/units.ts'
import { defineCheck, measured, plain, type CheckContext, type CheckResult } from './check.ts'

/*
 * Things on edge in a slot lean: foot at one side, upper edge at the divider of the other, which is held in the decks
 * under and over it.
 *
 *     ====.====   N·h = W·f / 2 about the foot, f what is free of the slot, h the height of what leans;
 *      |\ |       the divider is a beam from deck to deck over as much of its depth as the thing meets.
 *      | \|
 *     ====.====
 */

interface Lean {
  bay: Bay
  n: number
  highMm: number
  deepMm: number
}
type Given = Pick<CheckContext, 'assembly' | 'parts' | 'boxes' | 'method' | 'settings' | 'goods'>

const partitionsOf = (a: Assembly, parts: ReadonlyMap<string, Part>): Part[] =>
  a.subassemblies.filter((s) => s.tags?.use === 'partitions').flatMap((s) => s.parts.map((id) => parts.get(id)!))

/** What all of a slot lean with, at the height of the lowest of them that reaches the middle of the divider most. */
function leanOf(bay: Bay, factor: number): Lean {
  const thick = bay.items.reduce((s, i) => s + i.box.max[0] - i.box.min[0], 0)
  const tall = Math.max(...bay.items.map((i) => i.box.max[2] - i.box.min[2]))
  const freeMm = Math.max(0, bay.clear.max[0] - bay.clear.min[0] - thick)
  const w = bay.items.reduce((s, i) => s + newtons(i.massKg ?? 0), 0) * factor
  return {
    bay,
    n: tall > 0 ? (w * freeMm) / (2 * tall) : 0,
    highMm: tall,
    deepMm: Math.min(...bay.items.map((i) => i.box.max[1] - i.box.min[1])),
  }
}

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
    if (lost)
      return [
        plain({
          ...given,
          code: 'unknown-not-weighed',
          state: 'unknown',
          data: { goods: c.goods.get(lost.goodsId)?.name ?? '' },
        }),
      ]
    let worst: CheckResult | null = null
    for (const lean of slots.map((b) => leanOf(b, c.method.loadFactor.goods)))
      for (const p of beside(lean.bay, all, c)) {
        const r = ofDivider(p, lean, c, given)
        if (r.state === 'unknown') return [r]
        if (!worst || (r.ratio ?? 9) > (worst.ratio ?? 9)) worst = r
      }
    return worst ? [worst] : []
  },
})

type Known = Pick<CheckResult, 'check' | 'link' | 'quantity'>

function ofDivider(
  p: Part,
  { bay, n, highMm, deepMm }: Lean,
  c: Given,
  given: Known & { subject: string },
): CheckResult {
  const spanMm = bay.clear.max[2] - bay.clear.min[2]
  const aMm = Math.min(spanMm, highMm)
  const moment = (n * aMm * (spanMm - aMm)) / spanMm
  const wideMm = Math.min(deepMm, p.size.lengthMm)
  const sheet = p.stock.kind === 'sheet' ? findSheet(p.stock.sheet) : undefined
  // It bends from deck to deck, across its length.
  const strength = sheet && c.method.panelMoment(sheet, bendsAlongStrength(p, false), c.settings)
  const data = { n, spanMm }
  const told = { ...given, parts: [p.id], bays: [bay.id], data }
  if (!strength) return plain({ ...told, code: 'unknown-no-strength', state: 'unknown' })
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
