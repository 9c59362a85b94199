import { draft, type Draft } from '../../assembly/draft.ts'
import { unitsOf } from '../../assembly/settings.ts'
import { housedShelf } from '../../blocks/carcass/shelf-between.ts'
import { backOver, standUpright, tieNailer } from '../../blocks/carcass/standing.ts'
import { benchFront, placesInBox, underHinges } from '../../blocks/fronts/front.ts'
import { GAP_MM } from '../../blocks/fronts/hinged.ts'
import { closeFront, overSheets } from '../../blocks/fronts/standing.ts'
import { stiffFrame } from '../../blocks/mounts/stiff-frame.ts'
import { good, type Result } from '../../measure/result.ts'
import { layOn } from '../../blocks/frame/layers.ts'
import { placeSheet } from '../../blocks/frame/shelf-frame.ts'
import { pinBoxes } from '../../blocks/mounts/pinned-foot.ts'
import { cornerChoices } from '../bench-corner.ts'
import { markTops } from '../bench-wells.ts'
import { BOX_SHEETS, choicePen, GROOVE_SHEETS, TOP_SHEETS } from '../choices.ts'
import { dimPen } from '../dim-pen.ts'
import type { Choice, ListChoice, ShapeContext, Shaped } from '../family.ts'
import { drawerChoices, markRunners, putDrawers } from '../in-drawers.ts'
import { standing, standingOn } from '../house-on-shelves.ts'
import { rowsHeld } from '../stands-alone.ts'
import { BOX_HEIGHTS, LIMITS, WELL, type BoxBenchParams } from './parameters.ts'
import { levelsIn, nailerIn, planOut, type BenchBox, type Plan } from './plan-out.ts'

/** Screws of the top into each upright under it; of one box to the next they are so far apart, mm. Product decisions. */
const TOP_SCREWS = 3
const SIDE_EVERY_MM = 300
/** Screws of the backs are no further apart: low as they are, they keep what is pushed from folding. mm, product decision */
const BACK_EVERY_MM = 120
/** Room shown over a worktop where nothing stands, mm. */
const OVER_MM = 300

/*
 *   |=====================================|   top, one layer or two, over all of a box
 *   | |           | |           | | |     |   ends and dividers of sheet on the floor, bottoms and shelves in their
 *   | |===========| |===========| | |=====|   dadoes; two boxes meet side on side, under a joint of the top
 *   | |           | |           | | |     |
 */
export function shapeBoxBench(p: BoxBenchParams, ctx: ShapeContext): Result<Shaped> {
  const pen = dimPen(p, unitsOf(ctx.settings))
  const planned = planOut(p, ctx, pen)
  if (!planned.ok) return planned
  const { plan, unhoused } = planned.value
  const d = draft(ctx.settings.yard)
  plan.boxes.forEach((b, n) => box(d, ctx, plan, b, n))
  plan.boxes.slice(1).forEach((b, n) => {
    const before = plan.boxes[n]
    const [one, other] = [uprightsOf(before, n).pop()!, uprightsOf(b, n + 1)[0]]
    const t = plan.sheet.thicknessMm
    d.screw(one, other, 2 + Math.floor(Math.min(before.highMm, b.highMm) / SIDE_EVERY_MM), 'side', t, t)
  })
  plan.boxes.forEach((b, n) => top(d, plan, b, n))
  bays(d, p, ctx, plan)
  plan.tops.forEach((z, i) => d.mark(z, 'shelf-top', i + 1, shelvesAt(plan, i)))
  if (p.feet === 'pinned' && ctx.space.floor === 'slab') {
    const { backMm, frontMm } = plan
    const ends = plan.boxes
      .map((b, n) => uprightsOf(b, n))
      .map((all): [string, string] => [all[0], all[all.length - 1]])
    pinBoxes(d, ends, { backMm, frontMm, rows: rowsHeld(ctx.space) })
  }
  const tops = plan.boxes.map((b, n) => ({
    topMm: topOf(plan, b),
    lowered: b.well !== null,
    parts: d.assembly.parts.filter((x) => x.id.startsWith(`top-${n}-`)).map((x) => x.id),
  }))
  if (plan.drawers) markRunners(d, plan.drawers.make, d.assembly.stick.length + 1)
  markTops(d, tops, plan.heightMm, d.assembly.stick.length + 1)
  front(d, p, plan)
  for (const [i] of plan.drawers ? [] : plan.tops.slice(1).entries())
    pen.drag(`topMm.${i}`, {
      axis: 'z',
      sign: 1,
      parts: shelvesAt(plan, i + 1),
    })
  return good({
    assembly: d.assembly,
    dims: pen.dims,
    choices: choices(p, ctx),
    lists: [wellList(p, plan)],
    unhoused,
  })
}

