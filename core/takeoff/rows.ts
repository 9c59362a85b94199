import { roleName, stockName } from '../wording/names.ts'
import { formatLength } from '../measure/format.ts'
import type { Units } from '../measure/units.ts'
import type { CutPlan } from './cut-plan.ts'
import type { PieceLine } from './pieces.ts'
import { inCart, isBought, type Bill, type Cart } from './purchases.ts'

type Row = Record<string, string | number>
const tenth = (mm: number) => Math.round(mm * 10) / 10

/** The shopping list as rows for a spreadsheet; money in whole units. */
export const shoppingRows = (bill: Bill, cart: Cart, unlisted: readonly string[] = []): Row[] => [
  ...bill.lines.map((l): Row => ({
    aisle: l.aisle,
    item: l.label,
    need: l.count,
    pieces_in_all: l.holds ?? '',
    each: l.eachMinor === null ? '' : l.eachMinor / 100,
    total: l.totalMinor === null ? '' : l.totalMinor / 100,
    in_cart: inCart(l, cart),
    done: isBought(l, cart) ? 'yes' : '',
  })),
  ...unlisted.map((stock): Row => ({
    ...{
      aisle: 'not in this list',
      item: stock,
      need: '',
      pieces_in_all: '',
      each: '',
      total: '',
      in_cart: '',
      done: '',
    },
  })),
]

/** The cut list: finished sizes, counts and, in words, what is done to a piece after it is cut. */
export const cutListRows = (
  lines: readonly PieceLine[],
  names: ReadonlyMap<string, string>,
  units: Units,
  work: (l: PieceLine) => string,
): Row[] =>
  lines.map((l) => ({
    label: l.letter,
    build: names.get(l.build) ?? l.build,
    part: roleName(l.role),
    from: stockName(l.stock),
    count: l.count,
    length: formatLength(l.cut.lengthMm, units),
    width: formatLength(l.cut.widthMm, units),
    thickness: formatLength(l.thicknessMm, units),
    length_mm: tenth(l.cut.lengthMm),
    width_mm: tenth(l.cut.widthMm),
    thickness_mm: tenth(l.thicknessMm),
    ripped: l.ripped ? 'yes' : '',
    work: work(l),
  }))

/** Every piece with the board or sheet it is cut from. */
export function cutPlanRows(plan: CutPlan): Row[] {
  const boards = plan.boards.flatMap((b) =>
    b.cuts.map((c): Row => ({
      stock: b.stockKey,
      number: b.id,
      label: c.labels.join(' '),
      at_mm: tenth(c.atMm),
      y_mm: '',
      length_mm: tenth(c.lengthMm),
      width_mm: c.ripMm === null ? '' : tenth(c.ripMm),
    })),
  )
  const sheets = plan.sheets.flatMap((s) =>
    s.cuts.map((c): Row => ({
      stock: s.stockKey,
      number: s.id,
      label: c.label,
      at_mm: tenth(c.xMm),
      y_mm: tenth(c.yMm),
      length_mm: tenth(c.wMm),
      width_mm: tenth(c.hMm),
    })),
  )
  return [...boards, ...sheets]
}
