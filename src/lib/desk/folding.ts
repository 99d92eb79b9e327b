import { codeFolding, foldedRanges, foldEffect, unfoldEffect } from '@codemirror/language';
import type { Extension, Text } from '@codemirror/state';
import type { EditorView } from '@codemirror/view';
import type { Lines } from './editor.js';

/** A stretch of the text; offsets. */
export interface Range {
  readonly from: number;
  readonly to: number;
}

/** Stretches of the text can be folded away below their first line. */
export function folding(): Extension {
  return codeFolding({
    placeholderDOM: (_, unfold) => {
      const button = document.createElement('button');
      button.type = 'button';
      button.className = 'folded';
      button.textContent = '… folded';
      button.title = 'Unfold';
      button.onclick = unfold;
      return button;
    },
  });
}

/** What can be folded of some lines: all but the first; null where there is no more than that. */
export function rangeOf(doc: Text, { line, endLine }: Lines): Range | null {
  if (line >= endLine || endLine > doc.lines) return null;
  return { from: doc.line(line).to, to: doc.line(endLine).to };
}

/** Folds stretches of the text, or unfolds them where all of them are folded already. */
export function toggleFold(view: EditorView, ranges: readonly Range[]): void {
  const folded: Range[] = [];
  foldedRanges(view.state).between(0, view.state.doc.length, (from, to) => void folded.push({ from, to }));
  const isFolded = (range: Range) => folded.find(({ from, to }) => from === range.from && to === range.to);
  const open = ranges.filter((range) => !isFolded(range));
  const effects =
    open.length > 0 ? open.map((range) => foldEffect.of(range)) : ranges.map((range) => unfoldEffect.of(range));
  if (effects.length > 0) view.dispatch({ effects });
}

/** Opens the fold that hides an offset. */
export function reveal(view: EditorView, offset: number): void {
  const effects: ReturnType<typeof unfoldEffect.of>[] = [];
  foldedRanges(view.state).between(offset, offset, (from, to) => void effects.push(unfoldEffect.of({ from, to })));
  if (effects.length > 0) view.dispatch({ effects });
}
