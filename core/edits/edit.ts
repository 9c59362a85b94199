/*
 * What a change did to a document, said so that it can be done to a document that has moved on: fields by name, items
 * of a list by what they are known by. An item with an `id` is known by it, a word by itself, anything else by all it
 * holds.
 */

/** Into a field of an object, or to an item of a list. */
export type Step = string | { item: string }

export type Edit =
  /**
   * A field, or a list that is kept as a whole, got another value; `undefined`: it was not there, or is not there any
   * more.
   */
  | { kind: 'set'; path: Step[]; before: unknown; after: unknown }
  /** An item came into a list, behind another or first; or left it. */
  | { kind: 'put' | 'take'; path: Step[]; key: string; behind: string | null; item: unknown }
  /** The items that stayed stand in another order. */
  | { kind: 'order'; path: Step[]; before: string[]; after: string[] }

export function inverse(e: Edit): Edit {
  if (e.kind === 'set') return { ...e, before: e.after, after: e.before }
  if (e.kind === 'order') return { ...e, before: e.after, after: e.before }
  return { ...e, kind: e.kind === 'put' ? 'take' : 'put' }
}
export const inverses = (edits: readonly Edit[]): Edit[] => [...edits].reverse().map(inverse)

export type Fields = Record<string, unknown>
export const isFields = (v: unknown): v is Fields => v !== null && typeof v === 'object' && !Array.isArray(v)

/** Equal in all they hold; a field that is undefined is no field. */
export function same(a: unknown, b: unknown): boolean {
  if (a === b) return true
  if (Array.isArray(a)) return Array.isArray(b) && a.length === b.length && a.every((x, i) => same(x, b[i]))
  if (!isFields(a) || !isFields(b)) return false
  return [...new Set([...Object.keys(a), ...Object.keys(b)])].every((k) => same(a[k], b[k]))
}

/** What an item of a list is known by; null for numbers and lists, which are only known by their place. */
export function keyOf(item: unknown): string | null {
  if (typeof item === 'string') return item
  if (!isFields(item)) return null
  return typeof item.id === 'string' ? item.id : JSON.stringify(sorted(item))
}
const sorted = (v: unknown): unknown =>
  Array.isArray(v)
    ? v.map(sorted)
    : isFields(v)
      ? Object.fromEntries(
          Object.keys(v)
            .sort()
            .map((k) => [k, sorted(v[k])]),
        )
      : v

/**
 * The items of a list by their keys; null where an item has none or two have the same: such a list is kept as a whole.
 */
export function byKey(list: readonly unknown[]): Map<string, unknown> | null {
  const out = new Map<string, unknown>()
  for (const item of list) {
    const key = keyOf(item)
    if (key === null || out.has(key)) return null
    out.set(key, item)
  }
  return out
}

/**
 * Two changes one after the other as one: of a field that was only set again, the first state and the last are kept.
 */
export function joined(first: readonly Edit[], then: readonly Edit[]): Edit[] {
  if (![...first, ...then].every((e) => e.kind === 'set')) return [...first, ...then]
  const out = new Map<string, Edit>()
  for (const e of [...first, ...then]) {
    const key = JSON.stringify(e.path)
    const had = out.get(key)
    out.set(key, had && had.kind === 'set' && e.kind === 'set' ? { ...e, before: had.before } : e)
  }
  return [...out.values()]
}
