import type { Part } from '../assembly/assembly.ts'
import { cutSize } from '../assembly/cut-size.ts'
import { asItLies } from '../assembly/turned-over.ts'
import { soldAs, type Alike } from '../assembly/identical.ts'
import { partMassKg } from '../assembly/mass.ts'
import { findSection } from '../catalogue/lumber.ts'
import { SAME_LENGTH_MM } from '../measure/rounding.ts'

/** One line of the parts list: pieces cut alike. Sizes are finished sizes; `cut` adds what is left on for scribing. */
export interface PieceLine {
  build: string
  letter: string
  numbered: boolean
  role: Part['role']
  stock: Part['stock']
  grain: Part['grain']
  lengthMm: number
  widthMm: number
  thicknessMm: number
  cut: { lengthMm: number; widthMm: number }
  /** Narrower than its section: ripped from it. */
  ripped: boolean
  machining: Part['machining']
  outline?: Part['outline']
  count: number
  massKg: number
  parts: string[]
}

export function pieceLines(build: string, groups: readonly Alike[]): PieceLine[] {
  return groups.map((g) => {
    const p = g.parts[0]
    const { lengthMm, widthMm, thicknessMm } = p.size
    const stock = soldAs(p.stock)
    const section = stock.kind === 'board' ? findSection(stock.section) : undefined
    return {
      build,
      letter: g.letter,
      numbered: g.numbered,
      role: p.role,
      stock,
      grain: p.grain,
      lengthMm,
      widthMm,
      thicknessMm,
      cut: cutSize(p),
      ripped: section !== undefined && Math.max(widthMm, thicknessMm) < section.widthMm - SAME_LENGTH_MM,
      ...asItLies(p),
      count: g.parts.length,
      massKg: partMassKg(p),
      parts: g.parts.map((x) => x.id),
    }
  })
}
