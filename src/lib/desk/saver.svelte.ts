import { current, saveText, Trouble } from '../client.js';
import type { StoredPattern } from '../patterns.js';
import { dropDraft, keepDraft } from './draft.js';

export type SaveState =
  | { readonly kind: 'saved' }
  | { readonly kind: 'pending' }
  | { readonly kind: 'saving' }
  | { readonly kind: 'failed'; readonly why: string; readonly kept: boolean; readonly again: boolean }
  | { readonly kind: 'conflict'; readonly theirs: StoredPattern };

/** Wait after the last keystroke before a save, and before a failed one is tried again; milliseconds. */
const PAUSE = 500;
const FIRST_RETRY = 1000;
const LONGEST_RETRY = 15_000;

/**
 * Saves a text as it is typed. What has not reached the server is kept in the browser as well, so
 * that a killed server or a closed window loses nothing. A save that finds another one before it
 * stops and asks; nothing is overwritten unseen.
 */
export class Saver {
  state = $state<SaveState>({ kind: 'saved' });
  readonly #id: string;
  #base: number;
  #saved: string;
  #text: string;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #retry = FIRST_RETRY;
  #busy = false;

  constructor(pattern: StoredPattern) {
    this.#id = pattern.id;
    this.#base = pattern.revision;
    this.#saved = pattern.text;
    this.#text = pattern.text;
  }

  /** Nothing is waiting to be saved. */
  get clean(): boolean {
    return this.#text === this.#saved;
  }

  changed(text: string): void {
    this.#text = text;
    if (this.state.kind === 'conflict') {
      keepDraft(this.#id, { text, base: this.#base });
      return;
    }
    const kept = keepDraft(this.#id, { text, base: this.#base });
    if (this.state.kind === 'failed') this.state = { ...this.state, kept };
    else if (!this.#busy) this.state = { kind: 'pending' };
    this.#plan(this.state.kind === 'failed' ? this.#retry : PAUSE);
  }

  /** Saves at once what is waiting. */
  async flush(): Promise<void> {
    clearTimeout(this.#timer);
    if (this.#busy || this.state.kind === 'conflict') return;
    if (this.clean) {
      dropDraft(this.#id);
      this.state = { kind: 'saved' };
      return;
    }
    this.#busy = true;
    if (this.state.kind !== 'failed') this.state = { kind: 'saving' };
    const text = this.#text;
    try {
      const answer = await saveText(this.#id, text, this.#base);
      this.#busy = false;
      if ('current' in answer) {
        this.state = { kind: 'conflict', theirs: answer.current };
        return;
      }
      this.#settled(text, answer.revision);
    } catch (error) {
      this.#busy = false;
      const why = error instanceof Trouble ? error.message : 'The answer could not be read.';
      const again = !(error instanceof Trouble) || error.again;
      this.state = { kind: 'failed', why, kept: keepDraft(this.#id, { text: this.#text, base: this.#base }), again };
      this.#retry = Math.min(this.#retry * 2, LONGEST_RETRY);
      if (again) this.#plan(this.#retry);
    }
  }

  /** Goes on from another revision, after a conflict has been settled or another window has saved. */
  rebase(pattern: StoredPattern): void {
    this.#base = pattern.revision;
    this.#saved = pattern.text;
    this.state = this.clean ? { kind: 'saved' } : { kind: 'pending' };
    if (this.clean) dropDraft(this.#id);
  }

  /** What another window has saved since; null where nothing has, or something waits here. */
  async newer(): Promise<StoredPattern | null> {
    if (!this.clean || this.#busy) return null;
    const base = this.#base;
    const pattern = await current(this.#id);
    // Something may have been typed or saved here while the answer was on its way.
    const still = this.#text === this.#saved && this.#base === base;
    return still && pattern.revision > base ? pattern : null;
  }

  close(): void {
    clearTimeout(this.#timer);
  }

  #settled(text: string, revision: number): void {
    this.#base = revision;
    this.#saved = text;
    this.#retry = FIRST_RETRY;
    if (this.clean) {
      dropDraft(this.#id);
      this.state = { kind: 'saved' };
    } else {
      keepDraft(this.#id, { text: this.#text, base: revision });
      this.state = { kind: 'pending' };
      this.#plan(PAUSE);
    }
  }

  #plan(wait: number): void {
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.flush(), wait);
  }
}
