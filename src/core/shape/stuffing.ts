/**
 * The outline of a piece when it is stuffed.
 *
 * Stuffing is pushed in by hand until a piece is evenly round. So of all outlines the smoothest is sought whose rounds
 * keep their lengths: a meridian whose curvature changes as little as can be (a circle and a straight tube have no
 * change at all), on which the rounds are as far apart as the stitches are tall, no ring is longer than its stitches are
 * wide, and a ring may be drawn in by up to a sixth before it resists, as the shoulders of a ball are. Solved by
 * Levenberg's and Marquardt's method on a banded system.
 */

/** A point of a meridian: from the axis, and along it; mm. */
export interface Point {
  readonly r: number;
  readonly z: number;
}

export interface Meridian {
  /** For each ring, and for the poles: how far from the axis its stitches would hold it. */
  readonly radii: readonly number[];
  /** From each of them to the next, along the fabric. */
  readonly steps: readonly number[];
  readonly startClosed: boolean;
  readonly endClosed: boolean;
  /** Which of the radii lie on an edge, where the outline may turn sharply: a round worked in one loop makes one. */
  readonly edges: readonly number[];
}

/**
 * What it costs, by the square, to stretch a ring, to draw it in (up to the slack, and beyond it), to change the height
 * of a round, and to change the curvature over a part `smooth` of the largest radius. Balanced so that a ball of 6·n up, n
 * straight and 6·n down comes out round to 2 %, and a neck stays a neck.
 */
const COST = { stretch: 5, draw: 0.7, beyond: 3, slack: 0.16, height: 1.7, smooth: 0.2 } as const;
const MOST_STEPS = 40;
/** A step that lowers the cost by less than this part of it changes nothing that is seen. */
const GOOD_ENOUGH = 3e-4;
/** The outline is sought at so many points at the most, and is drawn between them. */
const POINTS = { least: 20, most: 120, play: 24 } as const;
/** Each residual depends on four points at most: eight figures, one behind the other. */
const BAND = 8;

/** Where the rings of a meridian come to lie when the piece is stuffed. */
export function stuffed(meridian: Meridian): Point[] {
  const widest = Math.max(...meridian.radii);
  // In units of the widest ring: the same counts come out the same at any gauge.
  const unit = (lengths: readonly number[]) => lengths.map((length) => length / widest);
  const steps = unit(meridian.steps);
  if (!(widest > 0) || !(steps.reduce((sum, step) => sum + step, 0) > 0))
    return meridian.radii.map((r) => ({ r, z: 0 }));
  const points = remembered({ ...meridian, radii: unit(meridian.radii), steps });
  return points.map(({ r, z }) => ({ r: r * widest, z: z * widest }));
}

/** Outlines that were found before: a part that has not changed is not sought again while one types. */
const known = new Map<string, readonly Point[]>();
const MOST_KNOWN = 500;

/** Lengths are taken to so many decimals of the widest ring, so that what is found never depends on what was found before. */
const DECIMALS = 5;

function remembered({ radii, steps, ...ends }: Meridian): readonly Point[] {
  const rounded = (values: readonly number[]) => values.map((value) => Number(value.toFixed(DECIMALS)));
  const meridian = { ...ends, radii: rounded(radii), steps: rounded(steps) };
  const key = JSON.stringify(meridian);
  const before = known.get(key);
  if (before) return before;
  const points = sought(meridian);
  if (known.size >= MOST_KNOWN) known.delete(known.keys().next().value ?? '');
  known.set(key, points);
  return points;
}

function sought(meridian: Meridian): Point[] {
  const places = [0];
  for (const step of meridian.steps) places.push((places[places.length - 1] as number) + step);
  const count = pointsFor(places, meridian.edges);
  const step = (places[places.length - 1] as number) / count;
  const radii = Float64Array.from({ length: count + 1 }, (_, i) => between(places, meridian.radii, i * step));
  const edges = new Set(meridian.edges.map((at) => Math.round((places[at] as number) / step)));
  const x = new Outline(radii, step, meridian, edges).solve();
  const grid = Array.from({ length: count + 1 }, (_, i) => i * step);
  const [r, z] = [0, 1].map((which) => grid.map((_, i) => x[2 * i + which] as number)) as [number[], number[]];
  return places.map((place) => ({ r: between(grid, r, place), z: between(grid, z, place) }));
}

/** How many points to take, so that edges come to lie on some of them. */
function pointsFor(places: readonly number[], edges: readonly number[]): number {
  const least = Math.min(POINTS.most, Math.max(POINTS.least, places.length + 3));
  if (edges.length === 0) return least;
  const length = places[places.length - 1] as number;
  let best = { count: least, off: Infinity };
  for (let count = least; count < least + POINTS.play; count += 1) {
    const off = Math.max(
      ...edges.map((edge) => {
        const at = ((places[edge] as number) / length) * count;
        return Math.abs(at - Math.round(at));
      }),
    );
    if (off < best.off) best = { count, off };
  }
  return best.count;
}