/** Upper face of the top of a box. */
const topOf = (plan: Plan, b: BenchBox): number => b.highMm + plan.layers * plan.topSheet.thicknessMm
/** Ids of the panels of one level. */
const shelvesAt = (plan: Plan, level: number): string[] =>
  plan.boxes.flatMap((b) => (level < levelsIn(plan, b) ? b.bays.map((k) => `shelf-${k}-${level}`) : []))

const uprightsOf = (b: BenchBox, n: number): string[] => b.lefts.map((_x, k) => `upright-${n}-${k}`)

/** Ends, dividers, bottoms, shelves, backs and what is tied to the wall, of one box. */
function box(d: Draft, ctx: ShapeContext, plan: Plan, b: BenchBox, n: number) {
  const { sheet, backMm, frontMm } = plan
  const { highMm } = b
  const t = sheet.thicknessMm
  const from = d.assembly.parts.length
  const uprights = uprightsOf(b, n)
  uprights.forEach((id, k) =>
    standUpright(
      d,
      { id, sheet: sheet.id, leftMm: b.lefts[k], thicknessMm: t, backMm, deepMm: frontMm - backMm, highMm },
      ctx.space.floorFall,
    ),
  )
  b.bays.forEach((k, i) => {
    const o = plan.openings[k]
    const on: [string, string] = [uprights[i], uprights[i + 1]]
    plan.tops.slice(0, levelsIn(plan, b)).forEach((topMm, level) =>
      housedShelf(d, {
        ...{
          id: `shelf-${k}-${level}`,
          role: 'shelf',
          sheet,
          left: o.left,
          right: o.right,
          topMm,
          uprights: on,
          footMm: 0,
        },
        ...{ fromMm: backMm, deepMm: frontMm - backMm, dadoMm: plan.dadoMm },
      }),
    )
    const last = b.bays.length - 1
    if (plan.tied)
      tieNailer(
        d,
        { section: plan.nailer.id, grade: ctx.settings.grade, topMm: highMm },
        { space: ctx.space, system: ctx.settings.yard },
        { id: `tie-${k}`, left: o.left, right: o.right, backMm, on },
      )
    backOver(d, plan.back, {
      id: `back-${k}`,
      from: o.left - (i === 0 ? t : t / 2),
      to: o.right + (i === last ? t : t / 2),
      ...{ on, highMm, everyMm: BACK_EVERY_MM },
    })
  })
  const parts = d.assembly.parts.slice(from).map((x) => x.id)
  d.sub({ id: `box-${n}`, name: 'unit', parts, built: 'flat' })
}

