import { NUMBER_WORDS } from '../../vocabulary/numbers.js';
import { changeAt } from '../gist/change.js';
import { tellsShape } from '../gist/items.js';
import { tokenize, type Token } from '../lexer.js';
import type { Lexicon, Meaning } from '../lexicon.js';
import { numeralsIn } from './numerals.js';

const CROCHET: ReadonlySet<Meaning['is']> = new Set(['stitch', 'shaping', 'increase', 'decrease', 'steps']);
/** Words beside which a figure tells stitches: "two in each", "a ring of six", "one and a two, six times". */
const PLACES: ReadonlySet<Meaning['is']> = new Set(['each', 'around', 'together', 'magic-ring', 'times', 'next']);
/** So many words away, at the most: "12 in the last round, then each". */
const BESIDE = 6;
/** "3 up = 30", in words of this hand */
const TOTALS = /\S\s*[=→]\s*\d{1,4}\s*(?:sts?|stitches)?\W*$/iu;
/** "Even for 4 rounds" */
const EVEN: ReadonlySet<Meaning['is']> = new Set(['evenly']);
/** "then 6 rounds of sc", "the same three rounds" */
const SO_MANY = new RegExp(
  String.raw`(?<!\p{L})(\d{1,3}|${NUMBER_WORDS})\s+(?:more\s+)?(?:rounds?|rows?|rnds?|rds?)(?!\p{L})`,
  'iu',
);
/** "just go round four times", "five times round" */
const GO_ROUND =
  /(?<!\p{L})(?:(?:go|work|crochet) )?a?round (\d{1,3}|\p{L}{3,5})(?: more)? times(?!\p{L})|^\W*(\d{1,3}|\p{L}{3,5}) times a?round(?!\p{L})/iu;
/** "four rounds of 24", "three rounds straight on 30", "round three times on ten" */
export const ROUNDS_ON =
  /(?<!\p{L})(?:rounds?|rnds?|rds?)(?: \p{L}+ times)?(?: \p{L}+)? (?:on|of|with) (?:\d{1,3}|\p{L}{3,12})(?!\p{L})/iu;
/** "a loop with six in it", "6 in a loop" */
const RING_TOLD =
  /^\W*(?:an? )?(?:loop|circle)(?!\p{L})[^.]{0,30}(?<!\p{L})in it(?!\p{L})|^\W*(?:\d{1,2}|\p{L}{3,6}) (?:\p{L}+ )?in(?:to)? (?:an?|the) (?:loop|circle)(?!\p{L})/iu;
/** "the next gets two" */
const GETS = /(?<!\p{L})(?:gets?|receives?) (?:\d|one|two|three)(?!\p{L})/iu;
/** "24 for two rounds", "24 sc for 5 rounds", "24 over two rounds" */
const FOR_ROUNDS = new RegExp(
  String.raw`(?<!\p{L})(?:(?:\d{1,3}(?: \p{L}+)?|\p{L}{3,12}) for|(?:\d{1,3}|${NUMBER_WORDS}) \p{L}{2,4}) (?:\d{1,3}|\p{L}{3,5}) (?:rounds?|rows?|rnds?|rds?)(?!\p{L})`,
  'iu',
);
/** "rounds 1 to 5 exactly like the head" */
const NUMBERED = /(?<!\p{L})(?:rounds?|rows?|rnds?|rds?)\s+(\d{1,3})(?:\s*(?:-|–|to|and)\s*(\d{1,3}))?/iu;
/** "first three rounds of the legs again" */
const FIRST = /(?<!\p{L})first\s+(\d{1,2}|\p{L}{3,5})\s+(?:rounds?|rows?|rnds?|rds?)(?!\p{L})/iu;
const ALIKE = /(?<!\p{L})(?:same|as(?! you)|like|again)(?!\p{L})/iu;
/** "sc around x3", "x5 plain" */
const ROUND_SO_OFTEN =
  /(?<!\p{L})(?:around|round|even|straight|plain)\s*[x×*]\s?(\d{1,3})(?!\d)|(?<![\p{L}\d)])(?:[x×]\s?(\d{1,2})|(\d{1,2})\s?[x×])\s+(?:even|straight|plain|nothing|unchanged|without)(?!\p{L})/iu;
