import type { Page } from '@playwright/test'
import { DEMOS, expect, startEmpty, test } from './helpers.ts'

/**
 * Ways a browser's store can be broken before the application opens; `damage` runs on a store that has the demo in it.
 */
const WAYS: { name: string; init?: () => void; damage?: () => Promise<void>; says: RegExp; demoStays: boolean }[] = [
  {
    name: 'it is missing',
    init: () => Object.defineProperty(window, 'indexedDB', { value: undefined }),
    says: /has no store for web pages/,
    demoStays: false,
  },
  {
    name: 'asking for it throws',
    init: () =>
      Object.defineProperty(window, 'indexedDB', {
        get() {
          throw new DOMException('denied', 'SecurityError')
        },
      }),
    says: /can not be opened/,
    demoStays: false,
  },
  {
    name: 'opening it throws',
    init: () => {
      IDBFactory.prototype.open = () => {
        throw new DOMException('denied', 'SecurityError')
      }
    },
    says: /can not be opened/,
    demoStays: false,
  },
  {
    name: 'opening it fails',
    init: () => {
      const open = IDBFactory.prototype.open
      IDBFactory.prototype.open = function () {
        // A version that can not be: the request fails with an error of the store.
        const request = open.call(this, 'other', 1)
        Object.defineProperty(request, 'error', { value: new DOMException('broken', 'UnknownError') })
        request.addEventListener('success', (e) => {
          e.stopImmediatePropagation()
          request.dispatchEvent(new Event('error'))
        })
        return request
      }
    },
    says: /can not be opened/,
    demoStays: false,
  },
  {
    name: 'it never answers',
    init: () => {
      IDBFactory.prototype.open = () => new EventTarget() as IDBOpenDBRequest
    },
    says: /does not answer/,
    demoStays: false,
  },
  {
    name: 'reading hangs',
    init: () => {
      for (const name of ['get', 'getAll', 'count', 'openCursor'] as const)
        Object.defineProperty(IDBObjectStore.prototype, name, { value: () => new EventTarget() })
    },
    says: /does not answer/,
    demoStays: false,
  },
  {
    name: 'transactions throw',
    init: () => {
      IDBDatabase.prototype.transaction = () => {
        throw new DOMException('broken', 'UnknownError')
      }
    },
    says: /can not be opened/,
    demoStays: false,
  },
  {
    name: 'it belongs to a newer version',
    damage: () =>
      new Promise<void>((done) => {
        const drop = indexedDB.deleteDatabase('tack-loft')
        drop.onsuccess = () => {
          const open = indexedDB.open('tack-loft', 9000)
          open.onsuccess = () => {
            open.result.close()
            done()
          }
        }
      }),
    says: /newer version of Tack Loft/,
    demoStays: false,
  },
  {
    name: 'it lost its tables',
    damage: () =>
      new Promise<void>((done) => {
        const drop = indexedDB.deleteDatabase('tack-loft')
        drop.onsuccess = () => {
          const open = indexedDB.open('tack-loft', 60)
          open.onsuccess = () => {
            open.result.close()
            done()
          }
        }
      }),
    says: /Projects/,
    demoStays: false,
  },
  ...(
    [
      ['a record is no project', 'projects', { id: 'bad', touchedAt: 'x', doc: 'nonsense' }, /Damaged/],
      ['a record has nothing in it', 'projects', { id: 'bad' }, /Damaged/],
      [
        'a project has a bad field',
        'projects',
        { id: 'bad', doc: { format: 'tackloft', version: 5, name: 'Bent' } },
        /Bent/,
      ],
      [
        'a project is of a newer version',
        'projects',
        { id: 'bad', doc: { format: 'tackloft', version: 99, name: 'New' } },
        /newer version/,
      ],
      ['the undo of a project is nonsense', 'history', { id: 'demo-beekeeper', past: 5, future: [{}] }, /Beekeeper/],
      ['a cut plan is nonsense', 'plans', { id: 'demo-beekeeper', key: 'x', procurement: { cutPlan: 7 } }, /Beekeeper/],
      ['a mark is nonsense', 'marks', { key: 'visited', value: { a: [] } }, /Beekeeper/],
    ] as const
  ).map(([name, table, record, says]) => ({
    name,
    damage: put(table, record),
    says,
    demoStays: true,
  })),
]
function put(table: string, record: object): () => Promise<void> {
  return new Function(
    `return new Promise((done) => { const open = indexedDB.open('tack-loft'); open.onsuccess = () => {
      const t = open.result.transaction('${table}', 'readwrite'); t.objectStore('${table}').put(${JSON.stringify(record)})
      t.oncomplete = () => { open.result.close(); done() } } })`,
  ) as () => Promise<void>
}
const shelfOf = async (page: Page) => {
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'Tack Loft' })).toBeVisible({ timeout: 45_000 })
}

