import type { BenchPart, BenchRound, NoteKind, Spot } from '../../core/index.js';

export const NOTE_WORDS: Readonly<Record<NoteKind, string>> = {
  unclear: 'Unclear',
  'count-wrong': 'Count wrong',
  hard: 'Hard to work',
  gap: 'Gap or hole',
  'ran-short': 'Ran short',
  mistake: 'Mistake in the text',
  liked: 'Liked it',
};

/** "Leg 2 of 4". */
export function partWords({ name, make }: BenchPart, copy: number): string {
  return make > 1 ? `${name}, ${copy + 1} of ${make}` : name;
}

/** "Rnd 9", and which of its label it is: "9 of 7 to 14". */
export function roundWords({ label, kind, number, range }: BenchRound): string {
  if (range && number !== null) return `${kind === 'row' ? 'Row' : 'Round'} ${number} of ${range[0]} to ${range[1]}`;
  return label;
}

/** "uses 24, makes 30". */
export function sumWords({ edge, made }: BenchRound): string {
  if (made === null) return 'No count can be told.';
  if (edge === null) return `makes ${made}`;
  return edge === made
    ? `${made} all round`
    : `uses ${edge}, makes ${made} (${made > edge ? '+' : '−'}${Math.abs(made - edge)})`;
}

/** "1 h 05 min", "3 min", "40 s". */
export function timeWords(milliseconds: number): string {
  const seconds = Math.round(milliseconds / 1000);
  if (seconds < 60) return `${seconds} s`;
  const minutes = Math.round(seconds / 60);
  return minutes < 60 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')} min`;
}

export function sameSpot(a: Spot | null, b: Spot | null): boolean {
  return a !== null && b !== null && a.part === b.part && a.copy === b.copy && a.ring === b.ring;
}
