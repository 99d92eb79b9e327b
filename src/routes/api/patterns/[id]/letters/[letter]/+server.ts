import { answering, numberIn, Refused } from '../../../../../../lib/server/answers.js';
import { stores } from '../../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** A letter as it went out. */
export const GET: RequestHandler = answering(async ({ params }) => {
  const message = await (await stores()).letters.message(params.id, numberIn(params.letter));
  if (!message) throw new Refused(404, 'There is no message of this letter: it was not sent from here.');
  return new Response(message.slice().buffer, {
    headers: {
      'content-type': 'message/rfc822',
      'content-disposition': `attachment; filename="letter-${params.letter}.eml"`,
    },
  });
});
