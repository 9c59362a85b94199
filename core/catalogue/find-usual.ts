import { USUAL_THINGS, type UsualThing } from './usual-things.ts'

/*
 * Usual things by what they are called.
 */

/** A name as it is compared: small letters, one of it. */
const plain = (name: string): string =>
  name
    .toLowerCase()
    .replace(/['’]/g, '')
    .replace(/[^a-zà-ž]+/g, ' ')
    .trim()
const one = (word: string): string => word.replace(/(?<=[a-z]{3})s$/, '').replace(/(?<=[a-z]{3})e$/, '')
const words = (name: string): string[] => plain(name).split(' ').filter(Boolean).map(one)

/** In one word or in two, it is the same: a chainsaw, a chain saw. */
const keyOf = (name: string): string => words(name).join('')
const known = new Map(USUAL_THINGS.flatMap((t) => [t.name, ...t.also].map((name) => [keyOf(name), t] as const)))

/** The usual thing that is called so; undefined where none is. */
export const usualThing = (name: string): UsualThing | undefined => known.get(keyOf(name))

/** Usual things whose words begin with what was typed, each word of it; those whose name begins so first. */
export function usualThingsLike(typed: string, most: number): UsualThing[] {
  const asked = plain(typed).split(' ').filter(Boolean)
  if (asked.length === 0) return []
  const isMeant = (name: string) => {
    const own = plain(name).split(' ')
    return asked.every((a) => own.some((w) => w.startsWith(a) || w.startsWith(one(a))))
  }
  const joined = asked.join('')
  const fits = (t: UsualThing) =>
    [t.name, ...t.also].some((x) => isMeant(x) || plain(x).replaceAll(' ', '').startsWith(joined))
  const first = (t: UsualThing) => (plain(t.name).startsWith(asked.join(' ')) ? 0 : 1)
  return USUAL_THINGS.filter(fits)
    .sort((a, b) => first(a) - first(b))
    .slice(0, most)
}
