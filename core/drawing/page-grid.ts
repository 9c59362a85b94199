import type { Point } from '../geometry/hull.ts'
import type { Piece } from './piece.ts'

const apart = (a: Piece['page'], b: Piece['page']): boolean =>
  a[0] >= b[2] || b[0] >= a[2] || a[1] >= b[3] || b[1] >= a[3]

/** Cells are taken as much larger than they are, mm: what only touches their edge is in them. */
const SLACK_MM = 0.02
/** Cells of a column have numbers of their own. */
const TALL = 4096

/**
 * Places on the page that many things may share: each piece is listed in the cells its figure covers. Column by column:
 * a slanted figure is not asked for in all the cells of the rectangle round it.
 */
export class PageGrid {
  private readonly cells = new Map<number, number[]>()
  private readonly stamps: Uint32Array
  private asked = 0
  constructor(
    private readonly pieces: readonly Piece[],
    private readonly cellMm: number,
  ) {
    this.stamps = new Uint32Array(pieces.length)
    pieces.forEach((p, i) =>
      this.each(p.figure, p.page, (key) => {
        const list = this.cells.get(key)
        if (list) list.push(i)
        else this.cells.set(key, [i])
      }),
    )
  }

  /** @param figure without a corner that points inwards, or two ends of a line @param page the rectangle round it */
  private each(figure: readonly Point[], [left, , right]: Piece['page'], to: (key: number) => void): void {
    const c = this.cellMm
    for (let i = Math.floor((left - SLACK_MM) / c); i <= Math.floor((right + SLACK_MM) / c); i++) {
      const [from, till] = [i * c - SLACK_MM, (i + 1) * c + SLACK_MM]
      let [lo, hi] = [Infinity, -Infinity]
      for (let k = 0; k < figure.length; k++) {
        const [x, y] = figure[k]
        const [u, v] = figure[(k + 1) % figure.length]
        if (Math.max(x, u) < from || Math.min(x, u) > till) continue
        // Of this side, what lies in the column.
        const rise = u === x ? 0 : (v - y) / (u - x)
        const p = u === x ? y : y + rise * (Math.min(till, Math.max(from, x)) - x)
        const q = u === x ? v : y + rise * (Math.min(till, Math.max(from, u)) - x)
        lo = Math.min(lo, p, q)
        hi = Math.max(hi, p, q)
      }
      for (let k = Math.floor((lo - SLACK_MM) / c); k <= Math.floor((hi + SLACK_MM) / c); k++) to(i * TALL + k)
    }
  }

  /** Everything that may lie over a figure of the page, each once. */
  over(figure: readonly Point[], page: Piece['page']): number[] {
    const found: number[] = []
    const stamp = ++this.asked
    this.each(figure, page, (key) => {
      const list = this.cells.get(key)
      if (!list) return
      for (const i of list) {
        if (this.stamps[i] === stamp) continue
        this.stamps[i] = stamp
        if (!apart(this.pieces[i].page, page)) found.push(i)
      }
    })
    return found
  }
}
