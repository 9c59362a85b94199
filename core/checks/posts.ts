import type { Assembly, Part } from '../assembly/assembly.ts'
import type { PartBoxes } from '../assembly/part-box.ts'
import { findGrade, findSection } from '../catalogue/lumber.ts'
import { boxSize } from '../geometry/box.ts'
import { defineCheck, measured, plain, type CheckResult, type Input } from './check.ts'

/** Heights at which something that runs along `axis` is fastened to a post: there it cannot bow that way. Ends included. */
function heldHeights(a: Assembly, p: Part, axis: 0 | 1, boxes: PartBoxes, parts: Map<string, Part>): number[] {
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

/** Posts under all that comes down to them: crushing along the grain, and buckling either way between what holds them. */
export const postBuckling = defineCheck({
  id: 'buckling',
  reads: ['assembly', 'boxes', 'alike', 'design', 'settings', 'method'],
  run({ assembly, boxes, alike, design, settings, method }) {
    const byId = new Map(assembly.parts.map((p) => [p.id, p]))
    return alike.flatMap((group): CheckResult[] => {
      const posts = group.parts.filter((p) => p.stock.kind === 'board' && Math.abs(p.at.along[2]) > 0.9)
      if (posts.length === 0) return []
      const given = { check: 'buckling', link: 'post' as const, quantity: 'force' as const, subject: posts[0].id }
      const ids = (first: Part) => [first.id, ...posts.filter((p) => p !== first).map((p) => p.id)]
      const lost = posts.find((p) => design.members.get(p.id)?.state.kind === 'unknown')
      if (lost) {
        const state = design.members.get(lost.id)!.state
        return [plain({ ...given, code: `unknown-${state.kind === 'unknown' ? state.reason : ''}`, state: 'unknown', parts: ids(lost), data: { letter: group.letter, role: 'post' } })]
      }
      const axial = (p: Part) => {
        const s = design.members.get(p.id)!.state
        return s.kind === 'column' ? s.axialN : 0
      }
      const worst = posts.reduce((x, y) => (axial(y) > axial(x) ? y : x))
      const stock = worst.stock
      if (stock.kind !== 'board') return []
      const grade = findGrade(stock.grade)!
      const fc = method.compression(grade, findSection(stock.section)!.nominalWidth, settings.moisture)
      if (!fc) return [plain({ ...given, code: 'unknown-no-strength', state: 'unknown', parts: ids(worst), data: { letter: group.letter, role: 'post' } })]
      const sides = ([0, 1] as const).map((axis) => {
        const lengthMm = longestGap(heldHeights(assembly, worst, axis, boxes, byId))
        const sideMm = boxSize(boxes.get(worst.id)!)[axis]
        return { axis, lengthMm, sideMm, left: method.buckling(grade, fc, lengthMm, sideMm, settings.moisture) }
      })
      const weak = sides.reduce((x, y) => ((y.left?.factor ?? -1) < (x.left?.factor ?? -1) ? y : x))
      const area = worst.size.widthMm * worst.size.thicknessMm
      const factor = weak.left?.factor ?? null
      const data = { letter: group.letter, role: 'post', lengthMm: weak.lengthMm, sideMm: weak.sideMm, axialN: axial(worst), section: stock.section, way: weak.axis === 0 ? 'sideways' : 'front-to-back' }
      const inputs: Input[] = [
        { symbol: 'P', value: axial(worst), quantity: 'force', source: method.loadFactor.source },
        { symbol: 'A', value: area, quantity: 'ratio', source: 'mm²' },
        { symbol: 'unheld length', value: weak.lengthMm, quantity: 'length', source: 'between what holds the post that way; ends free to turn (Ke = 1)' },
        { symbol: 'side', value: weak.sideMm, quantity: 'length' },
        { symbol: fc.baseSymbol, value: fc.base, quantity: 'stress', source: fc.source },
        ...fc.factors.map((f): Input => ({ symbol: f.symbol, value: f.value, quantity: 'ratio', source: f.source })),
      ]
      if (factor === null)
        return [plain({ ...given, code: 'too-slender', state: 'fails', data, parts: ids(worst), working: { formula: 'le / d ≤ 50', inputs, source: weak.left?.source ?? fc.source } })]
      return [
        measured({
          ...given, code: 'post', demand: axial(worst), capacity: fc.value * factor * area, data, parts: ids(worst),
          working: {
            formula: `P ≤ Fc · ${method.id === 'asd' ? 'CP' : 'kc'} · A;  ${weak.left!.formula}`,
            inputs: [...inputs, { symbol: method.id === 'asd' ? 'CP' : 'kc', value: factor, quantity: 'ratio', source: weak.left!.source }], source: weak.left!.source,
          },
        }),
      ]
    })
  },
})

/** Where wood stands on wood across its grain: a post on a plate, a plate on a post. */
export const bearing = defineCheck({
  id: 'bearing',
  reads: ['assembly', 'design', 'settings', 'method'],
  run({ assembly, design, settings, method }) {
    const parts = new Map(assembly.parts.map((p) => [p.id, p]))
    let worst: { demand: number; capacity: number; on: Part; from: Part; area: number; n: number; strength: NonNullable<ReturnType<typeof method.bearing>> } | null = null
    for (const s of assembly.supports) {
      if (s.via !== 'bearing' || s.on.kind !== 'part' || !('part' in s.from)) continue
      const [from, on] = [parts.get(s.from.part)!, parts.get(s.on.part)!]
      if (on.stock.kind !== 'board' || Math.abs(on.at.along[2]) > 0.1 || Math.abs(from.at.along[2]) < 0.9) continue
      const [dx, dy] = boxSize(s.contact)
      const n = design.reactions.get(s.id) ?? 0
      const strength = method.bearing(findGrade(on.stock.grade)!, settings.moisture)
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
            { symbol: 'N', value: w.n, quantity: 'force', source: method.loadFactor.source }, { symbol: 'contact', value: w.area, quantity: 'ratio', source: 'mm²' },
            { symbol: w.strength.baseSymbol, value: w.strength.base, quantity: 'stress', source: w.strength.source },
            ...w.strength.factors.map((f): Input => ({ symbol: f.symbol, value: f.value, quantity: 'ratio', source: f.source })),
          ],
          source: w.strength.source,
        },
      }),
    ]
  },
})
