import { fastenersIn } from '../../assembly/fasteners-in.ts'
import { partBox } from '../../assembly/part-box.ts'
import { idsOf, stepsWith, type Step } from '../../steps/step.ts'
import type { Shaped } from '../family.ts'

/** What is said with each step. */
export interface StepData {
  'battens-along': { count: number; lowestMm: number; places: number }
  'panels-on': { count: number; screws: number }
  'hooks-in': { count: number }
  'hang-tools': object
}
const step = stepsWith<StepData>()

export function pegboardSteps({ assembly: a }: Shaped): Step[] {
  const of = (role: string) => a.parts.filter((x) => x.role === role)
  const [battens, panels, hooks] = [of('batten'), of('back'), of('hardware')]
  const marks = a.stick.map((m) => m.level)
  const screws = fastenersIn(a.joints)
  return [
    { id: 'stick', code: 'make-stick', parts: [], marks, cautions: [] },
    step({
      id: 'battens',
      code: 'battens-along',
      data: {
        count: battens.length,
        lowestMm: Math.min(...battens.map((b) => partBox(b).min[2])),
        places: a.anchors.length,
      },
      parts: idsOf(battens),
      anchors: idsOf(a.anchors),
      marks,
      cautions: ['find-studs', 'not-into-wires'],
      hold: { code: 'battens-in-plane' },
    }),
    step({
      id: 'panels',
      code: 'panels-on',
      data: { count: panels.length, screws },
      parts: idsOf(panels),
      on: idsOf(battens),
      cautions: ['screws'],
      hold: { code: 'panel-flat' },
    }),
    step({
      id: 'hooks',
      code: 'hooks-in',
      data: { count: hooks.length },
      parts: idsOf(hooks),
      on: idsOf(panels),
      cautions: [],
    }),
    step({ id: 'load', code: 'hang-tools', data: {}, parts: [], cautions: ['falls-on-heads'] }),
  ]
}
