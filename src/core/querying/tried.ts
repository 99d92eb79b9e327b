import * as z from 'zod/mini';
import type { CountedPattern, CountedRound } from '../counting/counted.js';
import type { Span } from '../text/source.js';

const count = z.nullable(z.int().check(z.gte(0)));

/** Words with a figure that somebody named, and what comes of them. */
export const triedSchema = z.object({
  /** What is replaced, and by what. */
  from: z.int(),
  to: z.int(),
  written: z.string(),
  /** The words as they would stand there. */
  words: z.string(),
  edge: count,
  into: count,
  made: count,
  stated: count,
  verdict: z.enum(['agrees', 'counted', 'off', 'unreadable', 'on-trust']),
});
export type Tried = z.infer<typeof triedSchema>;

/** A round has no more figures that would be tried. */
const MOST_FIGURES = 12;

/**
 * Tries a figure in the place of each of those that stand in a round, and takes the one with which most comes out.
 * @param read reads and counts a whole text.
 * @returns null where no round stands there, or none of its figures is another one.
 */
export function tried(
  counted: CountedPattern,
  at: Span,
  figure: number,
  read: (text: string) => CountedPattern,
): Tried | null {
  const { text } = counted.pattern.source;
  const index = counted.rounds.findIndex(
    ({ round }) => round.span.from < Math.max(at.to, at.from + 1) && round.span.to > at.from,
  );
  const here = counted.rounds[index];
  if (!here) return null;
  const words = { from: here.round.span.from, to: Math.max(here.round.span.to, here.round.stated?.span.to ?? 0) };
  let best: { readonly tried: Tried; readonly worth: readonly number[] } | null = null;
  for (const { from, to } of figuresIn(text, { from: here.round.bodyFrom, to: words.to })) {
    if (Number(text.slice(from, to)) === figure) continue;
    const written = String(figure);
    const result = read(text.slice(0, from) + written + text.slice(to));
    const round = result.rounds[index];
    if (!round || result.rounds.length !== counted.rounds.length) continue;
    const isStated =
      here.round.stated !== null && from >= here.round.stated.span.from && to <= here.round.stated.span.to;
    const worth = [fits(round), comesOut(result), isStated ? 1 : 0, -Math.abs(Number(text.slice(from, to)) - figure)];
    const found = {
      from,
      to,
      written,
      words: text.slice(words.from, from) + written + text.slice(to, words.to),
      ...figuresOf(round),
    };
    if (!best || isMore(worth, best.worth)) best = { tried: found, worth };
  }
  return best?.tried ?? null;
}

function figuresIn(text: string, { from, to }: Span): Span[] {
  return [...text.slice(from, to).matchAll(/(?<![\d.,])\d{1,4}(?!\d|[.,]\d)/g)]
    .slice(0, MOST_FIGURES)
    .map(({ 0: figure, index }) => ({ from: from + index, to: from + index + figure.length }));
}

function figuresOf({
  outcome,
  round,
  verdict,
}: CountedRound): Pick<Tried, 'edge' | 'into' | 'made' | 'stated' | 'verdict'> {
  const { edge, into, made } = outcome;
  return { edge, into, made, stated: round.stated?.total ?? null, verdict };
}

function fits({ verdict }: CountedRound): number {
  return verdict === 'agrees' || verdict === 'counted' ? 1 : 0;
}

function comesOut({ rounds }: CountedPattern): number {
  return rounds.reduce((sum, round) => sum + fits(round), 0);
}

function isMore(one: readonly number[], other: readonly number[]): boolean {
  const at = one.findIndex((worth, i) => worth !== other[i]);
  return at >= 0 && (one[at] ?? 0) > (other[at] ?? 0);
}
