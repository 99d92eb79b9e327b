import { through, TO_A_LETTER } from '../../../lib/server/addressDoor.js';
import { Refused } from '../../../lib/server/answers.js';
import { stores } from '../../../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

export const load: PageServerLoad = async (event) => {
  const { designers } = await stores();
  try {
    const letter = await through(event, TO_A_LETTER, async () => {
      const found = await designers.byAddress(event.params.secret);
      return typeof found === 'string' ? found : ((await designers.letter(found.id)) ?? 'none');
    });
    return { letter, nowhere: '' };
  } catch (error) {
    if (error instanceof Refused) return { letter: null, nowhere: error.message };
    throw error;
  }
};
