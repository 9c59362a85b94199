import type { Server, ServerResponse } from 'node:http'
import { Server as NetServer } from 'node:net'

/** The longest answer is the meter's, some 7 s; who takes longer is cut off, ms. */
const PATIENCE_MS = 10_000
const LOOK_EVERY_MS = 50
/**
 * A connection that is quiet this long after the stop is closed: one that asks again before is told to close with its
 * answer, ms.
 */
const QUIET_MS = 400

/**
 * Stops taking calls, lets every client have the answer it is waiting for, and is done. Connections are closed behind
 * their answer, so that a client that keeps asking on one finds it closed between two answers, not in the middle of
 * one.
 */
export function stopGently(server: Server, patienceMs = PATIENCE_MS): Promise<void> {
  server.prependListener('request', (_req: unknown, res: ServerResponse) => res.setHeader('Connection', 'close'))
  return new Promise((resolve) => {
    let look: ReturnType<typeof setInterval>
    const quiet = setTimeout(() => (look = setInterval(() => server.closeIdleConnections(), LOOK_EVERY_MS)), QUIET_MS)
    const impatient = setTimeout(() => server.closeAllConnections(), patienceMs)
    // Not the web server's own close: that drops quiet connections at once, and with them what is just being asked on
    // them.
    NetServer.prototype.close.call(server, () => {
      clearTimeout(quiet)
      clearInterval(look)
      clearTimeout(impatient)
      resolve()
    })
  })
}
