import type { Anchor, Assembly } from '../assembly/assembly.ts'
import { ratedGives } from './wall-fixing.ts'
import type { CheckContext } from './check.ts'

/*
 * Feet held down to the slab: what would lift them is taken by the anchor in the slab and by the angle it goes through,
 * whichever gives less.
 */

export interface Pin {
  anchor: Anchor
  /** N; null while nobody said what its anchor is rated for. */
  n: number | null
}

/** Every foot of a build that is held down. */
export function pinsDown(a: Assembly, c: Pick<CheckContext, 'method' | 'settings'>): Pin[] {
  return a.anchors
    .filter((x) => x.into === 'slab' && x.holds.includes('z'))
    .map((anchor) => {
      const angle = a.parts.find((p) => p.id === anchor.part)
      const rated = angle?.stock.kind === 'bought' ? (angle.stock.ratedN ?? null) : null
      const inSlab = ratedGives(anchor, c)
      return { anchor, n: rated === null || inSlab === null ? null : Math.min(rated, inSlab) }
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
