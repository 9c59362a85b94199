import type { Cut2dInstance } from './format.ts'
import { lastPlace, normalPlaces } from './normal-places.ts'
import type { PlacedKind } from './sheet-filler.ts'

/**
 * Cells of the longest side that are tried, the finest that is not too much work is taken; Infinity is every unit by
 * itself.
 */
const CELLS = [Infinity, 6000, 3000, 1500, 1000, 700, 500, 380, 300, 240, 190, 150]
/** A table of places longer than this is not made. */
const LONGEST = 60_000

interface Sized {
  w: number
  h: number
}
/** Where pieces can begin on the sheets of an instance, in cells; a cell of a table is a pair of places. */
export interface Places {
  parts: (Sized & { rotate: boolean })[]
  xs: Int32Array
  ys: Int32Array
  /** For each place as far as half way, which place is left beyond a cut there. */
  acrossX: Int32Array[]
  acrossY: Int32Array[]
  /** The last place not beyond a length. */
  lastX: Int32Array
  lastY: Int32Array
  /** Cell of each whole sheet. */
  corner: number[]
  /** True sizes, kerf added. */
  real: { parts: Sized[]; stocks: Sized[] }
}
/** The pieces cut from a stock, and whether they fit it at their true sizes. */
export interface Laid {
  pieces: PlacedKind[]
  real: boolean
}
/** The finest places whose table takes no more work than said; null where pieces would vanish in a cell. */
export function placesFor(
  instance: Cut2dInstance,
  stocks: readonly { w: number; h: number }[],
  work: number,
): Places | null {
  const { kerf, trim } = instance
  const longest = Math.max(...stocks.map((s) => Math.max(s.w, s.h) - 2 * trim + kerf))
  for (const cells of CELLS) {
    const grid = cells === Infinity ? 1 : Math.ceil(longest / cells)
    if (longest / grid > LONGEST) continue
    const cell = (v: number) => Math.floor(v / grid)
    const parts = instance.parts.map((p) => ({
      w: cell(p.w + kerf),
      h: cell(p.h + kerf),
      qty: p.qty,
      rotate: p.rotate,
    }))
    if (parts.some((p) => p.w < 1 || p.h < 1)) return null
    const [ws, hs] = [stocks.map((s) => cell(s.w - 2 * trim + kerf)), stocks.map((s) => cell(s.h - 2 * trim + kerf))]
    // What may be turned begins anywhere either of its sides puts it.
    const sums = (side: 'w' | 'h', other: 'w' | 'h', most: number[]) =>
      normalPlaces(
        parts.flatMap((p) => (p.rotate ? [side, other] : [side]).map((k) => ({ size: p[k], times: p.qty }))),
        Math.max(...most),
      )
    const [xs, ys] = [sums('w', 'h', ws), sums('h', 'w', hs)]
    if ((xs.length * ys.length * (xs.length + ys.length)) / 4 <= work || cells === CELLS[CELLS.length - 1])
      return placesOf(parts, xs, ys, ws, hs, {
        parts: instance.parts.map((p) => ({ w: p.w + kerf, h: p.h + kerf })),
        stocks: stocks.map((s) => ({ w: s.w - 2 * trim + kerf, h: s.h - 2 * trim + kerf })),
      })
  }
  return null
}

/** For each place, which place is left beyond a cut at another. */
function partners(places: Int32Array): Int32Array[] {
  const last = lastPlace(places, places[places.length - 1])
  return Array.from(places, (p) => {
    let e = 0
    while (e < places.length && 2 * places[e] <= p) e++
    const out = new Int32Array(e)
    for (let j = 1; j < e; j++) out[j] = last[p - places[j]]
    return out
  })
}

function placesOf(
  parts: Places['parts'],
  xs: Int32Array,
  ys: Int32Array,
  ws: number[],
  hs: number[],
  real: Places['real'],
): Places {
  const [lastX, lastY] = [lastPlace(xs, Math.max(...ws)), lastPlace(ys, Math.max(...hs))]
  const corner = ws.map((w, k) => lastX[w] * ys.length + lastY[hs[k]])
  return { parts, xs, ys, acrossX: partners(xs), acrossY: partners(ys), lastX, lastY, corner, real }
}

