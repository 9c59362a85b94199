/*
 * A linear program that grows by columns: least cost, rows Σ a·x ≥ or ≤ b, x ≥ 0. Revised simplex with a dense inverse
 * that is kept while columns are added, so that each round of pricing begins where the last one ended. Small: a few
 * hundred rows.
 */

export interface LpColumn {
  cost: number
  /** Row and value, rows in order. */
  rows: readonly number[]
  values: readonly number[]
}

function grown<T extends Int32Array | Float64Array | Uint8Array>(a: T): T {
  const b = new (a.constructor as new (n: number) => T)(2 * a.length)
  b.set(a)
  return b
}

/** Smaller than this is rounding. */
const TINY = 1e-9
const PIVOT = 1e-7
/** Steps without progress after which the smallest index is taken: that cannot circle. */
const STALL = 60
/** The inverse is worked out anew after this many steps. */
const REFRESH = 80
/** Steps over which prices may be carried. */
const TRUSTED = 16

export class ColumnLp {
  // Columns one after the other in flat arrays: the scans over them are all the work there is.
  private start = new Int32Array(1025)
  private row = new Int32Array(8192)
  private value = new Float64Array(8192)
  private costs = new Float64Array(1024)
  private basic = new Uint8Array(1024)
  /** How many columns there are. */
  size = 0
  private readonly m: number
  private b: Float64Array
  private readonly basis: Int32Array
  private inverse: Float64Array
  private x: Float64Array
  private readonly filled: Int32Array
  private steps = 0

  /**
   * @param rows right-hand sides, none below nought; `least` rows are ≥, the others ≤
   * @param big cost of leaving a `least` row unfilled: far above any real one
   */
  constructor(
    rows: { b: number; least: boolean }[],
    private readonly big: number,
  ) {
    this.m = rows.length
    this.b = Float64Array.from(rows.map((r) => r.b))
    this.basis = new Int32Array(this.m)
    this.inverse = new Float64Array(this.m * this.m)
    this.filled = new Int32Array(this.m)
    this.x = Float64Array.from(this.b)
    rows.forEach((r, i) => {
      const unit = (cost: number, v: number) => this.add({ cost, rows: [i], values: [v] })
      // What is short of a ≥ row is bought at the big price; what is over it costs nothing. A ≤ row has its slack.
      const start = unit(r.least ? this.big : 0, 1)
      if (r.least) unit(0, -1)
      this.basis[i] = start
      this.basic[start] = 1
      this.inverse[i * this.m + i] = 1
    })
  }

  add(c: LpColumn): number {
    const j = this.size++
    if (j + 1 >= this.costs.length) {
      this.costs = grown(this.costs)
      this.start = grown(this.start)
      this.basic = grown(this.basic)
    }
    let at = this.start[j]
    while (at + c.rows.length > this.row.length) {
      this.row = grown(this.row)
      this.value = grown(this.value)
    }
    for (let k = 0; k < c.rows.length; k++, at++) {
      this.row[at] = c.rows[k]
      this.value[at] = c.values[k]
    }
    this.start[j + 1] = at
    this.costs[j] = c.cost
    return j
  }
  costOf(column: number): number {
    return this.costs[column]
  }

  /** Values of the variables that are not nought. */
  solution(): [column: number, value: number][] {
    return Array.from(this.basis, (c, i): [number, number] => [c, this.x[i]]).filter(([, v]) => v > TINY)
  }
  get objective(): number {
    let z = 0
    for (let i = 0; i < this.m; i++) z += this.costs[this.basis[i]] * this.x[i]
    return z
  }

  /** Prices of the rows at the present basis. */
  duals(): Float64Array {
    const { m } = this
    const y = new Float64Array(m)
    for (let i = 0; i < m; i++) {
      const c = this.costs[this.basis[i]]
      if (c !== 0) for (let k = 0; k < m; k++) y[k] += c * this.inverse[i * m + k]
    }
    return y
  }

  private reduced(j: number, y: Float64Array): number {
    let r = this.costs[j]
    for (let k = this.start[j], e = this.start[j + 1]; k < e; k++) r -= y[this.row[k]] * this.value[k]
    return r
  }

  /**
   * The same program with other right-hand sides: from the last optimum by dual steps, which are few where little
   * changed.
   * @returns false when it had to be given up
   */
  restart(b: readonly number[], shouldStop: () => boolean = () => false): boolean {
    const { m } = this
    this.b = Float64Array.from(b)
    for (let i = 0; i < m; i++) {
      let v = 0
      for (let k = 0; k < m; k++) v += this.inverse[i * m + k] * this.b[k]
      this.x[i] = v
    }
    // Reduced costs and the row of the pivot for every column: the costs are carried from step to step, and made anew
    // with the inverse.
    const { size, start, row, value, inverse, basic } = this
    const red = new Float64Array(size)
    const alphas = new Float64Array(size)
    let fresh = false
    for (let round = 0; round < 8 * m + 100; round++) {
      if (round % 64 === 63 && shouldStop()) return false
      let leave = -1
      let lowest = -1e-8
      for (let i = 0; i < m; i++) if (this.x[i] < lowest) [leave, lowest] = [i, this.x[i]]
      if (leave < 0) return this.solve(shouldStop)
      if (!fresh) {
        const y = this.duals()
        for (let j = 0; j < size; j++) red[j] = basic[j] ? 0 : this.reduced(j, y)
        fresh = true
      }
      let enter = -1
      let least = Infinity
      let pivotAt = 0
      const line = inverse.subarray(leave * m, leave * m + m)
      for (let j = 0; j < size; j++) {
        let alpha = 0
        if (!basic[j]) for (let k = start[j], e = start[j + 1]; k < e; k++) alpha += line[row[k]] * value[k]
        alphas[j] = alpha
        if (alpha >= -PIVOT) continue
        const t = (red[j] > 0 ? red[j] : 0) / -alpha
        if (t < least - TINY || (t < least + TINY && alpha < pivotAt)) {
          least = t
          enter = j
          pivotAt = alpha
        }
      }
      if (enter < 0) return false
      const out = this.basis[leave]
      const shift = red[enter] / pivotAt
      for (let j = 0; j < size; j++) if (alphas[j] !== 0) red[j] -= shift * alphas[j]
      red[enter] = 0
      red[out] = -shift
      const d = this.direction(enter)
      this.pivot(enter, leave, d, this.x[leave] / d[leave])
      if (++this.steps % REFRESH === 0) {
        if (!this.refresh()) return false
        fresh = false
      }
    }
    return false
  }

