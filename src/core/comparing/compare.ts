import type { CountedPattern } from '../counting/counted.js';
import { align } from './align.js';
import { lengthOf, LIKENESS } from './likeness.js';
import { moved } from './moved.js';
import { Pairing } from './pairing.js';
import { pairParts } from './parts.js';
import type { Change, ComparedEntry, ComparedPart, Comparison } from './schema.js';
import { spreadOf, type Spread } from './spread.js';
import { unitsOf, type Unit } from './units.js';

/**
 * Lays two drafts side by side, round by round and line by line. Rounds are known by their part, their number, their words
 * and what they do, so that a part that was moved or renamed, other numbers and other terms are seen as such.
 */
export function compare(before: CountedPattern, after: CountedPattern): Comparison {
  const [old, now] = [unitsOf(before), unitsOf(after)];
  const [oldParts, newParts] = [byPart(before, old), byPart(after, now)];
  const partners = pairParts(oldParts.parts, newParts.parts);
  const pairing = new Pairing();
  const pairUp = (b: readonly Unit[], a: readonly Unit[]) => {
    for (const [i, j] of align(b, a, LIKENESS)) {
      const [one, other] = [b[i], a[j]];
      if (one && other) pairing.put(one, other);
    }
  };
  pairUp(oldParts.outside, newParts.outside);
  for (const [a, b] of partners) pairUp(oldParts.parts[b]?.units ?? [], newParts.parts[a]?.units ?? []);
  const elsewhere = moved(old, now, pairing, partners);
  const spread = spreadOf(old, now, pairing);
  return { entries: entriesOf(old, now, pairing, elsewhere, spread), parts: partsOf(before, after, partners) };
}

function byPart({ pattern }: CountedPattern, units: readonly Unit[]) {
  const parts = pattern.parts.map(({ name }) => ({ name, units: [] as Unit[] }));
  const outside: Unit[] = [];
  for (const unit of units) (unit.part === null ? outside : (parts[unit.part]?.units ?? outside)).push(unit);
  return { parts, outside };
}

function entriesOf(
  old: readonly Unit[],
  now: readonly Unit[],
  pairing: Pairing,
  elsewhere: ReadonlySet<Unit>,
  { written, drawn }: Spread,
): ComparedEntry[] {
  const entries: ComparedEntry[] = [];
  const still = new Set(now.flatMap((unit) => pairing.was(unit) ?? []));
  const left = new Set([...elsewhere].flatMap((unit) => pairing.was(unit) ?? []));
  /** What is gone stands behind the line before it that is still there. */
  const behind = new Map<Unit | null, Unit[]>();
  let last: Unit | null = null;
  for (const unit of old) {
    if (still.has(unit) && !left.has(unit)) last = unit;
    else if (!still.has(unit)) behind.set(last, [...(behind.get(last) ?? []), unit]);
  }
  const tell = (units: readonly Unit[] | undefined) => {
    for (const before of units ?? []) {
      const range = drawn.get(before) ?? null;
      entries.push(entryOf(before, range, { moved: false, spread: range !== null }));
    }
  };
  tell(behind.get(null));
  const told = new Set<Unit>();
  for (const after of now) {
    const before = pairing.was(after);
    const spread = written.has(after) || (before !== null && drawn.get(before) === after);
    entries.push(entryOf(before, after, { moved: elsewhere.has(after), spread }));
    if (before && !told.has(before)) tell(behind.get(before));
    if (before) told.add(before);
  }
  return entries;
}

function entryOf(
  before: Unit | null,
  after: Unit | null,
  how: { readonly moved: boolean; readonly spread: boolean },
): ComparedEntry {
  return {
    change: changeOf(before, after, how),
    before: before && sideOf(before),
    after: after && sideOf(after),
    renumbered:
      before !== null && after !== null && !how.spread && (before.from !== after.from || before.to !== after.to),
    ...how,
  };
}

function sideOf({ round, start, end }: Unit): { round: number | null; from: number; to: number } {
  return { round, from: start, to: end };
}

function changeOf(before: Unit | null, after: Unit | null, how: { moved: boolean; spread: boolean }): Change {
  if (!before) return 'new';
  if (!after) return 'gone';
  if (how.spread) return 'words';
  // Two that can't be worked out, and that read alike, are alike.
  const alike =
    before.meaning === after.meaning &&
    before.edge === after.edge &&
    before.made === after.made &&
    lengthOf(before) === lengthOf(after);
  if (before.body === after.body && withoutNumbers(before.label) === withoutNumbers(after.label) && alike)
    return how.moved ? 'moved' : 'same';
  if (before.round === null && after.round === null) return 'words';
  return alike && before.meaning !== null ? 'words' : 'stitches';
}

function withoutNumbers(label: string): string {
  return label.replace(/\p{N}+/gu, '#');
}

function partsOf(before: CountedPattern, after: CountedPattern, partners: ReadonlyMap<number, number>): ComparedPart[] {
  const olds = before.pattern.parts;
  const inOrder = standing([...partners.entries()].sort(([a], [b]) => a - b).map(([, b]) => b));
  const parts = after.pattern.parts.map(({ name }, a): ComparedPart => {
    const b = partners.get(a) ?? null;
    return {
      before: b,
      after: a,
      renamed: b !== null && olds[b]?.name !== name,
      moved: b !== null && !inOrder.has(b),
    };
  });
  const paired = new Set(partners.values());
  const gone = olds.flatMap((_, b): ComparedPart[] =>
    paired.has(b) ? [] : [{ before: b, after: null, renamed: false, moved: false }],
  );
  return [...parts, ...gone];
}

/** Those that stand in order: the others were moved. */
function standing(order: readonly number[]): Set<number> {
  const pairs = align(
    [...order].sort((a, b) => a - b),
    order,
    { gain: () => 0, names: [String] },
  );
  return new Set(pairs.map(([, at]) => order[at] ?? -1));
}
