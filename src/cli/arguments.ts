import { parseArgs } from 'node:util';
import * as z from 'zod';

/** The call can't be carried out as written; the message is one plain line. */
export class CallError extends Error {}

const checkSchema = z.object({
  format: z.enum(['text', 'json'], '--format takes "text" or "json".').default('text'),
  terms: z.enum(['us', 'uk', 'auto'], '--terms takes "us", "uk" or "auto".').default('auto'),
  'fail-on': z.enum(['error', 'warning', 'never'], '--fail-on takes "error", "warning" or "never".').default('error'),
  explain: z.boolean().default(false),
  hand: z.string().min(1, '--hand takes the name of a file.').optional(),
  'hand-out': z.string().min(1, '--hand-out takes the name of a file.').optional(),
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
  from: z.enum(['us', 'uk', 'auto'], '--from takes "us", "uk" or "auto".').default('auto'),
  out: z.string().min(1, '--out takes the name of a file.').optional(),
  report: z.boolean().default(false),
  hooks: z.boolean().default(false),
  weights: z.boolean().default(false),
  spelling: z.boolean().default(false),
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

export const USAGE = `dostik check FILE… [--format text|json] [--terms us|uk|auto] [--fail-on error|warning|never]
             [--explain] [--hand FILE.json] [--hand-out FILE.json]
dostik convert FILE --to us|uk [--out FILE] [--report] [--from us|uk|auto]
               [--hooks] [--weights] [--spelling]

check recounts every round of written crochet patterns and says what is wrong; with --explain also
how each figure comes about, in plain words. --hand reads what words of this hand mean that the text
explains nowhere, as { "words": { "bump": "increase" } }; --hand-out writes it, with what was worked
out from the counts. convert writes a pattern in the other terms, and reads
the result again to prove that no count has changed; with --report it tells on standard error, as
JSON, what it changed. --hooks, --weights and --spelling convert those as well. FILE may be - for
standard input. Ends with 0 where nothing was found, 1 where something was, or a conversion could
not be made or proved, 2 where the call or a file could not be read.
`;

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
