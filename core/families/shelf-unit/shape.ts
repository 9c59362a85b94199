import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { unitsOf } from '../../assembly/settings.ts'
import { MAGNET } from '../../catalogue/hardware.ts'
import { findSheet } from '../../catalogue/sheets.ts'
import { good, type Result } from '../../measure/result.ts'
import { cleatedShelf } from '../../blocks/carcass/cleated-shelf.ts'
import { dadoDepth, housedShelf } from '../../blocks/carcass/shelf-between.ts'
import {
  closeBack,
  NAILER,
  standUprights,
  THIN_BACK,
  tieNailers,
  uprightId,
  type StandingBox,
} from '../../blocks/carcass/standing.ts'
import { stripUnder } from '../../blocks/carcass/under-edge.ts'
import { placesInBox, standingFront, underHinges } from '../../blocks/fronts/front.ts'
import { magnet, type Leaves } from '../../blocks/fronts/hinged.ts'
import { panelsInside, tracksInside, type SlidingBox } from '../../blocks/fronts/sliding.ts'
import { closeFront, OVER_FLOOR_MM, overSheets, stretch } from '../../blocks/fronts/standing.ts'
import { pinBoxes } from '../../blocks/mounts/pinned-foot.ts'
import { stiffFrame } from '../../blocks/mounts/stiff-frame.ts'
import { hangDeepLeaves } from '../deep-leaves.ts'
import { panelsBetween, putDrawersBelow, type DrawersBelow } from '../drawers-below.ts'
import type { Choice, ShapeContext, Shaped } from '../family.ts'
import { standing } from '../house-on-shelves.ts'
import { drawerChoices } from '../in-drawers.ts'
import { hangOnPins } from '../leaves-on-pins.ts'
import { opened } from '../opened.ts'
import { rowsHeld } from '../stands-alone.ts'
import type { ShelfUnitParams } from './parameters.ts'
import { planOut, type Plan } from './plan-out.ts'

/*
 *   |=|===========|=|===========|=|    front: uprights of sheet, shelves between them on cleats (c), a strip (s) under each front edge;
 *   | |c    s    c| |c    s    c| |    a thin back keeps it square, a tie board across the top goes to the wall.
 */
export function shapeShelfUnit(p: ShelfUnitParams, ctx: ShapeContext): Result<Shaped> {
  const begun = opened(p, ctx, planOut, false)
  if (!begun.ok) return begun
  const { d, pen, plan, unhoused } = begun.value
  const { openings, tops, backMm, depthMm, highMm } = plan
  const box: StandingBox = { openings, thicknessMm: plan.t, backMm, deepMm: depthMm, highMm }
  standUprights(d, box, p.sheet, ctx.space.floorFall)
  tops.forEach((_z, i) => openings.forEach((_o, k) => shelf(d, p, ctx, plan, i, k)))
  tops.forEach((z, i) => d.mark(z, 'shelf-top', i + 1, shelvesAt(plan, i)))
  const below = plan.drawers && belowOf(plan, plan.drawers)
  if (below) panelsBetween(d, ctx, below, tops.length + 1)
  if (p.back) closeBack(d, box, findSheet(THIN_BACK[ctx.settings.yard])!)
  if (plan.tied) {
    const nailer = { section: NAILER[ctx.settings.yard], grade: ctx.settings.grade, topMm: highMm }
    tieNailers(d, box, nailer, { space: ctx.space, system: ctx.settings.yard })
  }
  if (plan.pinned) {
    const held = { backMm, frontMm: backMm + depthMm, rows: rowsHeld(ctx.space) }
    pinBoxes(d, [[uprightId(0), uprightId(openings.length)]], held)
  }
  placeBays(d, p, plan)
  const sliding = slidingIn(p, ctx, plan)
  if (sliding) tracksInside(d, sliding)
  d.sub({
    id: 'unit',
    name: 'unit',
    parts: d.assembly.parts.map((x) => x.id).filter((id) => !id.startsWith('angle-')),
    built: p.raise === 'tilt' ? 'flat' : 'in-place',
  })
  if (below) putDrawersBelow(d, below)
  if (sliding) panelsInside(d, sliding)
  else if (plan.leaf || plan.pivots) leaves(d, p, plan)
  else fronts(d, p, plan)
  tops.forEach((_z, i) => pen.drag(`topMm.${i}`, { axis: 'z', sign: 1, parts: shelvesAt(plan, i) }))
  return good({ assembly: d.assembly, dims: pen.dims, choices: choices(p, ctx), unhoused })
}

