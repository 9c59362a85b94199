import type { Part, Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { SLIDE_HIGH_MM, SLIDE_SCREWS, SLIDE_THICK_MM, type DrawerSlide } from '../../catalogue/drawer-slides.ts'
import { PULL } from '../../catalogue/hardware.ts'
import type { Sheet } from '../../catalogue/sheets.ts'
import type { Vec3 } from '../../geometry/vec.ts'

/*
 *   | |                 | |    from the front: a thin bottom runs in grooves of two uprights,
 *   |=|=================|=|    sides, back and face stand on it
 *   | |#|             |#| |
 *
 *   |:|#|             |#|:|    or on bought slides: its sides are screwed to them, and its bottom lies in
 *   |:|#===============#|:|    grooves of its sides
 */

/** A runner bottom stops this short of the ground of its grooves, and has this much room over it, mm. */
export const RUN_MM = 1
/** Sides of a drawer keep this far from the uprights, mm. */
export const BESIDE_MM = 1.5
/** Over its sides, to the bottom of the next drawer, mm. */
export const OVER_MM = 3
/** Round a face, mm. */
export const FACE_GAP_MM = 2
/** Its back is lower than its face: a thing that stands too high goes over it, and is not caught. mm */
export const BACK_LOWER_MM = 10
/** Share of its length a drawer is drawn out in use; the rest stays in its grooves. */
export const DRAWN_SHARE = 2 / 3
/** Screws of a drawer's box are no further apart, mm. */
const SCREWS_EVERY_MM = 150
/** A hand hole in a face: as wide as four fingers, as high as two, below the face's upper edge. mm */
const HAND = { longMm: 95, highMm: 25, belowMm: 9 } as const

/** The name of a part of a build that is a drawer with all that is screwed to it. */
export const DRAWER = 'drawer'
/** What they are drawn by. */
export const HANDS = ['hole', 'pull', 'none'] as const
export type Hand = (typeof HANDS)[number]

export interface Drawer {
  id: string
  uprights: readonly [string, string]
  /** Clear between the uprights. */
  left: number
  right: number
  /** From its back to the front of its face, out from the wall. */
  fromMm: number
  toMm: number
  /** What its bottom runs on, and how high the place for it is, with all its units. */
  zMm: number
  highMm: number
  grooveMm: number
  /** What it runs on instead of its bottom. */
  slide?: DrawerSlide
  sheet: Sheet
  bottom: Sheet
  /** What it is drawn by: a hole in its face, a handle on it, or its edge. */
  hand: Hand
  /** A tray has lips this high instead of sides and a back. */
  lipMm?: number
  /** Left faces of dividers, from the left of its inside. */
  dividers?: readonly number[]
  insert?: InDrawer
}

/** What lies in a drawer round its things: between its dividers, cut out or bored where each of them is. */
export interface InDrawer {
  stock: Stock
  thickMm: number
  rooms: readonly { left: number; right: number }[]
  places: readonly Place[]
  round: boolean
}
/** From the left and the back of the inside, mm. */
interface Place {
  x: number
  y: number
  wideMm: number
  deepMm: number
}

/** What of a drawer is free for things. */
export function drawerInside(
  x: Omit<Drawer, 'id' | 'uprights' | 'hand' | 'grooveMm' | 'dividers' | 'insert' | 'lipMm'>,
) {
  const t = x.sheet.thicknessMm
  const beside = x.slide ? SLIDE_THICK_MM : BESIDE_MM
  return {
    left: x.left + beside + t,
    right: x.right - beside - t,
    backMm: x.fromMm + t,
    frontMm: x.toMm - t,
    floorMm: x.zMm + (x.slide ? SUNK_MM : 0) + x.bottom.thicknessMm,
    headMm: x.zMm + x.highMm - OVER_MM,
  }
}

/** @returns the ids of all that moves with it, its bottom first, and of the slides it runs on */
export function placeDrawer(d: Draft, x: Drawer): { moves: string[]; slides: string[] } {
  const inside = drawerInside(x)
  const t = x.sheet.thicknessMm
  const id = (name: string) => `${x.id}-${name}`
  const slides = x.slide ? boxOnSlides(d, x, x.slide) : boxOnRunner(d, x)
  const dividers = (x.dividers ?? []).map((from, i) => {
    const [deep, high] = [inside.frontMm - inside.backMm, boxHigh(x) - BACK_LOWER_MM]
    piece(d, x, [`divider-${i}`, 'divider'], { at: [inside.left + from, inside.backMm], size: [t, deep, high] })
    return id(`divider-${i}`)
  })
  // Lips are too low for screws into each other: the bottom holds them.
  for (const side of x.lipMm === undefined ? ['left', 'right'] : []) {
    const joints = [
      ['back', d.screw(id(side), id('back'), 2, 'edge', t, 100)],
      ['face', d.screw(id('face'), id(side), 2, 'edge', t, 100)],
    ] as const
    // On slides nothing is under them: they hang on their screws.
    if (x.slide) for (const [name, joint] of joints) d.rest(id(name), id(side), 'fasteners', joint)
  }
  if (x.hand === 'pull') pullOn(d, x)
  if (x.hand === 'hole') {
    const { lengthMm, widthMm } = d.part(id('face')).size
    d.machine(id('face'), {
      kind: 'cutout',
      atMm: (lengthMm - HAND.longMm) / 2,
      offMm: widthMm - HAND.belowMm - HAND.highMm,
      lengthMm: HAND.longMm,
      widthMm: HAND.highMm,
    })
  }
  const inserts = x.insert ? insertsOf(d, x, x.insert) : []
  const pulls = x.hand === 'pull' ? [id('pull')] : []
  const parts = [...['bottom', 'left', 'right', 'back', 'face'].map(id), ...dividers, ...inserts, ...pulls]
  const drawnMm = x.slide ? x.slide.lengthMm : DRAWN_SHARE * (x.toMm - x.fromMm)
  d.motion({ kind: 'slide', parts, by: [0, drawnMm, 0] })
  return { moves: parts, slides }
}

/** A handle in the middle of the face; on a high one nearer to its upper edge. */
function pullOn(d: Draft, x: Drawer) {
  const { min, max } = d.box(`${x.id}-face`)
  const [id, face] = [`${x.id}-pull`, `${x.id}-face`]
  const { item, massKg, ratedN, wideMm, highMm, outMm } = PULL
  const z = Math.max((min[2] + max[2]) / 2, max[2] - PULL_BELOW_MM)
  d.square({
    ...{ id, role: 'hardware', stock: { kind: 'bought', item, massKg, ratedN }, along: 'x', across: 'z' },
    min: [(min[0] + max[0] - wideMm) / 2, max[1], z - highMm / 2],
    size: [wideMm, outMm, highMm],
  })
  d.joint({ kind: 'screwed', near: id, far: face, fasteners: [] })
  d.hold({ from: { part: id }, on: { kind: 'part', part: face }, push: [0, 0, 1], way: 'both', via: 'hanging' })
}
/** Middle of a handle under the upper edge of a high face, mm. Product decision. */
const PULL_BELOW_MM = 60
/** A face no higher than this has no room for a handle and a hand, mm. Product decision. */
const LEAST_FOR_PULL_MM = 40

/** Over its bottom, to the upper edge of its sides, mm. */
function boxHigh(x: Drawer): number {
  const { floorMm, headMm } = drawerInside(x)
  return headMm - floorMm
}

/** Sides, back and face on a bottom that runs in grooves. */
function boxOnRunner(d: Draft, x: Drawer): string[] {
  runnerOf(d, x)
  const inside = drawerInside(x)
  const t = x.sheet.thicknessMm
  const deep = x.toMm - t - x.fromMm
  const high = x.lipMm ?? boxHigh(x)
  piece(d, x, ['left', 'side'], { at: [inside.left - t, x.fromMm], size: [t, deep, high] })
  piece(d, x, ['right', 'side'], { at: [inside.right, x.fromMm], size: [t, deep, high] })
  const backHigh = x.lipMm ?? high - BACK_LOWER_MM
  piece(d, x, ['back', 'back'], { at: [inside.left, x.fromMm], size: [inside.right - inside.left, t, backHigh] })
  const faceWide = x.right - x.left - 2 * FACE_GAP_MM
  const faceHigh = x.highMm - x.bottom.thicknessMm - FACE_GAP_MM
  piece(d, x, ['face', 'face'], { at: [x.left + FACE_GAP_MM, x.toMm - t], size: [faceWide, t, faceHigh] })
  return []
}

/** Lower edges of sides on slides are this far below their bottom, which lies in grooves of them, mm. Product decision. */
const SUNK_MM = 10
/** Under the slides, to the lower edge of the sides, mm. Product decision. */
const SLIDE_UP_MM = 2
/** A drawer on slides is no lower than so much with its room over it, mm. */
export const LEAST_ON_SLIDES_MM = SLIDE_HIGH_MM + SLIDE_UP_MM + OVER_MM

/** The sides on bought slides, as one with them; back and face between and before them, the bottom in grooves. @returns the slides */
function boxOnSlides(d: Draft, x: Drawer, slide: DrawerSlide): string[] {
  const inside = drawerInside(x)
  const t = x.sheet.thicknessMm
  const stock: Stock = { kind: 'sheet', sheet: x.sheet.id }
  const id = (name: string) => `${x.id}-${name}`
  const deep = x.toMm - t - x.fromMm
  const put = (name: string, role: Part['role'], min: Vec3, size: Vec3) =>
    d.square({
      ...{ id: id(name), role, stock, min, size, across: 'z', grain: 'any' },
      along: role === 'side' ? 'y' : 'x',
    })
  const sideHigh = x.highMm - OVER_MM
  put('left', 'side', [inside.left - t, x.fromMm, x.zMm], [t, deep, sideHigh])
  put('right', 'side', [inside.right, x.fromMm, x.zMm], [t, deep, sideHigh])
  const wide = inside.right - inside.left
  put('back', 'back', [inside.left, x.fromMm, inside.floorMm], [wide, t, boxHigh(x) - BACK_LOWER_MM])
  const faceWide = x.right - x.left - 2 * FACE_GAP_MM
  put('face', 'face', [x.left + FACE_GAP_MM, x.toMm - t, x.zMm], [faceWide, t, x.highMm - FACE_GAP_MM])
  d.square({
    ...{ id: id('bottom'), role: 'bottom', stock: { kind: 'sheet', sheet: x.bottom.id } },
    min: [inside.left - x.grooveMm, x.fromMm, x.zMm + SUNK_MM],
    size: [wide + 2 * x.grooveMm, deep, x.bottom.thicknessMm],
    ...{ along: 'x', across: 'y', grain: grainOf(x.bottom) },
  })
  for (const side of ['left', 'right']) {
    d.machine(id(side), {
      ...{ kind: 'groove', face: d.face(id(side), id('bottom')), offMm: SUNK_MM },
      ...{ widthMm: x.bottom.thicknessMm, depthMm: x.grooveMm },
    })
    const joint = d.joint({ kind: 'housed', near: id(side), far: id('bottom'), fasteners: [] })
    d.rest(id('bottom'), id(side), 'bearing', joint)
  }
  const body = `${x.id}-box`
  const slides = [0, 1].map((k) => slideOf(d, x, slide, k))
  d.body(body, [id('left'), id('right'), ...slides.map((s) => s.id)], [])
  for (const s of slides)
    for (const at of s.places)
      for (const push of WAYS)
        d.hold({
          ...{ from: { body, through: s.id }, on: { kind: 'part', part: s.upright }, contact: { min: at, max: at } },
          ...{ push, way: 'both', via: 'fasteners' },
        })
  return slides.map((s) => s.id)
}
const WAYS: readonly Vec3[] = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
]

