import { createEmptyCard, fsrs, Rating, State, type Card, type Grade } from 'ts-fsrs';
import * as z from 'zod/mini';

/** A card of the library as it is kept: its dates are milliseconds since 1970. */
export const cardSchema = z.object({
  due: z.number(),
  stability: z.number(),
  difficulty: z.number(),
  elapsed_days: z.number(),
  scheduled_days: z.number(),
  learning_steps: z.number(),
  reps: z.number(),
  lapses: z.number(),
  state: z.enum(State),
  last_review: z.optional(z.number()),
});
export type StoredCard = z.infer<typeof cardSchema>;

/** How well a fault was seen: missed; met, but taken for another; met and named; met, named and put right. */
export type Seen = 'missed' | 'met' | 'named' | 'righted';

const GRADES: Readonly<Record<Seen, Grade>> = {
  missed: Rating.Again,
  met: Rating.Hard,
  named: Rating.Good,
  righted: Rating.Easy,
};

/** The same answers give the same dates: chance has no part in it. */
const scheduler = fsrs({ enable_fuzz: false });

const read = ({ due, last_review, ...rest }: StoredCard): Card => ({
  ...rest,
  due: new Date(due),
  ...(last_review === undefined ? {} : { last_review: new Date(last_review) }),
});

/** The card of a kind of fault after it was met once more. @param before null where it never was */
export function after(before: StoredCard | null, seen: Seen, now: number): StoredCard {
  const card = before ? read(before) : createEmptyCard(new Date(now));
  const { card: next } = scheduler.next(card, new Date(now), GRADES[seen]);
  const { due, last_review: last, ...rest } = next;
  return cardSchema.parse({ ...rest, due: due.getTime(), ...(last ? { last_review: last.getTime() } : {}) });
}
