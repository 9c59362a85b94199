import { partBox } from '../../assembly/part-box.ts'
import { boxSteps, shelvesOnPins } from '../../blocks/carcass/steps.ts'
import { frontSteps, trackSteps } from '../../blocks/fronts/step.ts'
import { called, fixedBy, type FixedBy } from '../../steps/fixed-by.ts'
import { idsOf, stepsWith, type Step } from '../../steps/step.ts'
import type { Shaped } from '../family.ts'
import type { WallCabinetParams } from './parameters.ts'

/** What is said with each step. */
export interface StepData {
  'ledger-up': { atMm: number }
  'screw-to-wall-held': { count: number; atMm: number }
  'rails-bevelled': FixedBy
  'rails-in': FixedBy
  'back-in': object
  'strip-on-wall': { count: number; atMm: number }
  'strips-on-wall': { count: number; atMm: number }
  'hook-on': { count: number; atMm: number }
  'screw-to-wall': { count: number; atMm: number }
}
const step = stepsWith<StepData>()

export function wallCabinetSteps(p: WallCabinetParams, shaped: Shaped): Step[] {
  const { assembly: a } = shaped
  const box = a.bodies.find((b) => b.id === 'carcass')!.parts
  const ids = (...roles: string[]) => a.parts.filter((x) => roles.includes(x.role)).map((x) => x.id)
  const inBox = (...roles: string[]) => ids(...roles).filter((id) => box.includes(id))
  const hooked = p.hang !== 'rail'
  const topOf = (role: string) => Math.max(...a.parts.filter((x) => x.role === role).map((x) => partBox(x).max[2]))
  const underside = Math.min(...a.parts.filter((x) => box.includes(x.id)).map((x) => partBox(x).min[2]))
  const ledger = a.parts.filter((x) => x.temporary).map((x) => x.id)
  const steps: (Step | false)[] = [
    ...boxSteps(a, box),
    step({
      id: 'rails',
      code: hooked ? 'rails-bevelled' : 'rails-in',
      data: { ...fixedBy(a, called('back-rail'), called('side')) },
      parts: ids('back-rail'),
      on: inBox('side', 'top', 'shelf'),
      cautions: hooked ? ['blades'] : [],
    }),
    step({
      id: 'back',
      code: 'back-in',
      data: {},
      parts: ids('back'),
      cautions: [],
      hold: { code: 'box-square-again' },
    }),
    ...trackSteps(a),
    hooked &&
      step({
        id: 'strip',
        code: p.hang === 'two-strips' ? 'strips-on-wall' : 'strip-on-wall',
        data: { count: a.anchors.length, atMm: topOf('hanger') },
        parts: ids('hanger'),
        anchors: idsOf(a.anchors),
        cautions: ['find-studs', 'not-into-wires'],
        hold: { code: 'strip-level' },
      }),
    ledger.length > 0 &&
      step({
        id: 'ledger',
        code: 'ledger-up',
        data: { atMm: underside },
        parts: ledger,
        cautions: ['find-studs', 'not-into-wires'],
        hold: { code: 'ledger-bears' },
      }),
    step({
      id: 'hang',
      code: hooked ? 'hook-on' : ledger.length > 0 ? 'screw-to-wall' : 'screw-to-wall-held',
      data: { count: a.anchors.length, atMm: underside },
      parts: [],
      on: hooked ? ids('hanger', 'back-rail') : ids('back-rail'),
      removes: ledger,
      ...(hooked ? {} : { anchors: idsOf(a.anchors) }),
      cautions: hooked
        ? ['lift-two', 'falls-on-heads']
        : ['lift-two', 'falls-on-heads', 'find-studs', 'not-into-wires'],
      hold: { code: 'hangs-before-load' },
    }),
    ...frontSteps(a),
    shelvesOnPins(a),
    { id: 'load', code: 'load-hung', parts: [], cautions: [] },
  ]
  return steps.filter((s): s is Step => s !== false)
}
