import ical, { ICalAlarmType, ICalCalendarMethod, ICalEventTransparency } from 'ical-generator';
import { planned, STAGES, isoOf } from '../../../core/index.js';
import { plannedOf, termsOf, type PlanGiven } from '../../plan.js';

/** It reminds so long before the day begins: at nine in the morning of the day before. Seconds. */
const BEFORE = 15 * 60 * 60;

/**
 * The dates that lie ahead, as a calendar (RFC 5545): a day for each stage that was not reached, with an alarm on the day before.
 * Days have no time and no zone: they are the same wherever they are read. The same stage keeps its name from one time to the
 * next, so that a calendar moves it and does not double it.
 * @param now milliseconds since 1970
 */
export function calendarOf(given: PlanGiven, now: number): string {
  const plans = planned(given.rows.map(plannedOf), termsOf(given));
  const calendar = ical({
    name: 'Dostik: plan',
    prodId: { company: 'Dostik', product: 'Plan', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
    ttl: 60 * 60,
  });
  given.rows.forEach(({ id, name, list, editor }, i) => {
    for (const stage of plans[i]?.stages ?? []) {
      const words = STAGES.find((one) => one.id === stage.id);
      if (stage.done !== null || !words) continue;
      const event = calendar.createEvent({
        id: `${id}-${stage.id}@dostik`,
        start: new Date(`${isoOf(stage.due)}T00:00:00Z`),
        allDay: true,
        timezone: 'UTC',
        stamp: new Date(now),
        // Later versions of the same day count as newer ones.
        sequence: Math.floor(now / 60_000) % 2_000_000_000,
        summary: `${name}: ${words.words}`,
        description: [list, words.by === 'editor' && editor !== '' ? `by ${editor}` : '', words.todo]
          .filter((part) => part !== '')
          .join(', '),
        transparency: ICalEventTransparency.TRANSPARENT,
      });
      event.createAlarm({ type: ICalAlarmType.display, trigger: BEFORE, description: `${name}: ${words.words}` });
    }
  });
  return calendar.toString();
}
