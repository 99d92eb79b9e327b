import { StateEffect, StateField, type Extension, type Range, type Text } from '@codemirror/state';
import { Decoration, EditorView, type DecorationSet } from '@codemirror/view';
import type { ReportFinding } from '../../core/index.js';
import type { Place } from './editor.js';

/** More marks than this help nobody, and slow the page. */
const MOST_MARKS = 2000;

/** The findings to mark at their words; their places belong to the text as it is now. */
export const showFindings = StateEffect.define<readonly ReportFinding[]>();
/** Words to light up while a step of the round card is pointed at; null for none. */
export const lightWords = StateEffect.define<{ from: number; to: number } | null>();

/** Offsets of a place in the document; null where it lies outside. */
export function placeOf(place: Place, doc: Text): { from: number; to: number } | null {
  if (place.endLine > doc.lines) return null;
  const first = doc.line(place.line);
  const last = doc.line(place.endLine);
  const from = Math.min(first.from + place.column - 1, first.to);
  const to = Math.min(last.from + place.endColumn - 1, last.to);
  return to >= from ? { from, to } : null;
}

function marksOf(findings: readonly ReportFinding[], doc: Text): DecorationSet {
  const marks: Range<Decoration>[] = [];
  for (const finding of findings.slice(0, MOST_MARKS)) {
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
      if (effect.is(showFindings)) return marksOf(effect.value, transaction.state.doc);
    return transaction.docChanged ? marks.map(transaction.changes) : marks;
  },
  provide: (field) => EditorView.decorations.from(field),
});

const lit = StateField.define<DecorationSet>({
  create: () => Decoration.none,
  update(marks, transaction) {
    for (const effect of transaction.effects)
      if (effect.is(lightWords)) {
        const words = effect.value;
        const fits = words && words.to > words.from && words.to <= transaction.state.doc.length;
        return fits ? Decoration.set(Decoration.mark({ class: 'lit' }).range(words.from, words.to)) : Decoration.none;
      }
    return transaction.docChanged ? Decoration.none : marks;
  },
  provide: (field) => EditorView.decorations.from(field),
});

/** Findings marked at their words, and words that are pointed at. */
export function findingMarks(): Extension {
  return [found, lit];
}
