import * as Comlink from 'comlink'
import type { Heavy } from '../../workers/heavy.ts'

const open = () => new Worker(new URL('../../workers/heavy.ts', import.meta.url), { type: 'module' })
let started: Comlink.Remote<Heavy> | null = null

/** The worker for heavy work, started when first needed. */
export function useHeavy(): Comlink.Remote<Heavy> {
  started ??= Comlink.wrap<Heavy>(open())
  return started
}

/** A worker of its own for one long search, which can be ended at any moment. */
export function startLong(): { work: Comlink.Remote<Heavy>; end: () => void } {
  const worker = open()
  return { work: Comlink.wrap<Heavy>(worker), end: () => worker.terminate() }
}
export const callback = Comlink.proxy
