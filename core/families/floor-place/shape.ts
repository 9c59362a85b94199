import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { screwAlong } from '../../blocks/mounts/wall-fixing.ts'
import { standsOn } from '../../goods/goods.ts'
import { good, type Result } from '../../measure/result.ts'
import { choicePen } from '../choices.ts'
import type { ShapeContext, Shaped } from '../family.ts'
import { opened } from '../opened.ts'
import type { FloorPlaceParams } from './parameters.ts'
import { planOut, type Plan } from './plan-out.ts'

/*
 *   wall ==============================   a board on edge on the floor, screwed into the studs
 *        :  ________  :  ____________  :   what is rolled in stops there, with room beside it;
 *        : |        | : |            | :   its place is marked on the floor
 */
export function shapeFloorPlace(p: FloorPlaceParams, ctx: ShapeContext): Result<Shaped> {
  const begun = opened(p, ctx, planOut)
  if (!begun.ok) return begun
  const { d, pen, plan, unhoused } = begun.value
  stops(d, p, ctx, plan)
  plan.places.forEach((_x, k) => place(d, ctx, plan, k))
  const { section } = choicePen(p)
  const sections = ctx.settings.yard === 'imperial' ? ['2x3', '2x4', '2x6'] : ['38x63mm', '38x89mm', '47x100mm']
  return good({
    assembly: d.assembly,
    dims: pen.dims,
    choices: [section('stopSection', 'floor-stop', sections)],
    unhoused,
  })
}

/** The board on edge along the wall, in pieces that meet on studs. */
function stops(d: Draft, p: FloorPlaceParams, ctx: ShapeContext, { stop, pieces }: Plan) {
  const stock: Stock = { kind: 'board', section: p.stopSection, grade: ctx.settings.grade, treated: false }
  pieces.forEach((s, k) => {
    const id = `stop-${k}`
    d.square({
      ...{ id, role: 'back-rail', stock, along: 'x', across: 'z' },
      min: [s.from, 0, 0],
      size: [s.to - s.from, stop.thicknessMm, stop.widthMm],
    })
    screwAlong(d, id, stop.widthMm / 2, { space: ctx.space, system: ctx.settings.yard }, { count: 1 })
    d.sub({ id: `put-${id}`, name: 'unit', parts: [id], built: 'in-place' })
  })
}

/** A thing on the floor in the middle of its place, against the board. */
function place(d: Draft, ctx: ShapeContext, { stop, places, besideMm }: Plan, k: number) {
  const { item, left, right } = places[k]
  const back = stop.thicknessMm
  const x = (left + right - item.acrossMm) / 2
  d.bay({
    id: `place-${k}`,
    name: { code: 'floor', column: k + 1, row: 0 },
    holds: 'surface',
    clear: {
      min: [left, back, 0],
      max: [right, back + item.deepMm, Math.max(ctx.space.ceilingMm, item.tallMm + 1)],
    },
    carriers: [],
    items: [
      {
        goodsId: item.id,
        massKg: item.massKg,
        stands: standsOn(item.kind),
        box: { min: [x, back, 0], max: [x + item.acrossMm, back + item.deepMm, item.tallMm] },
      },
    ],
    play: { sideMm: besideMm, aboveMm: 0, deepMm: 0 },
    stickOutMm: 0,
    exit: [0, 1, 0],
  })
}
