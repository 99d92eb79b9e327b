import type { Overview, PartOverview, Report } from '../../core/index.js';
import type { PlacedRound } from './rounds.js';

/** What the caret is at. */
export type At =
  | { readonly kind: 'nothing' }
  | { readonly kind: 'round'; readonly placed: PlacedRound }
  /** The heading of a part, or words between its rounds. `index` is its number among all parts. */
  | { readonly kind: 'part'; readonly index: number; readonly part: PartOverview | null }
  /** What belongs to no part. */
  | { readonly kind: 'whole'; readonly section: Overview['sections'][number]['kind'] | null };

/** What a line belongs to, as far as it is known: without an overview all lines below a heading are of its part. */
export function atOf(report: Report, overview: Overview | null, here: PlacedRound | null, line: number): At {
  if (here) return { kind: 'round', placed: here };
  const section = overview?.sections.find((one) => one.line <= line && line <= one.endLine);
  if (section) return { kind: 'whole', section: section.kind };
  const index = report.parts.findLastIndex((part) => part.line <= line);
  if (index < 0) return { kind: 'whole', section: null };
  return { kind: 'part', index, part: overview?.parts[index] ?? null };
}
