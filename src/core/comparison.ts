/** The face of the core for what lays two drafts side by side: few need it, and it is fetched when it is asked for. */
import { check, type RuleSettings } from './checks/registry.js';
import type { CheckedDraft } from './comparing/carried.js';
import { compare } from './comparing/compare.js';
import type { Comparison } from './comparing/schema.js';
import { decide } from './deciding/decide.js';
import type { ReadOptions } from './reading/read.js';
import { reportOf } from './report/report.js';
import type { HouseStyle } from './style/style.js';

export { findingsBetween } from './comparing/carried.js';

/** A text, and how it is to be read. */
export interface ReadText extends Partial<ReadOptions> {
  readonly text: string;
  readonly rules?: RuleSettings;
  readonly style?: HouseStyle;
}

/** Lays two drafts of a pattern side by side, round by round. Never throws, whatever the texts. */
export function compareTexts(before: ReadText, after: ReadText): Comparison {
  return compare(decide(before.text, { terms: 'auto', ...before }), decide(after.text, { terms: 'auto', ...after }));
}

/** Two drafts in step, each with what was found in it. */
export interface ComparedDrafts {
  readonly comparison: Comparison;
  readonly before: CheckedDraft;
  readonly after: CheckedDraft;
}

/** As `compareTexts`, with the reports of both. */
export function compareDrafts(before: ReadText, after: ReadText): ComparedDrafts {
  const read = (draft: ReadText) => {
    const counted = decide(draft.text, { terms: 'auto', ...draft });
    const report = reportOf('', counted, check(counted, draft.rules, draft.style));
    return { counted, checked: { text: draft.text, report } };
  };
  const [old, now] = [read(before), read(after)];
  return { comparison: compare(old.counted, now.counted), before: old.checked, after: now.checked };
}
