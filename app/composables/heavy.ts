import * as Comlink from 'comlink'
import type { Heavy } from '../../workers/heavy.ts'

let started: Comlink.Remote<Heavy> | null = null

/** The worker for heavy work, started when first needed. */
export function useHeavy(): Comlink.Remote<Heavy> {
  started ??= Comlink.wrap<Heavy>(new Worker(new URL('../../workers/heavy.ts', import.meta.url), { type: 'module' }))
  return started
}