/** The worktop over one box. */
function top(d: Draft, plan: Plan, b: BenchBox, n: number) {
  const { topSheet, depthMm, corner } = plan
  const { highMm } = b
  const t = topSheet.thicknessMm
  const from = d.assembly.parts.length
  const outer = corner?.side === 'left' ? 0 : plan.boxes.length - 1
  const lower = { id: `top-${n}-a`, from: b.from, to: b.to, ...(corner && n === outer ? { cut: corner } : {}) }
  const laid = { backMm: 0, frontMm: depthMm }
  placeSheet(d, lower, { role: 'top', sheet: topSheet.id, ...laid, z: highMm, thicknessMm: t })
  for (const u of uprightsOf(b, n)) d.rest(lower.id, u, 'bearing', d.screw(lower.id, u, TOP_SCREWS, 'edge', t, 100))
  if (plan.layers === 2) layOn(d, { sheet: topSheet, z: highMm + t, ...laid }, { ...lower, id: `top-${n}-b` }, [lower])
  const parts = d.assembly.parts.slice(from).map((x) => x.id)
  d.sub({ id: `worktop-${n}`, name: 'sheets', parts, built: 'in-place', tags: { use: 'bench' } })
}

function bays(d: Draft, p: BoxBenchParams, ctx: ShapeContext, plan: Plan) {
  const { play, backMm, frontMm } = plan
  for (const b of plan.boxes) {
    const levels = levelsIn(plan, b)
    for (const k of b.bays) {
      const o = plan.openings[k]
      if (plan.drawers && b.well === null) {
        drawersIn(d, plan, plan.drawers, k, b)
        continue
      }
      const [{ left, right }] = placesInBox(p.front, [o])
      plan.levels.slice(0, levels).forEach((level, i) => {
        const last = i === levels - 1
        const hinges = underHinges(p.front)
        const underMm = last
          ? b.highMm - Math.max(hinges, nailerIn(plan, b))
          : plan.tops[i + 1] - plan.sheet.thicknessMm - hinges
        d.bay({
          id: `bay-${k}-${i}`,
          name: { code: 'shelf', column: k + 1, row: i + 1 },
          holds: 'surface',
          clear: { min: [left, backMm, plan.tops[i]], max: [right, frontMm, underMm] },
          carriers: [`shelf-${k}-${i}`],
          items: o.housed === null ? [] : standing(level, o.housed, backMm, plan.tops[i]),
          play: { sideMm: play.sideMm, aboveMm: last ? 0 : Math.max(0, play.aboveMm - hinges), deepMm: 0 },
          stickOutMm: 0,
          exit: [0, 1, 0],
        })
      })
    }
  }
  plan.boxes.forEach((b, n) => worktop(d, ctx, plan, b, n))
}

/** The drawers of one opening. */
function drawersIn(d: Draft, plan: Plan, { make, places }: NonNullable<Plan['drawers']>, k: number, b: BenchBox) {
  const { openings, levels, play, backMm, frontMm } = plan
  const i = b.bays.indexOf(k)
  const uprights = uprightsOf(b, plan.boxes.indexOf(b))
  putDrawers(d, make, places, levels, play, {
    ...{ column: k, housed: openings[k].housed, opening: openings[k] },
    ...{ uprights: [uprights[i], uprights[i + 1]], between: `shelf-${k}-0`, backMm, frontMm },
  })
}

/** The top of a box, and the machine that stands on that of a well. */
function worktop(d: Draft, ctx: ShapeContext, plan: Plan, b: BenchBox, n: number) {
  const topMm = topOf(plan, b)
  const machine = b.well === null ? null : plan.machines[b.well]
  d.bay({
    id: `top-${n}`,
    name: { code: b.well === null ? 'worktop' : 'well', column: n + 1, row: plan.tops.length + 1 },
    holds: 'surface',
    clear: {
      min: [b.from, 0, topMm],
      max: [b.to, plan.depthMm, Math.max(topMm + OVER_MM, ctx.space.ceilingMm)],
    },
    // Two whole layers bend together and share.
    carriers: plan.layers === 2 ? [`top-${n}-b`, `top-${n}-a`] : [`top-${n}-a`],
    items: machine ? [standingOn(machine, (b.from + b.to - machine.acrossMm) / 2, topMm)] : [],
    play: { sideMm: 0, aboveMm: 0, deepMm: 0 },
    stickOutMm: 0,
    exit: [0, 0, 1],
  })
}

