import * as z from 'zod/mini';
import { momentSchema } from './patterns.js';
import { roleSchema } from './people.js';

/** What deeds are about, as an owner looks for them. */
export const MATTERS = ['patterns', 'queries', 'tests', 'releases', 'house', 'people'] as const;
export type Matter = (typeof MATTERS)[number];

interface Deed {
  readonly matter: Matter;
  /** What was done; the name of the pattern or the person stands behind it. */
  readonly words: string;
}

const deeds = (matter: Matter, all: Readonly<Record<string, string>>): Record<string, Deed> =>
  Object.fromEntries(Object.entries(all).map(([key, words]) => [key, { matter, words }]));

/**
 * What is noted of what people do, by method and route; a word behind tells apart what one route does. What changes nothing
 * that others see is not noted, and named below: a route that writes stands in one of the two.
 */
export const DEEDS: Readonly<Record<string, Deed>> = {
  ...deeds('patterns', {
    'POST /api/patterns': 'took in',
    'POST /api/documents': 'took in a file of',
    'PUT /api/patterns/[id]': 'wrote in',
    'PATCH /api/patterns/[id]': 'renamed',
    'PUT /api/shelf away': 'put away',
    'PUT /api/shelf back': 'took back onto the shelf',
    'PUT /api/patterns/[id]/ticks': 'ticked rounds of',
    'PUT /api/patterns/[id]/dismissals': 'put findings aside in',
    'PUT /api/patterns/[id]/hand': 'said what words mean in',
    'PUT /api/patterns/[id]/shape': 'set hook, yarn or gauge of',
    'PUT /api/patterns/[id]/terms': 'settled the terms of',
    'PUT /api/patterns/[id]/terms/decisions': 'settled what a word becomes in',
    'POST /api/patterns/[id]/editions': 'made an edition in other terms of',
    'PUT /api/patterns/[id]/rules': 'set the rules for',
    'PUT /api/patterns/[id]/drafts/[number]/own': 'settled own changes in',
    'PUT /api/patterns/[id]/designer': 'noted the designer of',
    'POST /api/mine/[id]/drafts': 'sent a draft of',
  }),
  ...deeds('queries', {
    'POST /api/patterns/[id]/queries': 'asked about',
    'PATCH /api/patterns/[id]/queries/[number]': 'changed a query on',
    'POST /api/patterns/[id]/settle': 'settled queries on',
    'POST /api/patterns/[id]/letters': 'sent a letter on',
    'POST /api/patterns/[id]/letters/address': 'made the address of the letter on',
    'DELETE /api/patterns/[id]/letters/address': 'withdrew the address of the letter on',
    'PATCH /api/letter/[secret]/[number]': 'answered a query, by an address, on',
    'PATCH /api/mine/[id]/[number]': 'answered a query on',
  }),
  ...deeds('tests', {
    'POST /api/patterns/[id]/calls': 'called a test of',
    'POST /api/patterns/[id]/calls/[number]/address': 'made the address of a test of',
    'DELETE /api/patterns/[id]/calls/[number]/address': 'withdrew the address of a test of',
    'POST /api/bench/[secret]/testers': 'joined a test, by an address, as',
  }),
  ...deeds('releases', {
    'PUT /api/patterns/[id]/release/confirm': 'confirmed a condition of the release of',
    'PUT /api/patterns/[id]/release/trust': 'trusted a count of',
    'POST /api/patterns/[id]/release': 'signed a version of',
    'POST /api/patterns/[id]/photographs': 'put in a photograph of',
    'PATCH /api/patterns/[id]/photographs/[photograph]': 'changed a photograph of',
    'DELETE /api/patterns/[id]/photographs/[photograph]': 'took out a photograph of',
    'POST /api/patterns/[id]/errata': 'entered a mistake in a version of',
    'DELETE /api/patterns/[id]/errata/[number]': 'took back a mistake in a version of',
  }),
  ...deeds('house', {
    'PUT /api/rules': 'set the rules for all patterns',
    'PUT /api/style': 'changed the house style',
    'PUT /api/plan': 'changed what the plan goes by',
    'PUT /api/plan/[id]': 'planned the dates of',
    'DELETE /api/plan/[id]': 'took off the plan',
    'POST /api/plan/address': 'made the address of the calendar',
    'DELETE /api/plan/address': 'withdrew the address of the calendar',
    'PUT /api/letters': 'changed the words of letters',
    'PUT /api/release-lines': 'changed the lines of releases',
    'POST /api/backups': 'made a backup',
    'GET /api/workspace': 'took the whole workspace out',
    'POST /api/workspace': 'brought a workspace in',
    'GET /api/deeds': 'took out the list of what was done',
  }),
  ...deeds('people', {
    'POST /api/people/first': 'made the first account',
    'POST /api/people': 'asked in',
    'PATCH /api/people/[id]': 'changed what somebody may do:',
    'DELETE /api/people/[id]': 'put out',
    'POST /api/people/[id]/address': 'made an address to set a password, for',
    'DELETE /api/addresses/[mark]': 'withdrew an address',
    'POST /api/join/[secret]': 'set a password by an address',
    'PUT /api/account/password': 'set another password',
    'POST /api/account/passkeys': 'added a passkey',
    'DELETE /api/account/passkeys/[id]': 'took out a passkey',
    'POST /api/session/passkey': 'signed in by a passkey',
    'POST /api/session': 'signed in',
    'DELETE /api/session': 'signed out',
  }),
};

