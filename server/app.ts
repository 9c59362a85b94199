import compress from 'koa-compress'
import helmet from 'koa-helmet'
import Koa from 'koa'
import { logError, refusals } from './refusals.ts'
import { assets } from './routes/assets.ts'
import { health } from './routes/health.ts'
import { meter } from './routes/meter.ts'
import { yard } from './routes/yard.ts'

export interface AppOptions {
  /** Folder of the built application. */
  dist: string
  /** `empty` starts without the demo project. */
  start: 'demo' | 'empty'
}

const PAGE_POLICY = {
  'default-src': ["'none'"],
  'script-src': ["'self'"],
  'style-src': ["'self'"],
  'img-src': ["'self'", 'data:', 'blob:'],
  'font-src': ["'self'"],
  'connect-src': ["'self'"],
  'worker-src': ["'self'"],
  'manifest-src': ["'self'"],
  'base-uri': ["'none'"],
  'form-action': ["'none'"],
  'frame-ancestors': ["'none'"],
}

/** The web server: serves the build, tells how it started and whether it is well. */
export function createApp(options: AppOptions): Koa {
  const app = new Koa()
  app.use(
    helmet({
      contentSecurityPolicy: { useDefaults: false, directives: PAGE_POLICY },
      crossOriginEmbedderPolicy: true,
      // Plain http on this machine: nothing may be pinned to https.
      strictTransportSecurity: false,
      referrerPolicy: { policy: 'no-referrer' },
    }),
  )
  app.use(compress({ threshold: 1024 }))
  app.use(refusals)
  app.on('error', logError)
  app.use(health(options))
  app.use(meter)
  app.use(yard)
  app.use(assets(options.dist))
  return app
}
