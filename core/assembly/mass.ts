import { findGrade } from '../catalogue/lumber.ts'
import { findBar } from '../catalogue/steel.ts'
import { findSheet } from '../catalogue/sheets.ts'
import { findSoft, isLine } from '../catalogue/soft.ts'
import { add, scale, type Vec3 } from '../geometry/vec.ts'
import type { Part } from './assembly.ts'
import { isRoundBoard } from './part-box.ts'

/**
 * Mass of a part, kg, from its finished size and its stock's density; unknown stock weighs nothing (the validator
 * refuses it).
 */
export function partMassKg(p: Part): number {
  if (p.stock.kind === 'bought' || p.stock.kind === 'existing') return p.stock.massKg
  if (p.stock.kind === 'soft') {
    const soft = findSoft(p.stock.soft)
    if (!soft) return 0
    return isLine(soft) ? (soft.kgPerM * p.size.lengthMm) / 1000 : soft.kgPerM2 * soft.fullness * (faceMm2(p) / 1e6)
  }
  if (p.stock.kind === 'steel') {
    const bar = findBar(p.stock.rod)
    return bar ? (bar.kgPerM * p.size.lengthMm) / 1000 : 0
  }
  const density =
    p.stock.kind === 'board' ? findGrade(p.stock.grade)?.densityKgM3 : findSheet(p.stock.sheet)?.densityKgM3
  const round = isRoundBoard(p) ? Math.PI / 4 : 1
  return ((round * faceMm2(p) * p.size.thicknessMm) / 1e9) * (density ?? 0)
}

/** Area of its broad face, mm²: of its outline by the sum of its trapezoids. */
export function faceMm2(p: Pick<Part, 'size' | 'outline'>): number {
  const o = p.outline
  if (!o) return p.size.lengthMm * p.size.widthMm
  const twice = o.reduce((s, [u, v], i) => s + u * o[(i + 1) % o.length][1] - o[(i + 1) % o.length][0] * v, 0)
  return twice / 2
}

/** Where its weight acts: the middle of its face. */
export function massCentre(p: Pick<Part, 'size' | 'outline' | 'at'>): Vec3 {
  const o = p.outline
  if (!o) return p.at.centre
  let [twice, su, sv] = [0, 0, 0]
  o.forEach(([u, v], i) => {
    const [x, y] = o[(i + 1) % o.length]
    const a = u * y - x * v
    twice += a
    su += (u + x) * a
    sv += (v + y) * a
  })
  const [u, v] = [su / (3 * twice) - p.size.lengthMm / 2, sv / (3 * twice) - p.size.widthMm / 2]
  return add(p.at.centre, add(scale(p.at.along, u), scale(p.at.across, v)))
}
