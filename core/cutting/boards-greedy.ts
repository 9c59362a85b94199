import { isOverdue, MOST_PIECES, type Cut1dInstance, type Cut1dPlan, type CutResult, type Planner } from './format.ts'
import { tooLittle } from './with-spare.ts'

type Stock = Cut1dInstance['stock'][number]
interface Board {
  stock: Stock
  cuts: number[]
}

/** Steps a search for the fullest board may take before it takes the best so far. */
const FILL_STEPS = 250

/**
 * The fullest set of pieces for one board: depth-first over the lengths from the longest down, bounded.
 * @param left how many of each length are still wanted
 */
function fullest(lengths: number[], left: number[], usable: number, kerf: number): number[] {
  const room = usable + kerf
  let best: number[] = []
  let bestUsed = 0
  let steps = 0
  const now: number[] = []
  const go = (i: number, used: number) => {
    if (used > bestUsed) {
      bestUsed = used
      best = [...now]
    }
    if (i >= lengths.length || bestUsed === room || ++steps > FILL_STEPS) return
    const each = lengths[i] + kerf
    const most = Math.min(left[i], Math.floor((room - used) / each))
    for (let n = most; n >= 0; n--) {
      for (let k = 0; k < n; k++) now.push(i)
      go(i + 1, used + n * each)
      now.length -= n
      if (bestUsed === room || steps > FILL_STEPS) return
    }
  }
  go(0, 0)
  return best
}

/** First-fit decreasing on one stock, for comparison with the fullest-board way. */
function firstFit(lengths: number[], qty: number[], stock: Stock, usable: number, kerf: number): Board[] {
  const boards: (Board & { room: number })[] = []
  lengths.forEach((length, i) => {
    for (let n = 0; n < qty[i]; n++) {
      let b = boards.find((x) => x.room >= length + kerf)
      if (!b) boards.push((b = { stock, cuts: [], room: usable + kerf }))
      b.cuts.push(i)
      b.room -= length + kerf
    }
  })
  return boards
}

/**
 * Boards by a greedy rule: again and again the board whose fullest cutting costs least for the length it yields; beside
 * it first-fit on each stock length alone; the cheapest of these, each board then exchanged for the cheapest stock that
 * still holds its pieces. The bound is the length needed at the cheapest price per usable length.
 */
