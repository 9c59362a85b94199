/** Sizes and screws of hinges that come with their own screws. mm, kg. */
export const HINGE = {
  item: 'door hinge',
  massKg: 0.1,
  /** Along the upright, into the opening, and back from its front edge. */
  highMm: 50,
  intoMm: 12,
  backMm: 40,
  /** In the upright, and as many in the leaf. */
  screws: 2,
  screw: { diameterMm: 3.5, threadMm: 13 },
  source: 'usual hinges of light cabinets: two 3.5 x 16 mm screws in each leaf, 3 mm of it in the hinge',
} as const
