import { unitsOf } from '../../assembly/settings.ts'
import { findSection, type Section } from '../../catalogue/lumber.ts'
import type { Goods } from '../../goods/goods.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { roundDown, roundUp } from '../../measure/rounding.ts'
import { inches } from '../../measure/units.ts'
import type { DimPen } from '../dim-pen.ts'
import type { ShapeContext, Shaped } from '../family.ts'
import type { Planned } from '../opened.ts'
import { LIMITS, type SheetStoreParams } from './parameters.ts'

/** What is said with its reasons and problems. */
export interface ReasonData {
  'store-length': { sheetMm: number }
  'store-frames': { everyMm: number }
  'store-margin': Record<string, never>
  'store-open': { tallMm: number; marginMm: number }
  'store-spare': Record<string, never>
  'store-bow': { sheetMm: number; thinMm: number }
  'store-slot': { count: number; sparePct: number; bowMm: number }
}
export interface ProblemData {
  'store-no-sheets': Record<string, never>
  'store-no-margin': { mm: number; leastMm: number; tallMm: number }
  'store-too-deep': { mm: number; mostMm: number }
  'store-too-high': { mm: number; mostMm: number }
  'store-slot-narrow': { mm: number; leastMm: number; slot: number; bowMm: number }
  'store-no-way-in': { haveMm: number; needMm: number }
}

/** Over the tallest sheet, to lift it over what lies on the bars. Product decision: two fingers. */
const MARGIN = inches(2)
/** Less than this no sheet is got in at all, mm: it is put in aslant. */
const LEAST_MARGIN_MM = 12
/** Frames no further apart: thin sheets hang through between them. Product decision. */
const FRAMES_EVERY = inches(24)
/** A sheet stands out past the frames at both ends by no more than this share of it together. */
const OUT_SHARE = 0.25
const SPARE_PCT = 30
/** In each compartment beside the sheets, to get fingers between, mm. */
const FINGERS_MM = 15
/**
 * How far the middle of a sheet stands from flat, of its length: thin ones have hung through before, thick ones come so.
 * Product decision.
 */
const BOW = { thinMm: 12, thin: 1 / 150, thick: 1 / 400 } as const
/** Sheets of a compartment differ in height by no more than this share: else the low ones are never found. */
const ALIKE_SHARE = 0.6
/** Bars stand out past the front posts: bolts keep from their ends, mm. */
const PAST_POST_MM = 40
/** Of the longest sheet's length this much is wanted free where it is drawn out. */
const WAY_IN_SHARE = 0.75

/** A sheet as it stands: on its long edge, or on its short one. */
export interface Standing {
  item: Goods
  thickMm: number
  tallMm: number
  longMm: number
}
export interface Slot {
  sheets: Standing[]
  /** Clear between the posts, out from the wall. */
  fromMm: number
  wideMm: number
}
export interface Plan {
  frame: Section
  back: Section
  /** Left faces of the bars. */
  frames: number[]
  fromMm: number
  lengthMm: number
  longestMm: number
  openMm: number
  /** Backs of the posts. */
  posts: number[]
  /** Front of the bars; their back is at the wall. */
  frontMm: number
  slots: Slot[]
}

/** On an edge, the thinnest way across. */
export function standing(item: Goods, edge: SheetStoreParams['edge'] = 'long'): Standing {
  const [thickMm, mid, long] = [item.acrossMm, item.deepMm, item.tallMm].sort((a, b) => a - b)
  return edge === 'long' ? { item, thickMm, tallMm: mid, longMm: long } : { item, thickMm, tallMm: long, longMm: mid }
}

/** Tallest at the wall; sheets much lower than those behind them get a compartment of their own. */
function grouped(goods: ShapeContext['goods'], edge: SheetStoreParams['edge']): Standing[][] {
  const all = goods
    .flatMap((g) => Array.from({ length: g.count }, () => standing(g.item, edge)))
    .sort((a, b) => b.tallMm - a.tallMm || b.longMm - a.longMm)
  const out: Standing[][] = []
  for (const s of all) {
    const last = out[out.length - 1]
    if (last && s.tallMm >= ALIKE_SHARE * last[0].tallMm) last.push(s)
    else out.push([s])
  }
  return out
}

