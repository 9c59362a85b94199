import { fastenersIn } from '../../assembly/fasteners-in.ts'
import { partBox } from '../../assembly/part-box.ts'
import { idsOf, stepsWith, type Step } from '../../steps/step.ts'
import { armSteps } from '../arms.ts'
import type { Shaped } from '../family.ts'

/** What is said with each step. */
export interface StepData {
  'pairs-bored': { count: number; holes: number; diameterMm: number; deepMm: number }
  'pairs-framed': { count: number; rails: number; apartMm: number; screws: number }
  'pairs-up': { frames: number; lowestMm: number; places: number }
  'hang-by-bar': { count: number }
}
const step = stepsWith<StepData>()

/** The two arms of a pair may differ in height by this, mm: product decision; a bicycle leans by it and no more. */
const LEVEL_MM = 3

export function hangingArmsSteps({ assembly: a }: Shaped): Step[] {
  const of = (role: string) => a.parts.filter((x) => x.role === role)
  const [uprights, rails, arms] = [of('post'), of('back-rail'), of('arm')]
  const hole = uprights[0].machining.find((m) => m.kind === 'hole')
  const marks = (code: string) => a.stick.filter((m) => m.code === code).map((m) => m.level)
  const [diameterMm, deepMm] = hole?.kind === 'hole' ? [hole.diameterMm, hole.depthMm ?? 0] : [0, 0]
  const apartMm = uprights[1].at.centre[0] - uprights[0].at.centre[0]
  return [
    { id: 'stick', code: 'make-stick', parts: [], marks: a.stick.map((m) => m.level), cautions: [] },
    step({
      id: 'bored',
      code: 'pairs-bored',
      data: { count: uprights.length, holes: arms.length, diameterMm, deepMm },
      parts: idsOf(uprights),
      marks: marks('arm-hole'),
      cautions: ['dust'],
      hold: { code: 'pair-arm-tried' },
    }),
    step({
      id: 'framed',
      code: 'pairs-framed',
      data: { count: uprights.length, rails: rails.length, apartMm, screws: fastenersIn(a.joints) },
      parts: idsOf(rails),
      on: idsOf(uprights),
      marks: marks('rail-middle'),
      cautions: ['screws'],
      hold: { code: 'pair-level', measure: { kind: 'value', targetMm: 0, toleranceMm: LEVEL_MM } },
    }),
    step({
      id: 'up',
      code: 'pairs-up',
      data: {
        frames: new Set(rails.map((r) => r.at.centre[0])).size,
        lowestMm: Math.min(...rails.map((r) => partBox(r).min[2])),
        places: a.anchors.length,
      },
      parts: [],
      on: [...idsOf(uprights), ...idsOf(rails)],
      anchors: idsOf(a.anchors),
      cautions: ['find-studs', 'not-into-wires', 'lift-two'],
    }),
    ...armSteps(a, true),
    step({
      id: 'load',
      code: 'hang-by-bar',
      data: { count: a.bays.length },
      parts: [],
      cautions: ['falls-on-heads'],
    }),
  ]
}
