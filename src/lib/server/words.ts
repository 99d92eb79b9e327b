import { and, eq, isNull, sql, type SQL } from 'drizzle-orm';
import { keyOf } from '../../core/index.js';
import type { OpenDatabase } from './db/client.js';
import { patterns, wordRows } from './db/schema.js';

/** So many texts are looked for at once that are to be taken in. */
const BATCH = 20;
/** So much is taken in at once; between two pieces others have their turn. Characters. */
const PIECE = 25_000;
/** No shorter, as long as there is more. */
const LEAST = 6000;

/** A text in pieces, each of whole lines where it has any that are short enough. */
export function piecesOf(text: string): string[] {
  const pieces: string[] = [];
  for (let from = 0; from < text.length;) {
    const to = endOf(text, from);
    pieces.push(text.slice(from, to));
    from = to;
  }
  return pieces.length === 0 ? [''] : pieces;
}

/** A piece ends behind a line that its own words choose: what is typed in one piece leaves the others as they were. */
function endOf(text: string, from: number): number {
  const most = Math.min(text.length, from + PIECE);
  let end = text.lastIndexOf('\n', from + LEAST - 1) + 1;
  for (let next = text.indexOf('\n', from + LEAST) + 1; next > 0 && next <= most; next = text.indexOf('\n', next) + 1) {
    if (chosen(text.slice(Math.max(from, end), next))) return next;
    end = next;
  }
  return most === text.length || end <= from ? most : end;
}

/** One line in eighteen. */
function chosen(line: string): boolean {
  return /[0p]$/.test(keyOf(line));
}

/** Takes a text into the index of words: what has changed of it, piece by piece. */
export async function indexWords(database: OpenDatabase, id: string, text: string, revision: number): Promise<void> {
  const pieces = new Map(piecesOf(text).map((words) => [keyOf(words), words]));
  const known = await database.write(async (db) => {
    const rows = await db.select().from(wordRows).where(eq(wordRows.patternId, id));
    for (const { row, key } of rows) {
      if (pieces.has(key)) continue;
      await db.delete(wordRows).where(eq(wordRows.row, row));
      await db.run(sql`DELETE FROM words WHERE rowid = ${row}`);
    }
    return new Set(rows.map(({ key }) => key));
  });
  for (const [key, words] of pieces) {
    if (known.has(key)) continue;
    await database.write(async (db) => {
      // Another server may have taken it in meanwhile.
      const piece = { patternId: id, key, revision: NOT_ALL };
      const [kept] = await db.insert(wordRows).values(piece).onConflictDoNothing().returning();
      if (kept) await db.run(sql`INSERT INTO words (rowid, text) VALUES (${kept.row}, ${words})`);
    });
  }
  await database.write((db) => db.update(wordRows).set({ revision }).where(eq(wordRows.patternId, id)));
}

/** Of a text that is not in the index as a whole; revisions count from 1. */
const NOT_ALL = 0;

/** Takes in all texts that the index has not, or has in an earlier revision: after an update, or a workspace came in. */
export async function catchUp(database: OpenDatabase): Promise<void> {
  for (;;) {
    const behind = await database.db
      .select({ id: patterns.id, text: patterns.text, revision: patterns.revision })
      .from(patterns)
      .leftJoin(wordRows, and(eq(wordRows.patternId, patterns.id), eq(wordRows.revision, patterns.revision)))
      // What is still to be counted is taken in then.
      .where(and(eq(patterns.counted, patterns.revision), isNull(wordRows.row)))
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
