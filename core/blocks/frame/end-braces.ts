import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { braceLine } from './brace-line.ts'
import { bracesAt } from './brace.ts'

/*
 *   rear  front     from the end: diagonals on the outer faces of two posts, one above the other,
 *    |\    |        so many that none is too steep
 *    | \   |
 *    |  /  |
 *    | /   |
 */

export interface EndBraces {
  /** What their ids begin with. */
  id: string
  /** The posts they are screwed to. */
  rear: string
  front: string
  /** Outer face of the posts, and on which side of it the boards lie. */
  faceMm: number
  side: -1 | 1
  highMm: number
  board: { stock: Stock; widthMm: number; thicknessMm: number }
  /** The lowest falls towards the front where others rise: of two ends one is pulled, whichever way the build leans. */
  falls: boolean
}

/** More stories than this no end of a rack has. */
const MOST = 6
/** Screws where a board crosses a post. */
const SCREWS = 2

/** Diagonals over an end of a rack, from the floor to the top. @returns their ids; none where no angle is of use */
export function braceEnd(d: Draft, e: EndBraces): string[] {
  const [rear, front] = [d.box(e.rear), d.box(e.front)]
  const [from, to] = [rear.min[1], front.max[1]]
  const { widthMm, thicknessMm } = e.board
  for (let n = 1; n <= MOST; n++) {
    const line = braceLine(to - from, e.highMm / n, widthMm)
    if (!line || !bracesAt(line.angleRad)) continue
    const run = (Math.cos(line.angleRad) * line.lengthMm) / 2
    const rise = (Math.sin(line.angleRad) * line.lengthMm) / 2
    const x = e.faceMm + (e.side * thicknessMm) / 2
    return Array.from({ length: n }, (_, i) => {
      const id = `${e.id}-${i}`
      const [y, z] = [(from + to) / 2, (e.highMm * (i + 0.5)) / n]
      const dy = (i % 2 === 1) === e.falls ? run : -run
      d.strut({
        id,
        role: 'brace',
        stock: e.board.stock,
        from: [x, y - dy, z - rise],
        to: [x, y + dy, z + rise],
        widthMm,
        thicknessMm,
        facing: [1, 0, 0],
      })
      for (const post of [e.rear, e.front])
        d.rest(id, post, 'fasteners', d.screw(id, post, SCREWS, 'side', thicknessMm, 60))
      return id
    })
  }
  return []
}
