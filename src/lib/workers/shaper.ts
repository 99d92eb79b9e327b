import { shapeSchema, type Shape } from '../../core/index.js';
import type { AskedShape } from './check.worker.js';
import { ON_REQUEST, WatchedWorker } from './watched.js';

/** Works out shapes in a worker; of several questions in a row only the last is answered. */
export class Shaper {
  readonly #worker = new WatchedWorker();
  #asked = 0;

  /**
   * @returns null where another question has come meanwhile.
   * @throws GaveUp, Failed
   */
  async shape(asked: AskedShape): Promise<Shape | null> {
    this.#asked += 1;
    const own = this.#asked;
    const answer = shapeSchema.parse(
      await this.#worker.ask((remote) => remote.shape(asked), { ...ON_REQUEST, patient: true }),
    );
    return own === this.#asked ? answer : null;
  }

  close(): void {
    this.#worker.close();
  }
}
