import type { Ladder } from '../../core/index.js';

/** A stitch as it is drawn: where it stands in its row, and what it hangs from. */
export interface Rung {
  readonly x: number;
  /** x of the stitches of the edge that it is worked into. */
  readonly from: readonly number[];
  readonly stitch: Ladder['stitches'][number];
}

export interface Drawing {
  readonly width: number;
  readonly edge: readonly { readonly x: number; readonly state: 'used' | 'missed' | 'left' | 'beyond' }[];
  readonly rungs: readonly Rung[];
  /** Stretches of equal passes of a repeat, from x to x. */
  readonly bands: readonly { readonly from: number; readonly to: number; readonly pass: number }[];
  /** Where passes were left out, and how many. */
  readonly gap: { readonly x: number; readonly passes: number } | null;
}

/** Distance between two stitches of the edge, between two made ones at the least, and before the first; pixels. */
const STEP = 13;
const CLOSE = 7.5;
const MARGIN = 10;
/** Longer rounds show the first two passes of their repeat and the last. */
const ROOMY = 44;
const GAP = 4;

/** Lays a ladder out. `whole`: also the passes that are like the ones shown. */
export function draw(ladder: Ladder, whole: boolean): Drawing {
  const hidden = whole ? new Set<number>() : passesLeftOut(ladder);
  const gapAt = Math.min(...hidden);
  const used = new Set(ladder.stitches.flatMap(({ on }) => on));
  const missed = new Set(ladder.missed);
  const hiddenEdge = new Set(
    ladder.stitches.filter(({ pass }) => pass !== null && hidden.has(pass)).flatMap(({ on }) => on),
  );
  const shown = ladder.stitches.filter(({ pass }) => pass === null || !hidden.has(pass));
  const { edge, places, gapX } = placeEdge(ladder, shown, used, missed, hiddenEdge);
  const rungs = placeRungs(shown, places, gapAt);
  const last = Math.max(edge.at(-1)?.x ?? 0, rungs.at(-1)?.x ?? 0);
  const inMade = rungs.findIndex(({ stitch }) => stitch.pass !== null && stitch.pass > gapAt);
  const x = gapX ?? ((rungs[inMade - 1]?.x ?? 0) + (rungs[inMade]?.x ?? 0)) / 2;
  return {
    width: last + MARGIN,
    edge,
    rungs,
    bands: bandsOf(rungs),
    gap: hidden.size > 0 ? { x, passes: hidden.size } : null,
  };
}

/** The stitches there, from left to right; wide enough apart for what is made in them. */
function placeEdge(
  ladder: Ladder,
  shown: Ladder['stitches'],
  used: ReadonlySet<number>,
  missed: ReadonlySet<number>,
  hidden: ReadonlySet<number>,
): { edge: Drawing['edge'][number][]; places: Map<number, number>; gapX: number | null } {
  const places = new Map<number, number>();
  const edge: Drawing['edge'][number][] = [];
  const count = ladder.edge === null ? 0 : Math.max(ladder.edge + ladder.beyond, ...[...used].map((i) => i + 1));
  const step = Math.max(STEP, (CLOSE * shown.length) / Math.max(1, count - hidden.size));
  let x = MARGIN;
  let gapX: number | null = null;
  for (let i = 0; i < count; i += 1) {
    if (hidden.has(i)) {
      if (gapX === null) {
        gapX = x - step / 2 + (GAP * STEP) / 2;
        x += GAP * STEP;
      }
      continue;
    }
    places.set(i, x);
    const beyond = ladder.edge !== null && i >= ladder.edge;
    edge.push({ x, state: beyond ? 'beyond' : missed.has(i) ? 'missed' : used.has(i) ? 'used' : 'left' });
    x += step;
  }
  return { edge, places, gapX };
}

/** Each made stitch below the stitches that it is worked into, those in one stitch side by side. */
function placeRungs(shown: Ladder['stitches'], places: ReadonlyMap<number, number>, gapAt: number): Rung[] {
  const siblings = new Map<string, number>();
  const keyOf = ({ on }: Ladder['stitches'][number]) => on.join();
  for (const stitch of shown) siblings.set(keyOf(stitch), (siblings.get(keyOf(stitch)) ?? 0) + 1);
  const nth = new Map<string, number>();
  let right = MARGIN - CLOSE;
  let passed = false;
  return shown.map((stitch) => {
    const from = stitch.on.flatMap((i) => places.get(i) ?? []);
    if (!passed && stitch.pass !== null && stitch.pass > gapAt) {
      passed = true;
      if (from.length === 0) right += GAP * STEP;
    }
    const key = keyOf(stitch);
    const index = nth.get(key) ?? 0;
    nth.set(key, index + 1);
    const middle = from.reduce((sum, x) => sum + x, 0) / from.length;
    const wanted = from.length === 0 ? right + STEP : middle + (index - ((siblings.get(key) ?? 1) - 1) / 2) * CLOSE;
    right = Math.max(wanted, right + CLOSE, MARGIN);
    return { x: right, stitch, from };
  });
}

/** The passes of the only long repeat that look like their neighbours: all but the first two and the last. */
function passesLeftOut(ladder: Ladder): Set<number> {
  const passes = new Set(ladder.stitches.flatMap(({ pass }) => (pass === null ? [] : [pass])));
  const runs = new Map<number, number>();
  let before: number | null = null;
  for (const { pass } of ladder.stitches) {
    if (pass !== null && pass !== before) runs.set(pass, (runs.get(pass) ?? 0) + 1);
    before = pass;
  }
  const several = [...runs.values()].some((times) => times > 1);
  if (ladder.stitches.length <= ROOMY || passes.size < 5 || several) return new Set();
  const last = Math.max(...passes);
  return new Set([...passes].filter((pass) => pass > 1 && pass < last));
}

function bandsOf(rungs: readonly Rung[]): Drawing['bands'] {
  const bands: { from: number; to: number; pass: number }[] = [];
  for (const { x, stitch } of rungs) {
    const last = bands.at(-1);
    if (stitch.pass === null) continue;
    if (last?.pass === stitch.pass && x - last.to < STEP * 3) last.to = x;
    else bands.push({ from: x, to: x, pass: stitch.pass });
  }
  return bands;
}

/** Colours of yarns that are called by a colour; others get dyes in the order in which they come. */
const KNOWN: Record<string, string> = {
  white: '#e9e2d2',
  black: '#2b2622',
  red: '#a33a2c',
  blue: '#3a6a8a',
  green: '#5d7a45',
  yellow: '#c9a52c',
  pink: '#c98a95',
  purple: '#76557f',
  orange: '#c4702f',
  brown: '#79573c',
  grey: '#8b857b',
  gray: '#8b857b',
  cream: '#dccfae',
};
const DYES = ['#3a6a8a', '#a33a2c', '#8a6d10', '#5d7a45', '#76557f', '#a86a3a'];

/** A colour for each yarn of a ladder, by name. */
export function yarnColours(ladder: Ladder): Map<string, string> {
  const colours = new Map<string, string>();
  for (const { colour } of ladder.stitches) {
    if (colour === null || colours.has(colour)) continue;
    const known = Object.entries(KNOWN).find(([word]) => colour.toLowerCase().includes(word))?.[1];
    colours.set(colour, known ?? DYES[colours.size % DYES.length] ?? '#3a6a8a');
  }
  return colours;
}
