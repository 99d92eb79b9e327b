import * as z from 'zod/mini';
import type { ShelfEntry } from '../patterns.js';

/** How the shelf is looked through. */
export const lookSchema = z.object({
  /** Words of the name. */
  words: z.catch(z.string(), ''),
  show: z.catch(z.enum(['all', 'mend', 'new', 'hand', 'ask', 'out', 'answered', 'ticked', 'editions']), 'all'),
  terms: z.catch(z.enum(['any', 'us', 'uk', 'mixed', 'unclear']), 'any'),
  sort: z.catch(z.enum(['changed', 'taken', 'name', 'open']), 'changed'),
});
export type Look = z.infer<typeof lookSchema>;
export const USUAL: Look = { words: '', show: 'all', terms: 'any', sort: 'changed' };

/** What an editor looks for on the shelf, in the order of the work. */
export const SHOWN: readonly { readonly value: Look['show']; readonly text: string }[] = [
  { value: 'all', text: 'All' },
  { value: 'new', text: 'Not begun' },
  { value: 'hand', text: 'In hand' },
  { value: 'mend', text: 'To mend' },
  { value: 'ask', text: 'To ask' },
  { value: 'out', text: 'Asked' },
  { value: 'answered', text: 'Answered' },
  { value: 'ticked', text: 'All ticked' },
  { value: 'editions', text: 'Editions' },
];

export const SORTED: readonly { readonly value: Look['sort']; readonly text: string }[] = [
  { value: 'changed', text: 'last changed' },
  { value: 'taken', text: 'last taken in' },
  { value: 'open', text: 'most to mend' },
  { value: 'name', text: 'by name' },
];

export const TERMS: readonly { readonly value: Look['terms']; readonly text: string }[] = [
  { value: 'any', text: 'any terms' },
  { value: 'us', text: 'US terms' },
  { value: 'uk', text: 'UK terms' },
  { value: 'mixed', text: 'mixed terms' },
  { value: 'unclear', text: 'terms unclear' },
];

/** How far the work on a pattern is: nothing done yet, something, or every round of it ticked. */
export function stageOf({ summary, revision }: ShelfEntry): 'new' | 'hand' | 'ticked' {
  if (summary && summary.rounds > 0 && summary.ticked === summary.rounds) return 'ticked';
  return revision === 1 && (summary?.ticked ?? 0) === 0 ? 'new' : 'hand';
}

/** The vocabulary that a pattern is in: the one that was settled, or else the one that its text shows. */
export function termsOf({ terms, summary }: ShelfEntry): Exclude<Look['terms'], 'any'> {
  return terms === 'auto' ? (summary?.terms ?? 'unclear') : terms;
}

const toMend = ({ summary }: ShelfEntry) => (summary ? summary.errors + summary.warnings : 0);

const FITS: Readonly<Record<Look['show'], (entry: ShelfEntry) => boolean>> = {
  all: () => true,
  new: (entry) => stageOf(entry) === 'new',
  hand: (entry) => stageOf(entry) === 'hand',
  ticked: (entry) => stageOf(entry) === 'ticked',
  mend: (entry) => toMend(entry) > 0 || entry.state === 'too-much' || entry.state === 'unreadable',
  ask: ({ asked }) => (asked?.open ?? 0) > 0,
  out: ({ asked }) => (asked?.sent ?? 0) > 0,
  answered: ({ asked }) => (asked?.answered ?? 0) > 0,
  editions: ({ edition }) => edition !== null,
};

const byName = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });
const ORDER: Readonly<Record<Look['sort'], (a: ShelfEntry, b: ShelfEntry) => number>> = {
  changed: (a, b) => b.updatedAt - a.updatedAt,
  taken: (a, b) => b.createdAt - a.createdAt,
  name: (a, b) => byName.compare(a.name, b.name),
  open: (a, b) => (b.summary?.errors ?? 0) - (a.summary?.errors ?? 0) || toMend(b) - toMend(a),
};

/** The patterns that are looked for, in the order asked for; what is equal stays in the order of the last change. */
export function arranged(entries: readonly ShelfEntry[], { words, show, terms, sort }: Look): readonly ShelfEntry[] {
  const asked = words.toLowerCase().split(/\s+/).filter(Boolean);
  return entries
    .filter(
      (entry) =>
        FITS[show](entry) &&
        (terms === 'any' || termsOf(entry) === terms) &&
        asked.every((word) => entry.name.toLowerCase().includes(word)),
    )
    .sort(ORDER[sort]);
}

/** How many patterns there are of each kind that can be shown. */
export function tallies(entries: readonly ShelfEntry[]): Readonly<Record<Look['show'], number>> {
  const count = (show: Look['show']) => entries.filter(FITS[show]).length;
  return {
    all: count('all'),
    new: count('new'),
    hand: count('hand'),
    mend: count('mend'),
    ask: count('ask'),
    out: count('out'),
    answered: count('answered'),
    ticked: count('ticked'),
    editions: count('editions'),
  };
}

/** The kinds that are offered: those about letters only where there are any. */
export function offered(tally: Readonly<Record<Look['show'], number>>, show: Look['show']): typeof SHOWN {
  const aboutLetters = (value: Look['show']) => value === 'ask' || value === 'out' || value === 'answered';
  return SHOWN.filter(({ value }) => !aboutLetters(value) || tally[value] > 0 || value === show);
}

/** A look as it stands in the address; what is usual is left out. */
export function addressOf(look: Look): string {
  const parts = Object.entries(look).filter(([name, value]) => value !== USUAL[name as keyof Look]);
  return parts.length === 0 ? '/' : `/?${new URLSearchParams(parts).toString()}`;
}

/** The look that an address asks for; what it says wrongly is as usual. */
export function lookFrom(address: URLSearchParams): Look {
  return lookSchema.parse({ ...USUAL, ...Object.fromEntries(address) });
}
