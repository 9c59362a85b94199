import { partFeet } from '../assembly/feet.ts'
import { jointsOf } from '../assembly/joints-of.ts'
import { fastenersIn } from '../assembly/fasteners-in.ts'
import type { Joint, Part } from '../assembly/assembly.ts'
import { wholeBox } from '../assembly/part-box.ts'
import { findGrade, findSection } from '../catalogue/lumber.ts'
import { boxSize } from '../geometry/box.ts'
import { dot, sub } from '../geometry/vec.ts'
import { defineCheck, measured, notWeighed, plain, type CheckContext, type CheckResult, type Input } from './check.ts'
import { oneFastener } from './fastener.ts'
import { BEARS_PEOPLE } from '../loads/arrangements.ts'
import { LEAN } from './stability.ts'
import { drivenAlong } from './wall-fixing.ts'
import { tiesAlong, tiesPulled, TIE_SOURCE, type TieGives } from './ties.ts'

/*
 * Posts and rails alone are a parallelogram: screws at their crossings are not reckoned with. What keeps a build from
 * folding is asked along the wall, to either side, and front to back: diagonals (pulled, or pressed as far as they are
 * stiff), fastened backs, uprights of sheet, ties.
 */

/** A slope that stiffens a frame: between these, sine of the angle above level. */
const BRACES_FROM = Math.sin((25 * Math.PI) / 180) - 1e-6
const BRACES_TO = Math.sin((65 * Math.PI) / 180) + 1e-6
/** A sheet thinner than this, and wider and higher than that, closes a side, mm. */
const CLOSING_MM = 30
const CLOSES_FROM_MM = 300
/** A sheet this share of a build's height is as high as the build. */
const ALL_OF_IT = 0.9

/** One who works at a top pushes along and across it, N. Product decision: a hand plane or a saw pushed hard. */
const PUSH_N = 300

type Given = Pick<CheckContext, 'assembly' | 'parts' | 'boxes' | 'method' | 'settings'>
/** Along the wall, or out from it. */
type Way = 0 | 1

interface Brace {
  part: Part
  /** Rises towards the positive side. */
  rises: boolean
  cos: number
  pulledN: number
  pressedN: number
  slenderness: number
  /** Heights of its outermost fastenings. */
  fromMm: number
  toMm: number
}

/** How far along a part something is fastened to it, mm from its middle. */
const placeAlong = (p: Part, j: Joint) => dot(sub(j.at, p.at.centre), p.at.along)

/** All fasteners of a joint across their length, N; null when the woods say nothing. */
function slides(j: Joint, c: Given): number | null {
  let sum = 0
  for (const f of j.fasteners) {
    const one = oneFastener(j, f, c.parts, c.boxes, c)
    if (!one) return null
    sum += one.value * f.count
  }
  return sum
}

/** Halvings until what a brace may be pressed with is known to a thousandth. */
const HALVINGS = 30

/**
 * What a diagonal may be pressed with, N: it bows between its fastenings, its load half its thickness off its middle.
 */
function pressed(p: Part, freeMm: number, mostN: number, c: Given): number {
  if (p.stock.kind !== 'board') return 0
  const [grade, section] = [findGrade(p.stock.grade), findSection(p.stock.section)]
  if (!grade || !section) return 0
  const { thicknessMm: t, widthMm: w } = p.size
  const holds = (axialN: number) => {
    const r = c.method.post(
      {
        grade,
        nominalWidth: section.nominalWidth,
        axialN,
        axes: [
          { depthMm: t, unheldMm: freeMm, momentNmm: (axialN * t) / 2 },
          { depthMm: w, unheldMm: freeMm, momentNmm: 0 },
        ],
      },
      c.settings,
    )
    return r?.ratio != null && r.ratio <= 1
  }
  if (holds(mostN)) return mostN
  let [lo, hi] = [0, mostN]
  for (let i = 0; i < HALVINGS; i++) {
    const m = (lo + hi) / 2
    if (holds(m)) lo = m
    else hi = m
  }
  return lo
}

