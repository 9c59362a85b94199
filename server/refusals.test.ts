import { expect, it } from '@jest/globals'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { connect, type AddressInfo } from 'node:net'
import type { Server } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { createApp } from './app.ts'
import { stopGently } from './stop.ts'

async function started(withBuild = true): Promise<{ server: Server; base: string; dist: string; port: number }> {
  const dist = mkdtempSync(join(tmpdir(), 'dist-'))
  if (withBuild) writeFileSync(join(dist, 'index.html'), '<!doctype html><title>x</title>')
  const server = createApp({ dist, start: 'empty' }).listen(0, '127.0.0.1')
  await new Promise((r) => server.once('listening', r))
  const { port } = server.address() as AddressInfo
  return { server, base: `http://127.0.0.1:${port}`, dist, port }
}
/** What is written to the error stream while something runs. */
async function written(work: () => Promise<void>): Promise<string> {
  let text = ''
  const write = process.stderr.write
  process.stderr.write = ((chunk: string) => ((text += chunk), true)) as never
  try {
    await work()
  } finally {
    process.stderr.write = write
  }
  return text
}

it('keeps the security policy on what it refuses, and says nothing of its own folders', async () => {
  const { server, base, dist } = await started(false)
  const asks: [string, RequestInit, number][] = [
    ['/api/meter?near=3', {}, 400],
    ['/api/yard/elsewhere?mood=well', {}, 404],
    ['/api/yard/reserve?mood=well', { method: 'POST', body: '[]' }, 400],
    ['/assets/none.js', {}, 404],
    ['/%E0%A4%A', {}, 400],
    ['/', {}, 404],
    ['/p/x/sort', {}, 404],
    ['/', { method: 'DELETE' }, 404],
  ]
  for (const [path, init, status] of asks) {
    const r = await fetch(base + path, init)
    expect([path, r.status]).toEqual([path, status])
    expect(r.headers.get('content-security-policy')).toContain("default-src 'none'")
    expect(r.headers.get('x-content-type-options')).toBe('nosniff')
    expect(await r.text()).not.toContain(dist)
  }
  await stopGently(server)
})

it('writes no stack when a visitor leaves in the middle of an answer', async () => {
  const { server, port } = await started()
  const text = await written(async () => {
    for (let i = 0; i < 3; i++) {
      const socket = connect(port, '127.0.0.1')
      socket.write('GET /api/meter?near=3650&count=20 HTTP/1.1\r\nHost: x\r\n\r\n')
      await new Promise((r) => socket.once('data', r))
      socket.resetAndDestroy()
      await new Promise((r) => setTimeout(r, 250))
    }
  })
  expect(text).toBe('')
  await stopGently(server)
})

it('lets busy clients have their answer when it is stopped, and takes no new ones', async () => {
  const { server, base } = await started()
  const meter = fetch(`${base}/api/meter?near=3650&count=8&seed=3`).then((r) => r.text())
  // Clients that keep asking on connections that stay open, as browsers do.
  let answers = 0
  const cut: string[] = []
  let stopped = false
  const asking = Promise.all(
    [1, 2, 3].map(async () => {
      while (!stopped) {
        try {
          const r = await fetch(`${base}/health`)
          if ((await r.text()) === '{"status":"ok"}') answers++
          else cut.push('answer')
        } catch (e) {
          // Refused before it was sent is fair; cut off in the middle of an answer is not.
          if (!/ECONNREFUSED|other side closed|fetch failed/.test(String((e as { cause?: Error }).cause ?? e)))
            cut.push(String(e))
          if (!server.listening) return
        }
      }
    }),
  )
  await new Promise((r) => setTimeout(r, 400))
  const began = performance.now()
  await stopGently(server)
  stopped = true
  await asking
  expect((await meter).endsWith('event: done\ndata: {}\n\n')).toBe(true)
  expect(performance.now() - began).toBeLessThan(6000)
  expect(answers).toBeGreaterThan(3)
  expect(cut).toEqual([])
  await expect(fetch(`${base}/health`)).rejects.toThrow()
})
