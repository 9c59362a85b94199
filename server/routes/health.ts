import type { Middleware } from 'koa'

/**
 * `/health` for whoever watches the server; `/api/start` tells a fresh browser whether to open with the demo project.
 */
export const health =
  (options: { start: 'demo' | 'empty' }): Middleware =>
  async (ctx, next) => {
    if (ctx.method !== 'GET' && ctx.method !== 'HEAD') return next()
    if (ctx.path === '/health') ctx.body = { status: 'ok' }
    else if (ctx.path === '/api/start') {
      ctx.set('Cache-Control', 'no-store')
      ctx.body = { start: options.start }
    } else return next()
  }
