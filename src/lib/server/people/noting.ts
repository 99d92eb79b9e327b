import type { RequestEvent } from '@sveltejs/kit';
import { DEEDS } from '../../deeds.js';
import { troubleOf } from '../answers.js';
import type { Doing } from '../deeds.js';
import { stores } from '../store.js';

/** What says that something was not done because of who asked for it. */
const REFUSED = [401, 403, 429];
/** Where a secret that leads nowhere is one that was tried. */
const TRIED = 'POST /api/join/[secret]';

/** What a request did, or would have done; nothing where that is not noted. */
export function deedsOf(event: RequestEvent, status: number): Doing[] {
  const { locals, request, route, params } = event;
  if (!locals.signedIn || route.id === null) return [];
  const deed = [request.method, route.id, ...(locals.deed?.as ? [locals.deed.as] : [])].join(' ');
  const refused = REFUSED.includes(status) || (status === 404 && deed === TRIED);
  // Of what was asked for otherwise than it can be done, nothing is told.
  if (!Object.hasOwn(DEEDS, deed) || (status >= 400 && !refused)) return [];
  const { person } = locals;
  const own = /^\/api\/(?:patterns|mine)\/\[id\]/.test(route.id) && params.id !== undefined ? [params.id] : [null];
  return (locals.deed?.patterns ?? own).map((patternId) => ({
    deed,
    person,
    patternId,
    // Whoever signs in is named anyway.
    about: person?.mail === locals.deed?.about ? '' : (locals.deed?.about ?? ''),
    place: placeOf(event),
    refused,
  }));
}

/** Notes what a request did, where people sign in. What can't be noted is said on the terminal; it was done all the same. */
export async function noteDeeds(event: RequestEvent, response: Response): Promise<void> {
  const all = deedsOf(event, response.status);
  if (all.length === 0) return;
  try {
    await (await stores()).deeds.note(all);
  } catch (error) {
    troubleOf(error);
  }
}

function placeOf({ getClientAddress }: RequestEvent): string {
  try {
    return getClientAddress();
  } catch {
    return '';
  }
}
