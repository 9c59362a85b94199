import { clearBay, LEAST_CLEAR_MM, USUAL_SPAN_MM } from '../../blocks/sizing/clear-bay.ts'
import type { Stock } from '../../assembly/assembly.ts'
import { draft, type Draft } from '../../assembly/draft.ts'
import { unitsOf } from '../../assembly/settings.ts'
import { findSection } from '../../catalogue/lumber.ts'
import { MAGNET } from '../../catalogue/hardware.ts'
import { findSheet } from '../../catalogue/sheets.ts'
import { bad, good, type Result } from '../../measure/result.ts'
import { inches, type UnitSystem } from '../../measure/units.ts'
import { canHoldTie } from '../../room/room.ts'
import { stripUnder } from '../../blocks/carcass/under-edge.ts'
import { cleatedShelf } from '../../blocks/carcass/cleated-shelf.ts'
import { dadoDepth, housedShelf } from '../../blocks/carcass/shelf-between.ts'
import { clearInBox, frontDeep, placesInBox, underHinges, unitFront, type Front } from '../../blocks/fronts/front.ts'
import { GAP_MM } from '../../blocks/fronts/hinged.ts'
import { rowsOf, sprung, type Row } from '../../blocks/fronts/lift-up.ts'
import { panelsInside, slidingDeep, tracksInside, type SlidingBox } from '../../blocks/fronts/sliding.ts'
import { closeFront, overSheets, stretch } from '../../blocks/fronts/standing.ts'
import { ANGLE_ROOM_MM, pinBoxes } from '../../blocks/mounts/pinned-foot.ts'
import { economicalRip, standingDepth } from '../../blocks/sizing/economical-rip.ts'
import { dimPen, shelfPlay } from '../dim-pen.ts'
import type { Choice, ShapeContext, Shaped, Term } from '../family.ts'
import { grownTo, house, standing, type Level, type Opening } from '../house-on-shelves.ts'
import {
  closeBack,
  NAILER,
  standUprights,
  THIN_BACK,
  tieNailers,
  uprightId,
  type StandingBox,
} from '../../blocks/carcass/standing.ts'
import { rowsHeld } from '../stands-alone.ts'
import { LIMITS, type ShelfUnitParams } from './parameters.ts'

/** What a thing may stand out in front. Product decision. */
const STICK_OUT = inches(1)
/** Toe room under the lowest shelf, mm. */
const KICK = 80

interface Plan {
  openings: Opening[]
  clearMm: number
  depthMm: number
  levels: Level[]
  tops: number[]
  play: { sideMm: number; aboveMm: number }
  highMm: number
  unhoused: Shaped['unhoused']
  /** Leaves that turn up, from below. */
  rowsUp: Row[]
}

/*
 *   |=|===========|=|===========|=|    front: uprights of sheet, shelves between them on cleats (c), a strip (s) under each front edge;
 *   | |c    s    c| |c    s    c| |    a thin back keeps it square, a tie board across the top goes to the wall.
 */
