import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bearsCheck, hostileText } from '../../tools/hostile.js';
import { checkText } from './index.js';

/** A round as a tree: what is worked, in which order; printed below in several hands. */
type Node =
  | { readonly is: 'plain'; readonly times: number }
  | { readonly is: 'increase'; readonly times: number }
  | { readonly is: 'decrease'; readonly times: number }
  | { readonly is: 'three' }
  | { readonly is: 'repeat'; readonly body: readonly Node[]; readonly times: number };

const amount = fc.integer({ min: 1, max: 9 });
const leaf: fc.Arbitrary<Node> = fc.oneof(
  fc.record({ is: fc.constant('plain' as const), times: amount }),
  fc.record({ is: fc.constant('increase' as const), times: fc.integer({ min: 1, max: 4 }) }),
  fc.record({ is: fc.constant('decrease' as const), times: fc.integer({ min: 1, max: 4 }) }),
  fc.constant({ is: 'three' as const }),
);
const repeatOf = (inner: fc.Arbitrary<Node>): fc.Arbitrary<Node> =>
  fc.record({
    is: fc.constant('repeat' as const),
    body: fc.array(inner, { minLength: 2, maxLength: 4 }),
    times: fc.integer({ min: 2, max: 8 }),
  });
const tree = fc.array(
  fc.oneof(
    { weight: 3, arbitrary: leaf },
    {
      weight: 2,
      arbitrary: repeatOf(fc.oneof({ weight: 4, arbitrary: leaf }, { weight: 1, arbitrary: repeatOf(leaf) })),
    },
  ),
  {
    minLength: 1,
    maxLength: 5,
  },
);

function size(nodes: readonly Node[]): { into: number; made: number } {
  return nodes.reduce(
    (sum, node) => {
      const [into, made, times] =
        node.is === 'plain'
          ? [1, 1, node.times]
          : node.is === 'increase'
            ? [1, 2, node.times]
            : node.is === 'decrease'
              ? [2, 1, node.times]
              : node.is === 'three'
                ? [1, 3, 1]
                : [size(node.body).into, size(node.body).made, node.times];
      return { into: sum.into + into * times, made: sum.made + made * times };
    },
    { into: 0, made: 0 },
  );
}

interface Hand {
  readonly name: string;
  readonly head: string;
  readonly start: (ring: number) => string;
  readonly label: (number: number) => string;
  readonly count: (count: number) => string;
  readonly plain: (times: number) => string;
  readonly increase: (times: number) => string;
  readonly decrease: (times: number) => string;
  readonly three: string;
  readonly repeat: (body: string, times: number) => string;
}

const st = (times: number) => (times === 1 ? 'next st' : `next ${times} sts`);
const stitches = (times: number) => (times === 1 ? 'the next stitch' : `the next ${times} stitches`);
const often = (times: number) => (times === 2 ? 'twice' : `${times} times`);

const HANDS: readonly Hand[] = [
  {
    name: 'US short',
    head: 'US terms\n\nBALL\n',
    start: (n) => `${n} sc in MR`,
    label: (n) => `Rnd ${n}: `,
    count: (n) => ` (${n})`,
    plain: (n) => `sc ${n}`,
    increase: (n) => `inc x ${n}`,
    decrease: (n) => `dec x ${n}`,
    three: '3 sc in next st',
    repeat: (b, n) => `(${b}) x ${n}`,
  },
  {
    name: 'UK short',
    head: 'UK terms\n\nBALL\n',
    start: (n) => `${n} dc in magic ring`,
    label: (n) => `R${n}. `,
    count: (n) => ` [${n}]`,
    plain: (n) => `dc in ${st(n)}`,
    increase: (n) => `2 dc in ${st(n)}`,
    decrease: (n) => (n === 1 ? 'dc2tog' : `dc2tog ${often(n)}`),
    three: '3 dc in next st',
    repeat: (b, n) => `[${b}] ${often(n)}`,
  },
  {
    name: 'glued',
    head: 'us terms\n\nBALL\n',
    start: (n) => `${n}sc in mr`,
    label: (n) => `${n}. `,
    count: (n) => ` = ${n}`,
    plain: (n) => `${n}sc`,
    increase: (n) => (n === 1 ? 'inc' : `inc x${n}`),
    decrease: (n) => (n === 1 ? 'dec' : `dec x${n}`),
    three: '3sc in 1 st',
    repeat: (b, n) => `(${b}) x${n}`,
  },
  {
    name: 'words',
    head: 'Written in American terms\n\nBALL\n',
    start: (n) => `Work ${n} single crochet into a magic ring`,
    label: (n) => `Round ${n}. `,
    count: (n) => `. (${n} stitches)`,
    plain: (n) => `single crochet in ${stitches(n)}`,
    increase: (n) => `2 single crochet in ${n === 1 ? 'the next stitch' : `each of ${stitches(n)}`}`,
    decrease: (n) => `single crochet the next 2 stitches together${n === 1 ? '' : ` ${often(n)}`}`,
    three: '3 single crochet in the next stitch',
    repeat: (b, n) => `(${b}) ${often(n)}`,
  },
  {
    name: 'letters',
    head: 'US names\nX = sc\nV = 2 sc in one stitch\nA = 2 sc together\nW = 3 sc in one stitch\n\nBALL\n',
    start: (n) => `${n}X in magic ring`,
    label: (n) => `R${n}: `,
    count: (n) => ` (${n})`,
    plain: (n) => `${n}X`,
    increase: (n) => `${n}V`,
    decrease: (n) => `${n}A`,
    three: 'W',
    repeat: (b, n) => `(${b})*${n}`,
  },
];

function print(nodes: readonly Node[], hand: Hand): string {
  return nodes
    .map((node) =>
      node.is === 'three'
        ? hand.three
        : node.is === 'repeat'
          ? hand.repeat(print(node.body, hand), node.times)
          : hand[node.is](node.times),
    )
    .join(', ');
}

describe.each(HANDS.map((hand) => [hand.name, hand] as const))('any round, written in %s', (_, hand) => {
  it('is read back to the same counts', () => {
    fc.assert(
      fc.property(tree, (nodes) => {
        const { into, made } = size(nodes);
        const text = `${hand.head}${hand.label(1)}${hand.start(into)}${hand.count(into)}\n${hand.label(2)}${print(nodes, hand)}${hand.count(made)}\n`;
        const report = checkText(text, 'x');
        const round = report.parts[0]?.rounds[1];
        expect({
          text,
          into: round?.into,
          made: round?.made,
          stated: round?.stated,
          verdict: round?.verdict,
          findings: report.findings,
        }).toEqual({ text, into, made, stated: made, verdict: 'agrees', findings: [] });
      }),
      { numRuns: 120 },
    );
  });
});

describe('any text at all', () => {
  it('gives a valid report and valid accounts, whose places lie inside the text', () => {
    fc.assert(fc.property(hostileText, bearsCheck), { numRuns: 800 });
  });
});
