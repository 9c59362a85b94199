import type { Settings } from '../assembly/settings.ts'
import { findSheet } from '../catalogue/sheets.ts'
import { AXES, between, cutTree, EVEN_MM, restsOf, type CutNode, type Rect, type Way } from '../cutting/cut-tree.ts'
import { keyOfCut, type CutCare, type SawCut, type Unnumbered } from './cut-order.ts'
import { keepingHold } from './holding.ts'
import type { SheetLaid } from './sawing.ts'

/** Rips longer than this want support behind the blade. Usual shop rule, product decision, mm. */
export const OUTFEED_MM = 1200
/** A hand stays this far from the blade: narrower rips want a push stick. Usual shop rule, product decision, mm. */
export const PUSH_STICK_MM = 150
/**
 * An edge shorter than this is not led along a fence: it turns, and is thrown back. Usual shop rule, product decision,
 * mm.
 */
export const FENCE_EDGE_MM = 300
/** What is smaller than this both ways cannot be held at a saw. Product decision, mm. */
export const SHORT_STOCK_MM = 200
/** A piece larger than this both ways wants a second person even when it is light, mm. */
const WIDE_MM = 900
const LONG_MM = 1800
/** Strips narrower than this are cut while there is enough beside them to hold. Product decision, mm. */
const NARROW_MM = 80
const HOLD_STRIP_MM = 150

/** What is in the hand of a sheet. */
export interface SheetLoad {
  /** Where it lay on the sheet. */
  region: Rect
  /** Indices of the pieces in it. */
  pieces: number[]
}
type SheetRules = Pick<Settings, 'kerfMm' | 'sheetTrimMm' | 'onePersonKg'>

export const rectsOf = (s: Pick<SheetLaid, 'cuts'>): Rect[] =>
  s.cuts.map((c) => ({ x: c.xMm, y: c.yMm, w: c.wMm, h: c.hMm }))
export const wholeSheet = (s: SheetLaid): SheetLoad => ({
  region: { x: 0, y: 0, w: s.lengthMm, h: s.widthMm },
  pieces: s.cuts.map((_, i) => i),
})

/** Tree of the cuts of a sheet as it is bought; `first` says which way it is broken down where both ways go. */
export const sheetTree = (s: SheetLaid, kerfMm: number, first: Way | 'either' = 'either'): CutNode | null =>
  cutTree(rectsOf(s), wholeSheet(s).region, kerfMm, first)

/** Tree of what is in the hand of a sheet: raw edges are taken off first, once for all of it, then it is parted. */
function loadTree(s: SheetLaid, load: SheetLoad, { kerfMm, sheetTrimMm }: SheetRules): CutNode | null {
  const rects = rectsOf(s)
  const edges: { way: Way; far: boolean }[] = []
  if (sheetTrimMm > 0) for (const far of [false, true]) for (const way of ['y', 'x'] as const) edges.push({ way, far })
  const trimmed = (region: Rect, k: number): CutNode | null => {
    if (k === edges.length) return cutTree(rects, region, kerfMm, 'either', load.pieces)
    const { way, far } = edges[k]
    const [o, size] = AXES[way]
    const [lo, hi] = [region[o], region[o] + region[size]]
    const reach = far
      ? hi - Math.max(...load.pieces.map((i) => rects[i][o] + rects[i][size]))
      : Math.min(...load.pieces.map((i) => rects[i][o])) - lo
    const isRaw = far ? hi >= (way === 'x' ? s.lengthMm : s.widthMm) - EVEN_MM : lo <= EVEN_MM
    if (!isRaw || reach <= EVEN_MM || reach > sheetTrimMm + EVEN_MM) return trimmed(region, k + 1)
    const cut = far ? hi - reach : lo + reach - kerfMm
    const inner = trimmed(far ? between(region, way, lo, cut) : between(region, way, lo + reach, hi), k + 1)
    if (!inner) return null
    const off = far ? between(region, way, Math.min(hi, cut + kerfMm), hi) : between(region, way, lo, Math.max(lo, cut))
    const waste: CutNode = { region: off, pieces: [], way: null, cuts: [], parts: [] }
    return {
      region,
      pieces: [...load.pieces],
      way,
      cuts: [cut],
      parts: far ? [inner, waste] : [waste, inner],
      trims: true,
    }
  }
  return load.pieces.length === 0 ? null : trimmed(load.region, 0)
}

/** What is left over of a sheet when its pieces are cut. */
export function sheetRests(s: SheetLaid, rules: SheetRules): Rect[] {
  const tree = loadTree(s, wholeSheet(s), rules)
  return tree ? restsOf(tree) : []
}

/**
 * The same pieces on the same sheet, the widest strips first in every region: then they come off in the order they are
 * numbered.
 */
