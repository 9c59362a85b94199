import type { GoodsKind } from '../catalogue/containers.ts'

/** What a thing asks for beside a place that holds it. */
export const CARES = ['light', 'dust', 'damp', 'frost', 'heat', 'food', 'liquid', 'aerosol', 'gas', 'charging'] as const
export type Care = (typeof CARES)[number]

/** What burns or gives off what burns. */
export const burns = (care: readonly Care[]): boolean => care.includes('aerosol') || care.includes('gas')

/** What runs out of it where it is tipped over or leaks, and burns or hurts: it is kept low. */
export const runsOut = (care: readonly Care[]): boolean => burns(care) || care.includes('liquid')

/** Its lid keeps dust, and what gnaws, from what is in it. */
export const hasLid = ({ kind }: { kind: GoodsKind }): boolean => kind === 'tote' || kind === 'pail' || kind === 'drum'

/** Whether it is spoilt in the open: a lid is a cover of its own, but for light. */
export const wantsCover = (g: { kind: GoodsKind; care: readonly Care[] }): boolean =>
  g.care.some((c) => c === 'light' || (!hasLid(g) && (c === 'dust' || c === 'food')))
