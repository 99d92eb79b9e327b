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

/** It names the pieces of all pages; the page of errors is named nowhere else. */
const ENTRY = '/entry/app.';
const ERRORS = '/nodes/1.';

scope.addEventListener('install', (event) => {
  event.waitUntil(caches.open(CACHE).then(keepNeeded));
});

/** Keeps the pages, and every piece that is named in them or in a piece of them: each name is one of its own. */
async function keepNeeded(cache: Cache): Promise<void> {
  await cache.addAll(files);
  const names = new Map(build.map((path) => [path.slice(path.lastIndexOf('/') + 1), path]));
  const pages = [CARD, BENCH, ONE_BENCH, ...build.filter((path) => path.includes(ERRORS))];
  for (let open = pages; open.length > 0;) {
    const texts = await Promise.all(open.map((path) => keepOne(cache, path)));
    const named = [...names].filter(([name]) => texts.some((text) => text.includes(name)));
    for (const [name] of named) names.delete(name);
    open = named.map(([, path]) => path);
  }
}

/** Keeps a piece, and returns the words of it in which others may be named. */
async function keepOne(cache: Cache, path: string): Promise<string> {
  const response = await fetch(path);
  if (!response.ok) throw new Error(`${path} answers ${response.status}.`);
  await cache.put(path, response.clone());
  if (path.includes(ENTRY) || !/\.(?:js|css)$|\/[^.]*$/.test(path)) return '';
  // What a page loads first is named in its head.
  return (response.headers.get('link') ?? '') + (await response.text());
}

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
