import { between, oneOf, shuffled, type Chance } from './chances.js';

/** One line of instructions, before anybody has put it into words. Counts are stitches. */
export type ToyRound =
  /** So many into a ring. */
  | { readonly kind: 'ring'; readonly made: number }
  /** An increase (`by` 1) or a decrease (`by` -1) after so many plain stitches, so many times, along the whole edge. */
  | {
      readonly kind: 'shaping';
      readonly by: 1 | -1;
      readonly plain: number;
      readonly times: number;
      readonly made: number;
    }
  /** Plain rounds, one after the other; the first of them may go into the back loops alone. */
  | { readonly kind: 'even'; readonly rounds: number; readonly made: number; readonly backLoops: boolean }
  /** One plain round of the next taller stitch. */
  | { readonly kind: 'taller'; readonly made: number };

/** What is said between the rounds. `after`: the round that the eyes go in behind. */
export type ToyNote =
  | { readonly kind: 'eyes'; readonly after: number; readonly apart: number }
  | { readonly kind: 'stuff' }
  | { readonly kind: 'stuff-on' }
  | { readonly kind: 'colour'; readonly colour: string }
  | { readonly kind: 'close'; readonly left: number }
  | { readonly kind: 'leave-open' };

export interface ToyPart {
  readonly name: string;
  readonly make: number;
  readonly colour: string;
  readonly stuffed: boolean;
  readonly lines: readonly (ToyRound | ToyNote)[];
  /** The part that it is sewn to; null for the one that everything is sewn to. */
  readonly to: string | null;
}

/** A toy that comes out, in figures: what practice patterns are written from. */
export interface Toy {
  readonly title: string;
  readonly colours: readonly string[];
  readonly eyes: boolean;
  readonly parts: readonly ToyPart[];
}

const COLOURS = [
  'Moss',
  'Sand',
  'Madder',
  'Slate',
  'Chalk',
  'Rust',
  'Plum',
  'Fern',
  'Ochre',
  'Foam',
  'Heather',
  'Clay',
];
const OWNERS = [
  'Little',
  'Sleepy',
  'Round',
  'Brave',
  'Old',
  'Windy',
  'Quiet',
  'Small',
  'Harbour',
  'Meadow',
  'Winter',
  'Garden',
];
const KINDS: readonly (readonly [name: string, more: readonly LimbName[]])[] = [
  ['Bear', ['Ear', 'Arm', 'Leg', 'Muzzle']],
  ['Mouse', ['Ear', 'Arm', 'Tail']],
  ['Fox', ['Ear', 'Leg', 'Muzzle', 'Tail']],
  ['Hen', ['Wing', 'Beak']],
  ['Duck', ['Wing', 'Beak', 'Foot']],
  ['Owl', ['Wing', 'Beak', 'Foot']],
  ['Mole', ['Arm', 'Foot', 'Muzzle']],
  ['Calf', ['Ear', 'Leg', 'Horn', 'Muzzle']],
  ['Goat', ['Ear', 'Horn', 'Leg']],
  ['Newt', ['Leg', 'Tail']],
  ['Snail', ['Shell', 'Horn']],
  ['Gnome', ['Hat', 'Arm', 'Foot']],
];

type LimbName = 'Ear' | 'Arm' | 'Leg' | 'Muzzle' | 'Tail' | 'Wing' | 'Beak' | 'Foot' | 'Horn' | 'Shell' | 'Hat';
const PAIRS: ReadonlySet<LimbName> = new Set(['Ear', 'Arm', 'Leg', 'Wing', 'Foot', 'Horn']);

/** How far a toy goes: how many small parts it has at most. */
export interface ToyRange {
  readonly limbs: number;
}

