import { conversionSchema, evidenceSchema, type Conversion, type TermsEvidence } from '../../core/index.js';
import type { AskedConversion } from './check.worker.js';
import { FETCHES, WatchedWorker } from './watched.js';

/** Converts texts in a worker; of several questions in a row only the last is answered. */
export class Converter {
  readonly #worker: WatchedWorker;
  #asked = 0;

  constructor(worker = new WatchedWorker()) {
    this.#worker = worker;
  }

  /**
   * @returns null where another question has come meanwhile.
   * @throws GaveUp, Failed
   */
  async convert(asked: AskedConversion): Promise<Conversion | null> {
    this.#asked += 1;
    const own = this.#asked;
    const answer = conversionSchema.parse(await this.#worker.ask((remote) => remote.convert(asked), FETCHES));
    return own === this.#asked ? answer : null;
  }

  /** Which vocabulary a text is in, and what tells so. */
  async evidence(text: string): Promise<TermsEvidence> {
    return evidenceSchema.parse(await this.#worker.ask((remote) => remote.evidence(text), FETCHES));
  }

  close(): void {
    this.#worker.close();
  }
}
