import { afterEach, describe, expect, it } from '@jest/globals'
import Dexie from 'dexie'
import { readFileSync } from 'node:fs'
import { readProject } from '../../core/project/file.ts'
import { PROJECT_VERSION, projectSchema } from '../../core/project/project.ts'
import { FORM, LoftDb, NATIVE_VERSION } from './db.ts'

const NAME = 'a store to try'
afterEach(() => Dexie.delete(NAME))

/** A project as it lay there before tools had a table. */
function older() {
  const p = JSON.parse(readFileSync('demo/potter.tackloft.json', 'utf8'))
  return { ...p, version: 5, goods: p.goods.map(({ tool: _t, ...g }: Record<string, unknown>) => g) }
}

/** The store as the version before left it. */
async function before(doc: unknown) {
  const db = new Dexie(NAME)
  db.version(NATIVE_VERSION / 10 - 1).stores({
    projects: 'id, touchedAt, binnedAt',
    history: 'id',
    plans: 'id',
    marks: 'key',
    ballast: 'n',
  })
  await db.open()
  await db.table('projects').bulkPut([
    { id: 'old', rev: 4, touchedAt: '2026-01-01', doc },
    { id: 'bad', rev: 1, touchedAt: '2026-01-01', doc: 'nonsense' },
  ])
  await db.table('history').bulkPut([{ id: 'old', past: [], future: [] }])
  db.close()
}

describe('what a browser keeps', () => {
  it('is brought to the present form where it lies, and what cannot be stays as it is', async () => {
    await before(older())
    const db = new LoftDb(NAME)
    await db.open()
    const [old, bad] = (await Promise.all([db.projects.get('old'), db.projects.get('bad')])) as {
      rev: number
      doc: { version: number }
    }[]
    expect(old.doc.version).toBe(PROJECT_VERSION)
    expect(old.rev).toBe(4)
    expect(projectSchema.safeParse(old.doc).error).toBeUndefined()
    // Read from there, the same as through a file.
    const [file, stored] = [readProject(JSON.stringify(older())), readProject(JSON.stringify(old.doc))]
    expect(stored.ok && stored.project).toEqual(file.ok && file.project)
    expect(file.ok && stored.ok).toBe(true)
    expect(bad.doc).toBe('nonsense')
    db.close()
  })
  it('has a layout for every form of project: a new form without one would lie there as damaged', () =>
    expect(FORM).toBe(PROJECT_VERSION))
})
