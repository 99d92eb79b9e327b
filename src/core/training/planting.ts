import type { CountedRound } from '../counting/counted.js';
import type { AssemblyStep, MakingEvent } from '../document/document.js';
import { smallEdits } from '../fixes/edits.js';
import type { Repeat, Step } from '../pattern/instruction.js';
import type { Part } from '../pattern/pattern.js';
import { lineIndexAt, lineSpan, type Span } from '../text/source.js';
import { HOOKS, hookOf } from '../vocabulary/hooks.js';
import type { Seen } from './clean.js';
import type { FaultKindId } from './kinds.js';

/** A stretch of the text, and what stands there instead. */
export interface TextEdit extends Span {
  readonly text: string;
}

/** A fault as it could be planted: what is written instead of what stands there. Offsets are of the clean text. */
export interface Planting {
  readonly kind: FaultKindId;
  readonly edits: readonly TextEdit[];
  /** Where one would mark it: any of these places is right. */
  readonly at: readonly number[];
  /** The round that is spoilt, by its number among all; null where it is none. */
  readonly round: number | null;
}

/** All places in which each kind of fault could be planted. What comes of one is for the check to say. */
export const PLACES: Readonly<Record<FaultKindId, (clean: Seen) => Iterable<Planting>>> = {
  stated,
  figure: (clean) =>
    inSteps(clean, 'figure', (step, within) => (isPlain(step) && !within?.fills ? otherFigures(clean, step.span) : [])),
  multiple: (clean) =>
    inSteps(clean, 'multiple', (step, within) =>
      isPlain(step) && within?.fills ? otherFigures(clean, step.span) : [],
    ),
  times: (clean) => inSteps(clean, 'times', (step) => otherTimes(clean, step)),
  swapped: (clean) =>
    inRounds(clean, 'swapped', ({ round }) => {
      const from = round.bodyFrom;
      const words = clean.text.slice(from, round.span.to);
      return [...smallEdits(words)]
        .filter(({ kind }) => kind === 'swap')
        .map((edit) => ({ from: edit.from + from, to: edit.to + from, text: edit.text }));
    }),
  'no-times': (clean) => inSteps(clean, 'no-times', (step) => withoutTimes(clean, step)),
  gap,
  twice,
  bracket: (clean) =>
    inRounds(clean, 'bracket', ({ round }) => {
      const stated = round.stated?.span.from ?? round.span.to;
      const words = clean.text.slice(round.bodyFrom, Math.max(round.bodyFrom, stated));
      return [...words.matchAll(/[)\]}]/g)].map(({ index }) => cut(round.bodyFrom + index, round.bodyFrom + index + 1));
    }),
  range: (clean) =>
    inRounds(clean, 'range', ({ round }) => (round.statedRounds ? otherFigures(clean, round.statedRounds.span) : [])),
  mixed: (clean) =>
    inRounds(clean, 'mixed', ({ round }) => otherTerms(clean, { from: round.bodyFrom, to: round.span.to })),
  'eyes-late': (clean) => movedBehind(clean, 'eyes-late', 'eyes-set'),
  place,
  quantity,
  stuffing,
  colour,
  hook,
  loose,
};

const cut = (from: number, to: number): TextEdit => ({ from, to, text: '' });
const isPlain = (step: Step): boolean => step.kind === 'work' && step.per === 1 && step.over === 1;

/** Where a label stands twice, or a round is lost: the places of the labels that one would look at. */
const labels = (...rounds: readonly (CountedRound | undefined)[]): number[] =>
  rounds.flatMap((one) => (one ? [one.round.labelSpan.from] : []));

/** Each change of a round by itself. */
function* inRounds(
  clean: Seen,
  kind: FaultKindId,
  editsOf: (counted: CountedRound) => Iterable<TextEdit>,
): Iterable<Planting> {
  for (const [index, counted] of clean.counted.rounds.entries()) {
    // A round that something else rests on by its number is left alone, and so is one that was not simply read.
    if (counted.verdict !== 'agrees' || counted.round.reference || counted.round.doubt) continue;
    for (const edit of editsOf(counted)) yield { kind, edits: [edit], at: labels(counted), round: index };
  }
}

/** The repeat that a step stands in. */
interface Within {
  /** It is worked as long as the edge lasts. */
  readonly fills: boolean;
}

function inSteps(
  clean: Seen,
  kind: FaultKindId,
  editsOf: (step: Step, within: Within | null) => Iterable<TextEdit>,
): Iterable<Planting> {
  function* within(steps: readonly Step[], outer: Within | null): Iterable<TextEdit> {
    for (const step of steps) {
      yield* editsOf(step, outer);
      if (step.kind === 'repeat') yield* within(step.body, { fills: step.amount?.kind === 'fill' });
    }
  }
  return inRounds(clean, kind, ({ round }) => within(round.steps, null));
}

