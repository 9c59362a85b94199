import type { Problem } from '../measure/result.ts'
import { isFields, type Fields } from '../edits/edit.ts'

/** The lists of a project whose items are told apart by their ids. */
const LISTS = ['goods', 'builds', 'onHand', 'room.walls', 'room.features', 'room.diagonals']

/**
 * Gives every second thing with an id that is taken one of its own; what pointed to that id goes on meaning the first.
 * @returns the document with nothing else changed, and what was renamed
 */
export function freshIds(raw: Fields): { raw: Fields; renamed: Problem[] } {
  const renamed: Problem[] = []
  const inList = (list: unknown, path: string): unknown => {
    if (!Array.isArray(list)) return list
    const taken = new Set(list.map((x) => (isFields(x) ? x.id : undefined)))
    const seen = new Set<unknown>()
    return list.map((x: unknown, i) => {
      if (!isFields(x) || typeof x.id !== 'string') return x
      if (!seen.has(x.id)) {
        seen.add(x.id)
        return x
      }
      let n = 2
      while (taken.has(idWith(x.id, n))) n++
      const became = idWith(x.id, n)
      taken.add(became)
      renamed.push({ code: 'id-twice', field: `${path}.${i}.id`, data: { id: x.id, became } })
      return { ...x, id: became }
    })
  }
  const within = (node: unknown, [first, ...rest]: string[], path: string): unknown =>
    first === undefined
      ? inList(node, path)
      : isFields(node) && first in node
        ? { ...node, [first]: within(node[first], rest, path) }
        : node
  const mended = LISTS.reduce<unknown>((r, path) => within(r, path.split('.'), path), raw) as Fields
  return { raw: renamed.length > 0 ? mended : raw, renamed }
}

/** Ids are 60 letters at most. */
const idWith = (id: string, n: number) => `${id.slice(0, 60 - `-${n}`.length)}-${n}`
