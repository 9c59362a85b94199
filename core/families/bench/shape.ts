import type { Stock } from '../../assembly/assembly.ts'
import { draft, type Draft } from '../../assembly/draft.ts'
import { unitsOf } from '../../assembly/settings.ts'
import { screwPanel, under } from '../../blocks/carcass/screwed-panel.ts'
import {
  CROSS_SCREWS,
  placeSheet,
  placeShelfFrame,
  RAIL_SCREWS,
  railOnPost,
  type Sheeted,
} from '../../blocks/frame/shelf-frame.ts'
import { standPost } from '../../blocks/frame/standing-post.ts'
import { ANGLE_ROOM_MM, pinFoot } from '../../blocks/mounts/pinned-foot.ts'
import { tieToWall } from '../../blocks/mounts/tie.ts'
import { UP } from '../../blocks/mounts/wall-fixing.ts'
import type { Stretch } from '../../blocks/sizing/splice.ts'
import { pocketScrew } from '../../catalogue/fasteners.ts'
import { HANGER_STEEL_MM } from '../../catalogue/hardware.ts'
import { findSheet } from '../../catalogue/sheets.ts'
import type { Box } from '../../geometry/box.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { canHoldTie } from '../../room/room.ts'
import { standsOn } from '../../goods/goods.ts'
import { rowsHeld } from '../stands-alone.ts'
import { choicePen } from '../choices.ts'
import { dimPen } from '../dim-pen.ts'
import type { Choice, ListChoice, ShapeContext, Shaped } from '../family.ts'
import { standing } from '../house-on-shelves.ts'
import { HEIGHTS, LIMITS, type BenchParams } from './parameters.ts'
import { planOut, type Plan } from './plan-out.ts'
import type { BenchSection } from './sections.ts'

/** Screws of one layer on the other are no further apart, mm. */
const LAYER_EVERY_MM = 300
/** A panel begins this far above the floor: water and a broom, mm. */
const PANEL_FOOT_MM = 60
/** Room shown over a worktop where nothing stands, mm. */
const OVER_MM = 300

/*
 *  side:  wall|=====================  top, one layer or two
 *             |[r]--------------[r]   rails with cross pieces between, legs inside them
 *             |  leg          leg
 *             |[r]=shelf======-[r]    a shelf's sheet lies on its cross pieces, between the legs
 *             |  |              |
 */
export function shapeBench(p: BenchParams, ctx: ShapeContext): Result<Shaped> {
  if (p.stiff === 'wall' && !canHoldTie(ctx.space)) return bad('no-wall-to-hang-on', {}, 'stiff')
  const pen = dimPen(p, unitsOf(ctx.settings))
  const planned = planOut(p, ctx, pen)
  if (!planned.ok) return planned
  const { plan, unhoused } = planned.value
  const d = draft(ctx.settings.yard)
  plan.sections.forEach((s, n) => legs(d, p, ctx, plan, s, n))
  plan.sections.forEach((s, n) => {
    if (!s.well) plan.shelves.forEach((z, i) => shelf(d, p, ctx, plan, s, n, i, z))
    top(d, p, ctx, plan, s, n)
    if (p.stiff === 'wall') tieToWall(d, `rail-${n}-top-rear`, ctx.space, ctx.settings.yard)
    else panels(d, plan, s, n)
  })
  joined(d, ctx, plan)
  if (p.feet === 'pinned' && ctx.space.floor === 'slab') {
    const leastMm = plan.frame.widthMm + findSheet(p.shelfSheet)!.thicknessMm + ANGLE_ROOM_MM
    if ((plan.shelves[0] ?? Infinity) < leastMm)
      return bad('angle-under-shelf', { mm: plan.shelves[0], leastMm }, 'topMm.0')
    plan.sections.forEach((s, n) => pinLegs(d, ctx, s, n))
  }
  bays(d, ctx, plan)
  plan.shelves.forEach((z, i) => d.mark(z, 'shelf-top', i + 1, partsOf(d, `shelf-`, i)))
  d.mark(plan.heightMm, 'worktop', plan.shelves.length + 1, partsOf(d, 'top-'))
  subs(d, plan)
  plan.shelves.forEach((_z, i) => pen.drag(`topMm.${i}`, { axis: 'z', sign: 1, parts: partsOf(d, 'shelf-', i) }))
  return good({ assembly: d.assembly, dims: pen.dims, choices: choices(p, ctx), lists: [wellList(p)], unhoused })
}

