import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import type { Settings } from '../../assembly/settings.ts'
import { findSection, lengthsOf, type Section } from '../../catalogue/lumber.ts'
import { findSheet, type Sheet } from '../../catalogue/sheets.ts'
import type { Vec3 } from '../../geometry/vec.ts'
import type { UnitSystem } from '../../measure/units.ts'
import { stiffFrame } from '../mounts/stiff-frame.ts'
import { spliceOver } from '../sizing/splice.ts'

/*
 * Thin panels that slide past each other in the grooves of two boards, one below and one above: one for each opening, by
 * turns in the groove behind and in the one before it.
 *
 *   from the side:  |[_|‾|_]  top track: its grooves are deeper, so that a panel lifted into one comes off the lower
 *                   |  | |    panels
 *                   |[_|_|_]  bottom track, on the front edges of the uprights
 */

const THIN: Record<UnitSystem, string> = { imperial: 'hb-1/4', metric: 'hb-6mm' }
const TRACK: Record<UnitSystem, string> = { imperial: '2x2', metric: '38x38mm' }
/** A groove is this much wider than its panel, mm: it slides by hand when the wood has moved. */
const SIDE_PLAY_MM = 1.5
/** A panel stands so deep in the lower groove, and as deep in the upper, mm. */
const ENGAGED_MM = 6
/** Lifted off the lower groove it has this much room left, mm. */
const LIFT_PLAY_MM = 2
/** A panel goes past the middle of the upright beside it by this, mm: no gap is looked through, and it is gripped there. */
const OVERLAP_MM = 10
/** A finger hole at the edge that is pulled: its diameter and its middle from that edge, mm. Product decision. */
const [FINGER_MM, FINGER_IN_MM] = [30, 45]
/** Screws of a track in each post. */
const POST_SCREWS = 2
/** The lower edge of a track, its screw and where it presses, as shares of its height. */
const [SCREW_SHARE, EDGE_SHARE] = [0.45, 0.08]
const [UP, OUT, DOWN]: [Vec3, Vec3, Vec3] = [
  [0, 0, 1],
  [0, 1, 0],
  [0, 0, -1],
]
const LIES = { way: 'push', via: 'bearing' } as const
const HANGS = { way: 'both', via: 'hanging' } as const

/** What a front that slides stands out past the uprights, and how high each of its tracks is: they are square. mm */
export const slidingDeep = (yard: UnitSystem): number => findSection(TRACK[yard])!.thicknessMm
/** Slid aside a panel stops this far before the next one in its groove, mm. */
const STOP_MM = 2
/** What panels that are slid aside may still take of the width of an opening, on both sides together, mm. */
export const besideSliding = 40

export interface SlidingFront {
  yard: UnitSystem
  grade: string
  /** Openings from left to right, and the uprights on both sides of each. */
  openings: readonly { left: number; right: number; uprights: readonly [string, string] }[]
  frontMm: number
  footMm: number
  headMm: number
  /** The longest board a track comes out of, mm. */
  boardMm: number
}

/** What tracks are cut from: the longest board gives so much of one, its end squared. */
export const trackStock = (
  s: Pick<Settings, 'yard' | 'grade' | 'squaringTrimMm'>,
): Pick<SlidingFront, 'yard' | 'grade' | 'boardMm'> => ({
  boardMm: Math.max(...lengthsOf(TRACK[s.yard], s.yard)) - s.squaringTrimMm,
  ...{ yard: s.yard, grade: s.grade },
})

/** The widest panel, mm: what comes out of one sheet. */
export const widestPanel = (yard: UnitSystem, trimMm: number): number => findSheet(THIN[yard])!.widthMm - 2 * trimMm
/** What a panel covers besides the distance from one upright to the next, mm. @param pastMm width of an upright */
export const coversMore = (pastMm: number): number => pastMm + OVERLAP_MM

interface Span {
  from: number
  to: number
}
type Openings = readonly { left: number; right: number }[]

