import type { Draft } from '../../assembly/draft.ts'
import { PINS } from '../../catalogue/hardware.ts'
import type { Sheet } from '../../catalogue/sheets.ts'
import type { Vec3 } from '../../geometry/vec.ts'
import { roundNearest } from '../../measure/rounding.ts'
import type { Units, UnitSystem } from '../../measure/units.ts'

/** A dado is a third of the upright deep: builders' usual rule. mm */
export const dadoDepth = (thicknessMm: number, units: Units): number => roundNearest(thicknessMm / 3, units)

/** A panel between two uprights: a shelf, a bottom or a top. */
export interface Between {
  id: string
  role: 'shelf' | 'top'
  sheet: Sheet
  /** Clear opening it spans, mm. */
  left: number
  right: number
  fromMm: number
  deepMm: number
  topMm: number
  uprights: readonly [string, string]
  /** Height of the lower ends of the uprights: work is told from there. */
  footMm: number
}

export interface HousedShelf extends Between {
  /** It reaches into both uprights by the depth of their dadoes, mm. */
  dadoMm: number
  /** At the end of its uprights: a rabbet instead of a dado. Under their lower ends nothing but screws holds it up. */
  at?: 'start' | 'end'
  /** Pieces it lies on instead of being carried by its uprights. */
  lies?: readonly string[]
}

/** Screws through an upright into the edge of a panel are this far apart, mm. */
const EDGE_SCREWS_EVERY = 150
const edgeScrews = (deepMm: number, everyMm = EDGE_SCREWS_EVERY) => 2 + Math.floor(deepMm / everyMm)

function panel(d: Draft, s: Between, reachMm: number, loose = false) {
  const t = s.sheet.thicknessMm
  d.square({
    id: s.id,
    role: s.role,
    stock: { kind: 'sheet', sheet: s.sheet.id },
    min: [s.left - reachMm, s.fromMm, s.topMm - t],
    size: [s.right - s.left + 2 * reachMm, s.deepMm, t],
    along: 'x',
    across: 'y',
    loose,
  })
}

/** Standing in dadoes or rabbets of two uprights, and those cut into them. */
export function housedShelf(d: Draft, s: HousedShelf): void {
  const t = s.sheet.thicknessMm
  panel(d, s, s.dadoMm)
  for (const upright of s.uprights) {
    const hangs = s.at === 'start'
    // What hangs on its screws has long ones.
    const joint = d.house(s.id, upright, hangs ? t : t - s.dadoMm, hangs ? edgeScrews(s.deepMm) : 2)
    if (!s.lies) d.rest(s.id, upright, hangs ? 'fasteners' : 'bearing', joint)
    const face = d.face(upright, s.id)
    d.machine(
      upright,
      s.at
        ? { kind: 'rabbet', face, edge: s.at, widthMm: t, depthMm: s.dadoMm }
        : { kind: 'dado', face, atMm: s.topMm - t - s.footMm, offMm: 0, widthMm: t, depthMm: s.dadoMm, stopped: false },
    )
  }
  for (const id of s.lies ?? []) d.rest(s.id, id)
}

/** Butt joints are screwed closer than others: nothing else holds them, mm. */
const BUTT_SCREWS_EVERY = 75

/** Between two uprights with square ends, screwed through them. */
export function buttedShelf(d: Draft, s: Between): void {
  panel(d, s, 0)
  const n = edgeScrews(s.deepMm, BUTT_SCREWS_EVERY)
  for (const upright of s.uprights)
    d.rest(s.id, upright, 'fasteners', d.screw(upright, s.id, n, 'edge', s.sheet.thicknessMm, 200))
}

/** Rows of holes are this far from the edges of an upright, mm: the usual measure. */
const ROW_FROM_EDGE_MM = 37
/** A loose shelf is this much narrower than its opening on each side, mm. */
const LOOSE_MM = 1
/** Wood left behind a hole, mm. Product decision. */
const LEFT_BEHIND_MM = 5
/** No hole nearer than this to a panel of the box, mm. Product decision. */
const ROW_FROM_PANEL_MM = 60

