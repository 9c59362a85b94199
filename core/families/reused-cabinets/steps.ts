import { partsById } from '../../assembly/by-id.ts'
import { fastenersIn } from '../../assembly/fasteners-in.ts'
import type { Subassembly } from '../../assembly/assembly.ts'
import { partBox } from '../../assembly/part-box.ts'
import { idsOf, stepsWith, type Step } from '../../steps/step.ts'
import type { Shaped } from '../family.ts'
import type { ReusedCabinetsParams } from './parameters.ts'

/** What is said with each step. */
export interface StepData {
  'cabinets-measured': { count: number; leaves: number }
  'cabinet-strips': { pieces: number; places: number; atMm: number }
  'cabinet-cleats': { count: number; screws: number; pads: number }
  'cabinet-ledgers': { count: number; lowestMm: number; highestMm: number }
  'cabinets-hooked': { count: number; highMm: number; propMm: number; gaps: number }
  'cabinets-screwed': { count: number; places: number; propMm: number; gaps: number }
  'leaves-back': { count: number }
  'bases-set': { count: number; atMm: number; gaps: number }
  'worktop-supports': { count: number }
  'worktop-on': { pieces: number; screws: number; atEnds: number; longMm: number }
}
const step = stepsWith<StepData>()

/** Tops of neighbours may differ by this, mm: more shows, and leaves rub. Product decision. */
const LINE_MM = 2

export function reusedCabinetsSteps(p: ReusedCabinetsParams, { assembly: a }: Shaped): Step[] {
  const cabinets = a.subassemblies.filter((s) => s.name === 'holder')
  const parts = partsById(a)
  const own = (s: Subassembly) => s.parts.filter((id) => parts.get(id)!.stock.kind === 'existing')
  const added = cabinets.flatMap((s) => s.parts.filter((id) => parts.get(id)!.stock.kind !== 'existing'))
  const isLeaf = (id: string) => parts.get(id)!.role === 'door'
  const leaves = cabinets.flatMap(own).filter(isLeaf)
  const boxes = cabinets.flatMap(own).filter((id) => !isLeaf(id))
  const fillers = added.filter((id) => parts.get(id)!.role === 'filler')
  const marks = a.stick.map((m) => m.level)
  const measured = step({
    id: 'measured',
    code: 'cabinets-measured',
    data: { count: cabinets.length, leaves: leaves.length },
    parts: boxes,
    bench: true,
    cautions: ['lift-two'],
    hold: { code: 'cabinets-sound' },
  })
  const given = { a, marks, boxes, fillers, added: added.filter((id) => !fillers.includes(id)) }
  const rest = p.row === 'wall' ? hungSteps(given) : standingSteps(given)
  return [
    { id: 'stick', code: 'make-stick', parts: [], marks, cautions: [] },
    measured,
    ...rest,
    ...(leaves.length > 0
      ? [
          step({
            id: 'leaves',
            code: 'leaves-back',
            data: { count: leaves.length },
            parts: leaves,
            cautions: [],
            hold: { code: 'leaves-clear' },
          }),
        ]
      : []),
    { id: 'load', code: p.row === 'wall' ? 'load-hung' : 'load-low-first', parts: [], cautions: [] },
  ]
}

interface Given {
  a: Shaped['assembly']
  marks: number[]
  boxes: string[]
  fillers: string[]
  /** New pieces on what was there: cleats and pads. */
  added: string[]
}

const joined = (a: Given['a'], ids: readonly string[]) =>
  fastenersIn(a.joints.filter((j) => ids.includes(j.near) || ids.includes(j.far)))

function hungSteps({ a, marks, boxes, fillers, added }: Given): Step[] {
  const parts = partsById(a)
  const strips = a.parts.filter((x) => x.role === 'hanger')
  const ledgers = a.parts.filter((x) => x.temporary)
  const bodies = boxes.map((id) => partBox(parts.get(id)!)).filter((_b, i) => parts.get(boxes[i])!.role === 'side')
  const propMm = Math.min(...bodies.map((b) => b.min[2]))
  const highMm = Math.max(...bodies.map((b) => b.max[2]))
  const cleats = added.filter((id) => parts.get(id)!.role === 'cleat')
  const hold = { code: 'tops-in-line', measure: { kind: 'value' as const, targetMm: 0, toleranceMm: LINE_MM } }
  const up = { parts: fillers, on: boxes, removes: idsOf(ledgers), marks: marks.slice(-1), hold }
  if (strips.length === 0)
    return [
      step({
        id: 'ledgers',
        code: 'cabinet-ledgers',
        data: {
          count: ledgers.length,
          lowestMm: propMm,
          highestMm: Math.max(...bodies.map((b) => b.min[2])),
        },
        parts: idsOf(ledgers),
        cautions: ['find-studs', 'not-into-wires'],
        hold: { code: 'ledger-bears' },
      }),
      step({
        id: 'screwed',
        code: 'cabinets-screwed',
        data: { count: bodies.length, places: a.anchors.length, propMm, gaps: fillers.length },
        ...up,
        anchors: idsOf(a.anchors),
        cautions: ['lift-two', 'falls-on-heads', 'find-studs', 'not-into-wires'],
      }),
    ]
  return [
    step({
      id: 'cleats',
      code: 'cabinet-cleats',
      data: { count: cleats.length, screws: joined(a, added), pads: added.length - cleats.length },
      parts: added,
      on: boxes,
      cautions: ['blades', 'screws'],
      hold: { code: 'cleat-pulled' },
    }),
    step({
      id: 'strips',
      code: 'cabinet-strips',
      data: { pieces: strips.length, places: a.anchors.length, atMm: partBox(strips[0]).max[2] },
      parts: idsOf(strips),
      anchors: idsOf(a.anchors),
      marks: marks.slice(0, 1),
      cautions: ['find-studs', 'not-into-wires'],
      hold: { code: 'strip-level' },
    }),
    step({
      id: 'hooked',
      code: 'cabinets-hooked',
      data: { count: bodies.length, highMm, propMm, gaps: fillers.length },
      ...up,
      cautions: ['lift-two', 'falls-on-heads'],
    }),
  ]
}

function standingSteps({ a, marks, boxes, fillers, added }: Given): Step[] {
  const of = (role: string) => a.parts.filter((x) => x.role === role)
  const [supports, tops] = [of('cleat'), of('top')]
  const bases = step({
    id: 'set',
    code: 'bases-set',
    data: {
      count: boxes.length,
      atMm: Math.max(...a.parts.filter((x) => boxes.includes(x.id)).map((x) => partBox(x).max[2])),
      gaps: fillers.length,
    },
    parts: [...fillers, ...added],
    on: boxes,
    marks,
    cautions: [],
    hold: { code: 'tops-in-line', measure: { kind: 'value', targetMm: 0, toleranceMm: LINE_MM } },
  })
  if (tops.length === 0) return [bases]
  return [
    bases,
    step({
      id: 'supports',
      code: 'worktop-supports',
      data: { count: supports.length },
      parts: idsOf(supports),
      on: boxes,
      cautions: ['screws'],
    }),
    step({
      id: 'worktop',
      code: 'worktop-on',
      data: {
        pieces: tops.length,
        screws: joined(a, idsOf(tops)),
        atEnds: Number(a.subassemblies.find((s) => s.parts.includes(tops[0].id))!.tags!.endScrews),
        longMm: Math.max(...tops.map((t) => t.size.lengthMm)),
      },
      parts: idsOf(tops),
      on: [...boxes, ...idsOf(supports)],
      cautions: ['lift-two'],
      hold: { code: 'worktop-flat' },
    }),
  ]
}