/** "plain", "then two plain rounds", "one straight" */
const PLAIN_ONLY = new RegExp(
  String.raw`^\W*(?:(?:then|now|and|next|another|work|crochet|do)\W+)*(?:(?:\d{1,3}|${NUMBER_WORDS})\s+)?(?:more\s+)?(?:plain|straight|even|unchanged)(?:\s+(?:rounds?|rows?|rnds?|rds?|ones?))?\W*$`,
  'iu',
);
/** "8 plain", "two straight, fasten off" */
const PLAIN_ONES = new RegExp(
  String.raw`^\W*(?:then )?(\d{1,3}|${NUMBER_WORDS}) (?:more )?(?:plain|straight|even|unchanged)\s*(?:[,.;]|$)`,
  'iu',
);
/** "…, close", "… and fasten off, leave 20 cm": what is done behind a last round. */
const ENDS =
  /(?:[,.;]|\s[-–—])\s*(?:(?:and|then|now)\s)*(?:close|off|f\.?o|fasten|cut|done|pull|draw|stuff|sew|leave|break)(?!\p{L})[^;]{0,200}$/iu;
/** "six rounds without any shaping", "four rows without", "five rounds of nothing", "leave it alone for two rounds" */
const UNSHAPED =
  /(?<!\p{L})(?:leave|let) (?:it|them|that) (?:alone|be|as (?:it is|they are))(?!\p{L})|(?:rounds?|rows?|rnds?|rds?) of nothing(?!\p{L})|(?<!\p{L})nothing (?:special|else|more)(?!\p{L})|(?<!\p{L})(?:without|no) (?:any |more |further )?(?:shaping|changes?|increas\p{L}+|decreas\p{L}+)(?!\p{L})|(?:rounds?|rows?|rnds?|rds?) without\W*$/iu;
/** "[24] nothing special" */
const COUNT_FIRST = /^\W*[([{<]\s?\d{1,4}\s?[)\]}>]/u;
const WHOLE: ReadonlySet<Meaning['is']> = new Set(['each', 'around', 'evenly']);
export const FLAT = /(?<!\p{L})(?:both|two) (?:layers|sides|edges)/iu;
/** So much of a line is looked at, in characters. */
export const LONGEST = 400;
/** "inc = 2 sc in one", "wait, is that 2 sc?", "yellow, 2.5 hook, us sc": no round; "inc x6 = 12" may be one. */
const EXPLAINS = /=(?!\s*\d{1,4}\s*(?:sts?|stitches)?\W*$)|\?|\d\s?(?:mm\s?)?hook(?!\p{L})/iu;

/** "then 12 by doubling all of them" */
const COMES_BY = /(?<![\p{L}\d])\d{1,3} by \p{L}+ing(?!\p{L})/iu;

/** What a line shows at first sight. */
export interface Looks {
  readonly tokens: readonly Token[];
  readonly figures: boolean;
  /** It tells stitches. */
  readonly works: boolean;
  /** It begins a piece in a ring. */
  readonly starts: boolean;
  /** It says that it is like other rounds. */
  readonly refers: boolean;
  /** It holds nothing but what is done all around: "sc around", "then two plain". */
  readonly whole: boolean;
}

export function lookAt(written: string, lexicon: Lexicon): Looks {
  const text = written.replace(ENDS, '');
  const tokens = tokenize(text, { from: 0, to: text.length }, 200, lexicon.alphabet);
  const all = tokens.map((_, i) => lexicon.at(tokens, i)?.meaning.is ?? 'nothing');
  const meanings = new Set(all);
  const figures = tokens.filter(({ kind }) => kind === 'number').length;
  const holds = (some: ReadonlySet<string>) => [...meanings].some((meaning) => some.has(meaning));
  const whole = saysPlain(text) || (holds(WHOLE) && isAllCrochet(tokens, lexicon));
  const many = SO_MANY.test(text) && (holds(EVEN) || figures > 1);
  const works =
    whole ||
    many ||
    [TOTALS, GO_ROUND, ROUNDS_ON, GETS, RING_TOLD].some((pattern) => pattern.test(text)) ||
    tokens.some(({ word }, i) => tellsShape(word) || changeAt(tokens, i) !== null) ||
    holds(CROCHET) ||
    standsByPlace(tokens, all);
  const refers = ALIKE.test(text) && (SO_MANY.test(text) || NUMBERED.test(text));
  return {
    tokens,
    figures: figures > 0,
    works,
    starts: works && (meanings.has('magic-ring') || RING_TOLD.test(text)),
    refers,
    whole,
  };
}

