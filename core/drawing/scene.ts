import type { StickMark } from '../assembly/assembly.ts'
import type { Point } from '../geometry/hull.ts'

/** How a thing is drawn; the renderer gives it line weight, fill and hatch. */
export type Ink =
  | 'board'
  | 'sheet'
  | 'cut-board'
  | 'cut-sheet'
  /** Masonry or a slab, cut through. */
  | 'cut-ground'
  | 'goods'
  | 'person'
  | 'floor'
  | 'wall'
  | 'fitting'
  | 'leaf'
  | 'work'
  /** What is marked on wall or ceiling. */
  | 'chalk'

export type Mark =
  | { kind: 'outline'; points: Point[]; ink: Ink; part?: string; goods?: string }
  /** A face of a solid in space, painted over what was painted before it; its edges are marks of their own. */
  | {
      kind: 'face'
      points: Point[]
      ink: Ink
      tone: 'top' | 'front' | 'side'
      /** The way its grain runs on the page, radians to the left from the right; `end`: one looks at end grain. */
      grain?: number | 'end'
      part?: string
      goods?: string
    }
  /** What is seen of an edge in space, or what is hidden of one that is looked for. */
  | { kind: 'edge'; from: Point; to: Point; ink: Ink; part?: string; hidden?: true }
  | { kind: 'line'; from: Point; to: Point; ink: Ink; part?: string }
  /** A dimension line between two points, drawn `offsetMm` to the left of the way from one to the other. */
  | { kind: 'dimension'; from: Point; to: Point; offsetMm: number; mm: number; path?: string }
  /** What is set out from one end: places along a level line, each told from `fromMm`. */
  | { kind: 'running'; fromMm: number; atMm: number; stops: readonly number[] }
  /** Fasteners: how many go in along an arrow, of each joint. */
  | { kind: 'arrow'; from: Point; to: Point; text: string; part: string }
  /** The story stick, standing on the floor line or at the lower ends of what hangs. */
  | { kind: 'stick'; atMm: number; footMm: number; topMm: number; marks: readonly StickMark[] }
  /** A label of a part, at its middle. */
  | { kind: 'label'; at: Point; text: string; part: string; upright: boolean }

/** A drawing in mm; first coordinate to the right, second up. */
export interface Scene {
  marks: Mark[]
  /** What it covers, dimension lines included: left, bottom, right, top. */
  bounds: [number, number, number, number]
}
