import { and, desc, eq, isNull } from 'drizzle-orm';
import {
  blocksOf,
  letterHtml,
  letterSchema,
  letterSettingsSchema,
  letterText,
  USUAL_LETTER,
  type Block,
  type Designer,
  type Letter,
  type LetterAsked,
  type LetterSettings,
} from '../letter.js';
import type { OpenDatabase } from './db/client.js';
import { letters, patterns, workspace } from './db/schema.js';
import { messageFile, type Message, type Post } from './post.js';
import { noteIn, queriesIn, sendIn } from './queries.js';
import { parsed, readable } from './readable.js';

const NAME = 'letters';

/** A letter as it is made of the queries of a pattern. */
export interface ComposedLetter {
  readonly subject: string;
  readonly to: string;
  readonly blocks: readonly Block[];
  readonly message: Message;
  readonly numbers: readonly number[];
}

/** What became of a letter. */
export type SendOutcome = 'sent' | 'gone' | 'nobody' | 'nothing';

/** Letters to the designers, and how this press writes them. */
export class LetterStore {
  readonly #database: OpenDatabase;
  readonly post: Post;

  constructor(database: OpenDatabase, post: Post) {
    this.#database = database;
    this.post = post;
  }

  async settings(): Promise<LetterSettings> {
    const [row] = await this.#database.db.select().from(workspace).where(eq(workspace.name, NAME));
    const [settings] = row ? readable([parsed(row.value)], letterSettingsSchema, 'how letters are written') : [];
    return settings ?? USUAL_LETTER;
  }

  async setSettings(settings: LetterSettings): Promise<void> {
    const row = { name: NAME, value: JSON.stringify(settings), at: Date.now() };
    await this.#database.write((db) =>
      db.insert(workspace).values(row).onConflictDoUpdate({ target: workspace.name, set: row }),
    );
  }

  /** Who has written a pattern; null where there is no such pattern. */
  async designer(id: string): Promise<Designer | null> {
    const [row] = await this.#database.db
      .select({ designer: patterns.designer, designerMail: patterns.designerMail })
      .from(patterns)
      .where(and(eq(patterns.id, id), isNull(patterns.deletedAt)));
    return row ?? null;
  }

  async setDesigner(id: string, designer: Designer): Promise<boolean> {
    const set = await this.#database.write((db) =>
      db
        .update(patterns)
        .set(designer)
        .where(and(eq(patterns.id, id), isNull(patterns.deletedAt)))
        .returning({ id: patterns.id }),
    );
    return set.length > 0;
  }

  /** The names that the history of a pattern is written with. */
  async namesFor(id: string): Promise<{ readonly editor: string; readonly designer: string }> {
    const { editor } = await this.settings();
    const designer = (await this.designer(id))?.designer ?? '';
    return { editor: editor || 'The editor', designer: designer || 'The designer' };
  }

  /** The letters of a pattern, the last first. */
  async of(id: string): Promise<Letter[]> {
    const rows = await this.#database.db
      .select({
        id: letters.id,
        to: letters.to,
        subject: letters.subject,
        queries: letters.queries,
        text: letters.text,
        way: letters.way,
        at: letters.at,
      })
      .from(letters)
      .where(eq(letters.patternId, id))
      .orderBy(desc(letters.id));
    return readable(
      rows.map((row) => ({ ...row, queries: parsed(row.queries) })),
      letterSchema,
      'letters',
    );
  }

  /** A message as it went out; null where none did. */
  async message(id: string, letter: number): Promise<Uint8Array | null> {
    const [row] = await this.#database.db
      .select({ message: letters.message })
      .from(letters)
      .where(and(eq(letters.patternId, id), eq(letters.id, letter)));
    return row?.message ?? null;
  }

  /** A letter with some queries of a pattern; null where there is no such pattern. */
  async compose(id: string, { numbers, opening, closing }: Omit<LetterAsked, 'way'>): Promise<ComposedLetter | null> {
    const { db } = this.#database;
    const [pattern] = await db
      .select({ name: patterns.name, designer: patterns.designer, mail: patterns.designerMail })
      .from(patterns)
      .where(and(eq(patterns.id, id), isNull(patterns.deletedAt)));
    if (!pattern) return null;
    const { editor, mail } = await this.settings();
    const chosen = (await queriesIn(db, id)).filter(
      ({ number, state }) => numbers.includes(number) && state !== 'withdrawn' && state !== 'settled',
    );
    const { name, designer } = pattern;
    const blocks = blocksOf({ pattern: name, designer, editor, opening, closing, queries: chosen });
    const subject = `Queries on ${name}: ${listed(chosen.map(({ number }) => number))}`.slice(0, 200);
    const message = {
      from: { name: editor, address: mail || NO_ADDRESS },
      to: { name: designer, address: pattern.mail || NO_ADDRESS },
      subject,
      text: letterText(blocks),
      html: letterHtml(blocks, subject),
    };
    return { subject, to: pattern.mail, blocks, message, numbers: chosen.map(({ number }) => number) };
  }

  /** Sends a letter, or writes down that a person has sent it; its queries are with the designer then. @throws where the post fails. */
  async send(id: string, asked: LetterAsked): Promise<SendOutcome> {
    const letter = await this.compose(id, asked);
    if (!letter) return 'gone';
    if (letter.numbers.length === 0) return 'nothing';
    const known = letter.to !== '' && letter.message.from.address !== NO_ADDRESS;
    if (asked.way === 'post' && this.post.way === 'smtp' && !known) return 'nobody';
    const message = asked.way === 'post' ? Buffer.from(await this.post.send(letter.message)) : null;
    const { editor } = await this.namesFor(id);
    const at = Date.now();
    await this.#database.write(async (db) => {
      await db.insert(letters).values({
        patternId: id,
        to: letter.to,
        subject: letter.subject,
        queries: JSON.stringify(letter.numbers),
        text: letter.message.text,
        message,
        way: asked.way === 'post' ? this.post.way : 'own',
        at,
      });
      await noteIn(db, id, { query: null, what: 'letter', who: editor, said: listed(letter.numbers), at });
      await sendIn(db, id, letter.numbers, editor, at);
    });
    return 'sent';
  }

  /** A letter as a file to be sent by oneself. */
  file(letter: ComposedLetter): Promise<Uint8Array> {
    return messageFile(letter.message);
  }
}

/** Stands where no address is known, so that the file can be opened and one be filled in. */
const NO_ADDRESS = 'unknown@example.invalid';

/** Numbers as people list them: "1–3, 7". */
function listed(numbers: readonly number[]): string {
  const runs: number[][] = [];
  for (const number of [...numbers].sort((a, b) => a - b)) {
    const run = runs.at(-1);
    if (run?.at(-1) === number - 1) run.push(number);
    else runs.push([number]);
  }
  return runs.map((run) => (run.length > 1 ? `${run[0]}–${run.at(-1)}` : String(run[0]))).join(', ');
}
