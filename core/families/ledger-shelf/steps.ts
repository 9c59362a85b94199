import { partBox, partBoxes } from '../../assembly/part-box.ts'
import { waysIn } from '../../assembly/way-in.ts'
import { called, fixedBy } from '../../steps/fixed-by.ts'
import { idsOf, stepsWith, type Step } from '../../steps/step.ts'
import type { Shaped } from '../family.ts'

/** What is said with each step. */
export interface StepData {
  'ledger-frames': { frames: number; screws: number; pieces: number }
  'mark-ledger': { levels: number; studs: number; lowestMm: number; doubled: number }
  'frames-on-wall': { count: number; screws: number; propMm: number }
  'ledger-posts': { count: number; joints: string }
  'ledger-spreaders': { count: number; chains: number }
  'ledger-hung': { count: number; bearers: number; chains: number }
  'ledger-sheets': { count: number; first: number; round: number }
}
const step = stepsWith<StepData>()

/** Diagonals of a frame square enough to go on, mm: builders' usual eighth of an inch. */
const SQUARE_MM = 3
/** Two studs this near to each other are a doubled one, mm. */
const DOUBLED_MM = 60

export function ledgerShelfSteps({ assembly: a }: Shaped): Step[] {
  const of = (role: string) => a.parts.filter((x) => x.role === role)
  const [ledgers, rails, posts, sheets, spreaders] = ['ledger', 'rail', 'post', 'shelf', 'spreader'].map((r) =>
    idsOf(of(r)),
  )
  // Bearers lie under the frames, cross pieces in them.
  const within = new Set(a.subassemblies.filter((x) => x.name === 'module').flatMap((x) => x.parts))
  const crosses = idsOf(of('cross')).filter((id) => within.has(id))
  const bearers = idsOf(of('cross')).filter((id) => !within.has(id))
  const hangs = a.subassemblies.find((x) => x.parts.some((id) => spreaders.includes(id)))?.parts ?? []
  const upper = hangs.filter((id) => a.joints.some((j) => j.near === id && spreaders.includes(j.far)))
  const lower = hangs.filter((id) => !spreaders.includes(id) && !upper.includes(id))
  const chains = a.parts.some((x) => x.stock.kind === 'soft') ? 1 : 0
  const levels = a.stick.map((m) => m.level)
  const frames = levels.length
  const whole = of('rail').reduce((mm, p) => mm + p.size.lengthMm, 0) / frames
  const deep = of('shelf')[0].size.widthMm
  const tops = of('ledger').map((p) => partBox(p).max[2])
  const studs = [...new Set(a.anchors.map((x) => Math.round(x.at[0])))].sort((x, y) => x - y)
  const doubled = studs.filter((x, i) => i > 0 && x - studs[i - 1] < DOUBLED_MM).length
  const { screws = 0, bolts = 0 } = fixedBy(a, called('rail'), called('post'))
  // What passes between no two posts lies on its frame before they stand.
  const boxes = partBoxes(a)
  const wayOf = waysIn(a, boxes)
  const first = of('shelf').some((x) => !['laid', 'tilted'].includes(wayOf(x)))
  const lay = step({
    id: 'sheets',
    code: 'ledger-sheets',
    data: {
      count: sheets.length,
      first: first ? 1 : 0,
      round: a.joints.filter((j) => j.kind === 'notched').length,
    },
    parts: sheets,
    cautions: ['sheet-two', 'dust'],
    hold: { code: 'tallest-fits' },
  })
  return [
    { id: 'stick', code: 'make-stick', parts: [], marks: levels, cautions: [] },
    step({
      id: 'frames',
      code: 'ledger-frames',
      data: {
        frames,
        screws: fixedBy(a, called('cross'), called('rail', 'ledger')).screws ?? 0,
        pieces: ledgers.length / frames,
      },
      parts: [...ledgers, ...rails, ...crosses],
      cautions: ['screws', 'dust'],
      hold: {
        code: 'diagonals',
        measure: { kind: 'equal', targetMm: Math.hypot(whole, deep), toleranceMm: SQUARE_MM },
      },
    }),
    step({
      id: 'marks',
      code: 'mark-ledger',
      data: { levels: frames, studs: studs.length, lowestMm: Math.min(...tops), doubled },
      parts: [],
      on: ledgers,
      marks: levels,
      cautions: ['find-studs', 'not-into-wires'],
      hold: { code: 'studs-drilled' },
    }),
    ...(spreaders.length > 0
      ? [
          step({
            id: 'spreaders',
            code: 'ledger-spreaders',
            data: { count: upper.length, chains },
            parts: [...spreaders, ...upper],
            cautions: ['joists-only', 'not-into-wires', 'ladder'],
            hold: { code: 'rods-pull' },
          }),
        ]
      : []),
    step({
      id: 'wall',
      code: 'frames-on-wall',
      data: {
        count: frames,
        screws: a.anchors[0]?.count ?? 1,
        propMm: Math.min(...tops) - partBox(of('rail')[0]).max[2] + partBox(of('rail')[0]).min[2],
      },
      parts: [],
      on: [...ledgers, ...rails, ...crosses],
      anchors: idsOf(a.anchors),
      marks: levels,
      cautions: ['lift-two', 'falls-on-heads'],
      hold: { code: 'frame-level-both-ways' },
    }),
    ...(first ? [lay] : []),
    spreaders.length > 0
      ? step({
          id: 'hung',
          code: 'ledger-hung',
          data: { count: upper.length, bearers: bearers.length, chains },
          parts: [...bearers, ...lower],
          on: [...rails, ...ledgers, ...upper],
          cautions: ['ladder', 'falls-on-heads'],
          hold: { code: 'props-out' },
        })
      : step({
          id: 'posts',
          code: 'ledger-posts',
          data: { count: posts.length, joints: bolts > 0 ? 'bolts' : screws > 3 ? 'five' : 'three' },
          parts: posts,
          on: rails,
          cautions: [],
          hold: { code: 'props-out' },
        }),
    ...(first ? [] : [lay]),
    { id: 'load', code: 'load-low-first', parts: [], cautions: [] },
  ]
}
