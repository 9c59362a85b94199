/** Ways in which builds keep things. */
export const WAY_CODES = [
  'rim-rails',
  'on-shelf',
  'under-shelf',
  'own-bay',
  'on-floor',
  'closed',
  'high',
  'under-ceiling',
  'own-holder',
  'on-hook',
  'on-arms',
  'along-ceiling',
  'below-arms',
  'in-well',
  'under-bench',
  'in-store',
  'in-drawer',
  'in-slot',
  'by-its-bar',
  'by-its-wheel',
] as const
export type WayCode = (typeof WAY_CODES)[number]
