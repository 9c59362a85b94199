import type { Settings } from '../assembly/settings.ts'
import { BOARD_LENGTHS, findSection, SECTIONS } from '../catalogue/lumber.ts'
import { boardKey, type PriceLine } from '../catalogue/prices.ts'
import { planBoardsGreedy } from '../cutting/boards-greedy.ts'
import { boardJobs, stripsOf, type AtHand } from './instances.ts'
import type { PieceLine } from './pieces.ts'

/** Ripping is work: it must save at least this share of what the narrow boards would cost. Product decision. */
const WORTH = 0.08

/**
 * Lines of a narrow section that come cheaper ripped out of a wider board of the same thickness (two 2 × 2 from a 2 ×
 * 4) are made from that; the rest stays. Looked at by price for a length first, then by what both plans would really
 * cost.
 */
export function chooseRips(
  lines: readonly PieceLine[],
  settings: Settings,
  prices: readonly PriceLine[],
  hand: readonly AtHand[] = [],
): PieceLine[] {
  const price = new Map(prices.map((p) => [p.key, p.minor]))
  const perMm = (section: string, treated: boolean) =>
    Math.min(...BOARD_LENGTHS[settings.yard].map((mm) => (price.get(boardKey(section, mm, treated)) ?? Infinity) / mm))
  const cost = (some: readonly PieceLine[]) =>
    boardJobs(some, settings, prices, hand).reduce((n, j) => {
      const r = planBoardsGreedy(j.instance)
      return n + (r.ok ? r.plan.claim.cost : Infinity)
    }, 0)
  let out = [...lines]
  const kinds = new Map(
    lines.flatMap((l) =>
      l.stock.kind === 'board' && !l.ripped ? [[`${l.stock.section}|${l.stock.treated}`, l.stock] as const] : [],
    ),
  )
  for (const { section, treated } of kinds.values()) {
    const narrow = findSection(section)
    if (!narrow || narrow.round) continue
    const wider = SECTIONS.filter(
      (s) =>
        s.system === narrow.system &&
        !s.round &&
        Math.abs(s.thicknessMm - narrow.thicknessMm) < 0.05 &&
        s.widthMm > narrow.widthMm,
    )
      .map((s) => ({ s, strips: stripsOf(s.widthMm, narrow.widthMm, settings.kerfMm) }))
      .filter((x) => x.strips >= 2)
      .map((x) => ({ ...x, perMm: perMm(x.s.id, treated) / x.strips }))
      .sort((a, b) => a.perMm - b.perMm)[0]
    if (!wider || wider.perMm > (1 - WORTH) * perMm(section, treated)) continue
    const isNarrow = (l: PieceLine) =>
      l.stock.kind === 'board' && l.stock.section === section && l.stock.treated === treated && !l.ripped
    const isWide = (l: PieceLine) =>
      l.stock.kind === 'board' && l.stock.section === wider.s.id && l.stock.treated === treated
    const made = out.map((l): PieceLine =>
      isNarrow(l) && l.stock.kind === 'board' ? { ...l, ripped: true, stock: { ...l.stock, section: wider.s.id } } : l,
    )
    const [apart, joined] = [cost(out.filter((l) => isNarrow(l) || isWide(l))), cost(made.filter(isWide))]
    const alone = apart - cost(out.filter(isWide))
    if (apart - joined > WORTH * alone) out = made
  }
  return out
}
