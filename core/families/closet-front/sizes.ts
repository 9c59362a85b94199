import { besideHinges, underHinges } from '../../blocks/fronts/front.ts'
import type { Section } from '../../catalogue/lumber.ts'
import type { Sheet } from '../../catalogue/sheets.ts'
import type { Opening } from '../house-on-shelves.ts'
import type { DrawerMake } from '../in-drawers.ts'
import { isFramed, type ClosetFrontParams } from './parameters.ts'
import type { Wall } from './walls.ts'

/*
 * What a closet is made of and how wide its bays are, which all of its other measures follow.
 */

export interface Sizes {
  sheet: Sheet
  back: Sheet
  skin: Sheet
  post: Section
  cleat: Section
  /** The boards of a face frame; null where the edges show. */
  face: Section | null
  t: number
  nailer: Section
  tied: boolean
  sideMm: number
  aboveMm: number
}

export interface Across {
  walls: Wall[]
  openings: Opening[]
  /** What of each is open in front: between the stiles where there are any. */
  faces: Opening[]
  depthMm: number
  /** Width of the strips at both ends; nought where there are none. */
  fillerMm: number
  /** How drawers are made; null where there are none. */
  make: DrawerMake | null
}

/** What of an opening fittings of its front take: the most of what is on it. */
export const fittingsOf = (p: ClosetFrontParams): string =>
  p.front === 'both' ? 'lift-up' : p.front === 'drawers' ? 'doors' : p.front
/** How far cleats reach down under the panel they carry. */
export const cleatHigh = (p: ClosetFrontParams, s: Pick<Sizes, 'cleat'>): number => (isFramed(p) ? s.cleat.widthMm : 0)
/** Where things stand of an opening: beside stiles, fittings and cleats. */
export function usable(
  p: ClosetFrontParams,
  s: Pick<Sizes, 'cleat'> & Pick<Across, 'openings' | 'faces'>,
  k: number,
): Opening {
  const o = s.openings[k]
  const beside = besideHinges(fittingsOf(p), s.faces[k])
  const cleat = isFramed(p) ? s.cleat.thicknessMm : 0
  return { left: Math.max(beside.left, o.left + cleat), right: Math.min(beside.right, o.right - cleat) }
}

/** What hinges under panels leave less over things. */
export const lessAbove = (p: ClosetFrontParams): number => underHinges(fittingsOf(p))
