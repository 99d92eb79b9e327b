import type { BenchPart, BenchRound, NoteKind, RoundList, Spot, What } from '../../core/index.js';

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

/** "Rnd 9", as the pattern has it, and which of its label it is: "9 of 7 to 14". */
export function roundWords({ label, kind, number, range }: BenchRound): string {
  const word = kind === 'row' ? 'Row' : 'Round';
  if (range && number !== null) return `${word} ${number} of ${range[0]} to ${range[1]}`;
  // "2." alone, as some patterns have it, says too little away from its list.
  return number !== null && !/\p{L}/u.test(label) ? `${word} ${number}` : label;
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

/** What a step did, and where: "Leg, 2 of 4, Rnd 3", "done, counted 17". */
export function stepWords(what: What, course: RoundList): { readonly where: string; readonly did: string } {
  const spot = 'spot' in what ? what.spot : null;
  const part = course.parts[spot?.part ?? -1];
  const round = part?.rounds[spot?.ring ?? -1];
  const where = spot && part && round ? `${partWords(part, spot.copy)}, ${roundWords(round)}` : '';
  return { where, did: didWords(what, course) };
}

function didWords(what: What, course: RoundList): string {
  switch (what.kind) {
    case 'count':
      return `worked as far as touch ${what.done}`;
    case 'round':
      return what.counted === null ? 'done' : `done, counted ${what.counted}`;
    case 'go':
      return 'gone to';
    case 'hook':
      return `counted ${what.counted} for ${what.made}: ${what.decided}`;
    case 'note':
      return `note: ${[NOTE_WORDS[what.note].toLowerCase(), what.words].filter(Boolean).join(', ')}`;
    case 'time':
      return `time put at ${timeWords(what.spent)}`;
    default:
      return toyWords(what, course);
  }
}

/** What was said of the whole toy. */
function toyWords(what: What, course: RoundList): string {
  switch (what.kind) {
    case 'weigh':
      return `${what.yarn || 'yarn'} weighed ${what.when === 'before' ? 'before' : 'after'}: ${what.grams} g`;
    case 'swatch':
      return `swatch: ${what.stitches ?? '?'} stitches, ${what.rows ?? '?'} rows on 10 cm`;
    case 'size': {
      const of = what.part === null ? 'finished toy' : (course.parts[what.part]?.name ?? '');
      return `${of}: ${what.height ?? '?'} cm high, ${what.width ?? '?'} cm wide`;
    }
    case 'difficulty':
      return `difficulty ${what.of} of 5`;
    default:
      return 'said to be finished';
  }
}

export function sameSpot(a: Spot | null, b: Spot | null): boolean {
  return a !== null && b !== null && a.part === b.part && a.copy === b.copy && a.ring === b.ring;
}
