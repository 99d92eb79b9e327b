import * as z from 'zod/mini';
import { ask, said } from '../client.js';
import type { ShelfEntry } from '../patterns.js';
import { addressOf, type Look } from './arranging.js';
import { STRETCH, type ShelfFirst, type ShelfPage } from './page.js';

/** So many come at once where all of them are wanted. */
const MANY = 1000;

const pageSchema = z.object({ entries: z.array(z.custom<ShelfEntry>()), total: z.int() });

/** Asks the server for a stretch of the shelf. @throws Trouble */
export async function stretchOf(look: Look, from: number, most: number): Promise<ShelfPage> {
  const query = addressOf(look).slice(2);
  return said(await ask(`/api/shelf?${query}${query === '' ? '' : '&'}from=${from}&most=${most}`), pageSchema);
}

/** The shelf as far as it has been seen: what is further down is asked for when it comes into sight. */
export class Stretches {
  /** The patterns that are looked for, in their order; null where one has not come yet. */
  entries = $state.raw<readonly (ShelfEntry | null)[]>([]);
  readonly #ask: typeof stretchOf;
  #first: ShelfFirst;
  readonly #coming = new Map<number, Promise<void>>(); // eslint-disable-line svelte/prefer-svelte-reactivity -- nothing is drawn from it

  constructor(first: ShelfFirst, asking: typeof stretchOf = stretchOf) {
    this.#ask = asking;
    this.#first = first;
    this.#begin(first);
  }

  /** The shelf has come anew: what was seen of it is asked for anew too, and stands there until it has come. */
  renew(first: ShelfFirst): Promise<void> {
    if (first === this.#first) return Promise.resolve();
    const before = this.entries;
    const same = addressOf(first.look) === addressOf(this.#first.look);
    this.#first = first;
    this.#coming.clear();
    this.#begin(first);
    if (!same) return Promise.resolve();
    this.entries = this.entries.map((entry, i) => entry ?? before[i] ?? null);
    const seen = this.entries.findLastIndex((entry) => entry !== null) + 1;
    return seen > first.entries.length ? this.#get(first.entries.length, seen) : Promise.resolve();
  }

  #begin({ entries, total }: ShelfFirst): void {
    this.entries = Array.from({ length: total }, (_, i) => entries[i] ?? null);
  }

  /** Has the pattern come that stands at some place, counted from 0, with those around it. @throws Trouble */
  async have(at: number): Promise<void> {
    if (at < 0 || at >= this.entries.length || this.entries[at]) return;
    const from = Math.floor(at / STRETCH) * STRETCH;
    const coming = this.#coming.get(from) ?? this.#get(from, from + STRETCH);
    this.#coming.set(from, coming);
    await coming.finally(() => this.#coming.delete(from));
  }

  /** Has all of them come. @throws Trouble */
  async whole(): Promise<void> {
    for (let from = 0; from < this.entries.length; from += MANY) {
      const missing = this.entries.slice(from, from + MANY).includes(null);
      if (missing) await this.#get(from, from + MANY);
    }
  }

  async #get(from: number, to: number): Promise<void> {
    const first = this.#first;
    for (let at = from; at < to; at += MANY) {
      const most = Math.min(MANY, to - at);
      const { entries, total } = await this.#ask(first.look, at, most);
      // Another look has come meanwhile.
      if (first !== this.#first) return;
      this.entries = Array.from({ length: total }, (_, i) => entries[i - at] ?? this.entries[i] ?? null);
    }
  }
}
