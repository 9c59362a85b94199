import { axe, enter, expect, saved, startEmpty, station, test } from './helpers.ts'

test('hand tools go on leaves that turn past each other, and more hangs there than on the wall', async ({ page }) => {
  await startEmpty(page, 'Saws', 'millimetres')
  await enter(page, ['6 saw tool 150 x 30 x 560, 0.6 kg', '12 wrench tool 60 x 18 x 220, 0.3 kg'])
  await station(page, 'Shape')
  await page.getByLabel('Or take a kind yourself').selectOption({ label: 'Wall cabinet' })
  for (const name of [/saw tool/, /wrench tool/]) await page.getByRole('checkbox', { name }).check()
  await page.getByRole('button', { name: 'Start it' }).click()
  // A shelf from side to side would sag: two openings were made of it, and leaves on pins want one.
  await expect(page.getByText('Begun so that it holds. Make it of 2 openings, 610 mm clear each.')).toBeVisible()
  await page.getByRole('button', { name: 'I have read it' }).click()
  await expect(page.getByText('Begun so that it holds.')).toBeHidden()
  for (const [name, value] of [
    ['Openings side by side', '1'],
    ['Clear width of an opening', '1207'],
  ]) {
    await page.getByRole('textbox', { name }).fill(value)
    await page.keyboard.press('Enter')
  }
  await page.getByLabel('Front', { exact: true }).selectOption({ label: 'leaves on pins, one behind the other' })
  await expect(page.getByRole('textbox', { name: 'Leaves', exact: true })).not.toHaveValue('')
  await expect(page.getByText(/It holds/).first()).toBeVisible()

  // Nearer to each other than what hangs on them: told by name, at its field, and nothing is lost.
  const leaves = page.getByRole('textbox', { name: 'Leaves', exact: true })
  await leaves.fill('4')
  await leaves.press('Enter')
  const apart = page.getByRole('textbox', { name: /From leaf to leaf/ })
  await apart.fill('40')
  await apart.press('Enter')
  await expect(page.getByText(/saw tool on the back of one leaf/).first()).toBeVisible()
  await apart.fill('90')
  await apart.press('Enter')
  await expect(page.getByText(/tool on the back of one leaf/)).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText(/It holds/).first()).toBeVisible()
  expect(await axe(page)).toEqual([])

  await station(page, 'Prove')
  await expect(page.getByText(/times the bare wall it takes/).first()).toBeVisible()
  await station(page, 'Build')
  await page.getByText('Leaves on their pins').click()
  await expect(page.getByText(/goes in first, foot on its pin/)).toBeVisible()
  await saved(page)
})
