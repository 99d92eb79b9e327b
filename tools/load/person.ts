/** Works as long as it goes on. */
export type Person = (going: () => boolean) => Promise<void>;

/** How long answers took, and what they were. */
export class Asked {
  readonly #times = new Map<string, number[]>();
  /** Answers that are none of those that are expected, by kind and status; 0 where none came. */
  readonly wrong = new Map<string, number>();

  /** @param milliseconds until the whole answer was there */
  add(kind: string, milliseconds: number, status: number): void {
    // That somebody else has changed a text is no error: one goes on from there.
    if (status >= 200 && status < 400) this.#times.set(kind, [...(this.#times.get(kind) ?? []), milliseconds]);
    else if (status !== 409) this.wrong.set(`${kind}: ${status}`, (this.wrong.get(`${kind}: ${status}`) ?? 0) + 1);
  }

  get kinds(): readonly string[] {
    return [...this.#times.keys()];
  }

  /** How many were answered. */
  count(kind?: string): number {
    return this.#of(kind).length;
  }

  /** The time that a share of the answers did not exceed; milliseconds. */
  within(share: number, kind?: string): number {
    const sorted = this.#of(kind).toSorted((a, b) => a - b);
    return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? 0;
  }

  #of(kind?: string): readonly number[] {
    return kind === undefined ? [...this.#times.values()].flat() : (this.#times.get(kind) ?? []);
  }
}
