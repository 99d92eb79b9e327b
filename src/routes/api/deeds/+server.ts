import Papa from 'papaparse';
import { wordsOf, soughtSchema } from '../../../lib/deeds.js';
import { answering, queryOf } from '../../../lib/server/answers.js';
import { stores } from '../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** What was done as a table, with commas between its cells; of what is looked for, all of it. */
export const GET: RequestHandler = answering(async ({ url }) => {
  const all = await (await stores()).deeds.all(queryOf(url, soughtSchema));
  const rows = all.map((one) => ({
    last: new Date(one.at).toISOString(),
    first: new Date(one.first).toISOString(),
    times: one.times,
    who: one.who,
    role: one.role ?? '',
    what: wordsOf(one.deed),
    about: one.about,
    pattern: one.pattern ?? '',
    refused: one.refused ? 'yes' : '',
    place: one.place,
  }));
  // A name that begins as a formula does would be one in a table.
  const table = Papa.unparse(rows, { escapeFormulae: true });
  return new Response(table, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="dostik-done-${new Date().toISOString().slice(0, 10)}.csv"`,
    },
  });
});
