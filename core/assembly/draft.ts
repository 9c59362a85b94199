import { screwFor } from '../catalogue/fasteners.ts'
import { boxOverlap, type Box } from '../geometry/box.ts'
import { norm, sub, unit, type Axis, type Vec3 } from '../geometry/vec.ts'
import type { UnitSystem } from '../measure/units.ts'
import type { Anchor, Assembly, Bay, Joint, Machining, Part, Stock, Subassembly, Support } from './assembly.ts'
import { partBox } from './part-box.ts'

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
}

/** Two faces this close meet, mm. */
const TOUCH_MM = 0.5

/**
 * A pen for families: puts parts down and records joints, supports and the rest where they really meet.
 * A joint or support between parts that do not touch throws: a mistake of the family, never of a person.
 */
export function draft(system: UnitSystem) {
  const a: Assembly = { parts: [], joints: [], bays: [], supports: [], anchors: [], subassemblies: [], stick: [], shims: [], motions: [] }
  const byId = new Map<string, Part>()
  const boxes = new Map<string, Box>()
  const put = (p: Part): Part => {
    if (byId.has(p.id)) throw new Error(`part ${p.id} twice`)
    byId.set(p.id, p)
    boxes.set(p.id, partBox(p))
    a.parts.push(p)
    return p
  }
  // A joint and the support it makes are recorded one after the other: they meet in the same place.
  let last: { one: string; other: string; box: Box } | null = null
  const meet = (one: string, other: string): Box => {
    if (last && ((last.one === one && last.other === other) || (last.one === other && last.other === one))) return last.box
    const [p, q] = [boxes.get(one), boxes.get(other)]
    const met = p && q && boxOverlap(p, q, TOUCH_MM)
    if (!met) throw new Error(`${one} and ${other} do not meet`)
    last = { one, other, box: met }
    return met
  }
  const centre = (b: Box): Vec3 => [(b.min[0] + b.max[0]) / 2, (b.min[1] + b.max[1]) / 2, (b.min[2] + b.max[2]) / 2]

  return {
    assembly: a,
    box: (id: string): Box => boxes.get(id)!,

    /** A part whose faces are square to the room. */
    square(s: SquarePart): Part {
      return put({
        id: s.id, role: s.role, stock: s.stock,
        size: {
          lengthMm: s.size[INDEX[s.along]],
          widthMm: s.size[INDEX[s.across]],
          thicknessMm: s.size[3 - INDEX[s.along] - INDEX[s.across]],
        },
        at: {
          centre: [s.min[0] + s.size[0] / 2, s.min[1] + s.size[1] / 2, s.min[2] + s.size[2] / 2],
          along: AXES[s.along], across: AXES[s.across],
        },
        grain: s.grain ?? 'length', machining: [], loose: s.loose ?? false, temporary: false,
      })
    },

    /** A part at any angle. */
    strut(s: Strut): Part {
      const along = unit(sub(s.to, s.from))
      const f = s.facing
      const across: Vec3 = [f[1] * along[2] - f[2] * along[1], f[2] * along[0] - f[0] * along[2], f[0] * along[1] - f[1] * along[0]]
      return put({
        id: s.id, role: s.role, stock: s.stock,
        size: { lengthMm: norm(sub(s.to, s.from)), widthMm: s.widthMm, thicknessMm: s.thicknessMm },
        at: { centre: [(s.from[0] + s.to[0]) / 2, (s.from[1] + s.to[1]) / 2, (s.from[2] + s.to[2]) / 2], along, across },
        grain: 'length', machining: s.machining ?? [], loose: false, temporary: false,
      })
    },

    /** Screws through `near` into `far`, sized from the thicknesses they pass. @returns the joint's id */
    screw(near: string, far: string, count: number, into: 'side' | 'end' | 'edge', throughMm: number, intoMm: number): string {
      const id = `j${a.joints.length + 1}`
      const fastener = screwFor(throughMm, intoMm, system).id
      a.joints.push({ id, kind: 'screwed', near, far, at: centre(meet(near, far)), fasteners: [{ fastener, count, into }] })
      return id
    },

    /** A piece standing in a dado of another, two screws through what is left of it into its edge. @returns the joint's id */
    house(inner: string, outer: string, leftMm: number): string {
      const id = `j${a.joints.length + 1}`
      const screw = screwFor(leftMm, 100, system).id
      a.joints.push({ id, kind: 'housed', near: outer, far: inner, at: centre(meet(inner, outer)), fasteners: [{ fastener: screw, count: 2, into: 'edge' }] })
      return id
    },
    machine(id: string, m: Machining) {
      byId.get(id)!.machining.push(m)
    },

    /** Bolts right through both pieces. @returns the joint's id */
    bolt(near: string, far: string, count: number, fastener: string): string {
      const id = `j${a.joints.length + 1}`
      a.joints.push({ id, kind: 'bolted', near, far, at: centre(meet(near, far)), fasteners: [{ fastener, count, into: 'side' }] })
      return id
    },

    /** Records that `from` rests on `on` (a part, or the floor) where they meet. */
    rest(from: string, on: string | 'floor', via: Support['via'] = 'bearing', joint: string | null = null) {
      const b = boxes.get(from)!
      const contact: Box = on === 'floor' ? { min: b.min, max: [b.max[0], b.max[1], b.min[2]] } : meet(from, on)
      a.supports.push({
        id: `s${a.supports.length + 1}`,
        from: { part: from },
        on: on === 'floor' ? { kind: 'floor' } : { kind: 'part', part: on },
        contact, via, joint,
      })
    },

    /** Records a bay, and that its goods rest on its carriers (on the floor when it has none). */
    bay(b: Bay) {
      a.bays.push(b)
      const floor: Box = { min: b.clear.min, max: [b.clear.max[0], b.clear.max[1], b.clear.min[2]] }
      const rests = (on: Support['on'], contact: Box) =>
        a.supports.push({ id: `s${a.supports.length + 1}`, from: { bay: b.id }, on, contact, via: 'bearing', joint: null })
      if (b.carriers.length === 0) rests({ kind: 'floor' }, floor)
      for (const c of b.carriers) {
        const box = boxes.get(c)!
        rests({ kind: 'part', part: c }, { min: [box.min[0], box.min[1], box.max[2]], max: box.max })
      }
    },

    joint(j: Omit<Joint, 'id'>): string {
      const id = `j${a.joints.length + 1}`
      a.joints.push({ id, ...j })
      return id
    },
    anchor(x: Omit<Anchor, 'id'>) {
      a.anchors.push({ id: `a${a.anchors.length + 1}`, ...x })
    },
    sub(s: Subassembly) {
      a.subassemblies.push(s)
    },
    shim(part: string, at: Vec3, heightMm: number) {
      a.shims.push({ id: `w${a.shims.length + 1}`, part, at, heightMm })
    },
    mark(zMm: number, code: string, level: number, parts: string[]) {
      a.stick.push({ zMm, code, level, parts })
    },
  }
}
export type Draft = ReturnType<typeof draft>
