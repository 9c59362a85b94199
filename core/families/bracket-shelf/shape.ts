import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { FROM_FRONT_MM, placeBracket, placeHungArm, type Placed } from '../../blocks/arms/bracket.ts'
import { hangOne } from '../../blocks/mounts/on-rods.ts'
import type { Box } from '../../geometry/box.ts'
import { findSection } from '../../catalogue/lumber.ts'
import { findRod, RODS } from '../../catalogue/steel.ts'
import { notchEdge, ROUND_MM } from '../../blocks/frame/notched-round.ts'
import { UP } from '../../blocks/mounts/wall-fixing.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { choicePen } from '../choices.ts'
import type { Choice, ShapeContext, Shaped } from '../family.ts'
import { opened } from '../opened.ts'
import { standing } from '../house-on-shelves.ts'
import { SCREWS, type BracketShelfParams } from './parameters.ts'
import { planOut, STICK_OUT, type Plan } from './plan-out.ts'

/** Screws of a shelf in each arm are this far apart, mm. */
const SHEET_SCREWS_EVERY = 200

/*
 *  front:  ________________________      side:  wall|‾‾‾‾‾‾‾| shelf on arms
 *           ||         ||        ||                 |_|___.‾
 *           ||         ||        ||                 | | .‾      gussets or braces on both sides
 *          stud       stud      stud                |_|‾
 */
export function shapeBracketShelf(p: BracketShelfParams, ctx: ShapeContext): Result<Shaped> {
  const first = opened(p, ctx, planOut)
  if (!first.ok) return first
  const { d, pen, plan, unhoused } = first.value
  let bare = Infinity
  plan.tops.forEach((topMm, i) => {
    const last = plan.brackets.length - 1
    const brackets = plan.brackets.map((x, k) =>
      bracket(d, p, ctx, plan, { x, topMm, id: `bracket-${k}-${i}`, hung: plan.joists !== null && k === last }),
    )
    brackets.forEach((b, k) =>
      d.sub({ id: `frame-${k}-${i}`, name: 'unit', parts: [b.leg, b.arm, ...b.pair], built: 'in-place' }),
    )
    if (plan.above) bare = Math.min(bare, ...brackets.map((b) => bareMm(d, plan, b, topMm)))
    const sheets = plan.sheets.map((s, n) => shelf(d, plan, { ...s, id: `shelf-${n}-${i}`, topMm }, brackets))
    sheets.forEach((id) => d.sub({ id: `lay-${id}`, name: 'unit', parts: [id], built: 'in-place' }))
    d.mark(topMm, 'shelf-top', i, sheets)
  })
  if (plan.joists) {
    const hung = hangCorner(d, p, ctx, plan, plan.joists)
    if (!hung.ok) return hung
  }
  const leastMm = LEAST_BARE * plan.depthMm
  if (bare < leastMm) return bad('arm-under-braces', { mm: Math.max(0, bare), leastMm }, 'kneeSection')
  placeBays(d, plan)
  return good({ assembly: d.assembly, dims: pen.dims, choices: choices(p, ctx), unhoused })
}

function bracket(
  d: Draft,
  p: BracketShelfParams,
  ctx: ShapeContext,
  plan: Plan,
  at: { x: number; topMm: number; id: string; hung: boolean },
): Placed {
  const board = (section: string): Stock => ({ kind: 'board', section, grade: ctx.settings.grade, treated: false })
  const { pair, deepMm, wideMm } = plan
  const under = at.topMm - plan.sheet.thicknessMm
  const above = p.stand === 'above'
  const place = at.hung ? placeHungArm : placeBracket
  return place(
    d,
    {
      id: at.id,
      above,
      left: at.x - wideMm / 2,
      wideMm,
      deepMm,
      stock: board(p.frameSection),
      armMm: plan.depthMm,
      topMm: under,
      footMm: above ? under + plan.downMm : under - deepMm - plan.downMm,
      pair,
      braceStock: board(p.kneeSection),
      cornerScrews: SCREWS[p.cornerScrews],
      pairScrews: SCREWS[p.pairScrews],
      wallScrews: SCREWS[p.wallScrews],
    },
    { space: ctx.space, system: ctx.settings.yard },
  )
}

