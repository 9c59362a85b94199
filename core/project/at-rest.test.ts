import { describe, expect, it } from '@jest/globals'
import { allFamilies } from '../families/registry.ts'
import type { Goods } from '../goods/goods.ts'
import { newBuild } from './new-build.ts'
import type { Build } from './project.ts'
import { shapeInPlace } from './read-build.ts'

const MORE = { acrossMm: 7, deepMm: 11, tallMm: 13 }
const larger = (item: Goods): Goods => ({
  ...item,
  inUse: {
    acrossMm: item.acrossMm + MORE.acrossMm,
    deepMm: item.deepMm + MORE.deepMm,
    tallMm: item.tallMm + MORE.tallMm,
  },
})
const sorted = (list: readonly number[]) => [...list].sort((a, b) => a - b)

describe('things larger in use, in every kind of build', () => {
  it.each(allFamilies().map((f) => [f.id, f] as const))('%s: press on what they stand on at rest', (id, family) => {
    for (const e of family.examples()) {
      const goods = e.context.goods.map((g) => ({ ...g, item: larger(g.item) }))
      const build = newBuild({ id: 'b', name: 'b', family: id, params: e.params as Build['params'], wallId: 'w' })
      const r = shapeInPlace(family, build, { ...e.context, goods })
      if (!r.ok) {
        // There may be no room for them so: it is said, and nothing is built.
        expect(r.problem.code).not.toBe('not-buildable')
        continue
      }
      const byId = new Map(e.context.goods.map((g) => [g.item.id, g.item]))
      for (const i of r.value.assembly.bays.flatMap((b) => b.items)) {
        const g = byId.get(i.goodsId)!
        const filled = [0, 1, 2].map((k) => i.box.max[k] - i.box.min[k])
        const size = sorted(i.turned ? [i.turned.acrossMm, i.turned.deepMm, filled[2]] : filled)
        if (i.turned) expect(filled[0]).toBeCloseTo((g.acrossMm + g.deepMm) / Math.SQRT2, 6)
        sorted([g.acrossMm, g.deepMm, g.tallMm]).forEach((mm, k) => expect(Math.abs(size[k] - mm)).toBeLessThan(0.6))
      }
    }
  })
})
