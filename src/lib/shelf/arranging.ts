import * as z from 'zod/mini';
import type { ShelfEntry } from '../patterns.js';

/** How the shelf is looked through. */
export const lookSchema = z.object({
  /** Words of the name, the designer's name or the text. */
  words: z.catch(z.string(), ''),
  show: z.catch(z.enum(['all', 'mend', 'new', 'hand', 'ask', 'out', 'answered', 'ticked', 'editions']), 'all'),
  terms: z.catch(z.enum(['any', 'us', 'uk', 'mixed', 'unclear']), 'any'),
  sort: z.catch(z.enum(['changed', 'taken', 'name', 'open', 'dates']), 'changed'),
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
  { value: 'dates', text: 'late ones first' },
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

/** The kinds that are offered: those about letters only where there are any. */
export function offered(tally: Readonly<Record<Look['show'], number>>, show: Look['show']): typeof SHOWN {
  const aboutLetters = (value: Look['show']) => value === 'ask' || value === 'out' || value === 'answered';
  return SHOWN.filter(({ value }) => !aboutLetters(value) || tally[value] > 0 || value === show);
}

/** A line in pieces: those that are words that are looked for, and what stands between them. */
export function piecesOf(line: string, words: string): { readonly text: string; readonly sought: boolean }[] {
  const sought = words.split(/\s+/).filter(Boolean);
  const signs = sought.map((word) => word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'));
  if (signs.length === 0) return [{ text: line, sought: false }];
  return line
    .split(new RegExp(`(${signs.join('|')})`, 'giu'))
    .map((text, i) => ({ text, sought: i % 2 === 1 }))
    .filter(({ text }) => text !== '');
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
