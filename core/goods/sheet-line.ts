import { feet, inches, type UnitSystem } from '../measure/units.ts'
import { readNumber } from '../measure/number.ts'
import { newGoods, type Goods } from './goods.ts'
import type { Rest } from './said-otherwise.ts'

/*
 * Sheets of the yard by what they are called: `3 sheets of 3/4 plywood`, `drywall 4x8 x 5`. Feet and inches.
 */

const STUFF =
  /\b(plywood|ply|osb|drywall|plasterboard|mdf|hardboard|particle ?board|chip ?board|melamine|foam board|beadboard|lattice|paneling|panels?)\b/i
/** Feet by feet. */
const SIZE = /(?<![\d./])(4|2|5)\s*(?:ft|')?\s*x\s*(8|4|5|10|12)\s*(?:ft|')?(?![\d/])/i
const THICK = /(?<![\d./])(\d\/\d{1,2}|[12](?=\s*(?:in\b|inch|")))\s*(?:inch(?:es)?\b|in\b\.?|")?/i
const FILLS = /^(?:sheets?|pieces?|pcs?|full|whole|of|the|in|x|thick)?$/i
/** Of those whose thickness is not said, in. */
const USUAL_THICK: Partial<Record<string, number>> = {
  drywall: 1 / 2,
  plasterboard: 1 / 2,
  hardboard: 1 / 4,
  lattice: 1 / 4,
}
const THICK_IN = 3 / 4
const [LONG_FT, WIDE_FT] = [8, 4]

/** @param massOf what a mass says, undefined where it is none. @returns null where it is no such sheet */
export function sheetLine(text: string, system: UnitSystem, id: string, massOf: Rest): Goods | null {
  if (system !== 'imperial') return null
  const [, line, mass] = /^(.*?)(?:\s*[,;]\s*([^,;]*))?$/.exec(text)!
  const stuff = STUFF.exec(line)
  const massKg = mass === undefined ? null : massOf(mass)
  if (!stuff || massKg === undefined) return null
  const size = SIZE.exec(line)
  const bare = size ? line.replace(size[0], ' ') : line
  const thick = THICK.exec(bare)
  // Neither how large nor how thick: a usual thing, or a line of another sort.
  if (!size && !thick) return null
  const rest = (thick ? bare.replace(thick[0], ' ') : bare).replace(stuff[0], ' ').split(/\s+/)
  const counts = rest.filter((w) => /^x?\d+x?$/.test(w))
  if (counts.length > 1 || !rest.every((w) => /^x?\d+x?$/.test(w) || FILLS.test(w))) return null
  const sides = size ? [Number(size[1]), Number(size[2])].sort((a, b) => a - b) : [WIDE_FT, LONG_FT]
  const what = stuff[1].toLowerCase()
  const thickIn = thick ? readNumber(thick[1])! : (USUAL_THICK[what] ?? THICK_IN)
  const name = [thick?.[0].trim(), what, `${sides[0]}x${sides[1]}`].filter(Boolean).join(' ')
  return newGoods({
    ...{ id, name, kind: 'sheet', count: Number(counts[0]?.replace(/x/gi, '') ?? 1), massKg },
    ...{ acrossMm: feet(sides[1]), deepMm: inches(thickIn), tallMm: feet(sides[0]) },
  })
}
