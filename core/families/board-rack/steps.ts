import { partBox } from '../../assembly/part-box.ts'
import { idsOf, stepsWith, type Step } from '../../steps/step.ts'
import { armSteps } from '../arms.ts'
import type { Shaped } from '../family.ts'
import type { BoardRackParams } from './parameters.ts'

/** What is said with each step. */
export interface StepData {
  'uprights-bored': { count: number; holes: number; diameterMm: number; deepMm: number; levels: number }
  'uprights-up': { count: number; screws: number; footMm: number }
}
const step = stepsWith<StepData>()

/** Arms of a level may be out of one line by this, mm: a board rocks on more. Product decision. */
const LINE_MM = 3

export function boardRackSteps(p: BoardRackParams, { assembly: a }: Shaped): Step[] {
  const of = (role: string) => a.parts.filter((x) => x.role === role)
  const [uprights, arms] = [of('post'), of('arm')]
  const hole = uprights[0].machining.find((m) => m.kind === 'hole')
  const marks = a.stick.map((m) => m.level)
  const [diameterMm, deepMm] = hole?.kind === 'hole' ? [hole.diameterMm, hole.depthMm ?? 0] : [0, 0]
  const levels = a.stick.length
  return [
    { id: 'stick', code: 'make-stick', parts: [], marks, cautions: [] },
    step({
      id: 'bored',
      code: 'uprights-bored',
      data: { count: uprights.length, holes: arms.length, diameterMm, deepMm, levels },
      parts: idsOf(uprights),
      marks,
      cautions: ['dust'],
      hold: { code: 'one-arm-tried' },
    }),
    step({
      id: 'up',
      code: 'uprights-up',
      data: {
        count: uprights.length,
        screws: a.anchors.length / uprights.length,
        footMm: partBox(uprights[0]).min[2],
      },
      parts: [],
      on: idsOf(uprights),
      anchors: idsOf(a.anchors),
      cautions: ['find-studs', 'not-into-wires', 'lift-two'],
      hold: { code: 'holes-in-line', measure: { kind: 'value', targetMm: 0, toleranceMm: LINE_MM } },
    }),
    ...armSteps(a, p.arm === 'tube'),
    { id: 'load', code: 'load-low-first', parts: [], cautions: [] },
  ]
}
