import type { Settings } from '../assembly/settings.ts'
import { findBar } from '../catalogue/steel.ts'
import { findSection } from '../catalogue/lumber.ts'
import { EVEN_MM, type Rect } from '../cutting/cut-tree.ts'
import { slantedPairMm } from './instances.ts'
import { keyOfCut, type CutCare, type SawCut, type Unnumbered } from './cut-order.ts'
import { FENCE_EDGE_MM, OUTFEED_MM, PUSH_STICK_MM, SHORT_STOCK_MM } from './sheet-cuts.ts'
import type { BoardCut, BoardLaid } from './sawing.ts'

/** What is in the hand of a board: from where to where on it, and its pieces at their places. */
export interface BoardLoad {
  fromMm: number
  toMm: number
  cuts: BoardCut[]
}

/** A rod: never under a saw for wood. */
const ofSteel = (b: BoardLaid) => findBar(b.section) !== undefined
export const boardWidth = (b: BoardLaid) => findSection(b.section)?.widthMm ?? 0
export const stockOfBoard = (b: BoardLaid): string => `${b.section}${b.treated ? ':treated' : ''}`
export const wholeBoard = (b: BoardLaid): BoardLoad => ({ fromMm: 0, toMm: b.lengthMm, cuts: b.cuts })

type Told = Pick<SawCut, 'kind' | 'settingMm' | 'frees' | 'holds' | 'care' | 'tiltRad' | 'through'> & {
  region: Rect
  atMm: number
  /** Where it is not what lies beyond the blade. */
  leavesMm?: number
}

/**
 * Cuts of what is in the hand of a board: squared first, then piece after piece; pieces that are ripped to width last.
 * @param after key of the cut that put it there
 */
