import type { AnyFamily } from '../families/family.ts'
import { isHung } from '../families/registry.ts'
import type { Convex } from '../geometry/convex.ts'
import { newBuild } from '../project/new-build.ts'
import type { Project } from '../project/project.ts'
import type { WallLine } from '../room/outline.ts'
import { FROM_END_MM, longerOntoStuds, shiftsOntoStuds } from '../room/onto-studs.ts'
import { studCentres } from '../room/room.ts'
import { beside } from './beside.ts'
import { shareOf } from './lots.ts'
import { howMany, type Haste, type Lot, type Offer } from './offer.ts'

/*
 * How a build is fitted to a place along a wall: behind what stands there, shorter, over it, or over two studs.
 */

/** Left between two builds, and between a build and what is kept free, mm: a hand's width, a finger's. Product decision. */
export const BETWEEN_MM = 50
export const BESIDE_MM = 5
/** Bodies that touch are not in each other, mm. */
export const TOUCH_MM = 1
/** Shorter than this nothing is built, mm. Product decision. */
export const LEAST_MM = 300
/** Bounds are so much coarser than where bodies end, mm: more of what is asked for was seen before. */
const ROUND_MM = 20
/** Less deep than this nothing is put behind what stands in front of a wall, mm. Product decision. */
export const LEAST_DEEP_MM = 250
/** A build that runs into something is tried so many times with fewer goods. */
const SHRINKS = 3
/** Heights at which one that hangs is tried over what stands below, the usual one the first. */
const HIGHER = 3
/** What hangs begins so far before a stud for it to lie well behind the end of what is fixed there, past the side of a box, mm. */
export const BEFORE_STUD_MM = FROM_END_MM + 20
/** What hangs is short that reaches over no more than so many studs. Product decision. */
const SHORT_STUDS = 3
/** What is hung as high as there is need hangs over what reaches no higher than this, mm. Product decision. */
export const HIGH_UNDER_MM = 1700
/** What hangs over something is reached over it: so much further out than its own goods that may stand, mm. Product decision. */
const REACHED_OVER_MM = 600

/** What a first look is held to: so deep and so long at most, so long at least, over what reaches so high; null where its wall and its goods alone say. */
export interface Held {
  mostDeepMm: number | null
  mostLongMm: number | null
  leastLongMm: number | null
  overMm: number | null
}
const AS_IT_COMES: Held = { mostDeepMm: null, mostLongMm: null, leastLongMm: null, overMm: null }

/** How a build is looked for. */
export interface Manner {
  /** As short as there is room between what stands there, though its kind is longer anywhere else. */
  squeezed?: boolean
  haste?: Haste
}

/** A kind of build for some goods at a wall beside what stands there. */
export interface Asking extends Manner {
  kind: string
  w: WallLine
  lot: Lot
  others: readonly Offer[]
}

/** What no stud holds stands by itself where it is no higher than so many times as deep or as long. Product decision. */
const LOW_TIMES = 1.5
const isLow = ({ body: { min, max } }: Offer) =>
  max[2] - min[2] <= LOW_TIMES * Math.min(max[0] - min[0], max[1] - min[1])

/** Whether builds of a kind hang wherever they are. */
export const isHungKind = (family: string) => isHung(newBuild({ id: '', wallId: '', family, params: {} }))

/**
 * How high over the floor what hangs is over what it meets, mm; null where that is too high, or too deep to reach over, or
 * is nothing: then more height is of no use.
 */
export function overAll(w: WallLine, own: Convex, met: readonly Convex[]): number | null {
  const { deepMm } = beside(w, own)
  const below = met.map((b) => beside(w, b))
  return below.length === 0 || below.some((b) => b.highMm > HIGH_UNDER_MM || b.deepMm > deepMm + REACHED_OVER_MM)
    ? null
    : Math.max(...below.map((b) => b.highMm)) + BETWEEN_MM
}

/** What is seen of a build before it is made, and what it meets. */
export interface Sight {
  p: Project
  kindOf(id: string): AnyFamily
  look(a: Asking, offsetMm: number, held: Held): Offer | null
  metBy(offer: Offer, others: readonly Offer[]): Convex[]
  fits(offer: Offer, others: readonly Offer[]): boolean
  /** Whether it is what its builder wants at all. */
  allowed(offer: Offer): boolean
}

/** A kind of build for some goods at places of a wall, as well as it goes there. */
export class Fitting {
  constructor(private readonly sight: Sight) {}

  /** One that a single stud would hold is put over two: a little further along, or longer; else it is none. */
  at(a: Asking, offsetMm: number): Offer | null {
    const { w } = a
    const here = this.shrunk(a, offsetMm)
    const next = !here || this.mayBeShorter(a, here) ? this.overNext(a, offsetMm) : null
    const isShorter = next && here && howMany(next.housed) >= howMany(here.housed) && next.minor < here.minor
    const first = isShorter ? next : (here ?? next ?? this.over(a, offsetMm))
    // What hangs from the ceiling is only steadied by the wall.
    if (!first || first.fixings > 1 || first.overhead || w.wall.construction.kind !== 'studs') return first
    const { from, to } = beside(w, first.body)
    const { left, right } = shiftsOntoStuds(w.wall, from, to)
    const longer = longerOntoStuds(w.wall, from, to)
    const ways: (() => Offer | null)[] = [
      () => (right ? this.shrunk(a, offsetMm + Math.ceil(right)) : null),
      () => (left && left <= offsetMm ? this.shrunk(a, offsetMm - Math.ceil(left)) : null),
      () => (longer ? this.longer(first, a, Math.ceil(to - offsetMm + longer)) : null),
    ]
    const found: Offer[] = []
    for (const way of ways) {
      const over = way()
      if (over && over.fixings > 1) found.push(over)
      if (found.some((x) => howMany(x.housed) >= howMany(first.housed))) break
    }
    const [best] = found.sort((a, b) => howMany(b.housed) - howMany(a.housed))
    return best ?? (first.fixings === 0 && isLow(first) ? first : null)
  }

