import { panelsOver } from '../../blocks/carcass/screwed-panel.ts'
import { crossesUnder } from '../../blocks/frame/shelf-frame.ts'
import type { Stretch } from '../../blocks/sizing/splice.ts'
import { HANGER_STEEL_MM } from '../../catalogue/hardware.ts'
import type { Section } from '../../catalogue/lumber.ts'
import type { Sheet } from '../../catalogue/sheets.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import type { ShapeContext } from '../family.ts'
import type { Opening } from '../house-on-shelves.ts'
import { besideOpening } from './drop-in.ts'
import type { BenchParams, Well } from './parameters.ts'

/** A stretch shorter than this stands on no legs of its own, mm. */
export const LEAST_SECTION = 300

/** A stretch of the bench on legs of its own. */
export interface BenchSection {
  from: number
  to: number
  /** Upper face of its top. */
  highMm: number
  well: Well | null
  /** Where its opening is along the bench, where its machine is let down through the top. */
  opening: { left: number; right: number } | null
  /** Left edges of its legs. */
  legs: number[]
  crosses: number[]
  tops: Stretch[]
  /** Panels behind its legs, where those keep it stiff. */
  panels: Stretch[]
  /** Of the second layer, its joints away from those of the first. */
  upper: Stretch[]
}

export interface SectionSpec {
  p: BenchParams
  ctx: ShapeContext
  sheet: Sheet
  post: Section
  frame: Section
  heightMm: number
  legsApart: number
  every: number
  /** The longest panel that comes out of a sheet. */
  panelMm: number
}

/** The bench in stretches, each on legs of its own: between its wells, and each of them. */
export function sectionsOf(s: SectionSpec, lengthMm: number): Result<BenchSection[]> {
  const { p } = s
  const order = p.wells.map((well, i) => ({ well, i })).sort((a, b) => a.well.leftMm - b.well.leftMm)
  const [first, last] = [0, lengthMm]
  const out: BenchSection[] = []
  let at = first
  const boards = s.ctx.boards(p.frameSection, false).map((b) => b.lengthMm - s.ctx.settings.squaringTrimMm)
  const mostMm = Math.max(0, ...boards)
  const put = (from: number, to: number, well: Well | null): Result<null> => {
    // Longer than any board it is in equal stretches.
    const n = well ? 1 : Math.max(1, Math.ceil((to - from) / mostMm - 1e-9))
    for (let i = 0; i < n; i++) {
      const r = one(from + ((to - from) * i) / n, from + ((to - from) * (i + 1)) / n, well)
      if (!r.ok) return r
    }
    return good(null)
  }
  const one = (from: number, to: number, well: Well | null): Result<null> => {
    if (to - from < LEAST_SECTION - 1e-6)
      return bad('wells-meet', { mm: Math.max(0, to - from), leastMm: LEAST_SECTION })
    const r = sectionOf({ ...s, mostMm }, from, to, well)
    if (!r.ok) return r
    out.push(r.value)
    return good(null)
  }
  for (const { well, i } of order) {
    const field = `wells.${i}`
    const here = (r: Result<null>): Result<null> => (r.ok ? r : { ok: false, problem: { ...r.problem, field } })
    // An opening has a leg and a cross piece on both sides of it.
    const side = well.way === 'dropped-in' ? besideOpening(s.post, s.frame) : 0
    const end = well.leftMm + well.wideMm + side
    const start = well.leftMm - side
    if (start < first - 1e-6) return bad('well-past-start', { mm: well.leftMm, leastMm: first + side }, field)
    if (end > last + 1e-6) return bad('well-past-end', { mm: end, mostMm: last }, field)
    const leastMm = p.layers === 'two' ? 2 * s.sheet.thicknessMm : s.sheet.thicknessMm
    const low = s.heightMm - well.tableMm
    // The frame of the top, and the hangers in it, lie over the platform.
    const overMm = leastMm + s.frame.widthMm + HANGER_STEEL_MM
    if (well.way === 'dropped-in' && well.tableMm < overMm)
      return bad('drop-too-shallow', { mm: well.tableMm, leastMm: overMm }, field)
    if (low < leastMm + s.frame.widthMm + KNEE_MM)
      return bad('well-too-low', { mm: Math.max(0, low), leastMm: leastMm + s.frame.widthMm + KNEE_MM }, field)
    if (start < at - 1e-6) return bad('wells-meet', { mm: 0, leastMm: LEAST_SECTION }, field)
    if (start > at + 1e-6) {
      const r = here(put(at, start, null))
      if (!r.ok) return r
    }
    const r = here(put(start, end, well))
    if (!r.ok) return r
    at = end
  }
  if (last > at + 1e-6) {
    const r = put(at, last, null)
    if (!r.ok) return { ok: false, problem: { ...r.problem, field: 'lengthMm' } }
  }
  return good(out)
}
/** Least under the frame of a well, mm: a broom goes in. */
const KNEE_MM = 100

