import type { Body, Part } from '../assembly/assembly.ts'
import { thicknessAxis } from '../assembly/part-box.ts'
import { PEG_HOOK } from '../catalogue/hardware.ts'
import { findSheet } from '../catalogue/sheets.ts'
import { bendsAlongStrength } from '../loads/panel.ts'
import { byUrgency } from './verdict.ts'
import { defineCheck, measured, notWeighed, plain, type CheckContext, type CheckResult } from './check.ts'

/*
 * Hooks turn the panel they hang on. Each is a couple between two battens:
 *
 *   batten |----a----(M)----b----| batten       m = M · max(a, b) / (a + b), over the width it has spread to
 */

/** Of a panel with holes for hooks, 6 mm every 25 mm, this is left across a row of them: the usual pattern. */
const PEG_NET = 1 - 6 / 25

interface Couple {
  hook: string
  x: number
  z: number
  /** About a level line along the panel, N·mm, and how far apart the hook holds on and presses, mm. */
  nmm: number
  leverMm: number
  wideMm: number
}
type Given = Pick<CheckContext, 'assembly' | 'parts' | 'design' | 'settings' | 'method' | 'goods'>

/** Upright sheets before battens, each a body of its own. */
function panelsOf({ assembly, parts }: Given): { panel: Part; body: Body }[] {
  return assembly.bodies.flatMap((body) => {
    const panel = body.parts.length === 1 ? parts.get(body.parts[0]) : undefined
    return panel?.stock.kind === 'sheet' && Math.abs(thicknessAxis(panel)[1]) > 0.9 ? [{ panel, body }] : []
  })
}

/** What hooks do to a panel, from what holds them up and back. */
function couplesOn(panel: Part, { assembly, parts, design }: Given): Couple[] {
  const by = new Map<string, { x: number; z: number; n: number }[]>()
  for (const s of assembly.supports) {
    if (!('body' in s.from) || s.on.kind !== 'part' || s.on.part !== panel.id) continue
    if (s.via !== 'hanging' || Math.abs(s.push[1]) < 0.9) continue
    const at = { x: s.contact.min[0], z: s.contact.min[2], n: (design.reactions.get(s.id) ?? 0) * s.push[1] }
    by.set(s.from.through, [...(by.get(s.from.through) ?? []), at])
  }
  return [...by].flatMap(([hook, held]) => {
    const z = held.reduce((sum, h) => sum + h.z, 0) / held.length
    const heights = held.map((h) => h.z)
    return [
      {
        hook,
        x: held[0].x,
        z,
        nmm: Math.abs(held.reduce((sum, h) => sum + h.n * (h.z - z), 0)),
        leverMm: Math.max(...heights) - Math.min(...heights),
        wideMm: Math.min(parts.get(hook)!.size.widthMm, parts.get(hook)!.size.thicknessMm),
      },
    ]
  })
}

/** Moment across a width of one couple, and that width: it spreads at 45° on either side of the hook. */
function bent(k: Couple, battensMm: readonly number[]): { nmm: number; widthMm: number; below: number } {
  const below = Math.max(-Infinity, ...battensMm.filter((z) => z <= k.z))
  const above = Math.min(Infinity, ...battensMm.filter((z) => z > k.z))
  const [a, b] = [k.z - below, above - k.z]
  // Past the last batten all of it goes one way.
  const share = Number.isFinite(a + b) ? Math.max(a, b) / (a + b) : 1
  return { nmm: k.nmm * share, widthMm: k.wideMm + 2 * (k.leverMm + Math.min(a, b)), below }
}

function ofPanel({ panel, body }: { panel: Part; body: Body }, c: Given): CheckResult | null {
  const couples = couplesOn(panel, c)
  if (couples.length === 0) return null
  const hooks = new Set(couples.map((k) => k.hook))
  const hung = c.assembly.bays.filter((b) => b.carriers.some((id) => hooks.has(id))).flatMap((b) => b.items)
  const given = {
    check: 'hooked-panel',
    link: 'shelf' as const,
    quantity: 'moment-per-width' as const,
    subject: 'panel',
    parts: [panel.id],
  }
  const lost = hung.find((i) => i.massKg === null)
  if (lost) return notWeighed(given, lost.goodsId, c.goods)
  const battens = [
    ...new Set(
      c.assembly.supports.flatMap((s) =>
        'body' in s.from && s.from.body === body.id && s.via === 'fasteners' ? [s.contact.min[2]] : [],
      ),
    ),
  ]
  const each = couples.map((k) => ({ k, ...bent(k, battens) }))
  // What hangs beside it within its width, over the same battens, bends the same strip.
  const all = each.map((e) => {
    const beside = each.filter((o) => o.below === e.below && Math.abs(o.k.x - e.k.x) < e.widthMm / 2)
    return { ...e, perMm: beside.reduce((sum, o) => sum + o.nmm, 0) / e.widthMm }
  })
  const worst = all.reduce((x, y) => (y.perMm > x.perMm ? y : x))
  const stock = c.parts.get(worst.k.hook)!.stock
  const net = stock.kind === 'bought' && stock.item === PEG_HOOK.item ? PEG_NET : 1
  const sheet = findSheet(panel.stock.kind === 'sheet' ? panel.stock.sheet : '')!
  const strength = c.method.panelMoment(sheet, bendsAlongStrength(panel, Math.abs(panel.at.along[2]) > 0.9), c.settings)
  if (!strength)
    return plain({ ...given, code: 'unknown-no-strength', state: 'unknown', data: { letter: '', role: panel.role } })
  return measured({
    ...given,
    code: 'hooked-panel',
    parts: [panel.id, worst.k.hook],
    demand: worst.perMm / net,
    capacity: strength.value,
    data: { sheet: sheet.label, widthMm: worst.widthMm },
    working: {
      formula: 'Σ M · max(a, b) / (a + b) / width / net ≤ moment the panel may carry per width',
      inputs: [
        { symbol: 'M', value: worst.k.nmm, quantity: 'moment', source: c.method.loadFactor.source },
        { symbol: 'width', value: worst.widthMm, quantity: 'length', source: 'spread at 45° from the hook' },
        { symbol: 'net', value: net, quantity: 'ratio', source: 'holes for hooks, 6 mm every 25 mm' },
      ],
      source: strength.source,
    },
  })
}

/** Of all panels with hooks the one that works hardest, or that nobody can judge. */
export const hookedPanel = defineCheck({
  id: 'hooked-panel',
  reads: ['assembly', 'parts', 'design', 'settings', 'method', 'goods'],
  run(c): CheckResult[] {
    const all = panelsOf(c).flatMap((x) => ofPanel(x, c) ?? [])
    return all.length === 0 ? [] : [byUrgency(all)[0]]
  },
})
