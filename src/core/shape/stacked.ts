import type { CountedRound } from '../counting/counted.js';
import type { Amount, Repeat, Work } from '../pattern/instruction.js';
import type { Pattern, Round } from '../pattern/pattern.js';
import type { Span } from '../text/source.js';
import { cardinal, writtenLike } from '../vocabulary/numbers.js';

/** A round as (plain n, shaping) × times, or the other way round. */
export interface Wedges {
  readonly times: number;
  readonly plain: number;
  readonly first: boolean;
  readonly increases: boolean;
  /** The step of the plain stitches, and that of the shaping; the first is missing where there are none. */
  readonly steps: { readonly plain: Work | null; readonly shaping: Work };
}

/** The wedges that a round is worked in, where it is nothing but one shaping in each of several equal stretches. */
export function wedgesOf({ round, outcome }: CountedRound): Wedges | null {
  const fabric = round.steps.filter(({ kind }) => kind === 'work' || kind === 'repeat' || kind === 'group');
  const only = fabric[0];
  const steps = fabric.length === 1 && only?.kind === 'repeat' ? wedgeSteps(only) : null;
  if (!steps || only?.kind !== 'repeat') return null;
  const { plain, shaping } = steps;
  const size = timesOf(plain?.amount) ?? 0;
  const times = timesOf(only.amount) ?? (outcome.into ?? 0) / (size + shaping.over);
  if (!Number.isInteger(times) || times < 3) return null;
  return { times, plain: size, first: only.body[0] === shaping, increases: shaping.per > shaping.over, steps };
}

/** One shaping, done once, with or without plain stitches before or behind it. */
function wedgeSteps({ body }: Repeat): Wedges['steps'] | null {
  const works = body.filter((step): step is Work => step.kind === 'work');
  const shaping = works.find(({ per, over }) => per !== over);
  const [plain = null, ...others] = works.filter(({ per, over }) => per === 1 && over === 1);
  if (!shaping || timesOf(shaping.amount) !== 1 || others.length > 0) return null;
  return works.length === body.length && works.length === (plain ? 2 : 1) ? { plain, shaping } : null;
}

function timesOf(amount: Amount | null | undefined): number | null {
  return amount?.kind === 'times' ? amount.times : null;
}

/** From so many rounds on the corners show. */
const SHOWS = 3;

/** A round whose shapings stand in line with those of the rounds around it. */
export interface StackedRound {
  readonly counted: CountedRound;
  readonly wedges: Wedges;
}

/** Runs of rounds of one part whose shapings stand above each other often enough to make corners. */
export function stackedRuns(rounds: readonly CountedRound[]): StackedRound[][] {
  const runs: StackedRound[][] = [];
  let run: StackedRound[] = [];
  const finish = () => {
    if (run.length >= SHOWS) runs.push(run);
  };
  for (const counted of rounds) {
    const wedges = wedgesOf(counted);
    const before = run.at(-1)?.wedges;
    if (wedges && before && above(before, wedges)) run.push({ counted, wedges });
    else {
      finish();
      run = wedges ? [{ counted, wedges }] : [];
    }
  }
  finish();
  return runs;
}

/** Whether the shapings of a round go into those of the round before. */
function above(before: Wedges, { times: often, plain, first, increases }: Wedges): boolean {
  if (often !== before.times || first !== before.first || increases !== before.increases) return false;
  return plain === before.plain + (increases ? 1 : -1);
}

/** A change of the text: each span is replaced by its text. */
export interface Edits {
  readonly rounds: readonly Round[];
  readonly edits: readonly { readonly span: Span; readonly text: string }[];
}

/**
 * What takes the corners of a run away: every second of its rounds with its repeats shifted by half, so that its shapings
 * come in the middle of the plain stitches. Each changed round is read again, and must make what it made before.
 * @returns null where no round of it can be written so.
 */
export function shifted(pattern: Pattern, run: readonly StackedRound[]): Edits | null {
  for (const which of [1, 0]) {
    const edits = run.map((stacked, i) => (i % 2 === which ? shiftOf(pattern, stacked) : null));
    if (inLine(edits) >= SHOWS) continue;
    return {
      rounds: run.flatMap(({ counted }, i) => (edits[i] ? [counted.round] : [])),
      edits: edits.filter((edit) => edit !== null),
    };
  }
  return null;
}

/** How many rounds on end are left as they are, at the most. */
function inLine(edits: readonly unknown[]): number {
  let [most, now] = [0, 0];
  for (const edit of edits) {
    now = edit ? 0 : now + 1;
    most = Math.max(most, now);
  }
  return most;
}

function shiftOf(pattern: Pattern, { counted, wedges }: StackedRound): Edits['edits'][number] | null {
  const { plain, shaping } = wedges.steps;
  if (!plain || wedges.plain < 2) return null;
  const { text } = pattern.source;
  const [one, two] = wedges.first ? [shaping, plain] : [plain, shaping];
  const between = text.slice(one.span.to, two.span.from);
  // "sc 3 then inc": words between them that are none of the usual marks can't be written twice.
  if (!/^[\s,;+&-]*$/u.test(between)) return null;
  const before = Math.floor(wedges.plain / 2);
  const words = text.slice(plain.span.from, plain.span.to);
  const [head, tail] = [ofSoMany(words, wedges.plain, before), ofSoMany(words, wedges.plain, wedges.plain - before)];
  if (head === null || tail === null) return null;
  const middle = text.slice(shaping.span.from, shaping.span.to);
  const gap = between.trim() === '' && between === '' ? ', ' : between;
  const span = { from: one.span.from, to: two.span.to };
  const edit = { span, text: `${head}${gap}${middle}${gap}${tail}` };
  return comesOut(pattern, counted, edit) ? edit : null;
}

/** Words of so many plain stitches, for another number of them; null where they hold no figure. */
function ofSoMany(words: string, many: number, wanted: number): string | null {
  const figure = [...words.matchAll(/\d+|(?<!\p{L})\p{L}{3,9}(?!\p{L})/gu)].find(
    ([found]) => (/^\d/.test(found) ? Number(found) : cardinal(found.toLowerCase())) === many,
  );
  if (!figure) return null;
  const [found] = figure;
  const changed = words.slice(0, figure.index) + writtenLike(wanted, found) + words.slice(figure.index + found.length);
  return wanted === 1
    ? changed.replace(/(?:each of )?((?:the )?next) (?:1|one) (st|stitch|sc|dc|hdc|htr)(?:e?s)?(?!\p{L})/u, '$1 $2')
    : changed;
}

/** Whether a changed round is read, fits, and makes what it made before, with its shapings where they are wanted. */
function comesOut({ source, readAgain }: Pattern, counted: CountedRound, edit: Edits['edits'][number]): boolean {
  const { round, outcome } = counted;
  const { from, to } = edit.span;
  const body = source.text.slice(round.bodyFrom, from) + edit.text + source.text.slice(to, round.span.to);
  const again = readAgain(body, round);
  if (again.unread.length > 0) return false;
  const other = counted.instead(again);
  return other.misfits.length === 0 && other.obstacles.length === 0 && other.made === outcome.made && isShifted(again);
}

/** Whether plain stitches stand on both sides of the shaping. */
function isShifted({ steps }: Pick<Round, 'steps'>): boolean {
  const repeat = steps.find((step) => step.kind === 'repeat');
  return repeat?.kind === 'repeat' && repeat.body.length === 3;
}