/** What each panel covers: past the middle between two openings, or all of the upright at an end. */
const spansOf = (openings: Openings, pastMm: number): Span[] =>
  openings.map((o, k) => {
    const [before, after] = [openings[k - 1], openings[k + 1]]
    return {
      from: before ? (before.right + o.left) / 2 - OVERLAP_MM : o.left - pastMm,
      to: after ? (o.right + after.left) / 2 + OVERLAP_MM : o.right + pastMm,
    }
  })

/** How far a panel slides aside, to whichever side leaves more of its opening free, mm; and what it still covers of it. */
function aside(openings: Openings, spans: readonly Span[], k: number): { by: number; coversMm: number } {
  const [o, own, last] = [openings[k], spans[k], spans.length - 1]
  const limit = [
    k > 1 ? spans[k - 2].to + STOP_MM : spans[0].from,
    k < last - 1 ? spans[k + 2].from - STOP_MM : spans[last].to,
  ]
  const left = { by: limit[0] - own.from, coversMm: own.to + limit[0] - own.from - o.left }
  const right = { by: limit[1] - own.to, coversMm: o.right - (own.from + limit[1] - own.to) }
  return left.coversMm < right.coversMm ? left : right
}

/** Two boards of a track meet on an upright this wide, mm: each has its screws as far from its end as at the ends. */
const MEET_ON_MM = 76

/**
 * Why openings cannot be closed so: one slides over another and goes aside there, each panel comes out of one sheet, and
 * a track out of boards that meet on uprights.
 * @param pastMm width of an upright
 */
export function slidingFault(
  openings: Openings,
  settings: Pick<Settings, 'yard' | 'grade' | 'squaringTrimMm' | 'sheetTrimMm'>,
  pastMm: number,
): { field: string; code: string; data: Record<string, number> } | null {
  if (openings.length < 2) return { field: 'front', code: 'sliding-one-opening', data: {} }
  const mostMm = widestPanel(settings.yard, settings.sheetTrimMm)
  const spans = spansOf(openings, pastMm)
  const mm = Math.max(...spans.map((x) => x.to - x.from))
  if (mm > mostMm) return { field: 'front', code: 'sliding-past-sheet', data: { mm, mostMm } }
  const [longMm, { boardMm }] = [
    openings[openings.length - 1].right - openings[0].left + 2 * pastMm,
    trackStock(settings),
  ]
  if (longMm > boardMm && pastMm < MEET_ON_MM)
    return { field: 'front', code: 'sliding-past-board', data: { mm: longMm, mostMm: boardMm, pastMm } }
  const covers = openings.map((_o, k) => aside(openings, spans, k).coversMm)
  const worst = covers.indexOf(Math.max(...covers))
  return covers[worst] > besideSliding / 2
    ? { field: 'front', code: 'sliding-unequal', data: { opening: worst + 1, mm: covers[worst] } }
    : null
}

interface Track {
  id: string
  top: boolean
  lowMm: number
  grooveMm: number
}
/** A lower and an upper track, by the heights of their undersides. */
const tracksFor = (id: string, lowMm: number, highMm: number): Track[] => [
  { id: `${id}-low`, top: false, lowMm, grooveMm: ENGAGED_MM },
  // As deep as it stands in there, and as it is lifted out of the lower one.
  { id: `${id}-high`, top: true, lowMm: highMm, grooveMm: 2 * ENGAGED_MM + LIFT_PLAY_MM },
]

/** Tells who writes the steps what of a front slides. */
export const SLIDING_FRONT = { use: 'slides' } as const

export function slideOver(d: Draft, f: SlidingFront): void {
  const made = madeOf(f.yard, f.grade)
  const { sheet, at } = made
  const high = made.section.widthMm
  const tracks = tracksFor('track', f.footMm, f.headMm - high).map((t) => track(d, f, t, made))
  const pastMm = f.openings[0].left - d.box(f.openings[0].uprights[0]).min[0]
  const spans = spansOf(f.openings, pastMm)
  spans.forEach((span, k) => {
    const { by } = aside(f.openings, spans, k)
    panel(d, { id: `slide-${k}`, ...span, by }, { sheet, yMm: f.frontMm + at[k % 2], tracks, high })
  })
}

