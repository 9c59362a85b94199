import type { Anchor, Part } from '../assembly/assembly.ts'
import { findGrade, findSection } from '../catalogue/lumber.ts'
import { isUpright } from '../assembly/part-box.ts'
import type { Box } from '../geometry/box.ts'
import { secondMoment, sectionModulus } from '../mechanics/section.ts'
import { anchorGives } from './anchors.ts'
import {
  defineCheck,
  measured,
  plain,
  type CheckContext,
  type CheckResult,
  type Input,
  type Quantity,
} from './check.ts'
import { jointGives } from './ties.ts'

/*
 * A framed wall that divides a room is pushed out of its plane: all over it, or by people along a line at a rail's height.
 *
 *     ▽ upper plate, kept by screws in joists     each stud spans from plate to plate and takes what is half-way to its
 *     |← q, 1.2 m up  | |← p                      neighbours; plates span from fixing to fixing
 *     △ lower plate, kept by anchors in the slab
 */

/** All over an inner wall, N/mm²: IBC 2018 1607.15, 5 psf. */
const ALL_OVER = 0.00024
/** People along a line, N/mm, and its height, mm: EN 1991-1-1 table 6.12, category A, recommended. */
const LINE = 0.5
const LINE_UP = 1200
/** Bent so far of its height all over: IBC 2018 table 1604.3, inner walls with brittle finishes; others may twice that. */
const BENDS = 1 / 240
/** Nearer to the floor or the ceiling than this a plate lies on it, mm. */
const AT_MM = 2
const SOURCE = 'IBC 2018 1607.15 (0.24 kPa); EN 1991-1-1 table 6.12 (0.5 kN/m, 1.2 m up)'

type Given = Pick<CheckContext, 'assembly' | 'parts' | 'boxes' | 'settings' | 'method'>
interface Piece {
  part: Part
  box: Box
}
interface Wall {
  studs: Piece[]
  low: Piece[]
  high: Piece[]
}
/** The frames of walls that divide, told by how they are put together. */
function wallsOf({ assembly, parts, boxes }: Given): Wall[] {
  return assembly.subassemblies
    .filter((s) => s.tags?.use === 'divides')
    .map(({ parts: ids }) => {
      const all = ids.map((id): Piece => ({ part: parts.get(id)!, box: boxes.get(id)! }))
      const boards = all.filter((x) => x.part.stock.kind === 'board')
      const [foot, head] = [Math.min(...boards.map((x) => x.box.min[2])), Math.max(...boards.map((x) => x.box.max[2]))]
      const level = boards.filter((x) => Math.abs(x.part.at.along[0]) > 0.9)
      const low = level.filter((x) => x.box.min[2] - foot < AT_MM)
      const high = level.filter((x) => head - x.box.max[2] < AT_MM)
      const from = Math.max(...low.map((x) => x.box.max[2]))
      const to = Math.min(...high.map((x) => x.box.min[2]))
      const studs = boards
        .filter((x) => isUpright(x.part))
        .filter((x) => x.box.min[2] - from < AT_MM && to - x.box.max[2] < AT_MM)
        .sort((a, b) => a.box.min[0] - b.box.min[0])
      return { studs, low, high }
    })
}

const middle = ({ min, max }: Box): number => (min[0] + max[0]) / 2

/** What half-way to its neighbours a stud takes, mm: at a door half of that, whatever the short ones beside it do. */
const takes = (studs: readonly Piece[], i: number): number => {
  const x = middle(studs[i].box)
  const [before, after] = [studs[i - 1], studs[i + 1]]
  return (before ? (x - middle(before.box)) / 2 : 0) + (after ? (middle(after.box) - x) / 2 : 0)
}

/**
 * The line at its height on a wall so high, and on a low one also in its middle: as the most of one N that comes to the
 * foot and to the head, and the moment, mm.
 */
function line(highMm: number): { foot: number; head: number; momentMm: number } {
  const up = Math.min(LINE_UP, highMm / 2)
  const head = Math.min(LINE_UP, highMm) / highMm
  return { foot: (highMm - up) / highMm, head, momentMm: (up * (highMm - up)) / highMm }
}

