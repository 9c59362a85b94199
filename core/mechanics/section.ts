/** Properties of a solid rectangle; depth is in the direction of bending. */
export const secondMoment = (breadthMm: number, depthMm: number): number => (breadthMm * depthMm ** 3) / 12
export const sectionModulus = (breadthMm: number, depthMm: number): number => (breadthMm * depthMm ** 2) / 6
export const gyration = (depthMm: number): number => depthMm / Math.sqrt(12)
