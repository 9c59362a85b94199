import { Attainable, gcd, wholeAbove } from './attainable.ts'
import { planBoardsGreedy } from './boards-greedy.ts'
import { isOverdue, type Cut1dInstance, type Cut1dPlan, type CutControl, type CutResult } from './format.ts'
import type { SolveInteger } from './integer.ts'
import { fillBest } from './knapsack.ts'
import { ColumnLp, type LpColumn } from './simplex.ts'
import { anyPlan } from './with-spare.ts'

/*
 * Boards cut at least cost, with proof. Gilmore and Gomory's columns (one for each way to cut a board) priced by a
 * bounded knapsack; branching on how many of each stock are bought (aggregate branching, Vanderbeck), which only moves
 * limits of rows and leaves the pricing as it is; at a whole purchase an integer program over the columns found.
 */

interface Item {
  size: number
  qty: number
  ids: string[]
}
interface Stock {
  id: string
  capacity: number
  price: number
  most: number
}
interface Pattern {
  stock: number
  counts: Int32Array
}

/** A purchase this near to a whole number is one. */
const WHOLE = 1e-6
/** Seconds an integer program may take at a node, and at the root. */
const NODE_SECONDS = 0.8
const ROOT_SECONDS = 0.3
/** Columns enumerated below a gap before it is called too many. */
const MOST_COLUMNS = 6000
const MOST_STEPS = 400_000
/** How many times longer a node that was put off may be given. */
const MOST_PATIENCE = 64
/**
 * Linear programs a dive may solve at the root and at a node, nodes at which one dives, and boards tried at each step
 * of a dive.
 */
const ROOT_DIVE = 60
const NODE_DIVE = 60
const DIVES = 4
const BREADTH = 2
/** Choices on one way down a dive that are not the nearest, at most. */
const MOST_TURNS = 12
const LAST_DIVE = 5000
/** Fillings of one stock a pricing gives at most. */
const MOST_AT_ONCE = 12
/** Nodes looked at before the gap is left open. */
const MOST_NODES = 20_000

export function planBoardsExact(
  instance: Cut1dInstance,
  solveInteger: SolveInteger | null,
  control: CutControl<Cut1dPlan> = {},
): CutResult<Cut1dPlan> {
  const quick = planBoardsGreedy(instance, control)
  const first =
    quick.ok || quick.why.code !== 'none-found' || isOverdue(control)
      ? quick
      : anyBoards(instance, solveInteger, control)
  if (!first.ok || first.plan.claim.proved) return first
  const stop = () => control.shouldStop?.() ?? false
  const search = new BoardSearch(instance, first.plan, solveInteger, stop, control.onBetter)
  return { ok: true, plan: search.run() }
}

/** A plan from limited stock where the quick rule finds none: as few further boards of the longest kind as possible. */
function anyBoards(
  instance: Cut1dInstance,
  solveInteger: SolveInteger | null,
  control: CutControl<Cut1dPlan>,
): CutResult<Cut1dPlan> {
  const longest = instance.stock.reduce((a, s) => (s.available !== 0 && s.length > a.length ? s : a), {
    ...instance.stock[0],
    length: 0,
  })
  return anyPlan<Cut1dInstance['stock'][number], Cut1dInstance, Cut1dPlan>(
    instance,
    [longest],
    (p) => p.boards,
    (i, c) => planBoardsExact(i, solveInteger, c),
    control,
  )
}

/** Nearness of a number to the next whole one above. */
const part = (v: number): number => v - Math.floor(v)

interface Node {
  least: number[]
  most: number[]
  bound: number
}
interface Solved {
  bound: number
  bought: number[]
  whole: boolean
  patterns: [Pattern, number][]
  duals: Float64Array
}

class BoardSearch {
  private readonly items: Item[]
  private readonly stocks: Stock[]
  private readonly pool: Pattern[] = []
  private readonly known = new Set<string>()
  private readonly attainable: Attainable
  private best: Cut1dPlan
  /** How many times the usual work a node may take: more once only hard ones are left. */
  private patience = 1
  private lower: number

