import { doesTheSame, likeness } from './likeness.js';
import type { Pairing } from './pairing.js';
import type { Unit } from './units.js';

/** At another place in its part a round is known again by so great a share. */
const MUCH_LIKE = 0.7;
/** Rounds of so many words are known again wherever they stand; "sc around" is found in any part. */
const TELLING = 5;

/**
 * Pairs what stands at another place in the later draft: by its words, or within its part by what it does, also where
 * something else has taken its place and its number; then by its likeness.
 * @param pairing is added to, and put right.
 * @param partners by the number of a part of the later draft the number of the one it was.
 * @returns the units of the later draft that stand elsewhere.
 */
export function moved(
  old: readonly Unit[],
  now: readonly Unit[],
  pairing: Pairing,
  partners: ReadonlyMap<number, number>,
): ReadonlySet<Unit> {
  const partOf = ({ part }: Unit) => (part === null ? null : (partners.get(part) ?? NEW_PART));
  const found = new Set<Unit>();
  for (const way of WAYS) for (const unit of byName(old, now, pairing, partOf, way)) found.add(unit);
  for (const unit of now) {
    if (pairing.was(unit) || unit.round === null) continue;
    const free = old.filter((one) => !pairing.became(one));
    const before = likest(unit, partOf(unit), free);
    if (!before) continue;
    pairing.put(before, unit);
    found.add(unit);
  }
  return found;
}

/** Pairs what is named alike and not yet paired as it should be; returns the units of the later draft. */
function byName(
  old: readonly Unit[],
  now: readonly Unit[],
  pairing: Pairing,
  partOf: (after: Unit) => number | null,
  { name, stands }: Way,
): Unit[] {
  const isOpen = (before: Unit | null, after: Unit | null) =>
    !before || !after || (before.round !== null && !stands(before, after));
  const places = new Map<string, Unit[]>();
  for (const unit of old) {
    const key = isOpen(unit, pairing.became(unit)) ? name(unit, unit.part) : null;
    if (key !== null) places.set(key, [...(places.get(key) ?? []), unit]);
  }
  return now.filter((unit) => {
    const key = isOpen(pairing.was(unit), unit) ? name(unit, partOf(unit)) : null;
    const before = key === null ? undefined : places.get(key)?.[0];
    if (!before) return false;
    // What says little is not torn from its place for it.
    if ((pairing.was(unit) || pairing.became(before)) && unit.words.length < TELLING) return false;
    places.get(key ?? '')?.shift();
    pairing.put(before, unit);
    return true;
  });
}

interface Way {
  /** By which a unit is known at another place; within a part it begins with the number of the part it was. */
  readonly name: (unit: Unit, part: number | null) => string | null;
  /** Whether a pair stands as it is, or may be parted for two others that are named alike. */
  readonly stands: (before: Unit, after: Unit) => boolean;
}

const inWords = (before: Unit, after: Unit) => before.body === after.body;
const inWhatItDoes = (before: Unit, after: Unit) => inWords(before, after) || doesTheSame(before, after);
const WAYS: readonly Way[] = [
  { name: ({ round, body }, part) => (round === null ? null : `${part}|${body}`), stands: inWords },
  { name: ({ meaning }, part) => (meaning === null ? null : `${part}|${meaning}`), stands: inWhatItDoes },
  { name: ({ recipe }, part) => (recipe === null ? null : `${part}|${recipe}`), stands: inWhatItDoes },
  { name: ({ words, body }) => (words.length < TELLING ? null : body), stands: inWhatItDoes },
  { name: ({ round, label, body }) => (round === null ? null : `${label} ${body}`), stands: inWhatItDoes },
];

/** A part that was not there before. */
const NEW_PART = -1;

/** The round of the same part that is most like another; one of many words is known in any part. */
function likest(unit: Unit, part: number | null, among: Iterable<Unit>): Unit | null {
  let best: { readonly unit: Unit; readonly likeness: number } | null = null;
  for (const one of among) {
    if (one.round === null || (one.part !== part && one.words.length < 2 * TELLING)) continue;
    const shared = likeness(one.words, unit.words);
    if (shared >= MUCH_LIKE && shared > (best?.likeness ?? 0)) best = { unit: one, likeness: shared };
  }
  return best?.unit ?? null;
}
