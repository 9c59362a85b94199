import { id, lengthMm, LONGEST_MM, words, z } from '../measure/schema.ts'

/** What a wall is made of, and so what it can hold. */
export const construction = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('studs'),
    /** Centre to centre. */
    spacingMm: lengthMm(100, 2000),
    /** Left end of the wall to the centre of the first stud. */
    firstMm: lengthMm(0, 2000),
    /** Face width of a stud. */
    studMm: lengthMm(20, 200),
    /** Open studs have no lining in front of them. */
    lined: z.boolean(),
  }),
  z.object({ kind: z.literal('masonry') }),
  z.object({ kind: z.literal('concrete') }),
  /** A skin that can carry nothing. */
  z.object({ kind: z.literal('thin') }),
])
export type Construction = z.infer<typeof construction>

export const wall = z.object({
  id,
  name: words(60).min(1),
  lengthMm: lengthMm(300, LONGEST_MM),
  heightMm: lengthMm(300, 12_000),
  /** How far out from this wall builds may stand. */
  depthMm: lengthMm(50, LONGEST_MM),
  construction,
})
export type Wall = z.infer<typeof wall>

export const FLOORS = ['slab', 'timber'] as const

/** The surveyed room. Walls in order round it; more of what stands in it is added as the survey grows. */
export const room = z.object({
  name: words(80),
  walls: z.array(wall).max(60),
  ceiling: z.object({ heightMm: lengthMm(300, 12_000) }),
  floor: z.object({ kind: z.enum(FLOORS) }),
})
export type Room = z.infer<typeof room>

/** Centres of the studs along a wall, mm from its left end; none where it has no studs. */
export function studCentres(w: Wall): number[] {
  if (w.construction.kind !== 'studs') return []
  const { firstMm, spacingMm } = w.construction
  const n = Math.floor((w.lengthMm - firstMm) / spacingMm) + 1
  return Array.from({ length: Math.max(0, n) }, (_, i) => firstMm + i * spacingMm)
}

/** The space a build may fill at a wall. */
export interface FreeSpace {
  lengthMm: number
  heightMm: number
  depthMm: number
  ceilingMm: number
  floor: Room['floor']['kind']
  construction: Construction
  /** Stud centres behind the space, from its left end, mm. */
  studsMm: number[]
}

/** Whether a wall can hold a tie at all. */
export const canHoldTie = (c: Construction): boolean => c.kind !== 'thin'

/** From the wall's left end plus `offsetMm` to its right end, or to `untilMm` where the next build begins. */
export const freeSpace = (r: Room, w: Wall, offsetMm: number, untilMm = w.lengthMm): FreeSpace => ({
  lengthMm: Math.max(0, Math.min(untilMm, w.lengthMm) - offsetMm),
  heightMm: Math.min(w.heightMm, r.ceiling.heightMm),
  depthMm: w.depthMm,
  ceilingMm: r.ceiling.heightMm,
  floor: r.floor.kind,
  construction: w.construction,
  studsMm: studCentres(w).map((x) => x - offsetMm).filter((x) => x >= 0),
})