/** A figure that counts something: not one that is a part of a name. */
const FIGURE = /(?<![\d.\p{L}])\d{1,3}(?!\d|\.\d|st(?![\p{L}])|nd|rd|th|\s?tog)/gu;
const LETTERED = /\d{1,3}(?=[XVATW](?!\p{L}))/gu;

/** Each figure in a stretch, one more and one less. */
function* otherFigures({ text }: Seen, { from, to }: Span): Iterable<TextEdit> {
  const words = text.slice(from, to);
  for (const pattern of [FIGURE, LETTERED])
    for (const { 0: figure, index } of words.matchAll(pattern)) {
      if (pattern === FIGURE && /^[XVATW](?!\p{L})/u.test(words.slice(index + figure.length))) continue;
      for (const other of [Number(figure) - 1, Number(figure) + 1])
        if (other > 0) yield { from: from + index, to: from + index + figure.length, text: String(other) };
    }
}

const TIMES_WORDS = 'once twice three four five six seven eight nine ten'.split(' ');

/** How often a step is done, once more and once less. */
function* otherTimes(clean: Seen, step: Step): Iterable<TextEdit> {
  if (!('amount' in step) || step.amount?.kind !== 'times' || step.amount.times < 2) return;
  if (step.kind === 'repeat') {
    for (const span of around(step)) {
      yield* otherFigures(clean, span);
      yield* otherWords(clean, span, step.amount.times);
    }
  } else if (step.kind === 'work' && !isPlain(step) && step.place.kind === 'edge') {
    // "inc x 6": the figure that says how often, and none of those that say what.
    for (const edit of otherFigures(clean, step.span))
      if (Number(clean.text.slice(edit.from, edit.to)) === step.amount.times) yield edit;
  }
}

/** What stands before the first and behind the last step of a repeat. */
function around({ body, span }: Repeat): Span[] {
  const [first, last] = [body[0], body.at(-1)];
  if (!first || !last) return [];
  return [
    { from: span.from, to: Math.max(span.from, first.span.from) },
    { from: Math.min(span.to, last.span.to), to: span.to },
  ];
}

function* otherWords({ text }: Seen, { from, to }: Span, times: number): Iterable<TextEdit> {
  const word = TIMES_WORDS[times - 1];
  if (word === undefined) return;
  const index = text.slice(from, to).search(new RegExp(`(?<!\\p{L})${word}(?!\\p{L})`, 'u'));
  if (index < 0) return;
  for (const other of [times - 1, times + 1]) {
    const written = TIMES_WORDS[other - 1];
    // "Twice" and "three times" are not changed by a slip of one word.
    if (written !== undefined && other > 2 === times > 2)
      yield { from: from + index, to: from + index + word.length, text: written };
  }
}

/** A repeat in brackets that no longer says how often. */
function* withoutTimes({ text }: Seen, step: Step): Iterable<TextEdit> {
  if (step.kind !== 'repeat' || step.amount?.kind !== 'times' || step.body.length < 2) return;
  const tail = around(step)[1];
  if (!tail) return;
  const bracket = /[)\]}]/.exec(text.slice(tail.from, tail.to));
  if (!bracket) return;
  const from = tail.from + bracket.index + 1;
  // A full stop behind it stays.
  const said = text.slice(from, tail.to).trimEnd();
  const stop = /[.;,]$/.exec(said)?.index ?? said.length;
  if (stop > 0) yield cut(from, from + stop);
}

/** A stated count that is off by a slip of the pen, where the round after goes on from the right one. */
function* stated(clean: Seen): Iterable<Planting> {
  for (const [index, counted] of clean.counted.rounds.entries()) {
    const { round } = counted;
    const next = clean.counted.rounds[index + 1];
    if (counted.verdict !== 'agrees' || !round.stated || next?.stretch !== counted.stretch) continue;
    const { total, span } = round.stated;
    const figures = [...clean.text.slice(span.from, span.to).matchAll(/\d+/g)];
    const [figure] = figures;
    if (figures.length !== 1 || !figure || Number(figure[0]) !== total) continue;
    const from = span.from + figure.index;
    for (const other of slipsOf(total))
      yield {
        kind: 'stated',
        edits: [{ from, to: from + figure[0].length, text: String(other) }],
        at: labels(counted),
        round: index,
      };
  }
}

function slipsOf(total: number): number[] {
  const digits = String(total);
  const swapped = digits.length === 2 ? Number(digits.charAt(1) + digits.charAt(0)) : total;
  return [...new Set([total - 1, total + 1, total - 3, total + 3, swapped])].filter(
    (other) => other > 3 && other !== total && String(other).length === digits.length,
  );
}

