import type { Assembly, Part, Support } from '../assembly/assembly.ts'
import type { PartBoxes } from '../assembly/part-box.ts'
import { findGrade, findSection } from '../catalogue/lumber.ts'
import { findSheet } from '../catalogue/sheets.ts'
import { boxSize, type Box } from '../geometry/box.ts'
import type { LoadPath } from '../loads/load-path.ts'
import type { PostAxis } from '../mechanics/methods/method.ts'
import { defineCheck, measured, plain, type CheckResult, type Input } from './check.ts'

/** Heights at which something that runs along `axis` is fastened to a post: there it cannot bow that way. Ends included. */
function heldHeights(a: Assembly, p: Part, axis: 0 | 1, boxes: PartBoxes, parts: ReadonlyMap<string, Part>): number[] {
  const own = boxes.get(p.id)!
  const heights = [own.min[2], own.max[2]]
  for (const j of a.joints) {
    const other = j.near === p.id ? j.far : j.far === p.id ? j.near : null
    const q = other === null ? undefined : parts.get(other)
    if (q && Math.abs(q.at.along[axis]) > 0.9) heights.push(j.at[2])
  }
  return heights.sort((x, y) => x - y)
}
const longestGap = (heights: number[]) => heights.slice(1).reduce((g, h, i) => Math.max(g, h - heights[i]), 0)

/**
 * Moment that comes into a post from what hangs off its face one way, N·mm: at each height the fastened loads times their distance from the
 * post's middle, one side only (the other may stand empty). Between two heights half goes up and half down; at the top all of it.
 */
function faceMoment(hung: readonly Support[], p: Part, axis: 0 | 1, design: LoadPath): number {
  const levels = new Map<number, [number, number]>()
  for (const s of hung) {
    const off = (s.contact.min[axis] + s.contact.max[axis]) / 2 - p.at.centre[axis]
    const z = Math.round((s.contact.min[2] + s.contact.max[2]) / 2)
    const sides = levels.get(z) ?? [0, 0]
    sides[off < 0 ? 0 : 1] += Math.abs(off) * Math.max(0, design.reactions.get(s.id) ?? 0)
    levels.set(z, sides)
  }
  const top = Math.max(...levels.keys())
  return Math.max(0, ...[...levels].map(([z, sides]) => Math.max(...sides) * (z === top ? 1 : 0.5)))
}

