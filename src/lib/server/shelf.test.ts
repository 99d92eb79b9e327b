import { eq } from 'drizzle-orm';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Summary } from '../patterns.js';
import { stageOf, termsOf, USUAL, type Look } from '../shelf/arranging.js';
import { patterns, queries, wordRows } from './db/schema.js';
import { catchUp, indexWords, piecesOf } from './words.js';
import { makeRig, type Rig } from './testing.js';

let rig: Rig;
beforeEach(async () => {
  rig = await makeRig();
});
afterEach(() => rig.end());

const SUMMARY: Summary = {
  parts: 1,
  rounds: 4,
  agree: 4,
  off: 0,
  unclear: 0,
  errors: 0,
  warnings: 0,
  terms: 'us',
  ticked: 0,
  tally: 'aaaa',
};

/** A pattern as it would stand there after it was counted. */
async function shelve(
  name: string,
  updatedAt: number,
  row: Partial<typeof patterns.$inferInsert> = {},
  summary: Partial<Summary> | null = {},
): Promise<void> {
  const { text = `${name}\n`, ...more } = row;
  await rig.database.write(async (db) => {
    await db.insert(patterns).values({
      id: name,
      name,
      text,
      createdAt: 1000 - updatedAt,
      updatedAt,
      summary: JSON.stringify(summary && { ...SUMMARY, ...summary }),
      counted: row.revision ?? 1,
      ...more,
    });
  });
  await indexWords(rig.database, name, text, 1);
}

async function ask(patternId: string, states: readonly ('open' | 'sent' | 'answered')[]): Promise<void> {
  const kind = { scope: 'pattern', place: 'null', part: '', round: '', text: '?' } as const;
  const rest = { proposal: '', rule: '', finding: '', draft: 1, at: 1 };
  await rig.database.write(async (db) => {
    for (const [i, state] of states.entries())
      await db.insert(queries).values({ ...kind, ...rest, patternId, number: i + 1, ref: `${patternId}${i}`, state });
  });
}

const found = async (look: Partial<Look>) =>
  (await rig.shelf.page({ ...USUAL, ...look }, 0)).entries.map(({ id }) => id.split(' ')[0]);

