import { axe, expect, openDemo, saved, startEmpty, station, test } from './helpers.ts'

test('from a heap of totes to a rack one can build', async ({ page }) => {
  await startEmpty(page, 'Shed')

  // Sort: nonsense is refused where it is typed, a line becomes goods.
  const line = page.getByRole('combobox', { name: /One line/ })
  for (const [text, said] of [
    ['12 gadget', 'No sizes found'],
    ['12 tote 16 x -24 x 12', 'below zero'],
    ['0 tote 16 x 24 x 12', 'whole number'],
    ['1 tote 16 x 24 x 99999', 'out of range'],
  ]) {
    await line.fill(text)
    await line.press('Enter')
    await expect(page.getByRole('alert')).toContainText(said)
  }
  await line.fill('12 tote 19 1/4 x 28 1/2 x 13 3/4, 31 lb')
  await line.press('Enter')
  await expect(page.getByRole('textbox', { name: 'Name of tote' })).toHaveValue('tote')
  await expect(page.getByText('372 lb')).toBeVisible()
  await page.getByRole('button', { name: /I measured: they are right/ }).click()

  // A negative count stays at its field and is not stored; Escape brings the old value back.
  const count = page.getByRole('textbox', { name: 'Count of tote' })
  await count.fill('-3')
  await count.press('Enter')
  await expect(page.getByText('is not a whole number').first()).toBeVisible()
  await count.press('Escape')
  await expect(count).toHaveValue('12')

  // Survey.
  await station(page, 'Survey')
  const length = page.getByRole('textbox', { name: 'Length', exact: true })
  await length.fill(`16'`)
  await length.press('Enter')
  await expect(length).toHaveValue('192')
  await length.fill('wide')
  await length.press('Enter')
  await expect(page.getByText('"wide" is not a length')).toBeVisible()
  await length.press('Escape')

  // Shape: proposals, take one, fix an opening, see why.
  await station(page, 'Shape')
  await page.getByRole('checkbox', { name: /12 tote/ }).check()
  await page.getByRole('button', { name: 'Show me what would do' }).click()
  await expect(page.getByRole('article')).toHaveCount(3)
  await page
    .getByRole('article')
    .filter({ hasText: 'Tote rack' })
    .first()
    .getByRole('button', { name: 'Take this one' })
    .click()
  const opening = page.getByRole('textbox', { name: 'Opening, column 1' })
  await expect(opening).toHaveValue('19 3/4')
  await expect(page.getByText('lid 19 1/4" + 2 × side play 1/4"').first()).toBeVisible()
  await opening.fill('17 3/4')
  await opening.press('Enter')
  await expect(page.getByRole('button', { name: 'fixed: Opening, column 1' })).toBeVisible()
  await expect(page.getByRole('contentinfo').or(page.getByLabel('Reckoning'))).toContainText('does not go in')
  await opening.fill('1')
  await opening.press('Enter')
  await expect(page.getByText(/Too small: at least/)).toBeVisible()
  await opening.press('Escape')

  // Prove: the failing link, and its first remedy makes it hold.
  await station(page, 'Prove')
  await expect(page.getByText('2" too narrow').first()).toBeVisible()
  await page.getByRole('button', { name: /^Do it: Let go of "Opening, column 1"/ }).click()
  await expect(page.locator('.sentence')).toContainText('It holds')
  await page.locator('[data-check^="sag:"]').first().click()
  await page.getByText('Working', { exact: true }).click()
  await expect(page.getByText('Kcr')).toBeVisible()

  // Buy: tick, change a price, refuse nonsense.
  await station(page, 'Buy')
  const total = page.getByRole('row', { name: /^Total/ })
  const before = await total.textContent()
  const price = page.getByRole('region', { name: 'Price book' }).getByRole('textbox').last()
  await price.fill('free')
  await price.press('Enter')
  await expect(page.getByText('"free" is not a price')).toBeVisible()
  await price.fill('99.50')
  await price.press('Enter')
  await expect(total).not.toHaveText(before!)
  await page
    .getByRole('checkbox', { name: /in the cart/ })
    .first()
    .check()
  const csv = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Export the list' }).click()
  await page.getByRole('menuitem', { name: 'CSV' }).click()
  expect((await csv).suggestedFilename()).toBe('shopping-list.csv')

  // In space a part is picked and named.
  await station(page, 'Shape')
  await page.getByRole('button', { name: 'In space' }).click()
  await page.locator('polygon.face.board').last().dispatchEvent('click')
  await expect(page.getByLabel('Part', { exact: true })).not.toHaveValue('')
  await expect(page.getByText(/^[A-Z]+\d*: (rail|post|plate|back rail|brace), /)).toBeVisible()

  // Cut: diagrams with labels, tick a piece.
  await station(page, 'Cut')
  await page.getByRole('button', { name: /^rail/ }).first().click()
  await expect(page.getByText(/^[1-3] of \d+ pieces cut/)).toBeVisible()

  // Build: hold point answers, tick, and all of it survives a reload.
  await station(page, 'Build')
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Rear frame' })).toBeVisible()
  await page.getByRole('textbox', { name: 'One diagonal' }).fill('100')
  await page.getByRole('textbox', { name: 'One diagonal' }).press('Enter')
  await page.getByRole('textbox', { name: 'The other' }).fill('100 1/2')
  await page.getByRole('textbox', { name: 'The other' }).press('Enter')
  await expect(page.getByText('Not square yet: they differ by 1/2"')).toBeVisible()
  await saved(page)
  await page.reload()
  await expect(page.getByText('1 step of 11 done').or(page.getByText('1 step of 10 done'))).toBeVisible()
  await expect(page.getByRole('textbox', { name: 'The other' })).toHaveValue('100 1/2')

  // Undo reaches back across the reload; redo forward again.
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('textbox', { name: 'The other' })).toHaveValue('')
  await page.getByRole('button', { name: 'Redo' }).click()
  await expect(page.getByRole('textbox', { name: 'The other' })).toHaveValue('100 1/2')
})

