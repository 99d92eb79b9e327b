import { once, type Amount, type Place } from '../pattern/instruction.js';
import { isNear } from '../vocabulary/resembles.js';
import type { Loops } from '../vocabulary/stitches.js';
import { filling, passRound } from './amount.js';
import { passSpace } from './count.js';
import { rankAt } from './every.js';
import { isBoundary, isWord, meaningAt, pass, spanBetween, tokenAt, type Reader } from './reader.js';

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
  /** "the first 8 sts" */
  readonly first?: boolean;
  readonly next: number;
}

export const EDGE: Place = { kind: 'edge' };
const upTo = (times: number): Amount => ({ kind: 'times', times });

/**
 * `sc in next 5 sts`  `2 dc in each st around`  `6 sc in MR`  `sc in 2nd ch from hook`  `sc around`
 *     ^                     ^                         ^           ^                         ^
 */
export function placementAfter(reader: Reader, at: number): Placement | null {
  const placement = placementWords(reader, at);
  if (placement?.place.kind !== 'edge') return placement;
  // "dc in each st through both layers"
  const layers = meaningAt(reader, placement.next, 'both-layers');
  if (layers) return { ...placement, place: { kind: 'both-layers' }, next: layers.next };
  const first = placement.amount.kind === 'fill' ? fromChain(reader, placement.next) : null;
  if (first !== null) return { ...placement, next: first };
  // "each of 12 sts round first leg"
  const of = isWord(reader, placement.next, 'round', 'around', 'on', 'along') ? placement.next + 1 : placement.next;
  const source = pieceNamed(reader, of);
  if (!source && ofPiece(reader, placement.next)) return { ...placement, next: placement.next + 1 };
  return source ? { ...placement, source: source.name, next: source.next } : placement;
}

/** "sl st in each from 2nd ch": where the stitches along a chain begin, said behind them. */
function fromChain(reader: Reader, at: number): number | null {
  const from = isWord(reader, at, 'from') ? at + 1 : pass(reader, pass(reader, at, 'work'), 'with', 'in');
  const rank = from > at ? tokenAt(reader, from) : null;
  if (rank?.kind !== 'ordinal') return null;
  const chain = chainWord(reader, from + 1) ?? oneOfThese(reader, from + 1);
  const hook = meaningAt(reader, chain ?? from + 1, 'from-hook')?.next ?? chain;
  if (hook === null) return null;
  const next = isWord(reader, hook, 'on', 'onward', 'onwards') ? hook + 1 : hook;
  reader.steps.push({ kind: 'first-chain', k: rank.value, span: spanBetween(reader, at, next) });
  return next;
}

/** "from the 2nd one", "from the 2nd on": of the chain that has just been made. */
function oneOfThese(reader: Reader, at: number): number | null {
  if (!reader.steps.some(({ kind }) => kind === 'chain')) return null;
  if (isWord(reader, at, 'one')) return at + 1;
  return isWord(reader, at, 'on', 'onward', 'onwards') || at >= reader.end ? at : null;
}

/** "sl st in next 2 sts of head": one word behind an "of" that means nothing else only says where those stitches are. */
function ofPiece(reader: Reader, at: number): boolean {
  const word = tokenAt(reader, at);
  const before = reader.tokens[at - 1];
  if (word?.kind !== 'word' || !before || reader.lexeme(at) || !endsHere(reader, at + 1)) return false;
  return /^\s+of\s/.test(reader.text.slice(before.to, word.from + 1));
}

/** "(of) the second leg", "(of) the other leg", "leg 2": which one, and a word that means nothing else. */
export function pieceNamed(reader: Reader, at: number): { name: string; next: number } | null {
  const first = tokenAt(reader, at);
  const second = tokenAt(reader, at + 1);
  if (!first || !second) return null;
  const chosen = first.kind === 'ordinal' || WHICH.includes(first.word);
  const which = isWord(reader, at + 1, 'one') && endsHere(reader, at + 2);
  // "on other sidde" is misspelt, and no piece.
  if (THEM.includes(second.word) || (second.word !== 'side' && isNear(second.word, 'side'))) return null;
  if (chosen && (which || (second.kind === 'word' && !reader.lexeme(at + 1))))
    return { name: reader.text.slice(first.from, second.to).toLowerCase(), next: at + 2 };
  const numbered = first.kind === 'word' && first.word !== 'for' && second.kind === 'number';
  if (!numbered || reader.lexeme(at) || meaningAt(reader, at + 2, 'stitch-word', 'round-word', 'row-word', 'times'))
    return null;
  return { name: reader.text.slice(first.from, second.to).toLowerCase(), next: at + 2 };
}

