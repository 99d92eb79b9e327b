import { and, count, desc, eq, isNull, max, sql } from 'drizzle-orm';
import type { z } from 'zod/mini';
import type { answerSchema, AskedQuery, DesignerLetter, OwnPattern } from '../designerLetter.js';
import { blocksOf, inOrder } from '../letter.js';
import type { Query } from '../queries.js';
import type { AddressStore, Nowhere } from './addresses.js';
import type { OpenDatabase } from './db/client.js';
import { drafts, patterns, queries, releases } from './db/schema.js';
import type { LetterStore } from './letters.js';
import type { QueryStore } from './queries.js';

/** What came of an answer: how the query stands then, or that it can't be answered any more. */
export type Answered =
  { readonly kind: 'answered' | 'conflict'; readonly query: AskedQuery } | { readonly kind: 'closed' | 'gone' };

/** What a designer sees of their patterns, and says to them. */
export class DesignerStore {
  readonly #database: OpenDatabase;
  readonly #addresses: AddressStore;
  readonly #letters: LetterStore;
  readonly #queries: QueryStore;

  constructor(
    database: OpenDatabase,
    { addresses, letters, queries: asked }: { addresses: AddressStore; letters: LetterStore; queries: QueryStore },
  ) {
    this.#database = database;
    this.#addresses = addresses;
    this.#letters = letters;
    this.#queries = asked;
  }

  /** The pattern that an address of a letter is about. */
  async byAddress(secret: string): Promise<{ readonly id: string } | Nowhere> {
    const address = await this.#addresses.opened('letter', secret);
    if (typeof address === 'string') return address;
    return { id: address.patternId ?? '' };
  }

  /** A new address for the letter of a pattern; the one before leads nowhere any more. False where there is no such pattern. */
  async readdress(id: string): Promise<boolean> {
    return this.#database.write(async (db) => {
      const there = await db
        .select({ id: patterns.id })
        .from(patterns)
        .where(and(eq(patterns.id, id), isNull(patterns.deletedAt)));
      if (there.length === 0) return false;
      await this.#addresses.make(db, { purpose: 'letter', patternId: id });
      return true;
    });
  }

  /** Everything that was asked about a pattern, as a letter; null where there is no such pattern. */
  async letter(id: string): Promise<DesignerLetter | null> {
    const [pattern] = await this.#database.db
      .select({ name: patterns.name, designer: patterns.designer })
      .from(patterns)
      .where(and(eq(patterns.id, id), isNull(patterns.deletedAt)));
    if (!pattern) return null;
    const { editor, opening, closing } = await this.#letters.settings();
    const paragraphs = (words: { opening: string } | { closing: string; editor: string }) =>
      blocksOf({
        pattern: pattern.name,
        designer: pattern.designer,
        queries: [],
        opening: '',
        closing: '',
        editor: '',
        ...words,
      }).flatMap((block) => (block.kind === 'paragraph' ? [block.text] : []));
    return {
      pattern: pattern.name,
      opening: paragraphs({ opening }),
      closing: paragraphs({ closing, editor }),
      queries: inOrder((await this.#queries.of(id)).filter(isAsked)).map(asSeen),
    };
  }

  /** Writes down what a designer answers. Until the query is settled they may say something else. */
  async answer(id: string, number: number, { base, said }: z.infer<typeof answerSchema>): Promise<Answered> {
    const now = (await this.#queries.of(id)).find((query) => query.number === number);
    if (!now || !isAsked(now)) return { kind: 'gone' };
    if (now.state === 'settled') return { kind: 'closed' };
    const outcome = await this.#queries.change(id, number, { base, said, state: 'answered' });
    if (outcome.kind === 'gone') return outcome;
    if (outcome.kind === 'changed') return { kind: 'answered', query: asSeen(outcome.query) };
    if (!isAsked(outcome.current)) return { kind: 'gone' };
    return { kind: 'conflict', query: asSeen(outcome.current) };
  }

  /** Whether somebody with this mail address has written a pattern. */
  async wrote(mail: string, id: string): Promise<boolean> {
    const [row] = await this.#database.db.select({ id: patterns.id }).from(patterns).where(ownOf(mail, id));
    return row !== undefined;
  }

  /** The patterns of somebody with this mail address, the last changed first. */
  async own(mail: string): Promise<OwnPattern[]> {
    const { db } = this.#database;
    const asked = (state: 'sent' | 'answered') =>
      sql<number>`(select count(*) from ${queries} where ${queries.patternId} = ${patterns.id} and ${queries.state} = ${state})`;
    const came = db
      .select({ of: drafts.patternId, all: count().as('all') })
      .from(drafts)
      .groupBy(drafts.patternId)
      .as('came');
    const out = db
      .select({ of: releases.patternId, number: releases.number, at: max(releases.at).as('out_at') })
      .from(releases)
      .groupBy(releases.patternId)
      .as('out');
    return db
      .select({
        id: patterns.id,
        name: patterns.name,
        waiting: asked('sent'),
        answered: asked('answered'),
        drafts: sql<number>`coalesce(${came.all}, 0)`,
        version: out.number,
        updatedAt: patterns.updatedAt,
      })
      .from(patterns)
      .leftJoin(came, eq(came.of, patterns.id))
      .leftJoin(out, eq(out.of, patterns.id))
      .where(ownOf(mail))
      .orderBy(desc(patterns.updatedAt));
  }
}

function ownOf(mail: string, id?: string) {
  return and(
    eq(sql`lower(${patterns.designerMail})`, mail.toLowerCase()),
    isNull(patterns.deletedAt),
    id === undefined ? undefined : eq(patterns.id, id),
  );
}

/** Whether a query has gone to the designer, and was not taken back. */
function isAsked({ state }: Query): boolean {
  return state === 'sent' || state === 'answered' || state === 'settled';
}

function asSeen({ number, revision, state, part, round, place, text, proposal, answer }: Query): AskedQuery {
  return { number, revision, state, part, round, words: place?.words ?? '', text, proposal, answer };
}
