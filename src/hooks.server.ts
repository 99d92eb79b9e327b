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
import { beyondBench, openDoor, refusal, SECURITY_HEADERS, tooLarge } from './lib/server/frontDoor.js';
import { stores } from './lib/server/store.js';
import { Turns } from './lib/server/turns.js';

let door: FrontDoor;
const turns = new Turns();

/**
 * The database is opened before the first request; a server that can't keep anything does not start, nor does one that
 * everybody can reach without anybody having said so.
 */
export const init: ServerInit = async () => {
  try {
    door = readFrontDoor(dev || building ? { ...process.env, HOST: '127.0.0.1' } : process.env);
    const open = openDoor(door);
    if (open && !open.goOn) throw new Error(open.words);
    if (open) console.warn(open.words);
    await stores();
    // What fails where nobody waits for it is told, and takes nothing else with it.
    process.on('unhandledRejection', (error) => console.error(error));
  } catch (error) {
    console.error(`Dostik can't start. ${error instanceof Error ? error.message : String(error)}`);
    process.exit(1);
  }
};

/** What a page loads ahead; of the faces only those that every page is written in. */
const preload: ResolveOptions['preload'] = ({ type, path }) =>
  type === 'js' || type === 'css' || (type === 'font' && path.includes('-latin-wght-'));

export const handle: Handle = async ({ event, resolve }) => {
  const refused =
    refusal(event.request, door) ??
    (beyondBench(event.url, event.getClientAddress(), door)
      ? { status: 404, message: 'There is no such page.' }
      : null) ??
    tooLarge(event.request, event.route.id);
  const response = refused
    ? json({ message: refused.message }, { status: refused.status })
    : await turns.take(turnOf(event), () => Promise.resolve(resolve(event, { preload })));
  for (const [name, value] of Object.entries(SECURITY_HEADERS)) response.headers.set(name, value);
  if (!response.headers.has('content-security-policy'))
    response.headers.set('content-security-policy', "default-src 'none'; frame-ancestors 'none'");
  if (!response.headers.has('cache-control')) {
    const page = response.headers.get('content-type')?.startsWith('text/html');
    response.headers.set('cache-control', page ? 'private, no-cache' : 'private, no-store');
  }
  return compressed(event.request, response);
};

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
