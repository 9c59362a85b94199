import { STATUS_CODES } from 'node:http'
import type { Middleware } from 'koa'

/** A visitor who went away in the middle: nothing is wrong here. */
const LEFT = new Set(['ECONNRESET', 'EPIPE', 'ECONNABORTED', 'ERR_STREAM_PREMATURE_CLOSE', 'ERR_STREAM_DESTROYED'])

interface Failure {
  status?: number
  expose?: boolean
  code?: string
  message?: string
}

/**
 * Answers refused and failed requests itself: the framework's own way drops every header set before, the security
 * policy with them. What a route says is passed on; what the system says (paths of files) is not.
 */
export const refusals: Middleware = async (ctx, next) => {
  try {
    await next()
  } catch (thrown) {
    const e = thrown as Failure
    const status = typeof e.status === 'number' && e.status >= 400 && e.status < 600 ? e.status : 500
    for (const name of ['Content-Encoding', 'Content-Length', 'ETag', 'Last-Modified']) ctx.remove(name)
    ctx.set('Cache-Control', 'no-store')
    ctx.type = 'text/plain'
    ctx.status = status
    ctx.body = status < 500 && e.expose && e.code === undefined ? (e.message ?? '') : (STATUS_CODES[status] ?? 'Error')
    if (status >= 500) ctx.app.emit('error', thrown, ctx)
  }
}

/** One line for what failed here, nothing for a visitor who left. */
export function logError(e: Failure): void {
  if (LEFT.has(e.code ?? '') || (e.status !== undefined && e.status < 500)) return
  process.stderr.write(`The server failed: ${(e.message ?? String(e)).split('\n')[0]}\n`)
}
