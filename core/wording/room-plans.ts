import type { Presumed } from '../goods/presumed.ts'
import { addTo } from '../measure/add-to.ts'
import { MM_PER_FOOT } from '../measure/units.ts'
import { formatMoney, type Currency } from '../measure/money.ts'
import type { Homeless } from '../planner/help.ts'
import type { LessWell } from '../planner/ill-placed.ts'
import type { Trade, TradeKey } from '../planner/trade.ts'
import { capital, listed, plural, sayRating } from './say.ts'
import type { Say } from './say.ts'
import { sayThings } from './things.ts'

/** What a plan is best at, as it would be called. */
const BEST: Record<TradeKey, string> = {
  minor: 'costs least',
  floorM2: 'takes least floor',
  reach: 'keeps what is used often nearest to the hand',
  hours: 'is quickest to build',
  builds: 'is the fewest builds',
  makeshift: 'keeps most things the way that suits them best',
  homeless: 'leaves least without a place',
  lengthMm: 'takes least of the wall',
}
const TITLE: Record<TradeKey, string> = {
  minor: 'Least cost',
  floorM2: 'Most floor free',
  reach: 'Nearest to hand',
  hours: 'Quickest to build',
  builds: 'Fewest builds',
  makeshift: 'Everything in its best way',
  homeless: 'Most is kept',
  lengthMm: 'Least wall',
}

export interface SayPlans extends Say {
  currency: Currency
}

const M2_PER_SQ_FT = (MM_PER_FOOT / 1000) ** 2
/** An area of floor, no finer than one sees it: to a tenth of a square metre, or a square foot. */
export function sayFloorArea(m2: number, { units }: Say): string {
  const steps = (of: number) => (m2 > 0 ? Math.max(1, Math.round(m2 / of)) : 0)
  return units.system === 'imperial' ? `${steps(M2_PER_SQ_FT)} sq ft` : `${(steps(0.1) / 10).toFixed(1)} m²`
}

/** What it pays for that, against the least of those beside it. */
function pays({ key, by }: NonNullable<Trade['pays']>, say: SayPlans): string {
  switch (key) {
    case 'minor':
      return `costs ${formatMoney(by, say.currency)} more than the cheapest`
    case 'floorM2':
      return `takes ${sayFloorArea(by, say)} more floor than the least`
    case 'reach':
      return 'puts what is used often further from the hand than another'
    case 'hours':
      return `takes about ${plural(Math.max(1, Math.round(by)), 'hour')} longer than the quickest`
    case 'builds':
      return `is ${plural(by, 'build')} more than the fewest`
    case 'makeshift':
      return `keeps ${plural(by, 'thing')} in a way that is only possible, not good`
    case 'lengthMm':
      return `takes ${say.length(by)} more of the wall than the shortest`
    case 'homeless':
      return `leaves ${plural(by, 'thing')} more without a place`
  }
}

/** A name for each of some plans, no two alike. */
export function titlesOf(trades: readonly Trade[]): string[] {
  if (trades.length === 1) return ['One plan']
  const taken = new Set<string>()
  return trades.map(({ best, alone }) => {
    const title =
      [...alone, ...best].map((k) => TITLE[k]).find((t) => !taken.has(t)) ??
      ['Another way', 'A third way'].find((t) => !taken.has(t))!
    taken.add(title)
    return title
  })
}

/** What a plan trades, in one sentence. */
export function sayTrade({ best, alone, pays: price }: Trade, say: SayPlans): string {
  const good = [...new Set([...alone, ...best])].slice(0, 3).map((k) => BEST[k])
  const bad = price ? pays(price, say) : ''
  if (good.length === 0 && !bad) return 'Much like the others in every measure.'
  if (good.length === 0) return `It ${bad}.`
  return `${capital(`it ${listed(good)}`)}${bad ? `, but ${bad}` : ''}.`
}

/** What of a plan is presumed: masses, and the rating of the anchors of some builds, N. */
interface Proof {
  presumed: readonly Presumed[]
  unrated: { builds: number; presumedN: number } | null
}
/** How far a plan in which nothing fails is proven. */
export function sayProof({ presumed, unrated }: Proof, say: Say): string {
  const masses = presumed.length > 0
  if (unrated) {
    const waits =
      unrated.builds === 1 ? 'one build waits for that, and holds' : `${unrated.builds} builds wait for that, and hold`
    return `not proven until its anchors are rated: ${waits} if it is ${sayRating(unrated.presumedN, say)} or more${masses ? ' and things weigh no more than is presumed' : ''}`
  }
  return masses ? 'holds if what is presumed to weigh so much weighs no more' : 'everything in it holds'
}

/** What has no place, each with the thing it is of and the name of the wall that is told of. */
export interface WithoutPlace {
  h: Homeless
  thing: { name: string; count: number }
  wall: string
}
/** To a centimetre, as it is told. */
const told = (mm: number): number => Math.ceil(mm / 10) * 10
/** One of what has no place, and things like it. */
type Who = 'it' | 'one' | 'one of them'
const whoIs = ({ count }: Homeless): Who => (count === 1 ? 'it' : 'one')