  /**
   * Goes on to the optimum over the columns there are. @returns false when it had to be given up (numbers gone bad, or
   * told to stop)
   */
  solve(shouldStop: () => boolean = () => false): boolean {
    let stall = 0
    let y = this.duals()
    let carried = 0
    for (let round = 0; round < 50_000; round++) {
      if (round % 64 === 63 && shouldStop()) return false
      let enter = -1
      let best = -TINY * 10
      for (let j = 0; j < this.size; j++) {
        if (this.basic[j]) continue
        const r = this.reduced(j, y)
        if (r < best) {
          enter = j
          best = r
          if (stall > STALL) break
        }
      }
      if (enter < 0) {
        if (carried < TRUSTED) return true
        // Prices were carried over many steps: the last word has those made anew.
        y = this.duals()
        carried = 0
        continue
      }
      const d = this.direction(enter)
      let leave = -1
      let step = Infinity
      for (let i = 0; i < this.m; i++) {
        if (d[i] <= PIVOT) continue
        const t = Math.max(0, this.x[i]) / d[i]
        if (
          t < step - TINY ||
          (t < step + TINY && leave >= 0 && (stall > STALL ? this.basis[i] < this.basis[leave] : d[i] > d[leave]))
        ) {
          step = t
          leave = i
        }
      }
      if (leave < 0) return false
      stall = step > TINY ? 0 : stall + 1
      this.pivot(enter, leave, d, step)
      if (++this.steps % REFRESH !== 0) {
        this.carry(y, best, leave)
        carried++
      } else if (this.refresh()) {
        y = this.duals()
        carried = 0
      } else return false
    }
    return false
  }

  /** Prices after a step: what enters has no reduced cost any more. */
  private carry(y: Float64Array, reduced: number, leave: number) {
    const { m, inverse } = this
    for (let k = 0, at = leave * m; k < m; k++, at++) y[k] += reduced * inverse[at]
  }

  private direction(j: number): Float64Array {
    const { m } = this
    const d = new Float64Array(m)
    for (let k = this.start[j], e = this.start[j + 1]; k < e; k++) {
      const r = this.row[k]
      const v = this.value[k]
      for (let i = 0; i < m; i++) d[i] += this.inverse[i * m + r] * v
    }
    return d
  }

  private pivot(enter: number, leave: number, d: Float64Array, step: number) {
    const { m, inverse } = this
    for (let i = 0; i < m; i++) this.x[i] -= step * d[i]
    this.x[leave] = step
    const by = 1 / d[leave]
    const row = leave * m
    // Most of a row are noughts.
    const { filled } = this
    let n = 0
    for (let k = 0; k < m; k++)
      if (inverse[row + k] !== 0) {
        inverse[row + k] *= by
        filled[n++] = k
      }
    for (let i = 0; i < m; i++) {
      if (i === leave || d[i] === 0) continue
      const f = d[i]
      const at = i * m
      for (let k = 0; k < n; k++) inverse[at + filled[k]] -= f * inverse[row + filled[k]]
    }
    this.basic[this.basis[leave]] = 0
    this.basic[enter] = 1
    this.basis[leave] = enter
  }

  /** The inverse and the solution from scratch, against the drift of rounding. */
  private refresh(): boolean {
    const { m } = this
    const a = Array.from({ length: m }, () => new Float64Array(2 * m))
    for (let i = 0; i < m; i++) a[i][m + i] = 1
    for (let j = 0; j < m; j++) {
      const c = this.basis[j]
      for (let k = this.start[c]; k < this.start[c + 1]; k++) a[this.row[k]][j] = this.value[k]
    }
    const order = new Int32Array(m)
    for (let j = 0; j < m; j++) {
      let p = j
      for (let i = j + 1; i < m; i++) if (Math.abs(a[i][j]) > Math.abs(a[p][j])) p = i
      if (Math.abs(a[p][j]) < 1e-11) return false
      ;[a[j], a[p]] = [a[p], a[j]]
      order[j] = p
      const row = a[j]
      const by = 1 / row[j]
      for (let k = j; k < 2 * m; k++) row[k] *= by
      for (let i = 0; i < m; i++) {
        if (i === j || a[i][j] === 0) continue
        const f = a[i][j]
        const other = a[i]
        for (let k = j; k < 2 * m; k++) if (row[k] !== 0) other[k] -= f * row[k]
      }
    }
    for (let i = 0; i < m; i++) for (let k = 0; k < m; k++) this.inverse[i * m + k] = a[i][m + k]
    for (let i = 0; i < m; i++) {
      let v = 0
      for (let k = 0; k < m; k++) v += this.inverse[i * m + k] * this.b[k]
      this.x[i] = v
    }
    return true
  }
}
