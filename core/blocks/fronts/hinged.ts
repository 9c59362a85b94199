import type { Stock } from '../../assembly/assembly.ts'
import { NotBuildable, type Draft } from '../../assembly/draft.ts'
import { HINGE, MAGNET } from '../../catalogue/hardware.ts'
import type { Vec3 } from '../../geometry/vec.ts'

/*
 * Flat leaves over the front of a box, hinged at its uprights, each turning about its own outer front edge.
 *
 *    |‾‾‾|            seen from above: uprights |, the leaf in front of them; its hinge lies inside, against upright and leaf
 *    |h__|
 *    =====  leaf
 */

export interface Leaves {
  /** Ids are told from this. */
  id: string
  stock: Stock
  thicknessMm: number
  /** What the leaves cover, mm: from edge to edge and from below to above, and where the front is. */
  left: number
  right: number
  footMm: number
  headMm: number
  frontMm: number
  /** Uprights on either side, and their faces that look into the opening. */
  uprights: readonly [string, string]
  faces: readonly [number, number]
  /** Heights at which a panel lies between the uprights: no hinge there. */
  panelsMm: readonly number[]
  latch: Latch | null
}

/** Magnets under a panel at the front, one for each leaf at its free edge. */
export interface Latch {
  /** The panel, its lower face and its front edge, and how far it runs. */
  under: string
  underMm: number
  frontMm: number
  left: number
  right: number
}

export function magnet(d: Draft, l: Latch, leaf: { id: string; left: number; right: number; hung: 0 | 1 }): string {
  const { longMm, deepMm, highMm, item, massKg, ratedN } = MAGNET
  const id = `${leaf.id}-catch`
  const free = leaf.hung === 0 ? Math.min(leaf.right, l.right) - longMm : Math.max(leaf.left, l.left)
  d.square({
    id,
    role: 'hardware',
    stock: { kind: 'bought', item, massKg, ratedN },
    min: [free, l.frontMm - deepMm, l.underMm - highMm],
    size: [longMm, deepMm, highMm],
    along: 'x',
    across: 'y',
  })
  d.joint({ kind: 'screwed', near: id, far: l.under, fasteners: [] })
  d.hold({ from: { part: id }, on: { kind: 'part', part: l.under }, push: [0, 0, 1], way: 'both', via: 'hanging' })
  return id
}

/** Between leaves, and round them, mm: what swells and what is not quite square. */
export const GAP_MM = 3
/** Wider than this an opening has two leaves, mm: a light hinge carries no wider one. Product decision. */
export const ONE_LEAF_MM = 600
/** Middle of the outer hinges from the ends of the leaf, mm. */
const HINGE_FROM_END_MM = 90
/** On low leaves no more than this share of their height. */
const END_SHARE = 0.22
/** Leaves higher than this have three, four … hinges, mm: usual tables of makers. */
const HINGES_BY_HEIGHT = [900, 1600, 2000, 2400]
/** Room a hinge wants over and under a panel, mm. */
const CLEAR_MM = 10
const STEP_MM = 5
/** A door is opened by this much. */
export const OPEN_RAD = Math.PI / 2

export const hingesFor = (highMm: number): number => 2 + HINGES_BY_HEIGHT.filter((h) => highMm > h).length

/** Leaves of one opening: one, or a pair that meets in its middle, with what holds them shut. @returns their ids */
export function placeLeaves(d: Draft, l: Leaves): string[] {
  const leaves = leavesOf(d, l)
  const { latch } = l
  if (latch)
    leaves.forEach((id, i) => {
      const { min, max } = d.box(id)
      magnet(d, latch, { id, hung: i === 0 ? 0 : 1, left: min[0], right: max[0] })
    })
  return leaves
}

function leavesOf(d: Draft, l: Leaves): string[] {
  const middle = (l.left + l.right) / 2
  const pair = l.right - l.left > ONE_LEAF_MM
  const left = leaf(d, l, { id: `${l.id}-left`, from: l.left, to: pair ? middle - GAP_MM / 2 : l.right, hung: 0 })
  return pair ? [left, leaf(d, l, { id: `${l.id}-right`, from: middle + GAP_MM / 2, to: l.right, hung: 1 })] : [left]
}

