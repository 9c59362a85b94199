import { shallowRef } from 'vue'

/** Set when a newer build waits: loads the page with it. */
export const newVersion = shallowRef<(() => void) | null>(null)
/** Set when a part of the application that was asked for did not load. */
export const loadFault = shallowRef<{ words: string; again: () => void } | null>(null)

/** A page or worker asked for a file of the build that is not there, or the network is away. */
export const isLoadFault = (e: unknown): boolean =>
  e instanceof Error &&
  /dynamically imported module|importing a module script failed|unable to preload|error loading/i.test(e.message)

export function noteLoadFault(again: () => void): void {
  loadFault.value = {
    words: navigator.onLine
      ? 'The server may be gone, or have a new version whose parts have other names.'
      : 'There is no network, and this part was not kept on this device.',
    again,
  }
}

/**
 * Tells the other tabs which kept copy of the application this one runs from, for as long as it is open, and drops
 * older copies that no tab runs from. A newer copy may be waiting to take over: what came after this one stays.
 */
async function dropOldCopies(): Promise<void> {
  if (!('caches' in globalThis) || !navigator.locks) return
  const copies = (await caches.keys()).filter((n) => n.startsWith('loft-'))
  const here = await Promise.all(copies.map(async (n) => Boolean(await (await caches.open(n)).match(import.meta.url))))
  // The page's own script names all its parts: copies that have it agree on them, and the newest of them will do.
  const own = copies.filter((_n, i) => here[i]).pop()
  if (!own) return
  void navigator.locks.request(own, { mode: 'shared' }, () => new Promise(() => undefined))
  const { held = [], pending = [] } = await navigator.locks.query()
  const used = new Set([...held, ...pending].map((l) => l.name))
  const older = copies.slice(0, copies.indexOf(own))
  for (const name of older) if (!used.has(name)) await caches.delete(name)
}

/** Looked for a newer build this often while a tab is open, ms. */
const LOOK_EVERY_MS = 30 * 60_000

/** Keeps the application for times without a network, and tells when a newer one is there. */
export async function keepOffline(): Promise<void> {
  if (!('serviceWorker' in navigator)) return
  try {
    const registration = await navigator.serviceWorker.register('/service-worker.js')
    const waiting = (worker: ServiceWorker | null) => {
      // The first one ever has no older version to take over from.
      if (!worker || !navigator.serviceWorker.controller) return
      newVersion.value = () => {
        navigator.serviceWorker.addEventListener('controllerchange', () => location.reload(), { once: true })
        worker.postMessage('take over')
      }
    }
    waiting(registration.waiting)
    registration.addEventListener('updatefound', () => {
      const worker = registration.installing
      worker?.addEventListener('statechange', () => worker.state === 'installed' && waiting(worker))
    })
    await navigator.serviceWorker.ready.then(dropOldCopies)
    const look = () => void registration.update().catch(() => undefined)
    setInterval(look, LOOK_EVERY_MS)
    document.addEventListener('visibilitychange', () => !document.hidden && look())
  } catch {
    // Without it the application needs the network; everything else works.
  }
}
