import { newtons } from '../measure/units.ts'
import type { Assembly } from './assembly.ts'
import { massCentre, partMassKg } from './mass.ts'

/** A weight where it acts, in the frame of its build: N, mm. */
export interface Weight {
  n: number
  x: number
  y: number
  z: number
}

/** What a build itself weighs, piece by piece. */
export const selfWeights = (a: Assembly): Weight[] =>
  a.parts.map((p) => {
    const [x, y, z] = massCentre(p)
    return { n: newtons(partMassKg(p)), x, y, z }
  })

/** What stands on it, not on the floor under it; what nobody has weighed counts as nothing. */
export const goodsWeights = (a: Assembly): Weight[] =>
  a.bays
    .filter((b) => b.carriers.length > 0)
    .flatMap((b) =>
      b.items.map(({ box: { min, max }, massKg }) => ({
        n: newtons(massKg ?? 0),
        x: (min[0] + max[0]) / 2,
        y: (min[1] + max[1]) / 2,
        z: (min[2] + max[2]) / 2,
      })),
    )
