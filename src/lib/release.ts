import * as z from 'zod/mini';
import { checklistLineSchema, handSchema, reportSchema, type ChecklistLine, type Since } from '../core/index.js';
import { FORMS } from './forms.js';
import { momentSchema } from './patterns.js';

export const LONGEST_WORDS = 2000;
const words = z.string().check(z.trim(), z.maxLength(LONGEST_WORDS, 'This is too long: keep it to a few sentences.'));
const name = z.string().check(z.trim(), z.maxLength(120, 'A name has at most 120 characters.'));
const givenName = name.check(z.minLength(1, 'Say who you are: a line is ticked by somebody with a name.'));
const terms = z.enum(['us', 'uk']);

export const SHEETS = ['a4', 'letter'] as const;
export const PRINTS = ['normal', 'large'] as const;

/** How something is laid out: as which file, on which paper, in which size. */
export const layoutSchema = z.object({
  form: z.enum(FORMS),
  sheet: z._default(z.enum(SHEETS), 'a4'),
  print: z._default(z.enum(PRINTS), 'normal'),
});
export type LayoutWanted = z.infer<typeof layoutSchema>;

/** What there is of a version: its text in either terms, the report of the checking, the certificate. */
export const KINDS = ['us', 'uk', 'report', 'certificate'] as const;
export type FileKind = (typeof KINDS)[number];

const FILE = new RegExp(`^(${KINDS.join('|')})-(${SHEETS.join('|')})-(${PRINTS.join('|')})\\.(${FORMS.join('|')})$`);
/** A file of a version by its name: "us-a4-normal.pdf". */
export const fileNameSchema = z.string().check(z.regex(FILE, 'A version has no such file.'));

export interface FileWanted extends LayoutWanted {
  readonly kind: FileKind;
}

/** What a file's name says. */
export function fileWanted(file: string): FileWanted {
  const [, kind, sheet, print, form] = FILE.exec(file) ?? [];
  return z.parse(z.extend(layoutSchema, { kind: z.enum(KINDS) }), { kind, sheet, print, form });
}

export function fileName({ kind, sheet, print, form }: FileWanted): string {
  return `${kind}-${sheet}-${print}.${form}`;
}

/** The header in which an answer says what there is to say of a file: sentences, as JSON, escaped as in an address. */
export const TOLD = 'x-dostik-told';
export const toldSchema = z.array(z.string());

/** What a person says of a line, or takes back. */
export const confirmSchema = z.object({
  line: z.string().check(z.maxLength(64)),
  /** Empty to take it back. */
  who: name,
  basis: z.string().check(z.maxLength(4000)),
});
/** Why a round is taken on trust; an empty reason takes it back. */
export const trustSchema = z.object({ key: z.string().check(z.minLength(1), z.maxLength(64)), reason: words });

/** Lines that the house has added to the checklist. */
export const ownLineSchema = z.object({
  id: z.string().check(z.regex(/^own-[a-z0-9-]{1,40}$/)),
  text: z.string().check(z.trim(), z.minLength(1, 'Say what has to be true.'), z.maxLength(200)),
});
export const ownLinesSchema = z.array(ownLineSchema).check(z.maxLength(40));

export const versionNumberSchema = z
  .string()
  .check(z.regex(/^[1-9]\d{0,2}\.(?:0|[1-9]\d{0,2})$/, 'A version goes by two figures: 1.0, 1.1, 2.0.'));

/** A version that is to be signed. */
export const signSchema = z.object({
  number: versionNumberSchema,
  who: givenName,
  note: words,
  /** Whether the texts go out in house style. */
  styled: z.boolean(),
  /** The revision of the text that was looked at. */
  base: z.int(),
});
export type SignAsked = z.infer<typeof signSchema>;

/** A version, as it is listed. */
export const releaseSchema = z.object({
  number: z.string(),
  signer: z.string(),
  note: z.string(),
  fingerprint: z.string(),
  at: momentSchema,
});
export type Release = z.infer<typeof releaseSchema>;

