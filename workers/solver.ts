import loadHighs from 'highs'
import wasmUrl from 'highs/runtime?url'
import { asSolver } from '../core/cutting/ask-solver.ts'
import type { SolveInteger } from '../core/cutting/integer.ts'

let solver: Promise<SolveInteger | null> | null = null

/** The mixed-integer solver in a worker, loaded when first asked for; null where it cannot be (no WebAssembly). */
export const loadSolver = (): Promise<SolveInteger | null> =>
  (solver ??= loadHighs({ locateFile: () => wasmUrl })
    .then((h) => asSolver(h as never))
    .catch(() => null))
