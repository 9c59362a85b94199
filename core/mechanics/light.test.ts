import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../test-support/near.ts'
import { luxFrom } from './light.ts'

describe('light from a lamp', () => {
  it('straight under it is its light over pi times the height squared', () =>
    expectNear(luxFrom(4000, 1500, 0), (0.67 * 4000) / (Math.PI * 2.25), 1e-9))
  it('a quarter of that at twice the height, and a quarter too where it comes at 45 degrees', () => {
    expectNear(luxFrom(1000, 2000, 0), luxFrom(1000, 1000, 0) / 4, 1e-9)
    expectNear(luxFrom(1000, 1000, 1000), luxFrom(1000, 1000, 0) / 4, 1e-9)
  })
  it('all of it falls on a floor without end', () => {
    // By rings: what is not lost to age and dust arrives.
    let sum = 0
    const step = 0.01
    for (let r = step / 2; r < 400; r += step) sum += luxFrom(1000, 2000, r * 1000) * 2 * Math.PI * r * step
    expectNear(sum / 670, 1, 1e-3)
  })
  it('is none from a lamp below what one works at', () => expect(luxFrom(1000, -10, 500)).toBe(0))
})
