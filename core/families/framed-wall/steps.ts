import { fastenersIn } from '../../assembly/fasteners-in.ts'
import { partBox } from '../../assembly/part-box.ts'
import { called, fixedBy } from '../../steps/fixed-by.ts'
import { idsOf, stepsWith, type Step } from '../../steps/step.ts'
import type { Shaped } from '../family.ts'
import type { FramedWallParams } from './parameters.ts'

/** What is said with each step. */
export interface StepData {
  'framed-plates': { lower: number; upper: number; anchors: number; screws: number; doorMm: number }
  'framed-studs': { studs: number; screws: number; everyMm: number; noggings: number }
  'framed-door': { wideMm: number; highMm: number; pieces: number }
  'framed-panels': { count: number; screws: number }
}
const step = stepsWith<StepData>()

export function framedWallSteps(_p: FramedWallParams, { assembly: a }: Shaped): Step[] {
  const those = (pattern: RegExp) => a.parts.filter((x) => pattern.test(x.id))
  const [lower, upper, studs] = [those(/^plate-low-/), those(/^plate-high-/), those(/^stud-/)]
  const [beside, over, panels] = [those(/^trimmer-/), those(/^(header|cripple)/), those(/^panel-/)]
  const noggings = those(/^nogging-/)
  const [left, right] = beside.map((x) => partBox(x))
  const doorMm = left ? right.min[0] - left.max[0] : 0
  const lefts = studs.map((x) => partBox(x).min[0])
  // From one side of a door to the other is no distance of studs.
  const apart = lefts.slice(1).map((x, i) => (left && x > left.max[0] && lefts[i] < left.min[0] ? 0 : x - lefts[i]))
  const steps: (Step | false)[] = [
    step({
      id: 'plates',
      code: 'framed-plates',
      data: {
        ...{ lower: lower.length, upper: upper.length, doorMm },
        anchors: a.anchors.filter((x) => x.into === 'slab').length,
        screws: a.anchors.filter((x) => x.into !== 'slab').length,
      },
      parts: [...idsOf(lower), ...idsOf(upper)],
      anchors: idsOf(a.anchors),
      cautions: ['ladder', 'not-into-wires', 'dust'],
      hold: { code: 'framed-plumb' },
    }),
    step({
      id: 'studs',
      code: 'framed-studs',
      data: {
        studs: studs.length,
        screws: fixedBy(a, called('plate'), called('stud')).screws ?? 0,
        everyMm: Math.max(...apart),
        noggings: noggings.length,
      },
      parts: [...idsOf(studs), ...idsOf(noggings)],
      on: [...idsOf(lower), ...idsOf(upper)],
      cautions: ['screws', 'dust'],
      hold: { code: 'post-plumb' },
    }),
    over.length > 0 &&
      step({
        id: 'door',
        code: 'framed-door',
        data: { wideMm: doorMm, highMm: left.max[2], pieces: over.length - 1 },
        parts: [...idsOf(beside), ...idsOf(over)],
        cautions: ['ladder', 'screws'],
        hold: { code: 'framed-door-square' },
      }),
    panels.length > 0 &&
      step({
        id: 'panels',
        code: 'framed-panels',
        data: {
          count: panels.length,
          screws: fastenersIn(a.joints.filter((j) => panels.some((x) => x.id === j.near))),
        },
        parts: idsOf(panels),
        on: idsOf(studs),
        cautions: ['sheet-two', 'dust', 'not-into-wires'],
      }),
  ]
  return steps.filter((s): s is Step => s !== false)
}
