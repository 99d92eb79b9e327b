import type { NextDate } from './plan/words.js';
import type { ruleSettingsSchema } from './ruleSettings.js';
import * as z from 'zod/mini';
import {
  handSchema,
  handWordSchema,
  lineKeySchema,
  lineRoleSchema,
  LONGEST_TEXT,
  NO_HAND,
  partSaidSchema,
  senseSchema,
  type Hand,
} from '../core/index.js';

export const LONGEST_NAME = 200;

const text = z
  .string()
  .check(
    z.maxLength(
      LONGEST_TEXT,
      `This text is longer than ${LONGEST_TEXT.toLocaleString('en')} characters. Split it, and take in the parts.`,
    ),
  );
const name = z.string().check(
  // Characters that are none, a NUL among them, would end a name somewhere on its way.
  z.overwrite((value) => value.replace(/\s*\p{Cc}+\s*/gu, ' ')),
  z.trim(),
  z.maxLength(LONGEST_NAME, `A name has at most ${LONGEST_NAME} characters.`),
);
/** What a pattern without a name is called. */
export const UNTITLED = 'Untitled pattern';

/** Milliseconds since 1970, as far as a date can be made of them. */
export const momentSchema = z.number().check(z.gte(0), z.lte(8.64e15));

/** Something pasted or dropped, to be taken in. Without a name the first line of the text is taken. */
export const intakeSchema = z.object({
  name: z._default(name, ''),
  text: text.check(
    z.refine((value) => value.trim() !== '', 'There is no text yet. Paste the pattern, or drop its file here.'),
  ),
});

/** A file that is sent to be taken in: what it is called, the pattern that it is a further draft of, and whether it may be one that is known. */
export const fileAskedSchema = z.object({
  file: name,
  pattern: z.optional(z.string().check(z.maxLength(64))),
  again: z.optional(z.literal('yes')),
});

/** A file that has come before, and with which pattern. */
const knownFileSchema = z.object({ id: z.string(), name: z.string(), at: momentSchema });
export type KnownFile = z.infer<typeof knownFileSchema>;

/** What the server says while it takes in a file, one after the other: how much is read, and in the end what has come of it. */
export const takingSchema = z.union([
  z.object({ share: z.number() }),
  z.object({ id: z.string(), left: z.array(z.string()) }),
  z.object({ known: knownFileSchema }),
  z.object({ message: z.string() }),
]);
export type Taking = z.infer<typeof takingSchema>;
export const readOutSchema = z.object({ text: z.string(), left: z.array(z.string()) });

/** A save from the Desk: the text, and the revision that it was made from. */
export const saveSchema = z.object({ text, base: z.int().check(z.gte(1)) });

/** Which of two texts goes on after a conflict; the other one is shelved as a copy. */
export const settleSchema = z.object({ mine: text, keep: z.enum(['mine', 'theirs']) });

export const renameSchema = z.object({ name: name.check(z.minLength(1, 'A pattern needs a name.')) });

/** A pattern as the Desk holds it. */
const vocabulary = z.enum(['us', 'uk']);
export const patternSchema = z.object({
  id: z.string(),
  name: z.string(),
  text: z.string(),
  revision: z.int(),
  terms: z._default(z.enum(['auto', 'us', 'uk']), 'auto'),
  /** What its own words mean, as the editor has settled it. */
  hand: z._default(handSchema, NO_HAND),
});
export type StoredPattern = z.infer<typeof patternSchema>;
/** A pattern with its text, or (null) with a text that is to be fetched. */
export type BriefPattern = Omit<StoredPattern, 'text'> & { readonly text: string | null };

export const keySchema = z.string().check(z.minLength(1), z.maxLength(64));

/** A tick set or taken off. */
export const tickSchema = z.object({ key: keySchema, on: z.boolean() });

/** A finding put aside with a reason, or (null) taken up again. */
export const dismissalSchema = z.object({
  key: keySchema,
  rule: z.string().check(z.maxLength(64)),
  reason: z.nullable(z.string().check(z.trim(), z.maxLength(500, 'A reason has at most 500 characters.'))),
});
export type Dismissal = z.infer<typeof dismissalSchema>;

/** Which vocabulary the editor has settled. */
export const settledSchema = z.object({ terms: z.enum(['auto', 'us', 'uk']) });

/**
 * One thing that is put right of how a pattern was understood, or (null) taken back: what a word of its own means, what
 * lines are by what they say, or what a part is called and how many are made of it, by what its heading says.
 */
export const handChangeSchema = z.union([
  z.object({ word: handWordSchema, sense: z.nullable(senseSchema) }),
  z.object({
    lines: z.array(lineKeySchema).check(z.minLength(1), z.maxLength(2000)),
    role: z.nullable(lineRoleSchema),
  }),
  z.object({ heading: lineKeySchema, said: z.nullable(partSaidSchema) }),
]);
export type HandChange = z.infer<typeof handChangeSchema>;

/** A hand with one change. */
export function handWith({ words, lines = {}, parts = {} }: Hand, change: HandChange): Hand {
  if ('word' in change) return handOf(withEntry(words, change.word, change.sense), lines, parts);
  if ('heading' in change) return handOf(words, lines, withEntry(parts, change.heading, change.said));
  return handOf(
    words,
    change.lines.reduce((all, line) => withEntry(all, line, change.role), lines),
    parts,
  );
}

