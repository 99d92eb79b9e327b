import { expose } from 'comlink';
import * as z from 'zod/mini';
import { checkPattern, type Checked, type HookSlip, type Report, type RoundAccount } from '../../core/index.js';

const askSchema = z.object({ text: z.string(), name: z.string() });
const roundSchema = z.int().check(z.gte(0));
const countSchema = z.int().check(z.gte(0), z.lte(100_000));

/** A round as it stood in an earlier text. */
export interface EarlierRound {
  readonly part: string;
  readonly label: string;
  readonly words: string;
}

/** What the page may ask of the worker. Accounts and slips are those of the text that was checked last. */
export interface CheckWorker {
  check(asked: { text: string; name: string }): Report;
  fixed(): Report | null;
  account(round: number): RoundAccount | null;
  slips(asked: { round: number; onHook: number }): HookSlip[];
  earlier(text: string): EarlierRound[];
}

let last: Checked | null = null;

const worker: CheckWorker = {
  check(asked) {
    const { text, name } = askSchema.parse(asked);
    last = checkPattern(text, name);
    return last.report;
  },
  fixed: () => last?.fixed() ?? null,
  account: (round) => last?.account(roundSchema.parse(round)) ?? null,
  slips: ({ round, onHook }) => last?.slips(roundSchema.parse(round), countSchema.parse(onHook)) ?? [],
  earlier(text) {
    const lines = z.string().parse(text).split('\n');
    return checkPattern(text, '').report.parts.flatMap(({ name, rounds }) =>
      rounds.map(({ label, line, endLine }) => ({
        part: name,
        label,
        words: lines
          .slice(line - 1, endLine)
          .join('\n')
          .trim(),
      })),
    );
  },
};

expose(worker);
