import type { GoodsKind } from '../catalogue/containers.ts'

/** What a thing asks for beside a place that holds it. */
export const CARES = ['light', 'dust', 'damp', 'frost', 'heat', 'food', 'liquid', 'aerosol', 'gas', 'charging'] as const
export type Care = (typeof CARES)[number]

/** What burns or gives off what burns. */
export const burns = (care: readonly Care[]): boolean => care.includes('aerosol') || care.includes('gas')

/** Its lid keeps dust, and what gnaws, from what is in it. */
export const hasLid = ({ kind }: { kind: GoodsKind }): boolean => kind === 'tote' || kind === 'pail' || kind === 'drum'
