import { defaultKeymap, history, historyKeymap } from '@codemirror/commands';
import { highlightSelectionMatches, search, searchKeymap } from '@codemirror/search';
import { EditorState } from '@codemirror/state';
import { drawSelection, EditorView, highlightActiveLine, keymap } from '@codemirror/view';
import { findingMarks } from './findings.js';
import { rail } from './rail.js';

export interface ManuscriptOptions {
  readonly text: string;
  /** The text has changed, by typing or otherwise. */
  readonly changed: (text: string) => void;
  /** The caret has moved; lines count from 1. */
  readonly moved: (line: number) => void;
}

/** The manuscript: the pattern's text as it is, its rail, and its findings at their words. */
export function createManuscript(parent: HTMLElement, { text, changed, moved }: ManuscriptOptions): EditorView {
  return new EditorView({
    parent,
    state: EditorState.create({
      doc: text,
      extensions: [
        history(),
        drawSelection(),
        highlightActiveLine(),
        highlightSelectionMatches(),
        search({ top: true }),
        EditorView.lineWrapping,
        EditorView.contentAttributes.of({
          'aria-label': 'Manuscript',
          tabindex: '0',
          spellcheck: 'false',
          autocorrect: 'off',
          autocapitalize: 'off',
        }),
        keymap.of([...defaultKeymap, ...historyKeymap, ...searchKeymap]),
        rail(),
        findingMarks(),
        EditorView.updateListener.of((update) => {
          if (update.docChanged) changed(update.state.doc.toString());
          if (update.selectionSet || update.docChanged)
            moved(update.state.doc.lineAt(update.state.selection.main.head).number);
        }),
      ],
    }),
  });
}

/** Puts another text in place of the whole, as one change that can be undone. */
export function replaceText(view: EditorView, text: string): void {
  view.dispatch({ changes: { from: 0, to: view.state.doc.length, insert: text } });
}

/** Takes the caret to a place, into the middle of the view. */
export function goTo(view: EditorView, from: number, to = from): void {
  view.dispatch({ selection: { anchor: from, head: to }, effects: EditorView.scrollIntoView(from, { y: 'center' }) });
  view.focus();
}
