import { answering } from '../../../../../lib/server/answers.js';
import { comingOf, questionAnswer } from '../../../../../lib/server/people/entering.js';
import { stores } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** What a device is asked to make a key of one's own. */
export const POST: RequestHandler = answering(async (event) =>
  questionAnswer(await (await stores()).passkeys.begin(comingOf(event))),
);
