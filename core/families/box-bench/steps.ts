import { backStep, boxSteps } from '../../blocks/carcass/steps.ts'
import { drawerSteps, runnerSteps } from '../../blocks/fronts/drawer-steps.ts'
import { frontSteps } from '../../blocks/fronts/step.ts'
import { levelStep, loadStep, pinStep, tieStep } from '../../blocks/mounts/steps.ts'
import { called, fixedBy } from '../../steps/fixed-by.ts'
import { stepsWith, type Step } from '../../steps/step.ts'
import { scribeStep, type ScribeStep } from '../bench-corner.ts'
import { wellStep, type WellStep } from '../bench-wells.ts'
import type { Shaped } from '../family.ts'
import type { BoxBenchParams } from './parameters.ts'

/** What is said with each step. */
export interface StepData extends ScribeStep, WellStep {
  'box-bench-join': { boxes: number; wells: number; screws: number }
  'box-bench-top': { count: number; layers: number; screws: number }
}
const step = stepsWith<StepData>()

/** Diagonals of a box square enough for doors, mm: half of builders' usual eighth of an inch. */
const SQUARE_MM = 2

export function boxBenchSteps(p: BoxBenchParams, { assembly: a }: Shaped): Step[] {
  const ids = (pattern: RegExp) => a.parts.map((x) => x.id).filter((id) => pattern.test(id))
  const [uprights, tops] = [ids(/^upright-/), ids(/^top-/)]
  const boxes = a.subassemblies.filter((s) => s.id.startsWith('box-'))
  const inBoxes = boxes.flatMap((b) => b.parts)
  // Told of a box that is no well, where there is one.
  const own = boxes
    .map((b) => a.parts.filter((x) => b.parts.includes(x.id) && x.role === 'side'))
    .reduce((most, x) => (x[0].size.lengthMm > most[0].size.lengthMm ? x : most))
  const wide = own[own.length - 1].at.centre[0] - own[0].at.centre[0] + own[0].size.thicknessMm
  const tied = a.anchors.length > 0
  const boxed = boxSteps(a, inBoxes, wide)
  const all: (Step | false)[] = [
    ...boxed.slice(0, -1),
    ...runnerSteps(a),
    ...boxed.slice(-1),
    backStep(a, { kind: 'equal', targetMm: Math.hypot(wide, own[0].size.lengthMm), toleranceMm: SQUARE_MM }),
    {
      id: 'stand',
      code: 'tilt-up',
      parts: [],
      on: inBoxes,
      cautions: ['lift-two'],
    },
    levelStep(a, uprights),
    boxes.length > 1 &&
      step({
        id: 'join',
        code: 'box-bench-join',
        data: {
          boxes: boxes.length,
          wells: p.wells.length,
          screws: fixedBy(a, called('side'), called('side')).screwsMost ?? 0,
        },
        parts: [],
        on: uprights,
        joins: ['side-side'],
        cautions: ['screws'],
      }),
    pinStep(a, ids(/^angle-/)),
    tieStep(a.anchors.filter((x) => x.into !== 'slab')),
    scribeStep(p, a),
    step({
      id: 'top',
      code: 'box-bench-top',
      data: {
        count: tops.length,
        layers: p.layers === 'two' ? 2 : 1,
        screws: fixedBy(a, called('top'), called('side')).screwsMost ?? 0,
      },
      parts: tops,
      cautions: ['sheet-two', 'dust'],
      hold: { code: 'top-flat' },
    }),
    ...drawerSteps(a),
    ...frontSteps(a),
    wellStep(a),
    loadStep(tied),
  ]
  return all.filter((s): s is Step => s !== false)
}
