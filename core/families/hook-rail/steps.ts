import { partBox } from '../../assembly/part-box.ts'
import { idsOf, stepsWith, type Step } from '../../steps/step.ts'
import type { Shaped } from '../family.ts'

/** What is said with each step. */
export interface StepData {
  'wheel-rail-up': { pieces: number; lowestMm: number; places: number }
  'wheel-hooks-in': { count: number; apartMm: number }
  'hang-by-wheel': { count: number }
}
const step = stepsWith<StepData>()

/** From end to end the rail may be off level by this, mm. Product decision. */
const LEVEL_MM = 5

export function hookRailSteps({ assembly: a }: Shaped): Step[] {
  const [rails, hooks] = ['back-rail', 'hardware'].map((role) => a.parts.filter((x) => x.role === role))
  const marks = a.stick.map((m) => m.level)
  const at = hooks.map((h) => h.at.centre[0])
  return [
    { id: 'stick', code: 'make-stick', parts: [], marks, cautions: [] },
    step({
      id: 'rail',
      code: 'wheel-rail-up',
      data: {
        pieces: rails.length,
        lowestMm: Math.min(...rails.map((r) => partBox(r).min[2])),
        places: a.anchors.length,
      },
      parts: idsOf(rails),
      anchors: idsOf(a.anchors),
      marks,
      cautions: ['find-studs', 'not-into-wires', 'screws'],
      hold: { code: 'wheel-rail-level', measure: { kind: 'value', targetMm: 0, toleranceMm: LEVEL_MM } },
    }),
    step({
      id: 'hooks',
      code: 'wheel-hooks-in',
      data: { count: hooks.length, apartMm: at.length > 1 ? at[1] - at[0] : 0 },
      parts: idsOf(hooks),
      on: idsOf(rails),
      cautions: [],
      hold: { code: 'wheel-hook-pulled' },
    }),
    step({
      id: 'load',
      code: 'hang-by-wheel',
      data: { count: a.bays.length },
      parts: [],
      cautions: ['falls-on-heads'],
    }),
  ]
}
