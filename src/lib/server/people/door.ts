import { redirect, type RequestEvent } from '@sveltejs/kit';
import { troubleOf } from '../answers.js';
import { log } from '../log.js';
import type { FrontDoor } from '../environment.js';
import type { Role } from '../../people.js';
import { fromOutside, isOutside } from '../frontDoor.js';
import { stores } from '../store.js';
import { may, type Asking } from './access.js';
import type { PeopleStore } from './people.js';

/** The word of the first account was said. */
let said = false;

/** Signing in is asked for where others can reach the server, and where there are several people. */
async function signingIn(house: PeopleStore, outside: boolean, door: FrontDoor): Promise<boolean> {
  const count = await house.count();
  // A proxy stands before a server that was started as if nobody else could reach it.
  if (outside && count === 0 && !isOutside(door) && !said) log.say(wordsOf(house, 'a proxy'));
  return outside || count > 1;
}

/** What stands on the terminal where the first account has still to be made from outside; null where it has not. */
export async function firstWords(house: PeopleStore, door: FrontDoor): Promise<string | null> {
  if (!isOutside(door) || (await house.count()) > 0) return null;
  return wordsOf(house, door.HOST);
}

function wordsOf(house: PeopleStore, at: string): string {
  said = true;
  return `Listening on ${at}. Nobody has an account yet: open this server in a browser, and make the first with the word ${house.word}`;
}

/** Who a request is from, and the cookies by which they stay known. */
export async function whoAsks(
  event: RequestEvent,
  door: FrontDoor,
): Promise<{ readonly asking: Asking; readonly cookies: readonly string[] }> {
  event.locals.person = null;
  const outside = fromOutside(event.request, door);
  event.locals.signedIn = outside;
  const all = await stores().catch(() => null);
  // Nothing can be had from what is not there; at home it is said by the page that is asked for.
  if (!all) return { asking: event.locals.signedIn ? 'nobody' : 'owner', cookies: [] };
  try {
    event.locals.signedIn = await signingIn(all.house, outside, door);
    const entered = await all.house.asking(event.request.headers, secure(event));
    event.locals.person = entered?.person ?? null;
    const asking = event.locals.signedIn ? (entered?.person.role ?? 'nobody') : 'owner';
    return { asking, cookies: entered?.cookies ?? [] };
  } catch (error) {
    // Who it is can't be told: then it is nobody.
    troubleOf(error);
    event.locals.signedIn = true;
    return { asking: 'nobody', cookies: [] };
  }
}

/** Whether a browser speaks https: with a proxy before this server, which says so. */
export const secure = ({ request }: Pick<RequestEvent, 'request'>): boolean =>
  request.headers.get('x-forwarded-proto')?.split(',')[0]?.trim() === 'https';

/** Where somebody is at home who has no business with the shelf. */
const HOMES: Partial<Record<Role, string>> = { designer: '/mine', tester: '/bench' };

/**
 * Why somebody may not go where they want to; null where they may.
 * @throws Redirect to where one signs in, from a page; and home, from the shelf.
 */
export function barred(
  { route, request, url }: RequestEvent,
  asking: Asking,
): { readonly status: 401 | 403; readonly message: string } | null {
  const method = request.method === 'HEAD' || request.method === 'OPTIONS' ? 'GET' : request.method;
  if (route.id === null || may(asking, route.id, method)) return null;
  const home = asking === 'nobody' ? undefined : HOMES[asking];
  if (route.id === '/' && home) redirect(303, home);
  if (asking !== 'nobody')
    return { status: 403, message: 'This is not for you to see or to do. Ask who owns this house.' };
  if (route.id.startsWith('/api/'))
    return { status: 401, message: 'Nobody is signed in here any more. Sign in, and try again.' };
  redirect(303, `/enter?to=${encodeURIComponent(url.pathname + url.search)}`);
}

/** Writes into a page who is signed in, and why the server can keep nothing, where it can't. */
export function named({ locals: { person } }: RequestEvent, trouble: string | null) {
  const who = person === null ? '' : JSON.stringify({ name: person.name, role: person.role });
  const written = (words: string) => words.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);
  return ({ html }: { readonly html: string }): string =>
    html.replace('%person%', () => written(who)).replace('%trouble%', () => written(trouble ?? ''));
}

/** Why nothing can be kept, for a page that is about to be shown. */
export async function troubleFor({ request, route }: RequestEvent): Promise<string | null> {
  if (request.method !== 'GET' || route.id === null || route.id.startsWith('/api/')) return null;
  return stores()
    .then(({ trouble }) => trouble())
    .catch((error: unknown) => troubleOf(error).message);
}