/** Where the two grooves begin across a track: three walls alike. */
function placesAcross(section: Section, sheet: Sheet): [number, number] {
  const wide = sheet.thicknessMm + SIDE_PLAY_MM
  const wall = (section.thicknessMm - 2 * wide) / 3
  return [wall, 2 * wall + wide]
}

/** What tracks and panels are made of, and where across a track its grooves begin. */
interface Made {
  section: Section
  stock: Stock
  sheet: Sheet
  at: readonly [number, number]
}
const madeOf = (yard: UnitSystem, grade: string): Made => {
  const [sheet, section] = [findSheet(THIN[yard])!, findSection(TRACK[yard])!]
  const stock: Stock = { kind: 'board', section: section.id, grade, treated: false }
  return { section, stock, sheet, at: placesAcross(section, sheet) }
}
/** A board with two grooves along it. */
function grooved(
  d: Draft,
  t: Track,
  { section, stock, sheet, at }: Made,
  x: { from: number; to: number; backMm: number },
) {
  d.square({
    id: t.id,
    role: 'guide',
    stock,
    min: [x.from, x.backMm, t.lowMm],
    size: [x.to - x.from, section.thicknessMm, section.widthMm],
    along: 'x',
    across: 'y',
  })
  for (const offMm of at)
    d.machine(t.id, {
      kind: 'groove',
      face: t.top ? 'under' : 'over',
      offMm,
      widthMm: sheet.thicknessMm + SIDE_PLAY_MM,
      depthMm: t.grooveMm,
    })
}

/** A board of a track, from end to end. */
interface Run extends Track {
  from: number
  to: number
}

/** A track in as few boards as give it, each screwed to the front of every upright it passes; two meet over one. */
function track(d: Draft, f: SlidingFront, t: Track, made: Made): Run[] {
  const uprights = [...new Set(f.openings.flatMap((o) => o.uprights))]
  const boxes = uprights.map((u) => d.box(u))
  const [from, to] = [Math.min(...boxes.map((b) => b.min[0])), Math.max(...boxes.map((b) => b.max[0]))]
  const seats = boxes.map((b) => (b.min[0] + b.max[0]) / 2 - from).sort((a, b) => a - b)
  // Its pieces meet over other uprights than those of the other track.
  const pieces = spliceOver(to - from, f.boardMm, seats, t.top ? 1 : 0) ?? [{ from: 0, to: to - from }]
  const runs = pieces.map((piece, n): Run => {
    const id = pieces.length > 1 ? `${t.id}-${n}` : t.id
    return { ...t, id, from: from + piece.from, to: from + piece.to }
  })
  for (const run of runs) {
    grooved(d, run, made, { ...run, backMm: f.frontMm })
    uprights.forEach((upright, i) => {
      const [low, high] = [Math.max(run.from, boxes[i].min[0]), Math.min(run.to, boxes[i].max[0])]
      if (high > low) screwed(d, run, { upright, x: (low + high) / 2, frontMm: f.frontMm }, made.section)
    })
  }
  return runs
}

function screwed(
  d: Draft,
  t: Track,
  { upright, x, frontMm }: { upright: string; x: number; frontMm: number },
  { thicknessMm: deep, widthMm: high }: Section,
) {
  const joint = d.screw(t.id, upright, POST_SCREWS, 'side', deep, d.part(upright).size.thicknessMm)
  // Under the grooves of the lower one, over those of the upper: where there is wood of its whole depth.
  const z = t.lowMm + high * (t.top ? 1 - SCREW_SHARE / 2 : SCREW_SHARE)
  const spot = (mm: number) => ({ min: [x, frontMm, mm] as Vec3, max: [x, frontMm, mm] as Vec3 })
  const held = { from: { part: t.id }, on: { kind: 'part', part: upright }, joint } as const
  for (const push of [UP, OUT]) d.hold({ ...held, contact: spot(z), push, way: 'both', via: 'fasteners' })
  // What stands on it before the uprights turns it about its lower edge.
  d.hold({
    ...{ ...held, joint: null, contact: spot(t.lowMm + EDGE_SHARE * high) },
    ...{ push: OUT, way: 'push', via: 'bearing', steadies: true },
  })
}

