import { roundLength } from './rounding.ts'
import {
  GRAVITY,
  KG_PER_LB,
  KN_M2_PER_PSF,
  MM_PER_FOOT,
  MM_PER_INCH,
  MPA_PER_PSI,
  N_PER_LBF,
  stepMm,
  type Units,
} from './units.ts'

const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b))

/** `n` fractions of an inch as `16 1/2` (no unit mark). */
function inchText(parts: number, fraction: number): string {
  const whole = Math.floor(parts / fraction)
  const rest = parts % fraction
  if (rest === 0) return String(whole)
  const d = divisor(rest, fraction)
  return `${whole > 0 ? `${whole} ` : ''}${rest / d}/${fraction / d}`
}

export interface LengthStyle {
  /** Feet and inches (`5' 7 1/4"`) in place of inches alone. Ignored in metric. */
  feet?: boolean
  /** Leave the unit mark off. */
  bare?: boolean
}

/** A length as a builder reads it, to the project's fraction or to the millimetre: `16 1/2"`, `419 mm`. */
export function formatLength(mm: number, units: Units, style: LengthStyle = {}): string {
  if (!Number.isFinite(mm)) return '?'
  const sign = mm < 0 ? '-' : ''
  const size = Math.abs(mm)
  if (units.system === 'metric') {
    const rounded = size < 100 ? Math.round(size * 10) / 10 : Math.round(size)
    const text = Number.isInteger(rounded) ? String(rounded) : rounded.toFixed(1)
    return `${text === '0' ? '' : sign}${text}${style.bare ? '' : ' mm'}`
  }
  const parts = Math.round(roundLength(size, stepMm(units), 'nearest').mm / stepMm(units))
  const shownSign = parts === 0 ? '' : sign
  const perFoot = 12 * units.fraction
  if (style.feet && parts >= perFoot) {
    const ft = Math.floor(parts / perFoot)
    const rest = parts % perFoot
    return `${shownSign}${ft}'${rest === 0 ? '' : ` ${inchText(rest, units.fraction)}"`}`
  }
  return `${shownSign}${inchText(parts, units.fraction)}${style.bare ? '' : '"'}`
}

/** A text that `parseLength` reads back to within half the project's step. */
export const lengthForField = (mm: number, units: Units): string => formatLength(mm, units, { bare: true })

const significant = (n: number): string => {
  const size = Math.abs(n)
  if (size !== 0 && size < 0.1) return n.toPrecision(2)
  return size < 10 ? String(Math.round(n * 10) / 10) : Math.round(n).toLocaleString('en-US')
}

export const formatMass = (kg: number, units: Units): string =>
  units.system === 'imperial' ? `${significant(kg / KG_PER_LB)} lb` : `${significant(kg)} kg`

/** A force, shown as the weight people feel: lb in imperial, N (and the mass it is the weight of) in metric. */
export const formatForce = (n: number, units: Units): string =>
  units.system === 'imperial'
    ? `${significant(n / N_PER_LBF)} lb`
    : `${significant(n)} N (${significant(n / GRAVITY)} kg)`

export const formatStress = (mpa: number, units: Units): string =>
  units.system === 'imperial' ? `${significant(mpa / MPA_PER_PSI)} psi` : `${mpa.toFixed(2)} MPa`

/** A load spread over a floor or a ceiling. @param knM2 kN/m² */
export const formatSpread = (knM2: number, units: Units): string =>
  units.system === 'imperial' ? `${significant(knM2 / KN_M2_PER_PSF)} psf` : `${Math.round(knM2 * 100) / 100} kN/m²`

export const formatMoment = (nmm: number, units: Units): string =>
  units.system === 'imperial' ? `${significant(nmm / N_PER_LBF / MM_PER_FOOT)} ft·lb` : `${significant(nmm / 1000)} N·m`

/**
 * Small lengths such as sag, finer than a tape shows: tenths of a millimetre, or hundredths of an inch below 1/8 in.
 */
export function formatSag(mm: number, units: Units): string {
  if (units.system === 'metric') return `${Math.abs(mm) < 10 ? mm.toFixed(1) : Math.round(mm)} mm`
  const inch = mm / MM_PER_INCH
  return Math.abs(inch) < 0.125 ? `${inch.toFixed(3)}"` : formatLength(mm, { ...units, fraction: 32 })
}

/** A drill as it is sold: the nearest 1/64 in, or half millimetre. */
export const formatDrill = (mm: number, units: Units): string =>
  units.system === 'imperial'
    ? `${inchText(Math.max(1, Math.round((mm / MM_PER_INCH) * 64)), 64)}"`
    : `${Math.max(0.5, Math.round(mm * 2) / 2)} mm`

export const formatArea = (mm2: number, units: Units): string =>
  units.system === 'imperial' ? `${significant(mm2 / MM_PER_FOOT ** 2)} sq ft` : `${significant(mm2 / 1e6)} m²`

/** Cross-sections and contacts: in² or mm². */
export const formatSmallArea = (mm2: number, units: Units): string =>
  units.system === 'imperial'
    ? `${significant(mm2 / MM_PER_INCH ** 2)} in²`
    : `${Math.round(mm2).toLocaleString('en-US')} mm²`

/** Second moment of area: in⁴ or cm⁴. */
export const formatSecondMoment = (mm4: number, units: Units): string =>
  units.system === 'imperial' ? `${significant(mm4 / MM_PER_INCH ** 4)} in⁴` : `${significant(mm4 / 1e4)} cm⁴`

export const formatVolume = (mm3: number, units: Units): string =>
  units.system === 'imperial' ? `${significant(mm3 / MM_PER_FOOT ** 3)} cu ft` : `${significant(mm3 / 1e9)} m³`