const partsOf = (d: Draft, head: string, level?: number): string[] =>
  d.assembly.parts
    .map((x) => x.id)
    .filter((id) => id.startsWith(head) && (level === undefined || id.split('-')[2] === String(level)))

const board = (section: string, ctx: ShapeContext, treated = false): Stock => ({
  kind: 'board',
  section,
  grade: ctx.settings.grade,
  treated,
})
const thick = (plan: Plan) => plan.layers * plan.sheet.thicknessMm
const legIds = (s: BenchSection, n: number) => s.legs.flatMap((_x, i) => [`leg-${n}-${i}-rear`, `leg-${n}-${i}-front`])

function legs(d: Draft, p: BenchParams, ctx: ShapeContext, plan: Plan, s: BenchSection, n: number) {
  const { post, frame, frontMm, inMm } = plan
  const units = unitsOf(ctx.settings)
  const stock = board(p.postSection, ctx, ctx.space.floor === 'slab')
  s.legs.forEach((x, i) => {
    for (const [side, y] of [
      ['rear', frame.thicknessMm],
      ['front', frontMm - inMm],
    ] as const) {
      const id = `leg-${n}-${i}-${side}`
      const high = s.highMm - thick(plan)
      const at = { x, y, wideMm: post.widthMm, deepMm: post.thicknessMm, topMm: high, across: 'x' } as const
      standPost(d, { id, stock, ...at }, { fall: ctx.space.floorFall, units })
    }
  })
}

/** Angles at the feet, inside: the rear ones, and the front ones too where nothing is behind the bench. */
function pinLegs(d: Draft, ctx: ShapeContext, s: BenchSection, n: number) {
  for (const side of rowsHeld(ctx.space))
    s.legs.forEach((_x, i) => pinFoot(d, `angle-${n}-${i}-${side}`, `leg-${n}-${i}-${side}`, side))
}

/** Neighbouring stretches are screwed to each other through the edges of their legs. */
function joined(d: Draft, ctx: ShapeContext, plan: Plan) {
  plan.sections.slice(1).forEach((_s, n) => {
    for (const side of ['rear', 'front'])
      d.joint({
        kind: 'pocket-screwed',
        near: `leg-${n}-${plan.sections[n].legs.length - 1}-${side}`,
        far: `leg-${n + 1}-0-${side}`,
        fasteners: [{ fastener: pocketScrew(ctx.settings.yard), count: 3, into: 'edge' }],
      })
  })
}

/** Rails and cross pieces of one level, on the legs. */
function frame(
  d: Draft,
  p: BenchParams,
  ctx: ShapeContext,
  plan: Plan,
  s: BenchSection,
  at: { key: string; topMm: number } & Pick<Parameters<typeof placeShelfFrame>[1], 'sheet' | 'sheets' | 'cover'>,
) {
  const rails = (['rear', 'front'] as const).map((side) => ({ side, id: `rail-${at.key}-${side}` }))
  const whole = (id: string) => ({ id, from: s.from, to: s.to })
  placeShelfFrame(d, {
    section: plan.frame,
    stock: board(p.frameSection, ctx),
    sheet: at.sheet,
    backMm: 0,
    frontMm: plan.frontMm,
    topMm: at.topMm,
    rear: { role: 'rail', pieces: [whole(rails[0].id)] },
    front: [whole(rails[1].id)],
    crosses: s.crosses.map((left, k) => ({ id: `cross-${at.key}-${k}`, left })),
    crossScrews: p.crossJoint === 'hangers' ? 0 : CROSS_SCREWS[p.crossJoint],
    sheets: at.sheets,
    ...(at.cover ? { cover: at.cover } : {}),
  })
  const n = at.key.split('-')[0]
  for (const { side, id } of rails)
    s.legs.forEach((_, i) =>
      railOnPost(d, id, `leg-${n}-${i}-${side}`, { how: p.railJoint, system: ctx.settings.yard, lifts: true }),
    )
}

