import type { Instruction, LegendEntry } from '../pattern/pattern.js';
import type { Remember } from '../text/source.js';
import type { Sense } from '../vocabulary/senses.js';
import { DECORATED, type StitchId, type Vocabulary } from '../vocabulary/stitches.js';
import { COLOUR_WORDS } from '../vocabulary/words.js';
import { tokenize, type Token } from './lexer.js';
import { Lexicon, type LegendDefinition, type Meaning } from './lexicon.js';
import { gistsOf } from './gist/gist.js';
import { readInstruction } from './instruction.js';

/** The same as `definitions`, found out once for the same entries. */
export function definedBy(
  entries: readonly LegendEntry[],
  vocabulary: Vocabulary,
  compact: boolean,
  remember: Remember,
): LegendDefinition[] {
  const words = entries.map(({ term, meaning }) => ({ term, meaning }));
  return remember(JSON.stringify([words, vocabulary, compact]), definedAgain);
}

function definedAgain(asked: string): LegendDefinition[] {
  return definitions(...(JSON.parse(asked) as Parameters<typeof definitions>));
}

/**
 * What the reader can make of the entries: a definition wins over the built-in meaning of its word.
 * Entries that explain no stitch make their word known, as a remark.
 */
export function definitions(
  entries: readonly Pick<LegendEntry, 'term' | 'meaning'>[],
  vocabulary: Vocabulary,
  compact: boolean,
): LegendDefinition[] {
  const known: LegendDefinition[] = [];
  const builtIn = new Lexicon(vocabulary, compact);
  const bullets = repeatedSigns(entries);
  let lexicon = builtIn;
  // "I is an increase, D is a decrease", "V two in one, A two as one": one letter among others is no number.
  const letters = entries.filter(({ term }) => /^[A-Z]$/.test(term) && !ROMAN.test(term)).length;
  const mayStand = (term: string) => mayBeTold(term, builtIn) || (letters > 0 && /^[IVL]$/.test(term));
  let open = entries.filter(({ term }) => TERM.test(term) && !bullets.has(term) && mayStand(term));
  // An entry may be told in the words of another one, before or behind it.
  for (let pass = 0; pass < PASSES && open.length > 0; pass += 1) {
    const unknown: typeof open = [];
    for (const entry of open) {
      const [meaning, words] = inOwnTerms(entry.meaning, vocabulary, lexicon);
      const means = meaningOf(entry.term, meaning, words) ?? colourCalled(entry.term, meaning);
      if (!means) {
        unknown.push(entry);
        continue;
      }
      if (turnsRound(entry.term, means, builtIn) || known.some(({ term }) => isSame(term, entry.term))) continue;
      known.push({ term: entry.term.replace(/\s+/g, ' '), meaning: means });
      lexicon = new Lexicon(vocabulary, compact, known);
    }
    if (unknown.length === open.length) break;
    open = unknown;
  }
  return known;
}

/** "a UK double crochet", "single crochet (US)" is told in the words of the vocabulary that it names. */
function inOwnTerms(written: string, vocabulary: Vocabulary, lexicon: Lexicon): [meaning: string, lexicon: Lexicon] {
  const named = /\(?(?<!\p{L})(?:(US|American)|UK|British)(?:\sterms?)?(?:\)|\s)/u.exec(written);
  if (!named) return [written, lexicon];
  const told = named[1] === undefined ? 'uk' : 'us';
  return [written.replace(named[0], ''), told === vocabulary ? lexicon : new Lexicon(told, false)];
}

function isSame(one: string, other: string): boolean {
  return one.toLowerCase() === other.replace(/\s+/g, ' ').toLowerCase();
}

/** "dec = 2 sc into 1": careless words that would make an increase of a decrease, or the other way round. */
function turnsRound(term: string, meaning: Meaning, builtIn: Lexicon): boolean {
  if (meaning.is !== 'shaping') return false;
  const tokens = tokenize(term, { from: 0, to: term.length });
  const usual = builtIn.at(tokens, 0);
  if (usual?.length !== tokens.length) return false;
  return usual.meaning.is === 'decrease'
    ? meaning.per > meaning.over
    : usual.meaning.is === 'increase' && meaning.over > meaning.per;
}

const PASSES = 2;

/** Signs before several entries with different meanings part a list, and mean nothing. */
function repeatedSigns(entries: readonly Pick<LegendEntry, 'term' | 'meaning'>[]): ReadonlySet<string> {
  const meanings = new Map<string, Set<string>>();
  for (const { term, meaning } of entries) {
    if (/[\p{L}\d]/u.test(term)) continue;
    meanings.set(term, (meanings.get(term) ?? new Set()).add(meaning));
  }
  return new Set([...meanings].filter(([, told]) => told.size > 1).map(([term]) => term));
}

