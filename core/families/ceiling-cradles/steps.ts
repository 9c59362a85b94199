import { partBox } from '../../assembly/part-box.ts'
import { idsOf, stepsWith, type Step } from '../../steps/step.ts'
import type { Shaped } from '../family.ts'
import type { CeilingCradlesParams } from './parameters.ts'

/** What is said with each step. */
export interface StepData {
  'cradle-bearers': { count: number; holes: number; longMm: number; apartMm: number }
  'cradle-spreaders': { count: number; holes: number }
  'cradles-up': { count: number; atMm: number }
  'load-cradles': { from: CeilingCradlesParams['from'] }
}
const step = stepsWith<StepData>()

/** Bearers may be out of one line by this, mm: what is long takes on what it lies on. Product decision. */
const LINE_MM = 3

export function ceilingCradlesSteps(p: CeilingCradlesParams, { assembly: a }: Shaped): Step[] {
  const of = (role: string) => a.parts.filter((x) => x.role === role)
  const [bearers, spreaders, rods] = [of('cross'), of('spreader'), of('rod')]
  const upper = rods.filter((r) => spreaders.some((s) => a.joints.some((j) => j.near === r.id && j.far === s.id)))
  const lower = rods.filter((r) => !upper.includes(r))
  const marks = a.stick.map((m) => m.level)
  const [first] = bearers
  const holes = first.machining.filter((m) => m.kind === 'hole')
  const at = holes.map((m) => (m.kind === 'hole' ? m.atMm : 0))
  return [
    step({
      id: 'bearers',
      code: 'cradle-bearers',
      data: {
        ...{ count: bearers.length, holes: holes.length, longMm: first.size.lengthMm },
        apartMm: Math.max(...at) - Math.min(...at),
      },
      parts: idsOf(bearers),
      cautions: ['dust'],
      hold: { code: 'holes-alike' },
    }),
    step({
      id: 'spreaders',
      code: 'cradle-spreaders',
      data: { count: spreaders.length, holes: upper.length },
      parts: idsOf([...spreaders, ...upper]),
      cautions: ['joists-only', 'not-into-wires', 'ladder'],
      hold: { code: 'rods-pull' },
    }),
    step({
      id: 'up',
      code: 'cradles-up',
      data: { count: bearers.length, atMm: partBox(first).max[2] },
      parts: idsOf(lower),
      on: idsOf([...bearers, ...upper]),
      marks,
      cautions: ['ladder', 'falls-on-heads'],
      hold: { code: 'cradles-in-line', measure: { kind: 'value', targetMm: 0, toleranceMm: LINE_MM } },
    }),
    step({
      id: 'load',
      code: 'load-cradles',
      data: { from: p.from },
      parts: [],
      cautions: ['ladder', 'lift-two', 'falls-on-heads'],
    }),
  ]
}