function shelf(
  d: Draft,
  p: BenchParams,
  ctx: ShapeContext,
  plan: Plan,
  s: BenchSection,
  n: number,
  i: number,
  topMm: number,
) {
  const sheets = s.tops.map((t, k) => ({ id: `shelf-${n}-${i}-${k}`, ...t }))
  // Between the legs, on the cross pieces alone.
  const cover = { role: 'shelf' as const, backMm: plan.inMm, frontMm: plan.frontMm - plan.inMm, lies: [] }
  frame(d, p, ctx, plan, s, { key: `${n}-${i}`, topMm, sheet: plan.shelfSheet, sheets, cover })
}

function top(d: Draft, p: BenchParams, ctx: ShapeContext, plan: Plan, s: BenchSection, n: number) {
  const t = plan.sheet.thicknessMm
  const named = (list: readonly Stretch[], layer: string): Sheeted[] =>
    list.map((x, k) => ({ id: `top-${n}-${layer}-${k}`, ...x, ...cutOf(plan, n, k, list.length) }))
  const lower = named(s.tops, 'a')
  frame(d, p, ctx, plan, s, {
    key: `${n}-top`,
    topMm: s.highMm - (plan.layers - 1) * t,
    sheet: plan.sheet,
    sheets: lower,
    cover: { role: 'top', backMm: 0, frontMm: plan.depthMm, lies: legIds(s, n) },
  })
  if (plan.layers === 2) for (const u of named(s.upper, 'b')) layOn(d, plan, s, u, lower)
}

/** The outermost piece of the outermost stretch is cut to the corner. */
function cutOf(plan: Plan, n: number, k: number, count: number): Pick<Sheeted, 'cut'> {
  const { corner, sections } = plan
  const outer = corner?.side === 'left' ? n === 0 && k === 0 : n === sections.length - 1 && k === count - 1
  return corner && outer ? { cut: corner } : {}
}
/** How far a piece goes past its stretch there, mm. */
const pastOf = (plan: Plan, n: number, k: number, count: number): { from: number; to: number } => {
  const { cut } = cutOf(plan, n, k, count)
  const mm = cut ? Math.max(cut.backMm, cut.frontMm) : 0
  return { from: cut?.end === 'start' ? mm : 0, to: cut?.end === 'end' ? mm : 0 }
}

/**
 * A second layer on the first: it bears where what is below the first bears that.
 */
function layOn(d: Draft, plan: Plan, s: BenchSection, u: Sheeted, lower: readonly Sheeted[]) {
  const t = plan.sheet.thicknessMm
  const z = s.highMm - t
  placeSheet(d, u, {
    ...{ role: 'top', sheet: plan.sheet.id, backMm: 0, frontMm: plan.depthMm },
    z,
    thicknessMm: t,
  })
  for (const l of lower) {
    const [from, to] = [Math.max(l.from, u.from), Math.min(l.to, u.to)]
    if (to - from < 1) continue
    const n = Math.max(4, Math.ceil((to - from) / LAYER_EVERY_MM) * Math.ceil(plan.depthMm / LAYER_EVERY_MM))
    const joint = d.screw(l.id, u.id, n, 'side', t, t)
    const under = d.assembly.supports.filter((x) => 'part' in x.from && x.from.part === l.id && x.on.kind === 'part')
    under.forEach((x, i) => {
      const { min, max } = x.contact
      const [lo, hi] = [Math.max(min[0], from), Math.min(max[0], to)]
      if (hi - lo < 1e-6) return
      const contact: Box = { min: [lo, min[1], z], max: [hi, max[1], z] }
      const on = { kind: 'part' as const, part: l.id }
      d.hold({
        from: { part: u.id },
        on,
        contact,
        push: UP,
        way: 'push',
        via: 'bearing',
        ...(i === 0 ? { joint } : {}),
      })
    })
  }
}

