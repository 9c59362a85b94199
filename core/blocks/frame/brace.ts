import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { braceLine } from './brace-line.ts'

/**
 * A brace works best near 45°; flatter or steeper than this and another run of posts is tried. Usual carpentry range.
 */
const FLATTEST = (25 * Math.PI) / 180
const STEEPEST = (65 * Math.PI) / 180
export const bracesAt = (rad: number): boolean => rad >= FLATTEST && rad <= STEEPEST

/** The least height in which a board of a width lies across so much at the flattest useful angle, mm. */
export const leastRise = (wideMm: number, boardMm: number): number =>
  ((wideMm - boardMm * Math.sin(FLATTEST)) / Math.cos(FLATTEST)) * Math.sin(FLATTEST) + boardMm * Math.cos(FLATTEST) + 1

interface Brace {
  id: string
  /** Posts with their left and right edges, in order. */
  posts: { id: string; left: number; right: number }[]
  /** Between these heights, its front face where the backs of the posts lie. */
  lowMm: number
  highMm: number
  yMm: number
  board: { stock: Stock; widthMm: number; thicknessMm: number }
  longestMm: number
  /** Falls where others rise: of two one is pulled, whichever way the build leans. */
  falls?: boolean
}

/**
 * Screws a diagonal board across the back of some posts, over the run of posts that brings it nearest to 45°.
 * @returns the brace's id, or null when no run of posts gives a useful angle
 */
export function placeBrace(
  d: Draft,
  { id, posts, lowMm: zLow, highMm: zHigh, yMm, board, longestMm, falls = false }: Brace,
): string | null {
  let best: { from: number; to: number; angle: number; length: number } | null = null
  for (let i = 0; i < posts.length; i++)
    for (let k = i + 1; k < posts.length; k++) {
      const line = braceLine(posts[k].right - posts[i].left, zHigh - zLow, board.widthMm)
      if (!line || line.lengthMm > longestMm || !bracesAt(line.angleRad)) continue
      const off = Math.abs(line.angleRad - Math.PI / 4)
      if (!best || off < Math.abs(best.angle - Math.PI / 4) - 1e-9)
        best = { from: i, to: k, angle: line.angleRad, length: line.lengthMm }
    }
  if (!best) return null
  const [x, z] = [(posts[best.from].left + posts[best.to].right) / 2, (zLow + zHigh) / 2]
  const run = (Math.cos(best.angle) * best.length) / 2
  const [dx, dz] = [falls ? -run : run, (Math.sin(best.angle) * best.length) / 2]
  const y = yMm - board.thicknessMm / 2
  d.strut({
    id,
    role: 'brace',
    stock: board.stock,
    from: [x - dx, y, z - dz],
    to: [x + dx, y, z + dz],
    widthMm: board.widthMm,
    thicknessMm: board.thicknessMm,
    facing: [0, 1, 0],
  })
  for (const p of posts.slice(best.from, best.to + 1)) {
    const j = d.screw(id, p.id, 2, 'side', board.thicknessMm, 60)
    d.rest(id, p.id, 'fasteners', j)
  }
  return id
}
