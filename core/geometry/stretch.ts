/** From where to where along an axis of the build something may stand, and how far apart two of it must be, mm. */
export interface Stretch {
  axis: number
  from: number
  to: number
  apartMm: number
}
