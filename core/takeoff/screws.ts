import type { Assembly } from '../assembly/assembly.ts'
import { findScrew } from '../catalogue/fasteners.ts'

/** Bought over what is counted: screws strip, drop and roll away. Builders' usual tenth. */
const SPARE = 1.1

export interface ScrewLine {
  fastener: string
  label: string
  count: number
  boxes: number
}

/** Screws counted from the joints and the ties, by length. */
export function screwLines(assemblies: readonly Assembly[]): ScrewLine[] {
  const counts = new Map<string, number>()
  const add = (id: string, n: number) => counts.set(id, (counts.get(id) ?? 0) + n)
  for (const a of assemblies) {
    for (const j of a.joints) for (const f of j.fasteners) add(f.fastener, f.count)
    for (const x of a.anchors) if (x.fastener) add(x.fastener, x.count)
  }
  return [...counts]
    .map(([fastener, count]) => {
      const screw = findScrew(fastener)!
      return {
        fastener,
        label: screw.label,
        count,
        boxes: Math.ceil((count * SPARE) / screw.box),
        lengthMm: screw.lengthMm,
      }
    })
    .sort((a, b) => a.lengthMm - b.lengthMm)
    .map(({ lengthMm: _, ...line }) => line)
}
