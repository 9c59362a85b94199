import { describe, expect, test } from '@jest/globals'
import { Vector3 } from 'three'
import { between, eyeOf, isAt, viewFrom } from './view.ts'

const eye = new Vector3(3000, -2000, 1800)
const target = new Vector3(500, 200, 900)

describe('where one looks from', () => {
  test('told as turns and a distance and back, the eye is where it was', () => {
    for (const [x, y, z] of [
      [3000, -2000, 1800],
      [-400, 900, 100],
      [500, 200, 4000],
    ]) {
      const back = eyeOf(viewFrom(new Vector3(x, y, z), target))
      expect(back.distanceTo(new Vector3(x, y, z))).toBeLessThan(1e-6 * back.length())
    }
  })
  test('half way round is as far from what is looked at, not nearer', () => {
    const a = viewFrom(eye, target)
    const b = { ...a, theta: a.theta + Math.PI }
    const half = between(a, b, 0.5)
    expect(eyeOf(half).distanceTo(target)).toBeCloseTo(eye.distanceTo(target), 6)
    expect(between(a, { ...a, far: 4 * a.far }, 0.5).far).toBeCloseTo(2 * a.far, 6)
  })
  test('goes there by shares, and is there after some', () => {
    const a = viewFrom(eye, target)
    const goal = { target: new Vector3(0, 0, 0), theta: a.theta + 1, phi: 0.5, far: 900 }
    let [now, n] = [a, 0]
    while (!isAt(now, goal) && n < 200) {
      now = between(now, goal, 0.3)
      n++
    }
    expect(n).toBeGreaterThan(5)
    expect(n).toBeLessThan(40)
  })
})