/** What nothing is said of is left out. */
function handOf(words: Hand['words'], lines: NonNullable<Hand['lines']>, parts: NonNullable<Hand['parts']>): Hand {
  return {
    words,
    ...(Object.keys(lines).length > 0 ? { lines } : {}),
    ...(Object.keys(parts).length > 0 ? { parts } : {}),
  };
}

function withEntry<Value>(entries: Readonly<Record<string, Value>>, key: string, value: Value | null) {
  const { [key]: _before, ...others } = entries;
  return value === null ? others : { ...others, [key]: value };
}

/** What is to be written for a word on the way into the other vocabulary, or (null) nothing decided. */
export const termDecisionSchema = z.object({
  to: vocabulary,
  key: keySchema,
  written: z.nullable(z.string().check(z.maxLength(200, 'What is written instead has at most 200 characters.'))),
});
export type TermDecision = z.infer<typeof termDecisionSchema>;

/** Into which terms, and what else goes along. */
export const termsWantedSchema = z.object({
  to: vocabulary,
  hooks: z._default(z.boolean(), false),
  weights: z._default(z.boolean(), false),
  spelling: z._default(z.boolean(), false),
});
export type TermsWanted = z.infer<typeof termsWantedSchema>;

/** A pattern that was converted from another, or that another was converted from. */
export interface Edition {
  readonly id: string;
  readonly name: string;
  readonly to: 'us' | 'uk';
  /** Whether the source has changed since. */
  readonly behind: boolean;
}

/** What is kept of a pattern's two vocabularies. */
export interface TermsNotes {
  readonly decisions: readonly { readonly to: 'us' | 'uk'; readonly key: string; readonly written: string }[];
  readonly editions: readonly Edition[];
  readonly source: Edition | null;
}

export const editionMadeSchema = z.object({
  id: z.string(),
  kind: z.enum(['made', 'updated', 'same']),
  /** Places that both had changed, and that stayed as they are in the edition. */
  kept: z.int(),
});
export type EditionMade = z.infer<typeof editionMadeSchema>;

/** What a person has noted on a pattern. */
export interface Notes {
  /** Keys of the rounds that are ticked. */
  readonly ticks: readonly string[];
  readonly dismissals: readonly Dismissal[];
  /** How the rules are set for this pattern. */
  readonly rules: z.infer<typeof ruleSettingsSchema>;
}

/** What the server says to a save: the new revision, or what stands there instead. */
export const savedSchema = z.object({ revision: z.int() });
/** `kept`: the text had been saved before the other one, though no answer arrived. */
export const conflictSchema = z.object({ current: patternSchema, kept: z.boolean() });
/** A text as it was before the last sitting; null where there was none. */
export const earlierSchema = z.object({ text: z.nullable(z.string()) });
/** The patterns on the shelf by name. */
export const patternNamesSchema = z.array(z.object({ id: z.string(), name: z.string() }));
export const troubleSchema = z.object({ message: z.string() });
export const createdSchema = z.object({ id: z.string() });

/** Figures of the last check, for the shelf. */
export const summarySchema = z.object({
  parts: z.int(),
  rounds: z.int(),
  agree: z.int(),
  off: z.int(),
  unclear: z.int(),
  errors: z.int(),
  warnings: z.int(),
  terms: z.enum(['us', 'uk', 'mixed', 'unclear']),
  /** Rounds that a person has agreed to. */
  ticked: z.int(),
  /** One letter a round, in the order of the text: a(grees), c(ounted), o(ff), u(nreadable), t (on trust). */
  tally: z.string().check(z.maxLength(400)),
  /** Stitches of all its pieces together; left out in figures that were counted before this was. */
  stitches: z.optional(z.int()),
});
export type Summary = z.infer<typeof summarySchema>;

/** A pattern as it stands on the shelf. */
export interface ShelfEntry {
  readonly id: string;
  readonly name: string;
  /** When it was taken in, and when its text changed last; milliseconds since 1970. */
  readonly createdAt: number;
  readonly updatedAt: number;
  /** One more with each change of the text; 1 for one that is as it came. */
  readonly revision: number;
  /** The vocabulary that the editor has settled; `auto` goes by the text. */
  readonly terms: StoredPattern['terms'];
  /** The terms that it was converted into, where it is an edition of another pattern. */
  readonly edition: 'us' | 'uk' | null;
  /** The figures as they were counted last; null where there are none. */
  readonly summary: Summary | null;
  /** Queries that are to be sent, with the designer, and answered, and when the last letter went out; null where nothing is asked. */
  readonly asked: {
    readonly open: number;
    readonly sent: number;
    readonly answered: number;
    readonly sentAt: number | null;
  } | null;
  /** What it has to reach next, where it is on the plan and not out. */
  readonly next?: NextDate;
  /** The line in which a word that was looked for stands, where it does not stand in the name. */
  readonly found?: string;
  /** Whether they are those of the text as it is, are being counted, can't be, or the entry can't be read. */
  readonly state: 'counted' | 'counting' | 'too-much' | 'unreadable';
}

/** A pattern that was put away. */
export interface AwayEntry {
  readonly id: string;
  readonly name: string;
  readonly at: number;
}

/** Several patterns, to be put away or taken back. */
export const severalSchema = z.object({
  ids: z.array(z.string()).check(z.minLength(1), z.maxLength(5000)),
  away: z.boolean(),
});
