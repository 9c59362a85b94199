/*
 * Fills one sheet by strips: rips from edge to edge, each strip crosscut into columns, each column cut into a stack.
 * The strip is chosen by what it brings for its width, its columns by a short search. Sizes here include the kerf
 * beside each piece, so pieces lie side by side without gaps.
 */

export interface Kind {
  w: number
  h: number
  rotate: boolean
}
export interface PlacedKind {
  kind: number
  x: number
  y: number
  turned: boolean
}
/** How far cuts may be nested: strips, columns, stacks; the last trim of a piece is not counted. */
export type Stages = number | null

interface Side {
  kind: number
  w: number
  h: number
  turned: boolean
}
interface Column {
  side: number
  value: number
  stack: [side: number, count: number][]
}

interface Strip {
  h: number
  columns: Column[]
}

/** Strips of this many heights are tried at each step. */
const HEIGHTS = 9
/**
 * Steps of the search for the strips of a sheet, how many of those look well at their strip, and steps for the columns
 * of a strip: when strips are compared, and for one that may be taken.
 */
const STRIPS = 26
const WELL = 6
const QUICK = 14
const THOROUGH = 160

export class SheetFiller {
  private readonly sides: [Side[], Side[]]

  constructor(
    kinds: readonly Kind[],
    private readonly random: () => number,
    private readonly stages: Stages,
  ) {
    const all = kinds.flatMap((k, kind): Side[] =>
      k.rotate && k.w !== k.h
        ? [
            { kind, w: k.w, h: k.h, turned: false },
            { kind, w: k.h, h: k.w, turned: true },
          ]
        : [{ kind, w: k.w, h: k.h, turned: false }],
    )
    this.sides = [all, all.map((s) => ({ ...s, w: s.h, h: s.w }))]
  }

  /**
   * @param left how many of each kind may be taken; what is taken is subtracted
   * @param value of one piece of each kind
   * @param noise how wrong strips may be judged, 0 to 1, for variety
   */
  fill(width: number, height: number, left: Int32Array, value: ArrayLike<number>, noise: number): PlacedKind[] {
    const turned = this.random() < 0.5
    const [W, H] = turned ? [height, width] : [width, height]
    const sides = this.sides[turned ? 1 : 0]
    const fits = sides.filter((s) => left[s.kind] > 0 && s.h <= H && s.w <= W)
    let heights = [...new Set(fits.map((s) => s.h))]
    if (heights.length > HEIGHTS) {
      heights.sort((a, b) => b - a)
      const some = heights.slice(0, 2)
      for (let k = 2; k < heights.length; k++)
        if (this.random() < (HEIGHTS - 2) / (heights.length - 2)) some.push(heights[k])
      heights = some
    }
    const options = heights
      .map((h) => {
        const strip = this.strip(fits, W, h, left, value, QUICK)
        return { h, strip, density: (strip.value / h) * (1 + noise * (this.random() - 0.5)) }
      })
      .sort((p, q) => q.density - p.density)
    // Which strips lie above each other: depth first, the densest first, cut off by what the densest could still bring.
    let best: Strip[] = []
    let bestValue = 0
    let n = 0
    const now: Strip[] = []
    const go = (from: number, room: number, sum: number) => {
      if (sum > bestValue) {
        bestValue = sum
        best = now.slice()
      }
      for (let j = from; j < options.length; j++) {
        const { h, density } = options[j]
        if (sum + room * density * (1 + noise / 2) <= bestValue * (1 + 1e-12)) return
        if (h > room) continue
        if (n++ > STRIPS) return
        // The first few are searched well; later what was found at the beginning is taken while there are pieces for
        // it.
        const known = options[j].strip
        const strip =
          n > WELL && this.has(fits, known.columns, left)
            ? known
            : this.strip(fits, W, h, left, value, n <= WELL ? THOROUGH : QUICK)
        if (strip.value <= 0) continue
        this.take(fits, strip.columns, left, -1)
        now.push({ h, columns: strip.columns })
        go(j, room - h, sum + strip.value)
        now.pop()
        this.take(fits, strip.columns, left, 1)
      }
    }
    go(0, H, 0)
    const out: PlacedKind[] = []
    let y = 0
    for (const strip of best) {
      let x = 0
      for (const c of strip.columns) {
        let up = y
        for (const [s, count] of c.stack)
          for (let k = 0; k < count; k++) {
            const { kind, h, turned: t } = fits[s]
            out.push(turned ? { kind, x: up, y: x, turned: t } : { kind, x, y: up, turned: t })
            up += h
          }
        x += fits[c.side].w
      }
      this.take(fits, strip.columns, left, -1)
      y += strip.h
    }
    return out
  }

