import type { Repeat, Step, Work } from '../pattern/instruction.js';
import type { Round } from '../pattern/pattern.js';
import type { Span } from '../text/source.js';
import { inEitherCase } from '../text/eitherCase.js';

/** A change of the text: a span replaced. */
export interface StyleEdit extends Span {
  readonly text: string;
}

/** A place where a trait shows. */
export interface Occurrence {
  readonly span: Span;
  /** Which of the trait's ways it is written in. */
  readonly way: string;
  /** The edits that write it in another way; null where it can't be written so here. */
  readonly write: (way: string) => readonly StyleEdit[] | null;
}

/** One of the things in which presses differ: a finite number of ways to write the same. */
export interface Trait {
  readonly id: string;
  readonly about: string;
  /** Each way with an example. */
  readonly ways: readonly { readonly way: string; readonly example: string }[];
  readonly find: (round: Round, text: string) => Iterable<Occurrence>;
}

const STITCH = '(?:sc|hdc|dc|htr|tr|dtr)';
const AMOUNT_LAST = inEitherCase(
  String.raw`(?<![\p{L}\d])(${STITCH})\s?(\d{1,3})(?![\d\p{L}]|\s?(?:tog|st(?!s)|in(?!\p{L})))`,
  'g',
);
const AMOUNT_FIRST = inEitherCase(
  String.raw`(?<![\p{L}\d.-])(\d{1,3})\s?(${STITCH})(?!\p{L}|\d|\s?tog|\s(?:in|into|inc|dec|around|each)(?!\p{L}))`,
  'g',
);

/** Single stitches with their number: "sc 3", "3 sc". Numbers inside a count are left alone. */
const amount: Trait = {
  id: 'amount',
  about: 'Which comes first, the stitch or its number',
  ways: [
    { way: 'stitch first', example: 'sc 3' },
    { way: 'number first', example: '3 sc' },
  ],
  *find(round, text) {
    const counted = round.stated?.span;
    const body = text.slice(round.bodyFrom, counted ? Math.min(counted.from, round.span.to) : round.span.to);
    const at = (match: RegExpExecArray, stitch: string, number: string, way: string): Occurrence => {
      const from = round.bodyFrom + match.index;
      const to = from + match[0].length;
      return {
        span: { from, to },
        way,
        write: (other) => [
          { from, to, text: other === 'stitch first' ? `${stitch} ${number}` : `${number} ${stitch.toLowerCase()}` },
        ],
      };
    };
    for (const match of body.matchAll(AMOUNT_LAST)) yield at(match, match[1] ?? '', match[2] ?? '', 'stitch first');
    for (const match of body.matchAll(AMOUNT_FIRST)) yield at(match, match[2] ?? '', match[1] ?? '', 'number first');
  },
};

const BRACKETS: Readonly<Record<string, readonly [string, string]>> = { round: ['(', ')'], square: ['[', ']'] };