export function shapeShelfUnit(p: ShelfUnitParams, ctx: ShapeContext): Result<Shaped> {
  if (ctx.goods.length === 0) return bad('no-goods')
  const units = unitsOf(ctx.settings)
  const pen = dimPen(p, units)
  const sheet = findSheet(p.sheet)!
  const cleat = findSection(p.cleatSection)!
  const strip = findSection(p.stripSection)!
  const t = sheet.thicknessMm
  const tieSection = NAILER[ctx.settings.yard]
  const tied = p.tie && canHoldTie(ctx.space)
  const nailerMm = tied ? findSection(tieSection)!.widthMm : 0
  const backMm = p.back ? findSheet(THIN_BACK[ctx.settings.yard])!.thicknessMm : 0

  const { aboveMm, sideMm } = shelfPlay(pen, 600)
  const deepest = ctx.goods.reduce((d, g) => Math.max(d, g.item.deepMm), 0)
  const widest = ctx.goods.reduce((d, g) => Math.max(d, g.item.acrossMm), 0)
  const { kerfMm, sheetTrimMm, yard } = ctx.settings
  const slides = p.front === 'sliding'
  // Tracks and panels that slide are inside, in front of what stands there; a track is as high as it is deep.
  const insideMm = slides ? slidingDeep(yard) : 0
  const [wantedMm, mostDeepMm] = [
    deepest + insideMm - standsOutOf(p),
    ctx.space.depthMm - backMm - frontThick(p, ctx.settings.yard),
  ]
  const rip = economicalRip(sheet, ctx.settings, wantedMm, mostDeepMm)
  const deep = standingDepth(rip, { wantedMm, mostMm: Math.min(800, mostDeepMm), deepestMm: deepest + insideMm }, units)
  const depthMm = pen.length({ path: 'depthMm', code: 'depth', min: 100, max: 800 }, deep?.mm ?? 300, {
    code: deep?.why ?? 'depth-space',
    terms: [],
    data: {
      parts: rip?.n ?? 1,
      sheetMm: sheet.widthMm,
      kerfMm,
      deepestMm: deepest,
      insideMm,
      spaceMm: ctx.space.depthMm,
    },
  })
  const clearMm = pen.length(
    { path: 'clearMm', code: 'clear-bay', min: LEAST_CLEAR_MM, max: 2400 },
    clearBay(Math.max(USUAL_SPAN_MM, clearInBox(p.front, widest + 2 * sideMm)), ctx.space.lengthMm - 2 * t),
    { code: 'usual-span', terms: [], data: { everyMm: USUAL_SPAN_MM } },
  )
  const inDadoes = p.hold === 'dado' ? 2 * dadoDepth(t, units) : 0
  const longest = sheet.lengthMm - 2 * sheetTrimMm - inDadoes
  if (clearMm > longest) return bad('longer-than-board', { mm: clearMm, mostMm: longest }, 'clearMm')
  if (depthMm > sheet.widthMm - 2 * sheetTrimMm)
    return bad('deeper-than-sheet', { mm: depthMm, mostMm: sheet.widthMm - 2 * sheetTrimMm }, 'depthMm')
  const leastMm = 2 * strip.thicknessMm + 40 + insideMm
  if (depthMm < leastMm) return bad('too-shallow', { leastMm }, 'depthMm')

  const under = p.strip === 'none' ? 0 : strip.widthMm
  // Angles at its feet stand under what is under the lowest shelf.
  const pinned = p.feet === 'pinned' && ctx.space.floor === 'slab'
  const footMm = pinned ? ANGLE_ROOM_MM + Math.max(under, p.hold === 'cleats' ? cleat.widthMm : 0) : 0
  const termsOf = (levels: Level[]): Term[][] =>
    levels.map((_l, i) => {
      const below = levels[i - 1]
      return below
        ? [
            { name: 'tallest', mm: below.tallest?.tallMm ?? 0 },
            { name: 'above-play', mm: aboveMm },
            // Lifted over the lower track, and out under the upper one, which is where a strip would be.
            ...(insideMm > 0 && i === 1 ? [{ name: 'track', mm: insideMm }] : []),
            ...(insideMm > 0 && i === levels.length - 1
              ? [{ name: 'track', mm: insideMm }]
              : under > 0
                ? [{ name: 'edge-strip', mm: under }]
                : []),
            { name: 'sheet', mm: t },
          ]
        : [
            { name: 'kick', mm: Math.max(KICK, footMm) },
            { name: 'sheet', mm: t },
          ]
    })
  const most = Math.max(1, Math.min(LIMITS.bays, Math.floor((ctx.space.lengthMm - t) / (clearMm + t))))
  const openingsFor = (n: number): Opening[] =>
    Array.from({ length: n }, (_, i) => ({ left: t + i * (clearMm + t), right: t + i * (clearMm + t) + clearMm }))
  const grows = (levels: Level[]) => {
    const z = termsOf(levels)
      .flat()
      .reduce((s, x) => s + x.mm, 0)
    const under = Math.min(ctx.space.heightMm, sheet.lengthMm - 2 * sheetTrimMm) - aboveMm - nailerMm
    return grownTo(levels, z, under, ctx.settings)
  }
  const housed = (n: number) =>
    house(
      ctx.goods,
      null,
      p.shelves,
      placesInBox(p.front, openingsFor(n)),
      depthMm - insideMm,
      sideMm,
      standsOutOf(p),
      grows,
      LIMITS.shelves,
    )
  const wanted = Array.from({ length: most }, (_, i) => i + 1).find((n) => housed(n).unhoused.length === 0) ?? most
  const bays = pen.count({ path: 'bays', code: 'bays', min: 1, max: LIMITS.bays }, wanted, {
    code: 'shelves-goods',
    terms: [],
    data: { things: ctx.goods.reduce((n, g) => n + g.count, 0) },
  })
  const openings = openingsFor(bays)
  const { levels, unhoused } = house(
    ctx.goods,
    null,
    p.shelves,
    placesInBox(p.front, openings),
    depthMm - insideMm,
    sideMm,
    standsOutOf(p),
    grows,
    LIMITS.shelves,
  )
  pen.count({ path: 'shelves', code: 'shelves', min: 1, max: LIMITS.shelves }, levels.length, {
    code: 'shelves-goods',
    terms: [],
    data: { things: ctx.goods.reduce((n, g) => n + g.count, 0) },
  })
  const tops: number[] = []
  termsOf(levels).forEach((terms, i) =>
    tops.push(
      pen.sum(
        { path: `topMm.${i}`, code: 'shelf-top', data: { shelf: i + 1 }, min: 40, max: 3000 },
        i === 0 ? terms : [{ name: 'shelf-below', mm: tops[i - 1] }, ...terms],
        i === 0 ? 'kick' : 'goods-below',
      ),
    ),
  )
  for (let i = 0; i < tops.length; i++) {
    const below = Math.max(under, p.hold === 'cleats' ? cleat.widthMm : 0)
    const least = (i === 0 ? 0 : tops[i - 1]) + t + (i === 0 && pinned ? footMm : below)
    if (tops[i] < least) return bad('shelves-overlap', { mm: tops[i], leastMm: least, shelf: i + 1 }, `topMm.${i}`)
  }
  if (slides && tops.length < 2) return bad('sliding-one-shelf', {}, 'front')
  const rowsUp = p.front === 'lift-up' ? liftRows(p, { tops, clearMm, depthMm }) : good([])
  if (!rowsUp.ok) return rowsUp
  const mostMm = sheet.lengthMm - 2 * sheetTrimMm - nailerMm
  const highest = tops[tops.length - 1]
  if (highest > mostMm)
    return bad(
      'shelf-above-sheet',
      { mm: highest, mostMm },
      p.topMm.some((x) => typeof x === 'number') || p.shelves === null ? `topMm.${tops.length - 1}` : 'shelves',
    )
  const last = levels[levels.length - 1].tallest
  const highMm = Math.min(mostMm + nailerMm, highest + Math.max(150, (last?.tallMm ?? 0) + aboveMm) + nailerMm)
  const plan: Plan = {
    openings,
    clearMm,
    depthMm,
    levels,
    tops,
    play: { sideMm, aboveMm },
    highMm,
    unhoused,
    rowsUp: rowsUp.value,
  }

  const d = draft(ctx.settings.yard)
  const box: StandingBox = { openings, thicknessMm: t, backMm, deepMm: depthMm, highMm }
  standUprights(d, box, p.sheet, ctx.space.floorFall)
  plan.tops.forEach((_z, i) => plan.openings.forEach((_o, k) => shelf(d, p, ctx, plan, i, k, backMm)))
  if (p.back) closeBack(d, box, findSheet(THIN_BACK[ctx.settings.yard])!)
  if (tied)
    tieNailers(
      d,
      box,
      { section: tieSection, grade: ctx.settings.grade, topMm: highMm },
      { space: ctx.space, system: ctx.settings.yard },
    )
  if (pinned) {
    const frontMm = backMm + depthMm
    pinBoxes(d, [[uprightId(0), uprightId(openings.length)]], { backMm, frontMm, rows: rowsHeld(ctx.space) })
  }
  placeBays(d, plan, p.front, { y: backMm, under, t, nailerMm, insideMm })
  plan.tops.forEach((z, i) =>
    d.mark(
      z,
      'shelf-top',
      i + 1,
      plan.openings.map((_o, k) => `shelf-${k}-${i}`),
    ),
  )
  const cleatMm = p.hold === 'cleats' ? { wide: cleat.widthMm, thick: cleat.thicknessMm } : { wide: 0, thick: 0 }
  const sides = [...openings, null].map((_, u) => uprightId(u))
  const topShelf = tops.length - 1
  const underTop = topShelf > 0 ? tops[topShelf] - t - tops[topShelf - 1] : tops[0] - t
  const sliding: SlidingBox | null = slides
    ? {
        openings: openings.map((o, k) => ({
          ...o,
          id: `${k}`,
          below: `shelf-${k}-0`,
          above: `shelf-${k}-${topShelf}`,
        })),
        ...{ yard, grade: ctx.settings.grade, frontMm: backMm + depthMm, uprights: sides },
      }
    : null
  if (sliding) tracksInside(d, sliding)
  d.sub({
    id: 'unit',
    name: 'unit',
    parts: d.assembly.parts.map((x) => x.id).filter((id) => !id.startsWith('angle-')),
    built: p.raise === 'tilt' ? 'flat' : 'in-place',
  })
  if (sliding) panelsInside(d, sliding)
  else
    closeFront(d, {
      front: p.front,
      sheet: findSheet(p.sheet)!,
      // Strips under the front edges are in the way of magnets.
      closed: overSheets(openings, sides, t, (k) =>
        p.latch === 'magnet' && p.strip === 'none' && underTop >= MAGNET.highMm
          ? {
              under: `shelf-${k}-${tops.length - 1}`,
              underMm: tops[tops.length - 1] - t,
              frontMm: backMm + depthMm,
              left: openings[k].left + cleatMm.thick,
              right: openings[k].right - cleatMm.thick,
            }
          : null,
      ),
      uprights: sides,
      railed: sides,
      frontMm: backMm + depthMm,
      headMm: highMm,
      panelsMm: tops.flatMap((z) => stretch(z - t / 2 - Math.max(under, cleatMm.wide), z - t / 2)),
      up: {
        deepMm: depthMm,
        cleatMm: cleatMm.wide,
        of: (k) => ({ rows: plan.rowsUp, panelOf: ({ shelf }) => `shelf-${k}-${shelf ?? topShelf}` }),
      },
    })
  plan.tops.forEach((_z, i) =>
    pen.drag(`topMm.${i}`, {
      axis: 'z',
      sign: 1,
      parts: d.assembly.parts.filter((x) => x.role === 'shelf' && x.id.endsWith(`-${i}`)).map((x) => x.id),
    }),
  )
  return good({ assembly: d.assembly, dims: pen.dims, choices: choices(p, ctx), unhoused })
}

