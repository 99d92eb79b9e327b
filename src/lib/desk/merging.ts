import { diffIndices } from 'node-diff3';

/** A stretch of lines in a text that two people went on from. */
export interface Piece {
  /** Changed by nobody, or in the same way by both; by one of them; or by both, each in their own way. */
  readonly kind: 'same' | 'mine' | 'theirs' | 'clash';
  readonly base: readonly string[];
  readonly mine: readonly string[];
  readonly theirs: readonly string[];
}

/** The lines of a round, from 0; the last is not of it any more. */
export type Unit = readonly [from: number, to: number];

interface Hunk {
  readonly of: 'mine' | 'theirs';
  /** In the lines of the base. */
  readonly from: number;
  readonly to: number;
  readonly lines: readonly string[];
}

/**
 * Lays two texts side by side that came from the same one. What one of them changed is that one's; where both changed the same
 * lines, or lines of the same round, they clash: a round whose halves were written by two people is nobody's.
 * @param units the lines of each round in `mine`
 */
export function threeWay(base: string, mine: string, theirs: string, units: readonly Unit[] = []): Piece[] {
  const lines = base.split('\n');
  const hunks = [...hunksOf('mine', lines, mine.split('\n')), ...hunksOf('theirs', lines, theirs.split('\n'))].sort(
    (a, b) => a.from - b.from || a.to - b.to,
  );
  const pieces: Piece[] = [];
  let at = 0;
  for (let i = 0; i < hunks.length;) {
    const group = groupAt(hunks, i);
    const from = group[0]?.from ?? at;
    const to = Math.max(...group.map((hunk) => hunk.to));
    if (from > at) pieces.push(unchanged(lines.slice(at, from)));
    pieces.push(...split(pieceOf(group, lines, from, to)));
    at = to;
    i += group.length;
  }
  if (at < lines.length) pieces.push(unchanged(lines.slice(at)));
  return inUnits(pieces, units);
}

/** Goes on from both: with what each has changed, and at a clash with what was chosen. */
export function joined(pieces: readonly Piece[], of: (piece: Piece) => 'base' | 'mine' | 'theirs'): string {
  return pieces.flatMap((piece) => piece[of(piece)]).join('\n');
}

function hunksOf(of: Hunk['of'], base: string[], lines: string[]): Hunk[] {
  return diffIndices(base, lines).map(({ buffer1: [from, length], buffer2Content }) => ({
    of,
    from,
    to: from + length,
    lines: buffer2Content,
  }));
}

/** The hunks from one on that touch the same lines; those that only lie side by side don't. */
function groupAt(hunks: readonly Hunk[], first: number): Hunk[] {
  const group = hunks.slice(first, first + 1);
  let end = group[0]?.to ?? 0;
  for (const hunk of hunks.slice(first + 1)) {
    const sameSpot = hunk.from === group.at(-1)?.from && hunk.from === hunk.to && end === hunk.from;
    if (hunk.from >= end && !sameSpot) break;
    group.push(hunk);
    end = Math.max(end, hunk.to);
  }
  return group;
}

function pieceOf(group: readonly Hunk[], lines: readonly string[], from: number, to: number): Piece {
  const side = (of: Hunk['of']) => {
    const own = group.filter((hunk) => hunk.of === of);
    let at = from;
    const written: string[] = [];
    for (const hunk of own) {
      written.push(...lines.slice(at, hunk.from), ...hunk.lines);
      at = hunk.to;
    }
    return [...written, ...lines.slice(at, to)];
  };
  return judged({ base: lines.slice(from, to), mine: side('mine'), theirs: side('theirs') });
}

function judged(sides: Omit<Piece, 'kind'>): Piece {
  const { base, mine, theirs } = sides;
  if (same(mine, theirs)) return { kind: 'same', ...sides };
  if (same(mine, base)) return { kind: 'theirs', ...sides };
  return { kind: same(theirs, base) ? 'mine' : 'clash', ...sides };
}

function same(a: readonly string[], b: readonly string[]): boolean {
  return a.length === b.length && a.every((line, i) => line === b[i]);
}