  /** What is made long enough for two studs where it begins may be shorter where it begins at one of them. */
  private mayBeShorter({ kind, w, haste }: Asking, here: Offer): boolean {
    const { construction: c } = w.wall
    if (haste === 'first' || c.kind !== 'studs' || !isHungKind(kind)) return false
    const { from, to } = beside(w, here.body)
    return to - from > c.spacingMm + 2 * FROM_END_MM && to - from < SHORT_STUDS * c.spacingMm
  }

  /** What hangs and found too few studs where it was, beginning at the next one; null where that is none either. */
  private overNext(a: Asking, offsetMm: number): Offer | null {
    const { w } = a
    if (w.wall.construction.kind !== 'studs' || !isHungKind(a.kind)) return null
    const next = studCentres(w.wall).find((x) => x - BEFORE_STUD_MM > offsetMm)
    const found = next && this.shrunk(a, Math.floor(next - BEFORE_STUD_MM))
    return found && found.fixings > 1 ? found : null
  }

  /** What hangs and would meet something below it, over that; null where it is no kind that does, or is none there either. */
  private over(a: Asking, offsetMm: number): Offer | null {
    const { w, others } = a
    if (!this.sight.kindOf(a.kind).hangsAt) return null
    let overMm: number | null = null
    for (let i = 0; i < HIGHER; i++) {
      const offer = this.sight.look(a, offsetMm, { ...AS_IT_COMES, overMm })
      if (!offer) return null
      const met = this.sight.metBy(offer, others)
      if (met.length === 0) return this.sight.allowed(offer) ? offer : null
      overMm = overAll(w, offer.body, met)
      if (overMm === null) return null
      const own = beside(w, offer.body)
      // As high as it is there, over that it would be in the ceiling.
      if (
        this.sight.p.room.ceiling.slope === null &&
        overMm + own.highMm - own.lowMm > this.sight.p.room.ceiling.heightMm + TOUCH_MM
      )
        return null
    }
    return null
  }

  /** The same with so much length at least, where nothing stands there. */
  private longer(first: Offer, a: Asking, leastLongMm: number): Offer | null {
    const found = this.sight.look({ ...a, lot: first.housed }, first.build.offsetMm, { ...AS_IT_COMES, leastLongMm })
    return found && this.sight.fits(found, a.others) ? found : null
  }

  /** At a place, behind what stands in front of it where it is shallower, or shorter with fewer goods. */
  private shrunk(a: Asking, offsetMm: number): Offer | null {
    const { w, others } = a
    const full = this.shortened(a, offsetMm, AS_IT_COMES)
    if (full) return full
    const first = this.sight.look(a, offsetMm, AS_IT_COMES)
    if (!first) return null
    const met = this.sight.metBy(first, others)
    // What is not to be there, or runs into nothing, is not mended by less depth.
    if (met.length === 0) return null
    const outMm = Math.min(...met.map((b) => beside(w, b).outMm)) - BESIDE_MM
    // Where only its goods come out against that, it needs room for itself and as much again for them.
    const mostMm = ROUND_MM * Math.floor((outMm < beside(w, first.body).deepMm ? outMm : outMm / 2) / ROUND_MM)
    const isLess = mostMm >= LEAST_DEEP_MM && mostMm < w.wall.depthMm
    return isLess ? this.shortened(a, offsetMm, { ...AS_IT_COMES, mostDeepMm: mostMm }) : null
  }

  /** At a place, with as many of its goods as let it end before what it would run into, or no longer than there is room. */
  private shortened(a: Asking, offsetMm: number, held: Held): Offer | null {
    const { w, others } = a
    let goods = a.lot
    let mostLongMm: number | null = null
    for (let i = 0; i <= SHRINKS && howMany(goods) > 0; i++) {
      const offer = this.sight.look({ ...a, lot: goods }, offsetMm, held)
      if (!offer || !this.sight.allowed(offer)) return null
      if (this.sight.fits(offer, others)) return offer
      // With fewer goods it may end before what it runs into, or with its wall.
      const long = beside(w, offer.body).to - offsetMm
      const ends = [...this.sight.metBy(offer, others).map((b) => beside(w, b).from - BESIDE_MM), w.wall.lengthMm]
      const room = Math.min(...ends) - offsetMm
      if (room < LEAST_MM || room >= long) break
      mostLongMm ??= ROUND_MM * Math.floor(room / ROUND_MM)
      goods = shareOf(this.sight.p, goods, room / long)
    }
    const ended = a.squeezed && mostLongMm ? this.sight.look(a, offsetMm, { ...held, mostLongMm }) : null
    return ended && this.sight.fits(ended, others) ? ended : null
  }
}
