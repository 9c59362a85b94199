import { partOf } from '../../assembly/by-id.ts'
import { levelStep, loadStep, pinStep, tieStep } from '../../blocks/mounts/steps.ts'
import { frontSteps } from '../../blocks/fronts/step.ts'
import { called, fixedBy } from '../../steps/fixed-by.ts'
import { stepsWith, type Step } from '../../steps/step.ts'
import type { Shaped } from '../family.ts'
import type { FloatingShelfRackParams } from './parameters.ts'

/** What is said with each step. */
export interface StepData {
  'floating-cleats': { posts: number; places: number; riseMm: number }
  'floating-frame': { cleats: number; screws: number }
  'floating-frames': { count: number }
  'floating-stand': { frames: number; boards: number; screws: number; spaceMm: number }
  'floating-shelves': { count: number; strips: number; glued: number }
  'floating-covers': { count: number; screws: number }
  'floating-planks': { count: number; screws: number; blocks: number; blockScrews: number }
  'floating-in': { shelves: number; places: number }
}
const step = stepsWith<StepData>()
/** Diagonals of a frame square enough to go on, mm: builders' usual eighth of an inch. */
const SQUARE_MM = 3

export function floatingShelfRackSteps(p: FloatingShelfRackParams, { assembly: a, dims }: Shaped): Step[] {
  const ids = (pattern: RegExp) => a.parts.map((x) => x.id).filter((id) => pattern.test(id))
  const of = partOf(a)
  const levels = a.stick.map((m) => m.level)
  const frames = ids(/^post-\d+-rear$/).length
  const [posts, first] = [ids(/^post-/), ids(/^(post|piece|cleat)-0-/)]
  const others = ids(/^(post|piece|cleat)-/).filter((id) => !first.includes(id))
  const along = ids(/^(top|tie)-/)
  const [ends, backBrace, angles] = [ids(/^brace-(left|right)-/), ids(/^brace-back/), ids(/^angle-/)]
  const [covers, planks, blocks] = [ids(/^cover-/), ids(/^plank-/), ids(/^block-/)]
  const ties = a.anchors.filter((x) => !angles.includes(x.part))
  const held = ties.length > 0 || angles.length > 0
  const riseMm = dims.find((x) => x.path === 'riseMm')!.value
  const places = ids(/^cleat-0-\d+-right$/).length
  const spaceMm = of('shelf-0-0').size.lengthMm
  const [high, deep] = [of('post-0-rear').size.lengthMm, of('cleat-0-0-right').size.lengthMm]
  const steps: (Step | false)[] = [
    { id: 'stick', code: 'make-stick', parts: [], marks: levels, cautions: [] },
    step({
      id: 'cleats',
      code: 'floating-cleats',
      data: { posts: posts.length, places, riseMm },
      parts: [],
      on: posts,
      marks: levels,
      cautions: [],
    }),
    step({
      id: 'frame',
      code: 'floating-frame',
      data: {
        cleats: places,
        screws: fixedBy(a, called('cleat'), called('post')).screwsMost ?? 0,
      },
      parts: first,
      cautions: ['screws', 'dust'],
      hold: { code: 'diagonals', measure: { kind: 'equal', targetMm: Math.hypot(high, deep), toleranceMm: SQUARE_MM } },
    }),
    step({
      id: 'frames',
      code: 'floating-frames',
      data: { count: frames - 1 },
      parts: others,
      cautions: [],
      hold: { code: 'same-as-first' },
    }),
    step({
      id: 'shelves',
      code: 'floating-shelves',
      data: {
        count: ids(/^shelf-/).length,
        strips: p.strips === 'none' ? 0 : 2,
        glued: p.strips === 'glued' ? 1 : 0,
      },
      parts: ids(/^(shelf|strip)-/),
      cautions: ['dust'],
    }),
    step({
      id: 'stand',
      code: 'floating-stand',
      data: {
        frames,
        boards: along.length,
        screws: fixedBy(a, called('back-rail', 'rail'), called('post')).screwsMost ?? 0,
        spaceMm,
      },
      parts: [...along, ...backBrace],
      on: posts,
      cautions: ['lift-two', 'top-heavy'],
      hold: { code: 'shelf-between' },
    }),
    levelStep(a, posts),
    ends.length > 0 && {
      id: 'ends',
      code: 'brace-ends',
      data: { count: ends.length },
      parts: ends,
      cautions: ['screws'],
      hold: { code: 'post-plumb' },
    },
    covers.length > 0 &&
      step({
        id: 'covers',
        code: 'floating-covers',
        data: { count: covers.length, screws: fixedBy(a, called('side'), called('post')).screwsMost ?? 0 },
        parts: covers,
        cautions: ['dust'],
        hold: { code: 'post-plumb' },
      }),
    pinStep(a, angles),
    tieStep(ties),
    planks.length > 0 &&
      step({
        id: 'planks',
        code: 'floating-planks',
        data: {
          count: planks.length,
          screws: fixedBy(a, called('top'), called('cross')).screwsMost ?? 0,
          blocks: blocks.length,
          blockScrews: fixedBy(a, called('block'), called('post')).screwsMost ?? 0,
        },
        parts: [...blocks, ...planks],
        cautions: ['ladder', 'dust'],
      }),
    step({
      id: 'in',
      code: 'floating-in',
      data: { shelves: ids(/^shelf-/).length, places },
      parts: [],
      on: ids(/^(shelf|strip)-/),
      cautions: [],
      hold: { code: 'tallest-fits' },
    }),
    ...frontSteps(a),
    loadStep(held),
  ]
  return steps.filter((s): s is Step => s !== false)
}