/** A toy by chance. Every round of it uses up the edge before it. */
export function toyBy(chance: Chance, { limbs }: ToyRange): Toy {
  const [kind, more] = oneOf(KINDS, chance);
  const colours = shuffled(COLOURS, chance).slice(0, 3);
  const [main = 'Moss', second = 'Sand', third = 'Slate'] = colours;
  const eyes = chance() < 0.8;
  const apart = chance() < 0.6;
  const body = apart
    ? [head(chance, main, eyes), { ...trunk(chance, main), to: 'Head' }]
    : [egg(chance, main, second, eyes)];
  const whole = body[0]?.name ?? 'Body';
  const others = shuffled(more, chance)
    .slice(0, limbs)
    .map((name) => limb(name, oneOf([main, second, third], chance), apart && isLow(name) ? 'Body' : whole, chance));
  const parts = [...body, ...others];
  const used = new Set(
    parts.flatMap(({ colour, lines }) => [
      colour,
      ...lines.flatMap((line) => (line.kind === 'colour' ? [line.colour] : [])),
    ]),
  );
  return {
    title: `${oneOf(OWNERS, chance)} ${kind}`,
    colours: colours.filter((colour) => used.has(colour)),
    eyes,
    parts,
  };
}

const isLow = (name: LimbName): boolean => ['Arm', 'Leg', 'Tail', 'Foot', 'Wing'].includes(name);

/** Increases from a ring of `start` to `times` times that, one round each. */
function growth(start: number, to: number): ToyRound[] {
  return Array.from({ length: to - 1 }, (_, i) => ({
    kind: 'shaping' as const,
    by: 1 as const,
    plain: i,
    times: start,
    made: start * (i + 2),
  }));
}

/** Decreases from `from` times `start` down to `down` times it, one round each. */
function decline(start: number, from: number, down: number): ToyRound[] {
  return Array.from({ length: from - down }, (_, i) => ({
    kind: 'shaping' as const,
    by: -1 as const,
    plain: from - i - 2,
    times: start,
    made: start * (from - i - 1),
  }));
}

const even = (rounds: number, made: number, backLoops = false): ToyRound => ({ kind: 'even', rounds, made, backLoops });

export const isRound = (line: ToyRound | ToyNote): line is ToyRound => 'made' in line;

/** How many rounds a line stands for. */
export const roundsOf = (line: ToyRound): number => (line.kind === 'even' ? line.rounds : 1);

/** Ends a ball: stuffed while it is still wide, and closed. */
function closing(start: number, from: number): ToyPart['lines'] {
  const down = decline(start, from, 1);
  const wide = Math.max(1, down.length - 2);
  return [
    ...down.slice(0, wide),
    { kind: 'stuff' },
    ...down.slice(wide),
    { kind: 'stuff-on' },
    { kind: 'close', left: start },
  ];
}

function eyesBetween(first: number, straight: number, stitches: number, chance: Chance): ToyNote {
  return {
    kind: 'eyes',
    after: first + between(1, straight - 1, chance),
    apart: between(5, Math.floor(stitches / 4), chance),
  };
}

function head(chance: Chance, colour: string, eyes: boolean): ToyPart {
  const start = oneOf([6, 6, 6, 7, 8], chance);
  const size = between(4, 8, chance);
  const straight = size + between(-1, 2, chance);
  const wide = start * size;
  return {
    name: 'Head',
    make: 1,
    colour,
    stuffed: true,
    to: null,
    lines: [
      { kind: 'ring', made: start },
      ...growth(start, size),
      even(straight, wide),
      ...(eyes ? [eyesBetween(size, straight, wide, chance)] : []),
      ...closing(start, size),
    ],
  };
}

function trunk(chance: Chance, colour: string): ToyPart {
  const start = oneOf([6, 6, 7, 8], chance);
  const size = between(4, 7, chance);
  const neck = between(2, size - 1, chance);
  return {
    name: 'Body',
    make: 1,
    colour,
    stuffed: true,
    to: null,
    lines: [
      { kind: 'ring', made: start },
      ...growth(start, size),
      ...(chance() < 0.4 ? [even(1, start * size, true)] : []),
      even(between(3, 9, chance), start * size),
      ...decline(start, size, neck).flatMap((round) => [round, even(between(1, 3, chance), round.made)]),
      { kind: 'stuff' },
      { kind: 'leave-open' },
    ],
  };
}

