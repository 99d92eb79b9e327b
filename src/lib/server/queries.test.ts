import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import PostalMime from 'postal-mime';
import type { QueryMade } from '../queries.js';
import { makeRig, type Rig } from './testing.js';

let rig: Rig;
let id: string;
const TEXT = 'BALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (13)\n';
beforeEach(async () => {
  rig = await makeRig();
  id = await rig.patterns.add({ name: 'Ball', text: TEXT });
});
afterEach(() => rig.end());

const about = (words: string, ref: string, more: Partial<QueryMade> = {}): QueryMade => ({
  ref,
  scope: 'round',
  at: { from: TEXT.indexOf(words), words },
  part: 'BALL',
  round: words.slice(0, 5),
  text: `What of ${words}?`,
  proposal: '',
  rule: '',
  finding: '',
  ...more,
});

describe('queries', () => {
  it('are numbered for good, made once, and hold on to their words', async () => {
    const first = await rig.queries.make(
      id,
      about('Rnd 2: inc x 6 (13)', 'a', { rule: 'count/stated', finding: 'f1' }),
    );
    expect(first).toMatchObject({ number: 1, state: 'open', place: { holds: true } });
    expect((await rig.queries.make(id, about('Rnd 1', 'b')))?.number).toBe(2);
    // The same window asks again, and another window writes the same query.
    expect((await rig.queries.make(id, about('Rnd 1', 'b')))?.number).toBe(2);
    expect((await rig.queries.make(id, about('Rnd 2', 'c', { finding: 'f1' })))?.number).toBe(1);
    await rig.patterns.save(id, TEXT.replace('BALL', 'A BALL'), 1);
    const [query] = await rig.queries.of(id);
    expect(query?.place).toMatchObject({ from: TEXT.indexOf('Rnd 2') + 2, holds: true });
    await rig.patterns.save(id, TEXT.replace('(13)', '(12)'), 2);
    expect((await rig.queries.of(id)).map(({ place }) => place?.holds)).toEqual([false, true]);
    expect(await rig.queries.make('nobody', about('Rnd 1', 'd'))).toBeNull();
  });

  it('go through their states, with who and when, and a change from an older one is told', async () => {
    await rig.letters.setSettings({ editor: 'Oda', mail: '', opening: '', closing: '' });
    await rig.letters.setDesigner(id, { designer: 'Ida', designerMail: '' });
    await rig.queries.make(id, about('Rnd 1', 'a'));
    const change = (base: number, more: object) => rig.queries.change(id, 1, { base, said: '', ...more });
    expect(await change(1, { text: 'Other words' })).toMatchObject({
      kind: 'changed',
      query: { revision: 2, text: 'Other words' },
    });
    expect(await change(1, { text: 'Mine' })).toMatchObject({ kind: 'conflict', current: { text: 'Other words' } });
    // Sent once more, after an answer that never came.
    expect(await change(1, { text: 'Other words' })).toMatchObject({ kind: 'changed', query: { revision: 2 } });
    await change(2, { state: 'answered', said: 'Yes, 12' });
    await change(3, { state: 'settled' });
    expect(await rig.queries.of(id)).toMatchObject([{ state: 'settled', answer: 'Yes, 12' }]);
    expect((await rig.queries.history(id)).map(({ what, who, said }) => [what, who, said])).toEqual([
      ['made', 'Oda', ''],
      ['answered', 'Ida', 'Yes, 12'],
      ['settled', 'Oda', ''],
    ]);
    expect(await rig.queries.change(id, 9, { base: 1, said: '' })).toEqual({ kind: 'gone' });
  });
});

describe('a letter', () => {
  beforeEach(async () => {
    await rig.letters.setSettings({
      editor: 'Oda',
      mail: 'oda@example.org',
      opening: 'Dear {designer},',
      closing: 'Yours',
    });
    await rig.letters.setDesigner(id, { designer: 'Ida', designerMail: 'ida@example.org' });
    await rig.queries.make(id, about('Rnd 2: inc x 6 (13)', 'a', { proposal: 'Rnd 2: inc x 6 (12)' }));
    await rig.queries.make(id, about('Rnd 1: 6 sc in MR (6)', 'b'));
  });
  const asked = { numbers: [1, 2], opening: 'Dear {designer}, of {pattern}', closing: 'Yours', way: 'post' as const };

  it('holds the queries in the order of the text, and is kept as it would go out', async () => {
    expect(await rig.letters.send(id, asked)).toBe('sent');
    const [letter] = await rig.letters.of(id);
    expect(letter).toMatchObject({ to: 'ida@example.org', queries: [1, 2], way: 'outbox' });
    expect(letter?.text).toBe(
      'Dear Ida, of Ball\n\nBALL\n----\n\n2. Rnd 1\n   “Rnd 1: 6 sc in MR (6)”\n   What of Rnd 1: 6 sc in MR (6)?\n\n1. Rnd 2\n   “Rnd 2: inc x 6 (13)”\n   What of Rnd 2: inc x 6 (13)?\n   Proposed: “Rnd 2: inc x 6 (12)”\n\nYours\n\nOda\n',
    );
    const message = await rig.letters.message(id, letter?.id ?? 0);
    const read = await PostalMime.parse(message ?? new Uint8Array());
    expect(read).toMatchObject({
      from: { address: 'oda@example.org' },
      to: [{ name: 'Ida', address: 'ida@example.org' }],
    });
    expect(read.text?.replace(/\r\n/g, '\n').trim()).toBe(letter?.text.trim());
    expect(read.html).toContain('<blockquote>Rnd 2: inc x 6 (13)</blockquote>');
    expect((await rig.queries.of(id)).map(({ state }) => state)).toEqual(['sent', 'sent']);
  });

  it('that a person has sent is written down; one without queries, or of no pattern, is not sent', async () => {
    expect(await rig.letters.send(id, { ...asked, numbers: [2], way: 'own' })).toBe('sent');
    const [letter] = await rig.letters.of(id);
    expect(letter).toMatchObject({ queries: [2], way: 'own' });
    expect(await rig.letters.message(id, letter?.id ?? 0)).toBeNull();
    expect(await rig.letters.send(id, { ...asked, numbers: [7] })).toBe('nothing');
    expect(await rig.letters.send('nobody', asked)).toBe('gone');
  });
});
