import { inches, N_PER_LBF } from '../measure/units.ts'

const inch = (mm: number) => mm / inches(1)

/**
 * Withdrawal of a wood screw from side grain, allowable-stress method: W = 2850·G²·D lb per inch of thread, times CD.
 * NDS 2018 equation 12.2-2. End grain holds nothing that counts (12.2.2.3).
 * @returns N for one screw
 */
export const screwWithdrawal = (g: number, diameterMm: number, threadMm: number, cd: number): number =>
  2850 * g * g * inch(diameterMm) * inch(threadMm) * cd * N_PER_LBF

/**
 * Withdrawal of a lag screw: W = 1800·G^1.5·D^0.75 lb per inch of thread. NDS 2018 equation 12.2-1; end grain × 0.75.
 * @returns N
 */
export const lagWithdrawal = (g: number, diameterMm: number, threadMm: number, cd: number, endGrain = false): number =>
  1800 * g ** 1.5 * inch(diameterMm) ** 0.75 * inch(threadMm) * cd * (endGrain ? 0.75 : 1) * N_PER_LBF

/** Withdrawal of a smooth nail from side grain: W = 1380·G^2.5·D lb per inch. NDS 2018 equation 12.2-3. @returns N */
export const nailWithdrawal = (g: number, diameterMm: number, penetrationMm: number, cd: number): number =>
  1380 * g ** 2.5 * inch(diameterMm) * inch(penetrationMm) * cd * N_PER_LBF

/**
 * Characteristic withdrawal of a screw of 6 mm and more at right angles to the grain: EN 1995-1-1 equations 8.38 to
 * 8.40, fax = 0.52·d^-0.5·lef^-0.1·ρk^0.8, F = nef·fax·d·lef·kd. @returns N for one screw (nef = 1)
 */
export const screwWithdrawalEc5 = (rhoK: number, diameterMm: number, threadMm: number): number =>
  // lef^-0.1 · lef: without a thread in the wood it is nothing, not no number.
  0.52 * diameterMm ** 0.5 * threadMm ** 0.9 * rhoK ** 0.8 * Math.min(diameterMm / 8, 1)

/**
 * Head of a screw pulled through the piece it holds: W_H = 690·π·D_H·G²·t lb for t up to 2.5 D_H, 1725·π·D_H²·G²
 * beyond. NDS 2018 equations 12.2-6a and b. @param headMm diameter of the head, @param thicknessMm of the piece under
 * it @returns N for one screw
 */
export const headPullThrough = (g: number, headMm: number, thicknessMm: number, cd: number): number =>
  690 * Math.PI * inch(headMm) * g * g * Math.min(inch(thicknessMm), 2.5 * inch(headMm)) * cd * N_PER_LBF

/** Several fasteners pulled together: n^0.9 count. EN 1995-1-1 8.7.2(8). */
export const pulledTogether = (n: number): number => n ** 0.9