/** A sheet over some of the brackets, screwed to the arms it lies on. */
function shelf(
  d: Draft,
  plan: Plan,
  s: { from: number; to: number; id: string; topMm: number },
  brackets: readonly Placed[],
): string {
  const { sheet, left, depthMm, wideMm } = plan
  d.square({
    id: s.id,
    role: 'shelf',
    stock: { kind: 'sheet', sheet: sheet.id },
    min: [left + s.from, 0, s.topMm - sheet.thicknessMm],
    size: [s.to - s.from, depthMm, sheet.thicknessMm],
    along: 'x',
    across: 'y',
    // Arms are not held down on their legs: a sheet that would pull one up is counted as lifting off it.
    loose: true,
  })
  const n = 2 + Math.floor(depthMm / SHEET_SCREWS_EVERY)
  plan.brackets.forEach((x, k) => {
    const over = Math.min(x + wideMm / 2, left + s.to) - Math.max(x - wideMm / 2, left + s.from)
    if (over <= 0) return
    d.screw(s.id, brackets[k].arm, n, 'side', sheet.thicknessMm, plan.deepMm)
    if (plan.above && brackets[k].pair.length > 0) roundBracket(d, plan, s, brackets[k])
    else d.rest(s.id, brackets[k].arm)
  })
  return s.id
}

/** The front end of the last arm on a rod, which goes up through the shelf. */
function hangCorner(
  d: Draft,
  p: BracketShelfParams,
  ctx: ShapeContext,
  plan: Plan,
  joists: NonNullable<Plan['joists']>,
): Result<null> {
  const k = plan.brackets.length - 1
  const arm = `bracket-${k}-0-arm`
  const box = d.box(arm)
  const spreader = findSection(p.spreaderSection)!
  const rod = findRod(p.rod)!
  const stock: Stock = { kind: 'board', section: p.spreaderSection, grade: ctx.settings.grade, treated: false }
  const [x, y] = [(box.min[0] + box.max[0]) / 2, box.max[1] - FROM_FRONT_MM]
  const hung = hangOne(
    d,
    { spreader: { section: spreader, stock }, rod, joists, ceilingMm: ctx.space.ceilingMm },
    { x, y, id: 'corner', from: [arm] },
  )
  if (!hung.ok) return { ok: false, problem: { ...hung.problem, field: 'end' } }
  const { spreader: over, upper } = hung.value
  const [lower] = hung.value.lower
  for (const s of d.assembly.parts.filter((q) => q.role === 'shelf' && d.meets(q.id, lower))) {
    const { min } = d.box(s.id)
    d.joint({ kind: 'housed', near: lower, far: s.id, fasteners: [] })
    d.machine(s.id, {
      kind: 'hole',
      face: 'over',
      atMm: x - min[0],
      offMm: y - min[1],
      diameterMm: rod.diameterMm + ROUND_MM,
      depthMm: null,
      tiltRad: 0,
    })
  }
  d.sub({ id: 'hung-corner', name: 'unit', parts: [over, upper, lower], built: 'in-place' })
  return good(null)
}

/** A sheet lies on at least this share of its depth between legs and braces. Product decision. */
const LEAST_BARE = 0.5

/** What of an arm's top is bare between its leg and its braces, mm. */
const bareMm = (d: Draft, plan: Plan, b: Placed, topMm: number): number =>
  Math.min(...b.pair.map((id) => within(d, id, [topMm - plan.sheet.thicknessMm, topMm]).min)) -
  plan.deepMm -
  2 * ROUND_MM

/**
 * A shelf notched round a leg at the wall and the braces at its front. It lies on its arm between them: what is in front
 * of the arm's bare top or behind it is carried by the wood beside.
 */
function roundBracket(d: Draft, plan: Plan, s: { from: number; to: number; id: string }, b: Placed) {
  const [shelf, arm] = [d.box(s.id), d.box(b.arm)]
  const braces = b.pair.map((id) => within(d, id, [shelf.min[2], shelf.max[2]]))
  const front = Math.min(...braces.map((x) => x.min)) - ROUND_MM
  const notch = (edge: 'low' | 'high', { min, max }: Box, depthMm: number) =>
    notchEdge(d, s.id, { edge, fromMm: min[0], toMm: max[0], depthMm })
  notch('low', arm, plan.deepMm + ROUND_MM)
  for (const id of b.pair) notch('high', d.box(id), plan.depthMm - front)
  for (const id of [b.leg, ...b.pair])
    if (d.meets(s.id, id)) d.joint({ kind: 'notched', near: s.id, far: id, fasteners: [] })
  d.hold({
    from: { part: s.id },
    on: { kind: 'part', part: b.arm },
    contact: {
      min: [Math.max(arm.min[0], shelf.min[0]), plan.deepMm + ROUND_MM, arm.max[2]],
      max: [Math.min(arm.max[0], shelf.max[0]), front, arm.max[2]],
    },
    push: UP,
    way: 'push',
    via: 'bearing',
  })
}

