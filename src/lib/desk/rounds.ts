import type { Report, ReportRound } from '../../core/index.js';

/** A round with its part and its number among all rounds, from 0. */
export interface PlacedRound {
  readonly round: ReportRound;
  readonly part: Report['parts'][number];
  readonly index: number;
}

/** All rounds of a report in the order of the text. */
export function placedRounds(report: Report): PlacedRound[] {
  let index = -1;
  return report.parts.flatMap((part) =>
    part.rounds.map((round) => {
      index += 1;
      return { round, part, index };
    }),
  );
}

/** The round that a line belongs to: the one whose lines hold it, else null. Several in a line: the first. */
export function roundAt(rounds: readonly PlacedRound[], line: number): PlacedRound | null {
  return rounds.find(({ round }) => round.line <= line && line <= round.endLine) ?? null;
}

/** The nearest round after a line (or before it, for -1) that passes a test. */
export function nearest(
  rounds: readonly PlacedRound[],
  line: number,
  direction: 1 | -1,
  test: (round: PlacedRound) => boolean = () => true,
): PlacedRound | null {
  const fits = (placed: PlacedRound) =>
    (direction === 1 ? placed.round.line > line : placed.round.line < line) && test(placed);
  return (direction === 1 ? rounds.find(fits) : rounds.findLast(fits)) ?? null;
}

/** A round's label as a name of its own: a bare number becomes "Round 7". */
export function roundName({ label, kind }: Pick<ReportRound, 'label' | 'kind'>): string {
  return /^\d/.test(label) ? `${kind === 'row' ? 'Row' : 'Round'} ${label}` : label;
}

/** By how many stitches a round grows or shrinks: "+6", "−6"; empty where it does neither, or that is not known. */
export function changeOf({ edge, made }: Pick<ReportRound, 'edge' | 'made'>): string {
  if (edge === null || made === null || made === edge) return '';
  return made > edge ? `+${made - edge}` : `−${edge - made}`;
}
