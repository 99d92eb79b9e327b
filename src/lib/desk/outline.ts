import type { ReportRound } from '../../core/index.js';

/** A wider range says no more. */
const WIDEST = 40;
/** Room above and below the line. */
const ABOVE = 3;
const BELOW = 2;

/** The counts of a part over its rounds, drawn as steps. */
export interface Outline {
  /** The line, as the `d` of an SVG path. */
  readonly path: string;
  /** Where rounds begin that don't come out. */
  readonly off: readonly { readonly x: number; readonly y: number }[];
  readonly most: number;
}

/** The counts over the rounds as a line in a field of that size; a range is as wide as its rounds are many. */
export function outlineOf(rounds: readonly ReportRound[], width: number, height: number): Outline {
  const widths = rounds.map(({ from, to }) => Math.min(Math.max(1, to - from + 1), WIDEST));
  const total = widths.reduce((sum, one) => sum + one, 0);
  const most = rounds.reduce((highest, { made, stated }) => Math.max(highest, made ?? stated ?? 0), 1);
  const off: { x: number; y: number }[] = [];
  let path = '';
  let x = 0;
  rounds.forEach(({ made, stated, verdict }, i) => {
    const y = height - BELOW - ((made ?? stated ?? 0) / most) * (height - BELOW - ABOVE);
    const from = (x / total) * width;
    if (verdict === 'off' || verdict === 'unreadable') off.push({ x: from, y });
    x += widths[i] ?? 1;
    path += `${i === 0 ? 'M' : 'L'}${from.toFixed(1)} ${y.toFixed(1)}L${((x / total) * width).toFixed(1)} ${y.toFixed(1)}`;
  });
  return { path, off, most };
}
