import type { Part, Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { slantedInFace } from '../../catalogue/fasteners.ts'
import type { Section } from '../../catalogue/lumber.ts'
import type { UnitSystem } from '../../measure/units.ts'
import type { Vec3 } from '../../geometry/vec.ts'
import { ALONG, OUT, UP } from '../mounts/wall-fixing.ts'

/*
 *   |‾‾|====|‾‾|====|‾‾|    stiles on the front edges of the uprights, rails between them, flush in front: screws at a
 *   |  |    |  |    |  |    slant out of the uprights and the rails, where nobody sees them. Leaves hang on the stiles.
 *   |  |====|  |====|  |
 */

/** A stile: its left edge, and the uprights behind it; the first bears it. */
export interface Stile {
  id: string
  left: number
  on: readonly string[]
}
export interface FaceFrame {
  section: Section
  grade: string
  yard: UnitSystem
  /** The front edges it lies on, and its upper end. */
  frontMm: number
  headMm: number
  stiles: readonly Stile[]
  /** Upper edges of its rails, which run from each stile to the next. */
  rails: readonly { id: string; topMm: number }[]
}

/** A stile ends this far over the floor: what is spilt does not reach it, mm. */
const OVER_FLOOR_MM = 10
/** Screws of a stile in its upright are no further apart, mm. Product decision. */
const EVERY_MM = 400
const RAIL_SCREWS = 2
const WAYS: readonly Vec3[] = [ALONG, OUT, UP]

/** How far a stile reaches into an opening past its wall, mm: at an end it is flush with the outer face. */
export const overOpening = (s: Pick<Section, 'widthMm'>, wallMm: number, atEnd: boolean): number =>
  Math.max(0, s.widthMm - wallMm) / (atEnd ? 1 : 2)

/** Stiles and rails on the front of uprights of sheet. @returns ids of all of them */
export function placeFace(d: Draft, f: FaceFrame): string[] {
  const { thicknessMm: t, widthMm: w } = f.section
  const stock: Stock = { kind: 'board', section: f.section.id, grade: f.grade, treated: false }
  const piece = (id: string, role: Part['role'], min: Vec3, size: Vec3) =>
    d.square({
      ...{ id, role, stock, min, size },
      along: role === 'stile' ? 'z' : 'x',
      across: role === 'stile' ? 'x' : 'z',
    })
  const screwed = (near: string, far: string, count: number) =>
    d.joint({
      ...{ kind: 'pocket-screwed', near, far },
      fasteners: [{ fastener: slantedInFace(f.yard), count, into: 'side' }],
    })
  const high = f.headMm - OVER_FLOOR_MM
  const places = Math.max(2, 1 + Math.ceil(high / EVERY_MM))
  for (const s of f.stiles) {
    piece(s.id, 'stile', [s.left, f.frontMm, OVER_FLOOR_MM], [w, t, high])
    const joints = s.on.map((upright) => screwed(upright, s.id, places))
    const { min, max } = d.box(s.on[0])
    for (let i = 0; i < places; i++) {
      const at: Vec3 = [(min[0] + max[0]) / 2, f.frontMm, OVER_FLOOR_MM + (high * (i + 0.5)) / places]
      for (const push of WAYS)
        d.hold({
          ...{ from: { part: s.id }, on: { kind: 'part', part: s.on[0] }, push, way: 'both', via: 'fasteners' },
          ...{ joint: joints[0], contact: { min: at, max: at } },
        })
    }
  }
  const rails = f.stiles.slice(1).flatMap((right, k) =>
    f.rails.map(({ id, topMm }) => {
      const [left, name] = [f.stiles[k], `${id}-${k}`]
      piece(name, 'rail', [left.left + w, f.frontMm, topMm - w], [right.left - left.left - w, t, w])
      for (const on of [left.id, right.id]) d.rest(name, on, 'fasteners', screwed(name, on, RAIL_SCREWS))
      return name
    }),
  )
  return [...f.stiles.map((s) => s.id), ...rails]
}
