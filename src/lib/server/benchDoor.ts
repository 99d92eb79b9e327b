import type { RequestEvent } from '@sveltejs/kit';
import { Refused } from './answers.js';
import type { NoCall } from './calls.js';
import { Guesses } from './guesses.js';

const guesses = new Guesses();

/**
 * What the address of a call gives, where it leads somewhere; whoever tries addresses is slowed down.
 * @throws Refused where it leads nowhere, or was withdrawn.
 */
export async function through<Given>(event: RequestEvent, ask: () => Promise<Given | NoCall>): Promise<Given> {
  const place = event.getClientAddress();
  guesses.allow(place);
  const given = await ask();
  if (given === 'none') {
    guesses.missed(place);
    throw new Refused(404, 'This address leads to no test. Open the link that you were sent, whole.');
  }
  if (given === 'withdrawn')
    throw new Refused(410, 'This test was withdrawn. What you have noted stays on your device.');
  return given;
}
