import { allFamilies } from '../families/registry.ts'
import type { Way } from '../goods/ways.ts'
import type { Goods } from '../goods/goods.ts'

/** A way to keep a thing, and the kinds of build that keep it so. */
export interface WayToKeep extends Way {
  families: string[]
}

/** How a thing may be kept, the best first; what several kinds do alike is one way. */
export function waysToKeep(g: Goods): WayToKeep[] {
  const out = new Map<string, WayToKeep>()
  for (const f of allFamilies()) {
    const way = f.suits(g)
    if (!way) continue
    const known = out.get(way.code)
    if (known) {
      known.families.push(f.id)
      known.score = Math.max(known.score, way.score) as Way['score']
    } else out.set(way.code, { ...way, families: [f.id] })
  }
  return [...out.values()].sort((a, b) => b.score - a.score)
}
