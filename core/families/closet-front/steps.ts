import { levelStep, loadStep, tieStep } from '../../blocks/mounts/steps.ts'
import type { Part } from '../../assembly/assembly.ts'
import { drawerSteps, runnerSteps } from '../../blocks/fronts/drawer-steps.ts'
import { frontSteps } from '../../blocks/fronts/step.ts'
import { called, fixedBy } from '../../steps/fixed-by.ts'
import { stepsWith, type Step } from '../../steps/step.ts'
import type { Shaped } from '../family.ts'
import type { ClosetFrontParams } from './parameters.ts'

/** What is said with each step. */
export interface StepData {
  'closet-ladders': { ladders: number; rungs: number; screws: number }
  'closet-skins': { skins: number; cleats: number; screws: number }
  'closet-framed': { skins: number; cleats: number; screws: number; cleatScrews: number }
  'closet-sides': { pairs: number; screws: number }
  'closet-panels': { bays: number; screws: number; cleats: number; kicks: number }
  'closet-back': { backs: number; nailers: number }
  'closet-face': { stiles: number; rails: number; railScrews: number; screws: number }
  'closet-trim': { ends: number; heads: number; leftMm: number }
}
const step = stepsWith<StepData>()
type Which = (p: Part) => boolean
/** Diagonals of a bay square enough for doors, mm: half of builders' usual eighth of an inch. */
const SQUARE_MM = 2

export function closetFrontSteps(p: ClosetFrontParams, { assembly: a }: Shaped): Step[] {
  const ids = (pattern: RegExp) => a.parts.map((x) => x.id).filter((id) => pattern.test(id))
  const marks = a.stick.map((m) => m.level)
  const [uprights, panels, backs] = [ids(/^upright-/), ids(/^(shelf|top|panel)-\d/), ids(/^(back|tie)-/)]
  const [ladders, cleats, kicks] = [ids(/^(post|rung)-/), ids(/^cleat-/), ids(/^kick-/)]
  const ends = ids(/^(filler|head)-/)
  const face = ids(/^(stile|face)-/)
  const tied = a.anchors.length > 0
  const laddered = ladders.length > 0
  const screws = (near: Which, far: Which) => fixedBy(a, near, far).screwsMost ?? 0
  const skinned = { skins: uprights.length, cleats: cleats.length, screws: screws(called('side'), called('post')) }
  const first = a.parts.find((x) => x.id === 'shelf-0-0')!
  const high = a.parts.find((x) => x.id === uprights[0])!.size.lengthMm
  const square = { kind: 'equal' as const, targetMm: Math.hypot(first.size.lengthMm, high), toleranceMm: SQUARE_MM }
  const scribed = a.parts.flatMap((x) => x.machining).find((m) => m.kind === 'scribe')
  const steps: (Step | false)[] = [
    { id: 'stick', code: 'make-stick', parts: [], marks, cautions: [] },
    laddered &&
      step({
        id: 'ladders',
        code: 'closet-ladders',
        data: {
          ladders: ids(/^post-\d+-0$/).length,
          rungs: ids(/^rung-/).length,
          screws: screws(called('cross'), called('post')),
        },
        parts: ladders,
        marks,
        cautions: ['screws'],
      }),
    laddered
      ? step({
          id: 'skins',
          ...(p.school === 'frames'
            ? {
                code: 'closet-framed' as const,
                data: { ...skinned, cleatScrews: screws(called('post'), called('cleat')) },
              }
            : { code: 'closet-skins' as const, data: skinned }),
          parts: [...uprights, ...cleats],
          on: ladders,
          marks,
          cautions: ['lift-two', 'screws'],
          hold: { code: 'cleats-level' },
        })
      : {
          id: 'sides',
          code: 'dadoes-cut',
          data: { dadoes: 1, rabbets: 1 },
          parts: uprights,
          marks,
          cautions: ['blades', 'dust'],
          hold: { code: 'dado-fits' },
        },
    ...runnerSteps(a),
    step({
      id: 'panels',
      code: 'closet-panels',
      data: {
        bays: backs.filter((id) => id.startsWith('back')).length,
        screws: screws(called('shelf'), called('side', 'cleat')),
        cleats: cleats.length > 0 ? 1 : 0,
        kicks: kicks.length,
      },
      parts: [...panels, ...kicks],
      on: uprights,
      marks,
      cautions: ['lift-two', 'top-heavy', 'screws'],
      hold: { code: 'diagonals', measure: square },
    }),
    p.school === 'boxes' &&
      uprights.length > 2 &&
      step({
        id: 'joined',
        code: 'closet-sides',
        data: { pairs: uprights.length / 2 - 1, screws: screws(called('side'), called('side')) },
        parts: [],
        on: uprights,
        cautions: ['screws'],
        joins: ['side-side'],
      }),
    backs.length > 0 &&
      step({
        id: 'back',
        code: 'closet-back',
        data: { backs: ids(/^back-/).length, nailers: ids(/^tie-/).length },
        parts: backs,
        on: uprights,
        cautions: [],
        hold: { code: 'diagonals-again', measure: square },
      }),
    levelStep(a, uprights),
    tieStep(a.anchors),
    face.length > 0 &&
      step({
        id: 'face',
        code: 'closet-face',
        data: {
          stiles: ids(/^stile-/).length,
          rails: ids(/^face-/).length,
          railScrews: screws(called('rail'), called('stile')),
          screws: screws(called('side'), called('stile')),
        },
        parts: face,
        on: uprights,
        cautions: ['screws', 'lift-two'],
        hold: { code: 'diagonals-again', measure: square },
      }),
    ends.length > 0 &&
      step({
        id: 'trim',
        code: 'closet-trim',
        data: {
          ends: ids(/^filler-/).length,
          heads: ids(/^head-/).length,
          leftMm: scribed?.kind === 'scribe' ? scribed.allowanceMm : 0,
        },
        parts: ends,
        on: uprights,
        cautions: ['blades', 'dust'],
      }),
    ...drawerSteps(a),
    ...frontSteps(a),
    loadStep(tied),
  ]
  return steps.filter((s): s is Step => s !== false)
}
