import { axe, enter, expect, saved, startEmpty, station, test } from './helpers.ts'

test('a cabinet hangs on bolts that were set in a wall that carries nothing, once somebody says what they carry', async ({
  page,
}) => {
  await startEmpty(page, 'Thin shed', 'millimetres')
  await enter(page, ['4 crate 300 x 250 x 200, 5 kg'])
  await station(page, 'Survey')
  await page.getByLabel('Made of').selectOption({ label: 'thin panel: can carry nothing' })
  const run = page.getByRole('textbox', { name: /Call the distances/ })
  await run.fill('bolt at 250 and 650 and 1050 up 1700')
  await run.press('Enter')
  await expect(page.getByText('3 placed.')).toBeVisible()

  await station(page, 'Shape')
  await page.getByLabel('Or take a kind yourself').selectOption({ label: 'Wall cabinet' })
  await page.getByRole('checkbox', { name: /crate/ }).check()
  await page.getByRole('button', { name: 'Start it' }).click()
  await expect(page.getByText(/its fixings meet the bolts or blocking/)).toBeVisible()
  await expect(page.getByText(/nobody has said what they carry/).first()).toBeVisible()

  await station(page, 'Survey')
  await page.getByRole('button', { name: 'Things in the room' }).click()
  for (const at of ['245 mm', '645 mm', '1045 mm']) {
    await page.getByRole('button', { name: new RegExp(`^${at} Bolt in the wall`) }).click()
    const carries = page.getByRole('textbox', { name: /^It carries/ })
    await carries.fill('150')
    await carries.press('Enter')
  }
  await expect(page.getByText('carries 150 kg').first()).toBeVisible()
  expect(await axe(page)).toEqual([])
  await expect(page.getByText(/It holds/).first()).toBeVisible()

  await station(page, 'Prove')
  await expect(page.getByText(/of them into bolts or blocking that were prepared/).first()).toBeVisible()
  await station(page, 'Build')
  await page.getByText('The strip on the wall').click()
  await expect(page.getByText(/find each and try it before anything hangs there/).first()).toBeVisible()
  await saved(page)
})
