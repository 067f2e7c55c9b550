/// <reference lib="webworker" />
import { CacheableResponsePlugin } from 'workbox-cacheable-response'
import { ExpirationPlugin } from 'workbox-expiration'
import { registerRoute } from 'workbox-routing'
import { NetworkFirst, StaleWhileRevalidate } from 'workbox-strategies'
import { READ } from './api/read'

/**
 * Lets Test, Bench and Site open where there is no network. It keeps the pieces of
 * the page and what was last read; what is written waits in the page's own
 * outbox, because only the page knows whose it is.
 */
declare const self: ServiceWorkerGlobalScope

const PIECES = 'sartal-pieces'
const SHELL = 'sartal-shell'
/** s until what was last read is shown instead. */
const PATIENCE = 10
const WEEK = 7 * 24 * 3600

interface Piece {
  file: string
  css?: string[]
  assets?: string[]
}

async function fetchPieces(tidy: boolean) {
  const cache = await caches.open(PIECES)
  const manifest = (await (await fetch('/build/manifest.json', { cache: 'no-store' })).json()) as Record<string, Piece>
  const wanted = new Set(
    Object.values(manifest)
      .flatMap(piece => [piece.file, ...(piece.css ?? []), ...(piece.assets ?? [])])
      .map(file => `/build/${file}`)
      .concat('/mark.svg'),
  )
  const kept = await cache.keys()
  const have = new Set(kept.map(request => new URL(request.url).pathname))
  await cache.addAll([...wanted].filter(path => !have.has(path)))
  // A page that is still open with older pieces may want them: they go when a newer page asks.
  if (tidy)
    await Promise.all(
      kept.filter(request => !wanted.has(new URL(request.url).pathname)).map(request => cache.delete(request)),
    )
  await (await caches.open(SHELL)).add(new Request('/', { cache: 'no-store' }))
}

self.addEventListener('install', event => {
  void self.skipWaiting()
  event.waitUntil(fetchPieces(false))
})
self.addEventListener('activate', event => {
  event.waitUntil(self.clients.claim())
})
/** A page that came with newer pieces has them fetched. */
self.addEventListener('message', event => {
  if (event.data === 'refresh') event.waitUntil(fetchPieces(true).catch(() => undefined))
})

registerRoute(
  ({ url }) =>
    url.origin === self.location.origin && (url.pathname.startsWith('/build/') || url.pathname === '/mark.svg'),
  new StaleWhileRevalidate({ cacheName: PIECES, plugins: [new CacheableResponsePlugin({ statuses: [200] })] }),
)

// One page for every address: whatever was asked for, the same shell comes back.
registerRoute(
  ({ request }) => request.mode === 'navigate',
  new NetworkFirst({
    cacheName: SHELL,
    networkTimeoutSeconds: PATIENCE,
    plugins: [
      { cacheKeyWillBeUsed: () => Promise.resolve(new Request('/')) },
      new CacheableResponsePlugin({ statuses: [200] }),
    ],
  }),
)

/** What Test, Bench and Site read. */
const READS = [
  ...['schedule', 'outstanding', 'instruments', 'tests/progress', 'crew/board', 'site'],
  ...['runs/[^/]+/test', 'bench', 'present', 'bench/[^/]+', 'bench/[^/]+/since/\\d+'],
]
const TAKEN = new RegExp(`^/api/(session|i/[^/]+/(${READS.join('|')}))$`)
registerRoute(
  ({ url, request }) =>
    url.origin === self.location.origin &&
    request.method === 'GET' &&
    TAKEN.test(url.pathname) &&
    // What is only new since is nothing to begin from.
    !url.pathname.includes('/since/') &&
    !url.searchParams.get('since'),
  new NetworkFirst({
    cacheName: READ,
    networkTimeoutSeconds: PATIENCE,
    plugins: [
      new CacheableResponsePlugin({ statuses: [200] }),
      new ExpirationPlugin({ maxEntries: 1500, maxAgeSeconds: WEEK }),
    ],
  }),
)
