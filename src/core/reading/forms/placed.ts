import type { Work } from '../../pattern/instruction.js';
import { pieceNamed, placementAfter } from '../placement.js';
import {
  closeOf,
  isWord,
  meaningAt,
  pass,
  spanBetween,
  tokenAt,
  type InstructionForm,
  type Reader,
} from '../reader.js';
import { chainsAt, chainsInOne } from './chain.js';
import { readWork } from './work.js';

/**
 * The piece said before what is worked along it.
 *
 * `on 2nd lobe sc 18`   `over the first leg: 12 sc`   `around left leg, sc 20`
 *  ^                     ^                              ^
 */
export const pieceFirst: InstructionForm = {
  name: 'piece-first',
  begins: ['in', 'around', 'unknown', 'work'],
  read(reader, at) {
    // "continue on the first leg, sc 12"
    const on = pass(reader, at, 'work');
    if (!isWord(reader, on, 'on', 'over', 'along', 'around', 'across')) return null;
    const piece = pieceNamed(reader, on + 1);
    // "on the other side 9 sc" goes along this piece, and in "on side 9 sc" the figure is of the stitches.
    if (piece && /(?:side|edge|end|half)$|\d$/.test(piece.name)) return null;
    const begins = piece && (isWord(reader, piece.next, ',', ':') ? piece.next + 1 : piece.next);
    const read = begins ? readWork(reader, begins) : null;
    if (!piece || !read || read.work.place.kind !== 'edge' || read.work.amount.kind !== 'times') return null;
    reader.steps.push({ ...read.work, source: piece.name, span: spanBetween(reader, at, read.next) });
    return read.next;
  },
};

/**
 * The place said before what goes there.
 *
 * `in the next st work hdc, dc, hdc`   `into the ring: 6 sc`   `in 2nd ch from hook make 6 sc`
 *  ^                                    ^                       ^
 */
export const placeFirst: InstructionForm = {
  name: 'place-first',
  begins: ['in', 'next', 'last', 'ordinal'],
  read(reader, at) {
    const placement = placementAfter(reader, at);
    if (!placement || placement.together || placement.loopsOnly) return null;
    // "from the 2nd ch work sl st, sc, hdc", "2nd ch from hook: 6 sc": one in each from there on.
    const from = isWord(reader, at, 'from') || tokenAt(reader, at)?.kind === 'ordinal';
    if (from && placement.place.kind === 'chain-from-hook') return null;
    const again = inTurn(reader, at, placement.next);
    if (again) {
      reader.steps.push(again);
      return placement.next;
    }
    const colon = isWord(reader, placement.next, ':');
    const mark = colon || isWord(reader, placement.next, ',') ? placement.next + 1 : placement.next;
    const verb = pass(reader, mark, 'work');
    // Without a verb or a colon "in next st, 2 sc" can't be told from two steps; "in the next 12 sts sc" can.
    const several = placement.amount.kind === 'times' && placement.amount.times > 1 && mark === placement.next;
    if (verb === mark && !colon && !(several && meaningAt(reader, pass(reader, mark, 'in'), 'stitch'))) return null;
    const close = closeOf(reader, verb);
    const { members, next: i } = membersFrom(reader, close === null ? verb : verb + 1, close ?? reader.end);
    // "make a ring and into it work: ch 1, 8 sc": the ring has been told already.
    if (members.length === 0 && placement.place.kind === 'ring' && reader.steps.at(-1)?.kind === 'ring') return verb;
    if (members.length === 0 || (close !== null && i !== close)) return null;
    const next = pass(reader, close === null ? i : close + 1, 'each');
    const span = spanBetween(reader, at, next);
    const only = members[0];
    if (placement.loops && placement.loops !== 'both')
      reader.steps.push({ kind: 'loops', loops: placement.loops, span });
    if (members.length === 1 && only && only.per === 1 && only.over === 1 && only.amount.kind === 'times') {
      const inRing = placement.place.kind === 'ring';
      const { bare: _, ...told } = only;
      reader.steps.push({
        ...told,
        per: inRing ? 1 : only.amount.times,
        amount: inRing ? only.amount : placement.amount,
        place: placement.place,
        span,
      });
    } else reader.steps.push({ kind: 'group', members, amount: placement.amount, place: placement.place, span });
    return next;
  },
};

/** "in the next 7 sts sc, in the last 7 hdc": the place stands first once more, and the stitch that ends it goes there. */
function inTurn(reader: Reader, at: number, next: number): Work | null {
  const [stitch, before] = [meaningAt(reader, next - 1, 'stitch'), meaningAt(reader, at - 2, 'stitch')];
  const many = tokenAt(reader, next - 2);
  const last = reader.steps.at(-1);
  if (!stitch || !before || many?.kind !== 'number' || last?.kind !== 'work' || last.per + last.over > 2) return null;
  // "sc in next 7 sc, in last 7 hdc" goes into those of the round below.
  if (!PLACE.test(reader.text.slice(last.span.from, last.span.from + 6))) return null;
  return {
    ...last,
    stitch: stitch.meaning.stitch,
    amount: { kind: 'times', times: many.value },
    span: spanBetween(reader, at, next),
  };
}

const PLACE = /^(?:in|into|the|next|last|first)(?!\p{L})/iu;

/** Stitches and chains with commas between, as far as they go into one; they need not be any. */
function membersFrom(reader: Reader, from: number, end: number): { members: Work[]; next: number } {
  const members: Work[] = [];
  let [at, next] = [from, from];
  while (at < end) {
    const read = memberAt(reader, at, members.length > 0);
    const last = members.at(-1);
    // "in next st: 2 sc, sc 5": more of the same stitch would have been told in one figure.
    const goesOn = end === reader.end && read?.work.stitch === last?.stitch && last !== undefined;
    if (!read || read.next > end || goesOn) break;
    members.push(read.work);
    next = read.next;
    // A comma goes on with the same stitch; anything else ends it.
    at = pass(reader, isWord(reader, next, ',') ? next + 1 : next, 'and');
    if (at === next) break;
  }
  return { members, next };
}

/** @param again whether others went there before it: "sl st, ch 5, sl st in the same stitch" */
function memberAt(reader: Reader, at: number, again: boolean): { work: Work; next: number } | null {
  const chains = again ? chainsAt(reader, at) : null;
  if (chains) return { work: chainsInOne(chains.count, spanBetween(reader, at, chains.next)), next: chains.next };
  const read = readWork(reader, at);
  if (read?.work.amount.kind !== 'times') return null;
  const { place } = read.work;
  if (place.kind === 'same') return again ? { ...read, work: { ...read.work, place: { kind: 'edge' } } } : null;
  // "in next st: 2 sc, sc in next 5 sts": what names a place of its own goes there.
  return place.kind === 'edge' && !(again && namesPlace(reader, at, read.next)) ? read : null;
}

function namesPlace(reader: Reader, from: number, to: number): boolean {
  for (let i = from; i < to; i += 1) if (meaningAt(reader, i, 'in', 'each', 'next', 'around')) return true;
  return false;
}
