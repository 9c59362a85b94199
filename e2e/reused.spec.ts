import { expect, saved, startEmpty, station, test } from './helpers.ts'

test('cabinets somebody has: from an empty project to hung on the wall, and proven only when it is known what they carry', async ({
  page,
}) => {
  await startEmpty(page, 'Old kitchen', 'millimetres')
  const line = page.getByRole('combobox', { name: /One line/ })
  await line.fill('6 crate of jars 300x200x180 5 kg')
  await line.press('Enter')
  await expect(line).toHaveValue('')

  // Nobody proposes cabinets one may not have: they are taken by oneself.
  await station(page, 'Shape')
  await page.getByRole('checkbox', { name: /6 crate/ }).check()
  await page.getByLabel('Or take a kind yourself').selectOption({ label: 'Reused cabinets' })
  await page.getByRole('button', { name: 'Start it' }).click()
  const list = page.getByRole('region', { name: 'Cabinets you have' })
  await expect(list.getByRole('listitem')).toHaveCount(2)

  await station(page, 'Prove')
  await expect(page.getByRole('status').filter({ hasText: 'Not proven' }).first()).toBeVisible()
  await expect(page.locator('[data-check="ratings:cabinet-0-box"]')).toContainText(
    'nobody knows what Cabinet 1 carries',
  )

  await station(page, 'Shape')
  for (const field of await list.getByLabel(/Is known to carry/).all()) {
    await field.fill('60')
    await field.press('Enter')
  }
  await list.getByRole('button', { name: 'Repeat cabinet 2' }).click()
  await expect(list.getByRole('listitem')).toHaveCount(3)
  await station(page, 'Prove')
  await expect(page.getByRole('status').filter({ hasText: 'It holds' }).first()).toBeVisible()
  await expect(page.locator('[data-check="ratings:cabinet-0-box"]')).toContainText('is known to carry')

  // On the bench first, then on the wall; the cut list has cleats and strips, and no cabinet.
  await station(page, 'Build')
  await page.getByRole('button', { name: 'Hang the cabinets' }).click()
  await expect(page.getByText(/stand it on a prop \d+ mm long/)).toBeVisible()
  await station(page, 'Cut')
  await expect(page.getByText('Parts list')).toBeVisible()
  await expect(page.getByRole('main').getByText('Cabinet 1')).toHaveCount(0)

  // The last cabinet stays, and says why.
  await station(page, 'Shape')
  for (const n of [3, 2]) await list.getByRole('button', { name: `Remove cabinet ${n}` }).click()
  await list.getByRole('button', { name: 'Remove cabinet 1' }).click()
  await expect(list.getByRole('alert')).toContainText('No cabinet is listed')
  await expect(list.getByRole('listitem')).toHaveCount(1)
  await saved(page)
})