/** Panels between the frames, on the outer faces of the legs: behind all of them, and inside those at both ends. */
function panels(d: Draft, plan: Plan, s: BenchSection, n: number) {
  const [t, ft] = [plan.shelfSheet.thicknessMm, plan.frame.thicknessMm]
  const foot = s.well || plan.shelves.length === 0 ? PANEL_FOOT_MM : plan.shelves[plan.shelves.length - 1]
  const high = s.highMm - thick(plan) - plan.frame.widthMm - HANGER_STEEL_MM - foot
  const last = s.legs.length - 1
  s.panels.forEach(({ from, to }, k) =>
    screwPanel(d, plan.shelfSheet, {
      id: `back-${n}-${k}`,
      role: 'back',
      min: [from, ft - t, foot],
      size: [to - from, t, high],
      across: 'x',
      on: under({ from, to }, s.legs, plan.post.widthMm).map((i) => `leg-${n}-${i}-rear`),
    }),
  )
  for (const [k, x, here] of [
    [0, s.legs[0] + plan.post.widthMm, n === 0],
    [last, s.legs[last] - t, n === plan.sections.length - 1],
  ] as const)
    if (here)
      screwPanel(d, plan.shelfSheet, {
        id: `end-${n}-${k}`,
        role: 'side',
        min: [x, ft, foot],
        size: [t, plan.frontMm - 2 * ft, high],
        across: 'y',
        on: [`leg-${n}-${k}-rear`, `leg-${n}-${k}-front`],
      })
}

function bays(d: Draft, ctx: ShapeContext, plan: Plan) {
  const { play } = plan
  const [y0, y1] = [plan.inMm, plan.frontMm - plan.inMm]
  let nth = -1
  plan.levels.forEach((level, row) => {
    if (!level.floor) nth++
    const at = level.floor ? 0 : plan.shelves[nth]
    const over = plan.shelves[nth + 1]
    plan.openings.forEach((o, k) => {
      const s = plan.sections[o.section]
      const below = over === undefined ? s.highMm - thick(plan) : over - plan.shelfSheet.thicknessMm
      const middle = (o.left + o.right) / 2
      const piece = s.tops.findIndex((t) => middle <= t.to)
      d.bay({
        id: `bay-${k}-${row}`,
        name: { code: level.floor ? 'floor' : 'shelf', column: k + 1, row: level.floor ? 0 : nth + 1 },
        holds: 'surface',
        clear: { min: [o.left, y0, at], max: [o.right, y1, below - plan.frame.widthMm] },
        carriers: level.floor ? [] : [`shelf-${o.section}-${nth}-${Math.max(0, piece)}`],
        items: standing(level, k, y0, at),
        play: { sideMm: play.sideMm, aboveMm: play.aboveMm, deepMm: 0 },
        stickOutMm: 0,
        exit: [0, 1, 0],
      })
    })
  })
  worktops(d, ctx, plan)
}

