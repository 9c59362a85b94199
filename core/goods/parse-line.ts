import { usualThing, usualThingsLike } from '../catalogue/find-usual.ts'
import { withLastUnit } from '../measure/last-unit.ts'
import { plainCharacters } from '../measure/number.ts'
import { parseLength } from '../measure/parse-length.ts'
import { bad, good, type Result } from '../measure/result.ts'
import type { UnitSystem } from '../measure/units.ts'
import { parseVolume } from './by-volume.ts'
import { kindOf } from './kind-words.ts'
import { massOfOne } from './mass-of-one.ts'
import { lumberLine, sheetLine } from './from-the-yard.ts'
import { saidPlainly, usualSoLong, usualWith, type Rest } from './said-otherwise.ts'
import { filledWith, parseHeap, type Heap } from './small-things.ts'
import { GOODS_LIMITS, newGoods, type Goods } from './goods.ts'

export type Sizes = Pick<Goods, 'acrossMm' | 'deepMm' | 'tallMm'>

/**
 * Reads `16 1/2 x 24 x 12 1/2`, or `31 dia x 20` for a round thing. Fails with `line-sizes`, `not-a-length`,
 * `negative`, `out-of-range`.
 */
export function parseSizes(text: string, system: UnitSystem): Result<Sizes> {
  const dia = /\bdia(?:m(?:eter)?)?\b\.?/i
  const plain = plainCharacters(text)
  const round = dia.test(plain)
  const terms = plain.replace(dia, '').split(/\s*(?:x|\bby\b|\*)\s*/i)
  if (terms.length !== (round ? 2 : 3)) return bad('line-sizes', { found: terms.length, text })
  const mm: number[] = []
  for (const t of withLastUnit(terms)) {
    const read = parseLength(t, system)
    if (!read.ok) return read
    if (read.value < GOODS_LIMITS.minMm || read.value > GOODS_LIMITS.maxMm)
      return bad('out-of-range', { text: t, minMm: GOODS_LIMITS.minMm, maxMm: GOODS_LIMITS.maxMm }, 'size')
    mm.push(read.value)
  }
  const [acrossMm, deepMm, tallMm] = round ? [mm[0], mm[0], mm[1]] : mm
  return good({ acrossMm, deepMm, tallMm })
}

/** `6 l of screws in box 110 x 90 x 50`: so many of what they go into. */
function heapLine(heap: Result<Heap>, system: UnitSystem, id: string): Result<Goods> {
  if (!heap.ok) return heap
  const container = asWritten(heap.value.container, system, id)
  return container.ok ? filledWith(heap.value, container.value) : container
}

/** `2 chest freezers`, `8 bag of soil, 18 kg`: a usual thing said without its size has the usual one, until it is measured. */
function usualLine(text: string, system: UnitSystem, id: string): Result<Goods> | undefined {
  const said = /^(?:(\d+)\s+(?:x\s+)?)?([a-z][^\d]*?)(?:\s*[,;]\s*(\d.*))?$/i.exec(text)
  const usual = said ? usualThing(said[2]) : undefined
  if (!said || !usual) return undefined
  const mass = said[3] === undefined ? good(null) : massOfOne(said[3], system)
  // What is no mass may be its size.
  if (!mass.ok) return undefined
  const count = Number(said[1] ?? 1)
  if (count < 1 || count > GOODS_LIMITS.maxCount) return bad('count', { count, max: GOODS_LIMITS.maxCount }, 'count')
  const { kind, acrossMm, deepMm, tallMm } = usual
  return good(newGoods({ id, name: said[2].trim(), kind, count, acrossMm, deepMm, tallMm, massKg: mass.value }))
}

/** So many usual things called much like what was said are named. */
const MOST_LIKE = 5

