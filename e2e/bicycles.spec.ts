import { axe, enter, expect, saved, startEmpty, station, test } from './helpers.ts'

test('bicycles are said, seen beside a person, and hung on pairs of arms', async ({ page }) => {
  test.setTimeout(90_000)
  await startEmpty(page, 'Two wheels', 'millimetres')
  await enter(page, ['2 bicycle 1760 x 620 x 1040, 16 kg', '4 box 400 x 300 x 250, 6 kg'])
  // Names stand under the things; a press on one shows it in the table.
  const lineUp = page.getByRole('group', { name: /All things to scale/ })
  await expect(lineUp.getByText('bicycle', { exact: true })).toBeVisible()
  await lineUp.getByRole('button', { name: '2 bicycle' }).click()
  await expect(page.getByText('Never leaning in a heap', { exact: false })).toBeVisible()
  await expect(page.getByText(/Hung by its bar on a pair of arms/)).toBeVisible()

  // Boxes are wanted behind doors, and that is kept when the page is loaded again.
  await lineUp.getByRole('button', { name: '4 box' }).click()
  const closed = page.getByRole('radio', { name: /^Behind doors/ })
  await closed.check()
  await saved(page)
  await page.reload()
  await lineUp.getByRole('button', { name: '4 box' }).click()
  await expect(closed).toBeChecked()
  expect(await axe(page)).toEqual([])

  await station(page, 'Shape')
  await page.getByRole('checkbox', { name: /2 bicycle/ }).check()
  await page.getByRole('button', { name: 'Show me what would do' }).click()
  await page.getByRole('button', { name: 'Take this one' }).first().click()
  await expect(page.getByRole('textbox', { name: 'Lowest wheel above the floor' })).toBeVisible()
  await expect(page.getByText(/^It holds/).first()).toBeVisible()
  expect(await axe(page)).toEqual([])
  await station(page, 'Build')
  await page.getByRole('button', { name: 'Frame it together' }).click()
  await expect(page.getByText(/face down on the floor/)).toBeVisible()

  // Of what is left only a cabinet keeps boxes behind doors.
  await station(page, 'Shape')
  await page.getByRole('button', { name: 'New build' }).click()
  await page.getByRole('checkbox', { name: /4 box/ }).check()
  await page.getByRole('button', { name: 'Show me what would do' }).click()
  const cards = page.getByRole('button', { name: 'Take this one' })
  await expect(cards.first()).toBeVisible()
  await expect(page.getByText(/Behind doors, out of the dust/).first()).toBeVisible()
  await expect(page.getByText('On a shelf.')).toHaveCount(0)

  // The shelf shows the room with what was built in it.
  await page
    .getByRole('link', { name: /All projects|Tack Loft|home/i })
    .first()
    .click()
  await expect(page.locator('.room-glance').first()).toBeVisible()
})