const WHICH = ['other', 'left', 'right', 'same', 'this', 'front', 'back', 'both'];

function placementWords(reader: Reader, at: number): Placement | null {
  const otherSide = meaningAt(reader, pass(reader, at, 'in'), 'other-side');
  const chains = otherSide ? tokenAt(reader, otherSide.next) : null;
  const chainsEnd = otherSide && chains?.kind === 'number' ? chainWord(reader, otherSide.next + 1) : null;
  // "along the other side of the 3 ch": a chain between two pieces, not the second half of an oval.
  if (chains && chainsEnd !== null) return found(EDGE, upTo(chains.value), chainsEnd);
  const pieces = throughPieces(reader, at);
  if (pieces !== null) return { ...found(EDGE, once, pieces), loopsOnly: true };
  const rows = rowToRow(reader, at);
  if (rows) return rows;
  const space = spaceNamed(reader, at);
  if (space !== null) return found({ kind: 'surface' }, once, space);
  const surface = surfaceNamed(reader, at);
  if (surface !== null) return found({ kind: 'surface' }, once, surface);
  // "all in next st", "worked into one st"
  let i = isWord(reader, at, 'all', 'both', 'worked') && meaningAt(reader, at + 1, 'in') ? at + 1 : at;
  i = pass(reader, i, 'evenly');
  // "4 sc for both walls"
  if (isWord(reader, i, 'for') && meaningAt(reader, i + 1, 'both-layers')) i += 1;
  const into = meaningAt(reader, i, 'in', 'both-layers');
  if (into?.meaning.is === 'both-layers') return bothLayers(reader, into.next);
  if (into) i = into.next;
  // "FPsc around each st": the post is gone around.
  const around = isWord(reader, i, 'around') && meaningAt(reader, i + 1, 'each', 'next', 'post') !== null;
  if (around) i = pass(reader, i + 1, 'post');
  const layers = meaningAt(reader, i, 'both-layers');
  if (layers) return bothLayers(reader, layers.next);

  let loops: Loops | null = null;
  const named = meaningAt(reader, i, 'loops');
  if (named) {
    loops = named.meaning.loops;
    i = pass(reader, named.next, 'in');
  }
  if (into) {
    // "make a ring, 6 sc into it"
    if (isWord(reader, i, 'it', 'this') && reader.steps.some(({ kind }) => kind === 'ring' || kind === 'join'))
      return found({ kind: 'ring' }, once, i + 1);
    const ring = meaningAt(reader, i, 'magic-ring') ?? firstLoop(reader, i);
    if (ring) return found({ kind: 'ring' }, once, ring.next);
    if (isWord(reader, i, 'mc')) return found({ kind: 'ring' }, once, i + 1);
    const ofChain = oneOfChain(reader, i);
    if (ofChain) return ofChain;
    // "9 sc on fin 2, 9 sc on fin 1"
    const piece = isWord(reader, i - 1, 'on', 'over', 'into') ? pieceNamed(reader, i) : null;
    if (piece && endsHere(reader, piece.next))
      return { ...found(EDGE, once, piece.next), source: piece.name, loopsOnly: true };
  }
  // "sc 2 on ch": along the chain between two pieces.
  const bridge = isWord(reader, i - 1, 'on', 'over') ? chainWord(reader, i) : null;
  if (bridge !== null && endsHere(reader, bridge) && reader.steps.some(({ kind }) => kind === 'chain'))
    return { ...found(EDGE, once, bridge), loopsOnly: true };
  const along = meaningAt(reader, i, 'around');
  const chain = along ? chainWord(reader, along.next) : null;
  // "ch 8, sl st back along the chain"
  if (along && chain !== null && reader.steps.at(-1)?.kind === 'chain' && reader.steps.length === 1)
    reader.steps.push({ kind: 'first-chain', k: 2, span: spanBetween(reader, i, chain) });
  if (chain !== null) return found(EDGE, { kind: 'fill', leave: 0 }, chain);
  const placed = stitchesNamed(reader, i, into !== null || around, loops);
  if (placed) return placed;
  const fill = filling(reader, i);
  if (fill && fill.amount.kind !== 'times') return { ...found(EDGE, fill.amount, fill.next), loops };
  return loops ? { ...found(EDGE, once, i), loops, loopsOnly: true } : null;
}

