import { keyOf } from '../../core/index.js';
import { newerThan, saveText, settleConflict, Trouble } from '../client.js';
import type { StoredPattern } from '../patterns.js';
import { thisWindow } from '../thisWindow.js';
import { drop, keep, type KeptText } from './kept.js';
import { joined, threeWay, type Piece, type Unit } from './merging.js';

export type SaveState =
  | { readonly kind: 'saved' }
  | { readonly kind: 'pending' }
  | { readonly kind: 'saving' }
  | { readonly kind: 'failed'; readonly why: string; readonly kept: boolean; readonly again: boolean }
  /** Others have changed the same rounds; the pieces show which. Null where it is not known what both went on from. */
  | { readonly kind: 'conflict'; readonly theirs: StoredPattern; readonly pieces: readonly Piece[] | null };

/**
 * Wait after the last keystroke before a save, the longest that is gone on typing without one, and the wait before a
 * failed one is tried again; milliseconds.
 */
const PAUSE = 500;
const LONGEST_UNSAVED = 1000;
const FIRST_RETRY = 1000;
const LONGEST_RETRY = 15_000;
/** A longer text that one went on from is not kept in the browser beside what was made of it; characters. */
const LONGEST_FROM = 300_000;
/**
 * Wait before a changed text is kept in the browser. That takes as long as drawing a frame, or longer, and is written to the
 * disk later still: no key waits for it. Milliseconds.
 */
const SOON = 150;
/** So many texts that were sent without an answer are kept in mind. */
const MOST_SENT = 40;

/**
 * Saves a text as it is typed. What has not reached the server is kept in the browser as well, so
 * that a killed server or a closed window loses nothing. A save that finds another one before it takes over what that one has
 * changed at other rounds; at the same round it stops and asks, and nothing is overwritten unseen. It goes on where its Desk
 * has been left, until all is saved.
 */
export class Saver {
  state = $state<SaveState>({ kind: 'saved' });
  /** A newer text from another window, while nothing was unsaved here: to be shown instead. */
  onnewer: (pattern: StoredPattern) => void = () => undefined;
  /** The text with what others have changed in it: to be shown instead, while one goes on typing. */
  onmerged: (text: string) => void = () => undefined;
  /** The lines of each round in a text, as far as they are known. */
  units: (text: string) => readonly Unit[] = () => [];
  readonly id: string;
  #name: string;
  #base: number;
  #saved: string;
  /** The text of `#base`, with what has been taken over from others since; null where it is not known. */
  #from: string | null;
  #text: string;
  /** Keys of the texts that were sent from `#base` without an answer: one of them may have been saved. */
  #sent: readonly string[] = [];
  #window: string | null = null;
  /** When the first of the changes was typed that have not been sent yet. */
  #since: number | null = null;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #keeping: ReturnType<typeof setTimeout> | undefined;
  #retry = FIRST_RETRY;
  #running: Promise<void> | null = null;
  #left: (() => void) | null = null;

  constructor(pattern: StoredPattern) {
    this.id = pattern.id;
    this.#name = pattern.name;
    this.#base = pattern.revision;
    this.#saved = pattern.text;
    this.#from = pattern.text;
    this.#text = pattern.text;
  }

  /** Begins to keep in this browser what is not saved. */
  begin(): void {
    void thisWindow().then((name) => {
      this.#window = name;
      if (!this.clean) this.#keep();
    });
  }

  /** Nothing is waiting to be saved. */
  get clean(): boolean {
    return this.#text === this.#saved;
  }

  get text(): string {
    return this.#text;
  }

