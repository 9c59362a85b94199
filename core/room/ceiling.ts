import type { Point } from '../geometry/hull.ts'
import type { Outline, WallLine } from './outline.ts'
import type { Joists, Room } from './room.ts'

/** Height of the ceiling over a place of the plan, mm. */
export function ceilingAt(r: Room, o: Outline, p: Point): number {
  const { heightMm, slope } = r.ceiling
  const from = slope && o.walls.find((w) => w.wall.id === slope.wallId)
  if (!slope || !from) return heightMm
  const out = (p[0] - from.from[0]) * from.inward[0] + (p[1] - from.from[1]) * from.inward[1]
  return Math.min(heightMm, slope.startMm + (slope.riseMmPerM * Math.max(0, out)) / 1000)
}

/** Added load a ceiling may take, kN/m²: what was entered, or the preset; null where only an engineer may say. */
export const allowanceKnM2 = (r: Room): number | null =>
  r.ceiling.kind === 'joists' ? (r.ceiling.allowanceKnM2 ?? WITHOUT_STORAGE_KN_M2) : null
/** Ceilings are usually lined with half-inch board, and with thicker where a fire is to be held back. */
const CEILING_LINING_MM = 15.9
/** Uninhabitable attic without storage, 10 psf: IRC table R301.5. */
export const WITHOUT_STORAGE_KN_M2 = 0.48

/**
 * Centres of the joists along a wall's strip of ceiling: places along the wall where they cross it, or distances out
 * from it where they run with it.
 */
export function joistTicks(r: Room, o: Outline, w: WallLine): { across: number[]; out: number[] } {
  const c = r.ceiling
  const run = o.walls.find((x) => x.wall.id === c.alongWallId)
  if (c.kind === 'unknown' || !run) return { across: [], out: [] }
  const dot = Math.abs(run.along[0] * w.along[0] + run.along[1] * w.along[1])
  // Signed distance of the wall's ends from the wall the joists run along.
  const far = (p: Point) => (p[0] - run.from[0]) * run.inward[0] + (p[1] - run.from[1]) * run.inward[1]
  const places = (n: number) => c.firstMm + n * c.spacingMm
  if (dot > 0.9) {
    const base = far(w.from)
    const sign = Math.sign(run.inward[0] * w.inward[0] + run.inward[1] * w.inward[1])
    const out: number[] = []
    for (let i = 0; i < 400; i++) {
      const d = (places(i) - base) * sign
      if (d > 0 && d < 20_000) out.push(d)
    }
    return { across: [], out: out.sort((a, b) => a - b) }
  }
  const [d0, d1] = [far(w.from), far(w.to)]
  const across: number[] = []
  for (let i = 0; i < 400; i++) {
    const t = (places(i) - d0) / (d1 - d0)
    if (t > 0 && t < 1) across.push(t * w.wall.lengthMm)
  }
  return { across: across.sort((a, b) => a - b), out: [] }
}

/** Joists over a build at a wall: centres from its own left end, or out from its back. */
export function joistsOver(r: Room, o: Outline, w: WallLine, at: { alongMm: number; outMm: number }): Joists | null {
  const c = r.ceiling
  const { across, out } = joistTicks(r, o, w)
  if (c.kind === 'unknown' || (across.length === 0 && out.length === 0)) return null
  const run = across.length > 0 ? 'out' : 'along'
  return {
    kind: c.slope && c.kind === 'joists' ? 'sloped' : c.kind,
    run,
    atMm: run === 'out' ? across.map((x) => x - at.alongMm) : out.map((y) => y - at.outMm),
    spacingMm: c.spacingMm,
    fromMm: run === 'out' ? -at.outMm : -at.alongMm,
    size: c.joist,
    allowanceKnM2: allowanceKnM2(r),
    liningMm: c.finished ? CEILING_LINING_MM : 0,
  }
}

/** Shorter than this share of the wall they run along, joists do not reach from wall to wall. */
const WHOLE_SHARE = 0.75
/**
 * How long joists would be that reach across a closed room along their wall, mm, where they are said to span far less: they
 * run the other way, or something bears them on the way. Null where nothing is odd.
 */
export function oddSpan(r: Room): number | null {
  const { kind, joist, alongWallId } = r.ceiling
  const along = r.walls.find((w) => w.id === alongWallId)
  if (kind !== 'joists' || !joist || !along || !r.closed) return null
  return joist.spanMm < WHOLE_SHARE * along.lengthMm ? along.lengthMm : null
}
/** What an answer to that is kept by: another span or another wall is asked about anew. */
export const oddSpanKey = ({ ceiling }: Room): string =>
  `joists:odd-span:${ceiling.joist?.spanMm}:${ceiling.alongWallId}`
