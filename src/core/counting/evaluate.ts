import {
  once,
  type Amount,
  type Chain,
  type Group,
  type Repeat,
  type Step,
  type Work,
} from '../pattern/instruction.js';
import type { Span } from '../text/source.js';
import type { Ground, Misfit, Obstacle, Outcome } from './outcome.js';

export interface EvaluateOptions {
  readonly ground: Ground;
  /** Whether a starting chain of a length stands for a stitch; null where the pattern doesn't say. */
  readonly chainCounts: (length: number) => boolean | null;
  readonly stated: number | null;
}

/**
 * Works an instruction on its ground and counts. Where the words can be taken in two ways (does the
 * starting chain count? is "2 sc in next 2 sts" one in each, or two?) both are tried, and the one
 * that fits and agrees with the stated count is kept.
 */
export function evaluate(steps: readonly Step[], options: EvaluateOptions): Outcome {
  let best = evaluateChain(steps, options);
  for (const otherwise of OTHERWISE) {
    if (faults(best, options.stated) === 0) break;
    const other = otherwise(steps);
    if (!other) continue;
    const outcome = evaluateChain(other, options);
    if (faults(outcome, options.stated) >= faults(best, options.stated)) continue;
    best = otherwise === allBracketed ? { ...outcome, bracketed: true } : outcome;
  }
  return best;
}

/** Other ways to take the same words; null where they hold nothing of the kind. */
const OTHERWISE: readonly ((steps: readonly Step[]) => readonly Step[] | null)[] = [
  eachStep(inEach),
  eachStep(onceFewer),
  eachStep(sameIsNext),
  allBracketed,
  throughBoth,
];

function eachStep(change: (step: Step) => Step) {
  return (steps: readonly Step[]): readonly Step[] | null => {
    const other = steps.map(change);
    return other.every((step, i) => step === steps[i]) ? null : other;
  };
}

/** "2 hdc in the same st" taken as both in one stitch that is the next. */
function sameIsNext(step: Step): Step {
  if (step.kind === 'repeat') return withBody(step, step.body.map(sameIsNext));
  return (step.kind === 'work' && step.per > 1) || step.kind === 'group'
    ? step.place.kind === 'same'
      ? { ...step, place: { kind: 'edge' } }
      : step
    : step;
}

/** "sc 1, inc x 6" and "sc 1, inc around" taken as "(sc 1, inc) x 6" and "(sc 1, inc) around". */
function allBracketed(steps: readonly Step[]): readonly Step[] | null {
  const last = steps[lastFabricOf(steps)];
  if (last?.kind !== 'work' || !last.unbracketed) return null;
  const first = steps.findIndex(isFabric);
  const end = steps.indexOf(last);
  if (first === end) return null;
  const body: Step[] = [...steps.slice(first, end), { ...last, amount: once }];
  return [
    ...steps.slice(0, first),
    { kind: 'repeat', body, amount: last.amount, span: { from: body[0]?.span.from ?? 0, to: last.span.to } },
    ...steps.slice(end + 1),
  ];
}

/** Stitches over an opening that has been laid flat go through both layers, said or not. */
function throughBoth(steps: readonly Step[]): readonly Step[] | null {
  if (!steps.some(({ kind }) => kind === 'flat')) return null;
  return steps.map((step) =>
    step.kind === 'work' && step.place.kind === 'edge' ? { ...step, place: { kind: 'both-layers' } } : step,
  );
}

/** "2 sc in next 2 sts" taken as two in each of them. A step without such words is returned as it is. */
function inEach(step: Step): Step {
  if (step.kind === 'repeat') return withBody(step, step.body.map(inEach));
  return step.kind === 'work' && step.shared && step.amount.kind === 'times'
    ? { ...step, per: step.amount.times }
    : step;
}

/** "rep from * 5 times" taken as five in all. A step without such words is returned as it is. */
function onceFewer(step: Step): Step {
  if (step.kind !== 'repeat') return step;
  const inner = withBody(step, step.body.map(onceFewer));
  return step.fewer && step.amount?.kind === 'times'
    ? { ...inner, amount: { kind: 'times', times: step.amount.times - 1 } }
    : inner;
}

function withBody(step: Repeat, body: readonly Step[]): Repeat {
  return body.every((inner, i) => inner === step.body[i]) ? step : { ...step, body };
}

function evaluateChain(steps: readonly Step[], options: EvaluateOptions): Outcome {
  const first = startingChain(steps);
  const said = first ? (first.counts ?? (first.count === 1 ? false : options.chainCounts(first.count))) : false;
  if (!first || said !== null) return evaluateWith(steps, options, said ?? false);
  const without = evaluateWith(steps, options, false);
  const withChain = evaluateWith(steps, options, true);
  const [a, b] = [faults(withChain, options.stated), faults(without, options.stated)];
  const chosen = a < b ? withChain : without;
  return a === b ? chosen : { ...chosen, chainGuess: { chain: first, counts: a < b } };
}

