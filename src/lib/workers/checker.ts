import { releaseProxy, wrap, type Remote } from 'comlink';
import { reportSchema, type Report } from '../../core/index.js';
import type { CheckWorker } from './check.worker.js';

/**
 * Checks texts in a worker, one at a time. While one is being checked only the newest of those that
 * came after it is kept: what nobody sees any more is never checked.
 */
export class Checker {
  readonly #worker: Worker;
  readonly #remote: Remote<CheckWorker>;
  readonly #told: (report: Report, text: string) => void;
  #waiting: { text: string; name: string } | null = null;
  #busy = false;

  constructor(told: (report: Report, text: string) => void) {
    this.#worker = new Worker(new URL('./check.worker.ts', import.meta.url), { type: 'module' });
    this.#remote = wrap<CheckWorker>(this.#worker);
    this.#told = told;
  }

  check(text: string, name: string): void {
    this.#waiting = { text, name };
    if (!this.#busy) void this.#run();
  }

  close(): void {
    this.#remote[releaseProxy]();
    this.#worker.terminate();
  }

  async #run(): Promise<void> {
    this.#busy = true;
    while (this.#waiting) {
      const asked = this.#waiting;
      this.#waiting = null;
      this.#told(reportSchema.parse(await this.#remote.check(asked)), asked.text);
    }
    this.#busy = false;
  }
}
