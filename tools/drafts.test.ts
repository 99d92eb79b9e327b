import { describe, expect, it } from 'vitest';
import { madeDrafts, scoreDraft } from './drafts.js';

describe('drafts that were made from others', () => {
  it('have their rounds known again', () => {
    let [rounds, right] = [0, 0];
    for (const draft of madeDrafts(40, 4711, ['corpus', 'corpus/odd'])) {
      const known = scoreDraft(draft);
      rounds += known.rounds;
      right += known.right;
    }
    expect(rounds).toBeGreaterThan(400);
    expect(right / rounds).toBeGreaterThanOrEqual(0.985);
  });
});