test('a shelf dragged on the drawing becomes fixed, and one step of undo lets it go', async ({ page }) => {
  await startEmpty(page, 'Drag', 'millimetres')
  const line = page.getByRole('combobox', { name: /One line/ })
  await line.fill('20 pail 300 x 300 x 380, 12 kg')
  await line.press('Enter')
  await station(page, 'Shape')
  await page
    .getByRole('button', { name: 'All of them' })
    .or(page.getByRole('checkbox', { name: /20 pail/ }))
    .first()
    .click()
  await page.getByRole('button', { name: 'Show me what would do' }).click()
  await page
    .getByRole('article')
    .filter({ hasText: 'Post rack' })
    .first()
    .getByRole('button', { name: 'Take this one' })
    .click()
  const top = page.getByRole('textbox', { name: 'Shelf 2, top' })
  const before = Number(await top.inputValue())
  const grip = page.locator('[data-part="rail-0-1-front"]')
  const box = (await grip.boundingBox())!
  await page.mouse.move(box.x + box.width * 0.3, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width * 0.3, box.y - 20, { steps: 6 })
  await page.mouse.up()
  await expect(page.getByRole('button', { name: 'fixed: Shelf 2, top' })).toBeVisible()
  expect(Number(await top.inputValue())).toBeGreaterThan(before + 20)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(top).toHaveValue(String(before))
  await expect(page.getByRole('button', { name: 'tacked: Shelf 2, top' })).toBeVisible()
  // The same by keyboard.
  await grip.focus()
  await page.keyboard.press('ArrowUp')
  await expect(top).toHaveValue(String(before + 1))
})

test('the keyboard alone walks the stations, decides and undoes', async ({ page }) => {
  await startEmpty(page, 'Keys')
  await page.getByRole('combobox', { name: /One line/ }).fill('2 crate 12 x 12 x 12, 9 lb')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: '2 crate' }).focus()
  await page.keyboard.press('b')
  await expect(page.getByRole('combobox', { name: 'Decision for crate' })).toHaveValue('bin')
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('combobox', { name: 'Decision for crate' })).toHaveValue('keep')
  for (const [key, name] of [
    ['2', 'Survey'],
    ['4', 'Prove'],
    ['7', 'Build'],
    ['1', 'Sort'],
  ]) {
    await page.keyboard.press(key)
    await expect(page.getByRole('heading', { name, exact: true })).toBeVisible()
  }
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog')).toContainText('Undo')
})

test('what was done before a build was changed says so: steps, cuts and the shopping list', async ({ page }) => {
  await openDemo(page)
  await station(page, 'Cut')
  await page.getByRole('button', { name: /^rail/ }).first().click()
  await expect(page.getByText('This plan is being cut and stays as it is')).toBeVisible()
  await station(page, 'Build')
  for (let i = 0; i < 6; i++) await page.getByRole('button', { name: 'Done', exact: true }).click()
  await expect(page.getByText('6 steps of 11 done')).toBeVisible()
  await station(page, 'Shape')
  const rails = page.getByRole('textbox', { name: 'Rail length (depth)' })
  await rails.fill('31')
  await rails.press('Enter')
  await expect(rails).toHaveValue('31')
  await station(page, 'Build')
  // The frames stand further apart and are the same; what goes between them is longer.
  await expect(page.getByText('5 steps of 11 done')).toBeVisible()
  await page.getByRole('button', { name: /^First pair of rails.*done before the build was changed/ }).click()
  await expect(page.getByText(/You ticked this before the build was changed/)).toBeVisible()
  expect(await axe(page)).toEqual([])
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  await expect(page.getByText('6 steps of 11 done')).toBeVisible()
  await station(page, 'Cut')
  await expect(page.getByText('The builds have changed since cutting began.')).toBeVisible()
  await station(page, 'Buy')
  await expect(page.getByText(/this list is of the plan that is being cut/)).toBeVisible()
  await expect(page.getByText(/without what has changed since cutting began/)).toBeVisible()
  expect(await axe(page)).toEqual([])
  await saved(page)
})
