import { checkText } from '../../core/index.js';
import { afterEach, beforeEach, expect, it } from 'vitest';
import type { Arrived } from './drafts.js';
import { makeRig, type Rig } from './testing.js';

let rig: Rig;
beforeEach(async () => {
  rig = await makeRig();
});
afterEach(() => rig.end());

const BALL = 'BALL\nRnd 1: 6 sc in MR (6)\n';
function arrived(text: string, file = 'ball.docx', bytes = `bytes of ${text}`): Arrived {
  const notes = [{ line: 2, about: 'Rnd 1: 6 sc in MR (6)', by: 'Una', text: 'Six?' }];
  return {
    file,
    bytes: new TextEncoder().encode(bytes),
    taken: { kind: 'Word document', text, notes, left: ['Heads.'] },
  };
}

it('what came is kept with its pattern, byte for byte, and named after its file', async () => {
  const id = await rig.drafts.takeIn(arrived(BALL));
  expect(await rig.patterns.get(id)).toMatchObject({ name: 'ball', text: BALL });
  expect(await rig.drafts.of(id)).toMatchObject([
    {
      number: 1,
      file: 'ball.docx',
      kind: 'Word document',
      size: 9 + BALL.length,
      left: ['Heads.'],
      notes: [{ line: 2, by: 'Una', text: 'Six?' }],
    },
  ]);
  const original = await rig.drafts.original(id, 1);
  expect(original?.file).toBe('ball.docx');
  expect(new TextDecoder().decode(original?.bytes)).toBe(`bytes of ${BALL}`);
  expect(await rig.drafts.original(id, 2)).toBeNull();
});

it('a further draft becomes the text, the one before is an earlier one, and what was put right holds', async () => {
  const id = await rig.drafts.takeIn(arrived(BALL));
  await rig.patterns.changeHand(id, { lines: ['by the sea'], role: 'talk' });
  expect(await rig.drafts.goOn(id, arrived(`${BALL}Rnd 2: inc x 6 (12)\n`, 'ball-2.pdf'))).toBe(true);
  expect((await rig.drafts.of(id)).map(({ number, file }) => [number, file])).toEqual([
    [2, 'ball-2.pdf'],
    [1, 'ball.docx'],
  ]);
  const now = await rig.patterns.get(id);
  expect(now).toMatchObject({ revision: 2, hand: { lines: { 'by the sea': 'talk' } } });
  expect(now?.text).toContain('Rnd 2');
  expect(await rig.patterns.earlier(id)).toBe(BALL);
  expect(await rig.drafts.goOn('nobody', arrived(BALL))).toBe(false);
});

it('the same file is known again, as long as its pattern is on the shelf', async () => {
  const { bytes } = arrived(BALL);
  expect(await rig.drafts.known(bytes)).toBeNull();
  const id = await rig.drafts.takeIn(arrived(BALL), 'My ball');
  expect(await rig.drafts.known(bytes)).toMatchObject({ id, name: 'My ball' });
  expect(await rig.drafts.known(new TextEncoder().encode('other'))).toBeNull();
  await rig.shelf.setAway([id], true);
  expect(await rig.drafts.known(bytes)).toBeNull();
});

it('what was noted goes along into a further draft where nothing has changed, and the working copy is kept', async () => {
  const two = `${BALL}Rnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\n`;
  const id = await rig.drafts.takeIn(arrived(two));
  const rounds = checkText(two, '').parts.flatMap((part) => part.rounds);
  for (const { key } of rounds) await rig.patterns.tick(id, key, true);
  const mine = two.replace('(18)', '(18 sts)');
  await rig.patterns.save(id, mine, 1);
  const asked = {
    ref: 'a',
    scope: 'round' as const,
    at: { from: 0, words: 'Rnd 2: inc x 6 (12)' },
    part: 'BALL',
    round: 'Rnd 2',
    text: 'Why?',
    proposal: '',
    rule: '',
    finding: '',
  };
  await rig.queries.make(id, asked);
  const next = `${BALL}Rnd 2: sc in each (6)\nRnd 3: inc x 6 (12)\nRnd 4: (sc 1, inc) x 6 (18)\n`;
  expect(await rig.drafts.goOn(id, arrived(next, 'second.docx'))).toBe(true);
  const now = checkText(next, '').parts.flatMap((part) => part.rounds);
  const { ticks } = await rig.patterns.notes(id);
  // The first round is as it was; the third one stands there under another number, and had been altered on the Desk.
  expect(now.map(({ key }) => ticks.includes(key))).toEqual([true, false, true, false]);
  expect((await rig.drafts.texts(id)).map(({ number, worked }) => [number, worked])).toEqual([
    [1, mine],
    [2, null],
  ]);
  const [query] = await rig.queries.of(id);
  expect(query?.place).toMatchObject({ holds: false, words: 'Rnd 2: inc x 6 (12)' });
  expect(next.slice(query?.place?.from).startsWith('Rnd 3')).toBe(true);
});
