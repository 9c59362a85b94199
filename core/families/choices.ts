import type { Choice } from './family.ts'
import type { UnitSystem } from '../measure/units.ts'

type Value = Choice['value']

/** Writes choices down by their path: what stands chosen is read from the parameters. */
export function choicePen<P extends object>(p: P) {
  const of =
    (kind: Choice['of']) =>
    (path: keyof P & string, code: string, options: readonly Value[]): Choice => ({
      path,
      code,
      value: p[path] as Value,
      options: [...options],
      of: kind,
    })
  return { section: of('section'), sheet: of('sheet'), coded: of('code') }
}

/** Sheets that boxes that stand are made of, by how thick they are. */
export const BOX_SHEETS: Record<UnitSystem, readonly string[]> = {
  imperial: ['ply-19/32', 'ply-23/32', 'mdf-3/4'],
  metric: ['ply-15mm', 'ply-18mm', 'mdf-18mm'],
}
/** Sheets of worktops. */
export const TOP_SHEETS: Record<UnitSystem, readonly string[]> = {
  imperial: ['ply-19/32', 'ply-23/32', 'mdf-3/4', 'lc-3/4'],
  metric: ['ply-15mm', 'ply-18mm', 'ply-21mm', 'mdf-18mm', 'lc-18mm'],
}
/** Sheets of what runs or stands in a groove: bottoms, dividers. */
export const GROOVE_SHEETS: Record<UnitSystem, readonly string[]> = {
  imperial: ['hb-1/4', 'ply-3/8', 'ply-15/32'],
  metric: ['hb-6mm', 'ply-9mm', 'ply-12mm'],
}
