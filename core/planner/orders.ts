import type { Market } from './market.ts'
import type { Lot } from './offer.ts'
import type { Aimed, Plan, Urgency } from './plans.ts'

/*
 * What a search is told, and in which order it looks at things: alone or in lots, by what they take and how much they are
 * wanted.
 */

/** How much room one of a thing takes, in any unit. */
export type Bulk = (goodsId: string) => number

export interface SearchOptions extends Aimed {
  urgency: Urgency
  bulk: Bulk
  /** Things are surely more than there is room for. */
  isTight?: boolean
  /** Plans there are already: others are worth more. */
  unlike: readonly Plan[]
  /** Numbers from 0 up to 1, the same ones each time. */
  random: () => number
  /** Whether this share of the time for looking has passed. */
  isLate?: (share: number) => boolean
  /** Whether so much of it has passed that no further plan is grown from nothing. */
  isGrown?: () => boolean
}

/** How much it matters that some things have a place. */
export const wantedOf = (lot: Lot, { urgency }: Pick<SearchOptions, 'urgency'>): number =>
  lot.reduce((n, g) => n + g.count * urgency(g.goodsId), 0)

/** Things that go to the same kinds of build equally well are one lot; what is hardest to keep, and wanted most, first. */
export function lotsOf(heap: Lot, market: Market, urgency: Urgency): Lot[] {
  const by = new Map<string, { lot: { goodsId: string; count: number }[]; kinds: number }>()
  for (const g of heap) {
    const kinds = market.kindsFor([g])
    const key = kinds.map((k) => `${k.kind} ${k.score}`).join()
    const known = by.get(key) ?? { lot: [], kinds: kinds.length }
    known.lot.push(g)
    by.set(key, known)
  }
  const wanted = (lot: Lot) => wantedOf(lot, { urgency })
  return [...by.values()].sort((a, b) => a.kinds - b.kinds || wanted(b.lot) - wanted(a.lot)).map((x) => x.lot)
}

/** What takes most room first, and what is wanted most: what is small goes in beside it. */
export function byBulk(lots: readonly Lot[], { bulk, urgency }: Pick<SearchOptions, 'bulk' | 'urgency'>): Lot[] {
  const of = (lot: Lot) => lot.reduce((n, g) => n + g.count * bulk(g.goodsId) * urgency(g.goodsId), 0)
  return [...lots].sort((a, b) => of(b) - of(a))
}

/** Of a lot what takes more than so many times the room of its smallest is a lot of its own. */
const FAR_LARGER = 8

/**
 * What is wanted most first, and of that what takes least room for it: what has no place in the end is what is used least,
 * and as little as can be.
 */
export function byRoom(lots: readonly Lot[], { bulk, urgency }: Pick<SearchOptions, 'bulk' | 'urgency'>): Lot[] {
  const parted = lots.flatMap((lot) => {
    const out: Lot[] = []
    let first: Lot[number] | null = null
    const order = [...lot].sort((a, b) => urgency(b.goodsId) - urgency(a.goodsId) || bulk(a.goodsId) - bulk(b.goodsId))
    for (const g of order) {
      const isAlike =
        first && urgency(g.goodsId) === urgency(first.goodsId) && bulk(g.goodsId) <= FAR_LARGER * bulk(first.goodsId)
      if (isAlike) out.push([...out.pop()!, g])
      else {
        out.push([g])
        first = g
      }
    }
    return out
  })
  const each = ([{ goodsId }]: Lot) => urgency(goodsId)
  const of = (lot: Lot) => wantedOf(lot, { urgency }) / lot.reduce((n, g) => n + g.count * bulk(g.goodsId), 0)
  return parted.sort((a, b) => each(b) - each(a) || of(b) - of(a))
}

/** How much the most wanted of some things is. */
export const mostUrgent = (lot: Lot, { urgency }: Pick<SearchOptions, 'urgency'>): number =>
  Math.max(...lot.map((g) => urgency(g.goodsId)))

/** What is used most often first, else as they come: where one place is left it is not the first that happens to ask. */
export const byOften = (lots: readonly Lot[], o: Pick<SearchOptions, 'urgency'>): Lot[] =>
  [...lots].sort((a, b) => mostUrgent(b, o) - mostUrgent(a, o))

export const shuffled = <T>(list: readonly T[], random: () => number): T[] => {
  const out = [...list]
  for (let i = out.length - 1; i > 0; i--) {
    const k = Math.floor(random() * (i + 1))
    ;[out[i], out[k]] = [out[k], out[i]]
  }
  return out
}

/** Of what has no place so many kinds of things are tried again each time, the more wanted the likelier. */
const TRIED_AGAIN = 12

/** What had no place: some of it to be tried once more, and what is not looked at this time. */
export function triedAgain(homeless: Lot, o: SearchOptions): { lots: Lot[]; rest: Lot } {
  if (homeless.length <= TRIED_AGAIN) return { lots: homeless.map((g) => [g]), rest: [] }
  const order = homeless
    .map((g) => ({ g, at: o.random() ** (1 / wantedOf([g], o)) }))
    .sort((a, b) => b.at - a.at)
    .map(({ g }) => g)
  return { lots: order.slice(0, TRIED_AGAIN).map((g) => [g]), rest: order.slice(TRIED_AGAIN) }
}
