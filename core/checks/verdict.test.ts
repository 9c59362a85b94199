import { describe, expect, it } from '@jest/globals'
import { exampleContext, exampleGoods } from '../families/example-context.ts'
import { findFamily } from '../families/registry.ts'
import { readParams } from '../../test-support/read-params.ts'
import type { CheckResult, Quantity } from './check.ts'
import { isHardWorked, isStrength, strain, verdict } from './verdict.ts'

const result = (quantity: Quantity, ratio: number, capacity: number): CheckResult => ({
  ...{
    id: `x:${quantity}`,
    check: 'x',
    link: 'post',
    code: 'x',
    parts: [],
    bays: [],
    covers: [],
    data: {},
    working: null,
  },
  ...{ state: 'holds', quantity, ratio, demand: ratio * capacity, capacity },
})

describe('how hard a build works', () => {
  it('counts shares of several strengths that add up, and no ratio of sizes', () => {
    // A post that is pressed and bent: both shares together are 0.9 of one.
    const post = result('ratio', 0.9, 1)
    // Four times as high as deep is the most: 3.6 is no strain.
    const slender = result('ratio', 0.9, 4)
    expect([isStrength(post), isStrength(slender)]).toEqual([true, false])
    expect(strain(post)).toBe(0.9)
    expect(strain(slender)).toBeCloseTo(0.009, 9)
    expect([isHardWorked(post), isHardWorked(slender)]).toEqual([true, false])
    expect(verdict([slender, post, result('stress', 0.5, 12)])).toMatchObject({ state: 'hard-worked', weakest: post })
    expect(verdict([slender, result('stress', 0.5, 12)]).state).toBe('holds')
  })
  it('names a post that is nearly too weak, not what works half as hard', () => {
    const family = findFamily('post-rack')!
    const context = exampleContext('metric', [exampleGoods('metric', 'pail', 60)])
    const start = family.start(context) as object
    const read = (over: object) =>
      readParams(family, { ...start, shelves: 3, postSection: '38x63mm', ...over }, context)
    const all = [0, 1, 2].map((midPosts) => read({ midPosts }))
    for (const r of all) {
      const counted = r.checks.filter((c) => c.state === 'holds' && isStrength(c)).map((c) => c.ratio ?? 0)
      if (r.verdict.fails === 0) expect(strain(r.verdict.weakest!)).toBe(Math.max(...counted))
    }
    expect(all.some((r) => r.checks.some((c) => c.check === 'buckling' && isStrength(c)))).toBe(true)
  })
})
