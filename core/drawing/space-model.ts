import type { Assembly, Machining, Motion, Part } from '../assembly/assembly.ts'
import { opens } from '../assembly/moved.ts'
import { isRoundPart } from '../assembly/part-box.ts'
import { add, cross, dot, mid, scale, sub, type Vec3 } from '../geometry/vec.ts'
import type { TurnedBox } from '../geometry/box.ts'
import { areaVector, type Polyhedron } from '../geometry/polyhedron.ts'
import { unit } from '../geometry/vec.ts'
import type { Goods } from '../goods/goods.ts'
import { goodsSolid, type Standing } from './goods-solid.ts'
import { meshOf } from './mesh.ts'
import { nutsOf } from './nuts.ts'
import { circle, lengthwise, polyhedra, prismSolid, solidOf, type Solid } from './solid.ts'
import { workOn } from './work.ts'

/*
 * Builds as triangles and edges for a drawing one can walk round. World: x and y on the plan, z up, mm, right-handed; a
 * build's own frame is left-handed (y comes out of the wall towards the eye) and is turned over on its way here.
 */

/** How a face is painted. The order is the order of the palette. */
export const PAINTS = ['board', 'sheet', 'steel', 'fitting', 'goods', 'wall', 'floor', 'opening', 'fixture'] as const
export type Paint = (typeof PAINTS)[number]

/** What a triangle or an edge belongs to. */
export interface Owner {
  paint: Paint
  build?: string
  part?: string
  goods?: string
}

/** What moves as one: corners of faces, three numbers each, the triangles between them, and ends of edges. */
export interface Lot {
  /** How it opens, in the world; null: it stands still. */
  motion: Motion | null
  positions: Float32Array
  normals: Float32Array
  /** Where a corner is in its part: along it, across it and through it, mm from its middle. */
  own: Float32Array
  /** The way its face looks in the same three. */
  faces: Float32Array
  owners: Uint16Array
  triangles: Uint32Array
  /** Triangles of the same without holes and grooves and with fewer corners of what is round: while it is turned. */
  rough: Uint32Array
  edges: Float32Array
  edgeOwners: Uint16Array
  /** So many of the edges, the first, are more than rims of holes. */
  roughEdges: number
}
/** What a face is of: the true form, the rough one, or both. */
type Form = 'both' | 'true' | 'rough'
export interface SpaceModel {
  owners: Owner[]
  lots: Lot[]
  min: Vec3
  max: Vec3
}

/** Where a build's own frame lies in the world: its origin, and the ways of its x and y. */
export interface Placement {
  origin: Vec3
  x: Vec3
  y: Vec3
}
/** Alone: the wall behind it. */
export const ALONE: Placement = { origin: [0, 0, 0], x: [1, 0, 0], y: [0, -1, 0] }

export interface Shown {
  id: string
  assembly: Assembly
  at: Placement
}

type Gathering = Record<keyof Omit<Lot, 'motion' | 'roughEdges'> | 'rims' | 'rimOwners', number[]>

/** What moves how, and what it belongs to. */
export interface Whose {
  m: Motion | null
  owner: number
  form?: Form
}

