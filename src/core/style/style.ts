import type { CountedPattern, CountedRound } from '../counting/counted.js';
import type { Pattern } from '../pattern/pattern.js';
import { TRAITS, type Occurrence, type StyleEdit, type Trait } from './traits.js';

/** How a press writes: by the id of a trait one of its ways. Traits that are not named are left to each designer. */
export type HouseStyle = Readonly<Record<string, string>>;

/** Where a pattern leaves the house style. */
export interface Deviation {
  readonly trait: Trait;
  readonly occurrence: Occurrence;
  readonly round: CountedRound;
  /** What puts it in style; null where that can't be done without changing what is understood. */
  readonly edits: readonly StyleEdit[] | null;
}

/** So many characters of one round are read again at most to prove its changes; what is beyond stays as it is. */
const MOST_REREAD = 30_000;

/** All places of a counted pattern that are not in the house style, in the order of the text. */
export function deviations({ pattern, rounds }: CountedPattern, style: HouseStyle): Deviation[] {
  const { text } = pattern.source;
  const found: Deviation[] = [];
  for (const round of rounds) {
    const here: Deviation[] = [];
    for (const trait of TRAITS) {
      const wanted = style[trait.id];
      if (wanted === undefined || !trait.ways.some(({ way }) => way === wanted)) continue;
      for (const occurrence of trait.find(round.round, text))
        if (occurrence.way !== wanted) here.push({ trait, occurrence, round, edits: occurrence.write(wanted) });
    }
    found.push(...proved(pattern, round, here));
  }
  return found.sort((a, b) => a.occurrence.span.from - b.occurrence.span.from);
}

/** The deviations of one round, without the edits that change what is understood. */
function proved(pattern: Pattern, counted: CountedRound, here: readonly Deviation[]): Deviation[] {
  const { from, to } = counted.round.span;
  const together = here.flatMap(({ edits }) => edits ?? []);
  if (apart(together) && keeps(pattern, counted, together)) return [...here];
  let reads = Math.floor(MOST_REREAD / Math.max(1, to - from));
  return here.map((deviation) => {
    const { edits } = deviation;
    reads -= 1;
    const kept = edits !== null && reads >= 0 && keeps(pattern, counted, edits);
    return kept ? deviation : { ...deviation, edits: null };
  });
}

/** Whether no two edits touch. */
function apart(edits: readonly StyleEdit[]): boolean {
  const sorted = [...edits].sort((a, b) => a.from - b.from);
  return sorted.every(({ from }, i) => from >= (sorted[i - 1]?.to ?? 0));
}

/** Whether a round does and states the same after some edits, and is understood as well as before. */
function keeps({ source, readAgain }: Pattern, counted: CountedRound, edits: readonly StyleEdit[]): boolean {
  const { round, outcome } = counted;
  // A label is proved with the whole text.
  if (edits.every(({ to }) => to <= round.bodyFrom)) return true;
  const changed = readAgain(edited(source.text, round.bodyFrom, round.span.to, edits), round);
  const other = counted.instead(changed);
  return (
    changed.unread.length === round.unread.length &&
    changed.brackets.length === round.brackets.length &&
    (changed.stated?.total ?? null) === (round.stated?.total ?? null) &&
    other.into === outcome.into &&
    other.made === outcome.made &&
    other.misfits.length === outcome.misfits.length
  );
}

/** A stretch of a text with some edits, none of which touch. */
export function edited(text: string, from: number, to: number, edits: readonly StyleEdit[]): string {
  const pieces: string[] = [];
  let at = from;
  for (const edit of [...edits].sort((a, b) => a.from - b.from)) {
    pieces.push(text.slice(at, edit.from), edit.text);
    at = edit.to;
  }
  pieces.push(text.slice(at, to));
  return pieces.join('');
}
