/**
 * Solves a·x = b by Gaussian elimination with row exchange. Small dense systems.
 * @returns null when the rows do not determine x
 */
export function solveLinear(a: readonly (readonly number[])[], b: readonly number[]): number[] | null {
  const n = b.length
  const m = a.map((row, i) => [...row, b[i]])
  for (let c = 0; c < n; c++) {
    let pivot = c
    for (let r = c + 1; r < n; r++) if (Math.abs(m[r][c]) > Math.abs(m[pivot][c])) pivot = r
    if (!(Math.abs(m[pivot][c]) > 1e-14)) return null
    ;[m[c], m[pivot]] = [m[pivot], m[c]]
    for (let r = c + 1; r < n; r++) {
      const f = m[r][c] / m[c][c]
      if (f !== 0) for (let k = c; k <= n; k++) m[r][k] -= f * m[c][k]
    }
  }
  const x = new Array<number>(n).fill(0)
  for (let r = n - 1; r >= 0; r--)
    x[r] = (m[r][n] - m[r].slice(r + 1, n).reduce((s, v, k) => s + v * x[r + 1 + k], 0)) / m[r][r]
  return x
}

/**
 * Least squares by Gauss and Newton: parameters that make the residuals smallest, from a start near them.
 * @param residuals already divided by what each may be off
 * @returns null when the residuals do not determine the parameters
 */
export function leastSquares(
  start: readonly number[],
  residuals: (x: readonly number[]) => number[],
  rounds = 25,
): number[] | null {
  let x = [...start]
  for (let k = 0; k < rounds; k++) {
    const r = residuals(x)
    const h = 1e-4
    const columns = x.map((v, j) => {
      const up = residuals(x.map((w, i) => (i === j ? v + h : w)))
      const down = residuals(x.map((w, i) => (i === j ? v - h : w)))
      return up.map((u, i) => (u - down[i]) / (2 * h))
    })
    const normal = columns.map((p) => columns.map((q) => p.reduce((s, v, i) => s + v * q[i], 0)))
    const step = solveLinear(
      normal,
      columns.map((p) => -p.reduce((s, v, i) => s + v * r[i], 0)),
    )
    if (!step) return null
    x = x.map((v, i) => v + step[i])
    if (Math.max(...step.map(Math.abs)) < 1e-7) break
  }
  return x.every(Number.isFinite) ? x : null
}