/** A mass after the sizes that nothing parts from them: `300 x 200 x 180 mm 5 kg`. A fraction before its unit could be of the size. */
const MASS_AT_END = /(?<=\d(?:\s?(?:mm|cm|m|in|ft|["']))?)\s+(\d+(?:\.\d+)?\s*(?:kgs?|g|lbs?|oz|pounds?)\b.*)$/i

/** What is refused for these may have been said in another order. */
const OTHERWISE = ['line-sizes', 'line-no-size', 'line-no-name', 'not-a-length', 'not-a-mass']

/**
 * Reads a line as one says it: `12 tote 16 1/2 x 24 x 12 1/2, 14kg`: count, thing, across x deep x tall, mass of one.
 * Small things are said by how much there is of them and what they go into: `6 l of screws in box 110 x 90 x 50`.
 * What holds so much may be said by that: `6 27-gallon totes`. The count may be missing (one), the mass too (not weighed
 * yet); `31 dia x 20` is a round thing; of a usual thing the size may be missing, or all but one: `8 ft step ladder`.
 * Lumber goes by its names: `12 2x4 8 ft`. The order may be another: `lawn mower 40 lb`, `rakes x 3`. Fails with
 * `line-empty`, `heap-volume`, `line-no-size`, `line-no-name`, `line-sizes`, `not-a-length`, `out-of-range`, `count`, `not-a-mass`.
 */
export function parseGoodsLine(line: string, system: UnitSystem, id: string): Result<Goods> {
  const text = plainCharacters(line)
  const massOf: Rest = (said) => {
    const mass = massOfOne(said, system)
    return mass.ok ? mass.value : undefined
  }
  const boards = lumberLine(text, system, id, massOf) ?? sheetLine(text, system, id, massOf)
  if (boards) return counted(boards)
  const first = asWritten(text, system, id)
  if (first.ok || !OTHERWISE.includes(first.problem.code)) return first
  const plain = saidPlainly(text)
  const again = plain === text ? first : asWritten(plain, system, id)
  if (again.ok || !OTHERWISE.includes(again.problem.code)) return again
  const found =
    lumberLine(plain, system, id, massOf) ??
    usualSoLong(plain, system, id, massOf) ??
    usualWith(plain, system, id, massOf)
  return found ? counted(found) : again
}

/** Between one thing and the next. */
const AND = /\s*(?:[,;&]|\band\b)\s*/i

/** A line that may be of several things, each said so that it is a line of its own: `4 bikes, 2 scooters and a kayak`. */
export function parseGoodsLines(line: string, system: UnitSystem, newId: () => string): Result<Goods[]> {
  const whole = parseGoodsLine(line, system, newId())
  if (whole.ok) return good([whole.value])
  const parts = line.split(AND).filter((x) => x.trim() !== '')
  const each = parts.flatMap((x) => {
    const read = parseGoodsLine(x, system, newId())
    return read.ok ? [read.value] : []
  })
  return parts.length > 1 && each.length === parts.length ? good(each) : whole
}

const counted = (g: Goods): Result<Goods> =>
  g.count < 1 || g.count > GOODS_LIMITS.maxCount
    ? bad('count', { count: g.count, max: GOODS_LIMITS.maxCount }, 'count')
    : good(g)

function asWritten(text: string, system: UnitSystem, id: string): Result<Goods> {
  if (text === '') return bad('line-empty')
  const heap = parseHeap(text)
  if (heap) return heapLine(heap, system, id)
  const vessel = parseVolume(text, system, id)
  if (vessel) return vessel
  const head = /^(?:(-?\d+)\s+(?:x\s+(?=[a-z]))?)?((?!x\b)[a-z][^\d]*?)[\s,:]+(?=-?[\d.])(.*)$/i.exec(text)
  const usual = usualLine(text, system, id)
  if (usual) return usual
  if (!head) {
    if (!/[a-z]{3}/i.test(text)) return bad('line-no-name', { text })
    const like = usualThingsLike(text, MOST_LIKE).map((t) => t.name)
    return bad('line-no-size', { text, like: like.join(', ') })
  }
  const count = Number(head[1] ?? 1)
  if (count < 1 || count > GOODS_LIMITS.maxCount) return bad('count', { count, max: GOODS_LIMITS.maxCount }, 'count')
  const name = head[2].trim()

  const [sizes, ...after] = head[3]
    .replace(MASS_AT_END, ', $1')
    .split(/\s*[,;]\s*(?!\d{1,2}(?:\s*(?:m|cm)\b))|\s+(?:at|each|@)\s+/i)
  const size = parseSizes(sizes, system)
  if (!size.ok) return size

  const massText = after.join(' ').trim()
  const mass = massText === '' ? good(null) : massOfOne(massText, system)
  if (!mass.ok) return mass
  return good(
    newGoods({ id, name, kind: usualThing(name)?.kind ?? kindOf(name), count, ...size.value, massKg: mass.value }),
  )
}
