import { once, type Amount, type Place } from '../pattern/instruction.js';
import type { Loops } from '../vocabulary/stitches.js';
import { filling } from './amount.js';
import { isWord, meaningAt, pass, tokenAt, type Reader } from './reader.js';

/** Where a step goes and into how many stitches: "in each of the next 5 sts". */
export interface Placement {
  readonly place: Place;
  /** Stitches of the edge that the words name; `fill` for "in each st around". */
  readonly amount: Amount;
  /** "the next 2 stitches together": they become one. */
  /** "each of the next 3 sts". */
  readonly each: boolean;
  readonly together: boolean;
  readonly loops: Loops | null;
  /** Nothing but the loops is named: "sc 18 in BLO". */
  readonly loopsOnly: boolean;
  /** The piece that the stitches belong to, where one is named: "of the second leg". */
  readonly source: string | null;
  readonly next: number;
}

const EDGE: Place = { kind: 'edge' };
const upTo = (times: number): Amount => ({ kind: 'times', times });

/**
 * `sc in next 5 sts`  `2 dc in each st around`  `6 sc in MR`  `sc in 2nd ch from hook`  `sc around`
 *     ^                     ^                         ^           ^                         ^
 */
export function placementAfter(reader: Reader, at: number): Placement | null {
  const placement = placementWords(reader, at);
  if (placement?.place.kind !== 'edge') return placement;
  const source = pieceNamed(reader, placement.next);
  return source ? { ...placement, source: source.name, next: source.next } : placement;
}

/** "(of) the second leg", "(of) the other leg": an ordinal or "other" and a word that means nothing else. */
function pieceNamed(reader: Reader, at: number): { name: string; next: number } | null {
  const which = tokenAt(reader, at);
  const noun = tokenAt(reader, at + 1);
  if (!which || noun?.kind !== 'word' || reader.lexeme(at + 1)) return null;
  const chosen = which.kind === 'ordinal' || ['other', 'left', 'right', 'same', 'this'].includes(which.word);
  return chosen ? { name: noun.word, next: at + 2 } : null;
}

function placementWords(reader: Reader, at: number): Placement | null {
  const otherSide = meaningAt(reader, at, 'other-side');
  const chains = otherSide ? tokenAt(reader, otherSide.next) : null;
  const chainsEnd = otherSide && chains?.kind === 'number' ? chainWord(reader, otherSide.next + 1) : null;
  // "along the other side of the 3 ch": a chain between two pieces, not the second half of an oval.
  if (chains && chainsEnd !== null) return found(EDGE, upTo(chains.value), chainsEnd);
  let i = at;
  const into = meaningAt(reader, i, 'in', 'both-layers');
  if (into?.meaning.is === 'both-layers') return found({ kind: 'both-layers' }, once, into.next);
  if (into) i = into.next;
  // "FPsc around each st": the post is gone around.
  const around = isWord(reader, i, 'around') && meaningAt(reader, i + 1, 'each', 'next') !== null;
  if (around) i += 1;
  const layers = meaningAt(reader, i, 'both-layers');
  if (layers) return found({ kind: 'both-layers' }, once, layers.next);

  let loops: Loops | null = null;
  const named = meaningAt(reader, i, 'loops');
  if (named) {
    loops = named.meaning.loops;
    i = pass(reader, named.next, 'in');
  }
  if (into) {
    const ring = meaningAt(reader, i, 'magic-ring');
    if (ring) return found({ kind: 'ring' }, once, ring.next);
    if (isWord(reader, i, 'mc')) return found({ kind: 'ring' }, once, i + 1);
  }
  const placed = stitchesNamed(reader, i, into !== null || around, loops);
  if (placed) return placed;
  const fill = filling(reader, i);
  if (fill && fill.amount.kind !== 'times') return { ...found(EDGE, fill.amount, fill.next), loops };
  return loops ? { ...found(EDGE, once, i), loops, loopsOnly: true } : null;
}

