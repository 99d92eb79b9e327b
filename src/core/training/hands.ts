import type { Vocabulary } from '../vocabulary/stitches.js';
import { oneOf, type Chance } from './chances.js';
import { isRound, roundsOf, type Toy, type ToyNote, type ToyPart, type ToyRound } from './toy.js';

/** The ways of writing that practice patterns come in; what a person chooses among. */
export const SCHOOLS = ['abbreviations', 'words', 'sentences', 'letters', 'joined'] as const;
export type School = (typeof SCHOOLS)[number];

/** How one hand writes: a school with its own habits. */
interface WrittenHand {
  /** The name of the stitch that nearly all is made of, and of the next taller one. */
  readonly plain: string;
  readonly taller: string;
  readonly label: (from: number, to: number) => string;
  readonly count: (made: number) => string;
  readonly ring: (made: number) => string;
  readonly shaping: (by: 1 | -1, plain: number, times: number) => string;
  readonly even: (made: number, backLoops: boolean) => string;
  readonly tallerRound: (made: number) => string;
  readonly rounds: string;
  readonly legend: readonly (readonly [term: string, meaning: string])[];
  readonly frame: string;
}

const NAMES = {
  us: { short: 'sc', taller: 'hdc', long: 'single crochet', tallerLong: 'half double crochet' },
  uk: { short: 'dc', taller: 'htr', long: 'double crochet', tallerLong: 'half treble crochet' },
} as const;
const TIMES = ['once', 'twice', 'three times', 'four times', 'five times', 'six times', 'seven times', 'eight times'];

const stretch = (from: number, to: number) => (from === to ? String(from) : `${from}-${to}`);

/** Plain stitches with a shaping among them: behind them, before them, or in their middle. */
function about(
  at: 'end' | 'start' | 'middle',
  plain: number,
  stitches: (count: number) => string,
  shape: string,
): string[] {
  if (plain === 0) return [shape];
  if (at === 'start') return [shape, stitches(plain)];
  if (at === 'end' || plain < 2) return [stitches(plain), shape];
  const half = Math.floor(plain / 2);
  return [stitches(half), shape, stitches(plain - half)];
}

function abbreviations(terms: Vocabulary, chance: Chance): WrittenHand {
  const { short, taller } = NAMES[terms];
  const label = oneOf(['Rnd ', 'R', 'Rnd '], chance);
  const [open, close] = oneOf(
    [
      ['(', ')'],
      ['[', ']'],
    ] as const,
    chance,
  );
  const times = oneOf(
    [(n: number) => ` x ${n}`, (n: number) => ` * ${n}`, (n: number) => ` ${n} times`, () => ' around'],
    chance,
  );
  const at = oneOf(['end', 'end', 'start', 'middle'] as const, chance);
  const decrease = oneOf(['dec', `${short}2tog`, 'inv dec'], chance);
  const chains = chance() < 0.25;
  const stitches = (count: number) => `${short} ${count}`;
  return {
    plain: short,
    taller,
    rounds: label.trim() === 'R' ? 'R' : 'Rnds ',
    label: (from, to) => `${from === to || label === 'R' ? label : 'Rnds '}${stretch(from, to)}: `,
    count: oneOf(
      [(made: number) => ` (${made})`, (made: number) => ` = ${made}`, (made: number) => ` (${made} sts)`],
      chance,
    ),
    ring: (made) => (chains ? `ch 2, ${made} ${short} in 2nd ch from hook` : `${made} ${short} in MR`),
    shaping: (by, plain, n) => {
      const steps = about(at, plain, stitches, by > 0 ? 'inc' : decrease);
      return steps.length === 1 ? `${steps.join('')} x ${n}` : `${open}${steps.join(', ')}${close}${times(n)}`;
    },
    even: (_, back) => `${back ? 'BLO, ' : ''}${short} around`,
    tallerRound: () => `${taller} around`,
    legend: [
      ...(chains ? [['ch', 'chain'] as const] : [['MR', 'magic ring'] as const]),
      [short, NAMES[terms].long],
      ['inc', `2 ${short} in the same st`],
      decrease === 'inv dec' ? ['inv dec', 'invisible decrease'] : [decrease, `${short} 2 sts together`],
      ['st(s)', 'stitch(es)'],
    ],
    frame: 'Worked in a spiral. Move the marker up each round.',
  };
}