  constructor(
    instance: Cut1dInstance,
    first: Cut1dPlan,
    private readonly solveInteger: SolveInteger | null,
    private readonly stop: () => boolean,
    private readonly onBetter?: (p: Cut1dPlan) => void,
  ) {
    const { kerf, trimStart, trimEnd } = instance
    const bySize = new Map<number, Item>()
    for (const p of instance.parts) {
      const item = bySize.get(p.length) ?? { size: p.length + kerf, qty: 0, ids: [] }
      bySize.set(p.length, item)
      item.qty += p.qty
      for (let i = 0; i < p.qty; i++) item.ids.push(p.id)
    }
    const items = [...bySize.values()].sort((a, b) => b.size - a.size)
    const stocks = instance.stock
      .filter((s) => s.length > trimStart + trimEnd && s.available !== 0)
      .map((s): Stock => ({
        id: s.id,
        capacity: s.length - trimStart - trimEnd + kerf,
        price: s.price,
        most: s.available ?? Infinity,
      }))
    // One common divisor keeps numbers small; what does not divide is rounded so that nothing fits that did not fit.
    const g = items.reduce((a, i) => gcd(a, i.size), 0) || 1
    this.items = items.map((i) => ({ ...i, size: i.size / g }))
    this.stocks = stocks.map((s) => ({ ...s, capacity: Math.floor(s.capacity / g) }))
    this.best = first
    this.attainable = new Attainable(
      this.stocks.map((s) => s.price),
      first.claim.cost,
    )
    this.lower = first.claim.lowerBound
    const total = items.reduce((n, i) => n + i.qty, 0)
    for (const s of this.stocks) if (s.most === Infinity) s.most = total
    this.takeIn(first)
  }

  private takeIn(plan: Cut1dPlan) {
    const itemOf = new Map(this.items.flatMap((it, i) => it.ids.map((id) => [id, i] as const)))
    for (const b of plan.boards) {
      const counts = new Int32Array(this.items.length)
      for (const id of b.cuts) counts[itemOf.get(id)!]++
      this.addPattern({ stock: this.stocks.findIndex((s) => s.id === b.stock), counts })
    }
  }
  private addPattern(p: Pattern): boolean {
    const key = `${p.stock}:${p.counts.join()}`
    if (this.known.has(key)) return false
    this.known.add(key)
    this.pool.push(p)
    return true
  }

  run(): Cut1dPlan {
    const { stocks } = this
    const open: Node[] = [{ least: stocks.map(() => 0), most: stocks.map((s) => s.most), bound: this.lower }]
    let nodes = 0
    let complete = true
    // Whole purchases that could not be finished: put off until nothing else is open, then given longer.
    let later: Node[] = []
    while (open.length > 0 || later.length > 0) {
      if (this.stop() || nodes >= MOST_NODES) {
        complete = false
        break
      }
      if (open.length === 0) {
        if (this.patience >= MOST_PATIENCE) {
          complete = false
          break
        }
        this.patience *= 4
        open.push(...later)
        later = []
      }
      open.sort((a, b) => b.bound - a.bound)
      const node = open.pop()!
      if (node.bound >= this.best.claim.cost) continue
      const solved = this.relax(node)
      nodes++
      if (solved === 'stopped') {
        open.push(node)
        complete = false
        break
      }
      if (solved === null) continue
      const bound = this.attainable.from(solved.bound, this.best.claim.cost)
      if (nodes === 1) {
        this.lower = Math.max(this.lower, Math.min(bound, this.best.claim.cost))
      }
      if (bound < this.best.claim.cost)
        this.dive(node, solved, nodes === 1 ? ROOT_DIVE + this.items.length : nodes <= DIVES ? NODE_DIVE : 0, bound)
      if (nodes === 1 && this.best.claim.cost > bound) this.wholeOver(this.pool, node, ROOT_SECONDS)
      if (bound >= this.best.claim.cost) continue
      const split = this.mostBroken(solved.bought)
      if (split < 0) {
        if (!this.finish(node, solved, bound)) later.push({ ...node, bound })
        continue
      }
      const at = solved.bought[split]
      open.push({ least: node.least, most: node.most.map((m, i) => (i === split ? Math.floor(at + WHOLE) : m)), bound })
      open.push({ least: node.least.map((l, i) => (i === split ? Math.ceil(at - WHOLE) : l)), most: node.most, bound })
      this.lower = Math.max(this.lower, Math.min(this.best.claim.cost, ...[...open, ...later].map((n) => n.bound)))
    }
    const { cost } = this.best.claim
    open.push(...later)
    const lower = complete ? cost : Math.min(cost, Math.max(this.lower, Math.min(...open.map((n) => n.bound), cost)))
    this.best = { ...this.best, claim: { cost, lowerBound: lower, proved: lower >= cost } }
    return this.best
  }

