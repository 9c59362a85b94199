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

/** Equal to a millionth of a millimetre and of a newton: the same beam. */
const SAME = 1e-6

/** Beams solved in one analysis: most cross pieces of a rack are the same beam under the same load. */
export class SolvedBeams {
  /** In heaps by the sum of their numbers. */
  private readonly heaps = new Map<number, { is: Float64Array; solved: Solved | null }[]>()
  /** All the beam that is asked for is told by. */
  private numbers = new Float64Array(256)

  solve(lengthMm: number, r: Rigidity, held: Held[], loads: BeamLoad[]): Solved | null {
    const count = this.tell(lengthMm, r, held, loads)
    let sum = 0
    for (let i = 0; i < count; i++) sum += this.numbers[i] * (i + 1)
    const heap = Math.round(sum)
    // Near the edge between two heaps it may be in the other.
    const seen = this.find(heap, count) ?? this.find(sum > heap ? heap + 1 : heap - 1, count)
    if (seen) return seen.solved
    const spec: BeamSpec = { lengthMm, ...r, supports: held.map((h) => ({ atMm: h.atMm })), loads }
    const result = solveBeam(spec)
    const solved = result && { spec, result }
    addTo(this.heaps, heap, { is: this.numbers.slice(0, count), solved })
    return solved
  }

  private find(heap: number, count: number) {
    return this.heaps.get(heap)?.find(({ is }) => {
      if (is.length !== count) return false
      for (let i = 0; i < count; i++) if (Math.abs(is[i] - this.numbers[i]) > SAME) return false
      return true
    })
  }

  /** Writes what a beam is told by. @returns how many numbers that are */
  private tell(lengthMm: number, r: Rigidity, held: Held[], loads: BeamLoad[]): number {
    const most = 4 + held.length + 5 * loads.length
    if (most > this.numbers.length) this.numbers = new Float64Array(2 * most)
    const to = this.numbers
    let n = 0
    to[n++] = lengthMm
    to[n++] = r.ei / 1e6
    to[n++] = r.ga ?? 0
    to[n++] = held.length
    for (const h of held) to[n++] = h.atMm
    for (const l of loads) {
      if (l.kind === 'line') {
        to[n++] = 0
        to[n++] = l.fromMm
        to[n++] = l.toMm
        to[n++] = l.startNPerMm
        to[n++] = l.endNPerMm
      } else {
        to[n++] = l.kind === 'point' ? 1 : 2
        to[n++] = l.atMm
        to[n++] = l.kind === 'point' ? l.n : l.nmm
      }
    }
    return n
  }
}

/** Reactions smaller than this share of the load are rounding, not lifting. */
const LIFTS = 1e-9

/** A member lower than this on a support taken away lies on it again, mm. */
const TOUCHES_MM = 1e-6

/**
 * Solves a member on its supports; a loose one that would have to pull is taken away and the rest solved again, until
 * none pulls and the member lies on none that was taken away.
 * @param known what this analysis has solved so far; added to
 * @returns null when what is left cannot hold it.
 */
export function solveHeld(
  lengthMm: number,
  r: Rigidity,
  held: Held[],
  loads: BeamLoad[],
  known: SolvedBeams,
): (Solved & { supports: string[] }) | null {
  let use = held
  // Each round takes one away or puts one back; a few times their number settles it.
  for (let round = 0; use.length >= 2 && round <= 4 * held.length; round++) {
    const solved = known.solve(lengthMm, r, use, loads)
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
