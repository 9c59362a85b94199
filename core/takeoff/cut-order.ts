import type { Rect, Way } from '../cutting/cut-tree.ts'
import { sequenced } from './cut-sequence.ts'

/*
 * A cut plan as work: every cut numbered, those at one stop or fence setting in one go, and what is in the hand before
 * and after each. Sheets first (they are in the way), then boards.
 */

/** What to mind at a cut; the words are in `wording/cuts.ts`. */
export type CutCare =
  | 'two-people'
  | 'outfeed'
  | 'push-stick'
  | 'carrier'
  | 'sled'
  | 'short-stock'
  | 'trim-later'
  | 'measure-there'
  | 'hacksaw'

export interface SawCut {
  /** Running number over the whole plan. */
  n: number
  /** Tells it apart while the plan stays the same: what it is made on, where, and what it divides. */
  key: string
  where: 'yard' | 'home'
  /** Board or sheet it is made on, by the plan's id. */
  on: string
  /** Kind of stock it is made on: a section, or a sheet. */
  stock: string
  /** By the shape of what is in the hand: a rip runs along its longer side, a crosscut across it. */
  kind: 'square' | 'rip' | 'crosscut' | 'trim'
  /** Stop or fence setting: size of what comes off, mm; in squaring and trimming what is taken off, kerf included. */
  settingMm: number
  /** Size of what is in the hand before, along the cut and across it. */
  inHand: { lengthMm: number; widthMm: number }
  /** What is in the hand, where it lay on the board or sheet; and where the blade goes through: its nearer side. */
  region: Rect
  way: Way
  atMm: number
  /** Labels of pieces that are finished by this cut, and of those that what comes off still holds. */
  frees: string[]
  holds: string[]
  /** What stays in the hand of the rest: its size across the cut, mm; nought when nothing is left. */
  leavesMm: number
  /** The blade stands this far from square: what it parts is as wide over both long points as it is set. */
  tiltRad?: number
  /** What a slanting crosscut goes through: its width on a saw that is turned, its thickness with the blade leaning. */
  through?: 'width' | 'thickness'
  care: CutCare[]
  /** Key of the cut that must be made before; null where the board or sheet is cut as it comes. */
  after: string | null
}
/** Cuts at one setting, one after the other. */
export interface CutBatch {
  id: string
  where: SawCut['where']
  /** Kinds of stock that are cut at it. */
  stocks: string[]
  kind: SawCut['kind']
  settingMm: number
  tiltRad?: number
  through?: SawCut['through']
  cuts: SawCut[]
}

/** A cut before it has its number. */
export type Unnumbered = Omit<SawCut, 'n'>

/** Names a cut by where it is made and the region it divides: two cuts in one line of a sheet are told apart by it. */
export function keyOfCut(c: Pick<SawCut, 'where' | 'on' | 'way' | 'atMm' | 'region'>): string {
  const { x, y, w, h } = c.region
  return [c.on, c.where, `${c.way}${c.atMm.toFixed(2)}`, ...[x, y, w, h].map((v) => v.toFixed(2))].join('|')
}

/** Numbers and batches: as few settings as can be found, and never a cut before what it divides is there. */
export function batched(cuts: readonly Unnumbered[], from = 1): CutBatch[] {
  let n = from
  return sequenced(cuts).map((run) => {
    const [{ where, kind, settingMm, tiltRad, through }] = run
    return {
      id: `${n}`,
      where,
      stocks: [...new Set(run.map((c) => c.stock))],
      kind,
      settingMm,
      ...(tiltRad === undefined ? {} : { tiltRad }),
      ...(through === undefined ? {} : { through }),
      cuts: run.map((c) => ({ ...c, n: n++ })),
    }
  })
}

/** How often a stop or fence is set: each keeps its own setting while the other is used. */
export function settingsMade(batches: readonly CutBatch[]): number {
  const now = new Map<string, number>()
  let n = 0
  for (const b of batches) {
    if (Math.abs((now.get(b.kind) ?? -1) - b.settingMm) > SAME_MM) n++
    now.set(b.kind, b.settingMm)
  }
  return n
}
/** Settings nearer than this are one, mm: nobody sets a fence finer. */
const SAME_MM = 0.05

/**
 * Keys of the cuts that are made: those ticked themselves, those whose pieces are all cut, and all that had to be made
 * before them.
 */
export function madeCuts(batches: readonly CutBatch[], done: ReadonlySet<string>): Set<string> {
  const cuts = batches.flatMap((b) => b.cuts)
  const byKey = new Map(cuts.map((c) => [c.key, c]))
  const made = new Set<string>()
  for (const c of cuts) {
    if (!(c.frees.length > 0 ? c.frees.every((l) => done.has(l)) : done.has(c.key))) continue
    for (let k: string | null = c.key; k !== null && !made.has(k); k = byKey.get(k)?.after ?? null) made.add(k)
  }
  return made
}
