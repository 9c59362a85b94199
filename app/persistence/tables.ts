import type { LoftDb } from './db.ts'

export type TableName = 'projects' | 'history' | 'plans' | 'marks'
const TABLES: TableName[] = ['projects', 'history', 'plans', 'marks']
/** `marks` are known by `key`, the others by `id`. */
export const keyName = (table: TableName) => (table === 'marks' ? 'key' : 'id')

/** What one write may do; all of it is kept or nothing. */
export interface Writing {
  get(table: TableName, key: string): Promise<unknown>
  put(table: TableName, value: object): Promise<unknown>
  drop(table: TableName, key: string): Promise<unknown>
}
/** Where records are kept: on the disk, or for as long as the tab is open. What is read back may be anything. */
export interface Tables {
  kind: 'disk' | 'memory'
  get(table: TableName, key: string): Promise<unknown>
  all(table: TableName): Promise<unknown[]>
  write<T>(work: (w: Writing) => Promise<T>): Promise<T>
}

/** A store that has not answered for this long is not going to, ms. */
const SILENT_MS = 8000

/** What a browser's store answered, or an error when it does not answer at all. */
export async function answered<T>(work: Promise<T>, ms = SILENT_MS): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined
  const silent = new Promise<never>((_ok, fail) => {
    timer = setTimeout(() => fail(new DOMException('the store does not answer', 'TimeoutError')), ms)
  })
  try {
    return await Promise.race([work, silent])
  } finally {
    clearTimeout(timer)
  }
}

export const diskTables = (db: LoftDb): Tables => ({
  kind: 'disk',
  get: (table, key) => answered(Promise.resolve(db.table(table).get(key))),
  all: (table) => answered(Promise.resolve(db.table(table).toArray())),
  write: (work) =>
    answered(
      Promise.resolve(
        db.transaction(
          'rw',
          TABLES.map((t) => db.table(t)),
          () =>
            work({
              get: (table, key) => db.table(table).get(key),
              put: (table, value) => db.table(table).put(value),
              drop: (table, key) => db.table(table).delete(key),
            }),
        ),
      ),
    ),
})

/** For a browser without a store: as long as the tab is open. Values are copied in and out, as a store does. */
export function memoryTables(): Tables {
  let kept = new Map<string, object>()
  let last: Promise<unknown> = Promise.resolve()
  const at = (table: TableName, key: string) => `${table}/${key}`
  const copy = (v: object | undefined): unknown => (v === undefined ? undefined : structuredClone(v))
  return {
    kind: 'memory',
    get: async (table, key) => copy(kept.get(at(table, key))),
    all: async (table) => [...kept].filter(([k]) => k.startsWith(`${table}/`)).map(([, v]) => copy(v)),
    write(work) {
      const done = last.then(async () => {
        const next = new Map(kept)
        const result = await work({
          get: async (table, key) => copy(next.get(at(table, key))),
          put: async (table, value) =>
            next.set(at(table, String((value as Record<string, unknown>)[keyName(table)])), structuredClone(value)),
          drop: async (table, key) => next.delete(at(table, key)),
        })
        kept = next
        return result
      })
      last = done.catch(() => undefined)
      return done
    },
  }
}
