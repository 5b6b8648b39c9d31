// Opens the program without signal: the page and its parts from what was fetched before, answers of the
// interface as they last came. What is typed waits elsewhere (outbox.ts); nothing is sent from here.
const SHELL = 'shell-1'
const DATA = 'data-1'
const PATIENCE_MS = 4000

self.addEventListener('install', (e) => {
  self.skipWaiting()
  e.waitUntil(caches.open(SHELL).then((c) => c.add('/')))
})
self.addEventListener('activate', (e) => e.waitUntil(self.clients.claim()))
self.addEventListener('message', (e) => {
  if (e.data === 'forget') e.waitUntil(caches.delete(DATA))
})

async function networkFirst(request, store, key) {
  const cache = await caches.open(store)
  const fresh = fetch(request).then((answer) => {
    if (answer.ok) void cache.put(key, answer.clone())
    return answer
  })
  const late = new Promise((resolve) => setTimeout(resolve, PATIENCE_MS))
  const first = await Promise.race([fresh.catch(() => null), late])
  if (first) return first
  return (await cache.match(key)) ?? fresh
}

async function cacheFirst(request) {
  const cache = await caches.open(SHELL)
  const known = await cache.match(request)
  if (known) return known
  const answer = await fetch(request)
  if (answer.ok) void cache.put(request, answer.clone())
  return answer
}

self.addEventListener('fetch', (e) => {
  const url = new URL(e.request.url)
  if (e.request.method !== 'GET' || url.origin !== location.origin) return
  if (url.pathname.startsWith('/v3/') || url.pathname.startsWith('/actuator/')) return
  if (/\/(live|file)$|\.senml$/.test(url.pathname)) return // a stream, or more than a cache should hold
  if (url.pathname.startsWith('/api/')) e.respondWith(networkFirst(e.request, DATA, e.request))
  else if (e.request.mode === 'navigate') e.respondWith(networkFirst(e.request, SHELL, '/'))
  else e.respondWith(cacheFirst(e.request))
})
