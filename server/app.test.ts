import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import { mkdtempSync, mkdirSync, writeFileSync } from 'node:fs'
import type { Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { brotliCompressSync } from 'node:zlib'
import { averageReadings } from '../core/measure/readings.ts'
import { createApp } from './app.ts'
import { startingPrices } from '../core/catalogue/prices.ts'
import { substitutes, yardStock, type YardLine } from './routes/yard.ts'
import { meterReadings } from './routes/meter.ts'

let server: Server
let base = ''
beforeAll(async () => {
  const dist = mkdtempSync(join(tmpdir(), 'dist-'))
  mkdirSync(join(dist, 'assets'))
  writeFileSync(join(dist, 'index.html'), '<!doctype html><title>x</title>')
  writeFileSync(join(dist, 'assets', 'a-1.js'), 'export {}'.repeat(400))
  writeFileSync(join(dist, 'assets', 'b-2.js'), 'whole')
  writeFileSync(join(dist, 'assets', 'b-2.js.br'), brotliCompressSync('packed'))
  server = createApp({ dist, start: 'empty' }).listen(0, '127.0.0.1')
  await new Promise((r) => server.once('listening', r))
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
})
afterAll(() => new Promise((r) => server.close(r)))

it('serves pages of the application at any of its paths, with a policy that allows no inline code', async () => {
  for (const path of ['/', '/p/x/shape']) {
    const r = await fetch(base + path)
    expect([r.status, r.headers.get('content-type')]).toEqual([200, 'text/html; charset=utf-8'])
    const policy = r.headers.get('content-security-policy')!
    expect(policy).toContain("default-src 'none'")
    expect(policy).not.toContain('unsafe')
    expect(r.headers.get('x-content-type-options')).toBe('nosniff')
  }
})
it('serves files with their hash for good, compressed, and 404 for what is not there', async () => {
  const r = await fetch(`${base}/assets/a-1.js`, { headers: { 'accept-encoding': 'gzip' } })
  expect([r.status, r.headers.get('content-encoding')]).toEqual([200, 'gzip'])
  expect(r.headers.get('cache-control')).toContain('immutable')
  for (const path of ['/assets/none.js', '/missing.png', '/api/none', '/..%2f..%2fetc%2fpasswd.txt'])
    expect([403, 404]).toContain((await fetch(base + path)).status)
})
it('sends what was compressed beside a file to whoever reads that, and the file to others', async () => {
  const ask = async (encoding: string) => {
    const r = await fetch(`${base}/assets/b-2.js`, { headers: { 'accept-encoding': encoding } })
    const [type, vary] = [r.headers.get('content-type'), r.headers.get('vary')]
    return [r.headers.get('content-encoding'), await r.text(), type, vary]
  }
  const [type, vary] = ['text/javascript; charset=utf-8', 'Accept-Encoding']
  expect(await ask('gzip, br')).toEqual(['br', 'packed', type, vary])
  expect(await ask('gzip')).toEqual([null, 'whole', type, vary])
})
it('tells that it is well, and how it was started', async () => {
  expect(await (await fetch(`${base}/health`)).json()).toEqual({ status: 'ok' })
  expect(await (await fetch(`${base}/api/start`)).json()).toEqual({ start: 'empty' })
  expect((await fetch(base, { method: 'POST' })).status).toBe(404)
})

it('streams a meter that scatters, with the odd reading the average puts aside, and says what it wants', async () => {
  const r = await fetch(`${base}/api/meter?near=3650&count=5&seed=3`)
  expect(r.headers.get('content-type')).toContain('text/event-stream')
  const events = (await r.text())
    .split('\n\n')
    .filter((e) => e.startsWith('data: {"n"'))
    .map((e) => JSON.parse(e.slice(6)) as { mm: number })
  expect(events.map((e) => e.mm)).toEqual(meterReadings(3650, 5, 3))
  let odd = 0
  // Whatever it is said to agree on is right; now and then it mostly met something else, and nothing is said.
  let silent = 0
  for (let seed = 1; seed <= 2000; seed++) {
    const a = averageReadings(meterReadings(4000, 9, seed))!
    odd += a.odd.length
    if (a.agree) expect(Math.abs(a.meanMm - 4000)).toBeLessThan(14)
    else silent++
  }
  expect(odd).toBeGreaterThan(600)
  expect(silent).toBeGreaterThan(0)
  expect(silent).toBeLessThan(60)
  for (const [query, said] of [
    ['near=3', 'near'],
    ['near=900&count=0', 'count'],
    ['', 'near'],
  ]) {
    const bad = await fetch(`${base}/api/meter?${query}`)
    expect(bad.status).toBe(400)
    expect(await bad.text()).toContain(said)
  }
})

describe('the yard', () => {
  const ask = (path: string, init?: RequestInit) => fetch(`${base}/api/yard/${path}`, init)
  const reserve = (body: string) => ask('reserve?mood=well', { method: 'POST', body })
  it('has the same prices all week, others the next, near those of the catalogue, and some lengths are out', async () => {
    const week = async (n: number) =>
      ((await (await ask(`prices?yard=imperial&week=${n}&mood=well`)).json()) as { lines: YardLine[] }).lines
    const [a, b, c] = [await week(3), await week(3), await week(4)]
    expect(a).toEqual(b)
    expect(a.map((l) => l.minor)).not.toEqual(c.map((l) => l.minor))
    const book = new Map(startingPrices('imperial').map((l) => [l.key, l.minor]))
    for (const l of a) expect(Math.abs(l.minor - book.get(l.key)!)).toBeLessThanOrEqual(0.09 * book.get(l.key)! + 1)
    expect(a.some((l) => l.inStock === 0)).toBe(true)
  })
  it('puts aside what is there, and offers longer boards for what is short', async () => {
    const stock = yardStock('imperial', 0)
    const out = stock.find(
      (l) => l.key.startsWith('board:') && l.inStock === 0 && substitutes(stock, l.key, 1).length > 0,
    )!
    const there = stock.find((l) => l.inStock > 3)!
    const r = (await (
      await reserve(
        JSON.stringify({
          yard: 'imperial',
          lines: [
            { key: out.key, count: 2 },
            { key: there.key, count: 3 },
          ],
        }),
      )
    ).json()) as { lines: { reserved: number; short: number; instead: { key: string }[] }[] }
    expect(r.lines.map((l) => [l.reserved, l.short])).toEqual([
      [0, 2],
      [3, 0],
    ])
    for (const i of r.lines[0].instead)
      expect(Number(i.key.split(':').pop())).toBeGreaterThan(Number(out.key.split(':').pop()))
  })
  it('says what it wants when asked badly, and that it is down when it is', async () => {
    expect((await ask('prices?yard=imperial&mood=down')).status).toBe(503)
    expect((await ask('prices?yard=moon&mood=well')).status).toBe(400)
    expect((await ask('prices?yard=metric&week=-1&mood=well')).status).toBe(400)
    expect((await ask('elsewhere?mood=well')).status).toBe(404)
    for (const body of ['', '[]', '{"yard":"metric","lines":[]}', '{"yard":"metric","lines":[{"key":"x","count":0}]}'])
      expect((await reserve(body)).status).toBe(400)
    expect((await reserve(`{"x":"${'y'.repeat(70_000)}"}`)).status).toBe(413)
  })
})
