/*
 * A plate on points by differences on a grid: bending of strips along and across, and twist of the cells between, as
 * energy; nothing of polynomials. Points must lie on nodes. Dense, symmetric, solved by elimination.
 */
export interface GridPlate {
  lengthMm: number
  widthMm: number
  along: number
  across: number
  twist: number
  /** Spaces of the grid along and across. */
  nu: number
  nv: number
  points: { uMm: number; vMm: number }[]
  /** Load at a node's share of the plate, N per mm². */
  pressure(uMm: number, vMm: number): number
  /** Where there is no plate. */
  gone?(uMm: number, vMm: number): boolean
}

export function gridPlate(s: GridPlate) {
  const [du, dv] = [s.lengthMm / s.nu, s.widthMm / s.nv]
  const wide = s.nv + 1
  const n = (s.nu + 1) * wide
  const band = 2 * wide + 2
  const at = (i: number, j: number) => i * wide + j
  const k = Array.from({ length: n }, () => new Float64Array(band + 1))
  const isGone = Array.from({ length: n }, (_, x) => s.gone?.(Math.floor(x / wide) * du, (x % wide) * dv) ?? false)
  const add = (terms: [number, number][], stiff: number) => {
    if (terms.some(([p]) => isGone[p])) return
    for (const [p, x] of terms) for (const [q, y] of terms) if (q <= p) k[p][p - q] += stiff * x * y
  }
  const edge = (i: number, most: number) => (i === 0 || i === most ? 0.5 : 1)
  for (let i = 0; i <= s.nu; i++)
    for (let j = 0; j <= s.nv; j++) {
      if (i > 0 && i < s.nu)
        add(
          [
            [at(i - 1, j), 1],
            [at(i, j), -2],
            [at(i + 1, j), 1],
          ],
          (s.along * edge(j, s.nv) * dv) / du ** 3,
        )
      if (j > 0 && j < s.nv)
        add(
          [
            [at(i, j - 1), 1],
            [at(i, j), -2],
            [at(i, j + 1), 1],
          ],
          (s.across * edge(i, s.nu) * du) / dv ** 3,
        )
      if (i < s.nu && j < s.nv)
        add(
          [
            [at(i, j), 1],
            [at(i + 1, j), -1],
            [at(i, j + 1), -1],
            [at(i + 1, j + 1), 1],
          ],
          (4 * s.twist) / (du * dv),
        )
    }
  for (let x = 0; x < n; x++) if (isGone[x]) k[x][0] = 1
  const f = new Float64Array(n)
  for (let i = 0; i <= s.nu; i++)
    for (let j = 0; j <= s.nv; j++)
      f[at(i, j)] = isGone[at(i, j)] ? 0 : s.pressure(i * du, j * dv) * du * dv * edge(i, s.nu) * edge(j, s.nv)
  const held = s.points.map((p) => at(Math.round(p.uMm / du), Math.round(p.vMm / dv)))
  const hard = 1e9 * (s.along / du ** 2)
  for (const h of held) k[h][0] += hard
  // L·D·L' within the band.
  for (let c = 0; c < n; c++)
    for (let r = c + 1; r <= Math.min(n - 1, c + band); r++) {
      const x = k[r][r - c] / k[c][0]
      if (x === 0) continue
      for (let q = r; q <= Math.min(n - 1, c + band); q++) k[q][q - r] -= x * k[q][q - c]
      f[r] -= x * f[c]
    }
  for (let r = n - 1; r >= 0; r--) {
    let sum = f[r]
    for (let q = r + 1; q <= Math.min(n - 1, r + band); q++) sum -= k[q][q - r] * f[q]
    f[r] = sum / k[r][0]
  }
  /** Most it is bent along, N·mm per mm. */
  let alongNmm = 0
  for (let i = 1; i < s.nu; i++)
    for (let j = 0; j <= s.nv; j++)
      if (![at(i - 1, j), at(i, j), at(i + 1, j)].some((x) => isGone[x]))
        alongNmm = Math.max(
          alongNmm,
          Math.abs(s.along * (f[at(i - 1, j)] - 2 * f[at(i, j)] + f[at(i + 1, j)])) / du ** 2,
        )
  return { sagMm: Math.max(...f.map(Math.abs)), points: held.map((h) => hard * f[h]), alongNmm }
}