/** Everything that a version was made from. */
export const frozenSchema = z.object({
  name: z.string(),
  designer: z.string(),
  text: z.string(),
  terms,
  hand: handSchema,
  /** The texts as they go out. */
  editions: z.object({ us: z.string(), uk: z.string() }),
  styled: z.boolean(),
  report: reportSchema,
  sentences: z.array(z.string()),
  rules: z.record(z.string(), z.enum(['error', 'warning', 'hint', 'off'])),
  aside: z.array(z.tuple([z.string(), z.string()])),
  trusted: z.array(z.tuple([z.string(), z.string()])),
  queries: z.array(
    z.object({ number: z.int(), where: z.string(), text: z.string(), answer: z.string(), state: z.string() }),
  ),
  checklist: z.array(checklistLineSchema),
  photographs: z.array(z.int()),
  drafts: z.array(z.object({ number: z.int(), file: z.string() })),
});
export type Frozen = z.infer<typeof frozenSchema>;

/** A photograph, without its bytes. */
export const photographSchema = z.object({
  id: z.int(),
  alt: z.string(),
  width: z.int(),
  height: z.int(),
});
export type Photograph = z.infer<typeof photographSchema>;
/** A photograph that has come in, and whether it came larger than it is kept. */
export const photographAddedSchema = z.extend(photographSchema, { smaller: z.boolean() });
export type PhotographAdded = z.infer<typeof photographAddedSchema>;
export const altSchema = z.object({ alt: z.string().check(z.trim(), z.maxLength(300)) });

/** The words of an erratum in both terms; the same in both where nothing differs. */
export const erratumWordsSchema = z.object({
  us: z.object({ wrong: z.string(), right: z.string() }),
  uk: z.object({ wrong: z.string(), right: z.string() }),
});

/** A mistake as it is entered: what a line of a version has to say instead. */
export const erratumAskedSchema = z.object({
  version: versionNumberSchema,
  line: z.int().check(z.gte(1)),
  right: z.string().check(z.trim(), z.minLength(1, 'Say how the line has to read.'), z.maxLength(4000)),
  note: words,
  source: name,
});
export type ErratumAsked = z.infer<typeof erratumAskedSchema>;

const figures = z.object({ made: z.nullable(z.int()), stated: z.nullable(z.int()), verdict: z.string() });
/** What comes of a correction: the round before and after it, and how many rounds of the version are off. */
export const erratumTriedSchema = z.object({
  part: z.string(),
  round: z.string(),
  before: z.nullable(figures),
  after: z.nullable(figures),
  offBefore: z.int(),
  offAfter: z.int(),
  words: erratumWordsSchema,
});
export type ErratumTried = z.infer<typeof erratumTriedSchema>;

/** An erratum that is kept. */
export const erratumKeptSchema = z.object({
  number: z.int(),
  version: z.string(),
  line: z.int(),
  part: z.string(),
  round: z.string(),
  words: erratumWordsSchema,
  count: z.nullable(z.int()),
  note: z.string(),
  source: z.string(),
  takenIn: z.string(),
  at: momentSchema,
});
export type ErratumKept = z.infer<typeof erratumKeptSchema>;

/** How a pattern stands before its release. */
export interface Readiness {
  readonly checklist: readonly ChecklistLine[];
  /** What has changed since the last version, and the number that goes with it. */
  readonly since: Since;
  readonly proposed: string;
  /** How either text is laid out anew, a sentence each. */
  readonly anew: readonly string[];
  readonly revision: number;
}

/** Which version a file that was dropped belongs to. */
export const knownSchema = z.object({ hash: z.string().check(z.regex(/^[0-9a-f]{64}$/)) });
export const knownAnswerSchema = z.object({ found: z.nullable(z.object({ version: z.string(), what: z.string() })) });

/** A text that is not signed yet, as it would go out. */
export const draftAskedSchema = z.extend(layoutSchema, { terms, styled: z._default(z.enum(['yes', 'no']), 'no') });
export const errataAskedSchema = z.extend(layoutSchema, { terms });

/** The text of a version in its own terms, and where its rounds stand; lines from 1. */
export const versionTextSchema = z.object({
  terms,
  text: z.string(),
  rounds: z.array(z.object({ place: z.string(), line: z.int() })),
});
export type VersionText = z.infer<typeof versionTextSchema>;