/**
 * Diagonals that keep from folding one way, with what they give pulled and pressed; null among them where nobody knows.
 */
function braces(c: Given, way: Way): { found: Brace[]; unknown: Part[] } {
  const [found, unknown]: [Brace[], Part[]] = [[], []]
  for (const part of c.assembly.parts) {
    const up = Math.abs(part.at.along[2])
    if (up < BRACES_FROM || up > BRACES_TO || Math.abs(part.at.along[way]) < 0.1) continue
    const joints = [...jointsOf(c.assembly, part.id)].sort((a, b) => placeAlong(part, a) - placeAlong(part, b))
    if (joints.length < 2) continue
    const ends = [slides(joints[0], c), slides(joints[joints.length - 1], c)]
    if (ends.some((n) => n === null)) {
      unknown.push(part)
      continue
    }
    const pulledN = Math.min(...ends.map((n) => n!))
    const at = joints.map((j) => placeAlong(part, j))
    const freeMm = Math.max(...at.slice(1).map((x, i) => x - at[i]))
    const heights = joints.map((j) => j.at[2])
    found.push({
      part,
      rises: part.at.along[way] * part.at.along[2] > 0,
      cos: Math.abs(part.at.along[way]),
      pulledN,
      pressedN: pressed(part, freeMm, pulledN, c),
      slenderness: freeMm / Math.min(part.size.thicknessMm, part.size.widthMm),
      fromMm: Math.min(...heights),
      toMm: Math.max(...heights),
    })
  }
  return { found, unknown }
}

/**
 * What diagonals give when all is pushed to one side, N. Those above one another take the same push one after the other,
 * so the least of all heights counts, from the floor to the top; a short stretch that none crosses is left to the
 * uprights, which go through.
 */
function diagonalsGive(all: readonly Brace[], pulled: boolean, [lowMm, highMm]: readonly [number, number]): number {
  const at = [...new Set([lowMm, highMm, ...all.flatMap((b) => [b.fromMm, b.toMm])])].sort((a, b) => a - b)
  const stretches = at.slice(1).map((to, i) => {
    const middle = (at[i] + to) / 2
    const across = all.filter((b) => b.fromMm < middle && b.toMm > middle)
    const n = across.reduce((s, b) => s + (b.rises === pulled ? b.pulledN : b.pressedN) * b.cos, 0)
    return { n, long: to - at[i] > SHORT_MM, crossed: across.length > 0 }
  })
  const long = stretches.filter((s) => s.long)
  const asked = long.length > 0 ? long : stretches.filter((s) => s.crossed)
  return asked.length === 0 ? 0 : Math.min(...asked.map((s) => s.n))
}
/** So short a stretch uprights carry a push across by themselves, mm: product decision. */
const SHORT_MM = 250

interface Back {
  part: Part
  n: number
  screws: number
}

/**
 * A sheet across the back screwed to two uprights or more: pushed sideways at its top each row of screws is turned by
 * half the moment and pulled along by F·H / B; the outermost screw says what it gives. What holds it at shelves between
 * is not counted.
 */
