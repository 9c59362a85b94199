import { enter, expect, saved, startEmpty, station, test } from './helpers.ts'

test('from an empty project to a cabinet with doors and a stack hung from the joists', async ({ page }) => {
  await startEmpty(page, 'Over heads', 'millimetres')
  await enter(page, ['4 crate 350 x 300 x 250, 6 kg', '3 basket 400 x 320 x 200, 4 kg'])

  // What is over the ceiling is not known: nothing is proposed to hang from it, and it says why.
  await station(page, 'Shape')
  await page.getByRole('checkbox', { name: /4 crate/ }).check()
  await page.getByRole('button', { name: 'Show me what would do' }).click()
  const kinds = page.getByRole('article').getByRole('heading')
  // Every kind is looked at: a while where the machine is slow.
  await expect(kinds.filter({ hasText: 'Bracket shelf' })).toHaveCount(1, { timeout: 45_000 })
  await expect(kinds.filter({ hasText: 'Stack on rods' })).toHaveCount(0)
  await expect(page.getByText('nobody has said what is over it')).toBeVisible()
  const card = (name: string) => page.getByRole('article').filter({ hasText: name }).first()
  await card('Wall cabinet').getByRole('button', { name: 'Take this one' }).click()

  // Doors: one more choice, judged with them open.
  await page.getByLabel('Front', { exact: true }).selectOption({ label: 'doors' })
  await station(page, 'Prove')
  await expect(page.locator('[data-check^="hinges:"]').first()).toContainText('doors and drawers open')
  await expect(page.locator('[data-check^="anchors:"]').first()).toContainText('hold')

  await station(page, 'Survey')
  await page.getByRole('button', { name: 'Ceiling and floor' }).click()
  await page.getByLabel('Above it').selectOption('joists')
  for (const [name, mm] of [
    ['A joist is wide', '47'],
    ['and deep', '200'],
    ['and spans', '3600'],
  ]) {
    await page.getByRole('textbox', { name }).fill(mm)
    await page.keyboard.press('Enter')
  }
  await station(page, 'Shape')
  await page.getByRole('button', { name: 'New build' }).click()
  await page.getByRole('checkbox', { name: /3 basket/ }).check()
  await page.getByRole('button', { name: 'Show me what would do' }).click()
  await card('Stack on rods').getByRole('button', { name: 'Take this one' }).click()
  await station(page, 'Prove')
  await page.getByRole('button', { name: 'Stack on rods' }).first().click()
  await expect(page.locator('[data-check^="joists:"]').first()).toBeVisible()
  await expect(page.locator('[data-check^="rods:"]').first()).toBeVisible()

  // Rods are sawn with a hacksaw, and built up with couplings.
  await station(page, 'Cut')
  await expect(page.getByText('threaded rod').first()).toBeVisible()
  await station(page, 'Build')
  await page.getByRole('button', { name: 'Stack on rods' }).first().click()
  await page.getByRole('button', { name: 'Up with it' }).click()
  await expect(page.getByText('coupling nut', { exact: false }).first()).toBeVisible()
  await saved(page)
})