  private mostBroken(bought: readonly number[]): number {
    let at = -1
    let worst = WHOLE
    bought.forEach((v, i) => {
      const off = Math.abs(v - Math.round(v)) * (1 + this.stocks[i].price / 1e6)
      if (off > worst) [at, worst] = [i, off]
    })
    return at
  }

  private columnOf(p: Pattern): LpColumn {
    const rows: number[] = []
    const values: number[] = []
    p.counts.forEach((c, i) => {
      if (c > 0) {
        rows.push(i)
        values.push(c)
      }
    })
    const n = this.items.length
    rows.push(n + 2 * p.stock, n + 2 * p.stock + 1)
    values.push(1, 1)
    return { cost: this.stocks[p.stock].price, rows, values }
  }

  private lp: ColumnLp | null = null
  private readonly patternOf = new Map<number, Pattern>()
  private inLp = 0

  /** The one linear program of the search, with all patterns known by now. */
  private program(b: readonly number[]): { lp: ColumnLp; fresh: boolean } {
    const fresh = this.lp === null
    if (!this.lp) {
      const big = 100 * (1 + Math.max(...this.stocks.map((s) => s.price)))
      this.lp = new ColumnLp(
        b.map((v, i) => ({ b: v, least: i < this.items.length || (i - this.items.length) % 2 === 1 })),
        big,
      )
      this.inLp = 0
      this.patternOf.clear()
    }
    for (; this.inLp < this.pool.length; this.inLp++)
      this.patternOf.set(this.lp.add(this.columnOf(this.pool[this.inLp])), this.pool[this.inLp])
    return { lp: this.lp, fresh }
  }

  /**
   * The linear program of a node with all columns that could matter. Only right-hand sides change from node to node, so
   * it goes on from the last one. Null: nothing fits these limits.
   */
  private relax(node: Node, qty: readonly number[] = this.items.map((i) => i.qty)): Solved | null | 'stopped' {
    const { items, stocks } = this
    const n = items.length
    const b = [...qty, ...stocks.flatMap((_, s) => [node.most[s], node.least[s]])]
    const sizes = items.map((i) => i.size)
    const { lp, fresh } = this.program(b)
    let good = fresh ? lp.solve(this.stop) : lp.restart(b, this.stop)
    for (let round = 0; round < 3000; round++) {
      if (!good) {
        // Numbers gone bad, or told to stop: the next node begins anew.
        this.lp = null
        if (this.stop() || round > 0) return 'stopped'
        good = this.program(b).lp.solve(this.stop)
        if (!good) return 'stopped'
        continue
      }
      const now = this.lp!
      const y = now.duals()
      let added = 0
      let sure = true
      for (let s = 0; s < stocks.length; s++) {
        if (node.most[s] === 0) continue
        const left = [...qty]
        for (let k = 0; k < MOST_AT_ONCE; k++) {
          const f = fillBest(sizes, y, left, stocks[s].capacity)
          if (k === 0) sure &&= f.exact
          const reduced = stocks[s].price - f.value - y[n + 2 * s] - y[n + 2 * s + 1]
          if (reduced >= -1e-7) break
          if (this.addPattern({ stock: s, counts: f.counts })) added++
          // The next one of other pieces: such boards stand beside each other in a plan.
          f.counts.forEach((c, i) => (left[i] -= c > 0 ? left[i] : 0))
        }
      }
      if (this.stop()) return 'stopped'
      if (added > 0) {
        this.program(b)
        good = now.solve(this.stop)
        continue
      }
      const bought = stocks.map(() => 0)
      const patterns: [Pattern, number][] = []
      let short = 0
      for (const [c, v] of now.solution()) {
        const p = this.patternOf.get(c)
        if (p) {
          bought[p.stock] += v
          patterns.push([p, v])
        } else if (now.costOf(c) > 0) short += v
      }
      // Something is still bought at the big price: these limits leave a piece without a board.
      if (short > 1e-6) return null
      // A pricing that was given up may have missed a board: then this node says no more than its parent did.
      return {
        bound: sure ? now.objective : node.bound,
        bought,
        whole: this.mostBroken(bought) < 0,
        patterns,
        duals: y,
      }
    }
    return 'stopped'
  }

