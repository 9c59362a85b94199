import type { Bay, Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { FLAT_HINGE, HINGE } from '../../catalogue/hardware.ts'
import type { Sheet } from '../../catalogue/sheets.ts'
import type { Rod } from '../../catalogue/steel.ts'
import type { Vec3 } from '../../geometry/vec.ts'
import { buttedShelf } from '../carcass/shelf-between.ts'
import { hingeHeights, hingesFor, OPEN_RAD } from './hinged.ts'

/*
 * Leaves that are shallow boxes, open towards the cabinet, with tiers and a rod over each that keeps things in when they
 * swing. Their hinges lie flat over the outer faces of side and leaf, and the leaf turns about the edge where they meet:
 * open, all its depth stands beside the cabinet.
 *
 *   side |            |        seen from above
 *       h|____________|h
 *        |  tier   : :|  : rod
 *        |============|  face
 */

export interface DeepLeaves {
  id: string
  sheet: Sheet
  face: Sheet
  rod: Rod
  left: number
  right: number
  footMm: number
  headMm: number
  frontMm: number
  /** Depth inside, from the open side to the face. */
  deepMm: number
  /** Tops of the tiers from the underside of the leaf, its bottom first. */
  tiersMm: readonly number[]
  /** Sides of the cabinet. */
  uprights: readonly [string, string]
  /** Panels of the cabinet and of the leaf, where no hinge goes. */
  panelsMm: readonly number[]
  pair: boolean
}

export interface DeepLeaf {
  id: string
  parts: string[]
  /** Where things stand, inside. */
  inside: { left: number; right: number; backMm: number; frontMm: number }
  tiers: string[]
}

/** Middle of a rod over its tier, and from the open side, mm: what stands there is held below its middle. */
const ROD_OVER_MM = 60
const ROD_IN_MM = 10
/** The rod is let into both stiles by this much, mm. */
const LET_IN_MM = 6
/** Screws of the face in the edges behind it are this far apart, mm. */
const FACE_SCREWS_EVERY = 150
/** Between two leaves, mm. */
const GAP_MM = 3

/** What of a leaf is free inside between its stiles. */
export const leafInside = (left: number, right: number, sheet: Sheet) => ({
  left: left + sheet.thicknessMm,
  right: right - sheet.thicknessMm,
})

/** Left and right edges of one leaf or two. */
export function leafEdges(left: number, right: number, pair: boolean): { left: number; right: number; hung: 0 | 1 }[] {
  const middle = (left + right) / 2
  return pair
    ? [
        { left, right: middle - GAP_MM / 2, hung: 0 },
        { left: middle + GAP_MM / 2, right, hung: 1 },
      ]
    : [{ left, right, hung: 0 }]
}

/** What stands behind a rod is lifted so high over its tier, mm. */
export const overRod = (rod: Rod): number => ROD_OVER_MM + rod.diameterMm / 2
/** Room the rod takes at the open side, mm. */
export const rodRoom = (rod: Rod): number => ROD_IN_MM + rod.diameterMm

export const placeDeepLeaves = (d: Draft, l: DeepLeaves): DeepLeaf[] =>
  leafEdges(l.left, l.right, l.pair).map((e, i) => leaf(d, l, { ...e, id: `${l.id}-${i}` }))

function leaf(d: Draft, l: DeepLeaves, e: { left: number; right: number; hung: 0 | 1; id: string }): DeepLeaf {
  const t = l.sheet.thicknessMm
  const high = l.headMm - l.footMm
  const stock: Stock = { kind: 'sheet', sheet: l.sheet.id }
  const stiles = [e.left, e.right - t].map((x, i) => {
    const id = `${e.id}-stile-${i}`
    d.square({
      id,
      role: 'side',
      stock,
      min: [x, l.frontMm, l.footMm],
      size: [t, l.deepMm, high],
      along: 'z',
      across: 'y',
    })
    return id
  })
  const inside = leafInside(e.left, e.right, l.sheet)
  const between = {
    sheet: l.sheet,
    ...inside,
    fromMm: l.frontMm,
    deepMm: l.deepMm,
    uprights: [stiles[0], stiles[1]] as const,
    footMm: l.footMm,
  }
  const tiers = l.tiersMm.map((z, i) => {
    const id = `${e.id}-tier-${i}`
    buttedShelf(d, { ...between, id, role: 'shelf', topMm: l.footMm + z })
    return id
  })
  const top = `${e.id}-top`
  buttedShelf(d, { ...between, id: top, role: 'top', topMm: l.headMm })
  const face = faceOf(d, l, e, { stiles, across: [...tiers, top] })
  const rods = l.tiersMm.map((z, i) => rodOver(d, l, { id: `${e.id}-rod-${i}`, z: l.footMm + z, inside, stiles }))
  const hinges = hang(d, l, e, stiles[e.hung])
  const box = [face, ...stiles, ...rods]
  holdLeaf(d, l, e, { box, hinges, stile: stiles[e.hung] })
  const turns = [...box, ...tiers, top]
  d.motion({
    kind: 'swing',
    parts: turns,
    at: [e.hung === 0 ? e.left : e.right, l.frontMm, l.footMm],
    axis: [0, 0, 1],
    byRad: e.hung === 0 ? OPEN_RAD : -OPEN_RAD,
  })
  return {
    id: e.id,
    parts: [...turns, ...hinges.map((h) => h.id)],
    tiers,
    inside: { ...inside, backMm: l.frontMm + rodRoom(l.rod), frontMm: l.frontMm + l.deepMm },
  }
}

/** The face over stiles, tiers and head, screwed into the edges of all of them. */
function faceOf(
  d: Draft,
  l: DeepLeaves,
  e: { left: number; right: number; id: string },
  { stiles, across }: { stiles: string[]; across: string[] },
): string {
  const id = `${e.id}-face`
  const [wide, high] = [e.right - e.left, l.headMm - l.footMm]
  d.square({
    id,
    role: 'door',
    stock: { kind: 'sheet', sheet: l.face.id },
    min: [e.left, l.frontMm + l.deepMm, l.footMm],
    size: [wide, l.face.thicknessMm, high],
    along: 'z',
    across: 'x',
    grain: 'any',
  })
  const screws = (mm: number) => 2 + Math.floor(mm / FACE_SCREWS_EVERY)
  for (const s of stiles) d.screw(id, s, screws(high), 'edge', l.face.thicknessMm, 200)
  for (const s of across) d.screw(id, s, screws(wide), 'edge', l.face.thicknessMm, 200)
  return id
}

/** The box of a leaf as one, held by its hinges along all three axes. */
function holdLeaf(
  d: Draft,
  l: DeepLeaves,
  e: { hung: 0 | 1; id: string },
  { box, hinges, stile }: { box: string[]; hinges: { id: string; at: Vec3 }[]; stile: string },
) {
  const fittings = hinges.map((h) => h.id)
  d.body(e.id, [...box, ...fittings], [[stile, ...fittings]])
  for (const h of hinges)
    for (const push of WAYS)
      d.hold({
        from: { body: e.id, through: h.id },
        on: { kind: 'part', part: l.uprights[e.hung] },
        contact: { min: h.at, max: h.at },
        push,
        way: 'both',
        via: 'fasteners',
      })
}
const WAYS: Vec3[] = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
]

