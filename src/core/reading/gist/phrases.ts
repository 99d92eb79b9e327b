import type { Lexicon, Meaning } from '../lexicon.js';
import { namesPart } from '../headings.js';
import type { Token } from '../lexer.js';
import { changeAt } from './change.js';
import type { Item, ItemKind } from './item.js';

/** The words of an instruction, and what has been made of those before a place. */
interface Words {
  readonly tokens: readonly Token[];
  readonly lexicon: Lexicon;
  readonly before: Item['is'] | undefined;
}

/** What several words come to together, and the index behind them; no item where they say nothing of the count. */
export interface Phrase {
  readonly item: ItemKind | null;
  readonly next: number;
}

/** What words that stand together say of the count where each by itself says something else; null for all others. */
export function phraseAt(words: Words, at: number): Phrase | null {
  for (const phrase of PHRASES) {
    const found = phrase(words, at);
    if (found) return found;
  }
  return null;
}

/** Whether the word at an index is one of those that a pattern tells. */
function says(tokens: readonly Token[], at: number, words: RegExp): boolean {
  return words.test(tokens[at]?.word ?? '');
}

const PLAIN_STITCH: ItemKind = { is: 'tool', stitch: null, per: 1, over: 1 };
/** Words for a round in which nothing is shaped. */
export const PLAIN_ROUND = /^(?:plain|straight|even)$/;
/** And for a stitch that is none: "3 normal and an inc". */
export const PLAIN_ONE = /^(?:plain|straight|even|normal|ordinary|regular)$/;
const ROUND = /^a?round$/;
/** What is left of the round. */
export const REST = /^(?:rest|remainder|others)$/;
const UNCHANGED = /^(?:unchanged|unaltered|unshaped|changeless)$/;
const DENIES = /^(?:no|not|nothing|never|without|don['’]?t)$/;
const LEFT_ALONE =
  /^(?:(?:leave|let) (?:it|them|that) (?:alone|be|as it is|as they are)(?! \p{L})|(?:as (?:they|it) (?:come|stand|are|is)|nothing)$)/u;
const CHANGES = /^(?:chang|alter|shap|grow|increas|decreas|incs?$|decs?$|special|fancy|new$|happen|extra)/;
const LONGEST_DENIAL = 4;
const LONGEST_WINDING = 8;
/** What a figure before it is of. */
const OF_FIGURES: ReadonlySet<Meaning['is']> = new Set(['stitch', 'shaping', 'increase', 'decrease', 'times', 'in']);
const OF_SEVERAL: ReadonlySet<Item['is'] | undefined> = new Set(['number', 'stitches', 'each']);
const BEGIN_CLAUSES: ReadonlySet<Item['is'] | undefined> = new Set([undefined, 'break', 'word', 'close']);

const GETS = /^(?:gets?|receives?|takes?)$/;
/** What gets something: so many, every one, the next. */
const TAKERS: ReadonlySet<Item['is'] | undefined> = new Set(['number', 'each', 'next', 'stitches', 'last', 'around']);

/** "one in the others", "1 sc in each of the other 23": what is left of the round. */
function oneInOthers({ tokens, lexicon }: Words, at: number): Phrase | null {
  if (tokens[at]?.value !== 1) return null;
  const next = behindOthers(tokens, lexicon, behind(lexicon, tokens, at + 1, 'stitch'));
  return next === null ? null : { item: { is: 'rest' }, next };
}

/** The index behind "in the others", "in each of the other 23 sts"; null where they don't stand there. */
function behindOthers(tokens: readonly Token[], lexicon: Lexicon, at: number): number | null {
  const where = lexicon.at(tokens, at);
  const last = at + (where?.length ?? 1) - 1;
  if (where?.meaning.is === 'around') return says(tokens, last, /^others$/) ? last + 1 : null;
  if (where?.meaning.is !== 'in') return null;
  const other = says(tokens, at + 1, /^(?:all|each|every)$/) ? at + 2 : at + 1;
  if (!says(tokens, other, /^other$/) || tokens[other + 1]?.kind !== 'number') return null;
  return behind(lexicon, tokens, other + 2, 'stitch-word');
}

/** The index behind a word that means what is given; the same index where it doesn't stand there. */
function behind(lexicon: Lexicon, tokens: readonly Token[], at: number, meaning: Meaning['is']): number {
  const lexeme = lexicon.at(tokens, at);
  return lexeme?.meaning.is === meaning ? at + lexeme.length : at;
}

const PHRASES: readonly ((words: Words, at: number) => Phrase | null)[] = [
  oneInOthers,
  change,
  unshaped,
  eachTime,
  perStitch,
  onePlain,
  plainStitch,
  pairInOne,
  afterEvery,
  // "two together, straight on", "straight on eighteen"
  ({ tokens, lexicon }, at) => {
    const on = tokens[at + 1]?.word === 'on';
    if (!says(tokens, at, PLAIN_ROUND) || !(on || lexicon.at(tokens, at + 1)?.meaning.is === 'around')) return null;
    if (at === 0 && !on) return null;
    return { item: { is: at > 0 ? 'rest' : 'plain' }, next: at + 2 };
  },
  // "one double, rest normal"
  ({ tokens }, at) =>
    says(tokens, at, REST) && says(tokens, at + 1, PLAIN_ONE) ? { item: { is: 'rest' }, next: at + 2 } : null,
  roundSoOften,
  // "round and round for four rounds"
  ({ tokens }, at) =>
    says(tokens, at, ROUND) && tokens[at + 1]?.word === 'and' && says(tokens, at + 2, ROUND)
      ? { item: null, next: at + 3 }
      : null,
  plainSoOften,
  // "just sc, and 3 more the same", "…, two more like it": as many rounds
  ({ tokens, before }, at) => {
    if (tokens[at]?.kind !== 'number' || tokens[at + 1]?.word !== 'more' || before === undefined) return null;
    if (says(tokens, at + 2, /^(?:same|alike)$/)) return { item: null, next: at + 3 };
    const like = says(tokens, at + 2, /^(?:like|of)$/) && says(tokens, at + 3, /^(?:it|that|this|them|these|those)$/);
    return like ? { item: null, next: at + 4 } : null;
  },
  justWork,
  // "double up every stitch", "a double up"
  ({ tokens }, at) =>
    tokens[at]?.word === 'double' && tokens[at + 1]?.word === 'up'
      ? { item: { is: 'tool', stitch: null, per: 2, over: 1 }, next: at + 2 }
      : null,
  // "a loop with 6 in it"
  ({ tokens, before }, at) => {
    if (before !== undefined || !says(tokens, at, /^(?:loop|circle)$/)) return null;
    const into = tokens.findIndex(({ word }, i) => i > at && word === 'in' && tokens[i + 1]?.word === 'it');
    const figure = tokens.slice(at, Math.max(at, into)).some(({ kind }) => kind === 'number');
    return figure ? { item: { is: 'ring' }, next: at + 1 } : null;
  },
  // "two together the whole way"
  ({ tokens, before }, at) =>
    before === 'together' && tokens[at]?.word === 'whole' && tokens[at + 1]?.word === 'way'
      ? { item: { is: 'around' }, next: at + 2 }
      : null,
  // "Third colour."
  ({ tokens }, at) =>
    tokens[at]?.kind === 'ordinal' && says(tokens, at + 1, /^(?:colou?r|yarn|shade|wool)$/)
      ? { item: null, next: at + 2 }
      : null,
  // "join them all two by two": of two of them each time.
  ({ tokens }, at) =>
    tokens[at]?.value === 2 && tokens[at + 1]?.word === 'by' && tokens[at + 2]?.value === 2
      ? { item: null, next: at + 3 }
      : null,
  // "two are joined"
  ({ tokens, lexicon, before }, at) => {
    const joined = tokens[at + 1]?.word === 'joined' || lexicon.at(tokens, at + 1)?.meaning.is === 'together';
    return before === 'number' && tokens[at]?.word === 'are' && joined
      ? { item: { is: 'together' }, next: at + 2 }
      : null;
  },
  // "two get one each, and the third gets two"
  ({ tokens, before }, at) =>
    says(tokens, at, GETS) && TAKERS.has(before) ? { item: { is: 'gets' }, next: at + 1 } : null,
  // "wind the yarn round your finger"
  ({ tokens }, at) => {
    if (!says(tokens, at, /^(?:wind|wrap)$/)) return null;
    const finger = tokens.findIndex(({ word }, i) => i > at && i < at + LONGEST_WINDING && /^fingers?$/.test(word));
    return finger < 0 ? null : { item: { is: 'ring' }, next: finger + 1 };
  },
  // "next four rounds"
  ({ tokens, lexicon }, at) => {
    const rounds = tokens[at + 1]?.kind === 'number' ? lexicon.at(tokens, at + 2)?.meaning.is : undefined;
    const next = tokens[at]?.word === 'next' && (rounds === 'round-word' || rounds === 'row-word');
    return next ? { item: null, next: at + 1 } : null;
  },
  // "next time round"
  ({ tokens, lexicon }, at) => {
    if (tokens[at]?.word !== 'next' || tokens[at + 1]?.word !== 'time') return null;
    const around = lexicon.at(tokens, at + 2);
    const round = around?.meaning.is === 'around' || around?.meaning.is === 'round-word';
    return { item: null, next: at + 2 + (round ? around.length : 0) };
  },
  // "inc in alternate stitches"
  ({ tokens, before }, at) =>
    tokens[at]?.word === 'alternate' && before !== 'each' ? { item: { is: 'behind', plain: 1 }, next: at + 1 } : null,
  // "once around"
  ({ tokens, lexicon }, at) => {
    const around = tokens[at]?.word === 'once' ? lexicon.at(tokens, at + 1) : null;
    return around?.meaning.is === 'around' ? { item: { is: 'around' }, next: at + 1 + around.length } : null;
  },
  thatPiece,
  // "every other one", and not "each of the other two"
  ({ tokens, before }, at) =>
    tokens[at]?.word === 'other' &&
    before === 'each' &&
    tokens[at - 1]?.word !== 'per' &&
    !((tokens[at + 1]?.value ?? 0) > 1)
      ? { item: { is: 'number', value: 2, ordinal: true, glued: false }, next: at + 1 }
      : null,
  twoAsOne,
  // "every 3rd and 4th joined": of stitches, and no end of a round.
  ({ tokens, before }, at) =>
    tokens[at]?.word === 'joined' && OF_SEVERAL.has(before) ? { item: { is: 'together' }, next: at + 1 } : null,
  // "six pairs, and there are six"
  ({ tokens }, at) =>
    tokens[at]?.word === 'there' && tokens[at + 1]?.word === 'are' && tokens[at + 2]?.kind === 'number'
      ? { item: { is: 'total' }, next: at + 2 }
      : null,
];

/** "+ 6", "add 8": a figure that no stitch stands behind, at the start of a clause. */
function change({ tokens, lexicon, before }: Words, at: number): Phrase | null {
  const found = BEGIN_CLAUSES.has(before) ? changeAt(tokens, at) : null;
  if (!found || (isSign(tokens[at]) && !leadsToCount(tokens, found.figure))) return null;
  const words = lexicon.at(tokens, found.figure + 1);
  const next = found.figure + 1 + (words?.meaning.is === 'stitch-word' ? words.length : 0);
  const behind = lexicon.at(tokens, next)?.meaning.is;
  if (behind !== undefined && OF_FIGURES.has(behind)) return null;
  return { item: { is: 'change', by: found.sign * (tokens[found.figure]?.value ?? 0) }, next };
}

function isSign(token: Token | undefined): boolean {
  return token?.kind === 'mark' || token?.word === '+';
}

/** "− 6 = 12", "+ 6 (18)": behind the change the count; "sc around – 24" ends on its count. */
function leadsToCount(tokens: readonly Token[], figure: number): boolean {
  const behind = says(tokens, figure + 1, /^(?:sts?|stitches)$/) ? figure + 2 : figure + 1;
  const [sign, count] = [tokens[behind], tokens[behind + 1]];
  return count?.kind === 'number' && (sign?.kind === 'open' || /^[=→⇒➔]$/u.test(sign?.word ?? ''));
}

/** "nothing changes", "without changing anything", "unchanged", "no more growing", "leave it alone". */
function unshaped({ tokens }: Words, at: number): Phrase | null {
  const words = tokens.slice(at, at + LONGEST_DENIAL).map(({ word }) => word);
  if (UNCHANGED.test(words[0] ?? '')) return { item: { is: 'plain' }, next: at + 1 };
  // "five rounds of nothing", "leave it alone"
  const left = LEFT_ALONE.exec(words.join(' '))?.[0];
  if (left) return { item: { is: 'plain' }, next: at + left.split(' ').length };
  if (!DENIES.test(words[0] ?? '')) return null;
  const changes = words.findIndex((word, i) => i > 0 && CHANGES.test(word));
  // "four rounds without anything"
  const behind = tokens[at + 2];
  if (words[0] === 'without' && words[1] === 'anything' && (!behind || behind.kind !== 'word'))
    return { item: { is: 'plain' }, next: at + 2 };
  if (changes < 0) return null;
  const any = /^any(?:thing)?$/.test(words[changes + 1] ?? '');
  return { item: { is: 'plain' }, next: at + changes + (any ? 2 : 1) };
}

const ALWAYS = /^(?:always|only|just|then|now)$/;

const PARTS = /^(?:[,;&+/]|and|then)$/;

/** "tog every 3rd and 4th stitch", "always tog", "(1, tog)", "2 and tog": a decrease that is called by what it does. */
function twoAsOne({ tokens, lexicon }: Words, at: number): Phrase | null {
  const word = lexicon.at(tokens, at);
  if (word?.meaning.is !== 'together') return null;
  const next = at + word.length;
  const [after, behind] = [tokens[next], lexicon.at(tokens, next)?.meaning.is];
  const ends = after === undefined || after.kind === 'open' || after.kind === 'close' || says(tokens, next, PARTS);
  const goesOn = behind === 'each' || behind === 'around';
  const first = tokens.slice(0, at).every((token) => ALWAYS.test(token.word));
  const stands = first || standsBehind(tokens, lexicon, at);
  return stands && (goesOn || (ends && at > 0)) ? { item: { is: 'tool', stitch: null, per: 1, over: 2 }, next } : null;
}

/** Whether a clause begins with a word, and the one before it is of so many: "the next two, together" are these two. */
function standsBehind(tokens: readonly Token[], lexicon: Lexicon, at: number): boolean {
  if (!says(tokens, at - 1, PARTS)) return false;
  const begins = tokens.findLastIndex(({ kind, word }, i) => i < at - 1 && (kind === 'open' || PARTS.test(word)));
  return tokens.slice(begins + 1, at - 1).every((_, i) => lexicon.at(tokens, begins + 1 + i)?.meaning.is !== 'next');
}

/** "35 every time" says no more than 35. */
function eachTime({ tokens, lexicon }: Words, at: number): Phrase | null {
  const each = lexicon.at(tokens, at);
  const behind = at + (each?.length ?? 1);
  const time = each?.meaning.is === 'each' && says(tokens, behind, /^(?:time|round|row)$/);
  return time ? { item: null, next: behind + 1 } : null;
}

/** "after every three", "after each 3rd stitch": so many plain ones come before each. */
function afterEvery({ tokens, lexicon }: Words, at: number): Phrase | null {
  const each = tokens[at]?.word === 'after' ? lexicon.at(tokens, at + 1) : null;
  if (each?.meaning.is !== 'each') return null;
  // "every one" is one word in other places.
  const behind = at + 1 + each.length;
  const figure = tokens[behind - 1]?.value === 1 ? behind - 1 : behind;
  const token = tokens[figure];
  const stitch = lexicon.at(tokens, behind);
  if (stitch?.meaning.is === 'stitch-word') return { item: { is: 'behind', plain: 1 }, next: behind + stitch.length };
  if (token?.kind !== 'number' && token?.kind !== 'ordinal') return null;
  const one = tokens[figure + 1]?.word === 'one' ? 1 : 0;
  return { item: { is: 'behind', plain: token.value }, next: figure + 1 + one };
}

/** "*5 dc in next* this is ear one, 3 sc", "…, that's the left ear,": which of the pieces it is. */
function thatPiece({ tokens }: Words, at: number): Phrase | null {
  const said = says(tokens, at, /^(?:this|that|here)$/) && tokens[at + 1]?.word === 'is' ? at + 2 : at;
  const names = tokens.findIndex(({ word }, i) => i >= said && i < said + LONGEST_NAME && namesPart(word));
  if (names < 0 || (said === at && names > at)) return null;
  const numbered = tokens[names + 1]?.kind === 'number';
  const next = numbered ? names + 2 : names + 1;
  const ends = tokens[next] === undefined || tokens[next].kind === 'mark';
  return ends && (numbered || said > at) ? { item: null, next } : null;
}

/** "the left ear" */
const LONGEST_NAME = 3;

/** "x5 plain", "5x straight", "plain x 4": so many rounds. */
function plainSoOften({ tokens, lexicon, before }: Words, at: number): Phrase | null {
  if (!BEGIN_CLAUSES.has(before)) return null;
  const three = tokens.slice(at, at + 3);
  const figure = three.find(({ kind }) => kind === 'number');
  const holds = (pattern: RegExp) => three.some(({ word }) => pattern.test(word));
  // "x 6 nothing special"
  const denied = unshaped({ tokens, lexicon, before }, at + 2);
  if (figure && denied && SIGN.test(three[0]?.word ?? '') && three[1] === figure)
    return { item: { is: 'plain', rounds: figure.value }, next: denied.next };
  if (!figure || !holds(SIGN) || !holds(PLAIN_ROUND)) return null;
  // "plain 4 x" is none of these.
  if (PLAIN_ROUND.test(three[1]?.word ?? '')) return null;
  return { item: { is: 'plain', rounds: figure.value }, next: at + 3 };
}

/** "five times round with nothing special": so many rounds, where nothing else is told of them. */
function roundSoOften({ tokens, lexicon, before }: Words, at: number): Phrase | null {
  const [figure, times] = [tokens[at], lexicon.at(tokens, at + 1)];
  const round = times?.meaning.is === 'times' && says(tokens, at + 1 + times.length, ROUND);
  if (!BEGIN_CLAUSES.has(before) || figure?.kind !== 'number' || !round) return null;
  const behind = at + 2 + times.length;
  const denied = unshaped({ tokens, lexicon, before }, tokens[behind]?.word === 'with' ? behind + 1 : behind);
  const ends = tokens[behind] === undefined || tokens[behind].kind === 'mark';
  return denied || ends ? { item: { is: 'plain', rounds: figure.value }, next: denied?.next ?? behind } : null;
}

/** "you just crochet", "keep going": a clause of nothing else is a round without anything. */
function justWork({ tokens, before }: Words, at: number): Phrase | null {
  if (!BEGIN_CLAUSES.has(before)) return null;
  // "just" is no word of its own to the lexer.
  const verb = says(tokens, at, ONLY) ? at + 1 : at;
  const behind = tokens[verb + 1];
  const ends = behind === undefined || behind.kind === 'mark';
  return says(tokens, verb, WORKS) && ends ? { item: { is: 'plain' }, next: verb + 1 } : null;
}

const ONLY = /^(?:simply|only|keep)$/;
const WORKS = /^(?:crochet(?:ing)?|work(?:ing)?|going)$/;

const SIGN = /^[x×]$/i;

/** "2 / st": so many for each. */
function perStitch({ tokens, lexicon }: Words, at: number): Phrase | null {
  const per = tokens[at]?.word === '/' && lexicon.at(tokens, at + 1)?.meaning.is === 'stitch-word';
  return per ? { item: { is: 'each' }, next: at + 1 } : null;
}

/** "then one plain" by itself: a round; "24 plain" may be so many stitches. */
function onePlain({ tokens, lexicon }: Words, at: number): Phrase | null {
  const [figure, plain, ...behind] = tokens.slice(at);
  const ends =
    behind.every(({ kind }, i) => (i === 0 ? kind === 'mark' : kind !== 'number')) && !works(behind, lexicon);
  const only = ends && tokens.slice(0, at).every(({ word }) => LEADS_ON.test(word));
  if (!only || figure?.kind !== 'number' || !PLAIN_ROUND.test(plain?.word ?? '')) return null;
  return { item: { is: 'plain', rounds: figure.value, orStitches: figure.value > 2 }, next: at + 2 };
}

/** Whether words tell stitches: "8 plain, off" tells none behind the comma. */
function works(tokens: readonly Token[], lexicon: Lexicon): boolean {
  return tokens.some((_, i) => {
    const meaning = lexicon.at(tokens, i)?.meaning.is;
    return meaning !== undefined && OF_FIGURES.has(meaning);
  });
}

const LEADS_ON = /^(?:then|now|and|next|finally|work|do)$/;

/** "one plain, one increase": a stitch as any other. */
function plainStitch({ tokens, lexicon, before }: Words, at: number): Phrase | null {
  if (before !== 'number' || !says(tokens, at, PLAIN_ONE)) return null;
  const after = lexicon.at(tokens, at + 1)?.meaning.is;
  const round = after === 'round-word' || after === 'row-word' || after === 'stitch';
  return round ? null : { item: PLAIN_STITCH, next: at + 1 };
}

/** "a pair in one", "twos into every stitch": two in it, and no two as one. */
function pairInOne({ tokens, lexicon }: Words, at: number): Phrase | null {
  if (!says(tokens, at, /^(?:pairs?|twos)$/) || lexicon.at(tokens, at + 1)?.meaning.is !== 'in') return null;
  const target = lexicon.at(tokens, at + 2)?.meaning.is;
  const one = tokens[at + 2]?.value === 1 || target === 'each' || target === 'next' || target === 'same';
  return one ? { item: { is: 'tool', stitch: null, per: 2, over: 1 }, next: at + 1 } : null;
}
