import type { BeamLoad } from '../core/mechanics/beam.ts'

/*
 * A second way to a bent beam that shares no code with the first: forces instead of stiffnesses. Bending moments of
 * unit reactions and loads are integrated twice on a fine grid; reactions follow from the places where the beam must
 * lie. Slow, and right to about a millionth.
 */

export interface ReferenceSupport {
  atMm: number
  stiffness?: number
}
export interface ReferenceBeam {
  lengthMm: number
  ei: (xMm: number) => number
  ga?: number
  supports: ReferenceSupport[]
  loads: BeamLoad[]
}
export interface ReferenceResult {
  reactions: number[]
  sagAt: (xMm: number) => number
  momentAt: (xMm: number) => number
}

const STEPS = 6000

/** Moment (sagging) and shear at x of one load to the left of it. */
function ofLoad(l: BeamLoad, x: number): { m: number; v: number } {
  if (l.kind === 'couple') return { m: x > l.atMm ? l.nmm : 0, v: 0 }
  if (l.kind === 'point') return x > l.atMm ? { m: -l.n * (x - l.atMm), v: -l.n } : { m: 0, v: 0 }
  const to = Math.min(x, l.toMm)
  const s = to - l.fromMm
  if (s <= 0) return { m: 0, v: 0 }
  const rise = (l.endNPerMm - l.startNPerMm) / (l.toMm - l.fromMm)
  const [even, slope] = [l.startNPerMm * s, (rise * s * s) / 2]
  return { m: -(even * (x - l.fromMm - s / 2) + slope * (x - l.fromMm - (2 * s) / 3)), v: -(even + slope) }
}
/** A couple turns as much wherever it acts. */
function total(l: BeamLoad): { n: number; t: number } {
  if (l.kind === 'couple') return { n: 0, t: l.nmm }
  if (l.kind === 'point') return { n: l.n, t: l.n * l.atMm }
  const d = l.toMm - l.fromMm
  const [a, b] = [l.startNPerMm * d, ((l.endNPerMm - l.startNPerMm) * d) / 2]
  return { n: a + b, t: a * (l.fromMm + d / 2) + b * (l.fromMm + (2 * d) / 3) }
}

/** Gauss with pivoting. */
function solve(a: number[][], b: number[]): number[] {
  const n = b.length
  for (let i = 0; i < n; i++) {
    let p = i
    for (let r = i; r < n; r++) if (Math.abs(a[r][i]) > Math.abs(a[p][i])) p = r
    ;[a[i], a[p]] = [a[p], a[i]]
    ;[b[i], b[p]] = [b[p], b[i]]
    for (let r = i + 1; r < n; r++) {
      const f = a[r][i] / a[i][i]
      for (let c = i; c < n; c++) a[r][c] -= f * a[i][c]
      b[r] -= f * b[i]
    }
  }
  const x = new Array<number>(n).fill(0)
  for (let i = n - 1; i >= 0; i--)
    x[i] = (b[i] - a[i].slice(i + 1).reduce((s, v, k) => s + v * x[i + 1 + k], 0)) / a[i][i]
  return x
}

export function referenceBeam(b: ReferenceBeam): ReferenceResult {
  const h = b.lengthMm / STEPS
  const xs = Array.from({ length: STEPS + 1 }, (_, i) => i * h)
  /**
   * Sag (down) along the grid from a moment and a shear, both ends left free: θ' = −M/EI taken as curvature down, v' =
   * θ + V/GA.
   */
  const bend = (of: (x: number) => { m: number; v: number }): number[] => {
    const out = [0]
    let turn = 0
    for (let i = 0; i < STEPS; i++) {
      const middle = xs[i] + h / 2
      const { m, v } = of(middle)
      const k = -m / b.ei(middle)
      out.push(out[i] + turn * h + (k * h * h) / 2 + (b.ga === undefined ? 0 : (v / b.ga) * h))
      turn += k * h
    }
    return out
  }
  const at = (line: number[], x: number) => {
    const i = Math.min(STEPS - 1, Math.floor(x / h))
    const t = x / h - i
    return line[i] * (1 - t) + line[i + 1] * t
  }
  const unit = b.supports.map((s) => bend((x) => (x > s.atMm ? { m: x - s.atMm, v: 1 } : { m: 0, v: 0 })))
  const sum = (x: number) =>
    b.loads.reduce(
      (t, l) => {
        const o = ofLoad(l, x)
        return { m: t.m + o.m, v: t.v + o.v }
      },
      { m: 0, v: 0 },
    )
  const loaded = bend(sum)
  const n = b.supports.length
  // Unknown: the reactions, and where the beam starts and how it leans.
  const a = b.supports.map((s, i) => [
    ...b.supports.map((_, k) => at(unit[k], s.atMm) - (k === i && s.stiffness !== undefined ? 1 / s.stiffness : 0)),
    1,
    s.atMm,
  ])
  const rhs = b.supports.map((s) => -at(loaded, s.atMm))
  a.push([...b.supports.map(() => 1), 0, 0], [...b.supports.map((s) => s.atMm), 0, 0])
  rhs.push(
    b.loads.reduce((s, l) => s + total(l).n, 0),
    b.loads.reduce((s, l) => s + total(l).t, 0),
  )
  const x = solve(a, rhs)
  return {
    reactions: x.slice(0, n),
    sagAt: (mm) => at(loaded, mm) + unit.reduce((s, u, k) => s + x[k] * at(u, mm), 0) + x[n] + x[n + 1] * mm,
    momentAt: (mm) => sum(mm).m + b.supports.reduce((s, p, k) => s + x[k] * Math.max(0, mm - p.atMm), 0),
  }
}
