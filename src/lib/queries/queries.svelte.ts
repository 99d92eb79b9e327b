import { splitReply, type Proposed, type Report, type ReplyPiece, type Tried } from '../../core/index.js';
import { saveDismissal, saveText, troubleIn } from '../client.js';
import { inOrder } from '../letter.js';
import type { StoredPattern } from '../patterns.js';
import type { Query, QueryState } from '../queries.js';
import type { Checker, CheckListener } from '../workers/checker.js';
import { draftAnswers, foundAt, type DraftAnswer } from './draftAnswers.js';
import { isUnsettled, type QueryList } from './queryList.svelte.js';

/** What the page asks of the core. */
export type CheckingQueries = Pick<Checker, 'check' | 'tried' | 'close'>;

/** What is asked of the server, wherever that is. */
interface Asking {
  readonly save: typeof saveText;
  readonly putAside: typeof saveDismissal;
  readonly say: (words: string) => void;
}

export type Shown = 'waiting' | 'all' | QueryState;

/** A piece of a reply, and whether it is put to its queries. */
export interface Piece extends ReplyPiece {
  readonly taken: boolean;
}

/** The queries of a pattern: looked through, answered, settled. */
export class QueriesSession {
  readonly list: QueryList;
  text = $state.raw('');
  shown = $state<Shown>('waiting');
  words = $state('');
  selected = $state<number | null>(null);
  report = $state.raw<Report | null>(null);
  /** A figure that the answer of the selected query names, tried out; null where there is none. */
  tried = $state.raw<Tried | null>(null);
  reply = $state('');
  pieces = $state.raw<readonly Piece[]>([]);
  left = $state.raw<readonly string[]>([]);
  readonly #pattern: StoredPattern;
  readonly #newest: number;
  readonly #in: Asking;
  #revision: number;
  #checking: CheckingQueries | null = null;

  /** Those that are looked for, in the order of the text. */
  readonly rows: readonly Query[] = $derived(this.#rows());
  readonly query: Query | null = $derived(this.#chosen());
  /** What the newest draft says to queries of the ones before. */
  readonly answers: readonly DraftAnswer[] = $derived(this.#answers());
  readonly answer: DraftAnswer | null = $derived(
    this.answers.find(({ query }) => query.number === this.selected) ?? null,
  );

  /** @param newest the number of the newest draft. */
  constructor(pattern: StoredPattern, list: QueryList, newest: number, within: Pick<Asking, 'say'> & Partial<Asking>) {
    this.#pattern = pattern;
    this.#revision = pattern.revision;
    this.#newest = newest;
    this.list = list;
    this.text = pattern.text;
    this.#in = { save: saveText, putAside: saveDismissal, ...within };
    // What was answered is what one comes for.
    this.selected = (this.rows.find(({ state }) => state === 'answered') ?? this.rows[0])?.number ?? null;
  }

  begin(open: (listener: CheckListener) => CheckingQueries): void {
    this.#checking = open({
      told: (report, about) => {
        if (about !== this.text) return;
        this.report = report;
        void this.#try();
      },
      state: () => undefined,
    });
    this.#checking.check(this.text, this.#pattern.name);
  }

  end(): void {
    this.#checking?.close();
    this.#checking = null;
  }

  /** How many there are of each state, and how many wait for somebody. */
  get counts(): Readonly<Record<Shown, number>> {
    const count = (test: (query: Query) => boolean) => this.list.all.filter(test).length;
    const of = (state: QueryState) => count((query) => query.state === state);
    return {
      waiting: count(isUnsettled),
      all: this.list.all.length,
      open: of('open'),
      sent: of('sent'),
      answered: of('answered'),
      settled: of('settled'),
      withdrawn: of('withdrawn'),
    };
  }

  select(number: number): void {
    this.selected = number;
    void this.#try();
  }

  /** To the first query of those that are shown. */
  first(): void {
    const [first] = this.rows;
    if (first) this.select(first.number);
  }

  /** To the next query of those that are shown, or the one before. */
  step(by: 1 | -1): void {
    const at = this.rows.findIndex(({ number }) => number === this.selected);
    const next = this.rows[at < 0 ? 0 : at + by];
    if (next) this.select(next.number);
    else
      this.#in.say(
        this.rows.length === 0
          ? 'No query is shown.'
          : by === 1
            ? 'This is the last query.'
            : 'This is the first query.',
      );
  }

