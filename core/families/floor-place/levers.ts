import type { Lever, ShapeContext } from '../family.ts'
import { DEEPER, leverPen, strengthPen } from '../levers.ts'
import type { FloorPlaceParams } from './parameters.ts'

export interface LeverData {
  'floor-stop': { section: string }
  'places-fewer': { count: number }
  'places-closer': { mm: number }
}

/** Nearer to each other machines are guided with care, mm; with nothing beside it one only just goes in. */
const CLOSER = [25, 10, 0]

/** Ways in which it can be changed when something does not fit; one change each. */
export function floorPlaceLevers(p: FloorPlaceParams, ctx: ShapeContext): Lever<FloorPlaceParams>[] {
  const { out, add } = strengthPen(p)
  const places = p.places ?? ctx.goods.reduce((n, g) => n + g.count, 0)
  if (places > 1) add('places-fewer', { places: places - 1 }, { count: places - 1 })
  for (const mm of CLOSER) if ((p.besideMm ?? Infinity) > mm) add('places-closer', { besideMm: mm }, { mm })
  for (const section of DEEPER[p.stopSection] ?? []) add('floor-stop', { stopSection: section }, { section })
  return out
}

/** Ways to spend less on one. */
export function floorPlaceSavers(p: FloorPlaceParams): Lever<FloorPlaceParams>[] {
  const pen = leverPen(p)
  const slimmer = Object.entries(DEEPER).find(([, deeper]) => deeper[0] === p.stopSection)?.[0]
  if (slimmer) pen.add('floor-stop', { stopSection: slimmer }, { section: slimmer })
  return pen.out
}
