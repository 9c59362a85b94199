import * as Comlink from 'comlink'
import { Stage } from '../app/space/stage.ts'

/**
 * The surface one walks round on, drawn in a worker: neither making its programs nor drawing holds up the page.
 * @returns null where the browser cannot draw on it
 */
const open = (canvas: OffscreenCanvas, lost: () => void): (Stage & Comlink.ProxyMarked) | null => {
  try {
    return Comlink.proxy(new Stage(canvas, lost))
  } catch {
    return null
  }
}
export type OpenStage = typeof open

Comlink.expose(open)
