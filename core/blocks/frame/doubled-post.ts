import type { Assembly, Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import type { Units } from '../../measure/units.ts'
import type { FloorFall } from '../../room/room.ts'
import { idsOf, type Step } from '../../steps/step.ts'
import { standPost } from './standing-post.ts'

/*
 *   ‖ post    from its side: pieces screwed to a post stand under each rail, the lowest on the floor, every other on the rail
 *   ‖[rail]   below it. The rails bear on them; the post keeps them from buckling.
 *   ‖|
 *   ‖[rail]
 *   ‖|
 */

/** How a rail is borne at a post: by its fasteners, or by a piece under it. */
export const SUPPORTS = ['single', 'doubled'] as const

/** Screws of a piece in its post are no further apart than this, mm. Product decision. */
const EVERY_MM = 300

/** What ids of pieces begin with. */
const UNDER = 'under-'

export interface Doubled {
  post: string
  /** The rails it holds, in any order. */
  rails: readonly string[]
  stock: Stock
  /** Of a board of that stock, and which way it lies off the post. */
  wideMm: number
  thickMm: number
  off: 'before' | 'behind'
}

/** A piece shorter than this splits under its screws, mm. Product decision. */
const LEAST_MM = 40

/** The lowest room for a piece under any of these rails, where that is too low; null where all have room. */
export function lowUnder(d: Draft, rails: readonly string[]): { mm: number; leastMm: number } | null {
  const boxes = rails.map((id) => d.box(id)).sort((a, b) => a.min[2] - b.min[2])
  const mm = Math.min(...boxes.map((b, k) => b.min[2] - (boxes[k - 1]?.max[2] ?? 0)))
  return mm < LEAST_MM ? { mm, leastMm: LEAST_MM } : null
}

/** Pieces that stand under the rails of a post. @returns their ids, from below */
export function doublePost(d: Draft, x: Doubled, floor: { fall: FloorFall; units: Units }): string[] {
  const { min, max } = d.box(x.post)
  const rails = [...x.rails].sort((a, b) => d.box(a).min[2] - d.box(b).min[2])
  const y = x.off === 'before' ? max[1] : min[1] - x.thickMm
  return rails.map((rail, k) => {
    const id = `${UNDER}${rail.replace('rail-', '')}-${x.post.replace(/^[a-z]+-/, '')}`
    const to = d.box(rail).min[2]
    const from = k === 0 ? 0 : d.box(rails[k - 1]).max[2]
    if (k === 0) {
      const at = { x: min[0], y, wideMm: x.wideMm, deepMm: x.thickMm, topMm: to, across: 'x' } as const
      standPost(d, { id, stock: x.stock, ...at }, floor)
    } else {
      d.square({
        ...{ id, role: 'post', stock: x.stock, along: 'z', across: 'x' },
        min: [min[0], y, from],
        size: [x.wideMm, x.thickMm, to - from],
      })
      d.rest(id, rails[k - 1])
    }
    const count = Math.max(2, Math.ceil((to - from) / EVERY_MM) + 1)
    d.screw(id, x.post, count, 'side', x.thickMm, d.part(x.post).size.thicknessMm)
    d.rest(rail, id)
    return id
  })
}

/** Pieces under rails beside their posts; none where fasteners alone bear them. */
export const underRailsStep = (a: Assembly): Step | false => {
  const under = a.parts.filter((x) => x.id.startsWith(UNDER))
  return (
    under.length > 0 && {
      id: 'under-rails',
      code: 'pieces-under-rails',
      data: { count: under.length, screws: a.joints.find((j) => j.near === under[0].id)?.fasteners[0]?.count ?? 0 },
      parts: idsOf(under),
      cautions: [],
    }
  )
}
