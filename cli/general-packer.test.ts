import { describe, expect, it } from '@jest/globals'
import { planSheetsBest } from '../core/cutting/sheets-best.ts'
import { largeSheets, mixedSheets } from './cut-instances.ts'
import { packedBy } from './general-packer.ts'

const overlap = (a: [number, number], b: [number, number]) => Math.min(a[1], b[1]) - Math.max(a[0], b[0])

describe('a general packer of rectangles', () => {
  it.each([1, 2, 3, 4, 5, 6])('lays every piece once, as its grain runs, a kerf from the next (%s)', (seed) => {
    for (const i of [largeSheets(seed), mixedSheets(seed)]) {
      const packed = packedBy(i)
      if (!packed) continue
      const laid = packed.sheets.flatMap((s) => s.pieces)
      for (const part of i.parts) {
        const own = laid.filter((p) => p.part === part.id)
        expect(own).toHaveLength(part.qty)
        expect(own.filter((p) => p.w !== part.w && !(part.rotate && p.w === part.h))).toEqual([])
      }
      for (const { stock, pieces } of packed.sheets) {
        const s = i.stock.find((x) => x.id === stock)!
        expect(pieces.filter((p) => p.x + p.w > s.w - 2 * i.trim || p.y + p.h > s.h - 2 * i.trim)).toEqual([])
        const near = pieces.flatMap((p, k) =>
          pieces
            .slice(k + 1)
            .filter(
              (q) =>
                overlap([p.x, p.x + p.w], [q.x, q.x + q.w]) > -i.kerf &&
                overlap([p.y, p.y + p.h], [q.y, q.y + q.h]) > -i.kerf,
            ),
        )
        expect(near).toEqual([])
      }
    }
  })
  it.each([1, 2, 3, 4, 5, 6, 7, 8])('is never cheaper than a plan of straight cuts (%s)', (seed) => {
    for (const i of [largeSheets(seed), mixedSheets(seed)]) {
      const packed = packedBy(i)
      let looks = 0
      const plan = planSheetsBest(i, null, { shouldStop: () => ++looks > 2000 })
      // What it finds a way for has one of straight cuts too.
      if (packed) expect(plan.ok ? plan.plan.claim.cost : Infinity).toBeLessThanOrEqual(packed.cost)
    }
  })
})
