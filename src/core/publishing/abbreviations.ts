import type { CountedPattern } from '../counting/counted.js';
import { STITCHES, type Vocabulary } from '../vocabulary/stitches.js';
import type { Block } from './paper.js';
import { inEitherCase } from '../text/eitherCase.js';

/** What is short in instructions and no stitch, with what it stands for. */
const SHORT: readonly (readonly [RegExp, string, string])[] = [
  [/(?<!\p{L})MR(?!\p{L})|(?<!\p{L})mr(?!\p{L})/u, 'MR', 'magic ring'],
  [/(?<!\p{L})inc(?!\p{L})/iu, 'inc', 'increase: two stitches in the same one'],
  [/(?<!\p{L})dec(?!\p{L})/iu, 'dec', 'decrease: two stitches worked together'],
  [/(?<!\p{L})inv ?dec(?!\p{L})/iu, 'invdec', 'invisible decrease, through the front loops'],
  [/(?<!\p{L})[a-z]+2tog(?!\p{L})/iu, '…2tog', 'two stitches worked together'],
  [/(?<!\p{L})BLO(?!\p{L})/iu, 'BLO', 'in the back loops only'],
  [/(?<!\p{L})FLO(?!\p{L})/iu, 'FLO', 'in the front loops only'],
  [/(?<!\p{L})sts?(?!\p{L})/iu, 'st(s)', 'stitch(es)'],
];

/**
 * A list of the abbreviations that the rounds use, in the vocabulary that they are in; empty where the pattern has a list of
 * its own, or nothing is abbreviated.
 */
export function explained({ pattern, rounds }: CountedPattern): Block[] {
  const { source, legend, terms, sections } = pattern;
  const words = rounds.map(({ round }) => source.text.slice(round.bodyFrom, round.span.to)).join('\n');
  // "Cotton: Sand 20 g" explains no word of the rounds.
  const explains = legend.some(({ term }) => words.toLowerCase().includes(term.toLowerCase()));
  if (explains || sections.some(({ kind }) => kind === 'legend')) return [];
  const entries = [
    ...stitchesIn(words, terms.used),
    ...SHORT.flatMap(([used, short, means]) => (used.test(words) ? [`${short} = ${means}`] : [])),
  ];
  if (entries.length === 0) return [];
  return [
    { kind: 'heading', level: 2, text: 'Abbreviations' },
    ...entries.map((text): Block => ({ kind: 'item', text })),
  ];
}

function stitchesIn(words: string, terms: Vocabulary): string[] {
  return STITCHES.flatMap((stitch) => {
    const { short, long } = stitch[terms];
    const used = short.find((name) => inEitherCase(`(?<!\\p{L})${name}(?!\\p{L})`).test(words));
    return used && long[0] ? [`${used} = ${long[0]}`] : [];
  });
}
