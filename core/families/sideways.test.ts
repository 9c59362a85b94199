import { describe, expect, it } from '@jest/globals'
import { crateOf } from '../../test-support/crate.ts'
import { readParams } from '../../test-support/read-params.ts'
import type { Goods } from '../goods/goods.ts'
import { METRIC } from '../measure/units.ts'
import { sayCheck } from '../wording/checks.ts'
import { sayIn } from '../wording/say.ts'
import { exampleContext } from './example-context.ts'
import type { ShapeContext } from './family.ts'
import { findFamily } from './registry.ts'

const crates = (over: Partial<Goods> = {}) =>
  crateOf([500, 745, 380], 14, { id: 'c', name: 'Crate', count: 4, ...over })
/** A wall before which so much is free. */
const before = (depthMm: number, item = crates()): ShapeContext => {
  const c = exampleContext('metric', [{ item, count: item.count }], 5000)
  return { ...c, space: { ...c.space, depthMm } }
}
const read = (kind: string, c: ShapeContext) => {
  const family = findFamily(kind)!
  return readParams(family, family.start(c) as object, c)
}
const KINDS = ['post-rack', 'shelf-unit', 'ledger-shelf', 'bracket-shelf']

describe('what is too deep for its shelf', () => {
  it.each(KINDS)('%s: stands with its long side along it, and all has a place', (kind) => {
    const r = read(kind, before(600))
    expect(r.shaped.unhoused).toEqual([])
    const items = r.shaped.assembly.bays.flatMap((b) => b.items)
    expect(items).toHaveLength(4)
    for (const { box } of items) {
      expect(box.max[0] - box.min[0]).toBeCloseTo(745, 6)
      expect(box.max[1] - box.min[1]).toBeCloseTo(500, 6)
    }
    const said = r.checks.find((x) => x.code === 'sideways')!
    expect(said).toMatchObject({ state: 'holds', data: { count: 4 } })
    expect(sayCheck(said, sayIn(METRIC))).toContain('4 × "Crate" stand with the long side along the shelf')
    expect(r.checks.filter((x) => x.check === 'contents-fit' && x.state !== 'holds')).toEqual([])
  })
  it('is not turned where there is room for it as it was measured, nor said to be', () => {
    for (const kind of KINDS.slice(0, 3)) {
      const r = read(kind, before(1200))
      for (const { box } of r.shaped.assembly.bays.flatMap((b) => b.items))
        expect(box.max[1] - box.min[1]).toBeCloseTo(745, 6)
      expect(r.checks.some((x) => x.code === 'sideways')).toBe(false)
    }
  })
  it('has no place where its other side is too deep as well, or where it has a front', () => {
    const wide = read('post-rack', before(450, crates({ acrossMm: 700 })))
    expect(wide.shaped.unhoused).toEqual([{ goodsId: 'c', count: 4, why: 'too-deep' }])
    const front = read('post-rack', before(600, crates({ kind: 'equipment', count: 1 })))
    expect(front.shaped.assembly.bays.flatMap((b) => b.items.map((i) => i.box.max[1] - i.box.min[1]))).not.toContain(
      500,
    )
  })
})

describe('what hangs, where things are deeper than there is room', () => {
  it.each(['metric', 'imperial'] as const)('is begun no deeper than that, %s', (system) => {
    for (const depthMm of [700.3, 755.7, 760]) {
      const c = exampleContext(system, [{ item: crates(), count: 4 }], 5000)
      const r = read('ledger-shelf', { ...c, space: { ...c.space, depthMm } })
      expect(Math.max(...[...r.boxes.values()].map((b) => b.max[1]))).toBeLessThanOrEqual(depthMm)
    }
  })
})