/** "Rnds 8-12" that becomes "Rnds 8 and 12", or ends a round early: one falls into the gap. */
function* gap(clean: Seen): Iterable<Planting> {
  const { rounds } = clean.counted;
  for (const [index, counted] of rounds.entries()) {
    const { from, to, labelSpan, statedRounds } = counted.round;
    const next = rounds[index + 1];
    if (to - from < 2 || statedRounds || next?.stretch !== counted.stretch) continue;
    const label = clean.text.slice(labelSpan.from, labelSpan.to);
    const last = label.lastIndexOf(String(to));
    const first = label.indexOf(String(from));
    if (last < 0 || first < 0 || last <= first) continue;
    const end = labelSpan.from + last;
    const at = labels(counted, next);
    yield { kind: 'gap', edits: [{ from: end, to: end + String(to).length, text: String(to - 1) }], at, round: index };
    const joint = labelSpan.from + first + String(from).length;
    if (!/\p{L}/u.test(clean.text.slice(joint, end).replace('to', '')))
      yield { kind: 'gap', edits: [{ from: joint, to: end, text: ' and ' }], at, round: index };
  }
}

/** A label that repeats the number of the one before. */
function* twice(clean: Seen): Iterable<Planting> {
  const { rounds } = clean.counted;
  for (const [index, counted] of rounds.entries()) {
    const { from, to, labelSpan } = counted.round;
    const before = rounds[index - 1];
    const next = rounds[index + 1];
    if (from !== to || from < 3 || before?.stretch !== counted.stretch || before.round.to !== from - 1) continue;
    const label = clean.text.slice(labelSpan.from, labelSpan.to);
    const place = label.lastIndexOf(String(from));
    if (place < 0) continue;
    const start = labelSpan.from + place;
    yield {
      kind: 'twice',
      edits: [{ from: start, to: start + String(from).length, text: String(from - 1) }],
      at: labels(before, counted, next?.stretch === counted.stretch ? next : undefined),
      round: index,
    };
  }
}

const OTHERS = {
  us: [
    ['half double crochet', 'half treble crochet'],
    ['hdc', 'htr'],
  ],
  uk: [
    ['double crochet', 'single crochet'],
    ['dc', 'sc'],
    ['half treble crochet', 'half double crochet'],
    ['htr', 'hdc'],
  ],
} as const;

/** A stitch by the name that it has in the other vocabulary: the first of the round. */
function* otherTerms({ text, counted }: Seen, { from, to }: Span): Iterable<TextEdit> {
  const words = text.slice(from, to);
  for (const [here, there] of OTHERS[counted.pattern.terms.used]) {
    const index = words.search(new RegExp(`(?<!\\p{L})${here}(?!\\p{L})`, 'u'));
    if (index >= 0) yield { from: from + index, to: from + index + here.length, text: there };
  }
}

/** The whole line that a place stands in, with its line break. */
function lineAt({ counted }: Seen, offset: number): Span {
  const { source } = counted.pattern;
  const line = lineIndexAt(source, offset);
  return { from: lineSpan(source, line).from, to: source.lineStarts[line + 1] ?? source.text.length };
}

/** Whether a line says nothing else than one sentence, which stands for itself when it is moved. */
const standsAlone = (line: string): boolean => /^[^.!:|]+[.!]?\s*$/.test(line);

const eventsOf = ({ document }: Seen, kind: MakingEvent['kind']): MakingEvent[] =>
  document.events.filter((event) => event.kind === kind && !event.negated);

/** What happens while a part is made, moved behind the line in which it is closed. */
function* movedBehind(clean: Seen, kind: FaultKindId, what: MakingEvent['kind']): Iterable<Planting> {
  for (const event of eventsOf(clean, what)) {
    const last = event.part?.stretches.at(-1)?.rounds.at(-1);
    const closing = eventsOf(clean, 'closed').find(({ part, after }) => part === event.part && after === last);
    const line = lineAt(clean, event.span.from);
    const words = clean.text.slice(line.from, line.to);
    if (!closing || closing.span.from < line.to || !standsAlone(words)) continue;
    const behind = lineAt(clean, closing.span.from).to;
    yield {
      kind,
      edits: [cut(line.from, line.to), { from: behind, to: behind, text: words }],
      at: [behind],
      round: null,
    };
  }
}

/** Eyes between rounds that the part does not have, or farther apart than it is wide. */
function* place(clean: Seen): Iterable<Planting> {
  for (const event of eventsOf(clean, 'eyes-set')) {
    const last = event.part?.stretches.at(-1)?.rounds.at(-1);
    const line = lineAt(clean, event.span.from);
    const words = clean.text.slice(line.from, line.to);
    const edge = clean.counted.rounds.find(({ round }) => round === event.after)?.carried ?? null;
    const at = [event.span.from];
    const rounds = /(\d+)(\D+?)(\d+)/.exec(words.replace(/\d+\s?mm/, (size) => ' '.repeat(size.length)));
    const [, first = '', joint = '', second = ''] = rounds ?? [];
    if (rounds && last && Number(second) === Number(first) + 1) {
      const from = line.from + rounds.index;
      const text = `${last.to + 2}${joint}${last.to + 3}`;
      yield { kind: 'place', edits: [{ from, to: from + rounds[0].length, text }], at, round: null };
    }
    const apart = /\d+(?=\s(?:sts|stitches)\s+apart)/.exec(words);
    if (apart && edge !== null) {
      const from = line.from + apart.index;
      yield { kind: 'place', edits: [{ from, to: from + apart[0].length, text: String(edge + 6) }], at, round: null };
    }
  }
}

