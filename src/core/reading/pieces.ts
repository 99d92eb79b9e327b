import type { Part, Round, Stretch } from '../pattern/pattern.js';
import type { SourceText, Span } from '../text/source.js';
import type { Heading } from './headings.js';
import { makeIn, moreIn } from './making.js';

type Draft<T> = { -readonly [K in keyof T]: T[K] };

/** A part of which not all rounds have been read. */
export interface PartDraft extends Omit<Draft<Part>, 'stretches'> {
  stretches: StretchDraft[];
  level: number;
}
interface StretchDraft extends Omit<Draft<Stretch>, 'rounds'> {
  rounds: Round[];
  series: string;
}

/** How a stretch of rounds begins. */
export type Beginning = Omit<StretchDraft, 'rounds'>;

const LONGEST_CODA = 400;
const LONGEST_LEAD = 200;

/** The parts of a text while they are read, the last of which rounds are added to. */
export class Pieces {
  readonly #all: PartDraft[] = [];
  #part: PartDraft | null = null;
  #stretch: StretchDraft | null = null;

  get part(): PartDraft | null {
    return this.#part;
  }

  /** The rounds that go on from each other, up to here; null before the first part. */
  get stretch(): Readonly<StretchDraft> | null {
    return this.#stretch;
  }

  get lastRound(): Round | undefined {
    return this.#stretch?.rounds.at(-1);
  }

  begin({ name, make, saysMake, level }: Heading, heading: Span, beginning: Beginning): PartDraft {
    this.#part = { name, make, saysMake, heading, stretches: [], level };
    this.#all.push(this.#part);
    this.divide(beginning);
    return this.#part;
  }

  /** Rounds of the same part that are counted by themselves. */
  divide(beginning: Beginning): void {
    this.#stretch = { ...beginning, rounds: [] };
    this.#part?.stretches.push(this.#stretch);
  }

  add(round: Round): void {
    this.#stretch?.rounds.push(round);
  }

  /** The numbers of the rounds up to here. */
  numbers(): number[] {
    return this.#stretch?.rounds.flatMap(({ numbers }) => numbers) ?? [];
  }

  /** The last part whose name has a noun in it: "the first leg" may be "Legs". */
  named(noun: string): PartDraft | undefined {
    const stem = noun.replace(/s$/, '');
    return this.#all.findLast(({ name }) => name.toLowerCase().includes(stem));
  }

  /** The parts that have rounds. @param upwards whether their rows stand from the last to the first */
  finished(source: SourceText, upwards: boolean): Map<PartDraft, Part> {
    const finished = new Map<PartDraft, Part>();
    for (const draft of this.#all) {
      const stretches = draft.stretches
        .filter(({ rounds }) => rounds.length > 0)
        .map(({ name, start, into, divided, rounds }) => ({
          name,
          start,
          into,
          divided,
          rounds: upwards ? rounds.sort((a, b) => a.from - b.from) : rounds,
        }));
      if (stretches.length === 0) continue;
      const { name, saysMake, heading } = draft;
      const make = draft.make + (saysMake ? 0 : (moreBelow(draft, source) ?? this.#moreOf(draft, source)));
      finished.set(draft, { name, make, saysMake, heading, stretches });
    }
    return finished;
  }

  /** How many more of a piece are to be made, as it says behind its rounds. */
  #moreOf(draft: PartDraft, { text }: SourceText): number {
    const next = this.#all[this.#all.indexOf(draft) + 1];
    const from = draft.stretches.at(-1)?.rounds.at(-1)?.span.from ?? draft.heading.to;
    const to = Math.min(next?.heading.from ?? Infinity, from + LONGEST_CODA);
    return moreIn(text.slice(from, to));
  }
}

/** How many more of a piece are to be made, as it says between its name and its first round; null where it says nothing. */
function moreBelow({ heading, stretches }: PartDraft, { text }: SourceText): number | null {
  const first = stretches[0]?.rounds[0]?.span.from ?? heading.to;
  const make = makeIn(text.slice(heading.to, Math.min(first, heading.to + LONGEST_LEAD)));
  return make === null ? null : make - 1;
}
