import fc from 'fast-check';
import { expect, it } from 'vitest';
import { checkPattern, type Report } from '../../core/index.js';
import { Hearing, toldSchema } from './hearing.js';
import { Telling } from './telling.js';

const PART = 'Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\n';
const TEXT = ['HEAD', 'BODY', 'EAR'].map((name) => `${name}\n${PART}`).join('\n');
const reportOf = (text: string): Report => checkPattern(text, '').report;

/** From the worker to the page, as a message arrives there. */
function arrive(telling: Telling, hearing: Hearing, report: Report): Report {
  return hearing.hear(toldSchema.parse(structuredClone(telling.tell(report, hearing.known))));
}

const line = fc.constantFrom(
  'HEAD',
  'Rnd 1: 6 sc in MR (6)',
  'Rnd 2: inc x 6 (12)',
  'Rnd 2: inc x 6 (13)',
  '',
  'Fasten off.',
);
const text = fc.array(line, { maxLength: 14 }).map((lines) => lines.join('\n'));

it('any report arrives as it was told, whatever came before it and whatever was lost', () => {
  const step = fc.record({ text, lost: fc.boolean(), restarted: fc.boolean() });
  fc.assert(
    fc.property(fc.array(step, { maxLength: 8 }), (steps) => {
      let telling = new Telling();
      const hearing = new Hearing();
      for (const { text, lost, restarted } of steps) {
        if (restarted) telling = new Telling();
        const report = reportOf(text);
        if (lost) {
          telling.tell(report, hearing.known);
          hearing.forget();
        } else expect(arrive(telling, hearing, report)).toEqual(report);
      }
    }),
    { numRuns: 150 },
  );
});

it('only the part that has changed is sent, and all others are the very same', () => {
  const telling = new Telling();
  const hearing = new Hearing();
  const first = arrive(telling, hearing, reportOf(TEXT));
  const changed = reportOf(TEXT.replace('BODY\nRnd 1: 6 sc', 'BODY\nRnd 1: 8 sc'));
  const told = telling.tell(changed, hearing.known);
  expect(told.changes.parts.come.map(({ name }) => name)).toEqual(['Body']);
  const second = hearing.hear(told);
  expect(second).toEqual(changed);
  expect(second.parts[0]).toBe(first.parts[0]);
  expect(second.parts[2]).toBe(first.parts[2]);
  expect(second.parts[1]).not.toBe(first.parts[1]);
});