  private has(sides: readonly Side[], columns: readonly Column[], left: Int32Array): boolean {
    this.take(sides, columns, left, -1)
    let enough = true
    for (const c of columns) for (const [s] of c.stack) if (left[sides[s].kind] < 0) enough = false
    this.take(sides, columns, left, 1)
    return enough
  }

  private take(sides: readonly Side[], columns: readonly Column[], left: Int32Array, by: 1 | -1): void {
    for (const c of columns) for (const [s, count] of c.stack) left[sides[s].kind] += by * count
  }

  /**
   * What is stacked in a column as wide as one side and as high as the strip: as many of that piece as go, then what
   * else fits above.
   */
  private column(sides: readonly Side[], at: number, h: number, left: Int32Array, value: ArrayLike<number>): Column {
    const s = sides[at]
    const depth = this.stages ?? Infinity
    // Without columns a strip is one piece and what is trimmed off; without stacks a column is.
    const most = depth === 1 ? Number(s.h === h) : depth === 2 ? 1 : Math.min(left[s.kind], Math.floor(h / s.h))
    const stack: [number, number][] = most > 0 ? [[at, most]] : []
    let sum = most * value[s.kind]
    let room = h - most * s.h
    if (most === 0 || depth <= 2) return { side: at, value: sum, stack }
    left[s.kind] -= most
    const taken: [number, number][] = [[s.kind, most]]
    for (;;) {
      let best = -1
      let bestValue = 0
      for (let i = 0; i < sides.length; i++) {
        const o = sides[i]
        if (left[o.kind] > 0 && o.h <= room && o.w <= s.w && value[o.kind] > bestValue)
          [best, bestValue] = [i, value[o.kind]]
      }
      if (best < 0) break
      const o = sides[best]
      const count = Math.min(left[o.kind], Math.floor(room / o.h))
      stack.push([best, count])
      sum += count * bestValue
      room -= count * o.h
      left[o.kind] -= count
      taken.push([o.kind, count])
    }
    for (const [k, c] of taken) left[k] += c
    return { side: at, value: sum, stack }
  }

  /** The columns of one strip: depth first, the densest first, cut off by what the densest could still bring. */
  private strip(
    sides: readonly Side[],
    W: number,
    h: number,
    left: Int32Array,
    value: ArrayLike<number>,
    steps: number,
  ): { value: number; columns: Column[] } {
    const options: { at: number; density: number; column: Column }[] = []
    for (let i = 0; i < sides.length; i++) {
      const s = sides[i]
      if (s.h > h || left[s.kind] <= 0 || s.w > W) continue
      const c = this.column(sides, i, h, left, value)
      if (c.value > 0) options.push({ at: i, density: c.value / s.w, column: c })
    }
    options.sort((a, b) => b.density - a.density)
    let best: Column[] = []
    let bestValue = 0
    let n = 0
    const now: Column[] = []
    const go = (from: number, room: number, sum: number) => {
      if (sum > bestValue) {
        bestValue = sum
        best = now.slice()
      }
      for (let j = from; j < options.length; j++) {
        if (sum + room * options[j].density <= bestValue * (1 + 1e-12)) return
        const s = sides[options[j].at]
        if (s.w > room || left[s.kind] <= 0) continue
        if (n++ > steps) return
        const known = options[j].column
        const c = this.has(sides, [known], left) ? known : this.column(sides, options[j].at, h, left, value)
        if (c.value <= 0) continue
        for (const [k, count] of c.stack) left[sides[k].kind] -= count
        now.push(c)
        if (this.stages !== 1) go(j, room - s.w, sum + c.value)
        else if (c.value > bestValue) [best, bestValue] = [[c], c.value]
        now.pop()
        for (const [k, count] of c.stack) left[sides[k].kind] += count
      }
    }
    go(0, W, 0)
    return { value: bestValue, columns: best }
  }
}
