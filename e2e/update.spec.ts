import { spawn, type ChildProcess } from 'node:child_process'
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, openDemo, station, test } from './helpers.ts'

test.use({ serviceWorkers: 'allow' })

/** A server of a copy of the build, which can be changed under it. */
async function ownServer(): Promise<{ dist: string; base: string; server: ChildProcess }> {
  const home = mkdtempSync(join(tmpdir(), 'update-'))
  cpSync('dist', join(home, 'dist'), { recursive: true })
  const server = spawn(process.execPath, [join(process.cwd(), 'build/server/index.js')], {
    cwd: home,
    env: { ...process.env, PORT: '0' },
  })
  const said = await new Promise<string>((done) => server.stdout!.once('data', (d: Buffer) => done(String(d))))
  return { dist: join(home, 'dist'), base: /http:\/\/[^/]+/.exec(said)![0], server }
}
/** A new version: another page, and one part has another name (here: it is gone). */
function deploy(dist: string) {
  const part = readdirSync(join(dist, 'assets')).find((f) => /^BuildView-.*\.js$/.test(f))!
  for (const file of [part, `${part}.br`]) rmSync(join(dist, 'assets', file))
  const page = join(dist, 'index.html')
  writeFileSync(page, readFileSync(page, 'utf8').replace('<head>', '<head><meta name="made" content="second" />'))
  const worker = join(dist, 'service-worker.js')
  writeFileSync(
    worker,
    readFileSync(worker, 'utf8')
      .replace(/'loft-[^']+'/, "'loft-second'")
      .replace(`,"/assets/${part}"`, ''),
  )
}

test('a new version is told, old tabs go on with theirs, and a part that does not load says so', async ({ page }) => {
  const { dist, base, server } = await ownServer()
  try {
    await page.goto(`${base}/`)
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
    await expect.poll(() => page.evaluate(async () => Boolean(navigator.serviceWorker.controller))).toBe(true)
    const kept = await page.evaluate(async () =>
      (await (await caches.open((await caches.keys())[0])).keys()).map((r) => new URL(r.url).pathname),
    )
    expect(kept).toEqual(expect.arrayContaining(['/', '/manifest.webmanifest', '/mark.svg']))
    await page
      .getByRole('button', { name: /Beekeeper's double garage/ })
      .first()
      .click()
    await expect(page.getByRole('heading', { name: 'Sort', exact: true })).toBeVisible()

    deploy(dist)
    await page.evaluate(() => navigator.serviceWorker.ready.then((r) => r.update()).then(() => undefined))
    await expect(page.getByText('A new version of Tack Loft is here.')).toBeVisible()
    // The part is no longer on the server; this tab opens it all the same.
    await station(page, 'Build')
    await expect(page.getByRole('heading', { name: 'Make the story stick' })).toBeVisible()

    await station(page, 'Sort')
    await page.getByRole('button', { name: 'Load the new version' }).click()
    await expect(page.locator('meta[name=made]')).toHaveAttribute('content', 'second')
    await expect.poll(() => page.evaluate(() => caches.keys())).toEqual(['loft-second'])
    await expect(page.getByRole('heading', { name: 'Sort', exact: true })).toBeVisible()
    // The browser's own memory of old files is not to be relied on.
    await (await page.context().newCDPSession(page)).send('Network.clearBrowserCache')
    // It never gets there.
    await page.getByRole('link', { name: /^Build/ }).click()
    await expect(page.getByText('A part of the application did not load.')).toBeVisible()
    await expect(page.getByRole('button', { name: 'Load again' })).toBeVisible()
    await expect(page.getByRole('heading', { name: 'Sort', exact: true })).toBeVisible()
  } finally {
    server.kill('SIGKILL')
    rmSync(join(dist, '..'), { recursive: true, force: true })
  }
})

test('a server without a build says so without its folders, and ends', async () => {
  const home = mkdtempSync(join(tmpdir(), 'nothing-'))
  const server = spawn(process.execPath, [join(process.cwd(), 'build/server/index.js')], {
    cwd: home,
    env: { ...process.env, PORT: '0' },
  })
  let said = ''
  server.stderr.on('data', (d: Buffer) => (said += String(d)))
  const code = await new Promise((done) => server.once('exit', done))
  expect(code).toBe(1)
  expect(said).toContain('The application is not built.')
  expect(said).not.toContain(home)
  rmSync(home, { recursive: true })
})

test('heavy work that cannot be started says so, and goes on once it can be', async ({ page }) => {
  // The worker is the larger of the two parts that are called so: what asks it is small.
  const parts = readdirSync('dist/assets').filter((f) => /^heavy-.*\.js$/.test(f))
  const [worker] = parts.sort((a, b) => statSync(`dist/assets/${b}`).size - statSync(`dist/assets/${a}`).size)
  let gone = true
  await page.route(`**/assets/${worker}`, (route) => (gone ? route.abort() : route.continue()))
  await openDemo(page)
  await station(page, 'Shape')
  await expect(page.getByText('A part of the application did not load.')).toBeVisible()
  await page.getByRole('button', { name: 'New build' }).click()
  await page.getByRole('button', { name: 'One build' }).click()
  await page.getByRole('checkbox').first().check()
  const ask = page.getByRole('button', { name: 'Show me what would do' })
  await ask.click()
  // It is asked again as soon as it has failed, not waited for.
  await expect(ask).toBeEnabled()
  gone = false
  await ask.click()
  await expect(page.getByRole('article').first()).toBeVisible({ timeout: 20_000 })
  await page.getByRole('button', { name: 'Load again' }).click()
  await expect(page.getByText('A part of the application did not load.')).toBeHidden()
  await station(page, 'Buy')
  await expect(page.getByRole('row', { name: /^Total/ })).toBeVisible()
})
