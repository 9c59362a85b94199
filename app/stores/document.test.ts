import { beforeEach, describe, expect, it } from '@jest/globals'
import { createPinia, setActivePinia } from 'pinia'
import { same } from '../../core/edits/edit.ts'
import { newGoods } from '../../core/goods/goods.ts'
import { newProject, type Project } from '../../core/project/project.ts'
import { writeProject } from '../../core/project/file.ts'
import { newFeature } from '../../core/room/features.ts'
import {
  addProject,
  binProject,
  deleteForGood,
  importProject,
  listProjects,
  loadProject,
  takeBack,
} from '../persistence/projects.ts'
import { store } from '../persistence/store.ts'
import { seeded } from '../../core/measure/seeded.ts'
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
const stored = async (id = 'p1') => {
  const read = await loadProject(id)
  return read.kind === 'there' ? read.project.doc : null
}
const thing = (id: string, count = 1) =>
  newGoods({ id, name: `thing ${id}`, kind: 'box', count, acrossMm: 300, deepMm: 300, tallMm: 300, massKg: 5 })

beforeEach(async () => {
  await (
    await store()
  ).write(async (w) => {
    for (const id of ['p1', 'p2', 'p3'])
      for (const table of ['projects', 'history', 'plans'] as const) await w.drop(table, id)
  })
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
  it('takes nothing over that no file could hold, and says which field', async () => {
    const doc = await tab()
    expect(doc.change('add', (d) => void d.goods.push(thing('a')))).toBe(true)
    expect(doc.change('tall', (d) => void (d.goods[0].tallMm = 9000))).toBe(false)
    expect(doc.refused).toMatchObject({
      code: 'refused-most',
      field: 'goods.0.tallMm',
      data: { of: 'thing a', most: 6000 },
    })
    expect(doc.change('twice', (d) => void d.goods.push(thing('a')))).toBe(false)
    expect(doc.refused).toMatchObject({ field: 'goods.1.id' })
    expect(doc.project!.goods).toEqual([thing('a')])
    expect(doc.change('count', (d) => void (d.goods[0].count = 3))).toBe(true)
    expect(doc.refused).toBeNull()
    await doc.flush()
  })
})

