import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { placeRatedHook } from '../../blocks/holders/rated-hook.ts'
import { OUT, screwAlong, UP } from '../../blocks/mounts/wall-fixing.ts'
import { PEG_HOOK } from '../../catalogue/hardware.ts'
import type { Vec3 } from '../../geometry/vec.ts'
import { good, type Result } from '../../measure/result.ts'
import { choicePen } from '../choices.ts'
import type { Choice, ShapeContext, Shaped } from '../family.ts'
import { opened } from '../opened.ts'
import { SCREWS, type PegboardParams } from './parameters.ts'
import { planOut, type Plan } from './plan-out.ts'

/** Screws of a panel keep this far from its edges, mm. */
const FROM_EDGE_MM = 25

/*
 *   |====[batten]====|   battens along the wall, on studs
 *   |  o    o     o  |   panel before them, screwed to every batten; hooks through its holes
 *   |====[batten]====|
 */
export function shapePegboard(p: PegboardParams, ctx: ShapeContext): Result<Shaped> {
  const first = opened(p, ctx, planOut)
  if (!first.ok) return first
  const { d, pen, plan, unhoused } = first.value
  battens(d, p, ctx, plan)
  plan.panels.forEach((_s, k) => panel(d, plan, k))
  hooks(d, plan)
  plan.battens.forEach((z, i) =>
    d.mark(
      z,
      'batten-middle',
      i + 1,
      plan.pieces.map((_x, k) => `batten-${k}-${i}`),
    ),
  )
  return good({ assembly: d.assembly, dims: pen.dims, choices: choices(p, ctx), unhoused })
}

function battens(d: Draft, p: PegboardParams, ctx: ShapeContext, plan: Plan) {
  const { batten } = plan
  const stock: Stock = { kind: 'board', section: p.battenSection, grade: ctx.settings.grade, treated: false }
  const wall = { space: ctx.space, system: ctx.settings.yard }
  plan.battens.forEach((z, i) =>
    plan.pieces.forEach((s, k) => {
      const id = `batten-${k}-${i}`
      d.square({
        id,
        role: 'batten',
        stock,
        min: [s.from, 0, z - batten.widthMm / 2],
        size: [s.to - s.from, batten.thicknessMm, batten.widthMm],
        along: 'x',
        across: 'z',
      })
      screwAlong(d, id, z, wall, { count: SCREWS[p.wallScrews] })
      d.sub({ id: `put-${id}`, name: 'unit', parts: [id], built: 'in-place' })
    }),
  )
}

/** A panel before the battens: held up and back by its screws, and pressed on them where it would turn. */
function panel(d: Draft, plan: Plan, k: number) {
  const { sheet, batten, highMm, lowestMm } = plan
  const s = plan.panels[k]
  const id = `panel-${k}`
  const wide = s.to - s.from >= highMm
  d.square({
    id,
    role: 'back',
    stock: { kind: 'sheet', sheet: sheet.id },
    min: [s.from, batten.thicknessMm, lowestMm],
    size: [s.to - s.from, sheet.thicknessMm, highMm],
    along: wide ? 'x' : 'z',
    across: wide ? 'z' : 'x',
    grain: 'any',
  })
  const body = `${id}-body`
  d.body(body, [id], [])
  plan.battens.forEach((z, i) =>
    plan.pieces.forEach((piece, j) => {
      const [from, to] = [Math.max(s.from, piece.from) + FROM_EDGE_MM, Math.min(s.to, piece.to) - FROM_EDGE_MM]
      if (to <= from) return
      const n = Math.max(1, Math.ceil((to - from) / plan.screwsMm))
      const on = `batten-${j}-${i}`
      const joint = d.screw(id, on, n + 1, 'side', sheet.thicknessMm, batten.thicknessMm)
      // Its ends stand for all screws of a batten between them.
      for (const x of [from, to]) {
        const at: Vec3 = [x, batten.thicknessMm, z]
        for (const push of [UP, OUT])
          d.hold({
            from: { body, through: id },
            on: { kind: 'part', part: on },
            contact: { min: at, max: at },
            push,
            way: 'both',
            via: 'fasteners',
            joint,
          })
      }
    }),
  )
  d.sub({ id: `lay-${id}`, name: 'sheets', parts: [id], built: 'in-place' })
}

function hooks(d: Draft, plan: Plan) {
  const face = plan.batten.thicknessMm + plan.sheet.thicknessMm
  plan.hung.forEach(({ item, panel: k, x, z, hangMm }, i) => {
    const at = plan.lowestMm + z
    const id = placeRatedHook(d, { hook: PEG_HOOK, id: `hook-${i}`, on: `panel-${k}`, x, z: at, face })
    const y = face + PEG_HOOK.outMm / 2
    const base = at - hangMm
    d.bay({
      id: `bay-${i}`,
      name: { code: 'hook', column: i + 1, row: k + 1 },
      holds: 'hung',
      clear: {
        min: [x - item.acrossMm / 2, plan.batten.thicknessMm, base],
        max: [x + item.acrossMm / 2, Math.max(y + item.deepMm / 2, face + item.deepMm), base + item.tallMm],
      },
      carriers: [id],
      items: [
        {
          goodsId: item.id,
          massKg: item.massKg,
          stands: 'flat',
          box: {
            min: [x - item.acrossMm / 2, face, base],
            max: [x + item.acrossMm / 2, face + item.deepMm, base + item.tallMm],
          },
        },
      ],
      play: { sideMm: 0, aboveMm: 0, deepMm: 0 },
      stickOutMm: 0,
      exit: [0, 1, 0],
    })
    d.sub({ id: `put-hook-${i}`, name: 'unit', parts: [id], built: 'in-place' })
  })
}

function choices(p: PegboardParams, ctx: ShapeContext): Choice[] {
  const imperial = ctx.settings.yard === 'imperial'
  const { section, sheet, coded } = choicePen(p)
  return [
    sheet('sheet', 'peg-sheet', imperial ? ['ply-3/8', 'ply-15/32', 'hb-1/4'] : ['ply-9mm', 'ply-12mm', 'hb-6mm']),
    section('battenSection', 'batten-section', imperial ? ['1x2', '2x2', '2x3'] : ['18x44mm', '38x38mm', '38x63mm']),
    coded('wallScrews', 'batten-in-stud', Object.keys(SCREWS)),
  ]
}
