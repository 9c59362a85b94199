import type { Ref } from 'vue'

/** What a hand on the drawing does. */
export interface Moves {
  /** Radians to the right and up. */
  turn(right: number, up: number): void
  /** Shares of the height in sight, to the right and up. */
  move(right: number, up: number): void
  /** Nearer below one. */
  zoom(by: number): void
  /** A press that did not move, from −1 to 1 to the right and up. */
  press(x: number, y: number): void
}

/** A press that moves less than this is a pick, pixels. */
const MOVED_PX = 4
/** The height of the drawing turns it half round. */
const HALF_ROUND = Math.PI

/**
 * Mouse and touch: one finger or the left button turns; two fingers, the right button or Shift move it, and two fingers
 * and the wheel bring it nearer.
 */
export function useHands(host: Ref<HTMLElement | null>, to: Moves) {
  const down = new Map<number, { x: number; y: number }>()
  let travelled = 0
  const high = () => host.value?.clientHeight || 1
  const middleOf = () => {
    const all = [...down.values()]
    const x = all.reduce((s, p) => s + p.x, 0) / all.length
    const y = all.reduce((s, p) => s + p.y, 0) / all.length
    return { x, y, wide: all.length > 1 ? Math.hypot(all[0].x - all[1].x, all[0].y - all[1].y) : 0 }
  }
  return {
    pointerdown(e: PointerEvent) {
      if (down.size === 0) travelled = 0
      down.set(e.pointerId, { x: e.clientX, y: e.clientY })
      host.value?.setPointerCapture(e.pointerId)
    },
    pointermove(e: PointerEvent) {
      if (!down.has(e.pointerId)) return
      const before = middleOf()
      down.set(e.pointerId, { x: e.clientX, y: e.clientY })
      const now = middleOf()
      const [dx, dy] = [(now.x - before.x) / high(), (now.y - before.y) / high()]
      travelled += Math.hypot(now.x - before.x, now.y - before.y)
      if (travelled < MOVED_PX && down.size === 1) return
      // What is under the hand follows it.
      if (down.size > 1 || e.buttons === 2 || e.shiftKey) to.move(-dx, dy)
      else to.turn(-dx * HALF_ROUND, dy * HALF_ROUND)
      if (before.wide > 0 && now.wide > 0 && before.wide !== now.wide) {
        travelled += MOVED_PX
        to.zoom(before.wide / now.wide)
      }
    },
    pointerup(e: PointerEvent) {
      const pressed = down.delete(e.pointerId) && down.size === 0 && travelled < MOVED_PX
      if (!pressed || e.button !== 0 || !host.value) return
      const box = host.value.getBoundingClientRect()
      to.press((2 * (e.clientX - box.left)) / box.width - 1, 1 - (2 * (e.clientY - box.top)) / box.height)
    },
    pointercancel: (e: PointerEvent) => void down.delete(e.pointerId),
    contextmenu: (e: MouseEvent) => e.preventDefault(),
    wheel(e: WheelEvent) {
      e.preventDefault()
      to.zoom(Math.exp(Math.min(1, Math.max(-1, e.deltaY / 600))))
    },
  }
}
