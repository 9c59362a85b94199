import type { Bay, Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { TOOL_HOOK } from '../../catalogue/hardware.ts'
import { SECTIONS, type Section } from '../../catalogue/lumber.ts'
import type { Sheet } from '../../catalogue/sheets.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { setInHole, TILT_RAD } from '../arms/in-hole.ts'
import { buttedShelf } from '../carcass/shelf-between.ts'
import { GAP_MM, placeLeaves } from '../fronts/hinged.ts'
import { OUT, UP } from '../mounts/wall-fixing.ts'
import { placeTee } from '../arms/tee.ts'
import { hangUnder } from '../mounts/under-joists.ts'
import {
  cleatFoot,
  footOver,
  hookPlate,
  hookSides,
  plateFoot,
  placePlate,
  placeSides,
  type Hooked,
  type Sides,
  type SidesSpec,
  type Strips,
} from './frame.ts'
import { clearFor, type HolderSize } from './sizes.ts'

/** What holders of one wall are made of. */
export interface HolderStock {
  system: UnitSystem
  grade: string
  sheet: Sheet
  divider: Sheet
  rail: Section
  railScrews: number
  /** Webs and ledges under a deck, and bars. */
  bar: Section
  plate: Section
  peg: Section
}

export interface Holder {
  id: string
  strips: Strips
  row: number
  left: number
  size: HolderSize
  count: number
  stock: HolderStock
  play: { sideMm: number; aboveMm: number }
}

/** What has sides is at least so high, mm: they lean on the wall well under where they hook. Product decision. */
const LEAST_HIGH_MM = 160
/** As high as this share of how far it stands out: so what pulls it off stays small. Product decision. */
const HIGH_SHARE = 1.2

const onPlate = (s: HolderSize): boolean => s.held === 'pegs' || s.held === 'hook'
/** What stands in it stands on its bottom. */
const isBox = (s: HolderSize): boolean => s.held === 'box' || s.held === 'hinged-box'

/** What a holder takes of the wall, from the height of the strip it hooks over. */
export interface Outline {
  wideMm: number
  outMm: number
  /** Lower and upper end of its wood, and of what it keeps. */
  footMm: number
  headMm: number
  /** Lower edges of the rails, or of its plate. */
  leanMm: number
  upperMm: number
  lowMm: number
  highMm: number
}

export function outlineOf(h: Pick<Holder, 'strips' | 'row' | 'size' | 'count' | 'stock'>): Outline {
  const { strips: s, row, size, stock } = h
  const y = s.backMm + s.section.thicknessMm
  const clear = clearFor(size, h.count)
  if (onPlate(size)) {
    const { plate } = stock
    const foot = footOver(s, plateFoot(s, row, plate), s.cleat.widthMm)
    const z = foot + plate.widthMm * PEG_UP
    return {
      wideMm: clear,
      outMm: y + plate.thicknessMm + size.deepMm,
      footMm: foot,
      headMm: foot + plate.widthMm,
      leanMm: foot,
      upperMm: foot,
      lowMm: Math.min(foot, z - size.underMm),
      highMm: Math.max(foot + plate.widthMm, z + size.overMm),
    }
  }
  const t = stock.sheet.thicknessMm
  // A deck lies over the upper rail, a bottom under the lower one.
  const head = cleatFoot(s, row) + Math.max(stock.rail.widthMm + t, s.cleat.widthMm)
  const bottom = isBox(size) ? t : 0
  const deep = stock.rail.thicknessMm + size.deepMm
  const bodyMm = isBox(size)
    ? size.boardMm + 2 * t
    : size.held === 'drill-slots'
      ? size.boardMm + t + stock.bar.thicknessMm
      : 0
  const high = Math.max(LEAST_HIGH_MM, HIGH_SHARE * deep, bodyMm, 2 * stock.rail.widthMm + t + bottom)
  const lean = footOver(s, head - high + bottom, stock.rail.widthMm)
  const foot = lean - bottom
  const carrier = isBox(size) ? foot + t : size.held === 'drill-slots' ? head - t - size.boardMm : head
  return {
    wideMm: clear + 2 * t,
    outMm: y + deep,
    footMm: foot,
    headMm: head,
    leanMm: lean,
    upperMm: head - t - stock.rail.widthMm,
    lowMm: Math.min(foot, carrier - size.underMm),
    highMm: Math.max(head, carrier + size.overMm),
  }
}
/** Pegs and hooks sit so far up their plate. */
const PEG_UP = 0.6

const board = (section: Section, grade: string): Stock => ({
  kind: 'board',
  section: section.id,
  grade,
  treated: false,
})

interface Site {
  h: Holder
  o: Outline
  /** Middles of the tools along the wall. */
  xs: number[]
}

const middles = (h: Holder, from: number): number[] => {
  const { pitchMm, endMm } = h.size
  const first = from + (pitchMm + endMm) / 2
  return Array.from({ length: h.count }, (_, i) => first + i * pitchMm)
}

/** Puts a holder on its strip with its tools in it. */
export function placeHolder(d: Draft, h: Holder, hangs: { cleat: Stock }): void {
  const o = outlineOf(h)
  const hooked: Hooked = {
    id: h.id,
    strips: h.strips,
    row: h.row,
    left: h.left,
    wideMm: o.wideMm,
    footMm: o.footMm,
    leanMm: o.leanMm,
    cleatStock: hangs.cleat,
    tags: {
      held: h.size.held,
      goods: h.size.item.name,
      tools: h.count,
      openMm: h.size.openMm,
      keyMm: h.size.keyMm,
      pitchMm: h.size.pitchMm,
      travels: h.size.tool.travels ? 1 : 0,
    },
  }
  if (onPlate(h.size)) return onOnePlate(d, { h, o, xs: middles(h, h.left) }, hooked)
  const spec: SidesSpec = {
    ...hooked,
    deepMm: h.stock.rail.thicknessMm + h.size.deepMm,
    headMm: o.headMm,
    upperMm: o.upperMm,
    sheet: h.stock.sheet,
    rail: h.stock.rail,
    railStock: board(h.stock.rail, h.stock.grade),
    railScrews: h.stock.railScrews,
  }
  const sides = placeSides(d, spec)
  const site = { h, o, xs: middles(h, sides.left) }
  INSIDE[h.size.held as keyof typeof INSIDE](d, site, sides)
  hookSides(d, spec, sides)
}

/** A deck is screwed down to the rail under it, or up to the one over it, this often, mm. Product decision. */
const DECK_SCREWS_EVERY_MM = 120

/** A panel between the sides, screwed to a rail as well where one lies against it. */
function deck(d: Draft, { h, o }: Site, s: Sides, at: { id: string; role: 'shelf' | 'top'; topMm: number }) {
  const t = h.stock.sheet.thicknessMm
  buttedShelf(d, {
    ...at,
    sheet: h.stock.sheet,
    left: s.left,
    right: s.right,
    fromMm: s.wallMm,
    deepMm: s.frontMm - s.wallMm,
    uprights: s.sides,
    footMm: o.footMm,
  })
  const rail = `${h.id}-${at.topMm === o.headMm ? 'upper' : 'lower'}`
  const n = 2 + Math.floor((s.right - s.left) / DECK_SCREWS_EVERY_MM)
  d.screw(at.id, rail, n, 'side', t, h.stock.rail.widthMm)
  s.parts.push(at.id)
  return at.id
}

/** Its tools side by side on what carries them; `underMm` of each is lower than that. */
function tools(
  d: Draft,
  { h, o, xs }: Site,
  t: { carriers: string[]; left: number; right: number; y: number; z: number; holds: Bay['holds'] },
) {
  const { item } = h.size
  const base = t.z - h.size.underMm
  d.bay({
    id: `${h.id}-bay`,
    name: { code: 'holder', column: Number(h.id.split('-')[1]) + 1, row: h.row + 1 },
    holds: t.holds,
    clear: {
      min: [t.left, h.strips.backMm, Math.min(base, o.footMm)],
      max: [t.right, t.y + h.size.item.deepMm / 2 + h.play.sideMm, base + item.tallMm + h.play.aboveMm],
    },
    carriers: t.carriers,
    items: xs.map((x) => ({
      goodsId: item.id,
      massKg: item.massKg,
      stands: 'flat' as const,
      box: {
        min: [x - item.acrossMm / 2, t.y - item.deepMm / 2, base],
        max: [x + item.acrossMm / 2, t.y + item.deepMm / 2, base + item.tallMm],
      },
    })),
    play: { sideMm: 0, aboveMm: h.play.aboveMm, deepMm: 0 },
    stickOutMm: 0,
    exit: [0, 1, 0],
  })
}

/** A deck with or without openings; tools go through these, their heads on it. */
function onDeck(d: Draft, site: Site, s: Sides) {
  const { h, o, xs } = site
  const { size } = h
  const id = deck(d, site, s, { id: `${h.id}-deck`, role: 'shelf', topMm: o.headMm })
  const y = s.backMm + size.middleMm
  const [front, offMm] = [s.frontMm - s.wallMm, y - s.wallMm]
  for (const x of xs) {
    const atMm = x - s.left
    const hole = (diameterMm: number) =>
      d.machine(id, { kind: 'hole', face: 'over', atMm, offMm, diameterMm, depthMm: null, tiltRad: 0 })
    if (size.held === 'bored-rail') hole(size.openMm)
    if (size.held === 'slotted-rail') {
      d.machine(id, {
        kind: 'notch',
        atMm: atMm - size.openMm / 2,
        offMm: 0,
        lengthMm: size.openMm,
        depthMm: front - offMm,
        edge: 'high',
      })
      hole(size.keyMm)
    }
    if (size.held === 'cutout')
      d.machine(id, {
        kind: 'cutout',
        atMm: atMm - size.openMm / 2,
        offMm: offMm - size.keyMm / 2,
        lengthMm: size.openMm,
        widthMm: size.keyMm,
      })
  }
  const holds = size.held === 'shelf' ? 'surface' : 'hung'
  tools(d, site, { carriers: [id], left: s.left, right: s.right, y, z: o.headMm, holds })
}

/** Dividers reach into front and back by this share of their thickness: builders' usual third. */
const DADO_SHARE = 1 / 3

/** A bottom, a front and a back board, and dividers in dadoes of both. */
function inBox(d: Draft, site: Site, s: Sides) {
  const { h, o, xs } = site
  const { size, stock } = h
  const bottom = deck(d, site, s, { id: `${h.id}-bottom`, role: 'shelf', topMm: o.footMm + stock.sheet.thicknessMm })
  const [z, t] = [o.footMm + stock.sheet.thicknessMm, stock.divider.thicknessMm]
  const closed = size.held === 'hinged-box'
  const walls = closed
    ? []
    : ([
        ['back', s.backMm],
        ['front', s.frontMm - t],
      ] as const)
  for (const [name, y] of walls) {
    const id = `${h.id}-${name}`
    d.square({
      id,
      role: name === 'front' ? 'edge' : 'back',
      stock: { kind: 'sheet', sheet: stock.divider.id },
      min: [s.left, y, z],
      size: [s.right - s.left, t, size.boardMm],
      along: 'x',
      across: 'z',
      grain: 'any',
    })
    d.rest(id, bottom)
    for (const side of s.sides) d.screw(side, id, 2, 'edge', stock.sheet.thicknessMm, 200)
  }
  if (!closed) dividers(d, site, s, { z, bottom })
  else closeBox(d, site, s)
  const y = s.backMm + size.middleMm
  tools(d, site, { carriers: [bottom], left: s.left, right: s.right, y, z, holds: xs.length > 1 ? 'slot' : 'surface' })
}

function dividers(d: Draft, { h, xs }: Site, s: Sides, { z, bottom }: { z: number; bottom: string }) {
  const { divider } = h.stock
  const t = divider.thicknessMm
  const into = t * DADO_SHARE
  xs.slice(1).forEach((x, i) => {
    const id = `${h.id}-divider-${i}`
    const at = (xs[i] + x) / 2 - t / 2
    d.square({
      id,
      role: 'divider',
      stock: { kind: 'sheet', sheet: divider.id },
      min: [at, s.backMm + t - into, z],
      size: [t, s.frontMm - s.backMm - 2 * t + 2 * into, h.size.boardMm],
      along: 'y',
      across: 'z',
      grain: 'any',
    })
    d.rest(id, bottom)
    for (const name of ['back', 'front']) {
      const wall = `${h.id}-${name}`
      d.joint({ kind: 'housed', near: wall, far: id, fasteners: [] })
      d.machine(wall, {
        kind: 'dado',
        face: d.face(wall, id),
        atMm: at - s.left,
        offMm: 0,
        widthMm: t,
        depthMm: into,
        stopped: false,
      })
    }
  })
}

/** A top, and leaves in front that a magnet holds shut: each stops at its own hinge. */
function closeBox(d: Draft, site: Site, s: Sides) {
  const { h, o } = site
  const { sheet } = h.stock
  const t = sheet.thicknessMm
  const top = deck(d, site, s, { id: `${h.id}-top`, role: 'top', topMm: o.headMm })
  placeLeaves(d, {
    id: `${h.id}-leaf`,
    stock: { kind: 'sheet', sheet: sheet.id },
    thicknessMm: t,
    left: h.left + GAP_MM / 2,
    right: h.left + o.wideMm - GAP_MM / 2,
    footMm: o.footMm,
    headMm: o.headMm,
    frontMm: s.frontMm,
    uprights: s.sides,
    faces: [s.left, s.right],
    panelsMm: [o.footMm + t / 2, o.headMm - t / 2],
    latch: { under: top, underMm: o.headMm - t, frontMm: s.frontMm, left: s.left, right: s.right },
  })
}

/** Screws of a ledge into its web, and of a web into the deck over it, as shares of its length. Product decisions. */
const LEDGE_SCREWS_EVERY_MM = 100
const WEB_SCREWS = [0.2, 0.8] as const

/** Boards that webs and ledges are ripped from: the narrowest as thick as bars are; null where none is wide enough. */
export function teeSections(size: HolderSize, stock: Pick<HolderStock, 'bar' | 'system'>): [Section, Section] | null {
  const wide = (mm: number) =>
    SECTIONS.filter(
      (s) => s.system === stock.system && !s.round && s.thicknessMm === stock.bar.thicknessMm && s.widthMm >= mm - 1e-6,
    ).sort((a, b) => a.widthMm - b.widthMm)[0]
  const [web, flange] = [wide(size.boardMm), wide(stock.bar.thicknessMm + size.keyMm - size.openMm)]
  return web && flange ? [web, flange] : null
}

/** Ts under a deck: bodies slide in between their webs and lie on their ledges, grips hang through between these. */
function inSlots(d: Draft, site: Site, s: Sides) {
  const { h, o } = site
  const { size, stock, count } = h
  const id = deck(d, site, s, { id: `${h.id}-deck`, role: 'top', topMm: o.headMm })
  const ledge = (size.keyMm - size.openMm) / 2
  const w = stock.bar.thicknessMm
  const under = o.headMm - stock.sheet.thicknessMm
  const [web, flange] = teeSections(size, stock)!
  const tees = Array.from({ length: count + 1 }, (_, i) => {
    const ids = { web: `${h.id}-web-${i}`, flange: `${h.id}-ledge-${i}` }
    const middleMm = s.left + ledge + i * size.pitchMm + w / 2
    placeTee(d, {
      web: { id: ids.web, stock: board(web, stock.grade), thicknessMm: w, widthMm: size.boardMm },
      flange: {
        id: ids.flange,
        stock: board(flange, stock.grade),
        thicknessMm: flange.thicknessMm,
        widthMm: w + 2 * ledge,
      },
      middleMm,
      fromMm: s.backMm,
      toMm: s.frontMm,
      topMm: under,
      screwsEveryMm: LEDGE_SCREWS_EVERY_MM,
    })
    const ys = WEB_SCREWS.map((share) => ({ x: middleMm, y: s.backMm + share * (s.frontMm - s.backMm) }))
    hangUnder(d, ids.web, id, ys, { from: 'above', overMm: WEB_SCREWS[0] * 2 * (s.frontMm - s.backMm) })
    return ids.flange
  })
  const y = s.backMm + size.middleMm
  Array.from({ length: count }, (_, i) => {
    const left = s.left + ledge + i * size.pitchMm + w
    const one: Site = { ...site, xs: [left + size.keyMm / 2], h: { ...h, id: `${h.id}-${i}` } }
    return tools(d, one, {
      carriers: [tees[i], tees[i + 1]],
      left,
      right: left + size.keyMm,
      y,
      z: under - size.boardMm,
      holds: 'base',
    })
  })
}

/** A bar on edge between the sides: clamps and hangers go over it. */
function overBar(d: Draft, site: Site, s: Sides) {
  const { h, o } = site
  const { bar, grade } = h.stock
  const id = `${h.id}-bar`
  const y = s.backMm + h.size.middleMm
  d.square({
    id,
    role: 'rail',
    stock: board(bar, grade),
    min: [s.left, y - bar.thicknessMm / 2, o.headMm - bar.widthMm],
    size: [s.right - s.left, bar.thicknessMm, bar.widthMm],
    along: 'x',
    across: 'z',
  })
  for (const side of s.sides)
    d.rest(id, side, 'fasteners', d.screw(side, id, BAR_SCREWS, 'end', h.stock.sheet.thicknessMm, 200))
  tools(d, site, { carriers: [id], left: s.left, right: s.right, y, z: o.headMm, holds: 'hung' })
}
/** Screws through a side into the end of a bar. */
const BAR_SCREWS = 2

const INSIDE = {
  shelf: onDeck,
  'bored-rail': onDeck,
  'slotted-rail': onDeck,
  cutout: onDeck,
  box: inBox,
  'hinged-box': inBox,
  'drill-slots': inSlots,
  'clamp-bar': overBar,
  'hang-rail': overBar,
} as const

/** Wood left behind a peg's hole, mm. */
const BEHIND_PEG_MM = 6

/** Pegs in pairs or hooks, on one board. */
function onOnePlate(d: Draft, site: Site, hooked: Hooked) {
  const { h, o, xs } = site
  const { size, stock } = h
  const pegs = size.held === 'pegs'
  const { plate } = stock
  const id = placePlate(d, { ...hooked, plate, plateStock: board(plate, stock.grade) })
  const [z, face] = [
    o.footMm + plate.widthMm * PEG_UP,
    h.strips.backMm + h.strips.section.thicknessMm + plate.thicknessMm,
  ]
  const y = face + size.middleMm
  xs.forEach((x, i) => {
    const carriers = pegs
      ? [-1, 1].map((side, k) =>
          setInHole(d, {
            id: `${h.id}-peg-${i}-${k}`,
            role: 'arm',
            stock: board(stock.peg, stock.grade),
            diameterMm: stock.peg.widthMm,
            into: id,
            x: x + (side * (size.openMm + stock.peg.widthMm)) / 2,
            z,
            faceMm: face,
            outMm: size.deepMm,
            depthMm: plate.thicknessMm - BEHIND_PEG_MM,
            tiltRad: TILT_RAD,
          }),
        )
      : [toolHook(d, { id: `${h.id}-hook-${i}`, on: id, x, z, face })]
    const one: Site = { ...site, xs: [x], h: { ...h, id: `${h.id}-${i}` } }
    tools(d, one, {
      carriers,
      left: x - size.pitchMm / 2,
      right: x + size.pitchMm / 2,
      y: pegs ? y : face + TOOL_HOOK.outMm / 2,
      z,
      holds: 'hung',
    })
  })
  hookPlate(d, { ...hooked, plate, plateStock: board(plate, stock.grade) })
}

/** A bought hook, screwed to the face of a board: carries what its maker says. */
function toolHook(d: Draft, k: { id: string; on: string; x: number; z: number; face: number }): string {
  const { item, massKg, ratedN, wideMm, highMm, outMm } = TOOL_HOOK
  d.square({
    id: k.id,
    role: 'hardware',
    stock: { kind: 'bought', item, massKg, ratedN },
    min: [k.x - wideMm / 2, k.face, k.z - highMm / 2],
    size: [wideMm, outMm, highMm],
    along: 'z',
    across: 'x',
  })
  d.joint({ kind: 'screwed', near: k.id, far: k.on, fasteners: [] })
  const body = `${k.id}-body`
  d.body(body, [k.id], [])
  // Held up and back by the screws of its plate.
  for (const z of [k.z - highMm / 3, k.z + highMm / 3])
    for (const push of [UP, OUT])
      d.hold({
        from: { body, through: k.id },
        on: { kind: 'part', part: k.on },
        contact: { min: [k.x, k.face, z], max: [k.x, k.face, z] },
        push,
        way: 'both',
        via: 'hanging',
      })
  return k.id
}