/** Posts under all that comes down to them: crushing along the grain, and buckling either way between what holds them. */
export const postBuckling = defineCheck({
  id: 'buckling',
  reads: ['assembly', 'parts', 'boxes', 'alike', 'design', 'settings', 'method'],
  run({ assembly, parts, boxes, alike, design, settings, method }): CheckResult[] {
    const hung = new Map<string, Support[]>()
    for (const s of assembly.supports) {
      if (s.on.kind !== 'part' || s.via !== 'fasteners') continue
      const list = hung.get(s.on.part)
      if (list) list.push(s)
      else hung.set(s.on.part, [s])
    }
    return alike.flatMap((group) => {
      const posts = group.parts.filter((p) => p.role === 'post' && design.members.get(p.id)?.state.kind === 'column')
      const lost = group.parts.find((p) => p.role === 'post' && design.members.get(p.id)?.state.kind === 'unknown')
      const ids = (p: Part) => [p.id, ...group.parts.filter((x) => x.id !== p.id).map((x) => x.id)]
      const given = { check: 'buckling', link: 'post' as const, quantity: 'ratio' as const, subject: group.parts[0].id }
      if (posts.length === 0 && !lost) return []
      if (lost) {
        const state = design.members.get(lost.id)!.state
        return [plain({ ...given, code: `unknown-${state.kind === 'unknown' ? state.reason : ''}`, state: 'unknown', parts: ids(lost), data: { letter: group.letter, role: 'post' } })]
      }
      const axial = (p: Part) => {
        const s = design.members.get(p.id)!.state
        return s.kind === 'column' ? s.axialN : 0
      }
      const stock = posts[0].stock
      if (stock.kind !== 'board') return []
      const grade = findGrade(stock.grade)!
      // Alike in shape, not in load: the one with most on it and the one bent most are both looked at.
      const bent = posts.map((p) => ({ p, moment: ([0, 1] as const).map((axis) => faceMoment(hung.get(p.id) ?? [], p, axis, design)) }))
      const most = (of: (b: (typeof bent)[number]) => number) => bent.reduce((x, y) => (of(y) > of(x) ? y : x))
      const suspects = [...new Set([most((b) => axial(b.p)), most((b) => b.moment[0]), most((b) => b.moment[1])])]
      const looked = suspects.map(({ p, moment }) => {
        const size = boxSize(boxes.get(p.id)!)
        const way = (axis: 0 | 1): PostAxis => ({ depthMm: size[axis], unheldMm: longestGap(heldHeights(assembly, p, axis, boxes, parts)), momentNmm: moment[axis] })
        const axes = [way(0), way(1)] as const
        return { p, axes, result: method.post({ grade, nominalWidth: findSection(stock.section)!.nominalWidth, axialN: axial(p), axes }, settings) }
      })
      if (looked.some((s) => s.result === null)) return [plain({ ...given, code: 'unknown-no-strength', state: 'unknown', parts: ids(posts[0]), data: { letter: group.letter, role: 'post' } })]
      const hard = (s: (typeof looked)[number]) => s.result!.ratio ?? Infinity
      const weak = looked.reduce((x, y) => (hard(y) > hard(x) ? y : x))
      const { ratio, axis, formula, source, factors } = weak.result!
      const worst = weak.p
      const way = weak.axes[axis]
      const data = { letter: group.letter, role: 'post', lengthMm: way.unheldMm, sideMm: way.depthMm, axialN: axial(worst), section: stock.section, way: axis === 0 ? 'sideways' : 'front-to-back' }
      const inputs: Input[] = [
        { symbol: 'P', value: axial(worst), quantity: 'force', source: method.loadFactor.source },
        { symbol: 'A', value: worst.size.widthMm * worst.size.thicknessMm, quantity: 'area' },
        ...weak.axes.filter((a) => a.momentNmm > 0).map((a): Input => ({ symbol: a === weak.axes[0] ? 'M sideways' : 'M front to back', value: a.momentNmm, quantity: 'moment', source: 'what is fastened to one face, times its distance from the middle; half of it between two heights' })),
        { symbol: 'unheld length', value: way.unheldMm, quantity: 'length', source: 'between what holds the post that way; ends free to turn (Ke = 1)' },
        { symbol: 'side', value: way.depthMm, quantity: 'length' },
        ...factors.map((f): Input => ({ symbol: f.symbol, value: f.value, quantity: f.stress ? 'stress' : 'ratio', source: f.source })),
      ]
      if (ratio === null) return [plain({ ...given, code: 'too-slender', state: 'fails', data, parts: ids(worst), working: { formula: 'le / d ≤ 50', inputs, source } })]
      if (!Number.isFinite(ratio)) return [plain({ ...given, code: 'buckles', state: 'fails', data, parts: ids(worst), working: { formula, inputs, source } })]
      return [measured({ ...given, code: 'post', demand: ratio, capacity: 1, data, parts: ids(worst), working: { formula, inputs, source } })]
    })
  },
})

/** Length of a contact along the piece it presses on, and the wood before and behind it, mm. */
function contactOn(on: Part, contact: Box): [number, number, number] {
  const i = on.at.along.findIndex((v) => Math.abs(v) > 0.9)
  const from = on.at.centre[i] - on.size.lengthMm / 2
  return [contact.max[i] - contact.min[i], Math.max(0, contact.min[i] - from), Math.max(0, from + on.size.lengthMm - contact.max[i])]
}

/** A sheet standing on edge under load, free to bow between the shelves that hold it: Euler's load over this. Product decision. */
const UPRIGHT_SAFETY = 3