  changed(text: string): void {
    this.#text = text;
    this.#keeping ??= setTimeout(() => this.#keep(), SOON);
    if (this.state.kind === 'conflict') {
      if (this.state.pieces) this.#meet(this.state.theirs);
      return;
    }
    if (this.state.kind === 'failed') {
      // Nothing else has it while the server does not answer: then a key does wait.
      this.state = { ...this.state, kept: this.#keep() };
      // What could not go through as it was may do so now: a text that was too long has been shortened.
      if (!this.state.again) this.#plan(PAUSE);
      return;
    }
    this.#since ??= Date.now();
    if (this.#running) return;
    this.state = { kind: 'pending' };
    this.#plan(Math.max(0, Math.min(PAUSE, this.#since + LONGEST_UNSAVED - Date.now())));
  }

  /** Goes on from a text that was kept in this browser. What stands there now is known to be `pattern`. */
  adopt(kept: KeptText, pattern: StoredPattern): void {
    const reached = kept.sent.includes(keyOf(pattern.text));
    this.#base = reached ? pattern.revision : kept.base;
    this.#saved = pattern.text;
    this.#from = reached || kept.base === pattern.revision ? pattern.text : (kept.from ?? null);
    if (!reached) this.#sent = kept.sent;
    this.changed(kept.text);
    if (kept.window !== this.#window) drop(this.id, kept.window);
  }

  /** Saves at once what is waiting, and answers when that has been tried. */
  async flush(): Promise<void> {
    clearTimeout(this.#timer);
    if (this.#keeping !== undefined) this.#keep();
    if (this.#running) await this.#running;
    if (this.#running || this.state.kind === 'conflict') return;
    if (this.clean) {
      this.#settled();
      return;
    }
    this.#running = this.#send();
    await this.#running;
  }

  async #send(): Promise<void> {
    clearTimeout(this.#timer);
    this.#since = null;
    if (this.state.kind !== 'failed') this.state = { kind: 'saving' };
    const text = this.#text;
    this.#sent = [...this.#sent.slice(-MOST_SENT), keyOf(text)];
    this.#keep();
    try {
      const answer = await saveText(this.id, text, this.#base);
      this.#running = null;
      if ('revision' in answer) this.#reached(text, answer.revision);
      else this.#overtaken(text, answer.current, answer.kept);
    } catch (error) {
      this.#running = null;
      this.#failed(error);
    }
  }

  /** Settles a conflict. @throws Trouble where the server can't; both texts are where they were. */
  async settle(winner: 'mine' | 'theirs'): Promise<StoredPattern> {
    const mine = this.#text;
    const pattern = await settleConflict(this.id, mine, winner);
    // What is typed while the answer is on its way goes on from it.
    if (winner === 'theirs' && this.#text === mine) this.#text = pattern.text;
    this.state = { kind: 'saved' };
    this.#reached(pattern.text, pattern.revision);
    return pattern;
  }

  /** Goes on from another revision that was seen here, with nothing unsaved. */
  rebase(pattern: StoredPattern): void {
    this.#text = pattern.text;
    this.#reached(pattern.text, pattern.revision);
  }

  /**
   * Looks what others have saved since. Returns it where nothing waits here; otherwise what they have changed at other rounds is
   * taken over, and the rest asked about.
   */
  async newer(): Promise<StoredPattern | null> {
    if (this.#busy()) return null;
    const base = this.#base;
    const pattern = await newerThan(this.id, this.known);
    // Something may have been saved here while the answer was on its way.
    if (!pattern || this.#busy() || this.#base !== base || pattern.revision <= this.known) return null;
    if (this.clean && this.state.kind !== 'conflict') return pattern;
    this.#overtaken(this.#text, pattern, false);
    return null;
  }

  #busy(): boolean {
    return this.#running !== null;
  }

  /** The last revision that is known here. */
  get known(): number {
    return this.state.kind === 'conflict' ? this.state.theirs.revision : this.#base;
  }

  /** Settles the clash at one round, by its place among those that are shown: with what stands here, or what they wrote. */
  settleRound(clash: number, winner: 'mine' | 'theirs'): void {
    if (this.state.kind !== 'conflict' || !this.state.pieces || this.#from === null) return;
    const { pieces, theirs } = this.state;
    const settled = pieces.filter(({ kind }) => kind === 'clash')[clash];
    if (!settled) return;
    // Mine stands where it is as if it had been written after theirs.
    if (winner === 'mine') this.#from = joined(pieces, (piece) => (piece === settled ? 'theirs' : 'base'));
    else this.#show(joined(pieces, (piece) => (piece === settled ? 'theirs' : 'mine')));
    this.#meet(theirs);
  }

  /** Goes on from what others have saved: with what they have changed at other rounds, and asks about the same ones. */
  #meet(theirs: StoredPattern): void {
    if (this.#from === null) {
      this.state = { kind: 'conflict', theirs, pieces: null };
      return;
    }
    const pieces = threeWay(this.#from, this.#text, theirs.text, this.units(this.#text));
    this.#from = joined(pieces, ({ kind }) => (kind === 'clash' ? 'base' : 'theirs'));
    const text = joined(pieces, ({ kind }) => (kind === 'theirs' ? 'theirs' : 'mine'));
    const clashing = pieces.some(({ kind }) => kind === 'clash');
    this.state = clashing ? { kind: 'conflict', theirs, pieces: withoutTheirs(pieces) } : { kind: 'pending' };
    this.#show(text);
    if (!clashing) this.#reached(theirs.text, theirs.revision);
  }

  /** Shows a text in place of the one that stands here. */
  #show(text: string): void {
    if (text === this.#text) return;
    this.#text = text;
    this.onmerged(text);
  }

  /** Its Desk is left: what is waiting is saved, however long that takes, and then `done` is called. */
  leave(done: () => void): void {
    this.#left = done;
    this.onnewer = () => undefined;
    this.onmerged = () => undefined;
    void this.flush();
  }

  /** Its Desk is opened again. */
  back(): void {
    this.#left = null;
  }

  #reached(text: string, revision: number): void {
    this.#base = revision;
    this.#saved = text;
    this.#from = text;
    this.#sent = [];
    this.#retry = FIRST_RETRY;
    if (this.clean) {
      this.#settled();
      return;
    }
    this.#keep();
    this.state = { kind: 'pending' };
    this.#since ??= Date.now();
    this.#plan(this.#left ? 0 : PAUSE);
  }

  /** Another save came before this one. It may have been an earlier one of this window, whose answer never came. */
  #overtaken(text: string, theirs: StoredPattern, kept: boolean): void {
    if (this.#sent.includes(keyOf(theirs.text))) {
      this.#reached(theirs.text, theirs.revision);
      return;
    }
    // All of this was saved, and seen by whoever went on from it.
    if (kept && this.#text === text) {
      this.rebase(theirs);
      this.onnewer(theirs);
      return;
    }
    this.#meet(theirs);
  }

  #failed(error: unknown): void {
    const why = error instanceof Trouble ? error.message : 'The answer of the server could not be read.';
    const again = !(error instanceof Trouble) || error.again;
    this.state = { kind: 'failed', why, kept: this.#keep(), again };
    this.#retry = Math.min(this.#retry * 2, LONGEST_RETRY);
    if (again) this.#plan(this.#retry);
  }

  #settled(): void {
    this.#since = null;
    this.#keepNoMore();
    if (this.#window !== null) drop(this.id, this.#window);
    this.state = { kind: 'saved' };
    this.#left?.();
  }

  /** Whether what is not saved is kept in this browser. */
  #keep(): boolean {
    this.#keepNoMore();
    // The name of this window is known a moment after the page has begun.
    if (this.#window === null) return true;
    return keep(this.id, this.#window, {
      name: this.#name,
      text: this.#text,
      base: this.#base,
      ...(this.#from !== null && this.#from.length < LONGEST_FROM ? { from: this.#from } : {}),
      sent: this.#sent,
      at: Date.now(),
    });
  }

  #keepNoMore(): void {
    clearTimeout(this.#keeping);
    this.#keeping = undefined;
  }

  #plan(wait: number): void {
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.flush(), wait);
  }
}

/** Pieces once what others have changed is taken over. */
function withoutTheirs(pieces: readonly Piece[]): readonly Piece[] {
  return pieces.map((piece) =>
    piece.kind === 'clash' ? piece : { ...piece, kind: 'same', base: piece.theirs, mine: sideOf(piece) },
  );
}

const sideOf = ({ kind, mine, theirs }: Piece) => (kind === 'theirs' ? theirs : mine);
