import { axe, expect, saved, startEmpty, station, test } from './helpers.ts'

const THINGS = [
  '6 tote 430 x 640 x 330, 12 kg',
  '8 pail 170 x 170 x 200, 5 kg',
  '2 step ladders',
  '3 sheet 2000 x 18 x 1000, 20 kg',
  '9 box 400 x 300 x 250',
]

test('a heap of things becomes plans of the room, of which one is taken in part', async ({ page }) => {
  test.setTimeout(120_000)
  // Two searches beside each other, however few processors there are.
  await page.addInitScript(() => Object.defineProperty(navigator, 'hardwareConcurrency', { get: () => 4 }))
  await startEmpty(page, 'Heap', 'millimetres')
  const line = page.getByRole('combobox', { name: /One line/ })
  for (const thing of THINGS) {
    await line.fill(thing)
    await line.press('Enter')
    await expect(line).toHaveValue('')
  }
  await station(page, 'Shape')
  await expect(page.getByRole('heading', { name: 'Plan the whole room' })).toBeVisible()
  await page.getByRole('checkbox', { name: 'Nothing hung from the ceiling' }).check()
  await page.getByRole('button', { name: 'Plan the room' }).click()
  const plans = page.getByRole('article')
  await expect(plans.first()).toBeVisible()
  await expect(page.getByText(/^Done: \d+ builds looked at/)).toBeVisible({ timeout: 60_000 })
  await expect(plans.first().getByText('holds if what is presumed to weigh so much weighs no more')).toBeVisible()
  await expect(plans.first().getByText(/presumed mass/)).toBeVisible()
  expect(await axe(page)).toEqual([])

  // One build of it is left out, by the keyboard.
  const builds = plans.first().getByRole('checkbox')
  const count = await builds.count()
  expect(count).toBeGreaterThan(1)
  await builds.first().focus()
  await page.keyboard.press('Space')
  await plans
    .first()
    .getByRole('button', { name: `Take ${count - 1} of ${count}` })
    .click()
  await expect(page.getByRole('button', { name: 'New build' })).toBeVisible()
  await expect(page.getByRole('group', { name: 'One build, or the whole room' })).toHaveCount(0)
  await saved(page)

  // Taken as one step, and undone as one.
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(page.getByRole('heading', { name: 'Plan the whole room' })).toBeVisible()
})
