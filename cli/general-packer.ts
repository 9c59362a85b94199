import { createRequire } from 'node:module'
import type { Cut2dInstance } from '../core/cutting/format.ts'

/*
 * What a general packer of rectangles makes of an instance, to compare plans with: it may lay pieces so that no straight
 * cut parts them, and knows one size of sheet at a time.
 */

/** A piece in hand: as large as it is, and a kerf apart from the next. */
interface Piece {
  part: string
  w: number
  h: number
  rotate: boolean
}
export interface PackedSheet {
  stock: string
  /** From the sheet's corner, trim left out. */
  pieces: { part: string; x: number; y: number; w: number; h: number }[]
}
export interface Packed {
  cost: number
  sheets: PackedSheet[]
}
/** What the package takes and gives; it brings no types that a module can read. */
interface Rectangle {
  x: number
  y: number
  width: number
  height: number
  data: Piece
}
interface Package {
  MaxRectsPacker: new (
    width: number,
    height: number,
    padding: number,
    options: { smart: false; pot: false; square: false; allowRotation: true; logic: number },
  ) => { addArray: (rects: Rectangle[]) => void; bins: { rects: Rectangle[] }[] }
  /** Only one of its own keeps to whether it may be turned. */
  Rectangle: new (w: number, h: number, x: number, y: number, turned: boolean, mayTurn: boolean) => Rectangle
}
const { MaxRectsPacker, Rectangle } = createRequire(import.meta.url)('maxrects-packer') as Package

type Stock = Cut2dInstance['stock'][number]

/** Its rules: by the most area, the longest edge, the width filled. */
const LONGEST_EDGE = 1
const LOGICS = [0, LONGEST_EDGE, 2]

/** Bins of one size, fullest first; pieces that go into none are left out. */
function binsOf(pieces: readonly Piece[], s: Stock, i: Cut2dInstance, logic: number): Rectangle[][] {
  const [w, h] = [s.w - 2 * i.trim, s.h - 2 * i.trim]
  const fits = (p: Piece) => (p.w <= w && p.h <= h) || (p.rotate && p.h <= w && p.w <= h)
  const packer = new MaxRectsPacker(w, h, i.kerf, {
    smart: false,
    pot: false,
    square: false,
    allowRotation: true,
    logic,
  })
  packer.addArray(
    pieces.filter(fits).map((p) => Object.assign(new Rectangle(p.w, p.h, 0, 0, false, p.rotate), { data: p })),
  )
  const area = (rects: readonly Rectangle[]) => rects.reduce((sum, r) => sum + r.width * r.height, 0)
  return packer.bins.map((b) => b.rects).sort((a, b) => area(b) - area(a))
}
const sheetOf = (s: Stock, rects: readonly Rectangle[]): PackedSheet => ({
  stock: s.id,
  pieces: rects.map((r) => ({ part: r.data.part, x: r.x, y: r.y, w: r.width, h: r.height })),
})

/**
 * The cheapest of what it makes: what there is only some of is filled first, the rest goes into sheets of one size.
 * @param tries by each of its rules and with each size, or as it comes: its own rule, the largest sheet
 * @returns null where it finds no place for all
 */
export function packedBy(i: Cut2dInstance, tries: 'all' | 'as-it-comes' = 'all'): Packed | null {
  const all = i.parts.flatMap((p) =>
    Array.from({ length: p.qty }, (): Piece => ({ part: p.id, w: p.w, h: p.h, rotate: p.rotate })),
  )
  const few = i.stock.filter((s) => s.available !== null).sort((a, b) => b.w * b.h - a.w * a.h)
  const sizes = i.stock.filter((s) => s.available === null).sort((a, b) => b.w * b.h - a.w * a.h)
  const found: Packed[] = []
  for (const logic of tries === 'all' ? LOGICS : [LONGEST_EDGE])
    for (const size of tries === 'all' ? sizes : sizes.slice(0, 1)) {
      let left = all
      const out: Packed = { cost: 0, sheets: [] }
      const take = (s: Stock, most: number) => {
        const bins = binsOf(left, s, i, logic).slice(0, most)
        const gone = new Set(bins.flat().map((r) => r.data))
        left = left.filter((p) => !gone.has(p))
        out.cost += bins.length * s.price
        out.sheets.push(...bins.map((rects) => sheetOf(s, rects)))
      }
      for (const s of few) take(s, s.available!)
      take(size, Infinity)
      if (left.length === 0) found.push(out)
    }
  return found.sort((a, b) => a.cost - b.cost)[0] ?? null
}
