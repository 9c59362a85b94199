import type { Cut2dInstance } from './format.ts'
import { usableStock } from './sheets-bound.ts'

/** Width and height of one box after the other, none of which has room for another of them. */
type Boxes = number[]
interface Together {
  /** How many of each kind, in the order of `kinds`. */
  counts: number[]
  boxes: Boxes
}

/** Pairs of boxes put side by side between two rests. */
const TURN = 100_000

/**
 * Which of the largest pieces can lie together on one sheet: every choice of them, exactly. Pieces parted by straight cuts
 * lie in two boxes beside or above each other, and so do those in each of these; so the least boxes for some pieces follow
 * from those of all ways to part them in two. How deep cuts are nested is not asked, which leaves out nothing that can be cut.
 */
export class LargeTogether {
  /** Kinds of pieces taken in so far, the largest first, and how many of each. */
  readonly kinds: number[] = []
  readonly taken: number[] = []
  private readonly order: number[]
  private readonly sizes: { w: number; h: number; area: number }[]
  private readonly stocks: { w: number; h: number }[]
  /** Those of them that lie in no other: what fits none of these fits no sheet. */
  private readonly largest: { w: number; h: number }[]
  /** By a number whose digits are the counts. */
  private readonly all = new Map<number, Together>([[0, { counts: [], boxes: [] }]])
  /** What one more of each kind adds to that number. */
  private readonly digit: number[] = []
  private nextDigit = 1
  private work = 0

  constructor(private readonly instance: Cut2dInstance) {
    const { kerf, trim, parts } = instance
    this.stocks = usableStock(instance).map((s) => ({ w: s.w - 2 * trim + kerf, h: s.h - 2 * trim + kerf }))
    this.largest = []
    for (const s of [...this.stocks].sort((a, b) => b.w - a.w || b.h - a.h))
      if (!this.largest.some((l) => l.h >= s.h)) this.largest.push(s)
    this.sizes = parts.map((p) => ({ w: p.w + kerf, h: p.h + kerf, area: (p.w + kerf) * (p.h + kerf) }))
    this.order = parts.map((_, i) => i).sort((a, b) => this.sizes[b].area - this.sizes[a].area)
  }

  /** Of the area of all pieces that of those taken in, 0 to 1. */
  share(): number {
    const { parts } = this.instance
    const all = parts.reduce((n, p, i) => n + p.qty * this.sizes[i].area, 0)
    return this.kinds.reduce((n, i, x) => n + this.taken[x] * this.sizes[i].area, 0) / all
  }

  /**
   * Takes in one kind after the other, while so much work is not spent; of the last perhaps not all. Rests now and then.
   * @param most pairs of boxes put side by side, from the beginning on
   */
  *takeIn(most: number): Generator<void, void> {
    let rest = this.work + TURN
    for (let x = this.next(); x >= 0; x = this.next()) {
      const { qty } = this.instance.parts[this.kinds[x]]
      const times = this.taken[x] + 1
      const added: number[] = []
      for (const of of [...this.all.keys()].filter((code) => code < this.digit[x])) {
        const code = of + times * this.digit[x]
        const counts = [...this.all.get(of)!.counts]
        while (counts.length < x) counts.push(0)
        counts.push(times)
        const boxes = this.boxesOf(code, counts)
        if (boxes.length > 0) {
          this.all.set(code, { counts, boxes })
          added.push(code)
        }
        if (this.work > most) {
          for (const c of added) this.all.delete(c)
          return
        }
        if (this.work > rest) {
          yield
          rest = this.work + TURN
        }
      }
      // So many of them are on no sheet: more are on none either.
      this.taken[x] = added.length === 0 ? qty : times
    }
  }
  /** The kind of which one more is taken in next; below nought when all are. */
  private next(): number {
    const last = this.kinds.length - 1
    if (last >= 0 && this.taken[last] < this.instance.parts[this.kinds[last]].qty) return last
    const kind = this.order[last + 1]
    // A number of more digits would not be exact.
    if (kind === undefined || this.nextDigit > Number.MAX_SAFE_INTEGER / (this.instance.parts[kind].qty + 1)) return -1
    this.kinds.push(kind)
    this.taken.push(0)
    this.digit.push(this.nextDigit)
    this.nextDigit *= this.instance.parts[kind].qty + 1
    return last + 1
  }

  /** The least boxes for some pieces, of those that some sheet has room for. */
  private boxesOf(code: number, counts: readonly number[]): Boxes {
    const kinds = counts.flatMap((n, y) => (n > 0 ? [y] : []))
    const out: Boxes = []
    if (kinds.length === 1 && counts[kinds[0]] === 1) {
      const part = this.kinds[kinds[0]]
      const { w, h } = this.sizes[part]
      this.put(out, w, h)
      if (this.instance.parts[part].rotate) this.put(out, h, w)
      return out
    }
    // What cannot lie together cannot with one more.
    if (kinds.some((y) => !this.all.has(code - this.digit[y]))) return out
    const area = counts.reduce((n, c, y) => n + c * this.sizes[this.kinds[y]].area, 0)
    if (!this.largest.some((s) => area <= s.w * s.h)) return out
    const part = (j: number, one: number) => {
      if (j < kinds.length) {
        for (let c = 0; c <= counts[kinds[j]]; c++) part(j + 1, one + c * this.digit[kinds[j]])
        return
      }
      // Each parting once, whichever of the two is named first.
      if (one === 0 || one > code - one) return
      const a = this.all.get(one)?.boxes
      const b = this.all.get(code - one)?.boxes
      if (!a || !b) return
      this.work += (a.length * b.length) / 4
      for (let i = 0; i < a.length; i += 2)
        for (let k = 0; k < b.length; k += 2) {
          this.put(out, a[i] + b[k], Math.max(a[i + 1], b[k + 1]))
          this.put(out, Math.max(a[i], b[k]), a[i + 1] + b[k + 1])
        }
    }
    part(0, 0)
    return out
  }
  /** Takes a box in unless it is in vain: no sheet has room for it, or it has room for one that is there. */
  private put(out: Boxes, w: number, h: number): void {
    if (!this.largest.some((s) => w <= s.w && h <= s.h)) return
    for (let i = 0; i < out.length; i += 2) if (out[i] <= w && out[i + 1] <= h) return
    let kept = 0
    for (let i = 0; i < out.length; i += 2)
      if (out[i] < w || out[i + 1] < h) {
        out[kept++] = out[i]
        out[kept++] = out[i + 1]
      }
    out.length = kept
    out.push(w, h)
  }

  /**
   * Choices that fit one sheet of a stock and none of which has room for one more piece taken in.
   * @returns how many of each kind, in the order of `kinds`
   */
  fullest(stock: number): number[][] {
    const { w, h } = this.stocks[stock]
    const fits = (code: number) => {
      const boxes = this.all.get(code)?.boxes
      if (!boxes) return false
      for (let i = 0; i < boxes.length; i += 2) if (boxes[i] <= w && boxes[i + 1] <= h) return true
      return false
    }
    const out: number[][] = []
    for (const [code, { counts }] of this.all) {
      if (code === 0 || !fits(code)) continue
      if (this.taken.some((most, y) => (counts[y] ?? 0) < most && fits(code + this.digit[y]))) continue
      out.push(this.taken.map((_, y) => counts[y] ?? 0))
    }
    return out
  }
}