/** A panel over one opening, and how far it slides over the one beside it. */
function panel(
  d: Draft,
  { id, from, to, by }: Span & { id: string; by: number },
  { sheet, yMm, tracks, high }: { sheet: Sheet; yMm: number; tracks: readonly (readonly Run[])[]; high: number },
) {
  const [foot, head] = [tracks[0][0].lowMm + high - ENGAGED_MM, tracks[1][0].lowMm + ENGAGED_MM]
  d.square({
    id,
    role: 'door',
    stock: { kind: 'sheet', sheet: sheet.id },
    min: [from, yMm + SIDE_PLAY_MM / 2, foot],
    size: [to - from, sheet.thicknessMm, head - foot],
    along: 'z',
    across: 'x',
    grain: 'any',
  })
  const wide = to - from
  d.machine(id, {
    kind: 'hole',
    face: 'over',
    atMm: (head - foot) / 2,
    // At the edge it is pushed by.
    offMm: by > 0 ? FINGER_IN_MM : wide - FINGER_IN_MM,
    diameterMm: FINGER_MM,
    depthMm: null,
    tiltRad: 0,
  })
  const shared = (run: Run, a: number, b: number) => Math.min(run.to, b) - Math.max(run.from, a)
  for (const run of tracks.flat().filter((t) => shared(t, from, to) > 0))
    d.joint({ kind: 'housed', near: run.id, far: id, fasteners: [] })
  const body = `sliding-${id}`
  d.body(body, [id], [])
  const held = { from: { body, through: id }, via: 'bearing' } as const
  const [back, front] = [yMm + SIDE_PLAY_MM / 2, yMm + SIDE_PLAY_MM / 2 + sheet.thicknessMm]
  // Shut it stands on one board of a track: two meet behind its edge.
  const [low, top] = tracks.map((runs) => runs.reduce((p, q) => (shared(q, from, to) > shared(p, from, to) ? q : p)))
  const [left, right] = [Math.max(from, low.from), Math.min(to, low.to)]
  for (const [a, b] of [
    [left, (left + right) / 2],
    [(left + right) / 2, right],
  ])
    d.hold({
      ...{ ...held, on: { kind: 'part', part: low.id } },
      ...{ push: UP, way: 'push', contact: { min: [a, back, foot], max: [b, front, foot] } },
    })
  // Both grooves keep it upright: it leans on neither.
  for (const [run, lowMm, highMm] of [
    [low, foot, foot + ENGAGED_MM],
    [top, head - ENGAGED_MM, head],
  ] as const)
    d.hold({
      ...{ ...held, on: { kind: 'part', part: run.id } },
      ...{ push: OUT, way: 'both' },
      contact: { min: [Math.max(from, run.from), back, lowMm], max: [Math.min(to, run.to), back, highMm] },
    })
  d.motion({ kind: 'slide', parts: [id], by: [by, 0, 0] })
}

/** Screws of a track along a panel are no further apart, mm, and no fewer. */
const [PANEL_SCREWS_EVERY_MM, LEAST_PANEL_SCREWS] = [300, 2]
/** A panel stays this far from the uprights beside it, mm. */
const END_PLAY_MM = 1

/** An opening between two uprights of a box that two panels close, each half of it. */
export interface SlidingInside {
  yard: UnitSystem
  grade: string
  id: string
  left: number
  right: number
  /** The front edges of the panels the tracks are on, flush with them, mm. */
  frontMm: number
  /** The panel below, which carries, and the one above. */
  below: string
  above: string
}

/** What each of two panels leaves free when it is slid over the other: things stand behind one of them, not between. */
export const behindSliding = ({ left, right }: { left: number; right: number }): { left: number; right: number }[] => {
  const middle = (left + right) / 2
  return [
    { left, right: middle - OVERLAP_MM },
    { left: middle + OVERLAP_MM, right },
  ]
}

/** Clear width of an opening each half of which lets something so wide through, mm. */
export const besideSlides = (mm: number): number => 2 * (mm + OVERLAP_MM)

