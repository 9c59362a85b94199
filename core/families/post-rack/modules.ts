import { roundDown, SAME_LENGTH_MM } from '../../measure/rounding.ts'
import type { Units } from '../../measure/units.ts'

/** The lengths a run is made of: whole modules of a sheet's length, and half ones. */
export interface ModuleSizes {
  fullMm: number
  halfMm: number
}

/**
 * A module is as long as both the sheet and the rails' board give: the sheet's length, or the shortest board that is
 * about as long, less what squaring its end takes off. Halves lose half a kerf more.
 */
export function moduleSizes(
  sheetMm: number,
  boards: { lengthMm: number }[],
  kerfMm: number,
  boardTrimMm: number,
  sheetTrimMm: number,
  units: Units,
): ModuleSizes {
  const usableSheet = sheetMm - 2 * sheetTrimMm
  // A board up to 60 mm shorter than the sheet is "the same length" to a yard.
  const board = [...boards].sort((a, b) => a.lengthMm - b.lengthMm).find((b) => b.lengthMm >= sheetMm - 60)
  const usableBoard = board ? board.lengthMm - boardTrimMm : usableSheet
  const least = Math.min(usableSheet, usableBoard)
  return { fullMm: roundDown(least, units), halfMm: roundDown((least - kerfMm) / 2, units) }
}

/**
 * Whole modules, then a half, as far as `roomMm` goes: a wall of 20 ft is 8 + 8 + 4. A wall shorter than a half is one
 * module.
 */
export function modulesFor(roomMm: number, m: ModuleSizes): number[] {
  const full = Math.floor(roomMm / m.fullMm + 1e-9)
  const out = Array.from({ length: full }, () => m.fullMm)
  if (roomMm - full * m.fullMm >= m.halfMm) out.push(m.halfMm)
  return out.length > 0 ? out : [roomMm]
}

/** What may be left over at the end of a wall, and the shortest module: two posts and something between. mm */
const LEFT_MM = 25
const LEAST_FILLER_MM = 400

/**
 * Modules that leave nothing of a wall over: the usual ones where they come out, else whole ones and a filler of what is
 * left; where that is too short for a module, the last whole one and it are shared out to two alike.
 */
export function modulesToWall(roomMm: number, m: ModuleSizes, units: Units): number[] {
  const usual = modulesFor(roomMm, m)
  if (roomMm - usual.reduce((a, b) => a + b, 0) <= LEFT_MM) return usual
  const whole = usual.filter((mm) => mm === m.fullMm)
  const rest = roundDown(roomMm - whole.length * m.fullMm, units)
  if (rest >= LEAST_FILLER_MM || whole.length === 0) return [...whole, rest]
  const shared = roundDown((m.fullMm + rest) / 2, units)
  return [...whole.slice(1), shared, shared]
}

/**
 * A length someone fixed: whole and half modules where they make it up, else equal ones none longer than a whole one.
 */
export function equalModules(lengthMm: number, m: ModuleSizes, longestMm: number): number[] {
  const usual = modulesFor(lengthMm + SAME_LENGTH_MM, m)
  if (Math.abs(usual.reduce((a, b) => a + b, 0) - lengthMm) <= SAME_LENGTH_MM) return usual
  if (lengthMm <= longestMm) return [lengthMm]
  const n = Math.ceil(lengthMm / m.fullMm - 1e-9)
  return Array.from({ length: n }, () => lengthMm / n)
}
