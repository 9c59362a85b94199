import { describe, expect, it } from '@jest/globals'
import { labelRange } from './names.ts'

describe('labels of pieces', () => {
  it.each([
    [[], ''],
    [['A'], 'A'],
    [['A1', 'A2'], 'A1, A2'],
    [['A1', 'A2', 'A3', 'A5'], 'A1 to A3, A5'],
    [['A9', 'A10', 'A11', 'B12'], 'A9 to A11, B12'],
    [['B', 'D', 'E'], 'B, D, E'],
  ])('%p are told as %p', (labels, text) => expect(labelRange(labels)).toBe(text))
})