/** Whether a figure stands beside a word of place, as "two in each" and "a ring of six" do, and "any yarn … a 3.5" does not. */
function standsByPlace(tokens: readonly Token[], meanings: readonly (Meaning['is'] | 'nothing')[]): boolean {
  const figures = tokens.flatMap(({ kind }, i) => (kind === 'number' ? [i] : []));
  return meanings.some((meaning, i) => {
    if (meaning === 'nothing' || !PLACES.has(meaning)) return false;
    return figures.some((at) => Math.abs(at - i) <= BESIDE);
  });
}

/** "two plain rounds", "six rounds without any shaping" */
function saysPlain(text: string): boolean {
  return PLAIN_ONLY.test(text) || (UNSHAPED.test(text) && (SO_MANY.test(text) || COUNT_FIRST.test(text)));
}

/** Whether a line tells stitches in a way that a round may be told, or is like other rounds. */
export function mayBeRound(text: string, { works, figures, starts, whole, refers }: Looks): boolean {
  return !EXPLAINS.test(text) && (works ? figures || starts || whole : refers);
}

/** Whether a line by itself looks like a round, whatever else the text holds: "four rounds of 24", "begin: 6 sc ring". */
export function looksLikeRound(text: string, lexicon: Lexicon): boolean {
  if (text.length > LONGEST || EXPLAINS.test(text)) return false;
  const looks = lookAt(text, lexicon);
  return looks.works && looks.figures && stands(text, lexicon, looks);
}

/** Whether a line is a round also where no count is found in it. */
export function stands(
  text: string,
  lexicon: Lexicon,
  { tokens, figures, works, starts, refers, whole }: Looks,
): boolean {
  return (
    starts ||
    refers ||
    whole ||
    (figures && FLAT.test(text)) ||
    ROUNDS_ON.test(text) ||
    FOR_ROUNDS.test(text) ||
    COMES_BY.test(text) ||
    tellsCount(text, lexicon) ||
    (works && isAllCrochet(tokens, lexicon))
  );
}

/**
 * "…, still twenty-four", "… and you're down to six", "… all the way round eighteen": a clause with a figure that is of no
 * stitch and no repeat, or one behind all of those.
 */
function tellsCount(text: string, lexicon: Lexicon): boolean {
  const all = tokenize(text, { from: 0, to: text.length }, 200, lexicon.alphabet);
  if (endsOnCount(all, lexicon)) return true;
  return text.split(/[.,;:–—]|\sand\s/u).some((clause) => {
    const tokens = tokenize(clause, { from: 0, to: clause.length }, 20, lexicon.alphabet);
    const figures = tokens.filter(({ kind }) => kind === 'number');
    const speaks = tokens.some((_, i) => TELLS.has(lexicon.at(tokens, i)?.meaning.is ?? 'nothing'));
    return figures.length === 1 && (figures[0]?.value ?? 0) >= LEAST_COUNT && !speaks;
  });
}

/** Whether the last figure is of nothing that stands before it, and nothing of crochet comes after it. */
export function endsOnCount(tokens: readonly Token[], lexicon: Lexicon): boolean {
  const last = tokens.findLastIndex(({ kind }) => kind === 'number');
  if (last <= 0 || (tokens[last]?.value ?? 0) < LEAST_COUNT) return false;
  const before = meaningsIn(tokens.slice(0, last), lexicon).at(-1) ?? 'nothing';
  const after = meaningsIn(tokens.slice(last + 1), lexicon);
  return !after.some((meaning) => TELLS.has(meaning)) && (before === 'around' || !TELLS.has(before));
}

/** What the words and phrases mean, one after the other. */
export function meaningsIn(tokens: readonly Token[], lexicon: Lexicon): string[] {
  const meanings: string[] = [];
  for (let i = 0; i < tokens.length;) {
    const lexeme = lexicon.at(tokens, i);
    meanings.push(lexeme?.meaning.is ?? 'nothing');
    i += lexeme?.length ?? 1;
  }
  return meanings;
}

