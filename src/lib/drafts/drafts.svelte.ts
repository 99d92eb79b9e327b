import { follow, placeAt, type ComparedEntry, type Report, type ReportRound } from '../../core/index.js';
import { saveText, troubleIn } from '../client.js';
import type { DraftText, OwnTaken } from '../drafts.js';
import type { StoredPattern } from '../patterns.js';
import { plural } from '../plural.js';
import { makeQuery } from '../queries/asking.js';
import type { Comparer, Compared } from '../workers/comparer.js';
import { troubleInWords } from '../workers/trouble.js';
import { saveOwn } from './asking.js';
import { ownChanges, withMine, type OwnChange } from './ownChanges.js';

/** A draft by its number, or (0) the text as it is at the Desk. */
export type Side = number;
export const DESK: Side = 0;

/** A line of two texts in step. */
export interface Row {
  readonly entry: ComparedEntry;
  readonly before: string;
  readonly after: string;
  readonly old: ReportRound | null;
  readonly now: ReportRound | null;
  /** The first line of a part. */
  readonly heading: boolean;
}

interface Asking {
  readonly save: typeof saveText;
  readonly own: typeof saveOwn;
  readonly query: typeof makeQuery;
  readonly say: (words: string) => void;
}

/** Two drafts of a pattern in step, and what the editor had changed in the earlier one. */
export class DraftsSession {
  before = $state<Side>(DESK);
  after = $state<Side>(DESK);
  compared = $state.raw<Compared | null>(null);
  trouble = $state('');
  selected = $state<number | null>(null);
  onlyChanged = $state(true);
  /** What the editor had changed in the draft before the newest, and is not decided yet. */
  own = $state.raw<readonly OwnChange[]>([]);
  text = $state.raw('');
  readonly #pattern: StoredPattern;
  readonly #drafts: readonly DraftText[];
  readonly #in: Asking;
  readonly #decided: readonly string[];
  #revision: number;
  #newestReport: Report | null = null;
  #comparing: Pick<Comparer, 'compare' | 'close'> | null = null;

