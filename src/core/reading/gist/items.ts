import type { Span } from '../../text/source.js';
import type { Lexicon, Meaning } from '../lexicon.js';
import type { Token } from '../lexer.js';
import { numeralsIn } from '../page/numerals.js';
import type { Item, ItemKind } from './item.js';
import { phraseAt, PLAIN_ROUND } from './phrases.js';
import type { Sense } from '../../vocabulary/senses.js';

const PLAIN: Readonly<Partial<Record<Meaning['is'], ItemKind>>> = {
  'magic-ring': { is: 'ring' },
  skip: { is: 'skip' },
  turn: { is: 'marker', kind: 'turn' },
  join: { is: 'marker', kind: 'join' },
  repeat: { is: 'repeat' },
  around: { is: 'around' },
  'stitch-word': { is: 'stitches' },
  'chain-word': { is: 'stitches' },
  'loop-word': { is: 'stitches' },
  each: { is: 'each' },
  same: { is: 'same' },
  last: { is: 'last' },
  next: { is: 'next' },
  in: { is: 'in' },
  'from-hook': { is: 'from-hook' },
  'other-side': { is: 'other-side' },
  'both-layers': { is: 'layers' },
  together: { is: 'together' },
  total: { is: 'total' },
  more: { is: 'more' },
  and: { is: 'and' },
};

/** Words that say nothing of the count wherever they stand. */
const SAYS_NOTHING: ReadonlySet<Meaning['is']> = new Set([
  'work',
  'with',
  'invisible',
  'post',
  'evenly',
  'colour',
  'remark',
  'change',
  'counts-not',
]);

/** What the gist of an instruction can't do with. */
const LEFT: ReadonlySet<Meaning['is']> = new Set(['until', 'leave', 'remain']);
const STRONG = /^[.;!?:|]$/;

/**
 * The items of an instruction. Brackets and stars without a partner are left out, as are signs that part nothing.
 * @param senses what words mean in this hand that mean nothing by themselves.
 */
export function itemsOf(tokens: readonly Token[], lexicon: Lexicon, senses: ReadonlyMap<string, Sense>): Item[] {
  return new Items(tokens, lexicon, senses).read();
}

/** Reads the tokens of an instruction from left to right into its items. */
class Items {
  readonly #tokens: readonly Token[];
  readonly #lexicon: Lexicon;
  readonly #senses: ReadonlyMap<string, Sense>;
  readonly #items: Item[] = [];
  /** The indexes of brackets and stars that have no partner yet. */
  readonly #open: number[] = [];

  constructor(tokens: readonly Token[], lexicon: Lexicon, senses: ReadonlyMap<string, Sense>) {
    this.#tokens = tokens;
    this.#lexicon = lexicon;
    this.#senses = senses;
  }

  read(): Item[] {
    for (let i = 0; i < this.#tokens.length;) {
      const token = this.#tokens[i];
      if (!token) break;
      i = this.#sign(i, token) ?? this.#phrase(i, token);
    }
    return this.#open.length > 0 ? withoutOpen(this.#items) : this.#items;
  }

