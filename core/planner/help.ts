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

/** What keeps one of the things left out from having a place. */
export function whyHomeless(
  p: Project,
  wishes: Wishes,
  market: Market & { freeMm(wallId: string, others: readonly Offer[]): number },
  offers: readonly Offer[],
  g: Lot[number],
): Homeless {
  if (market.kindsFor([g]).length === 0) return { ...g, why: 'no-kind' }
  const wanted = market.walls.flatMap((wallId) => {
    // What is told is what one of them wants.
    const mm = wantsMm(p, wishes, wallId, [{ ...g, count: 1 }])
    return mm === null ? [] : [{ wallId, moreMm: mm - market.freeMm(wallId, offers) }]
  })
  if (wanted.length === 0) return { ...g, why: 'too-large' }
  const least = wanted.reduce((a, b) => (b.moreMm < a.moreMm ? b : a))
  return least.moreMm > 0 ? { ...g, why: 'more-wall', ...least } : { ...g, why: 'no-room' }
}
