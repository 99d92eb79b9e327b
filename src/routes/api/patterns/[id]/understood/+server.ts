import { answering, GONE, Refused } from '../../../../../lib/server/answers.js';
import { understood } from '../../../../../lib/server/exchange/understood.js';
import { stores } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** A pattern as understood, for other programs. */
export const GET: RequestHandler = answering(async ({ params }) => {
  const pattern = await understood(await stores(), params.id);
  if (!pattern) throw new Refused(404, GONE);
  return new Response(`${JSON.stringify(pattern, null, 2)}\n`, {
    headers: {
      'content-type': 'application/json',
      'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(pattern.name)}.json`,
    },
  });
});