function rodOver(
  d: Draft,
  l: DeepLeaves,
  r: { id: string; z: number; inside: { left: number; right: number }; stiles: string[] },
): string {
  const { diameterMm } = l.rod
  const y = l.frontMm + ROD_IN_MM
  d.square({
    id: r.id,
    role: 'rod',
    stock: { kind: 'steel', rod: l.rod.id },
    min: [r.inside.left - LET_IN_MM, y - diameterMm / 2, r.z + ROD_OVER_MM - diameterMm / 2],
    size: [r.inside.right - r.inside.left + 2 * LET_IN_MM, diameterMm, diameterMm],
    along: 'x',
    across: 'z',
  })
  for (const s of r.stiles) {
    d.joint({ kind: 'housed', near: r.id, far: s, fasteners: [] })
    d.machine(s, {
      kind: 'hole',
      face: d.face(s, r.id),
      atMm: r.z + ROD_OVER_MM - l.footMm,
      offMm: ROD_IN_MM,
      diameterMm,
      depthMm: LET_IN_MM,
      tiltRad: 0,
    })
  }
  return r.id
}

/** Hinges flat over the outer faces of the cabinet's side and of the stile, half on each. */
function hang(d: Draft, l: DeepLeaves, e: { left: number; right: number; hung: 0 | 1; id: string }, stile: string) {
  const { thicknessMm, wideMm } = FLAT_HINGE
  const outer = e.hung === 0 ? e.left : e.right
  const spec = { footMm: l.footMm, headMm: l.headMm, thicknessMm: l.sheet.thicknessMm, panelsMm: l.panelsMm }
  return hingeHeights(spec, hingesFor(l.headMm - l.footMm)).map((z, i) => {
    const id = `${e.id}-hinge-${i}`
    d.square({
      id,
      role: 'hardware',
      stock: { kind: 'bought', item: HINGE.item, massKg: HINGE.massKg },
      min: [e.hung === 0 ? outer - thicknessMm : outer, l.frontMm - wideMm / 2, z - HINGE.highMm / 2],
      size: [thicknessMm, wideMm, HINGE.highMm],
      along: 'z',
      across: 'y',
    })
    for (const far of [l.uprights[e.hung], stile]) d.joint({ kind: 'hinged', near: id, far, fasteners: [] })
    return { id, at: [outer, l.frontMm - wideMm / 4, z] as Vec3 }
  })
}

/** Places to stand things in a leaf. */
export function tierBays(
  d: Draft,
  leaf: DeepLeaf,
  column: number,
  tiers: readonly { topMm: number; headMm: number; items: Bay['items'] }[],
  play: Bay['play'],
): void {
  tiers.forEach((tier, i) =>
    d.bay({
      id: `${leaf.id}-bay-${i}`,
      name: { code: 'tier', column, row: i + 1 },
      holds: 'surface',
      clear: {
        min: [leaf.inside.left, leaf.inside.backMm, tier.topMm],
        max: [leaf.inside.right, leaf.inside.frontMm, tier.headMm],
      },
      carriers: [leaf.tiers[i]],
      items: tier.items,
      play,
      stickOutMm: 0,
      exit: [0, -1, 0],
    }),
  )
}
