import { building, dev } from '$app/environment';
import {
  json,
  type Handle,
  type HandleServerError,
  type RequestEvent,
  type ResolveOptions,
  type ServerInit,
} from '@sveltejs/kit';
import { troubleOf } from './lib/server/answers.js';
import { compressed } from './lib/server/compressed.js';
import { readFrontDoor, type FrontDoor } from './lib/server/environment.js';
import { refusal, SECURITY_HEADERS, tooLarge } from './lib/server/frontDoor.js';
import { Paces } from './lib/server/pace.js';
import { barred, firstWords, named, troubleFor, whoAsks } from './lib/server/people/door.js';
import { log } from './lib/server/log.js';
import { noteDeeds } from './lib/server/people/noting.js';
import { closeStores, stores } from './lib/server/store.js';
import { Turns } from './lib/server/turns.js';

let door: FrontDoor;
const turns = new Turns();
const paces = new Paces();

/**
 * The database is opened before the first request; a server that can't keep anything does not start.
 */
export const init: ServerInit = async () => {
  try {
    door = readFrontDoor(dev || building ? { ...process.env, HOST: '127.0.0.1' } : process.env);
    const { house } = await stores();
    const first = await firstWords(house, door);
    if (first !== null) log.say(first);
    // What fails where nobody waits for it is told, and takes nothing else with it.
    process.on('unhandledRejection', (error) => log.error(error));
    // Told to end, once the last request has its answer: processes beside this one would keep it for ever.
    process.once(
      'sveltekit:shutdown',
      () =>
        void closeStores()
          .catch(log.error)
          .finally(() => process.exit(0)),
    );
  } catch (error) {
    log.error(`Dostik can't start. ${error instanceof Error ? error.message : String(error)}`);
    process.exit(1);
  }
};

/** What a page loads ahead; of the faces only those that every page is written in. */
const preload: ResolveOptions['preload'] = ({ type, path }) =>
  type === 'js' || type === 'css' || (type === 'font' && path.includes('-latin-wght-'));

export const handle: Handle = async ({ event, resolve }) => {
  const start = performance.now();
  const { asking, cookies } = await whoAsks(event, door);
  const wait = await tooFast(event);
  const refused =
    wait > 0
      ? { status: 429, message: 'That is more than this server takes from one person. Wait a minute, then go on.' }
      : (refusal(event.request, door) ?? tooLarge(event.request, event.route.id) ?? barred(event, asking));
  const trouble = refused ? null : await troubleFor(event);
  const response = refused
    ? json({ message: refused.message }, { status: refused.status })
    : await turns.take(turnOf(event), () =>
        Promise.resolve(resolve(event, { preload, transformPageChunk: named(event, trouble) })),
      );
  await noteDeeds(event, response);
  if (wait > 0) response.headers.set('retry-after', String(wait));
  for (const cookie of cookies) response.headers.append('set-cookie', cookie);
  for (const [name, value] of Object.entries(SECURITY_HEADERS)) response.headers.set(name, value);
  if (!response.headers.has('content-security-policy'))
    response.headers.set('content-security-policy', "default-src 'none'; frame-ancestors 'none'");
  if (!response.headers.has('cache-control')) {
    const page = response.headers.get('content-type')?.startsWith('text/html');
    response.headers.set('cache-control', page ? 'private, no-cache' : 'private, no-store');
  }
  await told(event, response.status, performance.now() - start);
  return compressed(event.request, response);
};

/** For how many seconds whoever asks has to wait; nobody has at home. */
async function tooFast({ locals, request, getClientAddress }: RequestEvent): Promise<number> {
  return locals.signedIn ? paces.wait(locals.person?.id, getClientAddress(), request.method) : 0;
}

/** Tells a request to who watches the server. */
async function told({ request, route, locals }: RequestEvent, status: number, ms: number): Promise<void> {
  const asked = {
    method: request.method,
    route: route.id ?? '',
    status,
    ms: Math.round(ms),
    person: locals.person?.id ?? null,
  };
  log.asked(asked);
  const all = await stores().catch(() => null);
  all?.metrics.asked(asked);
}

function turnOf({ request, route }: RequestEvent): 'writes' | 'shows' | 'other' {
  // Conversions and files, which are posted, take their time; a page says itself what came of them.
  if (request.method === 'PUT' || request.method === 'PATCH') return 'writes';
  return request.method === 'GET' && route.id !== null && !route.id.startsWith('/api/') ? 'shows' : 'other';
}

/** What a page says when it could not be made. */
export const handleError: HandleServerError = ({ error, status, message }) =>
  status === 404
    ? { message: 'There is no such page.' }
    : status < 500
      ? { message }
      : { message: troubleOf(error).message };
