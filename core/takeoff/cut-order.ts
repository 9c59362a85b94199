import type { Settings } from '../assembly/settings.ts'
import { findRod } from '../catalogue/steel.ts'
import { findSection } from '../catalogue/lumber.ts'
import { findSheet } from '../catalogue/sheets.ts'
import { cutTree, type CutNode, type Rect, type Way } from '../cutting/cut-tree.ts'
import type { BoardLaid, SheetLaid } from './sawing.ts'

/*
 * A cut plan as work: every cut numbered, those at one stop or fence setting in one go, and what is in the hand after
 * each. Sheets first (they are in the way), broken down by their longest cuts; then boards, longest pieces first, so
 * that what is left stays long.
 */

/** What to mind at a cut; the words are in `wording/cuts.ts`. */
export type CutCare =
  'two-people' | 'outfeed' | 'push-stick' | 'short-stock' | 'trim-later' | 'measure-there' | 'hacksaw'

export interface SawCut {
  /** Running number over the whole plan. */
  n: number
  /** Tells it apart while the plan stays the same; ticks of cuts that free no piece are kept by it. */
  key: string
  where: 'yard' | 'home'
  /** Board or sheet it is made on, by the plan's id. */
  on: string
  kind: 'square' | 'rip' | 'crosscut' | 'trim'
  /** Stop or fence setting: size of what comes off, mm. */
  settingMm: number
  /** Size of what is in the hand before, along the cut and across it. */
  inHand: { lengthMm: number; widthMm: number }
  /** Labels of pieces that are finished by this cut, and of those that what comes off still holds. */
  frees: string[]
  holds: string[]
  /** What stays in the hand of the rest: its size across the cut, mm; nought when nothing is left. */
  leavesMm: number
  care: CutCare[]
}
/** Cuts at one setting, one after the other. */
export interface CutBatch {
  id: string
  where: SawCut['where']
  stock: string
  kind: SawCut['kind']
  settingMm: number
  cuts: SawCut[]
}

/**
 * Rips longer than this want support behind the blade; narrower than that a push stick. Usual shop rules, product
 * decision, mm.
 */
const OUTFEED_MM = 1200
const PUSH_STICK_MM = 150
/** A hand stays this far from the blade: nothing is crosscut from stock whose rest is shorter. Product decision, mm. */
const SHORT_STOCK_MM = 200
/** A piece larger than this both ways wants a second person even when it is light, mm. */
const WIDE_MM = 900
const LONG_MM = 1800

/** A cut before it has its number. */
export type Unnumbered = Omit<SawCut, 'n' | 'key'> & { stock: string; stage: number }

/** A rod: never under a saw for wood. */
const ofSteel = (b: BoardLaid) => findRod(b.section) !== undefined
const boardWidth = (b: BoardLaid) => findSection(b.section)?.widthMm ?? 0
const same = (a: number, b: number) => Math.abs(a - b) < 0.05

/** Tree of the cuts of a sheet; `first` says which way it is broken down where both ways go. */
export function sheetTree(
  s: SheetLaid,
  kerfMm: number,
  trimMm: number,
  first: Way | 'either' = 'either',
): CutNode | null {
  const rects = s.cuts.map((c): Rect => ({ x: c.xMm, y: c.yMm, w: c.wMm, h: c.hMm }))
  return cutTree(rects, { x: trimMm, y: trimMm, w: s.lengthMm - 2 * trimMm, h: s.widthMm - 2 * trimMm }, kerfMm, first)
}

/**
 * The same pieces on the same sheet, the widest strips first in every region: then they come off in the order they are
 * numbered.
 */
export function tidied(s: SheetLaid, kerfMm: number, trimMm: number): SheetLaid {
  const tree = sheetTree(s, kerfMm, trimMm)
  if (!tree) return s
  const cuts = s.cuts.map((c) => ({ ...c }))
  const lay = (n: CutNode, x: number, y: number) => {
    if (n.way === null) {
      for (const i of n.pieces) Object.assign(cuts[i], { xMm: x, yMm: y })
      return
    }
    const size = n.way === 'x' ? 'w' : 'h'
    let at = n.way === 'x' ? x : y
    for (const p of [...n.parts].sort((a, b) => b.region[size] - a.region[size])) {
      lay(p, n.way === 'x' ? at : x, n.way === 'x' ? y : at)
      at += p.region[size] + kerfMm
    }
  }
  lay(tree, trimMm, trimMm)
  return { ...s, cuts }
}

