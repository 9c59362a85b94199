import { LoftDb } from './db.ts'
import { answered } from './tables.ts'

/*
 * What a browser does when a write finds the disk full, seen with Chromium on a small file system:
 * - it may throw away all it keeps for the page at once, also where it promised to keep it;
 * - or it goes on writing behind the torn record of its log, says "done", and on its next start throws the store away
 * as damaged, also
 *   what was kept long before.
 * So a write is not begun on a full disk (`roomOnDisk`); nothing is written behind a torn record before the browser was
 * made to begin a new log, by writing more than it holds back in memory (4 MiB) and taking it away again; and what is
 * missing afterwards is put back from what the tab still knows (`mirror.ts`).
 */
const RECORDS = 100
/** Below the size from which the browser keeps a value in a file beside its log, letters. */
const LETTERS = 60_000
/** Free space looked for before that is tried, bytes: twice what is written. */
const FREE_TO_MEND = 14_000_000
/** Left in another store of the browser, so that the next start knows as well. */
const MARK = 'tack-loft:store-torn'

export const noteTorn = (torn: boolean): void => {
  try {
    if (torn) localStorage.setItem(MARK, new Date().toISOString())
    else localStorage.removeItem(MARK)
  } catch {
    // Without that store the next start does not know; the warning on the screen has said what to do.
  }
}
export const wasTorn = (): boolean => {
  try {
    return localStorage.getItem(MARK) !== null
  } catch {
    return false
  }
}

/**
 * Whether there is room on the disk, tried with a file beside the store, where failing does no harm; null where the
 * browser has no such files.
 */
export async function roomOnDisk(bytes: number): Promise<boolean | null> {
  if (typeof navigator === 'undefined' || !navigator.storage?.getDirectory) return null
  const name = `room-${crypto.randomUUID()}`
  let folder: FileSystemDirectoryHandle
  try {
    folder = await navigator.storage.getDirectory()
  } catch {
    return null
  }
  try {
    const file = await folder.getFileHandle(name, { create: true })
    if (!file.createWritable) return null
    const out = await file.createWritable()
    await out.write(new Uint8Array(bytes))
    await out.close()
    return true
  } catch {
    return false
  } finally {
    await folder.removeEntry(name).catch(() => undefined)
  }
}

/**
 * Makes a torn store sound again: opens it anew, makes it begin a new log, and reads back through a connection of its
 * own.
 * @param sure the person says there is room now: tried even where that can not be found out
 * @returns whether what was written is really there
 */
export async function mendStore(db: LoftDb, sure: boolean): Promise<boolean> {
  const work = async () => {
    const room = await roomOnDisk(FREE_TO_MEND)
    if (room === false || (room === null && !sure)) return false
    try {
      db.close({ disableAutoOpen: false })
      await answered(Promise.resolve(db.open()))
      const text = 'tack loft '.repeat(LETTERS / 10)
      for (let n = 0; n < RECORDS; n += 10)
        await answered(
          Promise.resolve(db.ballast.bulkPut(Array.from({ length: 10 }, (_, i) => ({ n: n + i, text: n + text })))),
        )
      await answered(Promise.resolve(db.ballast.clear()))
      const said = { key: 'mended', value: new Date().toISOString() }
      await answered(Promise.resolve(db.marks.put(said)))
      const read = (await readAnew((fresh) => fresh.marks.get('mended'))) as { value?: string } | undefined
      return read?.value === said.value
    } catch {
      return false
    }
  }
  // One tab at a time: it is one store for all of them.
  return typeof navigator !== 'undefined' && navigator.locks ? navigator.locks.request('tack-loft-mend', work) : work()
}

/** Reads through a connection of its own, which is closed again. */
export async function readAnew<T>(read: (fresh: LoftDb) => PromiseLike<T>): Promise<T> {
  const fresh = new LoftDb()
  try {
    return await answered(Promise.resolve(fresh.open()).then(() => read(fresh)))
  } finally {
    fresh.close()
  }
}