export function tidied(s: SheetLaid, kerfMm: number, trimMm: number): SheetLaid {
  const usable = { x: trimMm, y: trimMm, w: s.lengthMm - 2 * trimMm, h: s.widthMm - 2 * trimMm }
  const tree = cutTree(rectsOf(s), usable, kerfMm, 'either')
  if (!tree) return s
  const cuts = s.cuts.map((c) => ({ ...c }))
  const lay = (n: CutNode, x: number, y: number) => {
    if (n.way === null) {
      for (const i of n.pieces) Object.assign(cuts[i], { xMm: x, yMm: y })
      return
    }
    const size = AXES[n.way][1]
    let at = n.way === 'x' ? x : y
    const full = n.parts.filter((p) => p.pieces.length > 0)
    const hold = { roomMm: n.region[size], kerfMm, smallMm: NARROW_MM, holdMm: HOLD_STRIP_MM }
    for (const p of keepingHold(full, (q) => q.region[size], hold)) {
      lay(p, n.way === 'x' ? at : x, n.way === 'x' ? y : at)
      at += p.region[size] + kerfMm
    }
  }
  lay(tree, trimMm, trimMm)
  return { ...s, cuts }
}

const isPiece = (n: CutNode) => n.way === null && n.pieces.length === 1

/** All cuts of what is in the hand of one sheet. @param after key of the cut that put it there */
export function sheetCuts(s: SheetLaid, load: SheetLoad, rules: SheetRules, after: string | null = null): Unnumbered[] {
  const tree = loadTree(s, load, rules)
  const out: Unnumbered[] = []
  const labels = (pieces: readonly number[]) => pieces.map((i) => s.cuts[i].label)
  const go = (n: CutNode, before: string | null) => {
    const { way } = n
    if (way === null) return
    const [o, size] = AXES[way]
    const end = n.region[o] + n.region[size]
    const kind = kindOf(n)
    n.cuts.forEach((atMm, i) => {
      const [low, high] = [n.parts[i], n.parts[i + 1]]
      const lo = i === 0 ? n.region[o] : n.cuts[i - 1] + rules.kerfMm
      const region = between(n.region, way, lo, end)
      const inHand = { lengthMm: n.region[way === 'x' ? 'h' : 'w'], widthMm: end - lo }
      const near = low.pieces.length === 0 && atMm - lo <= EVEN_MM
      const settingMm = n.trims || near ? (low.pieces.length > 0 ? end - atMm : atMm + rules.kerfMm - lo) : atMm - lo
      const beyond = i === n.cuts.length - 1 && isPiece(high) ? labels(high.pieces) : []
      const cut: Omit<Unnumbered, 'key'> = {
        where: 'home',
        on: s.id,
        stock: s.sheet,
        kind: n.trims || near ? 'trim' : kind,
        settingMm,
        inHand,
        region,
        way,
        atMm,
        frees: [...(isPiece(low) ? labels(low.pieces) : []), ...beyond],
        holds: isPiece(low) ? [] : labels(low.pieces),
        leavesMm: Math.max(0, n.trims && low.pieces.length > 0 ? atMm - lo : end - atMm - rules.kerfMm),
        care: careOf(s, inHand, kind, n.trims || near ? Infinity : settingMm, rules),
        after: before,
      }
      const key = keyOfCut(cut)
      out.push({ ...cut, key })
      go(low, key)
      before = key
      if (i === n.cuts.length - 1) go(high, key)
    })
  }
  if (tree) go(tree, after)
  return out
}

/** A rip runs along the longer side of what is in the hand, a crosscut across it. */
function kindOf({ region, way }: CutNode): 'rip' | 'crosscut' {
  const [along, across] = way === 'x' ? [region.h, region.w] : [region.w, region.h]
  return along >= across ? 'rip' : 'crosscut'
}

function careOf(
  s: SheetLaid,
  { lengthMm: along, widthMm: across }: SawCut['inHand'],
  kind: SawCut['kind'],
  settingMm: number,
  rules: SheetRules,
): CutCare[] {
  const sheet = findSheet(s.sheet)
  const kg = sheet ? (along * across * sheet.densityKgM3 * sheet.thicknessMm) / 1e9 : 0
  const [long, wide] = [Math.max(along, across), Math.min(along, across)]
  const care: CutCare[] = []
  if (kg > rules.onePersonKg || (long > LONG_MM && wide > WIDE_MM)) care.push('two-people')
  if (kind === 'rip' && along > OUTFEED_MM) care.push('outfeed')
  if (kind === 'rip' && along < FENCE_EDGE_MM) care.push('carrier')
  else if (kind === 'rip' && settingMm < PUSH_STICK_MM) care.push('push-stick')
  if (kind === 'crosscut' && along < FENCE_EDGE_MM) care.push('sled')
  if (long < SHORT_STOCK_MM) care.push('short-stock')
  return care
}
