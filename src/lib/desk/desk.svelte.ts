import type { Overview, Report, ReportFinding, RoundAccount } from '../../core/index.js';
import type { Notes as StoredNotes, StoredPattern } from '../patterns.js';
import type { EarlierRound } from '../../core/onRequest.js';
import type { Checker, CheckListener, CheckState } from '../workers/checker.js';
import { isUnsettled, type QueryList } from '../queries/queryList.svelte.js';
import type { Query } from '../queries.js';
import type { Editor, Lines, Place, QueryMark } from './editor.js';
import { lineStart } from './editor.js';
import { Notes } from './notes.svelte.js';
import { atOf, type At } from './at.js';
import { frontOf, openingLine } from './opening.js';
import { keepPlace, keptPlace } from './remembered.js';
import { nearest, placedRounds, roundAt, type PlacedRound, type Spot } from './rounds.js';

/** What the Desk asks of the core, wherever that works. */
export type Checking = Pick<
  Checker,
  | 'check'
  | 'account'
  | 'slips'
  | 'meanings'
  | 'inStyle'
  | 'earlier'
  | 'overview'
  | 'query'
  | 'tried'
  | 'setHand'
  | 'close'
>;

/** Opens what checks; told of what it finds. */
export type OpenChecking = (listener: CheckListener) => Checking;

/** Panels follow the rail after so long, where there was a report before; milliseconds. */
const AFTER_THE_RAIL = 30;

/** A query with the lines that it stands in, from 1. */
export interface PlacedQuery {
  readonly query: Query;
  readonly line: number;
  readonly endLine: number;
}

/**
 * A pattern on the Desk: its text, what the check says of it, what a person notes on it, and where one is in it.
 * It knows its editor and its check by what they do, and no page.
 */
export class DeskSession {
  readonly id: string;
  readonly notes: Notes;
  /** The questions to the designer. */
  readonly queries: QueryList;
  name = $state('');
  text = $state.raw('');
  report = $state.raw<Report | null>(null);
  /** The text that the report is about. */
  checked = $state.raw('');
  checking = $state<CheckState>('busy');
  account = $state.raw<RoundAccount | null>(null);
  /** What was understood besides the rounds; asked for where the caret is at something of it. */
  overview = $state.raw<Overview | null>(null);
  spot = $state.raw<Spot>({ line: 1, column: 1 });
  /** Offset of the caret. */
  caret = $state(0);
  #earlier = $state.raw<readonly EarlierRound[]>([]);
  #editor: Editor | null = null;
  #checking: Checking | null = null;
  #showing: ReturnType<typeof setTimeout> | undefined;
  /** Something was done here since the Desk was opened. */
  #touched = false;

  readonly rounds: readonly PlacedRound[] = $derived(this.report ? placedRounds(this.report) : []);
  /** What is found and not put aside. */
  readonly findings: readonly ReportFinding[] = $derived(
    this.report?.findings.filter(({ key }) => !this.notes.aside.has(key)) ?? [],
  );
  /** The finding that the caret stands in. */
  readonly current: ReportFinding | null = $derived(
    this.findings.find(({ line, endLine }) => line <= this.spot.line && this.spot.line <= endLine) ?? null,
  );
  /** The round that the caret stands in; null between rounds. */
  readonly here: PlacedRound | null = $derived(roundAt(this.rounds, this.spot));
  /** That round; between rounds the one before, or else the first. */
  readonly round: PlacedRound | null = $derived(
    this.here ?? nearest(this.rounds, this.spot, -1) ?? this.rounds[0] ?? null,
  );

  /** What the caret is at: a round, something else of a part, or what belongs to the whole pattern. */
  readonly at: At = $derived(
    this.report ? atOf(this.report, this.overview, this.here, this.spot.line) : { kind: 'nothing' },
  );

