import { hangsByBar, hangsByWheel, isLong, type Goods } from './goods.ts'
import { MOST_ON_ARMS_MM, onSide } from './on-side.ts'
import { countedKg } from './presumed.ts'
import { fallsOver } from './tool.ts'
import type { WayCode } from './way-codes.ts'

/*
 * Ways to keep a thing. Each kind of build says of a thing whether it suits it, how well, and how it is kept there; what
 * no kind offers for a thing is not proposed for it.
 */

export interface Way {
  code: WayCode
  /** The best for it, good for it, or possible. */
  score: 3 | 2 | 1
}
const way = (code: WayCode, score: Way['score']): Way => ({ code, score })

/**
 * How a kind of build keeps a thing as it is wished: a way somebody chose is as good as the best, and no other will do.
 */
export function wishedWay(kind: { suits(g: Goods): Way | null }, g: Goods): Way | null {
  const found = kind.suits(g)
  if (!found || g.keptAs === null) return found
  return found.code === g.keptAs ? way(found.code, 3) : null
}

/** What stands on a shelf at all: no drum, no machine, nothing that is laid or leaned. */
export const standsOnShelf = (g: Goods): boolean =>
  g.kind !== 'drum' && g.kind !== 'equipment' && g.kind !== 'sheet' && g.kind !== 'bicycle' && !isLong(g)

/** Long tools are hung, or stand behind a door. */
const standsUnheld = (g: Goods): boolean => g.kind === 'tool' && fallsOver(g)
const standsOpen = (g: Goods): boolean => standsOnShelf(g) && !standsUnheld(g)

/** On shelves over a floor: drums and machines under them. */
export function onFramedShelves(g: Goods): Way | null {
  if (g.kind === 'drum') return way('under-shelf', 3)
  if (g.kind === 'equipment') return way('own-bay', 2)
  return standsOpen(g) ? way('on-shelf', g.kind === 'tool' ? 1 : 2) : null
}
/** What takes less of the floor than this goes on a shelf, or under one, mm²: half a pace by half a pace. Product decision. */
const OWN_FLOOR_MM2 = 300_000
/** On the floor in a place of its own: what stands by itself, and is rolled or walked there. */
export const onItsWheels = (g: Goods): Way | null =>
  g.kind === 'equipment' && g.acrossMm * g.deepMm >= OWN_FLOOR_MM2 ? way('on-floor', 1) : null
/** On a shelf that is no floor's, up to some mass. */
export const onShelf = (g: Goods, mostKg: number, score: Way['score']): Way | null =>
  standsOpen(g) && countedKg(g) <= mostKg ? way('on-shelf', g.kind === 'tool' ? 1 : score) : null

/** Behind doors. */
export const behindDoors = (g: Goods, mostKg: number): Way | null =>
  standsOnShelf(g) && countedKg(g) <= mostKg ? way('closed', g.kind === 'pail' ? 3 : 2) : null

/** Up where a ladder is needed: what is light, the better the less it is wanted; nothing of every day. */
export const upHigh = (g: Goods, mostKg: number, code: 'high' | 'under-ceiling' = 'high'): Way | null =>
  standsOnShelf(g) && g.kind !== 'tool' && g.often !== 'daily' && countedKg(g) <= mostKg
    ? way(code, g.often === 'seldom' ? 2 : 1)
    : null

/** Long and as thick as this both ways, mm: a roof box, a canoe. It lies on a deck as well as on arms. Product decision. */
const BULKY_MM = 250
const isBulky = (g: Goods): boolean => isLong(g) && Math.min(g.deepMm, g.tallMm) >= BULKY_MM
/** What is long is lifted by two, who lift so many times as much over their heads. Product decision. */
const BY_TWO = 1.5
/** What one person lifts over the shoulder, or two what is long, kg. @param oneKg what one person lifts */
export const overShoulderKg = (g: Goods, oneKg: number): number => (isLong(g) ? BY_TWO : 1) * oneKg
/** Whether a thing is light enough to be lifted onto a deck over the head, where one person lifts so much. */
export const isLight = (g: Goods, mostKg: number): boolean => countedKg(g) <= (isBulky(g) ? BY_TWO : 1) * mostKg
/** Up on a deck that is open at its front: what is long and bulky as well. */
export const onDeck = (g: Goods, mostKg: number): Way | null =>
  upHigh(g, mostKg) ?? (isBulky(g) && g.often !== 'daily' && isLight(g, mostKg) ? way('high', 2) : null)

