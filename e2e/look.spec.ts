import { axe, expect, openDemo, station, test } from './helpers.ts'

const STATIONS = ['Sort', 'Survey', 'Shape', 'Prove', 'Buy', 'Cut', 'Build']

for (const scheme of ['light', 'dark'] as const)
  test(`axe finds nothing at any station, ${scheme}`, async ({ page }) => {
    test.slow()
    await page.emulateMedia({ colorScheme: scheme, reducedMotion: 'reduce' })
    await page.goto('/')
    await expect(page.getByRole('button', { name: /Beekeeper's/ }).first()).toBeVisible()
    expect(await axe(page)).toEqual([])
    await openDemo(page)
    for (const name of STATIONS) {
      await station(page, name)
      await expect(page.getByRole('heading', { name, exact: true })).toBeVisible()
      if (name === 'Cut') await expect(page.getByText('Parts list')).toBeVisible()
      if (name === 'Buy') await expect(page.getByText('Shopping list')).toBeVisible()
      expect(await axe(page), name).toEqual([])
    }
  })

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true })
  test('every station fits 390 px, and a step can be ticked', async ({ page }) => {
    await openDemo(page)
    for (const name of STATIONS) {
      await station(page, name)
      await expect(page.getByRole('heading', { name, exact: true })).toBeVisible()
      await page.waitForTimeout(300)
      const [inner, main] = await page.evaluate(() => [document.documentElement.scrollWidth, document.querySelector('main')!.scrollWidth])
      expect(inner, name).toBeLessThanOrEqual(390)
      if (name === 'Build' || name === 'Cut') expect(main, name).toBeLessThanOrEqual(390)
    }
    await page.getByRole('button', { name: 'Done', exact: true }).click()
    await expect(page.getByRole('heading', { name: 'Rear frame' })).toBeVisible()
  })
})

test('units change how lengths are shown, and not what is bought', async ({ page }) => {
  await openDemo(page)
  await station(page, 'Shape')
  await expect(page.getByRole('textbox', { name: 'Rail length (depth)' })).toHaveValue('29 13/16')
  const cost = await page.getByLabel('Reckoning').getByRole('link', { name: /^\$/ }).textContent()
  await page.getByRole('button', { name: 'Project settings' }).click()
  await page.getByRole('button', { name: 'millimetres' }).click()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('textbox', { name: 'Rail length (depth)' })).toHaveValue('758')
  await expect(page.getByLabel('Reckoning').getByRole('link', { name: /^\$/ })).toHaveText(cost!)
})
