/**
 * Greatest pressure along the bottom of a blind hole on the line of an arm in it, N/mm: pressure that changes evenly
 * along the hole has, from what acts a sixth of it from each end, q = (A + B)/L + 3·(A − B)·(2/3)/L at its mouth.
 * Statics of a linear distribution: q = R/L + 6·M/L², R what both come to and M their moment about the middle.
 * @param mouthN up near the mouth, @param bottomN up near the bottom (less than nought where it presses down), N
 */
export function pressureInHole(mouthN: number, bottomN: number, depthMm: number): number {
  const net = mouthN + bottomN
  const moment = ((mouthN - bottomN) * depthMm) / 3
  return Math.abs(net) / depthMm + (6 * Math.abs(moment)) / depthMm ** 2
}
