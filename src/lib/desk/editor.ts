import type { Report, ReportFinding } from '../../core/index.js';

/** A place in the text; lines and columns from 1, `endColumn` exclusive. */
export type Place = Pick<ReportFinding, 'line' | 'column' | 'endLine' | 'endColumn'>;

/** Queries that stand at a line. */
export interface QueryMark {
  readonly line: number;
  /** Their numbers. */
  readonly words: string;
  /** Something is still to be done about one of them. */
  readonly open: boolean;
}

/** Whole lines of the text, from 1. */
export interface Lines {
  readonly line: number;
  readonly endLine: number;
}

/** The manuscript as the Desk uses it: a text that one writes in, with its rail and its marks. */
export interface Editor {
  /** Shows figures and marks; they are those of the text as it is now. */
  showReport(report: Report, findings: readonly ReportFinding[]): void;
  showFindings(findings: readonly ReportFinding[]): void;
  /** @param ticks the keys of the rounds that are ticked. */
  showTicks(ticks: ReadonlySet<string>): void;
  showQueries(queries: readonly QueryMark[]): void;
  /** What is selected; offsets, both the caret's where nothing is. */
  selection(): { readonly from: number; readonly to: number };
  /** Lights words while a step of the round is pointed at; offsets, null for none. */
  light(words: { readonly from: number; readonly to: number } | null): void;
  /** Takes the caret to a place, into the middle of the view; nowhere where it is no longer there. */
  goTo(place: Place): void;
  /** Puts another text in place of the whole, as one change that can be undone. */
  replace(text: string): void;
  /** Puts in what others have changed, line by line: the caret stays in its words, and it can't be undone from here. */
  follow(text: string): void;
  /** Applies a fix as one change that can be undone. False where its places are no longer there. */
  apply(fix: ReportFinding['fixes'][number]): boolean;
  /** Folds stretches below their first lines, or unfolds them where all of them are folded. */
  fold(stretches: readonly Lines[]): void;
  /** Keeps caret and undo history in this browser. */
  remember(): void;
  focus(): void;
}

/** The beginning of a line, as a place. */
export function lineStart(line: number, column = 1): Place {
  return { line, column, endLine: line, endColumn: column };
}
