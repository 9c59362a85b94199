import { fastenersIn } from '../../assembly/fasteners-in.ts'
import { partBox } from '../../assembly/part-box.ts'
import { idsOf, stepsWith, type Step } from '../../steps/step.ts'
import type { Shaped } from '../family.ts'
import type { LoftDeckParams } from './parameters.ts'

/** What is said with each step. */
export interface StepData {
  'loft-ledger': { pieces: number; atMm: number; screws: number; studs: number }
  'loft-posts': { count: number; bolts: number; highMm: number }
  'loft-wall': { studs: number; noggings: number; bolts: number; doorMm: number }
  'loft-front-up': { propMm: number }
  'loft-joists': { count: number; pairs: number; hangers: number; everyMm: number }
  'loft-blocks': { fillers: number; blocks: number }
  'loft-deck': { count: number; screws: number }
  'load-loft': { underMm: number }
}
const step = stepsWith<StepData>()
/** Diagonals of a frame square enough to go on, mm: builders' usual eighth of an inch. */
const SQUARE_MM = 3

export function loftDeckSteps(p: LoftDeckParams, { assembly: a }: Shaped): Step[] {
  const of = (role: string) => a.parts.filter((x) => x.role === role)
  const [ledgers, rims, posts, sheets, plates] = ['ledger', 'rail', 'post', 'shelf', 'plate'].map(of)
  const [fillers, noggings, joists, blocks] = ['filler', 'nogging', 'joist', 'block'].map(of)
  const front = a.subassemblies.find((s) => s.name === 'frame')!.parts
  const hangers = of('hardware')
  const bolts = fastenersIn(a.joints.filter((j) => j.kind === 'notched'))
  const screws = fastenersIn(a.joints.filter((j) => sheets.some((s) => s.id === j.near)))
  const top = partBox(ledgers[0]).max[2]
  const under = Math.min(...rims.map((r) => partBox(r).min[2]))
  const [wide, high] = [rims.reduce((mm, r) => mm + r.size.lengthMm, 0), top]
  const lefts = joists.map((j) => partBox(j).min[0]).sort((x, y) => x - y)
  const everyMm = Math.max(...lefts.slice(1).map((x, i) => x - lefts[i]))
  const doors = plates.map((x) => partBox(x)).sort((x, y) => x.min[0] - y.min[0])
  const doorMm = Math.max(0, ...doors.slice(1).map((x, i) => x.min[0] - doors[i].max[0]))
  const flat = {
    id: 'front',
    parts: front,
    cautions: ['screws', 'dust'],
    hold: {
      code: 'diagonals',
      measure: { kind: 'equal' as const, targetMm: Math.hypot(wide, high), toleranceMm: SQUARE_MM },
    },
  }
  return [
    { id: 'stick', code: 'make-stick', parts: [], marks: a.stick.map((m) => m.level), cautions: [] },
    step({
      id: 'ledger',
      code: 'loft-ledger',
      data: {
        pieces: ledgers.length,
        atMm: top,
        screws: a.anchors[0]?.count ?? 1,
        studs: new Set(a.anchors.map((x) => Math.round(x.at[0]))).size,
      },
      parts: idsOf(ledgers),
      anchors: idsOf(a.anchors),
      marks: a.stick.map((m) => m.level),
      cautions: ['find-studs', 'not-into-wires', 'ladder'],
      hold: { code: 'strip-level' },
    }),
    p.front === 'wall'
      ? step({
          ...flat,
          code: 'loft-wall',
          data: { studs: posts.length, noggings: noggings.length, bolts, doorMm },
        })
      : step({ ...flat, code: 'loft-posts', data: { count: posts.length, bolts, highMm: under } }),
    step({
      id: 'up',
      code: 'loft-front-up',
      data: { propMm: under },
      parts: [],
      on: front,
      shims: a.shims,
      cautions: ['lift-two', 'falls-on-heads'],
      hold: { code: 'loft-front-plumb' },
    }),
    step({
      id: 'joists',
      code: 'loft-joists',
      data: {
        count: joists.length,
        pairs: new Set(fillers.map((x) => Math.round(partBox(x).min[0]))).size,
        hangers: hangers.length,
        everyMm,
      },
      parts: idsOf([...joists, ...hangers]),
      on: idsOf([...ledgers, ...rims]),
      cautions: ['ladder', 'falls-on-heads'],
      hold: { code: 'hangers-nailed' },
    }),
    ...(fillers.length + blocks.length > 0
      ? [
          step({
            id: 'blocks',
            code: 'loft-blocks',
            data: { fillers: fillers.length, blocks: blocks.length },
            parts: idsOf([...fillers, ...blocks]),
            on: idsOf(joists),
            cautions: ['ladder'],
          }),
        ]
      : []),
    step({
      id: 'deck',
      code: 'loft-deck',
      data: { count: sheets.length, screws },
      parts: idsOf(sheets),
      on: idsOf(joists),
      cautions: ['sheet-two', 'ladder', 'falls-from-edge'],
      hold: { code: 'loft-walked' },
    }),
    step({ id: 'load', code: 'load-loft', data: { underMm: under }, parts: [], cautions: ['storage-only', 'ladder'] }),
  ]
}
