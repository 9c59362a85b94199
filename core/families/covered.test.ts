import { describe, expect, it } from '@jest/globals'
import type { Care } from '../goods/care.ts'
import { newBuild } from '../project/new-build.ts'
import { readWith } from '../project/read-build.ts'
import { exampleContext, exampleGoods } from './example-context.ts'
import { allFamilies } from './registry.ts'

const ctx = (care: Care[], kind: 'box' | 'tote' = 'box') => {
  const g = exampleGoods('metric', kind, 8)
  return exampleContext('metric', [{ ...g, item: { ...g.item, care, massKg: 4 } }])
}
const frontOf = (p: unknown) => (p as { front?: unknown }).front
const fronts = (id: string, c: ReturnType<typeof ctx>) =>
  allFamilies()
    .find((f) => f.id === id)!
    .propose(c)
    .map(frontOf)

describe('what is spoilt in the open', () => {
  it.each(['post-rack', 'shelf-unit'])('%s: is proposed behind a curtain or doors, and only then', (id) => {
    for (const care of ['dust', 'light', 'food'] as const)
      expect(new Set(fronts(id, ctx([care])))).toEqual(new Set(['curtain', 'doors']))
    for (const care of [[], ['heat'], ['damp']] as Care[][])
      expect(new Set(fronts(id, ctx(care)))).toEqual(new Set(['open']))
  })
  it('who wants a thing behind doors is proposed doors, and no curtain', () => {
    const c = ctx([])
    const goods = c.goods.map((g) => ({ ...g, item: { ...g.item, keptAs: 'closed' as const } }))
    for (const id of ['wall-cabinet', 'shelf-unit'])
      expect(new Set(fronts(id, { ...c, goods }))).toEqual(new Set(['doors']))
  })
  it('is covered by the lid of a tote', () => {
    expect(new Set(fronts('tote-rack', ctx(['dust'], 'tote')))).toEqual(new Set(['open']))
  })
  it('is not asked of what has no such front: its own choices stay', () => {
    const c = ctx(['dust'])
    for (const f of allFamilies())
      for (const p of f.propose(c)) {
        expect(f.schema.safeParse(p).success).toBe(true)
        if (frontOf(p) === 'open') expect(f.schema.safeParse({ ...(p as object), front: 'doors' }).success).toBe(false)
      }
  })
  it('is shaped so, and the curtain or the leaves are there', () => {
    const c = ctx(['dust'])
    for (const id of ['post-rack', 'shelf-unit']) {
      const kind = allFamilies().find((f) => f.id === id)!
      // A rack no higher than its one shelf is too low for leaves: it is told so.
      const closed = kind.propose(c).flatMap((params) => {
        const r = readWith(kind, newBuild({ id: 'b', family: id, params: params as never, wallId: 'w' }), c)
        return r.ok ? [r.reading.shaped.assembly.parts.some((p) => p.role === 'door')] : []
      })
      expect(closed.length).toBeGreaterThanOrEqual(2)
      expect(closed).not.toContain(false)
    }
  })
})
