import { describe, expect, it } from '@jest/globals'
import { GAS_SPRINGS, findGasSpring, SPRING_SIZES } from '../catalogue/gas-springs.ts'
import { expectNear } from '../../test-support/near.ts'
import {
  handForces,
  springAt,
  springForce,
  springMoment,
  turnedUp,
  weightMoment,
  type LiftedLeaf,
} from './gas-spring.ts'

const spring = findGasSpring('gas spring 245 mm, 80 N')!
/** 40 N, 400 high, foot straight below its head: simple to reckon by hand. */
const leaf: LiftedLeaf = {
  foot: [-60, -260],
  head: [-20, -100],
  weightN: 40,
  centre: [-9, -200],
  edgeMm: 400,
  springs: 2,
}

describe('a gas spring', () => {
  it('pushes with its force nearly out at 20 °C, three tenths more all the way in, and less in the cold', () => {
    expect(springForce(spring, 245, 20)).toBe(80)
    expectNear(springForce(spring, 150, 20), 80 * 1.3, 1e-9)
    expectNear(springForce(spring, 245, 0), 80 * 0.93, 1e-9)
    expect(springForce(spring, 100, 20)).toBe(springForce(spring, 150, 20))
  })
  it('has a name of its own, and every size every force', () => {
    expect(new Set(GAS_SPRINGS.map((s) => s.item)).size).toBe(GAS_SPRINGS.length)
    expect(GAS_SPRINGS.length % SPRING_SIZES.length).toBe(0)
    for (const s of GAS_SPRINGS) expect(s.strokeMm).toBeLessThan(s.outMm / 2)
  })
})

describe('a leaf that turns up', () => {
  it('a place of it goes out and up by a quarter of a circle', () => {
    const [out, up] = turnedUp([-20, -100], Math.PI / 2)
    expectNear(out, 100, 1e-9)
    expectNear(up, -20, 1e-9)
  })
  it('its springs: length and lever by the triangle of their ends and the hinge line', () => {
    // Open the head is at (100, −20): 160 out and 240 up from the foot, and twice the triangle's area is |head × foot|.
    const open = springAt(leaf, Math.PI / 2)
    expectNear(open.longMm, Math.hypot(160, 240), 1e-9)
    const [y, z, u, v] = [100, -20, -60, -260]
    expectNear(open.leverMm, Math.abs(y * v - z * u) / Math.hypot(160, 240), 1e-9)
  })
  it('its springs do on the way what their force does along their stroke', () => {
    // Work by the moment over the angle, and by the force over the length: the second method.
    const [n, open] = [4000, Math.PI / 2]
    let byMoment = 0
    let byForce = 0
    for (let i = 0; i < n; i++) {
      const at = (open * (i + 0.5)) / n
      byMoment += springMoment(leaf, spring, at, 20) * (open / n)
      const [before, after] = [i, i + 1].map((k) => springAt(leaf, (open * k) / n).longMm)
      byForce += 2 * springForce(spring, springAt(leaf, at).longMm, 20) * (after - before)
    }
    expectNear(byMoment, byForce, 1e-4)
  })
  it('weighs W·h/2 when it lies level, and hardly anything while it hangs', () => {
    expectNear(weightMoment(leaf, Math.PI / 2), 40 * 200, 1e-9)
    expectNear(weightMoment(leaf, 0), -40 * 9, 1e-9)
  })
  it('a hand does what is left over, at the edge, at its worst', () => {
    const { liftN, pullN } = handForces(leaf, spring, Math.PI / 2)
    let [lift, pull] = [0, 0]
    for (let deg = 0; deg <= 90; deg += 3.75) {
      const at = (deg * Math.PI) / 180
      lift = Math.max(lift, (weightMoment(leaf, at) - springMoment(leaf, spring, at, 0)) / 400)
      pull = Math.max(pull, (springMoment(leaf, spring, at, 30) - weightMoment(leaf, at)) / 400)
    }
    expectNear(liftN, lift, 1e-9)
    expectNear(pullN, pull, 1e-9)
  })
})
