import { axe, expect, saved, startEmpty, station, test } from './helpers.ts'

test('a bench is begun without goods, gets a well for a machine, and carries a person', async ({ page }) => {
  await startEmpty(page, 'Work first', 'millimetres')
  await station(page, 'Shape')
  await page.getByLabel('Or take a kind yourself').selectOption({ label: 'Tote rack' })
  await expect(page.getByRole('button', { name: 'Start it' })).toBeDisabled()
  await page.getByLabel('Or take a kind yourself').selectOption({ label: 'Bench' })
  await page.getByRole('button', { name: 'Start it' }).click()
  await expect(page.getByRole('textbox', { name: 'Height of the top' })).toHaveValue('946')

  // As high as the table of a machine, hardly less.
  await page.getByLabel('Height follows').selectOption({ label: 'the table of a machine' })
  await page.getByRole('textbox', { name: "Machine's table above the floor" }).fill('880')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('textbox', { name: 'Height of the top' })).toHaveValue('878')

  // A well past the end is refused in words; on a longer bench it is there.
  await page.getByRole('button', { name: 'Add a well' }).click()
  await page.getByRole('textbox', { name: 'Length', exact: true }).fill('2000')
  await page.keyboard.press('Enter')
  const left = page.getByRole('textbox', { name: 'From the left end' })
  await left.fill('1500')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/This well would end/).first()).toBeVisible()
  await page.getByRole('textbox', { name: 'Length', exact: true }).fill('3000')
  await page.keyboard.press('Enter')
  await left.fill('1500')
  await page.keyboard.press('Enter')
  await expect(left).toHaveValue('1500')
  expect(await axe(page)).toEqual([])

  await station(page, 'Prove')
  await expect(page.getByText(/with a person on it where that does most/).first()).toBeVisible()
  await station(page, 'Build')
  await page.getByRole('button', { name: 'Lay the top' }).click()
  await expect(page.getByText(/19 mm past the rail/)).toBeVisible()
  await saved(page)
})

test('a bench on boxes with doors bears a person, and is two boxes where a sheet is too short', async ({ page }) => {
  await startEmpty(page, 'Boxes under it', 'millimetres')
  await station(page, 'Shape')
  await page.getByLabel('Or take a kind yourself').selectOption({ label: 'Bench on boxes' })
  await page.getByRole('button', { name: 'Start it' }).click()
  await expect(page.getByRole('textbox', { name: 'Height of the top' })).toHaveValue('946')
  await page.getByLabel('Front', { exact: true }).selectOption({ label: 'doors' })
  const bays = page.getByRole('textbox', { name: 'Openings side by side' })
  await bays.fill('4')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/^It holds/)).toBeVisible()
  // One layer is too weak to sit on, and what mends it is offered.
  await page.getByLabel('Layers of the top').selectOption({ label: 'one' })
  await station(page, 'Prove')
  await expect(page.getByText(/with a person on it where that does most/).first()).toBeVisible()
  await expect(page.getByRole('button', { name: /Make the top of two layers/ }).first()).toBeVisible({
    timeout: 60_000,
  })
  await page
    .getByRole('button', { name: /Make the top of two layers/ })
    .first()
    .click()
  await expect(page.getByText(/^It holds/).first()).toBeVisible()
  expect(await axe(page)).toEqual([])
  await station(page, 'Build')
  await expect(page.getByRole('button', { name: 'Box to box' })).toBeVisible()
})
