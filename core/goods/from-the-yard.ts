import { findSection } from '../catalogue/lumber.ts'
import { readNumber } from '../measure/number.ts'
import { feet, inches, type UnitSystem } from '../measure/units.ts'
import { newGoods, type Goods } from './goods.ts'
import { kindOf } from './kind-words.ts'
import { massLast, SMALL, type Rest } from './said-otherwise.ts'

/*
 * What comes from the yard, by what it is called there: `12 2x4s 8 ft`, `cls 38x63 2.4 m x 10`, `3 sheets of 3/4 plywood`,
 * `18 mm ply x 5`.
 */

/** What is said, and what one weighs: null where nothing is said, undefined where it is no mass. */
function massApart(line: string, massOf: Rest): { text: string; massKg: number | null | undefined } {
  const [, text, mass] = /^(.*?)(?:\s*[,;]\s*([^,;]*))?$/.exec(massLast(line))!
  return { text, massKg: mass === undefined ? null : massOf(mass) }
}

/** How many, of the words that are left: one that counts at most, and no other that says anything else. */
function countOf(rest: string, fills: RegExp): number | null {
  const words = rest.split(SMALL).filter(Boolean)
  const counts = words.filter((w) => COUNT.test(w))
  if (counts.length > 1 || !words.every((w) => COUNT.test(w) || fills.test(w))) return null
  return Number(counts[0]?.replace(/x/gi, '') ?? 1)
}
const COUNT = /^x?\d+x?$/i

