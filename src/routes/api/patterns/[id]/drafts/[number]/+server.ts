import { answering, numberIn, Refused } from '../../../../../../lib/server/answers.js';
import { stores } from '../../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** A draft as it came, byte for byte, to be kept as a file: never shown as a page of ours. */
export const GET: RequestHandler = answering(async ({ params }) => {
  const original = await (await stores()).drafts.original(params.id, numberIn(params.number));
  if (!original) throw new Refused(404, 'This draft has no file.');
  const name = encodeURIComponent(original.file || 'pasted.txt');
  return new Response(new Uint8Array(original.bytes), {
    headers: {
      'content-type': 'application/octet-stream',
      'content-disposition': `attachment; filename*=UTF-8''${name}`,
    },
  });
});
