/** The face of the core for the worker that checks: it reads by the forms that are known, and fetches what reads otherwise. */
import { check, type Finding, type RuleSettings } from './checks/registry.js';
import type { CountedPattern } from './counting/counted.js';
import { accountOf } from './explaining/account.js';
import type { RoundAccount } from './explaining/schema.js';
import type { Hand } from './reading/hand.js';
import type { ReadOptions } from './reading/read.js';
import { reportOf } from './report/report.js';
import type { Report } from './report/schema.js';
import type { HouseStyle } from './style/style.js';

export { plainly, type Open } from './deciding/plainly.js';
export { handSchema, handWordSchema } from './reading/hand.js';
export { Memory } from './reading/memory.js';
export { shapeSettingsSchema } from './shape/settings.js';
export { houseStyleSchema } from './style/schema.js';

/** How a text is to be read, and which rules are set otherwise than they are. */
export interface CheckOptions extends ReadOptions {
  readonly rules?: RuleSettings;
  /** How this press writes; deviations are hints. */
  readonly style?: HouseStyle;
}

/** A text that has been checked, and can be asked how its figures come about. */
export interface Checked {
  readonly report: Report;
  /** The words of its hand that were said, or worked out from its counts. */
  readonly hand: Hand;
  /** All rounds as they were counted, and what was found in them: what fixes are searched for in. */
  readonly counted: CountedPattern;
  readonly findings: readonly Finding[];
  /**
   * How the figures of a round come about.
   * @param round its number among all rounds of the report, from 0.
   * @returns null where there is no such round.
   */
  readonly account: (round: number) => RoundAccount | null;
  /** Of each round, in order, how its figures come about, in plain words. */
  readonly sentences: () => string[];
}

/** Checks a text that has been read and counted. @param file the name that the report carries. */
export function checked(counted: CountedPattern, file: string, options: CheckOptions): Checked {
  const findings = check(counted, options.rules, options.style);
  const account = (index: number) => {
    const round = counted.rounds[index];
    return round ? accountOf(counted, round) : null;
  };
  return {
    report: reportOf(file, counted, findings),
    hand: {
      ...options.hand,
      words: Object.fromEntries([...counted.pattern.words, ...counted.pattern.said]),
    },
    counted,
    findings,
    account,
    sentences: () => counted.rounds.map((round) => accountOf(counted, round).sentence),
  };
}
