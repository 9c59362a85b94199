import type { Bay } from '../assembly/assembly.ts'
import type { Settings } from '../assembly/settings.ts'
import { runsOut } from '../goods/care.ts'
import { litresOf, standsOn, type Goods } from '../goods/goods.ts'
import { BODY, liftedToMm, reachMm } from '../goods/person.ts'
import { countedKg } from '../goods/presumed.ts'
import { roomFor, sideways } from '../goods/sideways.ts'
import type { ShapeContext, Shaped } from './family.ts'

/** An opening between posts, across the front. */
export interface Opening {
  left: number
  right: number
}

/** Between two rods things are drawn out past them, with a hand's room. */
export const betweenRods = (xs: readonly number[], rod: { diameterMm: number }): Opening[] =>
  xs.slice(1).map((x, i) => ({ left: xs[i] + rod.diameterMm, right: x - rod.diameterMm }))

/** One thing in its place: x of its left side, y of its back, from the panel's back, and what lies under it of its pile. */
export interface Spot {
  item: Goods
  opening: number
  x: number
  y: number
  z: number
}

/**
 * What stands in one opening of a level, where it stands. @param backMm y where the level begins, @param topMm height
 * it stands at
 */
export const standing = (level: Level, opening: number, backMm: number, topMm: number): Bay['items'] =>
  level.spots
    .filter((s) => s.opening === opening)
    .map(({ item, x, y, z }) => ({
      goodsId: item.id,
      massKg: item.massKg,
      stands: standsOn(item.kind),
      box: {
        min: [x, backMm + y, topMm + z],
        max: [x + item.acrossMm, backMm + y + item.deepMm, topMm + z + item.tallMm],
      },
    }))

/** One thing by itself, its back at the wall. */
export const standingOn = (item: Goods, x: number, topMm: number): Bay['items'][number] => ({
  goodsId: item.id,
  massKg: item.massKg,
  stands: standsOn(item.kind),
  box: { min: [x, 0, topMm], max: [x + item.acrossMm, item.deepMm, topMm + item.tallMm] },
})

/** Things that found no place, counted by kind. */
export function withoutPlace(left: readonly Goods[]): Shaped['unhoused'] {
  const counts = new Map<string, number>()
  for (const g of left) counts.set(g.id, (counts.get(g.id) ?? 0) + 1)
  return [...counts].map(([goodsId, count]) => ({ goodsId, count, why: 'no-place' }))
}

export interface Level {
  /** The floor, or a shelf. */
  floor: boolean
  spots: Spot[]
  tallest: Goods | null
}

/** Least room over an empty shelf, mm. */
export const LEAST_OPEN = 150

/** What stands on the floor if there is one: drums, equipment, and what is lifted to no shelf. */
export const belongsOnFloor = (g: Goods, { onePersonKg }: Lifters): boolean =>
  g.kind === 'drum' || g.kind === 'equipment' || liftedToMm(countedKg(g), onePersonKg) < 0

/**
 * The widest of what has to go between two posts, mm; nought where nothing has: what stands on the floor, and of what goes
 * on shelves where none of it would go between the usual ones.
 * @param floor who lifts what stands on the floor to it; null where none stands there
 */
export function widestBetween(goods: ShapeContext['goods'], floor: Lifters | null, isWide: (g: Goods) => boolean) {
  const items = goods.map((g) => g.item)
  const down = items.filter((g) => floor !== null && belongsOnFloor(g, floor))
  const up = items.filter((g) => !down.includes(g))
  return Math.max(0, ...[...down, ...(up.every(isWide) ? up : [])].map((g) => g.acrossMm))
}

/** An opening may be made so many times as wide as posts are usually apart. Product decision. */
const WIDER = 1.25
/** The widest of what is wider than an opening usually is and goes into one made a little wider, mm; nought where nothing is. */
export const littleWider = (goods: ShapeContext['goods'], isWide: (g: Goods) => boolean, everyMm: number): number =>
  Math.max(0, ...goods.map((g) => (isWide(g.item) && g.item.acrossMm <= WIDER * everyMm ? g.item.acrossMm : 0)))

/** Where things of one kind stand behind each other in an opening, and how many of them lie on each other there. */
interface Row {
  opening: number
  x: number
  used: number
  piles: { y: number; layers: number }[]
}

