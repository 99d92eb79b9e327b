import type { Shape } from './schema.js';
import { frontOf, solidOf, spotsOf } from './solid.js';

/** Where it is looked at from: turned a little, and from a little above. Radians. */
const TURN = -0.45;
const TILT = 0.28;
/** More stitches than this are drawn coarser: a picture is looked at as a whole. */
const MOST = 6000;

interface Patch {
  readonly points: string;
  readonly depth: number;
  readonly fill: string;
}

/**
 * A still picture of the parts side by side, as SVG: each stitch in the colour of its yarn.
 * @param colours of the yarns, in their order, as `#rrggbb`; the last is for what is of no yarn that is said.
 * @param over whether a part begins at the top, by its place.
 * @returns null where nothing can be drawn.
 */
export function pictureOf(shape: Shape, colours: readonly string[], over: (part: number) => boolean): string | null {
  const stitches = shape.parts.reduce(
    (sum, { rings }) => sum + rings.reduce((all, { made }) => all + (made ?? 0), 0),
    0,
  );
  const coarse = Math.max(1, Math.ceil(Math.sqrt(stitches / MOST)));
  const patches: Patch[] = [];
  let x = 0;
  let [high, low] = [0, 0];
  shape.parts.forEach((part, index) => {
    const solid = solidOf(part, over(index), coarse);
    if (solid.count === 0) return;
    x += solid.reach.across;
    const eyes = shape.placed.filter((placed) => placed.part === index && /eye/.test(placed.what));
    const look = looking(TURN + frontOf(part, eyes[0]?.rings ?? null, over(index)));
    patches.push(...patchesOf(solid, colours, x, look));
    for (const placed of eyes)
      for (const spot of spotsOf(part, placed, over(index))) patches.push(eyeAt(look(spot), x, shape.eyes.size / 2));
    x += solid.reach.across * 1.15;
    high = Math.max(high, solid.reach.up + solid.reach.across * TILT);
    low = Math.min(low, -solid.reach.up - solid.reach.across * TILT);
  });
  if (patches.length === 0) return null;
  const drawn = patches
    .sort((a, b) => a.depth - b.depth)
    .map(({ points, fill }) => `<path d="${points}" fill="${fill}"/>`);
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${[0, -high, x, high - low].map((figure) => figure.toFixed(1)).join(' ')}">${drawn.join('')}</svg>`;
}

type Look = (at: readonly [number, number, number]) => [number, number, number];

/** Turned and tilted: across, down the page, and towards the one who looks. */
function looking(turn: number): Look {
  const [sin, cos] = [Math.sin(turn), Math.cos(turn)];
  const [sink, cosk] = [Math.sin(TILT), Math.cos(TILT)];
  return ([x, y, z]) => {
    const [a, c] = [x * cos + z * sin, z * cos - x * sin];
    return [a, -(y * cosk - c * sink), c * cosk + y * sink];
  };
}

function* patchesOf(
  { count, frames, yarns }: ReturnType<typeof solidOf>,
  colours: readonly string[],
  x: number,
  seen: Look,
): Iterable<Patch> {
  for (let i = 0; i < count; i += 1) {
    const vector = (at: number) =>
      [frames[i * 12 + at], frames[i * 12 + at + 1], frames[i * 12 + at + 2]] as [number, number, number];
    const [along, up, out, middle] = [seen(vector(0)), seen(vector(3)), seen(vector(6)), seen(vector(9))];
    // What faces away is hidden by what faces here.
    const length = Math.hypot(...out) || 1;
    const facing = out[2] / length;
    if (facing < -0.05) continue;
    const corner = (a: number, b: number) =>
      `${(x + middle[0] + a * along[0] + b * up[0]).toFixed(2)} ${(middle[1] + a * along[1] + b * up[1]).toFixed(2)}`;
    const yarn = yarns[i] ?? -1;
    const colour = colours[yarn < 0 ? colours.length - 1 : yarn] ?? '#c9b99c';
    yield {
      points: `M${corner(-1, -1)}L${corner(1, -1)}L${corner(1, 1)}L${corner(-1, 1)}Z`,
      depth: middle[2],
      // The joints between the stitches are left a little darker by every second one.
      fill: shaded(colour, (0.55 + 0.45 * Math.max(0, facing)) * (i % 2 === 0 ? 1 : 0.955)),
    };
  }
}

function eyeAt([a, b, c]: readonly [number, number, number], x: number, radius: number): Patch {
  const [left, y, r] = [x + a - radius, b, radius].map((figure) => figure.toFixed(2));
  const across = (2 * radius).toFixed(2);
  return {
    points: `M${left} ${y}a${r} ${r} 0 1 0 ${across} 0a${r} ${r} 0 1 0 -${across} 0`,
    depth: c + radius + 1,
    fill: c < 0 ? 'none' : '#1d1a18',
  };
}

function shaded(colour: string, light: number): string {
  const value = Number.parseInt(colour.slice(1), 16);
  const part = (shift: number) =>
    Math.round(Math.min(255, ((value >> shift) & 255) * light))
      .toString(16)
      .padStart(2, '0');
  return `#${part(16)}${part(8)}${part(0)}`;
}
