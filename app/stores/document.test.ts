import { beforeEach, describe, expect, it } from '@jest/globals'
import { createPinia, setActivePinia } from 'pinia'
import { newProject, type Project } from '../../core/project/project.ts'
import { writeProject } from '../../core/project/file.ts'
import { db } from '../persistence/db.ts'
import { addProject, binProject, importProject, listProjects, loadProject, takeBack } from '../persistence/projects.ts'
import { useDocument } from './document.ts'

const fresh = (id = 'p1'): Project => newProject(id, 'Garage', 'imperial', '2026-01-01T00:00:00.000Z')
/** The store as another tab, or this one after a reload, would have it. */
async function tab(id = 'p1') {
  setActivePinia(createPinia())
  const doc = useDocument()
  await doc.open(id)
  return doc
}
const named = (doc: { project: Project | null }) => doc.project?.name

beforeEach(async () => {
  await db.projects.clear()
  await db.history.clear()
  await addProject(fresh())
})

describe('the open project', () => {
  it('saves each change, undoes and redoes it, also after a reload', async () => {
    const doc = await tab()
    doc.change('rename', (d) => void (d.name = 'Shed'))
    doc.change('rename', (d) => void (d.name = 'Loft'))
    await doc.flush()
    expect(doc.saveState).toBe('saved')
    const again = await tab()
    expect([named(again), again.canUndo, again.canRedo]).toEqual(['Loft', true, false])
    again.undo()
    expect(named(again)).toBe('Shed')
    await again.flush()
    const third = await tab()
    expect(named(third)).toBe('Shed')
    third.redo()
    expect(named(third)).toBe('Loft')
    third.undo()
    third.undo()
    expect([named(third), third.canUndo]).toEqual(['Garage', false])
    await third.flush()
  })
  it('takes a drag back in one step', async () => {
    const doc = await tab()
    for (const mm of [2500, 2510, 2520]) doc.change('ceiling', (d) => void (d.room.ceiling.heightMm = mm), 'ceiling')
    doc.undo()
    expect(doc.project!.room.ceiling.heightMm).toBe(fresh().room.ceiling.heightMm)
    await doc.flush()
  })
  it('keeps no change that changed nothing', async () => {
    const doc = await tab()
    doc.change('rename', (d) => void (d.name = 'Garage'))
    expect(doc.canUndo).toBe(false)
  })
  it('keeps the changes of two tabs, and overwrites neither', async () => {
    const one = await tab()
    const other = await tab()
    one.change('rename', (d) => void (d.name = 'Shed'))
    await one.flush()
    other.change('ceiling', (d) => void (d.room.ceiling.heightMm = 2600))
    await other.flush()
    expect(other.project).toMatchObject({ name: 'Shed', room: { ceiling: { heightMm: 2600 } } })
    expect(other.notice).toMatch(/another tab/)
    await one.refresh()
    expect(one.project!.room.ceiling.heightMm).toBe(2600)
  })
  it('keeps a change in memory and says so when the disk is full', async () => {
    const doc = await tab()
    const put = db.projects.put
    db.projects.put = (() => Promise.reject(new DOMException('full', 'QuotaExceededError'))) as never
    doc.change('rename', (d) => void (d.name = 'Shed'))
    await doc.flush()
    expect([doc.saveState, named(doc)]).toEqual(['full', 'Shed'])
    db.projects.put = put
    doc.change('rename', (d) => void (d.name = 'Loft'))
    await doc.flush()
    expect([doc.saveState, (await loadProject('p1'))?.doc.name]).toEqual(['saved', 'Loft'])
  })
})

describe('the shelf', () => {
  it('bins with a way back', async () => {
    await binProject('p1')
    expect(await (await tab()).open('p1')).toBe(false)
    await takeBack('p1')
    expect(named(await tab())).toBe('Garage')
  })
  it('imports beside what is there, and refuses a damaged file without touching anything', async () => {
    const before = JSON.stringify(await listProjects())
    const bad = await importProject(writeProject(fresh()).replace('"heightMm": 2438.4', '"heightMm": "tall"'), () => 'x')
    expect(bad).toMatchObject({ ok: false, problems: [{ code: 'file-field' }] })
    expect(JSON.stringify(await listProjects())).toBe(before)
    expect(await importProject(writeProject(fresh()), () => 'p2')).toEqual({ ok: true, id: 'p2' })
    expect((await loadProject('p1'))?.doc.name).toBe('Garage')
    expect((await loadProject('p2'))?.doc.name).toBe('Garage (imported)')
  })
})
