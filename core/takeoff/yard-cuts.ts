import type { Settings } from '../assembly/settings.ts'
import { findSheet } from '../catalogue/sheets.ts'
import { AXES, between, EVEN_MM, type CutNode, type Rect } from '../cutting/cut-tree.ts'
import { boardWidth, stockOfBoard, wholeBoard, type BoardLoad } from './board-cuts.ts'
import { keyOfCut, type Unnumbered } from './cut-order.ts'
import { rectsOf, sheetTree, wholeSheet, type SheetLoad } from './sheet-cuts.ts'
import type { BoardCut, BoardLaid, SheetLaid } from './sawing.ts'

/** What comes home: where it lay on its board or sheet, and the yard's cut that put it there, if any. */
type Home<L> = L & { after: string | null }

/** What the yard is asked to cut of one board or sheet. */
export interface YardWork<L> {
  on: string
  cuts: Unnumbered[]
  loads: Home<L>[]
  /** Sizes that go into the vehicle. */
  carried: { lengthMm: number; widthMm: number; massKg: number }[]
  /** It does not fit however it is cut by the yard's rules. */
  stuck: boolean
}

type Rules = Pick<Settings, 'carriage' | 'yardCuts' | 'onePersonKg' | 'kerfMm'>

/** One cut: after the i-th part of a node, of a stretch of its parts that is in the hand. */
interface Cut {
  node: CutNode
  i: number
  from: number
  to: number
}
interface Fewest {
  cost: number
  cuts: Cut[]
}
const INFINITE: Fewest = { cost: Infinity, cuts: [] }

/**
 * The fewest straight cuts of a sheet by the yard after which every piece of it goes into the vehicle and can be
 * handled alone. Only cuts of the plan are asked for, so nothing is lost by them; where there is room, the yard leaves
 * as much over as it cuts untrue. Raw edges are trimmed at home.
 */
export function yardSheetCuts(s: SheetLaid, rules: Rules): YardWork<SheetLoad> {
  const sheet = findSheet(s.sheet)
  const kgPerMm2 = sheet ? (sheet.densityKgM3 * sheet.thicknessMm) / 1e9 : 0
  const loadOf = (r: { w: number; h: number }) => ({ lengthMm: r.w, widthMm: r.h, massKg: r.w * r.h * kgPerMm2 })
  const goes = (r: Rect) => fitsVehicle(loadOf(r), rules) && loadOf(r).massKg <= rules.onePersonKg
  const whole = wholeSheet(s)
  const none: YardWork<SheetLoad> = {
    on: s.id,
    cuts: [],
    loads: [{ ...whole, after: null }],
    carried: [loadOf(whole.region)],
    stuck: !fitsVehicle(loadOf(whole.region), rules),
  }
  if (!rules.yardCuts.use || s.handId !== null || goes(whole.region)) return none
  const best = (['either', 'x', 'y'] as const).reduce<Fewest>((least, first) => {
    const tree = sheetTree(s, rules.kerfMm, first)
    const found = tree ? fewest(tree, goes, rules.yardCuts.smallestStripMm) : INFINITE
    return found.cost < least.cost ? found : least
  }, INFINITE)
  if (best.cost === Infinity) return none

  let loads = none.loads
  const cuts = best.cuts.map((c): Unnumbered => {
    const done = cutLoad(s, loads, c, rules)
    loads = done.loads
    return done.cut
  })
  return { on: s.id, cuts, loads, carried: loads.map((l) => loadOf(l.region)), stuck: false }
}

/** Carries one cut out on what is in the hand. */
function cutLoad(
  s: SheetLaid,
  loads: readonly Home<SheetLoad>[],
  { node, i, from, to }: Cut,
  { kerfMm, yardCuts: { toleranceMm } }: Rules,
): { cut: Unnumbered; loads: Home<SheetLoad>[] } {
  const way = node.way!
  const [o, size] = AXES[way]
  const piecesOf = (a: number, z: number) => node.parts.slice(a, z).flatMap((p) => p.pieces)
  const [low, high] = [piecesOf(from, i + 1), piecesOf(i + 1, to)]
  const load = loads.find((l) => [...low, ...high].every((p) => l.pieces.includes(p)) && l.pieces.length > 0)!
  const { region } = load
  const end = region[o] + region[size]
  // Room for an untrue cut: only where nothing but waste is beyond.
  const trim = high.length === 0 && end - node.cuts[i] >= toleranceMm + 2 * kerfMm
  const atMm = node.cuts[i] + (trim ? toleranceMm : 0)
  const rects = rectsOf(s)
  const labels = (pieces: readonly number[]) => pieces.map((p) => s.cuts[p].label)
  const sides = [
    { region: between(region, way, region[o], atMm), pieces: low },
    { region: between(region, way, atMm + kerfMm, end), pieces: high },
  ]
  const ready = ({ region: r, pieces }: SheetLoad) =>
    pieces.length === 1 &&
    (['x', 'y', 'w', 'h'] as const).every((k) => Math.abs(rects[pieces[0]][k] - r[k]) <= 2 * EVEN_MM)
  const inHand = { lengthMm: region[way === 'x' ? 'h' : 'w'], widthMm: region[size] }
  const cut: Omit<Unnumbered, 'key'> = {
    where: 'yard',
    on: s.id,
    stock: s.sheet,
    kind: inHand.lengthMm >= inHand.widthMm ? 'rip' : 'crosscut',
    settingMm: atMm - region[o],
    inHand,
    region,
    way,
    atMm,
    frees: sides.filter(ready).flatMap((x) => labels(x.pieces)),
    holds: ready(sides[0]) ? [] : labels(low),
    leavesMm: end - atMm - kerfMm,
    care: [trim ? 'trim-later' : 'measure-there'],
    after: load.after,
  }
  const key = keyOfCut(cut)
  return {
    cut: { ...cut, key },
    loads: [...loads.filter((l) => l !== load), ...sides.map((x) => ({ ...x, after: key }))],
  }
}

