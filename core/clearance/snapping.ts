/** What a build is drawn to while it is moved. */
export interface SnapLine {
  atMm: number
  code: 'corner' | 'stud' | 'neighbour' | 'wall'
}

export interface Snapped {
  mm: number
  to: SnapLine['code'] | null
}

/**
 * A stretch that begins at `mm`, drawn to the nearest line within reach: by its left end or by its right end.
 * A corner or a neighbour wins over a stud at the same distance.
 */
export function snapStretch(mm: number, wideMm: number, lines: readonly SnapLine[], reachMm: number): Snapped {
  let best: { off: number; code: SnapLine['code'] } | null = null
  for (const l of lines)
    for (const off of [l.atMm - mm, l.atMm - (mm + wideMm)]) {
      if (Math.abs(off) > reachMm) continue
      const nearer =
        !best ||
        Math.abs(off) < Math.abs(best.off) - 1e-9 ||
        (Math.abs(off) < Math.abs(best.off) + 1e-9 && best.code === 'stud')
      if (nearer) best = { off, code: l.code }
    }
  return best ? { mm: mm + best.off, to: best.code } : { mm, to: null }
}
