import { partBox } from '../../assembly/part-box.ts'
import { hangDoors } from '../../blocks/fronts/step.ts'
import { called, fixedBy } from '../../steps/fixed-by.ts'
import type { Step } from '../../steps/step.ts'
import type { Shaped } from '../family.ts'
import type { WallCabinetParams } from './parameters.ts'

/** Diagonals of a box square enough to go on, mm: builders' usual eighth of an inch. */
const SQUARE_MM = 3

export function wallCabinetSteps(p: WallCabinetParams, shaped: Shaped): Step[] {
  const { assembly: a } = shaped
  const ids = (...roles: string[]) => a.parts.filter((x) => roles.includes(x.role)).map((x) => x.id)
  const sides = a.parts.filter((x) => x.role === 'side')
  const wide = Math.max(...sides.map((x) => x.at.centre[0])) - Math.min(...sides.map((x) => x.at.centre[0]))
  const diagonal = Math.hypot(wide + sides[0].size.thicknessMm, sides[0].size.lengthMm)
  const levels = a.stick.map((m) => m.level)
  const hooked = p.hang === 'strip'
  const topOf = (role: string) => Math.max(...a.parts.filter((x) => x.role === role).map((x) => partBox(x).max[2]))
  const underside = Math.min(...sides.map((x) => partBox(x).min[2]))
  const steps: (Step | false)[] = [
    { id: 'stick', code: 'make-stick', parts: [], marks: levels, cautions: [] },
    {
      id: 'dadoes',
      code: 'dadoes-cut',
      data: { rabbets: 1 },
      parts: ids('side'),
      marks: levels,
      cautions: ['blades', 'dust'],
      hold: { code: 'dado-fits' },
    },
    {
      id: 'box',
      code: 'box-together',
      data: { ...fixedBy(a, called('shelf', 'top'), called('side')) },
      parts: ids('shelf', 'top'),
      on: ids('side'),
      cautions: ['screws'],
      hold: { code: 'diagonals', measure: { kind: 'equal', targetMm: diagonal, toleranceMm: SQUARE_MM } },
    },
    {
      id: 'rails',
      code: hooked ? 'rails-bevelled' : 'rails-in',
      data: { ...fixedBy(a, called('back-rail'), called('side')) },
      parts: ids('back-rail'),
      on: ids('side', 'top', 'shelf'),
      cautions: hooked ? ['blades'] : [],
    },
    { id: 'back', code: 'back-in', parts: ids('back'), cautions: [], hold: { code: 'box-square-again' } },
    hooked && {
      id: 'strip',
      code: 'strip-on-wall',
      data: { count: a.anchors.length, atMm: topOf('hanger') },
      parts: ids('hanger'),
      cautions: ['find-studs', 'not-into-wires'],
      hold: { code: 'strip-level' },
    },
    {
      id: 'hang',
      code: hooked ? 'hook-on' : 'screw-to-wall',
      data: { count: a.anchors.length, atMm: underside },
      parts: [],
      on: hooked ? ids('hanger', 'back-rail') : ids('back-rail'),
      cautions: hooked
        ? ['lift-two', 'falls-on-heads']
        : ['lift-two', 'falls-on-heads', 'find-studs', 'not-into-wires'],
      hold: { code: 'hangs-before-load' },
    },
    hangDoors(a),
    { id: 'load', code: 'load-hung', parts: [], cautions: [] },
  ]
  return steps.filter((s): s is Step => s !== false)
}
