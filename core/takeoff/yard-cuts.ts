import type { Settings } from '../assembly/settings.ts'
import { findSheet } from '../catalogue/sheets.ts'
import type { CutNode } from '../cutting/cut-tree.ts'
import { cutAt, cutKeyOf, sheetTree, type Unnumbered } from './cut-order.ts'
import type { BoardLaid, SheetLaid } from './sawing.ts'

/** What the yard is asked to cut of one board or sheet. */
export interface YardWork {
  on: string
  cuts: Unnumbered[]
  /** Cuts of the plan the yard has made, by `cutKeyOf`. */
  made: Set<string>
  /** Sizes that go into the vehicle. */
  carried: { lengthMm: number; widthMm: number; massKg: number }[]
  /** How a sheet is broken down from then on; null for boards. */
  tree: CutNode | null
  /** It does not fit however it is cut by the yard's rules. */
  stuck: boolean
}

type Rules = Pick<Settings, 'carriage' | 'yardCuts' | 'onePersonKg' | 'kerfMm' | 'sheetTrimMm'>

/**
 * One cut: after the i-th part of a node, of a stretch of its parts that is in the hand. What is beyond the last part
 * counts as a part more.
 */
interface Cut {
  node: CutNode
  i: number
  from: number
  to: number
  region: CutNode['region']
}
interface Fewest {
  cost: number
  cuts: Cut[]
  loads: CutNode['region'][]
}
const INFINITE: Fewest = { cost: Infinity, cuts: [], loads: [] }

/**
 * The fewest straight cuts of a sheet by the yard after which every piece of it goes into the vehicle and can be
 * handled alone. Only cuts of the plan are asked for, so nothing is lost by them; where there is room, the yard leaves
 * as much over as it cuts untrue.
 */
export function yardSheetCuts(s: SheetLaid, rules: Rules): YardWork {
  const tree = sheetTree(s, rules.kerfMm, rules.sheetTrimMm)
  const trees = (['either', 'x', 'y'] as const)
    .map((first) => sheetTree(s, rules.kerfMm, rules.sheetTrimMm, first))
    .filter((t): t is CutNode => t !== null)
  const sheet = findSheet(s.sheet)
  const kgPerMm2 = sheet ? (sheet.densityKgM3 * sheet.thicknessMm) / 1e9 : 0
  const loadOf = (r: { w: number; h: number }) => ({ lengthMm: r.w, widthMm: r.h, massKg: r.w * r.h * kgPerMm2 })
  const whole = { lengthMm: s.lengthMm, widthMm: s.widthMm, massKg: s.lengthMm * s.widthMm * kgPerMm2 }
  const goes = (l: { lengthMm: number; widthMm: number; massKg: number }) =>
    fitsVehicle(l, rules) && l.massKg <= rules.onePersonKg
  const none: YardWork = {
    on: s.id,
    cuts: [],
    made: new Set(),
    carried: [whole],
    tree,
    stuck: !fitsVehicle(whole, rules),
  }
  if (!rules.yardCuts.use || goes(whole) || trees.length === 0) return none

  const options = trees.map((t) => ({ tree: t, ...fewest(t, (r) => goes(loadOf(r)), rules.yardCuts.smallestStripMm) }))
  const best = options.reduce((a, b) => (b.cost < a.cost ? b : a))
  if (best.cost === Infinity) return none
  const made = new Set<string>()
  const cuts = best.cuts.map(({ node, i, from, to, region }, k): Unnumbered => {
    const rip = node.way === 'y'
    const [o, size] = rip ? (['y', 'h'] as const) : (['x', 'w'] as const)
    const p = node.parts[i]
    // From the edge that is fresh when this cut is made: what earlier cuts took off is gone.
    const setting = p.region[o] + p.region[size] - region[o]
    // Room for an untrue cut: only beyond the last piece, where something is left.
    const spare = node.rest ? node.rest[size] : 0
    const trim = i === node.parts.length - 1 && spare >= rules.yardCuts.toleranceMm + rules.kerfMm
    // What is left long is cut to its line at home.
    if (!trim) made.add(cutKeyOf(node, i))
    const labels = (first: number, beyond: number) =>
      node.parts.slice(first, beyond).flatMap((x) => x.pieces.map((n) => s.cuts[n].label))
    const ready = (first: number, beyond: number) =>
      !trim && beyond - first === 1 && node.parts[first]?.way === null ? labels(first, beyond) : []
    const [off, rest] = [ready(from, i + 1), ready(i + 1, to)]
    return {
      where: 'yard',
      on: s.id,
      stock: s.sheet,
      stage: -1 + k * 1e-3,
      kind: rip ? 'rip' : 'crosscut',
      settingMm: setting + (trim ? rules.yardCuts.toleranceMm : 0),
      inHand: { lengthMm: rip ? region.w : region.h, widthMm: region[size] },
      frees: [...off, ...rest],
      holds: off.length > 0 ? [] : labels(from, i + 1),
      leavesMm: Math.max(0, region[size] - setting - rules.kerfMm),
      care: [trim ? 'trim-later' : 'measure-there'],
    }
  })
  return { on: s.id, cuts, made, carried: best.loads.map(loadOf), tree: best.tree, stuck: false }
}