  /** A star, a bracket, the loop that begins a piece, or the word that repeats; the index behind it, null where none stands. */
  #sign(i: number, token: Token): number | null {
    const { kind, from, to } = token;
    if (this.#startsLoop(i, token)) {
      if (isThat(this.#items.at(-1))) this.#items.pop();
      this.#items.push({ is: 'ring', from, to });
      return i + 1;
    }
    if (multiplies(this.#tokens, i)) {
      this.#items.push({ is: 'times', times: null, sign: true, from, to });
      return i + 1;
    }
    const lexeme = this.#lexicon.at(this.#tokens, i);
    if (lexeme?.meaning.is === 'repeat') return this.#repeats(i, lexeme.length);
    if (kind !== 'open' && kind !== 'close' && kind !== 'star') return null;
    const opens = kind === 'open' || (kind === 'star' && !this.#open.some((at) => isStar(this.#items[at])));
    if (opens) {
      this.#open.push(this.#items.length);
      this.#items.push({ is: 'open', close: kind === 'star' ? -2 : -1, from, to });
    } else this.#closes(this.#open.pop(), { from, to });
    return i + 1;
  }

  #closes(at: number | undefined, span: Span): void {
    const begun = at === undefined ? undefined : this.#items[at];
    if (at === undefined || !begun) return;
    this.#items[at] = { is: 'open', close: this.#items.length, from: begun.from, to: begun.to };
    this.#items.push({ is: 'close', ...span });
  }

  /** "*…; repeat from * to the end": what is repeated ends before the word. */
  #repeats(i: number, length: number): number {
    const { from = 0, to = 0 } = this.#tokens[i] ?? {};
    const star = this.#open.findLastIndex((at) => isStar(this.#items[at]));
    if (star >= 0) this.#closes(this.#open.splice(star)[0], { from, to: from });
    this.#items.push({ is: 'repeat', from, to: this.#tokens[i + length - 1]?.to ?? to });
    return this.#tokens[i + length]?.kind === 'star' ? i + length + 1 : i + length;
  }

  /** A word or a phrase, a figure, or a sign that parts; the index behind it. */
  #phrase(i: number, token: Token): number {
    const several = phraseAt({ tokens: this.#tokens, lexicon: this.#lexicon, before: this.#items.at(-1)?.is }, i);
    if (several && !this.#tokens.slice(i, several.next).some(({ word }) => this.#lexicon.remakes(word)))
      return this.#push(several.item ?? 'nothing', i, several.next);
    const own = token.kind === 'word' ? ofSense(senseOf(token.word, this.#senses)) : null;
    const lexeme = own ? null : this.#lexicon.at(this.#tokens, i);
    const phrase = lexeme && (token.kind !== 'number' || lexeme.length > 1) ? lexeme : null;
    const next = i + (phrase?.length ?? 1);
    const item = phrase ? this.#meant(phrase.meaning, token) : this.#bare(i, token);
    return this.#push(item, i, next);
  }

  /** Puts what the words from one index to another come to behind the others; the second index. */
  #push(item: ItemKind | 'nothing', from: number, next: number): number {
    const [first, last] = [this.#tokens[from], this.#tokens[next - 1]];
    if (item !== 'nothing' && first) this.#items.push({ ...item, from: first.from, to: last?.to ?? first.to });
    return next;
  }

  /** "into a loop go six", "seven singles in a loop": the loop of yarn that a piece begins in. */
  #startsLoop(i: number, { word }: Token): boolean {
    if (makesLoop(this.#tokens, i)) return true;
    const before = isThat(this.#items.at(-1)) ? this.#items.at(-2) : this.#items.at(-1);
    // "make a loop, and into it six", "…, and eight in the loop"
    if ((word === 'it' || word === 'loop') && before?.is === 'in' && this.#items.some(({ is }) => is === 'ring'))
      return true;
    const told = this.#items.filter(({ is }) => is !== 'number' && is !== 'word' && is !== 'break');
    const plain = told.length === 1 || (told.length === 2 && told[0]?.is === 'tool');
    return word === 'loop' && plain && before?.is === 'in';
  }

  /** "0 > plain": in front of a round by how many stitches it grows, and no amount of them. */
  #addsNone(i: number, { kind, value }: Token): boolean {
    const plain = this.#tokens.slice(1, 3).some(({ word }) => PLAIN_ROUND.test(word));
    return i === 0 && kind === 'number' && value === 0 && plain;
  }

  #meant(meaning: Meaning, token: Token): ItemKind | 'nothing' {
    // "are plain, 24": all around, and nothing shaped.
    const unshaped = PLAIN_ROUND.test(token.word) && !this.#lexicon.remakes(token.word);
    return unshaped ? { is: 'around' } : meant(meaning, token);
  }

  #bare(i: number, token: Token): ItemKind | 'nothing' {
    return shortens(this.#tokens, i) || this.#addsNone(i, token) ? 'nothing' : bare(token, this.#senses);
  }
}

/** "into this loop" */
function isThat(item: Item | undefined): boolean {
  return item?.is === 'word' && /^(?:this|that)$/.test(item.word);
}

/** "make a loop" */
export function makesLoop(tokens: readonly Token[], at: number): boolean {
  return tokens[at]?.word === 'loop' && /^(?:make|form|wind)$/.test(tokens[at - 1]?.word ?? '');
}

/** "inc*6", "(sc, inc) * 6": a star between what is done and a figure. */
function multiplies(tokens: readonly Token[], at: number): boolean {
  const [before, token, after] = [tokens[at - 1], tokens[at], tokens[at + 1]];
  if (token?.kind !== 'star' || after?.kind !== 'number' || before === undefined) return false;
  return before.kind === 'close' || (token.glued && after.glued);
}

/** "each st. double": a full stop behind a short word, where the sentence goes on. */
function shortens(tokens: readonly Token[], at: number): boolean {
  const [before, dot, after] = [tokens[at - 1], tokens[at], tokens[at + 1]];
  return (
    dot?.word === '.' &&
    dot.glued &&
    before?.kind === 'word' &&
    before.word.length <= 3 &&
    !/^(?:in|on|up|it|go|now|so|too|out|off|one|two|six|ten|all)$/.test(before.word) &&
    /^\p{Ll}/u.test(after?.raw ?? '')
  );
}

function isStar(item: Item | undefined): boolean {
  return item?.is === 'open' && item.close === -2;
}

/** Without the brackets that nothing closes; the others keep their partners. */
function withoutOpen(items: readonly Item[]): Item[] {
  const kept = items.map((item) => !(item.is === 'open' && item.close < 0));
  const moved = kept.map((_, at) => kept.slice(0, at).filter(Boolean).length);
  return items
    .filter((_, at) => kept[at])
    .map((item) => (item.is === 'open' ? { ...item, close: moved[item.close] ?? 0 } : item));
}

function meant(meaning: Meaning, token: Token): ItemKind | 'nothing' {
  if (SAYS_NOTHING.has(meaning.is)) return 'nothing';
  switch (meaning.is) {
    case 'stitch':
    case 'shaping':
    case 'increase':
    case 'decrease':
      return toolOf(meaning);
    case 'loops':
      return { is: 'loops', loops: meaning.loops };
    case 'steps':
      return meaning;
    case 'times':
      return { is: 'times', times: meaning.times, sign: meaning.times === null && !/^time/.test(token.word) };
    case 'round-word':
    case 'row-word':
      return { is: 'rounds' };
    default:
      return LEFT.has(meaning.is) ? { is: 'word', word: token.word } : (PLAIN[meaning.is] ?? 'nothing');
  }
}

type Tool = Extract<Meaning, { is: 'stitch' | 'shaping' | 'increase' | 'decrease' }>;

/** A stitch or a shaping, with how many go into how many. */
function toolOf(meaning: Tool): ItemKind | 'nothing' {
  if (meaning.is === 'increase') return { is: 'tool', stitch: null, per: meaning.per, over: 1 };
  if (meaning.is === 'decrease') return { is: 'tool', stitch: null, per: 1, over: meaning.over };
  if (meaning.is === 'shaping') return { is: 'tool', stitch: meaning.stitch, per: meaning.per, over: meaning.over };
  if (meaning.stitch === 'chain') return { is: 'chain' };
  return meaning.stitch === 'picot' ? 'nothing' : { is: 'tool', stitch: meaning.stitch, per: 1, over: 1 };
}

function bare(token: Token, senses: ReadonlyMap<string, Sense>): ItemKind | 'nothing' {
  if (token.kind === 'number' || token.kind === 'ordinal')
    return { is: 'number', value: token.value, ordinal: token.kind === 'ordinal', glued: token.glued };
  if (token.kind === 'mark') return markOf(token.word);
  const roman =
    token.raw.length > 1 && /^[IVX]+$/.test(token.raw)
      ? numeralsIn(token.raw, { from: 0, to: token.raw.length })[0]
      : undefined;
  if (roman) return { is: 'number', value: roman.first, ordinal: false, glued: false };
  // "two sc between increases"
  if (token.word === 'between') return { is: 'and' };
  const shape = SHAPES.get(token.word);
  if (shape) return { is: 'tool', stitch: null, ...shape };
  return ofSense(senseOf(token.word, senses)) ?? { is: 'word', word: token.word };
}

/** Stitches told by how many go into how many: "two ones and a two", "every third doubled", "six pairs", "all in twos". */
const SHAPES: ReadonlyMap<string, { readonly per: number; readonly over: number }> = new Map([
  ['ones', { per: 1, over: 1 }],
  ['doubled', { per: 2, over: 1 }],
  ['doubling', { per: 2, over: 1 }],
  ['tripled', { per: 3, over: 1 }],
  ['pair', { per: 1, over: 2 }],
  ['pairs', { per: 1, over: 2 }],
  ['paired', { per: 1, over: 2 }],
  ['twos', { per: 1, over: 2 }],
  ['halved', { per: 1, over: 2 }],
  ['halving', { per: 1, over: 2 }],
  ['pairing', { per: 1, over: 2 }],
  ['threes', { per: 1, over: 3 }],
]);

/** Whether a word tells a stitch by how many go into how many. */
export function tellsShape(word: string): boolean {
  return SHAPES.has(word);
}

/** A sign that parts, or says what comes out. */
function markOf(sign: string): ItemKind | 'nothing' {
  if (sign === ',' || sign === '/') return { is: 'break', strong: false };
  if (/^[=→⇒➔]$/u.test(sign)) return { is: 'total' };
  if (sign === '+' || sign === '&') return { is: 'and' };
  return STRONG.test(sign) ? { is: 'break', strong: true } : 'nothing';
}

/** What a word means in this hand, in the singular or the plural. */
function senseOf(word: string, senses: ReadonlyMap<string, Sense>): Sense | undefined {
  return senses.get(word) ?? (word.endsWith('s') ? senses.get(word.slice(0, -1)) : undefined);
}

function ofSense(sense: Sense | undefined): ItemKind | null {
  switch (sense) {
    case 'increase':
      return { is: 'tool', stitch: null, per: 2, over: 1 };
    case 'decrease':
      return { is: 'tool', stitch: null, per: 1, over: 2 };
    case 'stitch':
      return { is: 'tool', stitch: null, per: 1, over: 1 };
    case 'times':
      return { is: 'times', times: null, sign: false };
    case 'around':
      return { is: 'around' };
    case 'repeat':
      return { is: 'repeat' };
    case 'more':
      return { is: 'more' };
    default:
      return null;
  }
}
