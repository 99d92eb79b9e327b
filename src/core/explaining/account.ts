import type { CountedPattern, CountedRound } from '../counting/counted.js';
import type { Outcome, Worked } from '../counting/outcome.js';
import type { Step } from '../pattern/instruction.js';
import type { Pattern } from '../pattern/pattern.js';
import { positionAt } from '../text/source.js';
import type { StitchId } from '../vocabulary/stitches.js';
import { ladderOf } from './ladder.js';
import type { AccountStep, RoundAccount } from './schema.js';
import { alike, asOne, stepInWords, stepsInWords, type Speech } from './words.js';

/** How the figures of one round come about: step by step, in plain words, and stitch by stitch. */
export function accountOf({ pattern }: CountedPattern, counted: CountedRound): RoundAccount {
  const { round, verdict } = counted;
  const outcome = counted.trace();
  const speech: Speech = { vocabulary: pattern.terms.used, base: baseStitch(round.steps) };
  const numbering: Numbering = { of: new Map(), count: 0 };
  const steps = accountSteps(outcome.worked, speech, numbering);
  const { edge, into, made } = counted.outcome;
  return {
    part: counted.part.name,
    label: round.label,
    line: positionAt(pattern.source, round.span.from).line,
    verdict,
    edge,
    into,
    made,
    stated: round.stated?.total ?? null,
    sentence: sentenceOf(counted, outcome, speech),
    why: [...(round.doubt?.why ?? [])],
    unclear: unclearIn(pattern, counted),
    steps,
    ladder: round.idle ? null : ladderOf(outcome, speech, numbering.of),
  };
}

/** A sign that is none of writing, counting and bracketing: "✚", "^". */
const MARK = /[^\p{L}\p{N}\s.,:;!?'"’‘“”()[\]{}<>*×+=–—\-/→|&%#@…·•_\\~]/gu;

/** The signs in some words of a pattern that may mean something of its own, with where they stand. */
export function marksIn(text: string): { readonly mark: string; readonly at: number }[] {
  return [...text.matchAll(MARK)].map(({ 0: mark, index }) => ({ mark, at: index }));
}

/** The words that mean something in this hand alone; where not all was understood also those that mean nothing. */
function unclearIn(pattern: Pattern, { round, verdict }: CountedRound): RoundAccount['unclear'] {
  const span = { from: round.bodyFrom, to: round.span.to };
  const means = new Map([...pattern.words, ...pattern.said]);
  const told = [...pattern.source.text.slice(span.from, span.to).matchAll(/\p{L}+/gu)].flatMap(({ 0: word, index }) => {
    const small = word.toLowerCase();
    const known = means.has(small) ? small : small.replace(/s$/, '');
    const sense = means.get(known);
    return sense ? [{ word: known, from: span.from + index, to: span.from + index + word.length, sense }] : [];
  });
  const open = verdict === 'unreadable' || round.unread.length > 0 || round.doubt?.kind === 'passed-over';
  const unknown = open ? pattern.unclear(span).map((one) => ({ ...one, sense: null })) : [];
  const explained = new Set(pattern.legend.map(({ term }) => term));
  const marks = marksIn(pattern.source.text.slice(span.from, span.to)).flatMap(({ mark: word, at }) => {
    const sense = means.get(word) ?? null;
    const asks = sense !== null || ((open || verdict === 'off') && !explained.has(word));
    return asks ? [{ word, from: span.from + at, to: span.from + at + word.length, sense }] : [];
  });
  return [...told, ...marks, ...unknown.filter(({ from }) => !told.some((one) => one.from === from))];
}

/** The numbers of the steps; those that are told as one have one, and are pointed at as one. */
interface Numbering {
  readonly of: Map<Worked, number>;
  count: number;
}

function accountSteps(worked: readonly Worked[], speech: Speech, numbering: Numbering): AccountStep[] {
  const steps: AccountStep[] = [];
  for (const group of alike(worked)) {
    const index = numbering.count;
    numbering.count += 1;
    for (const part of group) numbering.of.set(part, index);
    const one = asOne(group);
    const inner = accountSteps(one.body, speech, numbering);
    const words = stepInWords(one, speech);
    if (words === '') continue;
    steps.push({
      words,
      from: one.step.span.from,
      to: one.step.span.to,
      times: one.times,
      into: one.into * one.times,
      made: one.made * one.times,
      index,
      steps: inner,
    });
  }
  return steps;
}

function sentenceOf(counted: CountedRound, outcome: Outcome, speech: Speech): string {
  const { round } = counted;
  if (round.idle) return 'Nothing is worked here: the round before stays as it is.';
  if (round.brackets.length > 0 && !round.repaired) return 'Not counted, because its brackets or stars do not close.';
  if (counted.verdict === 'unreadable') return 'Not counted, because not every word of it was understood.';
  return figuresIn(counted, upperFirst(stepsInWords(outcome.worked, speech)));
}

/** What is done, with what it uses and makes. */
function figuresIn({ round, outcome: { edge, into, made } }: CountedRound, said: string): string {
  const stated = round.stated?.total;
  if (made === null)
    return stated === undefined
      ? `${said ? `${said}. ` : ''}How many stitches that leaves can't be told from the text.`
      : `${said ? `${said}. ` : ''}That can't be worked out from the text; the stated ${stated} is taken on trust.`;
  if (into === null || edge === null) return `${said}: makes ${made}.`;
  if (into > edge) return `${said}: uses ${into} where there ${edge === 1 ? 'is' : 'are'} ${edge}, makes ${made}.`;
  const used = into < edge ? `${into} of ${edge}` : edge === 1 ? 'the one there is' : `all ${edge}`;
  return `${said}: uses ${used}, makes ${made}.`;
}

function upperFirst(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** The stitch that the plain stitches of a round are of; a bare increase or decrease is of the same. */
function baseStitch(steps: readonly Step[]): StitchId {
  for (const step of steps) {
    if (step.kind === 'repeat') {
      const inner = baseStitch(step.body);
      if (inner !== 'step1') return inner;
    } else if (step.kind === 'work' && step.stitch !== null && step.stitch !== 'slip' && step.over === 1)
      return step.stitch;
  }
  return 'step1';
}