describe('the shelf shows what is looked for', () => {
  beforeEach(async () => {
    await shelve('Fresh fox', 50);
    await shelve('Begun bear', 40, { revision: 3, designer: 'Änne Quist' }, { ticked: 2 });
    await shelve(
      'Faulty fish',
      30,
      { text: 'Chain in Moss\nand a SEAM that’s long' },
      { errors: 2, warnings: 1, off: 2 },
    );
    await shelve('Warned whale 10', 20, { terms: 'uk', text: 'Körper in moosgrün' }, { warnings: 5 });
    await shelve('Ticked toad 9', 10, {}, { ticked: 4, terms: 'mixed' });
    await shelve('Endless eel', 5, {}, null);
    await ask('Endless eel', ['open', 'open', 'sent']);
  });

  it.each<[Partial<Look>, string[]]>([
    [{}, ['Fresh', 'Begun', 'Faulty', 'Warned', 'Ticked', 'Endless']],
    [{ show: 'new' }, ['Fresh', 'Faulty', 'Warned', 'Endless']],
    [{ show: 'hand' }, ['Begun']],
    [{ show: 'ticked' }, ['Ticked']],
    [{ show: 'mend' }, ['Faulty', 'Warned', 'Endless']],
    [{ show: 'ask' }, ['Endless']],
    [{ show: 'out' }, ['Endless']],
    [{ show: 'answered' }, []],
    [{ terms: 'uk' }, ['Warned']],
    [{ terms: 'mixed' }, ['Ticked']],
    [{ terms: 'unclear' }, ['Endless']],
    [{ words: 'f  IS' }, ['Faulty']],
    [{ words: 'fox bear' }, []],
    [{ words: 'quist' }, ['Begun']],
    [{ words: 'moss' }, ['Faulty']],
    [{ words: 'mos' }, ['Faulty']],
    [{ words: 'oss' }, []],
    [{ words: 'fish seam' }, ['Faulty']],
    [{ words: 'that’s' }, ['Faulty']],
    [{ words: 'korper' }, ['Warned']],
    [{ words: 'moosgrun' }, ['Warned']],
    [{ words: '"' }, []],
    [{ words: '* OR NOT (' }, []],
    [{ words: 'e', show: 'mend' }, ['Warned', 'Endless']],
    [{ sort: 'taken' }, ['Endless', 'Ticked', 'Warned', 'Faulty', 'Begun', 'Fresh']],
    [{ sort: 'name' }, ['Begun', 'Endless', 'Faulty', 'Fresh', 'Ticked', 'Warned']],
    [{ sort: 'open', show: 'mend' }, ['Faulty', 'Warned', 'Endless']],
  ])('%o', async (look, names) => {
    expect(await found(look)).toEqual(names);
  });

  it('says how many there are of each kind, whatever is looked for', async () => {
    expect(await rig.shelf.first({ ...USUAL, words: 'fox' })).toMatchObject({
      total: 1,
      counting: 0,
      away: 0,
      due: { late: 0, today: 0 },
      tally: { all: 6, new: 4, hand: 1, mend: 3, ask: 1, out: 1, answered: 0, ticked: 1, editions: 0 },
    });
  });

  it('says of each what its own stage and terms say', async () => {
    for (const show of ['new', 'hand', 'ticked'] as const)
      for (const entry of (await rig.shelf.page({ ...USUAL, show }, 0)).entries) expect(stageOf(entry)).toBe(show);
    for (const terms of ['us', 'uk', 'mixed', 'unclear'] as const)
      for (const entry of (await rig.shelf.page({ ...USUAL, terms }, 0)).entries) expect(termsOf(entry)).toBe(terms);
  });

  it('shows the line in which a word stands that the name has not', async () => {
    const lines = async (words: string) =>
      (await rig.shelf.page({ ...USUAL, words }, 0)).entries.map((entry) => entry.found);
    expect(await lines('seam')).toEqual(['and a SEAM that’s long']);
    expect(await lines('fish moss')).toEqual(['Chain in Moss']);
    expect(await lines('faulty')).toEqual([undefined]);
  });

  it('comes a stretch at a time, each pattern once', async () => {
    for (const sort of ['changed', 'name', 'open', 'taken'] as const) {
      const stretches = await Promise.all([0, 2, 4, 6].map((from) => rig.shelf.page({ ...USUAL, sort }, from, 2)));
      expect(stretches.map(({ entries }) => entries.length)).toEqual([2, 2, 2, 0]);
      expect(new Set(stretches.flatMap(({ entries }) => entries.map(({ id }) => id))).size).toBe(6);
    }
  });
});

it('numbers in names are in order, and what is equal stays as it was changed', async () => {
  for (const [at, name] of ['Toad 9', 'toad 9', 'Toad 10'].entries()) await shelve(name, at);
  const { entries } = await rig.shelf.page({ ...USUAL, sort: 'name' }, 0);
  expect(entries.map(({ name }) => name)).toEqual(['toad 9', 'Toad 9', 'Toad 10']);
});

