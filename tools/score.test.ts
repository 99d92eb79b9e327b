import { describe, expect, it } from 'vitest';
import { scoreFolder } from './score.js';

describe.each(['corpus', 'corpus/aside'])('the patterns in %s', (folder) => {
  it.each(scoreFolder(folder).map(({ file, score }) => [file, score] as const))(
    '%s: every round counted right, every fault named, nothing else said',
    (_, { rounds, right, countFaults, named, falseAlarms, notes }) => {
      expect({ right, named, falseAlarms, notes }).toEqual({
        right: rounds,
        named: countFaults,
        falseAlarms: 0,
        notes: [],
      });
    },
  );
});
