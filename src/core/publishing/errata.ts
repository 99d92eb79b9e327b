import * as z from 'zod/mini';
import type { Block, Paper } from './paper.js';

/** A mistake that was found after a version went out, with what is to be read in its place. */
export const erratumSchema = z.object({
  number: z.int().check(z.gte(1)),
  /** The version that it is in. */
  version: z.string(),
  part: z.string(),
  round: z.string(),
  wrong: z.string(),
  right: z.string(),
  /** The stitches that the round has then; null where they are not known. */
  count: z.nullable(z.int()),
  /** How it is made known: a word to those who have the pattern. */
  note: z.string(),
  /** The version that has taken it in; empty where none has. */
  takenIn: z.string(),
});
export type Erratum = z.infer<typeof erratumSchema>;

/** "Body, Rnd 18: for “(4 sc, dec) x 6 (24)” read “(3 sc, dec) x 6 (24)”; 24 sts." */
export function erratumWords({ part, round, wrong, right, count, note }: Erratum): string {
  const place = [part, round].filter(Boolean).join(', ');
  const stitches = count === null ? '' : `; ${count} ${count === 1 ? 'st' : 'sts'}`;
  const [old, now] = withoutLabel(round, wrong, right);
  const words = `${place === '' ? 'For' : `${place}: for`} “${old}” read “${now}”${stitches}`;
  const end = stitches === '' && /[.!?]$/.test(now) ? '' : '.';
  return [`${words}${end}`, note].filter(Boolean).join(' ');
}

/** Both without the label that they begin with: it is said before them. */
function withoutLabel(round: string, wrong: string, right: string): [string, string] {
  const both = round !== '' && wrong.startsWith(round) && right.startsWith(round);
  const rest = (words: string) => (both ? words.slice(round.length).replace(/^[\s:.)*–—-]+/, '') : words);
  return [rest(wrong), rest(right)];
}

/**
 * The list of errata, the newest version first.
 * @param terms the vocabulary that the words are in.
 */
export function errataOf(name: string, terms: 'us' | 'uk', errata: readonly Erratum[]): Paper {
  const versions = [...new Set(errata.map(({ version }) => version))].reverse();
  return {
    title: `${name}: errata`,
    foot: `${terms.toUpperCase()} terms`,
    language: terms === 'us' ? 'en-US' : 'en-GB',
    blocks: [
      { kind: 'heading', level: 1, text: `${name}: errata` },
      ...(errata.length === 0 ? [{ kind: 'paragraph' as const, text: 'None is known.' }] : []),
      ...versions.flatMap((version): Block[] => [
        { kind: 'heading', level: 2, text: `Version ${version}` },
        ...errata
          .filter((one) => one.version === version)
          .map((one): Block => ({ kind: 'item', text: `${erratumWords(one)}${taken(one)}` })),
      ]),
    ],
  };
}

function taken({ takenIn }: Erratum): string {
  return takenIn === '' ? '' : ` Right since version ${takenIn}.`;
}
