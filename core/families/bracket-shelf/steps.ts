import { partBox } from '../../assembly/part-box.ts'
import { called, fixedBy, type FixedBy } from '../../steps/fixed-by.ts'
import { idsOf, stepsWith, type Step } from '../../steps/step.ts'
import type { Shaped } from '../family.ts'
import { pairKind, type BracketShelfParams } from './parameters.ts'

/** What is said with each step. */
export interface StepData {
  'brackets-ripped': FixedBy & { count: number; above: number }
  'brackets-cut': FixedBy & { count: number; above: number }
  'gussets-on': FixedBy & { count: number }
  'knees-on': FixedBy & { count: number }
  'brackets-on-wall': { count: number; screws: number; atMm: number; levels: number }
  'shelves-on-brackets': FixedBy & { sheets: number; levels: number; above: number }
  'spreader-over': object
  'corner-hung': object
}
const step = stepsWith<StepData>()

/** A bracket may be out of square by this much at its far end, mm. Product decision: less than a shelf shows. */
const SQUARE_MM = 2

export function bracketShelfSteps(p: BracketShelfParams, shaped: Shaped): Step[] {
  const { assembly: a } = shaped
  const above = p.stand === 'above'
  const ids = (...roles: string[]) => a.parts.filter((x) => roles.includes(x.role)).map((x) => x.id)
  const marks = a.stick.map((m) => m.level)
  const [arm, leg] = [a.parts.find((x) => x.role === 'arm')!, a.parts.find((x) => x.role === 'leg')!]
  const [armBox, legBox] = [partBox(arm), partBox(leg)]
  const diagonal = Math.hypot(armBox.max[1], above ? legBox.max[2] - armBox.min[2] : armBox.max[2] - legBox.min[2])
  const tops = a.parts.filter((x) => x.role === 'arm').map((x) => partBox(x).max[2])
  const pair = pairKind(p) === 'gusset' ? ('gusset' as const) : ('brace' as const)
  const legs = ids('leg').length
  const steps: Step[] = [
    { id: 'stick', code: 'make-stick', parts: [], marks, cautions: [] },
    step({
      id: 'frames',
      code: p.frame === 'ripped' ? 'brackets-ripped' : 'brackets-cut',
      data: { ...fixedBy(a, called('arm'), called('leg')), count: legs, above: above ? 1 : 0 },
      parts: ids('arm', 'leg'),
      cautions: p.frame === 'ripped' ? ['blades'] : [],
    }),
    step({
      id: 'pairs',
      code: pair === 'gusset' ? 'gussets-on' : 'knees-on',
      data: { ...fixedBy(a, called(pair), called('arm')), count: legs },
      parts: ids(pair),
      on: ids('arm', 'leg'),
      cautions: ['screws'],
      hold: {
        code: above ? 'bracket-square-above' : 'bracket-square',
        measure: { kind: 'value', targetMm: diagonal, toleranceMm: SQUARE_MM },
      },
    }),
    step({
      id: 'wall',
      code: 'brackets-on-wall',
      data: { count: legs, screws: a.anchors.length / legs, atMm: Math.min(...tops), levels: marks.length },
      parts: [],
      on: ids('leg', 'arm'),
      anchors: idsOf(a.anchors),
      marks,
      cautions: ['find-studs', 'not-into-wires', 'falls-on-heads'],
      hold: { code: 'bracket-pull' },
    }),
    step({
      id: 'sheets',
      code: 'shelves-on-brackets',
      data: {
        ...fixedBy(a, called('shelf'), called('arm')),
        sheets: ids('shelf').length,
        levels: marks.length,
        above: above ? 1 : 0,
      },
      parts: ids('shelf'),
      on: ids('arm'),
      cautions: ['lift-two'],
      hold: { code: 'hangs-before-load' },
    }),
    ...hungCorner(a),
    { id: 'load', code: 'load-hung', parts: [], cautions: [] },
  ]
  return steps
}

/** The rod of a corner that hangs from above, and what it hangs from; nothing where none does. */
function hungCorner(a: Shaped['assembly']): Step[] {
  const ids = (role: string) => a.parts.filter((x) => x.role === role).map((x) => x.id)
  const [rods, spreaders] = [ids('rod'), ids('spreader')]
  if (rods.length === 0) return []
  return [
    step({
      id: 'spreader',
      code: 'spreader-over',
      data: {},
      parts: spreaders,
      cautions: ['joists-only', 'not-into-wires', 'ladder'],
    }),
    step({
      id: 'corner',
      code: 'corner-hung',
      data: {},
      parts: rods,
      on: [...ids('arm').slice(-1), ...spreaders],
      cautions: ['falls-on-heads'],
      hold: { code: 'corner-level' },
    }),
  ]
}