interface Filled {
  spots: Spot[]
  left: Goods[]
}
/**
 * Fills openings from the left, each place as many deep as fit, what is piled as high as it may be, and tells what is
 * left over.
 */
export const fill = (
  queue: Goods[],
  openings: Opening[],
  depthMm: number,
  sidePlayMm: number,
  stickOutMm: number,
): Filled => filled(queue, openings, { depthMm, sidePlayMm, stickOutMm, layersOf: (g) => g.pile })

/** The same where nothing may lie on anything: in a drawer, or under a shelf that is there already. */
export const fillFlat = (queue: Goods[], openings: Opening[], depthMm: number, sidePlayMm: number): Filled =>
  filled(queue, openings, { depthMm, sidePlayMm, stickOutMm: 0, layersOf: () => 1 })

interface Filling {
  depthMm: number
  sidePlayMm: number
  stickOutMm: number
  layersOf: (g: Goods) => number
  /** No opening takes more, but one thing at least. */
  mostKg?: number
}
function filled(queue: Goods[], openings: Opening[], o: Filling): Filled {
  const { depthMm, sidePlayMm, stickOutMm, layersOf, mostKg = Infinity } = o
  const spots: Spot[] = []
  const kgs = openings.map(() => 0)
  const bears = (item: Goods, opening: number) => kgs[opening] === 0 || kgs[opening] + countedKg(item) <= mostKg
  const left: Goods[] = []
  const until = openings.map((o) => o.left)
  const rows = new Map<string, Row>()
  const put = (item: Goods, { opening, x }: Row, y: number, z: number) => {
    spots.push({ item, opening, x, y, z })
    kgs[opening] += countedKg(item)
  }
  for (const item of queue) {
    const begun = rows.get(item.id)
    const row = begun && bears(item, begun.opening) ? begun : undefined
    if (row && row.used + item.deepMm <= roomFor(item, depthMm, stickOutMm)) {
      put(item, row, row.used, 0)
      row.piles.push({ y: row.used, layers: 1 })
      row.used += item.deepMm
      continue
    }
    const pile = row?.piles.find((x) => x.layers < layersOf(item))
    if (row && pile) {
      put(item, row, pile.y, pile.layers++ * item.tallMm)
      continue
    }
    const i =
      item.deepMm > roomFor(item, depthMm, stickOutMm)
        ? -1
        : openings.findIndex((x, n) => until[n] + 2 * sidePlayMm + item.acrossMm <= x.right + 1e-6 && bears(item, n))
    if (i < 0) {
      left.push(item)
      continue
    }
    const fresh: Row = {
      opening: i,
      x: until[i] + sidePlayMm,
      used: item.deepMm,
      piles: [{ y: 0, layers: 1 }],
    }
    put(item, fresh, 0, 0)
    rows.set(item.id, fresh)
    until[i] = fresh.x + item.acrossMm
  }
  return { spots, left }
}

/** Whether there is room for one more level, and whether all on it can be lifted there. */
export type Grown = boolean | 'too-heavy'

/** Who lifts. */
export type Lifters = Pick<Settings, 'onePersonKg' | 'personMm'>
/** How high a level may be for all that stands on it to be lifted there, mm: over the shoulder only by one alone. */
export const liftedOntoMm = (spots: readonly Spot[], { onePersonKg, personMm }: Lifters): number =>
  spots.reduce((mm, { item, z }) => {
    const kg = countedKg(item)
    const shoulderMm = kg > onePersonKg ? BODY.shoulder * personMm : Infinity
    return Math.min(mm, liftedToMm(kg, onePersonKg) - z - item.tallMm / 2, shoulderMm - z)
  }, Infinity)

/**
 * Whether the last of some levels can be where it comes to: in reach, under what is over it, and with nothing on it that
 * two people do not lift so high.
 * @param topMm height it stands at, from the floor
 * @param underMm height of what is over it
 */
export function grownTo(levels: readonly Level[], topMm: number, underMm: number, settings: Settings): Grown {
  const { spots, tallest } = levels[levels.length - 1]
  if (topMm > liftedOntoMm(spots, settings)) return 'too-heavy'
  return topMm <= reachMm(settings.personMm) && topMm + (tallest?.tallMm ?? 0) <= underMm
}

/**
 * One more level: with what comes next, as it is piled; where that is too high side by side, and without what is highest,
 * or too heavy to be lifted there.
 * @param fits whether there is room for a level over the others
 * @returns null where there is none for any
 */
