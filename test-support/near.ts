import { isDeepStrictEqual } from 'node:util'
import { expect } from '@jest/globals'

/** Two large things are equal: told as `toEqual` tells it, which takes far longer, only where they are not. */
export function expectSame(actual: unknown, expected: unknown) {
  if (!isDeepStrictEqual(actual, expected)) expect(actual).toEqual(expected)
}

/** Two numbers agree within a share of the expected one. */
export function expectNear(actual: number, expected: number, share = 0.001) {
  const off = Math.abs(actual - expected) / Math.max(Math.abs(expected), 1e-12)
  if (!(off <= share))
    expect(`${actual} (off by ${(off * 100).toFixed(3)} %)`).toBe(`${expected} within ${share * 100} %`)
  expect(off).toBeLessThanOrEqual(share)
}
