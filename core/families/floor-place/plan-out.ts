import { unitsOf } from '../../assembly/settings.ts'
import { runOnStuds } from '../../blocks/mounts/pieces-on-studs.ts'
import type { Stretch } from '../../blocks/sizing/splice.ts'
import { findSection, type Section } from '../../catalogue/lumber.ts'
import type { Goods } from '../../goods/goods.ts'
import { onItsWheels } from '../../goods/ways.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { roundNearest, roundUp } from '../../measure/rounding.ts'
import { inches } from '../../measure/units.ts'
import { longestBoard } from '../boards-of.ts'
import { byUse } from '../by-use.ts'
import type { DimPen } from '../dim-pen.ts'
import type { ShapeContext } from '../family.ts'
import type { Planned } from '../opened.ts'
import { LIMITS, type FloorPlaceParams } from './parameters.ts'

export interface ReasonData {
  'places-things': { things: number; fit: number }
  'places-beside': object
}
export interface ProblemData {
  'nothing-on-floor': object
  'places-past-wall': { mm: number; haveMm: number }
  'places-too-deep': { mm: number; mostMm: number }
  'stop-misses-studs': { count: number; from: number }
  'stop-not-spliced': { mostMm: number }
}

/** Beside a machine, for a hand and the foot that guides it, mm. Product decision. */
const BESIDE = inches(2)

/** A thing in its place. */
export interface InPlace {
  item: Goods
  left: number
  right: number
}
export interface Plan {
  stop: Section
  pieces: Stretch[]
  places: InPlace[]
  besideMm: number
}

/** What stands on the floor beside each other, those used most first, and the board along the wall behind all of it. */
export function planOut(p: FloorPlaceParams, ctx: ShapeContext, pen: DimPen): Result<Planned<Plan>> {
  const units = unitsOf(ctx.settings)
  const [ours, others] = [true, false].map((is) => ctx.goods.filter((g) => (onItsWheels(g.item) !== null) === is))
  const things = ours.reduce((n, g) => n + g.count, 0)
  if (things === 0) return bad('nothing-on-floor')
  const stop = findSection(p.stopSection)!
  const outMm = stop.thicknessMm + Math.max(...ours.map((g) => g.item.deepMm))
  if (outMm > ctx.space.depthMm) return bad('places-too-deep', { mm: outMm, mostMm: ctx.space.depthMm })
  const besideMm = pen.length(
    { path: 'besideMm', code: 'places-beside', min: 0, max: 600 },
    roundNearest(BESIDE, units),
    { code: 'places-beside', terms: [] },
  )
  const { first: inOrder } = byUse(ours, things)
  const wide = (g: Goods) => g.acrossMm + 2 * besideMm
  const longOf = (n: number) => inOrder.slice(0, n).reduce((mm, g) => mm + wide(g), 0)
  const counts = Array.from({ length: Math.min(things, LIMITS.places) }, (_, i) => i + 1)
  const fit = counts.filter((n) => longOf(n) <= ctx.space.lengthMm + 1e-6).length
  if (fit < 1) return bad('places-past-wall', { mm: longOf(1), haveMm: ctx.space.lengthMm }, 'besideMm')
  const count = pen.count({ path: 'places', code: 'floor-places', min: 1, max: LIMITS.places }, fit, {
    ...{ code: 'places-things', terms: [] },
    data: { things, fit },
  })
  const { first, left } = byUse(ours, count)
  const lengthMm = first.reduce((mm, g) => mm + wide(g), 0)
  if (lengthMm > ctx.space.lengthMm + 1e-6)
    return bad('places-past-wall', { mm: lengthMm, haveMm: ctx.space.lengthMm }, 'places')
  const mostMm = longestBoard(ctx, p.stopSection)
  const band = { low: 0, high: stop.widthMm, throughMm: stop.thicknessMm }
  const run = runOnStuds(ctx.space, lengthMm, mostMm, { round: (mm) => roundUp(mm, units), bands: [band] })
  if (!run) return bad('stop-not-spliced', { mostMm })
  if (run.poor) return bad('stop-misses-studs', run.poor)
  let x = 0
  const places = first.map((item): InPlace => {
    const from = x
    x += wide(item)
    return { item, left: from, right: x }
  })
  return good({
    unhoused: [
      ...others.map((g) => ({ goodsId: g.item.id, count: g.count, why: 'no-place' })),
      ...[...left].map(([goodsId, n]) => ({ goodsId, count: n, why: 'no-place' })),
    ],
    plan: { stop, pieces: run.pieces, places, besideMm },
  })
}
