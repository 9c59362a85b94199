import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { placeTee } from '../../blocks/arms/tee.ts'
import { hangUnder, hangUnderJoists } from '../../blocks/mounts/under-joists.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { longestBoard } from '../boards-of.ts'
import { choicePen } from '../choices.ts'
import type { Choice, ShapeContext, Shaped } from '../family.ts'
import { opened } from '../opened.ts'
import { SCREWS, type CeilingRunnersParams } from './parameters.ts'
import { COVERED_MM, PAST_WEB_MM, placesOf, planOut, type Plan } from './plan-out.ts'

/** A spacer board is this wide, mm: it only sets the gap. */
const SPACER_MM = 89

/*
 *   ===[joist]=======[joist]===   ceiling           Runners stand out from the wall, across the joists. Where the joists
 *       | web         | web       a T of two boards  run that way too, battens lie across them first.
 *     ==flange==    ==flange==
 *      |________tote________|     hangs by its rim, slides in from the front
 */
export function shapeCeilingRunners(p: CeilingRunnersParams, ctx: ShapeContext): Result<Shaped> {
  const first = opened(p, ctx, planOut, false)
  if (!first.ok) return first
  const { d, pen, plan, unhoused } = first.value
  const tooLong = longerThanBoard(p, ctx, plan)
  if (tooLong) return tooLong
  const board = (section: string): Stock => ({ kind: 'board', section, grade: ctx.settings.grade, treated: false })
  const over = { joists: plan.joists, prepared: ctx.space.prepared, system: ctx.settings.yard }
  plan.battens.forEach((y, i) => {
    const [from, to] = acrossAll(plan)
    d.square({
      id: `batten-${i}`,
      role: 'batten',
      stock: board(p.battenSection),
      min: [from, y - plan.batten.widthMm / 2, plan.topMm],
      size: [to - from, plan.batten.widthMm, plan.batten.thicknessMm],
      along: 'x',
      across: 'y',
    })
    hangUnderJoists(d, `batten-${i}`, over, SCREWS[p.battenScrews])
    d.sub({ id: `lay-batten-${i}`, name: 'unit', parts: [`batten-${i}`], built: 'in-place' })
  })
  plan.webs.forEach((left, i) => {
    runner(d, plan, { left, id: String(i) }, board(p.webSection), board(p.flangeSection))
    if (plan.battens.length === 0) hangUnderJoists(d, `web-${i}`, over)
    else
      for (const [k, y] of plan.battens.entries())
        hangUnder(d, `web-${i}`, `batten-${k}`, [{ x: left + plan.web.thicknessMm / 2, y }], {
          count: BATTEN_SCREWS,
          from: 'above',
        })
  })
  spacer(d, plan, board(p.flangeSection))
  placeBays(d, plan)
  plan.lanes.forEach((_l, c) =>
    pen.drag(`clearMm.${c}`, { axis: 'x', parts: [`web-${c + 1}`, `flange-${c + 1}`], sign: 1 }),
  )
  return good({ assembly: d.assembly, dims: pen.dims, choices: choices(p, ctx, plan), unhoused })
}
/** Screws of a web into each batten. */
const BATTEN_SCREWS = 2

const acrossAll = (plan: Plan): [number, number] => [
  Math.max(0, plan.webs[0] - PAST_WEB_MM),
  plan.webs[plan.webs.length - 1] + plan.web.thicknessMm + PAST_WEB_MM,
]

function longerThanBoard(p: CeilingRunnersParams, ctx: ShapeContext, plan: Plan): Result<never> | null {
  const longest = (section: string) => longestBoard(ctx, section)
  const [from, to] = acrossAll(plan)
  const wanted: [string, number, string][] = [
    [p.webSection, plan.runnerMm, 'runnerMm'],
    [p.flangeSection, plan.runnerMm, 'runnerMm'],
    ...(plan.battens.length > 0 ? ([[p.battenSection, to - from, 'columns']] as [string, number, string][]) : []),
  ]
  const lost = wanted.find(([section, mm]) => mm > longest(section))
  return lost ? bad('longer-than-board', { mm: lost[1], mostMm: longest(lost[0]) }, lost[2]) : null
}

/** Made on the bench. */
function runner(d: Draft, plan: Plan, r: { left: number; id: string }, web: Stock, flange: Stock) {
  const ids = { web: `web-${r.id}`, flange: `flange-${r.id}` }
  placeTee(d, {
    web: { ...plan.web, id: ids.web, stock: web },
    flange: { ...plan.flange, id: ids.flange, stock: flange },
    middleMm: r.left + plan.web.thicknessMm / 2,
    fromMm: 0,
    toMm: plan.runnerMm,
    topMm: plan.topMm,
    screwsEveryMm: plan.flangeScrewsMm,
  })
  d.sub({ id: `runner-${r.id}`, name: 'unit', parts: [ids.web, ids.flange], built: 'in-place' })
}

/** A board as long as the first opening is wide sets the next runner from the last. */
function spacer(d: Draft, plan: Plan, stock: Stock) {
  const { left, clearMm } = plan.lanes[0]
  d.square({
    id: 'spacer',
    role: 'guide',
    stock,
    min: [left, plan.runnerMm - SPACER_MM, plan.topMm - plan.flange.thicknessMm],
    size: [clearMm, plan.flange.widthMm, plan.flange.thicknessMm],
    along: 'x',
    across: 'y',
    temporary: true,
  })
}

function placeBays(d: Draft, plan: Plan) {
  const { railMm, topMm, play } = plan
  plan.lanes.forEach((lane, c) => {
    const rims = lane.totes.map((g) => railMm - (g.tallMm - (g.tote?.rimMm ?? 0)))
    const ys = placesOf(lane.totes)
    d.bay({
      id: `bay-${c}`,
      name: { code: 'place', column: c + 1, row: 1 },
      holds: 'rim',
      clear: {
        min: [lane.left, 0, Math.min(railMm, ...rims)],
        max: [lane.left + lane.clearMm, plan.runnerMm, topMm],
      },
      carriers: [`flange-${c}`, `flange-${c + 1}`],
      items: lane.totes.map((g, i) => ({
        goodsId: g.id,
        massKg: g.massKg,
        stands: 'flat' as const,
        box: {
          min: [lane.left + (lane.clearMm - g.acrossMm) / 2, ys[i], rims[i]],
          max: [lane.left + (lane.clearMm + g.acrossMm) / 2, ys[i] + g.deepMm, rims[i] + g.tallMm],
        },
      })),
      play: { sideMm: play.sideMm, aboveMm: play.aboveMm, deepMm: 0 },
      stickOutMm: COVERED_MM,
      exit: [0, 1, 0],
    })
  })
}

function choices(p: CeilingRunnersParams, ctx: ShapeContext, plan: Plan): Choice[] {
  const imperial = ctx.settings.yard === 'imperial'
  const webs = imperial ? ['2x3', '2x4', '2x6'] : ['38x63mm', '38x89mm', '47x100mm']
  const flanges = imperial ? ['1x4', '1x6', '2x4', '2x6'] : ['18x94mm', '38x89mm', '47x100mm']
  const battens = imperial ? ['2x4', '2x6'] : ['38x89mm', '47x100mm', '47x150mm']
  const { section, coded } = choicePen(p)
  return [
    section('webSection', 'web-section', webs),
    section('flangeSection', 'flange-section', flanges),
    ...(plan.battens.length > 0
      ? [
          section('battenSection', 'batten-section', battens),
          coded('battenScrews', 'batten-screws', Object.keys(SCREWS)),
        ]
      : []),
  ]
}
