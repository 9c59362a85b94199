import { axe, enter, expect, saved, startEmpty, station, test } from './helpers.ts'

test('what nobody has weighed is one line, with the mass up to which it holds and a place to enter it', async ({
  page,
}) => {
  await startEmpty(page, 'No scales', 'millimetres')
  await enter(page, ['12 crate 400 x 300 x 250', '4 tin 180 x 180 x 200, 4 kg'])
  await station(page, 'Shape')
  await page.getByRole('button', { name: 'All of them' }).click()
  await page.getByLabel('Or take a kind yourself').selectOption({ label: 'Post rack' })
  await page.getByRole('button', { name: 'Start it' }).click()
  await station(page, 'Prove')
  await expect(page.getByText(/times so\./).first()).toBeVisible()
  await expect(page.getByText(/It holds if (they weigh no|none of them weighs) more than/)).toBeVisible({
    timeout: 45_000,
  })
  expect(await axe(page)).toEqual([])

  // Each by itself for who wants it.
  await page.getByRole('button', { name: 'each by itself' }).first().click()
  await page.getByRole('textbox', { name: 'crate, one of 12' }).fill('6')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Nobody has weighed these yet' })).toBeHidden()
  await expect(page.getByText(/times so\./)).toHaveCount(0)
  await saved(page)
})
