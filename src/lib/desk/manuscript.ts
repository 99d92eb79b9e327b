import { defaultKeymap, history, historyKeymap } from '@codemirror/commands';
import { highlightSelectionMatches, search, searchKeymap } from '@codemirror/search';
import { EditorState, Transaction, type ChangeSpec } from '@codemirror/state';
import { drawSelection, EditorView, highlightActiveLine, keymap } from '@codemirror/view';
import type { Report, ReportFinding } from '../../core/index.js';
import type { Density } from '../frame/preferences.svelte.js';
import type { Editor, Lines, Place, QueryMark } from './editor.js';
import { findingMarks, lightWords, placeOf, showFindings } from './findings.js';
import { lineChanges } from './merging.js';
import { folding, rangeOf, reveal, toggleFold } from './folding.js';
import { queryMarks, showQueries } from './queryMarks.js';
import { rail, showReport, showTicks } from './rail.js';
import { recall, remember } from './remembered.js';
import type { Spot } from './rounds.js';

export interface ManuscriptOptions {
  readonly id: string;
  readonly text: string;
  /** The text has changed, by typing or otherwise. */
  readonly changed: (text: string) => void;
  /** The caret has moved: to a line and column, both from 1, and an offset; by a key or the pointer, or otherwise. */
  readonly moved: (spot: Spot, offset: number, byHand: boolean) => void;
  /** The tick of a round was clicked. */
  readonly tick: (key: string) => void;
}

/** Alt with an arrow goes through the rounds, and must never move a line of the pattern. */
const WRITING_KEYS = defaultKeymap.filter(({ key }) => !/^(?:Shift-)?Alt-Arrow(?:Up|Down)$/.test(key ?? ''));

/** The manuscript: the pattern's text as it is, its rail, and its findings at their words. */
export class Manuscript implements Editor {
  readonly #view: EditorView;
  readonly #id: string;

  constructor(parent: HTMLElement, { id, text, changed, moved, tick }: ManuscriptOptions) {
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
        queryMarks(),
        findingMarks(),
        EditorView.updateListener.of((update) => {
          if (update.docChanged) changed(update.state.doc.toString());
          if (update.selectionSet || update.docChanged) {
            const { head } = update.state.selection.main;
            const line = update.state.doc.lineAt(head);
            const byHand = update.transactions.some((one) => one.isUserEvent('select'));
            moved({ line: line.number, column: head - line.from + 1 }, head, byHand);
          }
        }),
      ],
    };
    this.#id = id;
    this.#view = new EditorView({ parent, state: recall(id, text, config) ?? EditorState.create(config) });
  }

  showReport(report: Report, findings: readonly ReportFinding[]): void {
    this.#view.dispatch({ effects: [showReport.of(report), showFindings.of(findings)] });
  }

  showFindings(findings: readonly ReportFinding[]): void {
    this.#view.dispatch({ effects: showFindings.of(findings) });
  }

  showTicks(ticks: ReadonlySet<string>): void {
    this.#view.dispatch({ effects: showTicks.of(ticks) });
  }

  showQueries(queries: readonly QueryMark[]): void {
    this.#view.dispatch({ effects: showQueries.of(queries) });
  }

  selection(): { from: number; to: number } {
    const { from, to } = this.#view.state.selection.main;
    return { from, to };
  }

  light(words: { from: number; to: number } | null): void {
    this.#view.dispatch({ effects: lightWords.of(words) });
  }

  goTo(place: Place): void {
    const found = placeOf(place, this.#view.state.doc);
    if (!found) return;
    reveal(this.#view, found.from);
    this.#view.dispatch({
      selection: { anchor: found.from, head: found.to },
      effects: EditorView.scrollIntoView(found.from, { y: 'center' }),
    });
    this.#view.focus();
  }

  replace(text: string): void {
    // What is the same before and behind stays, and the caret and the folds with it.
    const before = this.#view.state.doc.toString();
    const shorter = Math.min(before.length, text.length);
    let from = 0;
    while (from < shorter && before[from] === text[from]) from += 1;
    let same = 0;
    while (same < shorter - from && before.at(-1 - same) === text.at(-1 - same)) same += 1;
    const insert = text.slice(from, text.length - same);
    this.#view.dispatch({ changes: { from, to: before.length - same, insert } });
  }

  follow(text: string): void {
    const { doc } = this.#view.state;
    const changes = lineChanges(doc.toString(), text);
    // Taken back is what was done here, and nothing that others did.
    this.#view.dispatch({ changes, annotations: Transaction.addToHistory.of(false) });
  }

  apply({ edits }: ReportFinding['fixes'][number]): boolean {
    const { doc } = this.#view.state;
    const changes: ChangeSpec[] = [];
    for (const edit of edits) {
      const place = placeOf(edit, doc);
      if (!place) return false;
      changes.push({ ...place, insert: edit.text });
    }
    const first = edits[0] && placeOf(edits[0], doc);
    this.#view.dispatch({ changes, selection: { anchor: first?.from ?? 0 }, userEvent: 'input.fix' });
    return true;
  }

  fold(stretches: readonly Lines[]): void {
    toggleFold(
      this.#view,
      stretches.flatMap((lines) => rangeOf(this.#view.state.doc, lines) ?? []),
    );
  }

  remember(): void {
    remember(this.#id, this.#view.state);
  }

  focus(): void {
    this.#view.focus();
  }

  /** Lines are drawn at another height: all that was measured is measured anew. */
  measureFor(_density: Density): void {
    this.#view.requestMeasure();
  }

  destroy(): void {
    this.#view.destroy();
  }
}
