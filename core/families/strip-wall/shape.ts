import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { panelsOver, screwPanel, under } from '../../blocks/carcass/screwed-panel.ts'
import { placeHolder } from '../../blocks/holders/place.ts'
import { fixingUp, wallStrip } from '../../blocks/mounts/hung-on-wall.ts'
import { fixToBattens, placeBattens } from '../../blocks/mounts/battens.ts'
import { screwAlong, type Wall } from '../../blocks/mounts/wall-fixing.ts'
import type { Sheet } from '../../catalogue/sheets.ts'
import { HELD } from '../../goods/tool.ts'
import { good, type Result } from '../../measure/result.ts'
import { choicePen } from '../choices.ts'
import type { Choice, ListChoice, ShapeContext, Shaped } from '../family.ts'
import { opened } from '../opened.ts'
import { BACKINGS, LIMITS, RAIL_SCREWS, STRIP_SCREWS, type StripWallParams } from './parameters.ts'
import { planOut, type Plan } from './plan-out.ts'

/*
 *   =====================  strip: a bevelled board along the wall, on studs or battens
 *      |__|  |____|        holders hook over it, and lean on the wall or on the strip below
 *   =====================
 *      |o o o|   |==|
 */
export function shapeStripWall(p: StripWallParams, ctx: ShapeContext): Result<Shaped> {
  const first = opened(p, ctx, planOut)
  if (!first.ok) return first
  const { d, pen, plan, unhoused } = first.value
  const { strips, hung, stock, play } = plan
  const board = (section: string): Stock => ({ kind: 'board', section, grade: ctx.settings.grade, treated: false })
  const [strip, cleat] = [board(p.stripSection), board(p.cleatSection)]
  placeStrips(d, p, ctx, plan, strip)
  hung.forEach((h, k) =>
    placeHolder(
      d,
      { id: `holder-${k}`, strips, row: h.row, left: h.left, size: h.size, count: h.count, stock, play },
      { cleat },
    ),
  )
  spacer(d, plan, strip)
  strips.rows.forEach((r, i) => {
    d.mark(
      r.topMm,
      'strip-top',
      i + 1,
      r.pieces.map((x) => x.id),
    )
    if (i === 0) pen.drag('lowestMm', { axis: 'z', sign: 1, parts: r.pieces.map((x) => x.id) })
  })
  return good({
    assembly: d.assembly,
    dims: pen.dims,
    choices: choices(p, ctx),
    lists: [holderList(p, ctx)],
    unhoused,
  })
}

/** Strips, their joints over studs, screwed through into every stud or batten. */
function placeStrips(d: Draft, p: StripWallParams, ctx: ShapeContext, plan: Plan, stock: Stock) {
  const { strips, battens, batten } = plan
  const wall: Wall = { space: ctx.space, system: ctx.settings.yard }
  const [fromMm, toMm] = [
    strips.rows[0].topMm - strips.widthMm - BATTEN_PAST_MM,
    strips.rows[strips.rows.length - 1].topMm + BATTEN_PAST_MM,
  ]
  const on = placeBattens(d, wall, {
    stock: { kind: 'board', section: p.battenSection, grade: ctx.settings.grade, treated: false },
    ...{ middles: battens, section: batten, fromMm, toMm },
  })
  if (plan.backing) backing(d, plan, plan.backing, { on, fromMm, toMm, trimMm: ctx.settings.sheetTrimMm })
  for (const row of strips.rows)
    for (const s of row.pieces) {
      wallStrip(d, {
        id: s.id,
        section: strips.section,
        stock,
        left: s.left,
        right: s.right,
        topMm: row.topMm,
        backMm: strips.backMm,
        widthMm: strips.widthMm,
      })
      const z =
        row.topMm - strips.widthMm + fixingUp({ widthMm: strips.widthMm, thicknessMm: strips.section.thicknessMm })
      const count = STRIP_SCREWS[p.stripScrews]
      if (on.length > 0) fixToBattens(d, s.id, on, { z, count, betweenMm: plan.backing?.thicknessMm ?? 0 })
      else screwAlong(d, s.id, z, wall, { count })
      d.sub({ id: `put-${s.id}`, name: 'unit', parts: [s.id], built: 'in-place' })
    }
}
/** Panels over the battens, which meet on the middle of one, as wide as their sheet lets them be at that height. */
function backing(
  d: Draft,
  { battens, batten }: Plan,
  sheet: Sheet,
  x: { on: readonly string[]; fromMm: number; toMm: number; trimMm: number },
) {
  const high = x.toMm - x.fromMm
  const [long, wide] = [sheet.lengthMm - 2 * x.trimMm, sheet.widthMm - 2 * x.trimMm]
  const lefts = battens.map((m) => m - batten.widthMm / 2)
  const panels = panelsOver(lefts, batten.widthMm, high <= wide ? long : wide)
  panels.forEach((s, k) =>
    screwPanel(d, sheet, {
      id: `backing-${k}`,
      role: 'back',
      min: [s.from, batten.thicknessMm, x.fromMm],
      size: [s.to - s.from, sheet.thicknessMm, high],
      across: 'x',
      on: under(s, lefts, batten.widthMm).map((i) => x.on[i]),
      centred: true,
    }),
  )
  d.sub({ id: 'backing', name: 'sheets', parts: panels.map((_s, k) => `backing-${k}`), built: 'in-place' })
}

