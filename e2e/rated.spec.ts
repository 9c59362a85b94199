import { axe, enter, expect, openDemo, saved, startEmpty, station, test } from './helpers.ts'

test('anchors nobody has rated are one question, asked where plans and proofs are, with the rating that would do', async ({
  page,
}) => {
  await startEmpty(page, 'Brick', 'millimetres')
  await enter(page, ['8 tin 180 x 200 x 220, 4 kg'])
  await station(page, 'Survey')
  await page.getByLabel('Made of').selectOption({ label: 'brick or block' })
  await station(page, 'Shape')
  await page.getByRole('button', { name: 'The whole room' }).click()
  await expect(page.getByText(/is proven only by the rating of the anchors/)).toBeVisible()
  await page.getByRole('button', { name: 'One build' }).click()
  await page.getByRole('checkbox', { name: /tin/ }).check()
  await page.getByLabel('Or take a kind yourself').selectOption({ label: 'Wall cabinet' })
  await page.getByRole('button', { name: 'Start it' }).click()
  await station(page, 'Prove')
  const asks = page.getByRole('region', { name: 'Nobody has rated the anchors yet' })
  await expect(asks.getByText(/It holds with anchors that are rated for/)).toBeVisible({ timeout: 45_000 })
  expect(await axe(page)).toEqual([])

  const wanted = Number(/rated for ([\d,]+) N/.exec(await asks.innerText())?.[1].replace(/,/g, ''))
  const field = asks.getByLabel(/maker's rated pull-out/)
  await field.fill('5')
  await page.keyboard.press('Enter')
  await expect(asks.getByRole('alert')).toBeVisible()
  await field.fill(String(wanted))
  await page.keyboard.press('Enter')
  await expect(asks).toBeHidden()
  await expect(page.getByRole('status').filter({ hasText: /holds/i }).first()).toBeVisible()
  await saved(page)
})

test('a bench across a corner is begun in its corner, wherever along the wall one asks', async ({ page }) => {
  await openDemo(page)
  await station(page, 'Shape')
  await page.getByRole('button', { name: 'New build' }).click()
  await page.getByRole('button', { name: 'One build' }).click()
  await page.getByLabel('Or take a kind yourself').selectOption({ label: 'Bench across a corner' })
  await page.getByRole('button', { name: 'Start it' }).click()
  await expect(page.getByText('Bench across a corner').first()).toBeVisible()
  await expect(
    page.getByLabel('From its left corner').or(page.getByLabel('From its right corner')).first(),
  ).toBeVisible()
  await station(page, 'Build')
  await page.getByRole('button', { name: /Bench across a corner/ }).click()
  await expect(page.getByRole('button', { name: /Stand them in the corner/ })).toBeVisible()
  expect(await axe(page)).toEqual([])
})
