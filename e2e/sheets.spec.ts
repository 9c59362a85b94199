import { axe, expect, saved, startEmpty, station, test } from './helpers.ts'

test('sheets are said to belong in a store, proposed in one, and a box exactly a sheet high is refused', async ({
  page,
}) => {
  await startEmpty(page, 'Plywood', 'millimetres')
  const line = page.getByRole('combobox', { name: /One line/ })
  await line.fill('6 sheet 2440 x 18 x 1220, 29 kg')
  await line.press('Enter')
  await expect(line).toHaveValue('')
  await page
    .getByRole('textbox', { name: /^Name of/ })
    .first()
    .focus()
  await expect(page.getByText(/Upright on its long edge in a store/)).toBeVisible()
  await expect(page.getByText(/Never flat on a shelf/)).toBeVisible()
  expect(await axe(page)).toEqual([])

  await station(page, 'Shape')
  await page.getByRole('checkbox', { name: /6 sheet/ }).check()
  await page.getByRole('button', { name: 'Show me what would do' }).click()
  const kinds = page.getByRole('article').getByRole('heading')
  await expect(kinds.filter({ hasText: 'Sheet store' }).first()).toBeVisible()
  await expect(kinds.filter({ hasText: 'Post rack' })).toHaveCount(0)
  await page
    .getByRole('article')
    .filter({ hasText: 'Sheet store' })
    .first()
    .getByRole('button', { name: 'Take this one' })
    .click()

  const opening = page.getByRole('textbox', { name: 'Opening over the bars' })
  await expect(opening).toHaveValue('1271')
  await opening.fill('1220')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/1271 mm at least/).first()).toBeVisible()
  await station(page, 'Prove')
  await expect(page.getByText(/what leans in compartment 1/).first()).toBeVisible()
  await saved(page)
})
