/*
 * A plate on two opposite simple supports, by sine series along its span (Lévy) and finite differences across it:
 * nothing in common with the product's method but the energy. For each half-wave m: D_v·f'''' − 2H·a²·f'' + D_u·a⁴·f =
 * q_m, a = mπ/L, H = 2·D_t, no Poisson coupling; at a free edge with a beam of stiffness B there: f'' = 0 and D_v·f'''
 * − 2·H·a²·f' = ±B·a⁴·f. Written as energy on a fine grid, so that edges and beams need no ghost points.
 */
export interface ReferencePlate {
  lengthMm: number
  widthMm: number
  along: number
  across: number
  twist: number
  beams: { vMm: number; ei: number }[]
  loads: { fromU: number; toU: number; fromV: number; toV: number; n: number }[]
}

const WAVES = 41
const GRID = 160

export function referencePlate(s: ReferencePlate) {
  const n = GRID + 1
  const h = s.widthMm / GRID
  const f: number[][] = []
  for (let m = 1; m <= WAVES; m++) {
    const a = (m * Math.PI) / s.lengthMm
    const half = s.lengthMm / 2
    // Banded symmetric system, half band 2.
    const k = Array.from({ length: n }, () => [0, 0, 0])
    const add = (i: number, j: number, x: number) => {
      const [r, c] = i >= j ? [i, j] : [j, i]
      k[r][r - c] += x
    }
    for (let i = 0; i < n; i++) {
      const tributary = i === 0 || i === GRID ? h / 2 : h
      add(i, i, s.along * a ** 4 * tributary * half)
      if (i > 0) {
        // Twist between neighbours: 4·D_t·(a·f')².
        const t = (4 * s.twist * a * a * half) / h
        add(i, i, t)
        add(i - 1, i - 1, t)
        add(i, i - 1, -t)
      }
      if (i > 0 && i < GRID) {
        const b = (s.across * half) / h ** 3
        const c: [number, number][] = [
          [i - 1, 1],
          [i, -2],
          [i + 1, 1],
        ]
        for (let p = 0; p < 3; p++) for (let q = 0; q <= p; q++) add(c[p][0], c[q][0], b * c[p][1] * c[q][1])
      }
    }
    for (const b of s.beams) add(Math.round(b.vMm / h), Math.round(b.vMm / h), b.ei * a ** 4 * half)
    const q = new Array<number>(n).fill(0)
    for (const l of s.loads) {
      const wave = (Math.cos(a * l.fromU) - Math.cos(a * l.toU)) / a / (l.toU - l.fromU)
      for (let i = 0; i < n; i++) {
        const [from, to] = [Math.max(l.fromV, (i - 0.5) * h, 0), Math.min(l.toV, (i + 0.5) * h, s.widthMm)]
        if (to > from) q[i] += (l.n * wave * (to - from)) / (l.toV - l.fromV)
      }
    }
    f.push(banded(k, q))
  }
  const at = (u: number, i: number, power: number) =>
    f.reduce(
      (sum, row, m) =>
        sum + row[i] * (((m + 1) * Math.PI) / s.lengthMm) ** power * Math.sin(((m + 1) * Math.PI * u) / s.lengthMm),
      0,
    )
  let [sag, moment] = [0, 0]
  const beams = s.beams.map(() => 0)
  for (let x = 1; x < 60; x++) {
    const u = (s.lengthMm * x) / 60
    for (let i = 0; i < n; i += 4) {
      sag = Math.max(sag, at(u, i, 0))
      moment = Math.max(moment, s.along * at(u, i, 2))
    }
    s.beams.forEach((b, j) => (beams[j] = Math.max(beams[j], b.ei * at(u, Math.round(b.vMm / h), 2))))
  }
  return { sag, moment, beams }
}

/** Symmetric, half band 2: k[r] = [diagonal, one below, two below]. */
function banded(k: number[][], q: number[]): number[] {
  const n = q.length
  const l = k.map((r) => [...r])
  const d = new Array<number>(n)
  for (let i = 0; i < n; i++) {
    if (i >= 2) l[i][2] /= d[i - 2]
    if (i >= 1) l[i][1] = (l[i][1] - (i >= 2 ? l[i][2] * d[i - 2] * l[i - 1][1] : 0)) / d[i - 1]
    d[i] = l[i][0] - (i >= 1 ? l[i][1] ** 2 * d[i - 1] : 0) - (i >= 2 ? l[i][2] ** 2 * d[i - 2] : 0)
  }
  const x = [...q]
  for (let i = 0; i < n; i++) x[i] -= (i >= 1 ? l[i][1] * x[i - 1] : 0) + (i >= 2 ? l[i][2] * x[i - 2] : 0)
  for (let i = 0; i < n; i++) x[i] /= d[i]
  for (let i = n - 1; i >= 0; i--)
    x[i] -= (i + 1 < n ? l[i + 1][1] * x[i + 1] : 0) + (i + 2 < n ? l[i + 2][2] * x[i + 2] : 0)
  return x
}
