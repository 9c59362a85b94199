import { partOf } from '../../assembly/by-id.ts'
import { frontSteps } from '../../blocks/fronts/step.ts'
import { levelStep } from '../../blocks/mounts/steps.ts'
import { called, fixedBy } from '../../steps/fixed-by.ts'
import { idsOf, stepsWith, type Step } from '../../steps/step.ts'
import type { Shaped } from '../family.ts'
import type { SheetStoreParams } from './parameters.ts'

/** What is said with each step. */
export interface StepData {
  'store-frame': { posts: number; bolts: number }
  'store-frames': { count: number }
  'store-tie': { screws: number; count: number }
  'store-stand': { count: number }
  'store-load': { slots: number; entry: string }
}
const step = stepsWith<StepData>()
/** Diagonals of a frame square enough to go on, mm: builders' usual eighth of an inch. */
const SQUARE_MM = 3

export function sheetStoreSteps(p: SheetStoreParams, { assembly: a }: Shaped): Step[] {
  const ids = (pattern: RegExp) => a.parts.map((x) => x.id).filter((id) => pattern.test(id))
  const of = partOf(a)
  const frames = ids(/^under-/).length
  const levels = a.stick.map((m) => m.level)
  const [high, deep] = [of('post-0-0').size.lengthMm, of('under-0').size.lengthMm]
  const others = ids(/^(post|under|over)-[1-9]/)
  return [
    { id: 'stick', code: 'make-stick', parts: [], marks: levels, cautions: [] },
    step({
      id: 'frame',
      code: 'store-frame',
      data: { posts: ids(/^post-0-/).length, bolts: fixedBy(a, called('post'), called('rail')).bolts ?? 0 },
      parts: ids(/^(post|under|over)-0/),
      marks: levels,
      cautions: ['screws', 'dust'],
      hold: {
        code: 'diagonals',
        measure: { kind: 'equal', targetMm: Math.hypot(high, deep), toleranceMm: SQUARE_MM },
      },
    }),
    step({
      id: 'frames',
      code: 'store-frames',
      data: { count: frames - 1 },
      parts: others,
      cautions: [],
      hold: { code: 'same-as-first' },
    }),
    step({
      id: 'stand',
      code: 'store-stand',
      data: { count: frames },
      parts: [],
      on: ids(/^(post|under|over)-/),
      cautions: ['lift-two', 'top-heavy'],
    }),
    step({
      id: 'board',
      code: 'store-tie',
      data: { screws: fixedBy(a, called('back-rail'), called('post')).screws ?? 0, count: a.anchors.length },
      parts: ['tie'],
      anchors: idsOf(a.anchors),
      cautions: ['find-studs', 'not-into-wires'],
      hold: { code: 'tied-before-load' },
    }),
    levelStep(a, ids(/^post-/)),
    ...frontSteps(a),
    step({
      id: 'load',
      code: 'store-load',
      data: { slots: a.bays.length, entry: p.entry },
      parts: [],
      cautions: ['sheet-two'],
      hold: { code: 'sheets-slide' },
    }),
  ]
}
