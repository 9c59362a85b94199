import type { Stock } from '../../assembly/assembly.ts'
import type { Draft } from '../../assembly/draft.ts'
import { capOn, setInHole, TILT_RAD, type InHole } from './in-hole.ts'

/** How thick an arm is, how deep its hole, and how far it reaches out from the face of its upright. */
export interface ArmSize {
  diameterMm: number
  depthMm: number
  outMm: number
}
/** Wood left behind a hole, and beside it, mm. Product decisions. */
export const BEHIND_MM = 12
export const BESIDE_MM = 10

/** How far above the middle of its hole the upper side of an arm is, so far out from its upright, mm. */
export const armTopMm = (outMm: number, diameterMm: number): number =>
  outMm * Math.tan(TILT_RAD) + diameterMm / 2 / Math.cos(TILT_RAD)

/** Sets an arm into its hole; the end of a dowel is rounded, that of a tube is closed. @returns its id */
export function placeArm(
  d: Draft,
  stock: Stock,
  { diameterMm, depthMm, outMm }: ArmSize,
  at: Pick<InHole, 'id' | 'into' | 'x' | 'z' | 'faceMm'>,
): string {
  const spec: InHole = { ...at, role: 'arm', stock, diameterMm, depthMm, outMm, tiltRad: TILT_RAD }
  setInHole(d, spec)
  const caps = stock.kind === 'steel' ? [capOn(d, spec)] : []
  d.sub({ id: `set-${at.id}`, name: 'unit', parts: [at.id, ...caps], built: 'in-place' })
  return at.id
}
