// Speed of readings where people wait for them, in the browser, then of cut plans: npm run bench [-- --node for the command's engine]
import { chromium } from '@playwright/test'
import { spawnSync } from 'node:child_process'
import { build } from 'vite'
import { executablePath } from './chromium.mjs'

const own = (script, args = []) => {
  const { status } = spawnSync(process.execPath, [script, ...args], { stdio: 'inherit' })
  if (status !== 0) process.exit(status ?? 1)
}

async function inBrowser() {
  // As the application is built, in one piece.
  const { output } = await build({
    configFile: false,
    logLevel: 'warn',
    publicDir: false,
    build: { write: false, target: 'es2022', lib: { entry: 'cli/bench.ts', formats: ['es'], fileName: 'bench' } },
  }).then((made) => (Array.isArray(made) ? made[0] : made))
  const browser = await chromium.launch({ executablePath, args: ['--no-sandbox'] })
  try {
    let builds = 1
    for (let k = 0; k < builds; k++) {
      const page = await browser.newPage()
      page.on('console', (said) => process.stdout.write(`${said.text()}\n`))
      page.setDefaultTimeout(0)
      const failed = new Promise((_, reject) => page.on('pageerror', reject))
      await page.evaluate((k) => Object.assign(globalThis, { benchOf: k }), k)
      await page.addScriptTag({ type: 'module', content: output[0].code })
      const ended = page.waitForFunction(() => globalThis.benched)
      builds = await Promise.race([failed, ended.then((of) => of.jsonValue())])
      await page.close()
    }
  } finally {
    await browser.close()
  }
}

if (process.argv.includes('--node')) own('build/cli/bench.js')
else await inBrowser()
own('build/cli/cut-bench.js')
