import { createHash } from 'node:crypto';
import sharp from 'sharp';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { Refused } from './answers.js';
import { triedErratum } from './erratum.js';
import { makeRig, type Rig } from './testing.js';

const VOLE = `Thistle the Vole
US terms. About 9 cm tall.

Materials: cotton in Sand (20 g), 2.5 mm hook, filling

Abbreviations
MR = magic ring
sc = single crochet
inc = two sc in one stitch

BODY (make 1)
Rnd 1: 6 sc in MR (6)
Rnd 2: inc x 6 (12)
Rnd 3: (sc 1, inc) x 6 (18)
Rnd 4: sc around (18)
Fasten off.
`;

let rig: Rig;
let id: string;

beforeEach(async () => {
  rig = await makeRig();
  id = await rig.patterns.add({ name: 'Vole', text: VOLE });
});
afterEach(() => rig.end());

async function confirmAll(who = 'Ines'): Promise<void> {
  const readiness = await rig.releases.readiness(id);
  for (const { id: line, person } of readiness?.checklist ?? [])
    if (person) await rig.releases.confirm(id, { line, who, basis: person.basis });
}
const against = async () =>
  (await rig.releases.readiness(id))?.checklist.filter(({ holds }) => !holds).map((line) => line.id) ?? [];
const revision = async () => (await rig.patterns.get(id))?.revision ?? 0;
const sign = async (number: string, who = 'Oda') =>
  rig.releases.sign(id, { number, who, note: 'First', styled: false, base: await revision() });
const write = async (from: string, to: string) => {
  const pattern = await rig.patterns.get(id);
  await rig.patterns.save(id, (pattern?.text ?? '').replace(from, to), pattern?.revision ?? 0);
};
const sha = (content: string | Uint8Array) => createHash('sha256').update(content).digest('hex');

describe('signing', () => {
  it('waits for what a person has to say, and for a second person', async () => {
    expect(await against()).toEqual(['tested', 'read']);
    expect(await sign('1.0')).toMatchObject({ kind: 'against', why: [expect.any(String), expect.any(String)] });
    await confirmAll('Oda');
    expect(await sign('1.0', ' oda ')).toMatchObject({
      kind: 'against',
      why: [expect.stringContaining('second person')],
    });
    expect(await sign('1.0', 'Jonne')).toMatchObject({ kind: 'signed', release: { number: '1.0', signer: 'Jonne' } });
  });

  it('is refused while a round is off, a query waits, or the text is not the one that was looked at', async () => {
    await confirmAll();
    await rig.queries.make(id, {
      ref: 'a',
      scope: 'pattern',
      at: null,
      part: '',
      round: '',
      text: 'How tall?',
      proposal: '',
      rule: '',
      finding: '',
    });
    expect(await sign('1.0')).toMatchObject({ kind: 'against', why: [expect.stringContaining('Query 1')] });
    await rig.queries.change(id, 1, { base: 1, state: 'withdrawn', said: '' });
    const base = await revision();
    await write('(12)', '(13)');
    expect(await rig.releases.sign(id, { number: '1.0', who: 'Oda', note: '', styled: false, base })).toEqual({
      kind: 'changed',
    });
    expect(await against()).toEqual(expect.arrayContaining(['rounds', 'errors', 'read']));
    expect(await sign('1.0')).toMatchObject({ kind: 'against' });
    expect(await rig.releases.of(id)).toEqual([]);
  });

  it('takes a round without a count for the reason that is given', async () => {
    await write('Rnd 4: sc around (18)', 'Rnd 4: dec until it is closed');
    const [line] = (await rig.releases.readiness(id))?.checklist ?? [];
    const key = line?.rests[0]?.key ?? '';
    expect(line?.holds).toBe(false);
    await rig.releases.trust(id, key, 'By feel, as the designer says.');
    expect((await rig.releases.readiness(id))?.checklist[0]).toMatchObject({
      holds: true,
      words: '3 of 4 are counted, 1 on trust.',
    });
    await rig.releases.trust(id, key, '');
    expect((await rig.releases.readiness(id))?.checklist[0]?.holds).toBe(false);
  });

  it('keeps lines of the house for every pattern', async () => {
    await rig.releases.setOwnLines([{ id: 'own-price', text: 'The price is settled' }]);
    expect(await against()).toContain('own-price');
    await rig.releases.confirm(id, { line: 'own-price', who: 'Ines', basis: '' });
    expect(await against()).not.toContain('own-price');
    await rig.releases.confirm(id, { line: 'own-price', who: '', basis: '' });
    expect(await against()).toContain('own-price');
  });
});

