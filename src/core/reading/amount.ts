import type { Amount } from '../pattern/instruction.js';
import type { StitchId } from '../vocabulary/stitches.js';
import { countInBracket } from './count.js';
import { isBoundary, isWord, meaningAt, pass, tokenAt, type Reader } from './reader.js';

export interface ReadAmount {
  readonly amount: Amount;
  readonly next: number;
}

/**
 * How often something before this place is done:
 * `(…) x 6`  `(…)*6`  `(…) 6 times`  `(…) twice`  `(…) around`  `(…) to last 2 sts`  `(…) repeat 6 times`
 *     ^          ^        ^              ^            ^             ^                     ^
 */
export function amountAfter(reader: Reader, at: number): ReadAmount | null {
  let i = at;
  const comma = tokenAt(reader, i);
  if ((comma?.word === ',' || comma?.word === ';') && meaningAt(reader, i + 1, 'repeat')) i += 1;
  const repeat = meaningAt(reader, i, 'repeat');
  if (repeat) i = repeat.next;
  // "Rep. around."
  if (repeat && isWord(reader, i, '.') && tokenAt(reader, i)?.glued && !isBoundary(reader, i + 1)) i += 1;
  if (isWord(reader, i, 'for') || isWord(reader, i, 'from')) i += 1;
  // "[sc 3, inc] repeat [ ] 6 times", "[sc 3, inc] - 6 times"
  if (repeat && tokenAt(reader, i)?.kind === 'open' && reader.partner[i] === i + 1) i += 2;
  if (isWord(reader, i, '-') && reader.tokens[i - 1]?.kind === 'close' && saysTimes(reader, i + 1)) i += 1;
  i = pass(reader, i, 'total');
  return counted(reader, i, repeat !== null) ?? filling(reader, i);
}

/** The index after "in total", "in all", "altogether"; the same index where nothing says so. */
export function passTotal(reader: Reader, at: number): number {
  return isWord(reader, at, 'in') && isWord(reader, at + 1, 'all') ? at + 2 : pass(reader, at, 'total');
}

/** "6 times": a figure with the word, and no count. */
function saysTimes(reader: Reader, at: number): boolean {
  return tokenAt(reader, at)?.kind === 'number' && meaningAt(reader, pass(reader, at + 1, 'more'), 'times') !== null;
}

/** "x 6", "×6", "*6", "6 times", "6x", "twice", "5 more times" (one more than it says). */
function counted(reader: Reader, at: number, afterRepeat: boolean): ReadAmount | null {
  const named = meaningAt(reader, at, 'times');
  if (named && named.meaning.times !== null) {
    // "repeat once more" is two in all.
    const later = pass(reader, named.next, 'more');
    return times(named.meaning.times + (later > named.next ? 1 : 0), later);
  }
  const token = tokenAt(reader, at);
  // In letters X is the stitch: "(white) X9".
  const signX = token?.raw === 'X' && !meaningAt(reader, at, 'stitch', 'shaping');
  const sign = (named && named.meaning.times === null) || isTimesSign(reader, at) || signX;
  if (sign) {
    const number = tokenAt(reader, at + 1);
    if (number?.kind !== 'number') return null;
    // "x 6 times around"
    return times(number.value, pass(reader, pass(reader, at + 2, 'times'), 'around'));
  }
  if (token?.kind !== 'number') return null;
  const more = pass(reader, at + 1, 'more');
  const word = meaningAt(reader, more, 'times');
  if (word) {
    // "x" belongs to a number before it only where nothing is counted after it: "6x", not "6 x sc".
    const after = tokenAt(reader, word.next);
    const opens = after?.kind === 'open' && !countInBracket(reader, word.next);
    if (!afterRepeat && opens && isWord(reader, more, 'x', '×')) return null;
    // "5 more times" and "5 times more" are six in all.
    const later = pass(reader, word.next, 'more');
    const again = more > at + 1 || later > word.next;
    return times(token.value + (again ? 1 : 0), pass(reader, passTotal(reader, later), 'around'));
  }
  // "(sc, inc)6"
  if (reader.tokens[at - 1]?.kind === 'close' && (token.glued || goesOn(reader, at + 1)))
    return times(token.value, at + 1);
  return afterRepeat ? times(token.value + (more > at + 1 ? 1 : 0), more) : null;
}

/** "(sc, inc) 6 [18]", "(inc) 12, 12 sc": a figure behind a bracket is no count where one follows, or the round goes on. */
function goesOn(reader: Reader, at: number): boolean {
  const token = tokenAt(reader, at);
  if (token?.kind === 'open') return countInBracket(reader, at) !== null;
  if (token?.word !== ',') return false;
  const next = tokenAt(reader, at + 1)?.kind === 'number' ? at + 2 : at + 1;
  return (
    tokenAt(reader, at + 1)?.kind === 'open' ||
    meaningAt(reader, next, 'stitch', 'shaping', 'increase', 'decrease') !== null
  );
}

