import { planSettingsSchema } from '../../../lib/plan.js';
import { answering, bodyOf, done } from '../../../lib/server/answers.js';
import { calendarAnswer } from '../../../lib/server/plan/answer.js';
import { stores } from '../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** The dates that lie ahead, as a calendar. */
export const GET: RequestHandler = answering(async () => calendarAnswer(await (await stores()).plan.given(), true));

/** Settles what the plan goes by. */
export const PUT: RequestHandler = answering(async ({ request }) => {
  const settings = await bodyOf(request, planSettingsSchema);
  await (await stores()).plan.set(settings);
  return done();
});
