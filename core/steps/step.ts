import type { Shim } from '../assembly/assembly.ts'

/** A point where building stops until something has been tried or measured. */
export interface HoldPoint {
  code: string
  /** Two lengths that must agree, or one that must come out at a value; absent when it is tried, not measured. */
  measure?: { kind: 'equal' | 'value'; targetMm: number; toleranceMm: number }
}

/** One step of a build sheet. Words are made from the code in `wording/steps.ts`. */
export interface Step {
  id: string
  code: string
  data?: Record<string, number | string>
  /** Parts this step brings in; each part of a build is brought in by exactly one step. */
  parts: string[]
  /** Made on the bench by itself: it is shown alone, and large. */
  bench?: boolean
  /** Parts already there that it works on. */
  on?: string[]
  /** It comes apart here: what it travels as is listed. */
  apart?: boolean
  /** What was only there for the time being, and comes off at its end. */
  removes?: readonly string[]
  /**
   * Joints it makes between parts that were brought in before, by the roles of both in order of the alphabet:
   * `post-rail`, or only those of one kind: `post-rail:pocket-screwed`.
   */
  joins?: readonly string[]
  /** Fixings into wall, joist or floor that are driven in it; each of a build in exactly one step. */
  anchors?: readonly string[]
  /** Levels of the story stick that are needed. */
  marks?: number[]
  /** Wedges to set, where they go and how thick. */
  shims?: readonly Shim[]
  hold?: HoldPoint
  cautions: string[]
}

/** Steps of a kind of build that say what data each of their codes goes with. */
export const stepsWith =
  <D extends Record<keyof D, object>>() =>
  <K extends keyof D & string>(s: Omit<Step, 'code' | 'data'> & { code: K; data: D[K] }): Step =>
    s as Step

export const idsOf = (list: readonly { id: string }[]): string[] => list.map((x) => x.id)
