import { embedment } from './dowel.ts'
import { screwWithdrawal } from './withdrawal.ts'

/*
 * Screws of a hinge in the face of a sheet or a board: pulled out of it along themselves, and pushed across by a thin
 * plate of steel.
 */

/** Withdrawal is counted under a permanent load: NDS 2018 table 2.3.2. */
const PERMANENT = 0.9
/**
 * What is left of a characteristic value for long loads, over its partial and load factors, in either method. Product
 * decision: a third.
 */
const LONG_SHARE = 1 / 3

/**
 * One screw pulled out, N. @param g specific gravity @param share of what solid wood gives: fibre and particle boards
 * less
 */
export const hingePull = (g: number, diameterMm: number, threadMm: number, share: number): number =>
  share * screwWithdrawal(g, diameterMm, threadMm, PERMANENT)

/**
 * One screw pushed across by a thin steel plate, N: the wood crushed along its thread, 0.4·fh·t·d, EN 1995-1-1 equation
 * 8.9.
 */
export const hingeShear = (rhoK: number, diameterMm: number, threadMm: number): number =>
  LONG_SHARE * 0.4 * embedment(rhoK, diameterMm, false) * threadMm * diameterMm
