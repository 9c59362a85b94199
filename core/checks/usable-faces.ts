import type { Assembly, Motion, Part } from '../assembly/assembly.ts'
import { turnsUp } from '../assembly/moved.ts'
import { isUpright, thicknessAxis, wholeBox, type PartBoxes } from '../assembly/part-box.ts'
import { defineCheck, plain, type CheckResult } from './check.ts'

/*
 * What a cabinet with leaves gains: all faces something can hang on, against the bare wall it takes. A face counts where
 * there is room before it inside the cabinet: both of a leaf that turns, the inner one of a door, of what stands still the
 * one that looks out. Counted alike for every cabinet.
 */

/** Less room before a face takes nothing, mm. Product decision: a rule on its nail. */
const LEAST_ROOM_MM = 10
/** A face that looks out from the wall: size of that part of its axis. */
const LOOKS_OUT = 0.9

export interface UsableFaces {
  areaMm2: number
  wallMm2: number
  /** Leaves both of whose faces count. */
  leaves: number
}

export function usableFaces(a: Assembly, boxes: PartBoxes): UsableFaces {
  const whole = wholeBox(boxes)
  // What is drawn out or slides aside gains no faces.
  const isUp: (m: Motion) => boolean = turnsUp
  const turning = new Set(a.motions.flatMap((m) => (m.kind === 'swing' && !isUp(m) ? m.parts : [])))
  const looking = (p: Part) =>
    p.stock.kind === 'sheet' && isUprightSheet(p) && Math.abs(thicknessAxis(p)[1]) > LOOKS_OUT
  let [areaMm2, leaves] = [0, 0]
  for (const p of a.parts.filter(looking)) {
    const { min, max } = boxes.get(p.id)!
    const outer = whole.max[1] - max[1] >= LEAST_ROOM_MM
    const inner = turning.has(p.id) && min[1] - whole.min[1] >= LEAST_ROOM_MM
    areaMm2 += (Number(outer) + Number(inner)) * p.size.lengthMm * p.size.widthMm
    if (outer && inner) leaves++
  }
  const wallMm2 = (whole.max[0] - whole.min[0]) * (whole.max[2] - whole.min[2])
  return { areaMm2, wallMm2, leaves }
}
/** Either way it lies on its sheet. */
const isUprightSheet = (p: Part): boolean => isUpright(p) || Math.abs(p.at.across[2]) > LOOKS_OUT

export const usable = defineCheck({
  id: 'usable-faces',
  reads: ['assembly', 'boxes'],
  run({ assembly, boxes }): CheckResult[] {
    const { areaMm2, wallMm2, leaves } = usableFaces(assembly, boxes)
    if (leaves === 0) return []
    return [
      plain({
        check: 'usable-faces',
        link: 'goods',
        code: 'usable-faces',
        quantity: 'area',
        subject: 'build',
        state: 'holds',
        data: { areaMm2, wallMm2, times: areaMm2 / wallMm2, leaves },
      }),
    ]
  },
})