const shelvesAt = (plan: Plan, i: number): string[] => plan.openings.map((_o, k) => `shelf-${k}-${i}`)
const sidesOf = (plan: Plan): string[] => [...plan.openings, null].map((_, u) => uprightId(u))
const frontOf = (plan: Plan): number => plan.backMm + plan.depthMm

/** Openings whose panels slide on the lowest shelf and under the highest. */
const slidingIn = (p: ShelfUnitParams, ctx: ShapeContext, plan: Plan): SlidingBox | null =>
  p.front === 'sliding'
    ? {
        openings: plan.openings.map((o, k) => ({
          ...o,
          id: `${k}`,
          below: `shelf-${k}-0`,
          above: `shelf-${k}-${plan.tops.length - 1}`,
        })),
        ...{ yard: ctx.settings.yard, grade: ctx.settings.grade, frontMm: frontOf(plan), uprights: sidesOf(plan) },
      }
    : null

const cleatsOf = (p: ShelfUnitParams, { cleat }: Plan) =>
  p.hold === 'cleats' ? { wide: cleat.widthMm, thick: cleat.thicknessMm } : { wide: 0, thick: 0 }

/** What holds a leaf shut under the highest shelf; strips under the front edges are in the way of magnets. */
function latchUnder(p: ShelfUnitParams, plan: Plan, k: number): NonNullable<Leaves['latch']> | null {
  const { tops, t, openings } = plan
  const top = tops.length - 1
  const freeMm = top > 0 ? tops[top] - t - tops[top - 1] : tops[0] - t
  if (p.latch !== 'magnet' || p.strip !== 'none' || freeMm < MAGNET.highMm) return null
  const { thick } = cleatsOf(p, plan)
  return {
    ...{ under: `shelf-${k}-${top}`, underMm: tops[top] - t, frontMm: frontOf(plan) },
    ...{ left: openings[k].left + thick, right: openings[k].right - thick },
  }
}

/** Heights where shelves, and what is under them, leave no hinge a place. */
const panelHeights = (p: ShelfUnitParams, plan: Plan): number[] =>
  plan.tops.flatMap((z) => {
    const middle = z - plan.t / 2
    return stretch(middle - Math.max(plan.under, cleatsOf(p, plan).wide), middle)
  })

function fronts(d: Draft, p: ShelfUnitParams, plan: Plan) {
  const { openings, t, depthMm, highMm, tops } = plan
  const sides = sidesOf(plan)
  closeFront(d, {
    ...{ front: p.front, sheet: plan.sheet, uprights: sides, railed: sides, frontMm: frontOf(plan), headMm: highMm },
    closed: overSheets(openings, sides, t, (k) => latchUnder(p, plan, k)),
    panelsMm: panelHeights(p, plan),
    up: {
      deepMm: depthMm,
      cleatMm: cleatsOf(p, plan).wide,
      of: (k) => ({ rows: plan.rowsUp, panelOf: ({ shelf }) => `shelf-${k}-${shelf ?? tops.length - 1}` }),
    },
  })
}