/** Bending strength, MPa, stiffness, MPa, and section modulus and second moment of a board bent the way it is deep. */
function bent({ part: p }: Piece, { method, settings }: Given) {
  const grade = p.stock.kind === 'board' ? findGrade(p.stock.grade) : undefined
  const nominalWidth = p.stock.kind === 'board' ? (findSection(p.stock.section)?.nominalWidth ?? null) : null
  const { thicknessMm: t, widthMm: w } = p.size
  const fb = grade && method.bending(grade, { depthMm: w, nominalWidth, flat: false }, settings)
  const e = grade && method.modulus(grade, settings)
  return fb && e ? { may: fb.value, e: e.value, modulus: sectionModulus(t, w), second: secondMoment(t, w) } : null
}

interface Asked {
  of: 'studs' | 'bows' | 'ends' | 'plates' | 'fixings'
  demand: number
  /** Null where nobody knows. */
  capacity: number | null
  quantity: Quantity
  part: string
  covers: readonly string[]
  inputs: Input[]
  formula: string
}
const force = (symbol: string, value: number, source?: string): Input => ({
  ...{ symbol, value, quantity: 'force' },
  ...(source ? { source } : {}),
})
const long = (symbol: string, value: number): Input => ({ symbol, value, quantity: 'length' })

/** A stud between its plates, and what keeps its ends there. */
function ofStud(wall: Wall, i: number, c: Given): Asked[] {
  const stud = wall.studs[i]
  const [wide, factor] = [takes(wall.studs, i), c.method.loadFactor.goods]
  const high = stud.box.max[2] - stud.box.min[2]
  const on = line(high)
  const [pressed, people] = [(ALL_OVER * wide * high ** 2) / 8, LINE * wide * on.momentMm]
  const b = bent(stud, c)
  const sag = b && (5 * ALL_OVER * wide * high ** 4) / (384 * b.e * b.second)
  const inputs = [long('its share of the wall', wide), long('span', high)]
  const common = { part: stud.part.id, covers: [] }
  const ends = [
    { plates: wall.low, share: on.foot },
    { plates: wall.high, share: on.head },
  ].map(({ plates, share }): Asked => {
    const joints = c.assembly.joints.filter((j) => j.far === stud.part.id && plates.some((p) => p.part.id === j.near))
    const each = joints.map((j) => jointGives(j, 1, c.parts, c.boxes, c))
    return {
      ...{ of: 'ends', quantity: 'force', part: stud.part.id, covers: joints.map((j) => j.id) },
      demand: factor * Math.max((ALL_OVER * wide * high) / 2, LINE * wide * share),
      capacity: each.some((x) => x === null) ? null : each.reduce<number>((n, x) => n + x!, 0),
      inputs,
      formula: 'the more of p·w·h / 2 and q·w·share at that end ≤ n·Z of its screws',
    }
  })
  return [
    {
      ...{ ...common, of: 'studs', quantity: 'stress' },
      demand: b ? (factor * Math.max(pressed, people)) / b.modulus : 0,
      capacity: b?.may ?? null,
      inputs,
      formula: 'σ = the more of p·w·h² / 8 and q·w·a·b / h, over b·d² / 6',
    },
    {
      ...{ ...common, of: 'bows', quantity: 'sag' },
      demand: sag ?? 0,
      capacity: b ? high * BENDS : null,
      inputs,
      formula: '5·p·w·h⁴ / (384·E·I) ≤ h / 240',
    },
    ...ends,
  ]
}

