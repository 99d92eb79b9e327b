import { json, type RequestEvent } from '@sveltejs/kit';
import { Refused } from '../answers.js';
import { Guesses } from '../guesses.js';
import { secure } from './door.js';
import type { Coming, Question } from './passkeys.js';
import type { Entered } from './people.js';

const guesses = new Guesses('Too many tries. Wait ten minutes, and try again.');

/**
 * Lets somebody in, and slows down whoever tries words or addresses.
 * @param by what is tried besides the place that it comes from: a mail address, so that it can't be tried from many places
 * @throws Refused
 */
export async function letIn(
  { getClientAddress, locals }: RequestEvent,
  by: string | null,
  enter: () => Promise<Entered | null>,
): Promise<Response> {
  const places = [getClientAddress(), ...(by === null ? [] : [`to ${by}`])];
  if (by !== null) locals.deed = { about: by };
  for (const place of places) guesses.allow(place);
  try {
    const entered = await enter();
    if (!entered) throw new Refused(404, LEADS_NOWHERE);
    locals.person = entered.person;
    const headers = new Headers();
    for (const cookie of entered.cookies) headers.append('set-cookie', cookie);
    return json({ name: entered.person.name }, { headers });
  } catch (error) {
    if (error instanceof Refused && error.status !== 409) for (const place of places) guesses.missed(place);
    throw error;
  }
}

export const LEADS_NOWHERE =
  'This address leads nowhere, or not any more: each holds for a week, and once. Ask for another where it came from.';

/** How somebody has come. */
export const comingOf = (event: RequestEvent): Coming => ({
  headers: event.request.headers,
  secure: secure(event),
  host: event.url.hostname,
});

/** What a device is asked, with the cookie by which its answer is known. */
export function questionAnswer({ options, cookies }: Question): Response {
  const headers = new Headers();
  for (const cookie of cookies) headers.append('set-cookie', cookie);
  return json({ options }, { headers });
}
