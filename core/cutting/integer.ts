/**
 * A small integer program: least cost, every variable a whole number from 0 to its upper bound, rows between two
 * limits.
 */
export interface IntegerModel {
  cost: number[]
  upper: (number | null)[]
  rows: { terms: [column: number, value: number][]; least: number | null; most: number | null }[]
}
export interface IntegerAnswer {
  /** The best solution is known to be best. */
  optimal: boolean
  values: number[]
  cost: number
}
/** A solver the planners may ask; loaded and owned by whoever runs them. Null when it found nothing in its time. */
export type SolveInteger = (model: IntegerModel, seconds: number) => IntegerAnswer | 'infeasible' | null

/** The model as CPLEX LP text, which general solvers read. */
export function asLpText(m: IntegerModel): string {
  const sum = (terms: [number, number][]) =>
    terms.map(([c, v]) => `${v < 0 ? '-' : '+'} ${Math.abs(v)} x${c}`).join(' ')
  const lines = ['Minimize', ` obj: ${m.cost.map((c, i) => `+ ${c} x${i}`).join(' ') || '0 x0'}`, 'Subject To']
  m.rows.forEach((r, i) => {
    if (r.terms.length === 0) return
    if (r.least !== null && r.least === r.most) lines.push(` r${i}: ${sum(r.terms)} = ${r.least}`)
    else {
      if (r.least !== null) lines.push(` r${i}l: ${sum(r.terms)} >= ${r.least}`)
      if (r.most !== null) lines.push(` r${i}m: ${sum(r.terms)} <= ${r.most}`)
    }
  })
  lines.push(
    'Bounds',
    ...m.upper.map((u, i) => (u === null ? ` x${i} >= 0` : ` 0 <= x${i} <= ${u}`)),
    'General',
    ` ${m.cost.map((_, i) => `x${i}`).join(' ')}`,
    'End',
  )
  return lines.join('\n')
}
