/** What hangs and folds: sold by area. */
export interface Soft {
  id: string
  label: string
  kgPerM2: number
  /** Width of stuff for each width of opening: what folds needs more of it. */
  fullness: number
  source: string
}

const CANVAS = 'plain cotton canvas, 10 oz/sq yd; makers’ tables 300 to 400 g/m²'

export const SOFTS: readonly Soft[] = [
  { id: 'canvas', label: 'canvas curtain', kgPerM2: 0.35, fullness: 1.5, source: CANVAS },
  {
    id: 'mesh',
    label: 'mesh curtain',
    kgPerM2: 0.25,
    fullness: 1.1,
    source: 'polyester dust mesh; makers’ tables 200 to 300 g/m²',
  },
]

export const findSoft = (id: string): Soft | undefined => SOFTS.find((s) => s.id === id)
