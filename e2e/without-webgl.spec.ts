import { executablePath } from '../scripts/chromium.mjs'
import { expect, openDemo, station, test } from './helpers.ts'

test.use({ launchOptions: { executablePath, args: ['--no-sandbox', '--use-gl=disabled'] } })
test('the drawing in space takes its place', async ({ page }) => {
  await openDemo(page)
  await station(page, 'Shape')
  await page.getByRole('button', { name: 'Walk round' }).click()
  await expect(page.getByText('cannot draw in three dimensions')).toBeVisible()
  await expect(page.locator('.instead svg.scene .face').first()).toBeVisible()
})