/** "2 ch, 6 dc into the first of them": of the chains that have just been made. */
function oneOfChain(reader: Reader, at: number): Placement | null {
  const chain = reader.steps.at(-1);
  const rank = tokenAt(reader, at);
  if (chain?.kind !== 'chain' || rank?.kind !== 'ordinal' || !isWord(reader, at + 1, ...THEM)) return null;
  // The first that was made lies farthest from the hook.
  const k = rank.value === 1 ? chain.count : rank.value;
  return found({ kind: 'chain-from-hook', k }, once, at + 2);
}

const THEM = ['them', 'these', 'those'];

/** "through the ear and the head together": through what else says nothing of how many. */
function throughPieces(reader: Reader, at: number): number | null {
  if (!isWord(reader, at, 'through', 'thru')) return null;
  for (let i = at + 1; i < at + 8 && tokenAt(reader, i)?.kind === 'word'; i += 1) {
    if (meaningAt(reader, i, 'together')) return i > at + 2 ? i + 1 : null;
    // "through arm and body"
    const ends = i > at + 1 && meaningAt(reader, i, 'and') && !reader.lexeme(i + 1) && endsHere(reader, i + 2);
    if (ends && tokenAt(reader, i + 1)?.kind === 'word') return i + 2;
    if (meaningAt(reader, i, 'stitch', 'stitch-word', 'loops', 'loop-word', 'both-layers', 'shaping')) return null;
  }
  return null;
}

/** "6 dc in loop" at the very beginning: there is no loop yet but that of the yarn. */
function firstLoop(reader: Reader, at: number): { next: number } | null {
  const loop = isWord(reader, at, 'loop') && endsHere(reader, at + 1);
  const first = reader.depth === 0 && reader.steps.every(({ kind }) => kind === 'ring');
  return loop && first ? { next: at + 1 } : null;
}

/** "through both layers", "through both layers all the way round", "… along the top": all along them. */
function bothLayers(reader: Reader, at: number): Placement {
  const around = meaningAt(reader, at, 'around');
  if (!around) return found({ kind: 'both-layers' }, once, at);
  const side = isWord(reader, around.next, 'top', 'bottom', ...SURFACES) ? around.next + 1 : around.next;
  return found({ kind: 'both-layers' }, { kind: 'fill', leave: 0 }, side);
}

/** "sc row 18 to row 1 through both layers": two edges that lie on each other, one in each. */
function rowToRow(reader: Reader, at: number): Placement | null {
  const first = rowNumbered(reader, at);
  if (first === null || !isWord(reader, first, 'to', 'and', '&')) return null;
  const last = rowNumbered(reader, first + 1);
  if (last === null) return null;
  const next = pass(reader, pass(reader, last, 'together'), 'both-layers');
  return { ...found(EDGE, { kind: 'fill', leave: 0 }, next), each: true };
}

/** "row 18", "the first row": the index behind it. */
function rowNumbered(reader: Reader, at: number): number | null {
  const ordinal = tokenAt(reader, at)?.kind === 'ordinal' || meaningAt(reader, at, 'last') !== null;
  const row = meaningAt(reader, ordinal ? at + 1 : at, 'row-word', 'round-word');
  if (!row) return null;
  if (ordinal) return row.next;
  return tokenAt(reader, row.next)?.kind === 'number' ? row.next + 1 : null;
}

