import { describe, expect, it } from '@jest/globals'
import { shapedExamples } from '../../test-support/examples.ts'
import { partBox } from '../assembly/part-box.ts'
import { findScrew } from '../catalogue/fasteners.ts'
import { nutsOf } from './nuts.ts'

const hung = shapedExamples()
  .map(({ name, shaped }) => ({ name, a: shaped.assembly }))
  .filter(({ a }) => a.joints.some((j) => j.fasteners.some((x) => findScrew(x.fastener)?.kind === 'nut')))
const span = (z: number, high: number) => [z - high / 2, z + high / 2]

describe('nuts and washers on rods', () => {
  it('there are examples that hang on rods', () => {
    expect(hung.length).toBeGreaterThan(3)
  })
  it.each(hung.map((x) => [x.name, x.a] as const))(
    '%s: as many as are bought, on their rods, and in no wood',
    (_n, a) => {
      const solids = [...nutsOf(a)]
      const bought = a.joints.flatMap((j) => j.fasteners.filter((x) => findScrew(x.fastener)?.kind === 'nut'))
      // Six corners: a nut. More: a washer, one for each piece of wood on a rod.
      const nuts = solids.flatMap(([, list]) => list.filter((b) => b.outline!.length === 6))
      expect(nuts).toHaveLength(bought.reduce((n, x) => n + x.count, 0))
      const washers = solids.flatMap(([, list]) => list.filter((b) => b.outline!.length > 6))
      expect(washers).toHaveLength(bought.filter((x) => x.fastener.startsWith('nut')).length)
      const wood = a.parts.filter((p) => p.stock.kind === 'board').map(partBox)
      for (const [id, list] of solids) {
        const rod = partBox(a.parts.find((p) => p.id === id)!)
        for (const b of list) {
          expect(b.centre[0]).toBeCloseTo((rod.min[0] + rod.max[0]) / 2, 6)
          expect(b.size[0]).toBeGreaterThan(rod.max[0] - rod.min[0])
          const [lo, hi] = span(b.centre[2], b.size[2])
          for (const w of wood) {
            const over = [0, 1].every((k) => w.min[k] < b.centre[k] && w.max[k] > b.centre[k])
            expect(over && lo < w.max[2] - 1e-6 && hi > w.min[2] + 1e-6).toBe(false)
          }
        }
        // One on the other, none in another.
        const spans = list.map((b) => span(b.centre[2], b.size[2])).sort((p, q) => p[0] - q[0])
        spans.slice(1).forEach(([lo], i) => expect(lo).toBeGreaterThanOrEqual(spans[i][1] - 1e-6))
      }
    },
  )
  it('three eighths, by hand: 0.8 of the thread high, 1.6 of it across its flats', () => {
    const { a } = hung.find((x) => x.name.startsWith('ceiling-platform: cartons'))!
    const nut = [...nutsOf(a).values()].flat().find((b) => b.outline!.length === 6)!
    expect(nut.size[2]).toBeCloseTo(0.8 * 9.525, 6)
    expect(Math.max(...nut.outline!.map(([, v]) => v))).toBeCloseTo(0.8 * 9.525, 6)
  })
})
