import type { Page } from '@playwright/test'
import { expect, openDemo, station, startEmpty, test } from './helpers.ts'

/** Every write fails as on a full disk for as long as this is set. */
const failing = (page: Page, on: boolean) =>
  page.evaluate((fail) => void ((window as unknown as { noSpace: boolean }).noSpace = fail), on)
const withFailure = (page: Page) =>
  page.addInitScript(() => {
    const put = IDBObjectStore.prototype.put
    IDBObjectStore.prototype.put = function (...args: [unknown]) {
      if ((window as unknown as { noSpace?: boolean }).noSpace) throw new DOMException('no room', 'QuotaExceededError')
      return put.apply(this, args)
    }
  })
const addBox = async (page: Page, name: string) => {
  await page.getByLabel(/One line/).fill(`3 ${name} 12 x 12 x 12, 5 lb`)
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByRole('textbox', { name: `Name of ${name}` })).toBeVisible()
}

test('unsaved work is asked about, kept when it is left, and saved once there is room', async ({ page }) => {
  await withFailure(page)
  await startEmpty(page, 'Full')
  await addBox(page, 'first')
  await expect(page.getByText('saved', { exact: true })).toBeVisible()
  await failing(page, true)
  await addBox(page, 'second')
  await expect(page.getByText('not saved: disk full')).toBeVisible()
  await expect(page.getByText('The disk is full: not everything is saved.')).toBeVisible()

  await page.getByRole('link', { name: 'All projects' }).click()
  const ask = page.getByRole('dialog')
  await expect(ask).toContainText('Not everything is saved')
  const download = page.waitForEvent('download')
  await ask.getByRole('button', { name: 'Export the project file' }).click()
  expect((await download).suggestedFilename()).toBe('full.tackloft.json')
  await ask.getByRole('button', { name: 'Stay here' }).click()
  await expect(page.getByRole('textbox', { name: 'Name of second' })).toBeVisible()

  await page.getByRole('link', { name: 'All projects' }).click()
  await page.getByRole('button', { name: 'Leave, keep them in this tab' }).click()
  await expect(page.getByRole('heading', { name: 'Not saved yet' })).toBeVisible()
  await page.getByRole('button', { name: /Open Full with its unsaved changes/ }).click()
  await expect(page.getByRole('textbox', { name: 'Name of second' })).toBeVisible()
  await expect(page.getByText(/^not saved/)).toBeVisible()

  // Closing or loading anew asks as well.
  const asked = page.waitForEvent('dialog').then(async (d) => {
    const type = d.type()
    await d.dismiss()
    return type
  })
  await page.getByRole('heading', { name: 'Sort', exact: true }).click()
  await page.reload({ timeout: 3000 }).catch(() => undefined)
  expect(await asked).toBe('beforeunload')

  await failing(page, false)
  await page.getByRole('button', { name: /There is space now/ }).click()
  await expect(page.getByText('saved', { exact: true })).toBeVisible({ timeout: 20_000 })
  await expect(page.getByText('The disk is full: not everything is saved.')).toBeHidden()
  await page.reload()
  await expect(page.getByRole('textbox', { name: 'Name of second' })).toBeVisible()
})

test('a project deleted for good elsewhere is told, and can be kept as a new one', async ({ page, context }) => {
  await startEmpty(page, 'Shared')
  await addBox(page, 'mine')
  await expect(page.getByText('saved', { exact: true })).toBeVisible()
  const other = await context.newPage()
  await other.goto('/')
  await other.getByRole('button', { name: /^Bin Shared/ }).click()
  await other.getByRole('button', { name: /^Delete for good Shared/ }).click()
  await expect(other.getByRole('button', { name: /Shared/ })).toHaveCount(0)
  await addBox(page, 'another')
  await expect(page.getByText('This project was deleted for good in another tab.')).toBeVisible()
  await other.reload()
  await expect(other.getByRole('heading', { name: 'Projects', exact: true })).toBeVisible()
  await expect(other.getByRole('button', { name: /Shared/ })).toHaveCount(0)
  await page.getByRole('button', { name: 'Keep it as a new project' }).click()
  await expect(page.getByText('saved', { exact: true })).toBeVisible()
  await expect(page.getByRole('textbox', { name: 'Name of another' })).toBeVisible()
  await other.reload()
  await expect(other.getByRole('button', { name: /Shared/ }).first()).toBeVisible()
})

test('what no file could hold is refused at its field, and nothing else happens', async ({ page }) => {
  await openDemo(page)
  const first = page.getByRole('textbox', { name: /^Size of/ }).first()
  const before = await first.inputValue()
  await station(page, 'Survey')
  await page
    .getByLabel(/distances/i)
    .first()
    .fill('outlet 0 x 80')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert').filter({ hasText: 'must be at least' })).toBeVisible()
  await station(page, 'Buy')
  await expect(page.getByRole('rowheader', { name: 'Total' })).toBeVisible()
  const price = page.getByRole('textbox', { name: /: paid in all/ }).first()
  await price.fill('200000')
  await price.press('Enter')
  await expect(page.getByText(/What was paid can be at most/)).toBeVisible()
  await station(page, 'Sort')
  await expect(first).toHaveValue(before)
  // A thing taken back by undo is no longer chosen: its keys do nothing.
  await page.getByLabel(/One line/).fill('2 tote 16 x 22 x 12, 9 lb')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await page.getByRole('heading', { name: 'Sort', exact: true }).click()
  await page.keyboard.press('Control+z')
  await page.keyboard.press('k')
  await expect(page.getByRole('heading', { name: 'This screen failed' })).toBeHidden()
})

test('lists that end in a comma import, and each of several files is told of', async ({ page }) => {
  await startEmpty(page, 'Lists')
  const choose = async (button: RegExp, files: { name: string; text: string }[]) => {
    const chooser = page.waitForEvent('filechooser')
    await page.getByRole('button', { name: button }).click()
    await (
      await chooser
    ).setFiles(files.map((f) => ({ name: f.name, mimeType: 'text/plain', buffer: Buffer.from(f.text) })))
  }
  await choose(/Import a list/, [
    { name: 'a.csv', text: 'name,across,deep,tall\ncrate,12,14,16,\ncan,6,6,8,,\nodd,6,6,8,more\n' },
  ])
  await expect(page.getByRole('textbox', { name: 'Name of crate' })).toBeVisible()
  await expect(page.getByRole('textbox', { name: 'Name of can' })).toBeVisible()
  await expect(page.getByText(/Row 3: There are more cells than columns/)).toBeVisible()
  await page.getByRole('link', { name: 'All projects' }).click()
  await choose(/Import a project file/, [
    { name: 'one.json', text: '{' },
    { name: 'deep.json', text: `${'['.repeat(1500)}${']'.repeat(1500)}` },
    { name: 'three.json', text: '{"format":"tackloft","version":77}' },
  ])
  for (const said of [/one\.json was not imported/, /deep\.json was not imported/, /three\.json was not imported/])
    await expect(page.getByText(said)).toBeVisible()
  await expect(page.getByText(/nests more than 64 levels/)).toBeVisible()
})
