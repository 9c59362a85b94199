/** Something a person typed or a file held that cannot be used. Words are made from it in `wording/problems.ts`. */
export interface Problem {
  code: string
  /** The field it concerns, as a path (`goods.3.tallMm`). */
  field?: string
  data?: Record<string, string | number>
}

export type Result<T> = { ok: true; value: T } | { ok: false; problem: Problem }

export const good = <T>(value: T): Result<T> => ({ ok: true, value })
export const bad = <T = never>(code: string, data?: Problem['data'], field?: string): Result<T> => ({
  ok: false,
  problem: { code, ...(data ? { data } : {}), ...(field ? { field } : {}) },
})
