import type { Bay, Part } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import type { Box } from '../../geometry/box.ts'
import type { Vec3 } from '../../geometry/vec.ts'
import { newtons, type UnitSystem } from '../../measure/units.ts'
import { OPEN_RAD } from '../fronts/hinged.ts'
import { behindSliding } from '../fronts/sliding.ts'

/*
 * A cabinet that was there already: a box open at its front, its own rails along its back, its leaves.
 *
 *   |‾‾‾‾‾‾‾‾‾‾‾|
 *   |r|         |   r: its own rail, through which it is hung
 *   | |---------|   shelves as many as it has, evenly
 *   |r|         |
 *   |___________|
 */
export const EXISTING_FRONTS = ['open', 'left', 'right', 'pair', 'up', 'sliding'] as const
export interface ExistingBox {
  id: string
  name: string
  left: number
  backMm: number
  footMm: number
  wideMm: number
  deepMm: number
  highMm: number
  /** Leaves and all. */
  massKg: number
  /** What may lie in it; nought while nobody knows. */
  holdsKg: number
  shelves: number
  front: (typeof EXISTING_FRONTS)[number]
  /** Its boards, and its own rails through and high. */
  boardMm: number
  railMm: number
  railHighMm: number
}

/** What boxes are made of that are thrown out: particle board, which holds a screw no better than any other. */
const LIKE: Record<UnitSystem, string> = { imperial: 'pb-3/4', metric: 'pb-18mm' }
/** Between the edge of a leaf and what is beside it, mm. */
const LEAF_GAP_MM = 2
/** Where its hinges are, of its height. */
const HINGES_AT = [0.06, 0.94]
/** Two panels and their tracks take this of its depth, mm, and each panel is so thick. Product decision: makers differ. */
const [SLIDES_DEEP_MM, PANEL_MM] = [30, 6]

/** What its inside depends on. */
type Hollow = Omit<ExistingBox, 'id' | 'name' | 'massKg' | 'holdsKg' | 'railHighMm'>

/** Insides from below up: clear openings over its bottom and its shelves, behind panels that slide. mm */
function insideOf(b: Hollow): Box[] {
  const { boardMm: t, shelves } = b
  const before = b.front === 'sliding' ? SLIDES_DEEP_MM : 0
  const clear = (b.highMm - 2 * t - shelves * t) / (shelves + 1)
  return Array.from({ length: shelves + 1 }, (_, i) => {
    const z = b.footMm + t + i * (clear + t)
    return {
      min: [b.left + t, b.backMm + b.railMm, z],
      max: [b.left + b.wideMm - t, b.backMm + b.deepMm - before, z + clear],
    }
  })
}

/** Where things stand in it, from below up: each inside, or what each of two panels leaves of it. */
export const placesIn = (b: Hollow): { row: number; clear: Box }[] =>
  insideOf(b).flatMap((clear, row) => {
    if (b.front !== 'sliding') return [{ row, clear }]
    const { min, max } = clear
    return behindSliding({ left: min[0], right: max[0] }).map(({ left, right }) => ({
      row,
      clear: { min: [left, min[1], min[2]] as Vec3, max: [right, max[1], max[2]] as Vec3 },
    }))
  })

/** Share of its mass that is in its leaves: by area, of all its boards. */
function leafShare(b: ExistingBox): number {
  if (b.front === 'open') return 0
  const leaf = b.wideMm * b.highMm
  const boards = leaf + 2 * b.deepMm * b.highMm + (2 + b.shelves) * b.deepMm * b.wideMm
  return leaf / (leaf + boards)
}

export interface PlacedExisting {
  box: string
  upper: string
  lower: string
  parts: string[]
}

/** Puts it where it belongs. @param rails whether its own rails are wanted: what stands has no use for them */
export function placeExisting(d: Draft, b: ExistingBox, system: UnitSystem, rails = true): PlacedExisting {
  const box = `${b.id}-box`
  const like = LIKE[system]
  const share = leafShare(b)
  const existing: Existing = (name, massKg) => ({ kind: 'existing', name, massKg, like })
  d.square({
    id: box,
    role: 'side',
    stock: {
      kind: 'existing',
      name: b.name,
      massKg: (1 - share) * b.massKg,
      like,
      ratedN: newtons(b.holdsKg),
    },
    min: [b.left, b.backMm, b.footMm],
    size: [b.wideMm, b.deepMm, b.highMm],
    along: 'x',
    across: 'z',
    grain: 'any',
  })
  const hollow = ({ min, max }: Box) =>
    d.machine(box, {
      ...{ kind: 'recess', face: 'under', atMm: min[0] - b.left, offMm: min[2] - b.footMm },
      ...{ lengthMm: max[0] - min[0], widthMm: max[2] - min[2], depthMm: b.backMm + b.deepMm - min[1] },
    })
  const insides = insideOf(b)
  insides.forEach(hollow)
  if (b.front === 'sliding') {
    // Its shelves end behind its panels.
    const { min, max } = behindFront(b)
    insides
      .slice(1)
      .forEach((above, i) => hollow({ min: [min[0], min[1], insides[i].max[2]], max: [max[0], max[1], above.min[2]] }))
  }
  const own = rails
    ? (['upper', 'lower'] as const).map((which) => {
        const id = `${b.id}-${which}`
        const z = which === 'upper' ? b.footMm + b.highMm - b.boardMm - b.railHighMm : b.footMm + b.boardMm
        d.square({
          id,
          role: 'back-rail',
          stock: existing(`${b.name}: its own rail`, 0),
          min: [b.left + b.boardMm, b.backMm, z],
          size: [b.wideMm - 2 * b.boardMm, b.railMm, b.railHighMm],
          along: 'x',
          across: 'z',
          grain: 'any',
        })
        // In both sides, as its maker made it.
        for (const x of [b.left + b.boardMm + 1, b.left + b.wideMm - b.boardMm - 1]) {
          const at: Vec3 = [x, b.backMm + b.railMm / 2, z + b.railHighMm - 1]
          d.joint({ kind: 'housed', near: box, far: id, fasteners: [], at })
        }
        return id
      })
    : []
  const leaves = placeLeaves(d, b, existing, share * b.massKg)
  return { box, upper: own[0] ?? box, lower: own[1] ?? box, parts: [box, ...own, ...leaves] }
}

