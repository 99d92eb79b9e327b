import { NO_SETTINGS } from '../../../core/index.js';
import { is, Table } from 'drizzle-orm';
import fc from 'fast-check';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import sharp from 'sharp';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { workspaceSchema } from '../../exchange.js';
import { takenFrom } from '../documents/index.js';
import { NOTHING_WANTED } from '../../bench.js';
import { makeRig, type Rig } from '../testing.js';
import * as schema from '../db/schema.js';
import { INDEX } from './out.js';
import { TABLES, wordsOf } from './tables.js';
import { understood } from './understood.js';

const BALL =
  'Ball\nUS terms. 9 cm tall.\n\nMaterials: cotton in Sand (20 g), 3 mm hook\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nFasten off.\n';

let rig: Rig;
beforeEach(async () => {
  rig = await makeRig();
});
afterEach(() => rig.end());

/** A workspace with something in every table. */
async function stocked({
  drafts,
  patterns,
  queries,
  letters,
  releases,
  photographs,
  rules,
  style,
  terms,
  shapes,
  calls,
  bench,
  files,
}: Rig): Promise<string> {
  const bytes = strToU8(BALL);
  const id = await drafts.takeIn({ file: 'ball.txt', bytes, taken: await takenFrom(bytes, 'ball.txt') });
  await patterns.save(id, BALL.replace('Fasten', 'Now fasten'), 1);
  await patterns.tick(id, 'a-tick', true);
  await shapes.set(id, { ...NO_SETTINGS, hook: 3.5 });
  const call = await calls.open(id, NOTHING_WANTED);
  const secret = (await calls.of(id)).find(({ number }) => number === call)?.address?.secret ?? '';
  const tester = await bench.join(secret, 'Aune');
  const token = typeof tester === 'string' ? '' : tester.token;
  const step = {
    id: 'step-0001',
    device: 'phone-01',
    order: 1,
    at: 5,
    spent: 0,
    what: { kind: 'difficulty', of: 2 },
  } as const;
  await bench.exchange(secret, token, { after: 0, steps: [step] });
  const dot = await sharp({ create: { width: 9, height: 9, channels: 3, background: '#123' } })
    .png()
    .toBuffer();
  await bench.photograph(secret, token, 'photo-01', dot);
  await patterns.dismiss(id, { key: 'k', rule: 'shape/stacked', reason: 'meant so' });
  await queries.make(id, {
    ref: 'r',
    scope: 'pattern',
    at: null,
    part: '',
    round: '',
    text: 'How tall?',
    proposal: '',
    rule: '',
    finding: '',
  });
  await letters.setDesigner(id, { designer: 'Jonne', designerMail: 'jonne@marram-tide.example' });
  await letters.send(id, { numbers: [1], opening: 'Hello', closing: 'Bye', way: 'post' });
  await queries.change(id, 1, { base: 2, state: 'settled', said: '9 cm' });
  await rules.set(id, { rule: 'shape/ruffle', severity: 'off' });
  await rules.set(undefined, { rule: 'shape/cup', severity: 'off' });
  await style.set({ amount: 'number first' });
  await terms.decide(id, { to: 'uk', key: 'x', written: 'dc' });
  await photographs.add(
    id,
    await sharp({ create: { width: 9, height: 9, channels: 3, background: '#123' } })
      .png()
      .toBuffer(),
  );
  for (const { id: line, person } of (await releases.readiness(id))?.checklist ?? [])
    if (person) await releases.confirm(id, { line, who: 'Ines', basis: person.basis });
  const base = (await patterns.get(id))?.revision ?? 0;
  expect(await releases.sign(id, { number: '1.0', who: 'Oda', note: '', styled: false, base })).toMatchObject({
    kind: 'signed',
  });
  await files.of(id, '1.0', 'us-a4-normal.txt');
  return id;
}

it('no table is left out but those of the people of this house', () => {
  /** Who is in the house, what they did, and what this database holds of itself. */
  const own: ReadonlySet<string> = new Set([
    ...['people', 'sessions', 'credentials', 'verifications', 'passkeys', 'addresses', 'ownTests', 'testerDevices'],
    ...['deeds', 'wordRows', 'commits', 'bytesToMove', 'practices', 'practiceCards'],
  ]);
  const all = Object.entries(schema).flatMap(([name, value]) => (is(value, Table) && !own.has(name) ? [value] : []));
  expect(new Set(TABLES.map(({ table }) => table))).toEqual(new Set(all));
});

