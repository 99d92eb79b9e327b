import { errataAskedSchema } from '../../../../../../lib/release.js';
import { answering, fileAnswer, GONE, queryOf, Refused } from '../../../../../../lib/server/answers.js';
import { stores } from '../../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** The errata of a pattern as a file. */
export const GET: RequestHandler = answering(async ({ params, url }) => {
  const { terms, ...layout } = queryOf(url, errataAskedSchema);
  const { patterns, files } = await stores();
  const pattern = await patterns.get(params.id);
  if (!pattern) throw new Refused(404, GONE);
  const file = await files.errata(pattern, terms, layout);
  return fileAnswer(file, layout.form, `${pattern.name} errata (${terms})`, layout.form === 'html');
});