/** Battens reach past the strips by this, mm. */
const BATTEN_PAST_MM = 30

/** A board as high as the gap between two strips: it sets the next one from the last. It stands where nothing hangs. */
function spacer(d: Draft, { strips, hung, lengthMm }: Plan, stock: Stock) {
  if (strips.rows.length < 2) return
  const { section, widthMm, backMm, rows } = strips
  const [from, to] = [rows[0].topMm, rows[1].topMm - widthMm]
  const inTheWay = hung.filter((h) => h.outline.footMm < to && h.outline.headMm > from)
  const free = [0, ...inTheWay.map((h) => h.left + h.outline.wideMm)].find(
    (x) => x + widthMm <= lengthMm && inTheWay.every((h) => h.left >= x + widthMm || h.left + h.outline.wideMm <= x),
  )
  if (free === undefined) return
  d.square({
    id: 'spacer',
    role: 'guide',
    stock,
    min: [free, backMm, from],
    size: [widthMm, section.thicknessMm, to - from],
    along: 'z',
    across: 'x',
    temporary: true,
  })
}

const holderList = (p: StripWallParams, ctx: ShapeContext): ListChoice => ({
  path: 'holders',
  code: 'holders',
  items: p.holders.map((h) => ({ ...h })),
  fields: [
    {
      key: 'tool',
      code: 'holder-tool',
      options: ctx.goods.map((g) => g.item.id),
      names: Object.fromEntries(ctx.goods.map((g) => [g.item.id, g.item.name])),
    },
    { key: 'held', code: 'holder-held', options: HELD },
    { key: 'row', code: 'holder-row', quantity: 'count', min: 0, max: LIMITS.rows },
    { key: 'atMm', code: 'holder-at', quantity: 'length', min: 0, max: 15000 },
  ],
  most: LIMITS.holders,
  fresh: {
    tool: ctx.goods.find((g) => !p.holders.some((h) => h.tool === g.item.id))?.item.id ?? ctx.goods[0].item.id,
    held: 'shelf',
    row: 0,
    atMm: 0,
  },
  step: {},
})

function choices(p: StripWallParams, ctx: ShapeContext): Choice[] {
  const imperial = ctx.settings.yard === 'imperial'
  const { section, sheet, coded } = choicePen(p)
  const sheets = imperial ? ['ply-15/32', 'ply-19/32', 'ply-23/32'] : ['ply-12mm', 'ply-15mm', 'ply-18mm']
  const thin = imperial ? ['ply-3/8', 'ply-15/32'] : ['ply-9mm', 'ply-12mm']
  const masonry = ctx.space.construction.kind !== 'studs'
  return [
    coded('follow', 'follow', ['goods', 'wall']),
    section('stripSection', 'strip-section', imperial ? ['1x4', '1x6', '1x8'] : ['18x69mm', '18x94mm', '18x144mm']),
    coded('strip', 'strip-rip', ['ripped', 'whole']),
    coded('stripScrews', 'wall-screws', Object.keys(STRIP_SCREWS)),
    ...(masonry ? [coded('mount', 'strip-mount', ['direct', 'battens'])] : []),
    ...(masonry && p.mount === 'battens'
      ? [
          section('battenSection', 'batten-section', imperial ? ['2x3', '2x4'] : ['38x63mm', '38x89mm']),
          coded('backing', 'backing', BACKINGS),
        ]
      : []),
    ...(masonry && p.mount === 'battens' && p.backing === 'panels'
      ? [sheet('backingSheet', 'backing-sheet', [...thin, ...ctx.settings.ownSheets])]
      : []),
    sheet('sheet', 'holder-sheet', [...sheets, ...ctx.settings.ownSheets]),
    sheet('dividerSheet', 'divider-sheet', thin),
    section('cleatSection', 'holder-cleats', imperial ? ['1x2', '1x3', '1x4'] : ['18x44mm', '18x69mm', '18x94mm']),
    section('railSection', 'holder-rails', imperial ? ['2x2', '2x3', '2x4'] : ['38x38mm', '38x63mm', '38x89mm']),
    coded('railScrews', 'rail-screws', Object.keys(RAIL_SCREWS)),
    section('barSection', 'holder-bars', imperial ? ['1x3', '1x4'] : ['18x69mm', '18x94mm']),
    section('plateSection', 'hook-plate', imperial ? ['2x4', '2x6'] : ['38x89mm', '47x100mm']),
    section(
      'pegSection',
      'pegs',
      imperial ? ['dowel-5/8', 'dowel-3/4', 'dowel-1'] : ['dowel-16mm', 'dowel-20mm', 'dowel-25mm'],
    ),
  ]
}