/** A plate between its fixings, and those. */
function ofPlate(plate: Piece, at: 'foot' | 'head', high: number, c: Given): Asked[] {
  const { min, max } = plate.box
  const factor = c.method.loadFactor.goods
  const perMm = factor * Math.max((ALL_OVER * high) / 2, LINE * line(high)[at])
  const fixings = c.assembly.anchors
    .filter((x) => x.part === plate.part.id && x.holds.includes('y'))
    .sort((a, b) => a.at[0] - b.at[0])
  const places = fixings.map((x) => x.at[0])
  const spans = places.slice(1).map((x, i) => x - places[i])
  const longMm = max[0] - min[0]
  // One that nothing fixes is asked as if its ends were held, and of fixings that are not there.
  const out = places.length > 0 ? [places[0] - min[0], max[0] - places[places.length - 1]] : [longMm / 2, longMm / 2]
  // What stands out past the last fixing turns there; a plate on one alone would turn about it.
  const moment = Math.max(0, ...spans.map((s) => s ** 2 / 8), ...out.map((o) => o ** 2 / 2)) * perMm
  const taken = (i: number) => (i === 0 ? out[0] : spans[i - 1] / 2) + (i === places.length - 1 ? out[1] : spans[i] / 2)
  const b = bent(plate, c)
  const inputs = [force('along it, N/m', perMm * 1000), long('longest between fixings', Math.max(0, ...spans))]
  const gives = (x: Anchor) => anchorGives(x, c)?.slidN ?? null
  return [
    {
      ...{ of: 'plates', quantity: 'stress', part: plate.part.id, covers: [], inputs },
      demand: b ? moment / b.modulus : 0,
      capacity: b?.may ?? null,
      formula: 'σ = r·s² / 8, or r·a² / 2 past the last fixing, over b·d² / 6',
    },
    ...(fixings.length === 0
      ? [
          {
            ...{ of: 'fixings' as const, quantity: 'force' as const, part: plate.part.id, covers: [], inputs },
            ...{ demand: perMm * longMm, capacity: 0 },
            formula: 'r · all of the plate ≤ what a fixing gives across: it has none',
          },
        ]
      : []),
    ...fixings.map((x, i): Asked => ({
      ...{ of: 'fixings', quantity: 'force', part: plate.part.id, covers: [x.id] },
      demand: perMm * taken(i),
      capacity: gives(x),
      inputs: [...inputs, long('of the plate on it', taken(i))],
      formula: 'r · half-way to its neighbours ≤ what a fixing gives across',
    })),
  ]
}

/** The hardest asked of each kind; one nobody knows before all. */
function told(wall: number, all: readonly Asked[]): CheckResult[] {
  const kinds = [...new Set(all.map((x) => x.of))]
  return kinds.map((of) => {
    const those = all.filter((x) => x.of === of)
    const lost = those.find((x) => x.capacity === null)
    const hard = (x: Asked) => x.demand / Math.max(x.capacity ?? 0, 1e-9)
    const worst = lost ?? those.reduce((a, b) => (hard(b) > hard(a) ? b : a))
    const given = {
      ...{ check: 'pushed', link: 'whole' as const, subject: `${of}-${wall}`, quantity: worst.quantity },
      ...{ parts: [worst.part], covers: those.flatMap((x) => x.covers) },
    }
    if (worst.capacity === null) {
      const code = of === 'fixings' ? 'unknown-pushed' : of === 'ends' ? 'unknown-joint' : 'unknown-no-strength'
      const data = { needN: worst.demand, role: 'stud', near: 'plate', far: 'stud' }
      return plain({ ...given, code, state: 'unknown', demand: worst.demand, data })
    }
    return measured({
      ...{ ...given, code: `pushed-${of}`, demand: worst.demand, capacity: worst.capacity },
      data: { count: those.length },
      working: { formula: worst.formula, inputs: worst.inputs, source: SOURCE },
    })
  })
}

/** Walls that divide a room stay where they are when somebody falls against them. */
export const pushed = defineCheck({
  id: 'pushed',
  reads: ['assembly', 'parts', 'boxes', 'settings', 'method'],
  run: (c): CheckResult[] =>
    wallsOf(c).flatMap((wall, n) => {
      const high = Math.max(...wall.high.map((x) => x.box.max[2])) - Math.min(...wall.low.map((x) => x.box.min[2]))
      return told(n, [
        ...wall.studs.flatMap((_s, i) => ofStud(wall, i, c)),
        ...wall.low.flatMap((p) => ofPlate(p, 'foot', high, c)),
        ...wall.high.flatMap((p) => ofPlate(p, 'head', high, c)),
      ])
    }),
})
