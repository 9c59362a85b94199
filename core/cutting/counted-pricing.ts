import { CountedTable, type Counted } from './counted-table.ts'
import type { Laid, Places, Pricing } from './guillotine-table.ts'

/** States for each cell, and entries of all cells, beyond which no further kind is counted: work and room grow with them. */
const MOST_STATES = 64
const MOST_ENTRIES = 6e6

/**
 * Prices with no piece oftener on one sheet than it is wanted. Only those kinds are counted of which the best fillings
 * take too many, one more at a time (decremental state space relaxation, Righini and Salani 2008); where there would be
 * too many to count, what is found is still worth no less than any real filling.
 */
export class CountedPricing implements Pricing {
  private counted: Counted[] = []
  private table: CountedTable | null = null

  constructor(
    private readonly places: Places,
    private readonly wanted: readonly number[],
  ) {}

  price(y: ArrayLike<number>, asks: readonly number[], shouldStop: () => boolean): number[] | null {
    const dropped = new Set<number>()
    for (;;) {
      const table = (this.table ??= new CountedTable(this.places, this.counted))
      const value = table.price(y, shouldStop)
      if (!value) return null
      this.ways = (stock, above) => table.ways(stock, above)
      const asked = value.flatMap((v, k) => (v > asks[k] ? [table.laid(k)] : []))
      const next = this.tooMany(asked, y).find((i) => !dropped.has(i))
      if (next === undefined) return value
      if (!this.hasRoomFor(next)) {
        // Those that nothing takes to their most make room, each once.
        const idle = this.counted.filter((c) => asked.every((laid) => countIn(laid, c.kind) < c.most))
        for (const c of idle) dropped.add(c.kind)
        this.counted = this.counted.filter((c) => !idle.includes(c))
        if (!this.hasRoomFor(next)) return value
      }
      this.counted = [...this.counted, { kind: next, most: this.wanted[next] }]
      this.table = null
    }
  }
  ways: Pricing['ways'] = () => []

  private hasRoomFor(kind: number): boolean {
    const states = this.counted.reduce((n, c) => n * (c.most + 1), this.wanted[kind] + 1)
    return states <= MOST_STATES && states * this.places.xs.length * this.places.ys.length <= MOST_ENTRIES
  }
  /** Kinds of which fillings hold more than is wanted, those first that gain most by it. */
  private tooMany(list: readonly Laid[], y: ArrayLike<number>): number[] {
    const gain = this.wanted.map((most, i) => list.reduce((n, l) => n + Math.max(0, countIn(l, i) - most) * y[i], 0))
    return gain.flatMap((g, i) => (g > 1e-9 ? [i] : [])).sort((a, b) => gain[b] - gain[a])
  }
}

const countIn = (laid: Laid, kind: number): number => laid.pieces.reduce((n, p) => (p.kind === kind ? n + 1 : n), 0)