/** Held as a tool. */
export const asTool = (g: Goods, mostKg: number, code: 'own-holder' | 'on-hook'): Way | null =>
  g.tool !== null && countedKg(g) <= mostKg ? way(code, code === 'own-holder' ? 3 : 2) : null

/** Hung by a bar of its own. */
export const byItsBar = (g: Goods, mostKg: number): Way | null =>
  hangsByBar(g) && countedKg(g) <= mostKg ? way('by-its-bar', 3) : null

/** Hung upright by a wheel. */
export const byItsWheel = (g: Goods, mostKg: number): Way | null =>
  hangsByWheel(g) && countedKg(g) <= mostKg ? way('by-its-wheel', 2) : null

/** On or under arms on the wall, which are so long at most. */
export const onArms = (g: Goods, longestMm: number): Way | null =>
  isLong(g) && onSide(g, MOST_ON_ARMS_MM).deepMm <= longestMm
    ? way('on-arms', 3)
    : g.kind === 'sheet'
      ? way('below-arms', 2)
      : null

/** Across bearers under the ceiling, over which it is lifted by two: what is long and light, and not wanted every day. */
export const alongCeiling = (g: Goods, mostKg: number, widestMm: number): Way | null =>
  isLong(g) && g.often !== 'daily' && g.deepMm <= widestMm && countedKg(g) <= overShoulderKg(g, mostKg)
    ? way('along-ceiling', g.often === 'seldom' ? 2 : 1)
    : null

/** In a well of a bench, or under it. */
export function atBench(g: Goods, lowMm: number): Way | null {
  if (g.tallMm > lowMm) return null
  if (g.kind === 'equipment') return way('in-well', 3)
  return standsOnShelf(g) && g.kind !== 'tool' ? way('under-bench', 1) : null
}

/** A longer drawer nobody pulls out whole, mm. Product decision. */
const IN_DRAWER_MM = 800
/** In a drawer: what is small and low, where nothing lies behind or on it. */
export const inDrawer = (g: Goods, mostKg: number, lowMm: number): Way | null => {
  const goesIn = lowest(g) <= lowMm && Math.max(g.acrossMm, g.deepMm, g.kind === 'tool' ? g.tallMm : 0) <= IN_DRAWER_MM
  return standsOnShelf(g) && g.kind !== 'pail' && countedKg(g) <= mostKg && goesIn ? way('in-drawer', 2) : null
}
/** The least room over a floor that a thing needs: tools are laid down. mm */
export const lowest = (g: Goods): number => (g.kind === 'tool' ? Math.min(g.acrossMm, g.deepMm, g.tallMm) : g.tallMm)

/** Thinner than this, and so many times as high and as long, a thing is flat: a picture, a panel, a tray. mm */
const FLAT_MM = 120
const FLAT_TIMES = 3
/** Larger than this nobody draws it out of a slot, mm. */
const IN_SLOT_MM = 1300
export const flatThing = (g: Goods): boolean => {
  const [thin, mid, long] = [g.acrossMm, g.deepMm, g.tallMm].sort((a, b) => a - b)
  return thin <= FLAT_MM && mid >= FLAT_TIMES * thin && long <= IN_SLOT_MM && !isLong(g) && g.kind !== 'drum'
}
/** On edge in a slot of its own, or with few others. */
export const inSlot = (g: Goods, mostKg: number): Way | null =>
  flatThing(g) && g.kind !== 'tool' && countedKg(g) <= mostKg ? way('in-slot', g.kind === 'sheet' ? 2 : 3) : null

/** Upright in a store. */
export const inStore = (g: Goods): Way | null => (g.kind === 'sheet' ? way('in-store', 3) : null)

export const onRails = (g: Goods): Way | null => (g.tote ? way('rim-rails', 3) : null)

/** How a thing is never kept, whatever kind of build there is. */
export type NeverCode =
  'high-drum' | 'flat-sheet' | 'on-end' | 'stood-up' | 'heap-of-tools' | 'stacked-totes' | 'behind' | 'leaning'
export function neverOf(g: Goods): NeverCode[] {
  const out: NeverCode[] = []
  if (g.kind === 'drum') out.push('high-drum')
  if (g.kind === 'sheet') out.push('flat-sheet')
  if (isLong(g)) out.push('on-end')
  if (standsUnheld(g)) out.push('stood-up')
  if (g.kind === 'tool') out.push('heap-of-tools')
  if (g.kind === 'tote') out.push('stacked-totes')
  if (hangsByBar(g)) out.push('leaning')
  if (g.kind === 'equipment' && g.often !== 'seldom') out.push('behind')
  return out
}