function sectionOf(
  s: SectionSpec & { mostMm: number },
  from: number,
  to: number,
  well: Well | null,
): Result<BenchSection> {
  const { post, sheet, frame, ctx } = s
  const long = to - from
  const t = frame.thicknessMm
  if (long > s.mostMm) return bad('longer-than-board', { mm: long, mostMm: s.mostMm }, 'lengthMm')
  // Legs stand inside the rails, the first and the last at their ends: who sits there sits over them.
  const room = long - post.widthMm
  // A panel behind the legs meets the next on one of them: none is longer than a sheet.
  const apartMm = s.p.stiff === 'panels' ? Math.min(s.legsApart, s.panelMm - post.widthMm) : s.legsApart
  // None stands in an opening.
  const opened = well?.way === 'dropped-in'
  const n = opened ? 1 : Math.max(1, Math.ceil(room / apartMm - 1e-9))
  const legs = Array.from({ length: n + 1 }, (_, i) => from + (i * room) / n)
  const beside = (x: number) => besideLegs(x, t, post.widthMm, legs)

  const sheetLong = sheet.lengthMm - 2 * ctx.settings.sheetTrimMm
  const pieces = Math.ceil(long / sheetLong - 1e-9)
  // Joints of sheets lie on the middle of a cross piece, those of the second layer half a piece beside the first.
  const joint = (x: number) => beside(x - t / 2) + t / 2
  const at = Array.from({ length: pieces - 1 }, (_, i) => joint(from + (long * (i + 1)) / pieces))
  const half = long / pieces / 2
  const upperAt = pieces > 1 ? [from, ...at].map((x) => joint(x + half)) : []
  const joints = [...at, ...(s.p.layers === 'two' ? upperAt : [])].sort((a, b) => a - b)
  const first = from + post.widthMm
  const under = joints.map((x) => ({ from: x - first }))
  const crosses = crossesUnder(long - 2 * post.widthMm, s.every, t, [{ from: 0 }, ...under]).map((x) => first + x)
  const side = besideOpening(post, frame)
  return good({
    from,
    to,
    highMm: s.heightMm - (opened ? 0 : (well?.tableMm ?? 0)),
    well,
    opening: opened ? { left: from + side, right: to - side } : null,
    legs,
    panels: s.p.stiff === 'panels' ? panelsOver(legs, post.widthMm, s.panelMm) : [],
    crosses: apart(crosses.map(beside), t, [crosses[0], crosses[crosses.length - 1], ...joints.map((x) => x - t / 2)]),
    // Round an opening it lies in pieces of its own.
    tops: opened ? [] : between(from, at, to),
    upper: opened ? [] : between(from, upperAt, to),
  })
}
/** Cross pieces that came to lie in each other beside a leg are one: that at an end or under a joint, if there is one. */
function apart(lefts: readonly number[], thickMm: number, needed: readonly number[]): number[] {
  const isNeeded = (x: number) => needed.some((n) => Math.abs(n - x) < 1e-6)
  const out: number[] = []
  for (const x of [...lefts].sort((a, b) => a - b)) {
    const last = out[out.length - 1]
    if (last === undefined || x >= last + thickMm - 1e-6) out.push(x)
    else if (isNeeded(x) && !isNeeded(last)) out[out.length - 1] = x
  }
  return out
}
/** A cross piece that would meet a leg stands beside it. @param x its left face */
function besideLegs(x: number, thickMm: number, legMm: number, legs: readonly number[]): number {
  const leg = legs.find((l) => x + thickMm > l + 1e-6 && x < l + legMm - 1e-6)
  if (leg === undefined) return x
  return x + thickMm / 2 < leg + legMm / 2 ? leg - thickMm : leg + legMm
}
const between = (from: number, at: readonly number[], to: number): Stretch[] =>
  [from, ...at].map((x, i) => ({ from: x, to: at[i] ?? to }))

/** Between the legs, of all that are no wells. */
export const openingsOf = (sections: readonly BenchSection[], post: Section): (Opening & { section: number })[] =>
  sections.flatMap((s, section) =>
    s.well ? [] : s.legs.slice(1).map((x, i) => ({ section, left: s.legs[i] + post.widthMm, right: x })),
  )
