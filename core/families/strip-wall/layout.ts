import { leansOnStrips, type Strips } from '../../blocks/holders/frame.ts'
import { outlineOf, type HolderStock, type Outline } from '../../blocks/holders/outline.ts'
import { clearFor, type HolderSize } from '../../blocks/holders/sizes.ts'
import { liftOff } from '../../blocks/mounts/hung-on-wall.ts'
import { BODY } from '../../goods/person.ts'
import { countedKg } from '../../goods/presumed.ts'

/*
 * Where holders hang: what is used daily at the hand, what is heavy under the shoulder, what is seldom used above and
 * below; each as far left as it goes without lying over another. On battens the lowest strip is only leaned on.
 */

/** One holder before it has a place. */
export interface Wanted {
  size: HolderSize
  count: number
  /** Over which strip from below, 1 the lowest; 0 where use and weight say. */
  row: number
  /** Where it begins, from the left end; 0 where it may be anywhere. mm */
  atMm: number
}
export interface Hung extends Wanted {
  row: number
  left: number
  outline: Outline
}

/** Between a holder and the next one, mm: room for fingers that lift one off. Product decision. */
const BESIDE_MM = 12
/** Heavier tools than this hang under the shoulder, kg. Product decision. */
const HEAVY_KG = 6

const massOf = (w: Wanted): number => countedKg(w.size.item) * w.count
const OFTEN = { daily: 0, weekly: 1, seldom: 2 } as const

/** What has its place first, then the handiest, heavier before lighter ones: in this order holders are laid out. */
export const byUse = (a: Wanted, b: Wanted): number =>
  Number(b.atMm > 0) - Number(a.atMm > 0) ||
  OFTEN[a.size.item.often] - OFTEN[b.size.item.often] ||
  massOf(b) - massOf(a) ||
  clearFor(b.size, b.count) - clearFor(a.size, a.count)

/** Height at which a tool should be held, mm. */
function rightHeight(w: Wanted, personMm: number): number {
  const heavy = countedKg(w.size.item) > HEAVY_KG
  return personMm * (heavy ? (BODY.knuckle + BODY.shoulder) / 2 : BODY.shoulder)
}

interface Room {
  lengthMm: number
  heightMm: number
  depthMm: number
  personMm: number
  /** Ends of pieces of strips that no holder lies over. */
  joints: readonly number[]
}

interface Taken {
  left: number
  right: number
  low: number
  high: number
}

/**
 * @param all in the order they are laid out
 * @param untilOneIsLeft only whether all find a place is asked
 * @returns what hangs where, and what found no place
 */
export function layOut(
  all: readonly Wanted[],
  strips: Strips,
  stock: HolderStock,
  room: Room,
  untilOneIsLeft = false,
): { hung: Hung[]; left: Wanted[] } {
  const hung: Hung[] = []
  const left: Wanted[] = []
  const taken: Taken[] = []
  for (const w of all) {
    const target = rightHeight(w, room.personMm)
    const seldom = w.size.item.often === 'seldom' ? -1 : 1
    const rows = strips.rows
      .map((r, i) => ({ i, off: Math.abs(r.topMm - target) }))
      .filter((r) => (w.row === 0 || r.i === w.row - 1) && (r.i > 0 || !leansOnStrips(strips)))
      .sort((a, b) => seldom * (a.off - b.off) || a.i - b.i)
    let found: Hung | null = null
    for (const { i } of rows) {
      found = placeOver(w, i, strips, stock, room, taken)
      if (found) break
    }
    if (!found) {
      left.push(w)
      if (untilOneIsLeft) break
      continue
    }
    hung.push(found)
    taken.push(boxOf(found))
  }
  return { hung, left }
}

const boxOf = (h: Hung): Taken => ({
  left: h.left,
  right: h.left + h.outline.wideMm,
  low: h.outline.lowMm,
  high: h.outline.highMm,
})

function placeOver(
  w: Wanted,
  row: number,
  strips: Strips,
  stock: HolderStock,
  room: Room,
  taken: readonly Taken[],
): Hung | null {
  const outline = outlineOf({ strips, row, size: w.size, count: w.count, stock })
  const { lowMm: low, highMm: high } = outline
  if (low < 0 || high > room.heightMm || outline.outMm > room.depthMm) return null
  // Either is lifted so far to come off its strip: what hangs over it leaves that free.
  const liftMm = liftOff(strips.section)
  // What hangs higher or lower is beside nothing.
  const level = taken.filter((t) => low < t.high + liftMm && t.low < high + liftMm)
  const isFree = (left: number): boolean => {
    const right = left + outline.wideMm
    if (right > room.lengthMm) return false
    for (const x of room.joints) if (x > left && x < right) return false
    for (const t of level) if (left < t.right + BESIDE_MM && t.left < right + BESIDE_MM) return false
    return true
  }
  let left = Infinity
  const tryAt = (mm: number) => {
    if (mm < left && isFree(mm)) left = mm
  }
  if (w.atMm > 0) tryAt(w.atMm)
  else {
    tryAt(0)
    room.joints.forEach(tryAt)
    for (const t of level) tryAt(t.right + BESIDE_MM)
  }
  return left < Infinity ? { left, outline, ...w, row } : null
}
