import type { Joint } from './assembly.ts'

/** How many fasteners of all kinds joints have together. */
export const fastenersIn = (joints: readonly Pick<Joint, 'fasteners'>[]): number =>
  joints.reduce((n, j) => n + j.fasteners.reduce((m, f) => m + f.count, 0), 0)
