import { describe, expect, it } from '@jest/globals'
import { readParams } from '../../test-support/read-params.ts'
import type { ShapeContext } from '../families/family.ts'
import { findFamily } from '../families/registry.ts'

const unweighed = (c: ShapeContext): ShapeContext => ({
  ...c,
  goods: c.goods.map((g) => ({ ...g, item: { ...g.item, massKg: null } })),
})
const rated = ['pegboard', 'ledger-shelf'].flatMap((id) => {
  const f = findFamily(id)!
  return f.examples().flatMap((e) => {
    const rating = readParams(f, e.params as never, e.context).checks.find((c) => c.id === 'ratings:rating')
    return rating ? [{ name: `${id}, ${e.name}`, f, e, rating }] : []
  })
})

describe('what its maker rates', () => {
  it('is met in more than one example', () => expect(rated.length).toBeGreaterThan(1))
  it.each(rated)('$name: is enough only while all it carries is weighed', ({ f, e, rating }) => {
    expect(rating.state).toBe('holds')
    const again = readParams(f, e.params as never, unweighed(e.context)).checks.find((c) => c.id === 'ratings:rating')!
    expect(again.state).toBe('unknown')
    expect(again.code).toBe('unknown-not-weighed')
  })
})
