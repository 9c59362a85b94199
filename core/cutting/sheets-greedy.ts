import { isOverdue, MOST_PIECES, type Cut2dInstance, type Cut2dPlan, type CutResult, type Planner } from './format.ts'
import { tooLittle } from './with-spare.ts'

type Stock = Cut2dInstance['stock'][number]
type Part = Cut2dInstance['parts'][number]
interface Free {
  x: number
  y: number
  w: number
  h: number
}
interface Laid {
  part: Part
  x: number
  y: number
  rotated: boolean
}
interface SheetLaid {
  stock: Stock
  laid: Laid[]
}

type Order = (a: Part, b: Part) => number
const ORDERS: Order[] = [
  (a, b) => b.h - a.h || b.w - a.w,
  (a, b) => b.w - a.w || b.h - a.h,
  (a, b) => b.w * b.h - a.w * a.h,
  (a, b) => Math.max(b.w, b.h) - Math.max(a.w, a.h),
  (a, b) => b.w + b.h - a.w - a.h,
]
/** Which way a free rectangle is cut first once a part lies in its corner. */
const SPLITS = ['across', 'along', 'shorter', 'longer', 'larger'] as const
type Split = (typeof SPLITS)[number]

/** A part in the corner of a free rectangle leaves two; the first cut goes right through. */
function split(f: Free, w: number, h: number, kerf: number, how: Split): Free[] {
  const [right, above] = [f.w - w - kerf, f.h - h - kerf]
  const across = // the cut runs the full height beside the part
    how === 'across' ||
    (how === 'shorter' && right < above) ||
    (how === 'longer' && right >= above) ||
    (how === 'larger' && right * f.h >= above * f.w)
  const out: Free[] = across
    ? [
        { x: f.x + w + kerf, y: f.y, w: right, h: f.h },
        { x: f.x, y: f.y + h + kerf, w, h: above },
      ]
    : [
        { x: f.x + w + kerf, y: f.y, w: right, h },
        { x: f.x, y: f.y + h + kerf, w: f.w, h: above },
      ]
  return out.filter((r) => r.w > 0 && r.h > 0)
}

/** Fills one sheet with what fits of a queue, each part where it leaves least beside it. */
function fillSheet(
  stock: Stock,
  queue: Part[],
  kerf: number,
  trim: number,
  how: Split,
): { laid: Laid[]; left: Part[] } {
  let free: Free[] = [{ x: trim, y: trim, w: stock.w - 2 * trim, h: stock.h - 2 * trim }]
  const laid: Laid[] = []
  const left: Part[] = []
  for (const part of queue) {
    let at = -1
    let rotated = false
    let least = Infinity
    for (let i = 0; i < free.length; i++) {
      const { w, h } = free[i]
      if (part.w <= w && part.h <= h && Math.min(w - part.w, h - part.h) < least) {
        least = Math.min(w - part.w, h - part.h)
        at = i
        rotated = false
      }
      if (part.rotate && part.h <= w && part.w <= h && Math.min(w - part.h, h - part.w) < least) {
        least = Math.min(w - part.h, h - part.w)
        at = i
        rotated = true
      }
    }
    if (at < 0) {
      left.push(part)
      continue
    }
    const [w, h] = rotated ? [part.h, part.w] : [part.w, part.h]
    const f = free[at]
    laid.push({ part, x: f.x, y: f.y, rotated })
    free = [...free.slice(0, at), ...free.slice(at + 1), ...split(f, w, h, kerf, how)]
  }
  return { laid, left }
}

const area = (laid: Laid[]) => laid.reduce((n, l) => n + l.part.w * l.part.h, 0)

/**
 * Sheets by straight through-cuts: for every order of the parts and every way to split what is left, sheet after sheet,
 * each time the stock whose filling costs least for the area it yields. The cheapest of all these; the bound is the
 * area at the cheapest price.
 */
