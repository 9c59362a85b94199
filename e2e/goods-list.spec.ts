import { readFile } from 'node:fs/promises'
import readSheets from 'read-excel-file/universal'
import { workbook } from '../test-support/workbook.ts'
import { axe, expect, saved, startEmpty, test } from './helpers.ts'

const LIST = `Item;Qty;Width (cm);Depth (cm);Height (cm);Weight (kg);Location
Crate of rope;4;40;30,5;25;9;shed
Step ladders;2;;;;;hall
Mystery;1;30;;;;attic
`

test('usual things are said without a size, and somebody else’s list is read once its columns are named', async ({
  page,
}) => {
  await startEmpty(page, 'Lists', 'millimetres')
  const line = page.getByRole('combobox', { name: /One line/ })
  await line.fill('2 chest freezers')
  await line.press('Enter')
  await expect(line).toHaveValue('')
  await expect(page.getByText(/has the size such things usually have/)).toBeVisible()
  await expect(page.getByText(/plans reckon with chest freezers 60 kg each/)).toBeVisible()

  const chooser = page.waitForEvent('filechooser')
  await page.getByRole('button', { name: /Import a list/ }).click()
  await (await chooser).setFiles([{ name: 'list.csv', mimeType: 'text/csv', buffer: Buffer.from(LIST) }])
  await expect(page.getByRole('heading', { name: 'Which column is what?' })).toBeFocused()
  await expect(page.getByLabel('Column for across')).toHaveValue('Width (cm)')
  await expect(page.getByLabel('Unit of across')).toHaveValue('cm')
  await page.getByLabel('Column for kept now').selectOption('')
  expect(await axe(page)).toEqual([])
  await page.getByRole('button', { name: 'Read 3 rows' }).click()

  await expect(page.getByRole('textbox', { name: 'Name of Crate of rope' })).toBeVisible()
  await expect(page.getByRole('textbox', { name: 'Name of Step ladders' })).toBeVisible()
  await expect(page.getByText(/Row 3, deep/)).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Which column is what?' })).toHaveCount(0)
  await saved(page)

  // The same as a workbook, and one of a kind that cannot be read.
  const choose = async (name: string, buffer: Buffer) => {
    const asked = page.waitForEvent('filechooser')
    await page.getByRole('button', { name: /Import a list/ }).click()
    await (await asked).setFiles([{ name, mimeType: 'application/octet-stream', buffer }])
  }
  const sheet = workbook(
    [
      ['Item', 'Qty', 'Width (cm)', 'Depth (cm)', 'Height (cm)'],
      ['Box of floats', 3, 40, 30.5, 25],
    ],
    { Bills: [['bill'], ['yard']] },
  )
  await choose('list.xlsx', Buffer.from(sheet))
  await expect(page.getByLabel('Unit of across')).toHaveValue('cm')
  await page.getByRole('button', { name: 'Read 1 row' }).click()
  await expect(page.getByRole('textbox', { name: 'Name of Box of floats' })).toBeVisible()
  await expect(page.getByText(/^Not read: "Bills"/)).toBeVisible()
  await choose('list.xls', Buffer.from([0xd0, 0xcf, 0x11, 0xe0, 1, 2]))
  await expect(page.getByText(/list\.xls could not be read \(an older kind of workbook/)).toBeVisible()
  await choose('list.xlsx', Buffer.from([0x50, 0x4b, 3, 4, 1, 2]))
  await expect(page.getByText(/no workbook that can be read: save it as \.xlsx or as CSV/)).toBeVisible()
  await saved(page)
})

test('a long list goes out as a workbook and comes back the same', async ({ page }) => {
  await startEmpty(page, 'Long', 'millimetres')
  // So long that a packer would put it into a worker of its own, which no page of ours may start.
  const rows = Array.from({ length: 420 }, (_, i) => {
    const size = [200 + i, 300, 150 + (i % 90)]
    return [
      `thing ${i}`,
      'box',
      1 + (i % 7),
      ...size,
      1 + (i % 20) / 4,
      'attic',
      `shelf ${i}`,
      'ours',
      `idea ${i}`,
    ].join()
  })
  const list = ['name,kind,count,across_mm,deep_mm,tall_mm,mass_kg,group,where_now,whose,idea', ...rows].join('\n')
  const choose = async (name: string, buffer: Buffer) => {
    const asked = page.waitForEvent('filechooser')
    await page.getByRole('button', { name: /Import a list/ }).click()
    await (await asked).setFiles([{ name, mimeType: 'application/octet-stream', buffer }])
  }
  await choose('long.csv', Buffer.from(list))
  // A table of so many rows takes a while where others use the processor too.
  await expect(page.locator('.totals dd').first()).toHaveText(/^1,?680$/, { timeout: 120_000 })
  const out = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Export the list' }).click()
  await page.getByRole('menuitem', { name: 'Workbook (.xlsx)' }).click()
  const file = await out
  expect(file.suggestedFilename()).toBe('goods.xlsx')
  const bytes = await readFile(await file.path())
  const sheets = await readSheets(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.length) as ArrayBuffer)
  expect(sheets[0].data).toHaveLength(421)
  expect(sheets[0].data[420].slice(0, 7)).toEqual(['thing 419', 'box', 7, 619, 300, 209, 5.75])
})
