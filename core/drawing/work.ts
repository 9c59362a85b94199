import type { Machining, Part } from '../assembly/assembly.ts'
import { add, scale, type Vec3 } from '../geometry/vec.ts'

/** Corners of a hole are drawn as this many. */
const ROUND = 16

/**
 * What is cut into a part, as figures on its broad face, in the build's frame; what changes its outline only is none.
 */
export function workOn(p: Part): Vec3[][] {
  const { lengthMm: l, widthMm: w, thicknessMm: t } = p.size
  const start = add(p.at.centre, add(scale(p.at.along, -l / 2), scale(p.at.across, -w / 2)))
  const at = (u: number, v: number): Vec3 => add(start, add(scale(p.at.along, u), scale(p.at.across, v)))
  const rect = (u: number, v: number, long: number, wide: number): Vec3[] => [
    at(u, v),
    at(u + long, v),
    at(u + long, v + wide),
    at(u, v + wide),
  ]
  return p.machining.flatMap((m) => figureOf(m, { l, w, t }, rect, at))
}

type Rect = (u: number, v: number, long: number, wide: number) => Vec3[]

function figureOf(
  m: Machining,
  { l, w, t }: { l: number; w: number; t: number },
  rect: Rect,
  at: (u: number, v: number) => Vec3,
): Vec3[][] {
  switch (m.kind) {
    case 'dado':
      return [rect(m.atMm, m.offMm, m.widthMm, w - m.offMm)]
    case 'groove':
      return [rect(0, m.offMm, l, m.widthMm)]
    case 'rabbet':
      if (m.edge === 'start') return [rect(0, 0, m.widthMm, w)]
      if (m.edge === 'end') return [rect(l - m.widthMm, 0, m.widthMm, w)]
      return [rect(0, m.edge === 'low' ? 0 : w - m.widthMm, l, m.widthMm)]
    case 'bevel': {
      const wide = Math.min(w, t * Math.tan(m.angleRad))
      return [rect(0, m.edge === 'low' ? 0 : w - wide, l, wide)]
    }
    case 'notch':
      return [rect(m.atMm, m.edge === 'low' ? 0 : w - m.depthMm, m.lengthMm, m.depthMm)]
    case 'cutout':
      return [rect(m.atMm, m.offMm, m.lengthMm, m.widthMm)]
    case 'hole':
      return [
        Array.from({ length: ROUND }, (_, i) => {
          const a = (2 * Math.PI * i) / ROUND
          return at(m.atMm + (m.diameterMm / 2) * Math.cos(a), m.offMm + (m.diameterMm / 2) * Math.sin(a))
        }),
      ]
    case 'mitre':
    case 'corner':
    case 'scribe':
      return []
  }
}
