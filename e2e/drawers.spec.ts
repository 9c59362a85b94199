import { axe, enter, expect, saved, startEmpty, station, test } from './helpers.ts'

test('from small things to a bank of drawers that holds, with drawers of one’s own', async ({ page }) => {
  await startEmpty(page, 'Fittings', 'millimetres')
  await enter(page, ['18 box of screws 110 x 90 x 50, 0.9 kg', '4 tin of wax 90 x 90 x 60, 0.4 kg'])
  // Small things by how much there is of them: so many boxes as that takes.
  await enter(page, ['3 l of hooks in box 110 x 90 x 60, 0.8 kg'])
  await expect(page.getByRole('row', { name: /hooks in box/ }).getByLabel(/count/i)).toHaveValue('7')
  await station(page, 'Shape')
  await page.waitForTimeout(1500)
  await page.screenshot({ path: '/tmp/s0.png' })
  await page.getByLabel('Or take a kind yourself').selectOption({ label: 'Drawer bank' })
  await page.getByRole('button', { name: 'All of them' }).click()
  await page.getByRole('button', { name: 'Start it' }).click()
  await expect(page.getByText('As many as the things need. Add drawers to have others.')).toBeVisible()

  // One kind of drawer of one's own: the goods go into those.
  await page.getByRole('button', { name: 'Add a kind of drawer' }).click()
  await expect(page.getByLabel(/Units high/).first()).toBeVisible()
  expect(await axe(page)).toEqual([])
  await saved(page)

  await station(page, 'Prove')
  await expect(page.getByText(/each drawer stays in its grooves by/)).toBeVisible()
  await station(page, 'Build')
  await expect(page.getByText('Grooves the drawers run in').first()).toBeVisible()

  // On bought slides instead: proven right out, and built otherwise.
  await station(page, 'Shape')
  await page.getByLabel('Drawers run').selectOption({ label: 'on bought slides, right out' })
  await station(page, 'Prove')
  await expect(page.getByText(/the screws of its slides hold/).first()).toBeVisible()
  await station(page, 'Build')
  await expect(page.getByText('Housings in the uprights').first()).toBeVisible()
})

test('flat things on edge in slots, the unit said once after the last size', async ({ page }) => {
  await startEmpty(page, 'Pictures', 'feet and inches')
  const line = page.getByRole('combobox', { name: /One line/ })
  await line.fill('12 framed picture 40 x 620 x 800 mm, 4 kg')
  await line.press('Enter')
  await expect(line).toHaveValue('')
  await station(page, 'Shape')
  await page.getByRole('checkbox', { name: /framed picture/ }).check()
  await page.getByRole('button', { name: 'Show me what would do' }).click()
  await expect(page.getByRole('heading', { name: 'Slot rack' })).toBeVisible({ timeout: 20_000 })
  await expect(page.getByText('On edge in a slot, drawn out without moving another.')).toBeVisible()
})

test('a bench full of drawers: proven right out, told at the field what cannot be, led through', async ({ page }) => {
  await startEmpty(page, 'Bench', 'millimetres')
  await enter(page, ['12 tin of paint 110 x 110 x 140, 1.6 kg', '6 chisel tool 40 x 30 x 280, 0.3 kg'])
  await station(page, 'Shape')
  await page.getByLabel('Or take a kind yourself').selectOption({ label: 'Bench on boxes' })
  await page.getByRole('button', { name: 'All of them' }).click()
  await page.getByRole('button', { name: 'Start it' }).click()
  // Three openings so wide that studs lie behind two of them.
  for (const [name, value] of [
    ['Openings side by side', '3'],
    ['Clear width of an opening', '500'],
  ]) {
    await page.getByRole('textbox', { name }).fill(value)
    await page.keyboard.press('Enter')
  }
  await page.getByLabel('Front', { exact: true }).selectOption({ label: 'drawers' })
  await expect(page.getByRole('textbox', { name: 'Drawers over the lowest' })).toHaveValue('3')
  await expect(page.getByText(/It holds/).first()).toBeVisible()

  // Too near to the one below: told at its field, and the bench is as it was.
  const under = page.getByRole('textbox', { name: /Drawer 2 from below, its underside/ })
  await under.fill('110')
  await under.press('Enter')
  await expect(page.getByText(/Drawer 1 from below would have a place/).first()).toBeVisible()
  await under.fill('360')
  await under.press('Enter')
  await expect(page.getByText(/Drawer 1 from below would have a place/)).toHaveCount(0)
  await expect(page.getByText(/It holds/).first()).toBeVisible()
  expect(await axe(page)).toEqual([])
  await station(page, 'Prove')
  await expect(page.getByText(/With a drawer right out the screws of its slides hold/).first()).toBeVisible()
  await station(page, 'Build')
  await page.getByText('The slides').first().click()
  await expect(page.getByText(/Their lower edges on the marks of the stick/)).toBeVisible()
  await saved(page)
})
