import { countedKg } from '../goods/presumed.ts'
import type { Project } from '../project/project.ts'
import { RoomMarket, type Market } from './market.ts'
import type { Lot, Offer } from './offer.ts'
import type { Wishes } from '../project/wishes.ts'

/** Why some things have no place in a plan, and what would make one. */
export type Homeless = { goodsId: string; count: number } & (
  | { why: 'no-kind' }
  /** No build takes them here, however long the wall. */
  | { why: 'too-large' }
  /** So much more of a wall, free from here on, would do. */
  | { why: 'more-wall'; wallId: string; moreMm: number }
  /** There is room for it, but nothing there holds with one so heavy; one that weighs no more than the least would be held. */
  | { why: 'too-heavy'; kg: number; mostKg: number }
  | { why: 'no-room' }
)

/** A wall as long as this is long enough for whatever goes on a wall at all, mm. */
const LONG_MM = 20_000

/** The room as if one wall went on and on with nothing at it. */
const endless = (p: Project, wallId: string): Project => ({
  ...p,
  builds: [],
  room: {
    ...p.room,
    closed: false,
    diagonals: [],
    features: [],
    walls: p.room.walls.filter((w) => w.id === wallId).map((w) => ({ ...w, lengthMm: LONG_MM, cornerRad: null })),
    ceiling: { ...p.room.ceiling, slope: null, alongWallId: wallId },
  },
})

/** How long a build of some kind for these things would be at a wall, if there were room, mm; null where none would do. */
function wantsMm(p: Project, wishes: Wishes, wallId: string, lot: Lot): number | null {
  const market = new RoomMarket(endless(p, wallId), wishes)
  const lengths = market
    .kindsFor(lot)
    .flatMap(({ kind }) => market.offer(kind, wallId, lot, []) ?? [])
    .map((o) => Math.max(o.body.max[0] - o.body.min[0], 0))
  return lengths.length > 0 ? Math.min(...lengths) : null
}

/** Shares of what a thing weighs that are tried where nothing holds with it as heavy as it is. */
const LIGHTER = [0.75, 0.5, 0.35, 0.2]
/** Nothing lighter than this is told, kg: what a shelf holds at all it holds so much of. */
const LEAST_KG = 0.5

/** What would be built for a thing beside the rest, were there nothing to hold: the first of each kind, at whatever wall. */
const offersFor = (market: Market, offers: readonly Offer[], lot: Lot): Offer[] =>
  market.kindsFor(lot).flatMap(({ kind }) => {
    for (const wallId of market.walls) {
      const found = market.offer(kind, wallId, lot, offers)
      if (found) return [found]
    }
    return []
  })

/** How heavy one of a thing may be for something here beside the rest to hold with it, kg; null where weight is no help. */
function heldAtKg(p: Project, wishes: Wishes, offers: readonly Offer[], one: Lot[number]): number | null {
  const kg = countedKg(p.goods.find((g) => g.id === one.goodsId)!)
  for (const share of LIGHTER) {
    const massKg = Math.floor(2 * share * kg) / 2
    if (massKg < LEAST_KG) return null
    const goods = p.goods.map((g) => (g.id === one.goodsId ? { ...g, massKg } : g))
    const market = new RoomMarket({ ...p, goods }, wishes)
    if (offersFor(market, offers, [one]).some((o) => !market.settled(o).fails)) return massKg
  }
  return null
}

/** What keeps one of the things left out from having a place. */
export function whyHomeless(
  p: Project,
  wishes: Wishes,
  market: Market & { freeMm(wallId: string, others: readonly Offer[]): number },
  offers: readonly Offer[],
  g: Lot[number],
): Homeless {
  if (market.kindsFor([g]).length === 0) return { ...g, why: 'no-kind' }
  const one = { ...g, count: 1 }
  const wanted = market.walls.flatMap((wallId) => {
    // What is told is what one of them wants.
    const mm = wantsMm(p, wishes, wallId, [one])
    return mm === null ? [] : [{ wallId, moreMm: mm - market.freeMm(wallId, offers) }]
  })
  const least = wanted.reduce<(typeof wanted)[number] | null>((a, b) => (a && a.moreMm <= b.moreMm ? a : b), null)
  if (least && least.moreMm > 0) return { ...g, why: 'more-wall', ...least }
  const seen = offersFor(market, offers, [one])
  const isHeld = seen.some((o) => !market.settled(o).fails)
  const mostKg = isHeld || (least && seen.length === 0) ? null : heldAtKg(p, wishes, offers, one)
  if (mostKg !== null)
    return { ...g, why: 'too-heavy', kg: countedKg(p.goods.find((x) => x.id === g.goodsId)!), mostKg }
  return { ...g, why: least ? 'no-room' : 'too-large' }
}
