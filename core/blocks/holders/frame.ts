import type { Stock, Tags } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import type { Section } from '../../catalogue/lumber.ts'
import type { Sheet } from '../../catalogue/sheets.ts'
import type { Box } from '../../geometry/box.ts'
import { bevelHigh, bevelRail, hooksOver, liftOff, liftsOff } from '../mounts/hung-on-wall.ts'
import { OUT, WALL } from '../mounts/wall-fixing.ts'

/*
 * What hooks over a strip on a wall and carries something in front of it: a cleat with a bevel behind, and a piece along
 * its lower edge that leans on the wall by a pad as thick as the strips, or on the next strip.
 *
 *   strips |=|\cleat|rail|‾‾‾‾‾‾‾‾‾|  a deck between two sides: rails between these, in front of the cleat
 *          |=|      |              |
 *            |pad|rail|____________|
 *
 *   strips |=|\cleat|plate|   or a plate of one board: what is on it stands out from that
 */

/** Strips on a wall, in their height. */
export interface Strips {
  section: Section
  /** Of one as it is ripped. */
  widthMm: number
  /** Behind holders, as thick as the strips. */
  cleat: Section
  /** Behind them: battens, and a backing. */
  backMm: number
  /** Upper edges from below, and the pieces of each. */
  rows: readonly { topMm: number; pieces: readonly { id: string; left: number; right: number }[] }[]
}

export interface Hooked {
  id: string
  strips: Strips
  /** The row it hooks over. */
  row: number
  left: number
  wideMm: number
  /** Its lower end, and that of the piece along there which leans. */
  footMm: number
  leanMm: number
  /** Cleats and pads are of this. */
  cleatStock: Stock
  /** What it is, for who reads it. */
  tags: Tags
}

/** Contacts beside each other of what hooks: at both ends, and nothing turns it about the wall's length. */
const PLACES = 2
/** A cleat is screwed to what is before it this often, mm. Product decision. */
const SCREWS_EVERY_MM = 150
/** What leans does so over this much of a strip's height at least, mm: less slips off. Product decision. */
const LEAST_LEAN_MM = 15

const screwsAlong = (mm: number): number => 2 + Math.floor(mm / SCREWS_EVERY_MM)

/** Lower edge of the cleat over a strip, mm: that of the plane its bevel shares with the strip's. */
export const cleatFoot = (s: Strips, row: number): number => s.rows[row].topMm - bevelHigh(s.section)

/** Whether a stretch in height lies clear of all strips, or well on one of them. */
function behind(s: Strips, fromMm: number, toMm: number): { row: number; from: number; to: number } | 'clear' | 'edge' {
  for (const [row, { topMm }] of s.rows.entries()) {
    const [from, to] = [Math.max(fromMm, topMm - s.widthMm), Math.min(toMm, topMm - bevelHigh(s.section))]
    // A pad is lifted past what is over it when the holder is taken off.
    const touches = Math.min(toMm + liftOff(s.section), topMm) - Math.max(fromMm, topMm - s.widthMm)
    if (touches <= 0) continue
    return to - from >= LEAST_LEAN_MM ? { row, from, to } : 'edge'
  }
  return 'clear'
}

/** Steps in which a lower end is moved down to where it can lean: to the next strip at most, the furthest there is. */
const MOST_STEPS = 70

/** Strips on battens have nothing behind a lower edge but other strips: between battens there is air. */
export const leansOnStrips = (s: Pick<Strips, 'backMm'>): boolean => s.backMm > 0

/** Whether a lower edge has nothing behind it to lean on: half of a strip, or air. */
function leansBadly(s: Strips, footMm: number, padMm: number): boolean {
  const what = behind(s, footMm, footMm + padMm)
  return what === 'edge' || (what === 'clear' && leansOnStrips(s))
}

/** The lower end of a frame with its pad or its strip behind that, no higher than asked for. mm */
export function footOver(s: Strips, wantedMm: number, padMm: number): number {
  let foot = wantedMm
  for (let i = 0; i < MOST_STEPS && leansBadly(s, foot, padMm); i++) foot -= LEAST_LEAN_MM
  return foot
}

/** Parts of a holder that act as one, before it hooks. */
interface Wood {
  /** The piece the cleat is screwed to, and the one along the lower edge. */
  upper: string
  lower: string
  parts: readonly string[]
  padMm: number
  /** Was there already: screws come from inside it, and how it is made its rating answers for. */
  existing?: boolean
}