  /** Queries with the lines that they stand in, from 1; those that are about the whole pattern stand in none. */
  readonly placedQueries: readonly PlacedQuery[] = $derived(this.#placed());
  /** Queries at the round of the caret, or at its line. */
  readonly queriesHere: readonly Query[] = $derived(this.#queriesAt());

  readonly #hand: StoredPattern['hand'];

  constructor(pattern: StoredPattern, stored: StoredNotes, queries: QueryList, notes = new Notes(pattern, stored)) {
    this.id = pattern.id;
    this.#hand = pattern.hand;
    this.notes = notes;
    this.queries = queries;
    queries.changed = () => this.#editor?.showQueries(this.queryMarks);
    this.name = pattern.name;
    this.text = pattern.text;
    notes.changed = {
      ticks: () => this.#editor?.showTicks(this.notes.ticks),
      aside: () => {
        if (this.report && this.checked === this.text) this.#editor?.showFindings(this.findings);
      },
      // What a word means changes the figures of all rounds.
      words: () => {
        this.#checking?.setHand({ ...this.#hand, words: Object.fromEntries(this.notes.words) });
        this.checkAgain();
      },
    };
  }

  /** Begins: from now on the text is shown there, and checked. */
  begin(editor: Editor, open: OpenChecking): void {
    this.#editor = editor;
    editor.showTicks(this.notes.ticks);
    editor.showQueries(this.queryMarks);
    this.#goBack(editor);
    this.#checking = open({
      told: (report, about) => this.#told(report, about),
      state: (state) => (this.checking = state),
      near: () => this.caret,
    });
    this.#checking.check(this.text, this.name);
  }

  end(): void {
    clearTimeout(this.#showing);
    this.keepPlace();
    this.#checking?.close();
    this.#editor = null;
    this.#checking = null;
  }

  get editor(): Editor | null {
    return this.#editor;
  }

  /** The text was changed in its editor. */
  changed(text: string): void {
    this.#touched = true;
    const before = this.text;
    this.text = text;
    this.queries.edited(before, text);
    this.#checking?.check(text, this.name);
  }

  /** Puts a text in the place of the one that was opened: that is not yet something done here. */
  bringBack(text: string): void {
    const touched = this.#touched;
    this.#editor?.replace(text);
    this.#touched = touched;
  }

  /** Puts in what others have changed, while one goes on typing. */
  follow(text: string): void {
    const touched = this.#touched;
    this.#editor?.follow(text);
    this.#touched = touched;
  }

  /** The numbers of the queries at each line that has any. */
  get queryMarks(): readonly QueryMark[] {
    const lines = this.placedQueries.map(({ line }) => line);
    return lines
      .filter((line, i) => lines.indexOf(line) === i)
      .map((line) => {
        const here = this.placedQueries.filter((placed) => placed.line === line);
        return {
          line,
          words: here.map(({ query }) => query.number).join(' '),
          open: here.some(({ query }) => isUnsettled(query)),
        };
      });
  }

  #placed(): PlacedQuery[] {
    return this.queries.all.flatMap((query) => {
      if (!query.place) return [];
      const { from, to } = query.place;
      const line = lineAt(this.text, from);
      return [{ query, line, endLine: line + lineAt(this.text.slice(from), to - from) - 1 }];
    });
  }

