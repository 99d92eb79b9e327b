import type { CountedPattern } from '../counting/counted.js';
import { countFoundation } from './count-foundation.js';
import { countOpenEnded } from './count-open-ended.js';
import { countOver } from './count-over.js';
import { countRemainder } from './count-remainder.js';
import { countStated } from './count-stated.js';
import { countUnder } from './count-under.js';
import { frameDuplicate } from './frame-duplicate.js';
import { frameGap } from './frame-gap.js';
import { notationBracket } from './notation-bracket.js';
import { notationTimes } from './notation-times.js';
import { notationUnread } from './notation-unread.js';
import { notationWorkedOut } from './notation-worked-out.js';
import { countBreakdown } from './count-breakdown.js';
import { countMissing } from './count-missing.js';
import { countTurningChain } from './count-turning-chain.js';
import { frameOrder } from './frame-order.js';
import { frameRange } from './frame-range.js';
import { frameReference } from './frame-reference.js';
import { termsMixed } from './terms-mixed.js';
import { termsContradiction } from './terms-contradiction.js';
import { materialsHookSize } from './materials-hook-size.js';
import { termsUndeclared } from './terms-undeclared.js';
import { termsUndefined } from './terms-undefined.js';
import { frameRowRound } from './frame-row-round.js';
import { frameQuantity } from './frame-quantity.js';
import { makeNoFinish } from './make-no-finish.js';
import { makeNotAttached } from './make-not-attached.js';
import { makePlace } from './make-place.js';
import { makeEyesLate } from './make-eyes-late.js';
import { makeStuffingLate } from './make-stuffing-late.js';
import { materialsAmount } from './materials-amount.js';
import { materialsColour } from './materials-colour.js';
import { materialsNotion } from './materials-notion.js';
import { materialsHook } from './materials-hook.js';
import { rightsCharacter } from './rights-character.js';
import { safetyCord } from './safety-cord.js';
import { safetyHeat } from './safety-heat.js';
import { safetyInsert } from './safety-insert.js';
import { safetyMagnet } from './safety-magnet.js';
import { safetySmallParts } from './safety-small-parts.js';
import { safetyWire } from './safety-wire.js';
import { shapeCup } from './shape-cup.js';
import { shapeRuffle } from './shape-ruffle.js';
import { shapeSize } from './shape-size.js';
import { shapeStacked } from './shape-stacked.js';
import { termsInconsistent } from './terms-inconsistent.js';
import { termsUnused } from './terms-unused.js';
import type { HouseStyle } from '../style/style.js';
import { HOUSE_STYLE, styleRule } from './style-house.js';
import { drawingOf } from '../shape/drawing.js';
import { documentOf, NO_DOCUMENT } from '../document/document.js';
import { NO_PROSE, proseOf } from '../document/prose.js';
import type { Found, Rule, Severity } from './rule.js';

/** Every rule there is. A new one is a file named after its id, and a line here. */
export const RULES: readonly Rule[] = [
  countStated,
  countRemainder,
  countOver,
  countUnder,
  countFoundation,
  countBreakdown,
  countOpenEnded,
  countMissing,
  countTurningChain,
  frameGap,
  frameDuplicate,
  frameOrder,
  frameRange,
  frameReference,
  notationBracket,
  notationTimes,
  notationUnread,
  notationWorkedOut,
  termsMixed,
  termsContradiction,
  materialsHookSize,
  termsUndeclared,
  termsUndefined,
  termsUnused,
  termsInconsistent,
  frameRowRound,
  frameQuantity,
  makeNoFinish,
  makeNotAttached,
  makePlace,
  makeEyesLate,
  makeStuffingLate,
  materialsAmount,
  materialsColour,
  materialsHook,
  materialsNotion,
  shapeRuffle,
  shapeCup,
  shapeStacked,
  shapeSize,
  safetySmallParts,
  safetyCord,
  safetyWire,
  safetyHeat,
  safetyInsert,
  safetyMagnet,
  rightsCharacter,
];

const IDS: ReadonlySet<string> = new Set([...RULES.map(({ id }) => id), HOUSE_STYLE]);

/** Whether there is a rule of this id, that of the house style included. */
export function isRule(id: string): boolean {
  return IDS.has(id);
}

/** More parts than one pattern has. */
const MOST_PARTS = 60;

export interface Finding extends Found {
  readonly rule: Pick<Rule, 'id' | 'severity'>;
}

/** By the id of a rule: another severity than its own, or off. */
export type RuleSettings = Readonly<Record<string, Severity | 'off'>>;

/** Runs all rules over a counted pattern, as they are set; findings come in the order of the text. */
export function check(counted: CountedPattern, settings: RuleSettings = {}, style: HouseStyle = {}): Finding[] {
  const findings: Finding[] = [];
  // A text of so many parts is a collection: which assembly speaks of which part can't be told there.
  const one = counted.pattern.parts.length <= MOST_PARTS;
  const prose = one ? proseOf(counted.pattern) : NO_PROSE;
  const document = one ? documentOf(counted.pattern, prose.talk) : NO_DOCUMENT;
  const drawing = drawingOf(counted, prose, document);
  for (const rule of RULES) {
    const set = settings[rule.id];
    if (set === 'off' || (rule.across && !one)) continue;
    for (const found of rule.check(counted, prose, document, drawing))
      findings.push({ ...found, rule, ...(set ? { severity: set } : {}) });
  }
  const house = styleRule(style);
  if (settings[house.id] !== 'off' && one)
    for (const found of house.check(counted)) findings.push({ ...found, rule: house });
  return findings.sort((a, b) => a.span.from - b.span.from || a.span.to - b.span.to);
}
