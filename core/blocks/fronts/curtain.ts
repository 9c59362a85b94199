import type { Draft } from '../../assembly/draft.ts'
import { CURTAIN_RAIL } from '../../catalogue/hardware.ts'
import type { Vec3 } from '../../geometry/vec.ts'

/** A curtain over a front: a rail on the front edges of uprights, and the curtain hung from it. */
export interface Curtain {
  id: string
  left: number
  right: number
  frontMm: number
  headMm: number
  footMm: number
  /** Uprights the rail is screwed to; those inside and both ends. */
  on: readonly string[]
}

/** Curtains stop this far above the floor, mm. */
const OVER_FLOOR_MM = 15
/** Of cloth, as it is drawn, mm. */
const THICK_MM = 2
const UP: Vec3 = [0, 0, 1]

export function hangCurtain(d: Draft, c: Curtain): string[] {
  const { sizeMm, kgPerM, item, ratedN } = CURTAIN_RAIL
  const [rail, cloth] = [`${c.id}-rail`, `${c.id}-cloth`]
  const long = c.right - c.left
  d.square({
    id: rail,
    role: 'hardware',
    stock: { kind: 'bought', item, massKg: (kgPerM * long) / 1000, ratedN },
    min: [c.left, c.frontMm, c.headMm - sizeMm],
    size: [long, sizeMm, sizeMm],
    along: 'x',
    across: 'z',
  })
  for (const upright of c.on) {
    d.joint({ kind: 'hung', near: rail, far: upright, fasteners: [] })
    d.hold({ from: { part: rail }, on: { kind: 'part', part: upright }, push: UP, way: 'both', via: 'hanging' })
  }
  const foot = Math.max(c.footMm, OVER_FLOOR_MM)
  d.square({
    id: cloth,
    role: 'door',
    stock: { kind: 'soft', soft: 'canvas' },
    min: [c.left, c.frontMm + (sizeMm - THICK_MM) / 2, foot],
    size: [long, THICK_MM, c.headMm - sizeMm - foot],
    along: 'z',
    across: 'x',
  })
  d.joint({ kind: 'hung', near: cloth, far: rail, fasteners: [] })
  d.hold({ from: { part: cloth }, on: { kind: 'part', part: rail }, push: UP, way: 'pull', via: 'hanging' })
  return [rail, cloth]
}
