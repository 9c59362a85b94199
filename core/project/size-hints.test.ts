import { describe, expect, it } from '@jest/globals'
import { exampleGoods } from '../families/example-context.ts'
import { findFamily } from '../families/registry.ts'
import { procure } from './plan.ts'
import { newBuild } from './new-build.ts'
import { newProject, type Build, type Project } from './project.ts'
import { contextOf, readingsOf } from './read-build.ts'
import { readBuilds } from './read-builds.ts'
import { sizeHints } from './size-hints.ts'

describe('a little smaller', () => {
  const goods = exampleGoods('imperial', 'pail', 6)
  const withDepth = (depthMm: number): Project => {
    const p = newProject('p', 'hints', 'imperial', '2026-01-01T00:00:00.000Z')
    p.goods = [{ ...goods.item, massKg: 5 }]
    const family = findFamily('shelf-unit')!
    const b = newBuild({
      id: 'b',
      name: 'b',
      family: 'shelf-unit',
      wallId: 'wall-1',
      params: {},
      goods: [{ goodsId: goods.item.id, count: 6 }],
    })
    p.builds = [{ ...b, params: { ...(family.start(contextOf(p, b)!) as object), depthMm } as Build['params'] }]
    return p
  }
  const bill = (p: Project) => procure(p, readingsOf(readBuilds(p)))

  it('says where an inch less saves a sheet, and that it does when it is taken', () => {
    // A quarter more than half a sheet: one rip out of each sheet where two would go.
    const p = withDepth(24.25 * 25.4)
    const depth = sizeHints(p, p.builds[0]).find((h) => h.code === 'depth')!
    expect(depth.sheets).toBeGreaterThan(0)
    expect(depth.fromMm - depth.toMm).toBeLessThanOrEqual(25.4 + 1e-9)
    // Two rips and a kerf in 48 in: 23 15/16 is the most.
    expect(depth.toMm).toBeLessThanOrEqual((48 - 1 / 8) * 12.7 + 1e-6)
    const after = bill({ ...p, builds: [depth.build] })
    const before = bill(p)
    expect(before.cutPlan.sheets.length - after.cutPlan.sheets.length).toBe(depth.sheets)
    expect(after.bill.totalMinor - before.bill.totalMinor).toBe(depth.deltaMinor)
  })
  it('says nothing where there is nothing to save', () => {
    const p = withDepth(12 * 25.4 - 6)
    expect(sizeHints(p, p.builds[0]).filter((h) => h.code === 'depth' && h.sheets > 0)).toEqual([])
  })
})
