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
 * Beams solved in one analysis, by what they are: most cross pieces of a rack are the same beam under the same load.
 */
export type SolvedBeams = Map<string, Solved | null>

/** Equal to a millionth of a millimetre and of a newton: the same beam. */
const near = (x: number) => Math.round(x * 1e6)

function keyOf(lengthMm: number, r: Rigidity, held: Held[], loads: BeamLoad[]): string {
  let key = `${near(lengthMm)}|${near(r.ei / 1e6)}|${near(r.ga ?? 0)}`
  for (const h of held) key += `|${near(h.atMm)}`
  for (const l of loads)
    key +=
      l.kind !== 'line'
        ? `${l.kind}${near(l.atMm)},${near(l.kind === 'point' ? l.n : l.nmm)}`
        : `l${near(l.fromMm)},${near(l.toMm)},${near(l.startNPerMm)},${near(l.endNPerMm)}`
  return key
}

function solveOnce(lengthMm: number, r: Rigidity, held: Held[], loads: BeamLoad[], known: SolvedBeams): Solved | null {
  const key = keyOf(lengthMm, r, held, loads)
  const seen = known.get(key)
  if (seen !== undefined) return seen
  const spec: BeamSpec = { lengthMm, ...r, supports: held.map((h) => ({ atMm: h.atMm })), loads }
  const result = solveBeam(spec)
  const solved = result && { spec, result }
  known.set(key, solved)
  return solved
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
    const solved = solveOnce(lengthMm, r, use, loads, known)
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
    if (!back) return { ...solved, supports: use.map((h) => h.id) }
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
