import { takeInFile, Trouble, troubleIn, type TakenFile } from '../client.js';
import { forgetArrival, keepArrival, keptArrivals } from './arrivals.js';

/** What is asked of the server and the browser, wherever that is. */
export interface TakingIn {
  readonly send: typeof takeInFile;
  readonly keep: typeof keepArrival;
  readonly forget: typeof forgetArrival;
  readonly kept: typeof keptArrivals;
  /** A pattern is on the shelf. */
  readonly changed: () => void;
}

/** A file on its way to the shelf. */
export interface Coming {
  readonly name: string;
  readonly file: Blob;
  readonly state: 'waiting' | 'reading' | 'taken' | 'known' | 'failed' | 'cancelled';
  /** How much of it is read, from 0 to 1; null where that is not told. */
  readonly share: number | null;
  /** The pattern that it became, or came with before. */
  readonly id: string | null;
  /** It may go through at another try. */
  readonly mayGo: boolean;
  /** Why it failed, what was left out, or as what it is known. */
  readonly words: string;
}

/** Takes in files, one after the other, and says of each what came of it. */
export class Taking {
  comings = $state.raw<readonly Coming[]>([]);
  readonly busy: boolean = $derived(this.comings.some(({ state }) => state === 'waiting' || state === 'reading'));
  readonly #in: TakingIn;
  /** By the number of a file the key by which the browser keeps it. */
  readonly #keys: (number | null)[] = [];
  readonly #again = new Set<number>(); // eslint-disable-line svelte/prefer-svelte-reactivity -- nothing is drawn from it
  #stop = new AbortController();
  #running = false;

  constructor(within: Partial<TakingIn> & Pick<TakingIn, 'changed'>) {
    this.#in = { send: takeInFile, keep: keepArrival, forget: forgetArrival, kept: keptArrivals, ...within };
  }

  /** Goes on with what was dropped before the page was closed. */
  async resume(): Promise<void> {
    const kept = await this.#in.kept();
    for (const { key, name, file } of kept) this.#add(name, file, key);
    await this.#run();
  }

  /** Takes in files. */
  async take(files: readonly { readonly name: string; readonly file: Blob }[]): Promise<void> {
    for (const { name, file } of files) this.#add(name, file, await this.#in.keep(name, file));
    await this.#run();
  }

  /** Takes in a file once more that is known, or that failed. */
  async again(at: number): Promise<void> {
    this.#again.add(at);
    this.#set(at, { state: 'waiting', words: '' });
    await this.#run();
  }

  /** Takes in nothing more; what is on the shelf stays there. */
  cancel(): void {
    this.#stop.abort();
    this.#stop = new AbortController();
    this.comings.forEach(({ state }, at) => {
      if (state === 'waiting' || state === 'reading') this.#end(at, { state: 'cancelled' });
    });
  }

  /** Forgets the list, where nothing is under way. */
  clear(): void {
    if (this.busy) return;
    this.comings = [];
    this.#keys.length = 0;
    this.#again.clear();
  }

  #add(name: string, file: Blob, key: number | null): void {
    this.#keys.push(key);
    this.comings = [...this.comings, { name, file, state: 'waiting', share: null, id: null, mayGo: false, words: '' }];
  }

  async #run(): Promise<void> {
    if (this.#running) return;
    this.#running = true;
    for (let at = this.#next(); at >= 0; at = this.#next()) await this.#one(at);
    this.#running = false;
  }

  #next(): number {
    return this.comings.findIndex(({ state }) => state === 'waiting');
  }

  async #one(at: number): Promise<void> {
    const coming = this.comings[at];
    if (!coming) return;
    const { signal } = this.#stop;
    this.#set(at, { state: 'reading', share: null });
    try {
      const came = await this.#in.send(coming.file, coming.name, {
        again: this.#again.has(at),
        told: (share) => this.#set(at, { share }),
        signal,
      });
      if (signal.aborted) return;
      this.#end(at, whatCame(came));
      if ('id' in came) this.#in.changed();
    } catch (error) {
      if (signal.aborted) return;
      // What could not be asked stays kept, and is tried again when the page is next opened.
      if (error instanceof Trouble && error.again)
        this.#set(at, { state: 'failed', mayGo: true, words: troubleIn(error) });
      else this.#end(at, { state: 'failed', words: troubleIn(error) });
    }
  }

  #end(at: number, what: Partial<Coming>): void {
    this.#set(at, what);
    const key = this.#keys[at];
    this.#keys[at] = null;
    if (typeof key === 'number') void this.#in.forget(key);
  }

  #set(at: number, what: Partial<Coming>): void {
    this.comings = this.comings.map((coming, i) => (i === at ? { ...coming, ...what } : coming));
  }
}

function whatCame(came: TakenFile): Partial<Coming> {
  if ('message' in came) return { state: 'failed', words: came.message };
  if ('known' in came)
    return { state: 'known', id: came.known.id, words: `On the shelf already, as “${came.known.name}”.` };
  return { state: 'taken', id: came.id, words: came.left.join(' ') };
}