const unchanged = (lines: readonly string[]): Piece => ({ kind: 'same', base: lines, mine: lines, theirs: lines });

/** A clash of as many lines on all sides, line by line. */
function split(piece: Piece): Piece[] {
  const { kind, base, mine, theirs } = piece;
  if (kind !== 'clash' || base.length !== mine.length || base.length !== theirs.length) return [piece];
  return base.map((line, i) => judged({ base: [line], mine: [mine[i] ?? ''], theirs: [theirs[i] ?? ''] }));
}

/** What both have changed of one round is one clash. */
function inUnits(pieces: readonly Piece[], units: readonly Unit[]): Piece[] {
  let all = [...pieces];
  for (const unit of units) {
    const touched = rangeOf(all, unit);
    if (!touched) continue;
    const [first, last] = touched;
    const sides = all.slice(first, last + 1);
    if (sides.length < 2 || !(sides.some(byMe) && sides.some(byThem))) continue;
    const whole = judged({
      base: sides.flatMap(({ base }) => base),
      mine: sides.flatMap(({ mine }) => mine),
      theirs: sides.flatMap(({ theirs }) => theirs),
    });
    all = [...all.slice(0, first), whole, ...all.slice(last + 1)];
  }
  return all;
}

const byMe = ({ kind }: Piece) => kind === 'mine' || kind === 'clash';
const byThem = ({ kind }: Piece) => kind === 'theirs' || kind === 'clash';

/** The first and the last changed piece that lie in a unit; null where none does. */
function rangeOf(pieces: readonly Piece[], [from, to]: Unit): [number, number] | null {
  let at = 0;
  let first = -1;
  let last = -1;
  for (const [i, piece] of pieces.entries()) {
    const end = at + piece.mine.length;
    // What only stands at the edge of a round, as lines that were put before it, is not of it.
    const inside = piece.mine.length === 0 ? from < at && at < to : at < to && from < end;
    if (piece.kind !== 'same' && inside) {
      if (first < 0) first = i;
      last = i;
    }
    at = end;
  }
  return first < 0 ? null : [first, last];
}

/** With more lines than this on both sides, what differs is one change; a table of so many squares is still fast. */
const MOST_SQUARES = 4_000_000;

/** What turns one text into another, as changes of whole lines; offsets in the first. */
export function lineChanges(before: string, after: string): { from: number; to: number; insert: string }[] {
  const [old, next] = [before.split('\n'), after.split('\n')];
  const shorter = Math.min(old.length, next.length);
  let top = 0;
  while (top < shorter && old[top] === next[top]) top += 1;
  let bottom = 0;
  while (bottom < shorter - top && old.at(-1 - bottom) === next.at(-1 - bottom)) bottom += 1;
  const [was, is] = [old.slice(top, old.length - bottom), next.slice(top, next.length - bottom)];
  const hunks =
    was.length * is.length > MOST_SQUARES
      ? [{ from: 0, to: was.length, lines: is }]
      : hunksOf('theirs', was, is).map(({ from, to, lines }) => ({ from, to, lines }));
  const starts = [0];
  for (const line of old) starts.push((starts.at(-1) ?? 0) + line.length + 1);
  return hunks.map(({ from, to, lines }) => changeOf({ from: top + from, to: top + to, lines }, starts, before.length));
}

/** Lines in place of lines: each goes with the end of it, but for the last of a text, which has none. */
function changeOf(
  { from, to, lines }: Pick<Hunk, 'from' | 'to' | 'lines'>,
  starts: readonly number[],
  length: number,
): { from: number; to: number; insert: string } {
  const last = starts.length - 1;
  const insert = lines.join('\n');
  if (to < last) return { from: starts[from] ?? 0, to: starts[to] ?? 0, insert: lines.length > 0 ? `${insert}\n` : '' };
  // To the end of the text: the line end before it goes along.
  const start = from === 0 ? 0 : (starts[from] ?? 0) - 1;
  return { from: start, to: length, insert: from === 0 || lines.length === 0 ? insert : `\n${insert}` };
}