export const planBoardsGreedy: Planner<Cut1dInstance, Cut1dPlan> = (instance, control = {}): CutResult<Cut1dPlan> => {
  const { kerf } = instance
  const trim = instance.trimStart + instance.trimEnd
  const pieces = instance.parts.reduce((n, p) => n + p.qty, 0)
  if (pieces > MOST_PIECES) return { ok: false, why: { code: 'too-many-pieces', data: { pieces, most: MOST_PIECES } } }
  const parts = [...instance.parts].sort((a, b) => b.length - a.length)
  const stocks = instance.stock.filter((s) => s.length > trim && s.available !== 0)
  const done = (boards: Board[]): Cut1dPlan => asPlan(instance, parts, boards, stocks, kerf, trim)
  if (pieces === 0) return { ok: true, plan: done([]) }
  if (stocks.length === 0) return { ok: false, why: { code: 'no-stock', data: {} } }
  const longest = Math.max(...stocks.map((s) => s.length - trim))
  const tooLong = parts.find((p) => p.length > longest)
  if (tooLong)
    return {
      ok: false,
      why: { code: 'piece-longer-than-stock', part: tooLong.id, data: { length: tooLong.length, longest } },
    }

  const lengths = parts.map((p) => p.length)
  const usable = (s: Stock) => s.length - trim
  const plans: Board[][] = []

  const greedy = (allowed: Stock[]): Board[] | null => {
    const left = parts.map((p) => p.qty)
    const stockLeft = new Map(allowed.map((s) => [s.id, s.available ?? Infinity]))
    const boards: Board[] = []
    while (left.some((n) => n > 0)) {
      let best: { board: Board; cost: number } | null = null
      for (const s of allowed) {
        if (stockLeft.get(s.id)! <= 0) continue
        const cuts = fullest(lengths, left, usable(s), kerf)
        if (cuts.length === 0) continue
        // The length kerfs included: a board of many small pieces is as full as one of few long ones.
        const cost = s.price / cuts.reduce((n, i) => n + lengths[i] + kerf, 0)
        if (!best || cost < best.cost - 1e-12) best = { board: { stock: s, cuts }, cost }
      }
      if (!best) return null
      boards.push(best.board)
      stockLeft.set(best.board.stock.id, stockLeft.get(best.board.stock.id)! - 1)
      for (const i of best.board.cuts) left[i]--
      if (isOverdue(control) || (control.shouldStop?.() && plans.length > 0)) return null
    }
    return boards
  }
  const all = greedy(stocks)
  if (all) plans.push(all)
  for (const s of stocks) {
    if (s.available !== null || usable(s) < lengths[0]) continue
    if (isOverdue(control) || (control.shouldStop?.() && plans.length > 0)) break
    plans.push(
      firstFit(
        lengths,
        parts.map((p) => p.qty),
        s,
        usable(s),
        kerf,
      ),
    )
    const one = greedy(stocks.filter((x) => x === s || x.offcut))
    if (one) plans.push(one)
  }
  if (plans.length === 0) {
    const never = tooLittle(
      parts,
      stocks,
      (p, s) => p.length <= usable(s),
      (p) => p.length + kerf,
      (s) => usable(s) + kerf,
    )
    return { ok: false, why: { code: never ? 'not-enough-stock' : 'none-found', data: { pieces, seconds: 0 } } }
  }
  const best = plans
    .map((boards) => done(exchange(boards, stocks, lengths, kerf, usable)))
    .reduce((a, b) => (b.claim.cost < a.claim.cost ? b : a))
  control.onBetter?.(best)
  return { ok: true, plan: best }
}

/** Every board on the cheapest stock that holds its pieces. */
function exchange(
  boards: Board[],
  stocks: Stock[],
  lengths: number[],
  kerf: number,
  usable: (s: Stock) => number,
): Board[] {
  const used = new Map<string, number>()
  return boards.map((b) => {
    const need = b.cuts.reduce((n, i) => n + lengths[i] + kerf, 0) - kerf
    const free = (s: Stock) => s.available === null || (used.get(s.id) ?? 0) < s.available
    const stock = stocks
      .filter((s) => usable(s) >= need && free(s))
      .reduce((a, s) => (s.price < a.price ? s : a), b.stock)
    used.set(stock.id, (used.get(stock.id) ?? 0) + 1)
    return { stock, cuts: b.cuts }
  })
}

function asPlan(
  instance: Cut1dInstance,
  parts: Cut1dInstance['parts'],
  boards: Board[],
  stocks: Stock[],
  kerf: number,
  trim: number,
): Cut1dPlan {
  const grouped = new Map<string, Cut1dPlan['boards'][number]>()
  for (const b of boards) {
    const cuts = b.cuts.map((i) => parts[i].id)
    const key = `${b.stock.id}|${cuts.join('|')}`
    const seen = grouped.get(key)
    if (seen) seen.count++
    else grouped.set(key, { stock: b.stock.id, count: 1, cuts })
  }
  const cost = boards.reduce((n, b) => n + b.stock.price, 0)
  const needed = parts.reduce((n, p) => n + p.qty * (p.length + kerf), 0)
  const cheapest = Math.min(...stocks.map((s) => s.price / (s.length - trim + kerf)))
  const lowerBound = needed === 0 || stocks.length === 0 ? 0 : Math.min(cost, Math.ceil(needed * cheapest - 1e-9))
  return {
    format: 'cut1d-plan',
    version: 1,
    instance: instance.name,
    boards: [...grouped.values()],
    claim: { cost, lowerBound, proved: cost === lowerBound },
  }
}
