/// <reference lib="webworker" />
import { build, files, version } from '$service-worker';

/**
 * Keeps the reference card, the bench, and what they are built of, for when there is no network. What testers note is kept by
 * the bench itself. Nothing else is kept.
 */
const scope = self as unknown as ServiceWorkerGlobalScope;
const CACHE = `dostik-${version}`;
const CARD = '/card';
const BENCH = '/bench';
/** The page of a test is the same for every address. */
const ONE_BENCH = '/bench/kept';
/** A network that answers later than this is none; milliseconds. */
const LATEST = 4000;

scope.addEventListener('install', (event) => {
  event.waitUntil(caches.open(CACHE).then((cache) => cache.addAll([CARD, BENCH, ONE_BENCH, ...build, ...files])));
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
  else if (event.request.mode === 'navigate' && (path === BENCH || path.startsWith(`${BENCH}/`)))
    event.respondWith(soon(event.request).catch(() => kept(new Request(path === BENCH ? BENCH : ONE_BENCH))));
  else if (path === CARD || files.includes(url.pathname))
    event.respondWith(fetch(event.request).catch(() => kept(event.request)));
});

function soon(request: Request): Promise<Response> {
  return fetch(request, { signal: AbortSignal.timeout(LATEST) });
}

async function kept(request: Request): Promise<Response> {
  const cache = await caches.open(CACHE);
  return (await cache.match(request, { ignoreSearch: true })) ?? fetch(request);
}
