import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { QueryMade } from '../queries.js';
import { makeRig, type Rig } from './testing.js';

let rig: Rig;
let id: string;
beforeEach(async () => {
  rig = await makeRig();
  id = await rig.patterns.add({ name: 'Ball', text: 'BALL\nUS terms\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (13)\n' });
  await rig.letters.setDesigner(id, { designer: 'Jonne', designerMail: 'Jonne@Marram.example' });
  for (const [i, text] of ['How tall?', 'Is it 12?', 'Not sent yet', 'Taken back'].entries())
    await rig.queries.make(id, query(i, text));
});
afterEach(() => rig.end());

const query = (i: number, text: string): QueryMade => ({
  ref: `ref-${i}`,
  scope: i === 1 ? 'round' : 'pattern',
  at: i === 1 ? { from: 37, words: 'Rnd 2: inc x 6 (13)' } : null,
  part: i === 1 ? 'Ball' : '',
  round: i === 1 ? 'Rnd 2' : '',
  text,
  proposal: i === 1 ? 'Rnd 2: inc x 6 (12)' : '',
  rule: '',
  finding: '',
});
const send = async (...numbers: number[]) => {
  await rig.letters.send(id, { numbers, opening: 'Hello {designer}', closing: 'Bye', way: 'own' });
};
const answer = (number: number, base: number, said = 'Yes.') => rig.designers.answer(id, number, { base, said });

describe('the letter of a pattern', () => {
  it('shows what was sent, in the order of the text, and nothing else of it', async () => {
    await send(1, 2, 4);
    await rig.queries.change(id, 4, { base: 2, state: 'withdrawn', said: '' });
    const letter = await rig.designers.letter(id);
    expect(letter?.queries.map(({ number, state, words, text }) => [number, state, words, text])).toEqual([
      [1, 'sent', '', 'How tall?'],
      [2, 'sent', 'Rnd 2: inc x 6 (13)', 'Is it 12?'],
    ]);
    expect(JSON.stringify(letter)).not.toMatch(/Not sent yet|Taken back|finding|6 sc in MR/);
    expect(letter?.opening.join(' ')).toContain('Jonne');
    expect(await rig.designers.letter('nobody')).toBeNull();
  });

  it('is answered query by query, by the name of the designer; an answer can be changed until it is settled', async () => {
    await send(1, 2);
    expect(await answer(2, 2)).toMatchObject({ kind: 'answered', query: { state: 'answered', answer: 'Yes.' } });
    expect(await answer(2, 3, 'No, 18.')).toMatchObject({ kind: 'answered', query: { answer: 'No, 18.' } });
    expect((await rig.queries.history(id)).at(-1)).toMatchObject({ what: 'answered', who: 'Jonne', said: 'No, 18.' });
    await rig.queries.change(id, 2, { base: 4, state: 'settled', said: '' });
    expect(await answer(2, 5, 'Wait!')).toEqual({ kind: 'closed' });
    expect((await rig.designers.letter(id))?.queries[1]).toMatchObject({ state: 'settled', answer: 'No, 18.' });
  });

  it('takes no answer to what was never sent, was taken back, or has been worded anew since', async () => {
    await send(1);
    expect(await answer(3, 1)).toEqual({ kind: 'gone' });
    expect(await answer(9, 1)).toEqual({ kind: 'gone' });
    await rig.queries.change(id, 1, { base: 2, text: 'How tall is it, in cm?', said: '' });
    expect(await answer(1, 2)).toMatchObject({
      kind: 'conflict',
      query: { text: 'How tall is it, in cm?', revision: 3 },
    });
    expect((await rig.queries.of(id))[0]).toMatchObject({ state: 'sent', answer: '' });
  });

  it('has an address that holds a secret, which leads to it and can be withdrawn', async () => {
    expect(await rig.designers.readdress('nobody')).toBe(false);
    expect(await rig.designers.readdress(id)).toBe(true);
    const of = { purpose: 'letter', patternId: id } as const;
    const secret = (await rig.addresses.standing(of))?.secret ?? '';
    expect(await rig.designers.byAddress(secret)).toEqual({ id });
    await rig.addresses.withdraw(of);
    expect(await rig.designers.byAddress(secret)).toBe('withdrawn');
  });
});

describe('the patterns of a designer', () => {
  it('are those that their mail address is noted with, however it is written', async () => {
    const other = await rig.patterns.add({ name: 'Cube', text: 'CUBE\n' });
    await rig.letters.setDesigner(other, { designer: 'Mirre', designerMail: 'mirre@marram.example' });
    await send(1, 2);
    await answer(1, 2);
    expect(await rig.designers.own('jonne@marram.example')).toMatchObject([
      { id, name: 'Ball', waiting: 1, answered: 1, drafts: 0, version: null },
    ]);
    expect(await rig.designers.wrote('jonne@marram.example', id)).toBe(true);
    expect(await rig.designers.wrote('jonne@marram.example', other)).toBe(false);
    expect(await rig.designers.wrote('', other)).toBe(false);
    await rig.shelf.setAway([id], true);
    expect(await rig.designers.own('jonne@marram.example')).toEqual([]);
    expect(await rig.designers.wrote('jonne@marram.example', id)).toBe(false);
  });
});