  readonly rows: readonly Row[] = $derived(this.#rows());
  readonly shown: readonly Row[] = $derived(this.onlyChanged ? this.#around() : this.rows);

  /** @param decided keys of the changes of one's own that have been decided. */
  constructor(
    pattern: StoredPattern,
    drafts: readonly DraftText[],
    decided: readonly string[],
    within: Pick<Asking, 'say'> & Partial<Asking>,
  ) {
    this.#pattern = pattern;
    this.#drafts = drafts;
    this.#decided = decided;
    this.#revision = pattern.revision;
    this.text = pattern.text;
    this.#in = { save: saveText, own: saveOwn, query: makeQuery, ...within };
    const newest = drafts.at(-1)?.number ?? DESK;
    this.before = drafts.at(-2)?.number ?? newest;
    this.after = drafts.length > 1 ? newest : DESK;
  }

  async begin(comparing: Pick<Comparer, 'compare' | 'close'>): Promise<void> {
    this.#comparing = comparing;
    await Promise.all([this.#compare(), this.#lookAtOwn()]);
  }

  end(): void {
    this.#comparing?.close();
    this.#comparing = null;
  }

  /** Looks at other drafts. */
  async choose(before: Side, after: Side): Promise<void> {
    this.before = before;
    this.after = after;
    await this.#compare();
  }

  /** What has changed, in one sentence. */
  get sentence(): string {
    const { compared } = this;
    if (!compared) return '';
    const changed = this.rows.filter((row) => isRound(row) && isChanged(row));
    const lines = this.rows.filter((row) => !isRound(row) && isChanged(row)).length;
    const stitches = changed.filter(({ entry }) => entry.change === 'stitches').length;
    const { gone, come } = compared.findings;
    if (changed.length === 0 && lines === 0) return 'Nothing has changed.';
    const rounds =
      changed.length === 0
        ? `No round has changed, but ${plural(lines, 'other line has', 'other lines have')}`
        : changed.length === 1
          ? `1 round changed, ${stitches === 1 ? '' : 'not '}in its stitches`
          : `${changed.length} rounds changed, ${stitches === 0 ? 'none' : stitches} of them in ${stitches === 1 ? 'its' : 'their'} stitches`;
    const found = [
      ...(gone.length > 0 ? [`${plural(gone.length, 'finding is', 'findings are')} gone`] : []),
      ...(come.length > 0 ? [`${come.length} ${come.length === 1 ? 'is' : 'are'} new`] : []),
    ];
    return `${rounds}${found.length > 0 ? `; ${found.join(', ')}` : ''}.`;
  }

  /** What has become of the parts, each in a few words. */
  get parts(): readonly string[] {
    const { compared } = this;
    if (!compared) return [];
    const nameIn = (report: Report, at: number | null) => report.parts[at ?? -1]?.name ?? '';
    return compared.comparison.parts.flatMap(({ before, after, renamed, moved }) => {
      const [old, now] = [nameIn(compared.before, before), nameIn(compared.after, after)];
      if (before === null) return [`${now} is new`];
      if (after === null) return [`${old} is gone`];
      return [...(renamed ? [`${old} is called ${now}`] : []), ...(moved ? [`${now} stands elsewhere`] : [])];
    });
  }

  /** Whether the later of the two is, line by line, what stands at the Desk. */
  get isAtDesk(): boolean {
    return this.#textOf(this.after) === this.text;
  }

  /** To the next row that has changed, or the one before. */
  step(by: 1 | -1): void {
    const changed = this.rows.flatMap((row, at) => (isChanged(row) ? [at] : []));
    const here = this.selected ?? (by === 1 ? -1 : this.rows.length);
    const next = by === 1 ? changed.find((at) => at > here) : changed.findLast((at) => at < here);
    if (next === undefined)
      this.#in.say(
        changed.length === 0
          ? 'Nothing has changed.'
          : by === 1
            ? 'This is the last change.'
            : 'This is the first change.',
      );
    else this.selected = next;
  }

  /** The line of the later text that the selected row stands in, from 1; null where it is not in it. */
  get line(): number | null {
    const row = this.selected === null ? null : this.rows[this.selected];
    return row?.entry.after ? this.#textOf(this.after).slice(0, row.entry.after.from).split('\n').length : null;
  }

  /** Decides on something that the editor had changed: it goes into the new draft, stays out, or becomes a query. */
  async take(change: OwnChange, how: OwnTaken): Promise<void> {
    try {
      if (how !== 'theirs' && !(await (how === 'mine' ? this.#write(change) : this.#ask(change)))) return;
      await this.#in.own(this.#pattern.id, this.#newest, { key: change.key, taken: how });
      this.own = this.own.filter((one) => one !== change);
      if (how === 'mine' && this.after === DESK) await this.#compare();
    } catch (error) {
      this.#in.say(`This could not be kept. ${troubleIn(error)}`);
    }
  }

  get #newest(): number {
    return this.#drafts.at(-1)?.number ?? 0;
  }

  async #write(change: OwnChange): Promise<boolean> {
    const theirs = this.#textOf(this.#newest);
    const [place] = change.at ? follow([placeAt(theirs, change.at.from, change.at.to)], theirs, this.text) : [];
    if (!place?.holds) {
      this.#in.say('Its place is not in the text any more. Put it in by hand at the Desk, or make it a query.');
      return false;
    }
    const text = withMine(this.text, place, change);
    const saved = await this.#in.save(this.#pattern.id, text, this.#revision);
    if (!('revision' in saved)) {
      this.#in.say('The text has been changed in another window. Load this page anew.');
      return false;
    }
    this.#revision = saved.revision;
    this.text = text;
    return true;
  }

  async #ask({ was, mine, theirs, at, key }: OwnChange): Promise<boolean> {
    const lines = [
      theirs === was ? 'The new draft leaves this as it was.' : theirs === '' ? 'The new draft leaves this out.' : '',
      mine === '' ? 'I had taken this out.' : 'I had changed it; is that what is meant?',
    ];
    const words = theirs || was;
    await this.#in.query(this.#pattern.id, {
      ref: `own-${this.#newest}-${key}`.slice(0, 64),
      scope: 'words',
      at: { from: at?.from ?? 0, words },
      part: this.#partAt(at?.from ?? 0),
      round: '',
      text: lines.filter(Boolean).join(' '),
      proposal: mine,
      rule: '',
      finding: '',
    });
    return true;
  }

  /** The part of the newest draft that an offset lies in; empty outside of all. */
  #partAt(offset: number): string {
    const line = this.#textOf(this.#newest).slice(0, offset).split('\n').length;
    return this.#newestReport?.parts.findLast((part) => part.line <= line)?.name ?? '';
  }