/** Leaves over each box by itself: two boxes' leaves leave a gap between them. */
function front(d: Draft, p: BoxBenchParams, plan: Plan) {
  const { sheet, frontMm } = plan
  const last = plan.boxes.length - 1
  const closed = plan.boxes.flatMap((b, n) => {
    const openings = b.bays.map((k) => plan.openings[k])
    const leaves = overSheets(openings, uprightsOf(b, n), sheet.thicknessMm, (k) =>
      p.latch === 'magnet'
        ? {
            under: `top-${n}-a`,
            underMm: b.highMm,
            frontMm,
            left: openings[k].left,
            right: openings[k].right,
          }
        : null,
    )
    return leaves.map((x, k) => ({
      ...x,
      headMm: b.highMm - GAP_MM,
      left: x.left + (n > 0 && k === 0 ? GAP_MM / 2 : 0),
      right: x.right - (n < last && k === leaves.length - 1 ? GAP_MM / 2 : 0),
    }))
  })
  const uprights = plan.boxes.flatMap(uprightsOf)
  // Its back makes it one: who sits between two uprights does not lift a third. Leaves ask for the same.
  if (p.front !== 'doors' && p.front !== 'lift-up') stiffFrame(d, 'frame', uprights)
  closeFront(d, {
    ...{ front: p.front, sheet, closed, uprights, railed: uprights, frontMm },
    headMm: Math.max(...plan.boxes.map((b) => b.highMm)) - GAP_MM,
    panelsMm: plan.tops.map((z) => z - sheet.thicknessMm / 2),
    up: {
      deepMm: frontMm - plan.backMm,
      of: (k) => {
        const n = plan.boxes.findIndex((b) => b.bays.includes(k))
        return { rows: plan.rowsUp[n], panelOf: ({ shelf }) => (shelf === null ? `top-${n}-a` : `shelf-${k}-${shelf}`) }
      },
    },
  })
}

function choices(p: BoxBenchParams, ctx: ShapeContext): Choice[] {
  const { sheet, coded } = choicePen(p)
  const { yard, ownSheets } = ctx.settings
  return [
    coded('heightFrom', 'height-from', BOX_HEIGHTS),
    sheet('topSheet', 'worktop-sheet', [...TOP_SHEETS[yard], ...ownSheets]),
    coded('layers', 'layers', ['one', 'two']),
    sheet('sheet', 'sheet', [...BOX_SHEETS[yard], ...ownSheets]),
    sheet('backSheet', 'back-sheet', GROOVE_SHEETS[yard]),
    coded('front', 'front', benchFront.options),
    ...(p.front === 'doors' ? [coded('latch', 'latch', ['magnet', 'none'])] : []),
    ...(p.front === 'drawers' ? drawerChoices(p, ctx) : []),
    coded('tie', 'tie', [true, false]),
    ...cornerChoices(p),
    ...(ctx.space.floor === 'slab' ? [coded('feet', 'feet', ['standing', 'pinned'])] : []),
  ]
}

const wellList = (p: BoxBenchParams, plan: Plan): ListChoice => {
  const [wide, table] = [WELL.wideMm, WELL.tableMm]
  const bays = plan.openings.filter((o) => o.housed !== null).length
  return {
    path: 'wells',
    code: 'wells',
    items: p.wells.map((w) => ({ ...w })),
    fields: [
      { key: 'after', code: 'well-after', quantity: 'count', min: 0, max: LIMITS.bays },
      { key: 'wideMm', code: 'well-wide', quantity: 'length', min: wide[0], max: wide[1] },
      { key: 'tableMm', code: 'well-table', quantity: 'length', min: table[0], max: table[1] },
    ],
    most: LIMITS.wells,
    fresh: { after: Math.ceil(bays / 2), wideMm: 700, tableMm: 90 },
    step: { after: 1 },
  }
}
