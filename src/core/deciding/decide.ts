import type { CountedPattern } from '../counting/counted.js';
import { countPattern } from '../counting/count.js';
import type { Instruction, Round } from '../pattern/pattern.js';
import { retaken } from '../pattern/retaken.js';
import type { Units } from '../reading/page/unit.js';
import { TextReader, type ReadOptions } from '../reading/read.js';
import { evidenceOf } from './evidence.js';
import { doubtOf } from './why.js';

/** A text of which so great a share of the rounds comes out is read rightly, and not tried otherwise. */
const ENOUGH = 0.9;
/** A reading by series has to prove so many rounds at the least: fewer may come out by chance. */
const FEWEST = 4;
/** So many rounds more have to come out by the series. */
const MARGIN = 1;
/** Where so many lines among the rounds look like rounds too, a text may be meant otherwise than its labels say. */
const FEW_MISSED = 2;
const MOST_PASSES = 2;
const MOST_WAYS = 3;
/** So great a share of the rounds comes out in a reading that is not to be bettered. */
const PLAIN = 0.95;
/** A stated count promises a part of a round that comes out. */
const PROMISE = 0.3;
/** A round of which no label is seen proves so much of one that has a label: the label may not have been understood. */
const WITHOUT_LABEL = 0.8;
/** So much of a line that is not understood is looked at for the number of a round; characters. */
const LONGEST_LINE = 200;
/** A longer text is read by the forms that are known alone; characters. */
const LONGEST = 60_000;

/**
 * Reads and counts a text. Where little of it comes out by the forms that are known it is read by its series of numbers as
 * well, and the reading stands under which most rounds come out.
 */
export function decide(text: string, options: ReadOptions = { terms: 'auto' }): CountedPattern {
  const reader = new TextReader(text, options);
  const known = readingOf(reader, text, options);
  const proved = proofOf(known);
  const gap = leavesGap(known) || hidesLabel(known);
  const enough = known.rounds.length >= FEWEST && proved >= known.rounds.length * ENOUGH && !gap;
  if (text.length > LONGEST || (enough && reader.missed(known.pattern) < FEW_MISSED)) return known;
  // What is read by known forms to the last round stands, unless more than a round or so speaks against it.
  const unread = known.rounds.some(({ verdict }) => verdict === 'unreadable');
  const margin = proved >= FEWEST && !gap && !unread ? MARGIN : 0;
  let best = { counted: known, proved: Math.max(proved + margin, FEWEST - 1) };
  for (const units of likeliest(reader)) {
    const counted = readingOf(reader, text, options, units);
    const also = proofOf(counted);
    if (also > best.proved) best = { counted, proved: also };
    // A reading under which nearly all comes out is not bettered.
    if (also >= counted.rounds.length * PLAIN) break;
  }
  return best.counted;
}

/** A round may be told here: it needs a figure, or what it is worked into. */
const MAY_BEGIN = /\d|(?<!\p{L})(?:ring|loop|circle|ch|chains?)(?!\p{L})/iu;

/** Whether the number of a round is missing between two others, and stands in the text there: its line was not understood. */
function leavesGap({ pattern }: CountedPattern): boolean {
  const { text } = pattern.source;
  let done = 0;
  return pattern.parts.some(({ stretches }) =>
    stretches.some((stretch) => {
      const rounds = stretch.rounds.filter(({ labelled }) => labelled);
      const above = text.slice(done, stretch.rounds[0]?.span.from ?? done);
      done = stretch.rounds.at(-1)?.span.to ?? done;
      // "Commence with 2 ch.; …" above "2nd rnd": the first one has no number.
      if (stretch.rounds[0]?.from === 2 && stretch === stretches[0] && MAY_BEGIN.test(above)) return true;
      return rounds.some((round, i) => {
        const before = rounds[i - 1];
        if (!before || round.from <= before.to + 1) return false;
        const between = text.slice(before.span.to, round.span.from);
        return new RegExp(`(?<!\\d)${before.to + 1}(?!\\d)`).test(between);
      });
    }),
  );
}

