import { fastenersIn } from '../assembly/fasteners-in.ts'
import type { Assembly, Joint, Part, Support } from '../assembly/assembly.ts'
import { jointsOf } from '../assembly/joints-of.ts'
import { netModulus, netSection, stiffnessLeft } from '../assembly/net-section.ts'
import { isLevelSheet, isUpright, thicknessAxis, type PartBoxes } from '../assembly/part-box.ts'
import { SCREWED_FRONT } from '../assembly/way-in.ts'
import { findGrade, findSection } from '../catalogue/lumber.ts'
import { findSheet } from '../catalogue/sheets.ts'
import { boxSize, type Box } from '../geometry/box.ts'
import type { LoadPath } from '../loads/load-path.ts'
import { partMassKg } from '../assembly/mass.ts'
import { addTo } from '../measure/add-to.ts'
import { newtons } from '../measure/units.ts'
import type { DesignMethod, PostAxis } from '../mechanics/methods/method.ts'
import { defineCheck, measured, plain, type CheckContext, type CheckResult, type Input } from './check.ts'
import { besideOf } from './beside.ts'
import { LEAST_NET } from './members.ts'

/** Size of the part of an axis or a push along a way that runs that way. */
const RUNS = 0.9

type Standing = Pick<CheckContext, 'assembly' | 'boxes' | 'parts'>
const endsOf = (p: Part, { boxes }: Standing): number[] => [boxes.get(p.id)!.min[2], boxes.get(p.id)!.max[2]]

/** Heights at which something that runs along `axis` is fastened to an upright piece. */
const runsAt = (p: Part, axis: 0 | 1, { assembly, parts }: Standing): number[] =>
  jointsOf(assembly, p.id).flatMap((j) => {
    const q = parts.get(j.near === p.id ? j.far : j.near)
    return q && Math.abs(q.at.along[axis]) > RUNS ? [j.at[2]] : []
  })

/** What holds pieces sideways, to and fro, by the piece. */
function sidewaysOf(a: Assembly): Map<string, Support[]> {
  const out = new Map<string, Support[]>()
  for (const s of a.supports)
    if ('part' in s.from && s.way === 'both' && Math.abs(s.push[2]) < RUNS) addTo(out, s.from.part, s)
  return out
}

/**
 * Heights at which a post cannot bow along `axis`: where something that runs that way is fastened to it, a panel that
 * stands in that plane, or what holds it to and fro. Ends included.
 */
export function heldHeights(p: Part, axis: 0 | 1, c: Standing, sideways: readonly Support[] = []): number[] {
  const own = c.boxes.get(p.id)!
  const panels = jointsOf(c.assembly, p.id).flatMap((j) => {
    const q = c.parts.get(j.near === p.id ? j.far : j.near)
    return q && isPanelAlong(c.assembly, q, axis) ? screwedAt(j, own, c.boxes.get(q.id)!) : []
  })
  const held = sideways
    .filter((s) => Math.abs(s.push[axis]) > RUNS)
    .map((s) => (s.contact.min[2] + s.contact.max[2]) / 2)
  return [...endsOf(p, c), ...runsAt(p, axis, c), ...panels, ...held].sort((x, y) => x - y)
}
/** A sheet that stands in the plane a post would bow in, screwed to another upright too. */
const isPanelAlong = (a: Assembly, q: Part, axis: 0 | 1): boolean => {
  if (q.stock.kind !== 'sheet' || q.loose || Math.abs(thicknessAxis(q)[1 - axis]) < RUNS) return false
  // What is taken off to open a build holds nothing.
  if (a.subassemblies.some((s) => s.tags?.use === SCREWED_FRONT && s.parts.includes(q.id))) return false
  const others = new Set(jointsOf(a, q.id).map((j) => (j.near === q.id ? j.far : j.near)))
  return others.size > 1
}
/** Heights of the screws of a panel in a post: even over what both share. */
function screwedAt(j: Joint, post: Box, panel: Box): number[] {
  const [from, to] = [Math.max(post.min[2], panel.min[2]), Math.min(post.max[2], panel.max[2])]
  const n = fastenersIn([j])
  return n < 2 ? [] : Array.from({ length: n }, (_, i) => from + ((to - from) * i) / (n - 1))
}
const longestGap = (heights: number[]) => heights.slice(1).reduce((g, h, i) => Math.max(g, h - heights[i]), 0)

