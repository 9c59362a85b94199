/*
 * Keeps whole copies of the application: the page and all it may load, by version. A tab goes on with the version it
 * was opened with until it is loaded again; copies no tab needs any more are dropped by the page
 * (`app/persistence/version.ts`).
 */
const NAME = '__NAME__'
const FILES = __FILES__

self.addEventListener('install', (event) => {
  event.waitUntil(
    caches.open(NAME).then((cache) => cache.addAll(FILES.map((f) => new Request(f, { cache: 'reload' })))),
  )
})
self.addEventListener('message', (event) => {
  if (event.data === 'take over') self.skipWaiting()
})
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()))

self.addEventListener('fetch', (event) => {
  const url = new URL(event.request.url)
  const asked = url.pathname.startsWith('/api/') || url.pathname === '/health'
  if (event.request.method !== 'GET' || url.origin !== location.origin || asked) return
  if (event.request.mode === 'navigate') event.respondWith(page(event.request))
  // The files' names carry their hashes: whichever copy has one has the right one.
  else event.respondWith(caches.match(event.request).then((kept) => kept ?? fetch(event.request)))
})

/** The page of this version, so that page and parts belong together; a newer version takes over as a whole. */
const page = async (request) => (await (await caches.open(NAME)).match('/')) ?? fetch(request)
