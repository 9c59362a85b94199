import { partMassKg } from '../../assembly/mass.ts'
import { partBox } from '../../assembly/part-box.ts'
import { idsOf, stepsWith, type Step } from '../../steps/step.ts'
import type { Shaped } from '../family.ts'

/** What is said with each step. */
export interface StepData {
  'runners-made': { count: number }
  'battens-over': { battens: number; screws: number; clearMm: number; differ: number }
  'frame-up': { kg: number; fixings: number; screws: number }
  'first-runner': { atMm: number; fixings: number }
  'runner-trial': { clearMm: number }
  'other-runners': { count: number; differ: number }
  'load-runners': object
}
const step = stepsWith<StepData>()

export function ceilingRunnersSteps({ assembly: a, dims }: Shaped): Step[] {
  const of = (role: string) => a.parts.filter((x) => x.role === role)
  const [webs, flanges, battens] = ['web', 'flange', 'batten'].map((role) => idsOf(of(role)))
  const clear = dims.filter((x) => x.code === 'clear-width').map((x) => x.value)
  const given = { clear, differ: new Set(clear).size > 1 ? 1 : 0 }
  return [
    step({
      id: 'runners',
      code: 'runners-made',
      data: { count: webs.length },
      parts: [...webs, ...flanges],
      cautions: ['screws'],
      hold: { code: 'runner-straight' },
    }),
    ...(battens.length > 0
      ? asOneFrame(a, { webs, flanges, battens }, given)
      : oneByOne(a, { webs, flanges, first: partBox(of('web')[0]) }, given)),
    step({ id: 'load', code: 'load-runners', data: {}, parts: [], cautions: ['ladder'] }),
  ]
}

type Assembly = Shaped['assembly']
type Given = { clear: number[]; differ: number }

/** Runners that cross the joists go up one after the other, by a spacer board. */
function oneByOne(
  a: Assembly,
  { webs, flanges, first }: { webs: string[]; flanges: string[]; first: ReturnType<typeof partBox> },
  { clear, differ }: Given,
): Step[] {
  const fixing = (id: string) => a.anchors.filter((x) => x.part === id)
  return [
    step({
      id: 'first',
      code: 'first-runner',
      data: { atMm: (first.min[0] + first.max[0]) / 2, fixings: fixing(webs[0]).length },
      parts: [],
      on: [webs[0], flanges[0]],
      anchors: idsOf(fixing(webs[0])),
      cautions: ['joists-only', 'not-into-wires', 'ladder', 'falls-on-heads'],
      hold: { code: 'runner-square' },
    }),
    step({
      id: 'trial',
      code: 'runner-trial',
      data: { clearMm: clear[0] },
      parts: ['spacer'],
      on: [webs[1], flanges[1]],
      cautions: ['falls-on-heads'],
      hold: { code: 'tote-slides' },
    }),
    step({
      id: 'others',
      code: 'other-runners',
      data: { count: webs.length - 1, differ },
      parts: [],
      on: [...webs.slice(1), ...flanges.slice(1)],
      anchors: idsOf(webs.slice(1).flatMap(fixing)),
      removes: ['spacer'],
      cautions: ['ladder', 'falls-on-heads'],
      hold: { code: 'runner-pull' },
    }),
  ]
}

const frameKg = (a: Assembly) => a.parts.filter((p) => !p.temporary).reduce((kg, p) => kg + partMassKg(p), 0)

/** With battens over them they are one frame, made and tried on the floor. */
function asOneFrame(
  a: Assembly,
  { webs, flanges, battens }: { webs: string[]; flanges: string[]; battens: string[] },
  { clear, differ }: Given,
): Step[] {
  const fixings = a.anchors.filter((x) => x.part === battens[0])
  const screws = a.joints.find((j) => j.near === battens[0])!.fasteners[0].count
  return [
    step({
      id: 'battens',
      code: 'battens-over',
      data: { battens: battens.length, screws, clearMm: clear[0], differ },
      parts: [...battens, 'spacer'],
      on: [...webs, ...flanges],
      removes: ['spacer'],
      cautions: ['screws'],
      hold: { code: 'tote-slides' },
    }),
    step({
      id: 'up',
      code: 'frame-up',
      data: { kg: frameKg(a), fixings: fixings.length, screws: fixings[0].count },
      parts: [],
      on: [...webs, ...flanges, ...battens],
      anchors: idsOf(a.anchors),
      cautions: ['joists-only', 'not-into-wires', 'ladder', 'lift-two', 'falls-on-heads'],
      hold: { code: 'batten-pull' },
    }),
  ]
}
