import { describe, expect, it } from '@jest/globals'
import { laidOver } from './laid-over.ts'

const ARMS = [400, 1200, 2000]

describe('where something long goes on a row of arms', () => {
  it('in its wanted place where it lies on two there', () => {
    expect(laidOver(ARMS, 2400, 1200)).toBe(1200)
    expect(laidOver(ARMS, 2000, 1100)).toBe(1100)
  })
  it('no further aside than it must: its end 60 mm past the middle of the second arm', () => {
    // 1000 long over its middle arm alone: it goes until it reaches the next one, 60 past it.
    expect(laidOver(ARMS, 1000, 1200)).toBe(1200 - 440 + 80)
    expect(laidOver(ARMS, 920, 1250)).toBe(1600)
  })
  it('never with its middle past the outer arms, however long it is', () => {
    expect(laidOver(ARMS, 2500, 0)).toBe(460)
    expect(laidOver(ARMS, 5000, 2400)).toBe(1940)
  })
  it('nowhere where it is too short for any two', () => {
    expect(laidOver(ARMS, 919, 1200)).toBeNull()
    expect(laidOver([400], 3000, 400)).toBeNull()
    expect(laidOver([], 3000, 400)).toBeNull()
  })
  it('always on two arms with its ends past both, whatever is asked for', () => {
    for (let long = 930; long < 2500; long += 70)
      for (let wanted = 0; wanted < 2600; wanted += 130) {
        const at = laidOver(ARMS, long, wanted)!
        const under = ARMS.filter((x) => Math.abs(x - at) <= long / 2 - 60 + 1e-6)
        expect(under.length).toBeGreaterThan(1)
        expect(Math.min(...under)).toBeLessThan(at)
        expect(Math.max(...under)).toBeGreaterThan(at)
      }
  })
})
