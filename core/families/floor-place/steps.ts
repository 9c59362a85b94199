import { idsOf, stepsWith, type Step } from '../../steps/step.ts'
import type { Shaped } from '../family.ts'

/** What is said with each step. */
export interface StepData {
  'floor-stop-on': { pieces: number; places: number }
  /** Widths from the left, mm, with blanks between them. */
  'floor-marked': { count: number; widths: string; deepMm: number }
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
        widths: wide.join(' '),
        deepMm: Math.max(...a.bays.map((b) => b.clear.max[1])),
      },
      parts: [],
      on: idsOf(a.parts),
      cautions: [],
    }),
    step({ id: 'load', code: 'floor-rolled-in', data: { count: a.bays.length }, parts: [], cautions: [] }),
  ]
}