/** "each st around", "next 5 sts", "same st", "2nd ch from hook", "last ch", "each of the next 5 loops". */
function stitchesNamed(reader: Reader, at: number, afterIn: boolean, loopsBefore: Loops | null): Placement | null {
  let i = at;
  const each = meaningAt(reader, i, 'each');
  if (each) i = each.next;
  // "in every 2nd st", "in every other st" pass over stitches without saying what becomes of them.
  if (each && rankAt(reader, i) > 1) return null;
  const base = atBase(reader, i);
  if (base !== null) return found({ kind: 'same' }, once, base);
  const top = afterIn ? topOfChain(reader, i) : null;
  if (top !== null) return found(EDGE, once, top);
  const same = meaningAt(reader, i, 'same');
  if (same) {
    const next = pass(reader, same.next, 'stitch-word', 'loop-word', 'chain-word', 'stitch');
    return found({ kind: 'same' }, once, passAsJoining(reader, pass(reader, next, 'stitch-word')));
  }
  // "from 2nd ch from hook, inc in this st"
  const here = afterIn && isWord(reader, i, 'this') ? meaningAt(reader, i + 1, 'stitch-word', 'chain-word') : null;
  if (here && reader.steps.at(-1)?.kind === 'first-chain') return found(EDGE, once, here.next);
  const rank = tokenAt(reader, i);
  if (rank?.kind === 'ordinal') {
    const second = isWord(reader, i + 1, 'and', '&') ? tokenAt(reader, i + 2) : null;
    const both = second?.kind === 'ordinal' && second.value === rank.value + 1 ? chainWord(reader, i + 3) : null;
    const bothHook = both === null ? null : meaningAt(reader, both, 'from-hook');
    // "sl st in 2nd and 3rd ch from hook"
    if (bothHook) return found({ kind: 'chain-from-hook', k: rank.value }, upTo(2), bothHook.next);
    const chain = chainWord(reader, i + 1);
    if (chain !== null) {
      const hook = meaningAt(reader, chain, 'from-hook');
      if (hook) return found({ kind: 'chain-from-hook', k: rank.value }, once, hook.next);
      // "sc in 2nd ch and in each ch": the first stitch of a row can be counted from nowhere else.
      const begins = !reader.steps.some(({ kind }) => kind === 'work' || kind === 'group' || kind === 'repeat');
      if (afterIn && begins && rank.value > 1) return found({ kind: 'chain-from-hook', k: rank.value }, once, chain);
    }
    if (rank.value === 1) i += 1;
    else {
      // "two in the third", where the ones before have been told: each in its turn.
      const st = meaningAt(reader, i + 1, 'stitch-word', 'loop-word')?.next ?? (endsHere(reader, i + 1) ? i + 1 : null);
      return st !== null && afterIn ? found(EDGE, once, st) : null;
    }
  }
  // "sc in both ch"
  const both = isWord(reader, i, 'both')
    ? (chainWord(reader, i + 1) ?? meaningAt(reader, i + 1, 'stitch-word')?.next)
    : undefined;
  if (afterIn && both !== undefined) return { ...found(EDGE, upTo(2), both), each: true };
  // "sc in st 1, inc in st 2"
  const numbered = afterIn && !each ? meaningAt(reader, i, 'stitch-word') : null;
  if (numbered && tokenAt(reader, numbered.next)?.kind === 'number' && endsHere(reader, numbered.next + 1))
    return found(EDGE, once, numbered.next + 1);
  // "in the end ch", "4 sc in end" is in the last one.
  const end = isWord(reader, i, 'end', 'very') ? i + 1 : i;
  const ending = isWord(reader, i, 'end') && (chainWord(reader, end) !== null || (afterIn && endsHere(reader, end)));
  const last = meaningAt(reader, end, 'last') ?? (ending ? { next: end } : null);
  if (last) i = last.next;
  const next = meaningAt(reader, i, 'next');
  const remaining = next !== null && isWord(reader, i, 'remaining', 'rem');
  if (next) i = pass(reader, next.next, 'next');
  const chosen = each !== null || last !== null || next !== null || rank?.kind === 'ordinal';
  if (!chosen && !afterIn) return null;

  let count: number | null = null;
  const number = tokenAt(reader, i);
  // "in next 1st": one stitch, written as one.
  if (next && number?.kind === 'ordinal' && number.value === 1 && endsHere(reader, i + 1))
    return found(EDGE, once, i + 1);
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
  if (word !== null) i = each ? andChain(reader, pass(reader, word, 'stitch-word')) : pass(reader, word, 'stitch-word');
  else if (each && count === null && !meaningAt(reader, i, 'round-word', 'row-word')) {
    const fill = filling(reader, i);
    return { ...found(EDGE, fill?.amount ?? { kind: 'fill', leave: 0 }, fill?.next ?? i), each: afterIn, loops };
  } else if (
    count === null &&
    !loopKind &&
    !((next ?? last ?? (rank?.kind === 'ordinal' ? rank : null)) && endsHere(reader, i))
  )
    return null;
  else if (!chosen && !endsHere(reader, i)) return null;

  if (!each && !remaining) i = passOfRound(reader, i);
  if (last && ch !== null && count === null) return found({ kind: 'last-chain' }, once, i);
  if (remaining && count === null) {
    // "in each remaining ch across"
    const next = each ? (filling(reader, i)?.next ?? i) : i;
    return { ...found(EDGE, { kind: 'fill', leave: 0 }, next), loops };
  }
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
    const ending = passRound(reader, fill ? fill.next : i);
    // "in 2nd ch from hook and each ch back"
    const hook = isWord(reader, ending, 'back') && !meaningAt(reader, ending, 'loops') ? ending + 1 : ending;
    const amount: Amount = fill?.amount.kind === 'fill' ? fill.amount : { kind: 'fill', leave: 0 };
    return { ...found(EDGE, amount, hook), each: true, loops };
  }
  if (loopKind && !each && count === null && next === null && last === null) {
    // "in back loop around"
    const fill = filling(reader, i);
    if (fill) return { ...found(EDGE, fill.amount, fill.next), loops };
  }
  const first = rank?.kind === 'ordinal' && count !== null && count > 1;
  return { ...found(EDGE, upTo(count ?? 1), i), each: each !== null, loops, first };
}

