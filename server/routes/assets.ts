import send from 'koa-send'
import type { Middleware } from 'koa'

const YEAR = 365 * 24 * 3600 * 1000

const WORKER = /^\/assets\/heavy-[\w-]+\.js$/

/** Files of the build; anything that is not a file and has no ending is a page of the application. */
export const assets =
  (dist: string): Middleware =>
  async (ctx, next) => {
    if (ctx.method !== 'GET' && ctx.method !== 'HEAD') return next()
    const hashed = ctx.path.startsWith('/assets/')
    try {
      // The worker may compile the solver's WebAssembly, and do nothing else besides.
      if (WORKER.test(ctx.path))
        ctx.set(
          'Content-Security-Policy',
          "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; connect-src 'self'",
        )
      const sent = await send(ctx, ctx.path === '/' ? '/index.html' : ctx.path, {
        root: dist,
        maxAge: hashed ? YEAR : 0,
        immutable: hashed,
      })
      if (sent) return
    } catch (e) {
      if ((e as { status?: number }).status !== 404) throw e
    }
    if (hashed || ctx.path.startsWith('/api/') || /\.[a-z0-9]+$/i.test(ctx.path)) return next()
    await send(ctx, '/index.html', { root: dist })
  }
