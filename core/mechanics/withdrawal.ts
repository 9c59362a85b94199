import { inches, N_PER_LBF } from '../measure/units.ts'

/**
 * Withdrawal of a wood screw from side grain, allowable-stress method: W = 2850·G²·D lb per inch of thread, times CD.
 * NDS 2018 equation 12.2-2. End grain holds nothing that counts (12.2.2.3).
 * @returns N for one screw
 */
export const screwWithdrawal = (g: number, diameterMm: number, threadMm: number, cd: number): number =>
  2850 * g * g * (diameterMm / inches(1)) * (threadMm / inches(1)) * cd * N_PER_LBF