/** "each st around", "next 5 sts", "same st", "2nd ch from hook", "last ch", "each of the next 5 loops". */
function stitchesNamed(reader: Reader, at: number, afterIn: boolean, loopsBefore: Loops | null): Placement | null {
  let i = at;
  const each = meaningAt(reader, i, 'each');
  if (each) i = each.next;
  const same = meaningAt(reader, i, 'same');
  if (same) {
    const next = pass(reader, same.next, 'stitch-word', 'loop-word', 'chain-word', 'stitch');
    return found({ kind: 'same' }, once, pass(reader, next, 'stitch-word'));
  }
  const rank = tokenAt(reader, i);
  if (rank?.kind === 'ordinal') {
    const chain = chainWord(reader, i + 1);
    if (chain !== null) {
      const hook = meaningAt(reader, chain, 'from-hook');
      if (hook) return found({ kind: 'chain-from-hook', k: rank.value }, once, hook.next);
    }
    if (rank.value === 1) i += 1;
    else {
      const st = meaningAt(reader, i + 1, 'stitch-word', 'loop-word');
      return st && afterIn ? found(EDGE, once, st.next) : null;
    }
  }
  const last = meaningAt(reader, i, 'last');
  if (last) i = last.next;
  const next = meaningAt(reader, i, 'next');
  const remaining = next !== null && isWord(reader, i, 'remaining', 'rem');
  if (next) i = pass(reader, next.next, 'next');
  const chosen = each !== null || last !== null || next !== null || rank?.kind === 'ordinal';
  if (!chosen && !afterIn) return null;

  let count: number | null = null;
  const number = tokenAt(reader, i);
  if (number?.kind === 'number') {
    count = number.value;
    i = pass(reader, i + 1, 'more');
  }
  let loops = loopsBefore;
  const loopKind = meaningAt(reader, i, 'loops');
  if (loopKind) {
    loops = loopKind.meaning.loops;
    i = pass(reader, loopKind.next, 'in', 'each', 'next');
  }
  const ch = chainWord(reader, i);
  const word = ch ?? meaningAt(reader, i, 'stitch-word', 'loop-word', 'stitch')?.next ?? null;
  if (word !== null) i = pass(reader, word, 'stitch-word');
  else if (each && count === null && !meaningAt(reader, i, 'round-word', 'row-word')) {
    const fill = filling(reader, i);
    return { ...found(EDGE, fill?.amount ?? { kind: 'fill', leave: 0 }, fill?.next ?? i), loops };
  } else if (count === null && !loopKind && !(next && endsHere(reader, i))) return null;
  else if (!chosen && !endsHere(reader, i)) return null;

  if (last && ch !== null && count === null) return found({ kind: 'last-chain' }, once, i);
  if (remaining && count === null) return { ...found(EDGE, { kind: 'fill', leave: 0 }, i), loops };
  const tog = meaningAt(reader, i, 'together');
  if (tog)
    return {
      place: EDGE,
      amount: upTo(count ?? 2),
      together: true,
      each: each !== null,
      source: null,
      loopsOnly: false,
      loops,
      next: tog.next,
    };
  if (each && count === null) {
    const fill = filling(reader, i);
    const hook = fill ? fill.next : pass(reader, i, 'round-word', 'row-word');
    if (fill && fill.amount.kind === 'fill') return { ...found(EDGE, fill.amount, hook), loops };
    return { ...found(EDGE, { kind: 'fill', leave: 0 }, hook), loops };
  }
  if (loopKind && !each && count === null && next === null && last === null) {
    // "in back loop around"
    const fill = filling(reader, i);
    if (fill) return { ...found(EDGE, fill.amount, fill.next), loops };
  }
  return { ...found(EDGE, upTo(count ?? 1), i), each: each !== null, loops };
}

/** "[sc in 2, inc]": the figure alone is enough where the step ends with it. */
function endsHere(reader: Reader, at: number): boolean {
  const token = tokenAt(reader, at);
  return token === null || token.kind === 'close' || /^[,;.]$/.test(token.word);
}

function chainWord(reader: Reader, at: number): number | null {
  const meant = meaningAt(reader, at, 'stitch', 'chain-word');
  if (!meant) return null;
  if (meant.meaning.is === 'stitch' && meant.meaning.stitch !== 'chain') return null;
  return pass(reader, meant.next, 'stitch-word');
}

function found(place: Place, amount: Amount, next: number): Placement {
  return { place, amount, together: false, each: false, source: null, loopsOnly: false, loops: null, next };
}
