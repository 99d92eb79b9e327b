import { json } from '@sveltejs/kit';
import { answering, bytesOf } from '../../../lib/server/answers.js';
import { stores } from '../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** The whole workspace as one archive. */
export const GET: RequestHandler = answering(async () => {
  const bytes = await (await stores()).exchange.out();
  return new Response(bytes.slice().buffer, {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': `attachment; filename="dostik-${new Date().toISOString().slice(0, 10)}.zip"`,
    },
  });
});

/** Brings such an archive in. */
export const POST: RequestHandler = answering(async ({ request }) => {
  const { exchange, recounts } = await stores();
  const brought = await exchange.in(await bytesOf(request));
  await recounts.askStale();
  return json(brought);
});
