// The service worker: what the desk is made of is kept in the browser with the first visit, so that it opens without a network. What the server has that is
// newer always goes first; sound of the voices is kept as it is first heard.
import { CacheFirst, NetworkFirst, type PrecacheEntry, Serwist, type SerwistPlugin } from 'serwist'

declare const self: ServiceWorkerGlobalScope
/** Put in by the build: files that never change under their name, and what is asked for anew at every start. */
declare const __FILES__: readonly PrecacheEntry[]
declare const __FRESH__: readonly string[]

const FRESH = 'as it was last served'
const VOICES = 'voices'
/** Longer than a server that is there takes, and shorter than anybody waits. */
const SLOW_S = 4

/** A page is the same whatever stands behind the question mark of its address. */
const anyQuestion: SerwistPlugin = { cacheKeyWillBeUsed: async ({ request }) => keyOf(request) }

function keyOf(request: Request): string {
  const url = new URL(request.url)
  // What a page asks of the server while one goes from place to place is another answer than the page.
  const isPart = request.headers.has('rsc')
  return `${url.origin}${url.pathname}${isPart ? '?part' : ''}`
}

self.addEventListener('install', (event) => {
  const keep = async () => {
    const cache = await caches.open(FRESH)
    await Promise.all(
      __FRESH__.map(async (path) => {
        const answer = await fetch(path)
        if (answer.ok) await cache.put(keyOf(new Request(path)), answer)
      }),
    )
  }
  event.waitUntil(keep())
})

new Serwist({
  precacheEntries: [...__FILES__],
  precacheOptions: { cleanupOutdatedCaches: true },
  skipWaiting: true,
  clientsClaim: true,
  runtimeCaching: [
    {
      matcher: ({ request, url, sameOrigin }) =>
        sameOrigin &&
        (request.mode === 'navigate' || request.headers.has('rsc') || url.pathname.startsWith('/workers/') || url.pathname === '/voices/clips.json'),
      handler: new NetworkFirst({ cacheName: FRESH, networkTimeoutSeconds: SLOW_S, plugins: [anyQuestion] }),
    },
    { matcher: ({ url, sameOrigin }) => sameOrigin && url.pathname.startsWith('/voices/'), handler: new CacheFirst({ cacheName: VOICES }) },
  ],
}).addEventListeners()
