/**
 * The face of the core for what is asked now and then, and fetched then: fixes, house style, drafts side by side, shapes,
 * slips, queries, meanings.
 */
import { check, type RuleSettings } from './checks/registry.js';
import type { CheckedDraft } from './comparing/carried.js';
import { compare } from './comparing/compare.js';
import type { Comparison } from './comparing/schema.js';
import { decide } from './deciding/decide.js';
import { slipsFor } from './explaining/hook.js';
import type { HookSlip } from './explaining/schema.js';
import { fixedReport } from './fixing.js';
import { checkPattern, type CheckOptions } from './index.js';
import { proposedAt, proposedFor, type Proposed } from './querying/proposed.js';
import { tried, type Tried } from './querying/tried.js';
import type { ReadOptions } from './reading/read.js';
import { reportOf } from './report/report.js';
import { documentOf } from './document/document.js';
import { proseOf } from './document/prose.js';
import { drawingOf } from './shape/drawing.js';
import type { Shape } from './shape/schema.js';
import { NO_SETTINGS, type ShapeSettings } from './shape/settings.js';
import { shapeOf } from './shape/shape.js';
import type { HouseStyle } from './style/style.js';
import type { Span } from './text/source.js';

export { findingsBetween } from './comparing/carried.js';
export { meaningsOf } from './deciding/meanings.js';
export { inStyle } from './style/inStyle.js';

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

/**
 * Which slips of the maker explain another count on the hook, the likeliest first.
 * @param round its number among all rounds of the text, from 0; nothing is told of one that it has not.
 */
export function slipsIn(
  text: string,
  round: number,
  onHook: number,
  options: ReadOptions = { terms: 'auto' },
): HookSlip[] {
  const counted = decide(text, options);
  const here = counted.rounds[round];
  return here ? slipsFor(counted, here, onHook) : [];
}

/** What comes of a figure in the round at a place; see `tried`. */
export function triedIn(
  text: string,
  at: Span,
  figure: number,
  options: ReadOptions = { terms: 'auto' },
): Tried | null {
  return tried(decide(text, options), at, figure, (changed) => decide(changed, options));
}

/**
 * A query on a finding, for which fixes are searched; or at some words, or at the round that they stand in.
 * @param about the key of the finding, or the offsets of the words; null comes of a finding that is not there.
 */
export function queryIn(
  text: string,
  about: string | Span,
  options: CheckOptions = { terms: 'auto' },
): Proposed | null {
  const checked = checkPattern(text, '', options);
  if (typeof about !== 'string') return proposedAt(checked.report, text, about, checked.account);
  const report = fixedReport(checked);
  const finding = report.findings.find(({ key }) => key === about);
  return finding ? proposedFor(report, finding, text, checked.account) : null;
}

/** A round as it stands in a text, with its words. */
export interface EarlierRound {
  readonly part: string;
  readonly label: string;
  readonly words: string;
}

/** The rounds of a text, which may be an earlier one, with the lines that they stand in. */
export function roundsIn(text: string): EarlierRound[] {
  const lines = text.split('\n');
  return checkPattern(text, '').report.parts.flatMap(({ name, rounds }) =>
    rounds.map(({ label, line, endLine }) => ({
      part: name,
      label,
      words: lines
        .slice(line - 1, endLine)
        .join('\n')
        .trim(),
    })),
  );
}
