import * as Comlink from 'comlink'
import type { Ref } from 'vue'
import type { Heavy } from '../../workers/heavy.ts'
import { noteLoadFault } from '../persistence/version.ts'

const open = () => new Worker(new URL('../../workers/heavy.ts', import.meta.url), { type: 'module' })

/**
 * What a worker is asked for; it fails once the worker could not be loaded or has died, which would never answer. What
 * could not be loaded is told as any other part of the application is.
 */
function asked(worker: Worker, gone: () => void = () => undefined): Comlink.Remote<Heavy> {
  const remote = Comlink.wrap<Heavy>(worker)
  const failed = new Promise<never>((_done, fail) =>
    worker.addEventListener('error', (e) => {
      const isLoading = !e.message
      if (isLoading) noteLoadFault(() => location.reload())
      gone()
      fail(new Error(isLoading ? 'Error loading a worker.' : e.message))
    }),
  )
  failed.catch(() => undefined)
  const orFailed = (key: keyof Heavy) => {
    const ask = remote[key] as (...given: unknown[]) => Promise<unknown>
    return (...given: unknown[]) => Promise.race([ask(...given), failed])
  }
  return new Proxy(remote, { get: (_of, key) => orFailed(key as keyof Heavy) })
}

let started: Comlink.Remote<Heavy> | null = null
/** The worker for heavy work, started when first needed, and anew once it has died. */
export function useHeavy(): Comlink.Remote<Heavy> {
  started ??= asked(open(), () => (started = null))
  return started
}

/** A worker of its own for one long search, which can be ended at any moment. */
export function startLong(): { work: Comlink.Remote<Heavy>; end: () => void } {
  const worker = open()
  return { work: asked(worker), end: () => worker.terminate() }
}
export const callback = Comlink.proxy

/** Marks that something is worked on for as long as it is, whatever becomes of it. */
export async function working<T, F>(flag: Ref<F>, on: F, off: F, work: () => Promise<T>): Promise<T> {
  flag.value = on
  try {
    return await work()
  } finally {
    flag.value = off
  }
}
