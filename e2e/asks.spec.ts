import { axe, enter, expect, saved, startEmpty, station, test } from './helpers.ts'

test('what things ask for is ticked in Sort, kept for in Shape, told in Prove; what goes is ticked off', async ({
  page,
}) => {
  test.setTimeout(90_000)
  await startEmpty(page, 'Careful', 'millimetres')
  await enter(page, ['6 pail 300 x 300 x 350, 9 kg', '2 trunk 700 x 400 x 400, 12 kg'])
  const choose = (name: RegExp) => page.getByRole('textbox', { name }).click()
  const more = page.locator('details', { hasText: 'What it asks for' })
  await choose(/^Size of pail:/)
  await more.locator('summary').click()
  await more.getByRole('checkbox', { name: 'must not freeze' }).check()
  await more.getByRole('checkbox', { name: 'keep from dust' }).check()
  await more.getByRole('textbox', { name: 'Places kept for more of them' }).fill('2')
  await page.keyboard.press('Tab')
  await more.getByRole('checkbox', { name: 'is larger in use than at rest' }).check()
  const inUse = page.getByRole('textbox', { name: /^Size of pail in use/ })
  await inUse.fill('300 x 300 x 600')
  await inUse.press('Enter')
  await saved(page)
  await page.reload()
  await choose(/^Size of pail:/)
  await expect(more.getByRole('checkbox', { name: 'must not freeze' })).toBeChecked()
  await expect(inUse).toHaveValue('300 x 300 x 600')

  // Somebody else's is asked about before it goes; what goes is told and ticked off.
  await choose(/^Size of trunk:/)
  await more.locator('summary').click()
  await more.getByRole('textbox', { name: 'Somebody else’s' }).fill('an aunt')
  await page.keyboard.press('Tab')
  await page.getByRole('combobox', { name: 'Decision for trunk' }).selectOption('pass')
  await expect(page.getByText(/somebody else’s: have you asked/)).toBeVisible()
  await page.getByRole('textbox', { name: 'To whom' }).fill('the aunt')
  await page.keyboard.press('Tab')
  await expect(page.getByText(/^2 things go, 0 gone\. Still 1 load, 24 kg/)).toBeVisible()
  await page.getByRole('checkbox', { name: 'trunk is gone' }).check()
  await expect(page.getByText(/^2 things go, 2 gone/)).toBeVisible()
  expect(await axe(page)).toEqual([])

  // Eight places are asked for: six pails and two to come.
  await station(page, 'Shape')
  await page.getByRole('checkbox', { name: /8 pail/ }).check()
  await page.getByRole('button', { name: 'Show me what would do' }).click()
  await page.getByRole('button', { name: 'Take this one' }).first().click()
  await station(page, 'Prove')
  await expect(page.getByText(/"pail" must not freeze/).first()).toBeVisible()
  expect(await axe(page)).toEqual([])
})
