import type { Placed } from '../assembly/assembly.ts'
import type { Box } from '../geometry/box.ts'

/** Side of a foot under a piece of equipment, mm; its weight stands on four at its corners. Product decision. */
const FOOT_MM = 60
/** A bar presses over so much along what it lies on, mm. Product decision, about the thickness of a frame. */
const BAR_MM = 30
/** A round base presses like a square of the same area: √π/2 of its diameter. */
const ROUND = Math.sqrt(Math.PI) / 2

/** Where a thing presses on what carries it: all over its base, over a round one, at four feet, or by its bar. */
export function pressesOn(item: Placed): { box: Box; share: number }[] {
  if (item.turned) return pressesTurned(item, item.turned)
  const { min, max } = item.box
  const at = (x0: number, x1: number, y0: number, y1: number): Box => ({ min: [x0, y0, min[2]], max: [x1, y1, max[2]] })
  const [w, d] = [max[0] - min[0], max[1] - min[1]]
  if (item.stands === 'round') {
    const [kx, ky] = [(w * (1 - ROUND)) / 2, (d * (1 - ROUND)) / 2]
    return [{ box: at(min[0] + kx, max[0] - kx, min[1] + ky, max[1] - ky), share: 1 }]
  }
  if (item.stands === 'feet') {
    const [f, g] = [Math.min(FOOT_MM, w / 2), Math.min(FOOT_MM, d / 2)]
    return [
      [min[0], min[0] + f],
      [max[0] - f, max[0]],
    ].flatMap(([x0, x1]) =>
      [
        [min[1], min[1] + g],
        [max[1] - g, max[1]],
      ].map(([y0, y1]) => ({ box: at(x0, x1, y0, y1), share: 1 / 4 })),
    )
  }
  if (item.stands === 'bar') {
    const y = (min[1] + max[1]) / 2
    return [{ box: at(min[0], max[0], y - BAR_MM / 2, y + BAR_MM / 2), share: 1 }]
  }
  return [{ box: item.box, share: 1 }]
}

/**
 * The same of what stands at an angle: its feet where they are then; all of its base as the largest square to the room
 * that lies within it, or within the square of a round one. Less room than it has, so never less bending.
 */
function pressesTurned({ box, stands }: Placed, t: NonNullable<Placed['turned']>): { box: Box; share: number }[] {
  const [x, y] = [0, 1].map((i) => (box.min[i] + box.max[i]) / 2)
  const [c, s] = [Math.cos(t.rad), Math.sin(t.rad)]
  const square = (u: number, v: number, half: number): Box => {
    const [cx, cy] = [x + u * c - v * s, y + u * s + v * c]
    return { min: [cx - half, cy - half, box.min[2]], max: [cx + half, cy + half, box.min[2]] }
  }
  const within = 1 / (Math.abs(c) + Math.abs(s))
  if (stands !== 'feet') {
    const round = stands === 'round' ? ROUND : 1
    return [{ box: square(0, 0, (round * within * Math.min(t.acrossMm, t.deepMm)) / 2), share: 1 }]
  }
  const foot = Math.min(FOOT_MM, t.acrossMm / 2, t.deepMm / 2)
  const [u, v] = [(t.acrossMm - foot) / 2, (t.deepMm - foot) / 2]
  return [-u, u].flatMap((a) => [-v, v].map((b) => ({ box: square(a, b, (foot * within) / 2), share: 1 / 4 })))
}
