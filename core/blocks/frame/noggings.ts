import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import type { Section } from '../../catalogue/lumber.ts'
import type { Stretch } from '../sizing/splice.ts'

export interface Noggings {
  section: Section
  stock: Stock
  backMm: number
  lowMm: number
  /** Between these nothing is put: a door. */
  door: Stretch | null
}

/** Studs nearer to each other than this have none between them, mm. */
const LEAST_MM = 40

/** Boards between studs, as wide as those: what keeps them from bowing sideways. @returns their ids */
export function placeNoggings(d: Draft, studs: readonly string[], n: Noggings): string[] {
  return studs.slice(1).flatMap((right, i) => {
    const left = studs[i]
    const [from, to] = [d.box(left).max[0], d.box(right).min[0]]
    if (to - from < LEAST_MM || (n.door && from < n.door.to && to > n.door.from)) return []
    const id = `nogging-${i}`
    d.square({
      id,
      role: 'nogging',
      stock: n.stock,
      min: [from, n.backMm, n.lowMm],
      size: [to - from, n.section.widthMm, n.section.thicknessMm],
      along: 'x',
      across: 'y',
    })
    for (const s of [left, right]) d.rest(id, s, 'fasteners', d.screw(s, id, 2, 'end', n.section.thicknessMm, 200))
    return [id]
  })
}
