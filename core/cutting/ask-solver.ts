import { asLpText, type SolveInteger } from './integer.ts'

/** What is used of a general mixed-integer solver. */
export interface TextSolver {
  solve(
    text: string,
    options: Record<string, unknown>,
  ): { Status: string; Columns: Record<string, { Primal?: number }> }
}

/** Asks the solver; a failure of its own is no answer, never a wrong one. */
export const asSolver =
  (highs: TextSolver): SolveInteger =>
  (model, seconds) => {
    try {
      const r = highs.solve(asLpText(model), {
        time_limit: seconds,
        mip_rel_gap: 0,
        mip_abs_gap: 0.5,
        output_flag: false,
      })
      if (r.Status === 'Infeasible') return 'infeasible'
      if (r.Status !== 'Optimal' && !/limit/i.test(r.Status)) return null
      const values = model.cost.map((_, i) => Math.round(r.Columns[`x${i}`]?.Primal ?? 0))
      // What a limit left behind is only taken when it really keeps every row.
      const kept = model.rows.every((row) => {
        const sum = row.terms.reduce((s, [c, v]) => s + v * values[c], 0)
        return (row.least === null || sum >= row.least - 1e-6) && (row.most === null || sum <= row.most + 1e-6)
      })
      return kept
        ? { optimal: r.Status === 'Optimal', values, cost: model.cost.reduce((s, c, i) => s + c * values[i], 0) }
        : null
    } catch {
      return null
    }
  }
