import { answering, fileAnswer, GONE, queryOf, Refused } from '../../../../../../lib/server/answers.js';
import { draftAskedSchema } from '../../../../../../lib/release.js';
import { stores } from '../../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** How the text would go out as it is now. */
export const GET: RequestHandler = answering(async ({ params, url }) => {
  const { terms, styled, ...layout } = queryOf(url, draftAskedSchema);
  const { patterns, files } = await stores();
  const pattern = await patterns.get(params.id);
  if (!pattern) throw new Refused(404, GONE);
  const file = await files.preview(pattern, terms, layout, styled === 'yes');
  return fileAnswer(file, layout.form, `${pattern.name} (${terms}, not signed)`, layout.form === 'html');
});