/** What a lot is gathered in. */
export class Gathered {
  readonly owners: Owner[] = []
  private readonly lots = new Map<Motion | null, Gathering>()
  private lot(m: Motion | null) {
    const known = this.lots.get(m)
    if (known) return known
    const fresh = {
      positions: [],
      normals: [],
      own: [],
      faces: [],
      owners: [],
      triangles: [],
      rough: [],
      edges: [],
      edgeOwners: [],
      rims: [],
      rimOwners: [],
    }
    this.lots.set(m, fresh)
    return fresh
  }
  owner(o: Owner): number {
    return this.owners.push(o) - 1
  }
  /** A flat figure without a corner that points inwards. @param own where its corners are in its part */
  face({ m, owner, form = 'both' }: Whose, figure: readonly Vec3[], own: readonly Vec3[], ownOut: Vec3): void {
    const lot = this.lot(m)
    const out = unit(areaVector(figure))
    const first = lot.owners.length
    figure.forEach((c, k) => {
      lot.positions.push(...c)
      lot.normals.push(...out)
      lot.own.push(...own[k])
      lot.faces.push(...ownOut)
      lot.owners.push(owner)
    })
    for (let i = 2; i < figure.length; i++) {
      if (form !== 'rough') lot.triangles.push(first, first + i - 1, first + i)
      if (form !== 'true') lot.rough.push(first, first + i - 1, first + i)
    }
  }
  edge({ m, owner }: Whose, from: Vec3, to: Vec3): void {
    const lot = this.lot(m)
    lot.edges.push(...from, ...to)
    lot.edgeOwners.push(owner, owner)
  }
  /** The rim of a hole, closed. */
  rim({ m, owner }: Whose, figure: readonly Vec3[]): void {
    const lot = this.lot(m)
    figure.forEach((c, i) => {
      lot.rims.push(...c, ...figure[(i + 1) % figure.length])
      lot.rimOwners.push(owner, owner)
    })
  }
  done(): SpaceModel {
    const [min, max]: [Vec3, Vec3] = [
      [Infinity, Infinity, Infinity],
      [-Infinity, -Infinity, -Infinity],
    ]
    const lots = [...this.lots].map(([motion, l]): Lot => {
      l.positions.forEach((v, i) => {
        if (v < min[i % 3]) min[i % 3] = v
        if (v > max[i % 3]) max[i % 3] = v
      })
      return {
        motion,
        positions: Float32Array.from(l.positions),
        normals: Float32Array.from(l.normals),
        own: Float32Array.from(l.own),
        faces: Float32Array.from(l.faces),
        owners: Uint16Array.from(l.owners),
        triangles: Uint32Array.from(l.triangles),
        rough: Uint32Array.from(l.rough),
        edges: Float32Array.from([...l.edges, ...l.rims]),
        edgeOwners: Uint16Array.from([...l.edgeOwners, ...l.rimOwners]),
        roughEdges: l.edgeOwners.length / 2,
      }
    })
    return { owners: this.owners, lots, min, max }
  }
}

const paintOf = (p: Part): Paint =>
  p.stock.kind === 'board' || p.stock.kind === 'sheet' || p.stock.kind === 'steel' ? p.stock.kind : 'fitting'

const worldOf = ({ origin, x, y }: Placement) => {
  const way = ([a, b, c]: Vec3): Vec3 => add(add(scale(x, a), scale(y, b)), [0, 0, c])
  const flips = cross(x, y)[2] < 0
  return { point: (p: Vec3): Vec3 => add(origin, way(p)), way, flips }
}
type World = ReturnType<typeof worldOf>

function motionIn(w: World, m: Motion): Motion {
  if (m.kind === 'slide') return { ...m, by: w.way(m.by) }
  if (m.kind === 'stages') return { ...m, by: m.by.map(w.way) }
  // In a mirror a right-handed turn is a left-handed one.
  return { ...m, at: w.point(m.at), axis: w.way(m.axis), byRad: w.flips ? -m.byRad : m.byRad }
}

interface OwnFrame {
  centre: Vec3
  along: Vec3
  across: Vec3
}
function addSolid(g: Gathered, w: World, of: Whose, solid: Polyhedron, f: OwnFrame): void {
  const third = cross(f.along, f.across)
  const local = (v: Vec3): Vec3 => [dot(v, f.along), dot(v, f.across), dot(v, third)]
  for (const face of solid) {
    const figure = w.flips ? [...face].reverse() : face
    g.face(
      of,
      figure.map(w.point),
      figure.map((c) => local(sub(c, f.centre))),
      local(unit(areaVector(face))),
    )
  }
}

/** For a sheet the pattern runs along its strength axis: the part's frame is turned where that is its width. */
const grainFrame = (p: Part): OwnFrame =>
  p.stock.kind === 'sheet' && p.grain === 'width'
    ? { centre: p.at.centre, along: p.at.across, across: scale(p.at.along, -1) }
    : p.at

/** Corners of what is round in its rough form. */
const ROUGH_ROUND = 12
/** What changes the figure of a part enough to be seen while it is turned. */
const SHAPING: readonly Machining['kind'][] = ['mitre', 'bevel', 'corner', 'notch', 'recess', 'cutout']

