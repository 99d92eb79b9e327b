import {
  overviewOf,
  checkPattern,
  fixedReport,
  inStyle,
  NO_HAND,
  type CheckOptions,
  type Checked,
  type Report,
  type ReportFinding,
} from '../../core/index.js';
import { meaningsOf, queryIn, slipsIn, triedIn } from '../../core/onRequest.js';
import type { Notes as StoredNotes, StoredPattern } from '../patterns.js';
import { QueryList } from '../queries/queryList.svelte.js';
import type { CheckListener } from '../workers/checker.js';
import { DeskSession, type Checking, type OpenChecking } from './desk.svelte.js';
import type { Editor, Lines, Place, QueryMark } from './editor.js';

/** An editor of its text alone, for tests: what it is told to show is kept, and the caret is where it was sent. */
export class PaperEditor implements Editor {
  #desk: DeskSession | null = null;
  shown: Report | null = null;
  marks: readonly ReportFinding[] = [];
  ticks: ReadonlySet<string> = new Set();
  lit: { readonly from: number; readonly to: number } | null = null;
  folded: readonly Lines[] = [];
  focused = 0;
  queries: readonly QueryMark[] = [];
  selected: { from: number; to: number } | null = null;
  places: Place[] = [];

  /** The caret's moves and the changes of the text are told to this session. */
  attach(desk: DeskSession): void {
    this.#desk = desk;
  }

  showReport(report: Report, findings: readonly ReportFinding[]): void {
    this.shown = report;
    this.marks = findings;
  }

  showFindings(findings: readonly ReportFinding[]): void {
    this.marks = findings;
  }

  showTicks(ticks: ReadonlySet<string>): void {
    this.ticks = new Set(ticks);
  }

  showQueries(queries: readonly QueryMark[]): void {
    this.queries = queries;
  }

  selection(): { from: number; to: number } {
    return this.selected ?? { from: this.#desk?.caret ?? 0, to: this.#desk?.caret ?? 0 };
  }

  light(words: { readonly from: number; readonly to: number } | null): void {
    this.lit = words;
  }

  goTo(place: Place): void {
    this.places.push(place);
    this.#desk?.moved({ line: place.line, column: place.column }, this.#offset(place.line, place.column));
  }

  follow(text: string): void {
    this.replace(text);
  }

  replace(text: string): void {
    this.#desk?.changed(text);
  }

  apply({ edits }: ReportFinding['fixes'][number]): boolean {
    const text = this.#desk?.text ?? '';
    const spans = edits.map((edit) => ({
      from: this.#offset(edit.line, edit.column),
      to: this.#offset(edit.endLine, edit.endColumn),
      text: edit.text,
    }));
    const last = spans.sort((a, b) => b.from - a.from);
    this.replace(last.reduce((now, { from, to, text: put }) => now.slice(0, from) + put + now.slice(to), text));
    return true;
  }

  fold(stretches: readonly Lines[]): void {
    this.folded = stretches;
  }

  remember(): void {
    // Nothing outlives a test.
  }

  focus(): void {
    this.focused += 1;
  }

  #offset(line: number, column: number): number {
    const lines = (this.#desk?.text ?? '').split('\n');
    return lines.slice(0, line - 1).reduce((sum, one) => sum + one.length + 1, 0) + column - 1;
  }
}

/** Checks in the test's own thread, at once, as often as it is asked; fixes are in the first report. */
export function checkingHere(options: CheckOptions = { terms: 'auto' }): OpenChecking & { readonly asked: string[] } {
  const asked: string[] = [];
  const open = (listener: CheckListener): Checking => {
    let last: Checked | null = null;
    let checked = '';
    let hand = options.hand ?? NO_HAND;
    return {
      check(text, name) {
        asked.push(text);
        listener.state('busy');
        checked = text;
        last = checkPattern(text, name, { ...options, hand });
        listener.state('done');
        listener.told(fixedReport(last), text, true);
      },
      account: (round) => Promise.resolve(last?.account(round) ?? null),
      slips: (round, onHook) => Promise.resolve(slipsIn(checked, round, onHook, { ...options, hand })),
      meanings: (word) => Promise.resolve(meaningsOf(checked, { ...options, hand }, word)),
      query: (about) => Promise.resolve(queryIn(checked, about, { ...options, hand })),
      tried: (at, figure) => Promise.resolve(triedIn(checked, at, figure, { ...options, hand })),
      overview: () => Promise.resolve(last && overviewOf(last.counted)),
      inStyle: (text) => Promise.resolve(inStyle(text, options.style ?? {}, options)),
      earlier: (text) =>
        Promise.resolve(
          checkPattern(text, '').report.parts.flatMap(({ name, rounds }) =>
            rounds.map(({ label, line, endLine }) => ({
              part: name,
              label,
              words: text
                .split('\n')
                .slice(line - 1, endLine)
                .join('\n'),
            })),
          ),
        ),
      setHand: (next) => (hand = next),
      close: () => (last = null),
    };
  };
  return Object.assign(open, { asked });
}

/** A Desk on a text, with its editor and its check beside it. */
export function deskOn(
  text: string,
  {
    notes = {},
    rules = {},
    queries = new QueryList('one', [], { say: () => undefined }),
  }: { notes?: Partial<StoredNotes>; rules?: NonNullable<CheckOptions['rules']>; queries?: QueryList } = {},
): { desk: DeskSession; editor: PaperEditor; checks: readonly string[]; pattern: StoredPattern } {
  const pattern: StoredPattern = { id: 'one', name: 'One', text, revision: 1, terms: 'auto', hand: NO_HAND };
  const desk = new DeskSession(pattern, { ticks: [], dismissals: [], rules: {}, ...notes }, queries);
  const editor = new PaperEditor();
  editor.attach(desk);
  const open = checkingHere({ terms: 'auto', rules });
  desk.begin(editor, open);
  return { desk, editor, checks: open.asked, pattern };
}

/** A store of the browser, in memory. */
export function memoryStorage(): Storage {
  const kept = new Map<string, string>();
  return {
    get length() {
      return kept.size;
    },
    key: (index) => [...kept.keys()][index] ?? null,
    getItem: (key) => kept.get(key) ?? null,
    setItem: (key, value) => void kept.set(key, value),
    removeItem: (key) => void kept.delete(key),
    clear: () => kept.clear(),
  };
}
