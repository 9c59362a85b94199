import { NUMBER, plainCharacters, readNumber } from './number.ts'
import { bad, good, type Result } from './result.ts'
import { MM_PER_FOOT, MM_PER_INCH, type UnitSystem } from './units.ts'

const UNIT_MM: Record<string, number> = {
  "'": MM_PER_FOOT,
  ft: MM_PER_FOOT,
  foot: MM_PER_FOOT,
  feet: MM_PER_FOOT,
  '"': MM_PER_INCH,
  in: MM_PER_INCH,
  inch: MM_PER_INCH,
  inches: MM_PER_INCH,
  mm: 1,
  cm: 10,
  m: 1000,
}
const TERM = new RegExp(String.raw`^(${NUMBER})\s*(feet|foot|ft|inches|inch|in|mm|cm|m|'|")?\.?\s*`, 'i')

/** `1m50`, `1 m 505`: two figures after metres are centimetres, three millimetres. */
const AFTER_METRES: Partial<Record<number, number>> = { 2: 10, 3: 1 }

/** What a number without a unit is in, after what stands before it. */
function bareUnit(n: string, lastMm: number, smallMm: number): number | undefined {
  if (lastMm === MM_PER_FOOT) return MM_PER_INCH
  if (lastMm !== UNIT_MM.m) return smallMm
  return /^\d+$/.test(n) ? AFTER_METRES[n.length] : undefined
}

/**
 * Reads a length: `5' 7 1/4"`, `5'-7 1/4"`, `67 1/4`, `67.25in`, `1.71 m`, `1m71`, `171cm`, `1708`.
 * A bare number is in the small unit of `system` (inches or millimetres); after feet it is inches.
 * @returns millimetres, zero or more; fails with `empty`, `negative`, `not-a-length`.
 */
export function parseLength(text: string, system: UnitSystem): Result<number> {
  let rest = plainCharacters(text)
  if (rest === '') return bad('empty')
  if (/^-\s*[\d.]/.test(rest)) return bad('negative', { text })
  const small = system === 'imperial' ? MM_PER_INCH : 1
  let total = 0
  let last = Infinity
  while (rest !== '') {
    // Feet and inches are drawn with a dash between them.
    if (last === MM_PER_FOOT) rest = rest.replace(/^-\s*(?=\d)/, '')
    const m = TERM.exec(rest)
    const n = m ? readNumber(m[1]) : null
    if (!m || n === null) return bad('not-a-length', { text })
    const unit = m[2] ? UNIT_MM[m[2].toLowerCase()] : bareUnit(m[1], last, small)
    // Terms must shrink (feet, then inches), and a bare number may only stand alone or last.
    if (unit === undefined || unit >= last || (!m[2] && m[0].length < rest.length)) return bad('not-a-length', { text })
    total += n * unit
    last = unit
    rest = rest.slice(m[0].length)
  }
  return Number.isFinite(total) ? good(total) : bad('not-a-length', { text })
}
