import type { Draft } from '../../assembly/draft.ts'

/** Room round what goes through a sheet, mm. Product decision: a saw's width, it need not be squeezed on. */
export const ROUND_MM = 1

/** A cut-out of a level sheet's long edge, from one place along the wall to another; what of it is off the sheet is none. */
export function notchEdge(
  d: Draft,
  sheet: string,
  x: { edge: 'low' | 'high'; fromMm: number; toMm: number; depthMm: number },
): void {
  const { min, max } = d.box(sheet)
  const [from, to] = [Math.max(x.fromMm - ROUND_MM, min[0]), Math.min(x.toMm + ROUND_MM, max[0])]
  if (to > from)
    d.machine(sheet, {
      kind: 'notch',
      atMm: from - min[0],
      offMm: 0,
      lengthMm: to - from,
      depthMm: x.depthMm,
      edge: x.edge,
    })
}

/** A level sheet along the wall notched round an upright that stands in its back or its front edge. */
export function notchRound(d: Draft, sheet: string, upright: string): void {
  if (!d.meets(sheet, upright)) return
  const [s, u] = [d.box(sheet), d.box(upright)]
  const edge = u.min[1] + u.max[1] < s.min[1] + s.max[1] ? 'low' : 'high'
  const depthMm = (edge === 'low' ? u.max[1] - s.min[1] : s.max[1] - u.min[1]) + ROUND_MM
  notchEdge(d, sheet, { edge, fromMm: u.min[0], toMm: u.max[0], depthMm })
  d.joint({ kind: 'notched', near: sheet, far: upright, fasteners: [] })
}
