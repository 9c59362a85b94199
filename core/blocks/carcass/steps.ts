import type { Assembly, Part } from '../../assembly/assembly.ts'
import { fixedBy } from '../../steps/fixed-by.ts'
import type { HoldPoint, Step } from '../../steps/step.ts'

/** Diagonals of a box square enough to go on, mm: builders' usual eighth of an inch. */
const SQUARE_MM = 3

const has = (p: Part, ...kinds: Part['machining'][number]['kind'][]) => p.machining.some((m) => kinds.includes(m.kind))

const ids = (list: readonly Part[]) => list.map((p) => p.id)

/** What is cut and bored into the pieces of a box before it is put together. */
function workOnBox(box: readonly Part[], sides: readonly Part[], marks: number[]): (Step | false)[] {
  const [dadoes, rabbets] = [sides.some((p) => has(p, 'dado')), sides.some((p) => has(p, 'rabbet'))]
  const row = sides.flatMap((p) => p.machining).find((m) => m.kind === 'row')
  const bored = box.filter((p) => has(p, 'hole') && p.role !== 'rod')
  return [
    dadoes || rabbets
      ? {
          id: 'dadoes',
          code: 'dadoes-cut',
          data: { dadoes: dadoes ? 1 : 0, rabbets: rabbets ? 1 : 0 },
          parts: ids(sides),
          marks,
          cautions: ['blades', 'dust'],
          hold: { code: 'dado-fits' },
        }
      : { id: 'dadoes', code: 'uprights-marked', parts: ids(sides), marks, cautions: [] },
    row?.kind === 'row' && {
      id: 'rows',
      code: 'rows-bored',
      data: { diameterMm: row.diameterMm, depthMm: row.depthMm, everyMm: row.everyMm, count: row.count },
      parts: [],
      on: ids(sides),
      cautions: ['screws', 'dust'],
      hold: { code: 'rows-agree' },
    },
    bored.length > 0 && {
      id: 'cords',
      code: 'cord-holes-bored',
      data: { count: bored.flatMap((p) => p.machining).filter((m) => m.kind === 'hole').length },
      parts: [],
      on: ids(bored),
      cautions: ['dust'],
    },
  ]
}

/**
 * The first steps of a box of sheet: its story stick, what is cut and bored into the uprights, and all fixed panels
 * between them.
 * @param of all that acts as one with it: leaves and what lies loose are none of it
 * @param wideMm of one box, where several stand side by side
 */
export function boxSteps(a: Assembly, of: readonly string[], wideMm?: number): Step[] {
  const box = a.parts.filter((p) => of.includes(p.id))
  const sides = box.filter((p) => p.role === 'side')
  const panels = box.filter((p) => p.role === 'shelf' || p.role === 'top')
  const xs = sides.map((x) => x.at.centre[0])
  const wide = wideMm ?? Math.max(...xs) - Math.min(...xs) + sides[0].size.thicknessMm
  const marks = a.stick.map((m) => m.level)
  const housed = sides.some((p) => has(p, 'dado', 'rabbet'))
  const steps: (Step | false)[] = [
    { id: 'stick', code: 'make-stick', parts: [], marks, cautions: [] },
    ...workOnBox(box, sides, marks),
    {
      id: 'box',
      code: housed ? 'box-together' : 'box-butted',
      data: {
        tops: panels.filter((p) => p.role === 'top').length,
        ...fixedBy(
          a,
          (p) => panels.includes(p),
          (p) => sides.includes(p),
        ),
      },
      parts: ids(panels),
      on: ids(sides),
      cautions: ['screws'],
      hold: {
        code: 'diagonals',
        measure: { kind: 'equal', targetMm: Math.hypot(wide, sides[0].size.lengthMm), toleranceMm: SQUARE_MM },
      },
    },
  ]
  return steps.filter((s): s is Step => s !== false)
}

/**
 * The thin back of a box that stands, and the nailers between its uprights; none where it has neither.
 * @param square its diagonals, measured once more
 */
export function backStep(a: Assembly, square?: HoldPoint['measure']): Step | false {
  const starts = (name: string) => (p: Part) => p.id.startsWith(name)
  const [backs, nailers] = [a.parts.filter(starts('back-')), a.parts.filter(starts('tie-'))]
  return (
    backs.length + nailers.length > 0 && {
      id: 'back',
      code: 'back-on',
      data: { nailers: nailers.length, back: backs.length, ...fixedBy(a, starts('tie-'), starts('upright-')) },
      parts: ids(a.parts.filter((p) => backs.includes(p) || nailers.includes(p))),
      cautions: [],
      hold: { code: 'diagonals-again', ...(square ? { measure: square } : {}) },
    }
  )
}

/** Loose shelves and the pins they lie on, once the box is where it belongs; none where none is loose. */
export function shelvesOnPins(a: Assembly): Step | false {
  const joints = a.joints.filter((j) => j.kind === 'on-pins')
  const pins = joints.map((j) => j.near)
  const on = new Set(joints.map((j) => j.id))
  const shelves = [
    ...new Set(
      a.supports.flatMap((s) => (s.joint !== null && on.has(s.joint) && 'part' in s.from ? [s.from.part] : [])),
    ),
  ]
  return (
    pins.length > 0 && {
      id: 'loose',
      code: 'shelves-on-pins',
      data: { pins: pins.length / shelves.length },
      parts: [...pins, ...shelves],
      marks: a.stick.map((m) => m.level).slice(1),
      cautions: [],
      hold: { code: 'pins-rock' },
    }
  )
}
