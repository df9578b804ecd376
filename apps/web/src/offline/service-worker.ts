/// <reference lib="webworker" />
// What was open before opens again while the server is away: the program's own files, and the jobs that were looked at.
import { CacheableResponsePlugin } from 'workbox-cacheable-response';
import { ExpirationPlugin } from 'workbox-expiration';
import { registerRoute, setDefaultHandler } from 'workbox-routing';
import { CacheFirst, NetworkFirst, NetworkOnly } from 'workbox-strategies';
import { CACHES, kindOf } from './what-is-kept';

declare const self: ServiceWorkerGlobalScope;
/** The built files, put here as the program is built. */
declare const BUILT_FILES: readonly string[];

/** How long the server may take until what is kept is shown instead, s. */
const PATIENCE = 4;
/** Marks an answer that is not the server's of now: the page says so. */
const marked = {
  cachedResponseWillBeUsed: ({ cachedResponse: was }: { cachedResponse?: Response }) => {
    if (!was) return Promise.resolve(was);
    const headers = new Headers(was.headers);
    headers.set('X-Kept-Here', '1');
    return Promise.resolve(new Response(was.body, { status: was.status, statusText: was.statusText, headers }));
  },
};
const good = new CacheableResponsePlugin({ statuses: [200] });

/** Files named by what is in them: kept until newer ones push them out, so that a page still open finds its own. */
registerRoute(
  ({ request, url }) => kindOf(request.method, url, self.location.origin) === 'built',
  new CacheFirst({ cacheName: CACHES.built, plugins: [good, new ExpirationPlugin({ maxEntries: 600 })] }),
);
/** The page itself, the same for every address of it. */
registerRoute(
  ({ request, url }) => request.mode === 'navigate' && kindOf('GET', url, self.location.origin) === 'page',
  new NetworkFirst({
    cacheName: CACHES.page,
    networkTimeoutSeconds: PATIENCE,
    plugins: [good, { cacheKeyWillBeUsed: () => Promise.resolve('/') }],
  }),
);
/** What was looked at, as it was then. */
registerRoute(
  ({ request, url }) => kindOf(request.method, url, self.location.origin) === 'data',
  new NetworkFirst({
    cacheName: CACHES.data,
    networkTimeoutSeconds: PATIENCE,
    plugins: [good, marked, new ExpirationPlugin({ maxEntries: 400 })],
  }),
);
registerRoute(
  ({ request, url }) => kindOf(request.method, url, self.location.origin) === 'photo',
  new CacheFirst({ cacheName: CACHES.photos, plugins: [good, new ExpirationPlugin({ maxEntries: 300 })] }),
);
setDefaultHandler(new NetworkOnly());

self.addEventListener('install', () => void self.skipWaiting());
self.addEventListener('activate', (e) => {
  e.waitUntil(
    (async () => {
      await self.clients.claim();
      // The page that brought this worker came before it: it is kept with all it may need, one after another.
      const built = await caches.open(CACHES.built);
      const page = await caches.open(CACHES.page);
      await page.add(new Request('/', { cache: 'reload' })).catch(() => undefined);
      for (const file of BUILT_FILES) if (!(await built.match(file))) await built.add(file).catch(() => undefined);
    })(),
  );
});