/** What a thing may stand out in front: nothing where something shuts. */
const standsOutOf = (p: ShelfUnitParams): number => (p.front === 'open' ? STICK_OUT : 0)
/** How far its front stands out past the shelves: panels slide inside. */
const frontThick = (p: ShelfUnitParams, yard: UnitSystem): number =>
  p.front === 'sliding' ? 0 : frontDeep(p.front, findSheet(p.sheet)!.thicknessMm, yard)

/** Leaves that turn up between the lowest shelf and the highest: what stands on that stays open. */
function liftRows(p: ShelfUnitParams, s: Pick<Plan, 'tops' | 'clearMm' | 'depthMm'>): Result<Row[]> {
  const sheet = findSheet(p.sheet)!
  const t = sheet.thicknessMm
  const headMm = s.tops[s.tops.length - 1]
  if (s.tops.length < 2) return bad('lift-one-shelf', {}, 'front')
  if (p.strip !== 'none') return bad('lift-under-strip', {}, 'strip')
  const rows = rowsOf(s.tops[0] - t, headMm, s.tops.slice(0, -1), headMm - t, t)
  const cleatMm = p.hold === 'cleats' ? findSection(p.cleatSection)!.widthMm : 0
  return sprung(rows, { sheet, left: 0, right: s.clearMm + t - GAP_MM, frontMm: 0, deepMm: s.depthMm, cleatMm })
}

