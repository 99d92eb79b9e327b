import {
  beatsOf,
  Progress,
  type Beat,
  type BenchRound,
  type Counting,
  type Instruction,
  type Spot,
  type Step,
  type What,
} from '../../core/index.js';
import type { BenchCall } from '../bench.js';
import { Clock } from './clock.js';
import type { Keep, KeptCall } from './keep.js';
import { NotSent, type Post } from './post.js';
import { Uploads, type Going } from './uploads.js';

/** What lies over the round that is worked. */
export type Sheet = 'count' | 'note' | 'parts' | 'figures' | 'more' | 'steps' | null;

/** Steps go up so long after the last of them; milliseconds. */
const SENT_AFTER = 1500;
/** A clock that is out by more than this is put right. */
const CLOCK_OUT = 60_000;

export interface BenchOptions {
  readonly secret: string;
  /** Brought from another device of the same tester. */
  readonly token: string | null;
  readonly keep: Keep | null;
  readonly post: Post;
  readonly clock?: Clock;
  readonly now?: () => number;
  readonly newId?: () => string;
}

/** A tester at the bench. */
export class BenchSession {
  readonly #options: BenchOptions;
  readonly #clock: Clock;
  #kept: KeptCall | null = null;
  #uploads: Uploads | null = null;
  #sending: ReturnType<typeof setTimeout> | undefined;
  #behind = 0;
  /** The last step of this device, as long as it has not gone up: the next touch may take its place. */
  #open: Step | null = null;
  #progress: Progress | null = null;
  /** Goes up with each change of what has been done. */
  #changes = $state(0);

  state = $state<'opening' | 'nothing' | 'join' | 'work'>('opening');
  call = $state.raw<BenchCall | null>(null);
  tester = $state('');
  token = $state<string | null>(null);
  counting = $state<Counting>('stitch');
  going = $state<Going>('going');
  waiting = $state(0);
  newer = $state(false);
  /** What could not be done, in words for people. */
  trouble = $state('');
  /** The browser has no room, or keeps nothing: what is done from now on is lost with the page. */
  unkept = $state('');
  sheet = $state<Sheet>(null);

  readonly at = $derived(this.progress?.at ?? null);
  readonly round = $derived(this.at && this.roundAt(this.at));
  readonly instruction = $derived(this.round && this.#instructionOf(this.round));
  readonly beats = $derived<readonly Beat[]>(
    this.round && this.instruction ? beatsOf(this.round, this.instruction, this.counting) : [],
  );
  readonly touches = $derived(this.at ? this.#touchesAt(this.at) : 0);
  /** One touch ends the round: that is how it is counted, or it has no repeats to count. */
  readonly whole = $derived(this.beats.length <= 1);
  /** All stitches of the round are worked. */
  readonly full = $derived(!this.whole && this.touches >= this.beats.length);
  readonly stitches = $derived(this.beats.slice(0, this.touches).reduce((sum, { made }) => sum + made, 0));

  constructor(options: BenchOptions) {
    this.#options = options;
    this.#clock = options.clock ?? new Clock();
  }

  /** It is one thing that changes in itself: who reads it is told of each change. */
  get progress(): Progress | null {
    return this.#changes >= 0 ? this.#progress : null;
  }

  roundAt({ part, ring }: Spot): BenchRound | null {
    return this.call?.course.parts[part]?.rounds[ring] ?? null;
  }

  #instructionOf({ instruction }: BenchRound): Instruction | null {
    return this.call?.course.instructions[instruction] ?? null;
  }

  /** What was counted in another way is told in touches of this one. */
  #touchesAt(spot: Spot): number {
    const { touches = 0, by = this.counting, done = false } = this.progress?.round(spot) ?? {};
    if (done || by === this.counting || !this.round || !this.instruction) return done ? 0 : touches;
    const sum = (beats: readonly Beat[]) => beats.reduce((all, { made }) => all + made, 0);
    const made = sum(beatsOf(this.round, this.instruction, by).slice(0, touches));
    const behind = this.beats.findIndex((_, i) => sum(this.beats.slice(0, i + 1)) > made);
    return behind < 0 ? this.beats.length : behind;
  }

