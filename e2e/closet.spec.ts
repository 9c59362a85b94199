import { axe, enter, expect, saved, startEmpty, station, test } from './helpers.ts'

test('a wall is closed from end to end, in the way that is cheapest, with leaves that stay up in the cold', async ({
  page,
}) => {
  await startEmpty(page, 'Costumes', 'millimetres')
  await enter(page, ['18 costume box 400 x 320 x 260, 6 kg'])
  await station(page, 'Shape')
  await page.getByLabel('Or take a kind yourself').selectOption({ label: 'Closet wall' })
  await expect(page.getByText('Tick on the left which goods it is for')).toBeVisible()
  await page.getByRole('checkbox', { name: /costume box/ }).check()
  await page.getByRole('button', { name: 'Start it' }).click()
  await expect(page.getByRole('textbox', { name: 'Openings side by side' })).not.toHaveValue('')

  // Longer than the wall: refused in words, and nothing is lost.
  const bays = page.getByRole('textbox', { name: 'Openings side by side' })
  await bays.fill('12')
  await page.keyboard.press('Enter')
  await page.getByRole('textbox', { name: 'Clear width of an opening' }).fill('1200')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/Fewer or narrower bays/).first()).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await page.getByLabel('Front', { exact: true }).selectOption({ label: 'doors below, leaves that turn up above' })
  await expect(page.getByText(/It holds/).first()).toBeVisible()
  expect(await axe(page)).toEqual([])

  // Ways to build it side by side; one is taken.
  await station(page, 'Prove')
  await expect(page.getByText(/At 0 °C its gas springs still hold/).first()).toBeVisible()
  await page.getByRole('button', { name: 'Compare', exact: true }).click()
  await expect(page.getByRole('columnheader', { name: 'sheets' })).toBeVisible({ timeout: 60_000 })
  await page.getByRole('button', { name: 'Use a box for each bay' }).click()
  await station(page, 'Build')
  await expect(page.getByText('Box to box')).toBeVisible()
  await page.getByText('Hang the leaves that turn up').click()
  await expect(page.getByText(/the thick end up/)).toBeVisible()

  // A face frame: not with leaves that turn up, which it says; with doors, which hang on it.
  await station(page, 'Shape')
  await page.getByLabel('Front edges').selectOption({ label: 'behind a face frame' })
  await expect(page.getByText(/their hinges and springs where a face frame would be/).first()).toBeVisible()
  await page.getByLabel('Front', { exact: true }).selectOption({ label: 'doors' })
  await expect(page.getByText(/their hinges and springs/)).toHaveCount(0)
  await page.getByLabel('Front edges').selectOption({ label: 'behind a face frame' })
  await expect(page.getByLabel('Stiles and rails')).toBeVisible()
  await expect(page.getByText(/It holds/).first()).toBeVisible()
  await station(page, 'Build')
  await page.getByRole('button', { name: 'Face frame' }).click()
  await expect(page.getByText(/stiles with .* rails between them/)).toBeVisible()
  await saved(page)
})
