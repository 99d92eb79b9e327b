import { SvelteSet } from 'svelte/reactivity';

/** Which rows of a list are selected, and which one the keys are at. */
export class Several {
  readonly ids = new SvelteSet<string>();
  /** The row that the keys are at; null before the first of them is pressed. */
  at = $state<string | null>(null);
  readonly #rows: () => readonly string[];

  /** @param rows the ids of the rows that are shown, in their order; empty for one that has not come yet. */
  constructor(rows: () => readonly string[]) {
    this.#rows = rows;
  }

  /** The selected rows that are shown: nothing is done to one that is out of sight. */
  get chosen(): readonly string[] {
    return this.#rows().filter((id) => this.ids.has(id));
  }

  toggle(id: string): void {
    if (!this.ids.delete(id)) this.ids.add(id);
  }

  /** Selects the row that the keys are at, or lets it go. */
  toggleHere(): void {
    if (this.at !== null) this.toggle(this.at);
  }

  /** Selects all rows that are shown; where all of them are, none. */
  toggleAll(): void {
    const rows = this.#rows();
    const all = this.chosen.length === rows.length;
    for (const id of rows)
      if (all) this.ids.delete(id);
      else this.ids.add(id);
  }

  clear(): void {
    this.ids.clear();
  }

  /** The number of the row after this one, or before it, among those shown; it may lead out of them. */
  after(by: 1 | -1): number {
    const rows = this.#rows();
    const here = this.at === null ? -1 : rows.indexOf(this.at);
    return here < 0 ? (by > 0 ? 0 : rows.length - 1) : here + by;
  }

  /** Goes to the row after this one, or before it. @returns its number among those shown; null where there is none. */
  step(by: 1 | -1): number | null {
    const next = this.after(by);
    const id = this.#rows()[next];
    if (!id) return null;
    this.at = id;
    return next;
  }
}
