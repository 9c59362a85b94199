import type { Assembly, Part } from '../assembly/assembly.ts'
import { findScrew, type FastenerKind } from '../catalogue/fasteners.ts'

/** Fewest and most fasteners of each kind in one joint: what a sentence about a step counts. */
export type FixedBy = Partial<Record<`${FastenerKind}s` | `${FastenerKind}sMost`, number>>

/**
 * How pieces of two kinds are fastened to each other, at each place where they meet.
 */
export function fixedBy(a: Assembly, one: (p: Part) => boolean, other: (p: Part) => boolean): FixedBy {
  const those = (is: (p: Part) => boolean) => new Set(a.parts.flatMap((p) => (is(p) ? [p.id] : [])))
  const [ones, others] = [those(one), those(other)]
  const out: FixedBy = {}
  for (const j of a.joints) {
    if (!((ones.has(j.near) && others.has(j.far)) || (ones.has(j.far) && others.has(j.near)))) continue
    const here: FixedBy = {}
    for (const f of j.fasteners) {
      const kind = findScrew(f.fastener)?.kind
      if (kind) here[`${kind}s`] = (here[`${kind}s`] ?? 0) + f.count
    }
    for (const [kind, n] of Object.entries(here) as [`${FastenerKind}s`, number][]) {
      out[kind] = Math.min(out[kind] ?? n, n)
      out[`${kind}Most`] = Math.max(out[`${kind}Most`] ?? n, n)
    }
  }
  return out
}

/** Pieces that are called so: for words, which call them by the same name. */
export const called =
  (...roles: Part['role'][]) =>
  (p: Part): boolean =>
    roles.includes(p.role)
