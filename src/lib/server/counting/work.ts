import { diff3Merge } from 'node-diff3';
import {
  overviewOf,
  carriedOver,
  checkPattern,
  courseOfText,
  checkText,
  convertTerms,
  fixedReport,
  intoDraft,
  learnt,
  markedLines,
  NO_HAND,
  styleOf,
  type Carried,
  type CheckOptions,
  type Course,
  type Conversion,
  type Hand,
  type Held,
  type HouseStyle,
  type MarkedLine,
  type Overview,
  type Report,
  type ReportRound,
  type ReportVerdict,
  type RoundAccount,
  type StyleCount,
} from '../../../core/index.js';
import { compareDrafts } from '../../../core/onRequest.js';
import type { Summary, TermsWanted } from '../../patterns.js';
import { corrected, released } from './release.js';
import { TRAINING } from './training.js';

type Terms = CheckOptions['terms'];

/** A pattern as it is printed. */
export interface Printed {
  readonly lines: readonly MarkedLine[];
  readonly rounds: number;
  readonly off: number;
  readonly findings: readonly { readonly line: number; readonly where: string; readonly message: string }[];
}

/** A conversion, and where there is an edition already that edition with what has changed. */
export interface Edited {
  readonly state: Conversion['state'];
  readonly converted: string;
  readonly merged: { readonly text: string; readonly kept: number } | null;
}

/** What the figures of a pattern rest on. */
export type Summarised = CheckOptions & {
  readonly text: string;
  readonly aside: readonly string[];
  readonly ticks: readonly string[];
};

/** Two texts of a pattern, and what was noted on the first: keys of ticks and of findings put aside, and places. */
export type Carrying = CheckOptions & {
  readonly before: string;
  readonly after: string;
  readonly ticks: readonly string[];
  readonly aside: readonly string[];
  readonly places: readonly Held[];
};

/** All that the server has the core do, each with one argument and a result that can be sent. */
export const WORK = {
  released,
  corrected,
  ...TRAINING,

  /** The figures that the shelf shows; findings that are put aside and rounds that are ticked are known by their keys. */
  summary({ text, aside, ticks, ...options }: Summarised): Summary {
    return summaryOf(checkText(text, '', options), new Set(aside), new Set(ticks));
  },

  print({ text, name, ...options }: CheckOptions & { text: string; name: string }): Printed {
    const report = checkText(text, name, options);
    const rounds = report.parts.flatMap((part) => part.rounds);
    return {
      lines: markedLines(text, report),
      rounds: rounds.length,
      off: rounds.filter(({ verdict }) => verdict === 'off' || verdict === 'unreadable').length,
      findings: report.findings
        .filter(({ severity }) => severity !== 'hint')
        .map(({ line, round, part, message }) => ({ line, where: [round, part].filter(Boolean).join(', '), message })),
    };
  },

  /** The text as it is followed at the bench. */
  course({ text, name, ...options }: CheckOptions & { text: string; name: string }): Course {
    return courseOfText(text, name, options);
  },

  style({ text, terms, hand = NO_HAND }: { text: string; terms: Terms; hand?: Hand }): {
    count: StyleCount;
    learnt: HouseStyle;
  } {
    const count = styleOf(text, { terms, hand });
    return { count, learnt: learnt(count) };
  },

  edition({
    text,
    from,
    hand = NO_HAND,
    wanted,
    decisions,
    known,
  }: {
    text: string;
    from: Terms;
    hand?: Hand;
    wanted: TermsWanted;
    decisions: readonly (readonly [key: string, written: string])[];
    /** The edition that is there, and the conversion that it was made from. */
    known: { readonly text: string; readonly converted: string } | null;
  }): Edited {
    const { state, text: converted } = convertTerms(text, { ...wanted, from, hand, decisions: new Map(decisions) });
    return { state, converted, merged: known && merged(known.text, known.converted, converted) };
  },

  /** All that was understood of a text, round by round. */
  understood({ text, name, ...options }: CheckOptions & { text: string; name: string }): {
    report: Report;
    overview: Overview;
    accounts: (RoundAccount | null)[];
  } {
    const checked = checkPattern(text, name, options);
    const report = fixedReport(checked);
    const rounds = report.parts.flatMap((part) => part.rounds);
    return { report, overview: overviewOf(checked.counted), accounts: rounds.map((_, i) => checked.account(i)) };
  },

  /** What was noted on a text, as it holds in another draft of it. */
  carry({ before, after, ticks, aside, places, ...options }: Carrying): Carried & { readonly places: readonly Held[] } {
    const drafts = compareDrafts({ ...options, text: before }, { ...options, text: after });
    return {
      ...carriedOver(drafts.comparison, drafts.before, drafts.after, { ticks, aside }),
      places: intoDraft(places, drafts.comparison, before, after),
    };
  },
};

export type Work = typeof WORK;

const LETTERS: Record<ReportVerdict, string> = {
  agrees: 'a',
  counted: 'c',
  off: 'o',
  unreadable: 'u',
  'on-trust': 't',
};

function summaryOf(report: Report, aside: ReadonlySet<string>, ticks: ReadonlySet<string>): Summary {
  const rounds = report.parts.flatMap((part) => part.rounds);
  const open = report.findings.filter(({ key }) => !aside.has(key));
  const stitches = report.parts.map(
    ({ make, rounds: own }) => make * own.reduce((all, round) => all + stitchesIn(round), 0),
  );
  const count = (test: (round: (typeof rounds)[number]) => boolean) => rounds.filter(test).length;
  return {
    parts: report.parts.length,
    rounds: rounds.length,
    agree: count(({ verdict }) => verdict === 'agrees' || verdict === 'counted'),
    off: count(({ verdict }) => verdict === 'off'),
    unclear: count(({ verdict }) => verdict === 'unreadable' || verdict === 'on-trust'),
    errors: open.filter(({ severity }) => severity === 'error').length,
    warnings: open.filter(({ severity }) => severity === 'warning').length,
    terms: report.terms.detected,
    ticked: count(({ key }) => ticks.has(key)),
    tally: rounds
      .slice(0, 400)
      .map(({ verdict }) => LETTERS[verdict])
      .join(''),
    stitches: stitches.reduce((all, one) => all + one, 0),
  };
}

/** The stitches of all rounds that a label stands for, as far as they are known. */
const stitchesIn = ({ made, stated, from, to }: ReportRound): number => (made ?? stated ?? 0) * (to - from + 1);

/**
 * An edition's own text with what has changed between two conversions of its source. Where both have changed the same
 * lines those of the edition stay.
 */
export function merged(own: string, before: string, now: string): { text: string; kept: number } {
  const lines: string[] = [];
  let kept = 0;
  for (const { ok, conflict } of diff3Merge(own.split('\n'), before.split('\n'), now.split('\n'))) {
    if (conflict) kept += 1;
    // One by one: a text may have more lines than a call can have arguments.
    for (const line of ok ?? conflict?.a ?? []) lines.push(line);
  }
  return { text: lines.join('\n'), kept };
}