  /** Brings the selected query into another state; goes on to the next that waits. */
  async become(state: QueryState, said = ''): Promise<void> {
    const { query } = this;
    if (!query) return;
    if (query.state === state) {
      this.#in.say('It is so already.');
      return;
    }
    const before = this.rows;
    if (!(await this.list.change(query, { state, said }))) return;
    this.#goOn(before, query.number);
  }

  /** What an answer settles: wanted as it is, its finding is put aside with that reason. */
  async settle(): Promise<void> {
    const { query } = this;
    if (!query) return;
    const [piece] = query.answer ? splitReply(query.answer, [query.number]).pieces : [];
    const found = piece?.says === 'as-is' && this.report ? foundAt(query, this.text, this.report) : null;
    if (found) {
      const reason = `Meant as it is: ${query.answer}`.slice(0, 500);
      const kept = await this.#trying(() =>
        this.#in.putAside(this.#pattern.id, { key: found.key, rule: found.rule, reason }),
      );
      if (!kept) return;
    }
    await this.become('settled', found ? 'The finding is put aside.' : '');
  }

  /** Applies what the answer says to the text: the figure that was tried, or else what was proposed; and settles the query. */
  async apply(): Promise<void> {
    const { query, tried } = this;
    const edit = tried ?? (query && this.#proposal(query));
    if (!query || !edit) {
      this.#in.say('There is nothing to apply: the answer names no figure that fits, and nothing was proposed.');
      return;
    }
    const text = this.text.slice(0, edit.from) + edit.written + this.text.slice(edit.to);
    if (await this.#saved(text)) await this.become('settled', `Applied: ${edit.words.trim()}`);
  }

  /** What would be written for the selected query, where that is known. */
  get wouldBe(): string | null {
    const { query, tried } = this;
    if (tried) return tried.words;
    return query && query.state !== 'settled' ? (this.#proposal(query)?.words ?? null) : null;
  }

  /** Takes a reply apart; what could not be put to a query stays beside it. */
  split(): void {
    const waiting = this.list.all.filter(isUnsettled).map(({ number }) => number);
    const { pieces, left } = splitReply(this.reply, waiting);
    this.pieces = pieces.map((piece) => ({ ...piece, taken: false }));
    this.left = left;
  }

  /** Puts a piece of the reply to its queries. */
  async take(at: number): Promise<void> {
    const piece = this.pieces[at];
    if (!piece || piece.taken) return;
    for (const number of piece.numbers) {
      const query = this.list.all.find((one) => one.number === number);
      if (query && !(await this.list.change(query, { state: 'answered', said: piece.text }))) return;
    }
    this.pieces = this.pieces.map((one, i) => (i === at ? { ...one, taken: true } : one));
  }

  async takeAll(): Promise<void> {
    for (let at = 0; at < this.pieces.length; at += 1) await this.take(at);
  }

  /** Puts what could not be placed to a query by hand. */
  async assign(at: number, number: number): Promise<void> {
    const text = this.left[at];
    if (text === undefined) return;
    this.left = this.left.filter((_, i) => i !== at);
    this.pieces = [...this.pieces, { numbers: [number], text, says: 'words', figure: null, taken: false }];
    await this.take(this.pieces.length - 1);
  }

  /** Accepts what the newest draft says to a query: mended is settled, still off is sent back. */
  async accept({ query, says, now, found }: DraftAnswer): Promise<void> {
    if (says === 'untouched') return;
    if (says === 'still')
      await this.list.change(query, {
        state: 'open',
        said: `Still off in draft ${this.#newest}: ${found?.message ?? ''}`.trim(),
      });
    else
      await this.list.change(query, {
        state: 'settled',
        said: says === 'gone' ? 'Its place is gone.' : `Now reads: ${now.trim()}`.slice(0, 2000),
      });
  }

  /** Accepts all that the newest draft mends or leaves off; what was asked freely is looked at one by one. */
  async acceptAll(): Promise<void> {
    for (const answer of this.answers)
      if (answer.says === 'mended' || answer.says === 'still') await this.accept(answer);
  }

  /** Makes a query about the whole pattern. */
  async makeFree(text: string, proposal: string): Promise<boolean> {
    const proposed: Proposed = { scope: 'pattern', at: null, part: '', round: '', text, proposal };
    const made = await this.list.make(proposed, '', {
      rule: '',
      finding: '',
      ref: crypto.randomUUID(),
    });
    if (made) this.select(made.number);
    return made !== null;
  }

  #rows(): Query[] {
    const asked = this.words.toLowerCase().split(/\s+/).filter(Boolean);
    return inOrder(
      this.list.all.filter(
        (query) =>
          (this.shown === 'all' || (this.shown === 'waiting' ? isUnsettled(query) : query.state === this.shown)) &&
          asked.every((word) => textOf(query).includes(word)),
      ),
    );
  }

  #chosen(): Query | null {
    return this.list.all.find(({ number }) => number === this.selected) ?? null;
  }

  #answers(): DraftAnswer[] {
    return this.report ? draftAnswers(this.list.all, this.#newest, this.text, this.report) : [];
  }

  #goOn(before: readonly Query[], number: number): void {
    if (this.rows.some((row) => row.number === number)) {
      void this.#try();
      return;
    }
    // It is shown no longer: the one that stood behind it is next.
    const at = before.findIndex((row) => row.number === number);
    const next =
      before.slice(at + 1).find((row) => this.rows.some((one) => one.number === row.number)) ?? this.rows.at(-1);
    this.selected = next?.number ?? null;
    void this.#try();
  }

  #proposal({ place, proposal }: Query): { from: number; to: number; written: string; words: string } | null {
    if (!place?.holds || proposal === '' || proposal === place.words) return null;
    return { from: place.from, to: place.to, written: proposal, words: proposal };
  }

  /** Tries out the figure that the answer of the selected query names. */
  async #try(): Promise<void> {
    this.tried = null;
    const { query } = this;
    const [piece] = query?.answer && query.state !== 'settled' ? splitReply(query.answer, [query.number]).pieces : [];
    if (!query?.place || typeof piece?.figure !== 'number') return;
    const { from, to } = query.place;
    const tried = (await this.#checking?.tried({ from, to }, piece.figure).catch(() => null)) ?? null;
    if (this.query?.number === query.number && !(isOff(tried) && piece.says === 'agrees' && this.#proposal(query)))
      this.tried = tried;
  }

  async #saved(text: string): Promise<boolean> {
    const done = await this.#trying(async () => {
      const saved = await this.#in.save(this.#pattern.id, text, this.#revision);
      if (!('revision' in saved)) {
        this.#in.say('The text has been changed in another window. Load this page anew, and apply it then.');
        return false;
      }
      const before = this.text;
      this.#revision = saved.revision;
      this.text = text;
      this.list.edited(before, text);
      this.#checking?.check(text, this.#pattern.name);
      return true;
    });
    return done ?? false;
  }

  async #trying<Done>(work: () => Promise<Done>): Promise<Done | true | null> {
    try {
      return (await work()) ?? true;
    } catch (error) {
      this.#in.say(`This did not work. ${troubleIn(error)}`);
      return null;
    }
  }
}

/** Who agrees to a proposal means that, where the figure alone does not come out. */
function isOff(tried: Tried | null): boolean {
  return tried?.verdict !== 'agrees' && tried?.verdict !== 'counted';
}

function textOf({ number, part, round, text, answer, place }: Query): string {
  return `${number} ${part} ${round} ${text} ${answer} ${place?.words ?? ''}`.toLowerCase();
}
