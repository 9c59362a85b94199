import { levelStep, loadStep, pinStep, tieStep } from '../../blocks/mounts/steps.ts'
import { backStep } from '../../blocks/carcass/steps.ts'
import { drawerSteps, runnerSteps } from '../../blocks/fronts/drawer-steps.ts'
import { frontSteps, trackSteps } from '../../blocks/fronts/step.ts'
import { called, fixedBy, type FixedBy } from '../../steps/fixed-by.ts'
import { stepsWith, type Step } from '../../steps/step.ts'
import type { Shaped } from '../family.ts'
import type { ShelfUnitParams } from './parameters.ts'

/** What is said with each step. */
export interface StepData {
  'walk-to-wall': object
  'cleats-on': FixedBy
  'strips-glued': { rear: number }
  'strips-screwed': { rear: number }
  'shelves-in': FixedBy & { cleats: number }
  'shelves-in-standing': FixedBy & { cleats: number }
}
const step = stepsWith<StepData>()

/** Diagonals of a box square enough to go on, mm: builders' usual eighth of an inch. */
const SQUARE_MM = 3

export function shelfUnitSteps(p: ShelfUnitParams, shaped: Shaped): Step[] {
  const { assembly } = shaped
  const ids = (pattern: RegExp) => assembly.parts.map((x) => x.id).filter((id) => pattern.test(id))
  const levels = assembly.stick.map((m) => m.level)
  const sides = assembly.parts.filter((x) => x.role === 'side')
  const wide =
    Math.max(...sides.map((x) => x.at.centre[0])) -
    Math.min(...sides.map((x) => x.at.centre[0])) +
    sides[0].size.thicknessMm
  const square = {
    kind: 'equal' as const,
    targetMm: Math.hypot(wide, sides[0].size.lengthMm),
    toleranceMm: SQUARE_MM,
  }
  const tied = assembly.anchors.length > 0
  // Its front is hung when it stands.
  const front = [...drawerSteps(assembly), ...frontSteps(assembly)].flatMap((s) => s.parts)
  const angles = ids(/^angle-/)
  const standing = ids(/./).filter((id) => !front.includes(id) && !angles.includes(id))
  const steps: (Step | false)[] = [
    { id: 'stick', code: 'make-stick', parts: [], marks: levels, cautions: [] },
    {
      id: 'cleats',
      code: p.hold === 'dado' ? 'dadoes-cut' : 'cleats-on',
      data: { ...fixedBy(assembly, called('side'), called('cleat')) },
      parts: [...ids(/^upright-/), ...ids(/^cleat-/)],
      marks: levels,
      cautions: [p.hold === 'dado' ? 'blades' : 'screws', 'dust'],
      hold: { code: p.hold === 'dado' ? 'dado-fits' : 'cleats-level' },
    },
    p.strip !== 'none' &&
      step({
        id: 'strips',
        code: p.strip === 'glued' ? 'strips-glued' : 'strips-screwed',
        data: { rear: p.rearStrip ? 1 : 0 },
        parts: ids(/^strip-/),
        on: ids(/^shelf-/),
        cautions: [],
      }),
    ...runnerSteps(assembly),
    ...trackSteps(assembly),
    step({
      id: 'shelves',
      code: p.raise === 'tilt' ? 'shelves-in' : 'shelves-in-standing',
      data: {
        cleats: p.hold === 'cleats' ? 1 : 0,
        ...fixedBy(assembly, called('shelf'), called('side', 'cleat')),
      },
      parts: ids(/^(shelf|panel)-/),
      on: ids(/^upright-/),
      marks: levels,
      cautions: [],
      hold: {
        code: 'diagonals',
        measure: square,
      },
    }),
    backStep(assembly, square),
    {
      id: 'stand',
      code: p.raise === 'tilt' ? 'tilt-up' : 'walk-to-wall',
      parts: [],
      on: standing,
      cautions: ['lift-two', 'top-heavy'],
    },
    levelStep(assembly, ids(/^upright-/)),
    pinStep(assembly, angles),
    tieStep(assembly.anchors.filter((x) => !angles.includes(x.part))),
    ...drawerSteps(assembly),
    ...frontSteps(assembly),
    loadStep(tied),
  ]
  return steps.filter((s): s is Step => s !== false)
}
