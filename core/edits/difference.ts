import { byKey, isFields, same, type Edit, type Step } from './edit.ts'

/**
 * What leads from one document to the other. What is the same object in both is not looked into, so the cost is that of
 * the change.
 * @param whole whether what stands at a path is changed as one, never field by field
 */
export function difference(
  before: unknown,
  after: unknown,
  whole: (path: readonly Step[]) => boolean = () => false,
): Edit[] {
  const out: Edit[] = []
  const look = (a: unknown, b: unknown, path: Step[]) => {
    if (a === b) return
    if (!whole(path)) {
      if (isFields(a) && isFields(b) && oneKind(a, b)) {
        for (const key of new Set([...Object.keys(a), ...Object.keys(b)])) look(a[key], b[key], [...path, key])
        return
      }
      if (Array.isArray(a) && Array.isArray(b)) {
        const [from, to] = [byKey(a), byKey(b)]
        if (from && to) return lists(from, to, path)
      }
    }
    if (!same(a, b)) out.push({ kind: 'set', path, before: a, after: b })
  }
  /**
   * Items leave from the back, the rest is put in order, items come from the front: undone in reverse, each finds its
   * place.
   */
  const lists = (from: ReadonlyMap<string, unknown>, to: ReadonlyMap<string, unknown>, path: Step[]) => {
    const [was, is] = [[...from.keys()], [...to.keys()]]
    for (let i = was.length - 1; i >= 0; i--)
      if (!to.has(was[i]))
        out.push({ kind: 'take', path, key: was[i], behind: was[i - 1] ?? null, item: from.get(was[i]) })
    const [stayed, now] = [was.filter((k) => to.has(k)), is.filter((k) => from.has(k))]
    if (stayed.some((k, i) => k !== now[i])) out.push({ kind: 'order', path, before: stayed, after: now })
    is.forEach((key, i) => {
      if (!from.has(key)) out.push({ kind: 'put', path, key, behind: is[i - 1] ?? null, item: to.get(key) })
    })
    for (const key of now) look(from.get(key), to.get(key), [...path, { item: key }])
  }
  look(before, after, [])
  return out
}

/**
 * Two forms of one choice (a wall of studs, a wall of masonry) have nothing to compare; two states of one named thing
 * do.
 */
const oneKind = (a: Record<string, unknown>, b: Record<string, unknown>) => 'id' in a || a.kind === b.kind
