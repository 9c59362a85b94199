import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { unitsOf } from '../../assembly/settings.ts'
import { panelsOver, screwPanel, under } from '../../blocks/carcass/screwed-panel.ts'
import { SCREWED_FRONT } from '../../blocks/fronts/screwed-panel.ts'
import { findSheet } from '../../catalogue/sheets.ts'
import { standPost } from '../../blocks/frame/standing-post.ts'
import { tieToWall } from '../../blocks/mounts/tie.ts'
import { frameBolt } from '../../catalogue/fasteners.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { longestBoard } from '../boards-of.ts'
import { choicePen } from '../choices.ts'
import type { Choice, ShapeContext, Shaped } from '../family.ts'
import { opened } from '../opened.ts'
import { EDGES, FRONTS, type SheetStoreParams } from './parameters.ts'
import { planOut, type Plan } from './plan-out.ts'

const TIE_SCREWS = { two: 2, three: 3 } as const

/*
 *  one frame from its end, wall at the left:      from in front:
 *    |[=================]  bar over the sheets       []     []     []
 *    |[p]||||[p]||  [p]    posts, sheets between     []-----[]-----[]-- sheet, on its long edge
 *    |[=================]  bar at the floor          []     []     []  -> drawn out at an end
 */
export function shapeSheetStore(p: SheetStoreParams, ctx: ShapeContext): Result<Shaped> {
  const first = opened(p, ctx, planOut)
  if (!first.ok) return first
  const { d, pen, plan, unhoused } = first.value
  const longest = longestBoard(ctx, p.backSection)
  if (plan.lengthMm > longest) return bad('longer-than-board', { mm: plan.lengthMm, mostMm: longest }, 'lengthMm')
  plan.frames.forEach((x, k) => frame(d, p, ctx, plan, x, k))
  tie(d, p, ctx, plan)
  if (p.front === 'panel') panels(d, p, ctx, plan)
  bays(d, plan)
  const over = plan.frame.widthMm + plan.openMm
  d.mark(
    over,
    'bar-under',
    1,
    plan.frames.map((_, k) => `over-${k}`),
  )
  return good({ assembly: d.assembly, dims: pen.dims, choices: choices(p, ctx), unhoused })
}

const board = (section: string, ctx: ShapeContext, treated = false): Stock => ({
  kind: 'board',
  section,
  grade: ctx.settings.grade,
  treated,
})

/** A bar at the floor and one over the sheets, posts beside both, bolted where they cross. */
function frame(d: Draft, p: SheetStoreParams, ctx: ShapeContext, plan: Plan, x: number, k: number) {
  const { thicknessMm: t, widthMm: w } = plan.frame
  const damp = ctx.space.floor === 'slab'
  const over = w + plan.openMm
  const units = unitsOf(ctx.settings)
  const bar = (id: string, z: number, treated: boolean) =>
    d.square({
      id,
      role: 'rail',
      stock: board(p.frameSection, ctx, treated),
      min: [x, 0, z],
      size: [t, plan.frontMm, w],
      along: 'y',
      across: 'z',
    })
  bar(`under-${k}`, 0, damp)
  d.rest(`under-${k}`, 'floor')
  bar(`over-${k}`, over, false)
  const bolt = frameBolt(2 * t, ctx.settings.yard).id
  plan.posts.forEach((y, i) => {
    const id = `post-${k}-${i}`
    const at = { x: x + t, y, wideMm: t, deepMm: w, topMm: over + w, across: 'y' } as const
    const stock = board(p.frameSection, ctx, damp)
    standPost(d, { id, stock, ...at }, { fall: ctx.space.floorFall, units })
    d.bolt(id, `under-${k}`, 2, bolt)
    d.rest(`over-${k}`, id, 'fasteners', d.bolt(id, `over-${k}`, 2, bolt))
  })
  const parts = [`under-${k}`, `over-${k}`, ...plan.posts.map((_, i) => `post-${k}-${i}`)]
  d.sub({
    id: `frame-${k}`,
    name: 'unit',
    parts,
    built: 'in-place',
    tags: { use: 'leaned-on', under: `under-${k}`, over: `over-${k}` },
  })
}

