/** From where one looks. */
export const LOOKS = ['corner', 'front', 'side', 'above', 'eye'] as const
export type Look = (typeof LOOKS)[number]

/** How a thing is shown among the others. */
export const STATE = { plain: 0, pale: 1, chosen: 2 } as const
