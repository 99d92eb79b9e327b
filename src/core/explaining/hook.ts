import type { CountedPattern, CountedRound } from '../counting/counted.js';
import type { Worked } from '../counting/outcome.js';
import type { Step } from '../pattern/instruction.js';
import type { HookSlip } from './schema.js';
import { longName, type Vocabulary } from '../vocabulary/stitches.js';

/** What a round is made of, as far as it tells which slips are possible. */
interface Makeup {
  readonly increases: number;
  readonly decreases: number;
  /** The round is closed with a slip stitch, or begun with a chain that doesn't count. */
  readonly joined: boolean;
  readonly chained: boolean;
  /** Repeats in it: what one pass uses and makes, and how often. */
  readonly repeats: readonly { readonly into: number; readonly made: number; readonly times: number }[];
  readonly plain: boolean;
}

/**
 * Which single slips of the maker explain that another count is on the hook than the round makes; the likeliest
 * first, each with how to go on without undoing more than needs be.
 * @param onHook stitches counted after the round.
 * @returns empty where the counts agree, or no single slip explains the difference.
 */
export function slipsFor({ pattern }: CountedPattern, counted: CountedRound, onHook: number): HookSlip[] {
  const { made, edge } = counted.outcome;
  if (made === null || onHook === made) return [];
  const outcome = counted.trace();
  const makeup = makeupOf(outcome.worked);
  const difference = onHook - made;
  const words = new Wording(pattern.terms.used);
  const slips = difference < 0 ? tooFew(-difference, makeup, edge, words) : tooMany(difference, makeup, edge, words);
  return slips.sort((a, b) => b.weight - a.weight).map(({ what, mend }) => ({ what, mend }));
}

interface Weighed extends HookSlip {
  readonly weight: number;
}

function tooFew(missing: number, makeup: Makeup, edge: number | null, words: Wording): Weighed[] {
  const slips: Weighed[] = [];
  const say: Say = (weight, what, mend) => void slips.push({ weight, what, mend });
  if (makeup.increases >= missing)
    say(
      missing === 1 ? 10 : 8 - missing,
      missing === 1
        ? 'One increase was worked as a single stitch.'
        : `${missing} increases were worked as single stitches.`,
      `Find where the distance between two increases is too long, and put a second stitch there before the next round; or work ${words.stitches(missing)} more in the next round, at the same place.`,
    );
  for (const { into, made, times } of makeup.repeats) {
    if (made === missing && times > 1)
      say(
        7,
        `The repeat was worked ${times - 1} times instead of ${times}, and ${words.stitches(into)} of the round before were passed over.`,
        'Look for a stretch without the shaping; this one is worth undoing, since it shows.',
      );
    if (missing === made - into && times > 1 && made > into)
      say(
        6,
        'In one repeat the increase was left out.',
        `Work it in now: one more stitch in the ${words.name} where it is missing.`,
      );
  }
  if (missing === 1) oneTooFew(makeup, words, say);
  if (edge !== null && makeup.plain && missing > 1 && missing <= edge / FEW)
    say(
      4,
      `The round before has ${words.stitches(missing)} too few already.`,
      'Count that one first: if it is short, this round is right and the slip lies further down.',
    );
  return slips;
}

/** Tells of a slip how likely it is, what was done, and how to go on. */
type Say = (weight: number, what: string, mend: string) => void;

function oneTooFew(makeup: Makeup, words: Wording, say: Say): void {
  if (makeup.decreases > 0)
    say(
      6,
      'A decrease took three stitches together instead of two.',
      'Work two into the tight stitch in the next round.',
    );
  say(
    5,
    'The last stitch of the round was not worked, because the marker had moved one stitch on.',
    'Work one more stitch, then set the marker anew: the first stitch of the next round is the one after it.',
  );
  say(
    3,
    `A stitch of the round before was passed over.`,
    `Put one ${words.name} into it from the front when you come by in the next round, as an increase.`,
  );
  if (makeup.joined)
    say(
      4,
      'The first stitch was skipped because the join was taken for it.',
      'Work the next round with its first stitch in the same place as the join.',
    );
}

function tooMany(extra: number, makeup: Makeup, edge: number | null, words: Wording): Weighed[] {
  const slips: Weighed[] = [];
  const say: Say = (weight, what, mend) => void slips.push({ weight, what, mend });
  if (makeup.decreases >= extra)
    say(
      extra === 1 ? 10 : 8 - extra,
      extra === 1 ? 'One decrease was worked as two stitches.' : `${extra} decreases were worked as two stitches each.`,
      `Decrease ${extra === 1 ? 'once' : `${extra} times`} more in the next round, at the same place; it will not show.`,
    );
  if (extra === 1) oneTooMany(makeup, say);
  else if (makeup.increases > 0 && extra <= (edge ?? Infinity) - makeup.increases - 2 * makeup.decreases)
    say(
      8 - extra,
      `${extra} increases too many were worked.`,
      `Decrease ${extra} times in the next round, spread out.`,
    );
  for (const { into, made, times } of makeup.repeats)
    if (made === extra)
      say(
        6,
        `The repeat was worked ${times + 1} times instead of ${times}, past the marker.`,
        `Undo ${words.stitches(made)}, which were made over the first ${into} of this very round.`,
      );
  if (edge !== null && makeup.plain && extra > 1 && extra <= edge / FEW)
    say(
      4,
      `The round before has ${words.stitches(extra)} too many already.`,
      'Count that one first: if it is long, this round is right and the slip lies further down.',
    );
  return slips;
}

/** A round before that is out by more than this part of itself would have been seen. */
const FEW = 3;

function oneTooMany(makeup: Makeup, say: Say): void {
  if (makeup.joined)
    say(
      9,
      'The slip stitch that closes the round was counted, or worked into, as a stitch.',
      'Leave it out of the count, and pass over it in the next round.',
    );
  if (makeup.chained)
    say(7, 'The starting chain was counted as a stitch.', 'It does not count here: do not work into its top.');
  say(
    6,
    'The round went one stitch too far, because the marker had moved back by one.',
    'Undo the last stitch, then set the marker in the first stitch of the next round.',
  );
  if (makeup.increases > 0)
    say(
      5,
      'One increase has three stitches instead of two.',
      'Undo back to it where it is near; else decrease once in the next round, right above it.',
    );
  say(
    3,
    'Two stitches were worked into one without an increase being called for.',
    'Decrease once in the next round, right above them.',
  );
}

function makeupOf(worked: readonly Worked[]): Makeup {
  let increases = 0;
  let decreases = 0;
  const repeats: Makeup['repeats'][number][] = [];
  const has = (kind: Step['kind']) => worked.some(({ step }) => step.kind === kind);
  const walk = (some: readonly Worked[], times: number): void => {
    for (const { step, times: often, into, made, body } of some) {
      if (step.kind === 'repeat') {
        repeats.push({ into, made, times: often });
        walk(body, times * often);
      } else if (into === 1 && made > 1) increases += often * times;
      else if (into > 1 && made === 1) decreases += often * times;
    }
  };
  walk(worked, 1);
  const chained = worked.some(({ step, made }) => step.kind === 'chain' && made === 0);
  return { increases, decreases, joined: has('join'), chained, repeats, plain: increases + decreases === 0 };
}

/** Words of the pattern's own vocabulary. */
class Wording {
  readonly name: string;

  constructor(vocabulary: Vocabulary) {
    this.name = longName('step1', vocabulary);
  }

  stitches(count: number): string {
    return `${count} ${count === 1 ? 'stitch' : 'stitches'}`;
  }
}
