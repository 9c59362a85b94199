import { axe, enter, expect, saved, startEmpty, station, test } from './helpers.ts'

test('tools get a table, and a wall of holders made to them', async ({ page }) => {
  await startEmpty(page, 'Tool wall', 'millimetres')
  await enter(page, ['6 driver tool 34 x 34 x 250, 0.12 kg', '2 hammer tool 130 x 40 x 330, 0.7 kg'])

  // The table: how each is kept; what that asks to be measured stands beside its size.
  await page.getByRole('button', { name: 'Tools', exact: true }).click()
  await page.getByLabel('driver tool is kept in').selectOption({ label: 'Bored rail' })
  await page.getByLabel('What stays with driver tool').fill('bits')
  await page.getByLabel('hammer tool travels with its holder').check()
  expect(await axe(page)).toEqual([])
  await page.getByLabel('driver tool is kept in').focus()
  const measure = async (name: RegExp, mm: string) => {
    const field = page.getByRole('textbox', { name })
    await field.fill(mm)
    await field.press('Enter')
  }
  await measure(/goes through the hole/, '8')
  await measure(/must not pass/, '28')
  await measure(/Hangs below by/, '150')
  await expect(page.getByText('These are assumed from its size')).toBeHidden()

  await station(page, 'Shape')
  for (const name of [/6 driver/, /2 hammer/]) await page.getByRole('checkbox', { name }).check()
  await page.getByRole('button', { name: 'Show me what would do' }).click()
  const card = page.getByRole('article').filter({ hasText: 'Strip wall' }).first()
  await card.getByRole('button', { name: 'Take this one' }).click()
  const others = page.getByRole('region', { name: 'Tools kept otherwise' })
  await others.getByRole('button', { name: 'Add a holder' }).click()
  await others.getByLabel('Tool').selectOption({ label: 'hammer tool' })
  await others.getByLabel('Kept in').selectOption({ label: 'hook' })
  await expect(page.getByRole('alert').filter({ hasText: 'does not go on a hook' })).toHaveCount(0)
  await saved(page)

  // Its holders are steps of their own, with the measure that must be right.
  await station(page, 'Build')
  await page.getByRole('button', { name: 'Bored rail' }).click()
  await expect(page.getByText('Bore 6 holes of 11 mm')).toBeVisible()
  await page.getByRole('button', { name: 'Hooks' }).click()
  await expect(page.getByText(/for 2 of hammer tool/)).toBeVisible()
  await station(page, 'Prove')
  await expect(page.locator('[data-check^="anchors:"]').first()).toContainText('hold')
})
