import { fileAskedSchema, type Taking } from '../../../lib/patterns.js';
import { answering, bytesOf, GONE, queryOf, told } from '../../../lib/server/answers.js';
import { stores } from '../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/**
 * Takes in a file: as a new pattern, or as a further draft of one. What comes of it is told line by line, so that a file
 * that takes a while can say how far it is.
 */
export const POST: RequestHandler = answering(async ({ request, url, locals }) => {
  const { file, pattern, again } = queryOf(url, fileAskedSchema);
  locals.deed = { about: file, ...(pattern === undefined ? {} : { patterns: [pattern] }) };
  const bytes = await bytesOf(request);
  const { drafts, documents } = await stores();
  return told<Taking>(async (say) => {
    const known = again || pattern !== undefined ? null : await drafts.known(bytes);
    if (known) return { known };
    const taken = await documents.take(bytes, file, (share) => say({ share }));
    const arrived = { file, bytes, taken };
    if (pattern === undefined) return { id: await drafts.takeIn(arrived), left: [...taken.left] };
    return (await drafts.goOn(pattern, arrived)) ? { id: pattern, left: [...taken.left] } : { message: GONE };
  });
});
