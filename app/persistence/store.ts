import type Dexie from 'dexie'
import { shallowRef } from 'vue'
import { LoftDb, NATIVE_VERSION } from './db.ts'
import { mendStore, noteTorn, readAnew, roomOnDisk, wasTorn } from './mend.ts'
import { mirrored } from './mirror.ts'
import { answered, diskTables, memoryTables, type TableName, type Tables, type Writing } from './tables.ts'

/** Why there is no store on the disk. */
export type NoStore = 'missing' | 'refused' | 'silent' | 'blocked' | 'newer'
export interface Trouble {
  /** The browser says there is no room, or only that it failed. */
  full: boolean
  /** A write failed half-way: what was kept before is at risk too. Else nothing was begun. */
  torn: boolean
  message: string
}

/** Set while the browser's store can not be used: the application works from memory. */
export const noStore = shallowRef<{ why: NoStore; message: string } | null>(null)
/**
 * Set from a failed write until the store was opened anew and what was written was read back through another
 * connection.
 */
export const trouble = shallowRef<Trouble | null>(null)

/** Between two tries by itself at mending, ms. */
const TRY_AGAIN_MS = 5000

let db: LoftDb | null = null
let opened: Promise<Tables> | null = null
let triedAt = -Infinity

/** The store, opened when first asked for: the disk where there is one, else memory. Never fails and always answers. */
export const store = (): Promise<Tables> => (opened ??= openStore())

async function openStore(): Promise<Tables> {
  const without = (why: NoStore, e: unknown) => {
    noStore.value = { why, message: reason(e) }
    return memoryTables()
  }
  try {
    if (!globalThis.indexedDB) return without('missing', 'it has none')
  } catch (e) {
    return without('refused', e)
  }
  let blocked = false
  try {
    db = new LoftDb()
    db.on('blocked', () => (blocked = true))
    // The browser closed the connection by itself: it does so in every tab when a write tore the log.
    const closed = () => noteTrouble(new Error('the browser closed its store'))
    db.on('ready', (d) => (d as Dexie).backendDB().addEventListener('close', closed), true)
    await answered(Promise.resolve(db.open()))
    // A newer version's store opens too, but what this one would write there could be wrong.
    if (db.backendDB().version > NATIVE_VERSION) throw new DOMException('made by a newer version', 'VersionError')
    await answered(Promise.resolve(db.marks.count()))
  } catch (e) {
    db?.close()
    const name = nameOf(e)
    const why = name.includes('Version') ? 'newer' : name.includes('Timeout') ? 'silent' : 'refused'
    return without(blocked ? 'blocked' : why, e)
  }
  if (!moving) noStore.value = null
  if (wasTorn()) trouble.value = { full: true, torn: true, message: 'a write failed when this was last open' }
  try {
    const disk = await mirrored(diskTables(db))
    return { ...disk, write: (work) => soundWrite(disk, work) }
  } catch (e) {
    db.close()
    return without('refused', e)
  }
}

/** What was in memory is on its way to the disk: until it is there, nothing may say that it is kept. */
let moving = false

/** Tries the browser's store once more; what was only in memory moves onto the disk. */
export async function tryStoreAgain(): Promise<void> {
  const memory = await store()
  if (memory.kind === 'disk') return
  moving = true
  try {
    opened = null
    const disk = await store()
    if (disk.kind === 'memory') {
      opened = Promise.resolve(memory)
      return
    }
    const records: [TableName, unknown[]][] = []
    for (const table of ['projects', 'history', 'plans', 'marks'] as const)
      records.push([table, await memory.all(table)])
    await disk.write(async (w) => {
      for (const [table, list] of records) for (const value of list) await w.put(table, value as object)
    })
    noStore.value = null
  } catch (e) {
    // Back to memory, with all that was in it.
    opened = Promise.resolve(memory)
    throw e
  } finally {
    moving = false
  }
}

/** A write is only begun on a sound store, and a failed one makes it unsound: see `mend.ts`. */
async function soundWrite<T>(disk: Tables, work: (w: Writing) => Promise<T>): Promise<T> {
  if (trouble.value && !mended && !(await mend(false))) throw new StoreTrouble(trouble.value)
  if (!(await roomToWrite())) {
    mended = false
    trouble.value ??= { full: true, torn: false, message: 'no room on the disk' }
    throw new StoreTrouble(trouble.value)
  }
  try {
    return await disk.write(work)
  } catch (e) {
    if (isStoreError(e)) noteTrouble(e)
    throw e
  }
}

/** Looked for before something is written, bytes: more than a project and its undo take. */
const FREE_TO_WRITE = 1_500_000
/** Room that was found is taken to be there for this long, ms: a look costs some writing itself. */
const ROOM_LASTS_MS = 3000
let roomAt = -Infinity
async function roomToWrite(): Promise<boolean> {
  if (performance.now() - roomAt < ROOM_LASTS_MS) return true
  if ((await roomOnDisk(FREE_TO_WRITE)) === false) return false
  roomAt = performance.now()
  return true
}

/**
 * Opens the store anew and makes it sound. While it is unsound by a full disk it is tried at most every few seconds.
 */
export async function mend(sure: boolean): Promise<boolean> {
  if (!db || !trouble.value) return true
  const now = performance.now()
  if (!sure && now - triedAt < TRY_AGAIN_MS) return false
  triedAt = now
  roomAt = -Infinity
  mended = trouble.value.torn ? await mendStore(db, sure) : await roomToWrite()
  return mended
}
/** The store was made sound since the last failure; the warning stays until something was saved and read back. */
let mended = false

/**
 * Whether what was saved is really there, read through a connection of its own. Only asked while there is trouble; ends
 * it.
 * @param agrees whether the record that was read is the one that was saved
 */
export async function confirmed(table: TableName, key: string, agrees: (record: unknown) => boolean): Promise<boolean> {
  if (!trouble.value) return true
  try {
    if (!mended || !agrees(await readAnew((fresh) => fresh.table(table).get(key)))) return false
  } catch {
    return false
  }
  trouble.value = null
  noteTorn(false)
  return true
}

function noteTrouble(e: unknown) {
  mended = false
  roomAt = -Infinity
  trouble.value = { full: isFull(e), torn: true, message: reason(e) }
  noteTorn(true)
}

export class StoreTrouble extends Error {
  constructor(readonly trouble: Trouble) {
    super(trouble.message)
  }
}

const inner = (e: unknown): unknown[] => [e, (e as { inner?: unknown } | null)?.inner]
const nameOf = (e: unknown): string =>
  inner(e)
    .map((x) => (x as { name?: string } | null)?.name ?? '')
    .join(' ')
export const reason = (e: unknown): string => (e instanceof Error || e instanceof DOMException ? e.message : String(e))
/** Full by the person's quota or by the disk itself: browsers say the latter only in words. */
export const isFull = (e: unknown): boolean =>
  e instanceof StoreTrouble ? e.trouble.full : /QuotaExceeded/.test(nameOf(e)) || /NO_SPACE|disk.*full/i.test(reason(e))
/** An error of the browser's store, as against one of what was to be written or of the program. */
const isStoreError = (e: unknown) =>
  !/^(Error|TypeError|RangeError|SyntaxError|DataCloneError|DataError|ConstraintError)?$/.test(nameOf(e).split(' ')[0])
