import { changedWords } from '../comparing/words.js';
import { convertTerms } from '../terms/convert.js';
import type { Vocabulary } from '../vocabulary/stitches.js';
import { oneOf } from './chances.js';
import { begun } from './begun.js';
import { seen, unfit } from './clean.js';
import { SCHOOLS, written } from './hands.js';
import { LEVEL_RANGES, NotPlantable, type Wanted } from './practice.js';
import type { Turned } from './schema.js';
import { toyBy } from './toy.js';

/** A clean text whose terms are to be turned, and the vocabulary that they are to be in. */
export interface Turning {
  readonly text: string;
  readonly to: Vocabulary;
}

const OTHER = { us: 'uk', uk: 'us' } as const;
const MOST_TOYS = 12;

/** A text to be turned into the other vocabulary, made up on the spot. `terms`: the vocabulary that it is in. */
export function turning(wanted: Pick<Wanted, 'level' | 'school' | 'terms' | 'seed'>): Turning {
  const chance = begun(wanted.seed);
  for (let i = 0; i < MOST_TOYS; i += 1) {
    const school = wanted.school ?? oneOf(SCHOOLS, chance);
    const terms = wanted.terms ?? oneOf(['us', 'uk'] as const, chance);
    const text = written(toyBy(chance, { limbs: LEVEL_RANGES[wanted.level].limbs - 1 }), school, terms, chance);
    const to = OTHER[terms];
    if (unfit(seen(text)) === null && convertTerms(text, { to }).state === 'proved') return { text, to };
  }
  throw new NotPlantable('No text to turn could be made as it is wanted. Choose another way of writing.');
}

/** The lines of an answer don't stand as those of the text do; says so, and what to do. */
export class OtherLines extends Error {}

/**
 * Marks an answer word by word against the proved conversion. A word that was changed though it stays costs what one costs that
 * was left standing.
 * @throws OtherLines where the answer has more or fewer lines than the text.
 */
export function turned({ text, to }: Turning, answer: string): Turned {
  const { changes, text: right } = convertTerms(text, { to });
  const [wanted, given] = [right.split('\n'), answer.replace(/\r\n?/g, '\n').split('\n')];
  if (given.length !== wanted.length)
    throw new OtherLines(
      `The text has ${wanted.length} lines, and your answer ${given.length}. Put back the line breaks as they were: words are marked line by line.`,
    );
  let grown = 0;
  const places = changes
    .filter(({ before, written: now }) => before !== now)
    .map(({ from, line, before, written: now, reason }) => {
      const at = from + grown;
      grown += now.length - before.length;
      return { line, before, now, reason, from: at, to: at + now.length };
    });
  let start = 0;
  const words: Turned['words'] = [];
  const changed: Turned['changed'] = [];
  wanted.forEach((line, i) => {
    const here = places.filter((place) => place.line === i + 1);
    const off = changedWords(line, (given[i] ?? '').trimEnd());
    const isOff = (from: number, end: number) => off.before.some((span) => span.from < end && span.to > from);
    for (const { before, now, reason, from, to: end } of here)
      words.push({ line: i + 1, before, right: now, reason, turned: !isOff(from - start, end - start) });
    const others = off.before.filter(
      (span) => !here.some(({ from, to: end }) => from - start < span.to && end - start > span.from),
    );
    const added = off.before.length === 0 && off.after.length > 0;
    for (const span of added ? off.after : others)
      changed.push({
        line: i + 1,
        words: added ? (given[i] ?? '').slice(span.from, span.to) : line.slice(span.from, span.to),
      });
    start += line.length + 1;
  });
  const all = words.length + changed.length;
  return { mark: all === 0 ? 1 : words.filter((word) => word.turned).length / all, words, changed };
}