/** One slide between a side and its upright, and where its screws are in that. */
function slideOf(d: Draft, x: Drawer, slide: DrawerSlide, k: number): { id: string; upright: string; places: Vec3[] } {
  const id = `${x.id}-slide-${k}`
  const [upright, face] = [x.uprights[k], k === 0 ? x.left : x.right]
  const front = x.toMm - x.sheet.thicknessMm
  const z = x.zMm + SLIDE_UP_MM
  d.square({
    ...{ id, role: 'hardware', along: 'y', across: 'z' },
    stock: { kind: 'bought', item: slide.item, massKg: slide.massKg },
    min: [k === 0 ? face : face - SLIDE_THICK_MM, front - slide.lengthMm, z],
    size: [SLIDE_THICK_MM, slide.lengthMm, SLIDE_HIGH_MM],
  })
  for (const far of [upright, `${x.id}-${k === 0 ? 'left' : 'right'}`])
    d.joint({ kind: 'screwed', near: id, far, fasteners: [] })
  const ys = [front - SLIDE_SCREWS.frontMm, front - slide.lengthMm + SLIDE_SCREWS.rearMm]
  return { id, upright, places: ys.map((y): Vec3 => [face, y, z + SLIDE_HIGH_MM / 2]) }
}

/** Room round an insert, and round a thing in its place, mm. Product decision. */
const INSERT_PLAY_MM = 1
/** Width of the strips on which an insert is counted to lie, mm. Product decision. */
const LIES_MM = 20

