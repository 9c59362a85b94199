import { describe, expect, it } from '@jest/globals'
import { exampleContext, exampleGoods } from '../families/example-context.ts'
import { allFamilies, findFamily } from '../families/registry.ts'
import type { Assembly } from './assembly.ts'
import { missing, misplaced } from './sound.ts'

const ctx = exampleContext('imperial', [exampleGoods('imperial', 'pail', 8)])
const shaped = (family: string): Assembly => {
  const f = findFamily(family)!
  const first = f.shape(f.start(ctx), ctx)
  // What does not take pails gets what it takes.
  const [{ params, context }] = f.examples()
  const r = first.ok ? first : f.shape(params, context)
  if (!r.ok) throw new Error(JSON.stringify(r.problem))
  return JSON.parse(JSON.stringify(r.value.assembly))
}
const changed = (change: (a: Assembly) => void) => {
  const a = shaped('post-rack')
  change(a)
  return a
}

describe('an assembly', () => {
  it.each(allFamilies().map((f) => f.id))('of a %s has no flaw', (id) => {
    const a = shaped(id)
    expect([...missing(a), ...misplaced(a)]).toEqual([])
  })
  const ghosts: [string, (a: Assembly) => void][] = [
    ['joint', (a) => (a.joints[0].far = 'ghost')],
    ['carrier of a bay', (a) => a.bays[0].carriers.push('ghost')],
    ['anchored part', (a) => a.anchors.push({ ...anchor, part: 'ghost' })],
    ['support on a part', (a) => (a.supports.find((s) => s.on.kind === 'part')!.on = { kind: 'part', part: 'ghost' })],
    ['joint of a support', (a) => (a.supports[0].joint = 'ghost')],
    ['sub-assembly', (a) => a.subassemblies[0].parts.push('ghost')],
    ['body', (a) => a.bodies.push({ id: 'b', parts: ['ghost'], cuts: [] })],
  ]
  const anchor: Assembly['anchors'][number] = {
    id: 'x',
    part: 'post-0-0-rear',
    into: 'stud',
    at: [0, 0, 0],
    count: 1,
    fastener: null,
    embedMm: 0,
    holds: ['y'],
  }
  it.each(ghosts)('tells of a %s that nothing bears', (_, change) => {
    expect(missing(changed(change))).toEqual([{ code: 'missing', id: 'ghost' }])
  })
  it('tells of a joint that is moved off its pieces, by its name', () => {
    const a = changed((x) => (x.joints[3].at[2] += 300))
    expect(misplaced(a)).toEqual([{ code: 'apart', id: a.joints[3].id }])
  })
  it('tells of the piece a contact leaves', () => {
    const a = shaped('post-rack')
    const s = a.supports.find((x) => x.on.kind === 'part' && 'part' in x.from && x.from.part.startsWith('rail'))!
    s.contact.max[2] += 500
    expect(misplaced(a)).toEqual([{ code: 'apart', id: 'part' in s.from ? s.from.part : '' }])
  })
  it('tells of a board thicker than its section, and of a section nobody knows', () => {
    const thick = changed((x) => (x.parts[0].size.thicknessMm += 5))
    expect(misplaced(thick)).toContainEqual({ code: 'no-board', id: thick.parts[0].id })
    const odd = changed((x) => (x.parts[0].stock = { kind: 'board', section: '5x5', grade: 'spf-no2', treated: false }))
    expect(misplaced(odd)).toContainEqual({ code: 'no-board', id: odd.parts[0].id })
  })
  it('tells of two pieces in one place', () => {
    const a = changed((x) => (x.parts[1].at.centre = [...x.parts[0].at.centre]))
    expect(misplaced(a).length).toBeGreaterThan(0)
  })
})
