import { createRequire } from 'node:module'
import { asSolver, type TextSolver } from '../core/cutting/ask-solver.ts'
import type { SolveInteger } from '../core/cutting/integer.ts'

/** The mixed-integer solver for the command line; null when it cannot be loaded. */
export async function loadSolver(): Promise<SolveInteger | null> {
  try {
    const load = createRequire(import.meta.url)('highs') as () => Promise<TextSolver>
    return asSolver(await load())
  } catch {
    return null
  }
}
