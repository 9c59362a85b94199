import type { Stock } from '../../assembly/assembly.ts'
import { draft, type Draft } from '../../assembly/draft.ts'
import { unitsOf } from '../../assembly/settings.ts'
import { screwPanel, under } from '../../blocks/carcass/screwed-panel.ts'
import { CROSS_SCREWS, placeShelfFrame, RAIL_SCREWS, railOnPost, type Sheeted } from '../../blocks/frame/shelf-frame.ts'
import { doublePost, lowUnder, SUPPORTS } from '../../blocks/frame/doubled-post.ts'
import { standPost } from '../../blocks/frame/standing-post.ts'
import { ANGLE_ROOM_MM, pinFoot } from '../../blocks/mounts/pinned-foot.ts'
import { tieToWall } from '../../blocks/mounts/tie.ts'
import { LEAST_STUDS } from '../../blocks/mounts/pieces-on-studs.ts'
import { screwAlong } from '../../blocks/mounts/wall-fixing.ts'
import type { Stretch } from '../../blocks/sizing/splice.ts'
import { pocketScrew } from '../../catalogue/fasteners.ts'
import { HANGER_STEEL_MM } from '../../catalogue/hardware.ts'
import { findSheet } from '../../catalogue/sheets.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { canHoldTie } from '../../room/room.ts'
import { LEDGER_SCREWS, SEVERAL } from '../ledger-screws.ts'
import { rowsHeld } from '../stands-alone.ts'
import { choicePen, TOP_SHEETS } from '../choices.ts'
import { dimPen } from '../dim-pen.ts'
import type { Choice, ListChoice, ShapeContext, Shaped } from '../family.ts'
import { standing, standingOn } from '../house-on-shelves.ts'
import { cornerChoices } from '../bench-corner.ts'
import { markTops } from '../bench-wells.ts'
import { aroundOpening, openingBays, type DropSite, type Opened } from './drop-in.ts'
import { HEIGHTS } from '../bench-sizes.ts'
import { BACKS, LEAST_FRONT_MM, LIMITS, rowsOf, WELL_WAYS, type BenchParams } from './parameters.ts'
import { planOut, type Plan } from './plan-out.ts'
import { layOn } from '../../blocks/frame/layers.ts'
import type { BenchSection } from './sections.ts'

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
export function shapeBench(given: BenchParams, ctx: ShapeContext): Result<Shaped> {
  // What hangs on the wall at its back is kept stiff by that.
  const p: BenchParams = given.back === 'batten' ? { ...given, stiff: 'wall' } : given
  if (p.stiff === 'wall' && !canHoldTie(ctx.space))
    return bad('no-wall-to-hang-on', {}, p.back === 'batten' ? 'back' : 'stiff')
  const pen = dimPen(p, unitsOf(ctx.settings))
  const planned = planOut(p, ctx, pen)
  if (!planned.ok) return planned
  const { plan, unhoused } = planned.value
  const d = draft(ctx.settings.yard)
  plan.sections.forEach((s, n) => legs(d, p, ctx, plan, s, n))
  plan.sections.forEach((s, n) => {
    if (!s.well) plan.shelves.forEach((z, i) => shelf(d, p, ctx, plan, s, n, i, z))
    top(d, p, ctx, plan, s, n)
    if (s.opening) platform(d, p, ctx, plan, s, n)
    if (p.stiff === 'panels') panels(d, plan, s, n)
    else if (p.back === 'legs') tieToWall(d, `rail-${n}-top-rear`, ctx.space, ctx.settings.yard)
  })
  if (p.supports === 'doubled') {
    if (p.stiff === 'panels') return bad('doubled-behind-panels', {}, 'supports')
    const { thicknessMm } = plan.post
    if (thicknessMm > plan.frame.thicknessMm)
      return bad('post-past-rail', { mm: thicknessMm, mostMm: plan.frame.thicknessMm }, 'supports')
    const low = plan.sections
      .map((_s, n) =>
        lowUnder(
          d,
          partsOf(d, `rail-${n}-`).filter((id) => id.endsWith('front')),
        ),
      )
      .find((x) => x !== null)
    if (low) return bad('no-room-under-rail', { ...low }, 'supports')
    plan.sections.forEach((s, n) => doubled(d, p, ctx, plan, s, n))
  }
  const poor = p.back === 'batten' ? onBattens(d, p, ctx) : null
  if (poor) return bad('batten-misses-studs', poor, 'back')
  joined(d, p, ctx, plan)
  if (p.feet === 'pinned' && ctx.space.floor === 'slab') {
    const leastMm = plan.frame.widthMm + findSheet(p.shelfSheet)!.thicknessMm + ANGLE_ROOM_MM
    if ((plan.shelves[0] ?? Infinity) < leastMm)
      return bad('angle-under-shelf', { mm: plan.shelves[0], leastMm }, 'topMm.0')
    plan.sections.forEach((s, n) => pinLegs(d, p, ctx, s, n))
  }
  bays(d, p, ctx, plan)
  plan.shelves.forEach((z, i) => d.mark(z, 'shelf-top', i + 1, partsOf(d, `shelf-`, i)))
  const tops = plan.sections.map((s, n) => ({
    topMm: s.highMm,
    lowered: s.well !== null && !s.opening,
    parts: partsOf(d, `top-${n}-`),
  }))
  markTops(d, tops, plan.heightMm, plan.shelves.length + 1)
  subs(d, plan)
  plan.shelves.forEach((_z, i) => pen.drag(`topMm.${i}`, { axis: 'z', sign: 1, parts: partsOf(d, 'shelf-', i) }))
  return good({ assembly: d.assembly, dims: pen.dims, choices: choices(given, ctx), lists: [wellList(p)], unhoused })
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
const legIds = (p: BenchParams, s: BenchSection, n: number) =>
  s.legs.flatMap((_x, i) => rowsOf(p).map((side) => `leg-${n}-${i}-${side}`))

function legs(d: Draft, p: BenchParams, ctx: ShapeContext, plan: Plan, s: BenchSection, n: number) {
  const { post, frame, frontMm, inMm } = plan
  const units = unitsOf(ctx.settings)
  const stock = board(p.postSection, ctx, ctx.space.floor === 'slab')
  s.legs.forEach((x, i) => {
    for (const side of rowsOf(p)) {
      const y = side === 'rear' ? frame.thicknessMm : frontMm - inMm
      const id = `leg-${n}-${i}-${side}`
      const high = s.highMm - thick(plan)
      const at = { x, y, wideMm: post.widthMm, deepMm: post.thicknessMm, topMm: high, across: 'x' } as const
      standPost(d, { id, stock, ...at }, { fall: ctx.space.floorFall, units })
    }
  })
}

/** Pieces beside the legs, under every rail they hold. */
function doubled(d: Draft, p: BenchParams, ctx: ShapeContext, plan: Plan, s: BenchSection, n: number) {
  const { thicknessMm: thickMm, widthMm: wideMm } = plan.post
  for (const side of rowsOf(p)) {
    const rails = partsOf(d, `rail-${n}-`).filter((id) => id.endsWith(side))
    const of = { rails, stock: board(p.postSection, ctx, ctx.space.floor === 'slab'), wideMm, thickMm }
    const off = side === 'rear' ? 'behind' : 'before'
    s.legs.forEach((_x, i) =>
      doublePost(
        d,
        { ...of, post: `leg-${n}-${i}-${side}`, off },
        { fall: ctx.space.floorFall, units: unitsOf(ctx.settings) },
      ),
    )
  }
}

/** Angles at the feet, inside: the rear ones, and the front ones too where nothing is behind the bench. */
function pinLegs(d: Draft, p: BenchParams, ctx: ShapeContext, s: BenchSection, n: number) {
  for (const side of p.back === 'batten' ? rowsOf(p) : rowsHeld(ctx.space))
    s.legs.forEach((_x, i) => pinFoot(d, `angle-${n}-${i}-${side}`, `leg-${n}-${i}-${side}`, side))
}

/** Neighbouring stretches are screwed to each other through the edges of their legs. */
function joined(d: Draft, p: BenchParams, ctx: ShapeContext, plan: Plan) {
  plan.sections.slice(1).forEach((_s, n) => {
    for (const side of rowsOf(p))
      d.joint({
        kind: 'pocket-screwed',
        near: `leg-${n}-${plan.sections[n].legs.length - 1}-${side}`,
        far: `leg-${n + 1}-0-${side}`,
        fasteners: [{ fastener: pocketScrew(ctx.settings.yard), count: 3, into: 'edge' }],
      })
  })
}

/**
 * Screws the rear piece of each frame to the wall, into every stud or on a course of masonry.
 * @returns the first that is held in too few places
 */
function onBattens(d: Draft, p: BenchParams, ctx: ShapeContext): { from: number; count: number } | null {
  const wall = { space: ctx.space, system: ctx.settings.yard }
  const battens = d.assembly.parts.filter((x) => x.role === 'ledger').map((x) => x.id)
  const poor = battens.flatMap((id) => {
    const { min, max } = d.box(id)
    const count = screwAlong(d, id, (min[2] + max[2]) / 2, wall, {
      count: LEDGER_SCREWS[p.ledgerScrews],
      holds: ['x', 'y', 'z'],
    })
    return count < LEAST_STUDS ? [{ from: Math.max(0, min[0]), count }] : []
  })
  return poor[0] ?? null
}

/** Rails and cross pieces of one level, on the legs. */
function frame(
  d: Draft,
  p: BenchParams,
  ctx: ShapeContext,
  plan: Plan,
  s: BenchSection,
  at: { key: string; topMm: number; crosses?: readonly number[] } & Pick<
    Parameters<typeof placeShelfFrame>[1],
    'sheet' | 'sheets' | 'cover'
  >,
) {
  const whole = (side: string) => ({ id: `rail-${at.key}-${side}`, from: s.from, to: s.to })
  placeShelfFrame(d, {
    section: plan.frame,
    stock: board(p.frameSection, ctx),
    sheet: at.sheet,
    backMm: 0,
    frontMm: plan.frontMm,
    topMm: at.topMm,
    rear: { role: p.back === 'batten' ? 'ledger' : 'rail', pieces: [whole('rear')] },
    front: [whole('front')],
    crosses: (at.crosses ?? s.crosses).map((left, k) => ({ id: `cross-${at.key}-${k}`, left })),
    crossScrews: p.crossJoint === 'hangers' ? 0 : CROSS_SCREWS[p.crossJoint],
    sheets: at.sheets,
    ...(at.cover ? { cover: at.cover } : {}),
  })
  const n = at.key.split('-')[0]
  for (const side of rowsOf(p))
    s.legs.forEach((_, i) =>
      railOnPost(d, `rail-${at.key}-${side}`, `leg-${n}-${i}-${side}`, {
        ...{ how: p.railJoint, system: ctx.settings.yard, lifts: true, bears: p.supports === 'doubled' },
      }),
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
  // Between the legs, on the cross pieces alone; on the batten too where that is.
  const cover = { role: 'shelf' as const, backMm: plan.backMm, frontMm: plan.frontMm - plan.inMm, lies: [] }
  frame(d, p, ctx, plan, s, { key: `${n}-${i}`, topMm, sheet: plan.shelfSheet, sheets, cover })
}

function top(d: Draft, p: BenchParams, ctx: ShapeContext, plan: Plan, s: BenchSection, n: number) {
  const t = plan.sheet.thicknessMm
  const named = (list: readonly Stretch[], layer: string): Sheeted[] =>
    list.map((x, k) => ({ id: `top-${n}-${layer}-${k}`, ...x, ...cutOf(plan, n, k, list.length) }))
  const lower = named(s.tops, 'a')
  const layer = { sheet: plan.sheet, z: s.highMm - t }
  frame(d, p, ctx, plan, s, {
    key: `${n}-top`,
    topMm: s.highMm - (plan.layers - 1) * t,
    sheet: plan.sheet,
    sheets: lower,
    ...(s.opening ? { crosses: [s.crosses[0], s.crosses[s.crosses.length - 1]] } : {}),
    cover: { role: 'top', backMm: 0, frontMm: plan.depthMm, lies: legIds(p, s, n) },
  })
  if (plan.layers === 2)
    for (const u of named(s.upper, 'b')) layOn(d, { ...layer, backMm: 0, frontMm: plan.depthMm }, u, lower)
  const o = openedOf(plan, s)
  if (o) aroundOpening(dropSite(d, p, ctx, plan, s, n), o)
}

const dropSite = (
  d: Draft,
  p: BenchParams,
  ctx: ShapeContext,
  plan: Plan,
  section: BenchSection,
  n: number,
): DropSite => ({
  ...{ d, p, ctx, section, n, layers: plan.layers, frame: plan.frame, depthMm: plan.depthMm },
  sheet: plan.sheet,
  fromMm: p.back === 'batten' ? plan.frame.thicknessMm : plan.inMm,
  toMm: plan.frontMm - plan.inMm,
})
/** The opening of a stretch; none where it has none. */
function openedOf(plan: Plan, s: BenchSection): Opened | null {
  const deep = plan.machines.find((m) => m.well === s.well)?.opened
  return s.opening && deep ? { ...s.opening, ...deep } : null
}
/** Upper face of the platform of a machine that is let down through the top. */
const platformTop = (plan: Plan, s: BenchSection): number => plan.heightMm - (s.well?.tableMm ?? 0)

/** What a machine stands on under an opening: a shelf on the same legs. */
function platform(d: Draft, p: BenchParams, ctx: ShapeContext, plan: Plan, s: BenchSection, n: number) {
  const sheets = [{ id: `shelf-${n}-pit`, from: s.from, to: s.to }]
  const cover = { role: 'shelf' as const, backMm: plan.backMm, frontMm: plan.frontMm - plan.inMm, lies: [] }
  frame(d, p, ctx, plan, s, { key: `${n}-pit`, topMm: platformTop(plan, s), sheet: plan.shelfSheet, sheets, cover })
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

/** Panels between the frames, on the outer faces of the legs: behind all of them, and inside those at both ends. */
function panels(d: Draft, plan: Plan, s: BenchSection, n: number) {
  const [t, ft] = [plan.shelfSheet.thicknessMm, plan.frame.thicknessMm]
  const lowest = s.well || plan.shelves.length === 0 ? PANEL_FOOT_MM : plan.shelves[plan.shelves.length - 1]
  const headMm = s.highMm - thick(plan) - plan.frame.widthMm - HANGER_STEEL_MM
  // Under a platform, or over it, whichever is more.
  const pit = platformTop(plan, s)
  const below = pit - plan.shelfSheet.thicknessMm - plan.frame.widthMm - HANGER_STEEL_MM
  const [foot, to] = !s.opening ? [lowest, headMm] : headMm - pit > below - lowest ? [pit, headMm] : [lowest, below]
  const high = to - foot
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

function bays(d: Draft, p: BenchParams, ctx: ShapeContext, plan: Plan) {
  const { play } = plan
  const [y0, y1] = [plan.backMm, plan.frontMm - plan.inMm]
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
  worktops(d, p, ctx, plan)
}

/** The top itself: what stands in a well, and room for who works at it. */
function worktops(d: Draft, p: BenchParams, ctx: ShapeContext, plan: Plan) {
  let column = 0
  plan.sections.forEach((s, n) => {
    const stands = plan.machines.find((m) => m.well === s.well)?.item ?? null
    const machine = s.opening ? null : stands
    const layer = plan.layers === 2 ? 'b' : 'a'
    const pieces = plan.layers === 2 ? s.upper : s.tops
    pieces.forEach((t, k) => {
      const x = (t.from + t.to - (machine?.acrossMm ?? 0)) / 2
      const here = machine && k === 0 ? machine : null
      const past = pastOf(plan, n, k, pieces.length)
      d.bay({
        id: `top-${n}-${k}`,
        name: { code: s.well && !s.opening ? 'well' : 'worktop', column: ++column, row: plan.shelves.length + 1 },
        holds: 'surface',
        clear: {
          min: [t.from - past.from, 0, s.highMm],
          max: [t.to + past.to, plan.depthMm, Math.max(s.highMm + OVER_MM, ctx.space.ceilingMm)],
        },
        // Two whole layers bend together and share; where one has joints the upper carries by itself.
        carriers:
          plan.layers === 2 && pieces.length === 1 ? [`top-${n}-b-0`, `top-${n}-a-0`] : [`top-${n}-${layer}-${k}`],
        items: here ? [standingOn(here, x, s.highMm)] : [],
        play: { sideMm: 0, aboveMm: 0, deepMm: 0 },
        stickOutMm: 0,
        exit: [0, 0, 1],
      })
    })
    const o = openedOf(plan, s)
    if (o && stands)
      openingBays(dropSite(d, p, ctx, plan, s, n), o, {
        machine: stands,
        platform: { id: `shelf-${n}-pit`, topMm: platformTop(plan, s) },
        ...{ column: ++column, row: plan.shelves.length + 1 },
        overMm: Math.max(s.highMm + OVER_MM, ctx.space.ceilingMm),
      })
  })
}
function subs(d: Draft, plan: Plan) {
  plan.sections.forEach((_s, n) => {
    const own = (kind: string) => partsOf(d, `${kind}-${n}-`)
    d.sub({
      id: `module-${n}`,
      name: 'module',
      parts: [
        ...own('leg'),
        ...own('rail'),
        ...own('cross'),
        ...own('trimmer'),
        ...own('between'),
        ...own('under'),
        ...own('hanger-cross'),
        ...own('hanger-trimmer'),
        ...own('hanger-between'),
      ],
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
    { key: 'way', code: 'well-way', options: WELL_WAYS },
    { key: 'frontMm', code: 'well-front', quantity: 'length', min: LEAST_FRONT_MM, max: 800 },
  ],
  most: LIMITS.wells,
  fresh: { leftMm: 900, wideMm: 700, tableMm: 90, way: 'lowered', frontMm: 120 },
  step: { leftMm: 1400 },
})

function choices(p: BenchParams, ctx: ShapeContext): Choice[] {
  const imperial = ctx.settings.yard === 'imperial'
  const under = imperial
    ? ['ply-15/32', 'ply-19/32', 'ply-23/32', 'osb-7/16']
    : ['ply-12mm', 'ply-15mm', 'ply-18mm', 'osb3-15mm']
  const boards = imperial ? ['2x3', '2x4', '2x6'] : ['38x63mm', '38x89mm', '47x100mm', '47x150mm']
  const { section, sheet, coded } = choicePen(p)
  return [
    coded('heightFrom', 'height-from', HEIGHTS),
    sheet('sheet', 'worktop-sheet', [...TOP_SHEETS[ctx.settings.yard], ...ctx.settings.ownSheets]),
    coded('layers', 'layers', ['one', 'two']),
    coded('back', 'bench-back', BACKS),
    p.back === 'batten'
      ? coded('ledgerScrews', 'ledger-screws', SEVERAL)
      : coded('stiff', 'bench-stiff', ['wall', 'panels']),
    ...cornerChoices(p),
    ...(ctx.space.floor === 'slab' ? [coded('feet', 'feet', ['standing', 'pinned'])] : []),
    coded('floorBay', 'floor-bay', [true, false]),
    sheet('shelfSheet', 'sheet', [...under, ...ctx.settings.ownSheets]),
    section('frameSection', 'bench-frame', boards),
    section('postSection', 'post-section', boards.slice(0, 3)),
    coded('railJoint', 'rail-joint', [...Object.keys(RAIL_SCREWS), 'bolts']),
    coded('supports', 'supports', SUPPORTS),
    coded('crossJoint', 'bench-cross-joint', [...Object.keys(CROSS_SCREWS), 'hangers']),
  ]
}