const OF_LANGUAGE: ReadonlySet<Meaning['is']> = new Set([
  'times',
  'each',
  'around',
  'in',
  'next',
  'same',
  'last',
  'stitch-word',
  'repeat',
  'total',
  'and',
  'more',
  'with',
  'round-word',
  'row-word',
  'together',
]);
const ROMAN = /^[IVXL]+$/;

/** Numbers, and words that every instruction needs, are given no meaning of their own. */
function mayBeTold(term: string, builtIn: Lexicon): boolean {
  const tokens = tokenize(term, { from: 0, to: term.length });
  const first = tokens[0];
  if (tokens.length !== 1 || !first) return !isLabel(term, tokens);
  if (first.kind === 'number' || first.kind === 'ordinal' || ROMAN.test(term)) return false;
  // "x - single crochet": the letter is a stitch, and what is done so many times is written otherwise.
  if (/^x$/i.test(term)) return true;
  const known = builtIn.at(tokens, 0)?.meaning.is;
  // "+ = two in one": a sign that a list draws with.
  return known === undefined || !OF_LANGUAGE.has(known) || (known === 'and' && !/\p{L}/u.test(term));
}

/** "round four", "verse VI", "seven and eight" */
function isLabel(term: string, tokens: readonly Token[]): boolean {
  const numbers = tokens.map(
    ({ kind, raw }) => (kind === 'number' && raw !== 'one') || kind === 'ordinal' || ROMAN.test(raw),
  );
  const several = numbers[0] === true && tokens.length === 3 && /^(?:and|to|&|-)$/i.test(tokens[1]?.raw ?? '');
  return / /.test(term) && numbers.at(-1) === true && (several || tokens.length === 2);
}

const TERM =
  /^(?:[\p{L}\d]{1,12}(?:[ ]+[\p{L}\d]{1,12}){0,2}|\d?[^\p{L}\d\s]{1,2}\d?|\p{L}[\p{L}\d]{0,3}[/+^-][\p{L}\d]{1,4})$/u;

/** "LG = light grey", "CC1: mustard": a yarn, by capital letters that are no stitch. */
function colourCalled(term: string, meaning: string): Meaning | null {
  const words = meaning.toLowerCase().match(/\p{L}+/gu) ?? [];
  const yarn = words.length <= 4 && words.some((word) => COLOUR_WORDS.has(word) || /^(?:yarn|colou?r)$/.test(word));
  return yarn && /^[A-Z]{1,3}\d?$/.test(term) ? { is: 'colour' } : null;
}

/** Meanings that a pattern may have a letter of its own for. */
const PLAIN: ReadonlySet<Meaning['is']> = new Set([
  'repeat',
  'each',
  'around',
  'skip',
  'turn',
  'next',
  'times',
  'loops',
  'together',
  'magic-ring',
  'stitch-word',
  'round-word',
  'row-word',
]);

/** What no word that has such a meaning is given up for: a stitch on its own. */
const OF_WORK: ReadonlySet<Meaning['is']> = new Set([
  'stitch',
  'shaping',
  'increase',
  'decrease',
  'magic-ring',
  'skip',
]);

function isOtherWork(own: Meaning, stitch: StitchId): boolean {
  return OF_WORK.has(own.is) && !(own.is === 'stitch' && own.stitch === stitch);
}

/** "1 ch at the beginning and no stitch" */
const NO_STITCH = /(?<!\p{L})(?:no stitch|not a stitch|no stitches|counts? for nothing|never counts?)(?!\p{L})/iu;
/** "5 tr in one stitch, closed together at the top", "it is one stitch" */
const ONE_STITCH =
  /clos(?:ed|e) (?:them )?(?:together|off|as one)|(?:it|that|which) is one st|counts? as one|drawn together/iu;

