import * as z from 'zod/mini';
import { courseSchema, roundListSchema, sideBySideSchema, stepSchema } from '../core/index.js';
import { addressStandingSchema } from './addresses.js';
import { momentSchema } from './patterns.js';

const words = z.string().check(z.trim(), z.maxLength(1000, 'This is too long: keep it to a few sentences.'));

/** What is asked of testers. */
export const wantedSchema = z.object({
  yarn: words,
  hook: words,
  gauge: words,
  /** The day by which it is wanted, as 2026-04-30; empty for none. */
  by: z.string().check(z.regex(/^(?:\d{4}-\d\d-\d\d)?$/, 'A day is written as 2026-04-30.')),
  photographs: words,
  /** What must be said of small parts. */
  smallParts: words,
});
export type Wanted = z.infer<typeof wantedSchema>;

export const NOTHING_WANTED: Wanted = { yarn: '', hook: '', gauge: '', by: '', photographs: '', smallParts: '' };

/** A test call as a tester has it: all that the bench needs. */
export const benchCallSchema = z.object({
  name: z.string(),
  number: z.int(),
  wanted: wantedSchema,
  course: courseSchema,
  /** The text has changed since. */
  newer: z.boolean(),
  at: momentSchema,
});
export type BenchCall = z.infer<typeof benchCallSchema>;

/** By which name a tester wants to be known. */
export const joinSchema = z.object({
  name: z
    .string()
    .check(
      z.trim(),
      z.minLength(1, 'Give the name that you want to be known by.'),
      z.maxLength(60, 'A name has at most 60 characters.'),
    ),
});
export const joinedSchema = z.object({ token: z.string(), name: z.string() });
export type Joined = z.infer<typeof joinedSchema>;

/** So many steps go up at once. */
export const MOST_STEPS = 200;

/** Steps of a device that go up, and from where on it wants those of the others. */
export const exchangeSchema = z.object({
  after: z.int().check(z.gte(0)),
  steps: z.array(stepSchema).check(z.maxLength(MOST_STEPS)),
});
export type Exchange = z.infer<typeof exchangeSchema>;

export const exchangedSchema = z.object({
  /** To be named the next time. */
  after: z.int().check(z.gte(0)),
  steps: z.array(stepSchema),
  /** There are further ones. */
  more: z.boolean(),
  name: z.string(),
  newer: z.boolean(),
  /** The time by the clock of the server. */
  now: momentSchema,
});
export type Exchanged = z.infer<typeof exchangedSchema>;

/** A test that somebody has joined with their account. */
export const ownTestSchema = z.object({
  secret: z.string(),
  /** Of the pattern. */
  name: z.string(),
  /** As they are known in it. */
  tester: z.string(),
});
export type OwnTest = z.infer<typeof ownTestSchema>;

/** Which test a further device is for. */
export const furtherSchema = z.object({ secret: z.string().check(z.maxLength(100)) });

/** A test call as the editor sees it. */
export const callSchema = z.object({
  number: z.int(),
  wanted: wantedSchema,
  revision: z.int(),
  testers: z.int(),
  /** Where testers come in; null where none was made in this house. */
  address: z.nullable(addressStandingSchema),
  at: momentSchema,
});
export type Call = z.infer<typeof callSchema>;

/** A photograph that a tester took. */
export const testPhotographSchema = z.object({ name: z.string(), width: z.int(), height: z.int() });

/** Everything that came of a call, step by step. */
export const wholeSchema = z.object({
  number: z.int(),
  wanted: wantedSchema,
  course: roundListSchema,
  testers: z.array(z.object({ name: z.string(), at: momentSchema, steps: z.array(stepSchema) })),
});
export type WholeTest = z.infer<typeof wholeSchema>;

/** What came of a call, side by side. */
export const resultsSchema = z.object({
  number: z.int(),
  course: roundListSchema,
  wanted: wantedSchema,
  all: sideBySideSchema,
  /** The photographs of each tester, in the same order. */
  photographs: z.array(z.array(testPhotographSchema)),
});
export type Results = z.infer<typeof resultsSchema>;
