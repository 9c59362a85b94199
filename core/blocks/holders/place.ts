import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { INSIDE } from './between.ts'
import { handHoles } from './hand-holes.ts'
import { hookSides, placeSides, type Hooked, type SidesSpec } from './frame.ts'
import { onOnePlate } from './on-plate.ts'
import { onPlate, outlineOf, type Holder } from './outline.ts'
import { board, middles } from './site.ts'

/** Puts a holder on its strip with its tools in it. */
export function placeHolder(d: Draft, h: Holder, hangs: { cleat: Stock }): void {
  const o = outlineOf(h)
  const hooked: Hooked = {
    id: h.id,
    strips: h.strips,
    row: h.row,
    left: h.left,
    wideMm: o.wideMm,
    footMm: o.footMm,
    leanMm: o.leanMm,
    cleatStock: hangs.cleat,
    tags: {
      held: h.size.held,
      goods: h.size.item.name,
      tools: h.count,
      openMm: h.size.openMm,
      keyMm: h.size.keyMm,
      pitchMm: h.size.pitchMm,
      travels: h.size.tool.travels ? 1 : 0,
    },
  }
  if (onPlate(h.size)) return onOnePlate(d, { h, o, xs: middles(h, h.left) }, hooked)
  const spec: SidesSpec = {
    deepMm: h.stock.rail.thicknessMm + h.size.deepMm,
    headMm: o.headMm,
    upperMm: o.upperMm,
    sheet: h.stock.sheet,
    rail: h.stock.rail,
    railStock: board(h.stock.rail, h.stock.grade),
    railScrews: h.stock.railScrews,
    ...hooked,
  }
  const sides = placeSides(d, spec)
  const site = { h, o, xs: middles(h, sides.left) }
  INSIDE[h.size.held as keyof typeof INSIDE](d, site, sides)
  const parts = d.assembly.parts.map((p) => p.id).filter((id) => id.startsWith(`${h.id}-`))
  const handles = h.size.tool.travels ? handHoles(d, sides.sides, { ...sides, headMm: o.headMm, parts }) : 0
  hookSides(d, { ...spec, tags: { ...spec.tags, handles } }, sides)
}
