import { expect, it } from '@jest/globals'
import { expectNear } from '../../../test-support/near.ts'
import { METHODS } from './all.ts'

const share = (m: 'asd' | 'ec5', v: number, t: number) => METHODS[m].screwTogether.share(v, t, 1000, 500)

it('one way alone is the plain share of that way, in either method', () => {
  for (const m of ['asd', 'ec5'] as const) {
    expectNear(share(m, 400, 0), 0.4, 1e-12)
    expectNear(share(m, 0, 400), 0.8, 1e-12)
    expect(share(m, 0, 0)).toBe(0)
  }
})
it('both at once: by Hankinson’s rule and by squares, by hand', () => {
  // R = 500 at 53.13° from the wood: Z' = W·Z / (W·cos² + Z·sin²) = 500·1000 / (500·0.36 + 1000·0.64) = 609.76.
  expectNear(share('asd', 300, 400), 500 / 609.756, 1e-5)
  expectNear(share('ec5', 300, 400), Math.sqrt(0.3 ** 2 + 0.8 ** 2), 1e-12)
})
it('both grow with the load, and neither is more than the shares added', () => {
  for (const m of ['asd', 'ec5'] as const)
    for (const [v, t] of [
      [100, 900],
      [500, 500],
      [900, 50],
    ]) {
      expectNear(share(m, 2 * v, 2 * t), 2 * share(m, v, t), 1e-12)
      expect(share(m, v, t)).toBeLessThanOrEqual(v / 1000 + t / 500)
      expect(share(m, v, t)).toBeGreaterThanOrEqual(Math.max(v / 1000, t / 500) * 0.5)
    }
})
