import { axe, enter, expect, openDemo, saved, startEmpty, station, test } from './helpers.ts'

test('the yard gives prices, is down and says so; what is there, what was paid and a ready-made price are reckoned with', async ({
  page,
}) => {
  let mood = 'well'
  await page.route('**/api/yard/**', (route) =>
    route.continue({ url: `${route.request().url()}${route.request().url().includes('?') ? '&' : '?'}mood=${mood}` }),
  )
  await openDemo(page)
  await station(page, 'Buy')
  const total = page.getByRole('row', { name: /^Total/ })
  const before = await total.textContent()
  await expect(page.getByText('Starting prices: nobody has asked the yard yet.')).toBeVisible()
  await page.getByRole('button', { name: 'Take over the yard’s prices' }).click()
  await expect(page.getByText(/^Prices of /)).toBeVisible()
  await expect(total).not.toHaveText(before!)
  await page.getByRole('button', { name: 'history' }).first().click()
  await expect(page.getByText(/: \$[\d.]+, the yard/).first()).toBeVisible()
  await page.getByRole('button', { name: 'Have the list put aside' }).click()
  await expect(page.getByText(/Put aside under R\d+ for 3 days/)).toBeVisible()

  mood = 'down'
  await page.getByRole('button', { name: 'Take over the yard’s prices' }).click()
  await expect(page.getByText('The yard: it does not answer.')).toBeVisible()
  await expect(page.getByText(/the last known/)).toBeVisible()

  // A board is there already, of those any plan needs many of: paid for no more. Nonsense is refused where it stands.
  const row = page.getByRole('row', { name: /2x4 8 ft is in the cart/ })
  const cell = async (n: number) => Number(await row.getByRole('cell').nth(n).textContent())
  // A better plan may come in between and lay the list anew.
  await expect(async () => {
    const there = row.getByRole('textbox', { name: /how many are there/ })
    await there.fill('1')
    await there.press('Enter')
    await expect.poll(async () => (await cell(2)) - (await cell(4)), { timeout: 3000 }).toBe(1)
  }).toPass({ timeout: 30_000 })
  // A tick stands for what was asked for then: with that board gone one more is.
  await row.getByRole('checkbox').check()
  await row.getByRole('textbox', { name: /how many are there/ }).fill('')
  await page.keyboard.press('Enter')
  await expect(row.getByText(/in the cart, \d+ more asked for since/)).toBeVisible()
  await expect(row.getByRole('checkbox')).not.toBeChecked()
  await row.getByRole('checkbox').check()
  await expect(row.getByText(/more asked for since/)).toBeHidden()
  await row.getByRole('textbox', { name: /how many are there/ }).fill('1')
  await page.keyboard.press('Enter')
  await row.getByRole('textbox', { name: /how many are there/ }).fill('-2')
  await page.keyboard.press('Enter')
  await expect(row.getByText('A whole number from 0 to 100000.')).toBeVisible()
  await row.getByRole('textbox', { name: /paid in all/ }).fill('1.00')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/Paid \$1.00 for what was planned at .* less/)).toBeVisible()
  await page.getByLabel('Ready-made it would cost').fill('2000')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/building saves/)).toBeVisible()
  expect(await axe(page)).toEqual([])
})

test('cut by cut: the plan stays once begun, a mishap is planned around, and undo takes it back', async ({ page }) => {
  // Sixty cuts and three plans: minutes where a machine is slow.
  test.setTimeout(300_000)
  await openDemo(page)
  await station(page, 'Cut')
  // A search that was ended holds nothing up: what changes after it is planned as ever.
  await page.getByRole('button', { name: 'Stop: this one will do' }).click()

  // A board on hand is cut from first.
  const hand = page.getByRole('region', { name: 'On hand' })
  await hand.getByLabel('Section').selectOption({ label: '2x4' })
  await hand.getByLabel('Length').fill('144')
  await page.keyboard.press('Enter')
  await hand.getByLabel('Bad places').fill('knot')
  await hand.getByRole('button', { name: 'Add' }).click()
  await expect(hand.getByRole('alert')).toContainText('"knot" is not a length')
  await hand.getByLabel('Bad places').fill('60 to 62')
  await hand.getByRole('button', { name: 'Add' }).click()
  await expect(hand.getByText('bad at 60" to 62"')).toBeVisible()
  await expect(page.getByText(/2x4, .*, on hand/).first()).toBeVisible()
  // What is treated is kept apart from what is not.
  await hand.getByRole('checkbox', { name: 'treated' }).check()
  await hand.getByRole('button', { name: 'Add' }).click()
  await expect(hand.getByText(/^2x4 treated, /)).toBeVisible()

  await page.getByText('one at a time').click()
  await page.getByRole('button', { name: 'Cut, next' }).click()
  await expect(page.getByText('This plan is being cut and stays as it is')).toBeVisible()
  for (let i = 0; i < 4; i++) await page.getByRole('button', { name: 'Cut, next' }).click()
  // Alike cuts are one line; each alone for who wants it.
  const of = page.getByText(/^Cuts? [\d, to]+ of \d+/)
  await expect(of).toBeVisible()
  await page.getByText('each cut alone').click()
  await expect(of).toHaveText(/^Cut \d+ of/)
  for (let i = 0; i < 4; i++) await page.getByRole('button', { name: 'Cut, next' }).click()
  expect(await axe(page)).toEqual([])

  await page.getByRole('button', { name: 'A piece went wrong' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Which piece').selectOption({ index: 5 })
  await dialog.getByText('the wood is bad there').click()
  await dialog.getByRole('button', { name: 'Plan what is left' }).click()
  await dialog.getByRole('button', { name: 'Go on with this plan' }).click({ timeout: 90_000 })
  await expect(page.getByText('1 piece went wrong so far')).toBeVisible()
  await saved(page)
  await page.reload()
  await expect(page.getByText('1 piece went wrong so far')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('1 piece went wrong so far')).toBeHidden()
  await expect(page.getByText('This plan is being cut and stays as it is')).toBeVisible()
  await page.getByRole('button', { name: 'Begin anew' }).click()
  await expect(page.getByText('This plan is being cut and stays as it is')).toBeHidden()
})

test('what no board gives is told where it is proved, bought and cut, and never left out quietly', async ({ page }) => {
  await startEmpty(page, 'Long cabinet', 'millimetres')
  await enter(page, ['12 box 400 x 300 x 220, 0.4 kg'])
  await station(page, 'Shape')
  await page.getByLabel('Or take a kind yourself').selectOption({ label: 'Wall cabinet' })
  await page.getByRole('checkbox', { name: /box/ }).check()
  await page.getByRole('button', { name: 'Start it' }).click()
  const bays = page.getByRole('textbox', { name: 'Openings side by side' })
  await expect(bays).not.toHaveValue('')
  await bays.fill('4')
  await bays.press('Enter')
  await page.getByRole('textbox', { name: 'Clear width of an opening' }).fill('1300')
  await page.keyboard.press('Enter')
  await station(page, 'Prove')
  await expect(page.getByText(/and what is sold gives 4794 mm once trimmed/).first()).toBeVisible()
  await station(page, 'Buy')
  await expect(page.getByRole('alert').filter({ hasText: /^Not in this list: .*longest board gives/ })).toBeVisible()
  await expect(page.getByRole('row', { name: /^Total without/ })).toBeVisible()
  await expect(page.getByRole('link', { name: /and more$/ })).toBeVisible()
  expect(await axe(page)).toEqual([])
  await station(page, 'Cut')
  await expect(page.getByRole('alert').filter({ hasText: /longest board gives/ })).toBeVisible()
})
