import { describe, expect, it } from 'vitest';
import { checkText } from './index.js';

/**
 * Whole patterns built from habits that are named apart: how a hand labels a round, counts it, writes its repeats, names
 * its parts, begins an oval, turns a row. Every pair of habits is tried together, with the first of the others.
 */
type Habits<T> = Readonly<Record<string, T>>;

/** All pairs of entries of some lists of habits, each filled up with the first entries of the other lists. */
function pairs(lists: readonly (readonly string[])[]): string[][] {
  const seen = new Map<string, string[]>();
  const firsts = lists.map(([first]) => first ?? '');
  lists.forEach((one, a) => {
    lists.slice(a + 1).forEach((other, k) => {
      const b = a + 1 + k;
      for (const x of one)
        for (const y of other) {
          const row = firsts.map((first, i) => (i === a ? x : i === b ? y : first));
          seen.set(row.join('|'), row);
        }
    });
  });
  return [...seen.values()];
}

function read(text: string): string {
  const { parts, findings } = checkText(text, 'x');
  const errors = findings.filter(({ severity }) => severity === 'error').map(({ message }) => message);
  const counts = parts.map(({ name, make, rounds }) => `${name}×${make}: ${rounds.map(({ made }) => made).join(' ')}`);
  return [...counts, ...errors].join('\n').toLowerCase();
}

const TENTH = ['', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];
const rank = (n: number) => `${n}${['th', 'st', 'nd', 'rd'][n] ?? 'th'}`;
const span = (one: (n: string) => string, many: (a: number, b: number) => string) => (a: number, b: number) =>
  a === b ? one(String(a)) : many(a, b);

const LABELS: Habits<(from: number, to: number) => string> = {
  'Rnd 5:': span(
    (n) => `Rnd ${n}: `,
    (a, b) => `Rnds ${a}-${b}: `,
  ),
  R5: span(
    (n) => `R${n} `,
    (a, b) => `R${a}-${b} `,
  ),
  'R5 -': span(
    (n) => `R${n} - `,
    (a, b) => `R${a}-${b} - `,
  ),
  'R5 =': span(
    (n) => `R${n} = `,
    (a, b) => `R${a}-${b} = `,
  ),
  'R5 →': span(
    (n) => `R${n} → `,
    (a, b) => `R${a}-R${b} → `,
  ),
  '5.': span(
    (n) => `${n}. `,
    (a, b) => `${a}-${b}. `,
  ),
  '5)': span(
    (n) => `${n}) `,
    (a, b) => `${a}-${b}) `,
  ),
  '(5)': span(
    (n) => `(${n}) `,
    (a, b) => `(${a})-(${b}) `,
  ),
  '5 –': span(
    (n) => `${n} – `,
    (a, b) => `${a}–${b} – `,
  ),
  '5 and spaces': span(
    (n) => `${n}  `,
    (a, b) => `${a}-${b}  `,
  ),
  'Round five:': span(
    (n) => `Round ${TENTH[Number(n)]}: `,
    (a, b) => `Rounds ${TENTH[a]} to ${TENTH[b]}: `,
  ),
  'rnd 5, ': span(
    (n) => `rnd ${n}, `,
    (a, b) => `rnds ${a}-${b}, `,
  ),
  '5th round:': span(
    (n) => `${rank(Number(n))} round: `,
    (a, b) => `${rank(a)} to ${rank(b)} rounds: `,
  ),
  '5th R:': span(
    (n) => `${rank(Number(n))} R: `,
    (a, b) => `${rank(a)} - ${rank(b)} R: `,
  ),
  '5 row:': span(
    (n) => `${n} row: `,
    (a, b) => `${a}-${b} row: `,
  ),
  '**R5:**': span(
    (n) => `**R${n}:** `,
    (a, b) => `**R${a}-${b}:** `,
  ),
  '[R5]': span(
    (n) => `[R${n}] `,
    (a, b) => `[R${a}-R${b}] `,
  ),
  'Round no. 5': span(
    (n) => `Round no. ${n}: `,
    (a, b) => `Rounds ${a} to ${b}: `,
  ),
  'on its own line': span(
    (n) => `Round ${n}\n`,
    (a, b) => `Rounds ${a}-${b}\n`,
  ),
};

