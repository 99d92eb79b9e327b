/// <reference lib="webworker" />
import { build, files, version } from '$service-worker';

/** Keeps the reference card, and what it is built of, for when there is no network. Nothing else is kept. */
const scope = self as unknown as ServiceWorkerGlobalScope;
const CACHE = `dostik-${version}`;
const CARD = '/card';

scope.addEventListener('install', (event) => {
  event.waitUntil(caches.open(CACHE).then((cache) => cache.addAll([CARD, ...build, ...files])));
});

scope.addEventListener('activate', (event) => {
  event.waitUntil(
    caches
      .keys()
      .then((names) => Promise.all(names.filter((name) => name !== CACHE).map((name) => caches.delete(name)))),
  );
});

scope.addEventListener('fetch', (event) => {
  const url = new URL(event.request.url);
  if (event.request.method !== 'GET' || url.origin !== scope.location.origin) return;
  const path = url.pathname.replace(/\/$/, '');
  if (build.includes(url.pathname)) event.respondWith(kept(event.request));
  else if (path === CARD || files.includes(url.pathname))
    event.respondWith(fetch(event.request).catch(() => kept(event.request)));
});

async function kept(request: Request): Promise<Response> {
  const cache = await caches.open(CACHE);
  return (await cache.match(request, { ignoreSearch: true })) ?? fetch(request);
}
