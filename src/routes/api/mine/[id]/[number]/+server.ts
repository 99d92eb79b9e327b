import { answerSchema } from '../../../../../lib/designerLetter.js';
import { answering, bodyOf, numberIn } from '../../../../../lib/server/answers.js';
import { answered } from '../../../../../lib/server/answered.js';
import { ownPattern } from '../../../../../lib/server/people/own.js';
import { stores } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Answers a query on a pattern of one's own. */
export const PATCH: RequestHandler = answering(async (event) => {
  const answer = await bodyOf(event.request, answerSchema);
  const { designers } = await stores();
  return answered(await designers.answer(await ownPattern(event), numberIn(event.params.number), answer));
});