/** "around", "to end", "to last 2 sts", "until 6 sts remain", "until closed". */
export function filling(reader: Reader, at: number): ReadAmount | null {
  let i = pass(reader, at, 'evenly');
  const around = meaningAt(reader, i, 'around');
  if (around) {
    i = allStitches(reader, passRound(reader, around.next));
    if (isWord(reader, i, 'in') && meaningAt(reader, i + 1, 'round-word')) i += 2;
    const target = leaving(reader, i);
    return target ?? { amount: { kind: 'fill', leave: 0 }, next: i };
  }
  // "sc rest of round"
  if (isWord(reader, i, 'rest', 'remainder')) {
    const way = isWord(reader, i + 1, 'way') ? i + 2 : passRound(reader, pass(reader, i + 1, 'stitch-word'));
    if (endsStep(reader, way)) return { amount: { kind: 'fill', leave: 0 }, next: way };
  }
  // "(sc 2, inc) all"
  if (isWord(reader, at, 'all') && reader.tokens[at - 1]?.kind === 'close' && endsStep(reader, at + 1))
    return { amount: { kind: 'fill', leave: 0 }, next: at + 1 };
  // "sc even (24)"
  if (isWord(reader, at, 'even') && endsStep(reader, at + 1))
    return { amount: { kind: 'fill', leave: 0 }, next: at + 1 };
  // "sc round" is "sc around", where the word ends the step.
  if (isWord(reader, i, 'round', 'rnd', 'rd') && endsStep(reader, i + 1))
    return { amount: { kind: 'fill', leave: 0 }, next: i + 1 };
  return leaving(reader, i);
}

function endsStep(reader: Reader, at: number): boolean {
  const token = tokenAt(reader, at);
  return token === null || (token.kind !== 'word' && token.kind !== 'number');
}

/** "around all sts": "sc across every stitch". */
function allStitches(reader: Reader, at: number): number {
  const each = meaningAt(reader, at, 'each');
  return (each && meaningAt(reader, each.next, 'stitch-word')?.next) ?? at;
}

/** The index after "of the previous round", "rnd", "the row below"; "of the" has been left out by then. */
export function passRound(reader: Reader, at: number): number {
  const which = isWord(
    reader,
    at,
    'previous',
    'prev',
    'last',
    'preceding',
    'current',
    'this',
    'prior',
    'whole',
    'entire',
  );
  const unit = meaningAt(reader, which ? at + 1 : at, 'round-word', 'row-word');
  if (!unit || tokenAt(reader, unit.next)?.kind === 'number') return at;
  return isWord(reader, unit.next, 'below', 'before') ? unit.next + 1 : unit.next;
}

function leaving(reader: Reader, at: number): ReadAmount | null {
  const until = meaningAt(reader, at, 'until');
  const to = until ? until.next : isWord(reader, at, 'to', 'up') ? at + 1 : at;
  if (to === at) return null;
  let i = isWord(reader, to, 'to') ? to + 1 : to;
  const last = meaningAt(reader, i, 'last');
  if (last) {
    i = last.next;
    const number = tokenAt(reader, i);
    const leave = number?.kind === 'number' ? number.value : 1;
    if (number?.kind === 'number') i += 1;
    return {
      amount: { kind: 'fill', leave },
      next: pass(reader, i, 'stitch-word', 'loop-word', 'chain-word', 'stitch'),
    };
  }
  if (!until) return null;
  const number = tokenAt(reader, i);
  if (number?.kind === 'number') {
    i = pass(reader, i + 1, 'stitch-word', 'loop-word');
    i = pass(reader, i, 'remain');
    return { amount: { kind: 'until-made', count: number.value }, next: i };
  }
  // "until hole is closed", "until it feels closed": all the words up to the end of the clause.
  let next = i;
  let closes = false;
  for (; next < reader.end && next < i + 8; next += 1) {
    const token = tokenAt(reader, next);
    if (token?.kind !== 'word') break;
    if (/^clos|^shut|^gone|^small|^tight/.test(token.word)) closes = true;
  }
  return closes ? { amount: { kind: 'open' }, next } : null;
}

/** A star or × right between two things is a sign of multiplication: `(…)*6`, `V*6`. */
export function isTimesSign(reader: Reader, at: number): boolean {
  const token = tokenAt(reader, at);
  const after = tokenAt(reader, at + 1);
  if (!token || after?.kind !== 'number') return false;
  if (token.word === '×') return true;
  if (token.kind !== 'star' || at === 0) return false;
  // Between stars a star closes: "*sc, inc* 6 times" is no "inc * 6".
  if (reader.inStar) return token.glued && after.glued && !isWord(reader, at + 2, 'x', '×', 'times');
  if (token.glued || after.glued || reader.tokens[at - 1]?.kind === 'close') return true;
  // "inc * 6": behind a stitch, and with nothing that a star could repeat from there.
  const behind = tokenAt(reader, at + 2);
  return meaningAt(reader, at - 1, 'stitch', 'shaping', 'increase', 'decrease') !== null && behind?.kind !== 'word';
}

function times(count: number, next: number): ReadAmount {
  return { amount: { kind: 'times', times: count }, next };
}

/** "sc both layers together, 12 sc", "crochet both sides together with 12 sc": how many, told behind where they go. */
export function figureBehind(reader: Reader, at: number): (ReadAmount & { readonly stitch: StitchId | null }) | null {
  const from = isWord(reader, at, ',', ':', '-', '–', 'with') ? at + 1 : at;
  const figure = tokenAt(reader, from);
  const stitch = from > at && figure?.kind === 'number' ? meaningAt(reader, from + 1, 'stitch', 'stitch-word') : null;
  if (!figure || !stitch || meaningAt(reader, stitch.next, 'more', 'in', 'together')) return null;
  return {
    amount: { kind: 'times', times: figure.value },
    stitch: stitch.meaning.is === 'stitch' ? stitch.meaning.stitch : null,
    next: stitch.next,
  };
}