export function fitsVehicle(
  l: { lengthMm: number; widthMm: number },
  { carriage }: Pick<Settings, 'carriage'>,
): boolean {
  const [long, wide] = [Math.max(l.lengthMm, l.widthMm), Math.min(l.lengthMm, l.widthMm)]
  return long <= carriage.longestMm && wide <= carriage.widestMm
}

/** Least cuts after which every region goes; between which parts of a node is tried in every way. */
function fewest(n: CutNode, goes: (r: Rect) => boolean, smallestMm: number): Fewest {
  if (goes(n.region)) return { cost: 0, cuts: [] }
  const { way } = n
  if (way === null) return INFINITE
  const [o, size] = AXES[way]
  const end = n.region[o] + n.region[size]
  const regionOf = (from: number, to: number): Rect =>
    between(
      n.region,
      way,
      from === 0 ? n.region[o] : n.parts[from].region[o],
      to === n.parts.length ? end : n.parts[to - 1].region[o] + n.parts[to - 1].region[size],
    )
  const known = new Map<string, Fewest>()
  const over = (from: number, to: number): Fewest => {
    const seen = known.get(`${from}-${to}`)
    if (seen) return seen
    let best: Fewest = goes(regionOf(from, to)) ? { cost: 0, cuts: [] } : INFINITE
    if (best.cost > 0 && to - from === 1) best = fewest(n.parts[from], goes, smallestMm)
    else if (best.cost > 0)
      for (let m = from + 1; m < to; m++) {
        if (Math.min(regionOf(from, m)[size], regionOf(m, to)[size]) < smallestMm) continue
        const [a, b] = [over(from, m), over(m, to)]
        if (1 + a.cost + b.cost < best.cost)
          best = { cost: 1 + a.cost + b.cost, cuts: [{ node: n, i: m - 1, from, to }, ...a.cuts, ...b.cuts] }
      }
    known.set(`${from}-${to}`, best)
    return best
  }
  return over(0, n.parts.length)
}

/**
 * Boards longer than the vehicle takes are crosscut once by the yard, between two pieces, as near to the middle as goes
 * in. Where the board has enough over it is cut a little long, and the other end is squared at home.
 */
export function yardBoardCuts(
  b: BoardLaid,
  rules: Pick<Settings, 'carriage' | 'yardCuts' | 'kerfMm' | 'squaringTrimMm'>,
): YardWork<BoardLoad> {
  const fits = (mm: number) => mm <= rules.carriage.longestMm
  const carriedAs = (lengthMm: number) => ({ lengthMm, widthMm: 0, massKg: 0 })
  const none: YardWork<BoardLoad> = {
    on: b.id,
    cuts: [],
    loads: [{ ...wholeBoard(b), after: null }],
    carried: [carriedAs(b.lengthMm)],
    stuck: !fits(b.lengthMm),
  }
  if (!rules.yardCuts.use || b.handId !== null || fits(b.lengthMm)) return none
  const spare = rules.yardCuts.toleranceMm + rules.squaringTrimMm
  const trim = b.leftoverMm >= spare + rules.kerfMm
  const longer = trim ? rules.yardCuts.toleranceMm : 0
  const places = b.cuts
    .filter((_, i) => b.cuts[i + 1]?.lean === undefined)
    .map((c) => c.atMm + c.lengthMm + longer)
    .filter((at) => fits(at) && fits(b.lengthMm - at - rules.kerfMm) && at + rules.kerfMm < b.lengthMm)
  if (places.length === 0) return none
  const at = places.reduce((best, p) => (Math.abs(p - b.lengthMm / 2) < Math.abs(best - b.lengthMm / 2) ? p : best))
  const first = b.cuts.filter((c) => c.atMm < at - longer)
  const second = b.cuts.filter((c) => c.atMm >= at - longer).map((c) => ({ ...c, atMm: c.atMm + (trim ? spare : 0) }))
  /** A single piece that is all of what comes off needs nothing more. */
  const ready = (cuts: readonly BoardCut[], from: number, to: number): string[] =>
    cuts.length === 1 && cuts[0].ripMm === null && cuts[0].atMm - from + to - cuts[0].atMm - cuts[0].lengthMm <= EVEN_MM
      ? [...cuts[0].labels]
      : []
  const cut: Omit<Unnumbered, 'key'> = {
    where: 'yard',
    on: b.id,
    stock: stockOfBoard(b),
    kind: 'crosscut',
    settingMm: at,
    inHand: { lengthMm: boardWidth(b), widthMm: b.lengthMm },
    region: { x: 0, y: 0, w: b.lengthMm, h: boardWidth(b) },
    way: 'x',
    atMm: at,
    frees: [...ready(first, 0, at), ...ready(second, at + rules.kerfMm, b.lengthMm)],
    holds: ready(first, 0, at).length > 0 ? [] : first.flatMap((c) => c.labels),
    leavesMm: b.lengthMm - at - rules.kerfMm,
    care: [trim ? 'trim-later' : 'measure-there'],
    after: null,
  }
  const key = keyOfCut(cut)
  const loads = [
    { fromMm: 0, toMm: at, cuts: first, after: key },
    { fromMm: at + rules.kerfMm, toMm: b.lengthMm, cuts: second, after: key },
  ]
  return {
    on: b.id,
    stuck: false,
    loads,
    carried: loads.map((l) => carriedAs(l.toMm - l.fromMm)),
    cuts: [{ ...cut, key }],
  }
}
