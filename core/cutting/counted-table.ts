import {
  BEFORE_X,
  BEFORE_Y,
  cellsOf,
  CUT,
  laidOut,
  waysOf,
  type Filled,
  type Laid,
  type Places,
} from './guillotine-table.ts'

/** A kind of piece that is counted, and how many of it there may be on one sheet. */
export interface Counted {
  kind: number
  most: number
}
/**
 * The guillotine dynamic programme with some kinds of pieces counted: no filling holds more of them than is wanted. A
 * cell's state is the most of each that may be in it; a cut shares that between what lies on either side of it. What is
 * not counted may come as often as it likes (state space relaxation, Christofides and Hadjiconstantinou 1995; grown piece
 * by piece, Righini and Salani 2008).
 */
export class CountedTable {
  private readonly states: number
  /** Most of each counted kind in a state, and what one more of it adds to a state's number. */
  private readonly radix: number[]
  /** Which counted kinds go into a cell at all, a bit for each. */
  private readonly fits: Uint8Array
  private readonly f: Float64Array
  private readonly how: Int32Array
  private readonly before: Uint8Array
  /** By what fits into a cell: its states, and those of them that stand for all others. */
  private readonly own: number[][]
  private readonly standsFor: Uint8Array[]
  private readonly shares = new Map<number, Uint8Array[]>()

  constructor(
    private readonly places: Places,
    private readonly counted: readonly Counted[],
  ) {
    this.radix = []
    let states = 1
    for (const c of counted) {
      this.radix.push(states)
      states *= c.most + 1
    }
    this.states = states
    const cells = places.xs.length * places.ys.length
    this.f = new Float64Array(cells * states)
    this.how = new Int32Array(cells * states)
    this.before = new Uint8Array(cells * states)
    this.fits = this.whatFits()
    const sets = Array.from({ length: 1 << counted.length }, (_, mask) => mask)
    this.standsFor = sets.map((mask) => Uint8Array.from({ length: states }, (_, k) => this.only(k, mask)))
    this.own = this.standsFor.map((canon) => [...new Set(canon)].sort((a, b) => a - b))
  }

  private most(k: number, t: number): number {
    return Math.floor(k / this.radix[t]) % (this.counted[t].most + 1)
  }
  /** A state without the kinds that are not in a set. */
  private only(k: number, mask: number): number {
    return this.radix.reduce((n, r, t) => n + ((mask >> t) & 1) * r * this.most(k, t), 0)
  }
  private whatFits(): Uint8Array {
    const { xs, ys, parts } = this.places
    const S = ys.length
    const out = new Uint8Array(xs.length * S)
    this.counted.forEach(({ kind }, t) => {
      const p = parts[kind]
      for (let a = 0; a < xs.length; a++)
        for (let b = 0; b < S; b++)
          if ((p.w <= xs[a] && p.h <= ys[b]) || (p.rotate && p.h <= xs[a] && p.w <= ys[b])) out[a * S + b] |= 1 << t
    })
    return out
  }
  /** For each state of a cell, the states before a cut that leave the rest beyond it: what fits on one side only goes there. */
  private sharesOf(before: number, beyond: number): Uint8Array[] {
    const key = before * 256 + beyond
    const known = this.shares.get(key)
    if (known) return known
    const out = Array.from({ length: this.states }, (_, k) => {
      let list = [0]
      this.radix.forEach((r, t) => {
        const bit = 1 << t
        const m = this.most(k, t)
        if (!(before & bit)) return
        list =
          beyond & bit
            ? list.flatMap((s) => Array.from({ length: m + 1 }, (_, j) => s + j * r))
            : list.map((s) => s + m * r)
      })
      return Uint8Array.from(list)
    })
    this.shares.set(key, out)
    return out
  }

  /**
   * @param y price of one piece of each kind
   * @returns for each stock what its best filling is worth; null when it was stopped
   */
  price(y: ArrayLike<number>, shouldStop: () => boolean): number[] | null {
    const { f, how, states, places } = this
    f.fill(0)
    how.fill(0)
    const at = new Map(this.counted.map((c, t) => [c.kind, t]))
    places.parts.forEach((p, i) => {
      if (!(y[i] > 0)) return
      const t = at.get(i)
      for (const cell of cellsOf(places, p))
        for (let k = 0; k < states; k++)
          if ((t === undefined || this.most(k, t) > 0) && y[i] > f[cell * states + k]) {
            f[cell * states + k] = y[i]
            how[cell * states + k] = i + 1
          }
    })
    if (!this.fill(shouldStop)) return null
    return places.corner.map((cell) => f[cell * states + states - 1])
  }