function faults(outcome: Outcome, stated: number | null): number {
  return outcome.misfits.length + outcome.obstacles.length + (stated !== null && outcome.made !== stated ? 1 : 0);
}

/** The chain that a round begins with, before any stitch of it; not a foundation chain. */
function startingChain(steps: readonly Step[]): Chain | null {
  for (const step of steps) {
    if (step.kind === 'chain') return foundationIn(steps) ? null : step;
    if (step.kind === 'work' || step.kind === 'group' || step.kind === 'repeat' || step.kind === 'skip') return null;
  }
  return null;
}

/** Whether a chain in the instruction is itself the ground: "ch 9, sc in 2nd ch from hook". */
export function foundationIn(steps: readonly Step[]): { chain: Chain; k: number | null; ring: boolean } | null {
  let chain: Chain | null = null;
  for (const step of steps) {
    if (step.kind === 'chain') chain ??= step;
    else if (step.kind === 'first-chain' && chain) return { chain, k: step.k, ring: false };
    else if (step.kind === 'join' && chain && chain.count > 2) return { chain, k: 1, ring: true };
    else if (step.kind === 'work' && step.place.kind === 'chain-from-hook' && chain)
      return { chain, k: step.place.k, ring: false };
    else if (step.kind === 'work' || step.kind === 'group' || step.kind === 'repeat') return null;
  }
  return null;
}

function evaluateWith(steps: readonly Step[], { ground, stated }: EvaluateOptions, chainCounts: boolean): Outcome {
  if (ground.kind === 'chains') return onChains(steps, ground, stated, chainCounts);
  const tally = new Tally(ground.kind === 'edge' ? ground.length : null, ground.kind === 'start');
  tally.run(steps, chainCounts);
  return tally.outcome(ground.kind === 'start');
}

/** Along one side of a chain, or along one side and back along the other. */
function onChains(
  steps: readonly Step[],
  ground: Extract<Ground, { kind: 'chains' }>,
  stated: number | null,
  chainCounts: boolean,
): Outcome {
  const turn = steps.findIndex((step) => step.kind === 'other-side');
  const firstSide = turn < 0 ? steps : steps.slice(0, turn);
  const otherSide = turn < 0 ? null : steps.slice(turn + 1);
  let best: Outcome | null = null;
  for (const k of ground.k !== null ? [ground.k] : ground.ring ? [1] : [2, 1, 3]) {
    const along = ground.chains - k + 1;
    const outcome = alongChains(firstSide, otherSide, ground.chains, along, chainCounts);
    // Chains passed over at the start may stand for a stitch: "dc in 4th ch from hook".
    const standing = k >= 3 && stated !== null && outcome.made === stated - 1 ? { ...outcome, made: stated } : outcome;
    if (!best || faults(standing, stated) < faults(best, stated)) best = standing;
  }
  return best ?? unknown();
}

function alongChains(
  firstSide: readonly Step[],
  otherSide: readonly Step[] | null,
  chains: number,
  along: number,
  chainCounts: boolean,
): Outcome {
  const first = new Tally(along, false);
  first.run(firstSide, chainCounts);
  const one = first.outcome(true);
  if (!otherSide) {
    const into = first.into;
    const misfits: Misfit[] = one.misfits.filter(({ kind }) => kind === 'remainder');
    if (one.obstacles.length === 0 && misfits.length === 0 && into !== along)
      misfits.push({ kind: 'foundation', chains, along, first: into, other: null });
    return { ...one, misfits };
  }
  // The other side offers the chains again except the two ends; the first chain may be worked into again.
  const second = new Tally(along - 1, false);
  second.run(otherSide, false);
  const two = second.outcome(true);
  const misfits: Misfit[] = [...one.misfits, ...two.misfits].filter(({ kind }) => kind === 'remainder');
  const obstacles = [...one.obstacles, ...two.obstacles];
  const fits = first.into === along && (second.into === along - 1 || second.into === along - 2);
  if (obstacles.length === 0 && !fits)
    misfits.push({ kind: 'foundation', chains, along, first: first.into, other: second.into });
  const made = one.made === null || two.made === null ? null : one.made + two.made;
  return { edge: null, into: null, made, starts: true, misfits, obstacles, bracketed: false, chainGuess: null };
}

function unknown(): Outcome {
  return {
    edge: null,
    into: null,
    made: null,
    starts: false,
    misfits: [],
    obstacles: [{ kind: 'edge-unknown' }],
    bracketed: false,
    chainGuess: null,
  };
}

