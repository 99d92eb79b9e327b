import { json } from '@sveltejs/kit';
import { intakeSchema } from '../../../lib/patterns.js';
import { answering, bodyOf } from '../../../lib/server/answers.js';
import { unquoted } from '../../../lib/server/documents/plain.js';
import { stores } from '../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** The names of the patterns on the shelf. */
export const GET: RequestHandler = answering(async () => json(await (await stores()).shelf.names()));

/** Takes in a text that was pasted. */
export const POST: RequestHandler = answering(async ({ request }) => {
  const { text, name } = await bodyOf(request, intakeSchema);
  const taken = { kind: 'pasted text', text: unquoted(text), notes: [], left: [] };
  const arrived = { file: '', bytes: new TextEncoder().encode(text), taken };
  return json({ id: await (await stores()).drafts.takeIn(arrived, name) }, { status: 201 });
});