/** "24sc", "(sc, inc) x6": a line that holds nothing but crochet. */
function isAllCrochet(tokens: readonly Token[], lexicon: Lexicon): boolean {
  for (let i = 0; i < tokens.length;) {
    const lexeme = lexicon.at(tokens, i);
    if (tokens[i]?.kind === 'word' && !lexeme) return false;
    i += lexeme?.length ?? 1;
  }
  return true;
}

/** What a clause that tells a count does not speak of. */
const TELLS: ReadonlySet<string> = new Set([
  ...CROCHET,
  ...PLACES,
  'times',
  'round-word',
  'row-word',
  'chain-word',
  'magic-ring',
  'skip',
]);
const LEAST_COUNT = 4;

/**
 * The numbers of the rounds that a line tells, the first of which has the given number where it names none.
 * @param before the line that tells the round before it.
 */
export function numbersOf(text: string, first: number, before: string): number[] {
  const named = NUMBERED.exec(text);
  if (named?.[1] && ALIKE.test(text)) {
    const from = Number(named[1]);
    return range(from, Number(named[2] ?? from));
  }
  const begun = FIRST.exec(text)?.[1];
  if (begun !== undefined && ALIKE.test(text)) return range(1, valueOf(begun));
  const told =
    SO_MANY.exec(text) ??
    GO_ROUND.exec(text) ??
    ROUND_SO_OFTEN.exec(text) ??
    PLAIN_ROUNDS.exec(text) ??
    plainOnes(text, before);
  const many = told?.slice(1).find(Boolean);
  return range(first, first + (many === undefined ? 1 : valueOf(many)) - 1);
}

/** "8 plain" are rounds, where the round before does not end on eight stitches. */
function plainOnes(text: string, before: string): RegExpExecArray | null {
  const ones = PLAIN_ONES.exec(text);
  const count = /(?<!\d)\d{1,3}(?!.*\d)/.exec(before)?.[0];
  return ones && count !== undefined && valueOf(ones[1] ?? '') !== Number(count) ? ones : null;
}

function valueOf(written: string, otherwise = 1): number {
  return numeralsIn(written, { from: 0, to: written.length })[0]?.first ?? otherwise;
}

/** "then 8 plain rounds": how many rounds a line speaks of; 0 where it speaks of none. */
export function countOfRounds(text: string): number {
  const told = SO_MANY.exec(text) ?? PLAIN_ROUNDS.exec(text) ?? GO_ROUND.exec(text);
  return told ? valueOf(told[1] ?? told[2] ?? '', 0) : 0;
}

/** "Work 4 rounds straight.", "then even for six rnds", "4 rounds plain (24)": a line that says nothing else. */
const ONLY_PLAIN =
  /^\W*(?:(?:then|now|next|and)\W+)*(?:(?:work|crochet|do|go|continue|make|keep) )?(?:(?:on|going|straight|even|plain|nothing) )*(?:for )?(\d{1,3}|\p{L}{3,6}) (?:(?:more|plain|straight|even) )*(?:rounds?|rows?|rnds?|rds?)\.?(?: (?:straight|even|plain|unchanged|(?:without|no) (?:any )?(?:shaping|changes?|increas\p{L}+|decreas\p{L}+)))*(?: (?:on|of) \d{1,3}| \(\d{1,3}\p{L}*\))?\s*(?:[.:](?:\s.*)?|,? so .*)?$/iu;
const SAYS_EVEN = /(?<!\p{L})(?:straight|even|plain|nothing|unchanged|without|no)(?!\p{L})/iu;

/** How many plain rounds a line tells that tells nothing else; 0 for any other line. */
export function plainRoundsOf(text: string): number {
  return valueOf((SAYS_EVEN.test(text) && ONLY_PLAIN.exec(text)?.[1]) || '', 0);
}

const PLAIN_ROUNDS =
  /(?<!\p{L})(\d{1,3}|\p{L}{3,6}) (?:plain|straight|even|more plain) (?:rounds?|rows?|rnds?|rds?)(?!\p{L})/iu;

function range(from: number, to: number): number[] {
  return Array.from({ length: Math.max(0, Math.min(500, to - from + 1)) }, (_, i) => from + i);
}
