/* Keeps one whole copy of the application; pages come from it, the rest of the server is asked. */
const NAME = '__NAME__'
const FILES = __FILES__

self.addEventListener('install', (event) => {
  event.waitUntil(caches.open(NAME).then((cache) => cache.addAll(FILES)).then(() => self.skipWaiting()))
})
self.addEventListener('activate', (event) => {
  event.waitUntil(
    caches.keys().then((names) => Promise.all(names.filter((n) => n.startsWith('loft-') && n !== NAME).map((n) => caches.delete(n)))).then(() => self.clients.claim()),
  )
})
self.addEventListener('fetch', (event) => {
  const url = new URL(event.request.url)
  if (event.request.method !== 'GET' || url.origin !== location.origin || url.pathname.startsWith('/api/') || url.pathname === '/health') return
  if (event.request.mode === 'navigate') {
    // The newest page when the server answers, the kept one when it does not.
    event.respondWith(fetch(event.request).catch(() => caches.match('/').then((r) => r ?? Response.error())))
    return
  }
  event.respondWith(caches.match(event.request).then((kept) => kept ?? fetch(event.request)))
})