/** Uprights of sheet: crushing hardly matters, bowing does. */
export const uprights = defineCheck({
  id: 'upright',
  reads: ['assembly', 'parts', 'boxes', 'design'],
  run({ assembly, parts, boxes, design }): CheckResult[] {
    let worst: CheckResult | null = null
    for (const p of assembly.parts) {
      const state = design.members.get(p.id)?.state
      if (p.role !== 'side' || p.stock.kind !== 'sheet' || !state) continue
      const given = { check: 'upright', link: 'post' as const, quantity: 'force' as const, subject: 'side' }
      if (state.kind === 'unknown') return [plain({ ...given, code: `unknown-${state.reason}`, state: 'unknown', parts: [p.id], data: { role: 'side' } })]
      if (state.kind !== 'column') continue
      const sheet = findSheet(p.stock.sheet)!
      const lengthMm = longestGap(heldHeights(assembly, p, 1, boxes, parts))
      const euler = (Math.PI ** 2 * sheet.ei.along * p.size.widthMm) / lengthMm ** 2
      const r = measured({
        ...given, code: 'upright', demand: state.axialN, capacity: euler / UPRIGHT_SAFETY, parts: [p.id], data: { role: 'side', axialN: state.axialN, lengthMm },
        working: {
          formula: 'P ≤ π²·EI·b / L² / 3', source: 'Euler; safety factor 3: product decision',
          inputs: [{ symbol: 'P', value: state.axialN, quantity: 'force' }, { symbol: 'EI', value: sheet.ei.along, quantity: 'stiffness', source: sheet.source }, { symbol: 'b', value: p.size.widthMm, quantity: 'length' }, { symbol: 'L', value: lengthMm, quantity: 'length', source: 'between shelves or cleats that hold it' }],
        },
      })
      if (!worst || (r.ratio ?? 9) > (worst.ratio ?? 9)) worst = r
    }
    return worst ? [worst] : []
  },
})

/** Where wood stands on wood across its grain: a post on a plate, a plate on a post. */
export const bearing = defineCheck({
  id: 'bearing',
  reads: ['assembly', 'parts', 'design', 'settings', 'method'],
  run({ assembly, parts, design, settings, method }) {
    let worst: { demand: number; capacity: number; on: Part; from: Part; area: number; n: number; strength: NonNullable<ReturnType<typeof method.bearing>> } | null = null
    for (const s of assembly.supports) {
      if (s.via !== 'bearing' || s.on.kind !== 'part' || !('part' in s.from)) continue
      const [from, on] = [parts.get(s.from.part)!, parts.get(s.on.part)!]
      if (on.stock.kind !== 'board' || Math.abs(on.at.along[2]) > 0.1 || Math.abs(from.at.along[2]) < 0.9) continue
      const [dx, dy] = boxSize(s.contact)
      const n = design.reactions.get(s.id) ?? 0
      const [alongMm, before, after] = contactOn(on, s.contact)
      const strength = method.bearing(findGrade(on.stock.grade)!, settings, { lengthMm: alongMm, beforeMm: before, afterMm: after })
      if (!strength || dx * dy <= 0) return [plain({ check: 'bearing', link: 'post', code: 'unknown-no-strength', quantity: 'stress', subject: 'post', state: 'unknown', parts: [on.id], data: { role: on.role } })]
      const found = { demand: n / (dx * dy), capacity: strength.value, on, from, area: dx * dy, n, strength }
      if (!worst || found.demand / found.capacity > worst.demand / worst.capacity) worst = found
    }
    if (!worst) return []
    const w = worst
    const state = design.members.get(w.from.id)?.state
    if (state?.kind === 'unknown')
      return [plain({ check: 'bearing', link: 'post', code: `unknown-${state.reason}`, quantity: 'stress', subject: 'post', state: 'unknown', parts: [w.on.id], data: { role: w.on.role } })]
    return [
      measured({
        check: 'bearing', link: 'post', code: 'post-on-plate', quantity: 'stress', subject: 'post', demand: w.demand, capacity: w.capacity, parts: [w.on.id, w.from.id], data: { role: w.on.role },
        working: {
          formula: 'N / contact area',
          inputs: [
            { symbol: 'N', value: w.n, quantity: 'force', source: method.loadFactor.source }, { symbol: 'contact', value: w.area, quantity: 'area' },
            { symbol: w.strength.baseSymbol, value: w.strength.base, quantity: 'stress', source: w.strength.source },
            ...w.strength.factors.map((f): Input => ({ symbol: f.symbol, value: f.value, quantity: 'ratio', source: f.source })),
          ],
          source: w.strength.source,
        },
      }),
    ]
  },
})