describe('two tabs', () => {
  it('keep their changes, and overwrite neither', async () => {
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
  it('keep what is changed while a merge is being written', async () => {
    const one = await tab()
    const other = await tab()
    one.change('rename', (d) => void (d.name = 'Shed'))
    await one.flush()
    other.change('ceiling', (d) => void (d.room.ceiling.heightMm = 2600))
    const saving = other.flush()
    other.change('floor', (d) => void (d.room.floor.kind = 'timber'))
    await saving
    await other.flush()
    expect(await stored()).toMatchObject({
      name: 'Shed',
      room: { floor: { kind: 'timber' }, ceiling: { heightMm: 2600 } },
    })
    expect(other.project).toEqual(await stored())
  })
  it('keep what is changed while the newer state is being read', async () => {
    const one = await tab()
    const other = await tab()
    one.change('rename', (d) => void (d.name = 'Shed'))
    await one.flush()
    const reading = other.refresh()
    other.change('floor', (d) => void (d.room.floor.kind = 'timber'))
    await reading
    await other.flush()
    expect(await stored()).toMatchObject({ name: 'Shed', room: { floor: { kind: 'timber' } } })
  })
  it('keep both ticks, and say which change could not be kept', async () => {
    const one = await tab()
    const other = await tab()
    one.change('tick', (d) => void d.progress.steps.push('a/1'))
    other.change('tick', (d) => void d.progress.steps.push('a/2'))
    other.change('rename', (d) => void (d.name = 'Loft'))
    one.change('rename', (d) => void (d.name = 'Shed'))
    await one.flush()
    await other.flush()
    expect((await stored())!.progress.steps.sort()).toEqual(['a/1', 'a/2'])
    expect(named(other)).toBe('Shed')
    expect(other.notice).toBe('Not kept: "rename". Another tab changed the same. Everything else of both tabs is kept.')
  })
  it('undo by what things are known by, not by their place', async () => {
    const one = await tab()
    for (const id of ['a', 'b', 'c']) one.change('add', (d) => void d.goods.push(thing(id)))
    await one.flush()
    const other = await tab()
    other.change('count of c', (d) => void (d.goods[2].count = 9))
    await other.flush()
    await one.refresh()
    one.change('remove a', (d) => void (d.goods = d.goods.filter((g) => g.id !== 'a')))
    await one.flush()
    await other.refresh()
    other.undo()
    expect(other.project!.goods.map((g) => g.id)).toEqual(['a', 'b', 'c'])
    other.undo()
    expect(other.project!.goods).toEqual([thing('a'), thing('b'), thing('c')])
    await other.flush()
  })
  it('say that an undo was not kept, where the other has changed the same since', async () => {
    const one = await tab()
    one.change('rename', (d) => void (d.name = 'Shed'))
    await one.flush()
    const other = await tab()
    one.change('rename again', (d) => void (d.name = 'Loft'))
    await one.flush()
    other.undo()
    expect(named(other)).toBe('Garage')
    await other.flush()
    expect([named(other), (await stored())!.name]).toEqual(['Loft', 'Loft'])
    expect(other.notice).toContain('Not kept: "rename"')
  })

  /** Random changes in two tabs; what each tab expects of its own is told apart by its mark. */
  it('lose and misplace nothing in 200 rounds, and tell every conflict', async () => {
    const next = seeded(15)
    const pick = (n: number) => Math.floor(next() * n)
    const setUp = await tab()
    setUp.change('start', (d) => {
      for (const id of ['a', 'b', 'c', 'd', 'e', 'f']) d.goods.push(thing(id))
    })
    await setUp.flush()
    const tabs = [await tab(), await tab()]
    let [lost, misplaced, untold, conflicts] = [0, 0, 0, 0]
    for (let round = 0; round < 200; round++) {
      const base = tabs[0].project!
      const wants = tabs.map((doc, t) => {
        doc.notice = ''
        return Array.from({ length: 1 + pick(3) }, () => randomChange(doc, t, round))
      })
      // Either first, at once, or one while the other is writing.
      if (pick(2) === 0) await Promise.all(tabs.map((d) => d.flush()))
      else for (const d of pick(2) ? tabs : [tabs[1], tabs[0]]) await d.flush()
      await Promise.all(tabs.map((d) => d.flush()))
      for (const d of tabs) await d.refresh()
      const now = (await stored())!
      for (const d of tabs) if (!same(d.project, now)) misplaced++
      const told = tabs.map((d) => d.notice).join(' ')
      for (const w of wants.flat()) {
        if (w.holds(now)) continue
        const overtaken = wants.flat().some((o) => o !== w && o.at === w.at)
        if (overtaken && wants[w.tab].filter((o) => o.at === w.at).pop() !== w) continue
        if (told.includes(w.label)) conflicts++
        else if (overtaken) untold++
        else lost++
      }
      // What nobody touched is as it was.
      const touched = new Set(wants.flat().map((w) => w.at))
      for (const g of base.goods) {
        const after = now.goods.find((x) => x.id === g.id)
        if (!touched.has(g.id) && !same(after, g)) misplaced++
      }
      if (now.goods.length < 4) {
        tabs[0].change('refill', (d) => {
          for (const id of ['k', 'l', 'm']) d.goods.push(thing(`${id}${round}`))
        })
        await tabs[0].flush()
        await tabs[1].refresh()
      }
    }
    expect({ lost, misplaced, untold }).toEqual({ lost: 0, misplaced: 0, untold: 0 })
    expect(conflicts).toBeGreaterThan(5)

    function randomChange(doc: ReturnType<typeof useDocument>, t: number, round: number) {
      const kind = pick(5)
      const goods = doc.project!.goods
      const at = goods[pick(goods.length)].id
      const label = `t${t} r${round} n${pick(1e6)}`
      const mark = 1 + pick(1900)
      if (kind === 0) {
        doc.change(label, (d) => void (d.goods.find((g) => g.id === at)!.count = mark))
        return { tab: t, at, label, holds: (p: Project) => p.goods.find((g) => g.id === at)?.count === mark }
      }
      if (kind === 1) {
        doc.change(label, (d) => void (d.goods = d.goods.filter((g) => g.id !== at)))
        return { tab: t, at, label, holds: (p: Project) => p.goods.every((g) => g.id !== at) }
      }
      if (kind === 2) {
        const id = `n${t}-${round}-${mark}`
        doc.change(label, (d) => {
          if (!d.goods.some((g) => g.id === id)) d.goods.splice(pick(d.goods.length), 0, thing(id))
        })
        return { tab: t, at: id, label, holds: (p: Project) => p.goods.some((g) => g.id === id) }
      }
      if (kind === 3) {
        const tick = `step/${t}/${round}/${mark}`
        doc.change(label, (d) => void (d.progress.steps = [...d.progress.steps.slice(-40), tick]))
        return { tab: t, at: tick, label, holds: (p: Project) => p.progress.steps.includes(tick) }
      }
      const f = newFeature({ id: `f${t}-${round}-${mark}`, kind: 'outlet', wallId: 'wall-1', atMm: mark })
      doc.change(label, (d) => {
        d.room.features = [...d.room.features.filter((x) => x.id !== f.id).slice(-20), f]
      })
      return { tab: t, at: f.id, label, holds: (p: Project) => p.room.features.some((x) => x.id === f.id) }
    }
  }, 60_000)
})

describe('a project deleted for good in another tab', () => {
  it('does not come back by itself, is not lost here, and can be kept as a new one', async () => {
    const doc = await tab()
    await deleteForGood('p1')
    doc.change('rename', (d) => void (d.name = 'Shed'))
    await doc.flush()
    expect([doc.saveState, doc.unsaved, await stored()]).toEqual(['gone', true, null])
    await doc.close()
    expect(await doc.open('p1')).toBe('open')
    expect([named(doc), doc.saveState]).toEqual(['Shed', 'gone'])
    await doc.keepAsNew('p2')
    expect([doc.saveState, (await stored('p2'))?.name, await stored('p1')]).toEqual(['saved', 'Shed', null])
  })
  it('is noticed when this tab is looked at again', async () => {
    const doc = await tab()
    await deleteForGood('p1')
    await doc.refresh()
    expect(doc.saveState).toBe('gone')
  })
})

describe('the shelf', () => {
  it('bins with a way back', async () => {
    await binProject('p1')
    expect(await (await tab()).open('p1')).toBe('binned')
    await takeBack('p1')
    expect(named(await tab())).toBe('Garage')
    expect(await (await tab()).open('p9')).toBe('missing')
  })
  it('imports beside what is there, and refuses a damaged file without touching anything', async () => {
    const before = JSON.stringify(await listProjects())
    const bad = await importProject(
      writeProject(fresh()).replace('"heightMm": 2438.4', '"heightMm": "tall"'),
      () => 'x',
    )
    expect(bad).toMatchObject({ ok: false, problems: [{ code: 'file-field' }] })
    expect(JSON.stringify(await listProjects())).toBe(before)
    expect(await importProject(writeProject(fresh()), () => 'p2')).toEqual({ ok: true, id: 'p2', renamed: [] })
    expect((await stored('p1'))?.name).toBe('Garage')
    expect((await stored('p2'))?.name).toBe('Garage (imported)')
  })
  it('shows damaged records as such, with what is there of them, and the others as ever', async () => {
    const s = await store()
    const records = [
      { id: 'p2', rev: 1, doc: null },
      { id: 'p3', doc: { ...fresh('p3'), version: 99 } },
    ]
    await s.write(async (w) => {
      for (const r of records) await w.put('projects', r)
    })
    const shelf = await listProjects()
    expect(shelf.projects.map((p) => p.id)).toEqual(['p1'])
    expect(shelf.damaged.map((d) => [d.id, d.name, d.problems[0].code])).toEqual([
      ['p2', '', 'file-not-project'],
      ['p3', 'Garage', 'file-newer'],
    ])
    expect(shelf.damaged[0].raw).toEqual(records[0])
    expect(await (await tab()).open('p2')).toMatchObject({ kind: 'damaged' })
  })
  it('opens a project whose undo is damaged, without it', async () => {
    await (await store()).write((w) => w.put('history', { id: 'p1', past: [{ nonsense: 1 }], future: 'x' }))
    const doc = await tab()
    expect([named(doc), doc.canUndo, doc.canRedo]).toEqual(['Garage', false, false])
  })
})
