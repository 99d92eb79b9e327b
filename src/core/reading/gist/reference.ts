import type { RoundReference } from '../../pattern/pattern.js';
import type { Span } from '../../text/source.js';
import { numeralsIn } from '../page/numerals.js';

/** Words by which an instruction says that it is like another. */
const ALIKE = /(?<!\p{L})(?:same|as|like(?! (?:that|this)(?!\p{L}))|again|repeat|once more|rep|copy)(?!\p{L})/iu;
const LAST =
  /(?<!\p{L})(?:last|previous|preceding)\s+(?:(\d{1,2}|\p{L}{3,5})\s+)?(?:rounds?|rows?|rnds?|rds?|bars?|lines?)(?!\p{L})/iu;
const SAME_SO_MANY = /(?<!\p{L})same\s+(\d{1,2}|\p{L}{3,5})\s+(?:rounds?|rows?|rnds?|rds?)(?!\p{L})/iu;
const FIRST = /(?<!\p{L})first\s+(\d{1,2}|\p{L}{3,5})\s+(?:rounds?|rows?|rnds?|rds?)(?!\p{L})/iu;
const TIMES = /(\d{1,3}|\p{L}{3,6})\s+(?:more\s+)?times|(?<!\p{L})(twice)(?!\p{L})/iu;
/** "of the seat", "like the head", "that closed the head" */
const PIECE =
  /(?<!\p{L})(?:of|like|as|as for|closed|for)\s+(?:the|a|an)?\s*((?:first |other |second |left |right )?\p{L}{3,}(?:\s\d)?)(?=\W|$)/giu;
const NO_PIECE =
  /^(?:(?:first|other|second|left|right)\s)?(?:rounds?|rows?|rnds?|rds?|them|it|that|this|before|above|well|many|times?|each|every|stitch(?:es)?|sts?|one)$/iu;
/** "the same", "as before", "again" */
const ONLY_SAME = /^\W*(?:the\s+)?(?:same|again|as before|like before|repeat|once more|same again)\W*$/iu;
/** What may stand behind the number of a round. */
const BEHIND_ROUND =
  /^(?:and|to|through|till|until|again|once|twice|times?|more|for|but|of|on|in|at|from|except|with|without|only|as|like|just|the|above|here|was|were|did|done|is|are|then|exactly|same|too|also|ditto|before|rounds?|rows?|rnds?|rds?)$/iu;
const LONGEST = 160;
const MOST = 200;

/** The earlier rounds that an instruction says it is like, in whatever words; null where it names none. */
export function referenceIn(text: string, { from, to }: Span): RoundReference | null {
  const words = text.slice(from, Math.min(to, from + LONGEST));
  if (!ALIKE.test(words)) return null;
  const span = { from, to };
  const part = [...words.matchAll(PIECE)]
    .map((match) => match[1]?.toLowerCase() ?? '')
    .findLast((name) => !NO_PIECE.test(name));
  const named = part === undefined ? {} : { part };
  const last = LAST.exec(words) ?? SAME_SO_MANY.exec(words);
  const times = timesIn(words);
  if (last) {
    const count = last[1] === undefined ? 1 : (valueOf(last[1]) ?? 1);
    return { rounds: [], last: count, times, ...named, span };
  }
  const first = FIRST.exec(words);
  const upTo = first?.[1] === undefined ? null : valueOf(first[1]);
  const rounds = upTo === null ? numbersIn(words, part ?? '') : Array.from({ length: upTo }, (_, i) => i + 1);
  if (rounds.length === 0 && part === undefined)
    return ONLY_SAME.test(words) ? { rounds: [], last: 1, times, span } : null;
  return { rounds, times, ...named, span };
}

function timesIn(words: string): number | null {
  const match = TIMES.exec(words);
  return match?.[2] ? 2 : match?.[1] ? valueOf(match[1]) : null;
}

function valueOf(word: string): number | null {
  return numeralsIn(word, { from: 0, to: word.length })[0]?.first ?? null;
}

function numbersIn(words: string, part: string): number[] {
  const timed = TIMES.exec(words);
  const rounds: number[] = [];
  for (const numeral of numeralsIn(words, { from: 0, to: words.length })) {
    // "Row 16 – 44 sts" names one row.
    const counts = /^\s*(?:sts?|stitch(?:es)?)(?!\p{L})/iu.test(words.slice(numeral.to));
    // "repeat 6 times - 6 sts" names none.
    if (counts && !numeral.single) continue;
    if (!counts && isAmount(words, numeral)) continue;
    const { first, last, from, to, kind } = counts ? (numeral.single ?? numeral) : numeral;
    // "the first leg" is a piece.
    if (part.startsWith(`${words.slice(from, to).toLowerCase()} `)) continue;
    if (kind === 'letter' || (timed && from >= timed.index && from < timed.index + timed[0].length)) continue;
    for (let number = first; number <= last && rounds.length < MOST; number += 1) rounds.push(number);
  }
  return rounds;
}

/** "(1 sc, 2 bumps) repeat": so many of something; "rep from * around. (12)": a count. Neither is the number of a round. */
function isAmount(words: string, { from, to }: Span): boolean {
  const behind = words.slice(to);
  const next = /^\s*(\p{L}+)/u.exec(behind)?.[1];
  const bracketed = /[([{]\s*$/.test(words.slice(0, from)) && /^\s*[)\]}]/.test(behind);
  return bracketed || (next !== undefined && !BEHIND_ROUND.test(next));
}
