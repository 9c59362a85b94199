import type { Placed } from '../assembly/assembly.ts'
import type { Box } from '../geometry/box.ts'
import { mid, sub } from '../geometry/vec.ts'
import { isRound, type Goods } from '../goods/goods.ts'
import { circle, prismSolid, type Solid } from './solid.ts'

/** Where something is, and at what angle it stands there. */
export type Standing = Pick<Placed, 'box' | 'turned'>

/** Goods as the box they fill, round in it, or what a bicycle is made of. @param corners of what is round */
export function goodsSolid(g: Goods | undefined, { box, turned }: Standing, corners?: number): Solid {
  if (g?.kind === 'bicycle') return bicycle(box)
  const [wide, deep, h] = sub(box.max, box.min)
  const [w, d] = turned ? [turned.acrossMm, turned.deepMm] : [wide, deep]
  const [c, s] = turned ? [Math.cos(turned.rad), Math.sin(turned.rad)] : [1, 0]
  const round = g !== undefined && isRound(g.kind)
  return prismSolid(
    {
      centre: mid(box.min, box.max),
      along: [c, s, 0],
      across: [-s, c, 0],
      size: [w, d, h],
      ...(round ? { outline: circle(w, d, corners) } : {}),
    },
    round,
  )
}

/** Two wheels, a frame, saddle and handle bars: what lies behind it is seen between them. */
function bicycle({ min, max }: Box): Solid {
  const [w, d, h] = sub(max, min)
  const y = (min[1] + max[1]) / 2
  const r = Math.min(0.33 * h, 0.22 * w)
  /** Corners as shares of length and height, so thick across. */
  const flat = (outline: readonly (readonly [number, number])[], [x, z]: readonly [number, number], thick: number) =>
    prismSolid({
      centre: [min[0] + x, y, min[2] + z],
      along: [1, 0, 0],
      across: [0, 0, 1],
      size: [w, h, thick],
      outline,
    })
  const quad = (corners: readonly (readonly [number, number])[], thick: number) =>
    flat(
      corners.map(([x, z]) => [x * w, z * h] as const),
      [0, 0],
      thick,
    )
  const parts = [
    flat(circle(2 * r, 2 * r), [r, r], TYRE_MM),
    flat(circle(2 * r, 2 * r), [w - r, r], TYRE_MM),
    quad(
      [
        [0.37, 0.68],
        [0.46, 0.3],
        [0.5, 0.3],
        [0.7, 0.7],
        [0.68, 0.76],
        [0.38, 0.74],
      ],
      FRAME_MM,
    ),
    quad(
      [
        [0.32, 0.93],
        [0.44, 0.93],
        [0.44, 0.98],
        [0.32, 0.98],
      ],
      SADDLE_MM,
    ),
    quad(
      [
        [0.66, 0.95],
        [0.71, 0.95],
        [0.71, 1],
        [0.66, 1],
      ],
      d,
    ),
  ]
  return {
    pieces: parts.flatMap((p) => p.pieces),
    cuts: [],
    edges: parts.flatMap((p) => p.edges),
    round: false,
  }
}
/** Across it, mm: indicative, for the drawing alone. */
const [TYRE_MM, FRAME_MM, SADDLE_MM] = [45, 35, 140]