describe('the index of words', () => {
  it('has a long text in pieces, of which none is left when it gets shorter', async () => {
    const long = Array.from(
      { length: 8000 },
      (_, i) => `Rnd ${i + 1}: sc around ${i === 7500 ? 'quibblet' : ''}\n`,
    ).join('');
    expect(piecesOf(long).length).toBeGreaterThan(5);
    expect(piecesOf(long).join('')).toBe(long);
    expect(piecesOf('x'.repeat(60_000)).map(({ length }) => length)).toEqual([25_000, 25_000, 10_000]);
    expect(piecesOf('')).toEqual(['']);
    await shelve('Long', 1, { text: long });
    expect(await found({ words: 'quibb' })).toEqual(['Long']);
    await indexWords(rig.database, 'Long', 'Rnd 1: 6 sc (6)\n', 2);
    expect(await found({ words: 'quibb' })).toEqual([]);
    expect(await rig.database.db.$count(wordRows)).toBe(1);
  });

  it('takes in anew only the pieces of a text that something was typed in', async () => {
    const lines = Array.from({ length: 6000 }, (_, i) => `Rnd ${i + 1}: sc ${i % 37}, inc, hdc ${i % 11}`);
    const rows = async () => new Set((await rig.database.db.select().from(wordRows)).map(({ row }) => row));
    await shelve('Long', 1, { text: lines.join('\n') });
    const before = await rows();
    expect(before.size).toBeGreaterThan(15);
    const typed = ['A puffin.', ...lines.with(3000, 'Rnd 3001: quibblet'), 'The end.'].join('\n');
    await indexWords(rig.database, 'Long', typed, 2);
    const after = await rows();
    // At the beginning, in the middle, at the end.
    expect([...after].filter((row) => !before.has(row))).toHaveLength(3);
    expect(after.size).toBe(before.size);
    for (const words of ['puffin', 'quibblet', 'end', 'sc']) expect(await found({ words })).toEqual(['Long']);
  });

  it('has all pieces of a text though each transaction has to be tried again', async () => {
    const lines = Array.from({ length: 3000 }, (_, i) => `Rnd ${i + 1}: sc ${i % 37}, inc, hdc ${i % 11}`);
    await shelve('Long', 1, { text: lines.join('\n') });
    const before = await rig.database.db.$count(wordRows);
    const write: typeof rig.database.write = async (work) => {
      const lost = rig.database.write(async (db) => {
        await work(db);
        throw new Error('The answer was lost.');
      });
      await expect(lost).rejects.toThrow('lost');
      return rig.database.write(work);
    };
    const typed = lines.with(1500, 'Rnd 1501: quibblet').join('\n');
    await indexWords({ ...rig.database, write }, 'Long', typed, 2);
    expect(await rig.database.db.$count(wordRows)).toBe(before);
    expect(await rig.database.db.$count(wordRows, eq(wordRows.revision, 2))).toBe(before);
    expect(await found({ words: 'quibblet' })).toEqual(['Long']);
  });

  const MOSS = 'BALL\nRnd 1: 6 sc in MR (6)\nWork in moss.\n';

  it('follows the text, and forgets what was taken out of it', async () => {
    const id = await rig.patterns.add({ name: 'Ball', text: MOSS });
    await rig.counted();
    expect(await found({ words: 'moss' })).toEqual([id.split(' ')[0]]);
    await rig.patterns.save(id, MOSS.replace('moss', 'sand'), 1);
    await rig.counted();
    expect(await found({ words: 'moss' })).toEqual([]);
    expect(await found({ words: 'sand' })).toHaveLength(1);
    await rig.shelf.setAway([id], true);
    expect(await found({ words: 'sand' })).toEqual([]);
  });

  it('takes in what it has not, or has in an earlier revision', async () => {
    const ids: string[] = [];
    for (let i = 0; i < 45; i += 1) ids.push(await rig.patterns.add({ name: `No. ${i}`, text: MOSS }));
    await rig.counted();
    await rig.database.write(async (db) => {
      await db.delete(wordRows).where(eq(wordRows.patternId, ids[0] ?? ''));
      await db
        .update(wordRows)
        .set({ revision: 9 })
        .where(eq(wordRows.patternId, ids[1] ?? ''));
    });
    expect((await rig.shelf.page({ ...USUAL, words: 'moss' }, 0)).total).toBe(44);
    await catchUp(rig.database);
    expect((await rig.shelf.page({ ...USUAL, words: 'moss' }, 0)).total).toBe(45);
  });
});