function filledLevel(
  queue: Goods[],
  openings: Opening[],
  inside: Filling,
  fits: (level: Level) => Grown,
): { level: Level; left: Goods[] } | null {
  const later: Goods[] = []
  for (let now = queue; ;) {
    let by = (g: Goods): number => g.tallMm
    for (const layersOf of [inside.layersOf, () => 1]) {
      const { spots, left } = filled(now, openings, { ...inside, layersOf })
      const level: Level = { floor: false, spots, tallest: tallestOf(spots) }
      const grown = fits(level)
      if (grown === true) return { level, left: [...left, ...later] }
      if (spots.length === 0) return null
      if (grown === 'too-heavy') by = countedKg
    }
    const most = now.reduce((m, g) => Math.max(m, by(g)), 0)
    later.push(...now.filter((g) => by(g) >= most))
    now = now.filter((g) => by(g) < most)
    if (now.length === 0) return null
  }
}

/** How high what stands in a place reaches, with what lies under it, mm. */
export const reachesMm = (s: Spot): number => s.z + s.item.tallMm

/** What reaches highest: of a pile its top, as high as all of it. */
export const tallestOf = (spots: readonly Spot[]): Goods | null =>
  spots.reduce<Goods | null>((t, s) => (!t || reachesMm(s) > t.tallMm ? { ...s.item, tallMm: reachesMm(s) } : t), null)

interface Shelving {
  floor: readonly Level[]
  shelves: number | null
  openingsAt: (shelf: number) => Opening[]
  inside: Filling
  grows: (levels: Level[]) => Grown
  most: number
}

/**
 * Shelves one over the other, from below, until there are enough.
 * @param alike each is of things of one height, those that take most of the wall for theirs: where not all have a place
 */
function shelved(all: Goods[], r: Shelving, alike: boolean): { levels: Level[]; left: Goods[] } {
  const levels = [...r.floor]
  let queue = all
  const shelves = () => levels.length - r.floor.length
  const enough = () => (r.shelves === null ? queue.length === 0 : shelves() >= r.shelves)
  while (!enough() || shelves() === 0) {
    if (shelves() >= r.most) break
    const first = shelves() === 0
    const next = (fits: (level: Level) => Grown) => filledLevel(queue, r.openingsAt(shelves()), r.inside, fits)
    const grown = (level: Level) => r.grows([...levels, level])
    // A first shelf there is, and as many as somebody wants: of what comes next that which can be there, else which can be
    // lifted there; and where nothing can, all the same, of which is told afterwards.
    const fitting =
      r.shelves !== null ? null : alike ? densest(queue, r.openingsAt(shelves()), r.inside, grown) : next(grown)
    const found =
      fitting ??
      (r.shelves !== null || first
        ? (next((l) => (grown(l) === 'too-heavy' ? 'too-heavy' : true)) ?? next(() => true))
        : null)
    // Nothing more goes in: what is left is wider or deeper than any opening, or higher than what is left of the wall.
    if (!found || (r.shelves === null && found.level.spots.length === 0 && !first)) break
    levels.push(found.level)
    queue = found.left
  }
  return { levels, left: queue }
}

/** The floor with what else stands there under the first shelf, no higher than what belongs there. */
function onFloorToo(queue: Goods[], { floor, openingsAt, inside }: Shelving): { floor: Level[]; left: Goods[] } {
  const [down] = floor
  if (!down?.tallest) return { floor: [...floor], left: queue }
  const { tallMm } = down.tallest
  const low = queue.filter((g) => g.tallMm <= tallMm)
  const most = (g: Goods) => Math.min(inside.layersOf(g), Math.floor(tallMm / g.tallMm))
  const { spots, left } = filled([...down.spots.map((s) => s.item), ...low], openingsAt(-1), {
    ...inside,
    layersOf: most,
  })
  return {
    floor: [{ floor: true, spots, tallest: tallestOf(spots) }],
    left: [...left, ...queue.filter((g) => g.tallMm > tallMm)],
  }
}

/** What a shelf takes of the height besides what stands on it, mm: play, frame and sheet. About. */
const SHELF_MM = 130
/** What is heavier than one person lifts counts twice: higher up it may have no place. kg, NIOSH 1991. */
const HEAVY_KG = 23
/** Heights that are tried for one level. */
const HEIGHTS = 6