/** The cells where a piece fits exactly, lying as it may. */
export function cellsOf({ xs, ys, lastX, lastY }: Places, p: Places['parts'][number]): number[] {
  const ways = p.rotate
    ? [
        [p.w, p.h],
        [p.h, p.w],
      ]
    : [[p.w, p.h]]
  return ways.flatMap(([w, h]) => {
    if (w >= lastX.length || h >= lastY.length) return []
    // Sums of pieces wanted once may not list a size itself when it is longer than any stock: then it fits nowhere.
    return xs[lastX[w]] === w && ys[lastY[h]] === h ? [lastX[w] * ys.length + lastY[h]] : []
  })
}

/**
 * How a cell is filled best: 0 nothing, i + 1 a piece, BEFORE_X and BEFORE_Y as the place before, CUT + c and −CUT − c a
 * cut at place c along x or y.
 */
export const BEFORE_X = -1
export const BEFORE_Y = -2
export const CUT = 1 << 20

/** A cell and what may go in it: a state of a table that counts pieces, nought in one that does not. */
export interface Filled {
  how: number
  /** States of what lies before the cut and beyond it. */
  before: number
  beyond: number
}

/**
 * The pieces of a stock at their true sizes, by how each cell of a table is filled.
 * @param first how the whole sheet is cut first, where not as is best
 */
export function laidOut(
  places: Places,
  stock: number,
  state: number,
  filled: (cell: number, state: number) => Filled,
  first?: Filled,
): Laid {
  const { xs, ys, acrossX, acrossY, real, parts } = places
  const S = ys.length
  const pieces: PlacedKind[] = []
  // Places each part of the tree from a corner on. @returns how far it reaches
  const go = (at: number, k: number, x: number, y: number, begun?: Filled): [number, number] => {
    let [a, b] = [Math.floor(at / S), at % S]
    let own = begun ?? filled(at, k)
    let { how } = own
    while (how === BEFORE_X || how === BEFORE_Y) {
      if (how === BEFORE_X) a--
      else b--
      own = filled(a * S + b, k)
      how = own.how
    }
    if (a === 0 || b === 0 || how === 0) return [x, y]
    if (how >= CUT) {
      const left = go((how - CUT) * S + b, own.before, x, y)
      const right = go(acrossX[a][how - CUT] * S + b, own.beyond, left[0], y)
      return [right[0], Math.max(left[1], right[1])]
    }
    if (how <= -CUT) {
      const low = go(a * S + (-how - CUT), own.before, x, y)
      const high = go(a * S + acrossY[b][-how - CUT], own.beyond, x, low[1])
      return [Math.max(low[0], high[0]), high[1]]
    }
    const kind = how - 1
    // Which way it lies: as it is when it fits the place so.
    const turned = !(parts[kind].w <= xs[a] && parts[kind].h <= ys[b])
    pieces.push({ kind, x, y, turned })
    const { w, h } = real.parts[kind]
    return turned ? [x + h, y + w] : [x + w, y + h]
  }
  const [w, h] = go(places.corner[stock], state, 0, 0, first)
  return { pieces, real: w <= real.stocks[stock].w && h <= real.stocks[stock].h }
}

/** Says what the stocks of an instance are worth at given prices of the pieces. */
export interface Pricing {
  /**
   * @param y price of one piece of each kind
   * @param asks what a filling of each stock must be worth to be asked for
   * @returns for each stock what no filling is worth more than; null when it was stopped
   */
  price(y: ArrayLike<number>, asks: readonly number[], shouldStop: () => boolean): number[] | null
  /** Fillings of a stock worth more than said, the best first. */
  ways(stock: number, above: number): Laid[]
}
/** Fillings of one sheet that one pricing gives beside the best, each of another first cut: they spare pricings. */
const WAYS = 150

/** A first cut of a whole sheet, and the cells before and beyond it. */
interface FirstCut {
  how: number
  before: number
  beyond: number
}
/**
 * The best filling of a stock, and others that begin with another cut, the best first.
 * @param whole how the two sides of a first cut are filled best; null where that is not worth asking for
 */
