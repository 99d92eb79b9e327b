import * as z from 'zod/mini';

/** What a reply says to one query, or to several in one. */
export const replyPieceSchema = z.object({
  numbers: z.array(z.int()),
  text: z.string(),
  /** The designer agrees; wants it as it is; or says something that a person has to read. */
  says: z.enum(['agrees', 'as-is', 'words']),
  /** The one figure that it names. */
  figure: z.nullable(z.int()),
});
export type ReplyPiece = z.infer<typeof replyPieceSchema>;

export interface Reply {
  readonly pieces: readonly ReplyPiece[];
  /** What could not be put to any query, greetings and thanks among it, in the order in which it was written. */
  readonly left: readonly string[];
}

/** No reply is looked at further than this; characters. */
const LONGEST = 200_000;

/**
 * Takes a reply apart by the numbers of the queries that were asked. Nothing of it is lost but the lines that it quotes.
 * @param asked the numbers that may be meant, in order.
 */
export function splitReply(reply: string, asked: readonly number[]): Reply {
  const blocks = ownWords(reply.slice(0, LONGEST), asked);
  const found: { numbers: readonly number[] | 'rest'; text: string }[] = [];
  const left: string[] = [];
  const place = (numbers: readonly number[] | 'rest' | null, text: string) => {
    const [said, thanks] = withoutThanks(text);
    if (numbers === null) keep(left, text);
    else {
      if (said.trim() !== '') found.push({ numbers, text: said.trim() });
      keep(left, thanks);
    }
  };
  for (const { about, text } of blocks) {
    const leads = leadsIn(text, asked);
    const before = text.slice(0, leads[0]?.from ?? text.length);
    if (before.trim() !== '')
      for (const [numbers, words] of unnumbered(before, about, asked, leads.length === 0)) place(numbers, words);
    leads.forEach(({ numbers, to }, i) => place(numbers, text.slice(to, leads[i + 1]?.from)));
  }
  const named = new Set(found.flatMap(({ numbers }) => (numbers === 'rest' ? [] : numbers)));
  const rest = asked.filter((number) => !named.has(number));
  const pieces = found.flatMap(({ numbers, text }) => {
    const of = numbers === 'rest' ? rest : numbers;
    if (of.length === 0) left.push(text);
    return of.length === 0 ? [] : [{ numbers: [...of], text, ...meaningOf(text) }];
  });
  return { pieces, left };
}

function keep(left: string[], words: string): void {
  if (words.trim() !== '') left.push(words.trim());
}

const QUOTED = /^\s*[>|]/;
const WROTE = /^\s*(?:on|am|le|den)\b.{4,120}\b(?:wrote|schrieb|écrit|skrev)\b.{0,20}:\s*$/i;
const FORWARDED = /^\s*(?:-{2,}\s*(?:original|forwarded)|_{8,}|from:\s.+)/i;

/** What the writer has written, without what they quote; behind a quoted query it is about that one. */
function ownWords(reply: string, asked: readonly number[]): { about: number | null; text: string }[] {
  const blocks: { about: number | null; text: string }[] = [{ about: null, text: '' }];
  let about: number | null = null;
  let quoted = false;
  for (const line of reply.split(/\r\n?|\n/)) {
    if (FORWARDED.test(line)) break;
    if (WROTE.test(line)) continue;
    if (QUOTED.test(line)) {
      const number = Number(/^[\s>|]*(?:query\s*)?(\d{1,4})[.):]\s/i.exec(line)?.[1]);
      if (asked.includes(number)) about = number;
      quoted = true;
      continue;
    }
    if (quoted && line.trim() !== '') {
      blocks.push({ about, text: '' });
      quoted = false;
    }
    const last = blocks.at(-1);
    if (last) last.text += `${line}\n`;
  }
  return blocks.filter(({ text }) => text.trim() !== '');
}

interface Lead {
  readonly from: number;
  readonly to: number;
  readonly numbers: readonly number[] | 'rest';
}