/** The level that takes most for its height: with what is next, or without what is higher than some of it. */
function densest(
  queue: Goods[],
  openings: Opening[],
  inside: Filling,
  fits: (level: Level) => Grown,
): { level: Level; left: Goods[] } | null {
  const heights = [...new Set(queue.map((g) => g.tallMm))].sort((a, b) => b - a).slice(0, HEIGHTS)
  let best: { level: Level; left: Goods[]; share: number } | null = null
  for (const mm of heights) {
    const higher = queue.filter((g) => g.tallMm > mm)
    const found = filledLevel(
      queue.filter((g) => g.tallMm <= mm),
      openings,
      inside,
      fits,
    )
    if (!found || found.level.spots.length === 0) continue
    const takes = found.level.spots.reduce((n, s) => n + litresOf(s.item) * (countedKg(s.item) > HEAVY_KG ? 2 : 1), 0)
    const share = takes / (found.level.tallest!.tallMm + SHELF_MM)
    if (!best || share > best.share) best = { level: found.level, left: [...higher, ...found.left], share }
  }
  return best
}

/** What runs out is put as low as what weighs so much: over the eyes it is not to be. kg, product decision. */
const RUNS_OUT_KG = 15
/** How heavy a thing is, as far as that is for how low it stands, kg. */
const lowKg = (g: Goods): number => Math.max(countedKg(g), runsOut(g.care) ? RUNS_OUT_KG : 0)

/**
 * Puts goods on floor and shelves: what is heavy or a drum on the floor, the rest on shelves, heaviest and what runs out
 * low, kinds kept together.
 * @param floor who lifts what stands on the floor to it; null where none stands there
 * @param shelves how many shelves there are, or null for as many as are needed
 * @param openings of every level, or of each shelf from below, of the floor at -1
 * @param grows whether these levels still stay in reach and under the ceiling
 * @param mostKg what one opening of a level takes, but one thing at least
 */
export function house(
  goods: ShapeContext['goods'],
  floor: Lifters | null,
  shelves: number | null,
  openings: Opening[] | ((shelf: number) => Opening[]),
  depthMm: number,
  sidePlayMm: number,
  stickOutMm: number,
  grows: (levels: Level[]) => Grown,
  most: number,
  mostKg = Infinity,
): { levels: Level[]; unhoused: Shaped['unhoused'] } {
  const turned = (g: Goods) => sideways(g, depthMm, stickOutMm)
  const each = (list: ShapeContext['goods']) => list.flatMap((g) => Array<Goods>(g.count).fill(turned(g.item)))
  const heavyFirst = [...goods].sort((a, b) => lowKg(b.item) - lowKg(a.item) || b.item.tallMm - a.item.tallMm)
  const isDown = ({ item }: { item: Goods }) => floor !== null && belongsOnFloor(item, floor)
  const down = each(heavyFirst.filter(isDown))
  const queue = each(heavyFirst.filter((g) => !isDown(g)))
  const lowest: Level[] = []
  let over: Goods[] = []
  const openingsAt = typeof openings === 'function' ? openings : () => openings
  if (down.length > 0) {
    const onFloor = fill(down, openingsAt(-1), depthMm, sidePlayMm, stickOutMm)
    lowest.push({ floor: true, spots: onFloor.spots, tallest: tallestOf(onFloor.spots) })
    over = onFloor.left
  }
  const inside = { depthMm, sidePlayMm, stickOutMm, mostKg, layersOf: (g: Goods) => g.pile }
  const r: Shelving = { floor: lowest, shelves, openingsAt, inside, grows, most }
  const usual = shelved(queue, r, false)
  const full = shelves === null && usual.left.length > 0 ? onFloorToo(queue, r) : null
  const alike = full ? shelved(full.left, { ...r, floor: full.floor }, true) : usual
  const { levels, left } = alike.left.length < usual.left.length ? alike : usual
  const tooDeep = (id: string) =>
    goods.some((g) => g.item.id === id && turned(g.item).deepMm > roomFor(g.item, depthMm, stickOutMm))
  const counts = new Map<string, number>()
  for (const g of [...over, ...left]) counts.set(g.id, (counts.get(g.id) ?? 0) + 1)
  return {
    levels,
    unhoused: [...counts].map(([goodsId, count]) => ({
      goodsId,
      count,
      why: tooDeep(goodsId) ? 'too-deep' : 'no-place',
    })),
  }
}