export function waysOf(
  { ys, acrossX, acrossY, corner }: Places,
  stock: number,
  whole: (cut: FirstCut) => { worth: number; filled: Filled } | null,
): (Filled | undefined)[] {
  const S = ys.length
  const [a, b] = [Math.floor(corner[stock] / S), corner[stock] % S]
  const found: { worth: number; filled: Filled }[] = []
  const offer = (cut: FirstCut) => {
    const way = whole(cut)
    if (way) found.push(way)
  }
  for (let c = 1; c < acrossX[a].length; c++) offer({ how: CUT + c, before: c * S + b, beyond: acrossX[a][c] * S + b })
  for (let c = 1; c < acrossY[b].length; c++) offer({ how: -CUT - c, before: a * S + c, beyond: a * S + acrossY[b][c] })
  found.sort((p, q) => q.worth - p.worth)
  return [undefined, ...found.slice(0, WAYS).map((x) => x.filled)]
}

/** f(x, y): the most that can be cut from x by y, at given prices of the pieces, for every pair of places. */
export class GuillotineTable implements Pricing {
  private readonly f: Float64Array
  private readonly how: Int32Array
  private readonly stepsX: Int32Array
  private readonly countX: Int32Array
  private readonly stepsY: Int32Array

  constructor(private readonly places: Places) {
    const [nx, ny] = [places.xs.length, places.ys.length]
    this.stepsX = new Int32Array(nx * ny)
    this.countX = new Int32Array(ny)
    this.stepsY = new Int32Array(ny)
    this.f = new Float64Array(nx * ny)
    this.how = new Int32Array(nx * ny)
  }

  price(y: ArrayLike<number>): number[] {
    const { f, how } = this
    f.fill(0)
    how.fill(0)
    this.places.parts.forEach((p, i) => {
      if (!(y[i] > 0)) return
      for (const at of cellsOf(this.places, p))
        if (y[i] > f[at]) {
          f[at] = y[i]
          how[at] = i + 1
        }
    })
    this.fill()
    return this.places.corner.map((at) => f[at])
  }
  private fill(): void {
    const { f, how, stepsX, countX, stepsY } = this
    const { acrossX, acrossY } = this.places
    const [nx, S] = [this.places.xs.length, this.places.ys.length]
    // A cut is only worth trying where what lies before it grows: between two such places the further one leaves more
    // beyond.
    countX.fill(0)
    for (let a = 1; a < nx; a++) {
      const row = a * S
      const px = acrossX[a]
      const ex = px.length
      let countY = 0
      for (let b = 1; b < S; b++) {
        let v = f[row + b]
        let h = how[row + b]
        if (f[row - S + b] > v) {
          v = f[row - S + b]
          h = BEFORE_X
        }
        if (f[row + b - 1] > v) {
          v = f[row + b - 1]
          h = BEFORE_Y
        }
        for (let k = b * nx, e = k + countX[b]; k < e; k++) {
          const c = stepsX[k]
          if (c >= ex) break
          const t = f[c * S + b] + f[px[c] * S + b]
          if (t > v + 1e-9) {
            v = t
            h = CUT + c
          }
        }
        const py = acrossY[b]
        const ey = py.length
        for (let k = 0; k < countY; k++) {
          const c = stepsY[k]
          if (c >= ey) break
          const t = f[row + c] + f[row + py[c]]
          if (t > v + 1e-9) {
            v = t
            h = -CUT - c
          }
        }
        f[row + b] = v
        how[row + b] = h
        if (v > f[row + b - 1]) stepsY[countY++] = b
        if (v > f[row - S + b]) stepsX[b * nx + countX[b]++] = a
      }
    }
  }
  ways(stock: number, above: number): Laid[] {
    const { f, how } = this
    const whole = (cut: FirstCut) => {
      const worth = f[cut.before] + f[cut.beyond]
      return worth > above ? { worth, filled: { how: cut.how, before: 0, beyond: 0 } } : null
    }
    const filled = (cell: number) => ({ how: how[cell], before: 0, beyond: 0 })
    return waysOf(this.places, stock, whole).map((first) => laidOut(this.places, stock, 0, filled, first))
  }
}