describe('a workspace', () => {
  it('comes out, goes in elsewhere, and comes out the same', async () => {
    await stocked(rig);
    await rig.counted();
    const out = await rig.exchange.out();
    const tables = workspaceSchema.parse(JSON.parse(strFromU8(unzipSync(out)[INDEX] ?? new Uint8Array()))).tables;
    const empty = Object.entries(tables).filter(([name, rows]) => rows.length === 0 && name !== 'editions');
    expect(empty.map(([name]) => name)).toEqual(['ownChanges', 'trusts', 'errata', 'plans']);

    const other = await makeRig();
    expect(await other.exchange.in(out)).toEqual({ patterns: 1, known: 0 });
    expect(Buffer.compare(Buffer.from(await other.exchange.out()), Buffer.from(out))).toBe(0);
    // What is there already stays, and is not doubled.
    expect(await other.exchange.in(out)).toEqual({ patterns: 0, known: 1 });
    expect(Buffer.compare(Buffer.from(await other.exchange.out()), Buffer.from(out))).toBe(0);
    await other.end();
  });

  it('goes into one that has patterns of its own: numbers that are taken there are given anew', async () => {
    const id = await stocked(rig);
    await rig.counted();
    const out = await rig.exchange.out();
    const other = await makeRig();
    const own = await stocked(other);
    await other.style.set({ amount: 'stitch first' });
    expect(await other.exchange.in(out)).toEqual({ patterns: 1, known: 0 });
    expect(strFromU8((await other.drafts.original(id, 1))?.bytes ?? new Uint8Array())).toBe(BALL);
    expect(strFromU8((await other.drafts.original(own, 1))?.bytes ?? new Uint8Array())).toBe(BALL);
    const frozen = await other.releases.frozen(id, '1.0');
    expect(await other.photographs.pictures(id, frozen?.photographs ?? [])).toHaveLength(1);
    expect(await other.queries.history(id)).toHaveLength((await rig.queries.history(id)).length);
    // What is settled there for the house stays.
    expect(await other.style.get()).toEqual({ amount: 'stitch first' });
    await other.end();
  });

  it('loses no text, whatever stands in it', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(fc.string({ unit: 'binary', maxLength: 60 }), { maxLength: 4 }), async (texts) => {
        const from = await makeRig();
        for (const text of texts) await from.patterns.add({ name: text.slice(0, 20) || 'x', text });
        await from.counted();
        const out = await from.exchange.out();
        const to = await makeRig();
        await to.exchange.in(out);
        expect(Buffer.compare(Buffer.from(await to.exchange.out()), Buffer.from(out))).toBe(0);
        await from.end();
        await to.end();
      }),
      { numRuns: 8 },
    );
  });

  it.each([
    ['nothing', new Uint8Array()],
    ['no archive', strToU8('hello')],
    ['an archive of something else', zipSync({ 'a.txt': strToU8('a') })],
    [
      'a table that is none',
      zipSync({ [INDEX]: strToU8('{"schema":"dostik.workspace/1","tables":{"patterns":[7]}}') }),
    ],
  ])('that is %s is refused in words, and nothing comes in', async (_, bytes) => {
    await expect(rig.exchange.in(bytes)).rejects.toThrow('This is no workspace of Dostik');
    expect(await rig.shelved()).toEqual([]);
  });

  it('of an earlier version, which named the files of photographs otherwise, comes in', async () => {
    const id = await stocked(rig);
    const parts = unzipSync(await rig.exchange.out());
    const index = workspaceSchema.parse(JSON.parse(strFromU8(parts[INDEX] ?? new Uint8Array())));
    for (const name of ['photographs', 'testPhotographs'])
      index.tables[name] = (index.tables[name] ?? []).map(({ hash, ...row }) => ({
        ...row,
        bytes: { file: `files/${wordsOf(hash)}` },
      }));
    const other = await makeRig();
    await other.exchange.in(zipSync({ ...parts, [INDEX]: strToU8(JSON.stringify(index)) }));
    const frozen = await other.releases.frozen(id, '1.0');
    expect(await other.photographs.pictures(id, frozen?.photographs ?? [])).toEqual(
      await rig.photographs.pictures(id, frozen?.photographs ?? []),
    );
    await other.end();
  });

  it('with a file that is another than it says is refused whole', async () => {
    await stocked(rig);
    const parts = unzipSync(await rig.exchange.out());
    const name = Object.keys(parts).find((one) => one.startsWith('files/')) ?? '';
    const other = await makeRig();
    await expect(other.exchange.in(zipSync({ ...parts, [name]: strToU8('another') }))).rejects.toThrow('no workspace');
    expect(await other.shelved()).toEqual([]);
    await other.end();
  });

  it('whose files are missing is refused whole', async () => {
    await stocked(rig);
    const parts = unzipSync(await rig.exchange.out());
    const other = await makeRig();
    await expect(other.exchange.in(zipSync({ [INDEX]: parts[INDEX] ?? new Uint8Array() }))).rejects.toThrow(
      'no workspace',
    );
    expect(await other.shelved()).toEqual([]);
    await other.end();
  });
});

it('a pattern as understood tells its rounds with their steps, its queries and its versions', async () => {
  const id = await stocked(rig);
  const told = await understood(rig, id);
  expect(told).toMatchObject({
    schema: 'dostik.pattern/1',
    designer: 'Jonne',
    parts: [
      { name: 'Ball', rounds: [{ round: { label: 'Rnd 1', made: 6 } }, { round: { made: 12 }, account: { into: 6 } }] },
    ],
    queries: [{ number: 1, answer: expect.any(String) as string }],
    versions: [{ number: '1.0', signer: 'Oda' }],
  });
  expect(await understood(rig, 'nobody')).toBeNull();
});
