import { describe, expect, test } from '@jest/globals'
import { Turns } from './turns.ts'

/** A clock that stands still but for what takes time. */
const clocked = (left = 100) => {
  const clock = { left }
  const turns = new Turns(() => clock.left)
  const round = (value: { fine: boolean; settled?: boolean } | undefined, seconds: number) =>
    turns.bound(() => {
      clock.left -= seconds
      return { value }
    })
  return { clock, turns, round }
}
const first = (turns: Turns, from: number) => {
  for (let step = from; step < from + 1000; step++) if (turns.isOfBound(step)) return step
  return null
}

describe('a bound beside a search', () => {
  test('comes after twelve steps while it is rough and after sixty once it is fine', () => {
    const { turns, round } = clocked()
    expect(first(turns, 1)).toBe(12)
    round({ fine: false }, 1)
    expect(first(turns, 13)).toBe(24)
    round({ fine: true }, 1)
    expect(first(turns, 25)).toBe(60)
  })

  test('rests for as long as it took once it has a whole answer, and not before', () => {
    const { clock, turns, round } = clocked()
    round({ fine: true }, 2)
    expect(first(turns, 1)).toBe(60)
    round({ fine: true, settled: true }, 2)
    expect(first(turns, 1)).toBeNull()
    clock.left -= 1.9
    expect(first(turns, 1)).toBeNull()
    clock.left -= 0.2
    expect(first(turns, 1)).toBe(60)
    // From then on after every round, whatever that says.
    round({ fine: true }, 3)
    expect(first(turns, 1)).toBeNull()
    clock.left -= 3
    expect(first(turns, 1)).toBe(60)
  })

  test('never rests where nobody measures time', () => {
    const turns = new Turns(() => Infinity)
    turns.bound(() => ({ value: { fine: true, settled: true } }))
    expect(first(turns, 1)).toBe(60)
  })

  test('gives back what the round gave', () => {
    const { turns } = clocked()
    const done = { value: undefined, done: true }
    expect(turns.bound(() => done)).toBe(done)
  })
})