/** How many stitches one pass of some steps uses and makes, where that is fixed; null where it depends on the edge. */
export function fixedSize(steps: readonly Step[]): { into: number; made: number } | null {
  const tally = new Tally(null, false);
  tally.run(steps, false, true);
  return tally.depends || tally.obstacles.length > 0 ? null : { into: tally.into, made: tally.made };
}

/** Adds up uses and makes from the first step to the last. */
class Tally {
  into = 0;
  made = 0;
  /** Some step fills an edge whose length is not known. */
  depends = false;
  /** Loops of chain and slip stitch stand where stitches were: how many there are to work into can't be told. */
  airy = false;
  /** Stitches left on purpose; null for "the rest". */
  #leaves: number | null | undefined;
  /** Chains of the last run, counted as made; and chains that are being worked back along, off the edge. */
  #chains = 0;
  #spur = 0;
  readonly misfits: Misfit[] = [];
  readonly obstacles: Obstacle[] = [];

  constructor(
    readonly edge: number | null,
    /** In a ring nothing is used up. */
    readonly free: boolean,
  ) {}

  run(steps: readonly Step[], chainCounts: boolean, inside = false): void {
    let begun = inside;
    const lastFabric = inside ? steps.length : lastFabricOf(steps);
    steps.forEach((step, index) => {
      switch (step.kind) {
        case 'chain':
          if (!begun) {
            if (chainCounts) {
              this.made += 1;
              // It stands over the first stitch, unless that one is missed in so many words.
              const next = afterMarkers(steps, index + 1);
              if (!this.free && !(next?.kind === 'skip' && next.first)) this.into += 1;
            }
          } else if (inside || index < lastFabric) {
            this.made += step.count;
            this.#chains = step.count;
          }
          break;
        case 'leave':
          this.#leaves = step.count;
          break;
        case 'skip':
          this.into += step.count;
          begun = true;
          break;
        case 'work':
          this.#work(step, steps, index, inside);
          begun = true;
          break;
        case 'group':
          this.#group(step, steps, index);
          begun = true;
          break;
        case 'repeat':
          this.#repeat(step, steps, index);
          begun = true;
          break;
        default:
          break;
      }
    });
  }

  #work(step: Work, steps: readonly Step[], index: number, inside: boolean): void {
    const place = step.place.kind;
    if (step.stitch === 'picot') return;
    if (place === 'surface') {
      this.obstacles.push({ kind: 'edge-unknown' });
      return;
    }
    // A chain in mid-round that is worked back along is a point or a curl beside the edge, not a part of it.
    if (place === 'chain-from-hook' && this.#chains > 0 && step.place.kind === 'chain-from-hook') {
      this.made -= this.#chains;
      this.#spur = Math.max(0, this.#chains - step.place.k + 1);
      this.#chains = 0;
    }
    if (this.#spur > 0 && place !== 'same') {
      const wanted = step.amount.kind === 'times' ? step.amount.times * step.over : this.#spur;
      const along = Math.min(wanted, this.#spur);
      this.#spur -= along;
      if (wanted === along) return;
      step = { ...step, amount: { kind: 'times', times: (wanted - along) / step.over } };
    }
    if (place === 'ring') {
      this.#add(0, step.per, step.amount, step.span, steps, index);
      return;
    }
    if (place === 'same') {
      const times = step.amount.kind === 'times' ? step.amount.times : 1;
      // At the start of a round "the same stitch" is the first one, where the chain stands and does not count.
      if (this.into === 0 && !this.free && !inside) this.into += 1;
      this.made += step.per * times;
      return;
    }
    // Slip stitches behind a finished edge, and the one that closes a ring of stitches, are travel and not fabric.
    if (step.stitch === 'slip' && step.amount.kind === 'times') {
      if (this.edge !== null && this.into >= this.edge) return;
      if (this.free && this.made > 0 && step.amount.times === 1 && index >= lastFabricOf(steps)) return;
    }
    const over = place === 'both-layers' ? 2 * step.over : step.over;
    this.#add(over, step.per, step.amount, step.span, steps, index);
  }

