import { expose } from 'comlink';
import * as z from 'zod/mini';
import {
  checked,
  handSchema,
  handWordSchema,
  houseStyleSchema,
  Memory,
  plainly,
  shapeSettingsSchema,
  type Checked,
  type CheckOptions,
} from '../../core/checking.js';
import type {
  Comparison,
  HookSlip,
  Meanings,
  Overview,
  Proposed,
  Report,
  ReportFinding,
  RoundAccount,
  Shape,
  Styled,
  Tried,
} from '../../core/index.js';
import type { EarlierRound } from '../../core/onRequest.js';
import { ruleSettingsSchema } from '../ruleSettings.js';
import { PIECES, type Answering, type Piece } from './pieces.js';
import type { Told } from './hearing.js';
import { knownSchema, Telling } from './telling.js';

const termsSchema = z.enum(['auto', 'us', 'uk']);
const askSchema = z.object({
  known: knownSchema,
  text: z.string(),
  name: z.string(),
  terms: termsSchema,
  hand: handSchema,
  rules: ruleSettingsSchema,
  style: houseStyleSchema,
});
const styleSchema = z.object({ text: z.string(), terms: termsSchema, hand: handSchema, style: houseStyleSchema });
const pieceSchema = z.nullable(z.enum(PIECES));
const roundSchema = z.int().check(z.gte(0));
const offsetSchema = z.int().check(z.gte(0));
const countSchema = z.int().check(z.gte(0), z.lte(100_000));

const spanSchema = z.object({ from: roundSchema, to: roundSchema });
const triedSchema = z.extend(spanSchema, { figure: countSchema });

const compareSchema = z.object({ before: z.string(), after: z.string(), terms: termsSchema, hand: handSchema });
export type AskedComparison = z.infer<typeof compareSchema>;

/** Two drafts in step, with what was found in each. */
export interface ComparedTexts {
  readonly comparison: Comparison;
  readonly before: Report;
  readonly after: Report;
  readonly findings: { readonly gone: readonly ReportFinding[]; readonly come: readonly ReportFinding[] };
}

const shapeSchema = z.object({ text: z.string(), terms: termsSchema, hand: handSchema, settings: shapeSettingsSchema });
export type AskedShape = z.infer<typeof shapeSchema>;

/** What came of a piece of a search: a report, where that has new fixes, and whether there is more to search. */
export interface Searched {
  readonly told: Told | null;
  readonly more: boolean;
}

const searchSchema = z.object({ near: offsetSchema, known: knownSchema });

/** A search gives way to keys after so many milliseconds. */
const PIECE = 10;

/** What the page may ask of the worker. Accounts and slips are those of the text that was checked last. */
export interface CheckWorker extends Answering {
  /** Null where the text is to be read by its series, and what does that has not been fetched. */
  check(asked: z.infer<typeof askSchema>): Told | null;
  /** Goes on with the search for fixes of the text that was checked last, for a few milliseconds; from an offset, at first. */
  search(asked: z.infer<typeof searchSchema>): Promise<Searched | null>;
  account(round: number): RoundAccount | null;
  slips(asked: { round: number; onHook: number }): Promise<HookSlip[]>;
  meanings(word: string): Promise<Meanings | null>;
  overview(): Promise<Overview | null>;
  /** A query on a finding, by its key; or at some words, by their offsets. */
  query(asked: string | z.infer<typeof spanSchema>): Promise<Proposed | null>;
  /** What comes of a figure in the round at some words. */
  tried(asked: z.infer<typeof triedSchema>): Promise<Tried | null>;
  earlier(text: string): Promise<EarlierRound[]>;
  compare(asked: AskedComparison): Promise<ComparedTexts>;
  inStyle(asked: z.infer<typeof styleSchema>): Promise<Styled>;
  shape(asked: AskedShape): Promise<Shape>;
}

