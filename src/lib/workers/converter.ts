import { conversionSchema, evidenceSchema, type Conversion, type TermsEvidence } from '../../core/index.js';
import type { AskedConversion, ConvertWorker } from './convert.worker.js';
import { WatchedWorker } from './watched.js';

/** Converts texts in a worker; of several questions in a row only the last is answered. */
export class Converter {
  readonly #worker: WatchedWorker<ConvertWorker>;
  #asked = 0;

  /** @param longest so many milliseconds are waited for an answer, other than usual. */
  constructor(longest?: number) {
    this.#worker = new WatchedWorker<ConvertWorker>(startConverting, longest);
  }

  /**
   * @returns null where another question has come meanwhile.
   * @throws GaveUp, Failed
   */
  async convert(asked: AskedConversion): Promise<Conversion | null> {
    this.#asked += 1;
    const own = this.#asked;
    const answer = conversionSchema.parse(await this.#worker.ask((remote) => remote.convert(asked)));
    return own === this.#asked ? answer : null;
  }

  /** Which vocabulary a text is in, and what tells so. */
  async evidence(text: string): Promise<TermsEvidence> {
    return evidenceSchema.parse(await this.#worker.ask((remote) => remote.evidence(text)));
  }

  close(): void {
    this.#worker.close();
  }
}

function startConverting(): Worker {
  return new Worker(new URL('./convert.worker.ts', import.meta.url), { type: 'module' });
}