/**
 * Hooks parts that act as one over a strip by a new cleat, and leans them on the wall.
 * @returns what it made: the cleat, and a pad where no strip lies behind the lower edge
 */
function hookHolder(d: Draft, h: Hooked, { upper, lower, parts, padMm, existing = false }: Wood): string[] {
  const { strips: s } = h
  const [t, cleat, body] = [s.section.thicknessMm, `${h.id}-cleat`, `${h.id}-body`]
  d.square({
    id: cleat,
    role: 'cleat',
    stock: h.cleatStock,
    min: [h.left, s.backMm, cleatFoot(s, h.row)],
    size: [h.wideMm, t, s.cleat.widthMm],
    along: 'x',
    across: 'z',
  })
  bevelRail(d, cleat)
  const deep = (id: string) => d.box(id).max[1] - d.box(id).min[1]
  // From behind: it is thinner than what it is screwed to. What was there is the thinner one, or crumbles round a thread.
  const screwOn = (id: string, to: string) =>
    existing
      ? d.screw(to, id, screwsAlong(h.wideMm), 'side', deep(to), t)
      : d.screw(id, to, screwsAlong(h.wideMm), 'side', t, deep(to))
  screwOn(cleat, upper)
  const lean = behind(s, h.leanMm, h.leanMm + padMm)
  const made = [cleat]
  if (lean === 'clear' && !leansOnStrips(s)) {
    const pad = `${h.id}-pad`
    d.square({
      id: pad,
      role: 'edge',
      stock: h.cleatStock,
      min: [h.left, s.backMm, h.leanMm],
      size: [h.wideMm, t, Math.min(padMm, s.cleat.widthMm)],
      along: 'x',
      across: 'z',
    })
    screwOn(pad, lower)
    made.push(pad)
  }
  d.body(body, [...parts, ...made], [[cleat], ...(upper === lower || existing ? [] : [[cleat, upper]])])
  for (const strip of under(s, h)) {
    hooksOver(d, { body, rail: cleat, strip }, PLACES)
    d.joint({ kind: 'hooked', near: cleat, far: strip, fasteners: [] })
  }
  leans(d, h, { body, lower, pad: made[1] ?? null, lean: lean === 'clear' || lean === 'edge' ? null : lean })
  return made
}

/** Pieces of its strip that lie under a holder. */
const under = (s: Strips, h: Hooked): string[] =>
  s.rows[h.row].pieces.filter((p) => p.left < h.left + h.wideMm && p.right > h.left).map((p) => p.id)

interface Lean {
  body: string
  lower: string
  pad: string | null
  lean: { row: number; from: number; to: number } | null
}

/** The lower edge leans on the wall by its pad, or on the strip behind it, at both ends. */
function leans(d: Draft, h: Hooked, { body, lower, pad, lean }: Lean) {
  // Nothing to lean on is told: as a holder that nothing holds.
  if (!pad && !lean) return
  const { strips: s } = h
  const from = { body, through: pad ?? lower }
  const low = d.box(pad ?? lower)
  const [z0, z1] = lean ? [lean.from, lean.to] : [low.min[2], low.max[2]]
  for (const side of [0, 1]) {
    const x = low.min[0] + (side * (low.max[0] - low.min[0])) / PLACES
    const contact: Box = {
      min: [x, low.min[1], z0],
      max: [x + (low.max[0] - low.min[0]) / PLACES, low.min[1], z1],
    }
    const strip = lean && s.rows[lean.row].pieces.find((p) => (contact.min[0] + contact.max[0]) / 2 <= p.right)
    const on = strip ? ({ kind: 'part', part: strip.id } as const) : WALL
    d.hold({ from, on, contact, push: OUT, way: 'push', via: 'bearing' })
  }
}

/** Two sides with a rail between them at the top and one at the bottom. */
export interface SidesSpec extends Hooked {
  /** In front of the strips. */
  deepMm: number
  headMm: number
  /** Lower edge of the upper rail. */
  upperMm: number
  sheet: Sheet
  rail: Section
  railStock: Stock
  /** Through a side into each end of a rail. */
  railScrews: number
}
export interface Sides {
  sides: readonly [string, string]
  /** Clear between the sides, the faces of the rails behind and in front, and the front edge. */
  left: number
  right: number
  wallMm: number
  backMm: number
  frontMm: number
  parts: string[]
}

