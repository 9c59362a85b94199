import { describe, expect, it } from '@jest/globals'
import * as fc from 'fast-check'
import { dimensionTexts, type DimensionLine } from './dimension-texts.ts'

const chain = (texts: string[], length: number, row = 'below', y = 0): DimensionLine[] =>
  texts.map((text, i) => ({ row, x: i * (length + 10), y, away: 1 as const, upright: false, length, text }))

describe('texts of dimension lines', () => {
  it('stay as they are where there is room', () => {
    const texts = dimensionTexts(chain(['500 mm', '500 mm'], 500), 40)
    expect(texts.map((t) => [t.text, t.leader])).toEqual([
      ['500 mm', null],
      ['500 mm', null],
    ])
  })
  it('are written once for neighbours alike without room, in their middle', () => {
    const texts = dimensionTexts(chain(['500 mm', '500 mm', '500 mm'], 100), 40)
    expect(texts.map((t) => t.text)).toEqual(['3 × 500 mm', '', ''])
    expect(texts[0].x).toBe(110)
  })
  it('give way to the side where a single one has no room, with a line to where it belongs', () => {
    const texts = dimensionTexts(chain(['620 mm', '55 mm', '620 mm'], 100), 40)
    expect(texts.map((t) => t.text)).toEqual(['620 mm', '55 mm', '620 mm'])
    expect(texts.filter((t) => t.leader).length).toBeGreaterThan(0)
    // Down, away from what is measured.
    for (const t of texts) if (t.leader) expect([t.leader.slice(2), t.y > 0]).toEqual([[t.x, t.y], true])
  })
  it('keep rows apart, in whatever order they come', () => {
    const one: DimensionLine = { row: 'beside', x: -400, y: 0, away: -1, upright: true, length: 10, text: '500 mm' }
    const [a, b, c] = chain(['500 mm', '500 mm', '500 mm'], 100)
    expect(dimensionTexts([c, one, a, b], 40).map((t) => t.text)).toEqual(['', '500 mm', '3 × 500 mm', ''])
  })
  it('never run into each other, whatever the lines', () => {
    const line = fc.record({
      row: fc.constantFrom('a', 'b', 'c'),
      x: fc.integer({ min: 0, max: 900 }),
      y: fc.constantFrom(0, 60, 300),
      away: fc.constantFrom(1 as const, -1 as const),
      upright: fc.boolean(),
      length: fc.integer({ min: 1, max: 400 }),
      text: fc.constantFrom('7/16"', '2 5/8"', '1234 mm', '10\' 11 5/16"'),
    })
    fc.assert(
      fc.property(fc.array(line, { maxLength: 14 }), (lines) => {
        const h = 20
        const texts = dimensionTexts(lines, h)
        expect(texts).toHaveLength(lines.length)
        // Those that gave way meet none of the others.
        const boxes = texts.map((t, i) => {
          const w = t.text.length * 0.56 * h
          const [wide, high] = lines[i].upright ? [h, w] : [w, h]
          const [dx, dy] = lines[i].upright ? [-0.3 * h, 0] : [0, -0.3 * h]
          return { t, l: t.x + dx - wide / 2, r: t.x + dx + wide / 2, b: t.y + dy - high / 2, u: t.y + dy + high / 2 }
        })
        boxes.forEach((p, i) =>
          boxes.forEach((q, k) => {
            if (i === k || !p.t.text || !q.t.text || !p.t.leader) return
            const apart = p.r <= q.l + 1e-6 || q.r <= p.l + 1e-6 || p.u <= q.b + 1e-6 || q.u <= p.b + 1e-6
            expect(apart).toBe(true)
          }),
        )
      }),
    )
  })
})