let last: { readonly checked: Checked; readonly text: string; readonly options: CheckOptions } | null = null;
/** What was read with the words of this pattern; from one key to the next nearly all of it stands again. */
const memory = new Memory();
const telling = new Telling();
/** What is not needed for the verdicts is fetched when it is asked for; it is told of the text that was there then. */
let bySeries: typeof import('../../core/series.js').bySeries | null = null;
const series = async () => ({ bySeries } = await import('../../core/series.js'));
const fixing = () => import('../../core/fixing.js');
const understanding = () => import('../../core/understanding.js');
const onRequest = () => import('../../core/onRequest.js');
const FETCHED: Readonly<Record<Piece, () => Promise<unknown>>> = {
  series,
  fixing,
  understanding,
  'on-request': onRequest,
};
/** Under way, for the text that was checked last. */
let search: Generator<Report | null, Report> | null = null;

const worker: CheckWorker = {
  async ready(asked) {
    const piece = pieceSchema.parse(asked);
    if (piece) await FETCHED[piece]();
    return true as const;
  },
  check(asked) {
    const { text, name, known, ...options } = askSchema.parse(asked);
    const how = { ...options, memory };
    const { counted, open } = plainly(text, how);
    if (open && !bySeries) return null;
    last = { checked: checked(open && bySeries ? bySeries(open) : counted, name, how), text, options: how };
    search = null;
    return telling.tell(last.checked.report, known);
  },
  async search(asked) {
    const { near, known } = searchSchema.parse(asked);
    const { searchIn } = await fixing();
    search ??= last && searchIn(last.checked, near);
    if (!search) return null;
    const { report, more } = piece(search);
    return { told: report && report !== last?.checked.report ? telling.tell(report, known) : null, more };
  },
  account: (round) => last?.checked.account(roundSchema.parse(round)) ?? null,
  async overview() {
    const asOf = last;
    const { overviewOf } = await understanding();
    return asOf && overviewOf(asOf.checked.counted);
  },
  async slips(asked) {
    const [round, onHook] = [roundSchema.parse(asked.round), countSchema.parse(asked.onHook)];
    const asOf = last;
    const { slipsIn } = await onRequest();
    return asOf ? slipsIn(asOf.text, round, onHook, asOf.options) : [];
  },
  async query(asked) {
    const about = typeof asked === 'string' ? z.string().parse(asked) : spanSchema.parse(asked);
    const asOf = last;
    const { queryIn } = await onRequest();
    return asOf && queryIn(asOf.text, about, asOf.options);
  },
  async tried(asked) {
    const { figure, ...at } = triedSchema.parse(asked);
    const asOf = last;
    const { triedIn } = await onRequest();
    return asOf && triedIn(asOf.text, at, figure, asOf.options);
  },
  async meanings(asked) {
    const word = handWordSchema.parse(asked);
    const asOf = last;
    const { meaningsOf } = await onRequest();
    return asOf && meaningsOf(asOf.text, asOf.options, word);
  },
  async inStyle(asked) {
    const { text, style, ...options } = styleSchema.parse(asked);
    const { inStyle } = await onRequest();
    return inStyle(text, style, options);
  },
  async shape(asked) {
    const { text, settings, ...options } = shapeSchema.parse(asked);
    const { shapeOfText } = await onRequest();
    return shapeOfText(text, settings, options);
  },
  async compare(asked) {
    const { before, after, ...options } = compareSchema.parse(asked);
    const { compareDrafts, findingsBetween } = await onRequest();
    const drafts = compareDrafts({ ...options, text: before }, { ...options, text: after });
    return {
      comparison: drafts.comparison,
      before: drafts.before.report,
      after: drafts.after.report,
      findings: findingsBetween(drafts.comparison, drafts.before, drafts.after),
    };
  },
  async earlier(asked) {
    const text = z.string().parse(asked);
    const { roundsIn } = await onRequest();
    return roundsIn(text);
  },
};

function piece(steps: Generator<Report | null, Report>): { report: Report | null; more: boolean } {
  const end = performance.now() + PIECE;
  for (;;) {
    const { done, value } = steps.next();
    if (done) search = null;
    if (done || value || performance.now() > end) return { report: value, more: !done };
  }
}

expose(worker);
