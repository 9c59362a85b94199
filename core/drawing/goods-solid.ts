import type { Box } from '../geometry/box.ts'
import { mid, sub } from '../geometry/vec.ts'
import { isRound, type Goods } from '../goods/goods.ts'
import { circle, prismSolid, type Solid } from './solid.ts'

/** Goods as the box they fill, or round in it. @param corners of what is round */
export function goodsSolid(g: Goods | undefined, box: Box, corners?: number): Solid {
  const [w, d, h] = sub(box.max, box.min)
  if (g?.kind === 'bicycle') return wheeled(box)
  const round = g !== undefined && isRound(g.kind)
  return prismSolid(
    {
      centre: mid(box.min, box.max),
      along: [1, 0, 0],
      across: [0, 1, 0],
      size: [w, d, h],
      ...(round ? { outline: circle(w, d, corners) } : {}),
    },
    round,
  )
}

/** Corners cut where its wheels and its saddle leave room. */
function wheeled(box: Box): Solid {
  const [w, d, h] = sub(box.max, box.min)
  const share: [number, number][] = [
    [0.14, 0],
    [0.86, 0],
    [1, 0.2],
    [1, 0.5],
    [0.74, 1],
    [0.26, 1],
    [0, 0.5],
    [0, 0.2],
  ]
  return prismSolid({
    centre: mid(box.min, box.max),
    along: [1, 0, 0],
    across: [0, 0, 1],
    size: [w, h, d],
    outline: share.map(([x, z]): [number, number] => [(x - 0.5) * w, (z - 0.5) * h]),
  })
}
