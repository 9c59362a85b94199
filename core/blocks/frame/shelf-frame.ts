import type { Part, Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { hangJoist } from '../mounts/joist-hanger.ts'
import { DOWN, UP } from '../mounts/wall-fixing.ts'
import { frameBolt, pocketScrew } from '../../catalogue/fasteners.ts'
import type { Section } from '../../catalogue/lumber.ts'
import type { Sheet } from '../../catalogue/sheets.ts'
import type { UnitSystem } from '../../measure/units.ts'

/*
 *    =====================================  rear: a rail, or a ledger on the wall
 *    |         |         |         |     |  cross pieces between
 *    =====================================  front rail          the sheet lies on all of them
 */

/** A piece along the frame; several meet where something holds both. */
export interface Piece {
  id: string
  from: number
  to: number
}
/** A sheet whose end goes past the frame to a line across it, and so much further until it is scribed to that, mm. */
export interface EndCut {
  end: 'start' | 'end'
  backMm: number
  frontMm: number
  spareMm: number
}
export type Sheeted = Piece & { cut?: EndCut }

/** What is laid down for a piece of sheet, with an end cut or without. */
export function placeSheet(
  d: Draft,
  s: Sheeted,
  x: { role: Part['role']; sheet: string; backMm: number; frontMm: number; z: number; thicknessMm: number },
): void {
  const { cut } = s
  const past = cut ? Math.max(cut.backMm, cut.frontMm) : 0
  const [from, to] = [s.from - (cut?.end === 'start' ? past : 0), s.to + (cut?.end === 'end' ? past : 0)]
  const [long, wide] = [to - from, x.frontMm - x.backMm]
  const ends = cut ? [past - cut.backMm, past - cut.frontMm] : []
  const even = !cut || Math.abs(ends[0] - ends[1]) < EVEN_MM
  const outline: Part['outline'] = even
    ? undefined
    : cut.end === 'start'
      ? [
          [ends[0], 0],
          [long, 0],
          [long, wide],
          [ends[1], wide],
        ]
      : [
          [0, 0],
          [long - ends[0], 0],
          [long - ends[1], wide],
          [0, wide],
        ]
  d.square({
    id: s.id,
    role: x.role,
    stock: { kind: 'sheet', sheet: x.sheet },
    min: [from, x.backMm, x.z],
    size: [long, wide, x.thicknessMm],
    along: 'x',
    across: 'y',
    ...(outline ? { outline } : {}),
  })
  if (cut) d.machine(s.id, { kind: 'scribe', edge: cut.end, allowanceMm: cut.spareMm })
}
/** An end this near to square is square, mm. */
const EVEN_MM = 0.05

export interface ShelfFrame {
  section: Section
  stock: Stock
  sheet: Sheet
  /** Back of the rear piece and front of the front one, out from the wall; upper face of the sheet. */
  backMm: number
  frontMm: number
  topMm: number
  rear: { role: Part['role']; pieces: readonly Piece[] }
  front: readonly Piece[]
  /** Left faces of the cross pieces. */
  crosses: readonly { id: string; left: number }[]
  /** Screws through rear and front into each end of a cross piece; none where a hanger bears it. */
  crossScrews: number
  sheets: readonly Sheeted[]
  /** Sheets that reach past the frame and lie on what holds it too: a worktop over its legs. */
  cover?: { role: Part['role']; backMm: number; frontMm: number; lies: readonly string[] }
}

/** Screws of a sheet along a rail are no further apart than this, mm. */
const SHEET_SCREWS_EVERY = 400

/** How a rail is held on a post, and how many screws hold an end of a cross piece. */
export const RAIL_SCREWS = { screws: 3, 'more-screws': 5 } as const
export const CROSS_SCREWS = { two: 2, three: 3, four: 4 } as const
export type RailJoint = keyof typeof RAIL_SCREWS | 'bolts'

const shared = (a: { from: number; to: number }, b: { from: number; to: number }) =>
  Math.min(a.to, b.to) - Math.max(a.from, b.from)
/** The piece that has most of a stretch. */
const under = (pieces: readonly Piece[], s: { from: number; to: number }): Piece =>
  pieces.reduce((best, p) => (shared(p, s) > shared(best, s) ? p : best))

/** Rails, cross pieces and sheets of one shelf. What holds the rails is added by whoever holds them. */
export function placeShelfFrame(d: Draft, f: ShelfFrame): void {
  const { thicknessMm: t, widthMm: w } = f.section
  const z = f.topMm - f.sheet.thicknessMm - w
  const along = (p: Piece, role: Part['role'], y: number) =>
    d.square({
      id: p.id,
      role,
      stock: f.stock,
      min: [p.from, y, z],
      size: [p.to - p.from, t, w],
      along: 'x',
      across: 'z',
    })
  for (const p of f.rear.pieces) along(p, f.rear.role, f.backMm)
  for (const p of f.front) along(p, 'rail', f.frontMm - t)
  for (const { id, left } of f.crosses) {
    d.square({
      id,
      role: 'cross',
      stock: f.stock,
      min: [left, f.backMm + t, z],
      size: [t, f.frontMm - f.backMm - 2 * t, w],
      along: 'y',
      across: 'z',
    })
    for (const pieces of [f.rear.pieces, f.front]) {
      const on = under(pieces, { from: left, to: left + t }).id
      const behind = pieces === f.rear.pieces
      if (f.crossScrews > 0) d.rest(id, on, 'fasteners', d.screw(on, id, f.crossScrews, 'end', t, 200))
      else
        hangJoist(d, {
          id: `hanger-${id}-${behind ? 0 : 1}`,
          joist: id,
          on,
          faceMm: behind ? f.backMm + t : f.frontMm - t,
          way: behind ? 1 : -1,
          nailed: true,
        })
    }
  }
  laySheets(d, f)
}

/** Sheets over all of it, screwed to the rails; where no rail is under one, to the cross pieces. */
function laySheets(d: Draft, f: ShelfFrame): void {
  const { thicknessMm: t, widthMm: w } = f.section
  const [back, front] = [f.cover?.backMm ?? f.backMm, f.cover?.frontMm ?? f.frontMm]
  for (const s of f.sheets) {
    placeSheet(d, s, {
      role: f.cover?.role ?? 'shelf',
      sheet: f.sheet.id,
      backMm: back,
      frontMm: front,
      z: f.topMm - f.sheet.thicknessMm,
      thicknessMm: f.sheet.thicknessMm,
    })
    for (const p of [...f.rear.pieces, ...f.front]) {
      const long = shared(p, s)
      if (long < t || !d.meets(s.id, p.id)) continue
      const n = Math.max(2, Math.ceil(long / SHEET_SCREWS_EVERY))
      d.rest(s.id, p.id, 'bearing', d.screw(s.id, p.id, n, 'side', f.sheet.thicknessMm, w))
    }
    const railed = [...f.rear.pieces, ...f.front].some((p) => d.meets(s.id, p.id))
    for (const c of f.crosses)
      if (shared({ from: c.left, to: c.left + t }, s) > 1)
        d.rest(s.id, c.id, 'bearing', railed ? null : d.screw(s.id, c.id, 2, 'side', f.sheet.thicknessMm, w))
    for (const id of f.cover?.lies ?? []) if (d.meets(s.id, id)) d.rest(s.id, id)
  }
}

/**
 * Holds a rail on a post it lies against: by screws through the post, or by two bolts. One that lifts may take a light
 * post with it off the floor: then the others carry. What bears on something else there is only held down by it.
 */
export function railOnPost(
  d: Draft,
  rail: string,
  post: string,
  { how, system, lifts, bears }: { how: RailJoint; system: UnitSystem; lifts?: boolean; bears?: boolean },
): void {
  const [p, r] = [d.part(post).size.thicknessMm, d.part(rail).size.thicknessMm]
  const joint =
    how === 'bolts'
      ? d.bolt(post, rail, 2, frameBolt(p + r, system).id)
      : d.screw(post, rail, RAIL_SCREWS[how], 'side', p, r)
  const [from, on] = [{ part: rail }, { kind: 'part', part: post } as const]
  if (bears) d.hold({ from, on, push: DOWN, way: 'push', via: 'fasteners', joint })
  else if (lifts) d.hold({ from, on, push: UP, way: 'push', via: 'fasteners', joint })
  else d.rest(rail, post, 'fasteners', joint)
}

/** Screws at a slant that keep a rail on a post it lies on where it is. Product decision. */
const KEPT_BY = 2

/**
 * A piece that lies across another, kept there by screws at a slant: what lies past its other support would lift it off.
 */
export function keptOver(d: Draft, piece: string, under: string, into: 'edge' | 'end', system: UnitSystem): void {
  const fasteners = [{ fastener: pocketScrew(system), count: KEPT_BY, into }]
  const joint = d.joint({ kind: 'pocket-screwed', near: piece, far: under, fasteners })
  d.rest(piece, under, 'bearing', joint)
  const between = { from: { part: piece }, on: { kind: 'part', part: under } } as const
  d.hold({ ...between, push: DOWN, way: 'push', via: 'fasteners', joint })
}

/** A rail that lies on a post, held by screws at a slant. */
export function railOverPost(d: Draft, rail: string, post: string, system: UnitSystem): void {
  const fasteners = [{ fastener: pocketScrew(system), count: KEPT_BY, into: 'end' as const }]
  d.rest(rail, post, 'bearing', d.joint({ kind: 'pocket-screwed', near: rail, far: post, fasteners }))
}

/** Left faces of cross pieces at both ends, under every joint of two sheets, and evenly between. */
export function crossesUnder(
  lengthMm: number,
  everyMm: number,
  thickMm: number,
  sheets: readonly { from: number }[],
): number[] {
  const fixed = [0, ...sheets.slice(1).map((s) => s.from - thickMm / 2), lengthMm - thickMm]
  return fixed.flatMap((x, i) => {
    const next = fixed[i + 1]
    if (next === undefined) return [x]
    const parts = Math.max(1, Math.ceil((next - x) / everyMm - 1e-9))
    return Array.from({ length: parts }, (_, k) => x + ((next - x) * k) / parts)
  })
}
