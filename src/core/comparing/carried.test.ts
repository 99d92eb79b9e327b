import { describe, expect, it } from 'vitest';
import { carriedOver } from '../index.js';
import { compareDrafts, findingsBetween } from '../onRequest.js';

const FIRST =
  'Ball\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (13)\nRnd 3: (sc 1, inc) x 6 (18)\nRnd 4: (sc 2, inc) x 5 (24)\n';

/** What is noted on all of the first draft, as it holds in another: the labels of the rounds and the messages of the findings. */
function carried(after: string): { ticks: string[]; aside: string[]; gone: string[]; come: string[] } {
  const drafts = compareDrafts({ text: FIRST }, { text: after });
  const { comparison, before, after: now } = drafts;
  const ticks = before.report.parts.flatMap(({ rounds }) => rounds.map(({ key }) => key));
  const aside = before.report.findings.map(({ key }) => key);
  const found = carriedOver(comparison, before, now, { ticks, aside });
  const rounds = now.report.parts.flatMap((part) => part.rounds);
  const between = findingsBetween(comparison, before, now);
  const rules = (findings: readonly { rule: string }[]) => findings.map(({ rule }) => rule);
  return {
    ticks: found.ticks.map((key) => rounds.find((round) => round.key === key)?.label ?? '?'),
    aside: found.aside.map(([, key]) => now.report.findings.find((finding) => finding.key === key)?.rule ?? '?'),
    gone: rules(between.gone),
    come: rules(between.come),
  };
}

describe('what was noted on a draft', () => {
  it('holds in the same text', () => {
    expect(carried(FIRST)).toMatchObject({ ticks: ['Rnd 1', 'Rnd 2', 'Rnd 3', 'Rnd 4'], gone: [], come: [] });
  });

  it('stays where nothing has changed but the number or the name, and falls off where something has', () => {
    const after = FIRST.replace('Ball', 'Big ball')
      .replace('(13)', '(12)')
      .replace('Rnd 4', 'Rnd 4: sc around (18)\nRnd 5');
    const { ticks, aside, gone } = carried(after);
    expect(ticks).toEqual(['Rnd 1', 'Rnd 3', 'Rnd 5']);
    expect(aside).toContain('count/under');
    expect(aside).not.toContain('count/stated');
    expect(gone).toContain('count/stated');
  });

  it('falls off with what it was noted on', () => {
    expect(carried('')).toMatchObject({ ticks: [], aside: [] });
    const { come, gone } = carried(FIRST.replace('6 sc in MR (6)', '7 sc in MR (7)'));
    expect([...come, ...gone].length).toBeGreaterThan(0);
  });
});
