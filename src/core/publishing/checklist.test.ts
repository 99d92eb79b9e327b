import { describe, expect, it } from 'vitest';
import { overviewOf, checkPattern } from '../index.js';
import { keyOf } from '../text/key.js';
import { checklistOf, type ReleaseFacts } from './checklist.js';

const FINE = `Vole
US terms. About 9 cm tall.

Materials: cotton in Sand (20 g), 2.5 mm hook, filling

BODY (make 1)
Rnd 1: 6 sc in MR (6)
Rnd 2: inc x 6 (12)
Rnd 3: sc around (12)
Fasten off.
`;

function factsOf(text: string, more: Partial<ReleaseFacts> = {}): ReleaseFacts {
  const checked = checkPattern(text, '');
  const holds = { holds: true, words: 'proved' };
  return {
    text,
    report: checked.report,
    overview: overviewOf(checked.counted),
    aside: new Map(),
    trusted: new Map(),
    waiting: [],
    editions: [
      { terms: 'us', ...holds },
      { terms: 'uk', ...holds },
    ],
    photographs: '',
    basis: 'text 1',
    errata: [],
    confirmed: [],
    own: [],
    ...more,
  };
}

const lineOf = (id: string, facts: ReleaseFacts) => checklistOf(facts).find((line) => line.id === id);
const findingOf = (text: string, rule: string) =>
  checkPattern(text, '').report.findings.find((finding) => finding.rule === rule)?.key ?? 'none';
const roundOf = (text: string, at: number) => checkPattern(text, '').report.parts[0]?.rounds[at]?.key ?? 'none';

const OFF = FINE.replace('inc x 6 (12)', 'inc x 6 (13)');
const OPEN = FINE.replace('sc around (12)', 'dec until the hole is closed');
const EYES = FINE.replace('filling', 'filling, 6 mm safety eyes');
const FILM = FINE.replace('About', 'Inspired by the film. About');
const read = { who: 'Ines', at: 1, basis: 'text 1' };

/** Each line of the checklist: what makes it fail, what it says then, and what makes it hold. */
const LINES: readonly (readonly [id: string, fails: ReleaseFacts, says: RegExp, holds: ReleaseFacts])[] = [
  ['rounds', factsOf(OFF), /Body, Rnd 2: is off/, factsOf(FINE)],
  ['rounds', factsOf(OFF), /is off/, factsOf(OFF, { aside: new Map([[findingOf(OFF, 'count/stated'), 'as is']]) })],
  ['rounds', factsOf(OPEN), /gives no count/, factsOf(OPEN, { trusted: new Map([[roundOf(OPEN, 2), 'by feel']]) })],
  ['rounds', factsOf('Nothing here.\n'), /No rounds/, factsOf(FINE)],
  ['errors', factsOf(OFF), /States 13/, factsOf(OFF, { aside: new Map([[findingOf(OFF, 'count/stated'), 'as is']]) })],
  ['warnings', factsOf(OPEN), /./, factsOf(FINE)],
  ['queries', factsOf(FINE, { waiting: [3] }), /Query 3 is not settled/, factsOf(FINE)],
  ['queries', factsOf(FINE, { waiting: [3, 5] }), /^2 stand against it/, factsOf(FINE)],
  ['terms', factsOf(FINE.replace('US terms. ', '')), /doesn’t say which terms/, factsOf(FINE)],
  [
    'editions',
    factsOf(FINE, { editions: [{ terms: 'uk', holds: false, words: 'UK terms: behind' }] }),
    /behind/,
    factsOf(FINE),
  ],
  ['materials', factsOf(FINE.replace(' (20 g)', '')), /Sand: no amount/, factsOf(FINE)],
  ['materials', factsOf(FINE.replace('2.5 mm hook', 'hook')), /No hook in millimetres/, factsOf(FINE)],
  ['materials', factsOf(FINE.replace(' About 9 cm tall.', '')), /finished size/, factsOf(FINE)],
  [
    'materials',
    factsOf(FINE.replace('tall.', 'tall, to fit a jar.')),
    /no tension/,
    factsOf(FINE.replace('tall.', 'tall, to fit a jar. Gauge: 24 sts to 10 cm.')),
  ],
  [
    'materials',
    factsOf(FINE.replace(' (20 g)', '')),
    /no amount/,
    factsOf(FINE.replace(' (20 g)', ''), { trusted: new Map([[keyOf('materials|Sand: no amount'), 'a scrap']]) }),
  ],
  [
    'materials',
    factsOf(FINE.replace(' About 9 cm tall.', '')),
    /size/,
    factsOf(FINE.replace(' About 9 cm tall.', '').replace('Vole', 'Vole, 9 cm')),
  ],
  ['cautions', factsOf(EYES), /small parts/, factsOf(`${EYES}Not for children under three: small parts.\n`)],
  ['errata', factsOf(FINE, { errata: [{ number: 1, words: 'Rnd 3' }] }), /Erratum 1: Rnd 3/, factsOf(FINE)],
  [
    'rights',
    factsOf(FILM),
    /Nobody has said so/,
    factsOf(FILM, { confirmed: [{ ...read, line: 'rights', basis: findingOf(FILM, 'rights/character') }] }),
  ],
  [
    'photographs',
    factsOf(FINE, { photographs: '1 2' }),
    /Nobody has said so/,
    factsOf(FINE, { photographs: '1 2', confirmed: [{ ...read, line: 'photographs', basis: '1 2' }] }),
  ],
  ['photographs', factsOf(FINE, { photographs: '1' }), /Nobody/, factsOf(FINE)],
  ['tested', factsOf(FINE), /Nobody/, factsOf(FINE, { confirmed: [{ ...read, line: 'tested', basis: '' }] })],
  ['read', factsOf(FINE), /Nobody/, factsOf(FINE, { confirmed: [{ ...read, line: 'read' }] })],
  [
    'read',
    factsOf(FINE, { basis: 'text 2', confirmed: [{ ...read, line: 'read' }] }),
    /Ines said so, and it has changed since/,
    factsOf(FINE, { basis: 'text 2', confirmed: [{ ...read, line: 'read', basis: 'text 2' }] }),
  ],
  [
    'own-1',
    factsOf(FINE, { own: [{ id: 'own-1', text: 'Priced' }] }),
    /Nobody/,
    factsOf(FINE, { own: [{ id: 'own-1', text: 'Priced' }], confirmed: [{ ...read, line: 'own-1', basis: '' }] }),
  ],
];

describe('the checklist', () => {
  it.each(LINES)('%s fails, and says why, and holds', (id, fails, says, holds) => {
    const line = lineOf(id, fails);
    expect(line?.holds).toBe(false);
    expect(line?.words).toMatch(says);
    expect(lineOf(id, holds)).toMatchObject({ holds: true });
  });

  it('opens each line to its places in the text, and to why it holds all the same', () => {
    const trusted = new Map([[roundOf(OPEN, 2), 'by feel']]);
    expect(lineOf('rounds', factsOf(OPEN, { trusted }))).toMatchObject({
      words: '2 of 3 are counted, 1 on trust.',
      rests: [{ line: 9, reason: 'by feel', key: roundOf(OPEN, 2) }],
    });
  });

  it('lets nobody take a round on trust that is off', () => {
    expect(lineOf('rounds', factsOf(OFF))?.rests).toEqual([expect.objectContaining({ key: '' })]);
  });

  it('does not call a verb a thing that has to fit', () => {
    expect(lineOf('materials', factsOf(FINE.replace('Fasten', 'Insert the eyes. Fasten')))).toMatchObject({
      holds: true,
    });
  });
});
