import { releaseProxy, wrap, type Remote } from 'comlink';
import * as z from 'zod/mini';
import {
  accountSchema,
  hookSlipSchema,
  reportSchema,
  styledSchema,
  type CheckOptions,
  type HookSlip,
  type Report,
  type RoundAccount,
  type Styled,
} from '../../core/index.js';
import type { CheckWorker, EarlierRound } from './check.worker.js';

/** Wait after a check before fixes are searched for; milliseconds. */
const PAUSE = 150;

const slipsSchema = z.array(hookSlipSchema);
const earlierSchema = z.array(z.object({ part: z.string(), label: z.string(), words: z.string() }));

/**
 * Checks texts in a worker, one at a time. While one is being checked only the newest of those that
 * came after it is kept: what nobody sees any more is never checked. A report with errors is told again
 * after a pause, with the fixes that were found for it.
 */
export class Checker {
  readonly #worker: Worker;
  readonly #remote: Remote<CheckWorker>;
  readonly #told: (report: Report, text: string) => void;
  readonly #options: CheckOptions;
  #waiting: { text: string; name: string } | null = null;
  #busy = false;
  #fixing: ReturnType<typeof setTimeout> | undefined;

  /** @param options the vocabulary that has been settled for the pattern, and how its rules are set. */
  constructor(told: (report: Report, text: string) => void, options: CheckOptions) {
    this.#options = options;
    this.#worker = new Worker(new URL('./check.worker.ts', import.meta.url), { type: 'module' });
    this.#remote = wrap<CheckWorker>(this.#worker);
    this.#told = told;
  }

  check(text: string, name: string): void {
    this.#waiting = { text, name };
    if (!this.#busy) void this.#run();
  }

  /** How the figures of a round of the text that was checked last come about. */
  async account(round: number): Promise<RoundAccount | null> {
    return z.nullable(accountSchema).parse(await this.#remote.account(round));
  }

  /** Which slips of the maker explain another count on the hook. */
  async slips(round: number, onHook: number): Promise<HookSlip[]> {
    return slipsSchema.parse(await this.#remote.slips({ round, onHook }));
  }

  /** A text in house style, proved to alter no count. */
  async inStyle(text: string): Promise<Styled> {
    const { terms, style } = this.#options;
    return styledSchema.parse(await this.#remote.inStyle({ text, terms, style: { ...style } }));
  }

  /** The rounds of an earlier text, with their words. */
  async earlier(text: string): Promise<EarlierRound[]> {
    return earlierSchema.parse(await this.#remote.earlier(text));
  }

  close(): void {
    clearTimeout(this.#fixing);
    this.#remote[releaseProxy]();
    this.#worker.terminate();
  }

  async #run(): Promise<void> {
    this.#busy = true;
    clearTimeout(this.#fixing);
    for (let asked = this.#next(); asked; asked = this.#next()) {
      const report = reportSchema.parse(
        await this.#remote.check({
          ...asked,
          terms: this.#options.terms,
          rules: { ...this.#options.rules },
          style: { ...this.#options.style },
        }),
      );
      this.#told(report, asked.text);
      clearTimeout(this.#fixing);
      const { text } = asked;
      if (report.findings.some(({ severity }) => severity === 'error'))
        this.#fixing = setTimeout(() => void this.#fix(text), PAUSE);
    }
    this.#busy = false;
  }

  /** The search for fixes waits for a pause, so that it never holds up a verdict. */
  async #fix(text: string): Promise<void> {
    if (this.#busy) return;
    const fixed = z.nullable(reportSchema).parse(await this.#remote.fixed());
    if (fixed && !this.#isBusy()) this.#told(fixed, text);
  }

  /** Asked anew after each wait: another check may have begun meanwhile. */
  #isBusy(): boolean {
    return this.#busy;
  }

  #next(): { text: string; name: string } | null {
    const asked = this.#waiting;
    this.#waiting = null;
    return asked;
  }
}