  #group(step: Group, steps: readonly Step[], index: number): void {
    // Chains inside a group are air, not fabric, unless a later round says that it works into them.
    if (step.members.every(({ stitch }) => stitch === 'chain' || stitch === 'slip' || stitch === 'picot'))
      this.airy = true;
    const made = step.members.reduce(
      (sum, member) =>
        member.stitch === 'chain' || member.stitch === 'picot'
          ? sum
          : sum + member.per * (member.amount.kind === 'times' ? member.amount.times : 1),
      0,
    );
    const into = step.place.kind === 'same' || step.place.kind === 'ring' ? 0 : 1;
    this.#add(into, made, step.amount, step.span, steps, index);
  }

  #repeat(step: Repeat, steps: readonly Step[], index: number): void {
    const body = new Tally(null, this.free);
    body.run(step.body, false, true);
    this.obstacles.push(...body.obstacles);
    this.airy ||= body.airy;
    if (step.amount === null) {
      this.obstacles.push({ kind: 'no-amount', span: step.span, into: body.into, made: body.made });
      return;
    }
    if (body.depends) {
      // "(sc around) x 3" says nothing about one round.
      this.obstacles.push({ kind: 'edge-unknown' });
      return;
    }
    this.#add(body.into, body.made, step.amount, step.span, steps, index);
  }

  /** Adds something that uses `into` and makes `made` each time. */
  #add(into: number, made: number, amount: Amount, span: Span, steps: readonly Step[], index: number): void {
    switch (amount.kind) {
      case 'times':
        this.into += this.free ? 0 : into * amount.times;
        this.made += made * amount.times;
        return;
      case 'open':
        this.obstacles.push({ kind: 'open-ended', span });
        return;
      case 'until-made':
        this.#until(into, made, amount.count, span);
        return;
      case 'fill': {
        if (this.edge === null) {
          this.depends = true;
          return;
        }
        const reserved = amount.leave > 0 ? amount.leave : neededAfter(steps, index);
        const room = Math.max(0, this.edge - this.into - reserved);
        if (into === 0) {
          this.obstacles.push({ kind: 'edge-unknown' });
          return;
        }
        const whole = Math.floor(room / into);
        const left = room - whole * into;
        this.into += whole * into;
        this.made += whole * made;
        if (left > 0) this.misfits.push({ kind: 'remainder', span, whole, left, each: into, room });
      }
    }
  }

  /** "dec around until 6 sts remain": decreases, on and on, until so many are left. */
  #until(into: number, made: number, target: number, span: Span): void {
    if (this.edge === null) {
      this.depends = true;
      return;
    }
    if (made >= into) {
      this.#add(into, made, { kind: 'fill', leave: target }, span, [], 0);
      return;
    }
    const before = this.edge - this.into + this.made;
    const fewer = before - target;
    const each = into - made;
    if (fewer < 0 || fewer % each !== 0) {
      this.misfits.push({
        kind: 'remainder',
        span,
        whole: Math.max(0, Math.floor(fewer / each)),
        left: Math.abs(fewer % each) || 1,
        each: into,
        room: before,
      });
    }
    this.into = this.edge;
    this.made = target;
  }

  #leavesTheRest(edge: number): boolean {
    return this.#leaves === null || (this.#leaves !== undefined && this.into + this.#leaves === edge);
  }

  outcome(starts: boolean): Outcome {
    const misfits = [...this.misfits];
    const obstacles = [...this.obstacles];
    if (this.depends) obstacles.push({ kind: 'edge-unknown' });
    const computable = obstacles.length === 0;
    if (!starts && computable && this.edge !== null && misfits.length === 0) {
      if (this.into > this.edge) misfits.push({ kind: 'over', into: this.into, edge: this.edge });
      if (this.into < this.edge && !this.#leavesTheRest(this.edge))
        misfits.push({ kind: 'under', into: this.into, edge: this.edge });
    }
    return {
      edge: starts ? null : this.edge,
      into: starts || !computable ? null : this.into,
      made: computable && !this.airy ? this.made : null,
      starts,
      misfits,
      obstacles,
      bracketed: false,
      chainGuess: null,
    };
  }
}

/** The first step from an index on that is more than a turn or a change of colour or loops. */
function afterMarkers(steps: readonly Step[], from: number): Step | undefined {
  for (let i = from; i < steps.length; i += 1) {
    const kind = steps[i]?.kind;
    if (kind !== 'turn' && kind !== 'colour' && kind !== 'loops') return steps[i];
  }
  return undefined;
}

/** Stitches of the edge that the steps after an index need; a step that fills leaves them free. */
function neededAfter(steps: readonly Step[], index: number): number {
  const rest = steps.slice(index + 1).filter(isFabric);
  // Where several steps fill, the first takes everything: that is for the misfit to tell.
  return rest.length === 0 ? 0 : (fixedSize(rest)?.into ?? 0);
}

function lastFabricOf(steps: readonly Step[]): number {
  return steps.findLastIndex(isFabric);
}

function isFabric(step: Step): boolean {
  return step.kind === 'work' || step.kind === 'group' || step.kind === 'repeat' || step.kind === 'skip';
}
