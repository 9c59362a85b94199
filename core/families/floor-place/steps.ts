import { idsOf, stepsWith, type Step } from '../../steps/step.ts'
import type { Shaped } from '../family.ts'

/** What is said with each step. */
export interface StepData {
  'floor-stop-on': { pieces: number; places: number }
  'floor-marked': { count: number; wideMm: number; deepMm: number }
  'floor-rolled-in': { count: number }
}
const step = stepsWith<StepData>()

export function floorPlaceSteps({ assembly: a }: Shaped): Step[] {
  const wide = a.bays.map((b) => b.clear.max[0] - b.clear.min[0])
  return [
    step({
      id: 'stop',
      code: 'floor-stop-on',
      data: { pieces: a.parts.length, places: a.anchors.length },
      parts: idsOf(a.parts),
      anchors: idsOf(a.anchors),
      cautions: ['find-studs', 'not-into-wires', 'screws'],
      hold: { code: 'stop-kicked' },
    }),
    step({
      id: 'marks',
      code: 'floor-marked',
      data: {
        count: a.bays.length,
        wideMm: wide.reduce((mm, x) => mm + x, 0),
        deepMm: Math.max(...a.bays.map((b) => b.clear.max[1])),
      },
      parts: [],
      on: idsOf(a.parts),
      cautions: [],
    }),
    step({ id: 'load', code: 'floor-rolled-in', data: { count: a.bays.length }, parts: [], cautions: [] }),
  ]
}