const NUMBER_WORDS: readonly string[] = ['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];
const NUMBER = `(?:\\d{1,4}|${NUMBER_WORDS.join('|')})`;
const CALLED =
  '(?:(?:re|on|ad|for|query|queries|questions?|numbers?|nr|points?|your|q)\\b[.:]?[^\\S\\n]*|no\\.[^\\S\\n]*(?=\\d)|q(?=\\d))*';
const LEAD = new RegExp(
  `([-–•\\s]*${CALLED})([#([*]*)(${NUMBER}(?:\\s*(?:,|&|\\+|and|/|-|–|to)\\s*${NUMBER})*)([)\\]*]*)(\\s*\\.?[:)]|\\.|\\s[-–—]|)(\\s*)(?=\\S)`,
  'iy',
);
/** What an answer begins with, where nothing but a blank stands behind the number. */
const ANSWER =
  /^(?:yes|yep|no|nope|ok|okay|y|n|right|correct|agreed|sure|as|is|it|keep|leave|meant|fine|good|sorry)\b/i;
/** What is counted, and no answer: "3 rounds more". */
const COUNTED =
  /^(?:rounds?|rnds?|rows?|st|sts|stitch|stitches|sc|dc|hdc|tr|inc|dec|x|times|more|less|of|mm|cm|chains?|ch)\b/i;
const REST = /(?:everything|all)\s+else\s*[:,–-]?\s*|the\s+(?:rest|others)\s*[:,–-]?\s*/iy;

/** Where answers begin, with the numbers that they are to. */
function leadsIn(text: string, asked: readonly number[]): Lead[] {
  const leads: Lead[] = [];
  let at = 0;
  while (at < text.length) {
    const lead = isBoundary(text, at) ? leadAt(text, at, asked) : null;
    if (lead) leads.push(lead);
    at = lead ? lead.to : at + 1;
  }
  return leads;
}

function isBoundary(text: string, at: number): boolean {
  return at === 0 || /[^\p{L}\p{N}]/u.test(text[at - 1] ?? '');
}

function leadAt(text: string, at: number, asked: readonly number[]): Lead | null {
  REST.lastIndex = at;
  const rest = REST.exec(text);
  if (rest && startsSentence(text, at)) return { from: at, to: REST.lastIndex, numbers: 'rest' };
  LEAD.lastIndex = at;
  const found = LEAD.exec(text);
  if (!found) return null;
  const [, called = '', open = '', list = '', close = '', sign = '', blank = ''] = found;
  const start = at + called.length + open.length;
  for (const shorter of listsIn(list)) {
    const numbers = numbersIn(shorter, asked);
    if (numbers.length === 0) continue;
    const behind = shorter.length === list.length ? close + sign + blank : signBehind(text, start + shorter.length);
    const to = start + shorter.length + behind.length;
    if (isLead(text, at, to, { called, open, sign: behind.trim() })) return { from: at, to, numbers };
  }
  return null;
}

function signBehind(text: string, at: number): string {
  return /^\s*(?:[-–—.:)]\s*)?/.exec(text.slice(at, at + 20))?.[0] ?? '';
}

interface Around {
  readonly called: string;
  readonly open: string;
  readonly sign: string;
}

function isLead(text: string, at: number, to: number, { called, open, sign }: Around): boolean {
  const next = text.slice(to);
  const first = /(?:^|\n)[^\S\n]*$/.test(text.slice(0, at)) || /\n/.test(called);
  const marked = sign !== '' || open !== '' || /\p{L}/u.test(called);
  if (first) return marked || !COUNTED.test(next);
  if (!startsSentence(text, at) && !(sign !== '' && /\s$/.test(text.slice(0, at)))) return false;
  // "yes, 24. 2) no": a number behind a comma is what is answered, unless a colon or a bracket says otherwise.
  const comma = /,\s*$/.test(text.slice(0, at));
  if (marked) return !(comma && sign === '.') && !(open === '(' && !sign.startsWith(')'));
  return ANSWER.test(next);
}

function startsSentence(text: string, at: number): boolean {
  return /(?:^|[.!?;,\n])\s*$/.test(text.slice(Math.max(0, at - 20), at));
}

/** A list of numbers, and without its last members: "2 - 15" may be a number and its answer. */
function listsIn(list: string): string[] {
  const members = [...list.matchAll(new RegExp(NUMBER, 'gi'))];
  return members.map((_, i) => {
    const last = members[members.length - 1 - i];
    return last ? list.slice(0, last.index + last[0].length) : list;
  });
}