/** All cuts of one sheet from its tree, stage by stage. */
export function sheetCuts(
  s: SheetLaid,
  tree: CutNode,
  settings: Pick<Settings, 'kerfMm' | 'sheetTrimMm' | 'onePersonKg'>,
  skip: ReadonlySet<string> = new Set(),
): Unnumbered[] {
  const sheet = findSheet(s.sheet)
  const kgPerMm2 = sheet ? (sheet.densityKgM3 * sheet.thicknessMm) / 1e9 : 0
  const out: Unnumbered[] = []
  const base = { where: 'home' as const, on: s.id, stock: s.sheet }
  const careOf = (r: { lengthMm: number; widthMm: number }, rip: boolean, settingMm: number): CutCare[] => {
    const care: CutCare[] = []
    if (
      r.lengthMm * r.widthMm * kgPerMm2 > settings.onePersonKg ||
      (Math.max(r.lengthMm, r.widthMm) > LONG_MM && Math.min(r.lengthMm, r.widthMm) > WIDE_MM)
    )
      care.push('two-people')
    if (rip && r.lengthMm > OUTFEED_MM) care.push('outfeed')
    if (rip && settingMm < PUSH_STICK_MM) care.push('push-stick')
    if (Math.max(r.lengthMm, r.widthMm) < SHORT_STOCK_MM) care.push('short-stock')
    return care
  }
  if (settings.sheetTrimMm > 0) {
    const inHand = { lengthMm: s.lengthMm, widthMm: s.widthMm }
    out.push({
      ...base,
      stage: 0,
      kind: 'trim',
      settingMm: settings.sheetTrimMm,
      inHand,
      frees: [],
      holds: s.cuts.map((c) => c.label),
      leavesMm: s.widthMm - settings.sheetTrimMm,
      care: careOf(inHand, true, Infinity),
    })
  }
  const go = (n: CutNode, stage: number) => {
    if (n.way) {
      const rip = n.way === 'y'
      const [o, size] = rip ? (['y', 'h'] as const) : (['x', 'w'] as const)
      const end = n.region[o] + n.region[size]
      n.parts.forEach((p, i) => {
        const last = i === n.parts.length - 1
        if ((last && !n.rest) || skip.has(cutKeyOf(n, i))) return
        const setting = p.region[size]
        const left = { lengthMm: rip ? n.region.w : n.region.h, widthMm: end - p.region[o] }
        const free = p.way === null
        const alone = last ? null : n.parts[i + 1]
        // The cut that parts the last two frees both, when what is left is a finished piece as well.
        const other =
          alone && i === n.parts.length - 2 && !n.rest && alone.way === null
            ? alone.pieces.map((k) => s.cuts[k].label)
            : []
        out.push({
          ...base,
          stage,
          kind: rip ? 'rip' : 'crosscut',
          settingMm: setting,
          inHand: left,
          frees: [...(free ? p.pieces.map((k) => s.cuts[k].label) : []), ...other],
          holds: free ? [] : p.pieces.map((k) => s.cuts[k].label),
          leavesMm: Math.max(0, end - p.region[o] - setting - settings.kerfMm),
          care: careOf(left, rip, setting),
        })
      })
    }
    for (const p of n.parts) go(p, stage + 1)
  }
  go(tree, 1)
  return out
}

/** Names the cut after the i-th part of a node by where it is. */
export const cutKeyOf = (n: CutNode, i: number): string =>
  `${n.way}:${n.region.x.toFixed(2)}:${n.region.y.toFixed(2)}:${i}`

/** Names a crosscut of a board by where it is. */
export const cutAt = (mm: number): string => `at:${mm.toFixed(2)}`

/**
 * Cuts of boards: squared first, then stop by stop, the longest first where every board still allows it; rips at the
 * end, narrow ones together.
 */
