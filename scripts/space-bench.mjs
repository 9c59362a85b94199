// Frames of the drawing one walks round, turning all the time, by software rendering at 1280 × 800: npm run bench:space [-- --goods]
import { chromium } from '@playwright/test'
import { spawn } from 'node:child_process'
import { executablePath } from './chromium.mjs'

/** @param times of frames, ms */
function report(what, times) {
  const apart = times.slice(1).map((t, i) => t - times[i])
  const over = apart.filter((ms) => ms > BUDGET_MS).length
  apart.sort((a, b) => a - b)
  const at = (share) => apart[Math.min(apart.length - 1, Math.floor(share * apart.length))].toFixed(1)
  process.stdout.write(
    `${what}: ${apart.length} frames, median ${at(0.5)} ms, 95 % ${at(0.95)} ms, longest ${at(1)} ms, ${over} over ${BUDGET_MS} ms\n`,
  )
}

const BUDGET_MS = 33
const PORT = 5198
const FRAMES = 180
const server = spawn(process.execPath, ['build/server/index.js'], {
  env: { ...process.env, PORT: String(PORT) },
  stdio: ['ignore', 'pipe', 'inherit'],
})
await new Promise((resolve) => server.stdout.once('data', resolve))
const browser = await chromium.launch({
  executablePath,
  args: ['--no-sandbox'],
})
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(`http://127.0.0.1:${PORT}/`)
  await page
    .getByRole('button', { name: /double garage/ })
    .first()
    .waitFor()
  await page.goto(`http://127.0.0.1:${PORT}/p/demo-beekeeper/shape`)
  await page.getByRole('button', { name: 'Walk round' }).click()
  await page.getByLabel('whole room').check()
  await page.locator('.host canvas').waitFor()
  await page.waitForTimeout(1500)
  if (!process.argv.includes('--goods')) await page.getByRole('checkbox', { name: 'goods' }).uncheck()
  await page.waitForTimeout(1500)
  // As large as the screen.
  await page.evaluate(() =>
    Object.assign(document.querySelector('.host').style, { position: 'fixed', inset: '0', zIndex: '9999' }),
  )
  await page.waitForTimeout(2500)
  // Frames are drawn in a worker of their own: what it draws is counted there.
  const worker = page.workers().find((w) => w.url().includes('stage'))
  await worker.evaluate(() => {
    const ask = self.requestAnimationFrame.bind(self)
    self.drawn = []
    self.requestAnimationFrame = (draw) =>
      ask((t) => {
        draw(t)
        self.drawn.push(performance.now())
      })
  })
  await page.evaluate(
    (frames) =>
      new Promise((done) => {
        const host = document.querySelector('.host')
        let n = 0
        const step = () => {
          host.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', bubbles: true }))
          if (++n > frames) done()
          else requestAnimationFrame(step)
        }
        requestAnimationFrame(step)
      }),
    FRAMES,
  )
  report('Walk round the whole room of the demo', await worker.evaluate(() => self.drawn))
  // What this machine does with next to nothing to draw: no drawing can be more even.
  const plain = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  report(
    'A page that only changes its colour',
    await plain.evaluate(
      (frames) =>
        new Promise((done) => {
          const times = []
          const step = () => {
            times.push(performance.now())
            document.body.style.background = `rgb(${times.length}, 0, 0)`
            if (times.length > frames) done(times)
            else requestAnimationFrame(step)
          }
          requestAnimationFrame(step)
        }),
      FRAMES,
    ),
  )
} finally {
  await browser.close()
  server.kill('SIGTERM')
}