function leaf(d: Draft, l: Leaves, s: { id: string; from: number; to: number; hung: 0 | 1 }): string {
  const high = l.headMm - l.footMm
  d.square({
    id: s.id,
    role: 'door',
    stock: l.stock,
    min: [s.from, l.frontMm, l.footMm],
    size: [s.to - s.from, l.thicknessMm, high],
    along: 'z',
    across: 'x',
  })
  const body = `leaf-${s.id}`
  const hinges = hingeHeights(l, hingesFor(high)).map((z, i) => hinge(d, l, s, `${s.id}-hinge-${i}`, z))
  d.body(body, [s.id, ...hinges.map((h) => h.id)], [])
  for (const h of hinges)
    for (const push of [
      [1, 0, 0],
      [0, 1, 0],
      [0, 0, 1],
    ] as Vec3[])
      d.hold({
        from: { body, through: h.id },
        on: { kind: 'part', part: l.uprights[s.hung] },
        contact: { min: h.at, max: h.at },
        push,
        way: 'both',
        via: 'fasteners',
      })
  const at: Vec3 = [s.hung === 0 ? s.from : s.to, l.frontMm + l.thicknessMm, l.footMm]
  d.motion({ kind: 'swing', parts: [s.id], at, axis: [0, 0, 1], byRad: s.hung === 0 ? OPEN_RAD : -OPEN_RAD })
  return s.id
}

/** What a hinge needs free between two things that lie on the upright, for leaves so thick, mm. */
export const hingeRoom = (thicknessMm: number): number => HINGE.highMm + 2 * CLEAR_MM + thicknessMm + STEP_MM

const noPlace = (mm: number) =>
  new NotBuildable('a leaf has no place for its hinges', 'door', 'hardware', {
    code: 'no-hinge-room',
    data: { mm },
    field: 'front',
  })

/**
 * Middles of the hinges: evenly between the outer ones, each moved down or up past a panel or another hinge that lies
 * there.
 * @throws NotBuildable where one finds no place
 */
export function hingeHeights(l: Pick<Leaves, 'footMm' | 'headMm' | 'thicknessMm' | 'panelsMm'>, n: number): number[] {
  const high = l.headMm - l.footMm
  const end = Math.min(HINGE_FROM_END_MM, END_SHARE * high)
  const half = HINGE.highMm / 2 + CLEAR_MM
  const out: number[] = []
  const free = (z: number) =>
    z >= l.footMm + half &&
    z <= l.headMm - half &&
    l.panelsMm.every((p) => Math.abs(z - p) >= half + l.thicknessMm / 2) &&
    out.every((o) => Math.abs(z - o) >= HINGE.highMm + CLEAR_MM)
  for (let i = 0; i < n; i++) {
    const z = l.footMm + end + ((high - 2 * end) * i) / (n - 1)
    let by = 0
    while (by < high && !free(z + by) && !free(z - by)) by += STEP_MM
    const at = [z + by, z - by].find(free)
    if (at === undefined) throw noPlace(high)
    out.push(at)
  }
  return out
}

function hinge(d: Draft, l: Leaves, s: { id: string; hung: 0 | 1 }, id: string, z: number): { id: string; at: Vec3 } {
  const face = l.faces[s.hung]
  const { intoMm, backMm, highMm } = HINGE
  d.square({
    id,
    role: 'hardware',
    stock: { kind: 'bought', item: HINGE.item, massKg: HINGE.massKg },
    min: [s.hung === 0 ? face : face - intoMm, l.frontMm - backMm, z - highMm / 2],
    size: [intoMm, backMm, highMm],
    along: 'z',
    across: 'y',
  })
  for (const far of [l.uprights[s.hung], s.id]) d.joint({ kind: 'hinged', near: id, far, fasteners: [] })
  return { id, at: [face, l.frontMm - backMm / 2, z] }
}
