import { describe, expect, it } from 'vitest';
import { FOLDERS, INSTRUCTIONS, instructionsNow, keptReadings, PRACTICE, practiceNow, readingsIn } from './golden.js';
import { readFileSync } from 'node:fs';

/** Whoever changes a reading on purpose writes them anew, and looks at the diff: npm run golden */
describe.each(FOLDERS)('what the patterns in %s are read as', (folder) => {
  it('has not changed', () => {
    const kept = keptReadings(folder);
    const now = readingsIn(folder);
    expect([...now.keys()]).toEqual([...kept.keys()]);
    const changed = [...now].flatMap(([file, reading]) => {
      const before = (kept.get(file) ?? '').split('\n');
      const lines = reading.split('\n');
      const at = lines.findIndex((line, i) => line !== before[i]);
      return at < 0 && lines.length === before.length ? [] : [`${file}: ${before[at] ?? ''}  →  ${lines[at] ?? ''}`];
    });
    expect(changed).toEqual([]);
  });
});

it('what the examples of the forms are read as has not changed', () => {
  expect(instructionsNow().split('\n')).toEqual(readFileSync(INSTRUCTIONS, 'utf8').split('\n'));
});

it('what is given to practise on has not changed', () => {
  expect(practiceNow().split('\n')).toEqual(readFileSync(PRACTICE, 'utf8').split('\n'));
});
