import type { PlanGiven } from '../../plan.js';
import { calendarOf } from './calendar.js';

/** A calendar as it goes out. @param kept whether it is put by as a file, or followed */
export function calendarAnswer(given: PlanGiven, kept: boolean): Response {
  return new Response(calendarOf(given, Date.now()), {
    headers: {
      'content-type': 'text/calendar; charset=utf-8',
      ...(kept ? { 'content-disposition': 'attachment; filename="plan.ics"' } : {}),
    },
  });
}
