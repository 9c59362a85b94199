// Remakes docs/screenshots from the demo data: npm run shots [-- names …]
import { chromium } from '@playwright/test'
import { spawn } from 'node:child_process'
import { mkdirSync, readFileSync } from 'node:fs'
import { executablePath } from './chromium.mjs'

const PORT = 5199
const OUT = process.env.SHOTS_OUT ?? 'docs/screenshots'
const wanted = process.argv.slice(2)
const DESK = { width: 1280, height: 800 }
const TALL = { width: 1280, height: 1100 }
const PHONE = { width: 390, height: 844 }
const P = '/p/demo-beekeeper'
const SHOTS = [
  { name: 'projects', path: '/', size: DESK, before: (page) => page.waitForTimeout(2500) },
  {
    name: 'sort',
    path: `${P}/sort`,
    size: DESK,
    before: (page) => page.getByRole('button', { name: '7 tote of wax blocks' }).click(),
  },
  { name: 'survey', path: `${P}/survey`, size: DESK },
  {
    name: 'survey-plan',
    path: '/p/demo-potter/survey',
    size: TALL,
    before: (page) => page.getByRole('button', { name: 'Things in the room' }).click(),
  },
  {
    name: 'shape-rod-stack',
    path: `${P}/shape`,
    size: DESK,
    before: async (page) => {
      await page.getByRole('button', { name: 'Feeder stack' }).first().click()
      await page.getByRole('button', { name: 'In space' }).click()
      await page.getByRole('checkbox', { name: 'taken apart' }).check()
      await page.waitForTimeout(800)
    },
  },
  {
    name: 'shape-wall-cabinet',
    path: `${P}/shape`,
    size: DESK,
    before: async (page) => {
      await page.getByRole('button', { name: 'Label cabinet' }).first().click()
      await page.getByRole('button', { name: 'Walk round' }).click()
      await page.getByRole('slider', { name: 'opened' }).fill('0.8')
      await page.waitForTimeout(2500)
    },
  },
  {
    name: 'shape-drawers',
    path: '/p/demo-potter/shape',
    size: DESK,
    before: async (page) => {
      await page.getByRole('button', { name: 'Drawers' }).first().click()
      await page.getByRole('button', { name: 'Walk round' }).click()
      await page.getByRole('slider', { name: 'opened' }).fill('0.7')
      await page.waitForTimeout(1500)
    },
  },
  {
    name: 'plan-room',
    path: '/',
    size: TALL,
    before: async (page) => {
      // The boat mender's things and room, with nothing built yet.
      const named = page.getByText('Boat mender')
      await named.first().waitFor()
      await page.waitForTimeout(1000)
      const shown = await named.count()
      const chooser = page.waitForEvent('filechooser')
      await page.getByRole('button', { name: 'Import a project file' }).click()
      const emptied = { ...JSON.parse(readFileSync('demo/boats.tackloft.json', 'utf8')), id: 'to-plan', builds: [] }
      emptied.progress = { ...emptied.progress, letters: {}, steps: [], measured: {} }
      const file = { name: 'to-plan.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(emptied)) }
      await (await chooser).setFiles(file)
      await named.nth(shown).waitFor()
      await page.goto(`http://127.0.0.1:${PORT}/p/to-plan/shape`)
      await page.getByRole('button', { name: 'Plan the room' }).click()
      await page.getByText(/^Done: /).waitFor({ timeout: 90_000 })
      await page.getByRole('heading', { name: 'Wishes' }).or(page.getByText('Wishes')).first().scrollIntoViewIfNeeded()
    },
  },
  {
    name: 'prove',
    path: `${P}/prove`,
    size: DESK,
    before: async (page) => {
      await page.getByRole('button', { name: 'Honey shelves' }).first().click()
      await page.locator('[data-check^="sag:"]').first().click()
      await page.getByText('Working', { exact: true }).click()
    },
  },
  {
    name: 'prove-side-by-side',
    path: `${P}/prove`,
    size: TALL,
    before: async (page) => {
      await page.getByRole('button', { name: 'Work it out' }).first().click()
      await page.getByRole('button', { name: 'Compare' }).click()
      await page.waitForTimeout(4000)
      await page
        .getByRole('heading', { name: 'What can each shelf carry?' })
        .evaluate((h) => h.scrollIntoView({ block: 'start' }))
    },
  },
  {
    name: 'start-build',
    path: `${P}/shape`,
    size: DESK,
    before: async (page) => {
      await page.getByRole('button', { name: 'New build' }).click()
      await page.getByRole('checkbox', { name: /deep hive box/ }).check()
      await page.getByLabel('Wall', { exact: true }).selectOption({ label: "East wall, 20'" })
      await page.getByRole('button', { name: 'Show me what would do' }).click()
      // Until none is worked at any more.
      await page.getByRole('button', { name: 'Show me what would do' }).waitFor({ timeout: 60_000 })
      await page.getByRole('article').first().waitFor()
      await page.getByRole('article').first().scrollIntoViewIfNeeded()
    },
  },
  {
    name: 'prove-fails',
    path: `${P}/shape`,
    size: DESK,
    before: async (page) => {
      await page.getByRole('button', { name: 'Honey shelves' }).first().click()
      await page.getByLabel('Shelf sheet').selectOption({ label: '7/16 in OSB, 24/16' })
      await page.getByRole('textbox', { name: 'Cross pieces, at most every' }).fill('48')
      await page.keyboard.press('Enter')
      await page
        .getByRole('navigation', { name: 'Stations' })
        .getByRole('link', { name: /^Prove/ })
        .click()
      await page
        .getByRole('button', { name: /^Do it/ })
        .first()
        .waitFor()
    },
  },
  {
    name: 'buy',
    path: `${P}/buy`,
    size: DESK,
    before: (page) => page.getByRole('rowheader', { name: 'Total' }).waitFor(),
  },
  { name: 'cut', path: `${P}/cut`, size: DESK, before: (page) => page.getByText('Parts list').waitFor() },
  { name: 'cut-phone', path: `${P}/cut`, size: PHONE, before: (page) => page.getByText('Parts list').waitFor() },
  {
    name: 'build',
    path: `${P}/build`,
    size: TALL,
    before: (page) => page.getByRole('button', { name: 'Front frame' }).click(),
  },
  {
    name: 'build-setting-out',
    path: `${P}/build`,
    size: TALL,
    before: async (page) => {
      await page.getByRole('button', { name: 'Feeder stack' }).first().click()
      await page.getByRole('button', { name: 'Spreaders' }).click()
      await page.getByText('Setting out').evaluate((e) => e.scrollIntoView({ block: 'center' }))
      await page.waitForTimeout(800)
    },
  },
  {
    name: 'build-phone',
    path: `${P}/build`,
    size: PHONE,
    // Until what it costs is reckoned, everything else is drawn too.
    before: (page) => page.getByRole('link', { name: /^\$/ }).waitFor(),
  },
  { name: 'shape-dark', path: `${P}/shape`, size: DESK, dark: true },
]

const server = spawn(process.execPath, ['build/server/index.js'], {
  env: { ...process.env, PORT: String(PORT) },
  stdio: ['ignore', 'pipe', 'inherit'],
})
await new Promise((resolve) => server.stdout.once('data', resolve))
mkdirSync(OUT, { recursive: true })
const browser = await chromium.launch({
  executablePath,
  args: ['--no-sandbox', '--enable-unsafe-swiftshader', '--disable-background-networking'],
})
try {
  for (const s of SHOTS) {
    if (wanted.length > 0 && !wanted.includes(s.name)) continue
    const context = await browser.newContext({
      viewport: s.size,
      colorScheme: s.dark ? 'dark' : 'light',
      locale: 'en-US',
      timezoneId: 'UTC',
    })
    const page = await context.newPage()
    page.on(
      'console',
      (m) => ['error', 'warning'].includes(m.type()) && process.stderr.write(`${s.name}: ${m.text()}\n`),
    )
    page.on('pageerror', (e) => process.stderr.write(`${s.name}: ${e.message}\n`))
    await page.goto(`http://127.0.0.1:${PORT}/`)
    await page
      .getByRole('button', { name: /double garage/ })
      .first()
      .waitFor()
    if (s.path !== '/') await page.goto(`http://127.0.0.1:${PORT}${s.path}`)
    await page.waitForTimeout(700)
    await s.before?.(page)
    await page.waitForTimeout(300)
    await page.screenshot({ path: `${OUT}/${s.name}.png` })
    await context.close()
    process.stderr.write(`${s.name}\n`)
  }
} finally {
  await browser.close()
  server.kill('SIGTERM')
}
