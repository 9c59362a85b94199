import { describe, expect, it } from '@jest/globals'
import { dimensionTexts, type DimensionLine } from './dimension-texts.ts'

const chain = (texts: string[], length: number): DimensionLine[] =>
  texts.map((text, i) => ({ row: 'below', middle: i * (length + 10), length, text }))

describe('texts of dimension lines', () => {
  it('stay as they are where there is room', () => {
    expect(dimensionTexts(chain(['500 mm', '500 mm'], 500), 40).map((t) => t.text)).toEqual(['500 mm', '500 mm'])
  })
  it('are written once for neighbours alike without room, in their middle', () => {
    const lines = chain(['500 mm', '500 mm', '500 mm', '620 mm'], 100)
    const texts = dimensionTexts(lines, 40)
    expect(texts.map((t) => t.text)).toEqual(['3 × 500 mm', '', '', ''])
    expect(texts[0].shift).toBe(110)
  })
  it('keep rows apart, in whatever order they come', () => {
    const one: DimensionLine = { row: 'beside', middle: 0, length: 10, text: '500 mm' }
    const [a, b, c] = chain(['500 mm', '500 mm', '500 mm'], 100)
    expect(dimensionTexts([c, one, a, b], 40).map((t) => t.text)).toEqual(['', '', '3 × 500 mm', ''])
  })
})