/** Leaves that are boxes, over all of the front, or leaves on pins between the lowest shelf and the highest. */
function leaves(d: Draft, p: ShelfUnitParams, plan: Plan) {
  const sides = sidesOf(plan)
  const from = d.assembly.parts.length
  const [frontMm, last] = [frontOf(plan), plan.tops.length - 1]
  if (plan.pivots) {
    const between = { lower: 'shelf-0-0', upper: `shelf-0-${last}` }
    stiffFrame(d, 'frame', sides, [], Object.values(between))
    hangOnPins(d, plan.pivots, {
      ...{ ...between, sheet: plan.sheet, frontMm, footMm: plan.tops[0], headMm: plan.tops[last] - plan.t },
    })
  }
  if (plan.leaf) {
    stiffFrame(d, 'frame', sides)
    const [left, right] = [plan.leftMm, plan.openings[plan.openings.length - 1].right + plan.t]
    const hung = hangDeepLeaves(d, plan.leaf, {
      ...{ left, right, frontMm, footMm: OVER_FLOOR_MM, headMm: plan.highMm },
      ...{ uprights: [sides[0], sides[sides.length - 1]], panelsMm: panelHeights(p, plan) },
    })
    hung.forEach((leaf, i) => {
      const { min, max } = d.box(`${leaf.id}-face`)
      const edge = i === 0 ? max[0] : min[0]
      const off = plan.openings.map((o) => Math.max(o.left - edge, edge - o.right, 0))
      const latch = latchUnder(p, plan, off.indexOf(Math.min(...off)))
      if (latch) magnet(d, latch, { id: leaf.id, left: min[0], right: max[0], hung: i === 0 ? 0 : 1 })
    })
  }
  const parts = d.assembly.parts.slice(from).map((x) => x.id)
  d.sub({ id: 'front', name: 'unit', parts, built: 'in-place' })
}

/** What drawers over the lowest shelf are put into. */
const belowOf = (plan: Plan, drawers: DrawersBelow) => ({
  ...{ drawers, openings: plan.openings, sheet: plan.sheet, backMm: plan.backMm, deepMm: plan.depthMm },
  uprightsOf: (k: number): [string, string] => [uprightId(k), uprightId(k + 1)],
})

const board = (section: string, grade: string): Stock => ({ kind: 'board', section, grade, treated: false })

function shelf(d: Draft, p: ShelfUnitParams, ctx: ShapeContext, plan: Plan, i: number, k: number) {
  const { sheet, cleat, strip, insideMm, backMm: y } = plan
  const o = plan.openings[k]
  const id = `shelf-${k}-${i}`
  const [inside, top] = [insideMm > 0, i === plan.tops.length - 1]
  // Panels that slide, and leaves on pins, pass what is between the lowest and the highest.
  const deepMm = plan.depthMm - (i > 0 && !top ? insideMm : 0)
  const stripped = p.strip !== 'none' && !(inside && top)
  const long = deepMm - (stripped ? strip.thicknessMm : inside && top ? insideMm : 0)
  const between = { id, sheet, left: o.left, right: o.right, fromMm: y, deepMm, topMm: plan.tops[i] }
  if (p.hold === 'dado')
    housedShelf(d, {
      ...between,
      role: 'shelf',
      dadoMm: dadoDepth(sheet.thicknessMm, unitsOf(ctx.settings)),
      uprights: [uprightId(k), uprightId(k + 1)],
      footMm: 0,
    })
  else
    cleatedShelf(d, {
      ...between,
      // Past the cleat that is already on the other face.
      ends: [
        { upright: uprightId(k), id: `cleat-left-${k}-${i}`, beforeMm: k > 0 ? cleat.thicknessMm : 0 },
        { upright: uprightId(k + 1), id: `cleat-right-${k}-${i}`, beforeMm: 0 },
      ],
      cleat,
      stock: board(p.cleatSection, ctx.settings.grade),
      cleatMm: long,
    })
  const made = { shelf: id, section: p.stripSection, grade: ctx.settings.grade, glued: p.strip === 'glued' }
  if (stripped) stripUnder(d, { ...made, id: `strip-${k}-${i}`, from: o.left, to: o.right, backMm: y + long })
  // Cleats go on to the back: the strip there stops short of them.
  const shortMm = p.hold === 'cleats' ? cleat.thicknessMm + BESIDE_CLEAT_MM : 0
  if (p.strip !== 'none' && p.rearStrip)
    stripUnder(d, { ...made, id: `strip-${k}-${i}-rear`, from: o.left + shortMm, to: o.right - shortMm, backMm: y })
}
/** Between a strip and a cleat, mm: a shelf lies down on its cleats all the same. */
const BESIDE_CLEAT_MM = 2

