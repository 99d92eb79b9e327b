import * as z from 'zod/mini';
import { COUNTINGS } from './beats.js';

const count = z.int().check(z.gte(0), z.lte(1_000_000));
/** Milliseconds. */
const span = z.int().check(z.gte(0), z.lte(1000 * 60 * 60 * 24 * 31));
const grams = z.number().check(z.gte(0), z.lte(100_000));
/** Centimetres. */
const length = z.number().check(z.gt(0), z.lte(1000));

export const LONGEST_NOTE = 4000;
const words = z.string().check(z.maxLength(LONGEST_NOTE, `A note has at most ${LONGEST_NOTE} characters.`));

/** A round of one copy of a part: all of them by their places, from 0. */
export const spotSchema = z.object({ part: count, copy: count, ring: count });
export type Spot = z.infer<typeof spotSchema>;

/** What a note is about; two touches make one. */
export const NOTE_KINDS = ['unclear', 'count-wrong', 'hard', 'gap', 'ran-short', 'mistake', 'liked'] as const;
export type NoteKind = (typeof NOTE_KINDS)[number];

const idSchema = z.string().check(z.regex(/^[\w-]{8,40}$/));

const whatSchema = z.discriminatedUnion('kind', [
  /** So many touches of a round are done. */
  z.object({ kind: z.literal('count'), spot: spotSchema, done: count, by: z.enum(COUNTINGS) }),
  /** A round is done; with what was counted then, where it was. */
  z.object({ kind: z.literal('round'), spot: spotSchema, counted: z.nullable(count) }),
  /** On to a round. */
  z.object({ kind: z.literal('go'), spot: spotSchema }),
  /** Another count was on the hook: what was decided. */
  z.object({ kind: z.literal('hook'), spot: spotSchema, counted: count, made: count, decided: words }),
  z.object({
    kind: z.literal('note'),
    spot: z.nullable(spotSchema),
    note: z.enum(NOTE_KINDS),
    words,
    photographs: z.array(idSchema).check(z.maxLength(6)),
  }),
  /** How long a round took, put right. */
  z.object({ kind: z.literal('time'), spot: spotSchema, spent: span }),
  z.object({
    kind: z.literal('weigh'),
    yarn: z.string().check(z.maxLength(120)),
    when: z.enum(['before', 'after']),
    grams,
  }),
  /** Of a swatch, to 10 cm. */
  z.object({
    kind: z.literal('swatch'),
    stitches: z.nullable(z.number().check(z.gt(0), z.lte(200))),
    rows: z.nullable(z.number().check(z.gt(0), z.lte(200))),
  }),
  /** Of a part, or of the finished toy; cm. */
  z.object({ kind: z.literal('size'), part: z.nullable(count), height: z.nullable(length), width: z.nullable(length) }),
  /** From 1, easy, to 5. */
  z.object({ kind: z.literal('difficulty'), of: z.int().check(z.gte(1), z.lte(5)) }),
  z.object({ kind: z.literal('finished'), words }),
  /** Takes a step back. */
  z.object({ kind: z.literal('undo'), of: idSchema }),
]);
export type What = z.infer<typeof whatSchema>;

/** Something that a tester did, as their device noted it. A step is never changed: it is taken back by another. */
export const stepSchema = z.object({
  id: idSchema,
  device: idSchema,
  /**
   * Behind all steps that the device knew of: steps of several devices are put in order by it, since clocks may be wrong.
   */
  order: z.int().check(z.gte(1)),
  /** By the clock of the device, as far as it could be put right; milliseconds since 1970. */
  at: z.int().check(z.gte(0)),
  /** The work on its round since the touch before; milliseconds. */
  spent: span,
  what: whatSchema,
});
export type Step = z.infer<typeof stepSchema>;

/** Whether one step stands before another. */
export function comesBefore(a: Step, b: Step): number {
  return a.order - b.order || (a.device < b.device ? -1 : a.device > b.device ? 1 : 0) || (a.id < b.id ? -1 : 1);
}
