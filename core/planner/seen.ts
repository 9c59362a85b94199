import { carriedOver, moved, type Convex } from '../geometry/convex.ts'
import type { Point } from '../geometry/hull.ts'
import type { Vec3 } from '../geometry/vec.ts'
import { kept } from '../measure/kept.ts'
import type { WallLine } from '../room/outline.ts'
import { beside } from './beside.ts'
import { howMany, type Lot, type Offer } from './offer.ts'

/*
 * What first looks have shown: what is sure to be the same at another place need not be looked at there.
 */

/** What is asked for: a kind of build at a place that is free for so long, for some goods, held to some bounds. */
export interface Asked {
  kind: string
  w: WallLine
  /** Walls of one class are as deep, as high, made the same way and under the same ceiling. */
  wallClass: string
  offsetMm: number
  freeMm: number
  bounds: string
  lot: Lot
}

/** One look: with how much room along the wall, what came of it, and how long that is at most. */
interface Look {
  w: WallLine
  freeMm: number
  longMm: number
  /** All of the goods have a place. */
  whole: boolean
  ways: readonly Offer[]
}

/** Less than this is rounding, mm. */
const SAME_MM = 1

/** A place on a wall as a frame: along it, and out from it. */
const setOf = ({ from, along, inward }: WallLine, mm: number) => ({
  at: [from[0] + mm * along[0], from[1] + mm * along[1]] as Point,
  x: along,
  y: inward,
})

export class Seen {
  private readonly looks = new Map<string, Look[]>()
  /** How much room there was where there was no such build, mm: there is none in less either. */
  private readonly none = new Map<string, number[]>()

  /** @param places where one was looked for in vain before it is none at all */
  constructor(private readonly places: (a: Asked) => number) {}

  note(a: Asked, ways: readonly Offer[]): void {
    if (ways.length === 0) {
      kept(this.none, noneKey(a, a.lot), (): number[] => []).push(a.freeMm)
      return
    }
    const longMm = Math.max(...ways.map((x) => beside(a.w, x.body).to - a.offsetMm))
    const whole = ways.every((x) => howMany(x.housed) === howMany(a.lot))
    kept(this.looks, keyOf(a), (): Look[] => []).push({ w: a.w, freeMm: a.freeMm, longMm, whole, ways })
  }

  /** Whether nothing of it can be there, as far as is known: of all the goods together, or of each by itself. */
  isNone(a: Asked): boolean {
    const isKnown = (lot: Lot) =>
      (this.none.get(noneKey(a, lot)) ?? []).filter((mm) => mm >= a.freeMm).length >= this.places(a)
    return isKnown(a.lot) || (a.lot.length > 1 && a.lot.every((g) => isKnown([g])))
  }

  /**
   * What was seen of it elsewhere and is the same here, as it would be here; at its own wall if it can be. Nothing where it
   * might come out otherwise.
   */
  elsewhere(a: Asked): { ways: Offer[]; ownWall: boolean } | null {
    const isSame = (x: Look) =>
      x.longMm <= a.freeMm + SAME_MM
        ? x.whole || a.freeMm <= x.freeMm
        : // It took no notice of what it ran into.
          x.longMm > x.freeMm + SAME_MM && a.freeMm <= x.freeMm
    const all = (this.looks.get(keyOf(a)) ?? []).filter(isSame)
    const x = all.find((l) => l.w === a.w) ?? all[0]
    return x ? { ways: x.ways.map((o) => movedTo(o, x.w, a)), ownWall: x.w === a.w } : null
  }
}

export const lotKey = (lot: Lot): string => lot.map((g) => `${g.goodsId}*${g.count}`).join()
const keyOf = ({ kind, bounds, wallClass, lot }: Asked): string => [kind, bounds, wallClass, lotKey(lot)].join('|')
/** One thing by itself is known by what it is: where one of it does not go no number of it does. */
const noneKey = ({ kind, bounds, wallClass }: Asked, lot: Lot): string =>
  [kind, bounds, wallClass, lot.length === 1 ? lot[0].goodsId : lotKey(lot)].join('|')

function movedTo(x: Offer, from: WallLine, a: Asked): Offer {
  const [was, is] = [setOf(from, x.build.offsetMm), setOf(a.w, a.offsetMm)]
  const by: Vec3 = [is.at[0] - was.at[0], is.at[1] - was.at[1], 0]
  const over = (b: Convex) => (from === a.w ? moved(b, by) : carriedOver(b, was, is))
  const build = { ...x.build, wallId: a.w.wall.id, offsetMm: a.offsetMm }
  return { ...x, build, body: over(x.body), ways: x.ways.map(over) }
}
