import { answerSchema } from '../../../../../lib/designerLetter.js';
import { through, TO_A_LETTER } from '../../../../../lib/server/addressDoor.js';
import { answering, bodyOf, numberIn } from '../../../../../lib/server/answers.js';
import { answered } from '../../../../../lib/server/answered.js';
import { stores } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Answers a query of the letter that an address leads to. */
export const PATCH: RequestHandler = answering(async (event) => {
  const answer = await bodyOf(event.request, answerSchema);
  const { designers } = await stores();
  const { id } = await through(event, TO_A_LETTER, () => designers.byAddress(event.params.secret));
  event.locals.deed = { patterns: [id] };
  return answered(await designers.answer(id, numberIn(event.params.number), answer));
});
