/** What a thing asks for beside a place that holds it. */
export const CARES = ['light', 'dust', 'damp', 'frost', 'heat', 'food', 'liquid', 'aerosol', 'gas', 'charging'] as const
export type Care = (typeof CARES)[number]

/** What burns or gives off what burns. */
export const burns = (care: readonly Care[]): boolean => care.includes('aerosol') || care.includes('gas')