/** An insert for each room, with a hole or a cut-out where each thing of it is. */
function insertsOf(d: Draft, x: Drawer, of: InDrawer): string[] {
  const inside = drawerInside(x)
  return of.rooms.map((room, i) => {
    const id = `${x.id}-insert-${i}`
    const [left, back] = [room.left + INSERT_PLAY_MM, INSERT_PLAY_MM]
    const size: [number, number, number] = [
      room.right - room.left - 2 * INSERT_PLAY_MM,
      inside.frontMm - inside.backMm - 2 * INSERT_PLAY_MM,
      // No higher than the drawer.
      Math.min(of.thickMm, inside.headMm - inside.floorMm),
    ]
    d.square({
      ...{ id, role: 'insert', stock: of.stock, loose: true, along: 'x', across: 'y', grain: 'any' },
      min: [inside.left + left, inside.backMm + back, inside.floorMm],
      size,
    })
    // It lies on all of the bottom; counted are three strips of it, which asks more of that.
    const { min, max } = d.box(id)
    for (const share of [0, 0.5, 1]) {
      const from = min[0] + share * (max[0] - min[0] - LIES_MM)
      d.hold({
        from: { part: id },
        on: { kind: 'part', part: `${x.id}-bottom` },
        contact: { min: [from, min[1], inside.floorMm], max: [from + LIES_MM, max[1], inside.floorMm] },
        push: [0, 0, 1],
        ...{ way: 'push', via: 'bearing' },
      })
    }
    for (const p of of.places.filter((q) => q.x >= room.left && q.x < room.right)) {
      const [atMm, offMm] = [p.x - left, p.y - back]
      if (of.round)
        d.machine(id, {
          ...{ kind: 'hole', face: 'over', tiltRad: 0, depthMm: null },
          ...{ atMm: atMm + p.wideMm / 2, offMm: offMm + p.deepMm / 2 },
          diameterMm: Math.max(p.wideMm, p.deepMm) + INSERT_PLAY_MM,
        })
      else
        d.machine(id, {
          kind: 'cutout',
          ...{ atMm: atMm - INSERT_PLAY_MM, offMm: offMm - INSERT_PLAY_MM },
          ...{ lengthMm: p.wideMm + 2 * INSERT_PLAY_MM, widthMm: p.deepMm + 2 * INSERT_PLAY_MM },
        })
    }
    return id
  })
}

