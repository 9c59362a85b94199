import * as Comlink from 'comlink'
import { shallowRef, watchEffect, type ShallowRef } from 'vue'
import type { Drawings } from '../../workers/drawings.ts'

let started: Comlink.Remote<Drawings> | null = null

/** The worker for drawings in space, started when first needed. */
function useDrawings(): Comlink.Remote<Drawings> {
  started ??= Comlink.wrap<Drawings>(
    new Worker(new URL('../../workers/drawings.ts', import.meta.url), { type: 'module' }),
  )
  return started
}

/**
 * What the worker draws of what it is given, again whenever that changes; the last drawing stays until the next is there, and goes where that fails.
 * @param ask reads what the drawing depends on at once, and sends it to the worker; null: nothing to draw
 */
export function useDrawn<T>(ask: (d: Comlink.Remote<Drawings>) => Promise<T> | null): ShallowRef<T | null> {
  const drawn = shallowRef<T | null>(null)
  let asked = 0
  watchEffect(() => {
    const mine = ++asked
    const answer = ask(useDrawings())
    const show = (d: T | null) => void (mine === asked && (drawn.value = d))
    if (!answer) return show(null)
    answer.then(show).catch((e: unknown) => {
      // What could not be drawn is not shown as it was before.
      show(null)
      throw e
    })
  })
  return drawn
}