  /** Opens what is kept of the call, and asks for it where nothing is. */
  async begin(): Promise<void> {
    const { secret, keep, post, token } = this.#options;
    const kept = (await keep?.call(secret).catch(() => undefined)) ?? null;
    if (kept) this.#opened(kept, await keep?.steps(secret).catch(() => []));
    else
      try {
        const call = await post.call(secret);
        const device = this.#newId();
        this.#opened({ secret, call, token, tester: '', device, after: 0, counting: 'stitch', at: this.#now() }, []);
        await this.#store();
      } catch (error) {
        this.state = 'nothing';
        this.trouble = error instanceof NotSent ? error.message : 'This test could not be opened.';
        if (error instanceof NotSent && error.why === 'later')
          this.trouble = 'There is no network, and this test has not been opened on this device before.';
        return;
      }
    await this.#room();
    if (kept && this.#kept?.token === null && token !== null) await this.#become(token, '');
    if (this.#kept?.token) this.#work(this.#kept.token);
    else this.state = 'join';
  }

  #opened(kept: KeptCall, steps: readonly Step[] = []): void {
    this.#kept = kept;
    this.call = kept.call;
    this.tester = kept.tester;
    this.counting = kept.counting;
    this.newer = kept.call.newer;
    this.#progress = new Progress(kept.call.course, steps);
    this.#changes += 1;
  }

  #work(token: string): void {
    const { keep, post, secret } = this.#options;
    this.token = token;
    this.state = 'work';
    if (!keep) {
      this.going = 'waiting';
      return;
    }
    this.#uploads = new Uploads(keep, post, secret, token, {
      steps: (steps) => this.#take(steps),
      going: (going, waiting) => ([this.going, this.waiting] = [going, waiting]),
      news: ({ newer, name, behind }) => {
        this.newer = newer;
        this.#behind = Math.abs(behind) > CLOCK_OUT ? behind : 0;
        if (name !== this.tester) void this.#become(token, name);
      },
    });
    void this.#uploads.go();
  }

  /** Joins under a name. */
  async join(name: string): Promise<void> {
    this.trouble = '';
    try {
      const joined = await this.#options.post.join(this.#options.secret, name);
      await this.#become(joined.token, joined.name);
      this.#work(joined.token);
    } catch (error) {
      this.trouble = error instanceof NotSent ? error.message : 'This did not work. Try it once more.';
    }
  }

  async #become(token: string, tester: string): Promise<void> {
    if (!this.#kept) return;
    this.#kept = { ...this.#kept, token, tester };
    this.tester = tester;
    await this.#store();
  }

  /** The network is back, or somebody has come back to the page. */
  retry(): void {
    void this.#uploads?.go();
  }

  end(): void {
    clearTimeout(this.#sending);
    this.#uploads?.end();
  }

  #take(steps: readonly Step[]): void {
    if (steps.length === 0) return;
    this.#progress?.take(steps);
    this.#changes += 1;
  }

  #now(): number {
    return (this.#options.now ?? Date.now)() + this.#behind;
  }

  #newId(): string {
    return this.#options.newId?.() ?? newName();
  }

  /** Notes a step; a touch that follows a touch takes its place as long as that is here alone. */
  note(what: What, spent = 0): void {
    const progress = this.#progress;
    if (!progress || !this.#kept) return;
    const before = this.#open;
    const instead =
      before &&
      before === progress.last &&
      before.what.kind === 'count' &&
      what.kind === 'count' &&
      same(before.what.spot, what.spot)
        ? before
        : null;
    const step: Step = {
      id: this.#newId(),
      device: this.#kept.device,
      order: instead ? instead.order : progress.order + 1,
      at: Math.max(0, Math.round(this.#now())),
      spent: Math.min(spent + (instead?.spent ?? 0), 86_400_000),
      what,
    };
    if (instead) progress.replace(step);
    else progress.take([step]);
    this.#open = step;
    this.#changes += 1;
    void this.#keepStep(step, instead?.id);
  }

  async #keepStep(step: Step, instead?: string): Promise<void> {
    const { keep, secret } = this.#options;
    try {
      await keep?.add(secret, step, instead);
      this.waiting += instead === undefined ? 1 : 0;
      if (this.going === 'up') this.going = 'going';
    } catch {
      this.unkept = NO_ROOM;
    }
    clearTimeout(this.#sending);
    this.#sending = setTimeout(() => {
      // What is on its way is not changed any more.
      this.#open = null;
      void this.#uploads?.go();
    }, SENT_AFTER);
  }

  /** A touch of the pad: a stitch, a repeat or a round is done. */
  touch(): void {
    const { at, beats, touches, counting } = this;
    if (!at || this.sheet !== null) return;
    const spent = this.#clock.touch(beats[Math.min(touches, beats.length - 1)]?.made ?? 1);
    if (this.whole || touches >= beats.length) this.note({ kind: 'round', spot: at, counted: null }, spent);
    else this.note({ kind: 'count', spot: at, done: touches + 1, by: counting }, spent);
  }

  /** Ends the round with what was counted. */
  endRound(counted: number | null): void {
    if (this.at) this.note({ kind: 'round', spot: this.at, counted }, this.#clock.touch(this.round?.made ?? 1));
    this.sheet = null;
  }

  /** Takes back the last thing that was done. */
  undo(): void {
    const { at, touches, counting } = this;
    const last = this.#progress?.last ?? null;
    const spent = this.#clock.touch(1);
    if (at && touches > 0 && last?.what.kind === 'count' && same(last.what.spot, at))
      this.note({ kind: 'count', spot: at, done: touches - 1, by: counting }, spent);
    else if (last) this.takeBack(last.id);
  }

  /** Takes back one thing that was done, whenever that was: what was done since stays. */
  takeBack(id: string): void {
    this.note({ kind: 'undo', of: id });
  }

  goTo(spot: Spot): void {
    this.note({ kind: 'go', spot });
    this.#clock.stop();
    this.sheet = null;
  }

  setCounting(counting: Counting): void {
    this.counting = counting;
    if (!this.#kept) return;
    this.#kept = { ...this.#kept, counting };
    void this.#store();
  }

  /** The time of a round, as it runs; milliseconds. */
  timeOf(spot: Spot): number {
    const here = this.at !== null && same(spot, this.at);
    const beat = this.beats[Math.min(this.touches, this.beats.length - 1)];
    return (this.progress?.round(spot).spent ?? 0) + (here ? (this.#clock.running(beat?.made ?? 1) ?? 0) : 0);
  }

  /** Keeps a photograph, to go up with its note. @returns its name; null where there is no room for it. */
  async photograph(file: Blob): Promise<string | null> {
    const id = this.#newId();
    try {
      await this.#options.keep?.addPhotograph(this.#options.secret, id, file);
      return id;
    } catch {
      this.unkept = NO_ROOM;
      return null;
    }
  }

  async #store(): Promise<void> {
    try {
      if (this.#kept) await this.#options.keep?.setCall({ ...this.#kept });
    } catch {
      this.unkept = NO_ROOM;
    }
  }

  /** Says before anything is lost that the browser has little room, or keeps nothing. */
  async #room(): Promise<void> {
    if (!this.#options.keep) {
      this.unkept =
        'This browser keeps nothing, as in a private window: open the link in an ordinary one before you begin.';
      return;
    }
    // Asked for once; without it a browser that is short of room may throw away what has not gone up.
    // Without https a browser has no such thing.
    const { storage } = navigator as Partial<Navigator>;
    await storage?.persist().catch(() => false);
    const { quota = Infinity, usage = 0 } = (await storage?.estimate().catch(() => null)) ?? {};
    if (quota - usage < LEAST_ROOM)
      this.unkept = 'This device has hardly any room left. Free some before you take photographs.';
  }

  /** Everything that was noted, as a file: for who can't send it any more. */
  file(): Blob {
    const { tester, call } = this;
    const content = { tester, pattern: call?.name, call: call?.number, steps: this.#progress?.steps ?? [] };
    return new Blob([JSON.stringify(content, null, 1)], { type: 'application/json' });
  }
}

/** A name that nothing else has. */
function newName(): string {
  return [...crypto.getRandomValues(new Uint8Array(16))].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}

const LEAST_ROOM = 20_000_000;
const NO_ROOM =
  'This device has no room left: what you do from now on is kept only until this page is closed. Free some room, or find a network and let everything go up.';

function same(a: Spot, b: Spot): boolean {
  return a.part === b.part && a.copy === b.copy && a.ring === b.ring;
}