/** "each dc and ch" */
function andChain(reader: Reader, at: number): number {
  const chain = meaningAt(reader, at, 'and') ? chainWord(reader, at + 1) : null;
  return chain !== null && tokenAt(reader, chain)?.kind !== 'number' ? chain : at;
}

/** "in st at base of ch", "in base of 3 ch", "in st at base": the stitch that the starting chain stands on. */
function atBase(reader: Reader, at: number): number | null {
  const st = pass(reader, at, 'same', 'stitch-word');
  const from = isWord(reader, st, 'at') ? st + 1 : st;
  if (!isWord(reader, from, 'base', 'foot', 'bottom')) return null;
  return startingChain(reader, from + 1) ?? (from > at && isBoundary(reader, from + 1) ? from + 1 : null);
}

/** "in top of 3 ch", "in 3rd ch of 3 ch": the starting chain of the row before, the last stitch of the edge. */
function topOfChain(reader: Reader, at: number): number | null {
  if (isWord(reader, at, 'top')) return startingChain(reader, at + 1);
  const rank = tokenAt(reader, at)?.kind === 'ordinal';
  const chain = rank ? (chainWord(reader, at + 1) ?? at + 1) : null;
  return chain !== null && tokenAt(reader, chain)?.kind !== 'word' ? startingChain(reader, chain) : null;
}

/** "turning ch", "the first 3 ch", "beginning ch-3", "ch". */
function startingChain(reader: Reader, at: number): number | null {
  let i = pass(reader, at, 'turn', 'last', 'same');
  while (isWord(reader, i, 'beginning', 'beg', 'starting', 'start', 'initial', 'first', 'previous')) i += 1;
  if (tokenAt(reader, i)?.kind === 'number') i += 1;
  const chain = chainWord(reader, i);
  if (chain === null) return null;
  const end = tokenAt(reader, chain)?.kind === 'number' && isWord(reader, chain - 1, 'ch', 'chain') ? chain + 1 : chain;
  const of = isWord(reader, end, 'at') ? end + 1 : end;
  return meaningAt(reader, of, 'round-word', 'row-word')?.next ?? end;
}