/** What writes and is not noted: it is said that one is there, tried, practised, or noted with the test itself. */
export const NOT_NOTED: readonly string[] = [
  'POST /api/patterns/[id]/here',
  'POST /api/patterns/[id]/release/known',
  'POST /api/patterns/[id]/errata/tried',
  'POST /api/documents/text',
  'POST /api/practice',
  'PUT /api/practice/[id]',
  'POST /api/practice/[id]',
  'DELETE /api/practice/[id]',
  'POST /api/account/passkeys/begin',
  'POST /api/session/passkey/begin',
  'POST /api/bench/own',
  'PUT /api/bench/[secret]/[token]/photographs/[photograph]',
  'POST /api/bench/[secret]/[token]/steps',
];

/** Something that was done, or that was tried and refused. */
export const doneSchema = z.object({
  id: z.int(),
  deed: z.string(),
  /** Who it was; empty where they came by an address. */
  who: z.string(),
  role: z.nullable(roleSchema),
  /** The pattern, or the person. */
  about: z.string(),
  /** Where it leads; null where it leads nowhere. */
  pattern: z.nullable(z.string()),
  /** The address that it was asked from. */
  place: z.string(),
  refused: z.boolean(),
  /** It was done so often, the first and the last time then. */
  times: z.int(),
  first: momentSchema,
  at: momentSchema,
});
export type Done = z.infer<typeof doneSchema>;

const day = z.string().check(z.regex(/^\d{4}-\d{2}-\d{2}$/, 'A day is written as 2026-03-14.'));

/** What is looked for among them. */
export const soughtSchema = z.object({
  who: z.optional(z.string().check(z.maxLength(100))),
  matter: z.optional(z.enum(MATTERS)),
  words: z.optional(z.string().check(z.maxLength(200))),
  from: z.optional(day),
  to: z.optional(day),
  /** Only those with a lower number: the next page. */
  before: z.optional(z.coerce.number().check(z.int(), z.positive())),
});
export type Sought = z.infer<typeof soughtSchema>;

/** What was done, in words that what it was done to stands behind. */
export const wordsOf = (deed: string): string => DEEDS[deed]?.words ?? deed;

/** How often it was done, and whether it was refused; stands behind all else. */
export function howOf({ refused, times }: Pick<Done, 'refused' | 'times'>): string {
  return `${times > 1 ? `, ${times} times` : ''}${refused ? ': refused' : ''}`;
}

/** A deed in words, as it follows the name of who did it. */
export function inWords(done: Pick<Done, 'deed' | 'about' | 'refused' | 'times'>): string {
  const { deed, about } = done;
  return `${[wordsOf(deed), about].filter((part) => part !== '').join(' ')}${howOf(done)}`;
}
