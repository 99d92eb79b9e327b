import type { Step } from '../../pattern/instruction.js';
import type { Span } from '../../text/source.js';
import type { Loops, StitchId } from '../../vocabulary/stitches.js';
import type { Lexicon, Meaning } from '../lexicon.js';
import type { Token } from '../lexer.js';
import { numeralsIn } from '../page/numerals.js';
import type { Sense } from '../../vocabulary/senses.js';

/** What is left of the words of an instruction when only what can bear on its count is kept. */
export type Item = Span & ItemKind;

type ItemKind =
  | { readonly is: 'number'; readonly value: number; readonly ordinal: boolean; readonly glued: boolean }
  | { readonly is: 'tool'; readonly stitch: StitchId | null; readonly per: number; readonly over: number }
  | { readonly is: 'times'; readonly times: number | null; readonly sign: boolean }
  | { readonly is: 'steps'; readonly steps: readonly Step[] }
  | { readonly is: 'chain' | 'skip' | 'ring' | 'from-hook' | 'other-side' | 'layers' }
  | { readonly is: 'loops'; readonly loops: Loops }
  | { readonly is: 'marker'; readonly kind: 'turn' | 'join' }
  | { readonly is: 'each' | 'around' | 'in' | 'next' | 'same' | 'last' | 'stitches' | 'together' }
  | { readonly is: 'repeat' | 'more' | 'total' | 'and' | 'rounds' }
  /** A comma is weak, the end of a sentence strong. */
  | { readonly is: 'break'; readonly strong: boolean }
  | { readonly is: 'open'; readonly close: number }
  | { readonly is: 'close' }
  | { readonly is: 'word'; readonly word: string };

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

const PLAIN_ROUND = /^(?:plain|straight|even)$/;
const STRONG = /^[.;!?:|]$/;

/**
 * The items of an instruction. Brackets and stars without a partner are left out, as are signs that part nothing.
 * @param senses what words mean in this hand that mean nothing by themselves.
 */
export function itemsOf(tokens: readonly Token[], lexicon: Lexicon, senses: ReadonlyMap<string, Sense>): Item[] {
  const items: Item[] = [];
  const open: number[] = [];
  for (let i = 0; i < tokens.length;) {
    const token = tokens[i];
    if (!token) break;
    const { from, to } = token;
    if (multiplies(tokens, i)) {
      items.push({ is: 'times', times: null, sign: true, from, to });
      i += 1;
      continue;
    }
    const lexeme = lexicon.at(tokens, i);
    // "*…; repeat from * to the end": what is repeated ends before the word.
    if (lexeme?.meaning.is === 'repeat') {
      const star = open.findLastIndex((at) => isStar(items[at]));
      const begun = star < 0 ? undefined : open.splice(star)[0];
      if (begun !== undefined) {
        const { from: start, to: end } = items[begun] ?? token;
        items[begun] = { is: 'open', close: items.length, from: start, to: end };
        items.push({ is: 'close', from, to: from });
      }
      items.push({ is: 'repeat', from, to: tokens[i + lexeme.length - 1]?.to ?? to });
      i += lexeme.length;
      if (tokens[i]?.kind === 'star') i += 1;
      continue;
    }
    if (token.kind === 'open' || (token.kind === 'star' && !open.some((at) => isStar(items[at])))) {
      open.push(items.length);
      items.push({ is: 'open', close: token.kind === 'star' ? -2 : -1, from, to });
      i += 1;
      continue;
    }
    if (token.kind === 'close' || token.kind === 'star') {
      const at = open.pop();
      if (at !== undefined) {
        const begun = items[at];
        if (begun) items[at] = { is: 'open', close: items.length, from: begun.from, to: begun.to };
        items.push({ is: 'close', from, to });
      }
      i += 1;
      continue;
    }
    // "into a loop go six": the loop of yarn that a piece begins in.
    if (token.word === 'loop' && items.length === 1 && items[0]?.is === 'in') {
      items.push({ is: 'ring', from, to });
      i += 1;
      continue;
    }
    const own = token.kind === 'word' ? ofSense(senseOf(token.word, senses)) : null;
    const phrase = own ? null : lexeme && (token.kind !== 'number' || lexeme.length > 1) ? lexeme : null;
    const item = phrase ? meant(phrase.meaning, token) : shortens(tokens, i) ? 'nothing' : bare(token, senses);
    if (item !== 'nothing') items.push({ ...item, from, to: tokens[i + (phrase?.length ?? 1) - 1]?.to ?? to });
    i += phrase?.length ?? 1;
  }
  return open.length > 0 ? withoutOpen(items) : items;
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
  // "are plain, 24": all around, and nothing shaped.
  if (PLAIN_ROUND.test(token.word)) return { is: 'around' };
  if (SAYS_NOTHING.has(meaning.is)) return 'nothing';
  switch (meaning.is) {
    case 'stitch':
      if (meaning.stitch === 'chain') return { is: 'chain' };
      return meaning.stitch === 'picot' ? 'nothing' : { is: 'tool', stitch: meaning.stitch, per: 1, over: 1 };
    case 'shaping':
      return { is: 'tool', stitch: meaning.stitch, per: meaning.per, over: meaning.over };
    case 'increase':
      return { is: 'tool', stitch: null, per: meaning.per, over: 1 };
    case 'decrease':
      return { is: 'tool', stitch: null, per: 1, over: meaning.over };
    case 'loops':
      return { is: 'loops', loops: meaning.loops };
    case 'steps':
      return meaning;
    case 'times':
      return { is: 'times', times: meaning.times, sign: meaning.times === null && !/^time/.test(token.word) };
    case 'round-word':
    case 'row-word':
      return { is: 'rounds' };
    case 'until':
    case 'leave':
    case 'remain':
      return { is: 'word', word: token.word };
    default:
      return PLAIN[meaning.is] ?? 'nothing';
  }
}

function bare(token: Token, senses: ReadonlyMap<string, Sense>): ItemKind | 'nothing' {
  if (token.kind === 'number' || token.kind === 'ordinal')
    return { is: 'number', value: token.value, ordinal: token.kind === 'ordinal', glued: token.glued };
  if (token.kind === 'mark') {
    if (token.word === ',' || token.word === '/') return { is: 'break', strong: false };
    if (/^[=→⇒➔]$/u.test(token.word)) return { is: 'total' };
    if (token.word === '+' || token.word === '&') return { is: 'and' };
    return STRONG.test(token.word) ? { is: 'break', strong: true } : 'nothing';
  }
  const roman =
    token.raw.length > 1 && /^[IVX]+$/.test(token.raw)
      ? numeralsIn(token.raw, { from: 0, to: token.raw.length })[0]
      : undefined;
  if (roman) return { is: 'number', value: roman.first, ordinal: false, glued: false };
  // "two sc between increases"
  if (token.word === 'between') return { is: 'and' };
  // "two ones and a two": stitches by how many go into one.
  if (token.word === 'ones') return { is: 'tool', stitch: null, per: 1, over: 1 };
  return ofSense(senseOf(token.word, senses)) ?? { is: 'word', word: token.word };
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

/** Where a step of the instruction stands. */
export function spanOf(items: readonly Item[], from: number, to: number): Span {
  const first = items[from];
  return { from: first?.from ?? 0, to: items[Math.max(from, to - 1)]?.to ?? first?.to ?? 0 };
}