export function planOut(p: SheetStoreParams, ctx: ShapeContext, pen: DimPen): Result<Planned<Plan>> {
  const units = unitsOf(ctx.settings)
  const [frame, back] = [findSection(p.frameSection)!, findSection(p.backSection)!]
  const [sheets, others] = [
    ctx.goods.filter((g) => g.item.kind === 'sheet'),
    ctx.goods.filter((g) => g.item.kind !== 'sheet'),
  ]
  if (sheets.length === 0) return bad('store-no-sheets')
  const all = grouped(sheets, p.edge)
  const groups = all.slice(0, LIMITS.slots)
  const left: Shaped['unhoused'] = all
    .slice(LIMITS.slots)
    .flat()
    .map((s) => ({ goodsId: s.item.id, count: 1, why: 'no-place' }))
  const [tallMm, longestMm] = [groups[0][0].tallMm, Math.max(...groups.flat().map((s) => s.longMm))]

  const lengthMm = pen.length(
    { path: 'lengthMm', code: 'store-length', min: 300, max: 3600 },
    Math.max(300, roundDown((1 - OUT_SHARE) * longestMm, units)),
    { code: 'store-length', terms: [], data: { sheetMm: longestMm } },
  )
  const count = pen.count(
    { path: 'frames', code: 'store-frames', min: 2, max: LIMITS.frames },
    Math.min(LIMITS.frames, 1 + Math.max(1, Math.ceil(lengthMm / FRAMES_EVERY - 1e-9))),
    { code: 'store-frames', terms: [], data: { everyMm: FRAMES_EVERY } },
  )
  const marginMm = pen.length({ path: 'marginMm', code: 'store-margin', min: 10, max: 400 }, MARGIN, {
    code: 'store-margin',
    terms: [],
  })
  const openMm = pen.length(
    { path: 'openMm', code: 'store-open', min: 150, max: 2600 },
    roundUp(tallMm + marginMm, units),
    {
      code: 'store-open',
      terms: [],
      data: { tallMm, marginMm },
    },
  )
  const leastMm = tallMm + Math.max(LEAST_MARGIN_MM, marginMm)
  if (openMm < leastMm - 1e-6) return bad('store-no-margin', { mm: openMm, leastMm, tallMm }, 'openMm')
  const highMm = openMm + 2 * frame.widthMm
  const most = Math.min(ctx.space.heightMm, ctx.space.ceilingMm)
  if (highMm > most) return bad('store-too-high', { mm: highMm, mostMm: most }, 'openMm')

  const sparePct = pen.count({ path: 'sparePct', code: 'store-spare', min: 0, max: 200 }, SPARE_PCT, {
    code: 'store-spare',
    terms: [],
  })
  const thinMm = Math.min(...groups.flat().map((s) => s.thickMm))
  const bowMm = pen.length(
    { path: 'bowMm', code: 'store-bow', min: 0, max: 150 },
    Math.min(150, roundUp(longestMm * (thinMm < BOW.thinMm ? BOW.thin : BOW.thick), units)),
    { code: 'store-bow', terms: [], data: { sheetMm: longestMm, thinMm } },
  )
  const posts = [back.thicknessMm]
  const slots: Slot[] = []
  for (const [i, group] of groups.entries()) {
    const thick = group.reduce((s, x) => s + x.thickMm, 0)
    const wide = pen.length(
      { path: `slotMm.${i}`, code: 'store-slot', data: { slot: i + 1 }, min: 25, max: 800 },
      roundUp(thick * (1 + sparePct / 100) + bowMm + FINGERS_MM, units),
      { code: 'store-slot', terms: [], data: { count: group.length, sparePct, bowMm } },
    )
    // Bowed all one way they lie in each other: the bow is wanted once.
    const leastMm = thick + bowMm
    if (wide < leastMm) return bad('store-slot-narrow', { mm: wide, leastMm, slot: i + 1, bowMm }, `slotMm.${i}`)
    const fromMm = posts[i] + frame.widthMm
    slots.push({ sheets: group, fromMm, wideMm: wide })
    posts.push(fromMm + wide)
  }
  const frontMm = posts[posts.length - 1] + frame.widthMm + PAST_POST_MM
  if (frontMm > ctx.space.depthMm) return bad('store-too-deep', { mm: frontMm, mostMm: ctx.space.depthMm }, 'sparePct')
  // Drawn out to the right there must be wall free of everything; to the left nobody is asked here.
  const free = ctx.space.lengthMm - longestMm
  const needMm = WAY_IN_SHARE * longestMm
  if (p.entry === 'right' && free < needMm)
    return bad('store-no-way-in', { haveMm: Math.max(0, free), needMm }, 'entry')

  const fromMm = Math.max(0, (longestMm - lengthMm) / 2)
  // A frame is as thick as its bar and its post beside it.
  const room = lengthMm - 2 * frame.thicknessMm
  const frames = Array.from({ length: count }, (_, i) => fromMm + (room * i) / (count - 1))
  return good({
    unhoused: [...left, ...others.map((g) => ({ goodsId: g.item.id, count: g.count, why: 'no-place' }))],
    plan: {
      frame,
      back,
      frames,
      fromMm,
      lengthMm,
      longestMm,
      openMm,
      posts,
      frontMm,
      slots,
    },
  })
}
