import { json } from '@sveltejs/kit';
import { fileAskedSchema } from '../../../../lib/patterns.js';
import { answering, bytesOf, queryOf } from '../../../../lib/server/answers.js';
import { stores } from '../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Reads a file out, and keeps nothing of it: rich text from the clipboard, or a file that is only looked at. */
export const POST: RequestHandler = answering(async ({ request, url }) => {
  const { file } = queryOf(url, fileAskedSchema);
  const { documents } = await stores();
  const { text, left } = await documents.take(await bytesOf(request), file);
  return json({ text, left });
});