for (const way of WAYS)
  test(`no blank page and no empty shelf without a word when ${way.name}`, async ({ page, context }) => {
    if (way.damage) {
      await shelfOf(page)
      await expect(page.locator('.box')).toHaveCount(DEMOS)
      await page.goto('/health')
      await page.evaluate(way.damage)
    }
    if (way.init) await context.addInitScript(way.init)
    await shelfOf(page)
    await expect(page.getByText(way.says).first()).toBeVisible({ timeout: 45_000 })
    if (way.demoStays) {
      await page
        .getByRole('button', { name: /Beekeeper's double garage/ })
        .first()
        .click()
      await expect(page.getByRole('heading', { name: 'Sort', exact: true })).toBeVisible()
      await page.getByRole('link', { name: /^Cut/ }).first().click()
      await expect(page.getByText('Parts list')).toBeVisible()
      return
    }
    // One can work all the same, and is told what it is worth.
    await startEmpty(page, 'From memory')
    await page.getByLabel(/One line/).fill('3 box 12 x 12 x 12, 5 lb')
    await page.getByRole('button', { name: 'Add', exact: true }).click()
    await expect(page.getByRole('textbox', { name: 'Name of box' })).toBeVisible()
    if (way.name !== 'it lost its tables') {
      await expect(page.getByText('in this tab only', { exact: true })).toBeVisible()
      await expect(page.getByText('Nothing is kept when this tab is closed.')).toBeVisible()
    }
    await page.getByRole('link', { name: 'All projects' }).click()
    await expect(page.getByRole('button', { name: /From memory/ }).first()).toBeVisible()
  })

test('a damaged project can be taken out as it is, and what was in memory moves to a store that is back', async ({
  page,
}) => {
  await shelfOf(page)
  await expect(page.locator('.box')).toHaveCount(DEMOS)
  await page.evaluate(put('projects', { id: 'bad', rev: 3, doc: { format: 'tackloft', version: 5, name: 'Bent' } }))
  await page.reload()
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: /Export as it is/ }).click()
  expect((await download).suggestedFilename()).toBe('bent-as-stored.tackloft.json')
  await page.goto('/p/bad/sort')
  await expect(page.getByRole('heading', { name: 'This project is damaged' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Export it as it is' })).toBeVisible()
})

test('a store that is away for a while gets what was made meanwhile', async ({ page, context }) => {
  await context.addInitScript(() => {
    const open = IDBFactory.prototype.open
    IDBFactory.prototype.open = function (...args: [string, number]) {
      if (!sessionStorage.getItem('back')) throw new DOMException('away', 'UnknownError')
      return open.apply(this, args)
    }
  })
  await shelfOf(page)
  await startEmpty(page, 'Made meanwhile')
  await page.evaluate(() => sessionStorage.setItem('back', '1'))
  await page.getByRole('button', { name: 'Try the store again' }).click()
  await expect(page.getByText('Nothing is kept when this tab is closed.')).toBeHidden()
  await page.goto('/')
  await expect(page.getByRole('button', { name: /Made meanwhile/ }).first()).toBeVisible()
})
