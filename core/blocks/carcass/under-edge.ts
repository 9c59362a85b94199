import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { findSection } from '../../catalogue/lumber.ts'

/** Screws of a strip along an edge are no further apart, mm, and no fewer. */
const EVERY_MM = 200
const LEAST = 3

/** A strip on edge under an edge of a shelf, that stiffens it. */
export interface UnderEdge {
  id: string
  shelf: string
  section: string
  grade: string
  /** From where to where along the shelf, and its back out from the wall, mm. */
  from: number
  to: number
  backMm: number
  glued: boolean
}

/** Screws it on from above, glued or not: what hangs from a sheet by the fasteners along it bends with it. */
export function stripUnder(d: Draft, s: UnderEdge): void {
  const { thicknessMm, widthMm } = findSection(s.section)!
  const shelf = d.box(s.shelf)
  const stock: Stock = { kind: 'board', section: s.section, grade: s.grade, treated: false }
  d.square({
    id: s.id,
    role: 'edge',
    stock,
    min: [s.from, s.backMm, shelf.min[2] - widthMm],
    size: [s.to - s.from, thicknessMm, widthMm],
    along: 'x',
    across: 'z',
  })
  const screws = Math.max(LEAST, Math.ceil((s.to - s.from) / EVERY_MM))
  const j = d.screw(s.shelf, s.id, screws, 'side', shelf.max[2] - shelf.min[2], widthMm, { glued: s.glued })
  d.rest(s.id, s.shelf, 'hanging', j)
}
