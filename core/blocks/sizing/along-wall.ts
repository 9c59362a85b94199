import { addTo } from '../../measure/add-to.ts'
/*
 * Things of given widths in a row along a wall, round what is in their way: which comes where.
 *
 * Of all rows those that meet the most studs; of these the ones with the fewest gaps to fill, then the most even ones.
 * Exact while there are few enough kinds: for each set of things already placed and each count of studs and gaps only
 * the row that ends soonest is kept, for whatever can follow a longer one can follow it.
 */

/** A stretch along the wall, mm. */
export interface Blocked {
  from: number
  to: number
}
export interface InRow {
  wideMm: number
  /** Where it cannot be, whatever the reason. */
  blocked: readonly Blocked[]
  /** Things with the same key may change places. */
  kind: string
}
export interface RowSpec {
  things: readonly InRow[]
  lengthMm: number
  /** Middles of studs, and how far inside a thing's ends a fixing keeps, mm. */
  studsMm: readonly number[]
  insideMm: number
}
export interface Row {
  /** Of each thing, in the order given: where it begins; null where it found no room. */
  at: (number | null)[]
  /** Studs behind all things, and gaps between neighbours. */
  studs: number
  gaps: number
}

/** Narrower than this nobody fills a gap, mm. Product decision: what a scribed edge or a screw closes. */
export const GAP_MM = 3
/** Rows that are kept for each number of things; with more kinds than that allows the search is no longer exact. */
const MOST_ROWS = 3000
const EVEN_MM = 1e-6

/** Studs a thing that begins here can be fixed to. */
export const studsBehind = (studs: readonly number[], left: number, wideMm: number, insideMm: number): number =>
  studs.filter((x) => x >= left + insideMm - EVEN_MM && x <= left + wideMm - insideMm + EVEN_MM).length

interface Placed {
  kind: number
  left: number
  before: Placed | null
}
interface Part {
  /** How many of each kind, as one number. */
  set: number
  endMm: number
  studs: number
  gaps: number
  last: Placed | null
}

interface Kind {
  wideMm: number
  blocked: readonly Blocked[]
  /** What one more of it adds to the number of a set. */
  digit: number
  /** Places where it comes to meet one more stud, or where something in its way ends; only those where it can be. */
  starts: readonly { left: number; studs: number }[]
  things: number[]
}

function kindsOf(s: RowSpec): Kind[] {
  const byKey = new Map<string, number[]>()
  s.things.forEach((t, i) => addTo(byKey, t.kind, i))
  let sets = 1
  return [...byKey.values()].map((things): Kind => {
    const { wideMm, blocked } = s.things[things[0]]
    const k: Kind = { wideMm, blocked, digit: sets, starts: [], things }
    sets *= things.length + 1
    const lefts = [...blocked.map((b) => b.to), ...s.studsMm.map((x) => x - wideMm + s.insideMm)]
    const fits = lefts.filter((x) => x >= 0 && fitsAt(k, x, s)).sort((a, b) => a - b)
    return { ...k, starts: fits.map((left) => ({ left, studs: studsBehind(s.studsMm, left, wideMm, s.insideMm) })) }
  })
}
const countOf = (set: number, k: Kind): number => Math.floor(set / k.digit) % (k.things.length + 1)

const fitsAt = (k: Kind, left: number, s: RowSpec): boolean =>
  left + k.wideMm <= s.lengthMm + EVEN_MM && isFree(k, left)

const isFree = (k: Kind, left: number): boolean =>
  k.blocked.every((b) => left + k.wideMm <= b.from + EVEN_MM || left >= b.to - EVEN_MM)

/** Where a thing can come next after a place: as soon as possible, or later where it then meets more studs. */
function places(k: Kind, fromMm: number, s: RowSpec): { left: number; studs: number }[] {
  const out: { left: number; studs: number }[] = []
  if (fitsAt(k, fromMm, s)) out.push({ left: fromMm, studs: studsBehind(s.studsMm, fromMm, k.wideMm, s.insideMm) })
  for (const x of k.starts)
    if (x.left > fromMm + EVEN_MM && (out.length === 0 || x.studs > out[out.length - 1].studs)) out.push(x)
  return out
}

const NOTHING: Part = { set: 0, endMm: 0, studs: 0, gaps: 0, last: null }
const added = (p: Part, kind: number, k: Kind, { left, studs }: { left: number; studs: number }): Part => ({
  set: p.set + k.digit,
  endMm: left + k.wideMm,
  studs: p.studs + studs,
  gaps: p.gaps + (p.last && left - p.endMm > GAP_MM ? 1 : 0),
  last: { kind, left, before: p.last },
})

/** The soonest end for each set of things, count of studs and of gaps; those that promise most where they are too many. */
function kept(rows: readonly Part[]): Part[] {
  const best = new Map<number, Map<number, Part>>()
  for (const r of rows) {
    const same = best.get(r.set)
    const key = r.studs * MOST_GAPS + r.gaps
    const known = same?.get(key)
    if (known && r.endMm >= known.endMm - EVEN_MM) continue
    if (same) same.set(key, r)
    else best.set(r.set, new Map([[key, r]]))
  }
  const all = [...best.values()].flatMap((m) => undominated([...m.values()]))
  if (all.length <= MOST_ROWS) return all
  return all.sort((a, b) => b.studs - a.studs || a.endMm - b.endMm || a.gaps - b.gaps).slice(0, MOST_ROWS)
}
/** More gaps than that no row has. */
const MOST_GAPS = 1000

