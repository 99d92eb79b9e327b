import * as z from 'zod/mini';
import {
  accountSchema,
  hookSlipSchema,
  meaningsSchema,
  NO_HAND,
  overviewSchema,
  proposedSchema,
  styledSchema,
  triedSchema,
  type CheckOptions,
  type Hand,
  type HookSlip,
  type Meanings,
  type Overview,
  type Proposed,
  type Report,
  type RoundAccount,
  type Styled,
  type Tried,
} from '../../core/index.js';
import type { EarlierRound } from '../../core/onRequest.js';
import { Hearing, toldSchema } from './hearing.js';
import type { Piece } from './pieces.js';
import { GaveUp, ON_REQUEST, Unfetched, WatchedWorker } from './watched.js';

/** Wait after a check before fixes are searched for; and before a text is tried after one that was given up. Milliseconds. */
const PAUSE = 150;
const PAUSE_AFTER_FAILURE = 1000;

const slipsSchema = z.array(hookSlipSchema);
const searchedSchema = z.object({ told: z.nullable(toldSchema), more: z.boolean() });
const earlierSchema = z.array(z.object({ part: z.string(), label: z.string(), words: z.string() }));

/** Why a text was not checked: it was given up, failed by a fault of our own, or its code could not be fetched. */
export type CheckTrouble = 'gave-up' | 'failed' | 'unfetched';
/** What the check is doing: nothing more to do, at work, or in trouble. */
export type CheckState = 'done' | 'busy' | CheckTrouble;

/** Whether there are no figures of a text, and won't be. */
export function inTrouble(state: CheckState): state is CheckTrouble {
  return state !== 'done' && state !== 'busy';
}

function troubleOf(error: unknown): CheckTrouble {
  if (error instanceof GaveUp) return 'gave-up';
  return error instanceof Unfetched ? 'unfetched' : 'failed';
}

export interface CheckListener {
  /**
   * A report on a text; with the fixes that were found for it where it comes a second time. `newest`: nothing was asked since.
   */
  readonly told: (report: Report, text: string, newest: boolean) => void;
  readonly state: (state: CheckState) => void;
  /** Where the caret is, as an offset: fixes are searched from there. */
  readonly near?: () => number;
}

/** A text that is to be checked; once more and with patience, where it was given up before. */
interface Asked {
  readonly text: string;
  readonly name: string;
  readonly patient: boolean;
}

/**
 * Checks texts in a worker, one at a time. While one is being checked only the newest of those that
 * came after it is kept: what nobody sees any more is never checked. After a pause a report
 * is told again with the fixes that were found for it. A text that takes too long is given up, and
 * tried once more for much longer as long as no other comes; the next one is tried once its writer pauses.
 */
export class Checker {
  readonly #worker: WatchedWorker;
  readonly #listener: CheckListener;
  #options: CheckOptions;
  #waiting: Asked | null = null;
  #busy = false;
  #patient = false;
  /** How many checks have begun. */
  #checks = 0;
  #state: CheckState = 'done';
  #timer: ReturnType<typeof setTimeout> | undefined;
  readonly #heard = new Hearing();

  /** @param options the vocabulary that has been settled for the pattern, and how its rules are set. */
  constructor(listener: CheckListener, options: CheckOptions, worker = new WatchedWorker()) {
    this.#listener = listener;
    this.#options = options;
    this.#worker = worker;
  }

  /** From now on the words of this hand mean what is given. */
  setHand(hand: Hand): void {
    this.#options = { ...this.#options, hand };
  }

  /** From now on the text is read in the vocabulary that is settled. */
  setTerms(terms: CheckOptions['terms']): void {
    this.#options = { ...this.#options, terms };
  }

