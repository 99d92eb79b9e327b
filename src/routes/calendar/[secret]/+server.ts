import { through, TO_THE_DATES } from '../../../lib/server/addressDoor.js';
import { answering } from '../../../lib/server/answers.js';
import { calendarAnswer } from '../../../lib/server/plan/answer.js';
import { stores } from '../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** The dates of the plan, for a calendar that follows them by its address. */
export const GET: RequestHandler = answering(async (event) => {
  const { addresses, plan } = await stores();
  const secret = event.params.secret.replace(/\.ics$/, '');
  await through(event, TO_THE_DATES, () => addresses.opened('calendar', secret));
  return calendarAnswer(await plan.given(), false);
});
