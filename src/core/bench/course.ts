import { roundsByPart, type CountedPattern, type CountedRound } from '../counting/counted.js';
import { unheaded, type Document } from '../document/document.js';
import type { Talk } from '../document/prose.js';
import { accountOf } from '../explaining/account.js';
import { slipsFor } from '../explaining/hook.js';
import type { AccountStep } from '../explaining/schema.js';
import type { Part, Pattern, Round } from '../pattern/pattern.js';
import { positionAt, type SourceText } from '../text/source.js';
import type { BenchPart, BenchRound, BenchStep, Course, Instruction } from './schema.js';

/** Further off than this no single slip explains a count: the round is counted again. */
const FARTHEST_OFF = 6;
/** More rounds than one label stands for. */
const MOST_OF_A_LABEL = 500;

/**
 * A pattern as it is followed at the bench, with all that may be asked on the way: made once, it needs no reader
 * afterwards.
 * @param name the title where the text has none.
 */
export function courseOf(counted: CountedPattern, talk: readonly Talk[], document: Document, name: string): Course {
  const { pattern, rounds } = counted;
  const { parts, source, terms } = pattern;
  const byPart = roundsByPart(rounds);
  const instructions: Instruction[] = [];
  let first = 0;
  const made = parts.map((part): BenchPart => {
    const own = byPart.get(part) ?? [];
    const from = first;
    first += own.length;
    const lines = linesIn(talk, part);
    return {
      name: part.name,
      make: part.make,
      line: positionAt(source, part.heading.from).line,
      before: lines(null),
      rounds: own.flatMap((round, i) => {
        instructions.push(instructionOf(counted, round));
        return roundsOf(round, from + i, instructions.length - 1, lines(round.round), source);
      }),
    };
  });
  const materials = document.materials.length > 0 ? document.materials : unheaded(parts, talk);
  return {
    title: pattern.title ?? name,
    terms: terms.used,
    before: frontOf(pattern),
    after: backOf(pattern),
    yarns: [...new Set(materials.filter(({ kind }) => kind === 'yarn').map((yarn) => yarn.name))],
    instructions,
    parts: made.filter(({ rounds: some }) => some.length > 0),
  };
}

/** The lines of a part behind a round, or before its first: words inside of a round stand among its own. */
function linesIn(talk: readonly Talk[], part: Part): (after: Round | null) => string[] {
  const own = talk.filter((one) => one.part === part);
  return (after) =>
    own
      .filter((one) => one.after === after && (after === null || one.span.from >= after.span.to))
      .map(({ text }) => onOneLine(text).trim())
      .filter((text) => text !== '');
}

/** All that stands above the first part, the title left out. */
function frontOf({ source, title, parts }: Pattern): string[] {
  const end = parts[0]?.heading.from ?? source.text.length;
  return source.text
    .slice(0, end)
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '' && line !== title);
}

/** What stands behind the first part and belongs to none: assembly, notes, with their headings. */
function backOf({ source, parts, sections, passages }: Pattern): string[] {
  const begin = parts[0]?.heading.to ?? source.text.length;
  const headings = sections.map(({ heading }) => heading);
  return [...headings, ...passages.filter(({ part }) => part === null).map(({ span }) => span)]
    .filter(({ from }) => from >= begin)
    .sort((a, b) => a.from - b.from)
    .map(({ from, to }) => onOneLine(source.text.slice(from, to)).trim())
    .filter((line) => line !== '');
}

/** As long as before: places in it stay where they are. */
function onOneLine(text: string): string {
  return text.replace(/\s/gu, ' ');
}

function instructionOf(counted: CountedPattern, round: CountedRound): Instruction {
  const { bodyFrom, span } = round.round;
  const { text } = counted.pattern.source;
  const begin = bodyFrom + (/^[\s:]*/.exec(text.slice(bodyFrom, span.to))?.[0].length ?? 0);
  const account = accountOf(counted, round);
  const { made } = round.outcome;
  const offs = Array.from({ length: 2 * FARTHEST_OFF + 1 }, (_, i) => i - FARTHEST_OFF);
  return {
    words: onOneLine(text.slice(begin, span.to)),
    sentence: account.sentence,
    steps: account.steps.map((step) => stepAt(step, begin, span.to)),
    ladder: account.ladder,
    slips:
      made === null
        ? []
        : offs
            .filter((off) => off !== 0 && made + off >= 0)
            .map((off) => ({ off, slips: slipsFor(counted, round, made + off) }))
            .filter(({ slips }) => slips.length > 0),
  };
}

/** A step with its place among the words of the round; one whose words stand elsewhere has none. */
function stepAt({ from, to, times, made, steps }: AccountStep, begin: number, end: number): BenchStep {
  const inside = from >= begin && to <= end;
  return {
    from: inside ? from - begin : 0,
    to: inside ? to - begin : 0,
    times,
    made,
    steps: steps.map((step) => stepAt(step, begin, end)),
  };
}

/** The rounds that a label stands for, one by one; the last of them has what is said behind it. */
function roundsOf(
  counted: CountedRound,
  index: number,
  instruction: number,
  then: string[],
  source: SourceText,
): BenchRound[] {
  const { round, outcome, carried } = counted;
  const works = counted.works();
  const count = Math.min(MOST_OF_A_LABEL, Math.max(1, round.numbers.length, works.length));
  const [first, last] = [round.numbers[0], round.numbers.at(-1)];
  let edge = outcome.starts ? null : (works[0]?.edge ?? outcome.edge);
  return Array.from({ length: count }, (_, i): BenchRound => {
    const made = i === count - 1 ? (outcome.made ?? carried) : (works[Math.min(i, works.length - 1)]?.made ?? null);
    const one: BenchRound = {
      round: index,
      line: positionAt(source, round.span.from).line,
      label: source.text.slice(round.labelSpan.from, round.labelSpan.to).trim() || round.label,
      kind: round.kind,
      number: round.numbers[i] ?? null,
      range: count > 1 && first !== undefined && last !== undefined ? [first, last] : null,
      edge,
      made,
      off: i === count - 1 && counted.verdict === 'off',
      instruction,
      then: i === count - 1 ? then : [],
    };
    edge = made;
    return one;
  });
}
