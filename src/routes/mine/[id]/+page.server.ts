import { error } from '@sveltejs/kit';
import { Refused } from '../../../lib/server/answers.js';
import { ownPattern } from '../../../lib/server/people/own.js';
import { stores } from '../../../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

export const load: PageServerLoad = async (event) => {
  try {
    const letter = await (await stores()).designers.letter(await ownPattern(event));
    if (letter) return { letter };
  } catch (refused) {
    if (!(refused instanceof Refused)) throw refused;
  }
  error(404, 'There is no such pattern of yours.');
};