/**
 * Moment that comes into a post from what hangs off its face one way, N·mm: at each height the fastened loads times
 * their distance from the post's middle, one side only (the other may stand empty). Between two heights half goes up
 * and half down; at the top all of it.
 */
function faceMoment(hung: readonly Support[], p: Part, axis: 0 | 1, design: LoadPath, beyond: Beyond): number {
  const levels = new Map<number, [number, number]>()
  for (const s of hung) {
    const at = (s.contact.min[axis] + s.contact.max[axis]) / 2 - p.at.centre[axis]
    const off = at + Math.sign(at) * beyond(s, axis)
    const z = Math.round((s.contact.min[2] + s.contact.max[2]) / 2)
    const sides = levels.get(z) ?? [0, 0]
    sides[off < 0 ? 0 : 1] += Math.abs(off) * Math.max(0, design.reactions.get(s.id) ?? 0)
    levels.set(z, sides)
  }
  const top = Math.max(...levels.keys())
  return Math.max(0, ...[...levels].map(([z, sides]) => Math.max(...sides) * (z === top ? 1 : 0.5)))
}

/** How much further out than a face what hangs on it bears its own load, mm. */
type Beyond = (s: Support, axis: 0 | 1) => number
/** At the far face of a rail, where nothing else takes what that turns it by; else what turns it is taken beside the post. */
const farFace =
  (boxes: PartBoxes): Beyond =>
  (s, axis) => {
    const b = 'part' in s.from ? boxes.get(s.from.part) : undefined
    return b && s.contact.max[axis] - s.contact.min[axis] < 1 ? b.max[axis] - b.min[axis] : 0
  }

/** Moment from what pushes against a standing board sideways, the way it is as deep as this, N·mm. */
function bentIn(p: Part, depthMm: number, design: LoadPath): number {
  const s = design.members.get(p.id)!.state
  const bent = s.kind === 'column' ? (s.bent ?? []) : []
  return bent.reduce(
    (m, b) => (Math.abs((b.depthMm ?? 0) - depthMm) < 0.1 ? Math.max(m, Math.abs(b.result.moment.nmm)) : m),
    0,
  )
}

/**
 * Posts under all that comes down to them: crushing along the grain, and buckling either way between what holds them.
 */
