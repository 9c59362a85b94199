import type { Unnumbered } from './cut-order.ts'

/*
 * In which order cuts are made, so that fences and stops are set as seldom as possible. A cut waits for the one that
 * puts what it divides into the hand. A setting all of whose cuts can be made now is always worth making now; where
 * none is, each is tried and the rest played through.
 */

/** More cuts than this are ordered by the plain rule alone: playing all through would be slow. */
const MOST_PLAYED = 1500

interface Net {
  /** Setting of each cut, as a number; and how many cuts have each. */
  setting: Int32Array
  many: number[]
  /** The largest that is cut at each setting, mm²: of two alike the larger is got out of the way first. */
  sizes: number[]
  /** What each cut makes possible. */
  next: number[][]
}
interface State {
  /** Cuts that can be made now, by their setting. */
  open: number[][]
  /** How many of each setting are still to be made. */
  left: number[]
}

/** Cuts in runs of one setting each. */
export function sequenced<T extends Unnumbered>(cuts: readonly T[]): T[][] {
  const net = netOf(cuts)
  const order = runs(net, start(cuts, net))
  return order.map((run) => run.map((i) => cuts[i]))
}

function netOf(cuts: readonly Unnumbered[]): Net {
  const ids = new Map<string, number>()
  const [many, sizes]: number[][] = [[], []]
  const at = new Map(cuts.map((c, i) => [c.key, i]))
  const next: number[][] = cuts.map(() => [])
  const setting = Int32Array.from(cuts, (c, i) => {
    // A hacksaw is no saw for wood.
    const name = `${c.where}|${c.kind}|${c.care.includes('hacksaw')}|${Math.round(c.settingMm * 10)}|${c.tiltRad ?? 0}|${c.through}`
    const id = ids.get(name) ?? ids.size
    ids.set(name, id)
    many[id] = (many[id] ?? 0) + 1
    sizes[id] = Math.max(sizes[id] ?? 0, c.inHand.lengthMm * c.inHand.widthMm)
    const before = c.after === null ? undefined : at.get(c.after)
    if (before !== undefined) next[before].push(i)
    return id
  })
  return { setting, many, sizes, next }
}

function start(cuts: readonly Unnumbered[], { setting, many }: Net): State {
  const open: number[][] = many.map(() => [])
  const at = new Set(cuts.map((c) => c.key))
  cuts.forEach((c, i) => {
    if (c.after === null || !at.has(c.after)) open[setting[i]].push(i)
  })
  return { open, left: [...many] }
}

/** Makes every cut of one setting that can be made, and those of it that come free by them. */
function make(net: Net, state: State, id: number): number[] {
  const run: number[] = []
  const queue = state.open[id]
  state.open[id] = []
  for (let k = 0; k < queue.length; k++) {
    const i = queue[k]
    run.push(i)
    for (const j of net.next[i]) (net.setting[j] === id ? queue : state.open[net.setting[j]]).push(j)
  }
  state.left[id] -= run.length
  return run
}

/** How many of a setting would be made now, without making them. */
function reach(net: Net, state: State, id: number): number {
  const queue = [...state.open[id]]
  for (let k = 0; k < queue.length; k++) for (const j of net.next[queue[k]]) if (net.setting[j] === id) queue.push(j)
  return queue.length
}

function choices(net: Net, state: State): { whole: number | null; open: number[] } {
  const open = state.open.flatMap((list, id) => (list.length > 0 ? [id] : []))
  open.sort((a, b) => net.sizes[b] - net.sizes[a])
  return { whole: open.find((id) => reach(net, state, id) === state.left[id]) ?? null, open }
}

const copyOf = (s: State): State => ({ open: s.open.map((l) => [...l]), left: [...s.left] })

/** The plain rule: the setting of which the fewest cuts must be made another time; of those the largest. */
function plain(net: Net, state: State, open: readonly number[]): number {
  const again = (id: number) => state.left[id] - reach(net, state, id)
  return open.reduce((best, id) => (again(id) < again(best) ? id : best))
}

/** How many settings the plain rule needs from here; given up above `most`. */
function played(net: Net, from: State, most: number): number {
  const state = copyOf(from)
  let n = 0
  for (;;) {
    const { whole, open } = choices(net, state)
    if (open.length === 0) return n
    if (++n > most) return Infinity
    make(net, state, whole ?? plain(net, state, open))
  }
}

function runs(net: Net, state: State): number[][] {
  const out: number[][] = []
  for (;;) {
    const { whole, open } = choices(net, state)
    if (open.length === 0) return out
    let next = whole ?? plain(net, state, open)
    if (whole === null && open.length > 1 && net.setting.length <= MOST_PLAYED) {
      let least = Infinity
      for (const id of [next, ...open.filter((x) => x !== next)]) {
        const then = copyOf(state)
        make(net, then, id)
        const n = played(net, then, least)
        if (n < least) [least, next] = [n, id]
      }
    }
    out.push(make(net, state, next))
  }
}
