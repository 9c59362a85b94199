import { describe, expect, it } from '@jest/globals'
import { exampleContext, exampleGoods } from './example-context.ts'
import { allFamilies, findFamily, shareLength } from './registry.ts'

const of = (family: string, params: unknown = {}) => ({ family, params })

describe('builds at one wall', () => {
  it('take of each other’s length where both stand, or hang from the same', () => {
    expect(shareLength(of('post-rack'), of('bench'))).toBe(true)
    expect(shareLength(of('post-rack'), of('wall-cabinet'))).toBe(false)
    expect(shareLength(of('board-rack'), of('wall-cabinet'))).toBe(true)
    expect(shareLength(of('ceiling-runners'), of('ceiling-platform'))).toBe(true)
    // What is close under the ceiling leaves the wall below it to others; what hangs from it far down does not.
    expect(shareLength(of('ceiling-runners'), of('board-rack'))).toBe(false)
    expect(shareLength(of('rod-stack'), of('board-rack'))).toBe(true)
    expect(shareLength(of('rod-stack'), of('ceiling-runners'))).toBe(true)
  })
  it('hang over each other at heights somebody fixed', () => {
    const at = (mm: number | null) => of('board-rack', { lowestMm: mm })
    const cabinet = (mm: number | null) => of('wall-cabinet', { hangMm: mm })
    expect(shareLength(at(700), cabinet(1400))).toBe(false)
    expect(shareLength(cabinet(1400), at(700))).toBe(false)
    expect(shareLength(at(1300), cabinet(1400))).toBe(true)
    // Where one of them finds its own height nobody knows yet.
    expect(shareLength(at(null), cabinet(1400))).toBe(true)
    expect(shareLength(at(null), cabinet(null))).toBe(true)
  })
  it('that hang at a height of their own name a dimension they have', () => {
    const named = allFamilies().filter((f) => f.hangsAt !== undefined)
    expect(named.length).toBeGreaterThan(4)
    for (const f of named)
      for (const { params, context } of f.examples()) {
        const shaped = f.shape(params, context)
        expect(shaped.ok && shaped.value.dims.map((d) => d.path)).toContain(f.hangsAt)
      }
  })
  it('hang higher by as much as that dimension is raised', () => {
    const f = findFamily('wall-cabinet')!
    const context = exampleContext('metric', [exampleGoods('metric', 'box', 4)])
    const foot = (hangMm: number) => {
      const shaped = f.shape({ ...(f.start(context) as object), hangMm }, context)
      return shaped.ok ? Math.min(...shaped.value.assembly.parts.map((p) => p.at.centre[2])) : NaN
    }
    expect(foot(1500) - foot(1300)).toBeCloseTo(200, 6)
  })
})
