import type { Counting } from './beats.js';
import type { RoundList } from './schema.js';
import { comesBefore, type NoteKind, type Spot, type Step, type What } from './steps.js';

/** How a round of one copy stands. */
export interface RoundState {
  /** Milliseconds of work. */
  spent: number;
  /** It is done, and what was counted then. */
  done: boolean;
  counted: number | null;
  /** Touches of the round that is being worked, and what each of them stood for. */
  touches: number;
  by: Counting;
}

export interface NoteMade {
  readonly id: string;
  readonly spot: Spot | null;
  readonly note: NoteKind;
  readonly words: string;
  readonly photographs: readonly string[];
  readonly at: number;
}

/** Another count than the round makes, and what was decided then. */
export interface HookMoment {
  readonly id: string;
  readonly spot: Spot;
  readonly counted: number;
  readonly made: number;
  readonly decided: string;
  readonly at: number;
}

const FRESH: RoundState = { spent: 0, done: false, counted: null, touches: 0, by: 'stitch' };

/** Where a tester stands, from the steps that were noted: the same on every device that has the same steps. */
export class Progress {
  /** All rounds in the order of the work, and the place of each among them. */
  readonly #spots: readonly Spot[];
  readonly #places: ReadonlyMap<string, number>;
  #steps: Step[] = [];
  readonly #ids = new Set<string>();
  /** Which of them others have taken back. */
  readonly #undone = new Set<string>();
  #rounds = new Map<string, RoundState>();
  /** The round that is worked; null when all are done. */
  at: Spot | null = null;
  notes: NoteMade[] = [];
  hooks: HookMoment[] = [];
  /** Grams by yarn. */
  weighed = new Map<string, { before: number | null; after: number | null }>();
  swatch: { stitches: number | null; rows: number | null } | null = null;
  /** By part, or of the toy; cm. */
  sizes = new Map<number | null, { height: number | null; width: number | null }>();
  difficulty: number | null = null;
  finished: { at: number; words: string } | null = null;

  constructor(course: RoundList, steps: readonly Step[] = []) {
    this.#spots = [...roundsAlong(course)];
    this.#places = new Map(this.#spots.map((spot, i) => [keyOf(spot), i]));
    this.at = this.#spots[0] ?? null;
    this.take(steps);
  }

  get steps(): readonly Step[] {
    return this.#steps;
  }

  /** What the next step of this device has to stand behind. */
  get order(): number {
    return this.#steps.at(-1)?.order ?? 0;
  }

