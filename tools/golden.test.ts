import { describe, expect, it } from 'vitest';
import { FOLDERS, keptReadings, readingsIn } from './golden.js';

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
