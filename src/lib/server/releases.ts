import { and, desc, eq } from 'drizzle-orm';
import * as z from 'zod/mini';
import { checklistOf, comesAfter, nextVersion, type ChecklistLine, type Confirmation } from '../../core/index.js';
import { momentSchema, type StoredPattern } from '../patterns.js';
import { UNSETTLED, type Query } from '../queries.js';
import {
  frozenSchema,
  ownLinesSchema,
  releaseSchema,
  type ErratumKept,
  type Frozen,
  type Photograph,
  type Readiness,
  type Release,
  type SignAsked,
} from '../release.js';
import type { Counting } from './counting/counting.js';
import type { Released } from './counting/release.js';
import type { OpenDatabase, Writing } from './db/client.js';
import { confirmations, patterns, releases, trusts, workspace } from './db/schema.js';
import type { DraftStore } from './drafts.js';
import { isRight, takeIn, type ErrataStore } from './errata.js';
import { hashOf } from './files/files.js';
import type { LetterStore } from './letters.js';
import { isThere, type PatternStore } from './patterns.js';
import type { PhotographStore } from './photographs.js';
import { noteIn, type QueryStore } from './queries.js';
import { parsed, readable } from './readable.js';
import type { StyleStore } from './style.js';
import type { TermsStore } from './terms.js';

/** What a release is made from, kept by others. */
export interface ReleaseSources {
  readonly patterns: PatternStore;
  readonly terms: TermsStore;
  readonly queries: QueryStore;
  readonly letters: LetterStore;
  readonly drafts: DraftStore;
  readonly style: StyleStore;
  readonly photographs: PhotographStore;
  readonly errata: ErrataStore;
  readonly counting: Counting;
}

/** What became of a version that was to be signed. */
export type SignOutcome =
  | { readonly kind: 'signed'; readonly release: Release }
  | { readonly kind: 'gone' }
  /** The text has changed since it was looked at. */
  | { readonly kind: 'changed' }
  /** What stands against it, or the number that can't be, in words. */
  | { readonly kind: 'against'; readonly why: readonly string[] };

/** A pattern with everything that its checklist rests on. */
interface Looked {
  readonly released: Released;
  readonly checklist: ChecklistLine[];
  readonly last: Release | undefined;
  readonly aside: ReadonlyMap<string, string>;
  readonly trusted: ReadonlyMap<string, string>;
  readonly queries: readonly Query[];
  readonly errata: readonly ErratumKept[];
  readonly photographs: readonly Photograph[];
  readonly rules: Frozen['rules'];
}

const OWN_LINES = 'release-lines';
const confirmationSchema = z.object({ line: z.string(), who: z.string(), basis: z.string(), at: momentSchema });

/** What has to be true before a pattern goes out, and the versions that have gone out. */
export class ReleaseStore {
  readonly #database: OpenDatabase;
  readonly #from: ReleaseSources;

  constructor(database: OpenDatabase, from: ReleaseSources) {
    this.#database = database;
    this.#from = from;
  }

  /** How a pattern stands before its release; null where there is none. @throws TooMuch */
  async readiness(id: string, styled = false): Promise<Readiness | null> {
    const pattern = await this.#from.patterns.get(id);
    if (!pattern) return null;
    const { released, checklist, last } = await this.#look(pattern, styled);
    return {
      checklist,
      since: released.since,
      proposed: nextVersion(last?.number ?? null, released.since),
      anew: released.anew,
      revision: pattern.revision,
    };
  }

  /** The texts that would go out. @throws TooMuch */
  async texts(pattern: StoredPattern, styled: boolean): Promise<Released['texts']> {
    return (await this.#look(pattern, styled)).released.texts;
  }

  async #look(pattern: StoredPattern, styled: boolean): Promise<Looked> {
    const { id, text } = pattern;
    const from = this.#from;
    const [last] = await this.of(id);
    const before = last ? await this.frozen(id, last.number) : null;
    const notes = await from.patterns.notes(id);
    const released = await from.counting.have('released', {
      text,
      name: pattern.name,
      terms: pattern.terms,
      hand: pattern.hand,
      rules: notes.rules,
      styled: styled ? await from.style.get() : null,
      ...(await from.terms.forRelease(id)),
      last: before?.text ?? null,
    });
    const aside = new Map(
      notes.dismissals.flatMap(({ key, reason }) => (reason === null ? [] : [[key, reason] as const])),
    );
    const trusted = await this.#trusted(id);
    const queries = await from.queries.of(id);
    const errata = await from.errata.of(id);
    const photographs = await from.photographs.of(id);
    const checklist = checklistOf({
      text: released.texts[released.terms],
      report: released.report,
      overview: released.overview,
      aside,
      trusted,
      waiting: queries.filter(({ state }) => UNSETTLED.includes(state)).map(({ number }) => number),
      editions: released.editions,
      photographs: photographs.map((one) => one.id).join(' '),
      basis: hashOf(text).slice(0, 24),
      errata: errata
        .filter((one) => one.takenIn === '' && !isRight(text, one))
        .map((one) => ({ number: one.number, words: one.words[released.terms].right })),
      confirmed: await this.#confirmed(id),
      own: await this.ownLines(),
    });
    return { released, checklist, last, aside, trusted, queries, errata, photographs, rules: notes.rules };
  }

