import { axe, expect, openDemo, saved, station, test } from './helpers.ts'

test('a list grows and shrinks, a front is chosen, one build is stood on another and taken off', async ({ page }) => {
  await openDemo(page)
  await station(page, 'Shape')
  await page.getByRole('button', { name: 'Label cabinet' }).first().click()

  // Holes for cords: repeated, refused where there is no wood, taken away by the keyboard.
  const holes = page.getByRole('region', { name: 'Holes for cords' })
  await expect(holes.getByRole('listitem')).toHaveCount(1)
  await holes.getByRole('button', { name: 'Repeat hole 1' }).click()
  await expect(holes.getByRole('listitem')).toHaveCount(2)
  const along = holes
    .getByRole('listitem')
    .nth(1)
    .getByRole('textbox', { name: /From the wall/ })
  await along.fill('1')
  await along.press('Enter')
  await expect(holes.getByRole('alert')).toContainText('leaves no')
  await holes.getByRole('button', { name: 'Remove hole 2' }).focus()
  await page.keyboard.press('Enter')
  await expect(holes.getByRole('listitem')).toHaveCount(1)

  // Shelves on pins: a height between two holes is answered with those there are.
  const height = page.getByRole('textbox', { name: /^Shelf 1, top above the underside/ })
  await height.fill('11')
  await height.press('Enter')
  await expect(page.getByRole('alert').filter({ hasText: 'lies on pins' })).toBeVisible()
  expect(await axe(page)).toEqual([])

  // A front for what stands on the floor comes with its steps.
  await page.getByRole('button', { name: 'Hive shelves' }).first().click()
  await page.getByLabel('Front', { exact: true }).selectOption({ label: 'a curtain' })
  await saved(page)
  await station(page, 'Build')
  await page.getByRole('button', { name: 'Hive shelves' }).first().click()
  await page.getByRole('button', { name: 'The curtain' }).click()
  await expect(page.getByText('1 × curtain rail')).toBeVisible()

  // On another build: shaped to what is left over it, and both judged together.
  await station(page, 'Shape')
  await page.getByRole('button', { name: 'Hive shelves' }).first().click()
  await page.getByLabel('Wall', { exact: true }).selectOption({ label: 'East wall' })
  await page.getByLabel('Stands on').selectOption({ label: 'Honey shelves' })
  await station(page, 'Prove')
  await page.getByRole('button', { name: 'Hive shelves' }).first().click()
  await expect(page.locator('[data-check="stands-on:feet"]').first()).toContainText('Honey shelves')
  await station(page, 'Build')
  await page.getByRole('button', { name: 'Hive shelves' }).first().click()
  await expect(page.getByRole('button', { name: 'Set it on what carries it' })).toBeVisible()
  await station(page, 'Shape')
  await page.getByRole('button', { name: 'Hive shelves' }).first().click()
  await page.getByLabel('Stands on').selectOption({ label: 'the floor' })
  await expect(page.getByLabel('Stands on')).toHaveValue('')
  await saved(page)
})