function egg(chance: Chance, colour: string, belly: string, eyes: boolean): ToyPart {
  const start = oneOf([6, 6, 7], chance);
  const [narrow, wide] = [between(4, 5, chance), between(6, 8, chance)];
  const straight = between(4, 7, chance);
  const grown = growth(start, wide);
  const face = start * narrow;
  const changes = chance() < 0.5;
  return {
    name: 'Body',
    make: 1,
    colour,
    stuffed: true,
    to: null,
    lines: [
      { kind: 'ring', made: start },
      ...grown.slice(0, narrow - 1),
      even(straight, face),
      ...(eyes ? [eyesBetween(narrow, straight, face, chance)] : []),
      ...(changes ? [{ kind: 'colour' as const, colour: belly }] : []),
      ...grown.slice(narrow - 1),
      even(between(4, 9, chance), start * wide),
      ...closing(start, wide),
    ],
  };
}

const SHAPES: Readonly<Record<LimbName, (chance: Chance) => Pick<ToyPart, 'lines' | 'stuffed'>>> = {
  Ear: (chance) => cup(chance, between(2, 4, chance), false),
  Wing: (chance) => cup(chance, between(3, 4, chance), false),
  Foot: (chance) => cup(chance, between(2, 3, chance), false),
  Muzzle: (chance) => cup(chance, between(3, 4, chance), true),
  Shell: (chance) => cup(chance, between(5, 7, chance), true),
  Arm: (chance) => tube(chance, between(6, 14, chance)),
  Leg: (chance) => tube(chance, between(5, 12, chance)),
  Tail: (chance) => tube(chance, between(4, 10, chance)),
  Beak: (chance) => cone(chance),
  Horn: (chance) => cone(chance),
  Hat: (chance) => cone(chance, false),
};

function limb(name: LimbName, colour: string, to: string, chance: Chance): ToyPart {
  return { name, make: PAIRS.has(name) ? 2 : 1, colour, to, ...SHAPES[name](chance) };
}

/** A disc with a rim. */
function cup(chance: Chance, size: number, stuffed: boolean): Pick<ToyPart, 'lines' | 'stuffed'> {
  const start = oneOf([5, 6, 6, 7], chance);
  const made = start * size;
  const taller = !stuffed && chance() < 0.3;
  return {
    stuffed,
    lines: [
      { kind: 'ring', made: start },
      ...growth(start, size),
      even(between(2, 4, chance), made),
      ...(taller ? [{ kind: 'taller' as const, made }] : []),
      ...(stuffed ? [{ kind: 'stuff' as const }] : []),
      { kind: 'leave-open' },
    ],
  };
}

/** A long limb: a small ball of a hand, then straight on. */
function tube(chance: Chance, long: number): Pick<ToyPart, 'lines' | 'stuffed'> {
  const start = oneOf([5, 6, 6], chance);
  const size = between(2, 3, chance);
  const thin = size === 3 && chance() < 0.7;
  return {
    stuffed: true,
    lines: [
      { kind: 'ring', made: start },
      ...growth(start, size),
      ...(thin ? [even(between(2, 4, chance), start * size), ...decline(start, 3, 2)] : []),
      even(long, start * (thin ? 2 : size)),
      { kind: 'stuff' },
      { kind: 'leave-open' },
    ],
  };
}

/** A cone: every other round grows. */
function cone(chance: Chance, stuffed = true): Pick<ToyPart, 'lines' | 'stuffed'> {
  const start = oneOf([4, 5, 6], chance);
  const steps = between(2, 4, chance);
  return {
    stuffed,
    lines: [
      { kind: 'ring', made: start },
      ...growth(start, steps + 1).flatMap((round) => [even(1, round.made - start), round]),
      even(between(1, 3, chance), start * (steps + 1)),
      ...(stuffed ? [{ kind: 'stuff' as const }] : []),
      { kind: 'leave-open' },
    ],
  };
}