describe('a version', () => {
  beforeEach(async () => {
    await confirmAll();
    expect(await sign('1.0')).toMatchObject({ kind: 'signed' });
  });

  it('stays as it was signed, whatever is written afterwards', async () => {
    const name = 'uk-a4-normal.txt';
    const before = await rig.files.of(id, '1.0', name);
    await write('Rnd 3: (sc 1, inc) x 6 (18)', 'Rnd 3: (inc, sc 1) x 6 (18)');
    const after = await rig.files.of(id, '1.0', name);
    expect(Buffer.from(after?.bytes ?? []).toString()).toBe(Buffer.from(before?.bytes ?? []).toString());
    expect(Buffer.from(after?.bytes ?? []).toString()).toContain('Rnd 3: (dc 1, inc) x 6');
    expect(await rig.releases.frozen(id, '1.0')).toMatchObject({ text: VOLE, terms: 'us', name: 'Thistle the Vole' });
  });

  it('is followed by the number that fits what has changed, and by no other before it', async () => {
    expect(await rig.releases.readiness(id)).toMatchObject({ since: 'nothing' });
    expect(await sign('1.1')).toMatchObject({ kind: 'against', why: [expect.stringContaining('Nothing has changed')] });
    await write('Fasten off.', 'Fasten off and hide the end.');
    expect(await rig.releases.readiness(id)).toMatchObject({ since: 'words', proposed: '1.1' });
    await write('Rnd 4: sc around (18)', 'Rnd 4: (sc 2, inc) x 6 (24)');
    expect(await rig.releases.readiness(id)).toMatchObject({ since: 'stitches', proposed: '2.0' });
    await confirmAll();
    expect(await sign('1.0')).toMatchObject({ kind: 'against', why: ['Version 1.0 does not come after 1.0.'] });
    expect(await sign('2.0')).toMatchObject({ kind: 'signed' });
    expect((await rig.releases.of(id)).map(({ number }) => number)).toEqual(['2.0', '1.0']);
  });

  it('is known again by its files and its texts, and by no other', async () => {
    const file = await rig.files.of(id, '1.0', 'us-a4-normal.html');
    const frozen = await rig.releases.frozen(id, '1.0');
    expect(await rig.files.known(id, sha(file?.bytes ?? ''))).toEqual({
      version: '1.0',
      what: 'the US edition, as .html',
    });
    expect(await rig.files.known(id, sha(frozen?.editions.uk ?? ''))).toEqual({
      version: '1.0',
      what: 'the text of the UK edition',
    });
    expect(await rig.files.known(id, sha('something else'))).toBeNull();
  });

  it('has a report and a certificate; the certificate has the prints of its texts', async () => {
    const words = async (name: string) => Buffer.from((await rig.files.of(id, '1.0', name))?.bytes ?? []).toString();
    expect(await words('report-a4-normal.html')).toMatch(/Rnd 2[^]*uses 6 of 6, makes 12, states 12/);
    const frozen = await rig.releases.frozen(id, '1.0');
    const certificate = await words('certificate-a4-normal.html');
    const text = await rig.files.of(id, '1.0', 'us-a4-normal.txt');
    expect(certificate).toContain(sha(text?.bytes ?? ''));
    expect(certificate).toContain(sha(`${frozen?.editions.us}\0${frozen?.editions.uk}`));
    expect(certificate).not.toContain('inc x 6');
    expect(await rig.files.of(id, '7.0', 'us-a4-normal.txt')).toBeNull();
  });

  it('gets errata, proved, in both terms, and the next version takes them in', async () => {
    const line = VOLE.split('\n').findIndex((words) => words.startsWith('Rnd 3')) + 1;
    const asked = { version: '1.0', line, right: 'Rnd 3: (inc, sc 1) x 6 (18)', note: '', source: 'a buyer' };
    const tried = await triedErratum(rig, id, asked);
    expect(tried).toMatchObject({ part: 'Body', round: 'Rnd 3', after: { made: 18, verdict: 'agrees' }, offAfter: 0 });
    expect(tried.words.uk).toEqual({ wrong: 'Rnd 3: (dc 1, inc) x 6 (18)', right: 'Rnd 3: (inc, dc 1) x 6 (18)' });
    expect(await rig.errata.add(id, asked, tried)).toBe(1);

    expect(await against()).toContain('errata');
    const pattern = await rig.patterns.get(id);
    if (!pattern) throw new Error('no pattern');
    const list = await rig.files.errata(pattern, 'uk', { form: 'md', sheet: 'a4', print: 'normal' });
    expect(Buffer.from(list.bytes).toString()).toContain(
      'Body, Rnd 3: for “(dc 1, inc) x 6 (18)” read “(inc, dc 1) x 6 (18)”; 18 sts.',
    );

    await write('(sc 1, inc) x 6 (18)', '(inc, sc 1) x 6 (18)');
    expect(await against()).not.toContain('errata');
    await confirmAll();
    expect(await sign('2.0')).toMatchObject({ kind: 'signed' });
    expect(await rig.errata.of(id)).toMatchObject([{ takenIn: '2.0' }]);
    expect(await rig.errata.remove(id, 1)).toBe(false);
  });

  it.each([
    [{ version: '9.0' }, 'no such version'],
    [{ line: 400 }, 'no such line'],
    [{ right: 'Rnd 3: (sc 1, inc) x 6 (18)' }, 'says already'],
    [{ right: 'Rnd 3: (sc 1, inc) x 6 (19)' }, 'more rounds are off'],
  ])('takes no erratum %j', async (change, why) => {
    const line = VOLE.split('\n').findIndex((words) => words.startsWith('Rnd 3')) + 1;
    const asked = { version: '1.0', line, right: 'Rnd 3: (inc, sc 1) x 6 (18)', note: '', source: '', ...change };
    const refused = triedErratum(rig, id, asked);
    await expect(refused).rejects.toThrow(Refused);
    await expect(refused).rejects.toThrow(why);
  });
});

