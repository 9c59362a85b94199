import { screwFor } from '../catalogue/fasteners.ts'
import { boxOverlap, type Box } from '../geometry/box.ts'
import { contactArea, contactOf, type Contact } from '../geometry/contact.ts'
import { cross, dot, mid, norm, sub, unit, type Axis, type Vec3 } from '../geometry/vec.ts'
import type { Problem } from '../measure/result.ts'
import type { UnitSystem } from '../measure/units.ts'
import type {
  Anchor,
  Assembly,
  Bay,
  Face,
  Joint,
  Machining,
  Motion,
  Part,
  Stock,
  Subassembly,
  Support,
} from './assembly.ts'
import { isLevelSheet, isSquare, partBox, standsSquare, thicknessAxis, turnedBox } from './part-box.ts'

type DistributiveOmit<T, K extends keyof T> = T extends unknown ? Omit<T, K> : never

const AXES: Record<'x' | 'y' | 'z', Vec3> = { x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1] }
const INDEX: Record<'x' | 'y' | 'z', Axis> = { x: 0, y: 1, z: 2 }
type AxisName = keyof typeof AXES

export interface SquarePart {
  id: string
  role: Part['role']
  stock: Stock
  min: Vec3
  size: Vec3
  /** Which way the length runs, and which way the width. */
  along: AxisName
  across: AxisName
  grain?: Part['grain']
  loose?: boolean
  temporary?: boolean
  /** Corners of its broad face, where that is no rectangle. */
  outline?: Part['outline']
  axial?: boolean
}

export interface Strut {
  id: string
  role: Part['role']
  stock: Stock
  /** Long points of its centre line. */
  from: Vec3
  to: Vec3
  widthMm: number
  thicknessMm: number
  /** Unit axis of the thickness: the way its broad face looks. */
  facing: Vec3
  machining?: Machining[]
  axial?: boolean
}

/** Two faces this close meet, mm. */
const TOUCH_MM = 0.5

/** Where two parts meet: boxes square to the room share a box; others what they really touch of each other. */
function meeting(p: Part, q: Part, boxes: ReadonlyMap<string, Box>): Contact | null {
  if (!isSquare(p) || !isSquare(q)) return contactOf(turnedBox(p), turnedBox(q), TOUCH_MM)
  const box = boxOverlap(boxes.get(p.id)!, boxes.get(q.id)!, TOUCH_MM)
  return box && { at: mid(box.min, box.max), box }
}

/** What two pieces that bear on each other share, where that is less than the box around it. */
function lessThanBox(p: Part, q: Part, push: Vec3, box: Box): { areaMm2?: number } {
  if (isSquare(p) && isSquare(q)) return {}
  const through = push.findIndex((v) => Math.abs(v) > ALL_OF_IT)
  if (through < 0) return {}
  const whole = [0, 1, 2].reduce((a, i) => (i === through ? a : a * (box.max[i] - box.min[i])), 1)
  const areaMm2 = contactArea(turnedBox(p), turnedBox(q), TOUCH_MM)
  return areaMm2 > 0 && areaMm2 < ALL_OF_IT * whole ? { areaMm2 } : {}
}
/** Where a level board that runs askew carries a level sheet: its middle line, as far as their contact goes. */
function askewUnder(p: Part, q: Part, { min, max }: Box): { line?: [Vec3, Vec3] } {
  const { along, centre } = q.at
  if (!isLevelSheet(p) || q.stock.kind !== 'board' || standsSquare(q) || Math.abs(along[2]) > 1e-6) return {}
  let [lo, hi] = [-q.size.lengthMm / 2, q.size.lengthMm / 2]
  for (const i of [0, 1]) {
    const ends = [(min[i] - centre[i]) / along[i], (max[i] - centre[i]) / along[i]]
    lo = Math.max(lo, Math.min(...ends))
    hi = Math.min(hi, Math.max(...ends))
  }
  const at = (mm: number): Vec3 => [centre[0] + along[0] * mm, centre[1] + along[1] * mm, max[2]]
  return hi > lo ? { line: [at(lo), at(hi)] } : {}
}
/** A share that is all but all of it. */
const ALL_OF_IT = 0.99

/** What was asked for is no build: a piece without a size, or two that should meet and do not. */
export class NotBuildable extends Error {
  constructor(
    message: string,
    readonly role: Part['role'] = 'hardware',
    readonly other?: Part['role'],
    /** What is to be said of it, where a block knows better than that pieces do not meet. */
    readonly problem?: Problem,
  ) {
    super(message)
  }
}

/**
 * A pen for families: puts parts down and records joints, supports and the rest where they really meet.
 * A joint or support between parts that do not touch throws, and so does a part without a size: the family should
 * have refused before, in better words.
 */