  #textOf(side: Side): string {
    return side === DESK ? this.text : (this.#drafts.find(({ number }) => number === side)?.text ?? '');
  }

  async #compare(): Promise<void> {
    const { before, after } = this;
    this.selected = null;
    try {
      const compared = await this.#put(this.#textOf(before), this.#textOf(after));
      if (this.before !== before || this.after !== after) return;
      this.compared = compared;
      this.trouble = '';
    } catch (error) {
      this.compared = null;
      this.trouble = troubleInWords(error, 'compare');
    }
  }

  async #put(before: string, after: string): Promise<Compared | null> {
    const { terms, hand } = this.#pattern;
    return (await this.#comparing?.compare({ before, after, terms, hand })) ?? null;
  }

  async #lookAtOwn(): Promise<void> {
    const [base, newest] = [this.#drafts.at(-2), this.#drafts.at(-1)];
    if (!base || !newest || base.worked === null || base.worked === base.text) return;
    const texts = { base: base.text, mine: base.worked, theirs: newest.text };
    try {
      const [own, next] = [await this.#put(texts.base, texts.mine), await this.#put(texts.base, texts.theirs)];
      this.#newestReport = next?.after ?? null;
      if (own && next)
        this.own = ownChanges(texts, own.comparison, next.comparison).filter(({ key }) => !this.#decided.includes(key));
    } catch {
      this.#in.say('What you had changed could not be compared with the new draft. It is kept with the draft before.');
    }
  }

  #rows(): Row[] {
    const { compared } = this;
    if (!compared) return [];
    const [old, now] = [this.#textOf(this.before), this.#textOf(this.after)];
    const [olds, news] = [roundsOf(compared.before), roundsOf(compared.after)];
    const heads = headsOf(compared.after, now);
    return compared.comparison.entries.map((entry) => ({
      entry,
      before: entry.before ? old.slice(entry.before.from, entry.before.to) : '',
      after: entry.after ? now.slice(entry.after.from, entry.after.to) : '',
      old: olds[entry.before?.round ?? -1] ?? null,
      now: news[entry.after?.round ?? -1] ?? null,
      heading: entry.after !== null && heads.has(entry.after.from),
    }));
  }

  /** What has changed, with the headings of the parts that it stands in. */
  #around(): Row[] {
    const { rows } = this;
    return rows.filter((row, at) => {
      if (isChanged(row)) return true;
      if (!row.heading) return false;
      const next = rows.findIndex((one, i) => i > at && one.heading);
      return rows.slice(at, next < 0 ? undefined : next).some(isChanged);
    });
  }
}

/** Whether a row differs in anything that a person would look at. */
export function isChanged({ entry }: Row): boolean {
  return entry.change !== 'same' || entry.renumbered;
}

function isRound({ old, now }: Row): boolean {
  return old !== null || now !== null;
}

function roundsOf({ parts }: Report): readonly ReportRound[] {
  return parts.flatMap(({ rounds }) => rounds);
}

/** Offsets of the lines that parts begin with. */
function headsOf({ parts }: Report, text: string): Set<number> {
  const lines = new Set(parts.map(({ line }) => line));
  const heads = new Set<number>(); // eslint-disable-line svelte/prefer-svelte-reactivity -- made anew each time
  let at = 0;
  text.split('\n').forEach((line, i) => {
    if (lines.has(i + 1)) heads.add(at);
    at += line.length + 1;
  });
  return heads;
}
