import { parseArgs } from 'node:util';
import * as z from 'zod';

/** The call can't be carried out as written; the message is one plain line. */
export class CallError extends Error {}

const checkSchema = z.object({
  format: z.enum(['text', 'json'], '--format takes "text" or "json".').default('text'),
  terms: z.enum(['us', 'uk', 'auto'], '--terms takes "us", "uk" or "auto".').default('auto'),
  'fail-on': z.enum(['error', 'warning', 'never'], '--fail-on takes "error", "warning" or "never".').default('error'),
  explain: z.boolean().default(false),
});

export interface CheckCall {
  readonly files: readonly string[];
  readonly format: 'text' | 'json';
  readonly terms: 'us' | 'uk' | 'auto';
  readonly failOn: 'error' | 'warning' | 'never';
  /** Whether each round is told in plain words below its figures. */
  readonly explain: boolean;
}

export const USAGE = `dostik check FILE… [--format text|json] [--terms us|uk|auto] [--fail-on error|warning|never]
             [--explain]

Recounts every round of written crochet patterns and says what is wrong; with --explain also how
each figure comes about, in plain words. FILE may be - for standard input. Ends with 0 where nothing was found, 1 where something was, 2 where the call or a
file could not be read.
`;

/** Reads the words after "dostik check". @throws CallError */
export function checkCall(words: readonly string[]): CheckCall {
  let parsed;
  try {
    parsed = parseArgs({
      args: [...words],
      allowPositionals: true,
      options: {
        format: { type: 'string' },
        terms: { type: 'string' },
        'fail-on': { type: 'string' },
        explain: { type: 'boolean' },
      },
    });
  } catch (error) {
    throw new CallError(error instanceof Error ? (error.message.split('\n')[0] ?? '') : String(error));
  }
  const options = checkSchema.safeParse(parsed.values);
  if (!options.success) throw new CallError(options.error.issues[0]?.message ?? 'An option could not be read.');
  if (parsed.positionals.length === 0) throw new CallError('Name a file to check, or - for standard input.');
  return {
    files: parsed.positionals,
    format: options.data.format,
    terms: options.data.terms,
    failOn: options.data['fail-on'],
    explain: options.data.explain,
  };
}