export const postBuckling = defineCheck({
  id: 'buckling',
  reads: ['assembly', 'parts', 'boxes', 'alike', 'design', 'settings', 'method'],
  run({ assembly, parts, boxes, alike, design, settings, method }): CheckResult[] {
    const hung = new Map<string, Support[]>()
    const beyond: Beyond = besideOf({ assembly, parts }, design) === 'into-posts' ? farFace(boxes) : () => 0
    const sideways = sidewaysOf(assembly)
    // What lies in a notch bears on one side of its post: it is off the middle like what is fastened to a face.
    const seats = new Set(assembly.joints.flatMap((j) => (j.kind === 'notched' ? [j.id] : [])))
    for (const s of assembly.supports) {
      if (s.on.kind !== 'part' || (s.via !== 'fasteners' && !(s.joint !== null && seats.has(s.joint)))) continue
      const list = hung.get(s.on.part)
      if (list) list.push(s)
      else hung.set(s.on.part, [s])
    }
    return alike.flatMap((group) => {
      // A board that stands, by what it does and not by what it is called.
      const upright = group.parts.filter((p) => p.stock.kind === 'board' && isUpright(p))
      const posts = upright.filter((p) => design.members.get(p.id)?.state.kind === 'column')
      const lost = upright.find((p) => design.members.get(p.id)?.state.kind === 'unknown')
      const ids = (p: Part) => [p.id, ...group.parts.filter((x) => x.id !== p.id).map((x) => x.id)]
      const given = { check: 'buckling', link: 'post' as const, quantity: 'ratio' as const, subject: group.parts[0].id }
      if (posts.length === 0 && !lost) return []
      if (lost) {
        const state = design.members.get(lost.id)!.state
        return [
          plain({
            ...given,
            code: `unknown-${state.kind === 'unknown' ? state.reason : ''}`,
            state: 'unknown',
            parts: ids(lost),
            data: { letter: group.letter, role: group.parts[0].role },
          }),
        ]
      }
      const axial = (p: Part) => {
        const s = design.members.get(p.id)!.state
        return s.kind === 'column' ? s.axialN : 0
      }
      const stock = posts[0].stock
      if (stock.kind !== 'board') return []
      const grade = findGrade(stock.grade)!
      // Alike in shape, not in load: the one with most on it and the one bent most are both looked at.
      const bent = posts.map((p) => ({
        p,
        moment: ([0, 1] as const).map((axis) => faceMoment(hung.get(p.id) ?? [], p, axis, design, beyond)),
      }))
      const most = (of: (b: (typeof bent)[number]) => number) => bent.reduce((x, y) => (of(y) > of(x) ? y : x))
      const suspects = [...new Set([most((b) => axial(b.p)), most((b) => b.moment[0]), most((b) => b.moment[1])])]
      const looked = suspects.map(({ p, moment }) => {
        const size = boxSize(boxes.get(p.id)!)
        const way = (axis: 0 | 1): PostAxis => ({
          depthMm: size[axis],
          unheldMm: longestGap(heldHeights(p, axis, { assembly, boxes, parts }, sideways.get(p.id))),
          // Holes bored into it leave less of it to bend.
          momentNmm: (moment[axis] + bentIn(p, size[axis], design)) / Math.max(netModulus(p, size[axis]), LEAST_NET),
        })
        const axes = [way(0), way(1)] as const
        return {
          p,
          axes,
          result: method.post(
            {
              grade,
              nominalWidth: findSection(stock.section)!.nominalWidth,
              axialN: axial(p) / Math.max(netSection(p).area, LEAST_NET),
              axes,
            },
            settings,
          ),
        }
      })
      if (looked.some((s) => s.result === null))
        return [
          plain({
            ...given,
            code: 'unknown-no-strength',
            state: 'unknown',
            parts: ids(posts[0]),
            data: { letter: group.letter, role: group.parts[0].role },
          }),
        ]
      const hard = (s: (typeof looked)[number]) => s.result!.ratio ?? Infinity
      const weak = looked.reduce((x, y) => (hard(y) > hard(x) ? y : x))
      const { ratio, axis, formula, source, factors } = weak.result!
      const worst = weak.p
      const way = weak.axes[axis]
      const data = {
        letter: group.letter,
        role: group.parts[0].role,
        lengthMm: way.unheldMm,
        sideMm: way.depthMm,
        axialN: axial(worst),
        section: stock.section,
        way: axis === 0 ? 'sideways' : 'front-to-back',
      }
      const inputs: Input[] = [
        { symbol: 'P', value: axial(worst), quantity: 'force', source: method.loadFactor.source },
        { symbol: 'A', value: worst.size.widthMm * worst.size.thicknessMm, quantity: 'area' },
        ...weak.axes
          .filter((a) => a.momentNmm > 0)
          .map((a): Input => ({
            symbol: a === weak.axes[0] ? 'M sideways' : 'M front to back',
            value: a.momentNmm,
            quantity: 'moment',
            source: 'what is fastened to one face, times its distance from the middle; half of it between two heights',
          })),
        {
          symbol: 'unheld length',
          value: way.unheldMm,
          quantity: 'length',
          source: 'between what holds the post that way; ends free to turn (Ke = 1)',
        },
        { symbol: 'side', value: way.depthMm, quantity: 'length' },
        ...factors.map((f): Input => ({
          symbol: f.symbol,
          value: f.value,
          quantity: f.stress ? 'stress' : 'ratio',
          source: f.source,
        })),
      ]
      if (ratio === null)
        return [
          plain({
            code: 'too-slender',
            state: 'fails',
            data,
            parts: ids(worst),
            working: { formula: 'le / d ≤ 50', inputs, source },
            ...given,
          }),
        ]
      if (!Number.isFinite(ratio))
        return [
          plain({
            ...given,
            code: 'buckles',
            state: 'fails',
            data,
            parts: ids(worst),
            working: { formula, inputs, source },
          }),
        ]
      return [
        measured({
          code: 'post',
          demand: ratio,
          capacity: 1,
          data,
          parts: ids(worst),
          working: { formula, inputs, source },
          ...given,
        }),
      ]
    })
  },
})

