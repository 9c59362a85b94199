import { frontSteps } from '../../blocks/fronts/step.ts'
import { levelStep, loadStep, tieStep } from '../../blocks/mounts/steps.ts'
import { called, fixedBy } from '../../steps/fixed-by.ts'
import { stepsWith, type Step } from '../../steps/step.ts'
import type { Shaped } from '../family.ts'
import type { BoxBenchParams } from './parameters.ts'

/** What is said with each step. */
export interface StepData {
  'box-bench-join': { boxes: number; screws: number }
  'box-bench-top': { count: number; layers: number; screws: number }
}
const step = stepsWith<StepData>()

/** Diagonals of a box square enough for doors, mm: half of builders' usual eighth of an inch. */
const SQUARE_MM = 2

export function boxBenchSteps(p: BoxBenchParams, { assembly: a }: Shaped): Step[] {
  const ids = (pattern: RegExp) => a.parts.map((x) => x.id).filter((id) => pattern.test(id))
  const marks = a.stick.filter((m) => m.parts.some((id) => id.startsWith('shelf-'))).map((m) => m.level)
  const [uprights, shelves, backs, tops] = [ids(/^upright-/), ids(/^shelf-/), ids(/^(back|tie)-/), ids(/^top-/)]
  const boxes = a.subassemblies.filter((s) => s.id.startsWith('box-'))
  const of = (id: string) => a.parts.find((x) => x.id === id)!
  const first = boxes[0].parts.filter((id) => id.startsWith('upright-')).map(of)
  const wide = first[first.length - 1].at.centre[0] - first[0].at.centre[0] + first[0].size.thicknessMm
  const square = {
    kind: 'equal' as const,
    targetMm: Math.hypot(wide, first[0].size.lengthMm),
    toleranceMm: SQUARE_MM,
  }
  const tied = a.anchors.length > 0
  const all: (Step | false)[] = [
    { id: 'stick', code: 'make-stick', parts: [], marks, cautions: [] },
    {
      id: 'dadoes',
      code: 'dadoes-cut',
      data: {},
      parts: uprights,
      marks,
      cautions: ['blades', 'dust'],
      hold: { code: 'dado-fits' },
    },
    {
      id: 'shelves',
      code: 'shelves-in',
      data: { cleats: 0, ...fixedBy(a, called('shelf'), called('side')) },
      parts: shelves,
      on: uprights,
      marks,
      cautions: ['screws'],
      hold: { code: 'diagonals', measure: square },
    },
    {
      id: 'back',
      code: 'back-on',
      data: {
        nailers: ids(/^tie-/).length,
        back: ids(/^back-/).length,
        ...fixedBy(a, called('back-rail'), called('side')),
      },
      parts: backs,
      on: uprights,
      cautions: [],
      hold: { code: 'diagonals-again', measure: square },
    },
    {
      id: 'stand',
      code: 'tilt-up',
      parts: [],
      on: [...uprights, ...shelves, ...backs],
      cautions: ['lift-two'],
    },
    levelStep(a, uprights),
    boxes.length > 1 &&
      step({
        id: 'join',
        code: 'box-bench-join',
        data: { boxes: boxes.length, screws: fixedBy(a, called('side'), called('side')).screwsMost ?? 0 },
        parts: [],
        on: uprights,
        joins: ['side-side'],
        cautions: ['screws'],
      }),
    tieStep(a.anchors),
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
    ...frontSteps(a),
    loadStep(tied),
  ]
  return all.filter((s): s is Step => s !== false)
}
