import { defaultKeymap, history, historyKeymap } from '@codemirror/commands';
import { highlightSelectionMatches, search, searchKeymap } from '@codemirror/search';
import { EditorState, type ChangeSpec } from '@codemirror/state';
import { drawSelection, EditorView, highlightActiveLine, keymap } from '@codemirror/view';
import type { ReportFinding } from '../../core/index.js';
import { findingMarks, placeOf } from './findings.js';
import { folding, reveal } from './folding.js';
import { rail } from './rail.js';
import { recall } from './remembered.js';
import type { Spot } from './rounds.js';

export interface ManuscriptOptions {
  readonly id: string;
  readonly text: string;
  /** The text has changed, by typing or otherwise. */
  readonly changed: (text: string) => void;
  /** The caret has moved: to a line and column, both from 1, and an offset. */
  readonly moved: (spot: Spot, offset: number) => void;
  /** The tick of a round was clicked. */
  readonly tick: (key: string) => void;
}

/** Alt with an arrow goes through the rounds, and must never move a line of the pattern. */
const WRITING_KEYS = defaultKeymap.filter(({ key }) => !/^(?:Shift-)?Alt-Arrow(?:Up|Down)$/.test(key ?? ''));

/** The manuscript: the pattern's text as it is, its rail, and its findings at their words. */
export function createManuscript(parent: HTMLElement, options: ManuscriptOptions): EditorView {
  const { id, text, changed, moved, tick } = options;
  const config = {
    doc: text,
    extensions: [
      history({ minDepth: 500 }),
      drawSelection(),
      highlightActiveLine(),
      highlightSelectionMatches({ minSelectionLength: 4, maxMatches: 60 }),
      search({ top: true }),
      folding(),
      EditorView.lineWrapping,
      EditorView.contentAttributes.of({
        'aria-label': 'Manuscript',
        tabindex: '0',
        spellcheck: 'false',
        autocorrect: 'off',
        autocapitalize: 'off',
      }),
      keymap.of([...WRITING_KEYS, ...historyKeymap, ...searchKeymap]),
      rail(tick),
      findingMarks(),
      EditorView.updateListener.of((update) => {
        if (update.docChanged) changed(update.state.doc.toString());
        if (update.selectionSet || update.docChanged) {
          const { head } = update.state.selection.main;
          const line = update.state.doc.lineAt(head);
          moved({ line: line.number, column: head - line.from + 1 }, head);
        }
      }),
    ],
  };
  return new EditorView({ parent, state: recall(id, text, config) ?? EditorState.create(config) });
}

/** Puts another text in place of the whole, as one change that can be undone. */
export function replaceText(view: EditorView, text: string): void {
  view.dispatch({ changes: { from: 0, to: view.state.doc.length, insert: text } });
}

/** Takes the caret to a place, into the middle of the view. */
export function goTo(view: EditorView, from: number, to = from): void {
  reveal(view, from);
  view.dispatch({ selection: { anchor: from, head: to }, effects: EditorView.scrollIntoView(from, { y: 'center' }) });
  view.focus();
}

/** Takes the caret to the beginning of a line, from 1. */
export function goToLine(view: EditorView, line: number): void {
  if (line >= 1 && line <= view.state.doc.lines) goTo(view, view.state.doc.line(line).from);
}

/** Applies a fix as one change that can be undone. False where its places are no longer there. */
export function applyFix(view: EditorView, { edits }: ReportFinding['fixes'][number]): boolean {
  const changes: ChangeSpec[] = [];
  for (const edit of edits) {
    const place = placeOf(edit, view.state.doc);
    if (!place) return false;
    changes.push({ ...place, insert: edit.text });
  }
  const first = placeOf(edits[0] ?? { line: 1, column: 1, endLine: 1, endColumn: 1 }, view.state.doc);
  view.dispatch({ changes, selection: { anchor: first?.from ?? 0 }, userEvent: 'input.fix' });
  return true;
}
