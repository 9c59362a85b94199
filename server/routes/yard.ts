import type { Middleware } from 'koa'
import { z } from 'zod'
import { startingPrices } from '../../core/catalogue/prices.ts'
import { seeded } from '../../core/measure/seeded.ts'

/*
 * A stand-in for a lumber yard: its own prices, stock, gaps, delays and bad days, all from a seed, so that the same
 * week is always the same.
 *   GET  /api/yard/prices?yard=imperial[&week=0][&mood=well|slow|down]    prices and what is there
 *   POST /api/yard/reserve  { yard, week?, lines: [{ key, count }] }      what is put aside, what is short, and what would do instead
 */

const SEED = 4711
/** Prices move by this share from week to week, at most; a length in so many is out; a request in so many fails. */
const MOVES = 0.09
const OUT_SHARE = 0.08
const FAILS_SHARE = 0.1
const SLOW_MS = 2500
const MOST_BODY = 64_000

export interface YardLine {
  key: string
  label: string
  minor: number
  inStock: number
}

/** What the yard sells in a week. */
export function yardStock(yard: 'imperial' | 'metric', week: number): YardLine[] {
  return startingPrices(yard).map((l, i): YardLine => {
    const next = seeded(SEED + 7919 * i + 104_729 * week)
    const factor = 1 + MOVES * (2 * next() - 1)
    const out = next() < OUT_SHARE
    const many = l.per === 'board' ? 80 : l.per === 'sheet' ? 25 : 60
    return {
      key: l.key,
      label: l.label,
      minor: Math.max(1, Math.round(l.minor * factor)),
      inStock: out ? 0 : 1 + Math.floor(many * next()),
    }
  })
}

/** What could be taken instead: the same section a length or more longer, or a whole sheet for a part of one. */
export function substitutes(stock: readonly YardLine[], key: string, count: number): YardLine[] {
  const board = /^(board:.*):(\d+)$/.exec(key)
  if (board)
    return stock
      .filter(
        (l) =>
          l.key.startsWith(`${board[1]}:`) && Number(l.key.split(':').pop()) > Number(board[2]) && l.inStock >= count,
      )
      .slice(0, 2)
  const part = /^(sheet:[^:]+):(half|quarter)$/.exec(key)
  return part ? stock.filter((l) => l.key === part[1] && l.inStock >= count) : []
}

const reserve = z.object({
  yard: z.enum(['imperial', 'metric']),
  week: z.int().min(0).max(10_000).default(0),
  lines: z
    .array(z.object({ key: z.string().max(200), count: z.int().min(1).max(2000) }))
    .min(1)
    .max(500),
})
const wait = (ms: number) => new Promise((done) => setTimeout(done, ms))
let asked = 0

export const yard: Middleware = async (ctx, next) => {
  if (!ctx.path.startsWith('/api/yard/')) return next()
  ctx.set('Cache-Control', 'no-store')
  const mood = ctx.query.mood
  const chance = seeded(SEED + asked++)
  if (mood === 'down' || (mood === undefined && chance() < FAILS_SHARE)) {
    ctx.status = 503
    ctx.body = 'The yard does not answer.'
    return
  }
  if (mood === 'slow') await wait(SLOW_MS)
  else await wait(60 + 300 * chance())

  if (ctx.method === 'GET' && ctx.path === '/api/yard/prices') {
    const which = ctx.query.yard
    const week = Number(ctx.query.week ?? 0)
    if (which !== 'imperial' && which !== 'metric') ctx.throw(400, 'yard: imperial or metric is wanted')
    if (!Number.isInteger(week) || week < 0 || week > 10_000)
      ctx.throw(400, 'week: a whole number from 0 to 10000 is wanted')
    ctx.body = { lines: yardStock(which as 'imperial', week) }
    return
  }
  if (ctx.method === 'POST' && ctx.path === '/api/yard/reserve') {
    let text = ''
    for await (const chunk of ctx.req) {
      text += String(chunk)
      if (text.length > MOST_BODY) ctx.throw(413, 'The list is too long.')
    }
    let raw: unknown
    try {
      raw = JSON.parse(text)
    } catch {
      ctx.throw(400, 'JSON is wanted')
    }
    const read = reserve.safeParse(raw)
    if (!read.success)
      ctx.throw(
        400,
        read.error.issues
          .slice(0, 5)
          .map((i) => `${i.path.join('.')}: ${i.message}`)
          .join('; '),
      )
    const { yard: which, week, lines } = read.data!
    const stock = yardStock(which, week)
    ctx.body = {
      number: `R${String(asked).padStart(4, '0')}`,
      days: 3,
      lines: lines.map(({ key, count }) => {
        const there = stock.find((l) => l.key === key)?.inStock ?? 0
        const reserved = Math.min(count, there)
        return {
          key,
          reserved,
          short: count - reserved,
          instead:
            reserved < count
              ? substitutes(stock, key, count - reserved).map(({ key: k, label, minor }) => ({ key: k, label, minor }))
              : [],
        }
      }),
    }
    return
  }
  ctx.throw(404, 'No such counter at the yard.')
}
