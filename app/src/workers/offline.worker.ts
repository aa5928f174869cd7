// The service worker: keeps the whole program in the browser, and answers from there. The build bundles it by itself.
import { clientsClaim } from 'workbox-core';
import {
  cleanupOutdatedCaches,
  createHandlerBoundToURL,
  precacheAndRoute,
  type PrecacheEntry,
} from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { CacheFirst } from 'workbox-strategies';

declare const self: ServiceWorkerGlobalScope;

/** What any page of the program needs to stand; put in by the build, a name without a hash with the hash of its content. */
declare const FIRST_FILES: PrecacheEntry[];
/** All its other files; their names change with their content. */
declare const OTHER_FILES: string[];

/** Where the other files are kept. */
const OTHERS = 'kettle-other-files';
/** So many files are fetched side by side. */
const AT_ONCE = 4;

// It takes over as soon as the first files are kept: what comes first must come soon.
precacheAndRoute(FIRST_FILES);
cleanupOutdatedCaches();
clientsClaim();
registerRoute(new NavigationRoute(createHandlerBoundToURL('/index.html')));
const others = new Set(OTHER_FILES);
registerRoute(
  ({ url, sameOrigin }) => sameOrigin && others.has(url.pathname),
  new CacheFirst({ cacheName: OTHERS }),
);

// A newer version is whole before it is told of; the one in use goes on being answered from what is kept.
self.addEventListener('install', (event) => {
  if (self.registration.active) event.waitUntil(keepOthers([]));
});

self.addEventListener('message', (event) => {
  const said = event.data as { type?: string; loaded?: readonly string[] } | null;
  // A newer version waits until the page asks for it, between two cards.
  if (said?.type === 'SKIP_WAITING') void self.skipWaiting();
  if (said?.type === 'KEEP_ALL') event.waitUntil(keepAll(said.loaded ?? [], event.ports[0]));
});

/** Keeps all other files and lets go of those of an older version; answers whether all are there. */
async function keepAll(loaded: readonly string[], answer: MessagePort): Promise<void> {
  const isAll = await keepOthers(loaded);
  const cache = await caches.open(OTHERS);
  const { installing, waiting } = self.registration;
  // While a newer version waits, what is not ours is its.
  if (isAll && !installing && !waiting)
    for (const request of await cache.keys())
      if (!others.has(new URL(request.url).pathname)) await cache.delete(request);
  answer.postMessage(isAll);
}

/** Fetches the other files, those the page was made of before the rest; whether all are there now. */
async function keepOthers(loaded: readonly string[]): Promise<boolean> {
  const cache = await caches.open(OTHERS);
  const kept = new Set((await cache.keys()).map(({ url }) => new URL(url).pathname));
  const isLoaded = new Set(loaded);
  const wanted = OTHER_FILES.filter((name) => !kept.has(name)).sort(
    (one, other) => Number(isLoaded.has(other)) - Number(isLoaded.has(one)),
  );
  const fetchNext = async (): Promise<boolean> => {
    let all = true;
    for (let name = wanted.shift(); name !== undefined; name = wanted.shift())
      await cache.add(name).catch(() => (all = false));
    return all;
  };
  const came = await Promise.all(Array.from({ length: AT_ONCE }, fetchNext));
  return came.every(Boolean);
}