function backs(c: Given, way: Way): { found: Back[]; unknown: Part[] } {
  const moves = new Set(c.assembly.motions.flatMap((m) => m.parts))
  const [found, unknown]: [Back[], Part[]] = [[], []]
  // Of a low box it closes all of its height.
  const whole = boxSize(wholeBox(c.boxes))[2]
  const highFrom = Math.min(CLOSES_FROM_MM, ALL_OF_IT * whole)
  for (const part of c.assembly.parts) {
    const size = boxSize(c.boxes.get(part.id)!)
    const [wide, thick, high] = [size[way], size[1 - way], size[2]]
    if (part.stock.kind !== 'sheet' || part.loose || moves.has(part.id)) continue
    if (thick > CLOSING_MM || wide < CLOSES_FROM_MM || high < highFrom) continue
    const rows = jointsOf(c.assembly, part.id).filter((j) => {
      const other = j.near === part.id ? j.far : j.near
      return Math.abs(c.parts.get(other)!.at.along[2]) > 0.9
    })
    const places = rows.map((j) => j.at[way])
    const apart = Math.max(...places) - Math.min(...places)
    const n = Math.min(...rows.map((j) => fastenersIn([j])))
    if (rows.length < 2 || apart < CLOSES_FROM_MM || n < 2) continue
    const ones = rows.map((j) => oneFastener(j, j.fasteners[0], c.parts, c.boxes, c)?.value ?? null)
    if (ones.some((x) => x === null)) {
      unknown.push(part)
      continue
    }
    // n screws evenly over the height: the outermost takes 3(n − 1) / (n(n + 1)) of the force across, F·H / (B·n)
    // along.
    const [across, along] = [(3 * (n - 1)) / (n * (n + 1)), high / (apart * n)]
    found.push({ part, n: Math.min(...ones.map((x) => x!)) / Math.hypot(across, along), screws: n })
  }
  return { found, unknown }
}

/** Uprights of sheet that carry and stand in the plane of the sway do not fold in it. */
function stands(c: Given, way: Way): Part[] {
  const feet = new Set(partFeet(c.assembly).map((x) => x.from.part))
  const carries = new Set(c.assembly.supports.flatMap((x) => (x.on.kind === 'part' ? [x.on.part] : [])))
  return c.assembly.parts.filter((p) => {
    if (p.stock.kind !== 'sheet' || !feet.has(p.id) || !carries.has(p.id)) return false
    const size = boxSize(c.boxes.get(p.id)!)
    return size[1 - way] < CLOSING_MM && size[way] > 4 * size[1 - way] && size[2] > size[way] / 2
  })
}

/** What ties give together, N: as many times what the weakest gives; null when one is not known. */
function tiesTogether(ties: readonly TieGives[]): number | null {
  if (ties.some((t) => t.n === null)) return null
  return ties.length === 0 ? 0 : Math.min(...ties.map((t) => t.n!)) * ties.length
}

const SUBJECT = ['build', 'deep'] as const

