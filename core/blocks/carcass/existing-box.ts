import type { Bay, Part } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import type { Box } from '../../geometry/box.ts'
import type { Vec3 } from '../../geometry/vec.ts'
import { newtons, type UnitSystem } from '../../measure/units.ts'

/*
 * A cabinet that was there already: a box open at its front, its own rails along its back, its leaves.
 *
 *   |‾‾‾‾‾‾‾‾‾‾‾|
 *   |r|         |   r: its own rail, through which it is hung
 *   | |---------|   shelves as many as it has, evenly
 *   |r|         |
 *   |___________|
 */
export const EXISTING_FRONTS = ['open', 'left', 'right', 'pair'] as const
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
/** A leaf of a usual cabinet opens so far. */
const OPEN_RAD = Math.PI / 2

/** Insides from below up: clear openings over its bottom and its shelves. mm */
export function insideOf(b: ExistingBox): Box[] {
  const { boardMm: t, shelves } = b
  const clear = (b.highMm - 2 * t - shelves * t) / (shelves + 1)
  return Array.from({ length: shelves + 1 }, (_, i) => {
    const z = b.footMm + t + i * (clear + t)
    return {
      min: [b.left + t, b.backMm + b.railMm, z],
      max: [b.left + b.wideMm - t, b.backMm + b.deepMm, z + clear],
    }
  })
}

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
  const existing = (name: string, massKg: number): Part['stock'] => ({ kind: 'existing', name, massKg, like })
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
  for (const { min, max } of insideOf(b))
    d.machine(box, {
      kind: 'recess',
      face: 'under',
      atMm: min[0] - b.left,
      offMm: min[2] - b.footMm,
      lengthMm: max[0] - min[0],
      widthMm: max[2] - min[2],
      depthMm: max[1] - min[1],
    })
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

function placeLeaves(
  d: Draft,
  b: ExistingBox,
  existing: (name: string, massKg: number) => Part['stock'],
  massKg: number,
): string[] {
  if (b.front === 'open') return []
  const hung = b.front === 'pair' ? (['left', 'right'] as const) : [b.front]
  const wide = b.wideMm / hung.length
  return hung.map((side, i) => {
    const id = `${b.id}-leaf-${i}`
    const left = b.left + i * wide + LEAF_GAP_MM / 2
    const right = b.left + (i + 1) * wide - LEAF_GAP_MM / 2
    const y = b.backMm + b.deepMm
    d.square({
      id,
      role: 'door',
      stock: existing(`${b.name}: leaf`, massKg / hung.length),
      min: [left, y, b.footMm + LEAF_GAP_MM / 2],
      size: [right - left, b.boardMm, b.highMm - LEAF_GAP_MM],
      along: 'z',
      across: 'x',
      grain: 'any',
    })
    // Its own hinges.
    for (const share of HINGES_AT) {
      const at: Vec3 = [side === 'left' ? left + 1 : right - 1, y, b.footMm + share * b.highMm]
      d.joint({ kind: 'hinged', near: id, far: `${b.id}-box`, fasteners: [], at })
    }
    // A leaf on the right turns the other way. It turns about its front edge: it swings clear of its neighbour.
    const atLeft = side === 'left'
    d.motion({
      kind: 'swing',
      parts: [id],
      at: [atLeft ? left : right, y + b.boardMm, b.footMm],
      axis: [0, 0, 1],
      byRad: atLeft ? OPEN_RAD : -OPEN_RAD,
    })
    return id
  })
}

/** What lies in it: a bay for every inside. */
export function existingBays(
  d: Draft,
  b: ExistingBox,
  column: number,
  items: readonly Bay['items'][],
  play: { sideMm: number; aboveMm: number },
): void {
  insideOf(b).forEach((clear, i) =>
    d.bay({
      id: `${b.id}-bay-${i}`,
      name: { code: 'shelf', column, row: i + 1 },
      holds: 'surface',
      clear,
      carriers: [`${b.id}-box`],
      items: [...items[i]],
      play: { ...play, deepMm: 0 },
      stickOutMm: 0,
      exit: [0, 1, 0],
    }),
  )
}
