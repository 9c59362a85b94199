import type { Box } from '../geometry/box.ts'
import type { BeamResult, BeamSpec } from '../mechanics/beam.ts'

/** A weight on a patch of a part, N, downward. */
export interface Patch {
  box: Box
  n: number
}

/** One beam, or one strip of a panel, as it was solved. */
export interface Bent {
  spec: BeamSpec
  result: BeamResult
  /** Ids of the supports, in the order of `spec.supports`. */
  supports: string[]
  /** Width of the strip for a panel; breadth of the member for a beam, mm. */
  widthMm: number
}

/** What strips under its edges do for a panel: how many times as stiff it is, and what share of the moment is its own. */
export interface Stiffening {
  sag: number
  share: number
  strips: string[]
}

export type MemberState =
  | { kind: 'beam'; bent: Bent }
  /** Spanning along its strength axis, or across it. */
  | { kind: 'panel'; along: boolean; strips: Bent[]; stiff: Stiffening }
  | { kind: 'column'; axialN: number }
  /** Lies on something over its whole length. */
  | { kind: 'bedded' }
  /** Carries nothing but itself (a brace). */
  | { kind: 'idle' }
  | { kind: 'unknown'; reason: 'not-weighed' | 'too-few-supports' | 'no-stiffness' }

export interface Member {
  part: string
  state: MemberState
  /** All that rests on it and itself, N. */
  totalN: number
}

export interface LoadPath {
  members: Map<string, Member>
  /** What passes through each support, N, down positive. */
  reactions: Map<string, number>
  /** What was put in, and what arrived at floor, walls and ceiling, N. */
  loadsN: number
  arrivedN: number
  /** Their moments along the wall and out from it, N·mm. */
  loadsAt: [number, number]
  arrivedAt: [number, number]
  /** Goods that nobody has weighed and that rest on parts of this build. */
  notWeighed: string[]
}

/** Loads in and reactions out may differ by this share before the analysis is called wrong: floating point only. */
const EQUILIBRIUM = 1e-6

/**
 * Forces pass from board to board at their faces, not their middles, and a deep post may stand out past its plate: what arrives may be off by
 * about half the depth of a post, mm.
 */
const FACE_MM = 50

/**
 * Verifier: every newton put in arrives somewhere, and their middle is where it was. Of a path with a member nobody could compute only the sum is
 * asked: what rests on that one is shared out evenly, and it is not proven anyway.
 */
export function inEquilibrium(p: LoadPath): boolean {
  if (Math.abs(p.loadsN - p.arrivedN) > EQUILIBRIUM * Math.max(1, p.loadsN)) return false
  for (const m of p.members.values()) if (m.state.kind === 'unknown') return true
  return ([0, 1] as const).every((i) => Math.abs(p.loadsAt[i] - p.arrivedAt[i]) <= FACE_MM * p.loadsN)
}