/**
 * A sheet standing on edge under load, free to bow between the shelves that hold it: Euler's load over this. Product
 * decision.
 */
const UPRIGHT_SAFETY = 3

/** Panels hold an upright where they reach over this much of its width. Product decision. */
const HOLDS_SHARE = 0.5

/**
 * Heights at which an upright of sheet cannot bow sideways: cleats along it, and level panels that are fastened in or to
 * it over most of its width. Whether all of them lean together the sway check asks.
 */
export function heldByPanels(p: Part, c: Standing): number[] {
  const panels = jointsOf(c.assembly, p.id).flatMap((j) => {
    const q = c.parts.get(j.near === p.id ? j.far : j.near)
    const fast = j.fasteners.length > 0 && q && !q.loose && isLevelSheet(q)
    return fast && Math.min(q.size.lengthMm, q.size.widthMm) >= HOLDS_SHARE * p.size.widthMm ? [j.at[2]] : []
  })
  // Sheets side on side bow together: none holds the other.
  return [...endsOf(p, c), ...runsAt(p, 1, c), ...panels].sort((x, y) => x - y)
}

/** A part's own weight with the method's factor, N, and a thousandth more. */
const ownN = (p: Part, method: DesignMethod) => 1.001 * newtons(partMassKg(p)) * method.loadFactor.self

/** Uprights of sheet, and what stands on its edge with something on it: crushing hardly matters, bowing does. */
export const uprights = defineCheck({
  id: 'upright',
  reads: ['assembly', 'parts', 'boxes', 'design', 'method'],
  run({ assembly, parts, boxes, design, method }): CheckResult[] {
    let worst: CheckResult | null = null
    const looked: string[] = []
    for (const p of assembly.parts) {
      const member = design.members.get(p.id)
      const onEdge = Math.abs(p.at.across[2]) >= RUNS
      if (p.stock.kind !== 'sheet' || !member || !(onEdge || isUpright(p))) continue
      const { state } = member
      const given = { check: 'upright', link: 'post' as const, quantity: 'force' as const, subject: 'side' }
      if (state.kind === 'unknown')
        return [
          plain({ ...given, code: `unknown-${state.reason}`, state: 'unknown', parts: [p.id], data: { role: p.role } }),
        ]
      // A thin back that stands on its edge carries nothing but itself, and is held by its screws.
      const axialN = state.kind === 'column' ? state.axialN : onEdge && state.kind === 'idle' ? member.totalN : 0
      if (axialN <= ownN(p, method)) continue
      looked.push(p.id)
      const sheet = findSheet(p.stock.sheet)!
      const lengthMm = onEdge ? p.size.widthMm : longestGap(heldByPanels(p, { assembly, boxes, parts }))
      const [ei, wideMm] = onEdge ? [sheet.ei.across, p.size.lengthMm] : [sheet.ei.along, p.size.widthMm]
      // Dadoes and grooves leave it thinner.
      const kept = stiffnessLeft(p)
      const euler = (Math.PI ** 2 * ei * kept * wideMm) / lengthMm ** 2
      const r = measured({
        code: 'upright',
        demand: axialN,
        capacity: euler / UPRIGHT_SAFETY,
        parts: [p.id],
        data: { role: p.role, axialN, lengthMm },
        working: {
          formula: 'P ≤ π²·k·EI·b / L² / 3',
          source: 'Euler; safety factor 3: product decision',
          inputs: [
            { symbol: 'P', value: axialN, quantity: 'force' },
            { symbol: 'EI', value: ei, quantity: 'stiffness', source: sheet.source },
            { symbol: 'k', value: kept, quantity: 'ratio', source: 'left by dadoes: mean of 1/t³ over its length' },
            { symbol: 'b', value: wideMm, quantity: 'length' },
            {
              symbol: 'L',
              value: lengthMm,
              quantity: 'length',
              source: onEdge ? 'all its height' : 'between shelves or cleats that hold it',
            },
          ],
        },
        ...given,
      })
      if (!worst || (r.ratio ?? 9) > (worst.ratio ?? 9)) worst = r
    }
    return worst ? [{ ...worst, covers: looked }] : []
  },
})
