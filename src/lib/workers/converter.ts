import { releaseProxy, wrap, type Remote } from 'comlink';
import { conversionSchema, evidenceSchema, type Conversion, type TermsEvidence } from '../../core/index.js';
import type { AskedConversion, CheckWorker } from './check.worker.js';

/** Converts texts in a worker; of several questions in a row only the last is answered. */
export class Converter {
  readonly #worker = new Worker(new URL('./check.worker.ts', import.meta.url), { type: 'module' });
  readonly #remote: Remote<CheckWorker> = wrap<CheckWorker>(this.#worker);
  #asked = 0;

  /** @returns null where another question has come meanwhile. */
  async convert(asked: AskedConversion): Promise<Conversion | null> {
    this.#asked += 1;
    const own = this.#asked;
    const answer = conversionSchema.parse(await this.#remote.convert(asked));
    return own === this.#asked ? answer : null;
  }

  /** Which vocabulary a text is in, and what tells so. */
  async evidence(text: string): Promise<TermsEvidence> {
    return evidenceSchema.parse(await this.#remote.evidence(text));
  }

  close(): void {
    this.#remote[releaseProxy]();
    this.#worker.terminate();
  }
}
