/** The spring list of the demo: dates around the day on which it is brought in. */
import { isoOf } from '../src/core/index.js';
import { localDay, USUAL_SETTINGS } from '../src/lib/plan.js';
import type { Stores } from '../src/lib/server/storesOver.js';

const DAY = 86_400_000;

/** Of each demo pattern: its list, who edits it, and in how many days it is to come out. */
const LISTS: Readonly<Record<string, readonly [list: string, editor: string, ahead: number]>> = {
  tugboat: ['Spring list', 'Oda Marram', 44],
  starfish: ['Spring list', 'Ines Tidewater', 31],
  lighthouse: ['Spring list', 'Oda Marram', 52],
  'hermit-crab': ['Spring list', 'Ines Tidewater', 26],
  'sea-slug': ['Autumn list', 'Ines Tidewater', 120],
  'field-vole': ['Autumn list', 'Oda Marram', 148],
};

/** Puts the demo patterns on their lists. @param ids of those that were brought in, by their keys */
export async function plan(ids: ReadonlyMap<string, string>, { plan: lists }: Stores): Promise<void> {
  const now = Date.now();
  const day = (ahead: number) => localDay(now + ahead * DAY);
  for (const [key, [list, editor, ahead]] of Object.entries(LISTS)) {
    const id = ids.get(key);
    if (id === undefined) continue;
    // The lighthouse is photographed with the slug on its steps.
    const after = key === 'sea-slug' ? [ids.get('lighthouse') ?? ''].filter(Boolean) : [];
    await lists.put(id, { list, release: day(ahead), editor, hours: null, after, done: {}, moved: {} });
  }
  await lists.set({
    ...USUAL_SETTINGS,
    holidays: [
      `${isoOf(Math.floor(now / DAY)).slice(0, 4)}-12-25`,
      `${isoOf(Math.floor(now / DAY)).slice(0, 4)}-12-26`,
    ],
    absences: [{ person: 'Ines Tidewater', from: day(11), to: day(18) }],
  });
}
