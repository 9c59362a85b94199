import type { Assembly, Joint, Part } from '../assembly/assembly.ts'
import { findGrade, findSection } from '../catalogue/lumber.ts'
import { sectionModulus } from '../mechanics/section.ts'
import { defineCheck, measured, notWeighed, plain, type CheckContext, type CheckResult } from './check.ts'
import { oneFastener } from './fastener.ts'
import { leanIn, type Lean } from './lean.ts'
import { tiesPulled } from './ties.ts'

/*
 * Sheets on their edges lean: foot at one side of their compartment, upper edge at a post of the other (`lean.ts`).
 *
 *        |\ |     about its foot: N·h = W·f/2, f what is free of the compartment, h the height of the sheet;
 *   post | \|     the post is a beam from the bar at the floor to that over the sheets, its bolts hold its ends.
 *      --|--\--
 */

/** Fewer frames than this under a sheet and it tips off them. */
const LEAST_FRAMES = 2

interface Frame {
  parts: Part[]
  under: Part
  over: Part
}
type Given = Pick<CheckContext, 'assembly' | 'parts' | 'boxes' | 'method' | 'settings' | 'goods'>

const framesOf = (a: Assembly, parts: ReadonlyMap<string, Part>): Frame[] =>
  a.subassemblies
    .filter((s) => s.tags?.use === 'leaned-on')
    .map((s) => ({
      parts: s.parts.map((id) => parts.get(id)!),
      under: parts.get(String(s.tags!.under))!,
      over: parts.get(String(s.tags!.over))!,
    }))

/** How many frames the length of a thing meets. */
const met = (from: number, to: number, frames: readonly Frame[], c: Given): number =>
  frames.filter(({ under }) => {
    const { min, max } = c.boxes.get(under.id)!
    return min[0] >= from && max[0] <= to
  }).length

const middleZ = (p: Part, c: Given) => (c.boxes.get(p.id)!.min[2] + c.boxes.get(p.id)!.max[2]) / 2

/** All fasteners of a joint across their length, N; null when the woods say nothing. */
function across(j: Joint, c: Given): number | null {
  const each = j.fasteners.map((f) => {
    const one = oneFastener(j, f, c.parts, c.boxes, c)
    return one && one.value * f.count
  })
  return each.some((n) => n === null) ? null : each.reduce<number>((s, n) => s + n!, 0)
}

function ofLean(lean: Lean, frame: Frame, c: Given): CheckResult[] {
  const { bay } = lean
  const [low, high] = [middleZ(frame.under, c), middleZ(frame.over, c)]
  const span = high - low
  // At the height of any of them, where that does most.
  const places = lean.highsMm.map((mm) => Math.min(span, bay.clear.min[2] + mm - low))
  const at = places.reduce((x, y) => (y * (span - y) > x * (span - x) ? y : x))
  const atEnd = Math.max(...places.map((x) => Math.max(x, span - x)))
  // How stiff sheets share between frames nobody knows: one post may take all of it.
  const { n } = lean
  const posts = frame.parts.filter((p) => p !== frame.under && p !== frame.over)
  const post = posts[0]
  const joints = c.assembly.joints.filter((j) => posts.some((p) => p.id === j.near || p.id === j.far))
  const given = {
    check: 'leaned-on',
    link: 'post' as const,
    parts: posts.map((p) => p.id),
    bays: [bay.id],
    covers: joints.map((j) => j.id),
    data: { slot: bay.name.column, n: lean.n, freeMm: lean.freeMm },
  }
  const grade = post.stock.kind === 'board' ? findGrade(post.stock.grade) : undefined
  const nominalWidth = post.stock.kind === 'board' ? (findSection(post.stock.section)?.nominalWidth ?? null) : null
  const { thicknessMm: t, widthMm: w } = post.size
  const fb = grade && c.method.bending(grade, { depthMm: w, nominalWidth, flat: false }, c.settings)
  const held = joints.map((j) => across(j, c))
  if (!fb || held.some((x) => x === null))
    return [plain({ ...given, code: 'unknown-leaned-on', quantity: 'ratio', subject: bay.id, state: 'unknown' })]
  const moment = (n * at * (span - at)) / span
  return [
    measured({
      ...given,
      code: 'leaned-on',
      quantity: 'stress',
      subject: bay.id,
      demand: moment / sectionModulus(t, w),
      capacity: fb.value,
      working: {
        formula: 'N = W·f / (2·h);  σ = N·a·(L − a)/L / (b·d²/6)',
        source: 'moments about the foot of what leans; a post as a simple beam between its bars, taking all of it',
        inputs: [
          { symbol: 'N', value: lean.n, quantity: 'force' },
          { symbol: 'f', value: lean.freeMm, quantity: 'length' },
          { symbol: 'a', value: at, quantity: 'length' },
          { symbol: 'L', value: span, quantity: 'length' },
        ],
      },
    }),
    measured({
      ...given,
      code: 'leaned-bolts',
      quantity: 'force',
      subject: `${bay.id}:bolts`,
      demand: (n * atEnd) / span,
      capacity: Math.min(...held.map((x) => x!)),
      working: {
        formula: 'N·a/L or N·(L − a)/L ≤ the fasteners of one crossing across their length',
        source: 'statics of a simple beam',
        inputs: [{ symbol: 'N', value: lean.n, quantity: 'force' }],
      },
    }),
  ]
}