/** "in same st as joining", "as the sl st", "as last sc": which one it is has been said by "same". */
function passAsJoining(reader: Reader, at: number): number {
  if (!isWord(reader, at, 'as')) return at;
  const last = pass(reader, at + 1, 'last');
  const named = meaningAt(reader, last, 'join', 'stitch', 'turn');
  if (!named) return at;
  return pass(reader, named.next, 'stitch', 'stitch-word');
}

/** "[sc in 2, inc]": the figure alone is enough where the step ends with it. */
function endsHere(reader: Reader, at: number): boolean {
  const token = tokenAt(reader, at);
  return (
    token === null ||
    token.kind === 'close' ||
    token.kind === 'open' ||
    token.kind === 'star' ||
    /^[,;.+&=-]$/.test(token.word)
  );
}

/** "of the previous round" behind a placement; "in last 2 sts of rnd". */
function passOfRound(reader: Reader, at: number): number {
  return meaningAt(reader, at, 'round-word', 'row-word') ? at : passRound(reader, at);
}

const SURFACES = [
  'edge',
  'edges',
  'side',
  'sides',
  'opening',
  'border',
  'surface',
  'fabric',
  'ends',
  'seam',
  'hole',
  'gap',
];

/** "in next ch-2 sp", "into each 3 ch space around", "in the corner": air between stitches, which offers none that are counted. */
function spaceNamed(reader: Reader, at: number): number | null {
  const way = pass(reader, at, 'in');
  let i = pass(reader, pass(reader, way, 'each', 'same', 'last'), 'next');
  if (tokenAt(reader, i)?.kind === 'ordinal') i += 1;
  const corner = isWord(reader, i, 'corner', 'corners');
  if (corner) i += 1;
  const space = passSpace(reader, i);
  if ((!corner && space === i) || way === at) return null;
  const around = filling(reader, space);
  return around?.amount.kind === 'fill' ? around.next : space;
}

/**
 * "evenly around the opening", "along the side of the rows": places that offer no counted stitches. The other
 * side of a chain and both sides of an opening laid flat are counted, and read elsewhere.
 */
function surfaceNamed(reader: Reader, at: number): number | null {
  const even = pass(reader, at, 'evenly');
  const way = meaningAt(reader, even, 'around', 'in') ?? (isWord(reader, even, 'round') ? { next: even + 1 } : null);
  if (!way || meaningAt(reader, even, 'other-side', 'both-layers')) return null;
  for (let i = way.next; i < way.next + 5; i += 1) {
    const token = tokenAt(reader, i);
    // "all 4 sides"
    if (token?.kind === 'number' && isWord(reader, i + 1, ...SURFACES)) continue;
    if (token?.kind !== 'word' || meaningAt(reader, i, 'other-side', 'both-layers', 'stitch', 'stitch-word', 'until'))
      return null;
    if (!isWord(reader, i, ...SURFACES)) continue;
    let end = i + 1;
    // "of the rows", "of the face"
    while (end < i + 4 && (meaningAt(reader, end, 'row-word') || SURFACES.includes(tokenAt(reader, end)?.word ?? '')))
      end += 1;
    return end;
  }
  return null;
}

export function chainWord(reader: Reader, at: number): number | null {
  const meant = meaningAt(reader, at, 'stitch', 'chain-word');
  if (!meant) return null;
  if (meant.meaning.is === 'stitch' && meant.meaning.stitch !== 'chain') return null;
  // "2nd ch. from hook"
  if (isWord(reader, meant.next, '.') && meaningAt(reader, meant.next + 1, 'from-hook')) return meant.next + 1;
  return pass(reader, meant.next, 'stitch-word');
}

function found(place: Place, amount: Amount, next: number): Placement {
  return { place, amount, together: false, each: false, source: null, loopsOnly: false, loops: null, next };
}