/** The numbers of a list, its ranges in full; none where one of them was not asked. */
function numbersIn(list: string, asked: readonly number[]): number[] {
  const numbers: number[] = [];
  for (const { 0: range } of list.matchAll(new RegExp(`${NUMBER}(?:\\s*(?:-|–|to)\\s*${NUMBER})?`, 'gi'))) {
    const [from = NaN, to = from] = [...range.matchAll(new RegExp(NUMBER, 'gi'))].map(({ 0: one }) => numberOf(one));
    if (!asked.includes(from) || !asked.includes(to)) return [];
    numbers.push(...asked.filter((number) => number >= from && number <= to));
  }
  return numbers;
}

function numberOf(word: string): number {
  return /\d/.test(word) ? Number(word) : NUMBER_WORDS.indexOf(word.toLowerCase()) + 1;
}

const ALL = /^\s*(?:both|all|everything|yes\s+to\s+(?:all|both))\b/i;
const ORDINAL =
  /(?:^|[.!?;\n]\s*)(the\s+)?(first|second|third|fourth|last)\b(?=\s+(?:one|query|question|is|was|should)\b)/gi;
const ORDINALS: readonly string[] = ['first', 'second', 'third', 'fourth'];

/** Words without a number: to the query that they stand under, to all, to the first and second, or to the only one. */
function unnumbered(
  text: string,
  about: number | null,
  asked: readonly number[],
  alone: boolean,
): (readonly [readonly number[] | 'rest' | null, string])[] {
  if (about !== null) return [[[about], text]];
  if (ALL.test(text)) return [['rest', text]];
  if (!alone) return [[null, text]];
  const ordinals = [...text.matchAll(ORDINAL)].flatMap(({ 0: whole, 2: word = '', index }) => {
    const number = word.toLowerCase() === 'last' ? asked.at(-1) : asked[ORDINALS.indexOf(word.toLowerCase())];
    return number === undefined ? [] : [{ number, at: index + (/^[.!?;]/.test(whole) ? 1 : 0) }];
  });
  if (ordinals.length > 0)
    return [
      [null, text.slice(0, ordinals[0]?.at)] as const,
      ...ordinals.map(({ number, at }, i) => [[number], text.slice(at, ordinals[i + 1]?.at)] as const),
    ];
  const [only, ...more] = asked;
  return [[only !== undefined && more.length === 0 && !THANKS.test(text) ? [only] : null, text]];
}

const THANKS =
  /^\s*(?:thanks?|thank\s+you|many\s+thanks|best|cheers|regards|kind\s+regards|warm|love|all\s+the\s+best|hope|have\s+a|hi|hello|dear)\b/i;

/** An answer, and the thanks and the name below it. */
function withoutThanks(text: string): [answer: string, thanks: string] {
  const lines = text.split('\n');
  const at = lines.findIndex((line, i) => i > 0 && THANKS.test(line));
  return at < 0 ? [text, ''] : [lines.slice(0, at).join('\n'), lines.slice(at).join('\n')];
}

const AS_IS =
  /\bas[\s-]is\b|\bas\s+(?:it\s+)?(?:is|stands|written)\b|\bmeant\s+(?:as|like)\b|\bon\s+purpose\b|\bintentional|\bdeliberate|^\W*leave\b|\bleave\s+(?:it|that|them)\b|\bkeep\b|\bstays?\b|\bno\s+changes?\b|\bhow\s+i\s+want\b|\bwhat\s+i\s+mean/i;
const AGREES =
  /^\W*(?:(?:both|all)\s+)?(?:yes|yep|yeah|y|ok|okay|right|correct|agreed?|sure|absolutely|exactly|good\s+(?:catch|spot)|my\s+(?:mistake|bad|fault)|please)\b|\b(?:you\s+are|you're|is)\s+right\b|\btypo\b|\bfine\s+to\s+change\b|\bplease\s+(?:do|change|fix)\b/i;
const FIGURE = /(?<![\d.,])\d{1,4}(?![\d]|[.,]\d)/g;

function meaningOf(text: string): Pick<ReplyPiece, 'says' | 'figure'> {
  const says = AS_IS.test(text) ? 'as-is' : AGREES.test(text) ? 'agrees' : 'words';
  const figures = text.replace(/\b(?:see|query|number|no\.?|#)\s*\d+/gi, '').match(FIGURE) ?? [];
  const [figure] = figures;
  return { says, figure: says !== 'as-is' && figures.length === 1 && figure !== undefined ? Number(figure) : null };
}