  /**
   * Dives from a linear solution: takes the boards that are whole in it, or the one nearest to it, and solves and
   * prices what is left anew, until nothing is left. Where what is left can no longer come out cheaper than the best,
   * it goes back and takes the next board instead, seldom first and then oftener on one way (limited discrepancy search,
   * Harvey and Ginsberg 1995); `tries` bounds the linear programs that may be solved.
   */
  private dive(node: Node, first: Solved, tries: number, target: number) {
    let left = tries
    let isCut = true
    const go = (
      qty: readonly number[],
      limits: Node,
      boards: readonly Pattern[],
      spent: number,
      s: Solved,
      turns: number,
    ): boolean => {
      const options = [...s.patterns].sort((a, b) => part(b[1]) - part(a[1]) || b[1] - a[1])
      const whole = s.patterns.filter(([, v]) => v >= 1 - WHOLE)
      const choices: [Pattern, number][][] =
        whole.length > 0
          ? [whole, ...options.slice(0, BREADTH - 1).map((o) => [o])]
          : options.slice(0, BREADTH).map((o) => [o])
      for (const [nth, choice] of choices.entries()) {
        if (nth > turns) {
          isCut = true
          break
        }
        const rest = [...qty]
        const next: Node = { least: [...limits.least], most: [...limits.most], bound: 0 }
        const taken = [...boards]
        let cost = spent
        for (const [p, v] of choice)
          for (let k = 0; k < Math.max(1, Math.floor(v + WHOLE)) && next.most[p.stock] > 0; k++) {
            const counts = p.counts.map((c, i) => Math.min(c, rest[i]))
            if (counts.every((c) => c === 0)) break
            counts.forEach((c, i) => (rest[i] -= c))
            next.most[p.stock]--
            next.least[p.stock] = Math.max(0, next.least[p.stock] - 1)
            cost += this.stocks[p.stock].price
            taken.push({ stock: p.stock, counts })
          }
        if (taken.length === boards.length) continue
        if (rest.every((n) => n === 0)) {
          this.offer(taken)
          return this.best.claim.cost <= target
        }
        if (left-- <= 0 || this.stop()) return true
        const deeper = this.relax(next, rest)
        if (deeper === 'stopped') return true
        if (deeper === null || cost + wholeAbove(deeper.bound) >= this.best.claim.cost) continue
        if (go(rest, next, taken, cost, deeper, turns - nth)) return true
      }
      return false
    }
    const qty = this.items.map((i) => i.qty)
    // Once more with one choice more that is not the nearest, as long as that leads anywhere new.
    for (let turns = 0; turns <= MOST_TURNS && left > 0 && isCut; turns++) {
      isCut = false
      if (go(qty, node, [], 0, first, turns)) return
    }
  }

  /**
   * The best whole plan over some columns within a node's limits. @returns true when that is known to be the best over
   * those columns
   */
  private wholeOver(columns: readonly Pattern[], node: Node, seconds: number): boolean {
    if (!this.solveInteger || columns.length === 0) return false
    const answer = this.solveInteger(
      {
        cost: columns.map((p) => this.stocks[p.stock].price),
        upper: columns.map((p) =>
          Math.min(
            node.most[p.stock],
            Math.max(...Array.from(p.counts, (c, i) => (c > 0 ? Math.ceil(this.items[i].qty / c) : 0))),
          ),
        ),
        rows: [
          ...this.items.map((it, i) => ({
            terms: columns.flatMap((p, c): [number, number][] => (p.counts[i] > 0 ? [[c, p.counts[i]]] : [])),
            least: it.qty,
            most: null,
          })),
          ...this.stocks.map((_, s) => ({
            terms: columns.flatMap((p, c): [number, number][] => (p.stock === s ? [[c, 1]] : [])),
            least: node.least[s] > 0 ? node.least[s] : null,
            most: node.most[s],
          })),
          {
            terms: columns.map((p, c): [number, number] => [c, this.stocks[p.stock].price]),
            least: null,
            most: this.best.claim.cost - 1,
          },
        ],
      },
      seconds,
    )
    if (answer === 'infeasible') return true
    if (!answer) return false
    this.offer(columns.flatMap((p, c) => Array.from({ length: Math.round(answer.values[c]) }, () => p)))
    return answer.optimal
  }

