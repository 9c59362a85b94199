import type { Box } from '../geometry/box.ts'
import { norm, sub, type Vec3 } from '../geometry/vec.ts'
import type { BeamResult, BeamSpec } from '../mechanics/beam.ts'
import { NOTHING, wrenchOf, type Force, type Wrench } from './body.ts'

/** A force on a patch of a part, N, downward unless said otherwise. */
export interface Patch {
  box: Box
  n: number
  /** Unit way it acts. */
  way?: Vec3
  /** It comes from what is held there by a fitting, not from what lies on the part. */
  held?: true
}
const DOWN: Vec3 = [0, 0, -1]
export const wayOf = (x: Pick<Patch, 'way'>): Vec3 => x.way ?? DOWN

/** One beam, or one strip of a panel, as it was solved. */
export interface Bent {
  spec: BeamSpec
  result: BeamResult
  /** Ids of the supports, in the order of `spec.supports`. */
  supports: string[]
  /** What its loads and moments are of, mm of width: one of a panel, the breadth of a beam. */
  widthMm: number
  /** Its size the way it bends; that of a level member in an upright plane where left out. */
  depthMm?: number
  /** How wide the strip of a panel is of which that is a millimetre. */
  stripMm?: number
}

/**
 * What strips under its edges do for a panel: how many times as stiff its softest place is, and what each of them
 * bears.
 */
export interface Stiffening {
  sag: number
  strips: { id: string; momentNmm: number }[]
}

/** What a member is pulled and pressed with along itself, N, both positive. */
export interface Axial {
  pulledN: number
  pressedN: number
}

export type MemberState =
  /** Bent in one plane; in the other as well, pulled or pressed, where that is so. */
  | { kind: 'beam'; bent: Bent; other?: Bent; axial?: Axial }
  /** Spanning along its length or across it; on points it bends across as well, N·mm per mm. */
  | { kind: 'panel'; along: boolean; strips: Bent[]; stiff: Stiffening; acrossNmm?: number }
  | { kind: 'column'; axialN: number; bent?: Bent[]; pulledN?: number }
  /** Takes a force along itself only. */
  | { kind: 'strut'; axial: Axial }
  /** One with the others of its body. */
  | { kind: 'joined'; body: string }
  /** Lies on something over its whole length. */
  | { kind: 'bedded' }
  /** Carries nothing but itself (a brace). */
  | { kind: 'idle' }
  | { kind: 'unknown'; reason: 'not-weighed' | 'too-few-supports' | 'no-stiffness' | 'off-axis' }

export interface Member {
  part: string
  state: MemberState
  /** All that rests on it and itself, N. */
  totalN: number
  /** Where that acts. */
  loads: readonly Patch[]
}

/** What reaches floor, wall or ceiling through a support, as a force on them. */
export interface Arrival extends Force {
  support: string
}

export interface LoadPath {
  members: Map<string, Member>
  /** What passes through each support, N: pushed apart positive, so down positive where one rests on another. */
  reactions: Map<string, number>
  /** Bodies that nothing holds as they are loaded. */
  notHeld: string[]
  /** All weights where they are, and all that arrives at floor, walls and ceiling. */
  weights: Wrench
  arrivals: Arrival[]
  /** Couples of members that nobody passed on and the ground as one takes up, as a share of all weights, mm. */
  besideMm: number
  /** Sum of all weights, N. */
  loadsN: number
  /** Goods that nobody has weighed and that rest on parts of this build. */
  notWeighed: string[]
}

/** A path nothing has been followed down yet. */
export const emptyPath = (): LoadPath => ({
  members: new Map(),
  reactions: new Map(),
  notHeld: [],
  weights: NOTHING,
  arrivals: [],
  besideMm: 0,
  loadsN: 0,
  notWeighed: [],
})

/** Loads in and reactions out may differ by this share before the analysis is called wrong: floating point only. */
const EQUILIBRIUM = 1e-6
/** Their moments may differ by this times all weight, mm. */
const MOMENT_MM = 1

/** What all that arrives adds up to. */
export const arrived = (p: Pick<LoadPath, 'arrivals'>): Wrench => wrenchOf(p.arrivals)

/**
 * Verifier: every newton put in arrives somewhere, and all six sums agree. Of a path with a member nobody could compute
 * only the weight is asked: what rests on that one is shared out evenly, and it is not proven anyway.
 */
export function inEquilibrium(p: LoadPath): boolean {
  const out = arrived(p)
  const off = sub(p.weights.force, out.force)
  if (norm(off) > EQUILIBRIUM * Math.max(1, p.loadsN)) return false
  for (const m of p.members.values()) if (m.state.kind === 'unknown') return true
  if (p.notHeld.length > 0) return true
  return norm(sub(p.weights.moment, out.moment)) <= MOMENT_MM * Math.max(1, p.loadsN)
}