  private fill(shouldStop: () => boolean): boolean {
    const { states, f, fits, standsFor, how, before } = this
    const { xs, ys, acrossX, acrossY } = this.places
    const [nx, S] = [xs.length, ys.length]
    // As in the table that counts nothing: a cut where what lies before it has not grown is not worth trying.
    const stepsX = new Int32Array(nx * S)
    const countX = new Int32Array(S)
    const stepsY = new Int32Array(S)
    for (let a = 1; a < nx; a++) {
      if (shouldStop()) return false
      let countY = 0
      for (let b = 1; b < S; b++) {
        const cell = a * S + b
        this.startFrom(cell)
        for (let k = b * nx, e = k + countX[b]; k < e && stepsX[k] < acrossX[a].length; k++) {
          const c = stepsX[k]
          this.cut(cell, c * S + b, acrossX[a][c] * S + b, CUT + c)
        }
        for (let k = 0; k < countY && stepsY[k] < acrossY[b].length; k++) {
          const c = stepsY[k]
          this.cut(cell, a * S + c, a * S + acrossY[b][c], -CUT - c)
        }
        const canon = standsFor[fits[cell]]
        let [grownX, grownY] = [false, false]
        for (let k = 0; k < states; k++) {
          const at = cell * states + k
          const from = cell * states + canon[k]
          f[at] = f[from]
          how[at] = how[from]
          before[at] = before[from]
          if (f[at] > f[at - states]) grownY = true
          if (f[at] > f[at - S * states]) grownX = true
        }
        if (grownY) stepsY[countY++] = b
        if (grownX) stepsX[b * nx + countX[b]++] = a
      }
    }
    return true
  }
  /** What a cell of the places before it holds already. */
  private startFrom(cell: number): void {
    const { f, how, states, fits, own } = this
    const S = this.places.ys.length
    for (const k of own[fits[cell]]) {
      const at = cell * states + k
      if (f[at - S * states] > f[at]) {
        f[at] = f[at - S * states]
        how[at] = BEFORE_X
      }
      if (f[at - states] > f[at]) {
        f[at] = f[at - states]
        how[at] = BEFORE_Y
      }
    }
  }
  private cut(cell: number, one: number, other: number, code: number): void {
    const { f, how, before, states, fits, own } = this
    const [o, p, q] = [cell * states, one * states, other * states]
    const all = f[p + states - 1] + f[q + states - 1]
    if (all <= f[o] + 1e-9) return
    const shares = this.sharesOf(fits[one], fits[other])
    for (const k of own[fits[cell]]) {
      if (all <= f[o + k] + 1e-9) continue
      for (const s of shares[k]) {
        const v = f[p + s] + f[q + k - s]
        if (v > f[o + k] + 1e-9) {
          f[o + k] = v
          how[o + k] = code
          before[o + k] = s
        }
      }
    }
  }

  /** The best filling of a stock. */
  laid(stock: number): Laid {
    return this.ways(stock, Infinity)[0]
  }
  /** Fillings of a stock worth more than said, each of another first cut; the best is first. */
  ways(stock: number, above: number): Laid[] {
    const { f, how, before, states, fits, standsFor, places } = this
    const all = states - 1
    const filled = (cell: number, k: number): Filled => {
      const canon = standsFor[fits[cell]][k]
      const at = cell * states + canon
      return { how: how[at], before: before[at], beyond: canon - before[at] }
    }
    const whole = (cut: Filled) => {
      const [p, q] = [cut.before * states, cut.beyond * states]
      let [worth, share] = [above, -1]
      for (const s of this.sharesOf(fits[cut.before], fits[cut.beyond])[all])
        if (f[p + s] + f[q + all - s] > worth) [worth, share] = [f[p + s] + f[q + all - s], s]
      return share < 0 ? null : { worth, filled: { how: cut.how, before: share, beyond: all - share } }
    }
    return waysOf(places, stock, whole).map((first) => laidOut(places, stock, all, filled, first))
  }
}