/** "stuff + close: 13) dec x6" behind round 12: the number that comes next, in words that are of no round or not understood. */
function hidesLabel({ pattern, rounds }: CountedPattern): boolean {
  const { text } = pattern.source;
  let next: Round | undefined;
  for (const { round, verdict } of rounds.toReversed()) {
    const { to } = round.span;
    if (round.labelled && !(next?.labelled && next.from === round.to + 1)) {
      const behind = text.slice(to, Math.min(next?.span.from ?? text.length, to + LONGEST_LINE));
      if (new RegExp(`(?<![\\d.])${round.to + 1}[).:][^\\S\\n]*\\S`).test(behind)) return true;
    }
    // What is not understood may hold what is looked for.
    if (round.labelled || verdict !== 'unreadable') next = round;
  }
  return false;
}

/** The ways to take a text by its series under which most comes out at first sight; the others are not looked into. */
function likeliest(reader: TextReader): Units[] {
  const ways = reader.ways().map((units) => {
    const counted = countPattern(reader.read(units).pattern);
    const stated = units.units.filter((unit) => unit.stated !== null).length;
    return { units, rating: proofOf(counted) + stated * PROMISE };
  });
  ways.sort((a, b) => b.rating - a.rating);
  return ways.slice(0, MOST_WAYS).map(({ units }) => units);
}

/** Reads a text in one way, and what is left in doubt by the evidence of all its rounds. */
function readingOf(reader: TextReader, text: string, options: ReadOptions, units?: Units): CountedPattern {
  const first = reader.read(units);
  const counted = countPattern(first.pattern);
  if (text.length > LONGEST || counted.rounds.every(({ verdict }) => verdict !== 'unreadable' && verdict !== 'off'))
    return counted;
  const evidence = evidenceOf(counted, first.gists);
  const { words } = evidence;
  let { readings } = evidence;
  let reading = first;
  let settled = counted;
  if (words.size > 0) {
    reading = new TextReader(text, options, words).read(units);
    settled = countPattern(reading.pattern);
    ({ readings } = evidenceOf(settled, reading.gists));
  }
  for (let pass = 1; readings.size > 0; pass += 1) {
    const before = settled;
    settled = countPattern(retaken(settled.pattern, readings));
    // What one round is taken for lets others come out that refer to it, and shows of others that they don't.
    const open = settled.rounds.some(({ verdict }, i) => {
      const was = before.rounds[i]?.verdict;
      return verdict === 'unreadable' || (verdict === 'off' && was !== 'off' && was !== 'unreadable');
    });
    if (pass === MOST_PASSES || !open) break;
    ({ readings } = evidenceOf(settled, reading.gists));
  }
  return withWordsTold(settled);
}

/** The rounds that a worked-out word stands in say so. */
function withWordsTold(counted: CountedPattern): CountedPattern {
  const { pattern, rounds } = counted;
  if (pattern.words.size === 0) return counted;
  const readings = new Map<Round, Instruction>();
  for (const { round } of rounds) {
    if (round.unread.length > 0) continue;
    const said = new Set(
      pattern.source.text
        .slice(round.bodyFrom, round.span.to)
        .toLowerCase()
        .match(/\p{L}+/gu),
    );
    const senses = new Map([...pattern.words].filter(([word]) => said.has(word) || said.has(`${word}s`)));
    const words = doubtOf(senses, [], [], false);
    if (!words) continue;
    const why = [...words.why, ...(round.doubt?.why ?? []).filter((one) => !words.why.includes(one))];
    readings.set(round, { ...round, doubt: { kind: round.repaired ? 'repaired' : 'worked-out', why } });
  }
  return readings.size === 0 ? counted : countPattern(retaken(pattern, readings));
}

/**
 * How many rounds come out: those whose count is stated and is what they make. One that fits and states none proves half as
 * much, since another reading might fit too.
 */
function proofOf({ rounds }: CountedPattern): number {
  return rounds.reduce((sum, { round, verdict }) => {
    const { from, to } = round.labelSpan;
    const proved = verdict === 'agrees' ? 1 : verdict === 'counted' ? 0.5 : 0;
    return sum + proved * (round.labelled && to > from ? 1 : WITHOUT_LABEL);
  }, 0);
}
