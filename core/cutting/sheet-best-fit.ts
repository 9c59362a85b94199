import type { Cut2dInstance } from './format.ts'

export interface Laid {
  part: number
  x: number
  y: number
  rotated: boolean
}
interface Free {
  x: number
  y: number
  w: number
  h: number
}

/**
 * Pieces in a noisy order, each where it leaves least beside it, the rest cut through one way or the other.
 * @param left how many of each part may be taken; what is taken is subtracted
 * @param r random numbers from 0 to 1
 */
export function bestFit(
  instance: Cut2dInstance,
  stock: { w: number; h: number },
  left: Int32Array,
  r: () => number,
): Laid[] {
  const { kerf, trim, parts } = instance
  const noise = r() < 0.3 ? 0 : r() * 0.6
  const by = Math.floor(r() * 4)
  const keys = parts.map((p) =>
    by === 0
      ? p.w * p.h
      : by === 1
        ? p.h * 1e4 + p.w
        : by === 2
          ? p.w * 1e4 + p.h
          : Math.max(p.w, p.h) * 1e4 + Math.min(p.w, p.h),
  )
  const queue: { i: number; k: number }[] = []
  for (let i = 0; i < left.length; i++)
    for (let c = 0; c < left[i]; c++) queue.push({ i, k: keys[i] * (1 + noise * (r() - 0.5)) })
  queue.sort((a, b) => b.k - a.k)
  const free: Free[] = [{ x: trim, y: trim, w: stock.w - 2 * trim, h: stock.h - 2 * trim }]
  const laid: Laid[] = []
  const rule = Math.floor(r() * 5)
  const score = Math.floor(r() * 3)
  for (const { i } of queue) {
    const p = parts[i]
    let at = -1
    let turned = false
    let least = Infinity
    for (let k = 0; k < free.length; k++)
      for (let t = 0; t < (p.rotate && p.w !== p.h ? 2 : 1); t++) {
        const [w, h] = t ? [p.h, p.w] : [p.w, p.h]
        const [dx, dy] = [free[k].w - w, free[k].h - h]
        if (dx < 0 || dy < 0) continue
        const s = score === 0 ? Math.min(dx, dy) : score === 1 ? free[k].w * free[k].h : Math.max(dx, dy)
        if (s < least) [least, at, turned] = [s, k, t === 1]
      }
    if (at < 0) continue
    left[i]--
    const f = free[at]
    const [w, h] = turned ? [p.h, p.w] : [p.w, p.h]
    laid.push({ part: i, x: f.x, y: f.y, rotated: turned })
    const [dw, dh] = [f.w - w - kerf, f.h - h - kerf]
    const upright =
      rule === 0 ? true : rule === 1 ? false : rule === 2 ? dw < dh : rule === 3 ? dw >= dh : dw * f.h >= dh * f.w
    free.splice(at, 1)
    const rest: Free[] = upright
      ? [
          { x: f.x + w + kerf, y: f.y, w: dw, h: f.h },
          { x: f.x, y: f.y + h + kerf, w, h: dh },
        ]
      : [
          { x: f.x + w + kerf, y: f.y, w: dw, h },
          { x: f.x, y: f.y + h + kerf, w: f.w, h: dh },
        ]
    for (const q of rest) if (q.w > 0 && q.h > 0) free.push(q)
  }
  return laid
}