function meaningOf(term: string, written: string, lexicon: Lexicon): Meaning | null {
  const all = tokenize(written, { from: 0, to: written.length });
  const lexeme = lexicon.at(all, 0);
  const named = lexeme?.meaning;
  // "bobble of 4 double crochet in one stitch": the legs don't matter.
  if (named?.is === 'stitch' && DECORATED.has(named.stitch)) return named;
  // "r = repeat"
  if (named && PLAIN.has(named.is) && lexeme.length === all.length) return named;
  const own = lexicon.at(tokenize(term, { from: 0, to: term.length }), 0);
  if (NO_STITCH.test(written)) return own ? null : { is: 'aside' };
  // "x = sc, the small figures say how many"
  const whole = /^[,;]?$/.test(all[lexeme?.length ?? 0]?.raw ?? '');
  if (named?.is === 'stitch' && whole && !(own && isOtherWork(own.meaning, named.stitch)))
    return { ...named, foreign: false };
  const [told = '', ...further] = written.replace(/\([^)]*\)/g, ' ').split(/[,;:]/);
  // "two out of one"
  const plain = told.replace(/(?<!\p{L})out of(?!\p{L})/iu, 'from');
  const reading = readInstruction(plain, { from: 0, to: plain.length }, lexicon);
  // What a word means by itself is given up for plain words alone: "dec = 2 sc into 1" is told carelessly.
  const sign = !/[\p{L}\d]/u.test(term);
  const shape = shapeIn(reading) ?? (own && OF_WORK.has(own.meaning.is) && !sign ? null : shapeByGist(plain, lexicon));
  // "inc = double 1 stitch": no word for a shaping comes to mean a stitch on its own.
  if (shape?.is === 'stitch' && (own?.meaning.is === 'increase' || own?.meaning.is === 'decrease')) return null;
  if (shape) {
    // "4 double crochet in one stitch, closed together; it is one stitch"
    return shape.is === 'shaping' && shape.per > 1 && ONE_STITCH.test(written)
      ? { is: 'stitch', stitch: 'bobble', foreign: false }
      : shape;
  }
  const round = macro(reading);
  // "g is a gather, two single crochet taken together", "p is plain, that is one single crochet"
  const onlyNames = reading.unread.length > 0 || (round !== null && !/\s/.test(plain.trim()));
  for (const clause of onlyNames ? further : []) {
    const again = shapeByGist(clause.replace(THAT_IS, ''), lexicon, true);
    if (again) return again;
  }
  // "tutti: sc in every stitch"
  if (round) return round;
  // "fs = firm stitch (single crochet)", "in front of a round: back loops only"
  const other = /\(([^()]{2,40})\)/.exec(written)?.[1] ?? (sign ? further.at(-1) : undefined);
  const again = other === undefined ? null : meaningOf(term, other, lexicon);
  if (again) return again;
  return sign && named?.is === 'magic-ring' ? named : null;
}

/** The stitch or shaping that a reading comes to, done once. */
function shapeIn({ steps, unread }: Instruction): Meaning | null {
  const [only, ...others] = steps;
  // "skip a stitch"
  if (only?.kind === 'skip' && only.count === 1 && others.length === 0 && unread.length === 0) return { is: 'skip' };
  const works = steps.filter((step) => step.kind === 'work');
  const step = works[0];
  if (works.length !== 1 || unread.length > 0 || step?.amount.kind !== 'times') return null;
  const { place, amount } = step;
  if ((step.over === 1 && amount.times > 1 && place.kind === 'edge') || place.kind === 'ring') return null;
  const per = step.per === 1 && step.over === 1 && place.kind !== 'edge' ? amount.times : step.per;
  if (step.stitch === null && step.over > 1) return { is: 'decrease', over: step.over };
  // "make one" explains no increase.
  if (step.stitch === null) return per > 1 ? { is: 'increase', per } : null;
  if (per === 1 && step.over === 1) return { is: 'stitch', stitch: step.stitch, foreign: false };
  return { is: 'shaping', stitch: step.stitch, per, over: step.over };
}

/** "two firm ones crocheted together": a shaping in words of its own, when what means nothing is passed over. */
function shapeByGist(words: string, lexicon: Lexicon, single = false): Meaning | null {
  const gist = gistsOf(words, { from: 0, to: words.length }, lexicon, NO_SENSES)[0];
  const shape = gist && gist.words.length <= MOST_PASSED ? shapeIn(gist.instruction) : null;
  return shape && (single || shape.is !== 'stitch') ? shape : null;
}

const NO_SENSES: ReadonlyMap<string, Sense> = new Map();
const MOST_PASSED = 1;
const THAT_IS = /^\s*(?:(?:that|which|this) is|it's|or|i\.e\.)\s/iu;

/** "tutti: sc in every stitch": one word for a whole round. */
function macro({ steps, unread, reference, stated }: Instruction): Meaning | null {
  const step = steps[0];
  const whole = steps.length === 1 && step?.kind === 'work' && step.amount.kind === 'fill' && step.bare === undefined;
  return whole && unread.length === 0 && !reference && !stated ? { is: 'steps', steps } : null;
}
