import { axe, expect, saved, startEmpty, station, test } from './helpers.ts'

test('a wall that divides the room waits for what holds it above, and stays where it is when it is pushed', async ({
  page,
}) => {
  await startEmpty(page, 'Two rooms', 'millimetres')
  await station(page, 'Shape')
  await page.getByLabel('Or take a kind yourself').selectOption({ label: 'Framed wall' })
  await page.getByRole('button', { name: 'Start it' }).click()
  await expect(page.getByText(/held at its upper end by joists/).first()).toBeVisible()

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
  const start = page.getByRole('button', { name: 'Start it' })
  if (await start.isVisible()) {
    await page.getByLabel('Or take a kind yourself').selectOption({ label: 'Framed wall' })
    await start.click()
  }
  const door = page.getByRole('textbox', { name: 'Door from the left end' })
  await expect(door).not.toHaveValue('')
  await door.fill('20')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/two anchors to either side/).first()).toBeVisible()
  await door.fill('1400')
  await page.keyboard.press('Enter')
  await expect(door).toHaveValue('1400')
  expect(await axe(page)).toEqual([])

  // Nobody has rated the anchors in the slab: not proven, and said of them.
  await station(page, 'Prove')
  await expect(page.getByText(/nobody has said what the anchors in the slab give/).first()).toBeVisible()
  await expect(page.getByText('it does not fall, and what pushes it is asked apart')).toBeVisible()
  await station(page, 'Build')
  await page.getByRole('button', { name: 'The opening for the door' }).click()
  await expect(page.getByText(/the board over the door on them/)).toBeVisible()

  // What a change of the room leaves impossible shows what can be changed, and is mended bit by bit or at once.
  await station(page, 'Shape')
  const high = page.getByRole('textbox', { name: 'Height of the wall' })
  await page.getByRole('button', { name: 'tacked: Height of the wall' }).click()
  await station(page, 'Survey')
  await page.getByRole('button', { name: 'Ceiling and floor' }).click()
  await page.getByRole('textbox', { name: 'Ceiling height' }).fill('2300')
  await page.keyboard.press('Enter')
  await station(page, 'Shape')
  await expect(page.getByText(/It would end 2400 mm up/).first()).toBeVisible()
  await expect(high).toHaveValue('2400')
  // Nowhere is it passed over.
  await expect(page.getByLabel('Reckoning').getByText(/"Framed wall" cannot be built as it is/)).toBeVisible()
  for (const [name, said] of [
    ['Prove', /^"Framed wall" cannot be built as it is/],
    ['Buy', /^Not in this list: "Framed wall" cannot be built/],
    ['Cut', /^Not among these cuts: "Framed wall" cannot be built/],
    ['Build', /^"Framed wall" cannot be built as it is/],
  ] as const) {
    await station(page, name)
    await expect(page.getByRole('alert').filter({ hasText: said })).toBeVisible()
  }
  await station(page, 'Shape')
  const anchors = page.getByRole('textbox', { name: 'Anchors apart at most' })
  await anchors.fill('700')
  await page.keyboard.press('Enter')
  await expect(anchors).toHaveValue('700')
  expect(await axe(page)).toEqual([])
  await page.getByRole('button', { name: 'Let all its dimensions go' }).click()
  await expect(high).toHaveValue('2300')
  await expect(page.getByText(/It would end/)).toBeHidden()
  await saved(page)
})
