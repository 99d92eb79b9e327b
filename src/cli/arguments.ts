import { parseArgs } from 'node:util';
import * as z from 'zod/mini';
import { REASONS, type Reason } from '../lib/server/backups/copies.js';
import { FORMS, type Form } from '../lib/server/publishing/form.js';

/** The call can't be carried out as written; the message is one plain line. */
export class CallError extends Error {}

/** A name that may be left out. */
const named = (says: string) => z.optional(z.string().check(z.minLength(1, says)));

const checkSchema = z.object({
  format: z._default(z.enum(['text', 'json'], '--format takes "text" or "json".'), 'text'),
  terms: z._default(z.enum(['us', 'uk', 'auto'], '--terms takes "us", "uk" or "auto".'), 'auto'),
  'fail-on': z._default(
    z.enum(['error', 'warning', 'never'], '--fail-on takes "error", "warning" or "never".'),
    'error',
  ),
  explain: z._default(z.boolean(), false),
  hand: named('--hand takes the name of a file.'),
  'hand-out': named('--hand-out takes the name of a file.'),
});

export interface CheckCall {
  readonly files: readonly string[];
  readonly format: 'text' | 'json';
  readonly terms: 'us' | 'uk' | 'auto';
  readonly failOn: 'error' | 'warning' | 'never';
  /** Whether each round is told in plain words below its figures. */
  readonly explain: boolean;
  /** A file that says what the words of this hand mean, and one for what was worked out. */
  readonly hand: string | undefined;
  readonly handOut: string | undefined;
}

const convertSchema = z.object({
  to: z.enum(['us', 'uk'], 'Say into which terms: --to us or --to uk.'),
  from: z._default(z.enum(['us', 'uk', 'auto'], '--from takes "us", "uk" or "auto".'), 'auto'),
  out: named('--out takes the name of a file.'),
  report: z._default(z.boolean(), false),
  hooks: z._default(z.boolean(), false),
  weights: z._default(z.boolean(), false),
  spelling: z._default(z.boolean(), false),
});

export interface ConvertCall {
  readonly file: string;
  readonly to: 'us' | 'uk';
  readonly from: 'us' | 'uk' | 'auto';
  /** Where the result goes; standard output without it. */
  readonly out: string | undefined;
  /** Whether what was changed is told on standard error, as JSON. */
  readonly report: boolean;
  readonly hooks: boolean;
  readonly weights: boolean;
  readonly spelling: boolean;
}

/** "us,uk": each of them known, and named once. */
const listOf = <Word extends string>(words: readonly Word[], says: string) =>
  z.pipe(
    z.pipe(
      z.string(says),
      z.transform((list: string) => list.split(',').map((word) => word.trim().toLowerCase())),
    ),
    z.pipe(
      z.array(z.enum(words, says)),
      z.transform((all: Word[]) => [...new Set(all)]),
    ),
  );

const laidOut = {
  out: z._default(z.string().check(z.minLength(1, '--out takes the name of a folder.')), '.'),
  sheet: z._default(z.enum(['a4', 'letter'], '--sheet takes "a4" or "letter".'), 'a4'),
  print: z._default(z.enum(['normal', 'large'], '--print takes "normal" or "large".'), 'normal'),
  date: z.optional(z.iso.date('--date takes a day as YYYY-MM-DD.')),
};
const publishSchema = z.object({
  ...laidOut,
  to: listOf(['us', 'uk'], 'Say in which terms: --to us,uk'),
  as: listOf(FORMS, `Say in which forms: --as ${FORMS.join(',')}`),
});
const reportSchema = z.object({ ...laidOut, as: listOf(['pdf', 'html'], 'Say in which forms: --as pdf,html') });

/** How files are laid out, and where they go. */
export interface LayoutCall {
  readonly file: string;
  readonly as: readonly Form[];
  /** A folder. */
  readonly out: string;
  readonly sheet: 'a4' | 'letter';
  readonly print: 'normal' | 'large';
  /** The day that is written into them; that of the file without it. */
  readonly date: string | undefined;
}

export interface PublishCall extends LayoutCall {
  readonly to: readonly ('us' | 'uk')[];
}

export const USAGE = `dostik check FILE… [--format text|json] [--terms us|uk|auto] [--fail-on error|warning|never]
             [--explain] [--hand FILE.json] [--hand-out FILE.json]
dostik convert FILE --to us|uk [--out FILE] [--report] [--from us|uk|auto]
               [--hooks] [--weights] [--spelling]
dostik publish FILE --to us,uk --as pdf,docx,md,html,txt [--out DIR] [--sheet a4|letter]
               [--print normal|large] [--date YYYY-MM-DD]
dostik report FILE --as pdf,html [--out DIR] [--sheet a4|letter] [--print normal|large] [--date YYYY-MM-DD]
dostik backup [--database FILE] [--files DIR] [--to DIR] [--keep N]
dostik restore BACKUP [--database FILE] [--files DIR]

check recounts every round of written crochet patterns and says what is wrong; with --explain also
how each figure comes about, in plain words. --hand reads what words of this hand mean that the text
explains nowhere, as { "words": { "bump": "increase" } }; --hand-out writes it, with what was worked
out from the counts. convert writes a pattern in the other terms, and reads
the result again to prove that no count has changed; with --report it tells on standard error, as
JSON, what it changed. --hooks, --weights and --spelling convert those as well. publish lays a
pattern out in either terms, as files named FILE.us.pdf and so on; each is read again, and its
counts must come out the same. report writes what was checked, each round with its sum. The day
that is written into files is that of FILE: the same text makes the same bytes. FILE may be - for
standard input. backup copies the database and the files that go with it while they are worked with,
and tries the copies by reading them; restore puts a backup in its place, keeps what stood there, and
brings back files that are gone or damaged. Stop the server before you restore. Ends with 0 where
nothing was found, 1 where something was, or a conversion could not be made or proved, 2 where the
call or a file could not be read.
`;