export function boardCuts(
  b: BoardLaid,
  load: BoardLoad,
  { kerfMm }: Pick<Settings, 'kerfMm'>,
  after: string | null = null,
): Unnumbered[] {
  const out: Unnumbered[] = []
  const width = boardWidth(b)
  let before = after
  const put = (way: 'x' | 'y', { region, ...told }: Told) => {
    const [along, across, end] =
      way === 'x' ? [region.h, region.w, region.x + region.w] : [region.w, region.h, region.y + region.h]
    const cut: Omit<Unnumbered, 'key'> = {
      where: 'home',
      on: b.id,
      stock: stockOfBoard(b),
      ...told,
      inHand: { lengthMm: along, widthMm: across },
      region,
      way,
      leavesMm: told.leavesMm ?? Math.max(0, end - told.atMm - kerfMm),
      after: before,
    }
    before = keyOfCut(cut)
    out.push({ ...cut, key: before })
  }
  const steel: CutCare[] = ofSteel(b) ? ['hacksaw'] : []
  const cross = (from: number, atMm: number, told: Pick<Told, 'kind' | 'settingMm' | 'frees' | 'holds'>) => {
    const leaves = load.toMm - atMm - kerfMm
    const short = told.kind === 'crosscut' && Math.max(told.settingMm, leaves) < SHORT_STOCK_MM
    put('x', {
      ...told,
      atMm,
      region: { x: from, y: 0, w: load.toMm - from, h: width },
      care: ofSteel(b) ? steel : short ? ['short-stock'] : [],
    })
  }
  /** Key of the cut that frees a length to be ripped, or to be parted from what lies in its slanting end. */
  const freed: { c: BoardCut; nested: BoardCut | undefined; by: string | null; toMm: number }[] = []
  let at = load.fromMm
  const cuts = [...load.cuts].sort((p, q) => p.atMm - q.atMm)
  for (const [i, c] of cuts.entries()) {
    if (c.lean) continue
    const nested = cuts[i + 1]?.lean ? cuts[i + 1] : undefined
    const labels = [...c.labels, ...(nested?.labels ?? [])]
    const gap = c.atMm - at
    if (gap > EVEN_MM) {
      const square = at === load.fromMm
      cross(at, c.atMm - kerfMm, {
        kind: square ? 'square' : 'crosscut',
        settingMm: square ? gap : gap - kerfMm,
        frees: [],
        holds: [],
      })
      at = c.atMm
    }
    const end = (nested ?? c).atMm + (nested ?? c).lengthMm
    const whole = c.ripMm === null && !nested
    let toMm = load.toMm
    // A last piece that uses up the board needs no cut.
    if (load.toMm - end <= EVEN_MM) {
      if (whole) out[out.length - 1]?.frees.push(...labels)
    } else {
      cross(at, end, {
        kind: 'crosscut',
        settingMm: end - c.atMm,
        frees: whole ? labels : [],
        holds: whole ? [] : labels,
      })
      at = end + kerfMm
      toMm = end
    }
    if (!whole) freed.push({ c, nested, by: before, toMm })
  }
  for (const { c, nested, by, toMm } of freed) {
    before = by
    if (nested) part(c, nested, toMm)
    else rip(c)
  }
  return out

  function rip(c: BoardCut): void {
    if (c.slantRad !== undefined) ripAtSlant(c, c.slantRad)
    else ripSquare(c)
  }

  /** Two pieces that lie in each other's slanting ends. */
  function part(c: BoardCut, nested: BoardCut, toMm: number): void {
    const { angleRad, deepMm } = nested.lean!
    const leavesMm = toMm - nested.atMm
    put('x', {
      kind: 'crosscut',
      settingMm: c.lengthMm,
      atMm: c.atMm + c.lengthMm,
      region: { x: c.atMm, y: 0, w: toMm - c.atMm, h: width },
      frees: [...c.labels, ...nested.labels],
      holds: [],
      leavesMm,
      tiltRad: angleRad,
      through: Math.abs(deepMm - width) <= EVEN_MM ? 'width' : 'thickness',
      care: Math.max(c.lengthMm, leavesMm) < SHORT_STOCK_MM ? ['short-stock'] : [],
    })
  }

  /** What to mind in a rip of so much width. */
  function careOf(c: BoardCut, wideMm: number): CutCare[] {
    return [
      ...(c.lengthMm > OUTFEED_MM ? (['outfeed'] as const) : []),
      ...(c.lengthMm < FENCE_EDGE_MM
        ? (['carrier'] as const)
        : wideMm < PUSH_STICK_MM
          ? (['push-stick'] as const)
          : []),
    ]
  }

  function ripSquare(c: BoardCut): void {
    const w = c.ripMm!
    c.labels.forEach((label, k) => {
      const y = k * (w + kerfMm)
      // The last strip may be there already.
      if (width - y - w <= EVEN_MM) {
        out[out.length - 1].frees.push(label)
        return
      }
      put('y', {
        kind: 'rip',
        settingMm: w,
        atMm: y + w,
        region: { x: c.atMm, y, w: c.lengthMm, h: width - y },
        frees: [label],
        holds: c.labels.slice(k + 1),
        care: careOf(c, w),
      })
    })
  }

  /** First what two strips take is ripped off square, then each such piece is parted by a slanting cut. */
  function ripAtSlant(c: BoardCut, slantRad: number): void {
    const w = c.ripMm!
    const pair = slantedPairMm(w, findSection(b.section)!.thicknessMm, slantRad, kerfMm)
    const pairs = Array.from({ length: Math.ceil(c.labels.length / 2) }, (_, k) => {
      const [y, labels] = [k * (pair + kerfMm), c.labels.slice(2 * k, 2 * k + 2)]
      if (width - y - pair > EVEN_MM)
        put('y', {
          kind: 'rip',
          settingMm: pair,
          atMm: y + pair,
          region: { x: c.atMm, y, w: c.lengthMm, h: width - y },
          frees: [],
          holds: labels,
          care: careOf(c, pair),
        })
      return { y, labels, by: before }
    })
    for (const { y, labels, by } of pairs) {
      before = by
      put('y', {
        kind: 'rip',
        settingMm: w,
        atMm: y + w,
        region: { x: c.atMm, y, w: c.lengthMm, h: pair },
        frees: labels,
        holds: [],
        leavesMm: w,
        tiltRad: slantRad,
        care: careOf(c, w),
      })
    }
  }
}
