import type { Choice } from './family.ts'

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
