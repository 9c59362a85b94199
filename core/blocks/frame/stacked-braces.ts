import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { braceLine } from './brace-line.ts'
import { bracesAt } from './brace.ts'

/*
 *   |\    |    diagonals on the faces of two posts, one above the other,
 *   | \   |    so many that none is too steep
 *   |  /  |
 *   | /   |
 */

export interface StackedBraces {
  /** What their ids begin with. */
  id: string
  /** The posts they are screwed to, and the way from the one to the other. */
  posts: readonly [string, string]
  way: 'x' | 'y'
  /** The faces of the posts they lie on, and on which side of them. */
  faceMm: number
  side: -1 | 1
  highMm: number
  board: { stock: Stock; widthMm: number; thicknessMm: number }
  /** The lowest falls from the first post to the second where others rise: of two stacks one is pulled, whichever way the build leans. */
  falls: boolean
}

/** More stories than this no rack has. */
const MOST = 6
/** Screws where a board crosses a post. */
const SCREWS = 2

/** Diagonals between two posts, from the floor to the top. @returns their ids; none where no angle is of use */
export function stackBraces(d: Draft, e: StackedBraces): string[] {
  const axis = e.way === 'x' ? 0 : 1
  const ends = e.posts.map((p) => d.box(p))
  const [from, to] = [Math.min(...ends.map((b) => b.min[axis])), Math.max(...ends.map((b) => b.max[axis]))]
  const { widthMm, thicknessMm } = e.board
  for (let n = 1; n <= MOST; n++) {
    const line = braceLine(to - from, e.highMm / n, widthMm)
    if (!line || !bracesAt(line.angleRad)) continue
    const run = (Math.cos(line.angleRad) * line.lengthMm) / 2
    const rise = (Math.sin(line.angleRad) * line.lengthMm) / 2
    const off = e.faceMm + (e.side * thicknessMm) / 2
    const at = (along: number, z: number): [number, number, number] =>
      e.way === 'x' ? [along, off, z] : [off, along, z]
    return Array.from({ length: n }, (_, i) => {
      const id = `${e.id}-${i}`
      const [middle, z] = [(from + to) / 2, (e.highMm * (i + 0.5)) / n]
      const out = (i % 2 === 1) === e.falls ? run : -run
      d.strut({
        id,
        role: 'brace',
        stock: e.board.stock,
        from: at(middle - out, z - rise),
        to: at(middle + out, z + rise),
        widthMm,
        thicknessMm,
        facing: e.way === 'x' ? [0, 1, 0] : [1, 0, 0],
      })
      for (const post of e.posts) d.rest(id, post, 'fasteners', d.screw(id, post, SCREWS, 'side', thicknessMm, 60))
      return id
    })
  }
  return []
}

/** The same over both ends of a rack, from their rear posts to their front ones. */
export function braceEnds(
  d: Draft,
  ends: { left: readonly [string, string]; right: readonly [string, string] },
  o: Pick<StackedBraces, 'highMm' | 'board'> & { id: (side: 'left' | 'right') => string },
): void {
  for (const side of ['left', 'right'] as const) {
    const box = d.box(ends[side][0])
    stackBraces(d, {
      id: o.id(side),
      posts: ends[side],
      way: 'y',
      faceMm: side === 'left' ? box.min[0] : box.max[0],
      side: side === 'left' ? -1 : 1,
      highMm: o.highMm,
      board: o.board,
      falls: side === 'right',
    })
  }
}
