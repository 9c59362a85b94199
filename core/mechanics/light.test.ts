import { describe, expect, it } from '@jest/globals'
import { expectNear } from '../../test-support/near.ts'
import { luxFrom, luxUprightFrom } from './light.ts'

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
  it('on an upright face is its light over four pi times the square of how far it is before and over it', () => {
    // At 45 degrees: h = y, d² = 2 h².
    expectNear(luxUprightFrom(4000, 1000, 1000, 0), (0.67 * 4000) / (4 * Math.PI), 1e-9)
    // To a side as far as before it: d² = 3 h².
    expectNear(luxUprightFrom(4000, 1000, 1000, 1000), (0.67 * 4000) / (9 * Math.PI), 1e-9)
  })
  it('goes through a wall without end before it, all that goes that way', () => {
    // Half of what shines down goes to either side: through a wall that reaches from the lamp's height to the deep.
    let sum = 0
    const step = 0.05
    for (let a = -80 + step / 2; a < 80; a += step)
      for (let h = step / 2; h < 80; h += step) sum += luxUprightFrom(1000, h * 1000, 1000, a * 1000) * step * step
    expectNear(sum / 335, 1, 2e-2)
  })
  it('is none on a face that looks away from it, or stands over it', () => {
    expect(luxUprightFrom(1000, 1000, -1, 0)).toBe(0)
    expect(luxUprightFrom(1000, -1, 1000, 0)).toBe(0)
  })
})
