import type { Anchor, Assembly } from '../assembly/assembly.ts'
import { partsById } from '../assembly/by-id.ts'
import { jointsOf } from '../assembly/joints-of.ts'
import { partBoxes } from '../assembly/part-box.ts'
import type { CheckContext } from './check.ts'
import { heldTogether } from './ties.ts'
import { ratedGives } from './wall-fixing.ts'

/*
 * Feet held down to the slab: what would lift them is taken by the anchor in the slab, by the angle it goes through, and
 * by what fastens the post of that foot to the rest of the build: whichever gives least.
 */

export interface Pin {
  anchor: Anchor
  /** N; null while something of it is not known. */
  n: number | null
}

/** Every foot of a build that is held down. */
export function pinsDown(a: Assembly, c: Pick<CheckContext, 'method' | 'settings'>): Pin[] {
  const anchors = a.anchors.filter((x) => x.into === 'slab' && x.holds.includes('z'))
  if (anchors.length === 0) return []
  const [parts, boxes] = [partsById(a), partBoxes(a)]
  const angles = new Set(anchors.map((x) => x.part))
  const postsOf = (id: string) => jointsOf(a, id).map((j) => (j.near === id ? j.far : j.near))
  // A post beside another that is held down as well is lifted with it: they do not hold each other.
  const held = new Set([...angles, ...[...angles].flatMap(postsOf)])
  return anchors.map((anchor) => {
    const angle = parts.get(anchor.part)
    const others = postsOf(anchor.part)
      .flatMap((id) => jointsOf(a, id))
      .filter((j) => !(held.has(j.near) && held.has(j.far)))
    const links = [
      angle?.stock.kind === 'bought' ? (angle.stock.ratedN ?? null) : null,
      ratedGives(anchor, c),
      heldTogether(others, 2, { parts, boxes }, c),
    ]
    return { anchor, n: links.some((n) => n === null) ? null : Math.min(...links.map((n) => n!)) }
  })
}

/**
 * Pins as weights on the floor that keep a build from turning about an edge: one lifts as far as it stands from the
 * edge, so the furthest gives all it can and the others their share of it.
 * @param arm from the edge to a pin, mm
 * @returns null while what they give is not known
 */
export function pinWeights(
  pins: readonly Pin[],
  arm: (x: Anchor) => number,
): { n: number; x: number; y: number; z: number }[] | null {
  if (pins.some((p) => p.n === null)) return null
  const most = Math.max(0, ...pins.map((p) => arm(p.anchor)))
  const least = Math.min(...pins.map((p) => p.n!))
  return pins
    .filter((p) => arm(p.anchor) > 0)
    .map(({ anchor }) => ({ n: (least * arm(anchor)) / most, x: anchor.at[0], y: anchor.at[1], z: 0 }))
}
