import { SPRING_WIDE_MM } from '../../catalogue/gas-springs.ts'
import { CURTAIN_RAIL, HINGE } from '../../catalogue/hardware.ts'
import { z } from '../../measure/schema.ts'
import { inches, type UnitSystem } from '../../measure/units.ts'
import { behindSliding, besideSlides, besideSliding, slidingDeep } from './sliding.ts'

/** How openings are closed: not at all, with flat leaves on hinges, or with a curtain. */
export const front = z.enum(['open', 'doors', 'curtain'])
/** The same of what has uprights a panel can be screwed to. */
const panelFront = z.enum([...front.options, 'panel'])
/** The same of what stands in several openings side by side, whose panels slide past each other. */
export const slidingFront = z.enum([...panelFront.options, 'sliding'])
/** The same of a box of sheet, whose leaves may turn up on gas springs too. */
export const boxFront = z.enum([...panelFront.options, 'lift-up'])
/** And of shelves between uprights of sheet. */
const unitFront = z.enum([...slidingFront.options, 'lift-up'])
/** And of cabinets, which may have leaves that are boxes, or leaves on pins inside. */
export const cabinetFront = z.enum([...unitFront.options, 'deep-doors', 'pivots'])
/** And of boxes that stand, which may be full of drawers, or have them at the bottom. */
export const benchFront = z.enum([...boxFront.options, 'drawers'])
export const standingFront = z.enum([...cabinetFront.options, 'drawers'])
export type Front = z.infer<typeof standingFront>
/** What holds leaves shut. */
export const latch = z.enum(['none', 'magnet'])

/** What a thing may stand out of an open front. Product decision. */
const STICK_OUT = inches(1 / 2)
/** What a thing may stand out in front: nothing where something shuts. */
export const standsOut = (f: string): number => (f === 'open' ? STICK_OUT : 0)
/** How far what closes it stands out past what stands there, mm. @param sheetMm thickness of leaves and panels */
export function frontDeep(f: string, sheetMm: number, yard: UnitSystem): number {
  // Faces of drawers are between the uprights.
  if (f === 'open' || f === 'drawers') return 0
  return f === 'curtain' ? CURTAIN_RAIL.sizeMm : f === 'sliding' ? slidingDeep(yard) : sheetMm
}

/** What hinges and springs leave of the width of an opening. */
export function besideHinges<T extends { left: number; right: number }>(f: string, o: T): T {
  const mm = takenByHinges(f) / 2
  return { ...o, left: o.left + mm, right: o.right - mm }
}
/** Clear width that hinges and springs, or panels slid aside, take on both sides together. */
export const takenByHinges = (f: string): number =>
  f === 'sliding'
    ? besideSliding
    : f === 'doors'
      ? 2 * HINGE.intoMm
      : f === 'lift-up'
        ? 2 * (SPRING_WIDE_MM + SPRING_PLAY_MM)
        : 0
/** Beside a spring, mm: it turns as it goes out. Product decision. */
const SPRING_PLAY_MM = 5
/** What hinges under the panel over an opening leave less of its height. */
export const underHinges = (f: string): number => (f === 'lift-up' ? HINGE.intoMm : 0)

/** Where things stand across a box: what hinges leave of each opening, or each half of it behind panels that slide in it. */
export const placesInBox = <T extends { left: number; right: number }>(f: string, openings: readonly T[]) =>
  openings.flatMap((o) => (f === 'sliding' ? behindSliding(o) : [besideHinges(f, { left: o.left, right: o.right })]))
/** Clear width of an opening of a box for something so wide with its play, mm. */
export const clearInBox = (f: string, mm: number): number =>
  f === 'sliding' ? besideSlides(mm) : mm + takenByHinges(f)
