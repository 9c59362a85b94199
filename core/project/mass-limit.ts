import { presumedMass, withPresumed } from '../goods/presumed.ts'
import type { BuildReading } from './read-build.ts'
import { readBuild, readingsOf } from './read-build.ts'
import { readBuilds } from './read-builds.ts'
import type { Build, Project } from './project.ts'

/** Up to what mass each a build holds the things nobody has weighed. */
export interface MassLimit {
  /** Those of them it holds, what is presumed to weigh most in all first: its weight decides most. */
  goods: { goodsId: string; count: number }[]
  /** It holds if each of them weighs no more than what it is presumed to, on the heavy side. */
  asPresumed: boolean
  /** It holds if none of them weighs more, kg; null where not even that is known, for something else does not hold. */
  kg: number | null
}

/** No label promises more than this, kg: then something else matters. Product decision. */
const MOST_KG = 400
/** Told in steps of this, rounded down; less than one of them is nothing, kg. */
export const LEAST_KG = 0.5
/**
 * Tried from light to heavy, each so much heavier than the last: what is heavy may stand elsewhere and hold there, what
 * is a little lighter not.
 */
const HEAVIER = 1.15
const HALVINGS = 5
/** The same beside all else in the room, which takes longer to look at. */
const BESIDE_HEAVIER = 2

/** Things a build holds that nobody has weighed: what is presumed to weigh most in all first. */
export function notWeighed(p: Project, build: Build): MassLimit['goods'] {
  const all = (id: string, count: number) => count * presumedMass(p.goods.find((x) => x.id === id)!).kg
  return build.goods
    .filter((b) => p.goods.some((g) => g.id === b.goodsId && g.massKg === null))
    .map(({ goodsId, count }) => ({ goodsId, count }))
    .sort((a, b) => all(b.goodsId, b.count) - all(a.goodsId, a.count))
}

/** The project as if each of some things weighed so much. */
const weighing = (p: Project, ids: ReadonlySet<string>, kg: number): Project => ({
  ...p,
  goods: p.goods.map((g) => (ids.has(g.id) ? { ...g, massKg: kg } : g)),
})

/**
 * The largest mass each that all things nobody has weighed may have, at once, for everything to hold wherever they
 * stand, with everything lighter holding too. Beside what else is in the room too.
 */
export function massLimit(p: Project, build: Build): MassLimit {
  const goods = notWeighed(p, build)
  const ids = new Set(goods.map((g) => g.goodsId))
  const asIt = (q: Project): boolean => {
    const r = readBuild(q, build)
    return r.ok && sound(r.reading)
  }
  const sound = (r: BuildReading) => r.verdict.fails === 0 && r.verdict.unknown === 0
  const holds = (kg: number): boolean => asIt(weighing(p, ids, kg))
  if (ids.size === 0 || !holds(LEAST_KG)) return { goods, asPresumed: false, kg: null }
  // Beside the others in the room it is looked at once it holds by itself; what they hold is presumed there.
  const presumed = { ...p, goods: withPresumed(p.goods) }
  const inRoom = (q: Project): boolean => readingsOf(readBuilds(q)).some((r) => r.build.id === build.id && sound(r))
  const lighter = { ...p, goods: presumed.goods.map((g) => (ids.has(g.id) ? { ...g, massKg: g.massKg! / 2 } : g)) }
  const asPresumed = asIt(presumed) && asIt(lighter) && inRoom(presumed)
  const holdsBeside = (kg: number) => inRoom(weighing(presumed, ids, kg))
  /** As much; or, where what stands round it fails with that, what was the last that does not from light to heavy. */
  function told(kg: number): MassLimit {
    if (holdsBeside(kg)) return { goods, asPresumed, kg }
    let last: number | null = null
    for (let less = LEAST_KG; less < kg && holdsBeside(less); less *= BESIDE_HEAVIER) last = less
    return { goods, asPresumed, kg: last }
  }
  let [most, tooMuch] = [LEAST_KG, LEAST_KG * HEAVIER]
  while (most < MOST_KG && holds(tooMuch)) [most, tooMuch] = [tooMuch, tooMuch * HEAVIER]
  if (most >= MOST_KG) return told(MOST_KG)
  for (let i = 0; i < HALVINGS; i++) {
    const kg = (most + tooMuch) / 2
    if (holds(kg)) most = kg
    else tooMuch = kg
  }
  return told(Math.floor(most / LEAST_KG) * LEAST_KG)
}
