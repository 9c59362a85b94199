import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { placeRatedHook } from '../../blocks/holders/rated-hook.ts'
import { screwAlong } from '../../blocks/mounts/wall-fixing.ts'
import { WHEEL_HOOK } from '../../catalogue/hardware.ts'
import { good, type Result } from '../../measure/result.ts'
import { choicePen } from '../choices.ts'
import type { Choice, ShapeContext, Shaped } from '../family.ts'
import { opened } from '../opened.ts'
import { SCREWS, type HookRailParams } from './parameters.ts'
import { OVER_BEND_MM, planOut, type OnHook, type Plan } from './plan-out.ts'

/*
 *   ==========J=====J=====J==   a rail along the wall, screwed into its studs, a hook for each
 *            ( )   ( )   ( )    by its front wheel,
 *             |     |     |
 *            ( )   ( )   ( )    the rear one against the wall
 */
export function shapeHookRail(p: HookRailParams, ctx: ShapeContext): Result<Shaped> {
  const first = opened(p, ctx, planOut)
  if (!first.ok) return first
  const { d, pen, plan, unhoused } = first.value
  placeRail(d, p, ctx, plan)
  const hooks = plan.middles.map((x, k) =>
    placeRatedHook(d, {
      ...{ hook: WHEEL_HOOK, id: `hook-${k}`, on: railAt(plan, x), x, z: plan.hookMm, face: plan.rail.thicknessMm },
    }),
  )
  for (const id of hooks) d.sub({ id: `put-${id}`, name: 'unit', parts: [id], built: 'in-place' })
  pen.drag('lowestMm', { axis: 'z', sign: 1, parts: hooks })
  plan.hung.forEach((h) => hang(d, plan, h, hooks[h.column]))
  return good({ assembly: d.assembly, dims: pen.dims, choices: choices(p, ctx), unhoused })
}

/** The piece of rail that is behind a place along the wall. */
function railAt(plan: Plan, x: number): string {
  const k = plan.pieces.findIndex((s) => x <= s.to)
  return `rail-${k < 0 ? plan.pieces.length - 1 : k}`
}

function placeRail(d: Draft, p: HookRailParams, ctx: ShapeContext, { rail, hookMm, pieces }: Plan) {
  const stock: Stock = { kind: 'board', section: p.railSection, grade: ctx.settings.grade, treated: false }
  const ids = pieces.map((s, k) => {
    const id = `rail-${k}`
    d.square({
      id,
      role: 'back-rail',
      stock,
      min: [s.from, 0, hookMm - rail.widthMm / 2],
      size: [s.to - s.from, rail.thicknessMm, rail.widthMm],
      along: 'x',
      across: 'z',
    })
    screwAlong(d, id, hookMm, { space: ctx.space, system: ctx.settings.yard }, { count: SCREWS[p.wallScrews] })
    d.sub({ id: `put-${id}`, name: 'unit', parts: [id], built: 'in-place' })
    return id
  })
  d.mark(hookMm, 'rail-middle', 1, ids)
}

/**
 * Upright on its hook, its wheels to the wall. It weighs on the hook's tip, further out than on its bend: that is more
 * than the pull with which its rear wheel, pressed to the wall, draws at the hook (`hook-rail.test.ts`).
 */
function hang(d: Draft, plan: Plan, { item, column }: OnHook, hook: string) {
  const [x, face, top] = [plan.middles[column], plan.rail.thicknessMm, plan.hookMm + OVER_BEND_MM]
  d.bay({
    id: `wheel-${column}`,
    name: { code: 'hook', column: column + 1, row: 1 },
    holds: 'hung',
    clear: {
      min: [x - plan.widestMm / 2, face, top - item.acrossMm],
      max: [x + plan.widestMm / 2, face + Math.max(item.tallMm, WHEEL_HOOK.outMm), top + plan.liftMm],
    },
    carriers: [hook],
    items: [
      {
        goodsId: item.id,
        massKg: item.massKg,
        stands: 'bar',
        box: {
          min: [x - item.deepMm / 2, face, top - item.acrossMm],
          max: [x + item.deepMm / 2, face + item.tallMm, top],
        },
      },
    ],
    play: { sideMm: 0, aboveMm: 0, deepMm: 0 },
    stickOutMm: 0,
    exit: [0, 1, 0],
  })
}

function choices(p: HookRailParams, ctx: ShapeContext): Choice[] {
  const { section, coded } = choicePen(p)
  return [
    section(
      'railSection',
      'wheel-rail',
      ctx.settings.yard === 'imperial' ? ['2x4', '2x6'] : ['38x89mm', '47x100mm', '47x150mm'],
    ),
    coded('wallScrews', 'wall-screws', Object.keys(SCREWS)),
  ]
}
