import { describe, expect, it } from '@jest/globals'
import { ref } from 'vue'
import { useHands } from './hands.ts'

const host = () =>
  ref({
    clientHeight: 400,
    setPointerCapture: () => undefined,
    getBoundingClientRect: () => ({ left: 100, top: 50, width: 600, height: 400 }),
  } as unknown as HTMLElement)
const at = (x: number, y: number, more: Partial<PointerEvent> = {}) =>
  ({ pointerId: 1, clientX: x, clientY: y, button: 0, buttons: 1, ...more }) as PointerEvent

function hand() {
  const done: [string, ...number[]][] = []
  const say =
    (name: string) =>
    (...n: number[]) =>
      void done.push([name, ...n.map((v) => Math.round(v * 1e6) / 1e6 || 0)])
  const h = useHands(host(), { turn: say('turn'), move: say('move'), zoom: say('zoom'), press: say('press') })
  return { h, done }
}

describe('hands on a drawing in space', () => {
  it('a press that does not move picks, in the middle and at the corner', () => {
    const { h, done } = hand()
    h.pointerdown(at(400, 250))
    h.pointermove(at(402, 251))
    h.pointerup(at(402, 251))
    h.pointerdown(at(100, 50))
    h.pointerup(at(100, 50))
    expect(done).toEqual([
      ['press', 0.006667, -0.005],
      ['press', -1, 1],
    ])
  })
  it('one finger turns, by half round for the height of the drawing, and picks nothing', () => {
    const { h, done } = hand()
    h.pointerdown(at(300, 200))
    h.pointermove(at(500, 200))
    h.pointerup(at(500, 200))
    expect(done).toEqual([['turn', -1.570796, 0]])
  })
  it('the right button and Shift move it under the hand', () => {
    const { h, done } = hand()
    h.pointerdown(at(300, 200, { buttons: 2, button: 2 }))
    h.pointermove(at(300, 240, { buttons: 2 }))
    h.pointerup(at(300, 240, { button: 2 }))
    h.pointerdown(at(300, 200))
    h.pointermove(at(340, 200, { shiftKey: true }))
    expect(done).toEqual([
      ['move', 0, 0.1],
      ['move', -0.1, 0],
    ])
  })
  it('two fingers bring it nearer as they part, and a finger lifted is no pick', () => {
    const { h, done } = hand()
    h.pointerdown(at(300, 200))
    h.pointerdown(at(400, 200, { pointerId: 2 }))
    h.pointermove(at(500, 200, { pointerId: 2 }))
    h.pointerup(at(500, 200, { pointerId: 2 }))
    h.pointerup(at(300, 200))
    expect(done).toEqual([
      ['move', -0.125, 0],
      ['zoom', 0.5],
    ])
  })
  it('a pointer that was never down, or was taken away, does nothing', () => {
    const { h, done } = hand()
    h.pointermove(at(300, 200))
    h.pointerdown(at(300, 200))
    h.pointercancel(at(300, 200))
    h.pointermove(at(500, 200))
    h.pointerup(at(500, 200))
    expect(done).toEqual([])
  })
  it('the wheel zooms, however hard it is turned, by less than three times', () => {
    const { h, done } = hand()
    let kept = 0
    const wheel = (deltaY: number) => h.wheel({ deltaY, preventDefault: () => kept++ } as unknown as WheelEvent)
    wheel(60)
    wheel(-60)
    wheel(1e6)
    expect(done[0][1]).toBeCloseTo(1 / (done[1][1] as number), 5)
    expect(done[2][1]).toBeCloseTo(Math.E, 5)
    expect(kept).toBe(3)
  })
})