const COUNTS: Habits<(count: number, rounds: number) => string> = {
  '(12)': (n) => ` (${n})`,
  '[12 sts]': (n) => ` [${n} sts]`,
  '{12}': (n) => ` {${n}}`,
  '= 12': (n) => ` = ${n}`,
  '– 12': (n) => ` – ${n}`,
  '. 12 sts.': (n) => `. ${n} sts.`,
  '(12 sc)': (n) => ` (${n} sc)`,
  '-> 12': (n) => ` -> ${n}`,
  '/ 12': (n) => ` / ${n}`,
  ', 12 sts': (n) => `, ${n} sts`,
  'Total: 12': (n) => `. Total: ${n}`,
  'in words': (n) => `. You now have ${n} stitches.`,
  'on its own line': (n) => `\n(${n})`,
  '(12, 3 rnds)': (n, rounds) => (rounds > 1 ? ` (${n}, ${rounds} rnds)` : ` (${n})`),
};

interface Body {
  readonly ring: string;
  readonly double: string;
  readonly repeat: (plain: number, shaping: 'inc' | 'dec') => string;
  readonly even: string;
  readonly halve: string;
}
const BODIES: Habits<Body> = {
  '(sc 1, inc) x 6': {
    ring: '6 sc in MR',
    double: 'inc x 6',
    repeat: (k, s) => `(sc ${k}, ${s}) x 6`,
    even: 'sc around',
    halve: 'dec x 6',
  },
  'rep from * to end': {
    ring: 'Make a magic ring, 6 sc in ring',
    double: '2 sc in each st around',
    repeat: (k, s) =>
      `*1 sc in each of next ${k} sts, ${s === 'inc' ? '2 sc in next st' : 'sc2tog'}; rep from * to end`,
    even: '1 sc in each st to end',
    halve: 'sc2tog around',
  },
  'rep from * 5 more times': {
    ring: 'ch 2, 6 sc in 2nd ch from hook',
    double: '2 sc in each sc',
    repeat: (k, s) => `*sc ${k}, ${s}; rep from * 5 more times`,
    even: 'sc in each sc around',
    halve: 'dec 6x',
  },
  letters: {
    ring: '6X in MR',
    double: '6V',
    repeat: (k, s) => `(${k}X, ${s === 'inc' ? 'V' : 'A'})*6`,
    even: '24X',
    halve: '6A',
  },
  'sc 1, inc, 6 times': {
    ring: '6 sc in MR',
    double: 'inc, 6 times',
    repeat: (k, s) => `sc ${k}, ${s}, 6 times`,
    even: 'sc 24',
    halve: 'dec, 6 times',
  },
  '(x6) behind': {
    ring: '6 sc in MR',
    double: 'inc (x6)',
    repeat: (k, s) => `${k} sc, ${s} (x6)`,
    even: 'sc x 24',
    halve: 'dec (x6)',
  },
  'in words': {
    ring: 'work six single crochet in a magic ring',
    double: 'increase in every stitch',
    repeat: (k, s) =>
      `single crochet in the next ${TENTH[k]} sts, ${s}rease in the next${s === 'dec' ? ' two' : ''}; repeat around`,
    even: 'single crochet in every stitch',
    halve: 'decrease six times',
  },
  'said once': { ring: '6 sc in MR', double: 'inc', repeat: (k, s) => `sc ${k}, ${s}`, even: 'sc', halve: 'dec' },
  'in every so-manieth': {
    ring: '6 sc in MR',
    double: 'inc in each st',
    repeat: (k, s) => (s === 'inc' ? `inc every ${rank(k + 1)} st` : `dec every ${rank(k + 1)} and ${rank(k + 2)} st`),
    even: 'sc',
    halve: 'dec around',
  },
};

describe('a ball, by how its rounds are labelled, counted and written', () => {
  it.each(pairs([Object.keys(LABELS), Object.keys(COUNTS), Object.keys(BODIES)]))('%s | %s | %s', (a, b, c) => {
    const [label, count, body] = [LABELS[a], COUNTS[b], BODIES[c]];
    if (!label || !count || !body) throw new Error('no such habit');
    const rounds: [number, number, string, number][] = [
      [1, 1, body.ring, 6],
      [2, 2, body.double, 12],
      [3, 3, body.repeat(1, 'inc'), 18],
      [4, 4, body.repeat(2, 'inc'), 24],
      [5, 7, body.even, 24],
      [8, 8, body.repeat(2, 'dec'), 18],
      [9, 9, body.repeat(1, 'dec'), 12],
      [10, 10, body.halve, 6],
    ];
    const lines = rounds.map(([from, to, words, made]) => label(from, to) + words + count(made, to - from + 1));
    expect(read(`My ball\n\nUS terms\n\nBALL\n${lines.join('\n')}\nFasten off.\n`)).toBe(
      'ball×1: 6 12 18 24 24 18 12 6',
    );
  });
});

