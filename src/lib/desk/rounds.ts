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

/** A place in the text: line and column, both from 1. */
export interface Spot {
  readonly line: number;
  readonly column: number;
}

const isBefore = (a: Spot, b: Spot) => a.line < b.line || (a.line === b.line && a.column < b.column);

/** The round that a place belongs to; null between rounds. Before the first round of a line, that one. */
export function roundAt(rounds: readonly PlacedRound[], spot: Spot): PlacedRound | null {
  const here = rounds.filter(({ round }) => round.line <= spot.line && spot.line <= round.endLine);
  return here.findLast(({ round }) => !isBefore(spot, round)) ?? here[0] ?? null;
}

/** The nearest round after a place (or before it, for -1) that passes a test. */
export function nearest(
  rounds: readonly PlacedRound[],
  spot: Spot,
  direction: 1 | -1,
  test: (round: PlacedRound) => boolean = () => true,
): PlacedRound | null {
  const here = roundAt(rounds, spot);
  const fits = (placed: PlacedRound) =>
    placed !== here && (direction === 1 ? isBefore(spot, placed.round) : isBefore(placed.round, spot)) && test(placed);
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
