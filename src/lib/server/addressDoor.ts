import type { RequestEvent } from '@sveltejs/kit';
import type { Nowhere } from './addresses.js';
import { Refused } from './answers.js';
import { Guesses } from './guesses.js';

const guesses = new Guesses(
  'Too many addresses were tried from here. Wait ten minutes, and open the link that you were sent.',
);

/** What somebody is told whose address leads nowhere. */
type Words = Readonly<Record<Nowhere, string>>;

export const TO_A_TEST: Words = {
  none: 'This address leads to no test. Open the link that you were sent, whole.',
  withdrawn: 'This test was withdrawn. What you have noted stays on your device.',
  over: 'The time of this address is over. What you have noted stays on your device; ask for a new address.',
};

export const TO_A_LETTER: Words = {
  none: 'This address leads to no letter. Open the link that you were sent, whole.',
  withdrawn: 'This address was withdrawn. Ask for another where it came from.',
  over: 'The time of this address is over. Ask for another where it came from.',
};

export const TO_THE_DATES: Words = {
  none: 'This address leads to no calendar. Take it from the Plan, whole.',
  withdrawn: 'This address was withdrawn. Take another from the Plan.',
  over: 'The time of this address is over. Take another from the Plan.',
};

/**
 * What an address that holds a secret gives, where it leads somewhere; whoever tries addresses is slowed down.
 * @throws Refused where it leads nowhere, or not any more.
 */
export async function through<Given extends object | string>(
  event: Pick<RequestEvent, 'getClientAddress'>,
  words: Words,
  ask: () => Promise<Given | Nowhere>,
): Promise<Given> {
  const place = event.getClientAddress();
  guesses.allow(place);
  const given = await ask();
  if (given === 'none') guesses.missed(place);
  if (leadsNowhere(given)) throw new Refused(given === 'none' ? 404 : 410, words[given]);
  return given;
}

function leadsNowhere(given: unknown): given is Nowhere {
  return given === 'none' || given === 'withdrawn' || given === 'over';
}
