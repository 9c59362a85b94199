import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { armTopMm, placeArm } from '../../blocks/arms/arm.ts'
import { pile } from '../../blocks/arms/stacking.ts'
import { anchorAt, holdsAt, WALL } from '../../blocks/mounts/wall-fixing.ts'
import { coursesOf, upAlong } from '../../room/courses.ts'
import type { Vec3 } from '../../geometry/vec.ts'
import { good, type Result } from '../../measure/result.ts'
import { armChoices, armStock } from '../arms.ts'
import { choicePen } from '../choices.ts'
import type { Choice, ShapeContext, Shaped } from '../family.ts'
import { opened } from '../opened.ts'
import { SCREWS, type BoardRackParams } from './parameters.ts'
import { planOut, type Plan } from './plan-out.ts'

/** An upright is fixed this often, and this far from its ends, mm. Product decisions. */
const FIXED_EVERY_MM = 400
const FROM_END_MM = 50

/*
 *   |‾|     |‾|     |‾|   uprights on studs, bored from the front
 *   |o======|o======|o==  arms a little up; boards lie across them
 *   |o      |o      |o
 *     [sheets stand below]
 */
export function shapeBoardRack(p: BoardRackParams, ctx: ShapeContext): Result<Shaped> {
  const first = opened(p, ctx, planOut)
  if (!first.ok) return first
  const { d, pen, plan, unhoused } = first.value
  plan.uprights.forEach((x, k) => upright(d, p, ctx, plan, { x, id: `upright-${k}` }))
  plan.heights.forEach((z, i) => {
    const arms = plan.uprights.map((x, k) =>
      placeArm(d, armStock(p, ctx.settings.grade), plan.arm, {
        ...{ id: `arm-${k}-${i}`, into: `upright-${k}`, x, z },
        faceMm: plan.deepMm,
      }),
    )
    d.mark(z, 'arm-hole', i + 1, arms)
    if (i === 0) pen.drag('lowestMm', { axis: 'z', sign: 1, parts: arms })
    level(d, plan, i, arms)
  })
  below(d, plan)
  return good({ assembly: d.assembly, dims: pen.dims, choices: choices(p, ctx), unhoused })
}

const board = (section: string, ctx: ShapeContext): Stock => ({
  kind: 'board',
  section,
  grade: ctx.settings.grade,
  treated: false,
})

/** Screwed through into its stud, over its whole height. */
function upright(d: Draft, p: BoardRackParams, ctx: ShapeContext, plan: Plan, u: { x: number; id: string }) {
  const [low, high] = [plan.heights[0] - plan.pastMm, plan.heights[plan.heights.length - 1] + plan.pastMm]
  const foot = Math.max(0, low)
  d.square({
    id: u.id,
    role: 'post',
    stock: board(p.uprightSection, ctx),
    min: [u.x - plan.wideMm / 2, 0, foot],
    size: [plan.wideMm, plan.deepMm, high - foot],
    along: 'z',
    across: 'x',
  })
  const [from, to] = [foot + FROM_END_MM, high - FROM_END_MM]
  const n = Math.max(1, Math.ceil((to - from) / FIXED_EVERY_MM))
  const wall = { space: ctx.space, system: ctx.settings.yard }
  const even = Array.from({ length: n + 1 }, (_, i) => clearOfHoles(from + ((to - from) * i) / n, plan))
  for (const z of upAlong(coursesOf(ctx.space.construction), even, [from, to])) {
    const given = { count: SCREWS[p.wallScrews], holds: ['x', 'y', 'z'] as ('x' | 'y' | 'z')[] }
    const anchor = anchorAt(d, u.id, { x: u.x, z, throughMm: plan.deepMm }, wall, given)
    holdsAt(d, { part: u.id }, anchor, { x: u.x, z })
    const contact = { min: [u.x, 0, z] as Vec3, max: [u.x, 0, z] as Vec3 }
    d.hold({ from: { part: u.id }, on: WALL, contact, push: [1, 0, 0], way: 'both', via: 'fasteners', anchor })
  }
  d.sub({ id: `put-${u.id}`, name: 'unit', parts: [u.id], built: 'in-place' })
}

/** A screw does not run into a hole: it is moved past one, down. */
function clearOfHoles(z: number, plan: Plan): number {
  const away = plan.arm.diameterMm / 2 + CLEAR_MM
  const near = plan.heights.find((h) => Math.abs(h - z) < away)
  return near === undefined ? z : near - away
}
const CLEAR_MM = 20

/** Boards in stacks across the arms of one level; they lie level with the ends of the arms. */
function level(d: Draft, plan: Plan, i: number, arms: string[]) {
  const { arm: a, middleMm, longestMm, deepMm, play, aside } = plan
  const top = plan.heights[i] + armTopMm(a.outMm, a.diameterMm)
  const stacks = plan.levels[i]?.stacks ?? []
  const high = Math.max(0, ...stacks.map((s) => s.count * s.item.tallMm))
  d.bay({
    id: `level-${i}`,
    name: { code: 'level', column: 1, row: i + 1 },
    holds: 'surface',
    clear: {
      min: [middleMm - longestMm / 2, deepMm, top],
      max: [middleMm + longestMm / 2, deepMm + a.outMm, top + high + play.aboveMm],
    },
    carriers: arms,
    items: stacks.flatMap((s) => pile(s, aside.get(s.item.id) ?? middleMm, deepMm, top)),
    play: { sideMm: 0, aboveMm: play.aboveMm, deepMm: 0 },
    stickOutMm: 0,
    exit: [0, 1, 0],
  })
}

/** Sheets on edge on the floor under the lowest arms, against the uprights. */
function below(d: Draft, plan: Plan) {
  if (plan.sheets.length === 0) return
  const all = plan.sheets.flatMap((g) => Array.from({ length: g.count }, () => g.item))
  const widest = Math.max(...all.map((g) => g.acrossMm))
  const left = Math.max(0, plan.middleMm - widest / 2)
  let y = plan.deepMm
  const items = all.map((g) => {
    const at = y
    y += g.deepMm
    return {
      goodsId: g.id,
      massKg: g.massKg,
      stands: 'flat' as const,
      box: {
        min: [left, at, 0] as [number, number, number],
        max: [left + g.acrossMm, y, g.tallMm] as [number, number, number],
      },
    }
  })
  d.bay({
    id: 'sheets',
    name: { code: 'floor', column: 1, row: 0 },
    holds: 'slot',
    clear: {
      min: [left, plan.deepMm, 0],
      max: [left + widest, Math.max(y, plan.deepMm + plan.arm.outMm), plan.heights[0]],
    },
    carriers: [],
    items,
    play: { sideMm: 0, aboveMm: 0, deepMm: 0 },
    stickOutMm: 0,
    exit: [0, 1, 0],
  })
}

function choices(p: BoardRackParams, ctx: ShapeContext): Choice[] {
  const imperial = ctx.settings.yard === 'imperial'
  const { section, coded } = choicePen(p)
  return [
    ...armChoices(p, ctx.settings.yard),
    section(
      'uprightSection',
      'upright-section',
      imperial ? ['4x4', '2x4', '2x6'] : ['70x70mm', '47x100mm', '47x150mm'],
    ),
    coded('wallScrews', 'upright-screws', Object.keys(SCREWS)),
  ]
}
