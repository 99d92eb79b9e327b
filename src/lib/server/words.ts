import { and, eq, gte, isNull, ne, or, sql, type SQL } from 'drizzle-orm';
import type { OpenDatabase, Writing } from './db/client.js';
import { patterns, wordRows } from './db/schema.js';

/** So many texts are looked for at once that are to be taken in. */
const BATCH = 20;
/** So much is taken in at once; between two pieces others have their turn. Characters. */
const PIECE = 25_000;

/** A text in pieces, each of whole lines where it has any that are short enough. */
export function piecesOf(text: string): string[] {
  const pieces: string[] = [];
  for (let from = 0; from < text.length;) {
    const most = Math.min(text.length, from + PIECE);
    const line = most === text.length ? most : text.lastIndexOf('\n', most - 1) + 1;
    const to = line > from ? line : most;
    pieces.push(text.slice(from, to));
    from = to;
  }
  return pieces.length === 0 ? [''] : pieces;
}

/** Takes a text into the index of words, piece by piece. */
export async function indexWords(database: OpenDatabase, id: string, text: string, revision: number): Promise<void> {
  const pieces = piecesOf(text);
  await database.write((db) => forget(db, id, gte(wordRows.piece, pieces.length)));
  for (const [piece, words] of [...pieces.entries()].reverse())
    await database.write(async (db) => {
      await forget(db, id, eq(wordRows.piece, piece));
      const [kept] = await db.insert(wordRows).values({ patternId: id, piece, revision }).returning();
      if (kept) await db.run(sql`INSERT INTO words (rowid, text) VALUES (${kept.row}, ${words})`);
    });
}

async function forget(db: Writing, id: string, which: SQL): Promise<void> {
  const gone = await db
    .delete(wordRows)
    .where(and(eq(wordRows.patternId, id), which))
    .returning({ row: wordRows.row });
  for (const { row } of gone) await db.run(sql`DELETE FROM words WHERE rowid = ${row}`);
}

/** Takes in all texts that the index has not, or has in an earlier revision: after an update, or a workspace came in. */
export async function catchUp(database: OpenDatabase): Promise<void> {
  for (;;) {
    const behind = await database.db
      .select({ id: patterns.id, text: patterns.text, revision: patterns.revision })
      .from(patterns)
      .leftJoin(wordRows, and(eq(wordRows.patternId, patterns.id), eq(wordRows.piece, 0)))
      // What is still to be counted is taken in then.
      .where(
        and(
          eq(patterns.counted, patterns.revision),
          or(isNull(wordRows.row), ne(wordRows.revision, patterns.revision)),
        ),
      )
      .limit(BATCH);
    if (behind.length === 0) return;
    for (const { id, text, revision } of behind) await indexWords(database, id, text, revision);
  }
}

/** Each word that is looked for, in small letters. */
export function wordsIn(sought: string): string[] {
  return sought.toLowerCase().split(/\s+/).filter(Boolean);
}

/** The patterns in whose text a word, or something that begins like it, stands; a condition on their ids. */
export function withWord(word: string): SQL {
  // Signs between letters part words in the index; what has neither letters nor figures is in no text of it.
  const parts = word.match(/[\p{L}\p{N}\p{M}]+/gu) ?? [];
  if (parts.length === 0) return sql`0`;
  const asked = parts.map((part) => `"${part}"`).join(' ');
  return sql`id IN (SELECT pattern_id FROM word_rows WHERE row IN (SELECT rowid FROM words WHERE words MATCH ${`${asked}*`}))`;
}
