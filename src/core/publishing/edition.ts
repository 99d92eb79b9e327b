import * as z from 'zod/mini';
import type { CountedPattern, CountedRound } from '../counting/counted.js';
import { decide } from '../deciding/decide.js';
import type { ReadOptions } from '../reading/read.js';
import { blockSchema, type Block, type Paper } from './paper.js';
import { explained } from './abbreviations.js';
import { linesOf, sheetOf, titleOf } from './sheet.js';
import { asText } from './text.js';

/** What goes out in one vocabulary: the pattern as understood, laid out anew, and proved to count as before. */
export const editionSchema = z.object({
  title: z.string(),
  terms: z.enum(['us', 'uk']),
  blocks: z.array(blockSchema),
  /** What is laid out otherwise than in the text, a sentence each. */
  anew: z.array(z.string()),
  /** Read again, it has the same rounds with the same counts. */
  proved: z.boolean(),
});
export type Edition = z.infer<typeof editionSchema>;

export interface EditionOptions extends ReadOptions {
  /** The title where the text has none. */
  readonly name: string;
  /** Whether its lines are to stand as they are written in any case. */
  readonly asWritten?: boolean;
}

/**
 * Lays a text out for those who work from it. Counts are taken into a column of their own, and a list of abbreviations is
 * put in where there is none, as long as the result is read with the same counts; where it is not, words and counts stay
 * as they are written.
 * @returns never throws.
 */
export function editionOf(text: string, options: EditionOptions): Edition {
  const counted = decide(text, options);
  const { pattern } = counted;
  const terms = pattern.terms.used;
  const title = titleOf(counted) ?? options.name;
  const list = explained(counted);
  const withList = (place: PlaceOf) => (): Laid => {
    const blocks = sheetOf(counted, true);
    return { how: 'columns', added: true, blocks: blocks.toSpliced(place(blocks), 0, ...list) };
  };
  const ways: readonly (() => Laid)[] = [
    ...(list.length === 0 ? [] : PLACES.map((place) => withList(place))),
    () => ({ how: 'columns', added: false, blocks: sheetOf(counted, true) }),
    () => ({ how: 'words', added: false, blocks: sheetOf(counted, false) }),
    () => ({ how: 'lines', added: false, blocks: linesOf(counted) }),
  ];
  const found = firstThat(options.asWritten === true ? ways.slice(-1) : ways, ({ blocks }) => {
    const laid = asText(paperOf({ title, terms, blocks }, ''));
    return sameCounts(counted, decide(laid, { ...options, terms }));
  });
  const laid = found ?? { how: 'lines', added: false, blocks: linesOf(counted) };
  return { title, terms, blocks: laid.blocks, anew: [...told(counted, laid)], proved: found !== null };
}

/** A way in which a text can be laid out. */
interface Laid {
  readonly how: 'columns' | 'words' | 'lines';
  readonly added: boolean;
  readonly blocks: Block[];
}

function firstThat<Made>(ways: readonly (() => Made)[], holds: (made: Made) => boolean): Made | null {
  for (const way of ways) {
    const made = way();
    if (holds(made)) return made;
  }
  return null;
}

/** An edition as a paper, its title above it. */
export function paperOf(
  { title, terms, blocks }: Pick<Edition, 'title' | 'terms' | 'blocks'>,
  foot: string,
  pictures = 0,
): Paper {
  return {
    title,
    foot,
    language: terms === 'us' ? 'en-US' : 'en-GB',
    blocks: [
      { kind: 'heading', level: 1, text: title },
      ...Array.from({ length: pictures }, (_, picture): Block => ({ kind: 'picture', picture })),
      ...blocks,
    ],
  };
}

/** Where something that was put in stands among the blocks. */
type PlaceOf = (blocks: readonly Block[]) => number;

const firstRound: PlaceOf = (blocks) =>
  Math.max(
    0,
    blocks.findIndex(({ kind }) => kind === 'round'),
  );

/** Before the heading that the first round stands under or what leads to it, before the round itself, or behind everything. */
const PLACES: readonly PlaceOf[] = [
  (blocks) => {
    const round = firstRound(blocks);
    const heading = blocks.slice(0, round).findLastIndex(({ kind }) => kind === 'heading');
    return heading < 0 ? Math.max(0, round - 1) : heading;
  },
  firstRound,
  (blocks) => blocks.length,
];

function* told({ rounds }: CountedPattern, { how, added }: Laid): Iterable<string> {
  if (rounds.length === 0) return;
  if (how === 'lines') {
    yield 'The lines stand as they are written: laid out anew, the text would be read otherwise.';
    return;
  }
  if (how === 'columns') {
    yield 'The counts stand in a column of their own at the right.';
    const missing = rounds.filter(({ round, outcome }) => round.stated === null && outcome.made !== null).length;
    if (missing > 0)
      yield `${missing === 1 ? 'The count of one round' : `The counts of ${missing} rounds`} that state none are worked out.`;
  } else yield 'The counts stand among the words, as they are written: taken out, the text would be read otherwise.';
  yield 'Each round has a box to tick.';
  if (added) yield 'A list of the abbreviations was put in: the text has none.';
}

/** Whether two readings have the same rounds, with the same stitches used and made. */
export function sameCounts(one: CountedPattern, other: CountedPattern): boolean {
  const figures = ({ rounds }: CountedPattern) => JSON.stringify(rounds.map(figuresOf));
  return figures(one) === figures(other);
}

function figuresOf({ outcome, round, part }: CountedRound) {
  return [part.make, round.from, round.to, outcome.into, outcome.made, round.stated?.total ?? outcome.made];
}
