import { NUMBER, plainCharacters, readNumber } from './number.ts'
import { bad, good, type Result } from './result.ts'
import { KG_PER_LB, type UnitSystem } from './units.ts'

const UNIT_KG: Record<string, number> = {
  kg: 1,
  g: 0.001,
  t: 1000,
  lb: KG_PER_LB,
  lbs: KG_PER_LB,
  pound: KG_PER_LB,
  pounds: KG_PER_LB,
  oz: KG_PER_LB / 16,
}
const TERM = new RegExp(String.raw`^(${NUMBER})\s*(kg|g|t|lbs?|pounds?|oz)?\.?\s*`, 'i')

/** Reads a mass: `14kg`, `62 lb`, `31 lb 4 oz`. A bare number is in kg or lb by `system`. @returns kg, zero or more. */
export function parseMass(text: string, system: UnitSystem): Result<number> {
  let rest = plainCharacters(text)
  if (rest === '') return bad('empty')
  if (/^-\s*[\d.]/.test(rest)) return bad('negative', { text })
  let total = 0
  let last = Infinity
  while (rest !== '') {
    const m = TERM.exec(rest)
    const n = m ? readNumber(m[1]) : null
    if (!m || n === null) return bad('not-a-mass', { text })
    const unit = m[2] ? UNIT_KG[m[2].toLowerCase()] : system === 'imperial' ? KG_PER_LB : 1
    if (unit >= last || (!m[2] && m[0].length < rest.length)) return bad('not-a-mass', { text })
    total += n * unit
    last = unit
    rest = rest.slice(m[0].length)
  }
  return Number.isFinite(total) ? good(total) : bad('not-a-mass', { text })
}
