/** A repeat as it is typed into the sheet for sums: so many plain stitches, then one of these, so many times. */
export const SHAPINGS = [
  { id: 'inc', words: 'increase', into: 1, made: 2 },
  { id: 'inc3', words: 'three in one', into: 1, made: 3 },
  { id: 'dec', words: 'decrease', into: 2, made: 1 },
  { id: 'dec3', words: 'three together', into: 3, made: 1 },
  { id: 'none', words: 'nothing more', into: 0, made: 0 },
] as const;
export type Shaping = (typeof SHAPINGS)[number]['id'];

/** What a repeat uses and makes; null where a figure is missing. */
export function reckoned(
  plain: number | null,
  shaping: Shaping,
  times: number | null,
): { readonly into: number; readonly made: number } | null {
  const shape = SHAPINGS.find(({ id }) => id === shaping);
  if (plain === null || times === null || !shape) return null;
  return { into: times * (plain + shape.into), made: times * (plain + shape.made) };
}

/** A figure as it is typed; null where it is none, or none that a round can have. */
export function figureIn(words: string): number | null {
  return /^\d{1,4}$/.test(words.trim()) ? Number(words.trim()) : null;
}

/** The sum in words, beside so many stitches that are there; null where that was not typed. */
export function sumWords(sum: ReturnType<typeof reckoned>, edge: number | null): string {
  if (!sum) return 'uses … and makes …';
  const { into, made } = sum;
  if (edge === null) return `uses ${into}, makes ${made}`;
  const rest = edge > into ? `: ${edge - into} left` : edge < into ? `: ${into - edge} too many` : '';
  return `uses ${into} of ${edge}${rest}, makes ${made}`;
}
