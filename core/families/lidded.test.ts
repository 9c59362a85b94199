import { describe, expect, it } from '@jest/globals'
import { newGoods } from '../goods/goods.ts'
import { newBuild } from '../project/new-build.ts'
import { shapeInPlace } from '../project/read-build.ts'
import { exampleContext } from './example-context.ts'
import { findFamily } from './registry.ts'

describe('a freezer with a lid', () => {
  const freezer = newGoods({
    ...{ id: 'f', name: 'chest freezer', kind: 'equipment', count: 1 },
    ...{ acrossMm: 900, deepMm: 600, tallMm: 850, massKg: 55 },
  })
  it.each(['post-rack', 'ledger-shelf'])('stands in a %s under a shelf that its lid clears', (id) => {
    const ctx = exampleContext('metric', [{ item: freezer, count: 1 }])
    const family = findFamily(id)!
    const build = newBuild({ id: 'b', family: id, params: family.start(ctx) as never, wallId: 'w' })
    const shaped = shapeInPlace(family, build, ctx)
    if (!shaped.ok) throw new Error(shaped.problem.code)
    const lowest = shaped.value.dims.find((d) => d.path === 'topMm.0')!
    expect(lowest.value).toBeGreaterThan(850 + 600)
    // At rest it is as high as it is.
    const [item] = shaped.value.assembly.bays.flatMap((b) => b.items)
    expect(item.box.max[2] - item.box.min[2]).toBe(850)
  })
})
