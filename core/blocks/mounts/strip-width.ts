import { unitsOf, type Settings } from '../../assembly/settings.ts'
import type { Section } from '../../catalogue/lumber.ts'
import { roundDown } from '../../measure/rounding.ts'
import { BEVEL_RAD } from './hung-on-wall.ts'

/** Two strips from one board by one cut at a slant, or a board for each. */
export const STRIP_RIPS = ['ripped', 'whole'] as const

/** Width of a strip over its toe, mm: half a board and half of what one cut at a slant shares, or the whole of it. */
export function stripWidth(
  { widthMm, thicknessMm }: Pick<Section, 'widthMm' | 'thicknessMm'>,
  rip: (typeof STRIP_RIPS)[number],
  settings: Settings,
): number {
  if (rip === 'whole') return widthMm
  const shared = thicknessMm * Math.tan(BEVEL_RAD) - settings.kerfMm / Math.cos(BEVEL_RAD)
  return roundDown((widthMm + shared) / 2, unitsOf(settings))
}
