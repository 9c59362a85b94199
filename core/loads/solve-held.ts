import { solveBeam, type BeamLoad, type BeamResult, type BeamSpec } from '../mechanics/beam.ts'

export interface Held {
  id: string
  atMm: number
  /** Can only push up: lying on, not fastened. */
  loose: boolean
}

/**
 * Solves a member on its supports; a loose one that would have to pull is taken away and the rest solved again.
 * @returns null when what is left cannot hold it.
 */
export function solveHeld(
  lengthMm: number, ei: number, held: Held[], loads: BeamLoad[],
): { spec: BeamSpec; result: BeamResult; supports: string[] } | null {
  let use = held
  while (use.length >= 2) {
    const spec: BeamSpec = { lengthMm, ei, supports: use.map((h) => ({ atMm: h.atMm })), loads }
    const result = solveBeam(spec)
    if (!result) return null
    const slack = 1e-9 * loads.reduce((sum, l) => sum + (l.kind === 'point' ? Math.abs(l.n) : Math.abs(l.startNPerMm + l.endNPerMm) * (l.toMm - l.fromMm)), 1)
    const lifted = use.filter((h, i) => h.loose && result.reactions[i] < -slack)
    if (lifted.length === 0) return { spec, result, supports: use.map((h) => h.id) }
    const worst = lifted.reduce((a, b) => (result.reactions[use.indexOf(a)] <= result.reactions[use.indexOf(b)] ? a : b))
    use = use.filter((h) => h !== worst)
  }
  return null
}
