import { boxUnion } from '../geometry/box.ts'
import type { Assembly } from './assembly.ts'
import { partsById } from './by-id.ts'
import { partMassKg } from './mass.ts'
import { partBox } from './part-box.ts'

/** Alike pieces of what is knocked down: what each is of, its sides from the longest (none of what folds), and what one weighs. */
export interface Packed {
  /** Parts of the first of them, and one of each: they are alike. */
  parts: string[]
  firsts: string[]
  count: number
  lengthMm: number
  widthMm: number
  thicknessMm: number
  massKg: number
}

/** Sides nearer than this are the same on a list, mm. */
const SAME_MM = 0.5

/**
 * What a build that is knocked down travels as: its flat sub-assemblies whole, every other part by itself, the largest
 * first. None where nothing of it is made to travel.
 */
export function packedOf(a: Assembly): Packed[] {
  const whole = a.subassemblies.filter((s) => s.tags?.pack === 'flat').map((s) => s.parts)
  if (whole.length === 0) return []
  const inWhole = new Set(whole.flat())
  const loose = a.parts.filter((p) => !inWhole.has(p.id)).map((p) => [p.id])
  const byId = partsById(a)
  const out: Packed[] = []
  for (const parts of [...whole, ...loose]) {
    const of = parts.map((id) => byId.get(id)!)
    const { min, max } = boxUnion(of.map(partBox))
    const folds = of.every((p) => p.stock.kind === 'soft')
    const sides = max.map((mm, i) => (folds ? 0 : mm - min[i])).sort((x, y) => y - x)
    const [lengthMm, widthMm, thicknessMm] = sides
    const massKg = of.reduce((kg, p) => kg + partMassKg(p), 0)
    const [first] = of
    const same = out.find(
      (x) =>
        x.parts.length === parts.length &&
        byId.get(x.parts[0])!.role === first.role &&
        [x.lengthMm, x.widthMm, x.thicknessMm].every((mm, i) => Math.abs(mm - sides[i]) < SAME_MM),
    )
    if (same) {
      same.count++
      same.firsts.push(first.id)
    } else out.push({ parts, firsts: [first.id], count: 1, lengthMm, widthMm, thicknessMm, massKg })
  }
  return out.sort((x, y) => y.lengthMm * y.widthMm - x.lengthMm * x.widthMm)
}

/** What all of it weighs, kg. */
export const packedKg = (list: readonly Packed[]): number => list.reduce((kg, x) => kg + x.count * x.massKg, 0)