/** Sides and rails of a holder, not hooked yet: what stands between the sides comes first. */
export function placeSides(d: Draft, h: SidesSpec): Sides {
  const ts = h.sheet.thicknessMm
  const y = h.strips.backMm + h.strips.section.thicknessMm
  const sides = [0, 1].map((k) => {
    const id = `${h.id}-side-${k}`
    d.square({
      id,
      role: 'side',
      stock: { kind: 'sheet', sheet: h.sheet.id },
      min: [h.left + k * (h.wideMm - ts), y, h.footMm],
      size: [ts, h.deepMm, h.headMm - h.footMm],
      along: 'z',
      across: 'y',
    })
    return id
  })
  const rails = (
    [
      ['upper', h.upperMm],
      ['lower', h.leanMm],
    ] as const
  ).map(([name, z]) => {
    const id = `${h.id}-${name}`
    d.square({
      id,
      role: 'back-rail',
      stock: h.railStock,
      min: [h.left + ts, y, z],
      size: [h.wideMm - 2 * ts, h.rail.thicknessMm, h.rail.widthMm],
      along: 'x',
      across: 'z',
    })
    for (const side of sides) d.screw(side, id, h.railScrews, 'end', ts, 200)
    return id
  })
  return {
    sides: [sides[0], sides[1]],
    left: h.left + ts,
    right: h.left + h.wideMm - ts,
    wallMm: y,
    backMm: y + h.rail.thicknessMm,
    frontMm: y + h.deepMm,
    parts: [...sides, ...rails],
  }
}

/** Hooks a holder with sides over its strip; all that stands in it goes along. */
export function hookSides(d: Draft, h: SidesSpec, s: Sides): void {
  const made = hookHolder(d, h, {
    upper: `${h.id}-upper`,
    lower: `${h.id}-lower`,
    parts: s.parts,
    padMm: h.rail.widthMm,
  })
  done(d, h, [...s.parts, ...made])
}

/** How a holder comes off: lifted, then drawn out; and that it is made on the bench. */
function done(d: Draft, h: Hooked, own: readonly string[]) {
  const all = d.assembly.parts.map((p) => p.id).filter((id) => own.includes(id) || id.startsWith(`${h.id}-`))
  liftsOff(d, h.strips.section, all)
  d.sub({ id: h.id, name: 'holder', parts: all, built: 'in-place', tags: h.tags })
}

export interface PlateSpec extends Hooked {
  plate: Section
  plateStock: Stock
}

/**
 * The lower end of a board on edge that hooks by a cleat: its upper edge level with the cleat's, or lower where it leans
 * better and the cleat still has wood before it to be screwed to; else higher, on the strip it hooks over. mm
 */
export function plateFoot(s: Strips, row: number, plate: Section): number {
  const [cleat, pad] = [cleatFoot(s, row), s.cleat.widthMm]
  const level = cleat + pad - plate.widthMm
  const low = footOver(s, level, pad)
  if (low + plate.widthMm - cleat >= LEAST_LEAN_MM) return low
  for (let foot = level; foot < cleat; foot += LEAST_LEAN_MM) if (!leansBadly(s, foot, pad)) return foot
  return low
}

/** One board on edge. @returns it */
export function placePlate(d: Draft, h: PlateSpec): string {
  const id = `${h.id}-plate`
  d.square({
    id,
    role: 'back-rail',
    stock: h.plateStock,
    min: [h.left, h.strips.backMm + h.strips.section.thicknessMm, h.footMm],
    size: [h.wideMm, h.plate.thicknessMm, h.plate.widthMm],
    along: 'x',
    across: 'z',
  })
  return id
}
export function hookPlate(d: Draft, h: PlateSpec): void {
  const plate = `${h.id}-plate`
  const made = hookHolder(d, h, { upper: plate, lower: plate, parts: [plate], padMm: h.strips.cleat.widthMm })
  done(d, h, [plate, ...made])
}

/** A box that was there already hooks over its strip by its own rails, with all that came with it. */
export function hookExisting(
  d: Draft,
  h: Hooked,
  own: { upper: string; lower: string; parts: readonly string[]; railMm: number },
): void {
  const { upper, lower, parts, railMm } = own
  const made = hookHolder(d, h, { upper, lower, parts, padMm: railMm, existing: true })
  done(d, h, [...parts, ...made])
}
