import { follow, type Proposed } from '../../core/index.js';
import { troubleIn } from '../client.js';
import { UNSETTLED, type Query, type QueryChange, type QueryMade } from '../queries.js';
import { changeQuery, makeQuery, queriesOf } from './asking.js';

/** What is asked of the server, wherever that is. */
export interface AskingQueries {
  readonly make: typeof makeQuery;
  readonly change: typeof changeQuery;
  readonly all: typeof queriesOf;
  /** Tells a person what did not work. */
  readonly say: (words: string) => void;
}

/** The queries of a pattern, shown as they are on the server, with their places in the text as it is here. */
export class QueryList {
  all = $state.raw<readonly Query[]>([]);
  /** Called after each change. */
  changed: () => void = () => undefined;
  readonly #id: string;
  readonly #in: AskingQueries;

  constructor(id: string, queries: readonly Query[], within: Pick<AskingQueries, 'say'> & Partial<AskingQueries>) {
    this.#id = id;
    this.all = queries;
    this.#in = { make: makeQuery, change: changeQuery, all: queriesOf, ...within };
  }

  /** How many still wait for somebody. */
  get unsettled(): number {
    return this.all.filter(isUnsettled).length;
  }

  /** The text has changed here: the places go along. */
  edited(before: string, after: string): void {
    const placed = this.all.flatMap(({ place }) => place ?? []);
    if (placed.length === 0) return;
    const moved = follow(placed, before, after);
    let at = 0;
    this.all = this.all.map((query) => (query.place ? { ...query, place: moved[at++] ?? query.place } : query));
    this.changed();
  }

  /** Makes a query; null where it could not be made, which is said. @param words the words that it is about, as they stand here. */
  async make(
    proposed: Proposed,
    words: string,
    more: Pick<QueryMade, 'rule' | 'finding' | 'ref'>,
  ): Promise<Query | null> {
    const { at, ...query } = proposed;
    const made = { ...query, ...more, at: at && { from: at.from, words } };
    return this.#trying(async () => {
      const found = await this.#in.make(this.#id, made);
      // Where it stands is known best here.
      this.#put(
        found.place?.holds === false && at ? { ...found, place: { ...found.place, ...at, holds: true } } : found,
      );
      return found;
    }, 'The query could not be kept.');
  }

  /** Changes a query; where somebody else has changed it first, theirs is shown and said. */
  async change(query: Query, change: Omit<QueryChange, 'base'>): Promise<boolean> {
    const done = await this.#trying(async () => {
      const came = await this.#in.change(this.#id, query.number, { ...change, base: query.revision });
      const now = 'query' in came ? came.query : came.conflict;
      this.#put({ ...now, place: query.place });
      if ('query' in came) return true;
      this.#in.say(
        `Query ${query.number} has been changed in another window. It is shown as it is there; look, and try again.`,
      );
      return false;
    }, 'This could not be kept.');
    return done ?? false;
  }

  /** Shows them as they are on the server now. */
  async refresh(): Promise<void> {
    await this.#trying(async () => {
      this.all = await this.#in.all(this.#id);
      this.changed();
    }, 'The queries could not be fetched.');
  }

  #put(query: Query): void {
    const others = this.all.filter(({ number }) => number !== query.number);
    this.all = [...others, query].sort((a, b) => a.number - b.number);
    this.changed();
  }

  async #trying<Done>(work: () => Promise<Done>, otherwise: string): Promise<Done | null> {
    try {
      return await work();
    } catch (error) {
      this.#in.say(`${otherwise} ${troubleIn(error)}`);
      return null;
    }
  }
}

export function isUnsettled({ state }: Pick<Query, 'state'>): boolean {
  return UNSETTLED.includes(state);
}