export function draft(system: UnitSystem) {
  const a: Assembly = {
    parts: [],
    joints: [],
    bays: [],
    supports: [],
    anchors: [],
    subassemblies: [],
    stick: [],
    shims: [],
    motions: [],
    bodies: [],
    fixings: [],
  }
  const byId = new Map<string, Part>()
  const boxes = new Map<string, Box>()
  const put = (p: Part): Part => {
    if (byId.has(p.id)) throw new Error(`part ${p.id} twice`)
    if (!(Math.min(p.size.lengthMm, p.size.widthMm, p.size.thicknessMm) > 0))
      throw new NotBuildable(`${p.id} has no size`, p.role)
    byId.set(p.id, p)
    boxes.set(p.id, partBox(p))
    a.parts.push(p)
    return p
  }
  // A joint and the support it makes are recorded one after the other: they meet in the same place.
  let last: { one: string; other: string; met: Contact } | null = null
  const meet = (one: string, other: string): Contact => {
    if (last && ((last.one === one && last.other === other) || (last.one === other && last.other === one)))
      return last.met
    const [p, q] = [byId.get(one), byId.get(other)]
    const met = p && q && meeting(p, q, boxes)
    if (!met) throw new NotBuildable(`${one} and ${other} do not meet`, byId.get(one)?.role, byId.get(other)?.role)
    last = { one, other, met }
    return met
  }
  /** The middle of where two pieces look at each other past another between them. */
  const facing = (one: string, other: string, betweenMm: number): Vec3 => {
    const box = boxOverlap(boxes.get(one)!, boxes.get(other)!, betweenMm + TOUCH_MM)
    if (!box) throw new NotBuildable(`${one} and ${other} do not meet`, byId.get(one)?.role, byId.get(other)?.role)
    return mid(box.min, box.max)
  }

  const fix = (j: Omit<Joint, 'id' | 'at'>, at: Vec3): string => {
    const id = `j${a.joints.length + 1}`
    a.joints.push({ id, at, ...j })
    a.fixings.push(id)
    return id
  }
  const support = (s: Pick<Support, 'from' | 'on' | 'via'> & Partial<Support>, contact: Box): string => {
    const id = `s${a.supports.length + 1}`
    const push = s.push ?? ([0, 0, 1] as Vec3)
    const [p, q] = ['part' in s.from ? byId.get(s.from.part) : null, s.on.kind === 'part' ? byId.get(s.on.part) : null]
    const bears = s.via === 'bearing' && !s.steadies && p && q
    const less = bears ? Object.assign(lessThanBox(p, q, push, contact), askewUnder(p, q, contact)) : {}
    a.supports.push(Object.assign({ id, way: 'push' as const, joint: null, anchor: null }, less, s, { contact, push }))
    return id
  }

  return {
    assembly: a,
    box: (id: string): Box => boxes.get(id)!,
    part: (id: string): Part => byId.get(id)!,
    meets: (one: string, other: string): boolean => meeting(byId.get(one)!, byId.get(other)!, boxes) !== null,

    /** A part whose faces are square to the room. */
    square(s: SquarePart): Part {
      return put({
        id: s.id,
        role: s.role,
        stock: s.stock,
        size: {
          lengthMm: s.size[INDEX[s.along]],
          widthMm: s.size[INDEX[s.across]],
          thicknessMm: s.size[3 - INDEX[s.along] - INDEX[s.across]],
        },
        at: {
          centre: [s.min[0] + s.size[0] / 2, s.min[1] + s.size[1] / 2, s.min[2] + s.size[2] / 2],
          along: AXES[s.along],
          across: AXES[s.across],
        },
        grain: s.grain ?? 'length',
        ...(s.outline ? { outline: s.outline } : {}),
        machining: [],
        axial: s.axial ?? false,
        loose: s.loose ?? false,
        temporary: s.temporary ?? false,
      })
    },

    /** A part at any angle. */
    strut(s: Strut): Part {
      const along = unit(sub(s.to, s.from))
      // Nought has no sign in a file.
      const across = cross(s.facing, along).map((v) => v + 0) as Vec3
      return put({
        id: s.id,
        role: s.role,
        stock: s.stock,
        size: { lengthMm: norm(sub(s.to, s.from)), widthMm: s.widthMm, thicknessMm: s.thicknessMm },
        at: {
          centre: [(s.from[0] + s.to[0]) / 2, (s.from[1] + s.to[1]) / 2, (s.from[2] + s.to[2]) / 2],
          along,
          across,
        },
        grain: 'length',
        machining: s.machining ?? [],
        axial: s.axial ?? false,
        loose: false,
        temporary: false,
      })
    },

    /**
     * Screws through `near` (what lies before it, and what lies between the two) into `far`, sized from the thicknesses
     * they pass, in the middle of where they meet unless said otherwise; with glue between them too.
     * @returns the joint's id
     */
    screw(
      near: string,
      far: string,
      count: number,
      into: 'side' | 'end' | 'edge',
      throughMm: number,
      intoMm: number,
      {
        beforeMm = 0,
        betweenMm = 0,
        at,
        glued = false,
      }: { beforeMm?: number; betweenMm?: number; at?: Vec3; glued?: boolean } = {},
    ): string {
      const fastener = screwFor(beforeMm + throughMm + betweenMm, intoMm, system).id
      const use: Joint['fasteners'][number] = { fastener, count, into }
      if (beforeMm > 0) use.beforeMm = beforeMm
      if (betweenMm > 0) use.betweenMm = betweenMm
      return fix(
        { kind: glued ? 'glued-screwed' : 'screwed', near, far, fasteners: [use] },
        at ?? (betweenMm > 0 ? facing(near, far, betweenMm) : meet(near, far).at),
      )
    },

    /** A piece standing in a dado of another, screws through what is left of it into its edge. @returns the joint's id */
    house(inner: string, outer: string, leftMm: number, count = 2): string {
      const screw = screwFor(leftMm, 100, system).id
      const use: Joint['fasteners'][number] = { fastener: screw, count, into: 'edge' }
      return fix({ kind: 'housed', near: outer, far: inner, fasteners: [use] }, meet(inner, outer).at)
    },
    /** The broad face of a part that looks at another. */
    face(id: string, other: string): Face {
      const [p, q] = [byId.get(id)!, byId.get(other)!]
      return dot(thicknessAxis(p), sub(q.at.centre, p.at.centre)) >= 0 ? 'over' : 'under'
    },
    machine(id: string, m: Machining) {
      byId.get(id)!.machining.push(m)
    },

    /** Bolts right through both pieces. @returns the joint's id */
    bolt(near: string, far: string, count: number, fastener: string): string {
      return fix({ kind: 'bolted', near, far, fasteners: [{ fastener, count, into: 'side' }] }, meet(near, far).at)
    },

    /** Records that `from` rests on `on` (a part, or the floor) where they meet, and is pushed up by it. */
    rest(from: string, on: string | 'floor', via: Support['via'] = 'bearing', joint: string | null = null) {
      const b = boxes.get(from)!
      const contact: Box = on === 'floor' ? { min: b.min, max: [b.max[0], b.max[1], b.min[2]] } : meet(from, on).box
      const way = via === 'bearing' ? 'push' : 'both'
      const under: Support['on'] = on === 'floor' ? { kind: 'floor' } : { kind: 'part', part: on }
      support({ from: { part: from }, on: under, via, joint, way }, contact)
    },

    /** Records any other support; between two parts it is where they meet unless said otherwise. */
    hold(s: Omit<Support, 'id' | 'contact' | 'joint' | 'anchor'> & Partial<Support>): string {
      const between = 'part' in s.from && s.on.kind === 'part' ? ([s.from.part, s.on.part] as const) : null
      return support(s, s.contact ?? meet(...between!).box)
    },

    /** Records a bay, and that its goods rest on its carriers (on the floor when it has none). */
    bay(b: Bay) {
      a.bays.push(b)
      const floor: Box = { min: b.clear.min, max: [b.clear.max[0], b.clear.max[1], b.clear.min[2]] }
      const rests = (on: Support['on'], contact: Box) => support({ from: { bay: b.id }, on, via: 'bearing' }, contact)
      if (b.carriers.length === 0) rests({ kind: 'floor' }, floor)
      for (const c of b.carriers) {
        const box = boxes.get(c)!
        rests({ kind: 'part', part: c }, { min: [box.min[0], box.min[1], box.max[2]], max: box.max })
      }
    },

    /** Any other joint: in the middle of where its pieces meet, unless said otherwise. */
    joint: ({ at, ...j }: Omit<Joint, 'id' | 'at'> & { at?: Vec3 }): string => fix(j, at ?? meet(j.near, j.far).at),
    /** @returns the anchor's id */
    anchor(x: Omit<Anchor, 'id'>): string {
      const id = `a${a.anchors.length + 1}`
      a.anchors.push({ id, ...x })
      a.fixings.push(id)
      return id
    },
    /** Parts that act as one. */
    body(id: string, parts: string[], cuts: string[][]) {
      a.bodies.push({ id, parts: [...parts], cuts })
    },
    /** Parts that stand by themselves and are stiff against each other: what pushes one sideways all of them take. */
    frame(id: string, parts: string[]) {
      a.bodies.push({ id, parts: [...parts], cuts: [], sideways: true })
    },
    /** What turns or slides when the build is used. @returns its id */
    motion(m: DistributiveOmit<Motion, 'id'>): string {
      const id = `m${a.motions.length + 1}`
      a.motions.push({ id, ...m })
      return id
    },
    sub(s: Subassembly) {
      a.subassemblies.push(s)
    },
    shim(part: string, at: Vec3, heightMm: number) {
      a.shims.push({ id: `w${a.shims.length + 1}`, part, at, heightMm })
    },
    /** A mark for the story stick, from its foot; `footMm` is that above the floor. */
    mark(zMm: number, code: string, level: number, parts: string[], footMm = 0) {
      a.stick.push({ zMm, footMm, code, level, parts })
    },
  }
}
export type Draft = ReturnType<typeof draft>
