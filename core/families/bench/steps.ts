import { underRailsStep } from '../../blocks/frame/doubled-post.ts'
import { levelStep, loadStep, pinStep, tieStep } from '../../blocks/mounts/steps.ts'
import { called, fixedBy } from '../../steps/fixed-by.ts'
import { idsOf, stepsWith, type Step } from '../../steps/step.ts'
import type { Assembly, Part } from '../../assembly/assembly.ts'
import { scribeStep, type ScribeStep } from '../bench-corner.ts'
import { wellStep, type WellStep } from '../bench-wells.ts'
import type { Shaped } from '../family.ts'
import { DROP_PLAY_MM } from './drop-in.ts'
import type { BenchParams } from './parameters.ts'

/** What is said with each step. */
export interface StepData extends ScribeStep, WellStep {
  'bench-frame': { crosses: number }
  'bench-panels': { count: number; screws: number }
  'bench-stand': { wells: number }
  'bench-on-wall': { count: number; lowMm: number; screws: number; courses: number }
  'bench-drop-in': { count: number; playMm: number; upMm: number }
  'bench-top': { count: number; layers: number; outMm: number }
}
const step = stepsWith<StepData>()

/** Diagonals of a frame square enough to go on, mm: builders' usual eighth of an inch. */
const SQUARE_MM = 3

export function benchSteps(p: BenchParams, { assembly: a }: Shaped): Step[] {
  const ids = (pattern: RegExp) => a.parts.map((x) => x.id).filter((id) => pattern.test(id))
  const [rail, sheet] = [a.parts.find((x) => x.role === 'rail')!, a.parts.find((x) => x.role === 'top')!]
  const levels = a.stick.map((m) => m.level)
  const first = ids(/^((hanger-)?(trimmer|between)-0-|(rail|cross|hanger-cross)-0-top-)/)
  const others = ids(/^(rail|cross|between|trimmer|hanger)-/).filter((id) => !first.includes(id))
  const hangers = ids(/^hanger-/)
  const [panels, shelves] = [ids(/^(back|end)-/), ids(/^shelf-/)]
  const cross = a.parts.find((x) => x.role === 'cross')!
  const modules = a.subassemblies.filter((s) => s.name === 'module').length
  const tied = a.anchors.length > 0
  const tops = ids(/^top-/)
  const dropped = a.bays.filter((b) => b.id.startsWith('drop-'))
  const battens = a.parts.filter((x) => x.role === 'ledger')
  const frame: Pick<Step, 'parts' | 'cautions' | 'hold'> = {
    parts: first,
    cautions: ['screws', 'dust'],
    hold: {
      code: 'diagonals',
      measure: {
        kind: 'equal',
        targetMm: Math.hypot(rail.size.lengthMm, cross.size.lengthMm + 2 * rail.size.thicknessMm),
        toleranceMm: SQUARE_MM,
      },
    },
  }
  const all: (Step | false)[] = [
    { id: 'stick', code: 'make-stick', parts: [], marks: levels, cautions: [] },
    hangers.length > 0
      ? step({
          id: 'frame',
          code: 'bench-frame',
          data: { crosses: first.filter((id) => id.startsWith('cross')).length },
          ...frame,
        })
      : { id: 'frame', code: 'first-shelf-frame', data: { ...fixedBy(a, called('cross'), called('rail')) }, ...frame },
    others.length > 0 && {
      id: 'frames',
      code: 'other-shelf-frames',
      parts: others,
      cautions: [],
      hold: { code: 'same-as-first' },
    },
    { id: 'marks', code: 'mark-posts', parts: ids(/^leg-/), marks: levels, cautions: [] },
    {
      id: 'legs',
      code: 'posts-on',
      data: { ...fixedBy(a, called('post'), called('rail')) },
      parts: [],
      on: [...ids(/^leg-/), ...ids(/^rail-/)],
      joins: ['post-rail'],
      marks: levels,
      cautions: [],
      hold: { code: 'shelves-parallel' },
    },
    underRailsStep(a),
    panels.length > 0 &&
      step({
        id: 'panels',
        code: 'bench-panels',
        data: { count: panels.length, screws: fixedBy(a, called('back', 'side'), called('post')).screws ?? 0 },
        parts: panels,
        cautions: ['dust'],
        hold: { code: 'back-square' },
      }),
    battens.length > 0
      ? onWall(a, battens, ids(/^(leg|rail|cross|between|trimmer|hanger|under)-/))
      : step({
          id: 'stand',
          code: 'bench-stand',
          data: { wells: p.wells.length },
          parts: [],
          on: ids(/^(leg|rail|cross|between|trimmer|hanger|under|back|end)-/),
          cautions: ['lift-two'],
        }),
    modules > 1 && {
      id: 'join',
      code: 'join-modules',
      data: { count: modules },
      parts: [],
      on: ids(/^leg-/),
      joins: ['post-post'],
      cautions: [],
    },
    levelStep(a, ids(/^leg-/)),
    pinStep(a, ids(/^angle-/)),
    battens.length === 0 && tieStep(a.anchors.filter((x) => x.into !== 'slab')),
    shelves.length > 0 && {
      id: 'sheets',
      code: 'lay-sheets',
      parts: shelves,
      cautions: ['dust'],
    },
    scribeStep(p, a),
    step({
      id: 'top',
      code: 'bench-top',
      data: {
        count: tops.length,
        layers: p.layers === 'two' ? 2 : 1,
        outMm: sheet.at.centre[1] + sheet.size.widthMm / 2 - frontOf(a),
      },
      parts: tops,
      cautions: ['sheet-two', 'dust'],
      hold: { code: 'top-flat' },
    }),
    wellStep(a),
    dropped.length > 0 &&
      step({
        id: 'drop-in',
        code: 'bench-drop-in',
        data: {
          count: dropped.length,
          playMm: DROP_PLAY_MM,
          upMm: Math.max(...tops.map((id) => topOf(a, id))),
        },
        parts: [],
        on: dropped.flatMap((b) => b.carriers),
        cautions: ['lift-two'],
        hold: { code: 'table-flush' },
      }),
    loadStep(tied),
  ]
  return all.filter((s): s is Step => s !== false)
}

/** The frames go to the wall: battens on their line, screwed to what is behind, legs under their fronts. */
const onWall = (a: Assembly, battens: readonly Part[], parts: string[]): Step => {
  const anchors = a.anchors.filter((x) => battens.some((b) => b.id === x.part))
  return step({
    id: 'stand',
    code: 'bench-on-wall',
    data: {
      count: battens.length,
      lowMm: Math.max(...battens.map((b) => b.at.centre[2] - b.size.widthMm / 2)),
      screws: anchors[0]?.count ?? 1,
      courses: anchors.some((x) => x.into === 'masonry') ? 1 : 0,
    },
    parts: [],
    on: parts,
    anchors: idsOf(anchors),
    cautions: ['lift-two', 'find-studs', 'not-into-wires'],
    hold: { code: 'tied-before-load' },
  })
}

/** Upper face of what lies flat. */
const topOf = (a: Assembly, id: string): number => {
  const p = a.parts.find((x) => x.id === id)!
  return p.at.centre[2] + p.size.thicknessMm / 2
}

/** The foremost face of the rails. */
const frontOf = (a: Shaped['assembly']): number =>
  Math.max(...a.parts.filter((x) => x.role === 'rail').map((x) => x.at.centre[1] + x.size.thicknessMm / 2))
