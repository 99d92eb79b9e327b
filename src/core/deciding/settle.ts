import type { CountedPattern } from '../counting/counted.js';
import { countPattern } from '../counting/count.js';
import type { Instruction, Round } from '../pattern/pattern.js';
import { retaken } from '../pattern/retaken.js';
import type { Units } from '../reading/page/unit.js';
import { TextReader, type ReadOptions } from '../reading/read.js';
import { evidenceOf } from './evidence.js';
import { doubtOf } from './why.js';

const MOST_PASSES = 2;
/** A round of which no label is seen proves so much of one that has a label: the label may not have been understood. */
const WITHOUT_LABEL = 0.8;
/** A longer text is read by the forms that are known alone; characters. */
export const LONGEST = 60_000;

/** Reads a text in one way, and what is left in doubt by the evidence of all its rounds. */
export function readingOf(reader: TextReader, text: string, options: ReadOptions, units?: Units): CountedPattern {
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
export function proofOf({ rounds }: CountedPattern): number {
  return rounds.reduce((sum, { round, verdict }) => {
    const { from, to } = round.labelSpan;
    const proved = verdict === 'agrees' ? 1 : verdict === 'counted' ? 0.5 : 0;
    return sum + proved * (round.labelled && to > from ? 1 : WITHOUT_LABEL);
  }, 0);
}
