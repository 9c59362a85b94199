import {
  formatArea,
  formatDrill,
  formatForce,
  formatLength,
  formatMass,
  formatMoment,
  formatSag,
  formatSpread,
  formatStress,
} from '../measure/format.ts'
import { MOMENT_PER_LB_IN_FT, EI_PER_LB_IN2_FT, type Units } from '../measure/units.ts'

export type Data = Record<string, number | string>

/** How numbers are said in a project's units. */
export interface Say {
  units: Units
  length(mm: number): string
  sag(mm: number): string
  /** A drill as it is sold. */
  drill(mm: number): string
  mass(kg: number): string
  force(n: number): string
  stress(mpa: number): string
  moment(nmm: number): string
  /** A load spread over a floor or a ceiling, given in kN/m². */
  spread(knM2: number): string
  /** A surface given in mm². */
  area(mm2: number): string
  /** A temperature given in °C. */
  celsius(c: number): string
  number(n: number): string
  percent(share: number): string
  /** A value of a finding's data as a length, mass or plain text. */
  lengthOf(data: Data, key: string): string
}

export function sayIn(units: Units): Say {
  const length = (mm: number) => formatLength(mm, units)
  return {
    units,
    length,
    sag: (mm) => formatSag(mm, units),
    drill: (mm) => formatDrill(mm, units),
    mass: (kg) => formatMass(kg, units),
    force: (n) => formatForce(n, units),
    stress: (mpa) => formatStress(mpa, units),
    moment: (nmm) => formatMoment(nmm, units),
    spread: (knM2) => formatSpread(knM2, units),
    area: (mm2) => formatArea(mm2, units),
    celsius: (c) => (units.system === 'imperial' ? `${Math.round(32 + c * 1.8)} °F` : `${c} °C`),
    number: (n) => (Math.abs(n) >= 1000 ? Math.round(n).toLocaleString('en-US') : String(Math.round(n * 100) / 100)),
    percent: (share) => `${Math.round(share * 100)} %`,
    lengthOf: (data, key) => length(Number(data[key] ?? NaN)),
  }
}

/** What an anchor is rated for: in newtons too, as the field asks for it. */
export const sayRating = (n: number, say: Say): string =>
  say.units.system === 'imperial' ? `${say.force(n)} (${say.number(n)} N)` : say.force(n)

/** Stiffness and moment of panels per width, as the units' trade lists them. */
export const perWidth = (v: number, quantity: 'moment-per-width' | 'stiffness', units: Units): string => {
  const imperial = units.system === 'imperial'
  if (quantity === 'stiffness')
    return imperial
      ? `${Math.round(v / EI_PER_LB_IN2_FT).toLocaleString('en-US')} lb·in²/ft`
      : `${(v / 1e6).toFixed(2)} kN·m²/m`
  return imperial ? `${Math.round(v / MOMENT_PER_LB_IN_FT)} lb·in/ft` : `${Math.round(v)} N·m/m`
}

export const plural = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
/** "a", "a and b", "a, b and c". */
export const listed = (all: readonly string[]): string =>
  all.length < 2 ? (all[0] ?? '') : `${all.slice(0, -1).join(', ')} and ${all[all.length - 1]}`