/** A value between known ones, on a straight line. */
function between(places: readonly number[], values: readonly number[], at: number): number {
  let low = 0;
  let high = places.length - 1;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if ((places[middle] as number) <= at) low = middle;
    else high = middle;
  }
  const [from, to] = [places[low] as number, places[high] as number];
  const part = to > from ? Math.min(1, Math.max(0, (at - from) / (to - from))) : 0;
  return (values[low] as number) * (1 - part) + (values[high] as number) * part;
}

interface System {
  readonly matrix: Float64Array;
  readonly gradient: Float64Array;
}

/** The points of an outline as figures r0, z0, r1, z1, …, and what each of them costs. */
class Outline {
  readonly #last: number;
  readonly #size: number;
  readonly #fixed: Uint8Array;
  readonly #smooth: number;
  /** Of each residual the first figure that it depends on. */
  readonly #firsts: Int32Array;
  /** On how many it depends. */
  readonly #widths: Uint8Array;

  constructor(
    readonly radii: Float64Array,
    readonly step: number,
    readonly ends: Pick<Meridian, 'startClosed' | 'endClosed'>,
    readonly edges: ReadonlySet<number>,
  ) {
    this.#last = radii.length - 1;
    this.#size = 2 * radii.length;
    this.#fixed = new Uint8Array(this.#size);
    this.#fixed[1] = 1;
    if (ends.startClosed) this.#fixed[0] = 1;
    if (ends.endClosed) this.#fixed[2 * this.#last] = 1;
    this.#smooth = COST.smooth ** 2 / step;
    const last = this.#last;
    this.#widths = Uint8Array.from({ length: 3 * last + 1 }, (_, row) =>
      row <= last ? 1 : row <= 2 * last ? 4 : BAND,
    );
    this.#firsts = Int32Array.from({ length: 3 * last + 1 }, (_, row) => {
      if (row <= last) return 2 * row;
      if (row <= 2 * last) return 2 * (row - last - 1);
      return Math.min(this.#size - BAND, Math.max(0, 2 * (row - 2 * last - 1) - 2));
    });
  }

  /** As the rounds would lie one on the other without stuffing, drawn up a little. */
  #begin(): Float64Array {
    const x = new Float64Array(this.#size);
    let z = 0;
    for (let i = 0; i <= this.#last; i += 1) {
      const r = this.radii[i] as number;
      const change = i > 0 ? r - (this.radii[i - 1] as number) : 0;
      if (i > 0) z += Math.sqrt(Math.max((0.3 * this.step) ** 2, this.step ** 2 - change ** 2));
      x[2 * i] = r;
      x[2 * i + 1] = z;
    }
    if (this.ends.startClosed) x[0] = 0;
    if (this.ends.endClosed) x[2 * this.#last] = 0;
    return x;
  }

  #residuals(x: Float64Array, out: Float64Array): number {
    const n = this.#last;
    let at = 0;
    for (let i = 0; i <= n; i += 1) {
      const held = this.radii[i] as number;
      const free = held <= 0 || (i === 0 && this.ends.startClosed) || (i === n && this.ends.endClosed);
      out[at] = free ? 0 : ringCost((x[2 * i] as number) / held - 1);
      at += 1;
    }
    for (let i = 0; i < n; i += 1) {
      const across = (x[2 * i + 2] as number) - (x[2 * i] as number);
      const up = (x[2 * i + 3] as number) - (x[2 * i + 1] as number);
      const long = Math.sqrt(across * across + up * up);
      out[at] = COST.height * (long / this.step - 1);
      at += 1;
    }
    let before = this.#bend(x, 0);
    for (let i = 1; i <= n; i += 1) {
      const bend = this.#bend(x, i);
      out[at] = before === null || bend === null ? 0 : this.#smooth * (bend - before);
      before = bend;
      at += 1;
    }
    let sum = 0;
    for (let i = 0; i < at; i += 1) sum += (out[i] as number) * (out[i] as number);
    return sum;
  }

  /** One over the radius of the circle through a point and its neighbours; across a pole the outline goes on mirrored. */
  #bend(x: Float64Array, i: number): number | null {
    const n = this.#last;
    if (this.edges.has(i) || (i === 0 && !this.ends.startClosed) || (i === n && !this.ends.endClosed)) return null;
    const r = x[2 * i] as number;
    const z = x[2 * i + 1] as number;
    const before = i > 0 ? i - 1 : 1;
    const after = i < n ? i + 1 : n - 1;
    const ar = r - (i > 0 ? 1 : -1) * (x[2 * before] as number);
    const az = z - (x[2 * before + 1] as number);
    const br = (i < n ? 1 : -1) * (x[2 * after] as number) - r;
    const bz = (x[2 * after + 1] as number) - z;
    const cr = ar + br;
    const cz = az + bz;
    const product = Math.sqrt((ar * ar + az * az) * (br * br + bz * bz) * (cr * cr + cz * cz));
    return product > 0 ? (2 * (ar * bz - az * br)) / product : 0;
  }

  solve(): Float64Array {
    let x = this.#begin();
    const rows = this.#firsts.length;
    let out = new Float64Array(rows);
    let tried = new Float64Array(rows);
    let cost = this.#residuals(x, out);
    let damping = 1e-3;
    for (let count = 0; count < MOST_STEPS; count += 1) {
      const system = this.#normal(x, out);
      let better: Float64Array | null = null;
      for (let attempt = 0; attempt < 8 && !better; attempt += 1) {
        const moved = this.#moved(x, system, damping);
        const other = this.#residuals(moved, tried);
        if (other < cost) {
          better = moved;
          const gain = (cost - other) / cost;
          cost = other;
          [out, tried] = [tried, out];
          damping = Math.max(1e-9, damping / 5);
          if (gain < GOOD_ENOUGH) return better;
        } else damping *= 6;
      }
      if (!better) return x;
      x = better;
    }
    return x;
  }

  /** The normal equations at a place: the matrix by its diagonals, and the gradient. */
  #normal(x: Float64Array, out: Float64Array): System {
    const slopes = this.#slopes(x, out);
    const matrix = new Float64Array(this.#size * BAND);
    const gradient = new Float64Array(this.#size);
    for (let row = 0; row < this.#firsts.length; row += 1) {
      const first = this.#firsts[row] as number;
      const value = out[row] as number;
      const width = Math.min(this.#widths[row] as number, this.#size - first);
      for (let a = 0; a < width; a += 1) {
        const slope = slopes[row * BAND + a] as number;
        if (slope === 0) continue;
        gradient[first + a] = (gradient[first + a] as number) + slope * value;
        const at = (first + a) * BAND + a;
        for (let b = 0; b <= a; b += 1)
          matrix[at - b] = (matrix[at - b] as number) + slope * (slopes[row * BAND + b] as number);
      }
    }
    return { matrix, gradient };
  }

  /** How each residual changes with each figure in its band: figures that no residual shares are moved at once. */
  #slopes(x: Float64Array, out: Float64Array): Float64Array {
    const slopes = new Float64Array(this.#firsts.length * BAND);
    const other = new Float64Array(this.#firsts.length);
    const little = 1e-6 * this.step;
    const moved = x.slice();
    for (let which = 0; which < BAND; which += 1) {
      for (let i = which; i < this.#size; i += BAND) moved[i] = (x[i] as number) + little;
      this.#residuals(moved, other);
      for (let i = which; i < this.#size; i += BAND) moved[i] = x[i] as number;
      for (let row = 0; row < this.#firsts.length; row += 1) {
        const first = this.#firsts[row] as number;
        const a = (which - first) & (BAND - 1);
        if (this.#fixed[first + a] === 0)
          slopes[row * BAND + a] = ((other[row] as number) - (out[row] as number)) / little;
      }
    }
    return slopes;
  }

  /** One step on: the damped system solved by Cholesky's method within its band. */
  #moved(x: Float64Array, { matrix, gradient }: System, damping: number): Float64Array {
    const low = matrix.slice();
    for (let i = 0; i < this.#size; i += 1)
      low[i * BAND] = this.#fixed[i] === 1 ? 1 : (low[i * BAND] as number) * (1 + damping) + 1e-12;
    factorize(low, this.#size);
    const move = solved(low, gradient);
    return x.map((value, i) => (this.#fixed[i] === 0 ? value - (move[i] as number) : value));
  }
}

/** Cholesky's factor of a banded matrix, in its place. */
function factorize(low: Float64Array, size: number): void {
  for (let i = 0; i < size; i += 1)
    for (let k = Math.min(BAND - 1, i); k >= 0; k -= 1) {
      const j = i - k;
      let sum = low[i * BAND + k] as number;
      for (let m = 1; m < BAND - k && m <= j; m += 1)
        sum -= (low[i * BAND + k + m] as number) * (low[j * BAND + m] as number);
      low[i * BAND + k] = k > 0 ? sum / (low[j * BAND] as number) : Math.sqrt(Math.max(sum, 1e-14));
    }
}

/** Solves a system by its factor: down, and up again. */
function solved(low: Float64Array, right: Float64Array): Float64Array {
  const size = right.length;
  const x = new Float64Array(size);
  for (let i = 0; i < size; i += 1) {
    let sum = right[i] as number;
    for (let m = 1; m < BAND && m <= i; m += 1) sum -= (low[i * BAND + m] as number) * (x[i - m] as number);
    x[i] = sum / (low[i * BAND] as number);
  }
  for (let i = size - 1; i >= 0; i -= 1) {
    let sum = x[i] as number;
    for (let m = 1; m < BAND && i + m < size; m += 1) sum -= (low[(i + m) * BAND + m] as number) * (x[i + m] as number);
    x[i] = sum / (low[i * BAND] as number);
  }
  return x;
}

/** What it costs that a ring is longer or shorter than its stitches, by a part of their length. */
function ringCost(strain: number): number {
  if (strain > 0) return COST.stretch * strain;
  return COST.draw * strain + (strain < -COST.slack ? COST.beyond * (strain + COST.slack) : 0);
}
