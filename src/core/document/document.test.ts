import { expect, it } from 'vitest';
import { readPattern } from '../reading/read.js';
import { documentOf } from './document.js';
import { proseOf } from './prose.js';

const TEXT = `Moth
US terms

Materials
DK cotton: Soot 45 g, Foam 20 g
A 3.25 mm hook, one pair of 8 mm safety eyes, a scrap of felt

BODY
Rnd 1: 6 sc in MR (6)
Rnd 2: inc x 6 (12)
Insert the eyes between Rnds 1 and 2, 4 sts apart.
Do not stuff yet.
Rnd 3: sc around (12)
Stuff the body.
Rnd 4: dec x 6 (6)
Fasten off and close the hole.

WING (make 2)
Rnd 1: 6 sc in MR (6)
Fasten off, leaving a tail.

ASSEMBLY
Sew the wings to the body over Rnds 2 and 3.
`;

it('finds materials, what happens in the making, and what goes on what, each with its place', () => {
  const pattern = readPattern(TEXT);
  const { materials, events, assembly } = documentOf(pattern, proseOf(pattern).talk);
  expect(materials.map(({ kind, name, amount }) => [kind, name, amount])).toEqual(
    expect.arrayContaining([
      ['yarn', 'Soot', '45 g'],
      ['yarn', 'Foam', '20 g'],
      ['hook', '3.25 mm', null],
      ['eyes', 'safety eyes', '8 mm'],
      ['notion', 'felt', null],
    ]),
  );
  expect(events.map(({ kind, negated, part, after }) => [kind, negated, part?.name, after?.label])).toEqual(
    expect.arrayContaining([
      ['eyes-set', false, 'Body', 'Rnd 2'],
      ['stuffing', true, 'Body', 'Rnd 2'],
      ['stuffing', false, 'Body', 'Rnd 3'],
      ['closed', false, 'Body', 'Rnd 4'],
      ['finished', false, 'Body', 'Rnd 4'],
      ['tail', false, 'Wing', 'Rnd 1'],
    ]),
  );
  expect(assembly.at(-1)).toMatchObject({
    pieces: [{ name: 'Wing' }],
    onto: { name: 'Body' },
    places: [{ rounds: [2, 3] }],
  });
  for (const { span } of [...materials, ...events, ...assembly]) expect(TEXT.slice(span.from, span.to)).not.toBe('');
});