/** A part as it is while one turns it; null: as it is always. */
function roughOf(p: Part): Polyhedron[] | null {
  if (isRoundPart(p))
    return polyhedra(prismSolid(lengthwise(p, circle(p.size.widthMm, p.size.thicknessMm, ROUGH_ROUND)), true))
  const machining = p.machining.filter((m) => SHAPING.includes(m.kind))
  return machining.length < p.machining.length ? meshOf({ ...p, machining }) : null
}

function addPart(g: Gathered, w: World, m: Motion | null, build: string, p: Part): Whose {
  const of: Whose = { m, owner: g.owner({ paint: paintOf(p), build, part: p.id }) }
  const rough = roughOf(p)
  for (const solid of meshOf(p)) addSolid(g, w, { ...of, form: rough ? 'true' : 'both' }, solid, grainFrame(p))
  for (const solid of rough ?? []) addSolid(g, w, { ...of, form: 'rough' }, solid, grainFrame(p))
  addEdges(g, w, of, solidOf(p))
  const holes = p.machining.filter((x) => x.kind === 'hole' || x.kind === 'row')
  const third = cross(p.at.along, p.at.across)
  for (const [face, sign] of [
    ['over', 1],
    ['under', -1],
  ] as const)
    for (const figure of workOn({ ...p, machining: holes }, face))
      g.rim(
        of,
        figure.map((c) => w.point(add(c, scale(third, (sign * p.size.thicknessMm) / 2)))),
      )
  return of
}

/** A nut or a washer, which belongs to its rod. */
function addNut(g: Gathered, w: World, of: Whose, b: TurnedBox): void {
  const solid = prismSolid(b)
  polyhedra(solid).forEach((p) => addSolid(g, w, of, p, b))
  addEdges(g, w, of, solid)
}

/** Of what is round only the rims are edges. */
function addEdges(g: Gathered, w: World, of: Whose, solid: Solid): void {
  solid.edges.forEach(([a, b], i) => {
    if (!solid.round || i % 3 !== 2) g.edge(of, w.point(a), w.point(b))
  })
}

function addThing(g: Gathered, w: World, owner: number, thing: Goods | undefined, at: Standing): void {
  const frame: OwnFrame = { centre: mid(at.box.min, at.box.max), along: [1, 0, 0], across: [0, 1, 0] }
  const of: Whose = { m: null, owner }
  const solid = goodsSolid(thing, at, FINE_ROUND)
  const put = (s: Solid, form: Form) => polyhedra(s).forEach((p) => addSolid(g, w, { ...of, form }, p, frame))
  put(solid, solid.round ? 'true' : 'both')
  if (solid.round) put(goodsSolid(thing, at, ROUGH_ROUND), 'rough')
  addEdges(g, w, of, solid)
}
/** Corners of goods that are round. */
const FINE_ROUND = 32

/** Adds builds where they stand; what opens is a lot of its own. */
export function addBuilds(g: Gathered, builds: readonly Shown[], goods: ReadonlyMap<string, Goods> | null): void {
  for (const { id, assembly, at } of builds) {
    const w = worldOf(at)
    const motions = assembly.motions.filter(opens).map((m) => ({ m, there: motionIn(w, m) }))
    const nuts = nutsOf(assembly)
    for (const p of assembly.parts) {
      const of = addPart(g, w, motions.find((x) => x.m.parts.includes(p.id))?.there ?? null, id, p)
      for (const b of nuts.get(p.id) ?? []) addNut(g, w, of, b)
    }
    if (!goods) continue
    for (const bay of assembly.bays)
      for (const item of bay.items) {
        const owner = g.owner({ paint: 'goods', build: id, goods: item.goodsId })
        addThing(g, w, owner, goods.get(item.goodsId), item)
      }
  }
}

/** One build by itself. @param goods null: without what stands in it */
export function buildModel(id: string, assembly: Assembly, goods: ReadonlyMap<string, Goods> | null): SpaceModel {
  const g = new Gathered()
  addBuilds(g, [{ id, assembly, at: ALONE }], goods)
  return g.done()
}
