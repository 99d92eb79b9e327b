import type { Pattern } from '../pattern/pattern.js';

/** Width of a one-step stitch where the pattern gives no gauge, in mm: DK on a 3 mm hook, worked tight enough for stuffing. */
export const USUAL_WIDTH = 5;
/** Openings narrower than this, laid flat, let neither stuffing nor the backs of eyes through; mm. */
export const NARROW = 16;

const PER_CM =
  /(\d{1,3})\s*(?:sts?|stitch(?:es)?|sc|dc)\b[^.\n]{0,40}?(?:=|to|in|over|per|measure)\s*(?:about\s*)?(\d{1,2}(?:\.\d)?)\s*(cm|in(?:ch(?:es)?)?\b|["”″])/iu;

/** How wide a stitch is, in mm: from the pattern's own gauge, else the usual one. */
export function stitchWidth({ source, sections }: Pattern): { width: number; stated: boolean } {
  const said = sections.filter(({ kind }) => kind === 'gauge').map(({ span }) => source.text.slice(span.from, span.to));
  const match = PER_CM.exec(said.join('\n'));
  const [, count, length, unit] = match ?? [];
  const width = (Number(length) * (unit === 'cm' ? 10 : 25.4)) / Number(count);
  return width >= 1.5 && width <= 20 ? { width, stated: true } : { width: USUAL_WIDTH, stated: false };
}

/** Width of the opening that so many stitches leave, laid flat, in mm: half of the way round. */
export function openingOf(stitches: number, width: number): number {
  return Math.round((stitches * width) / 2);
}
