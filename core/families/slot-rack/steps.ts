import { partOf } from '../../assembly/by-id.ts'
import { packedOf } from '../../assembly/packed.ts'
import { frontSteps, trackSteps } from '../../blocks/fronts/step.ts'
import { backStep } from '../../blocks/carcass/steps.ts'
import { levelStep, tieStep } from '../../blocks/mounts/steps.ts'
import { fixedBy } from '../../steps/fixed-by.ts'
import { stepsWith, type Step } from '../../steps/step.ts'
import type { Shaped } from '../family.ts'
import type { SlotRackParams } from './parameters.ts'

/** What is said with each step. */
export interface StepData {
  'slots-grooves': { decks: number; wideMm: number; deepMm: number }
  'slots-uprights': { sides: number }
  'slots-box': { decks: number; screws: number }
  'slots-top': { screws: number }
  'slots-dividers': { count: number; kinds: number; tracks: number }
  'slots-blocks': { sides: number; blocks: number; screws: number }
  'slots-on-blocks': { decks: number; screws: number }
  'slots-apart': { tracks: number; pieces: number; heaviestKg: number; longMm: number; wideMm: number }
  'slots-load': { slots: number }
}
const step = stepsWith<StepData>()
/** Diagonals of a box square enough, mm: half of builders' usual eighth of an inch. */
const SQUARE_MM = 2

/** It is emptied and taken apart, and how it goes together again. */
function apart(a: Shaped['assembly']): Step {
  const list = packedOf(a)
  return step({
    id: 'apart',
    code: 'slots-apart',
    data: {
      tracks: trackSteps(a).length,
      pieces: list.reduce((n, x) => n + x.count, 0),
      heaviestKg: Math.max(...list.map((x) => x.massKg)),
      longMm: list[0].lengthMm,
      wideMm: list[0].widthMm,
    },
    parts: [],
    on: a.parts.map((x) => x.id),
    apart: true,
    cautions: ['lift-two'],
  })
}

export function slotRackSteps(p: SlotRackParams, { assembly: a }: Shaped): Step[] {
  const ids = (pattern: RegExp) => a.parts.map((x) => x.id).filter((id) => pattern.test(id))
  const of = partOf(a)
  const starts = (name: string) => (x: { id: string }) => x.id.startsWith(name)
  const levels = a.stick.map((m) => m.level)
  const [uprights, decks, dividers, blocks] = [ids(/^upright-/), ids(/^deck-/), ids(/^divider-/), ids(/^block-/)]
  const travels = p.made === 'knock-down'
  const [tracks, front] = [trackSteps(a), frontSteps(a)]
  const back = ids(/^(back|tie)-/)
  const groove = of('deck-0-0').machining.find((m) => m.kind === 'dado')
  const square = {
    kind: 'equal' as const,
    targetMm: Math.hypot(of('top').size.lengthMm, of('upright-0').size.lengthMm),
    toleranceMm: SQUARE_MM,
  }
  const sizes = new Set(dividers.map((id) => `${of(id).size.lengthMm} ${of(id).size.widthMm}`))
  const steps: (Step | false)[] = [
    { id: 'stick', code: 'make-stick', parts: [], marks: levels, cautions: [] },
    travels
      ? step({
          id: 'uprights',
          code: 'slots-blocks',
          data: {
            sides: uprights.length,
            blocks: blocks.length,
            screws: fixedBy(a, starts('block'), starts('upright')).screwsMost ?? 0,
          },
          parts: [...uprights, ...blocks],
          marks: levels,
          cautions: ['screws', 'dust'],
          hold: { code: 'same-as-first' },
        })
      : step({
          id: 'uprights',
          code: 'slots-uprights',
          data: { sides: uprights.length },
          parts: uprights,
          marks: levels,
          cautions: ['blades', 'dust'],
          hold: { code: 'dado-fits' },
        }),
    groove !== undefined &&
      step({
        id: 'grooves',
        code: 'slots-grooves',
        data: { decks: decks.length + 1, wideMm: groove.widthMm, deepMm: groove.depthMm },
        parts: ['top', ...decks],
        cautions: ['blades'],
        hold: { code: 'dividers-slide' },
      }),
    step({
      id: 'box',
      code: travels ? 'slots-on-blocks' : 'slots-box',
      data: {
        decks: decks.length,
        screws: fixedBy(a, starts('deck'), starts(travels ? 'block' : 'upright')).screwsMost ?? 0,
      },
      parts: groove === undefined ? decks : [],
      on: [...uprights, ...decks],
      cautions: ['screws'],
      hold: { code: 'diagonals', measure: square },
    }),
    step({
      id: 'top',
      code: 'slots-top',
      data: { screws: fixedBy(a, starts('top'), starts('upright')).screwsMost ?? 0 },
      parts: groove === undefined ? ['top'] : [],
      on: ['top', ...uprights],
      cautions: [],
    }),
    backStep(a, square),
    {
      id: 'stand',
      code: travels ? 'stand-in-place' : 'tilt-up',
      parts: [],
      on: [...uprights, ...blocks, ...decks, ...back, 'top'],
      cautions: ['lift-two', 'top-heavy'],
    },
    levelStep(a, uprights),
    tieStep(a.anchors),
    dividers.length > 0 &&
      step({
        id: 'dividers',
        code: 'slots-dividers',
        data: { count: dividers.length, kinds: sizes.size, tracks: tracks.length },
        parts: dividers,
        cautions: [],
      }),
    // Dividers go in where the tracks are.
    ...tracks,
    ...front,
    step({ id: 'load', code: 'slots-load', data: { slots: a.bays.length }, parts: [], cautions: [] }),
    travels && apart(a),
  ]
  return steps.filter((s): s is Step => s !== false)
}