export const planSheetsGreedy: Planner<Cut2dInstance, Cut2dPlan> = (instance, control = {}): CutResult<Cut2dPlan> => {
  const { kerf, trim } = instance
  const pieces = instance.parts.reduce((n, p) => n + p.qty, 0)
  if (pieces > MOST_PIECES) return { ok: false, why: { code: 'too-many-pieces', data: { pieces, most: MOST_PIECES } } }
  const stocks = instance.stock.filter((s) => s.available !== 0 && Math.min(s.w, s.h) > 2 * trim)
  if (pieces > 0 && stocks.length === 0) return { ok: false, why: { code: 'no-stock', data: {} } }
  const fits = (p: Part, s: Stock) => {
    const [w, h] = [s.w - 2 * trim, s.h - 2 * trim]
    return (p.w <= w && p.h <= h) || (p.rotate && p.h <= w && p.w <= h)
  }
  const tooLarge = instance.parts.find((p) => !stocks.some((s) => fits(p, s)))
  if (tooLarge)
    return {
      ok: false,
      why: {
        code: 'piece-larger-than-stock',
        part: tooLarge.id,
        data: {
          w: tooLarge.w,
          h: tooLarge.h,
          turned: stocks.some((s) => fits({ ...tooLarge, rotate: true }, s)) ? 1 : 0,
        },
      },
    }

  let best: SheetLaid[] | null = null
  const cost = (s: SheetLaid[]) => s.reduce((n, x) => n + x.stock.price, 0)
  search: for (const order of ORDERS)
    for (const how of SPLITS) {
      if (best && control.shouldStop?.()) break search
      let queue = [...instance.parts].sort(order).flatMap((p) => Array.from({ length: p.qty }, () => p))
      const used = new Map<string, number>()
      const sheets: SheetLaid[] = []
      while (queue.length > 0) {
        if (isOverdue(control)) break
        const tries = stocks
          .filter((s) => s.available === null || (used.get(s.id) ?? 0) < s.available)
          .map((s) => ({ s, ...fillSheet(s, queue, kerf, trim, how) }))
          .filter((t) => t.laid.length > 0)
        if (tries.length === 0) break
        const t = tries.reduce((a, b) => (b.s.price / area(b.laid) < a.s.price / area(a.laid) - 1e-12 ? b : a))
        sheets.push({ stock: t.s, laid: t.laid })
        used.set(t.s.id, (used.get(t.s.id) ?? 0) + 1)
        queue = t.left
      }
      if (queue.length > 0 || (best && cost(sheets) >= cost(best))) continue
      best = sheets
      control.onBetter?.(asPlan(instance, best, stocks))
    }
  if (!best) {
    const never = tooLittle(
      instance.parts,
      stocks,
      fits,
      (p) => (p.w + kerf) * (p.h + kerf),
      (s) => (s.w - 2 * trim + kerf) * (s.h - 2 * trim + kerf),
    )
    return { ok: false, why: { code: never ? 'not-enough-stock' : 'none-found', data: { pieces, seconds: 0 } } }
  }
  return { ok: true, plan: asPlan(instance, best, stocks) }
}

function asPlan(instance: Cut2dInstance, sheets: SheetLaid[], stocks: Stock[]): Cut2dPlan {
  const grouped = new Map<string, Cut2dPlan['sheets'][number]>()
  for (const s of sheets) {
    const placements = s.laid.map((l) => ({ part: l.part.id, x: l.x, y: l.y, rotated: l.rotated }))
    const key = JSON.stringify([s.stock.id, placements])
    const seen = grouped.get(key)
    if (seen) seen.count++
    else grouped.set(key, { stock: s.stock.id, count: 1, placements })
  }
  const cost = sheets.reduce((n, s) => n + s.stock.price, 0)
  const needed = instance.parts.reduce((n, p) => n + p.qty * p.w * p.h, 0)
  const cheapest = Math.min(...stocks.map((s) => s.price / ((s.w - 2 * instance.trim) * (s.h - 2 * instance.trim))))
  const lowerBound =
    needed === 0 ? 0 : Math.min(cost, wholeSheets(instance, stocks, needed, Math.ceil(needed * cheapest - 1e-9)))
  return {
    format: 'cut2d-plan',
    version: 1,
    instance: instance.name,
    sheets: [...grouped.values()],
    claim: { cost, lowerBound, proved: cost === lowerBound },
  }
}

/** With one kind of sheet to buy, its price times the whole sheets that the area needs. */
function wholeSheets(instance: Cut2dInstance, stocks: Stock[], needed: number, byArea: number): number {
  if (stocks.length !== 1) return byArea
  const [s] = stocks
  return s.price * Math.ceil(needed / ((s.w - 2 * instance.trim) * (s.h - 2 * instance.trim)) - 1e-9)
}
