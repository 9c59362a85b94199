import { isFields } from '../../core/edits/edit.ts'
import { keyName, type TableName, type Tables, type Writing } from './tables.ts'

/** Known to every tab, and to the store as long as it is the same one. */
const IDENTITY = 'identity'
const MIRRORED: TableName[] = ['projects', 'history', 'marks']

/**
 * A store with what this tab knows of it beside it: a browser may throw everything away behind a page's back when its
 * disk runs full. When a write finds another, empty store in the place of the one it knew, what is known is put back
 * first, in the same write.
 */
export async function mirrored(disk: Tables): Promise<Tables> {
  const known = new Map<string, object>()
  const at = (table: TableName, key: string) => `${table}/${key}`
  const learn = (table: TableName, value: unknown) => {
    if (!MIRRORED.includes(table) || !isFields(value)) return
    const key = value[keyName(table)]
    if (typeof key === 'string') known.set(at(table, key), value)
  }
  const learnAll = async (table: TableName): Promise<unknown[]> => {
    const all = await disk.all(table)
    for (const key of [...known.keys()]) if (key.startsWith(`${table}/`)) known.delete(key)
    for (const value of all) learn(table, value)
    return all
  }
  await Promise.all(MIRRORED.map(learnAll))
  const mark = known.get(at('marks', IDENTITY)) as { value?: unknown } | undefined
  let identity = typeof mark?.value === 'string' ? mark.value : null

  /** Puts back what is missing in a store that is not the one this tab knew; a new store gets its identity. */
  async function recognise(w: Writing): Promise<void> {
    const found = (await w.get('marks', IDENTITY)) as { value?: unknown } | undefined
    if (identity !== null && found?.value === identity) return
    const emptied = identity !== null
    identity = typeof found?.value === 'string' ? found.value : (identity ?? crypto.randomUUID())
    await w.put('marks', { key: IDENTITY, value: identity })
    if (!emptied) return
    for (const [key, value] of known) {
      const table = key.split('/')[0] as TableName
      const there = await w.get(table, key.slice(table.length + 1))
      if (there === undefined && table !== 'marks') await w.put(table, value)
    }
  }

  return {
    kind: 'disk',
    async get(table, key) {
      const value = await disk.get(table, key)
      learn(table, value)
      return value
    },
    all: (table) => (MIRRORED.includes(table) ? learnAll(table) : disk.all(table)),
    async write(work) {
      const put: [TableName, object][] = []
      const dropped: string[] = []
      const result = await disk.write(async (w) => {
        await recognise(w)
        return work({
          get: w.get,
          put: (table, value) => {
            put.push([table, value])
            return w.put(table, value)
          },
          drop: (table, key) => {
            dropped.push(at(table, key))
            return w.drop(table, key)
          },
        })
      })
      for (const [table, value] of put) learn(table, value)
      for (const key of dropped) known.delete(key)
      return result
    },
  }
}