function oneWay(c: Given & Pick<CheckContext, 'design' | 'goods'>, way: Way): CheckResult[] {
  const given = { check: 'sway', link: 'whole' as const, subject: SUBJECT[way], quantity: 'force' as const }
  const whole = wholeBox(c.boxes)
  const diagonals = braces(c, way)
  const sheets = backs(c, way)
  const ties = way === 0 ? tiesAlong(c.assembly, c) : tiesPulled(c.assembly, c)
  const solid = stands(c, way)
  const ids = [...diagonals.found, ...sheets.found].map((x) => x.part.id)
  // Design loads and strengths of the method go together; what ties give is told against loads as they are.
  const factor = c.method.loadFactor.goods
  const tied = tiesTogether(ties)
  const pushN = c.assembly.subassemblies.some((s) => BEARS_PEOPLE.has(s.tags?.use)) ? PUSH_N : 0
  const leanN = LEAN * c.design.loadsN + pushN * c.method.loadFactor.goods
  const data = {
    way: way === 0 ? 'along' : 'deep',
    braces: diagonals.found.length,
    backs: sheets.found.length,
    ties: ties.length,
    above: ties.length > 0 && ties.every((t) => drivenAlong(t.anchor) === 2) ? 1 : 0,
    leanN,
    pushN,
    tieAtMm: whole.max[2],
  }
  if (solid.length > 0)
    return [
      plain({
        ...given,
        code: 'sway-sides',
        state: 'holds',
        data,
        parts: solid.map((p) => p.id),
        covers: ties.map((t) => t.anchor.id),
      }),
    ]
  const fixed = sheets.found.reduce((s, b) => s + b.n, 0) + (tied ?? 0) * factor
  const pushed = (sign: boolean) => fixed + diagonalsGive(diagonals.found, sign, [whole.min[2], whole.max[2]])
  const capacity = Math.min(pushed(true), pushed(false))
  const lost = [...diagonals.unknown, ...sheets.unknown]
  if (capacity < leanN && (lost.length > 0 || tied === null))
    return [
      plain({
        ...given,
        code: tied === null ? 'unknown-anchor' : 'unknown-sway',
        state: 'unknown',
        demand: leanN,
        data: { ...data, needN: leanN - capacity, count: ties.length },
        parts: lost.map((p) => p.id),
      }),
    ]
  if (c.design.notWeighed.length > 0 && ids.length + ties.length > 0)
    return [notWeighed({ ...given, parts: ids, covers: ties.map((t) => t.anchor.id) }, c.design.notWeighed[0], c.goods)]
  if (ids.length === 0 && ties.length === 0)
    return [
      plain({
        ...given,
        code: way === 0 ? 'sway-free' : 'sway-deep-free',
        state: 'fails',
        demand: leanN,
        capacity: 0,
        data,
      }),
    ]
  return [
    measured({
      ...given,
      code: sheets.found.length > 0 ? 'sway-back' : diagonals.found.length > 0 ? 'sway-brace' : 'sway-tied',
      demand: leanN,
      capacity,
      parts: ids,
      covers: ties.map((t) => t.anchor.id),
      data: { slenderness: Math.max(0, ...diagonals.found.map((b) => b.slenderness)), ...data },
      working: {
        formula: 'lean of all weight ≤ Σ what diagonals, backs and ties give to the worse side',
        inputs: inputsOf({ leanN, pushN }, diagonals.found, sheets.found, ties),
        source: 'statics of a pinned frame',
      },
    }),
  ]
}

/** More of a kind than this are not listed one by one. */
const LISTED = 3

function inputsOf(
  { leanN, pushN }: { leanN: number; pushN: number },
  diagonals: Brace[],
  sheets: Back[],
  ties: readonly TieGives[],
): Input[] {
  const of = (b: Brace): Input[] => [
    {
      symbol: 'diagonal, pulled',
      value: b.pulledN,
      quantity: 'force',
      source: 'its weaker end: fasteners across their length',
    },
    {
      symbol: 'diagonal, pressed',
      value: b.pressedN,
      quantity: 'force',
      source: 'the same, or as a column between its fastenings, loaded at its face',
    },
    { symbol: 'le/d', value: b.slenderness, quantity: 'ratio' },
  ]
  return [
    { symbol: 'lean', value: leanN, quantity: 'force', source: `${LEAN} of every weight: product decision` },
    ...(pushN > 0
      ? [
          {
            symbol: 'of it a push',
            value: pushN,
            quantity: 'force' as const,
            source: 'who works at it: product decision',
          },
        ]
      : []),
    ...diagonals.slice(0, LISTED).flatMap(of),
    ...sheets.slice(0, LISTED).map((b): Input => ({
      symbol: `back on rows of ${b.screws}`,
      value: b.n,
      quantity: 'force',
      source: 'rows of screws turned by F·H/2 each and pulled along by F·H/B: the outermost governs',
    })),
    ...ties
      .slice(0, LISTED)
      .map((t): Input => ({ symbol: 'tie', value: t.n ?? 0, quantity: 'force', source: TIE_SOURCE[t.weakest] })),
  ]
}

/** Whether it folds: along its wall, and front to back. */
export const sway = defineCheck({
  id: 'sway',
  // It asks for all weight only, and there is never more of it than as drawn.
  asksForTheMost: true,
  reads: ['assembly', 'parts', 'boxes', 'settings', 'method', 'design', 'goods'],
  run(c): CheckResult[] {
    if (c.assembly.supports.every((s) => s.on.kind !== 'floor' || !('part' in s.from))) return []
    return [...oneWay(c, 0), ...oneWay(c, 1)]
  },
})
