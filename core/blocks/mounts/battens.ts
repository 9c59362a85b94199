import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import type { Section } from '../../catalogue/lumber.ts'
import type { Box } from '../../geometry/box.ts'
import { coursesOf, upAlong } from '../../room/courses.ts'
import type { Vec3 } from '../../geometry/vec.ts'
import { anchorAt, EDGE_SHARE, FROM_END_MM, holdsAt, OUT, UP, type Wall } from './wall-fixing.ts'

/*
 * Upright battens on masonry, and what runs along the wall screwed to them: anchors stand where the wall takes them,
 * screws wherever a strip passes.
 */

/** Anchors in a batten are no further apart than this, mm. Product decision. */
const ANCHORS_EVERY_MM = 500
/** The first one from the end of a batten, mm; in a short one no more than this share of it. */
const FROM_BATTEN_END_MM = 60
const END_SHARE = 0.2

export interface Battens {
  middles: readonly number[]
  section: Section
  stock: Stock
  fromMm: number
  toMm: number
}

/** @returns their ids; none where there are none */
export function placeBattens(d: Draft, w: Wall, b: Battens): string[] {
  return b.middles.map((x, k) => {
    const id = `batten-${k}`
    d.square({
      id,
      role: 'batten',
      stock: b.stock,
      min: [x - b.section.widthMm / 2, 0, b.fromMm],
      size: [b.section.widthMm, b.section.thicknessMm, b.toMm - b.fromMm],
      along: 'z',
      across: 'x',
    })
    const end = Math.min(FROM_BATTEN_END_MM, END_SHARE * (b.toMm - b.fromMm))
    const [from, to] = [b.fromMm + end, b.toMm - end]
    const n = Math.max(1, Math.ceil((to - from) / ANCHORS_EVERY_MM))
    const even = Array.from({ length: n + 1 }, (_, i) => from + ((to - from) * i) / n)
    const ends = [b.fromMm + FROM_END_MM, b.toMm - FROM_END_MM] as const
    for (const z of upAlong(coursesOf(w.space.construction), even, ends))
      holdsAt(d, { part: id }, anchorAt(d, id, { x, z, throughMm: b.section.thicknessMm }, w), { x, z })
    d.sub({ id: `put-${id}`, name: 'unit', parts: [id], built: 'in-place' })
    return id
  })
}

/**
 * Screws a piece that runs along the wall to every batten it passes, at a height: it is held up and back there. What
 * lies over the battens its screws pass as well.
 */
export function fixToBattens(
  d: Draft,
  part: string,
  battens: readonly string[],
  at: { z: number; count: number; betweenMm?: number },
): void {
  const { min, max } = d.box(part)
  const { betweenMm = 0 } = at
  for (const on of battens) {
    const b = d.box(on)
    const [from, to] = [Math.max(b.min[0], min[0]), Math.min(b.max[0], max[0])]
    if (to - from < FROM_END_MM) continue
    const x = (from + to) / 2
    const joint = d.screw(part, on, at.count, 'side', max[1] - min[1], b.max[1] - b.min[1], { betweenMm })
    const spot = (z: number): Box => {
      const v: Vec3 = [x, min[1], z]
      return { min: v, max: v }
    }
    for (const push of [UP, OUT])
      d.hold({
        from: { part },
        on: { kind: 'part', part: on },
        contact: spot(at.z),
        push,
        way: 'both',
        via: 'fasteners',
        joint,
      })
    d.hold({
      from: { part },
      on: { kind: 'part', part: on },
      contact: spot(min[2] + EDGE_SHARE * (max[2] - min[2])),
      push: OUT,
      way: 'push',
      via: 'bearing',
      steadies: true,
      // It presses on what lies between, and that on the batten.
      ...(betweenMm > 0 ? { joint } : {}),
    })
  }
}
