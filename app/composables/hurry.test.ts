import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals'
import { effectScope, ref } from 'vue'
import { useHurry } from './hurry.ts'

describe('a hand that drags', () => {
  beforeEach(() => void jest.useFakeTimers())
  afterEach(() => void jest.useRealTimers())
  const watched = () => {
    const what = ref(0)
    const scope = effectScope()
    const hurried = scope.run(() => useHurry(() => what.value))!
    const change = (afterMs: number) => {
      jest.advanceTimersByTime(afterMs)
      what.value++
      return hurried.value
    }
    return { change, hurried, scope }
  }
  it('is none while changes come one by one', () => {
    const { change } = watched()
    expect([change(0), change(1000), change(400)]).toEqual([false, false, false])
  })
  it('is one from the second change on, known before anything reads what changed, until it rests', () => {
    const { change, hurried } = watched()
    expect([change(500), change(50), change(50)]).toEqual([false, true, true])
    jest.advanceTimersByTime(159)
    expect(hurried.value).toBe(true)
    jest.advanceTimersByTime(2)
    expect(hurried.value).toBe(false)
  })
  it('leaves nothing behind', () => {
    const { change, scope } = watched()
    change(500)
    change(20)
    scope.stop()
    expect(jest.getTimerCount()).toBe(0)
  })
})
