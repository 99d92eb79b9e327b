import { describe, expect, it } from 'vitest';
import { readInstruction } from '../instruction.js';
import { Lexicon } from '../lexicon.js';
import { EXAMPLES } from './examples.js';
import { FORMS } from './index.js';

it('each form has its examples', () => {
  expect([...EXAMPLES.keys()].sort()).toEqual(FORMS.map(({ name }) => name).sort());
});

describe.each([...EXAMPLES])('%s', (_, examples) => {
  it.each(examples)('%s', (example) => {
    const lexicon = new Lexicon('us', /\d[XVWAK]|[XVWAK]\d/.test(example));
    const reading = readInstruction(example, { from: 0, to: example.length }, lexicon);
    expect(reading.unread).toEqual([]);
    expect(reading.brackets).toEqual([]);
    expect(reading.steps.length + (reading.reference ? 1 : 0) + (reading.statedRounds ? 1 : 0)).toBeGreaterThan(0);
  });
});
