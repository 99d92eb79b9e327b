import { ask, body, said } from '../client.js';
import { companySchema, type Company as Told, type Other } from '../company.js';
import { thisWindow } from '../thisWindow.js';

/** So often a window says that it is there, and looks whether others have saved; milliseconds. */
const EVERY = 4000;

/** @throws Trouble */
async function sayHere(id: string, at: string): Promise<Told> {
  return said(await ask(`/api/patterns/${id}/here`, body('POST', { window: await thisWindow(), at })), companySchema);
}

/** Who else has the pattern open that is on the Desk. */
export class Company {
  others = $state.raw<readonly Other[]>([]);
  readonly #say: typeof sayHere;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #ended = false;

  constructor(say = sayHere) {
    this.#say = say;
  }

  /**
   * Begins to say so, as long as the window can be seen.
   * @param at where one is, in words
   * @param saved is told the last revision that there is
   */
  begin(id: string, at: () => string, saved: (revision: number) => void): void {
    const look = async () => {
      clearTimeout(this.#timer);
      if (document.visibilityState === 'visible')
        try {
          const { revision, others } = await this.#say(id, at());
          if (this.#ended) return;
          this.others = others;
          saved(revision);
        } catch {
          // Saving says it where the server is gone; who else is there is not known then.
          this.others = [];
        }
      if (!this.#ended) this.#timer = setTimeout(() => void look(), EVERY);
    };
    void look();
  }

  end(): void {
    this.#ended = true;
    clearTimeout(this.#timer);
  }
}