function words(terms: Vocabulary, chance: Chance): WrittenHand {
  const { long, tallerLong } = NAMES[terms];
  const stars = chance() < 0.5;
  const stitches = (count: number) =>
    count === 1 ? `1 ${long} in the next stitch` : `1 ${long} in each of the next ${count} stitches`;
  return {
    plain: long,
    taller: tallerLong,
    rounds: 'Rounds ',
    label: (from, to) => (from === to ? `Round ${from}: ` : `Rounds ${from} to ${to}: `),
    count: oneOf([(made: number) => ` (${made} stitches)`, (made: number) => ` (${made})`], chance),
    ring: (made) => `Work ${made} ${long} into a magic ring.`,
    shaping: (by, plain, n) => {
      const shape = by > 0 ? `2 ${long} in the next stitch` : `${long} the next 2 stitches together`;
      if (plain === 0 && by > 0) return `2 ${long} in each stitch around.`;
      const steps = [...(plain > 0 ? [stitches(plain)] : []), shape].join(', ');
      return stars ? `*${steps}; repeat from * ${n - 1} more times.` : `(${steps}) ${n} times.`;
    },
    even: (_, back) => `1 ${long} in each stitch around${back ? ', in the back loops only' : ''}.`,
    tallerRound: () => `1 ${tallerLong} in each stitch around.`,
    legend: [],
    frame: 'Work in a continuous spiral, with a marker in the first stitch of each round.',
  };
}

function sentences(terms: Vocabulary, chance: Chance): WrittenHand {
  const { short, taller } = NAMES[terms];
  const around = chance() < 0.6;
  const stitches = (count: number) => (count === 1 ? `${short} in next st` : `${short} in next ${count} sts`);
  return {
    plain: short,
    taller,
    rounds: 'Rounds ',
    label: (from, to) => `Round${from === to ? '' : 's'} ${stretch(from, to)}. `,
    count: (made) => ` – ${made} sts`,
    ring: (made) => `${made} ${short} in magic ring`,
    shaping: (by, plain, n) => {
      const shape = by > 0 ? `2 ${short} in next st` : `${short}2tog`;
      if (plain === 0 && by > 0) return `2 ${short} in each st around`;
      const steps = [...(plain > 0 ? [stitches(plain)] : []), shape].join(', ');
      return around ? `(${steps}) around` : `(${steps}) ${TIMES[n - 1] ?? `${n} times`}`;
    },
    even: (_, back) => `${back ? 'in BLO, ' : ''}${short} in each st around`,
    tallerRound: () => `${taller} in each st around`,
    legend: [
      [short, NAMES[terms].long],
      [`${short}2tog`, `${short} 2 sts together`],
      ['st(s)', 'stitch(es)'],
    ],
    frame: 'The rounds are not joined.',
  };
}

function letters(terms: Vocabulary, chance: Chance): WrittenHand {
  const joint = oneOf(['*', ' x '], chance);
  const one = (count: number, letter: string) => (count === 1 ? letter : `${count}${letter}`);
  return {
    plain: 'X',
    taller: 'T',
    rounds: 'R',
    label: (from, to) => `R${from === to ? from : `${from}-R${to}`}: `,
    count: (made) => ` (${made})`,
    ring: (made) => `MR, ${made}X`,
    shaping: (by, plain, n) => {
      const letter = by > 0 ? 'V' : 'A';
      return plain === 0 ? `${n}${letter}` : `(${one(plain, 'X')}, ${letter})${joint}${n}`;
    },
    even: (made, back) => `${back ? 'BLO: ' : ''}${made}X`,
    tallerRound: (made) => `${made}T`,
    legend: [
      ['X', NAMES[terms].long],
      ['V', `2 ${NAMES[terms].long} in one stitch`],
      ['A', `${NAMES[terms].long} 2 stitches together`],
      ['MR', 'magic ring'],
    ],
    frame: 'Spiral, marker in the last stitch.',
  };
}

function joined(terms: Vocabulary, chance: Chance): WrittenHand {
  const { short, taller } = NAMES[terms];
  const close = terms === 'us' ? `, sl st to first ${short}` : `, ss to first ${short}`;
  const stitches = (count: number) => (count === 1 ? `${short} in next st` : `${short} in next ${count} sts`);
  const upper = chance() < 0.5;
  return {
    plain: short,
    taller,
    rounds: 'Rounds ',
    label: (from, to) => `Round${from === to ? '' : 's'} ${stretch(from, to)}: `,
    count: upper ? (made) => `. [${made}]` : (made) => `. (${made} sts)`,
    ring: (made) => `${made} ${short} in a magic ring${close}`,
    shaping: (by, plain, n) => {
      const shape = by > 0 ? 'inc' : 'dec';
      if (plain === 0) return `ch 1, ${shape} ${n} times${close}`;
      return `ch 1, (${stitches(plain)}, ${shape}) ${n} times${close}`;
    },
    even: (_, back) => `ch 1, ${back ? 'in BLO ' : ''}${short} in each st around${close}`,
    tallerRound: () => `ch 1, ${taller} in each st around${close.replace(short, taller)}`,
    legend: [
      ['ch', 'chain'],
      terms === 'us' ? ['sl st', 'slip stitch'] : ['ss', 'slip stitch'],
      [short, NAMES[terms].long],
      ['inc', `2 ${short} in one st`],
      ['dec', `${short} 2 sts together`],
      ['st(s)', 'stitch(es)'],
    ],
    frame: 'Each round begins with ch 1, which does not count, and is closed with a slip stitch.',
  };
}

