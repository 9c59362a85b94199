import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { placeArm } from '../../blocks/arms/arm.ts'
import { OUT, screwAlong, UP } from '../../blocks/mounts/wall-fixing.ts'
import type { Vec3 } from '../../geometry/vec.ts'
import { barOf } from '../../goods/goods.ts'
import { good, type Result } from '../../measure/result.ts'
import { tubeChoice } from '../arms.ts'
import { choicePen } from '../choices.ts'
import type { Choice, ShapeContext, Shaped } from '../family.ts'
import { opened } from '../opened.ts'
import { SCREWS, UPRIGHT_SCREWS, type HangingArmsParams } from './parameters.ts'
import { planOut, type HungOne, type Plan } from './plan-out.ts'

const ALONG: Vec3 = [1, 0, 0]

/*
 *   ==|=|=========|=|==   rails along the wall, screwed into its studs
 *     |o|         |o|     uprights on them in pairs, an arm of each in its hole
 *     | |         | |     a bicycle hangs by its top tube on both arms of a pair
 *   ==|=|=========|=|==
 */
export function shapeHangingArms(p: HangingArmsParams, ctx: ShapeContext): Result<Shaped> {
  const first = opened(p, ctx, planOut)
  if (!first.ok) return first
  const { d, pen, plan, unhoused } = first.value
  const board = (section: string): Stock => ({ kind: 'board', section, grade: ctx.settings.grade, treated: false })
  placeRails(d, p, ctx, plan, board(p.railSection))
  plan.columns.forEach((middle, k) =>
    [-1, 1].forEach((side, j) => {
      const x = middle + (side * plan.apartMm) / 2
      placeUpright(d, p, plan, board(p.uprightSection), { id: `upright-${k}-${j}`, x })
      plan.armsMm.forEach((z, i) =>
        placeArm(d, { kind: 'steel', rod: p.tube }, plan.arm, {
          ...{ id: `arm-${k}-${j}-${i}`, into: `upright-${k}-${j}`, x, z },
          faceMm: plan.rail.thicknessMm + plan.deepMm,
        }),
      )
    }),
  )
  plan.armsMm.forEach((z, i) => {
    const arms = plan.columns.flatMap((_x, k) => [`arm-${k}-0-${i}`, `arm-${k}-1-${i}`])
    d.mark(z, 'arm-hole', i + 1, arms)
    if (i === 0) pen.drag('lowestMm', { axis: 'z', sign: 1, parts: arms })
  })
  frames(d, plan)
  plan.hung.forEach((h) => hang(d, plan, h))
  return good({ assembly: d.assembly, dims: pen.dims, choices: choices(p, ctx), unhoused })
}

function placeRails(d: Draft, p: HangingArmsParams, ctx: ShapeContext, plan: Plan, stock: Stock) {
  const { rail } = plan
  const wall = { space: ctx.space, system: ctx.settings.yard }
  plan.rails.forEach((z, i) =>
    plan.pieces.forEach((s, k) => {
      const id = `rail-${i}-${k}`
      d.square({
        id,
        role: 'back-rail',
        stock,
        min: [s.from, 0, z - rail.widthMm / 2],
        size: [s.to - s.from, rail.thicknessMm, rail.widthMm],
        along: 'x',
        across: 'z',
      })
      screwAlong(d, id, z, wall, { count: SCREWS[p.wallScrews], covered: plan.covered })
      d.mark(z, 'rail-middle', i + 1, [id])
    }),
  )
}

/** Plumb before the rails, screwed through every one from behind. */
function placeUpright(d: Draft, p: HangingArmsParams, plan: Plan, stock: Stock, u: { id: string; x: number }) {
  const { wideMm, deepMm, rail, upright } = plan
  d.square({
    id: u.id,
    role: 'post',
    stock,
    min: [u.x - wideMm / 2, rail.thicknessMm, upright.from],
    size: [wideMm, deepMm, upright.to - upright.from],
    along: 'z',
    across: 'x',
  })
  plan.rails.forEach((z, i) => {
    const k = plan.pieces.findIndex((s) => u.x <= s.to)
    const on = `rail-${i}-${k < 0 ? plan.pieces.length - 1 : k}`
    const joint = d.screw(on, u.id, UPRIGHT_SCREWS[p.uprightScrews], 'side', rail.thicknessMm, deepMm)
    const at: Vec3 = [u.x, rail.thicknessMm, z]
    for (const push of [UP, OUT, ALONG])
      d.hold({
        from: { part: u.id },
        on: { kind: 'part', part: on },
        contact: { min: at, max: at },
        push,
        way: 'both',
        via: 'fasteners',
        joint,
      })
  })
}

/** Rails of one length with the uprights before them: put together lying, and lifted to the wall as one. */
function frames(d: Draft, plan: Plan) {
  plan.pieces.forEach((_s, k) => {
    const rails = plan.rails.map((_z, i) => `rail-${i}-${k}`)
    const uprights = plan.columns.flatMap((_x, c) => [`upright-${c}-0`, `upright-${c}-1`])
    d.sub({
      id: `frame-${k}`,
      name: 'unit',
      parts: [...rails, ...uprights.filter((id) => d.meets(id, rails[0]))],
      built: 'in-place',
    })
  })
}

/** On its pair of arms, by its bar; its handle bars clear of the uprights. */
function hang(d: Draft, plan: Plan, { item, row, column }: HungOne) {
  const face = plan.rail.thicknessMm + plan.deepMm
  const [x, y, z] = [plan.columns[column], face + plan.barOutMm, plan.barsMm[row]]
  const { belowMm } = barOf(item)
  d.bay({
    id: `pair-${column}-${row}`,
    name: { code: 'pair', column: column + 1, row: row + 1 },
    holds: 'hung',
    clear: {
      min: [x - plan.widestMm / 2, face, z - plan.belowMm],
      max: [x + plan.widestMm / 2, Math.max(face + plan.arm.outMm, y + item.deepMm / 2), z + plan.overMm],
    },
    carriers: [`arm-${column}-0-${row}`, `arm-${column}-1-${row}`],
    items: [
      {
        goodsId: item.id,
        massKg: item.massKg,
        stands: 'bar',
        box: {
          min: [x - item.acrossMm / 2, y - item.deepMm / 2, z - belowMm],
          max: [x + item.acrossMm / 2, y + item.deepMm / 2, z - belowMm + item.tallMm],
        },
      },
    ],
    play: { sideMm: 0, aboveMm: 0, deepMm: 0 },
    stickOutMm: 0,
    exit: [0, 1, 0],
  })
}

function choices(p: HangingArmsParams, ctx: ShapeContext): Choice[] {
  const imperial = ctx.settings.yard === 'imperial'
  const { section, coded } = choicePen(p)
  return [
    tubeChoice(p, ctx.settings.yard),
    section('uprightSection', 'pair-uprights', imperial ? ['4x4', '2x4', '2x6'] : ['70x70mm', '47x100mm', '47x150mm']),
    section('railSection', 'pair-rails', imperial ? ['2x3', '2x4', '2x6'] : ['38x63mm', '38x89mm', '47x100mm']),
    coded('uprightScrews', 'pair-fixed', Object.keys(UPRIGHT_SCREWS)),
    coded('wallScrews', 'wall-screws', Object.keys(SCREWS)),
  ]
}
