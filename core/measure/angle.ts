import { bad, good, type Result } from './result.ts'

export const degrees = (rad: number): number => (rad * 180) / Math.PI
export const radians = (deg: number): number => (deg * Math.PI) / 180

/** Reads an angle in degrees: `88.7`, `88,7°`. @returns radians, above 0 and below a full turn */
export function parseAngle(text: string): Result<number> {
  const t = text
    .trim()
    .replace(/\s*(°|deg(rees)?)$/i, '')
    .replace(',', '.')
  if (t === '') return bad('empty')
  const n = /^\d{1,3}(\.\d{1,4})?$/.test(t) ? Number(t) : NaN
  return n > 0 && n < 360 ? good(radians(n)) : bad('not-an-angle', { text })
}

/** An angle in degrees, to the hundredth. */
export const angleText = (rad: number): string => String(Math.round(degrees(rad) * 100) / 100)
