import { bad, good, type Result } from '../measure/result.ts'
import { byKey, isFields, same, type Edit, type Fields, type Step } from './edit.ts'

/**
 * Does to a document what was done to another state of it. All or nothing: where an edit meets something that is no
 * longer as it was, nothing is done. What is already as it should be is left so. Fails with `edit-gone` (what it
 * concerns is no longer there), `edit-changed` (it was changed to something else).
 */
export function layOver<T>(doc: T, edits: readonly Edit[]): Result<T> {
  let now: unknown = doc
  for (const e of edits) {
    const next = at(now, e.path, 0, (found) => done(found, e))
    if (!next.ok) return next as Result<T>
    now = next.value
  }
  return good(now as T)
}

function done(found: unknown, e: Edit): Result<unknown> {
  if (e.kind === 'set') return same(found, e.after) ? good(found) : same(found, e.before) ? good(e.after) : changed()
  const items = Array.isArray(found) ? byKey(found) : null
  if (!items) return changed()
  const list = found as unknown[]
  const keys = [...items.keys()]
  if (e.kind === 'order') return inOrder(list, keys, e.before, e.after)
  const here = items.get(e.key)
  if (e.kind === 'take') {
    if (!items.has(e.key)) return good(list)
    return same(here, e.item) ? good(list.filter((x) => x !== here)) : changed()
  }
  if (items.has(e.key)) return same(here, e.item) ? good(list) : changed()
  const place = e.behind === null ? 0 : keys.includes(e.behind) ? keys.indexOf(e.behind) + 1 : list.length
  return good([...list.slice(0, place), e.item, ...list.slice(place)])
}

/** Puts those that are still there into their new order, on the places they have; others stay where they are. */
function inOrder(list: unknown[], keys: string[], before: readonly string[], after: readonly string[]) {
  const stayed = new Set(before.filter((k) => keys.includes(k)))
  const [was, is] = [before.filter((k) => stayed.has(k)), after.filter((k) => stayed.has(k))]
  const now = keys.filter((k) => stayed.has(k))
  if (same(now, is)) return good(list)
  if (!same(now, was)) return changed()
  const queue = is.map((k) => list[keys.indexOf(k)])
  return good(list.map((x, i) => (stayed.has(keys[i]) ? queue.shift() : x)))
}

/** The document with what stands at a path replaced; everything beside the path is the same object as before. */
function at(
  node: unknown,
  path: readonly Step[],
  i: number,
  replace: (found: unknown) => Result<unknown>,
): Result<unknown> {
  if (i === path.length) return replace(node)
  const step = path[i]
  if (typeof step === 'string') {
    if (!isFields(node)) return gone()
    const inner = at(node[step], path, i + 1, replace)
    if (!inner.ok) return inner
    return good(inner.value === node[step] ? node : withField(node, step, inner.value))
  }
  const items = Array.isArray(node) ? byKey(node) : null
  if (!items?.has(step.item)) return gone()
  const old = items.get(step.item)
  const inner = at(old, path, i + 1, replace)
  if (!inner.ok) return inner
  return good(inner.value === old ? node : (node as unknown[]).map((x) => (x === old ? inner.value : x)))
}

/** Fields keep their order; `undefined` takes the field away. */
function withField(node: Fields, name: string, value: unknown): Fields {
  if (value !== undefined) return { ...node, [name]: value }
  const { [name]: _old, ...rest } = node
  return rest
}

const gone = () => bad<unknown>('edit-gone')
const changed = () => bad<unknown>('edit-changed')