const HEADS: Habits<(name: string, make: number) => string> = {
  'HEAD (make 2)': (name, make) => name.toUpperCase() + (make > 1 ? ` (make ${make})` : ''),
  'Head (make 2):': (name, make) => `${name}${make > 1 ? ` (make ${make})` : ''}:`,
  'Head – make two': (name, make) => name + (make > 1 ? ` – make ${TENTH[make]}` : ''),
  'Head x 2': (name, make) => name + (make > 1 ? ` x ${make}` : ''),
  'Head (2x)': (name, make) => name + (make > 1 ? ` (${make}x)` : ''),
  'Head, 2 pieces': (name, make) => name + (make > 1 ? `, ${make} pieces` : ''),
  'Head (2)': (name, make) => name + (make > 1 ? ` (${make})` : ''),
  '## Head': (name, make) => `## ${name}${make > 1 ? ` (make ${make})` : ''}`,
  '**Head**': (name, make) => `**${name}${make > 1 ? ` (make ${make})` : ''}**`,
  '.: Head :.': (name, make) => `.: ${name}${make > 1 ? ` x${make}` : ''} :.`,
  '♥ Head': (name, make) => `♥ ${name}${make > 1 ? ` (make ${make})` : ''}`,
  '1. Head': (name, make) => `1. ${name}${make > 1 ? ` (make ${make})` : ''}`,
  'Part 1: Head': (name, make) => `Part 1: ${name}${make > 1 ? ` (make ${make})` : ''}`,
  'Head. Make 2.': (name, make) => (make > 1 ? `${name}. Make ${make}.` : name),
  'Head in brown': (name, make) => `${name} in brown${make > 1 ? ` (make ${make})` : ''}`,
};
const LEADS: Habits<string> = {
  none: '',
  'a blank line': '\n',
  'With brown.': 'With brown yarn.\n',
  'With brown:': 'With brown:\n',
  'Yarn colour: brown': 'Yarn colour: brown\n',
  'a ring': 'Using brown, make a magic ring.\n',
  'a note': 'Work in a spiral, do not join. Stuff as you go.\n',
};
const BREAKS: Habits<string> = { 'blank line between': '\n', 'no blank line': '' };

describe('parts, by how they are named and led in', () => {
  it.each(pairs([Object.keys(HEADS), Object.keys(LEADS), Object.keys(BREAKS)]))('%s | %s | %s', (a, b, c) => {
    const head = HEADS[a];
    if (!head) throw new Error('no such habit');
    const parts = ['Head', 'Antler', 'Left fin', 'Blob'].map((name, i) => {
      const body = `Rnd 1: ${5 + i} sc in MR (${5 + i})\nRnd 2: inc x ${5 + i} (${10 + 2 * i})\nFasten off.\n`;
      return `${head(name, i + 1)}\n${LEADS[b] ?? ''}${body}`;
    });
    expect(read(`My toy\n\nUS terms\n\n${parts.join(BREAKS[c])}`)).toBe(
      'head×1: 5 10\nantler×2: 6 12\nleft fin×3: 7 14\nblob×4: 8 16',
    );
  });
});

