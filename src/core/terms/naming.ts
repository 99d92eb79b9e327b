import type { Vocabulary } from '../vocabulary/stitches.js';
import { inEitherCase } from '../text/eitherCase.js';

/**
 * The names that differ between the two vocabularies, each with its counterpart. Names that both share (chain, slip
 * stitch, increase, bobble) stand in no table, and are never touched.
 * @see docs/terms.md
 */
const SHORT: readonly (readonly [us: string, uk: string])[] = [
  ['sc', 'dc'],
  ['hdc', 'htr'],
  ['dc', 'tr'],
  ['tr', 'dtr'],
  ['dtr', 'trtr'],
  ['trtr', 'qtr'],
  ['esc', 'edc'],
  ['exsc', 'exdc'],
  ['fsc', 'fdc'],
  ['rsc', 'rdc'],
];
const LONG: readonly (readonly [us: string, uk: string])[] = [
  ['single crochet', 'double crochet'],
  ['half double crochet', 'half treble crochet'],
  ['half double', 'half treble'],
  ['double crochet', 'treble crochet'],
  ['treble crochet', 'double treble crochet'],
  ['double treble crochet', 'triple treble crochet'],
  ['double treble', 'triple treble'],
  ['triple treble crochet', 'quadruple treble crochet'],
  ['triple treble', 'quadruple treble'],
];
/** Names that one vocabulary alone has in two forms: the second is read, and written as the first. */
const ALSO: Readonly<Record<Vocabulary, readonly (readonly [name: string, counterpart: string])[]>> = {
  us: [
    ['triple crochet', 'double treble crochet'],
    ['treble', 'double treble'],
    ['s.c', 'd.c'],
    ['h.d.c', 'h.tr'],
    ['d.c', 'tr'],
  ],
  uk: [
    ['ttr', 'dtr'],
    ['ss', 'sl st'],
    ['rdcf', 'fpsc'],
    ['rdcb', 'bpsc'],
    ['rtrf', 'fpdc'],
    ['rtrb', 'bpdc'],
    ['raised double front', 'front post single crochet'],
    ['raised double back', 'back post single crochet'],
    ['raised treble front', 'front post double crochet'],
    ['raised treble back', 'back post double crochet'],
    ['double treble', 'treble'],
    ['treble', 'double'],
    ['d.c', 's.c'],
    ['h.tr', 'h.d.c'],
    ['d.tr', 'tr'],
  ],
};
/** Words that mean a stitch here and something else there: whether they do is for the place to tell. */
const LOOSE: Readonly<Record<Vocabulary, readonly (readonly [name: string, counterpart: string])[]>> = {
  us: [
    ['single', 'double'],
    ['double', 'treble'],
    ['triple', 'double treble'],
  ],
  uk: [['double', 'single']],
};

export interface Naming {
  /** From a name in lower case, with single spaces, to its counterpart. */
  readonly counterparts: ReadonlyMap<string, string>;
  /** Names that may mean something else. */
  readonly loose: ReadonlySet<string>;
  /** Finds any of the names: what stands before the name (FP, BP), the name, and its ending. */
  readonly words: RegExp;
}

function namingOf(from: Vocabulary): Naming {
  const side = from === 'us' ? 0 : 1;
  const counterparts = new Map<string, string>();
  const add = (name: string, counterpart: string) => {
    if (!counterparts.has(name)) counterparts.set(name, counterpart);
  };
  for (const pair of [...SHORT, ...LONG]) add(pair[side], pair[1 - side] ?? '');
  for (const [name, counterpart] of [...ALSO[from], ...LOOSE[from]]) add(name, counterpart);
  // A shared half of a name is told apart by the longer one that it begins: the longest is tried first.
  const names = [...counterparts.keys()].sort((a, b) => b.length - a.length);
  const pattern = names
    .map((name) => name.replaceAll('.', String.raw`\.`).replaceAll(' ', String.raw`(?:-|\s{1,3}|[ \t]*\r?\n[ \t>]*)`))
    .join('|');
  return {
    counterparts,
    loose: new Set(LOOSE[from].map(([name]) => name)),
    words: inEitherCase(
      String.raw`(?<!\p{L})((?:fp|bp)-?)?(${pattern})(['’]?s|es)?(?=\d*tog(?!\p{L})|inc(?!\p{L})|dec(?!\p{L})|(?!\p{L}))`,
      'g',
    ),
  };
}

export const NAMING: Readonly<Record<Vocabulary, Naming>> = { us: namingOf('us'), uk: namingOf('uk') };

/**
 * Writes a counterpart as the name stood there: in its case, and with its spaces, hyphens and line breaks.
 * "Half-double\ncrochet" becomes "Half-treble\ncrochet".
 */
export function writtenLike(counterpart: string, as: string): string {
  const words = as.split(/[\s>-]+/u);
  const gaps = [...as.matchAll(/[\s>-]+/gu)].map(([gap]) => gap);
  const target = counterpart.split(' ');
  // Where words are fewer the line break stays; where they are more the new one comes first.
  while (gaps.length >= target.length && gaps.length > 0) {
    const spare = gaps.findIndex((gap) => !gap.includes('\n'));
    gaps.splice(Math.max(0, spare), 1);
  }
  while (gaps.length < target.length - 1) gaps.unshift(' ');
  const written = target.map((word, i) => inCase(word, words, i));
  return written.map((word, i) => word + (gaps[i] ?? '')).join('');
}

function inCase(word: string, as: readonly string[], i: number): string {
  const all = as.join('');
  if (all.length > 1 && all === all.toUpperCase() && all !== all.toLowerCase()) return word.toUpperCase();
  const model = i === 0 ? (as[0] ?? '') : (as[Math.min(i, as.length - 1)] ?? '');
  const capital = /^\p{Lu}/u.test(i > 0 && as.length === 1 ? '' : model);
  return capital ? word.charAt(0).toUpperCase() + word.slice(1) : word;
}

/** Whether a short name is said with a vowel first: "an sc" (ess), but "a dc". The others keep their sound. */
export function takesAn(name: string): boolean {
  return /^sc(?!\p{L})/iu.test(name);
}
