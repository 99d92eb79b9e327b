import { codeFolding, foldedRanges, foldEffect, unfoldEffect } from '@codemirror/language';
import type { Extension } from '@codemirror/state';
import type { EditorView } from '@codemirror/view';
import type { Report } from '../../core/index.js';

/** What a part covers of the text, from the end of its heading to its last line; offsets. */
export interface PartRange {
  readonly from: number;
  readonly to: number;
}

/** Parts can be folded away below their headings. */
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

/** The stretch of a part that can be folded; null where it has nothing below its heading. */
export function rangeOf(view: EditorView, part: Report['parts'][number]): PartRange | null {
  const { doc } = view.state;
  const last = part.rounds.at(-1)?.endLine ?? part.line;
  if (part.line >= last || last > doc.lines) return null;
  return { from: doc.line(part.line).to, to: doc.line(last).to };
}

/** Folds parts, or unfolds them where all of them are folded already. */
export function toggleFold(view: EditorView, parts: readonly Report['parts'][number][]): void {
  const ranges = parts.flatMap((part) => rangeOf(view, part) ?? []);
  const folded: PartRange[] = [];
  foldedRanges(view.state).between(0, view.state.doc.length, (from, to) => void folded.push({ from, to }));
  const isFolded = (range: PartRange) => folded.find(({ from, to }) => from === range.from && to === range.to);
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
