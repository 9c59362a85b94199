import { chromium, type BrowserContext, type Page } from '@playwright/test'
import { spawnSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { DEMOS, expect, test } from './helpers.ts'

/*
 * A disk that is really full: the browser's profile lies on a small file system of its own. Where the machine allows no
 * such thing the failing writes of unsaved.spec.ts are what there is.
 */
const SIZE_MB = 90

/** A small file system, or null where one may not be made. */
function smallDisk(): string | null {
  const at = mkdtempSync(join(tmpdir(), 'small-'))
  return spawnSync('mount', ['-t', 'tmpfs', '-o', `size=${SIZE_MB}m`, 'tmpfs', at]).status === 0 ? at : null
}
/** Fills the disk to the last byte. */
function fill(at: string): void {
  mkdirSync(join(at, 'ballast'), { recursive: true })
  for (const size of [1_000_000, 50_000, 4096, 512])
    try {
      for (let n = 0; n < 5000; n++) writeFileSync(join(at, 'ballast', `${size}-${n}`), Buffer.alloc(size, 1))
    } catch {
      continue
    }
}
const free = (at: string) => rmSync(join(at, 'ballast'), { recursive: true, force: true })

const addBox = async (page: Page, name: string) => {
  await page.getByLabel(/One line/).fill(`3 ${name} 12 x 12 x 12, 5 lb`)
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByRole('textbox', { name: `Name of ${name}` })).toBeVisible()
}
const saved = (page: Page, timeout = 10_000) =>
  expect(page.getByText('saved', { exact: true })).toBeVisible({ timeout })

/**
 * With a look at the disk before each write, and where the browser offers none: then the writes themselves find it
 * full.
 */
for (const looks of [true, false])
  test(`what is called saved after a full disk is there after a restart, and what was there before${looks ? '' : ', without a look at the disk'}`, async ({
    baseURL,
  }, info) => {
    const disk = smallDisk()
    info.annotations.push({ type: 'small disk', description: disk ?? 'not allowed here' })
    if (!disk) return
    const base = String(baseURL)
    const launch = async (): Promise<BrowserContext> => {
      const browser = await chromium.launchPersistentContext(join(disk, 'profile'), {
        ...info.project.use.launchOptions,
        args: [...(info.project.use.launchOptions?.args ?? []), `--disk-cache-dir=${disk}-cache`],
        viewport: { width: 1280, height: 800 },
      })
      if (!looks)
        await browser.addInitScript(() =>
          Object.defineProperty(StorageManager.prototype, 'getDirectory', { value: undefined }),
        )
      return browser
    }
    const openProject = async (browser: BrowserContext): Promise<Page> => {
      const page = await browser.newPage()
      await page.goto(`${base}/`)
      await page
        .getByRole('button', { name: /On a small disk/ })
        .first()
        .click()
      return page
    }
    const has = async (page: Page, ...names: string[]) => {
      for (const name of names) await expect(page.getByRole('textbox', { name: `Name of ${name}` })).toBeVisible()
    }
    let browser = await launch()
    try {
      let page = await browser.newPage()
      await page.goto(`${base}/`)
      await page.getByLabel('Name').fill('On a small disk')
      await page.getByRole('button', { name: 'Start' }).click()
      await addBox(page, 'before')
      await saved(page)

      await page.waitForTimeout(3200)
      // The browser finds a little room of its own now and then: filled again until a change does not fit.
      const during: string[] = []
      const refused = page.getByText(/^not saved/).first()
      for (const name of ['red', 'blue', 'green', 'brown', 'white', 'black']) {
        fill(disk)
        await addBox(page, name)
        during.push(name)
        if (
          await refused.waitFor({ timeout: 5000 }).then(
            () => true,
            () => false,
          )
        )
          break
      }
      await expect(refused).toBeVisible()
      await expect(page.getByText(/not everything is saved/).first()).toBeVisible()
      if (looks) {
        // Still full: trying again does no harm and is not called saved.
        await page.getByRole('button', { name: /try again/i }).click()
        await expect(page.getByText('It still fails.')).toBeVisible({ timeout: 30_000 })
      }
      await addBox(page, 'waiting')
      await expect(page.getByText(/^not saved/).first()).toBeVisible()

      free(disk)
      await page.getByRole('button', { name: /try again/i }).click()
      await saved(page, 40_000)
      await expect(page.getByText(/not everything is saved/)).toHaveCount(0)
      await addBox(page, 'after')
      await saved(page)
      for (let restart = 0; restart < 2; restart++) {
        // The browser goes without asking the page, as when its machine is switched off.
        await page.close()
        await browser.close()
        browser = await launch()
        page = await openProject(browser)
        await has(page, 'before', ...during, 'waiting', 'after')
        // The demo projects lay beside it, in no tab: they are there as well.
        await page.getByRole('link', { name: 'All projects' }).click()
        await expect(page.locator('.box')).toHaveCount(DEMOS + 1)
        await page
          .getByRole('button', { name: /On a small disk/ })
          .first()
          .click()
        await addBox(page, ['morning', 'evening'][restart])
        await saved(page)
      }
      if (!looks) return

      // Full again, and room again without anybody pressing anything: it is saved by itself, and stays.
      await page.waitForTimeout(3200)
      fill(disk)
      await addBox(page, 'late')
      await expect(page.getByText(/^not saved/).first()).toBeVisible({ timeout: 20_000 })
      free(disk)
      await saved(page, 40_000)
      for (let restart = 0; restart < 2; restart++) {
        // The browser goes without asking the page, as when its machine is switched off.
        await page.close()
        await browser.close()
        browser = await launch()
        page = await openProject(browser)
        await has(page, 'evening', 'late', ...(restart === 1 ? ['again'] : []))
        await addBox(page, restart === 1 ? 'last' : 'again')
        await saved(page, 40_000)
      }
    } finally {
      await browser.close().catch(() => undefined)
      spawnSync('umount', ['-l', disk])
      rmSync(`${disk}-cache`, { recursive: true, force: true })
    }
  })
