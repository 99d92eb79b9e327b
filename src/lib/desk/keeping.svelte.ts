import { earlierText, notKept, rename, troubleIn } from '../client.js';
import type { StoredPattern } from '../patterns.js';
import type { Company } from './company.svelte.js';
import type { DeskSession } from './desk.svelte.js';
import { adoptable, drop } from './kept.js';
import type { Saver } from './saver.svelte.js';

type Say = (words: string, action?: { text: string; act: () => void }) => void;

/** How the Desk's text and the one on the server stay the same: what is left over from before, and what other windows do. */
export class Keeping {
  readonly #desk: DeskSession;
  readonly #opened: StoredPattern;
  readonly #saver: Saver;
  readonly #say: Say;
  readonly #toShelf: () => void;
  /** Who else is here; null where nobody has looked yet. */
  company: Company | null = null;

  constructor(desk: DeskSession, opened: StoredPattern, saver: Saver, say: Say, toShelf: () => void) {
    this.#desk = desk;
    this.#opened = opened;
    this.#saver = saver;
    this.#say = say;
    this.#toShelf = toShelf;
  }

  /** Goes on from what is still on its way, or from what a window that is gone had not saved. */
  begin(): void {
    this.#saver.onnewer = (newer) => this.#show(newer);
    this.#saver.onmerged = (text) => this.#desk.follow(text);
    // Where the rounds are is known of the text that was counted last, which is nearly always this one.
    this.#saver.units = () => this.#desk.rounds.map(({ round }) => [round.line - 1, round.endLine] as const);
    // What was left unsaved at this Desk is still on its way.
    if (this.#saver.text !== this.#desk.text) this.#desk.bringBack(this.#saver.text);
    if (this.#saver.clean) void this.#bringBack();
    void this.#compare();
  }

  /** Another window may have saved while this one was out of sight. */
  async lookForNewer(): Promise<void> {
    const newer = await this.#saver.newer().catch(() => null);
    if (!newer || !this.#desk.editor) return;
    this.#saver.rebase(newer);
    this.#show(newer);
  }

  /** Settles a conflict; says in words if that can't be done. */
  async settle(winner: 'mine' | 'theirs'): Promise<string> {
    try {
      const now = await this.#saver.settle(winner);
      if (now.text !== this.#desk.text) this.#desk.editor?.replace(now.text);
      this.#say('The other text is on the shelf as a copy.');
      return '';
    } catch (error) {
      return troubleIn(error);
    }
  }

  async rename(next: string): Promise<void> {
    const before = this.#desk.name;
    if (next === before) return;
    this.#desk.name = next;
    try {
      await rename(this.#desk.id, next);
    } catch (error) {
      this.#desk.name = before;
      this.#say(notKept(error));
    }
  }

  /** Shows a text that has been saved by another window, and that the saver goes on from. */
  #show(newer: StoredPattern): void {
    this.#desk.name = newer.name;
    this.#desk.follow(newer.text);
    this.#say(this.#said());
  }

  /** Who was it? Where several people are here it is not always known which. */
  #said(): string {
    const [who, ...more] = this.company?.others ?? [];
    if (!who?.who || more.length > 0) return 'Brought up to date with what another window saved.';
    return `Brought up to date with what ${who.who} saved.`;
  }

  async #compare(): Promise<void> {
    const before = await earlierText(this.#desk.id).catch(() => null);
    if (before !== null && before !== this.#opened.text) await this.#desk.compareWith(before);
  }

  async #bringBack(): Promise<void> {
    const { id, text } = this.#opened;
    const texts = await adoptable(id);
    for (const same of texts.filter((kept) => kept.text === text)) drop(id, same.window);
    const [kept, ...others] = texts.filter((one) => one.text !== text);
    if (!kept || this.#desk.text !== text || !this.#desk.editor) {
      await this.lookForNewer();
      return;
    }
    this.#saver.adopt(kept, this.#opened);
    this.#desk.bringBack(kept.text);
    if (others.length === 0) this.#say('What had not been saved yet is back.');
    else
      this.#say('What had not been saved yet is back. Another text of this pattern is kept in this browser too.', {
        text: 'See the shelf',
        act: this.#toShelf,
      });
  }
}
