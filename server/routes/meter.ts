import { PassThrough } from 'node:stream'
import type { Middleware } from 'koa'
import { seeded } from '../../core/measure/seeded.ts'

/*
 * A stand-in for a distance meter: `GET /api/meter?near=3650&count=9&seed=7` streams readings of a length near the one
 * given, one event each. Like a real one it scatters by about a millimetre, and now and then it hits something else
 * than the wall.
 */

const MOST = 40
const EVERY_MS = 180
const SCATTER_MM = 1.1
const ODD_SHARE = 0.12

/** Readings of the stand-in, mm to a tenth. The true length lies within a centimetre of the one it is pointed at. */
export function meterReadings(nearMm: number, count: number, seed: number): number[] {
  const next = seeded(seed)
  const normal = () => Math.sqrt(-2 * Math.log(next() + 1e-12)) * Math.cos(2 * Math.PI * next())
  const trueMm = nearMm + (next() - 0.5) * 20
  return Array.from({ length: count }, (_, i) => {
    // The second reading is never odd, so that a short series still agrees on something.
    const odd = i !== 1 && next() < ODD_SHARE
    const mm = trueMm + SCATTER_MM * normal() - (odd ? 60 + 340 * next() : 0)
    return Math.max(20, Math.round(mm * 10) / 10)
  })
}

export const meter: Middleware = async (ctx, next) => {
  if (ctx.method !== 'GET' || ctx.path !== '/api/meter') return next()
  const near = Number(ctx.query.near)
  const count = Number(ctx.query.count ?? 9)
  const seed = Number(ctx.query.seed ?? 1)
  if (!(near >= 50 && near <= 50_000)) ctx.throw(400, 'near: a length from 50 to 50000 mm is wanted')
  if (!(Number.isInteger(count) && count >= 1 && count <= MOST))
    ctx.throw(400, `count: a whole number from 1 to ${MOST} is wanted`)
  if (!Number.isFinite(seed)) ctx.throw(400, 'seed: a number is wanted')
  const stream = new PassThrough()
  ctx.compress = false
  ctx.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store' })
  ctx.body = stream
  const readings = meterReadings(near, count, seed)
  let i = 0
  const timer = setInterval(() => {
    if (i < readings.length)
      stream.write(`data: ${JSON.stringify({ n: i + 1, of: readings.length, mm: readings[i++] })}\n\n`)
    else {
      clearInterval(timer)
      stream.end('event: done\ndata: {}\n\n')
    }
  }, EVERY_MS)
  stream.on('close', () => clearInterval(timer))
}
