import type { Part } from '../assembly/assembly.ts'
import { cutSize } from '../assembly/cut-size.ts'
import { lengthStock, soldAs, stockKey } from '../assembly/identical.ts'
import { findSection, lengthsOf } from '../catalogue/lumber.ts'
import { findSheet } from '../catalogue/sheets.ts'
import { COMPUTED_SLACK_MM } from '../measure/rounding.ts'
import { defineCheck, measured, type CheckContext } from './check.ts'

/** One measure of a piece beside what the largest board or sheet leaves of it once trimmed, mm. */
interface Out {
  needMm: number
  haveMm: number
}
const worse = (a: Out, b: Out): Out => (a.needMm * b.haveMm >= b.needMm * a.haveMm ? a : b)
const better = (a: Out, b: Out): Out => (worse(a, b) === a ? b : a)

/** Null for what is not cut: bought ready, or there before. */
function outOf(p: Part, s: CheckContext['settings']): Out | null {
  const { lengthMm, widthMm } = cutSize(p)
  const long = lengthStock(p.stock)
  // Of what nobody sells nothing comes out.
  const left = (soldMm: number, trimMm: number) => Math.max(0, soldMm - trimMm)
  if (long)
    return {
      needMm: lengthMm,
      haveMm: left(findSection(long.section) ? Math.max(...lengthsOf(long.section, s.yard)) : 0, s.squaringTrimMm),
    }
  const sold = soldAs(p.stock)
  if (sold.kind !== 'sheet') return null
  const sheet = findSheet(sold.sheet)
  const laid = (along: number, across: number) =>
    worse(
      { needMm: along, haveMm: left(sheet?.lengthMm ?? 0, 2 * s.sheetTrimMm) },
      { needMm: across, haveMm: left(sheet?.widthMm ?? 0, 2 * s.sheetTrimMm) },
    )
  const [plain, turned] = [laid(lengthMm, widthMm), laid(widthMm, lengthMm)]
  return p.grain === 'any' ? better(plain, turned) : p.grain === 'width' ? turned : plain
}

/** The id of a section, a rod or a sheet. */
const stockId = (asked: Part['stock']): string => {
  const s = soldAs(asked)
  return s.kind === 'sheet' ? s.sheet : (lengthStock(s)?.section ?? '')
}

/** Every piece comes out of a board or sheet that is sold. */
export const fromStock = defineCheck({
  id: 'stock',
  reads: ['alike', 'settings'],
  run({ alike, settings }) {
    const worst = new Map<string, Out & { part: Part; parts: string[] }>()
    for (const { parts } of alike) {
      const [p] = parts
      const out = outOf(p, settings)
      if (!out) continue
      const key = stockKey(p.stock)
      const seen = worst.get(key)
      if (!seen || worse(out, seen) === out) worst.set(key, { part: p, parts: parts.map((x) => x.id), ...out })
    }
    return [...worst].map(([key, { part, parts, needMm, haveMm }]) =>
      measured({
        check: 'stock',
        link: 'whole',
        code: 'stock',
        quantity: 'length',
        subject: key,
        demand: needMm - COMPUTED_SLACK_MM,
        capacity: haveMm,
        data: { role: part.role, stock: stockId(part.stock), needMm, haveMm },
        parts,
        working: {
          formula: 'cut ≤ sold − trim',
          inputs: [
            {
              symbol: 'cut',
              value: needMm,
              quantity: 'length',
              source: 'finished size and what is left on for scribing',
            },
            {
              symbol: 'sold − trim',
              value: haveMm,
              quantity: 'length',
              source: 'the largest the yard sells, its ends or edges trimmed',
            },
          ],
          source: 'geometry',
        },
      }),
    )
  },
})
