import type { Shape, ShapePart, ShapeRing, ShapeSettings } from '../../core/index.js';
import type { Saved } from '../client.js';
import type { StoredPattern } from '../patterns.js';
import { troubleInWords } from '../workers/trouble.js';
import type { Shaper } from '../workers/shaper.js';
import { beginsAtTop } from './upright.js';

/** What works the shape out, wherever that is. */
export type Shaping = Pick<Shaper, 'shape' | 'close'>;
export type Stacked = Shape['stacked'][number];
export type View = 'outline' | 'turntable' | 'figures';

/** How what is changed here is kept; each fails where it could not be. */
export interface ShapeKeeping {
  readonly settings: (settings: ShapeSettings) => Promise<unknown>;
  readonly text: (text: string, base: number) => Promise<Saved>;
  /** Tells what could not be kept, or what came of it. */
  readonly failed: (error: unknown) => void;
  readonly say: (words: string, undo?: () => void) => void;
}

/** A pattern as its sums come out: what is drawn, at which gauge, and the round that is looked at. */
export class ShapeSession {
  shape = $state.raw<Shape | null>(null);
  settings = $state.raw<ShapeSettings>({} as ShapeSettings);
  text = $state('');
  part = $state(0);
  /** The ring of the part that is looked at; null for none. */
  ring = $state<number | null>(null);
  view = $state<View>('outline');
  /** Whether pieces are drawn as they lie by themselves, instead of stuffed. */
  bare = $state(false);
  /** The parts as they would be with their stacked shapings shifted, each by itself; null where nothing is stacked. */
  shifted = $state.raw<readonly (ShapePart | null)[]>([]);
  trouble = $state('');
  /** Whether parts are drawn the other way up than the text tells. */
  turned = $state(false);
  readonly #pattern: StoredPattern;
  readonly #keep: ShapeKeeping;
  #revision: number;
  #shaping: Shaping | null = null;

  readonly here: ShapePart | null = $derived(this.shape?.parts[this.part] ?? null);
  readonly ringHere: ShapeRing | null = $derived(this.ring === null ? null : (this.here?.rings[this.ring] ?? null));
  /** The work begins at the top: the drawing is turned over. */
  readonly over: boolean = $derived(this.#beginsAtTop() !== this.turned);
  readonly stackedHere: Stacked | null = $derived(
    this.shape?.stacked.find(({ part, fix }) => part === this.part && fix !== null) ?? null,
  );

  /** @param tested what testers weighed on the middle, grams by the name of the yarn in small letters */
  constructor(
    pattern: StoredPattern,
    settings: ShapeSettings,
    keep: ShapeKeeping,
    readonly tested: ShapeSettings['weighed'] = {},
  ) {
    this.#pattern = pattern;
    this.#keep = keep;
    this.#revision = pattern.revision;
    this.text = pattern.text;
    this.settings = settings;
  }

  async begin(shaping: Shaping): Promise<void> {
    this.#shaping = shaping;
    await this.#draw();
    const largest = this.shape?.parts.reduce(
      (best, { size }, i, all) => (volume(size) > volume(all[best]?.size ?? null) ? i : best),
      0,
    );
    this.part = largest ?? 0;
  }

  end(): void {
    this.#shaping?.close();
    this.#shaping = null;
  }

  /** Sets something of hook, yarn or gauge; it is drawn at once, and kept. */
  /** What a person weighed goes before what testers did. */
  get #drawnWith(): ShapeSettings {
    return { ...this.settings, weighed: { ...this.tested, ...this.settings.weighed } };
  }

  async set(change: Partial<ShapeSettings>): Promise<void> {
    const before = this.settings;
    this.settings = { ...before, ...change };
    const drawn = this.#draw();
    try {
      await this.#keep.settings(this.settings);
    } catch (error) {
      this.settings = before;
      this.#keep.failed(error);
      await this.#draw();
    }
    await drawn;
  }

  #beginsAtTop(): boolean {
    const part = { line: this.here?.line ?? 1, firstRound: this.here?.rings[0]?.line ?? 0 };
    return beginsAtTop(this.text, part, this.shape?.parts[0]?.line ?? 1);
  }

  /** Looks at a part. */
  look(part: number, ring: number | null = null): void {
    this.part = part;
    this.ring = ring;
  }

  /** Goes to the next ring, or the one before. */
  step(by: 1 | -1): void {
    const count = this.here?.rings.length ?? 0;
    if (count === 0) return;
    this.ring = this.ring === null ? (by > 0 ? 0 : count - 1) : Math.min(count - 1, Math.max(0, this.ring + by));
  }

  stepPart(by: 1 | -1): void {
    const count = this.shape?.parts.length ?? 0;
    if (count > 0) this.look((this.part + by + count) % count);
  }

  /** Writes a run of stacked shapings with every second round shifted by half a repeat. */
  async shift({ fix, what }: Stacked): Promise<void> {
    if (!fix) return;
    const before = this.text;
    if (await this.#write(shiftedIn(before, [fix])))
      this.#keep.say(
        `The ${what} of ${fix.labels.join(' and ')} are shifted by half a repeat.`,
        () => void this.#write(before),
      );
  }

  /** Keeps a changed text. @returns false where it could not be, which is told. */
  async #write(text: string): Promise<boolean> {
    try {
      const saved = await this.#keep.text(text, this.#revision);
      if (!('revision' in saved)) {
        this.text = saved.current.text;
        this.#revision = saved.current.revision;
        this.#keep.say(
          'The text has been changed elsewhere meanwhile. This is how it stands now; nothing was shifted.',
        );
        await this.#draw();
        return false;
      }
      this.#revision = saved.revision;
      this.text = text;
      await this.#draw();
      return true;
    } catch (error) {
      this.#keep.failed(error);
      return false;
    }
  }

  /** Draws what the parts would be with all their stacked shapings shifted, to be seen before it is done. */
  async #preview({ stacked }: Shape): Promise<void> {
    const fixes = stacked.flatMap(({ fix }) => fix ?? []);
    const { terms, hand } = this.#pattern;
    const text = shiftedIn(this.text, fixes);
    const after =
      fixes.length === 0 ? null : await this.#shaping?.shape({ text, terms, hand, settings: this.#drawnWith });
    if (after === null && fixes.length > 0) return;
    this.shifted = (after?.parts ?? []).map((part, i) =>
      stacked.some((one) => one.part === i && one.fix) ? part : null,
    );
  }

  async #draw(): Promise<void> {
    if (!this.#shaping) return;
    const { terms, hand } = this.#pattern;
    try {
      const told = await this.#shaping.shape({ text: this.text, terms, hand, settings: this.#drawnWith });
      if (!told) return;
      this.shape = told;
      this.trouble = '';
      await this.#preview(told);
      if (this.part >= told.parts.length) this.look(0);
    } catch (error) {
      this.trouble = troubleInWords(error, 'draw');
    }
  }
}

/** A text with runs of stacked shapings shifted. */
function shiftedIn(text: string, fixes: readonly NonNullable<Stacked['fix']>[]): string {
  return fixes
    .flatMap(({ edits }) => edits)
    .sort((a, b) => b.from - a.from)
    .reduce((all, { from, to, text: words }) => all.slice(0, from) + words + all.slice(to), text);
}

function volume(size: ShapePart['size']): number {
  return size ? size.height * size.width * size.depth : 0;
}
