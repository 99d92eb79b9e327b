import type { Standing } from '../frame/places.js';
import { queryStateSchema, type QueryState } from '../queries.js';
import { inTrouble } from '../workers/checker.js';
import type { DeskSession } from './desk.svelte.js';

const STATES: readonly QueryState[] = queryStateSchema.options;

/** How a pattern stands at this moment, where its Desk knows better than the server did when the page was asked for. */
export function standingNow(asked: Standing, desk: DeskSession): Standing {
  const { name, report, rounds, findings, notes, checking, queries } = desk;
  const open = (state: QueryState) => queries.all.filter((query) => query.state === state).length;
  const standing = { ...asked, queries: Object.fromEntries(STATES.map((state) => [state, open(state)])) };
  if (inTrouble(checking)) return { ...standing, name, summary: null, state: 'too-much' };
  if (!report) return { ...standing, name };
  const count = (verdict: string) => rounds.filter(({ round }) => round.verdict === verdict).length;
  const found = (severity: string) => findings.filter((finding) => finding.severity === severity).length;
  return {
    ...standing,
    name,
    state: 'counted',
    summary: {
      parts: report.parts.length,
      rounds: rounds.length,
      agree: count('agrees') + count('counted'),
      off: count('off'),
      unclear: count('unreadable'),
      errors: found('error'),
      warnings: found('warning'),
      terms: report.terms.detected,
      ticked: rounds.filter(({ round }) => notes.ticks.has(round.key)).length,
      tally: '',
    },
  };
}