  #queriesAt(): readonly Query[] {
    const round = this.here?.round;
    const [first, last] = round ? [round.line, round.endLine] : [this.spot.line, this.spot.line];
    return this.placedQueries.filter(({ line, endLine }) => line <= last && endLine >= first).map(({ query }) => query);
  }

  /** The caret has moved; where a person has moved it, it stays. */
  moved(spot: Spot, offset: number, byHand = false): void {
    this.#touched ||= byHand;
    const before = this.round;
    this.spot = spot;
    this.caret = offset;
    if (this.round !== before) this.#explain();
    if (!this.here) this.#look();
  }

  checkAgain(): void {
    this.#checking?.check(this.text, this.name);
  }

  /** Takes the caret somewhere, if there is an editor yet. */
  goTo(place: Place): void {
    this.#touched = true;
    this.#editor?.goTo(place);
  }

  toLine(line: number): void {
    this.goTo(lineStart(line));
  }

  toRound({ round }: PlacedRound): void {
    this.goTo(lineStart(round.line, round.column));
  }

  /** To the query or the line that an address asks for, where there is one. */
  toAsked(asked: URLSearchParams): void {
    const number = Number(asked.get('query'));
    const line = this.placedQueries.find(({ query }) => query.number === number)?.line ?? Number(asked.get('line'));
    if (line > 0) this.toLine(line);
  }

  /** The lines before the first part; null where there are none. */
  get front(): Lines | null {
    return this.report && frontOf(this.report, this.text);
  }

  /** What is open at a round. */
  findingsOf({ round }: PlacedRound): readonly ReportFinding[] {
    return this.findings.filter(
      ({ round: label, line, endLine }) => label === round.label && line <= round.endLine && endLine >= round.line,
    );
  }

  /** How a round read before the last sitting, where it read otherwise or was not there; null where it is as it was. */
  wordsBefore({ round, part }: PlacedRound): string | null {
    const old = this.#earlier.find((one) => one.part === part.name && one.label === round.label);
    if (!old) return null;
    const now = this.text
      .split('\n')
      .slice(round.line - 1, round.endLine)
      .join('\n')
      .trim();
    return old.words === now ? null : old.words;
  }

  /** Tells how the text read before the last sitting; without that the Desk is none the worse. */
  async compareWith(earlier: string): Promise<void> {
    this.#earlier = (await this.#checking?.earlier(earlier).catch(() => [])) ?? [];
  }

  /** Lights words of the text as it was checked. */
  light(words: { readonly from: number; readonly to: number } | null): void {
    if (this.checked === this.text) this.#editor?.light(words);
  }

  /** Applies a fix; false where the text has changed since it was found. */
  apply(fix: ReportFinding['fixes'][number]): boolean {
    return this.checked === this.text && (this.#editor?.apply(fix) ?? false);
  }

  /** What checks, for questions that are asked of it. */
  get asking(): Checking | null {
    return this.#checking;
  }

  /** Keeps where one is in the text. */
  keepPlace(): void {
    this.#editor?.remember();
    if (this.report) keepPlace(this.id, { line: this.spot.line, front: this.front?.endLine ?? null }, this.text);
  }

  #told(next: Report, about: string): void {
    // The rail first; the panels follow when it has been drawn. A report on a text that has changed since would mark the
    // wrong words; the next one is on its way.
    if (about === this.text) {
      this.#editor?.showReport(
        next,
        next.findings.filter(({ key }) => !this.notes.aside.has(key)),
      );
    }
    clearTimeout(this.#showing);
    const first = this.report === null;
    const show = () => {
      this.report = next;
      this.checked = about;
      this.overview = null;
      const goes = first && this.#open(next);
      this.#explain();
      // Where the caret comes to, it is looked at then.
      if (!goes && !this.here) this.#look();
    };
    if (first) show();
    else this.#showing = setTimeout(show, AFTER_THE_RAIL);
  }

  /** Goes where one was, with what stands before the rounds folded: who comes back has read it. */
  #goBack(editor: Editor): void {
    const left = keptPlace(this.id, this.text);
    if (!left) return;
    if (left.front !== null) editor.fold([{ line: 1, endLine: left.front }]);
    this.goTo(lineStart(left.line));
  }

  /** Goes where the work is, unless one has come back, or something has been done here already; whether the caret moves. */
  #open(report: Report): boolean {
    const line = this.#touched ? null : openingLine(report, this.findings);
    if (line === null || !this.#editor) return false;
    const goes = line !== this.spot.line;
    this.#editor.goTo(lineStart(line));
    return goes;
  }

  #look(): void {
    const { checked } = this;
    if (this.report === null || this.overview || !this.#checking) return;
    void this.#checking
      .overview()
      .then((told) => {
        if (this.checked === checked) this.overview = told;
      })
      .catch(() => undefined);
  }

  /** The account is asked for when the caret comes to another round, or the text has been checked anew. */
  #explain(): void {
    const asked = this.round;
    if (!asked || !this.#checking) {
      this.account = null;
      return;
    }
    void this.#checking
      .account(asked.index)
      .then((told) => {
        if (this.round?.index === asked.index && told?.label === asked.round.label) this.account = told;
      })
      .catch(() => undefined);
  }
}

/** The line that an offset stands in, from 1. */
function lineAt(text: string, offset: number): number {
  let line = 1;
  for (let at = text.indexOf('\n'); at >= 0 && at < offset; at = text.indexOf('\n', at + 1)) line += 1;
  return line;
}
