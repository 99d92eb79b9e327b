import * as z from 'zod/mini';
import { SENSES, type Sense } from '../vocabulary/senses.js';
import type { LegendDefinition, Meaning } from './lexicon.js';

/** A word or two of a hand, and how many of them there may be. */
const LONGEST_WORD = 40;
const MOST_WORDS = 200;

export const senseSchema = z.enum(SENSES);
/** A word of a hand, in small letters. */
export const handWordSchema = z.string().check(
  z.overwrite((word) => word.trim().toLowerCase()),
  z.minLength(1),
  z.maxLength(LONGEST_WORD),
);

/** What a line of a text can be. */
export const LINE_ROLES = [
  'title',
  'heading',
  'round',
  'goes-on',
  'materials',
  'abbreviations',
  'assembly',
  'talk',
] as const;
export const lineRoleSchema = z.enum(LINE_ROLES);
export type LineRole = z.infer<typeof lineRoleSchema>;

/** So much of a line tells it. */
const LONGEST_LINE = 200;
const MOST_LINES = 2000;

/** What a line says, as far as it is told by: whatever blanks it has, and however it begins and ends. */
export function lineKey(text: string): string {
  return text.trim().replace(/\s+/g, ' ').slice(0, LONGEST_LINE);
}

export const lineKeySchema = z.string().check(z.overwrite(lineKey), z.minLength(1));

/** What is said of a part: what it is called, and how many are made of it. */
export const partSaidSchema = z.object({
  name: z.optional(z.string().check(z.trim(), z.minLength(1), z.maxLength(80))),
  make: z.optional(z.int().check(z.gte(1), z.lte(99))),
});
export type PartSaid = z.infer<typeof partSaidSchema>;

const few =
  (most: number, what: string) =>
  ({ value, issues }: z.core.ParsePayload<object>): void => {
    if (Object.keys(value).length <= most) return;
    issues.push({ code: 'custom', input: value, message: `These are too many ${what}.` });
  };

/**
 * What is settled about a hand: its own words and what they mean, what single lines are by what they say, and parts by what
 * their heading says. `{ "words": { "bump": "increase" }, "lines": { "R2 and so on": "talk" }, "parts": { "Ears": { "make": 2 } } }`
 */
export const handSchema = z.object({
  words: z.record(handWordSchema, senseSchema).check(few(MOST_WORDS, 'words')),
  lines: z.optional(z.record(lineKeySchema, lineRoleSchema).check(few(MOST_LINES, 'lines'))),
  parts: z.optional(z.record(lineKeySchema, partSaidSchema).check(few(MOST_WORDS, 'parts'))),
});
export type Hand = z.infer<typeof handSchema>;

export const NO_HAND: Hand = { words: {} };

/** The words of a hand, with what they mean. */
export function wordsIn({ words }: Hand): Map<string, Sense> {
  return new Map(Object.entries(words));
}

const MEANINGS: Readonly<Record<Sense, Meaning>> = {
  increase: { is: 'increase', per: 2 },
  decrease: { is: 'decrease', over: 2 },
  stitch: { is: 'stitch', stitch: 'step1', foreign: false },
  times: { is: 'times', times: null },
  around: { is: 'around' },
  repeat: { is: 'repeat' },
  more: { is: 'more' },
  'turning-chain': { is: 'stitch', stitch: 'chain', foreign: false },
  nothing: { is: 'aside' },
};

/** The words of a hand as the lexicon takes them. */
export function wordsOf(words: ReadonlyMap<string, Sense>): LegendDefinition[] {
  return [...words].map(([term, sense]) => ({ term, meaning: MEANINGS[sense] }));
}
