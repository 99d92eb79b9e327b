/** It is looked so often whether the server can write again; milliseconds. */
const AGAIN = 5000;

/** Whether the server can keep what is done: what stands on its pages can be read all the same. */
export class Keeps {
  /** Why it can't, as a sentence; null where it can. */
  trouble = $state<string | null>(null);
  readonly #look: () => Promise<string | null>;
  #timer: ReturnType<typeof setTimeout> | undefined;

  /** @param look asks the server for its trouble; fails where it does not answer */
  constructor(look: () => Promise<string | null> = asked) {
    this.#look = look;
  }

  /** The server has said that it can't; it is asked until it can. */
  cannot(trouble: string): void {
    this.trouble = trouble;
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.look(), AGAIN);
  }

  /** Something was kept. */
  can(): void {
    clearTimeout(this.#timer);
    this.trouble = null;
  }

  /** Asks now. */
  async look(): Promise<void> {
    // A server that does not answer has said nothing new.
    const trouble = await this.#look().catch(() => this.trouble);
    if (trouble === null) this.can();
    else this.cannot(trouble);
  }
}

async function asked(): Promise<string | null> {
  const answer = await fetch('/healthz');
  if (answer.ok) return null;
  const { message } = (await answer.json()) as { message?: unknown };
  return typeof message === 'string' ? message : 'The server can’t say why.';
}

export const keeps = new Keeps();