const board = (section: string, grade: string): Stock => ({ kind: 'board', section, grade, treated: false })

function shelf(d: Draft, p: ShelfUnitParams, ctx: ShapeContext, plan: Plan, i: number, k: number, y: number) {
  const sheet = findSheet(p.sheet)!
  const cleat = findSection(p.cleatSection)!
  const strip = findSection(p.stripSection)!
  const o = plan.openings[k]
  const id = `shelf-${k}-${i}`
  const [slides, top] = [p.front === 'sliding', i === plan.tops.length - 1]
  // Panels that slide pass what is between the lowest and the highest.
  const deepMm = plan.depthMm - (slides && i > 0 && !top ? slidingDeep(ctx.settings.yard) : 0)
  const stripped = p.strip !== 'none' && !(slides && top)
  const long = deepMm - (stripped ? strip.thicknessMm : slides && top ? slidingDeep(ctx.settings.yard) : 0)
  const between = { id, sheet, left: o.left, right: o.right, fromMm: y, deepMm, topMm: plan.tops[i] }
  if (p.hold === 'dado')
    housedShelf(d, {
      ...between,
      role: 'shelf',
      dadoMm: dadoDepth(sheet.thicknessMm, unitsOf(ctx.settings)),
      uprights: [`upright-${k}`, `upright-${k + 1}`],
      footMm: 0,
    })
  else
    cleatedShelf(d, {
      ...between,
      // Past the cleat that is already on the other face.
      ends: [
        { upright: `upright-${k}`, id: `cleat-left-${k}-${i}`, beforeMm: k > 0 ? cleat.thicknessMm : 0 },
        { upright: `upright-${k + 1}`, id: `cleat-right-${k}-${i}`, beforeMm: 0 },
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

function placeBays(
  d: Draft,
  plan: Plan,
  front: Front,
  b: { y: number; under: number; t: number; nailerMm: number; insideMm: number },
) {
  const places = placesInBox(front, plan.openings)
  const perOpening = places.length / plan.openings.length
  const last = plan.levels.length - 1
  plan.levels.forEach((level, i) => {
    const above = plan.tops[i + 1]
    // Over the highest shelf nothing slides.
    const insideMm = i === last ? 0 : b.insideMm
    const hinges = i === last ? 0 : underHinges(front)
    const hangs = i === last - 1 && b.insideMm > 0 ? b.insideMm : b.under + hinges
    places.forEach(({ left, right }, k) => {
      d.bay({
        id: `bay-${k}-${i}`,
        name: { code: 'shelf', column: k + 1, row: i + 1 },
        holds: 'surface',
        clear: {
          min: [left, b.y, plan.tops[i]],
          max: [
            right,
            b.y + plan.depthMm - insideMm,
            above === undefined ? plan.highMm - b.nailerMm : above - b.t - hangs,
          ],
        },
        carriers: [`shelf-${Math.floor(k / perOpening)}-${i}`],
        items: standing(level, k, b.y, plan.tops[i]),
        play: {
          sideMm: plan.play.sideMm,
          aboveMm: above === undefined ? 0 : Math.max(0, plan.play.aboveMm - hinges),
          deepMm: 0,
        },
        stickOutMm: front === 'open' ? STICK_OUT : 0,
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
    { path: 'front', code: 'front', value: p.front, options: unitFront.options, of: 'code' },
    ...(p.front === 'doors'
      ? [{ path: 'latch', code: 'latch', value: p.latch, options: ['magnet', 'none'], of: 'code' as const }]
      : []),
    { path: 'back', code: 'back', value: p.back, options: [true, false], of: 'code' },
    { path: 'tie', code: 'tie', value: p.tie, options: [true, false], of: 'code' },
    ...(ctx.space.floor === 'slab'
      ? [{ path: 'feet', code: 'feet', value: p.feet, options: ['standing', 'pinned'], of: 'code' as const }]
      : []),
    { path: 'raise', code: 'raise', value: p.raise, options: ['tilt', 'in-place'], of: 'code' },
  ]
}