/** Of rows of the same things those that no other is better than in studs, gaps and where it ends at once. */
const undominated = (rows: readonly Part[]): Part[] =>
  rows.filter(
    (r) => !rows.some((o) => o !== r && o.studs >= r.studs && o.gaps <= r.gaps && o.endMm <= r.endMm - EVEN_MM),
  )

/** How unlike its mirror image a row is, mm of width. */
function unevenness(widths: readonly number[]): number {
  return widths.reduce((sum, w, i) => sum + Math.abs(w - widths[widths.length - 1 - i]), 0)
}

/** Places of an order that is settled, by the same rule. */
function inOrder(order: readonly number[], kinds: readonly Kind[], s: RowSpec): Part | null {
  let rows: Part[] = [NOTHING]
  for (const n of order)
    rows = kept(rows.flatMap((p) => places(kinds[n], p.endMm, s).map((x) => added(p, n, kinds[n], x))))
  return rows.length === 0 ? null : rows.reduce((a, b) => (better(b, a) ? b : a))
}
const better = (a: Part, b: Part) => a.studs > b.studs || (a.studs === b.studs && a.gaps < b.gaps)

const chain = (p: Part): Placed[] => {
  const out: Placed[] = []
  for (let x = p.last; x; x = x.before) out.unshift(x)
  return out
}

/** Exchanges of two things that make the row more even and cost neither a stud nor a gap. */
function evened(found: Part, kinds: readonly Kind[], s: RowSpec): Part {
  let best = found
  let order = chain(found).map((x) => x.kind)
  const uneven = (o: readonly number[]) => unevenness(o.map((k) => kinds[k].wideMm))
  for (let again = true; again;) {
    again = false
    for (let i = 0; i < order.length && !again; i++)
      for (let j = i + 1; j < order.length && !again; j++) {
        if (order[i] === order[j]) continue
        const swapped = order.map((k, n) => (n === i ? order[j] : n === j ? order[i] : k))
        if (uneven(swapped) >= uneven(order) - EVEN_MM) continue
        const tried = inOrder(swapped, kinds, s)
        if (!tried || better(best, tried)) continue
        ;[best, order, again] = [tried, swapped, true]
      }
  }
  return best
}

/** All rows that can be: the best of those with the most things. */
function searched(kinds: readonly Kind[], s: RowSpec): Part {
  let rows: Part[] = [NOTHING]
  let full = rows
  for (let n = 0; n < s.things.length; n++) {
    const longer = (p: Part) =>
      kinds.flatMap((k, i) =>
        countOf(p.set, k) < k.things.length ? places(k, p.endMm, s).map((x) => added(p, i, k, x)) : [],
      )
    rows = kept(rows.flatMap(longer))
    if (rows.length === 0) break
    full = rows
  }
  const best = full.reduce((a, b) => (better(b, a) ? b : a))
  return evened(best, kinds, s)
}

/** As they are listed, as far as there is room. */
function asListed(kinds: readonly Kind[], s: RowSpec): Part {
  const order = s.things.map((_t, i) => kinds.findIndex((k) => k.things.includes(i)))
  for (let n = order.length; n > 0; n--) {
    const found = inOrder(order.slice(0, n), kinds, s)
    if (found) return found
  }
  return inOrder([], kinds, s)!
}

/** The best row there is, or the one that is listed; what finds no room in it is left out. */
export function alongWall(s: RowSpec, order: 'best' | 'listed' = 'best'): Row {
  const kinds = kindsOf(s)
  const row = order === 'best' ? searched(kinds, s) : asListed(kinds, s)
  const at: (number | null)[] = s.things.map(() => null)
  const next = kinds.map((k) => [...k.things])
  for (const x of chain(row)) at[next[x.kind].shift()!] = x.left
  return { at, studs: row.studs, gaps: row.gaps }
}

/**
 * Slides things that have room to where one of their edges lines up with an edge below, where that costs no stud. What
 * touches a neighbour stays with it.
 */
export function linedUp(s: RowSpec, row: Row, edgesMm: readonly number[]): Row {
  const at = [...row.at]
  const order = s.things.map((_t, i) => i).filter((i) => at[i] !== null)
  order.sort((a, b) => at[a]! - at[b]!)
  order.forEach((i, n) => {
    const { wideMm, blocked } = s.things[i]
    const [before, after] = [order[n - 1], order[n + 1]]
    const lo = before === undefined ? 0 : at[before]! + s.things[before].wideMm
    const hi = (after === undefined ? s.lengthMm : at[after]!) - wideMm
    const touches = (before !== undefined && at[i]! - lo < GAP_MM) || (after !== undefined && hi - at[i]! < GAP_MM)
    if (touches) return
    const k: Kind = { wideMm, blocked, digit: 0, starts: [], things: [] }
    const studs = studsBehind(s.studsMm, at[i]!, wideMm, s.insideMm)
    const fits = edgesMm
      .flatMap((e) => [e, e - wideMm])
      .filter((x) => x >= lo - EVEN_MM && x <= hi + EVEN_MM && isFree(k, x))
      .filter((x) => studsBehind(s.studsMm, x, wideMm, s.insideMm) >= studs)
    if (fits.length > 0) at[i] = fits.reduce((a, b) => (Math.abs(b - at[i]!) < Math.abs(a - at[i]!) ? b : a))
  })
  return { ...row, at }
}
