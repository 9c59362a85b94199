import { addTo } from '../measure/add-to.ts'
import { beamCurve, solveBeam, type BeamLoad, type BeamResult, type BeamSpec } from '../mechanics/beam.ts'

export interface Held {
  id: string
  atMm: number
  /** Can only push up: lying on, not fastened. */
  loose: boolean
}

/** Stiffness of a member in bending, N·mm², and in shear, N (left out where shear adds nothing that counts). */
export interface Rigidity {
  ei: number
  ga?: number
}

interface Solved {
  spec: BeamSpec
  result: BeamResult
}

/**
 * Beams solved before, by all the numbers that tell one: most cross pieces of a rack are the same beam under the same
 * load, and most of a build is as it was after a change of one of its measures. The numbers are rounded before a beam is
 * solved, so that what it comes to depends on them alone and not on what was solved earlier.
 */
class SolvedBeams {
  /** By the sum of their numbers; those of before are forgotten when there are too many, unless they are asked for again. */
  private heaps = new Map<number, SolvedHeap>()
  private before = new Map<number, SolvedHeap>()
  private count = 0
  /** All the beam that is asked for is told by. */
  private numbers: number[] = []

  solve(lengthMm: number, r: Rigidity, held: Held[], loads: BeamLoad[]): Solved | null {
    const count = this.tell(lengthMm, r, held, loads)
    let sum = 0
    for (let i = 0; i < count; i++) sum += this.numbers[i] * (i + 1)
    const seen = this.find(this.heaps.get(sum), count)
    if (seen) return seen.solved
    const known = this.find(this.before.get(sum), count) ?? this.fresh(r, held.length, loads, count)
    addTo(this.heaps, sum, known)
    if (++this.count > MOST_BEAMS) [this.before, this.heaps, this.count] = [this.heaps, new Map(), 0]
    return known.solved
  }

  private find(heap: SolvedHeap | undefined, count: number) {
    return heap?.find(({ is }) => {
      if (is.length !== count) return false
      for (let i = 0; i < count; i++) if (is[i] !== this.numbers[i]) return false
      return true
    })
  }

  /** Solves the beam that was told. */
  private fresh(r: Rigidity, places: number, loads: BeamLoad[], count: number): SolvedHeap[number] {
    const is = this.numbers.slice(0, count)
    const supports = Array.from({ length: places }, (_, i) => ({ atMm: is[4 + i] }))
    let n = 4 + places
    const asTold = loads.map((l): BeamLoad => {
      if (l.kind === 'line') {
        n += 5
        return { kind: 'line', fromMm: is[n - 4], toMm: is[n - 3], startNPerMm: is[n - 2], endNPerMm: is[n - 1] }
      }
      n += 3
      return l.kind === 'point'
        ? { kind: 'point', atMm: is[n - 2], n: is[n - 1] }
        : { kind: 'couple', atMm: is[n - 2], nmm: is[n - 1] }
    })
    const spec: BeamSpec = { lengthMm: is[0], ...r, supports, loads: asTold }
    const result = solveBeam(spec)
    return { is, solved: result && { spec, result } }
  }

  /** Writes what a beam is told by. @returns how many numbers that are */
  private tell(lengthMm: number, r: Rigidity, held: Held[], loads: BeamLoad[]): number {
    const to = this.numbers
    let n = 0
    to[n++] = rounded(lengthMm)
    to[n++] = r.ei
    to[n++] = r.ga ?? 0
    to[n++] = held.length
    for (const h of held) to[n++] = place(h.atMm)
    for (const l of loads) {
      if (l.kind === 'line') {
        to[n++] = 0
        to[n++] = place(l.fromMm)
        to[n++] = place(l.toMm)
        to[n++] = rounded(l.startNPerMm)
        to[n++] = rounded(l.endNPerMm)
      } else {
        to[n++] = l.kind === 'point' ? 1 : 2
        to[n++] = place(l.atMm)
        to[n++] = rounded(l.kind === 'point' ? l.n : l.nmm)
      }
    }
    return n
  }
}

type SolvedHeap = { is: number[]; solved: Solved | null }[]

/** So many are remembered, and as many from before: some megabytes. */
const MOST_BEAMS = 4000

/** Smaller is rounding of a place at the end of a member, mm. */
const NOUGHT = 1e-9
/** Leaves a number 32 of its 53 bits, a share of 2e-10: Veltkamp's splitting, by 2 to the 21st plus one. */
const SPLITS = 2 ** 21 + 1
function rounded(x: number): number {
  const c = x * SPLITS
  return c - (c - x)
}
const place = (mm: number): number => (Math.abs(mm) < NOUGHT ? 0 : rounded(mm))

const BEAMS = new SolvedBeams()

/** Reactions smaller than this share of the load are rounding, not lifting. */
const LIFTS = 1e-9

/** A member lower than this on a support taken away lies on it again, mm. */
const TOUCHES_MM = 1e-6

/**
 * Solves a member on its supports; a loose one that would have to pull is taken away and the rest solved again, until
 * none pulls and the member lies on none that was taken away.
 * @returns null when what is left cannot hold it.
 */
export function solveHeld(
  lengthMm: number,
  r: Rigidity,
  held: Held[],
  loads: BeamLoad[],
): (Solved & { supports: string[] }) | null {
  let use = held
  // Each round takes one away or puts one back; a few times their number settles it.
  for (let round = 0; use.length >= 2 && round <= 4 * held.length; round++) {
    const solved = BEAMS.solve(lengthMm, r, use, loads)
    if (!solved) return null
    const { reactions } = solved.result
    const slack = LIFTS * reactions.reduce((sum, r) => sum + Math.abs(r), 0)
    let worst = -1
    use.forEach((h, i) => {
      if (h.loose && reactions[i] < -slack && (worst < 0 || reactions[i] < reactions[worst])) worst = i
    })
    if (worst >= 0) {
      use = use.filter((_, i) => i !== worst)
      continue
    }
    const back = use.length < held.length ? sunkInto(solved.spec, held, use) : undefined
    if (!back) return { supports: use.map((h) => h.id), ...solved }
    use = held.filter((h) => h === back || use.includes(h))
  }
  return null
}

/** The support taken away that the bent member would sink into deepest; undefined where it stays clear of all. */
function sunkInto(spec: BeamSpec, held: Held[], use: Held[]): Held | undefined {
  const curve = beamCurve(spec)!
  const sunk = held.filter((h) => !use.includes(h)).map((h) => ({ h, mm: curve.sagAt(h.atMm) }))
  return sunk.filter((x) => x.mm > TOUCHES_MM).sort((a, b) => b.mm - a.mm)[0]?.h
}
