import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { pile } from '../../blocks/arms/stacking.ts'
import { hangCradles } from '../../blocks/mounts/cradles.ts'
import { RODS } from '../../catalogue/steel.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { longestBoard } from '../boards-of.ts'
import { choicePen } from '../choices.ts'
import type { Choice, ShapeContext, Shaped } from '../family.ts'
import { opened } from '../opened.ts'
import { FROM, type CeilingCradlesParams } from './parameters.ts'
import { planOut, type Plan } from './plan-out.ts'

export function shapeCeilingCradles(p: CeilingCradlesParams, ctx: ShapeContext): Result<Shaped> {
  const first = opened(p, ctx, planOut, false)
  if (!first.ok) return first
  const { d, pen, plan, unhoused } = first.value
  const stock = (section: string): Stock => ({ kind: 'board', section, grade: ctx.settings.grade, treated: false })
  const { bearer, spreader, rod, joists, topMm } = plan
  const hung = hangCradles(
    d,
    {
      ...{ rod, joists, topMm, ceilingMm: ctx.space.ceilingMm },
      bearer: { section: bearer, stock: stock(bearer.id) },
      spreader: { section: spreader, stock: stock(spreader.id) },
    },
    plan.places,
  )
  if (!hung.ok) return hung
  const { bearers, spreaders, rods } = hung.value
  for (const [ids, section] of [
    [bearers, bearer.id],
    [spreaders, spreader.id],
  ] as const) {
    const mm = Math.max(...ids.map((id) => d.part(id).size.lengthMm))
    const mostMm = longestBoard(ctx, section)
    if (mm > mostMm) return bad('longer-than-board', { mm, mostMm }, ids === bearers ? 'clearMm' : 'cradles')
  }
  d.sub({ id: 'hangs', name: 'unit', parts: [...spreaders, ...rods], built: 'in-place' })
  for (const id of bearers) d.sub({ id: `lay-${id}`, name: 'unit', parts: [id], built: 'in-place' })
  d.mark(topMm, 'cradle-top', 1, bearers)
  pen.drag('topMm', { axis: 'z', sign: 1, parts: bearers })
  lay(d, p, plan, bearers)
  return good({ assembly: d.assembly, dims: pen.dims, choices: choices(p, ctx), unhoused })
}

/**
 * Past the last bearer so much of a thing is level before its end goes down: a hand's room under the ceiling over what is
 * left behind lets it tip by 20 degrees where a tenth of it is, and more after that.
 */
const TIPPED_SHARE = 0.9

/** All that is long across the bearers, slid in from one end between the rods. */
function lay(d: Draft, p: CeilingCradlesParams, plan: Plan, bearers: string[]) {
  const { topMm, backMm, clearMm, longestMm, middleMm, middles, stacks, aboveMm } = plan
  const items = stacks.flatMap((s) => pile(s, middles.get(s.item.id) ?? middleMm, backMm, topMm))
  const reach = (side: 'min' | 'max', edge: number, of: (...n: number[]) => number) =>
    of(edge, ...items.map((i) => i.box[side][0]))
  const last = plan.places.xs[p.from === 'right' ? plan.places.xs.length - 1 : 0]
  const end = p.from === 'right' ? reach('max', last, Math.max) : reach('min', last, Math.min)
  const high = Math.max(0, ...stacks.map((s) => s.count * s.item.tallMm))
  d.bay({
    id: 'over',
    name: { code: 'level', column: 1, row: 1 },
    holds: 'surface',
    clear: {
      min: [reach('min', middleMm - longestMm / 2, Math.min), backMm, topMm],
      max: [reach('max', middleMm + longestMm / 2, Math.max), backMm + clearMm, topMm + high + aboveMm],
    },
    carriers: bearers,
    items,
    play: { sideMm: 0, aboveMm, deepMm: 0 },
    stickOutMm: 0,
    exit: [p.from === 'right' ? 1 : -1, 0, 0],
    wayMm: Math.max(0, TIPPED_SHARE * longestMm - Math.abs(end - last)),
  })
}

function choices(p: CeilingCradlesParams, ctx: ShapeContext): Choice[] {
  const boards =
    ctx.settings.yard === 'imperial' ? ['2x3', '2x4', '2x6'] : ['38x63mm', '38x89mm', '47x100mm', '47x150mm']
  const rods = RODS.filter((r) => r.system === ctx.settings.yard).map((r) => r.id)
  const { section, coded } = choicePen(p)
  return [
    section('bearerSection', 'cradle-bearer', boards),
    section('rod', 'rod', rods),
    section('spreaderSection', 'spreader-section', boards.slice(1)),
    coded('from', 'slid-in-from', FROM),
  ]
}
