import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import type { Section } from '../../catalogue/lumber.ts'
import type { Between } from './shelf-between.ts'

/** Screws in each cleat: they carry the shelf. */
const CLEAT_SCREWS = 3

/** A shelf that lies on a cleat at each end. */
export interface CleatedShelf extends Omit<Between, 'role' | 'uprights' | 'footMm'> {
  /** What the cleats are screwed to, their ids, and wood that lies before each of those the screws go through. */
  ends: readonly [CleatedEnd, CleatedEnd]
  cleat: Section
  stock: Stock
  /** From the back of the shelf, mm: a strip under its front edge wants room. */
  cleatMm: number
}
interface CleatedEnd {
  upright: string
  id: string
  beforeMm: number
}

/** Both cleats, screwed on through what they are on, and the shelf on them. */
export function cleatedShelf(d: Draft, s: CleatedShelf): void {
  const t = s.sheet.thicknessMm
  const { thicknessMm, widthMm } = s.cleat
  d.square({
    id: s.id,
    role: 'shelf',
    stock: { kind: 'sheet', sheet: s.sheet.id },
    min: [s.left, s.fromMm, s.topMm - t],
    size: [s.right - s.left, s.deepMm, t],
    along: 'x',
    across: 'y',
  })
  s.ends.forEach(({ upright, id, beforeMm }, side) => {
    d.square({
      id,
      role: 'cleat',
      stock: s.stock,
      min: [side === 0 ? s.left : s.right - thicknessMm, s.fromMm, s.topMm - t - widthMm],
      size: [thicknessMm, s.cleatMm, widthMm],
      along: 'y',
      across: 'z',
    })
    // A thin upright gives no screw's point enough wood: they are driven through it into the cleat.
    const through = d.part(upright).size.thicknessMm
    const joint = d.screw(upright, id, CLEAT_SCREWS, 'side', through, thicknessMm, { beforeMm })
    d.rest(id, upright, 'fasteners', joint)
    d.rest(s.id, id, 'bearing', d.screw(s.id, id, 2, 'side', t, widthMm))
  })
}
