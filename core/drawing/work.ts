import type { Face, Machining, Part } from '../assembly/assembly.ts'
import { add, scale, type Vec3 } from '../geometry/vec.ts'
import { circle } from './solid.ts'

/** Corners of a hole are drawn as this many. */
const ROUND = 16

/**
 * What is cut into a part, as figures on its broad face, in the build's frame; what changes its outline only is none.
 * @param face what is looked at: work in the other face is hidden, but for holes that go through
 */
export function workOn(p: Part, face: Face): Vec3[][] {
  const { lengthMm: l, widthMm: w, thicknessMm: t } = p.size
  const start = add(p.at.centre, add(scale(p.at.along, -l / 2), scale(p.at.across, -w / 2)))
  const at = (u: number, v: number): Vec3 => add(start, add(scale(p.at.along, u), scale(p.at.across, v)))
  const rect = (u: number, v: number, long: number, wide: number): Vec3[] => [
    at(u, v),
    at(u + long, v),
    at(u + long, v + wide),
    at(u, v + wide),
  ]
  const seen = (m: Machining) => !('face' in m) || m.face === face || (m.kind === 'hole' && m.depthMm === null)
  return p.machining.filter(seen).flatMap((m) => {
    // A hole at a tilt comes out elsewhere than it goes in.
    const lean = m.kind === 'hole' && m.face !== face ? leanOf(m) : [0, 0]
    return figureOf(m, { l, w, t }, rect, (u, v) => at(u - lean[0] * t, v - lean[1] * t))
  })
}

type Flat = readonly [number, number]
/** How far a bore goes along its part and across it for each mm it comes out of its face; nought where it is square. */
export function leanOf({ towards, tiltRad }: Pick<Extract<Machining, { kind: 'hole' }>, 'towards' | 'tiltRad'>): Flat {
  if (!towards) return [0, 0]
  const k = Math.tan(tiltRad)
  return { start: [-k, 0] as const, end: [k, 0] as const, low: [0, -k] as const, high: [0, k] as const }[towards]
}
/** A figure round its middle, longer along the way a bore leans: what a slanted bore cuts of a plane. */
export function stretched(figure: readonly Flat[], lean: Flat): Flat[] {
  const [long, wide] = lean.map((k) => Math.hypot(1, k))
  return figure.map(([u, v]) => [u * long, v * wide] as const)
}
const round = (at: (u: number, v: number) => Vec3, [u, v]: Flat, diameterMm: number, lean: Flat = [0, 0]): Vec3[] =>
  stretched(circle(diameterMm, diameterMm, ROUND), lean).map(([x, y]) => at(u + x, v + y))

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
    case 'recess':
      return [rect(m.atMm, m.offMm, m.lengthMm, m.widthMm)]
    case 'hole':
      return [round(at, [m.atMm, m.offMm], m.diameterMm, leanOf(m))]
    case 'row':
      return Array.from({ length: m.count }, (_, i) => round(at, [m.atMm + i * m.everyMm, m.offMm], m.diameterMm))
    case 'mitre':
    case 'corner':
    case 'scribe':
      return []
  }
}