const database = named('--database takes the name of a file.');
const files = named('--files takes the name of a folder.');
const backupSchema = z.object({
  database,
  files,
  to: named('--to takes the name of a folder.'),
  keep: z._default(
    z.coerce
      .number('--keep takes a number.')
      .check(z.multipleOf(1, '--keep takes a number.'), z.gte(1, '--keep takes 1 or more.')),
    14,
  ),
  why: z._default(z.enum(REASONS, '--why takes "daily", "update" or "asked".'), 'asked'),
});

/** The database is that of the environment, where none is named. */
export interface BackupCall {
  readonly database: string | undefined;
  /** The folder of the files that go with it; that beside the database without it. */
  readonly files: string | undefined;
  /** A folder; that beside the database without it. */
  readonly to: string | undefined;
  readonly keep: number;
  readonly why: Reason;
}

/** Reads the words after "dostik backup". @throws CallError */
export function backupCall(words: readonly string[]): BackupCall {
  const { values, positionals } = parsedWords(words, {
    database: { type: 'string' },
    files: { type: 'string' },
    to: { type: 'string' },
    keep: { type: 'string' },
    why: { type: 'string' },
  });
  const options = backupSchema.safeParse(values);
  if (!options.success) throw new CallError(options.error.issues[0]?.message ?? 'An option could not be read.');
  if (positionals.length > 0) throw new CallError('backup takes no file: --database names the database.');
  return { ...options.data, database: options.data.database, files: options.data.files, to: options.data.to };
}

export interface RestoreCall {
  readonly backup: string;
  readonly database: string | undefined;
  readonly files: string | undefined;
}

/** Reads the words after "dostik restore". @throws CallError */
export function restoreCall(words: readonly string[]): RestoreCall {
  const { values, positionals } = parsedWords(words, { database: { type: 'string' }, files: { type: 'string' } });
  const options = z.object({ database, files }).safeParse(values);
  if (!options.success) throw new CallError(options.error.issues[0]?.message ?? 'An option could not be read.');
  const [backup, ...more] = positionals;
  if (backup === undefined || more.length > 0) throw new CallError('Name one backup to restore.');
  return { backup, database: options.data.database, files: options.data.files };
}

/** Reads the words after "dostik convert". @throws CallError */
export function convertCall(words: readonly string[]): ConvertCall {
  const { values, positionals } = parsedWords(words, {
    to: { type: 'string' },
    from: { type: 'string' },
    out: { type: 'string' },
    report: { type: 'boolean' },
    hooks: { type: 'boolean' },
    weights: { type: 'boolean' },
    spelling: { type: 'boolean' },
  });
  const options = convertSchema.safeParse(values);
  if (!options.success) throw new CallError(options.error.issues[0]?.message ?? 'An option could not be read.');
  const [file, ...more] = positionals;
  if (file === undefined || more.length > 0) throw new CallError('Name one file to convert, or - for standard input.');
  return { file, ...options.data, out: options.data.out };
}

/** Reads the words after "dostik publish". @throws CallError */
export function publishCall(words: readonly string[]): PublishCall {
  return layoutCall(words, publishSchema, { to: { type: 'string' } });
}

/** Reads the words after "dostik report". @throws CallError */
export function reportCall(words: readonly string[]): LayoutCall {
  return layoutCall(words, reportSchema, {});
}

function layoutCall<Values extends { date?: string | undefined }>(
  words: readonly string[],
  schema: z.ZodMiniType<Values>,
  more: NonNullable<Parameters<typeof parseArgs>[0]>['options'],
): Values & { file: string; date: string | undefined } {
  const option = { type: 'string' } as const;
  const { values, positionals } = parsedWords(words, {
    as: option,
    out: option,
    sheet: option,
    print: option,
    date: option,
    ...more,
  });
  const options = schema.safeParse(values);
  if (!options.success) throw new CallError(options.error.issues[0]?.message ?? 'An option could not be read.');
  const [file, ...others] = positionals;
  if (file === undefined || others.length > 0) throw new CallError('Name one file, or - for standard input.');
  return { file, ...options.data, date: options.data.date };
}

/** Reads the words after "dostik check". @throws CallError */
export function checkCall(words: readonly string[]): CheckCall {
  const parsed = parsedWords(words, {
    format: { type: 'string' },
    terms: { type: 'string' },
    'fail-on': { type: 'string' },
    explain: { type: 'boolean' },
    hand: { type: 'string' },
    'hand-out': { type: 'string' },
  });
  const options = checkSchema.safeParse(parsed.values);
  if (!options.success) throw new CallError(options.error.issues[0]?.message ?? 'An option could not be read.');
  if (parsed.positionals.length === 0) throw new CallError('Name a file to check, or - for standard input.');
  const handOut = options.data['hand-out'];
  if (handOut !== undefined && parsed.positionals.length > 1)
    throw new CallError('--hand-out writes what one pattern means: name one file to check.');
  return {
    files: parsed.positionals,
    format: options.data.format,
    terms: options.data.terms,
    failOn: options.data['fail-on'],
    explain: options.data.explain,
    hand: options.data.hand,
    handOut,
  };
}

/** Options and files of a call. @throws CallError where an option is not known, or lacks its value. */
function parsedWords(words: readonly string[], options: NonNullable<Parameters<typeof parseArgs>[0]>['options']) {
  try {
    return parseArgs({ args: [...words], allowPositionals: true, options });
  } catch (error) {
    throw new CallError(error instanceof Error ? (error.message.split('\n')[0] ?? '') : String(error));
  }
}