/** Where the assembly speaks of a part as a piece that is put to another. */
const stepsOf = ({ document }: Seen, part: Part): AssemblyStep[] =>
  document.assembly.filter(({ pieces, onto }) => pieces.includes(part) && onto !== null);

/** Another number to make at the heading than the assembly sews on. */
function* quantity(clean: Seen): Iterable<Planting> {
  for (const part of clean.counted.pattern.parts) {
    const { from, to } = part.heading;
    const figure = new RegExp(`(?<!\\d)${part.make}(?!\\d)`).exec(clean.text.slice(from, to));
    if (!part.saysMake || part.make < 2 || !figure) continue;
    const at = [from, ...stepsOf(clean, part).map(({ span }) => span.from)];
    for (const other of [part.make - 1, part.make + 1, part.make + 2])
      yield {
        kind: 'quantity',
        edits: [{ from: from + figure.index, to: from + figure.index + figure[0].length, text: String(other) }],
        at,
        round: null,
      };
  }
}

/** Stuffing that is spoken of only where no hand gets in any more, or not at all. */
function* stuffing(clean: Seen): Iterable<Planting> {
  const events = eventsOf(clean, 'stuffing');
  yield* movedBehind(clean, 'stuffing', 'stuffing');
  for (const part of new Set(events.flatMap((event) => (event.part ? [event.part] : [])))) {
    const lines = events.filter((event) => event.part === part).map(({ span }) => lineAt(clean, span.from));
    const closing = eventsOf(clean, 'closed').find((event) => event.part === part);
    if (!closing || !lines.every(({ from, to }) => standsAlone(clean.text.slice(from, to)))) continue;
    const edits = [...new Map(lines.map(({ from, to }) => [from, cut(from, to)])).values()];
    yield { kind: 'stuffing', edits, at: [part.heading.from, closing.span.from], round: null };
  }
}

/** A colour that is taken out of the list of materials. */
function* colour({ text, document }: Seen): Iterable<Planting> {
  for (const { kind, name, span } of document.materials) {
    if (kind !== 'yarn' || text.slice(span.from, span.to) !== name) continue;
    const used = [...text.matchAll(new RegExp(`(?<!\\p{L})${name}(?!\\p{L})`, 'gu'))]
      .map(({ index }) => index)
      .filter((index) => index !== span.from);
    const before = /, $/.exec(text.slice(0, span.from));
    const behind = /^, /.exec(text.slice(span.to));
    if (used.length === 0 || (!before && !behind)) continue;
    const edit = before ? cut(span.from - 2, span.to) : cut(span.from, span.to + 2);
    yield { kind: 'colour', edits: [edit], at: [...used, edit.from], round: null };
  }
}

/** A hook whose letter belongs to another size. */
function* hook({ text, document }: Seen): Iterable<Planting> {
  for (const { kind, span } of document.materials) {
    if (kind !== 'hook') continue;
    const found = /(\d+(?:\.\d+)?)\s?mm\s?\(?([A-N])(\/\d+)/.exec(text.slice(span.from, span.to + 12));
    const right = found && hookOf(Number(found[1]))?.us;
    if (!right || !found[0].endsWith(right)) continue;
    const from = span.from + found.index + found[0].length - right.length;
    for (const { us } of HOOKS)
      if (us?.includes('/') && us !== right && Math.abs(us.charCodeAt(0) - right.charCodeAt(0)) < 3)
        yield { kind: 'hook', edits: [{ from, to: from + right.length, text: us }], at: [span.from], round: null };
  }
}

/** A part whose line in the assembly is missing. */
function* loose(clean: Seen): Iterable<Planting> {
  for (const part of clean.counted.pattern.parts) {
    const steps = stepsOf(clean, part);
    const [step] = steps;
    if (!step || steps.length !== 1 || step.pieces.length !== 1 || step.pieces[0] !== part) continue;
    const line = lineAt(clean, step.span.from);
    if (!standsAlone(clean.text.slice(line.from, line.to))) continue;
    // Where it is missing is a place to mark as well as what is missing.
    yield { kind: 'loose', edits: [cut(line.from, line.to)], at: [part.heading.from, line.from], round: null };
  }
}
