import type { Goods } from './goods.ts'

/* What does not stay: how often one drives, how many bags, what must be cut up first, and what it leaves room for. */

/** Things in a vehicle lie no higher than this, mm, and leave gaps. Product decisions: a hatch shut over loose things. */
const LOAD_HIGH_MM = 600
const PACKED = 0.6
/** A rubble bag of 80 litres, filled to where it can be tied; what goes in is no longer than this. Product decisions. */
const BAG_MM3 = 80e6 * 0.75
const IN_BAG_MM = 600

/** What drives it away. */
export interface Carriage {
  longestMm: number
  widestMm: number
  mostKg: number
}

export interface Leaving {
  /** Lines that go, and how many things they are; of those how many are gone. */
  goods: Goods[]
  things: number
  gone: number
  massKg: number
  notWeighed: number
  /** Drives for what is passed on, bags for what is thrown away and goes into one. */
  loads: number
  bags: number
  /** Longer than the vehicle takes: to be cut up, or fetched by somebody. */
  tooLong: Goods[]
  floorMm2: number
}

const volumeOf = (g: Goods) => g.count * g.acrossMm * g.deepMm * g.tallMm
const longestOf = (g: Goods) => Math.max(g.acrossMm, g.deepMm, g.tallMm)
const inBag = (g: Goods) => g.decision === 'bin' && longestOf(g) <= IN_BAG_MM

export function leaving(all: readonly Goods[], carriage: Carriage): Leaving {
  const goods = all.filter((g) => g.decision !== 'keep')
  const open = goods.filter((g) => !g.leaving.gone)
  const loose = open.filter((g) => !inBag(g))
  const sum = (list: readonly Goods[], of: (g: Goods) => number) => list.reduce((n, g) => n + of(g), 0)
  const massKg = sum(open, (g) => g.count * (g.massKg ?? 0))
  const room = PACKED * LOAD_HIGH_MM * carriage.longestMm * carriage.widestMm
  const bags = Math.ceil(sum(open.filter(inBag), volumeOf) / BAG_MM3)
  const byVolume = (sum(loose, volumeOf) + bags * BAG_MM3) / room
  return {
    goods,
    things: sum(goods, (g) => g.count),
    gone: sum(goods, (g) => (g.leaving.gone ? g.count : 0)),
    massKg,
    notWeighed: sum(open, (g) => (g.massKg === null ? g.count : 0)),
    loads: open.length === 0 ? 0 : Math.max(1, Math.ceil(byVolume), Math.ceil(massKg / carriage.mostKg)),
    bags,
    tooLong: loose.filter((g) => longestOf(g) > carriage.longestMm),
    floorMm2: sum(goods, (g) => g.count * g.acrossMm * g.deepMm),
  }
}