  /** Sets or takes back what a person says of a line; false where there is no such pattern. */
  async confirm(id: string, { line, who, basis }: Omit<Confirmation, 'at'>): Promise<boolean> {
    return this.#note(id, async (db) => {
      await db.delete(confirmations).where(and(eq(confirmations.patternId, id), eq(confirmations.line, line)));
      if (who !== '') await db.insert(confirmations).values({ patternId: id, line, who, basis, at: Date.now() });
    });
  }

  /** Takes a round on trust for a reason, or takes that back. */
  async trust(id: string, key: string, reason: string): Promise<boolean> {
    return this.#note(id, async (db) => {
      await db.delete(trusts).where(and(eq(trusts.patternId, id), eq(trusts.key, key)));
      if (reason !== '') await db.insert(trusts).values({ patternId: id, key, reason, at: Date.now() });
    });
  }

  async #note(id: string, note: (db: Writing) => Promise<void>): Promise<boolean> {
    return this.#database.write(async (db) => {
      if (!(await isThere(db, id))) return false;
      await note(db);
      return true;
    });
  }

  async #confirmed(id: string): Promise<Confirmation[]> {
    const rows = await this.#database.db.select().from(confirmations).where(eq(confirmations.patternId, id));
    return readable(rows, confirmationSchema, 'confirmations');
  }

  async #trusted(id: string): Promise<Map<string, string>> {
    const rows = await this.#database.db.select().from(trusts).where(eq(trusts.patternId, id));
    return new Map(rows.map(({ key, reason }) => [key, reason]));
  }

  /** The lines that the house has added to the checklist. */
  async ownLines(): Promise<z.infer<typeof ownLinesSchema>> {
    const [row] = await this.#database.db.select().from(workspace).where(eq(workspace.name, OWN_LINES));
    return row ? (readable([parsed(row.value)], ownLinesSchema, 'lines of the checklist')[0] ?? []) : [];
  }

  async setOwnLines(lines: z.infer<typeof ownLinesSchema>): Promise<void> {
    const row = { name: OWN_LINES, value: JSON.stringify(lines), at: Date.now() };
    await this.#database.write((db) =>
      db.insert(workspace).values(row).onConflictDoUpdate({ target: workspace.name, set: row }),
    );
  }

  /** The versions of a pattern, the newest first. */
  async of(id: string): Promise<Release[]> {
    const rows = await this.#database.db
      .select({
        number: releases.number,
        signer: releases.signer,
        note: releases.note,
        fingerprint: releases.fingerprint,
        at: releases.at,
      })
      .from(releases)
      .where(eq(releases.patternId, id))
      .orderBy(desc(releases.at));
    return readable(rows, releaseSchema, 'versions');
  }

  /** What a version was made from; null where there is none, or it can't be read. */
  async frozen(id: string, number: string): Promise<Frozen | null> {
    const [row] = await this.#database.db
      .select({ content: releases.content })
      .from(releases)
      .where(and(eq(releases.patternId, id), eq(releases.number, number)));
    return row ? (readable([parsed(row.content)], frozenSchema, 'versions')[0] ?? null) : null;
  }

  /** Signs a version: everything that it is made from is put down, and is never changed again. @throws TooMuch */
  async sign(id: string, { number, who, note, styled, base }: SignAsked): Promise<SignOutcome> {
    const pattern = await this.#from.patterns.get(id);
    if (!pattern) return { kind: 'gone' };
    if (pattern.revision !== base) return { kind: 'changed' };
    const looked = await this.#look(pattern, styled);
    const { released, checklist, last, errata } = looked;
    const why = [...against(checklist, who, number, last?.number ?? null, released)];
    if (why.length > 0) return { kind: 'against', why };
    const frozen = await this.#freeze(pattern, styled, looked);
    const at = Date.now();
    const fingerprint = hashOf(`${frozen.editions.us}\0${frozen.editions.uk}`);
    const release: Release = { number, signer: who, note, fingerprint, at };
    const taken = errata.filter((one) => one.takenIn === '').map((one) => one.number);
    return this.#database.write(async (db): Promise<SignOutcome> => {
      const [now] = await db.select({ revision: patterns.revision }).from(patterns).where(eq(patterns.id, id));
      if (now?.revision !== base) return { kind: 'changed' };
      await db.insert(releases).values({ patternId: id, ...release, content: JSON.stringify(frozen) });
      await takeIn(db, id, taken, number);
      await noteIn(db, id, { query: null, what: 'released', who, said: number, at });
      return { kind: 'signed', release };
    });
  }

  async #freeze(
    { id, name, text, hand }: StoredPattern,
    styled: boolean,
    { released, checklist, aside, trusted, queries, photographs, rules }: Looked,
  ): Promise<Frozen> {
    const designer = await this.#from.letters.designer(id);
    const drafts = await this.#from.drafts.of(id);
    return {
      name: released.overview.title ?? name,
      designer: designer?.designer ?? '',
      text,
      terms: released.terms,
      hand,
      editions: released.texts,
      styled,
      report: released.report,
      sentences: [...released.sentences],
      rules,
      aside: [...aside],
      trusted: [...trusted],
      queries: queries.map(({ number, part, round, text: words, answer, state }) => {
        const where = [part, round].filter(Boolean).join(', ') || 'The whole pattern';
        return { number, where, text: words, answer, state };
      }),
      checklist,
      photographs: photographs.map((one) => one.id),
      drafts: drafts.map(({ number, file }) => ({ number, file })),
    };
  }
}

/** What stands against a signature, in words. */
function* against(
  checklist: readonly ChecklistLine[],
  who: string,
  number: string,
  last: string | null,
  { since }: Released,
): Iterable<string> {
  for (const { holds, text, words } of checklist) if (!holds) yield `${text}: ${words}`;
  const read = checklist.find(({ id }) => id === 'read')?.person?.who ?? '';
  if (read !== '' && read.trim().toLowerCase() === who.trim().toLowerCase())
    yield 'The last reading is a second person’s: who signs has not read it for the second time.';
  if (last !== null && !comesAfter(number, last)) yield `Version ${number} does not come after ${last}.`;
  if (since === 'nothing') yield `Nothing has changed since version ${last ?? ''}.`;
}
