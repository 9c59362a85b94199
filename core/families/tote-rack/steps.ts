import { levelStep, loadStep, tieStep } from '../../blocks/mounts/steps.ts'
import type { Shaped } from '../family.ts'
import { frontSteps } from '../../blocks/fronts/step.ts'
import { called, fixedBy, type FixedBy } from '../../steps/fixed-by.ts'
import { stepsWith, type Step } from '../../steps/step.ts'
import type { ToteRackParams } from './parameters.ts'

/** What is said with each step. */
export interface StepData {
  'rear-frame': FixedBy & { spliced: number }
  'back-and-brace': FixedBy
  'back-rails': FixedBy
  'catch-boards': FixedBy & { count: number }
  'front-frame': object
  'mark-rails': object
  'first-rails': FixedBy
  'other-rails': object
  'top-sheet': object
}
const step = stepsWith<StepData>()

/** Diagonals of a frame that is square enough to go on: builders' usual eighth of an inch, mm. */
const SQUARE_MM = 3

export function toteRackSteps(p: ToteRackParams, shaped: Shaped): Step[] {
  const { assembly } = shaped
  const ids = (test: (id: string) => boolean) => assembly.parts.map((x) => x.id).filter(test)
  const frame = (side: string) =>
    ids((id) => id.endsWith(`-${side}`) && (id.startsWith('plate') || id.startsWith('post')))
  const diagonal = frameDiagonal(shaped, 'rear')
  const levels = assembly.stick.filter((m) => m.code === 'rail-top').map((m) => m.level)
  const backs = ids((id) => id.startsWith('back-') || id === 'brace')
  const catchers = ids((id) => id.startsWith('catch-'))
  const firstRails = ids((id) => /^rail-0-0-/.test(id))
  const restRails = ids((id) => id.startsWith('rail-') && !firstRails.includes(id))
  const tops = ids((id) => id.startsWith('top-'))
  const tied = assembly.anchors.length > 0
  const spliced = assembly.parts.some((x) => /^(plate-(bottom|top)|back-\d)-\d/.test(x.id)) ? 1 : 0
  // Its front is hung when it stands.
  const front = frontSteps(assembly).flatMap((x) => x.parts)
  const steps: (Step | false)[] = [
    { id: 'stick', code: 'make-stick', parts: [], marks: assembly.stick.map((m) => m.level), cautions: [] },
    step({
      id: 'rear',
      code: 'rear-frame',
      data: { spliced, ...fixedBy(assembly, called('plate'), called('post')) },
      parts: frame('rear'),
      cautions: ['screws', 'dust'],
      hold: { code: 'diagonals', measure: { kind: 'equal', targetMm: diagonal, toleranceMm: SQUARE_MM } },
    }),
    backs.length > 0 &&
      step({
        id: 'backs',
        code: p.brace ? 'back-and-brace' : 'back-rails',
        data: { ...fixedBy(assembly, called('back-rail'), called('post')) },
        parts: backs,
        on: frame('rear'),
        cautions: [],
        hold: { code: 'diagonals-again', measure: { kind: 'equal', targetMm: diagonal, toleranceMm: SQUARE_MM } },
      }),
    catchers.length > 0 &&
      step({
        id: 'catches',
        code: 'catch-boards',
        data: {
          count: catchers.length,
          ...fixedBy(
            assembly,
            (x) => x.id.startsWith('back-'),
            (x) => x.id.startsWith('catch-'),
          ),
        },
        parts: catchers,
        on: backs,
        cautions: [],
      }),
    step({
      id: 'front',
      code: 'front-frame',
      data: {},
      parts: frame('front'),
      cautions: [],
      hold: { code: 'same-as-first' },
    }),
    step({
      id: 'marks',
      code: 'mark-rails',
      data: {},
      parts: [],
      on: ids((id) => id.startsWith('post')),
      marks: levels,
      cautions: [],
    }),
    step({
      id: 'first-rails',
      code: 'first-rails',
      data: { ...fixedBy(assembly, called('rail'), called('post')) },
      parts: firstRails,
      on: ids((id) => /^post-[01]-/.test(id)),
      marks: levels.slice(0, 1),
      cautions: [],
      hold: { code: 'one-tote' },
    }),
    restRails.length > 0 &&
      step({
        id: 'rails',
        code: 'other-rails',
        data: {},
        parts: restRails,
        on: ids((id) => id.startsWith('post')),
        marks: levels,
        cautions: [],
      }),
    {
      id: 'stand',
      code: p.raise === 'tilt' ? 'tilt-up' : 'stand-in-place',
      parts: [],
      on: ids((id) => !front.includes(id)),
      cautions: ['lift-two', 'top-heavy'],
    },
    levelStep(
      assembly,
      ids((id) => id.startsWith('plate-bottom')),
    ),
    tieStep(assembly.anchors),
    tops.length > 0 && step({ id: 'top', code: 'top-sheet', data: {}, parts: tops, cautions: ['sheet-two'] }),
    ...frontSteps(assembly),
    loadStep(tied),
  ]
  return steps.filter((s): s is Step => s !== false)
}

/** Corner to corner of a frame as it lies on the floor, mm. */
export function frameDiagonal(shaped: Shaped, side: string): number {
  const plates = shaped.assembly.parts.filter((x) => x.id.startsWith('plate-top') && x.id.endsWith(side))
  const high = plates[0].at.centre[2] + plates[0].size.thicknessMm / 2
  return Math.hypot(
    plates.reduce((sum, x) => sum + x.size.lengthMm, 0),
    high,
  )
}