export function fitsVehicle(
  l: { lengthMm: number; widthMm: number },
  { carriage }: Pick<Settings, 'carriage'>,
): boolean {
  const [long, wide] = [Math.max(l.lengthMm, l.widthMm), Math.min(l.lengthMm, l.widthMm)]
  return long <= carriage.longestMm && wide <= carriage.widestMm
}

/** Least cuts after which every region goes; between which parts of a node is tried in every way. */
function fewest(n: CutNode, goes: (r: CutNode['region']) => boolean, smallestMm: number): Fewest {
  if (goes(n.region)) return { cost: 0, cuts: [], loads: [n.region] }
  const { way } = n
  if (way === null) return INFINITE
  const [o, size] = way === 'y' ? (['y', 'h'] as const) : (['x', 'w'] as const)
  // Parts and what is left beyond them, as pieces of the region one after the other.
  const count = n.parts.length + (n.rest ? 1 : 0)
  const regionOf = (from: number, to: number): CutNode['region'] => {
    const start = from === 0 ? n.region[o] : from < n.parts.length ? n.parts[from].region[o] : n.rest![o]
    const end = to === count ? n.region[o] + n.region[size] : n.parts[to - 1].region[o] + n.parts[to - 1].region[size]
    return { ...n.region, [o]: start, [size]: end - start }
  }
  const known = new Map<number, Fewest>()
  const over = (from: number, to: number): Fewest => {
    const key = from * (count + 1) + to
    const seen = known.get(key)
    if (seen) return seen
    const region = regionOf(from, to)
    let best: Fewest = goes(region) ? { cost: 0, cuts: [], loads: [region] } : INFINITE
    if (best.cost > 0 && to - from === 1)
      best = from < n.parts.length ? fewest(n.parts[from], goes, smallestMm) : INFINITE
    else if (best.cost > 0)
      for (let m = from + 1; m < to; m++) {
        if (Math.min(regionOf(from, m)[size], regionOf(m, to)[size]) < smallestMm) continue
        const [a, b] = [over(from, m), over(m, to)]
        if (1 + a.cost + b.cost < best.cost)
          best = {
            cost: 1 + a.cost + b.cost,
            cuts: [{ node: n, i: m - 1, from, to, region }, ...a.cuts, ...b.cuts],
            loads: [...a.loads, ...b.loads],
          }
      }
    known.set(key, best)
    return best
  }
  return over(0, count)
}

/**
 * Boards longer than the vehicle takes are crosscut once by the yard, between two pieces, as near to the middle as goes
 * in.
 */
export function yardBoardCuts(b: BoardLaid, rules: Rules): YardWork {
  const fits = (mm: number) => mm <= rules.carriage.longestMm
  const none: YardWork = {
    on: b.id,
    cuts: [],
    made: new Set(),
    carried: [{ lengthMm: b.lengthMm, widthMm: 0, massKg: 0 }],
    tree: null,
    stuck: !fits(b.lengthMm),
  }
  if (!rules.yardCuts.use || b.handId !== null || fits(b.lengthMm)) return none
  const places = b.cuts.map((c) => c.atMm + c.lengthMm).filter((at) => fits(at) && fits(b.lengthMm - at - rules.kerfMm))
  if (places.length === 0) return none
  const at = places.reduce((best, p) => (Math.abs(p - b.lengthMm / 2) < Math.abs(best - b.lengthMm / 2) ? p : best))
  // Cut a little long where the board has that much over.
  const trim = b.leftoverMm >= rules.yardCuts.toleranceMm + rules.kerfMm
  return {
    on: b.id,
    made: new Set(trim ? [] : [cutAt(at)]),
    tree: null,
    stuck: false,
    carried: [at, b.lengthMm - at - rules.kerfMm].map((lengthMm) => ({ lengthMm, widthMm: 0, massKg: 0 })),
    cuts: [
      {
        where: 'yard',
        on: b.id,
        stock: `${b.section}${b.treated ? ':treated' : ''}`,
        stage: -0.5,
        kind: 'crosscut',
        settingMm: at + (trim ? rules.yardCuts.toleranceMm : 0),
        inHand: { lengthMm: 0, widthMm: b.lengthMm },
        frees: [],
        holds: b.cuts.filter((c) => c.atMm < at).flatMap((c) => c.labels),
        leavesMm: b.lengthMm - at - rules.kerfMm,
        care: [trim ? 'trim-later' : 'measure-there'],
      },
    ],
  }
}