/** The thin bottom, its edges in the grooves of both uprights. */
function runnerOf(d: Draft, x: Drawer) {
  const reach = x.grooveMm - RUN_MM
  const id = `${x.id}-bottom`
  d.square({
    id,
    role: 'bottom',
    stock: { kind: 'sheet', sheet: x.bottom.id },
    min: [x.left - reach, x.fromMm, x.zMm],
    size: [x.right - x.left + 2 * reach, x.toMm - x.fromMm, x.bottom.thicknessMm],
    along: 'x',
    across: 'y',
    grain: grainOf(x.bottom),
  })
  for (const upright of x.uprights) {
    const joint = d.joint({ kind: 'housed', near: upright, far: id, fasteners: [] })
    d.rest(id, upright, 'bearing', joint)
  }
}

/** A bottom spans between its grooves along the sheet, where that makes a difference. */
const grainOf = (bottom: Sheet): Part['grain'] => (bottom.ei.along === bottom.ei.across ? 'any' : 'length')

/** A piece of the box on its bottom, glued and screwed from below. */
function piece(
  d: Draft,
  x: Drawer,
  [name, role]: readonly [string, Part['role']],
  { at: [left, from], size }: { at: [number, number]; size: [number, number, number] },
) {
  const [id, bottom] = [`${x.id}-${name}`, `${x.id}-bottom`]
  const along = role === 'side' || role === 'divider' ? 'y' : 'x'
  const z = drawerInside(x).floorMm
  const stock: Stock = { kind: 'sheet', sheet: x.sheet.id }
  d.square({ id, role, stock, min: [left, from, z], size, along, across: 'z', grain: 'any' })
  const screws = 2 + Math.floor(Math.max(size[0], size[1]) / SCREWS_EVERY_MM)
  const joint = d.screw(bottom, id, screws, 'edge', x.bottom.thicknessMm, size[2], { glued: true })
  d.rest(id, bottom, 'bearing', joint)
}

/** Wood left over a hand hole and under it, mm: lower faces are drawn out by their upper edge. */
const LEAST_RIM_MM = 9
const hasRoomForHand = (highMm: number, bottom: Sheet): boolean =>
  highMm - bottom.thicknessMm - FACE_GAP_MM >= HAND.highMm + HAND.belowMm + LEAST_RIM_MM

/** What a drawer so high is drawn by: low faces have no room for a hole, or for a handle. */
export function handFor(hand: Hand, highMm: number, bottom: Sheet): Hand {
  if (hand === 'hole') return hasRoomForHand(highMm, bottom) ? 'hole' : 'none'
  return hand === 'pull' && highMm < LEAST_FOR_PULL_MM ? 'none' : hand
}

/** Grooves for runner bottoms in the face of an upright that looks at an opening: one for every unit. */
export function cutGrooves(
  d: Draft,
  upright: string,
  towards: string,
  g: { atMm: readonly number[]; bottom: Sheet; depthMm: number },
): void {
  const face = d.face(upright, towards)
  for (const atMm of g.atMm)
    d.machine(upright, {
      kind: 'dado',
      face,
      atMm,
      offMm: 0,
      widthMm: g.bottom.thicknessMm + RUN_MM,
      depthMm: g.depthMm,
      stopped: false,
    })
}
