import { and, asc, count, eq, gt, max, sql } from 'drizzle-orm';
import { Progress, roundListSchema, sideBySide, WEIGHED_BY, type RoundList, type Step } from '../../../core/index.js';
import { wantedSchema, type Results, type Wanted } from '../../bench.js';
import type { OpenDatabase } from '../db/client.js';
import { calls, testers, testPhotographs, testSteps } from '../db/schema.js';
import type { Files } from '../files/files.js';
import type { Picture } from '../publishing/form.js';
import { parsed, readable } from '../readable.js';

/** So many calls that were laid side by side are remembered. */
const MOST_LAID = 8;

/** What testers of a call follow, and what is wanted of them. */
interface Frozen {
  readonly course: RoundList;
  readonly wanted: Wanted;
}

/** A call that was laid side by side, as far as its steps were known then. */
interface Laid {
  readonly frozen: Frozen;
  /** By token. */
  readonly progress: ReadonlyMap<string, Progress>;
  /** The last step that is taken up. */
  readonly last: number;
  readonly basis: string;
  readonly results: Results;
}

/** What came of test calls, as an editor sees it. */
export class ResultStore {
  readonly #database: OpenDatabase;
  readonly #files: Files;
  readonly #laid = new Map<string, Laid>();

  constructor(database: OpenDatabase, files: Files) {
    this.#database = database;
    this.#files = files;
  }

  /**
   * What came of a call, side by side; null where there is no such call. Who looks at it asks again and again: only what has
   * come since is read.
   */
  async results(id: string, number: number): Promise<Results | null> {
    const basis = await this.#basis(id);
    const key = `${id} ${number}`;
    const known = this.#laid.get(key);
    if (known?.basis === basis) return known.results;
    const laid = await this.#lay(id, number, basis, known);
    this.#laid.delete(key);
    if (this.#laid.size >= MOST_LAID) this.#laid.delete(this.#laid.keys().next().value ?? '');
    if (laid) this.#laid.set(key, laid);
    return laid?.results ?? null;
  }

  /** Changes with everything that comes of the tests of a pattern. */
  async #basis(id: string): Promise<string> {
    const { db } = this.#database;
    const [steps] = await db
      .select({ last: max(testSteps.id) })
      .from(testSteps)
      .where(eq(testSteps.patternId, id));
    const [people] = await db.select({ all: count() }).from(testers).where(eq(testers.patternId, id));
    const [pictures] = await db.select({ all: count() }).from(testPhotographs).where(eq(testPhotographs.patternId, id));
    return `${steps?.last ?? 0} ${people?.all ?? 0} ${pictures?.all ?? 0}`;
  }

  async #lay(id: string, number: number, basis: string, known: Laid | undefined): Promise<Laid | null> {
    const frozen = known?.frozen ?? (await this.#frozen(id, number));
    if (!frozen) return null;
    const { course, wanted } = frozen;
    const tokens = await this.#testers(id, number);
    const { steps, last } = await this.#steps(id, known?.last ?? 0);
    const people = tokens.map(({ token, name }) => {
      // A step that is taken twice counts once: two requests may come here at the same time.
      const progress = known?.progress.get(token) ?? new Progress(course);
      progress.take(steps.get(token) ?? []);
      return { token, name, progress };
    });
    const pictures = await this.#database.db
      .select({
        tester: testPhotographs.tester,
        name: testPhotographs.name,
        width: testPhotographs.width,
        height: testPhotographs.height,
      })
      .from(testPhotographs)
      .where(eq(testPhotographs.patternId, id))
      .orderBy(asc(testPhotographs.at));
    const photographs = people.map(({ token }) =>
      pictures.flatMap(({ tester, ...picture }) => (tester === token ? [picture] : [])),
    );
    return {
      frozen,
      progress: new Map(people.map(({ token, progress }) => [token, progress])),
      last: Math.max(last, known?.last ?? 0),
      basis,
      results: { number, wanted, course, all: sideBySide(course, people), photographs },
    };
  }

  async #frozen(id: string, number: number): Promise<Frozen | null> {
    const [row] = await this.#database.db
      .select({ course: calls.course, wanted: calls.wanted })
      .from(calls)
      .where(and(eq(calls.patternId, id), eq(calls.number, number)));
    const [course] = row ? readable([parsed(row.course)], roundListSchema, 'a test call') : [];
    const [wanted] = row ? readable([parsed(row.wanted)], wantedSchema, 'a test call') : [];
    return course && wanted ? { course, wanted } : null;
  }

  /** What all testers of a pattern sent behind a step, by tester; and the last of it. */
  async #steps(id: string, after: number): Promise<{ steps: Map<string, Step[]>; last: number }> {
    // All steps of a tester come as one JSON array: a row for each takes five times as long.
    const rows = await this.#database.db
      .select({
        tester: testSteps.tester,
        steps: sql<string>`'[' || group_concat(${testSteps.content}) filter (where json_valid(${testSteps.content})) || ']'`,
        last: max(testSteps.id),
      })
      .from(testSteps)
      .where(and(eq(testSteps.patternId, id), gt(testSteps.id, after)))
      .groupBy(testSteps.tester);
    return {
      // Each was checked when it came: thousands are not checked again.
      steps: new Map(rows.map((row) => [row.tester, (parsed(row.steps) ?? []) as Step[]])),
      last: Math.max(0, ...rows.map((row) => row.last ?? 0)),
    };
  }

  /** Everything that came of a call, step by step; null where there is no such call. */
  async whole(id: string, number: number) {
    const frozen = await this.#frozen(id, number);
    if (!frozen) return null;
    const people = await this.#testers(id, number);
    const { steps } = await this.#steps(id, 0);
    return { number, ...frozen, testers: people.map((one) => ({ ...one, steps: steps.get(one.token) ?? [] })) };
  }

  async #testers(id: string, number: number) {
    return this.#database.db
      .select({ token: testers.token, name: testers.name, at: testers.at })
      .from(testers)
      .where(and(eq(testers.patternId, id), eq(testers.call, number)))
      .orderBy(asc(testers.at), asc(testers.token));
  }

  /** A photograph of the tester at a place among those of a call; null where there is none. */
  async picture(id: string, number: number, place: number, name: string): Promise<Omit<Picture, 'alt'> | null> {
    const tester = (await this.#testers(id, number))[place];
    if (!tester) return null;
    const [row] = await this.#database.db
      .select()
      .from(testPhotographs)
      .where(and(eq(testPhotographs.tester, tester.token), eq(testPhotographs.name, name)));
    if (!row) return null;
    const { hash, type, width, height } = row;
    return { bytes: await this.#files.get(hash), type, width, height };
  }

  /** What the testers of the newest call weighed, on the middle: grams by yarn in small letters, where enough of them did. */
  async weighed(id: string): Promise<Record<string, number>> {
    const [last] = await this.#database.db
      .select({ number: max(calls.number) })
      .from(calls)
      .where(eq(calls.patternId, id));
    const results = last?.number ? await this.results(id, last.number) : null;
    const yarns = results?.all.yarns ?? [];
    if (!results) return {};
    return Object.fromEntries(
      results.course.yarns.flatMap((name, i) => {
        const yarn = yarns[i];
        return yarn && yarn.count >= WEIGHED_BY ? [[name.toLowerCase(), yarn.middle]] : [];
      }),
    );
  }
}
