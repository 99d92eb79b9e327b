import type { Step } from '../../pattern/instruction.js';
import { REMARK_LEADS } from '../../vocabulary/words.js';
import { countInBracket, countIn } from '../count.js';
import { isFabricStep } from './work.js';
import { isWord, meaningAt, pass, spanBetween, tokenAt, type InstructionForm, type Reader } from '../reader.js';

/**
 * A count without brackets.
 *
 * `sc around = 18`   `sc around – 18 sts`   `dc in every st, 30 sts.`   `You now have 9 sts.`
 *            ^                  ^                              ^          ^
 */
export const stated: InstructionForm = {
  name: 'stated',
  begins: ['mark', 'number', 'total'],
  read(reader, at) {
    const token = tokenAt(reader, at);
    if (!token) return null;
    const total = meaningAt(reader, at, 'total');
    // "…, end with 2 sc (30)": the last stitches, where the count stands behind them.
    if (total && isWord(reader, at, 'end', 'ending', 'ends') && stitchesBeforeCount(reader, total.next))
      return total.next;
    const told = reader.found.reference !== null || reader.steps.some(isFabricStep);
    const sign = token.word === '=' || ((token.word === '-' || token.word === ':') && told);
    // "on the other side: 7 sc" goes on with the round.
    if (token.word === ':' && reader.steps.at(-1)?.kind === 'other-side') return null;
    const begun = reader.steps.length > 0 || reader.found.reference !== null;
    // "MR - 6 sc - 6": a ring has no count before its stitches.
    if (sign && token.word !== '=' && reader.steps.length > 0 && reader.steps.every(({ kind }) => kind === 'ring'))
      return null;
    if (!total && !sign && !(token.kind === 'number' && begun)) return null;
    const from = total ? pass(reader, total.next, 'total') : sign ? at + 1 : at;
    const first = isWord(reader, from, ':', '=') ? from + 1 : from;
    if (tokenAt(reader, first)?.kind !== 'number') return null;
    const rounds = total ? roundsOfSo(reader, at, first) : null;
    if (rounds !== null) return rounds;
    const other = countsOther(reader, at);
    if (other !== null) return other;
    const end = endOfCount(reader, first, token.word === '=' || total !== null);
    if (end === null || (token.word === ':' && worksOn(reader, end.next))) return null;
    const count = countIn(reader, first, end.figures);
    if (!count) return null;
    reader.found.stated = { ...count, span: spanBetween(reader, at, end.figures) };
    return end.next;
  },
};

/**
 * A last sentence of one figure and its stitch, behind more than plain stitches.
 *
 * `*1 sc, 2 sc in next; repeat from * 5 more times. 18 sc.`
 *                                                   ^
 */
export const countSentence: InstructionForm = {
  name: 'count-sentence',
  begins: ['number'],
  read(reader, at) {
    if (reader.depth > 0 || reader.tokens[at - 1]?.word !== '.' || !reader.steps.some(isManifold)) return null;
    const stitch = meaningAt(reader, at + 1, 'stitch');
    if (!stitch) return null;
    const end = isWord(reader, stitch.next, '.') ? stitch.next + 1 : stitch.next;
    if (tokenAt(reader, end) !== null && !goesOnWithout(reader, end)) return null;
    const count = countIn(reader, at, stitch.next);
    if (!count) return null;
    reader.found.stated = { ...count, span: spanBetween(reader, at, stitch.next) };
    return end;
  },
};

/** "back: 4 sc, inc": what stands behind the colon is the first of several steps. */
function worksOn(reader: Reader, at: number): boolean {
  const next = isWord(reader, at - 1, ',') ? at : isWord(reader, at, ',') ? at + 1 : null;
  return next !== null && meaningAt(reader, next, 'increase', 'decrease') !== null;
}

function isManifold(step: Step): boolean {
  return step.kind === 'repeat' || (step.kind === 'work' && step.amount.kind !== 'times');
}

/** Talk, a turn or the closing slip stitch: nothing that a figure before it could be a step of. */
function goesOnWithout(reader: Reader, at: number): boolean {
  const talk = /^\p{Lu}/u.test(tokenAt(reader, at)?.raw ?? '') && REMARK_LEADS.has(tokenAt(reader, at)?.word ?? '');
  return (
    talk ||
    meaningAt(reader, at, 'remark', 'turn', 'join') !== null ||
    meaningAt(reader, at, 'stitch')?.meaning.stitch === 'slip'
  );
}

/** "That's 15 rounds of 8." */
function roundsOfSo(reader: Reader, at: number, from: number): number | null {
  const unit = meaningAt(reader, from + 1, 'round-word', 'row-word');
  const rounds = tokenAt(reader, from);
  const each = unit && tokenAt(reader, unit.next);
  if (!unit || !rounds || each?.kind !== 'number') return null;
  const next = pass(reader, unit.next + 1, 'stitch-word', 'stitch');
  reader.found.statedRounds = { count: rounds.value, span: spanBetween(reader, from, from + 1) };
  reader.found.stated = { total: each.value, breakdown: [], span: spanBetween(reader, at, next) };
  return next;
}

/** "…, ss into last dc. 7 shells.": a sentence of its own at the end that counts something else than stitches. */
function countsOther(reader: Reader, at: number): number | null {
  const noun = tokenAt(reader, at + 1);
  if (reader.tokens[at - 1]?.word !== '.' || noun?.kind !== 'word' || reader.lexeme(at + 1) || !noun.word.endsWith('s'))
    return null;
  const next = isWord(reader, at + 2, '.') ? at + 3 : at + 2;
  if (tokenAt(reader, next) !== null) return null;
  reader.found.remarks.push(spanBetween(reader, at, next));
  return next;
}

function stitchesBeforeCount(reader: Reader, at: number): boolean {
  const stitch = tokenAt(reader, at)?.kind === 'number' ? meaningAt(reader, at + 1, 'stitch') : null;
  if (!stitch) return false;
  const open = isWord(reader, stitch.next, '.') ? stitch.next + 1 : stitch.next;
  return countInBracket(reader, open) !== null;
}

/** Where the figures end. Without a sign before them they must say that they count stitches. */
function endOfCount(reader: Reader, from: number, certain: boolean): { figures: number; next: number } | null {
  let i = from;
  let names = false;
  while (i < reader.end && i < from + 16) {
    const token = tokenAt(reader, i);
    if (!token) break;
    if (token.kind === 'number' || token.word === '=') i += 1;
    else if (token.word === ',' || token.word === '+') {
      if (tokenAt(reader, i + 1)?.kind !== 'number') break;
      i += 1;
    } else {
      const meant = meaningAt(reader, i, 'stitch-word', 'stitch', 'total');
      if (!meant) break;
      names = true;
      i = meant.next;
    }
  }
  const each = meaningAt(reader, i, 'each');
  // "through both sides, 6 across"
  const flat = reader.steps.some((step) => step.kind === 'work' && step.place.kind === 'both-layers');
  const across = flat ? pass(reader, i, 'around') : i;
  const after = each ? pass(reader, each.next, 'round-word', 'row-word', 'times') : across;
  const last = tokenAt(reader, after);
  const closed =
    last === null || last.kind === 'mark' || last.kind === 'open' || meaningAt(reader, after, 'and') !== null;
  if (!closed && !certain) return null;
  // "…, six times. 18."
  const ends = last === null || (last.word === '.' && tokenAt(reader, after + 1) === null);
  return names || certain || ends ? { figures: i, next: after } : null;
}