  /**
   * A node whose purchase is whole: columns whose reduced cost is below the gap are enough to be sure. @returns false
   * when it stays open
   */
  private finish(node: Node, s: Solved, bound: number): boolean {
    if (this.wholeOver(this.pool, node, NODE_SECONDS * this.patience) && this.best.claim.cost <= bound) return true
    if (this.best.claim.cost <= bound) return true
    if (this.stop()) return false
    const all = this.enumerate(s, this.best.claim.cost - s.bound, node)
    if (all && this.wholeOver(all, node, 4 * NODE_SECONDS * this.patience)) return true
    // Too many to list: dive for as long as there is time.
    this.dive(node, s, LAST_DIVE * this.patience, bound)
    return this.best.claim.cost <= bound
  }

  /** Every maximal way to cut a board whose reduced cost is less than the gap; null when there are too many. */
  private enumerate(s: Solved, gap: number, node: Node): Pattern[] | null {
    const { items, stocks } = this
    const n = items.length
    const out: Pattern[] = []
    const order = items.map((_, i) => i).sort((a, b) => s.duals[b] / items[b].size - s.duals[a] / items[a].size)
    for (let k = 0; k < stocks.length; k++) {
      if (node.most[k] === 0) continue
      const need = stocks[k].price - s.duals[n + 2 * k] - s.duals[n + 2 * k + 1] - gap + 1e-6
      const counts = new Int32Array(n)
      let steps = 0
      const bound = (at: number, room: number) => {
        let b = 0
        for (let j = at; j < n && room > 0; j++) {
          const i = order[j]
          const take = Math.min(room, items[i].qty * items[i].size)
          b += (take / items[i].size) * Math.max(0, s.duals[i])
          room -= take
        }
        return b
      }
      const go = (at: number, room: number, value: number): boolean => {
        if (++steps > MOST_STEPS * this.patience || out.length > MOST_COLUMNS * this.patience) return false
        if (value + bound(at, room) < need) return true
        if (at === n) {
          // Only boards on which nothing more fits: fuller ones do the same and more.
          if (items.some((it, i) => it.size <= room && counts[i] < it.qty)) return true
          out.push({ stock: k, counts: counts.slice() })
          return true
        }
        const i = order[at]
        for (let c = Math.min(items[i].qty, Math.floor(room / items[i].size)); c >= 0; c--) {
          counts[i] = c
          if (!go(at + 1, room - c * items[i].size, value + c * Math.max(0, s.duals[i]))) return false
        }
        counts[i] = 0
        return true
      }
      if (!go(0, stocks[k].capacity, 0)) return null
    }
    return out
  }

  /**
   * A whole set of boards: surplus pieces dropped, each on the cheapest stock that is free; kept when it costs less.
   */
  private offer(boards: readonly Pattern[]) {
    const left = this.items.map((i) => i.qty)
    const kept = boards
      .map((b) => ({
        stock: b.stock,
        counts: b.counts.map((c, i) => {
          const take = Math.min(c, left[i])
          left[i] -= take
          return take
        }),
      }))
      .filter((b) => b.counts.some((c) => c > 0))
    if (left.some((n) => n > 0)) return
    const cost = kept.reduce((n, b) => n + this.stocks[b.stock].price, 0)
    if (cost >= this.best.claim.cost) return
    const ids = this.items.map((i) => [...i.ids])
    const grouped = new Map<string, Cut1dPlan['boards'][number]>()
    for (const b of kept) {
      const cuts = Array.from(b.counts).flatMap((c, i) => ids[i].splice(0, c))
      const key = `${b.stock}|${cuts.join('|')}`
      const seen = grouped.get(key)
      if (seen) seen.count++
      else grouped.set(key, { stock: this.stocks[b.stock].id, count: 1, cuts })
    }
    this.best = {
      ...this.best,
      boards: [...grouped.values()],
      claim: { cost, lowerBound: Math.min(cost, this.lower), proved: false },
    }
    this.onBetter?.(this.best)
  }
}