/** Lumber is called by what it was sawn to, and sold in these lengths, ft. */
const NOMINAL = /(?<![\d./])(\d)\s*x\s*(\d{1,2})s?(?:\s*(?:x\s*)?(\d{1,2})\s*(?:ft\b|feet\b|foot\b|')?)?(?=[\s,;]|$)/i
/** `10 ft 4x4 post`. */
const LONG_FIRST = /^(\d+\s+)?(\d{1,2})[\s-]*(?:ft\b\.?|feet\b|foot\b|')[\s-]*(\dx\d{1,2}s?)\b(.*)$/i
/** `1x4, 8 ft`, `38x89, 2.4 m`: the length after a comma. */
const COMMA_LONG = /(\d{1,3}\s*x\s*\d{1,3}s?)\s*,\s*(?=\d+(?:\.\d+)?\s*(?:ft\b|feet\b|foot\b|'|m\b))/i
const USUAL_FT = 8
const [LEAST_FT, MOST_FT] = [4, 24]
const OF_LUMBER =
  /^(?:x|pieces?|pcs?|lengths?|long|of|lumber|timbers?|wood|boards?|studs?|planks?|posts?|battens?|joists?|cls|softwood|hardwood|pine|fir|oak|cedar|spruce|poplar|maple|treated|pt)?$/i
/** Sawn to so many millimetres, and so long. */
const SAWN = /(?<![\d./])(\d{2,3})\s*(?:mm)?\s*x\s*(\d{2,3})\s*(?:mm)?\s*(?:x\s*)?(\d(?:\.\d{1,3})?)\s*m(?:etres?)?\b/i

/**
 * `12 2x4s 8 ft`, `2x4x8, 9 lb`, `38x89 2.4 m x 10`: boards of the yard by their names. @param massOf what a mass says,
 * undefined where it is none
 * @returns null where it is none of those
 */
export function lumberLine(line: string, system: UnitSystem, id: string, massOf: Rest): Goods | null {
  const { text: told, massKg } = massApart(line.replace(COMMA_LONG, '$1 '), massOf)
  if (massKg === undefined) return null
  if (system === 'metric') return sawnLine(told, id, massKg)
  const text = told.replace(LONG_FIRST, '$1$3 $2 ft$4')
  const said = NOMINAL.exec(text)
  const section = said ? findSection(`${said[1]}x${said[2]}`) : undefined
  if (!said || !section) return null
  const long = Number(said[3] ?? USUAL_FT)
  const count = countOf(`${text.slice(0, said.index)} ${text.slice(said.index + said[0].length)}`, OF_LUMBER)
  if (count === null || long < LEAST_FT || long > MOST_FT) return null
  return newGoods({
    ...{ id, name: `${said[1]}x${said[2]} ${long} ft`, kind: kindOf('board'), count, massKg },
    ...{ acrossMm: feet(long), deepMm: section.widthMm, tallMm: section.thicknessMm },
  })
}

function sawnLine(text: string, id: string, massKg: number | null): Goods | null {
  const said = SAWN.exec(text)
  if (!said) return null
  const count = countOf(text.replace(said[0], ' '), OF_LUMBER)
  const [thin, wide] = [Number(said[1]), Number(said[2])].sort((a, b) => a - b)
  if (count === null) return null
  return newGoods({
    ...{ id, name: `${thin}x${wide} ${said[3]} m`, kind: kindOf('board'), count, massKg },
    ...{ acrossMm: 1000 * Number(said[3]), deepMm: wide, tallMm: thin },
  })
}

const STUFF =
  /\b(plywood|ply|osb|drywall|plasterboard|mdf|hardboard|particle ?board|chip ?board|melamine|foam board|beadboard|lattice|paneling|panels?)\b/i
const FILLS = /^(?:sheets?|pieces?|pcs?|full|whole|of|the|in|x|thick)?$/i
/** How a sheet is called in either system: its face, its thickness, and both where nothing is said. */
interface Called {
  face: RegExp
  thick: RegExp
  unit: (n: number) => number
  faceUnit: (n: number) => number
  usualFace: readonly [number, number]
  usualThick: number
  /** Of those that are thinner. */
  thinner: Partial<Record<string, number>>
}
const itself = (n: number): number => n
const CALLED: Record<UnitSystem, Called> = {
  imperial: {
    face: /(?<![\d./])(4|2|5)\s*(?:ft|')?\s*x\s*(8|4|5|10|12)\s*(?:ft|')?(?![\d/])/i,
    thick: /(?<![\d./])(\d\/\d{1,2}|[12](?=\s*(?:in\b|inch|")))\s*(?:inch(?:es)?\b|in\b\.?|")?/i,
    unit: inches,
    faceUnit: feet,
    usualFace: [4, 8],
    usualThick: 3 / 4,
    thinner: { drywall: 1 / 2, plasterboard: 1 / 2, hardboard: 1 / 4, lattice: 1 / 4 },
  },
  metric: {
    face: /(?<![\d./])(\d{3,4})\s*(?:mm)?\s*x\s*(\d{3,4})\s*(?:mm)?(?![\d/])(?!\s*x)/i,
    thick: /(?<![\d./])(\d{1,2}(?:\.\d)?)\s*mm\b/i,
    unit: itself,
    faceUnit: itself,
    usualFace: [1220, 2440],
    usualThick: 18,
    thinner: { drywall: 12.5, plasterboard: 12.5, hardboard: 3 },
  },
}

/**
 * `3 sheets of 3/4 plywood`, `drywall 4x8 x 5`, `18 mm ply x 3`. @param massOf what a mass says, undefined where it is none
 * @returns null where it is no such sheet
 */
export function sheetLine(line: string, system: UnitSystem, id: string, massOf: Rest): Goods | null {
  const { text, massKg } = massApart(line, massOf)
  const stuff = STUFF.exec(text)
  if (!stuff || massKg === undefined) return null
  const { face, thick, unit, faceUnit, usualFace, usualThick, thinner } = CALLED[system]
  const size = face.exec(text)
  const bare = size ? text.replace(size[0], ' ') : text
  const deep = thick.exec(bare)
  // Neither how large nor how thick: a usual thing, or a line of another sort.
  if (!size && !deep) return null
  const count = countOf((deep ? bare.replace(deep[0], ' ') : bare).replace(stuff[0], ' '), FILLS)
  if (count === null) return null
  const sides = size ? [Number(size[1]), Number(size[2])].sort((a, b) => a - b) : usualFace
  const what = stuff[1].toLowerCase()
  const name = [deep?.[0].trim(), what, size || system === 'imperial' ? sides.join('x') : ''].filter(Boolean).join(' ')
  const thickness = deep ? readNumber(deep[1])! : (thinner[what] ?? usualThick)
  return newGoods({
    ...{ id, name, kind: 'sheet', count, massKg },
    ...{ acrossMm: faceUnit(sides[1]), deepMm: unit(thickness), tallMm: faceUnit(sides[0]) },
  })
}
