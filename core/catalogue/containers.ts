import { inches, pounds, type UnitSystem } from '../measure/units.ts'

export const GOODS_KINDS = [
  'tote',
  'pail',
  'drum',
  'box',
  'bag',
  'tool',
  'board',
  'sheet',
  'equipment',
  'bicycle',
  'other',
] as const
export type GoodsKind = (typeof GOODS_KINDS)[number]

/** What a preset fills in. All lengths mm, mass kg of one, full. */
export interface ContainerPreset {
  id: string
  label: string
  system: UnitSystem
  kind: GoodsKind
  acrossMm: number
  deepMm: number
  tallMm: number
  massKg: number
  /** Totes: lid top to the underside of the rim. */
  rimMm?: number
  /** What it is sold as taking, litres; null where it is sold by its size. */
  litres: number | null
  /** Totes: how far the lid stands out past the body just below the rim, each side. */
  overhangMm?: number
  /** Totes: how much narrower the body is at its base than just below the rim, each side. */
  taperMm?: number
}

/** The US gallon is 231 cubic inches, litres. */
export const GALLON = 231 * 0.0254 ** 3 * 1000
/** What its name says that one takes, litres. */
function saidLitres(label: string): number | null {
  const said = /^(\d+)-(gallon|litre) /.exec(label)
  return said && Number(said[1]) * (said[2] === 'gallon' ? GALLON : 1)
}

const inch = (
  id: string,
  label: string,
  kind: GoodsKind,
  a: number,
  d: number,
  t: number,
  lb: number,
  tote?: [number, number, number],
): ContainerPreset => ({
  id,
  label,
  kind,
  system: 'imperial',
  acrossMm: inches(a),
  deepMm: inches(d),
  tallMm: inches(t),
  massKg: pounds(lb),
  litres: saidLitres(label),
  ...(tote ? { rimMm: inches(tote[0]), overhangMm: inches(tote[1]), taperMm: inches(tote[2]) } : {}),
})
const metric = (
  id: string,
  label: string,
  kind: GoodsKind,
  a: number,
  d: number,
  t: number,
  kg: number,
  tote?: [number, number, number],
): ContainerPreset => ({
  id,
  label,
  kind,
  system: 'metric',
  acrossMm: a,
  deepMm: d,
  tallMm: t,
  massKg: kg,
  litres: saidLitres(label),
  ...(tote ? { rimMm: tote[0], overhangMm: tote[1], taperMm: tote[2] } : {}),
})

/**
 * Generic sizes to start from; what stands in the garage should be measured. Sizes indicative, masses as usually
 * filled.
 */
export const CONTAINERS: readonly ContainerPreset[] = [
  inch('tote-10', '10-gallon tote', 'tote', 16.5, 24, 9.5, 25, [1.25, 1.5, 0.75]),
  inch('tote-17', '17-gallon tote', 'tote', 18, 26.75, 12.5, 35, [1.5, 1.625, 1]),
  inch('tote-27', '27-gallon tote', 'tote', 20, 29.25, 15, 50, [1.625, 1.75, 1]),
  inch('pail-5', '5-gallon pail', 'pail', 12, 12, 14.5, 45),
  inch('drum-30', '30-gallon drum', 'drum', 19.5, 19.5, 29, 280),
  inch('drum-55', '55-gallon drum', 'drum', 23.5, 23.5, 34.5, 480),
  inch('carton', 'Carton', 'box', 12, 16, 12, 20),
  metric('box-30l', '30-litre box with lid', 'tote', 300, 400, 320, 14, [40, 34, 12]),
  metric('box-45l', '45-litre box with lid', 'tote', 400, 600, 250, 18, [42, 40, 15]),
  metric('box-60l', '60-litre box with lid', 'tote', 400, 600, 340, 24, [42, 40, 18]),
  metric('pail-10l', '10-litre pail', 'pail', 270, 270, 270, 13),
  metric('drum-60l', '60-litre drum', 'drum', 400, 400, 620, 72),
  metric('bag-12', '12.5 kg bag', 'bag', 250, 400, 110, 12.5),
  metric('carton-m', 'Carton', 'box', 300, 400, 300, 9),
]

/**
 * Proportions assumed for a tote nobody has measured closely; shown as assumed. Of lid width and of height; indicative.
 */
export const TOTE_GUESS = { rimOfHeight: 0.11, overhangOfWidth: 0.085, taperOfWidth: 0.045 } as const