/** Openings of a box that slide shut, and what all of them share. */
export interface SlidingBox extends Pick<SlidingInside, 'yard' | 'grade' | 'frontMm'> {
  openings: readonly Omit<SlidingInside, 'yard' | 'grade' | 'frontMm'>[]
  /** What stands on the floor and is stiff together; none where the box is one piece that hangs. */
  uprights: readonly string[]
}

/**
 * A track on the panel below each opening and one under the panel above, inside the box: nothing is fixed to the edge of a
 * sheet, and what is between stands behind them. @returns their ids
 */
export function tracksInside(d: Draft, box: SlidingBox): string[] {
  const from = d.assembly.parts.length
  // Panels lean as they are slid: what their tracks push is a couple on the whole box.
  const panels = new Set(box.openings.flatMap((o) => [o.below, o.above]))
  if (box.uprights.length > 0) stiffFrame(d, 'frame', [...box.uprights, ...panels])
  for (const o of box.openings) for (const t of insideTracks(d, o, box)) trackInside(d, { ...box, ...o }, t)
  return d.assembly.parts.slice(from).map((x) => x.id)
}
/** Two panels in the tracks of each opening, in a piece of its own to put in. */
export function panelsInside(d: Draft, box: SlidingBox): void {
  const { sheet, section, at } = madeOf(box.yard, box.grade)
  const high = section.widthMm
  const from = d.assembly.parts.length
  for (const o of box.openings) {
    const [left, right] = [o.left + END_PLAY_MM, o.right - END_PLAY_MM]
    const middle = (left + right) / 2
    const spans: Span[] = [
      { from: left, to: middle + OVERLAP_MM },
      { from: middle - OVERLAP_MM, to: right },
    ]
    const tracks = insideTracks(d, o, box).map((t) => [{ ...t, from: o.left, to: o.right }])
    spans.forEach((span, k) => {
      const by = k === 0 ? right - span.to : left - span.from
      const yMm = box.frontMm - section.thicknessMm + at[k]
      panel(d, { id: `slide-${o.id}-${k}`, ...span, by }, { sheet, yMm, tracks, high })
    })
  }
  const parts = d.assembly.parts.slice(from).map((x) => x.id)
  d.sub({ id: 'front', name: 'unit', parts, built: 'in-place', tags: SLIDING_FRONT })
}
const insideTracks = (d: Draft, o: SlidingBox['openings'][number], { yard }: SlidingBox): Track[] =>
  tracksFor(`track-${o.id}`, d.box(o.below).max[2], d.box(o.above).min[2] - findSection(TRACK[yard])!.widthMm)

function trackInside(d: Draft, f: SlidingInside, t: Track) {
  const made = madeOf(f.yard, f.grade)
  const { thicknessMm: deep, widthMm: high } = made.section
  const backMm = f.frontMm - deep
  const on = t.top ? f.above : f.below
  const z = t.top ? t.lowMm + high : t.lowMm
  grooved(d, t, made, { from: f.left, to: f.right, backMm })
  const screws = Math.max(LEAST_PANEL_SCREWS, 1 + Math.ceil((f.right - f.left) / PANEL_SCREWS_EVERY_MM))
  // Through the panel it is on into the track: the other way they would end in a thin panel.
  const joint = d.screw(on, t.id, screws, 'side', d.part(on).size.thicknessMm, high)
  const held = { from: { part: t.id }, on: { kind: 'part', part: on } } as const
  for (let i = 0; i < screws; i++) {
    const [from, to] = [i, i + 1].map((n) => f.left + (n * (f.right - f.left)) / screws)
    const contact = { min: [from, backMm, z] as Vec3, max: [to, f.frontMm, z] as Vec3 }
    d.hold({ ...held, contact, push: UP, ...(t.top ? HANGS : LIES), joint: t.top ? joint : null })
    d.hold({ ...held, contact, push: OUT, way: 'both', via: 'fasteners', joint })
    // A panel that leans turns it about one of its edges.
    for (const y of [backMm, f.frontMm])
      d.hold({
        ...{ ...held, push: t.top ? DOWN : UP, ...LIES, steadies: true },
        contact: { min: [from, y, z], max: [to, y, z] },
      })
  }
}
