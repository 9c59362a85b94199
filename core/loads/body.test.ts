import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import '../../test-support/fast-check.ts'
import { expectNear } from '../../test-support/near.ts'
import { add, cross, norm, scale, sub, unit, type Vec3 } from '../geometry/vec.ts'
import { newtons } from '../measure/units.ts'
import { forceOf, holdBody, isHeld, wrenchOf, type Force, type Hold } from './body.ts'

const hold = (id: string, at: Vec3, push: Vec3, way: Hold['way'] = 'both'): Hold => ({ id, at, push, way })
const weight = (kg: number, at: Vec3): Force => ({ at, n: [0, 0, -newtons(kg)] })
/**
 * A cabinet 900 wide, 800 high, 350 deep, hung by a strip 60 mm under its top and bearing on the wall along its lower
 * edge.
 */
const hung: Hold[] = [
  hold('up', [450, 0, 740], [0, 0, 1], 'push'),
  hold('strip', [450, 0, 740], [0, 1, 0], 'pull'),
  hold('below', [450, 0, 0], [0, 1, 0], 'push'),
]

describe('a cabinet on the wall, by hand', () => {
  it('60 kg pull at the strip with W·e/h and press below with the same', () => {
    const b = holdBody([weight(60, [450, 175, 400])], hung)
    const [up, strip, below] = b.forces
    expect(isHeld(b)).toBe(true)
    expectNear(up, newtons(60), 1e-9)
    expectNear(-strip, (newtons(60) * 175) / 740, 1e-9)
    expectNear(below, -strip, 1e-9)
  })
  it('two leaves of 12 kg open at 90° pull by their moment more', () => {
    // Shut they stand at 359 from the wall; open each stands 450/2 further out.
    const shut = [weight(12, [225, 359, 400]), weight(12, [675, 359, 400])]
    const open = [weight(12, [0, 350 + 225, 400]), weight(12, [900, 350 + 225, 400])]
    const pull = (leaves: Force[]) => -holdBody([weight(60, [450, 175, 400]), ...leaves], hung).forces[1]
    expectNear(pull(open) - pull(shut), (newtons(24) * (575 - 359)) / 740, 1e-9)
  })
  it('is not held without the edge below, nor by a strip that only pushes', () => {
    const load = [weight(60, [450, 175, 400])]
    expect(isHeld(holdBody(load, hung.slice(0, 2)))).toBe(false)
    expect(isHeld(holdBody(load, [hung[0], { ...hung[1], way: 'push' }, hung[2]]))).toBe(false)
    expect(isHeld(holdBody(load, hung))).toBe(true)
  })
})

describe('four rods', () => {
  const rods = (
    [
      [0, 0],
      [1200, 0],
      [0, 500],
      [1200, 500],
    ] as const
  ).map(([x, y], i) => hold(`r${i}`, [x, y, 1000], [0, 0, -1], 'pull'))
  it('off centre: each by its arm, as equal springs', () => {
    const [ex, ey] = [150, -60]
    const b = holdBody([weight(150, [600 + ex, 250 + ey, 500])], rods)
    const w = newtons(150)
    // N/4 + Mx·y/Σy² + My·x/Σx², rods at ±600 and ±250.
    rods.forEach((r, i) => {
      const [x, y] = [r.at[0] - 600, r.at[1] - 250]
      const byHand = w / 4 + (w * ex * x) / (4 * 600 ** 2) + (w * ey * y) / (4 * 250 ** 2)
      expectNear(-b.forces[i], byHand, 1e-9)
    })
  })
  it('one that would be pressed goes slack, and the other three carry', () => {
    const b = holdBody([weight(100, [1190, 490, 500])], rods)
    expect(isHeld(b)).toBe(true)
    expect(b.forces[0]).toBe(0)
    expectNear(-b.forces.reduce((s, n) => s + n, 0), newtons(100), 1e-9)
  })
  it('outside all of them it is not held', () =>
    expect(isHeld(holdBody([weight(100, [1300, 250, 500])], rods))).toBe(false))
})

describe('any body', () => {
  const number = (min: number, max: number) => fc.double({ min, max, noNaN: true })
  const point = fc.tuple(number(-1000, 1000), number(-1000, 1000), number(-1000, 1000)) as fc.Arbitrary<Vec3>
  const way = point.filter((v) => norm(v) > 100).map(unit)
  it('on six supports or more is in equilibrium in all six sums', () =>
    fc.assert(
      fc.property(
        fc.array(fc.record({ at: point, n: point }), { minLength: 1, maxLength: 4 }),
        fc.array(fc.record({ at: point, push: way }), { minLength: 6, maxLength: 9 }),
        (loads, raw) => {
          const holds = raw.map((h, i) => hold(`h${i}`, h.at, h.push))
          const b = holdBody(loads, holds)
          fc.pre(isHeld(b) && Math.max(...b.forces.map(Math.abs)) < 1e6)
          const all = wrenchOf([...loads, ...holds.map((h, i) => forceOf(h, b.forces[i]))])
          const size = loads.reduce((s, f) => s + norm(f.n), 0)
          expect(norm(all.force)).toBeLessThan(1e-6 * size)
          expect(norm(all.moment)).toBeLessThan(1e-3 * size)
        },
      ),
    ))
  it('shares as equal springs do: no other forces in equilibrium are smaller together', () => {
    const holds = [
      [0, 0],
      [700, 50],
      [100, 400],
      [800, 450],
      [400, 200],
    ].map(([x, y], i) => hold(`h${i}`, [x, y, 0], [0, 0, 1]))
    const load = [weight(80, [300, 180, 900])]
    const { forces } = holdBody(load, holds)
    // A rigid plate on equal springs: n = k·(a + b·x + c·y); so every force lies on one plane over the floor.
    const at = (i: number): Vec3 => [holds[i].at[0], holds[i].at[1], forces[i]]
    const normal = cross(sub(at(1), at(0)), sub(at(2), at(0)))
    for (const i of [3, 4]) {
      const v = sub(at(i), at(0))
      expect(Math.abs(v[0] * normal[0] + v[1] * normal[1] + v[2] * normal[2]) / norm(normal)).toBeLessThan(1e-6)
    }
    expect(
      norm(
        add(
          wrenchOf(load).force,
          scale(
            [0, 0, 1],
            forces.reduce((s, n) => s + n, 0),
          ),
        ),
      ),
    ).toBeLessThan(1e-9)
  })
})
