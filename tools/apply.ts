import type { ReportFinding } from '../src/core/index.js';

/** A text with one fix applied. */
export function apply(text: string, { edits }: ReportFinding['fixes'][number]): string {
  const lines = text.split('\n');
  const starts = lines.map(
    (
      (sum) => (line) =>
        (sum += line.length + 1) - line.length - 1
    )(0),
  );
  const offset = (line: number, column: number) => (starts[line - 1] ?? 0) + column - 1;
  return [...edits]
    .sort((a, b) => b.line - a.line || b.column - a.column)
    .reduce(
      (whole, edit) =>
        whole.slice(0, offset(edit.line, edit.column)) + edit.text + whole.slice(offset(edit.endLine, edit.endColumn)),
      text,
    );
}