/** What leans out from the wall pulls at the ties: those of all compartments at once, as they weigh. */
function ofTies(leans: readonly Lean[], frame: Frame, c: Given): CheckResult {
  const [low, high] = [middleZ(frame.under, c), middleZ(frame.over, c)]
  const ties = tiesPulled(c.assembly, c)
  const given = {
    check: 'leaned-on',
    link: 'whole' as const,
    quantity: 'force' as const,
    subject: 'ties',
    covers: ties.map((t) => t.anchor.id),
    data: { count: ties.length },
  }
  if (ties.some((t) => t.n === null))
    return plain({ ...given, code: 'unknown-anchor', state: 'unknown', data: { count: ties.length, needN: 0 } })
  const demand = leans.reduce(
    (s, l) => s + (l.n * Math.min(high - low, l.bay.clear.min[2] + Math.max(...l.highsMm) - low)) / (high - low),
    0,
  )
  return measured({
    ...given,
    code: 'leaned-ties',
    demand,
    capacity: ties.length > 0 ? ties.length * Math.min(...ties.map((t) => t.n!)) : 0,
    working: {
      formula: 'Σ N·a/L ≤ what all ties give, as many times the weakest',
      source: 'statics of frames that turn about their feet',
      inputs: [{ symbol: 'Σ N·a/L', value: demand, quantity: 'force' }],
    },
  })
}

/** Frames that sheets lean on, told by their tags. */
export const leanedOn = defineCheck({
  id: 'leaned-on',
  reads: ['assembly', 'parts', 'boxes', 'method', 'settings', 'goods'],
  run(c): CheckResult[] {
    const frames = framesOf(c.assembly, c.parts)
    if (frames.length === 0) return []
    const under = new Set(frames.map((f) => f.under.id))
    const bays = c.assembly.bays.filter((b) => b.items.length > 0 && b.carriers.some((id) => under.has(id)))
    const leans = bays.filter((b) => b.items.every((i) => i.massKg !== null)).map((b) => leanIn(b, 1, 1))
    const out = bays.flatMap((bay): CheckResult[] => {
      const few = bay.items.find((i) => met(i.box.min[0], i.box.max[0], frames, c) < LEAST_FRAMES)
      const given = { check: 'leaned-on', link: 'goods' as const, quantity: 'count' as const, bays: [bay.id] }
      const short = few && {
        ...given,
        code: 'on-one-frame',
        subject: `${bay.id}:frames`,
        state: 'fails' as const,
        data: { goods: c.goods.get(few.goodsId)?.name ?? '' },
      }
      const unweighed = bay.items.find((i) => i.massKg === null)
      const lean = unweighed
        ? [notWeighed({ ...given, subject: bay.id }, unweighed.goodsId, c.goods)]
        : ofLean(leanIn(bay, 1, c.method.loadFactor.goods), frames[0], c)
      return [...(short ? [plain(short)] : []), ...lean]
    })
    return leans.length > 0 ? [...out, ofTies(leans, frames[0], c)] : out
  },
})
