import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { difference } from './difference.ts'
import { inverses, joined, same } from './edit.ts'
import { layOver } from './lay-over.ts'

const names = fc.constantFrom('a', 'b', 'c', 'd', 'e')
const item = fc.record({ id: names, n: fc.integer({ min: 0, max: 3 }), note: fc.option(names, { nil: undefined }) })
const document = fc.record({
  name: names,
  things: fc.uniqueArray(item, { selector: (x) => x.id, maxLength: 5 }),
  ticks: fc.uniqueArray(names),
  points: fc.uniqueArray(fc.record({ at: fc.integer({ min: 0, max: 3 }), down: fc.nat(3) }), {
    selector: (p) => `${p.at}/${p.down}`,
    maxLength: 4,
  }),
  numbers: fc.array(fc.nat(3), { maxLength: 3 }),
  made: fc.oneof(
    fc.record({ kind: fc.constant('studs'), apart: fc.nat(3), found: fc.uniqueArray(names) }),
    fc.record({ kind: fc.constant('masonry') }),
  ),
  prices: fc.dictionary(names, fc.nat(3), { maxKeys: 3 }),
})

describe('what a change did', () => {
  it('leads from any document to any other, and back again', () => {
    fc.assert(
      fc.property(document, document, (a, b) => {
        const edits = difference(a, b)
        const there = layOver(a, edits)
        expect(there.ok && same(there.value, b)).toBe(true)
        const back = layOver(b, inverses(edits))
        expect(back.ok && same(back.value, a)).toBe(true)
        expect(edits.length === 0).toBe(same(a, b))
        // Doing it once more changes nothing: what is already so is left so.
        if (there.ok) expect(layOver(there.value, edits)).toEqual({ ok: true, value: there.value })
      }),
      { numRuns: 600 },
    )
  })
  it('is the same in one step as in two', () => {
    fc.assert(
      fc.property(document, document, document, (a, b, c) => {
        const both = layOver(a, joined(difference(a, b), difference(b, c)))
        expect(both.ok && same(both.value, c)).toBe(true)
      }),
    )
  })
  it('does not touch what it was given', () => {
    fc.assert(
      fc.property(document, document, (a, b) => {
        const before = JSON.stringify([a, b])
        layOver(a, difference(a, b))
        expect(JSON.stringify([a, b])).toBe(before)
      }),
    )
  })
  it('of two changes to one state, keeps both or says which could not be', () => {
    fc.assert(
      fc.property(document, document, document, (base, mine, theirs) => {
        const merged = layOver(theirs, difference(base, mine))
        if (!merged.ok) return expect(['edit-gone', 'edit-changed']).toContain(merged.problem.code)
        // Nothing of theirs was undone and nothing of mine was left out: each ticks' fate is as one of the two wanted
        // it.
        for (const t of ['a', 'b', 'c', 'd', 'e'] as const) {
          const [was, m, h] = [base, mine, theirs].map((d) => d.ticks.includes(t))
          expect(merged.value.ticks.includes(t)).toBe(m === was ? h : m)
        }
      }),
      { numRuns: 400 },
    )
  })
})

describe('two tabs', () => {
  const base = {
    builds: [
      { id: 'one', at: 0 },
      { id: 'two', at: 100 },
      { id: 'three', at: 200 },
    ],
    ticks: ['s1'],
  }
  const over = (mine: typeof base, theirs: typeof base) => layOver(theirs, difference(base, mine))

  it('one removes the first, the other moves the second: the second moves', () => {
    const mine = { ...base, builds: base.builds.map((b) => (b.id === 'two' ? { ...b, at: 150 } : b)) }
    const theirs = { ...base, builds: base.builds.slice(1) }
    expect(over(mine, theirs)).toEqual({
      ok: true,
      value: {
        ...base,
        builds: [
          { id: 'two', at: 150 },
          { id: 'three', at: 200 },
        ],
      },
    })
  })
  it('both tick something: both stay ticked', () => {
    const merged = over({ ...base, ticks: ['s1', 's2'] }, { ...base, ticks: ['s1', 's3'] })
    expect(merged.ok && [...merged.value.ticks].sort()).toEqual(['s1', 's2', 's3'])
  })
  it('one changes what the other removed, or removes what the other changed: said, nothing done', () => {
    const moved = { ...base, builds: base.builds.map((b) => (b.id === 'one' ? { ...b, at: 7 } : b)) }
    const removed = { ...base, builds: base.builds.slice(1) }
    expect(over(moved, removed)).toMatchObject({ ok: false, problem: { code: 'edit-gone' } })
    expect(over(removed, moved)).toMatchObject({ ok: false, problem: { code: 'edit-changed' } })
  })
  it('both set one field to different values: said; to the same value: agreed', () => {
    const set = (at: number) => ({ ...base, builds: base.builds.map((b) => (b.id === 'one' ? { ...b, at } : b)) })
    expect(over(set(5), set(6))).toMatchObject({ ok: false, problem: { code: 'edit-changed' } })
    expect(over(set(5), set(5))).toEqual({ ok: true, value: set(5) })
  })
  it('a list that holds one thing twice, and lists of numbers, are kept as a whole', () => {
    expect(difference({ l: ['a', 'a'] }, { l: ['a'] })).toEqual([
      { kind: 'set', path: ['l'], before: ['a', 'a'], after: ['a'] },
    ])
    expect(difference({ l: [1, 2] }, { l: [1, 3] })).toHaveLength(1)
  })
  it('what is said to be whole is changed as one', () => {
    expect(difference({ plan: { a: 1, b: 1 } }, { plan: { a: 2, b: 1 } }, (p) => p[0] === 'plan')).toEqual([
      { kind: 'set', path: ['plan'], before: { a: 1, b: 1 }, after: { a: 2, b: 1 } },
    ])
  })
})
