import { and, eq } from 'drizzle-orm';
import { follow, placeSchema, type Held } from '../../core/index.js';
import type { Writing } from './db/client.js';
import { queries } from './db/schema.js';
import { parsed } from './readable.js';

/** Where the queries of a pattern stand in its text, by their numbers; those about the whole pattern stand nowhere. */
export async function placesIn(db: Pick<Writing, 'select'>, id: string): Promise<Map<number, Held>> {
  const rows = await db
    .select({ number: queries.number, place: queries.place })
    .from(queries)
    .where(eq(queries.patternId, id));
  return new Map(
    rows.flatMap(({ number, place }) => {
      const read = placeSchema.safeParse(parsed(place));
      return read.success ? [[number, read.data] as const] : [];
    }),
  );
}

/** Keeps other places; what stays where it was is not written. */
export async function setPlaces(
  db: Writing,
  id: string,
  before: ReadonlyMap<number, Held>,
  places: ReadonlyMap<number, Held>,
): Promise<void> {
  for (const [number, place] of places) {
    const [was, is] = [JSON.stringify(before.get(number)), JSON.stringify(place)];
    if (was !== is)
      await db
        .update(queries)
        .set({ place: is })
        .where(and(eq(queries.patternId, id), eq(queries.number, number)));
  }
}

/** Takes the places of all queries along when a text is saved, as a part of that transaction. */
export async function followText(db: Writing, id: string, before: string, after: string): Promise<void> {
  const places = await placesIn(db, id);
  if (places.size === 0 || before === after) return;
  const moved = follow([...places.values()], before, after);
  const numbers = [...places.keys()];
  await setPlaces(db, id, places, new Map(moved.map((place, i) => [numbers[i] ?? 0, place])));
}
