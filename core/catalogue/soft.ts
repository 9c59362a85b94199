import { byId } from './by-id.ts'
import type { UnitSystem } from '../measure/units.ts'

/** What hangs and folds: sold by area. */
export interface Soft {
  id: string
  label: string
  kgPerM2: number
  /** Width of stuff for each width of opening: what folds needs more of it. */
  fullness: number
  source: string
  /** A square metre of it, minor units: made up for the demo yard. */
  minorPerM2: number
}

const CANVAS = 'plain cotton canvas, 10 oz/sq yd; makers’ tables 300 to 400 g/m²'

export const SOFTS: readonly Soft[] = [
  { id: 'canvas', label: 'canvas curtain', kgPerM2: 0.35, fullness: 1.5, source: CANVAS, minorPerM2: 780 },
  {
    id: 'mesh',
    label: 'mesh curtain',
    kgPerM2: 0.25,
    fullness: 1.1,
    source: 'polyester dust mesh; makers’ tables 200 to 300 g/m²',
    minorPerM2: 520,
  },
]

export const findSoft: (id: string) => Soft | undefined = byId(SOFTS)

/** What it is sold by: an area, and what that is called. */
export const SOFT_UNIT: Record<UnitSystem, { m2: number; name: string }> = {
  metric: { m2: 1, name: 'm²' },
  imperial: { m2: (36 * 0.0254) ** 2, name: 'sq yd' },
}
export const softLabel = (s: Soft, system: UnitSystem): string => `${s.label}, ${SOFT_UNIT[system].name}`
