/** The face of the core for what few need, drafts side by side and shapes: it is fetched when it is asked for. */
import { check, type RuleSettings } from './checks/registry.js';
import type { CheckedDraft } from './comparing/carried.js';
import { compare } from './comparing/compare.js';
import type { Comparison } from './comparing/schema.js';
import { decide } from './deciding/decide.js';
import type { ReadOptions } from './reading/read.js';
import { reportOf } from './report/report.js';
import { documentOf } from './document/document.js';
import { proseOf } from './document/prose.js';
import { drawingOf } from './shape/drawing.js';
import type { Shape } from './shape/schema.js';
import { NO_SETTINGS, type ShapeSettings } from './shape/settings.js';
import { shapeOf } from './shape/shape.js';
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

/** What the counts of a text come to in the hand, at its own gauge or as it is set otherwise. Never throws, whatever the text. */
export function shapeOfText(
  text: string,
  settings: ShapeSettings = NO_SETTINGS,
  options: ReadOptions = { terms: 'auto' },
): Shape {
  const counted = decide(text, options);
  const prose = proseOf(counted.pattern);
  return shapeOf(drawingOf(counted, prose, documentOf(counted.pattern, prose.talk), settings));
}
