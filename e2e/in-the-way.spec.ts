import { expect, openDemo, station, test } from './helpers.ts'

test('what stands in the way of a new build is named, and one begins where there is room', async ({ page }) => {
  await openDemo(page)
  await station(page, 'Shape')
  await page.getByRole('button', { name: 'New build' }).click()
  await page.getByRole('button', { name: 'One build' }).click()
  await page.getByRole('checkbox', { name: /deep hive box/ }).check()
  const wall = page.getByLabel('Wall', { exact: true })
  const from = page.getByRole('textbox', { name: 'From its left corner' })
  // By itself it begins on a wall that has room: on the first one stand builds and a bench.
  const free = { wall: await wall.inputValue(), from: await from.inputValue() }
  await expect(wall.locator('option:checked')).toContainText('East wall')

  // In the corner, before the shelves of the next wall.
  await wall.selectOption('wall-north')
  await from.fill('245')
  await from.press('Enter')
  const ask = page.getByRole('button', { name: 'Show me what would do' })
  await ask.click()
  await expect(page.getByText(/Post rack.*left out, for something is in the way there\..*"Honey shelves"/)).toBeVisible(
    {
      timeout: 60_000,
    },
  )
  await expect(page.getByRole('article').filter({ hasText: 'fails' })).toHaveCount(0)

  // Where it was to begin by itself nothing of another build is met.
  await wall.selectOption(free.wall)
  await from.fill(free.from)
  await from.press('Enter')
  await ask.click()
  await expect(page.getByRole('article').first()).toBeVisible({ timeout: 60_000 })
  await expect(page.getByText(/runs into "Honey shelves"/)).toHaveCount(0)
})

test('a place typed where a build cannot be is told, and the fields that need its width go', async ({ page }) => {
  await openDemo(page)
  await station(page, 'Shape')
  const right = page.getByRole('textbox', { name: 'From its right corner' })
  const ofAnother = await right.inputValue()
  await page.getByRole('button', { name: 'Spare hive shelf', exact: true }).click()
  await expect(right).not.toHaveValue(ofAnother)
  // Fewer studs are behind it there: it is narrower, and further from the corner. Once more, and there are too few.
  await right.fill('1/2')
  await right.press('Enter')
  await expect(right).toHaveValue('29 9/16')
  await right.fill('0')
  await right.press('Enter')
  await expect(page.getByText(/Only 1 stud is where its brackets could go/).first()).toBeVisible()
  await expect(right).toBeHidden()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(right).toBeVisible()
})