  /** What a word of the text that was checked last could mean; null where there is no such text. */
  async meanings(word: string): Promise<Meanings | null> {
    return z.nullable(meaningsSchema).parse(await this.#worker.ask((remote) => remote.meanings(word), ON_REQUEST));
  }

  /** What was understood of the text that was checked last, besides its rounds; null where there is no such text. */
  async overview(): Promise<Overview | null> {
    return z
      .nullable(overviewSchema)
      .parse(await this.#worker.ask((remote) => remote.overview(), { needs: 'understanding' }));
  }

  check(text: string, name: string): void {
    this.#ask({ text, name, patient: false });
  }

  /** How the figures of a round of the text that was checked last come about. */
  async account(round: number): Promise<RoundAccount | null> {
    return z.nullable(accountSchema).parse(await this.#worker.ask((remote) => remote.account(round)));
  }

  /** Which slips of the maker explain another count on the hook. */
  async slips(round: number, onHook: number): Promise<HookSlip[]> {
    return slipsSchema.parse(await this.#worker.ask((remote) => remote.slips({ round, onHook }), ON_REQUEST));
  }

  /** A query on a finding of the text that was checked last, by its key; or at some of its words, by their offsets. */
  async query(about: string | { readonly from: number; readonly to: number }): Promise<Proposed | null> {
    return z.nullable(proposedSchema).parse(await this.#worker.ask((remote) => remote.query(about), ON_REQUEST));
  }

  /** What comes of a figure in the round at some words of the text that was checked last. */
  async tried(at: { readonly from: number; readonly to: number }, figure: number): Promise<Tried | null> {
    return z
      .nullable(triedSchema)
      .parse(await this.#worker.ask((remote) => remote.tried({ ...at, figure }), ON_REQUEST));
  }

  /** A text in house style, proved to alter no count. */
  async inStyle(text: string): Promise<Styled> {
    const { terms, hand = NO_HAND, style } = this.#options;
    const asked = { text, terms, hand, style: { ...style } };
    return styledSchema.parse(await this.#worker.ask((remote) => remote.inStyle(asked), ON_REQUEST));
  }

  /** The rounds of an earlier text, with their words. */
  async earlier(text: string): Promise<EarlierRound[]> {
    return earlierSchema.parse(await this.#worker.ask((remote) => remote.earlier(text), ON_REQUEST));
  }

  close(): void {
    clearTimeout(this.#timer);
    this.#worker.close();
  }

  #ask(asked: Asked): void {
    this.#waiting = asked;
    if (this.#patient) this.#worker.interrupt();
    if (this.#busy) return;
    clearTimeout(this.#timer);
    if (inTrouble(this.#state)) this.#timer = setTimeout(() => void this.#run(), PAUSE_AFTER_FAILURE);
    else void this.#run();
  }

  async #run(): Promise<void> {
    this.#busy = true;
    for (let asked = this.#next(); asked; asked = this.#next()) {
      this.#patient = asked.patient;
      this.#checks += 1;
      if (!asked.patient) this.#become('busy');
      try {
        const { text } = asked;
        const report = await this.#checked(asked);
        this.#become('done');
        this.#listener.told(report, text, this.#waiting === null);
        clearTimeout(this.#timer);
        if (report.findings.some(({ fixes }) => fixes.length === 0))
          this.#timer = setTimeout(() => void this.#fix(text), PAUSE);
      } catch (error) {
        this.#heard.forget();
        const trouble = troubleOf(error);
        this.#become(trouble);
        if (trouble === 'gave-up' && !asked.patient) this.#waiting ??= { ...asked, patient: true };
        break;
      }
    }
    this.#busy = false;
    this.#patient = false;
    // What came meanwhile waits for its writer to pause.
    if (this.#waiting) this.#ask(this.#waiting);
  }

  async #checked({ text, name, patient }: Asked): Promise<Report> {
    const { terms, hand = NO_HAND, rules, style } = this.#options;
    const asked = { text, name, terms, hand, rules: { ...rules }, style: { ...style } };
    const check = (needs?: Piece) =>
      this.#worker.ask((remote) => remote.check({ ...asked, known: this.#heard.known }), {
        patient,
        ...(needs && { needs }),
      });
    // Most texts are read without what reads them by their series.
    return this.#heard.hear(toldSchema.parse((await check()) ?? (await check('series'))));
  }

  /**
   * The search for fixes waits for a pause, and gives way to whatever comes, so that it never holds up a verdict; without them the
   * report stands as it is.
   */
  async #fix(text: string): Promise<void> {
    const near = this.#listener.near?.() ?? 0;
    const checks = this.#checks;
    for (let more = true; more && this.#checks === checks;) {
      const piece = await this.#worker
        .ask((remote) => remote.search({ near, known: this.#heard.known }), { needs: 'fixing' })
        .catch(() => null);
      const read = z.nullable(searchedSchema).safeParse(piece);
      if (!read.data) this.#heard.forget();
      const report = read.data?.told ? this.#heard.hear(read.data.told) : null;
      // Another text is being checked by now.
      if (!read.data || this.#checks !== checks) return;
      if (report) this.#listener.told(report, text, true);
      ({ more } = read.data);
    }
  }

  #become(state: CheckState): void {
    if (state === this.#state) return;
    this.#state = state;
    this.#listener.state(state);
  }

  #next(): Asked | null {
    const asked = this.#waiting;
    this.#waiting = null;
    return asked;
  }
}