export function boardCuts(
  boards: readonly BoardLaid[],
  settings: Pick<Settings, 'kerfMm' | 'squaringTrimMm'>,
  made: ReadonlyMap<string, ReadonlySet<string>> = new Map(),
): Unnumbered[] {
  const out: Unnumbered[] = []
  const stockOf = (b: BoardLaid) => `${b.section}${b.treated ? ':treated' : ''}`
  const base = (b: BoardLaid) => ({ where: 'home' as const, on: b.id, stock: stockOf(b) })
  let stage = 0
  if (settings.squaringTrimMm > 0)
    for (const b of boards)
      out.push({
        ...base(b),
        stage,
        kind: 'square',
        settingMm: settings.squaringTrimMm,
        inHand: { lengthMm: boardWidth(b), widthMm: b.lengthMm },
        frees: [],
        holds: [],
        leavesMm: b.lengthMm - settings.squaringTrimMm,
        care: ofSteel(b) ? ['hacksaw'] : [],
      })
  const next = boards.map(() => 0)
  for (;;) {
    const open = boards.flatMap((b, i) => (next[i] < b.cuts.length ? [b.cuts[next[i]].lengthMm] : []))
    if (open.length === 0) break
    const stop = Math.max(...open)
    stage++
    boards.forEach((b, i) => {
      while (next[i] < b.cuts.length && same(b.cuts[next[i]].lengthMm, stop)) {
        const c = b.cuts[next[i]++]
        const rest = b.lengthMm - c.atMm - c.lengthMm
        // A last piece that uses up the board needs no cut.
        if (rest <= settings.kerfMm * 0.5) {
          const before = out.filter((x) => x.on === b.id).pop()
          if (c.ripMm === null) before?.frees.push(...c.labels)
          continue
        }
        if (made.get(b.id)?.has(cutAt(c.atMm + c.lengthMm))) continue
        const leavesMm = Math.max(0, rest - settings.kerfMm)
        out.push({
          ...base(b),
          stage,
          kind: 'crosscut',
          settingMm: c.lengthMm,
          inHand: { lengthMm: boardWidth(b), widthMm: b.lengthMm - c.atMm },
          frees: c.ripMm === null ? [...c.labels] : [],
          holds: c.ripMm === null ? [] : [...c.labels],
          leavesMm,
          care: ofSteel(b)
            ? ['hacksaw']
            : c.lengthMm < SHORT_STOCK_MM && leavesMm < SHORT_STOCK_MM
              ? ['short-stock']
              : [],
        })
      }
    })
  }
  const rips = boards.flatMap((b) => b.cuts.filter((c) => c.ripMm !== null).map((c) => ({ b, c })))
  for (const w of [...new Set(rips.map((r) => r.c.ripMm!))].sort((a, b) => b - a)) {
    stage++
    for (const { b, c } of rips.filter((r) => r.c.ripMm === w))
      c.labels.forEach((l, k) =>
        out.push({
          ...base(b),
          stage,
          kind: 'rip',
          settingMm: w,
          inHand: { lengthMm: c.lengthMm, widthMm: boardWidth(b) - k * (w + settings.kerfMm) },
          frees: [l],
          holds: c.labels.slice(k + 1),
          leavesMm: Math.max(0, boardWidth(b) - (k + 1) * (w + settings.kerfMm)),
          care: [
            ...(c.lengthMm > OUTFEED_MM ? (['outfeed'] as const) : []),
            ...(w < PUSH_STICK_MM ? (['push-stick'] as const) : []),
          ],
        }),
      )
  }
  return out
}

/**
 * Numbers and batches: cuts of one stage at one setting on one kind of stock are made in one go. A stage is never begun
 * before what it is cut from is there.
 */
export function batched(cuts: readonly Unnumbered[], from = 1): CutBatch[] {
  const out: CutBatch[] = []
  let n = from
  const seen = new Map<string, number>()
  const keyed = (c: Unnumbered): string => {
    const base = `${c.on}|${c.where}|${c.kind}|${c.settingMm.toFixed(1)}`
    const k = seen.get(base) ?? 0
    seen.set(base, k + 1)
    return `${base}|${k}`
  }
  const stages = [...new Set(cuts.map((c) => c.stage))].sort((a, b) => a - b)
  for (const stage of stages) {
    const here = cuts.filter((c) => c.stage === stage)
    const groups: Unnumbered[][] = []
    for (const c of here) {
      const g = groups.find(
        (x) =>
          x[0].stock === c.stock && x[0].kind === c.kind && x[0].where === c.where && same(x[0].settingMm, c.settingMm),
      )
      if (g) g.push(c)
      else groups.push([c])
    }
    // The widest setting first: pieces are laid out so that on each sheet the widest comes off first as well.
    for (const g of groups.sort((a, b) => b[0].settingMm - a[0].settingMm)) {
      const [{ stock, where, kind, settingMm }] = g
      out.push({
        id: `${n}`,
        where,
        stock,
        kind,
        settingMm,
        cuts: g.map((c) => {
          const { stock: _s, stage: _g, ...cut } = c
          return { ...cut, key: keyed(c), n: n++ }
        }),
      })
    }
  }
  return out
}

/** A cut is made when the pieces it frees are, or when it was ticked itself. */
export const isMade = (c: Pick<SawCut, 'key' | 'frees'>, done: ReadonlySet<string>): boolean =>
  c.frees.length > 0 ? c.frees.every((l) => done.has(l)) : done.has(c.key)
