import AxeBuilder from '@axe-core/playwright'
import { expect as plainExpect, test as base, type Locator, type Page } from '@playwright/test'

/** As long as the runner waits by its own settings (playwright.config.ts). */
const VISIBLE_WITHIN_MS = 30_000

/**
 * What is waited for is asked of the page alone: the runner's own matcher writes down the whole page at each try that
 * comes too early, which took a twelfth of all journeys. Not for `not`: that is `toBeHidden`.
 */
export const expect = plainExpect.extend({
  async toBeVisible(found: Locator, { timeout = VISIBLE_WITHIN_MS }: { timeout?: number } = {}) {
    const why = await found.waitFor({ state: 'visible', timeout }).then(
      () => null,
      (error: Error) => error.message,
    )
    return { pass: why === null, message: () => why ?? 'is visible, and should not be' }
  },
})
/** Every journey fails on an error of the page or a breach of its content-security policy. */
export const test = base.extend<{ page: Page }>({
  page: async ({ page }, use) => {
    const errors: string[] = []
    page.on('pageerror', (e) => errors.push(e.message))
    page.on(
      'console',
      (m) =>
        m.type() === 'error' &&
        !/ERR_INTERNET_DISCONNECTED|Failed to load resource/.test(m.text()) &&
        errors.push(m.text()),
    )
    await use(page)
    expect(errors).toEqual([])
  },
})

/** Goes to a station and waits until it is the one shown: what reads the address next reads the right one. */
export async function station(page: Page, name: string) {
  const link = page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: new RegExp(`^${name}`) })
  await link.click()
  await expect(link).toHaveAttribute('aria-current', 'page')
}

/** Projects that lie on the shelf at the first visit. */
export const DEMOS = 4

export async function openDemo(page: Page) {
  await page.goto('/')
  await page
    .getByRole('button', { name: /Beekeeper's double garage/ })
    .first()
    .click()
  await expect(page.getByRole('heading', { name: 'Sort', exact: true })).toBeVisible()
}

export async function startEmpty(
  page: Page,
  name: string,
  units: 'feet and inches' | 'millimetres' = 'feet and inches',
) {
  await page.goto('/')
  await page.getByLabel('Name').fill(name)
  await page.getByLabel('Units').selectOption({ label: units })
  await page.getByRole('button', { name: 'Start' }).click()
  // A store that hangs is given up after some seconds, and the project made in memory.
  await expect(page.getByRole('heading', { name: 'Sort', exact: true })).toBeVisible({ timeout: 45_000 })
}

/**
 * What axe finds, by all rules or by some, in short. There are no frames here: the whole page in one run takes half the
 * time, and so does not writing out what is sound.
 */
export async function axe(page: Page, rules: readonly string[] = []): Promise<string[]> {
  const all = new AxeBuilder({ page }).setLegacyMode(true).options({ resultTypes: ['violations'] })
  const asked =
    rules.length > 0
      ? all.withRules([...rules])
      : all.withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'best-practice'])
  const found = await asked.analyze()
  return found.violations.flatMap((v) => v.nodes.slice(0, 3).map((n) => `${v.id}: ${n.target.join(' ')}`))
}

export const saved = (page: Page) => expect(page.getByText('saved', { exact: true })).toBeVisible()

/** Says things one after the other, a line each. */
export async function enter(page: Page, things: readonly string[]) {
  const line = page.getByRole('combobox', { name: /One line/ })
  for (const thing of things) {
    await line.fill(thing)
    await line.press('Enter')
    await expect(line).toHaveValue('')
  }
}
