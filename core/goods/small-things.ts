import { GALLON } from '../catalogue/containers.ts'
import { NUMBER, readNumber } from '../measure/number.ts'
import { bad, good, type Result } from '../measure/result.ts'
import { GOODS_LIMITS, litresOf, type Goods } from './goods.ts'

/*
 * Small things are not counted but heaped: so many litres of screws, of blocks, of seeds, and what they go into. How many
 * of those that takes.
 */

/** Litres in each: SI; four quarts are a US gallon; a cubic foot is 0.3048³ m³. */
const LITRES: readonly [RegExp, number][] = [
  [/^(l|litres?|liters?)$/i, 1],
  [/^(ml|millilitres?|milliliters?)$/i, 0.001],
  [/^(gal|gallons?)$/i, GALLON],
  [/^(qt|quarts?)$/i, GALLON / 4],
  [/^(cu ?ft|cubic f(oo|ee)t)$/i, 0.3048 ** 3 * 1000],
]
/** Most that is believed, litres: a room full. */
const MOST_LITRES = 100_000

/** Of the box round a container what is in it: its walls, its taper, and the room under its lid are not. Product decision. */
export const FILLED_SHARE = 0.75

/** What is said to go into what: `6 l of screws in box 110 x 90 x 50`, or `screws 6 l in box …`; null where no volume is said. */
export interface Heap {
  /** What the small things are called. */
  name: string
  litres: number
  /** The container, as it is said. */
  container: string
}
export const UNIT = '(ml|l|lit(?:re|er)s?|millilit(?:re|er)s?|gal(?:lons?)?|qt|quarts?|cu ?ft|cubic f(?:oo|ee)t)'
const BEFORE = new RegExp(String.raw`^(-?(?:${NUMBER}))\s*${UNIT}\.?\s+(?:of\s+)?(.+?)\s+in(?:to)?\s+(.+)$`, 'i')
const AFTER = new RegExp(String.raw`^(.+?)[\s,]+(-?(?:${NUMBER}))\s*${UNIT}\.?\s+in(?:to)?\s+(.+)$`, 'i')

/** Litres in one of a unit as it is written; none in what is no unit. */
export const litresPer = (unit: string): number =>
  LITRES.find(([words]) => words.test(unit.replace(/\.$/, '')))?.[1] ?? 0

/** Reads a heap of small things and what it goes into. Fails with `heap-volume`. @returns null where none is said */
export function parseHeap(text: string): Result<Heap> | null {
  const before = BEFORE.exec(text)
  const after = before ? null : AFTER.exec(text)
  const m = before ?? after
  if (!m) return null
  const [amount, unit, name] = before ? [m[1], m[2], m[3]] : [m[2], m[3], m[1]]
  const n = amount.startsWith('-') ? null : readNumber(amount)
  const litres = n === null ? 0 : n * litresPer(unit)
  if (!(litres > 0 && litres <= MOST_LITRES)) return bad('heap-volume', { text: `${amount} ${unit}` }, 'count')
  return good({ name: name.trim(), litres, container: m[4].trim() })
}

/** What one container takes, litres. */
export const litresIn = (g: Parameters<typeof litresOf>[0]): number => FILLED_SHARE * litresOf(g)

/** As many of a container as a heap fills, or as were said where those are more. Fails with `count` where there would be too many. */
export function filledWith(heap: Heap, container: Goods): Result<Goods> {
  const count = Math.max(container.count, Math.ceil(heap.litres / litresIn(container) - 1e-9))
  return count > GOODS_LIMITS.maxCount
    ? bad('count', { count, max: GOODS_LIMITS.maxCount }, 'count')
    : good({ ...container, count, name: `${heap.name} in ${container.name}`.slice(0, NAME_LONG) })
}
/** Longest name of a thing. */
const NAME_LONG = 80
