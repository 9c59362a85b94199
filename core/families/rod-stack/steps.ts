import { partBox } from '../../assembly/part-box.ts'
import { boxSteps } from '../../blocks/carcass/steps.ts'
import { frontSteps } from '../../blocks/fronts/step.ts'
import { called, fixedBy, type FixedBy } from '../../steps/fixed-by.ts'
import { idsOf, stepsWith, type Step } from '../../steps/step.ts'
import type { Shaped } from '../family.ts'

/** What is said with each step. */
export interface StepData {
  'back-behind': object
  'spreaders-up': { count: number; rods: number }
  'crosses-on': FixedBy
  'stack-up': { rods: number; atMm: number }
  'stack-steady': { count: number }
}
const step = stepsWith<StepData>()

export function rodStackSteps(shaped: Shaped): Step[] {
  const { assembly: a } = shaped
  const parts = (...roles: string[]) => a.parts.filter((x) => roles.includes(x.role))
  const ids = (...roles: string[]) => parts(...roles).map((x) => x.id)
  const box = ids('side', 'shelf', 'top')
  const under = Math.min(...parts('cross').map((x) => partBox(x).min[2]))
  const rods = parts('rod')
  const [lower, upper] = [
    rods.filter((r) =>
      a.joints.some((j) => j.near !== r.id && j.far === r.id && a.parts.find((x) => x.id === j.near)?.role === 'cross'),
    ),
    rods.filter((r) =>
      a.joints.some((j) => j.near === r.id && a.parts.find((x) => x.id === j.far)?.role === 'spreader'),
    ),
  ].map((list) => list.map((x) => x.id))
  const steps: (Step | false)[] = [
    ...boxSteps(a, a.bodies.find((b) => b.id === 'stack')!.parts),
    step({ id: 'back', code: 'back-behind', data: {}, parts: ids('back'), on: box, cautions: [] }),
    step({
      id: 'spreaders',
      code: 'spreaders-up',
      data: { count: parts('spreader').length, rods: upper.length },
      parts: [...ids('spreader'), ...upper],
      cautions: ['joists-only', 'not-into-wires', 'ladder'],
      hold: { code: 'rods-pull' },
    }),
    step({
      id: 'cross',
      code: 'crosses-on',
      data: { ...fixedBy(a, called('cross'), called('shelf')) },
      parts: ids('cross'),
      on: box,
      cautions: [],
    }),
    step({
      id: 'lift',
      code: 'stack-up',
      data: { rods: lower.length, atMm: under },
      parts: lower,
      on: [...ids('cross'), ...upper],
      cautions: ['lift-two', 'falls-on-heads'],
      hold: { code: 'stack-level' },
    }),
    a.anchors.length > 0 &&
      step({
        id: 'steady',
        code: 'stack-steady',
        data: { count: a.anchors.length },
        parts: [],
        on: ids('back'),
        anchors: idsOf(a.anchors),
        cautions: ['find-studs', 'not-into-wires'],
      }),
    ...frontSteps(a),
    { id: 'load', code: 'load-hung', parts: [], cautions: [], hold: { code: 'nuts-again' } },
  ]
  return steps.filter((s): s is Step => s !== false)
}
