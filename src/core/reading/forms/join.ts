import { EDGE, pieceNamed } from '../placement.js';
import {
  isBoundary,
  isWord,
  meaningAt,
  pass,
  spanBetween,
  tokenAt,
  type InstructionForm,
  type Reader,
} from '../reader.js';

/**
 * The slip stitch that closes a round, and other words for it. It never counts.
 *
 * `sl st to first sc`   `join with sl st in first st`   `ss to top of ch 3`   `join`   `do not join`
 *  ^                     ^                               ^                     ^        ^
 */
export const join: InstructionForm = {
  name: 'join',
  begins: ['join', 'stitch', 'number'],
  read(reader, at) {
    const verb = meaningAt(reader, at, 'join');
    let i = verb ? verb.next : at;
    if (verb) i = pass(reader, i, 'round-word');
    if (isWord(reader, i, 'with', 'using', 'by', 'w')) i += 1;
    const joined = verb ? joinsPiece(reader, at, i) : null;
    if (joined !== null) return joined;
    const before = tokenAt(reader, i);
    const amount = before?.kind === 'number' && before.value === 1 ? i + 1 : i;
    const slip = meaningAt(reader, amount, 'stitch');
    if (slip?.meaning.stitch !== 'slip') {
      if (!verb) return null;
      const piece = isWord(reader, i, 'to', 'with') ? pieceNamed(reader, i + 1) : null;
      if (piece && (piece.name.startsWith('first ') || isBoundary(reader, piece.next))) {
        // To another piece: that closes no round.
        reader.found.remarks.push(spanBetween(reader, at, piece.next));
        return piece.next;
      }
      const target = firstStitch(reader, i);
      if (target === null && !isBoundary(reader, i) && !meaningAt(reader, i, 'and', 'turn')) return null;
      return emit(reader, at, target ?? i);
    }
    const target = firstStitch(reader, slip.next);
    if (target !== null) return emit(reader, at, target);
    if (
      isWord(reader, slip.next, 'to') &&
      (isWord(reader, slip.next + 1, 'join', 'close') || meaningAt(reader, slip.next + 1, 'join'))
    ) {
      const after = slip.next + 2;
      return emit(reader, at, pass(reader, after, 'round-word'));
    }
    if (isWord(reader, slip.next, 'join', 'close')) return emit(reader, at, slip.next + 1);
    if (!verb && closesFull(reader, slip.next)) return emit(reader, at, slip.next);
    return verb ? emit(reader, at, slip.next) : null;
  },
};

/** "join to leg 1 with a sc in any st", "join with sc to the first leg": a stitch of the piece that is joined, and no closing. */
function joinsPiece(reader: Reader, at: number, i: number): number | null {
  const before = isWord(reader, i, 'to') ? pieceNamed(reader, i + 1) : null;
  if (before && !isWord(reader, before.next, 'with', 'by')) return null;
  const article = before ? before.next + 1 : i;
  const one = tokenAt(reader, article)?.value === 1 || isWord(reader, article, 'a', 'an') ? article + 1 : article;
  const stitch = meaningAt(reader, one, 'stitch');
  if (!stitch || stitch.meaning.stitch === 'chain') return null;
  const piece = before ?? (isWord(reader, stitch.next, 'to') ? pieceNamed(reader, stitch.next + 1) : null);
  const next = before ? passAnySt(reader, stitch.next) : piece?.next;
  if (!piece || next === undefined || !isBoundary(reader, next)) return null;
  const [span, source] = [spanBetween(reader, at, next), piece.name];
  const amount = { kind: 'times', times: 1 } as const;
  if (stitch.meaning.stitch === 'slip') reader.found.remarks.push(span);
  else
    reader.steps.push({
      kind: 'work',
      stitch: stitch.meaning.stitch,
      per: 1,
      over: 1,
      amount,
      place: EDGE,
      source,
      span,
    });
  return next;
}

/** "… in any st": the index behind it; the same index where that does not stand there. */
function passAnySt(reader: Reader, at: number): number {
  const any = meaningAt(reader, at, 'in') && isWord(reader, at + 1, 'any') ? at + 2 : at;
  return any > at ? (meaningAt(reader, any, 'stitch-word', 'stitch')?.next ?? at) : at;
}

/** "… repeat around, sl st.": no stitch is left over for it. */
function closesFull(reader: Reader, at: number): boolean {
  const last = reader.steps.at(-1);
  const full =
    (last?.kind === 'repeat' || last?.kind === 'work') && last.amount?.kind === 'fill' && last.amount.leave === 0;
  const after = tokenAt(reader, at);
  return full && reader.depth === 0 && (after === null || after.kind === 'open' || isWord(reader, at, '.', '=', ','));
}

function emit(reader: Reader, at: number, next: number): number {
  reader.steps.push({ kind: 'join', span: spanBetween(reader, at, next) });
  return next;
}

/** "to first sc", "in first st", "in top of ch 3", "to the beginning ch", "to form a ring". */
function firstStitch(reader: Reader, at: number): number | null {
  let i = at;
  if (!isWord(reader, i, 'to', 'in', 'into', 'on', 'at', 'with')) return null;
  i += 1;
  if (isWord(reader, i, 'form', 'make')) return pass(reader, i + 1, 'magic-ring');
  // "sl st to corner"
  if (isWord(reader, i, 'corner')) return isWord(reader, i + 1, 'sp', 'space') ? i + 2 : i + 1;
  let said = false;
  for (let steps = 0; steps < 8; steps += 1) {
    const token = tokenAt(reader, i);
    if (!token) break;
    const chain = meaningAt(reader, i, 'stitch');
    // "sl st in first 2 sts" works them.
    if (said && token.kind === 'number' && !chainBehind(reader, i)) return null;
    if (token.kind === 'ordinal' && token.value === 1) said = true;
    else if (isWord(reader, i, 'top', 'beginning', 'beg', 'start', 'starting', 'begin', 'initial')) said = true;
    else if (chain) {
      i = chain.next;
      if (chain.meaning.stitch === 'chain') {
        if (tokenAt(reader, i)?.kind === 'number') i += 1;
        // "ss to first ch-2 sp"
        if (said && isWord(reader, i, 'sp', 'space')) return i + 1;
      }
      i = pass(reader, i, 'stitch-word');
      // "to first ch to form a ring"
      if (isWord(reader, i, 'to') && isWord(reader, i + 1, 'form', 'make')) i = pass(reader, i + 2, 'magic-ring');
      break;
    } else if (said && token.kind === 'number' && chainBehind(reader, i)) {
      // "to top of 3 ch"
    } else if (meaningAt(reader, i, 'stitch-word')) {
      i += 1;
      if (!isWord(reader, i, 'in')) break;
    } else if (!isWord(reader, i, 'in', 'both', 'loops', 'of')) break;
    i += 1;
  }
  return said ? i : null;
}

function chainBehind(reader: Reader, at: number): boolean {
  return meaningAt(reader, at + 1, 'stitch')?.meaning.stitch === 'chain';
}
