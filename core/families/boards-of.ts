import { lengthsOf } from '../catalogue/lumber.ts'
import { boardKey, type PriceLine } from '../catalogue/prices.ts'
import type { UnitSystem } from '../measure/units.ts'
import type { ShapeContext } from './family.ts'

type Boards = ReturnType<ShapeContext['boards']>

/** What was asked of a price book before, by the book: neither books nor what is read from them changes. */
const known = new WeakMap<readonly PriceLine[], { minor: Map<string, number>; lists: Map<string, Boards> }>()

/** What lengths of a section the price book lists, with their prices. */
export function boardsOf(prices: readonly PriceLine[], system: UnitSystem): ShapeContext['boards'] {
  const book = known.get(prices) ?? { minor: new Map(prices.map((p) => [p.key, p.minor])), lists: new Map() }
  known.set(prices, book)
  return (section, treated) => {
    const key = `${system} ${section} ${treated}`
    const found =
      book.lists.get(key) ??
      lengthsOf(section, system).flatMap((lengthMm) => {
        const price = book.minor.get(boardKey(section, lengthMm, treated))
        return price === undefined ? [] : [{ lengthMm, minor: price }]
      })
    book.lists.set(key, found)
    return found
  }
}

/** The longest piece a board of a section gives as it is listed, its end squared, mm; nought where none is. */
export const longestBoard = (
  ctx: Pick<ShapeContext, 'boards' | 'settings'>,
  section: string,
  treated = false,
): number => Math.max(0, ...ctx.boards(section, treated).map((b) => b.lengthMm - ctx.settings.squaringTrimMm))