const HANDS: Readonly<Record<School, (terms: Vocabulary, chance: Chance) => WrittenHand>> = {
  abbreviations,
  words,
  sentences,
  letters,
  joined,
};

/** A toy in words. */
export function written(toy: Toy, school: School, terms: Vocabulary, chance: Chance): string {
  const hand = HANDS[school](terms, chance);
  const shout = chance() < 0.5;
  const heading = (words: string) => (shout ? words.toUpperCase() : words);
  const said = toy.parts.map((part) => partIn(hand, part, toy, heading, chance));
  const uses = (letters: string) => said.some((lines) => lines.some((line) => line.includes(letters)));
  const tall = toy.parts.some(({ lines }) => lines.some(({ kind }) => kind === 'taller'));
  const legend = [
    ...hand.legend,
    ...(uses('BLO') ? [['BLO', 'back loop only'] as const] : []),
    ...(tall && hand.legend.length > 0 ? [[hand.taller, NAMES[terms].tallerLong] as const] : []),
  ].filter(([term]) => uses(term === 'st(s)' ? 'st' : term));
  return [
    toy.title,
    `${terms.toUpperCase()} terms.`,
    '',
    heading('Materials'),
    `DK cotton: ${toy.colours.join(', ')}`,
    'Hook: 3.5 mm (E/4)',
    ...(toy.eyes ? ['Safety eyes, 8 mm, one pair'] : []),
    'Stuffing, yarn needle, stitch marker',
    ...(toy.eyes ? ['', 'Safety eyes are small parts: embroider them for a child under three.'] : []),
    ...(legend.length > 0
      ? ['', heading('Abbreviations'), ...legend.map(([term, meaning]) => `${term} = ${meaning}`)]
      : []),
    '',
    hand.frame,
    ...said.flatMap((lines) => ['', ...lines]),
    '',
    heading('Assembly'),
    ...toy.parts.flatMap((part) => (part.to === null ? [] : [sewing(part, part.to)])),
    'Weave in all ends.',
    '',
  ].join('\n');
}

/** Of a part that is made several times, as many of it are called. */
const nameOf = ({ name, make }: ToyPart): string => (make === 1 ? name : name === 'Foot' ? 'Feet' : `${name}s`);

function sewing(part: ToyPart, to: string): string {
  const them = `the ${part.make > 1 ? 'two ' : ''}${nameOf(part).toLowerCase()}`;
  return `Sew ${them} to the ${to.toLowerCase()}${part.stuffed ? '' : ', flat'}.`;
}

function partIn(
  hand: WrittenHand,
  part: ToyPart,
  toy: Toy,
  heading: (words: string) => string,
  chance: Chance,
): string[] {
  let at = 0;
  const says = chance() < 0.4;
  const lines = part.lines.map((line) => {
    if (!isRound(line)) return noteIn(hand, line, part, toy);
    const rounds = roundsOf(line);
    const label = hand.label(at + 1, at + rounds);
    at += rounds;
    // In words in full it would stand behind the full stop.
    const long = says && rounds > 1 && hand.legend.length > 0 ? ` for ${rounds} rounds` : '';
    return `${label}${roundIn(hand, line)}${long}${hand.count(line.made)}`;
  });
  return [`${heading(nameOf(part))} (make ${part.make})`, `With ${part.colour}.`, ...lines];
}

function roundIn(hand: WrittenHand, round: ToyRound): string {
  switch (round.kind) {
    case 'ring':
      return hand.ring(round.made);
    case 'shaping':
      return hand.shaping(round.by, round.plain, round.times);
    case 'even':
      return hand.even(round.made, round.backLoops);
    case 'taller':
      return hand.tallerRound(round.made);
  }
}

function noteIn(hand: WrittenHand, note: ToyNote, part: ToyPart, toy: Toy): string {
  switch (note.kind) {
    case 'eyes':
      return `Insert the eyes between ${hand.rounds}${note.after} and ${note.after + 1}, ${note.apart} sts apart.`;
    case 'stuff':
      return `Stuff the ${nameOf(part).toLowerCase()}.`;
    case 'stuff-on':
      return 'Add more stuffing before you close it.';
    case 'colour':
      return `Change to ${note.colour}.`;
    case 'close':
      return `Fasten off, and draw the last ${note.left} stitches together.`;
    case 'leave-open':
      return part.to === null && toy.parts.length === 1
        ? 'Fasten off and weave in the end.'
        : 'Fasten off, leaving a long tail for sewing.';
  }
}