/** A board across the rear posts, against the wall, that the ties go through. */
function tie(d: Draft, p: SheetStoreParams, ctx: ShapeContext, plan: Plan) {
  const { back, frame: f } = plan
  d.square({
    id: 'tie',
    role: 'back-rail',
    stock: board(p.backSection, ctx),
    min: [plan.fromMm, 0, f.widthMm + plan.openMm - back.widthMm],
    size: [plan.lengthMm, back.thicknessMm, back.widthMm],
    along: 'x',
    across: 'z',
  })
  plan.frames.forEach((_x, k) => {
    const post = `post-${k}-0`
    d.rest('tie', post, 'fasteners', d.screw('tie', post, TIE_SCREWS[p.tieScrews], 'side', back.thicknessMm, f.widthMm))
  })
  tieToWall(d, 'tie', ctx.space, ctx.settings.yard)
  d.sub({ id: 'tied', name: 'unit', parts: ['tie'], built: 'in-place' })
}

/** Panels on the front posts, between the bars, taken off whole. */
function panels(d: Draft, p: SheetStoreParams, ctx: ShapeContext, plan: Plan) {
  const { thicknessMm: t, widthMm: w } = plan.frame
  const sheet = findSheet(p.frontSheet)!
  const last = plan.posts.length - 1
  const lefts = plan.frames.map((x) => x + t)
  const [footMm, highMm] = [w + CLEAR_MM, plan.openMm - 2 * CLEAR_MM]
  const trim = 2 * ctx.settings.sheetTrimMm
  // Higher than a sheet is wide it stands in them lengthwise.
  const mostMm = (highMm > sheet.widthMm - trim ? sheet.widthMm : sheet.lengthMm) - trim
  const parts = panelsOver(lefts, t, mostMm).map((s, k) => {
    const id = `front-${k}`
    const on = under(s, lefts, t)
    screwPanel(d, sheet, {
      ...{ id, role: 'face', across: 'x', on: on.map((i) => `post-${i}-${last}`) },
      min: [s.from, plan.posts[last] + w, footMm],
      size: [s.to - s.from, sheet.thicknessMm, highMm],
    })
    return id
  })
  d.sub({ id: 'front', name: 'unit', parts, built: 'in-place', tags: SCREWED_FRONT })
}
/** Between a panel and the bars, to lift it off and on, mm. */
const CLEAR_MM = 3

function bays(d: Draft, plan: Plan) {
  const low = plan.frame.widthMm
  // In the middle, or between two frames there, so that short pieces meet both.
  const n = plan.frames.length
  const [a, b] = [plan.frames[Math.floor((n - 1) / 2)], plan.frames[Math.floor((n - 1) / 2) + 1]]
  const middle = (a + b) / 2 + plan.frame.thicknessMm / 2
  plan.slots.forEach((slot, i) => {
    let y = slot.fromMm
    const items = slot.sheets.map(({ item, thickMm, tallMm, longMm }) => {
      const at = y
      y += thickMm
      const x = Math.max(0, Math.min(plan.longestMm - longMm, middle - longMm / 2))
      return {
        goodsId: item.id,
        massKg: item.massKg,
        stands: 'flat' as const,
        box: {
          min: [x, at, low] as [number, number, number],
          max: [x + longMm, y, low + tallMm] as [number, number, number],
        },
      }
    })
    d.bay({
      id: `slot-${i}`,
      name: { code: 'slot', column: i + 1, row: 1 },
      holds: 'slot',
      clear: { min: [0, slot.fromMm, low], max: [plan.longestMm, slot.fromMm + slot.wideMm, low + plan.openMm] },
      carriers: plan.frames.map((_, k) => `under-${k}`),
      items,
      play: { sideMm: 0, aboveMm: 0, deepMm: 0 },
      stickOutMm: 0,
      exit: [1, 0, 0],
    })
  })
}

function choices(p: SheetStoreParams, ctx: ShapeContext): Choice[] {
  const imperial = ctx.settings.yard === 'imperial'
  const { section, sheet, coded } = choicePen(p)
  const thin = imperial ? ['ply-3/8', 'ply-15/32', 'osb-7/16'] : ['ply-9mm', 'ply-12mm', 'osb3-15mm']
  return [
    coded('edge', 'store-edge', EDGES),
    coded('entry', 'store-entry', ['right', 'left']),
    section('frameSection', 'store-section', imperial ? ['2x3', '2x4', '2x6'] : ['38x63mm', '38x89mm', '47x100mm']),
    section('backSection', 'store-tie', imperial ? ['2x3', '2x4'] : ['38x63mm', '38x89mm']),
    coded('front', 'front', FRONTS),
    ...(p.front === 'panel' ? [sheet('frontSheet', 'front-sheet', [...thin, ...ctx.settings.ownSheets])] : []),
    coded('tieScrews', 'store-screws', Object.keys(TIE_SCREWS)),
  ]
}
