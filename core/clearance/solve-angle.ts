/** Least value of a smooth function with one valley between 0 and a right angle: golden section after a coarse look. */
export function solveAngle(f: (rad: number) => number): number {
  const n = 60
  let best = 1
  for (let i = 1; i < n; i++) if (f((i * Math.PI) / 2 / n) < f((best * Math.PI) / 2 / n)) best = i
  let [lo, hi] = [((best - 1) * Math.PI) / 2 / n + 1e-9, ((best + 1) * Math.PI) / 2 / n - 1e-9]
  const golden = (Math.sqrt(5) - 1) / 2
  for (let i = 0; i < 80; i++) {
    const [a, b] = [hi - golden * (hi - lo), lo + golden * (hi - lo)]
    if (f(a) < f(b)) hi = b
    else lo = a
  }
  return f((lo + hi) / 2)
}
