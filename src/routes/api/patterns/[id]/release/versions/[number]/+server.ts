import { json } from '@sveltejs/kit';
import type { VersionText } from '../../../../../../../lib/release.js';
import { answering, Refused } from '../../../../../../../lib/server/answers.js';
import { stores } from '../../../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** The text of a version in its own terms, with the places of its rounds. */
export const GET: RequestHandler = answering(async ({ params: { id, number } }) => {
  const frozen = await (await stores()).releases.frozen(id, number);
  if (!frozen) throw new Refused(404, 'There is no such version.');
  const { terms, editions, report } = frozen;
  const rounds = report.parts.flatMap(({ name, rounds: all }) =>
    all.map(({ label, line }) => ({ place: `${name}, ${label}`, line })),
  );
  return json({ terms, text: editions[terms], rounds } satisfies VersionText);
});
