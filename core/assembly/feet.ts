import type { Assembly, Support } from './assembly.ts'

/** A part of a build, or several as one, that the floor pushes up; what keeps it from moving sideways there is no foot. */
export const isFoot = (s: Support): boolean => s.on.kind === 'floor' && !('bay' in s.from) && s.push[2] > UP
/** Size of the upward part of a push that is one. */
const UP = 0.5

type PartFoot = Support & { from: { part: string } }
/** Feet that are parts by themselves. */
export const partFeet = (a: Pick<Assembly, 'supports'>): PartFoot[] =>
  a.supports.filter((s): s is PartFoot => isFoot(s) && 'part' in s.from)
