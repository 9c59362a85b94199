import { readFileSync } from 'node:fs'
import { executablePath } from '../scripts/chromium.mjs'
import { axe, expect, openDemo, station, test } from './helpers.ts'

test.use({ launchOptions: { executablePath, args: ['--no-sandbox', '--enable-unsafe-swiftshader'] } })
test('a build is turned, cut and opened by keys, a part is picked and heard, and the picture kept', async ({
  page,
}) => {
  await openDemo(page)
  await station(page, 'Shape')
  await page.getByRole('button', { name: 'Label cabinet', exact: true }).click()
  await page.getByRole('button', { name: 'Walk round' }).click()
  const view = page.getByRole('application', { name: 'Label cabinet' })
  await expect(view.locator('canvas')).toBeVisible()
  await expect(view.getByText('Drawing …')).toHaveCount(0)
  /** The picture once it is still. */
  const shot = async () => {
    await page.waitForTimeout(900)
    return view.screenshot()
  }
  /** However slow the machine: the picture comes to differ. */
  const changes = (from: Buffer) => expect.poll(async () => (await view.screenshot()).equals(from)).toBe(false)
  await view.focus()
  const first = await shot()
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('ArrowRight')
  await changes(first)
  const turned = await shot()
  await page.keyboard.press('Home')
  await changes(turned)
  // Keys pick one part after the other; the list and the words follow.
  const part = page.getByRole('combobox', { name: 'Part', exact: true })
  await expect(part).toHaveValue('')
  await page.keyboard.press('.')
  const told = page.locator('.about')
  await expect(told).toContainText('plywood')
  const one = await part.inputValue()
  await page.keyboard.press('.')
  await expect(part).not.toHaveValue(one)
  await page.keyboard.press(',')
  await expect(part).toHaveValue(one)
  await page.keyboard.press('Escape')
  await expect(part).toHaveValue('')
  // The other way: picked in the list, it is shown.
  const plain = await shot()
  await part.selectOption(one)
  await changes(plain)
  const shut = await shot()
  await page.getByRole('slider', { name: 'opened' }).fill('1')
  await changes(shut)
  const open = await shot()
  await page.getByRole('combobox', { name: 'cut' }).selectOption('0')
  await changes(open)
  // A press in the middle picks what is there.
  await part.selectOption('')
  await page.getByRole('combobox', { name: 'cut' }).selectOption('')
  await page.getByRole('slider', { name: 'opened' }).fill('0')
  await page.getByRole('button', { name: 'Front', exact: true }).last().click()
  const box = (await view.boundingBox())!
  await expect(async () => {
    await page.mouse.click(box.x + box.width * 0.47, box.y + box.height / 2)
    await expect(told).toContainText('door', { timeout: 1500 })
  }).toPass({ timeout: 30_000 })
  const saving = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save picture' }).click()
  const file = await saving
  expect(file.suggestedFilename()).toBe('label-cabinet.png')
  const png = readFileSync(await file.path())
  expect(png.subarray(1, 4).toString()).toBe('PNG')
  expect(png.length).toBeGreaterThan(5000)
  // The whole room, and a part of another build picked in it.
  await page.getByRole('checkbox', { name: 'whole room' }).check()
  await expect(page.getByRole('application', { name: "Beekeeper's double garage" })).toBeVisible()
  expect(await axe(page)).toEqual([])
  // A step of the build, with its parts dark.
  await station(page, 'Build')
  await page.getByRole('button', { name: 'Walk round' }).click()
  await expect(page.getByRole('application').locator('canvas')).toBeVisible()
})

test('a section is taken anywhere, a drawing zoomed, a build taken apart, and the joints of a step shown', async ({
  page,
}) => {
  await openDemo(page)
  await station(page, 'Shape')
  const drawing = page.locator('.drawing svg.scene')
  const cut = () => drawing.locator('.cut-board').count()
  await page.getByRole('button', { name: 'Section', exact: true }).click()
  const before = await cut()
  const posts = page.getByLabel('cut at')
  await posts.focus()
  await posts.fill('20')
  await expect.poll(cut).not.toBe(before)
  await expect(page.locator('.cut-at output')).toHaveText(/in|"/)
  const group = page.getByRole('group', { name: /^Size of the drawing: Tote rack/ })
  await group.getByRole('button', { name: 'Larger' }).click()
  await expect(drawing.locator('> g').first()).toHaveAttribute('transform', /scale\(1.5\)/)
  // Letters stay as large as they were.
  const high = () =>
    drawing
      .locator('.dims text')
      .first()
      .evaluate((t) => t.getBoundingClientRect().width)
  expect(await high()).toBeGreaterThan(10)
  await group.getByRole('button', { name: 'fit' }).click()
  await expect(drawing.locator('> g').first()).not.toHaveAttribute('transform', /scale/)
  await page.getByRole('button', { name: 'In space' }).click()
  await expect(drawing.locator('.grain').first()).toBeVisible()
  const hidden = drawing.locator('path.edge.hidden')
  await expect(hidden).toHaveCount(0)
  await page.getByRole('checkbox', { name: 'taken apart' }).check()
  await expect.poll(() => hidden.count()).toBeGreaterThan(0)
  await station(page, 'Build')
  await page.getByRole('button', { name: 'Rear frame' }).click()
  await expect(page.locator('.arrows text').first()).toHaveText('2 ×')
  const joints = page.locator('details.joints')
  await expect(joints.getByText('2 × #9 x 3 in screw').first()).toContainText('through the plate into the post')
  await joints
    .getByRole('button', { name: /plate on post/i })
    .first()
    .click()
  await expect(page.locator('.needed button[aria-pressed=true]').first()).toBeVisible()
  expect(await axe(page)).toEqual([])
})
