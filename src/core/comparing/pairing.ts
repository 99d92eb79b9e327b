import type { Unit } from './units.js';

/** Which unit of the later draft was which of the earlier one. A range that was drawn together is one of several. */
export class Pairing {
  readonly #was = new Map<Unit, Unit>();
  readonly #became = new Map<Unit, Unit>();

  was(after: Unit): Unit | null {
    return this.#was.get(after) ?? null;
  }

  became(before: Unit): Unit | null {
    return this.#became.get(before) ?? null;
  }

  /** Pairs two units, and parts those that they were paired with. */
  put(before: Unit, after: Unit): void {
    this.part(after);
    const became = this.became(before);
    if (became) this.#was.delete(became);
    this.#was.set(after, before);
    this.#became.set(before, after);
  }

  /** Pairs a unit with one that goes on being paired with others too. */
  share(before: Unit, after: Unit): void {
    this.#was.set(after, before);
    if (!this.#became.has(before)) this.#became.set(before, after);
  }

  /** Takes a unit of the later draft out of its pair. */
  part(after: Unit): void {
    const was = this.was(after);
    if (was && this.became(was) === after) this.#became.delete(was);
    this.#was.delete(after);
  }
}