/** The outermost brackets of what is repeated. */
const brackets: Trait = {
  id: 'brackets',
  about: 'The brackets around what is repeated',
  ways: [
    { way: 'round', example: '(sc 3, inc) x 6' },
    { way: 'square', example: '[sc 3, inc] x 6' },
  ],
  *find(round, text) {
    for (const { open, close } of bracketed(round, text)) {
      const way = text.charAt(open) === '(' ? 'round' : 'square';
      // Brackets within brackets are told apart by their kind, and stay.
      if (/[([{]/.test(text.slice(open + 1, close))) continue;
      yield {
        span: { from: open, to: close + 1 },
        way,
        write: (other) => {
          const [begin = '', end = ''] = BRACKETS[other] ?? [];
          return [
            { from: open, to: open + 1, text: begin },
            { from: close, to: close + 1, text: end },
          ];
        },
      };
    }
  },
};

const TIMES = /^(?:\s?(x|X|×|\*)\s?(\d{1,3})(?!\d)|\s(\d{1,3})\s(?:times)(?!\p{L}))/u;

/** How often a bracket is repeated. */
const times: Trait = {
  id: 'times',
  about: 'How often something is repeated',
  ways: [
    { way: 'x', example: '(…) x 6' },
    { way: '×', example: '(…) × 6' },
    { way: '*', example: '(…)*6' },
    { way: 'times', example: '(…) 6 times' },
  ],
  *find(round, text) {
    for (const { close } of bracketed(round, text)) {
      const match = TIMES.exec(text.slice(close + 1, close + 16));
      const number = match?.[2] ?? match?.[3];
      if (!match || !number) continue;
      const from = close + 1;
      const to = from + match[0].length;
      const sign = match[1]?.toLowerCase();
      yield {
        span: { from, to },
        way: sign ?? 'times',
        write: (other) => [
          {
            from,
            to,
            text: other === 'times' ? ` ${number} times` : other === '*' ? `*${number}` : ` ${other} ${number}`,
          },
        ],
      };
    }
  },
};

const ROUND_WORD = /^(rnd|round|rd|r)(s?)\.?(\s?)(?=\d)/iu;
const WORDS = ['Rnd', 'Round', 'Rd', 'R'];

/** The word in front of a round's number. */
const word: Trait = {
  id: 'word',
  about: 'The word for a round',
  ways: [
    { way: 'Rnd', example: 'Rnd 5:' },
    { way: 'Round', example: 'Round 5:' },
    { way: 'Rd', example: 'Rd 5:' },
    { way: 'R', example: 'R5:' },
  ],
  *find(round, text) {
    if (!round.labelled || round.kind === 'row') return;
    const { from, to } = round.labelSpan;
    const match = ROUND_WORD.exec(text.slice(from, to));
    if (!match) return;
    const name = match[1] ?? '';
    const way = WORDS.find((one) => one.toLowerCase() === name.toLowerCase());
    if (way === undefined) return;
    const many = round.to > round.from;
    const end = from + match[0].length;
    yield {
      span: { from, to: end },
      way,
      write: (other) => [{ from, to: end, text: other === 'R' ? 'R' : `${other}${many ? 's' : ''} ` }],
    };
  },
};

const COUNTS: readonly (readonly [way: string, example: string, written: RegExp, write: (count: number) => string])[] =
  [
    ['(n)', '(18)', /^\(\s?\d+\s?\)$/u, (n) => `(${n})`],
    ['[n]', '[18]', /^\[\s?\d+\s?\]$/u, (n) => `[${n}]`],
    ['(n sts)', '(18 sts)', /^\(\s?\d+\s?(?:sts?|stitch(?:es)?)\s?\)$/iu, (n) => `(${n} ${n === 1 ? 'st' : 'sts'})`],
    ['= n', '= 18', /^=\s?\d+$/u, (n) => `= ${n}`],
  ];

/** How the count stands at the end of a round. Counts by kinds of stitches are left alone. */
const count: Trait = {
  id: 'count',
  about: 'How the count stands',
  ways: COUNTS.map(([way, example]) => ({ way, example })),
  *find({ stated, bodyFrom }, text) {
    if (!stated || stated.breakdown.length > 0 || stated.span.from < bodyFrom) return;
    const { from, to } = stated.span;
    const written = text.slice(from, to);
    const way = COUNTS.find(([, , shape]) => shape.test(written))?.[0];
    if (way === undefined) return;
    yield {
      span: { from, to },
      way,
      write: (other) => {
        const write = COUNTS.find(([name]) => name === other)?.[3];
        return write ? [{ from, to, text: write(stated.total) }] : null;
      },
    };
  },
};

const RINGS = /(?<!\p{L})(?:(?:a|the)\s)?(mr|magic ring|magic circle|magic loop)(?!\p{L})/giu;

/** The ring that a piece is begun in. */
const ring: Trait = {
  id: 'ring',
  about: 'The ring to begin with',
  ways: [
    { way: 'MR', example: '6 sc in MR' },
    { way: 'magic ring', example: '6 sc in a magic ring' },
    { way: 'magic circle', example: '6 sc in a magic circle' },
    { way: 'magic loop', example: '6 sc in a magic loop' },
  ],
  *find(round, text) {
    for (const match of text.slice(round.bodyFrom, round.span.to).matchAll(RINGS)) {
      const from = round.bodyFrom + match.index;
      const to = from + match[0].length;
      const way = (match[1] ?? '').toLowerCase();
      const article = /(?<!\p{L})(?:in|into|make|with)\s$/iu.test(text.slice(round.bodyFrom, from));
      const capital = /^\p{Lu}\p{Ll}/u.test(match[0]) || (way === 'mr' && !article && from === round.bodyFrom);
      yield {
        span: { from, to },
        way: way === 'mr' ? 'MR' : way,
        write: (other) => {
          const words = other === 'MR' ? 'MR' : article ? `a ${other}` : other;
          return [
            { from, to, text: capital && other !== 'MR' ? words.charAt(0).toUpperCase() + words.slice(1) : words },
          ];
        },
      };
    }
  },
};

const TWO_IN_NEXT = /^2\s?(?:sc|dc)\s(?:in|into)\s(?:the\s)?next(?:\s(?:st|stitch))?$/iu;

/** A single increase. */
const increase: Trait = {
  id: 'increase',
  about: 'A single increase',
  ways: [
    { way: 'inc', example: 'sc 3, inc' },
    { way: '2 in next', example: 'sc 3, 2 sc in next st' },
  ],
  *find(round, text) {
    const base = /(?<![\p{L}])dc(?!\p{L})/iu.test(text.slice(round.bodyFrom, round.span.to)) ? 'dc' : 'sc';
    for (const step of worksIn(round.steps)) {
      if (step.per !== 2 || step.over !== 1 || step.amount.kind !== 'times' || step.amount.times !== 1) continue;
      const { from, to } = step.span;
      const words = text.slice(from, to);
      const way = /^inc$/iu.test(words) ? 'inc' : TWO_IN_NEXT.test(words) ? '2 in next' : null;
      if (way === null) continue;
      yield {
        span: { from, to },
        way,
        write: (other) => [{ from, to, text: other === 'inc' ? 'inc' : `2 ${base} in next st` }],
      };
    }
  },
};

/** All that a house style settles. To add a thing, add a trait. */
export const TRAITS: readonly Trait[] = [word, amount, brackets, times, count, ring, increase];

/** Where the brackets of a round's repeats open and close. */
function* bracketed(round: Round, text: string): Iterable<{ open: number; close: number }> {
  for (const { span } of repeatsIn(round.steps)) {
    const open = span.from;
    const begin = text.charAt(open);
    const end = begin === '(' ? ')' : begin === '[' ? ']' : null;
    if (end === null) continue;
    let depth = 0;
    for (let i = open; i < span.to; i += 1) {
      if (text.charAt(i) === begin) depth += 1;
      else if (text.charAt(i) === end && (depth -= 1) === 0) {
        yield { open, close: i };
        break;
      }
    }
  }
}

function* repeatsIn(steps: readonly Step[]): Iterable<Repeat> {
  for (const step of steps) {
    if (step.kind !== 'repeat') continue;
    yield step;
    yield* repeatsIn(step.body);
  }
}

function* worksIn(steps: readonly Step[]): Iterable<Work> {
  for (const step of steps) {
    if (step.kind === 'work') yield step;
    else if (step.kind === 'repeat') yield* worksIn(step.body);
  }
}