  /** Milliseconds of work in all. */
  get spent(): number {
    let sum = 0;
    for (const { spent } of this.#rounds.values()) sum += spent;
    return sum;
  }

  round(spot: Spot): Readonly<RoundState> {
    return this.#rounds.get(keyOf(spot)) ?? FRESH;
  }

  /** Rounds that are done, and all there are. */
  get share(): { readonly done: number; readonly of: number } {
    let done = 0;
    for (const state of this.#rounds.values()) if (state.done) done += 1;
    return { done, of: this.#spots.length };
  }

  /** The last step that can be taken back: null where there is none. */
  get last(): Step | null {
    return this.#steps.findLast((step) => this.#stands(step)) ?? null;
  }

  /** All steps that can be taken back, the last first. */
  get standing(): Step[] {
    return this.#steps.filter((step) => this.#stands(step)).reverse();
  }

  #stands({ id, what }: Step): boolean {
    // A count that was taken back touch by touch is nothing that was done.
    const nothing = what.kind === 'undo' || (what.kind === 'count' && what.done === 0);
    return !nothing && !this.#undone.has(id);
  }

  /** Takes up steps, each once; those of other devices may belong in between. */
  take(steps: readonly Step[]): void {
    const fresh = steps.filter(({ id }) => !this.#ids.has(id) && this.#ids.add(id)).sort(comesBefore);
    if (fresh.length === 0) return;
    const [last, first] = [this.#steps.at(-1), fresh[0] as Step];
    const behind = !last || comesBefore(last, first) < 0;
    this.#steps.push(...fresh);
    for (const { what } of fresh) if (what.kind === 'undo') this.#undone.add(what.of);
    if (behind && fresh.every(({ what }) => what.kind !== 'undo')) for (const step of fresh) this.#apply(step);
    else this.#anew();
  }

  /** Puts another step in the place of the last one: a touch that followed the touch before it. */
  replace(step: Step): void {
    const last = this.#steps.pop();
    if (last) this.#ids.delete(last.id);
    this.#ids.add(step.id);
    this.#steps.push(step);
    if (last?.what.kind === 'count' && step.what.kind === 'count') {
      this.#stateOf(step.what.spot).spent -= last.spent;
      this.#apply(step);
    } else this.#anew();
  }

  #anew(): void {
    this.#steps.sort(comesBefore);
    this.#rounds = new Map();
    this.at = this.#spots[0] ?? null;
    [this.notes, this.hooks] = [[], []];
    this.weighed = new Map();
    this.sizes = new Map();
    [this.swatch, this.difficulty, this.finished] = [null, null, null];
    for (const step of this.#steps) if (!this.#undone.has(step.id)) this.#apply(step);
  }

  #stateOf(spot: Spot): RoundState {
    const key = keyOf(spot);
    const known = this.#rounds.get(key);
    if (known) return known;
    const state = { ...FRESH };
    this.#rounds.set(key, state);
    return state;
  }

  #apply(step: Step): void {
    const { what } = step;
    if ('spot' in what && what.spot && what.kind !== 'time' && this.#places.has(keyOf(what.spot)))
      this.#stateOf(what.spot).spent += step.spent;
    this.#what(step.id, step.at, what);
  }

  #what(id: string, at: number, what: What): void {
    switch (what.kind) {
      case 'count':
        Object.assign(this.#stateOf(what.spot), { touches: what.done, by: what.by });
        if (what.done > 0) this.at = what.spot;
        return;
      case 'round':
        Object.assign(this.#stateOf(what.spot), { done: true, counted: what.counted });
        this.at = this.#behind(what.spot);
        return;
      case 'go':
        this.at = this.#places.has(keyOf(what.spot)) ? what.spot : this.at;
        return;
      case 'hook':
        this.hooks.push({ id, at, ...what });
        return;
      case 'note':
        this.notes.push({ id, at, ...what });
        return;
      case 'time':
        this.#stateOf(what.spot).spent = what.spent;
        return;
      case 'weigh':
        this.weighed.set(what.yarn, { ...(this.weighed.get(what.yarn) ?? NOT_WEIGHED), [what.when]: what.grams });
        return;
      default:
        this.#ofAll(at, what);
    }
  }

  /** What is said of the whole toy. */
  #ofAll(at: number, what: What): void {
    if (what.kind === 'swatch') this.swatch = { stitches: what.stitches, rows: what.rows };
    else if (what.kind === 'size') this.sizes.set(what.part, { height: what.height, width: what.width });
    else if (what.kind === 'difficulty') this.difficulty = what.of;
    else if (what.kind === 'finished') this.finished = { at, words: what.words };
  }

  /** The first round behind one that is not done; behind the last, the first that was passed over. */
  #behind(spot: Spot): Spot | null {
    const here = this.#places.get(keyOf(spot)) ?? -1;
    const all = this.#spots;
    for (let i = 1; i <= all.length; i += 1) {
      const next = all[(here + i) % all.length];
      if (next && !this.round(next).done) return next;
    }
    return null;
  }
}

const NOT_WEIGHED = { before: null, after: null };

function keyOf({ part, copy, ring }: Spot): string {
  return `${part} ${copy} ${ring}`;
}

/** All rounds of a course in the order of the work: each copy of a part whole, one after the other. */
export function* roundsAlong({ parts }: RoundList): Iterable<Spot> {
  for (const [part, { make, rounds }] of parts.entries())
    for (let copy = 0; copy < make; copy += 1)
      for (let ring = 0; ring < rounds.length; ring += 1) yield { part, copy, ring };
}
