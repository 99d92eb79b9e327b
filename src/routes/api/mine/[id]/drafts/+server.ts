import * as z from 'zod/mini';
import { fileAskedSchema } from '../../../../../lib/patterns.js';
import { answering, bytesOf, done, GONE, queryOf, Refused } from '../../../../../lib/server/answers.js';
import { ownPattern } from '../../../../../lib/server/people/own.js';
import { stores } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

const sentSchema = z.pick(fileAskedSchema, { file: true });

/** Takes in a further draft of a pattern of one's own; the editor's working copy is kept with the draft before. */
export const POST: RequestHandler = answering(async (event) => {
  const id = await ownPattern(event);
  const { file } = queryOf(event.url, sentSchema);
  const bytes = await bytesOf(event.request);
  const { drafts, documents } = await stores();
  const taken = await documents.take(bytes, file);
  if (!(await drafts.goOn(id, { file, bytes, taken }))) throw new Refused(404, GONE);
  return done();
});
