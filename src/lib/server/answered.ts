import { json } from '@sveltejs/kit';
import { Refused } from './answers.js';
import type { Answered } from './designers.js';

/** What a designer is told who has answered a query. @throws Refused where it is not to be answered any more */
export function answered(outcome: Answered): Response {
  switch (outcome.kind) {
    case 'answered':
      return json(outcome.query);
    case 'conflict':
      return json({ current: outcome.query }, { status: 409 });
    case 'closed':
      throw new Refused(410, 'This query is settled. Write to the editor if there is more to be said.');
    case 'gone':
      throw new Refused(404, 'This query was taken back: it needs no answer any more.');
  }
}
