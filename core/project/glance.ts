import { partBoxes } from '../assembly/part-box.ts'
import { settled } from '../assembly/temporary.ts'
import { planDrawing } from '../drawing/unroll.ts'
import { findFamily, isHung } from '../families/registry.ts'
import type { Point } from '../geometry/hull.ts'
import { priceBook, contextOf, roomPlan, shapeInPlace } from './read-build.ts'
import { frameInRoom } from './room-checks.ts'
import type { Project } from './project.ts'
import { upgradedProject } from './upgrade.ts'

/** A room from above with what stands in it, map coordinates, mm: shaped, and judged by nobody. */
export interface Glance {
  corners: Point[]
  closed: boolean
  /** Doors that swing into it, and what stands on its floor or walls. */
  leaves: Point[][]
  things: Point[][]
  builds: { foot: Point[]; hung: boolean }[]
  bounds: [number, number, number, number]
}

/** A project as its room, for whoever looks over several of them. What cannot be shaped is left out. */
export function glanceAt(stored: Project): Glance {
  const p = upgradedProject(stored)
  const { outline } = roomPlan(p.room)
  const prices = priceBook(p)
  const placed = p.builds.flatMap((build) => {
    const family = findFamily(build.family)
    const ctx = family && contextOf(p, build, prices, [])
    const shaped = ctx && shapeInPlace(family, build, ctx)
    if (!shaped?.ok) return []
    const { built } = settled(shaped.value.assembly)
    const boxes = partBoxes(built)
    const frame = frameInRoom(outline, { build, boxes, shaped: { ...shaped.value, assembly: built }, liftMm: 0 })
    return frame ? [{ id: build.id, name: build.name, frame, assembly: built, boxes }] : []
  })
  const d = planDrawing(p.room, outline, placed)
  const hung = new Set(p.builds.filter(isHung).map((b) => b.id))
  return {
    corners: d.corners,
    closed: d.closed,
    leaves: d.things.flatMap((t) => (t.leaf ? [t.leaf] : [])),
    things: d.things.map((t) => t.foot),
    builds: d.builds.map((b) => ({ foot: b.foot, hung: hung.has(b.id) })),
    bounds: d.bounds,
  }
}
