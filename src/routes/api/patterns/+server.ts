import { json } from '@sveltejs/kit';
import { intakeSchema } from '../../../lib/patterns.js';
import { answering, bodyOf } from '../../../lib/server/answers.js';
import { stores } from '../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** The names of the patterns on the shelf. */
export const GET: RequestHandler = answering(async () => json(await (await stores()).shelf.names()));

/** Takes in a text that was pasted. */
export const POST: RequestHandler = answering(async ({ request, locals }) => {
  const { text, name } = await bodyOf(request, intakeSchema);
  const { documents, drafts } = await stores();
  const bytes = new TextEncoder().encode(text);
  const taken = { ...(await documents.take(bytes, 'pasted.txt')), kind: 'pasted text' };
  const id = await drafts.takeIn({ file: '', bytes, taken }, name);
  locals.deed = { patterns: [id] };
  return json({ id }, { status: 201 });
});
