import { describe, expect, it } from '@jest/globals'
import type { Planning } from './planned.ts'
import { nowAndThen } from './told.ts'

const so = (looks: number, doing: Planning['doing'] = 'looking'): Planning => ({ plans: [], looks, seen: 0, doing })

describe('what a search tells', () => {
  it('is told at once, then every quarter of a second', () => {
    const told: number[] = []
    let ms = 1000
    const tell = nowAndThen(
      (x) => told.push(x.looks),
      () => ms,
    )
    for (let i = 0; i < 100; i++, ms += 10) tell(so(i))
    expect(told).toEqual([0, 25, 50, 75])
  })
  it('a first plan that is whole is told at once', () => {
    const told: number[] = []
    let ms = 0
    const tell = nowAndThen(
      (x) => told.push(x.looks),
      () => ms++,
    )
    for (let i = 0; i < 5; i++) tell(so(i, 'growing'))
    tell(so(5))
    tell(so(6, 'proving'))
    expect(told).toEqual([0, 5])
  })
})
