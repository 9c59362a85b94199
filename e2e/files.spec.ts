import { readFileSync } from 'node:fs'
import { DEMOS, expect, openDemo, saved, station, test } from './helpers.ts'

const file = (name: string, text: string) => ({ name, mimeType: 'application/json', buffer: Buffer.from(text) })

test('a damaged or newer file is explained, and nothing stored is lost', async ({ page }) => {
  await page.goto('/')
  await expect(page.getByRole('button', { name: /Beekeeper's double garage/ }).first()).toBeVisible()
  const demo = readFileSync('demo/beekeeper.tackloft.json', 'utf8')
  const choose = async (name: string, text: string) => {
    const chooser = page.waitForEvent('filechooser')
    await page.getByRole('button', { name: /Import a project file/ }).click()
    await (await chooser).setFiles(file(name, text))
  }
  await choose('broken.json', demo.slice(0, 900))
  await expect(page.getByRole('alert')).toContainText('can not be read as JSON')
  await expect(page.getByRole('alert')).toBeInViewport()
  await choose('bent.json', demo.replace('"count": 9', '"count": -9'))
  await expect(page.getByRole('alert')).toContainText('goods.0.count')
  await expect(page.getByRole('alert')).toContainText('the file has -9')
  await choose('newer.json', demo.replace(/"version": \d+/, '"version": 99'))
  await expect(page.getByRole('alert')).toContainText('newer version')
  await expect(page.locator('.box')).toHaveCount(DEMOS)
  await choose('good.json', demo)
  await expect(page.locator('.box')).toHaveCount(DEMOS + 1)
  await expect(page.getByText('good.json was imported.')).toBeInViewport()
  await page.getByRole('link', { name: 'Open it good.json' }).click()
  await expect(page.getByRole('heading', { name: 'Sort', exact: true })).toBeVisible()
  await page.goto('/')
  await expect(page.locator('.box')).toHaveCount(DEMOS + 1)
})

test('a project goes out as a file and comes back the same; binning has a way back', async ({ page }) => {
  await openDemo(page)
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Export the project file' }).click()
  const out = await download
  expect(out.suggestedFilename()).toBe('beekeeper-s-double-garage.tackloft.json')
  expect(JSON.parse(readFileSync(await out.path(), 'utf8'))).toEqual(
    JSON.parse(readFileSync('demo/beekeeper.tackloft.json', 'utf8')),
  )
  await page.getByRole('link', { name: 'All projects' }).click()
  await page.getByRole('button', { name: /^Bin Beekeeper/ }).click()
  await expect(page.locator('.box')).toHaveCount(DEMOS - 1)
  await page.getByRole('button', { name: /^Take back/ }).click()
  await expect(page.locator('.box')).toHaveCount(DEMOS)
})

test('two tabs keep both changes', async ({ page, context }) => {
  await openDemo(page)
  await station(page, 'Survey')
  const other = await context.newPage()
  await other.goto(page.url())
  await page.getByRole('button', { name: 'Ceiling and floor' }).click()
  await page.getByRole('textbox', { name: 'Ceiling height' }).fill('110')
  await page.getByRole('textbox', { name: 'Ceiling height' }).press('Enter')
  await saved(page)
  await other.getByRole('textbox', { name: 'Depth available' }).fill('37')
  await other.getByRole('textbox', { name: 'Depth available' }).press('Enter')
  await expect(other.getByRole('textbox', { name: 'Depth available' })).toHaveValue('37')
  await other.getByRole('button', { name: 'Ceiling and floor' }).click()
  await expect(other.getByRole('textbox', { name: 'Ceiling height' })).toHaveValue('110')
})

test.describe('kept whole', () => {
  test.use({ serviceWorkers: 'allow' })
  test('once opened it opens without the network', async ({ page, context }) => {
    await openDemo(page)
    await page.evaluate(async () => {
      await navigator.serviceWorker.ready
    })
    await expect.poll(() => page.evaluate(async () => (await caches.keys()).length)).toBeGreaterThan(0)
    await expect
      .poll(() => page.evaluate(async () => (await (await caches.open((await caches.keys())[0])).keys()).length))
      .toBeGreaterThan(30)
    await context.setOffline(true)
    await page.reload()
    await station(page, 'Build')
    await expect(page.getByRole('heading', { name: 'Make the story stick' })).toBeVisible()
    await station(page, 'Cut')
    await expect(page.getByText('Parts list')).toBeVisible()
  })
})