/** The top itself: what stands in a well, and room for who works at it. */
function worktops(d: Draft, ctx: ShapeContext, plan: Plan) {
  let column = 0
  plan.sections.forEach((s, n) => {
    const machine = plan.machines.find((m) => m.well === s.well)?.item ?? null
    const layer = plan.layers === 2 ? 'b' : 'a'
    const pieces = plan.layers === 2 ? s.upper : s.tops
    pieces.forEach((t, k) => {
      const x = (t.from + t.to - (machine?.acrossMm ?? 0)) / 2
      const here = machine && k === 0 ? machine : null
      const past = pastOf(plan, n, k, pieces.length)
      d.bay({
        id: `top-${n}-${k}`,
        name: { code: s.well ? 'well' : 'worktop', column: ++column, row: plan.shelves.length + 1 },
        holds: 'surface',
        clear: {
          min: [t.from - past.from, 0, s.highMm],
          max: [t.to + past.to, plan.depthMm, Math.max(s.highMm + OVER_MM, ctx.space.ceilingMm)],
        },
        // Two whole layers bend together and share; where one has joints the upper carries by itself.
        carriers:
          plan.layers === 2 && pieces.length === 1 ? [`top-${n}-b-0`, `top-${n}-a-0`] : [`top-${n}-${layer}-${k}`],
        items: here
          ? [
              {
                goodsId: here.id,
                massKg: here.massKg,
                stands: standsOn(here.kind),
                box: {
                  min: [x, 0, s.highMm],
                  max: [x + here.acrossMm, here.deepMm, s.highMm + here.tallMm],
                },
              },
            ]
          : [],
        play: { sideMm: 0, aboveMm: 0, deepMm: 0 },
        stickOutMm: 0,
        exit: [0, 0, 1],
      })
    })
  })
}
function subs(d: Draft, plan: Plan) {
  plan.sections.forEach((_s, n) => {
    const own = (kind: string) => partsOf(d, `${kind}-${n}-`)
    d.sub({
      id: `module-${n}`,
      name: 'module',
      parts: [...own('leg'), ...own('rail'), ...own('cross'), ...own('hanger-cross')],
      built: 'in-place',
    })
    if (own('shelf').length > 0) d.sub({ id: `sheets-${n}`, name: 'sheets', parts: own('shelf'), built: 'in-place' })
    d.sub({ id: `worktop-${n}`, name: 'sheets', parts: own('top'), built: 'in-place', tags: { use: 'bench' } })
  })
  const stiff = d.assembly.parts.filter((x) => /^(back|end)-/.test(x.id)).map((x) => x.id)
  const angles = partsOf(d, 'angle-')
  if (angles.length > 0) d.sub({ id: 'angles', name: 'unit', parts: angles, built: 'in-place' })
  if (stiff.length > 0) d.sub({ id: 'stiff', name: 'unit', parts: stiff, built: 'in-place' })
}

const wellList = (p: BenchParams): ListChoice => ({
  path: 'wells',
  code: 'wells',
  items: p.wells.map((w) => ({ ...w })),
  fields: [
    { key: 'leftMm', code: 'well-left', quantity: 'length', min: 0, max: 15_000 },
    { key: 'wideMm', code: 'well-wide', quantity: 'length', min: 250, max: 2400 },
    { key: 'tableMm', code: 'well-table', quantity: 'length', min: 20, max: 700 },
  ],
  most: LIMITS.wells,
  fresh: { leftMm: 900, wideMm: 700, tableMm: 90 },
  step: { leftMm: 1400 },
})

function choices(p: BenchParams, ctx: ShapeContext): Choice[] {
  const imperial = ctx.settings.yard === 'imperial'
  const sheets = imperial
    ? ['ply-19/32', 'ply-23/32', 'mdf-3/4', 'lc-3/4']
    : ['ply-15mm', 'ply-18mm', 'ply-21mm', 'mdf-18mm', 'lc-18mm']
  const under = imperial
    ? ['ply-15/32', 'ply-19/32', 'ply-23/32', 'osb-7/16']
    : ['ply-12mm', 'ply-15mm', 'ply-18mm', 'osb3-15mm']
  const boards = imperial ? ['2x3', '2x4', '2x6'] : ['38x63mm', '38x89mm', '47x100mm', '47x150mm']
  const { section, sheet, coded } = choicePen(p)
  return [
    coded('heightFrom', 'height-from', HEIGHTS),
    sheet('sheet', 'worktop-sheet', [...sheets, ...ctx.settings.ownSheets]),
    coded('layers', 'layers', ['one', 'two']),
    coded('stiff', 'bench-stiff', ['wall', 'panels']),
    coded('corner', 'bench-corner', ['none', 'left', 'right']),
    ...(p.corner === 'none' ? [] : [coded('meets', 'bench-meets', ['bench', 'wall'])]),
    ...(ctx.space.floor === 'slab' ? [coded('feet', 'feet', ['standing', 'pinned'])] : []),
    coded('floorBay', 'floor-bay', [true, false]),
    sheet('shelfSheet', 'sheet', [...under, ...ctx.settings.ownSheets]),
    section('frameSection', 'bench-frame', boards),
    section('postSection', 'post-section', boards.slice(0, 3)),
    coded('railJoint', 'rail-joint', [...Object.keys(RAIL_SCREWS), 'bolts']),
    coded('crossJoint', 'bench-cross-joint', [...Object.keys(CROSS_SCREWS), 'hangers']),
  ]
}
