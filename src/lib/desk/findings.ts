import { StateField, type Extension, type Range, type Text } from '@codemirror/state';
import { Decoration, EditorView, type DecorationSet } from '@codemirror/view';
import type { Report, ReportFinding } from '../../core/index.js';
import { showReport } from './rail.js';

/** More marks than this help nobody, and slow the page. */
const MOST_MARKS = 2000;

/** Offsets of a finding in the document; null where it lies outside. */
export function placeOf(finding: ReportFinding, doc: Text): { from: number; to: number } | null {
  if (finding.endLine > doc.lines) return null;
  const first = doc.line(finding.line);
  const last = doc.line(finding.endLine);
  const from = Math.min(first.from + finding.column - 1, first.to);
  const to = Math.min(last.from + finding.endColumn - 1, last.to);
  return to >= from ? { from, to } : null;
}

function marksOf(report: Report, doc: Text): DecorationSet {
  const marks: Range<Decoration>[] = [];
  for (const finding of report.findings.slice(0, MOST_MARKS)) {
    const place = placeOf(finding, doc);
    if (place && place.to > place.from)
      marks.push(Decoration.mark({ class: `found ${finding.severity}` }).range(place.from, place.to));
  }
  return Decoration.set(marks, true);
}

const found = StateField.define<DecorationSet>({
  create: () => Decoration.none,
  update(marks, transaction) {
    for (const effect of transaction.effects)
      if (effect.is(showReport)) return marksOf(effect.value, transaction.state.doc);
    return transaction.docChanged ? marks.map(transaction.changes) : marks;
  },
  provide: (field) => EditorView.decorations.from(field),
});

/** Findings marked at their words. */
export function findingMarks(): Extension {
  return found;
}