type Existing = (name: string, massKg: number) => Part['stock']

/** What closes it: a leaf or two on hinges of its own, or two panels in its own tracks. @returns their ids */
function placeLeaves(d: Draft, b: ExistingBox, existing: Existing, massKg: number): string[] {
  if (b.front === 'open') return []
  if (b.front === 'sliding') return placePanels(d, b, existing, massKg)
  const hung = b.front === 'pair' ? (['left', 'right'] as const) : [b.front]
  const wide = b.wideMm / hung.length
  return hung.map((side, i) => {
    const id = `${b.id}-leaf-${i}`
    const left = b.left + i * wide + LEAF_GAP_MM / 2
    const right = b.left + (i + 1) * wide - LEAF_GAP_MM / 2
    const y = b.backMm + b.deepMm
    const [foot, head] = [b.footMm + LEAF_GAP_MM / 2, b.footMm + b.highMm - LEAF_GAP_MM / 2]
    d.square({
      id,
      role: 'door',
      stock: existing(`${b.name}: leaf`, massKg / hung.length),
      min: [left, y, foot],
      size: [right - left, b.boardMm, head - foot],
      along: 'z',
      across: 'x',
      grain: 'any',
    })
    // Its own hinges.
    for (const share of HINGES_AT) {
      const [x, z] = [b.left + share * b.wideMm, b.footMm + share * b.highMm]
      const at: Vec3 = side === 'up' ? [x, y, head - 1] : [side === 'left' ? left + 1 : right - 1, y, z]
      d.joint({ kind: 'hinged', near: id, far: `${b.id}-box`, fasteners: [], at })
    }
    // It turns about its front edge: it swings clear of its neighbour. A leaf on the right turns the other way.
    const front = y + b.boardMm
    const turns = { kind: 'swing' as const, parts: [id], byRad: side === 'right' ? -OPEN_RAD : OPEN_RAD }
    if (side === 'up') d.motion({ ...turns, at: [left, front, head], axis: [1, 0, 0] })
    else d.motion({ at: [side === 'left' ? left : right, front, b.footMm], axis: [0, 0, 1], ...turns })
    return id
  })
}

/** The room of its panels and their tracks, before its shelves. */
function behindFront({ boardMm: t, ...b }: Hollow): Box {
  const front = b.backMm + b.deepMm
  return {
    min: [b.left + t, front - SLIDES_DEEP_MM, b.footMm + t],
    max: [b.left + b.wideMm - t, front, b.footMm + b.highMm - t],
  }
}

/** Two panels, one behind the other, each past the middle of the box. */
function placePanels(d: Draft, b: ExistingBox, existing: Existing, massKg: number): string[] {
  const { min, max } = behindFront(b)
  const [before, after] = behindSliding({ left: min[0], right: max[0] })
  const spans = [
    { from: min[0], to: after.left },
    { from: before.right, to: max[0] },
  ]
  return spans.map(({ from, to }, k) => {
    const id = `${b.id}-panel-${k}`
    const y = min[1] + ((1 + 2 * k) * SLIDES_DEEP_MM) / 4 - PANEL_MM / 2
    d.square({
      id,
      role: 'door',
      stock: existing(`${b.name}: panel`, massKg / spans.length),
      min: [from, y, min[2]],
      size: [to - from, PANEL_MM, max[2] - min[2]],
      along: 'z',
      across: 'x',
      grain: 'any',
    })
    // In both of its tracks, from end to end.
    for (const [x, z] of [
      [from + 1, min[2] + 1],
      [to - 1, max[2] - 1],
    ]) {
      const at: Vec3 = [x, y + PANEL_MM / 2, z]
      d.joint({ kind: 'housed', near: `${b.id}-box`, far: id, fasteners: [], at })
    }
    d.motion({ kind: 'slide', parts: [id], by: [k === 0 ? max[0] - to : min[0] - from, 0, 0] })
    return id
  })
}

/** What lies in it: a bay for every place. */
export function existingBays(
  d: Draft,
  b: ExistingBox,
  column: number,
  items: readonly Bay['items'][],
  play: { sideMm: number; aboveMm: number },
): void {
  placesIn(b).forEach(({ row, clear }, i) =>
    d.bay({
      id: `${b.id}-bay-${i}`,
      name: { code: 'shelf', column, row: row + 1 },
      holds: 'surface',
      clear,
      carriers: [`${b.id}-box`],
      items: [...items[i]],
      play: { deepMm: 0, ...play },
      stickOutMm: 0,
      exit: [0, 1, 0],
    }),
  )
}
