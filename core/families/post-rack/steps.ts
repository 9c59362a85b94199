import { underRailsStep } from '../../blocks/frame/doubled-post.ts'
import { levelStep, loadStep, pinStep, sidesStep, tieStep } from '../../blocks/mounts/steps.ts'
import { partBoxes } from '../../assembly/part-box.ts'
import { waysIn, type WayIn } from '../../assembly/way-in.ts'
import type { Shaped } from '../family.ts'
import { frontSteps } from '../../blocks/fronts/step.ts'
import { called, fixedBy } from '../../steps/fixed-by.ts'
import { idsOf, stepsWith, type Step } from '../../steps/step.ts'
import type { PostRackParams } from './parameters.ts'

/** What is said with each step that is this kind's own. */
export interface StepData {
  'sheets-on-frames': { count: number }
  'frame-on-posts': { screws: number; level: number }
  'sheets-from-end': { count: number; modules: number }
}
const step = stepsWith<StepData>()

/** Diagonals of a shelf frame square enough to go on, mm: builders' usual eighth of an inch. */
const SQUARE_MM = 3

export function postRackSteps(p: PostRackParams, shaped: Shaped): Step[] {
  const { assembly } = shaped
  const ids = (pattern: RegExp) => assembly.parts.map((x) => x.id).filter((id) => pattern.test(id))
  const levels = assembly.stick.map((m) => m.level)
  const rail = assembly.parts.find((x) => x.role === 'rail' && x.id.endsWith('-front'))!
  const cross = assembly.parts.find((x) => x.role === 'cross')!
  const diagonal = Math.hypot(rail.size.lengthMm, cross.size.lengthMm + 2 * rail.size.thicknessMm)
  const wayOf = waysIn(assembly, partBoxes(assembly))
  const shelves = assembly.parts.filter((x) => x.role === 'shelf').map((part) => ({ part, way: wayOf(part) }))
  const comeIn = (...ways: WayIn[]) => idsOf(shelves.filter((x) => ways.includes(x.way)).map((x) => x.part))
  const [first, fromEnd, last] = [comeIn('before-uprights'), comeIn('from-its-end'), comeIn('laid', 'tilted')]
  const modules = assembly.subassemblies.filter((s) => s.name === 'module').length
  const ends = ids(/^brace-\d+-(left|right)-/)
  const braces = ids(/^(brace|tie)-/).filter((id) => !ends.includes(id))
  const angles = ids(/^angle-/)
  const covers = ids(/^cover-/)
  const beside = assembly.anchors.filter((a) => a.side)
  const ties = assembly.anchors.filter((a) => !angles.includes(a.part) && !a.side)
  const held = ties.length > 0 || angles.length > 0 || beside.some((a) => a.holds.includes('y'))
  const own = rail.id.replace(/^rail|front$/g, '')
  const lying = new Set(assembly.joints.flatMap((j) => (j.kind === 'pocket-screwed' ? [j.near] : [])))
  const onPosts = assembly.parts.filter((x) => x.role === 'rail' && lying.has(x.id))
  const slanted = assembly.joints.find((j) => j.near === onPosts[0]?.id && j.kind === 'pocket-screwed')
  const firstFrame = ids(/^(rail|cross)-/).filter((id) => id.replace(/^(rail|cross)/, '').startsWith(own))
  // Its front is hung when it stands.
  const front = frontSteps(assembly).flatMap((x) => x.parts)
  const steps: (Step | false)[] = [
    { id: 'stick', code: 'make-stick', parts: [], marks: levels, cautions: [] },
    {
      id: 'frame',
      code: 'first-shelf-frame',
      data: { ...fixedBy(assembly, called('cross'), called('rail')) },
      parts: firstFrame,
      cautions: ['screws', 'dust'],
      hold: { code: 'diagonals', measure: { kind: 'equal', targetMm: diagonal, toleranceMm: SQUARE_MM } },
    },
    {
      id: 'frames',
      code: 'other-shelf-frames',
      parts: ids(/^(rail|cross)-/).filter((id) => !firstFrame.includes(id)),
      cautions: [],
      hold: { code: 'same-as-first' },
    },
    first.length > 0 &&
      step({
        id: 'sheets-first',
        code: 'sheets-on-frames',
        data: { count: first.length },
        parts: first,
        cautions: ['sheet-two', 'dust'],
        hold: { code: 'notches-clear' },
      }),
    { id: 'marks', code: 'mark-posts', parts: ids(/^post-/), marks: levels, cautions: [] },
    {
      id: 'posts',
      code: 'posts-on',
      data: { ...fixedBy(assembly, called('post'), (x) => x.role === 'rail' && !lying.has(x.id)) },
      parts: [],
      on: [...ids(/^post-/), ...ids(/^rail-/).filter((id) => !lying.has(id))],
      joins: ['post-rail'],
      marks: levels,
      cautions: ['top-heavy'],
      hold: { code: 'shelves-parallel' },
    },
    underRailsStep(assembly),
    slanted !== undefined &&
      step({
        id: 'frame-on-posts',
        code: 'frame-on-posts',
        data: { screws: slanted.fasteners[0].count, level: p.raise === 'tilt' ? 1 : 0 },
        parts: [],
        on: [...idsOf(onPosts), ...ids(/^post-/)],
        joins: ['post-rail:pocket-screwed'],
        cautions: ['lift-two'],
        hold: { code: 'back-square' },
      }),
    braces.length > 0 && {
      id: 'brace',
      code: 'brace',
      data: { ...fixedBy(assembly, called('brace', 'back-rail'), called('post')) },
      parts: braces,
      cautions: [],
      hold: { code: 'back-square' },
    },
    covers.length > 0 && {
      id: 'cover',
      code: 'cover-on',
      data: { count: covers.length, ...fixedBy(assembly, called('back'), called('post')) },
      parts: covers,
      cautions: ['dust'],
      hold: { code: 'back-square' },
    },
    {
      id: 'stand',
      code: p.raise === 'tilt' ? 'tilt-up' : 'stand-in-place',
      parts: [],
      on: ids(/./).filter((id) => ![...front, ...ends, ...angles, ...fromEnd, ...last].includes(id)),
      cautions: ['lift-two', 'top-heavy'],
    },
    fromEnd.length > 0 &&
      step({
        id: 'sheets-end',
        code: 'sheets-from-end',
        data: { count: fromEnd.length, modules },
        parts: fromEnd,
        cautions: ['sheet-two', 'dust'],
      }),
    modules > 1 && {
      id: 'join',
      code: 'join-modules',
      data: { count: modules },
      parts: [],
      on: ids(/^post-/),
      joins: ['post-post'],
      cautions: [],
    },
    levelStep(assembly, ids(/^post-/)),
    ends.length > 0 && {
      id: 'ends',
      code: 'brace-ends',
      data: { count: ends.length },
      parts: ends,
      cautions: ['screws'],
      hold: { code: 'post-plumb' },
    },
    pinStep(assembly, angles),
    tieStep(ties),
    sidesStep(beside),
    last.length > 0 && {
      id: 'sheets',
      code: 'lay-sheets',
      data: { tilted: comeIn('tilted').length },
      parts: last,
      cautions: ['sheet-two', 'dust'],
      hold: { code: 'tallest-fits' },
    },
    ...frontSteps(assembly),
    loadStep(held),
  ]
  return steps.filter((s): s is Step => s !== false)
}