const CHAINS: Habits<(rest: string) => string> = {
  'Ch 6. above': (rest) => `Ch 6.\nRnd 1: ${rest}`,
  'in the round': (rest) => `Rnd 1: ch 6, ${rest}`,
  'a chain of 6': (rest) => `Begin with a chain of 6.\nRnd 1: ${rest}`,
  'with a yarn': (rest) => `With brown, make 6 ch.\nRnd 1: ${rest}`,
};
const FIRST_SIDES: Habits<string> = {
  'in 2nd ch from hook': 'sc in 2nd ch from hook, sc in next 3 ch',
  'starting in 2nd ch': 'starting in 2nd ch from hook, sc 4',
  'skip 1 ch': 'skip 1 ch, sc in next 4 ch',
  'from 2nd ch': 'from 2nd ch, 4 sc',
};
const ENDS: Habits<string> = {
  '3 sc in last ch': '3 sc in last ch',
  '3 sc in one': '3 sc in one',
  '3 sc in the end ch': '3 sc in the end ch',
  'sc 3 in last st': 'sc 3 in last st',
};
const TURNS: Habits<string> = {
  'on other side': 'on other side: ',
  rotate: 'rotate, ',
  'opposite side': 'continue on the opposite side of the foundation chain, ',
  '(other side)': '(other side) ',
  unsaid: '',
};
const LAST_STITCHES: Habits<string> = {
  '2 sc in last ch': 'sc 3, 2 sc in last ch',
  inc: '3 sc, inc',
  'in same ch': 'sc in next 3, 2 sc in same ch as first sc',
};

describe('an oval, by how its chain is begun, turned and closed', () => {
  const lists = [CHAINS, FIRST_SIDES, ENDS, TURNS, LAST_STITCHES].map((habits) => Object.keys(habits));
  it.each(pairs(lists))('%s | %s | %s | %s | %s', (a, b, c, d, e) => {
    const round = `${FIRST_SIDES[b]}, ${ENDS[c]}, ${TURNS[d]}${LAST_STITCHES[e]} (12)`;
    expect(read(`US terms\n\nSOLE\n${CHAINS[a]?.(round)}\nRnd 2: sc around (12)\n`)).toBe('sole×1: 12 12');
  });
});

const FIRST_ROWS: Habits<(s: string) => string> = {
  'in each ch': (s) => `1 ${s} in 2nd ch from hook, 1 ${s} in each ch to end`,
  'and in each ch': (s) => `${s} in 2nd ch from hook and in each ch across`,
  'passing one over': (s) => `${s === 'dc' ? 'miss' : 'skip'} 1 ch, 1 ${s} in each ch across`,
  'by figures': (s) => `${s} in 2nd ch, ${s} 8`,
};
const TURNED: Habits<(row: string) => string> = {
  'ch 1, turn': (row) => `${row}, ch 1, turn`,
  'Turn.': (row) => `${row}. Turn`,
  '1 ch before': (row) => `1 ch, ${row}, turn`,
  'does not count': (row) => `ch 1 (does not count), ${row}, turn`,
  unsaid: (row) => row,
};
const NARROWED: Habits<(s: string) => string> = {
  'dec at both ends': (s) => `dec, ${s} 5, dec`,
  'to last 2 sts': (s) => `${s}2tog, 1 ${s} in each st to last 2 sts, ${s}2tog`,
  'first and last 2': (s) => `dec over first 2 sts, 5 ${s}, dec over last 2 sts`,
};
const WIDENED: Habits<(s: string) => string> = {
  'inc at both ends': (s) => `inc, ${s} 5, inc`,
  'to last st': (s) => `2 ${s} in first st, ${s} to last st, 2 ${s} in last st`,
  'each of next 5': (s) => `2 ${s} in first ${s}, 1 ${s} in each of next 5 ${s}, 2 ${s} in last ${s}`,
};
const TERMS: Habits<string> = { US: 'sc', UK: 'dc' };

describe('rows, by how they begin, turn and are shaped', () => {
  const lists = [FIRST_ROWS, TURNED, NARROWED, WIDENED, TERMS].map((habits) => Object.keys(habits));
  it.each(pairs(lists))('%s | %s | %s | %s | %s', (a, b, c, d, e) => {
    const s = TERMS[e] ?? '';
    const [first, turned, narrow, wide] = [FIRST_ROWS[a], TURNED[b], NARROWED[c], WIDENED[d]];
    if (!first || !turned || !narrow || !wide) throw new Error('no such habit');
    const rows = [
      `Row 1: ${first(s)}, turn (9)`,
      `Row 2: ${turned(`1 ${s} in each st to end`)} (9)`,
      `Row 3: ${turned(narrow(s))} (7)`,
      `Rows 4-5: ${turned(`${s} in each ${s}`)} (7)`,
      `Row 6: ${turned(wide(s))} (9)`,
    ];
    expect(read(`${e} terms\n\nFLAP\nCh 10.\n${rows.join('\n')}\n`)).toBe('flap×1: 9 9 7 7 9');
  });
});