/** Loose shelves are no less deep, mm: a row of pins in front of the other, with wood between their holes. */
export const pinsDeep = (system: UnitSystem): number => 2 * (ROW_FROM_EDGE_MM + PINS[system].wideMm)

export const pinDepth = (sheet: Sheet, system: UnitSystem): number =>
  Math.min(PINS[system].inMm, sheet.thicknessMm - LEFT_BEHIND_MM)

/** Rows for the pins of loose shelves between a bottom and a top, told from the lower ends of the uprights, mm. */
export interface Rows {
  firstMm: number
  count: number
}
/** @param topMm upper face of the bottom @param headMm lower face of the top, both from the lower ends of uprights */
export function rowsBetween(topMm: number, headMm: number, system: UnitSystem): Rows {
  const { everyMm } = PINS[system]
  const firstMm = topMm + ROW_FROM_PANEL_MM
  return { firstMm, count: Math.floor((headMm - ROW_FROM_PANEL_MM - firstMm) / everyMm) + 1 }
}
/** The nearest underside a loose shelf can have, up or down: over the pins in one of the holes. mm */
export function seatNear(underMm: number, bottomTopMm: number, system: UnitSystem, way: 'up' | 'down'): number {
  const { everyMm, diameterMm } = PINS[system]
  const first = bottomTopMm + ROW_FROM_PANEL_MM + diameterMm / 2
  const n = (underMm - first) / everyMm
  return first + Math.max(0, way === 'up' ? Math.ceil(n - 1e-6) : Math.floor(n + 1e-6)) * everyMm
}

interface Pinned extends Between {
  system: UnitSystem
}

const UP: Vec3 = [0, 0, 1]

/** Lying loose on four pins. The rows they stand in are bored by `boreRows`. */
export function pinnedShelf(d: Draft, s: Pinned): string[] {
  const pin = PINS[s.system]
  panel(d, s, -LOOSE_MM, true)
  const under = s.topMm - s.sheet.thicknessMm
  const ys = [s.fromMm + ROW_FROM_EDGE_MM, s.fromMm + s.deepMm - ROW_FROM_EDGE_MM]
  return s.uprights.flatMap((upright, side) =>
    ys.map((y, k) => {
      const id = `${s.id}-pin-${side}${k}`
      const x = side === 0 ? s.left : s.right - pin.outMm
      d.square({
        id,
        role: 'hardware',
        stock: { kind: 'bought', item: pin.item, massKg: pin.massKg },
        min: [x, y - pin.wideMm / 2, under - pin.diameterMm],
        size: [pin.outMm, pin.wideMm, pin.diameterMm],
        along: 'x',
        across: 'y',
      })
      const joint = d.joint({ kind: 'on-pins', near: id, far: upright, fasteners: [] })
      d.hold({ from: { part: id }, on: { kind: 'part', part: upright }, push: UP, way: 'both', via: 'hanging' })
      const b = d.box(id)
      const [from, to] = side === 0 ? [s.left + LOOSE_MM, b.max[0]] : [b.min[0], s.right - LOOSE_MM]
      d.hold({
        from: { part: s.id },
        on: { kind: 'part', part: upright },
        contact: { min: [from, b.min[1], under], max: [to, b.max[1], under] },
        push: UP,
        way: 'push',
        via: 'bearing',
        joint,
      })
      return id
    }),
  )
}

/** Two rows of holes in the face of an upright that looks at an opening. */
export function boreRows(
  d: Draft,
  upright: string,
  towards: string,
  at: { fromMm: number; toMm: number; rows: Rows; depthMm: number; system: UnitSystem },
): void {
  const { min } = d.box(upright)
  const { everyMm, diameterMm } = PINS[at.system]
  for (const y of [at.fromMm + ROW_FROM_EDGE_MM, at.toMm - ROW_FROM_EDGE_MM])
    d.machine(upright, {
      kind: 'row',
      face: d.face(upright, towards),
      atMm: at.rows.firstMm,
      offMm: y - min[1],
      count: at.rows.count,
      everyMm,
      diameterMm,
      depthMm: at.depthMm,
    })
}
