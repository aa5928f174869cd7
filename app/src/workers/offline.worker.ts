// The service worker: keeps the whole program in the browser, and answers from there. The build bundles it by itself.
import { clientsClaim } from 'workbox-core';
import {
  cleanupOutdatedCaches,
  createHandlerBoundToURL,
  precacheAndRoute,
  type PrecacheEntry,
} from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';

declare const self: ServiceWorkerGlobalScope;

/** Every file of the program, put in by the build; a name without a hash in it comes with the hash of its content. */
declare const PROGRAM_FILES: PrecacheEntry[];

precacheAndRoute(PROGRAM_FILES);
cleanupOutdatedCaches();
registerRoute(new NavigationRoute(createHandlerBoundToURL('/index.html')));
clientsClaim();

// A newer version waits until the page asks for it, between two cards.
self.addEventListener('message', ({ data }) => {
  if ((data as { type?: string } | null)?.type === 'SKIP_WAITING') void self.skipWaiting();
});