/** How far out a leaning board reaches between two heights. */
function within(d: Draft, id: string, [low, high]: [number, number]): { min: number; max: number } {
  const { at, size } = d.part(id)
  const [, cy, cz] = at.centre
  const [, uy, uz] = at.along
  const half = size.widthMm / 2
  const ys = [low, high].flatMap((z) => [-half, half].map((v) => cy + ((z - cz) / uz) * uy + v / Math.abs(uz)))
  return { min: Math.min(...ys), max: Math.max(...ys) }
}

function placeBays(d: Draft, plan: Plan) {
  const { tops, openings, sheets, left, sheet, depthMm, play } = plan
  plan.levels.forEach((level, i) => {
    const high = (level.tallest?.tallMm ?? 0) + play.aboveMm
    openings.forEach((o, k) => {
      const middle = (o.left + o.right) / 2 - left
      const n = sheets.findIndex((s) => middle >= s.from && middle <= s.to)
      d.bay({
        id: `bay-${k}-${i}`,
        name: { code: 'shelf', column: k + 1, row: i + 1 },
        holds: 'surface',
        clear: {
          min: [o.left, 0, tops[i]],
          max: [o.right, depthMm, i + 1 < tops.length ? tops[i + 1] - sheet.thicknessMm : tops[i] + high],
        },
        carriers: [`shelf-${n}-${i}`],
        items: standing(level, k, 0, tops[i]),
        play: { sideMm: play.sideMm, aboveMm: play.aboveMm, deepMm: 0 },
        stickOutMm: STICK_OUT,
        exit: [0, 1, 0],
      })
    })
  })
}

function choices(p: BracketShelfParams, ctx: ShapeContext): Choice[] {
  const imperial = ctx.settings.yard === 'imperial'
  const sheets = imperial
    ? ['ply-15/32', 'ply-19/32', 'ply-23/32', 'osb-23/32', 'mdf-3/4', 'lc-3/4']
    : ['ply-12mm', 'ply-15mm', 'ply-18mm', 'ply-21mm', 'mdf-18mm', 'lc-18mm']
  const plates = imperial ? ['ply-15/32', 'ply-19/32', 'ply-23/32'] : ['ply-9mm', 'ply-12mm', 'ply-15mm', 'ply-18mm']
  const frames = imperial ? ['2x3', '2x4', '2x6'] : ['38x63mm', '38x89mm', '47x100mm']
  const knees = imperial ? ['1x2', '1x3', '1x4'] : ['18x44mm', '18x69mm', '18x94mm']
  const gusset = p.bracket === 'gusset' && p.stand === 'below'
  const rods = RODS.filter((r) => r.system === ctx.settings.yard).map((r) => r.id)
  const { section, sheet, coded } = choicePen(p)
  return [
    sheet('sheet', 'sheet', [...sheets, ...ctx.settings.ownSheets]),
    coded('stand', 'stand', ['below', 'above']),
    coded('bracket', 'bracket', p.stand === 'above' ? ['knee'] : ['gusset', 'knee']),
    gusset ? sheet('gussetSheet', 'gusset-sheet', plates) : section('kneeSection', 'knee-section', knees),
    section('frameSection', 'frame-section', frames),
    coded('frame', 'frame-rip', ['ripped', 'whole']),
    coded('end', 'end', ['bracket', 'hung']),
    ...(p.end === 'hung' ? [section('rod', 'rod', rods), section('spreaderSection', 'spreader-section', frames)] : []),
    coded('cornerScrews', 'corner-screws', ['one', 'two', 'three']),
    coded('pairScrews', 'pair-screws', ['two', 'three', 'four']),
    coded('wallScrews', 'leg-screws', ['two', 'three', 'four', 'five']),
  ]
}