/** Why something has no place, and what would make one. */
function whyWithout(h: Homeless, wall: string, say: Say, who: Who): string {
  const such = who === 'one of them' ? 'such things' : 'such a thing'
  switch (h.why) {
    case 'no-kind':
      return `no kind of build keeps ${such} yet.`
    case 'too-large':
      return 'too large for whatever can be built at these walls.'
    case 'turned':
      return `kept here once its side of ${say.length(h.alongMm)} runs along the wall; enter its sides the other way round.`
    case 'deeper':
      return `a strip ${say.length(told(h.deepMm))} deep before a wall would house ${who}.`
    case 'bare-walls':
      return `what keeps ${such} is fixed to a wall, and the walls here hold no fixing for ${who === 'one of them' ? 'them' : 'it'}.`
    case 'more-wall':
      return `${say.length(told(h.moreMm))} more of free wall at the ${wall} would house ${who}.`
    case 'too-heavy':
      return h.mostKg === null
        ? `nothing that would be built here for ${who} holds, and were it lighter it would not either.`
        : `counted as ${say.mass(h.kg)}${h.count === 1 ? '' : ' each'}, with which nothing holds that would be built here; ${say.mass(h.mostKg)} or less would be held.`
    case 'no-room':
      return 'no room is left beside the rest.'
  }
}
const sidesOrMass = ({ why }: Homeless): boolean => why === 'turned' || why === 'too-heavy'

/** Why some things have no place, and what would make one. */
export const sayHomeless = (h: Homeless, thing: WithoutPlace['thing'], wall: string, say: Say): string =>
  `${sayThings(h.count, thing)}: ${whyWithout(h, wall, say, whoIs(h))}`

/**
 * Why things have no place, those of which the same is told in one line, and what the least would help first. What is of
 * the sides or the mass of one thing is told of that thing.
 */
export function sayWithoutPlace(list: readonly WithoutPlace[], say: Say): string[] {
  const by = new Map<string, WithoutPlace[]>()
  for (const x of list) {
    const same = whyWithout(x.h, x.wall, say, 'one of them')
    addTo(by, sidesOrMass(x.h) ? `${x.h.goodsId} ${same}` : same, x)
  }
  const asks = ([{ h }]: readonly WithoutPlace[]) =>
    h.why === 'more-wall' ? h.moreMm : h.why === 'deeper' ? h.deepMm : 0
  return [...by.values()]
    .sort((a, b) => told(asks(a)) - told(asks(b)))
    .map((of) => {
      const [{ h, wall }] = of
      const what = listed(of.map((x) => sayThings(x.h.count, x.thing)))
      return `${what}: ${whyWithout(h, wall, say, of.length > 1 ? 'one of them' : whoIs(h))}`
    })
}

/** What is bad about a place, of things that are named before it. */
const LESS: Record<LessWell['why'], string> = {
  'over-eyes': 'over the eyes, where what leaks or bursts should not be',
  'near-flame': 'too near a flame',
  'far-from-outlet': 'further from an outlet than a cord is long',
  open: 'in the open, where a front would keep them from dust, damp and light',
  makeshift: 'in a way that is only possible for them',
}
/** What a plan keeps less well than it could, a line for each reason. */
export const sayLessWell = (
  list: readonly LessWell[],
  of: (goodsId: string) => { name: string; count: number },
): string[] =>
  Object.entries(LESS).flatMap(([why, said]) => {
    const things = list.filter((x) => x.why === why)
    return things.length > 0 ? [`${listed(things.map((x) => sayThings(x.count, of(x.goodsId))))}: ${said}.`] : []
  })

const CONTENTS: Record<Presumed['contents'], string> = {
  books: 'as if full of books',
  tools: 'as if full of tools',
  metal: 'as if full of screws',
  stone: 'as stone or clay',
  paint: 'as paint',
  liquid: 'as if full of liquid',
  soil: 'as soil',
  food: 'as if full of food',
  cloth: 'as if full of cloth',
  foam: 'as foam',
  light: 'as light things',
  mixed: 'as mixed things',
  machine: 'as a machine',
  wood: 'as wood',
  tool: 'as a hand tool',
  usual: 'as heavy as such things are',
}
/** What a thing is presumed to weigh, and from what. */
export const sayPresumed = (x: Presumed, name: string, say: Say): string =>
  `${name} ${say.mass(x.kg)} each, ${CONTENTS[x.contents]}${x.contents === 'usual' ? '' : `, ${say.mass(x.kgPerLitre)} a litre`}`
/** The same in a list of several, where it was said before that such things are counted as heavy as they come. */
export const sayPresumedShort = (x: Presumed, { name, count }: { name: string; count: number }, say: Say): string =>
  `${name} ${say.mass(x.kg)}${count > 1 ? ' each' : ''}${x.contents === 'usual' ? '' : ` (${CONTENTS[x.contents]})`}`
