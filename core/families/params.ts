import { SECTIONS } from '../catalogue/lumber.ts'
import { STRIPS } from '../catalogue/strips.ts'
import { RODS } from '../catalogue/steel.ts'
import { findSheet } from '../catalogue/sheets.ts'
import { z } from '../measure/schema.ts'

/** A section of lumber or a strip of a sheet, and a sheet of the catalogue or of one's own, by id. */
export const section = z.enum([...SECTIONS, ...STRIPS].map((s) => s.id) as [string, ...string[]])
export const sheet = z
  .string()
  .max(200)
  .refine((id) => findSheet(id) !== undefined, 'a sheet of the catalogue, or one of your own')

/** A threaded rod of the catalogue, by id. */
export const rod = z.enum(RODS.map((r) => r.id) as [string, ...string[]])

/** A dimension in a family's parameters: null while tacked, a number once fixed. */
export const dim = (min: number, max: number) => z.number().min(min).max(max).nullable()
export const countDim = (min: number, max: number) => z.int().min(min).max(max).nullable()
/** The names of a table, for a choice of them. */
export const keys = <T extends object>(o: T) => Object.keys(o) as [keyof T & string, ...(keyof T & string)[]]
/** A list of dimensions; what is missing at its end is tacked. */
export const dims = (min: number, max: number, most: number) => z.array(dim(min, max)).max(most)

export function valueAt(params: unknown, path: string): unknown {
  return path.split('.').reduce<unknown>((v, key) => (v as Record<string, unknown> | undefined)?.[key], params)
}

/** The parameters with one value set; lists grow with nulls as far as needed. Nothing given is changed. */
export function withValue<P>(params: P, path: string, value: unknown): P {
  const [key, ...rest] = path.split('.')
  const child = (v: unknown) => (rest.length === 0 ? value : withValue(v, rest.join('.'), value))
  if (Array.isArray(params)) {
    const copy = [...(params as unknown[])]
    while (copy.length <= Number(key)) copy.push(null)
    copy[Number(key)] = child(copy[Number(key)])
    return copy as P
  }
  const from = params as Record<string, unknown>
  return { ...from, [key]: child(from[key]) } as P
}

/** The fixed dimensions of some parameters that a person could let go again. */
export const isFixed = (params: unknown, path: string): boolean => typeof valueAt(params, path) === 'number'

/** A list of things: what stands in it is given by the person, none of it tacked. */
const isList = (v: object): boolean => Array.isArray(v) && v.some((x) => x !== null && typeof x === 'object')

/**
 * Paths of all fixed dimensions: numbers that stand where a null would mean tacked (names end in Mm, or are counts).
 */
export function fixedPaths(params: unknown, at = ''): string[] {
  if (typeof params === 'number') return [at]
  if (params === null || typeof params !== 'object' || isList(params)) return []
  return Object.entries(params).flatMap(([key, v]) => fixedPaths(v, at ? `${at}.${key}` : key))
}

/** Whether a build is as long as its wall, whatever it keeps. */
export const fillsWall = (params: unknown): boolean => (params as { follow?: unknown } | null)?.follow === 'wall'