describe('photographs', () => {
  it('go out with the text, have to be cleared anew when they change, and stay in what was signed', async () => {
    const bytes = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#456' } })
      .jpeg()
      .toBuffer();
    const added = await rig.photographs.add(id, bytes);
    expect(added).toMatchObject({ width: 60, height: 40, smaller: false });
    expect(await rig.photographs.describe(id, added?.id ?? 0, 'The vole')).toBe(true);
    await confirmAll();
    expect(await sign('1.0')).toMatchObject({ kind: 'signed' });
    await rig.photographs.add(id, bytes);
    expect(await against()).toContain('photographs');
    expect(await rig.photographs.remove(id, added?.id ?? 0)).toBe(true);
    const page = await rig.files.of(id, '1.0', 'us-a4-normal.html');
    expect(Buffer.from(page?.bytes ?? []).toString()).toContain('alt="The vole"');
    expect(await rig.photographs.remove(id, 4711)).toBe(false);
  });
});

describe('the editions', () => {
  it('are shown before anything is signed, in house style where that is wanted', async () => {
    const pattern = await rig.patterns.get(id);
    if (!pattern) throw new Error('no pattern');
    const words = async (terms: 'us' | 'uk', styled: boolean) =>
      Buffer.from(
        (await rig.files.preview(pattern, terms, { form: 'txt', sheet: 'a4', print: 'normal' }, styled)).bytes,
      ).toString();
    expect(await words('uk', false)).toMatch(/Rnd 4: dc around .*\(18\)[^]*Not signed yet · UK terms/);
    await rig.style.set({ brackets: 'square' });
    expect(await words('us', true)).toContain('[sc 1, inc] x 6');
  });

  it('wait for the one on the shelf that is behind', async () => {
    await rig.terms.edition(id, { to: 'uk', hooks: false, weights: false, spelling: false });
    expect(await against()).not.toContain('editions');
    await write('Fasten off.', 'Fasten off now.');
    const line = (await rig.releases.readiness(id))?.checklist.find((one) => one.id === 'editions');
    expect(line).toMatchObject({ holds: false, words: expect.stringContaining('behind') as string });
  });
});
