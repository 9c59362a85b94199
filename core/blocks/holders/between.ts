import type { Draft } from '../../assembly/draft.ts'
import { placeTee } from '../arms/tee.ts'
import { buttedShelf } from '../carcass/shelf-between.ts'
import { GAP_MM, placeLeaves } from '../fronts/hinged.ts'
import { hangUnder } from '../mounts/under-joists.ts'
import type { Sides } from './frame.ts'
import { teeSections } from './outline.ts'
import { board, placeTools, type Site } from './site.ts'

/*
 * What stands between the two sides of a holder: a deck with or without openings, a box, Ts under a deck, a bar.
 */

/** A deck is screwed down to the rail under it, or up to the one over it, this often, mm. Product decision. */
const DECK_SCREWS_EVERY_MM = 120

/** A panel between the sides, screwed to a rail as well where one lies against it. */
function deck(d: Draft, { h, o }: Site, s: Sides, at: { id: string; role: 'shelf' | 'top'; topMm: number }) {
  const t = h.stock.sheet.thicknessMm
  buttedShelf(d, {
    sheet: h.stock.sheet,
    left: s.left,
    right: s.right,
    fromMm: s.wallMm,
    deepMm: s.frontMm - s.wallMm,
    uprights: s.sides,
    footMm: o.footMm,
    ...at,
  })
  const rail = `${h.id}-${at.topMm === o.headMm ? 'upper' : 'lower'}`
  const n = 2 + Math.floor((s.right - s.left) / DECK_SCREWS_EVERY_MM)
  d.screw(at.id, rail, n, 'side', t, h.stock.rail.widthMm)
  s.parts.push(at.id)
  return at.id
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
  placeTools(d, site, { carriers: [id], left: s.left, right: s.right, y, z: o.headMm, holds })
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
  placeTools(d, site, {
    carriers: [bottom],
    left: s.left,
    right: s.right,
    y,
    z,
    holds: xs.length > 1 ? 'slot' : 'surface',
  })
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
    return placeTools(d, one, {
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
  placeTools(d, site, { carriers: [id], left: s.left, right: s.right, y, z: o.headMm, holds: 'hung' })
}
/** Screws through a side into the end of a bar. */
const BAR_SCREWS = 2

/** By how a tool is kept. */
export const INSIDE = {
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