function placeBays(d: Draft, p: ShelfUnitParams, plan: Plan) {
  const { t, backMm, under, trackMm, tops, play } = plan
  const places = placesInBox(p.front, plan.openings)
  const perOpening = places.length / plan.openings.length
  const last = plan.levels.length - 1
  plan.levels.forEach((level, i) => {
    // Drawers are over the lowest shelf.
    if (plan.drawers && i === 0) return
    const above = tops[i + 1]
    // Over the highest shelf nothing slides or turns.
    const insideMm = i === last ? 0 : plan.insideMm
    const hinges = i === last ? 0 : underHinges(p.front)
    const hangs = i === last - 1 && trackMm > 0 ? trackMm : under + hinges
    places.forEach(({ left, right }, k) => {
      d.bay({
        id: `bay-${k}-${i}`,
        name: { code: 'shelf', column: k + 1, row: i + 1 },
        holds: 'surface',
        clear: {
          min: [left, backMm, tops[i]],
          max: [
            right,
            backMm + plan.depthMm - insideMm,
            above === undefined ? plan.highMm - plan.nailerMm : above - t - hangs,
          ],
        },
        carriers: [`shelf-${Math.floor(k / perOpening)}-${i}`],
        items: standing(level, k, backMm, tops[i]),
        play: {
          sideMm: play.sideMm,
          aboveMm: above === undefined ? 0 : Math.max(0, play.aboveMm - hinges),
          deepMm: 0,
        },
        stickOutMm: plan.outMm,
        exit: [0, 1, 0],
      })
    })
  })
}

function choices(p: ShelfUnitParams, ctx: ShapeContext): Choice[] {
  const imperial = ctx.settings.yard === 'imperial'
  const sheets = imperial
    ? ['ply-15/32', 'ply-19/32', 'ply-23/32', 'osb-23/32', 'mdf-5/8', 'mdf-3/4', 'pb-5/8', 'pb-3/4', 'lc-3/4']
    : [
        'ply-12mm',
        'ply-15mm',
        'ply-18mm',
        'ply-21mm',
        'osb3-18mm',
        'mdf-16mm',
        'mdf-18mm',
        'mdf-22mm',
        'pb-18mm',
        'lc-18mm',
      ]
  const strips = imperial
    ? ['1x2', '1x3', '1x4', '2x2', '2x3']
    : ['18x44mm', '18x69mm', '18x94mm', '38x38mm', '38x63mm']
  return [
    { path: 'sheet', code: 'sheet', value: p.sheet, options: [...sheets, ...ctx.settings.ownSheets], of: 'sheet' },
    { path: 'hold', code: 'hold', value: p.hold, options: ['dado', 'cleats'], of: 'code' },
    { path: 'strip', code: 'strip', value: p.strip, options: ['none', 'screwed', 'glued'], of: 'code' },
    { path: 'stripSection', code: 'strip-section', value: p.stripSection, options: strips, of: 'section' },
    ...(p.strip !== 'none'
      ? [{ path: 'rearStrip', code: 'rear-strip', value: p.rearStrip, options: [false, true], of: 'code' as const }]
      : []),
    { path: 'front', code: 'front', value: p.front, options: standingFront.options, of: 'code' },
    ...(p.front === 'doors' || p.front === 'deep-doors'
      ? [{ path: 'latch', code: 'latch', value: p.latch, options: ['magnet', 'none'], of: 'code' as const }]
      : []),
    ...(p.front === 'drawers' ? drawerChoices(p, ctx) : []),
    { path: 'back', code: 'back', value: p.back, options: [true, false], of: 'code' },
    { path: 'tie', code: 'tie', value: p.tie, options: [true, false], of: 'code' },
    ...(ctx.space.floor === 'slab'
      ? [{ path: 'feet', code: 'feet', value: p.feet, options: ['standing', 'pinned'], of: 'code' as const }]
      : []),
    { path: 'raise', code: 'raise', value: p.raise, options: ['tilt', 'in-place'], of: 'code' },
  ]
}
