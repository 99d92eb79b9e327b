import type { Amount, Chain, Group, Repeat, Skip, Step, Work } from '../pattern/instruction.js';
import type { Misfit, Obstacle, Outcome, Worked } from './outcome.js';

/** How many stitches one pass of some steps uses and makes, where that is fixed; null where it depends on the edge. */
export function fixedSize(steps: readonly Step[]): { into: number; made: number } | null {
  const tally = new Tally(null, false);
  tally.run(steps, false, true);
  return tally.depends || tally.obstacles.length > 0 ? null : { into: tally.into, made: tally.made };
}

/** Adds up uses and makes from the first step to the last. */
export class Tally {
  into = 0;
  made = 0;
  /** Some step fills an edge whose length is not known. */
  depends = false;
  /** Loops of chain and slip stitch stand where stitches were: how many there are to work into can't be told. */
  airy = false;
  readonly misfits: Misfit[] = [];
  readonly obstacles: Obstacle[] = [];
  /** Step by step, where that was asked for. */
  readonly worked: Worked[] = [];
  /** Stitches left on purpose; null for "the rest". */
  #leaves: number | null | undefined;
  /** Chains of the last run, counted as made; and chains that are being worked back along, off the edge. */
  #chains = 0;
  #spur = 0;
  /** Stitches go through both layers of an opening; of an odd number the one at the fold stays free. */
  #layers = false;
  /** The last step of the run that uses or makes stitches, and the last whose share depends on the others. */
  #lastFabric = -1;
  #lastFilling = -1;

  constructor(
    readonly edge: number | null,
    /** In a ring nothing is used up. */
    readonly free: boolean,
    readonly tracing = false,
  ) {}

  run(steps: readonly Step[], chainCounts: boolean, inside = false): void {
    let begun = inside;
    this.#lastFabric = lastFabricOf(steps);
    this.#lastFilling = steps.findLastIndex(fills);
    const lastFabric = inside ? steps.length : this.#lastFabric;
    const standing = standingChainOf(steps);
    steps.forEach((step, index) => {
      switch (step.kind) {
        case 'chain':
          if (stands(step, steps[index + 1], begun))
            this.#standingChain(step, steps, index, chainCounts && index === standing);
          else if ((inside || index < lastFabric) && !isLoop(steps, index)) this.#chain(step);
          else this.#note(step, 1, 0, 0);
          break;
        case 'leave':
          this.#leaves = step.count;
          this.#note(step, 1, 0, 0);
          break;
        case 'skip':
          this.#skip(step);
          break;
        case 'first-chain':
          if (this.#chains > 0) this.#beginSpur(step.k);
          this.#note(step, 1, 0, 0);
          break;
        case 'work':
          this.#work(step, steps, index, inside);
          break;
        case 'group':
          this.#group(step, steps, index);
          break;
        case 'repeat':
          this.#repeat(step, steps, index);
          break;
        default:
          this.#note(step, 1, 0, 0);
          break;
      }
      begun ||= isFabric(step);
    });
  }

  #note(step: Step, times: number, into: number, made: number, body: readonly Worked[] = []): void {
    if (this.tracing) this.worked.push({ step, times, into, made, body });
  }

  /** The chain that a round begins with; it stands over the first stitch where it counts, unless that one is missed. */
  #standingChain(step: Chain, steps: readonly Step[], index: number, counts: boolean): void {
    const next = afterMarkers(steps, index + 1);
    const into = counts && !this.free && !(next?.kind === 'skip' && next.first) ? 1 : 0;
    this.into += into;
    this.made += counts ? 1 : 0;
    this.#note(step, 1, into, counts ? 1 : 0);
  }

  #chain(step: Chain): void {
    const made = step.counts === false ? 0 : step.count;
    this.made += made;
    this.#chains = made;
    this.#note(step, 1, 0, made);
  }

  #skip(step: Skip): void {
    this.into += step.count;
    this.#note(step, 1, step.count, 0);
  }

  #work(step: Work, steps: readonly Step[], index: number, inside: boolean): void {
    const place = step.place.kind;
    if (step.stitch === 'picot') return;
    if (place === 'surface') {
      this.obstacles.push({ kind: 'edge-unknown' });
      return;
    }
    const rest = this.#alongSpur(step);
    if (rest === 0) return;
    const amount: Amount = rest === null ? step.amount : { kind: 'times', times: rest };
    if (place === 'ring') {
      this.#add(step, 0, step.per, amount, steps, index);
      return;
    }
    if (place === 'same') {
      this.#inSame(step, amount.kind === 'times' ? amount.times : 1, inside);
      return;
    }
    if (step.stitch === 'slip' && amount.kind === 'times' && this.#travels(amount.times, index)) {
      this.#note(step, amount.times, 0, 0);
      return;
    }
    const layers = place === 'both-layers';
    this.#layers ||= layers;
    this.#add(step, layers ? 2 * step.over : step.over, step.per, amount, steps, index);
  }

  #inSame(step: Work, times: number, inside: boolean): void {
    // At the start of a round "the same stitch" is the first one, where the chain stands and does not count.
    const first = this.into === 0 && !this.free && !inside ? 1 : 0;
    this.into += first;
    this.made += step.per * times;
    this.#note(step, 1, first, step.per * times);
  }

  /** Slip stitches behind a finished edge, and the one that closes a ring of stitches, are travel and not fabric. */
  #travels(times: number, index: number): boolean {
    if (this.edge !== null && this.into >= this.edge) return true;
    return this.free && this.made > 0 && times === 1 && index >= this.#lastFabric;
  }

  #beginSpur(k: number): void {
    this.made -= this.#chains;
    // Between the chain and the stitches into it the work may be turned.
    const index = this.worked.findLastIndex(({ step: { kind } }) => kind === 'chain');
    const chain = this.worked[index];
    if (chain) this.worked[index] = { ...chain, made: 0 };
    this.#spur = Math.max(0, this.#chains - k + 1);
    this.#chains = 0;
  }

  /**
   * A chain in mid-round that is worked back along is a point or a curl beside the edge, and no part of it.
   * @returns how often the step is still to be done on the edge; null where there is no such chain.
   */
  #alongSpur(step: Work): number | null {
    if (step.place.kind === 'chain-from-hook' && this.#chains > 0) this.#beginSpur(step.place.k);
    if (this.#spur === 0 || step.place.kind === 'same') return null;
    const wanted = step.amount.kind === 'times' ? step.amount.times * step.over : this.#spur;
    const along = Math.min(wanted, this.#spur);
    this.#spur -= along;
    this.#note(step, along / step.over, 0, 0);
    return (wanted - along) / step.over;
  }

  #group(step: Group, steps: readonly Step[], index: number): void {
    if (step.place.kind === 'surface') {
      this.obstacles.push({ kind: 'edge-unknown' });
      return;
    }
    // Chains inside a group are air, not fabric, unless a later round says that it works into them.
    if (step.members.every(({ stitch }) => stitch === 'chain' || stitch === 'slip' || stitch === 'picot'))
      this.airy = true;
    const into = step.place.kind === 'same' || step.place.kind === 'ring' ? 0 : 1;
    this.#add(step, into, madeInGroup(step), step.amount, steps, index);
  }

  #repeat(step: Repeat, steps: readonly Step[], index: number): void {
    const body = new Tally(null, this.free, this.tracing);
    body.run(step.body, false, true);
    this.obstacles.push(...body.obstacles);
    this.airy ||= body.airy;
    this.#layers ||= body.#layers;
    if (step.amount === null) {
      // The words are worked once, as they stand; how often is for somebody to say.
      this.obstacles.push({ kind: 'no-amount', span: step.span, into: body.into, made: body.made });
      if (!body.depends) this.#times(step, body.into, body.made, 1, body.worked);
      return;
    }
    if (body.depends) {
      // "(sc around) x 3" says nothing about one round.
      this.obstacles.push({ kind: 'edge-unknown' });
      return;
    }
    this.#add(step, body.into, body.made, step.amount, steps, index, body.worked);
  }

  /** Adds a step that uses `into` and makes `made` each time. */
  #add(
    step: Step,
    into: number,
    made: number,
    amount: Amount,
    steps: readonly Step[],
    index: number,
    body: readonly Worked[] = [],
  ): void {
    switch (amount.kind) {
      case 'times':
        this.#times(step, into, made, amount.times, body);
        return;
      case 'open':
        this.obstacles.push({ kind: 'open-ended', span: step.span });
        return;
      case 'until-made':
        this.#until(step, into, made, amount, body);
        return;
      case 'fill':
        this.#fill(step, into, made, amount.leave > 0 ? amount.leave : this.#neededAfter(steps, index), body);
    }
  }

  /** Stitches of the edge that the steps after an index need; a step that fills leaves them free. */
  #neededAfter(steps: readonly Step[], index: number): number {
    // Without an edge nothing is filled. Where several steps fill, the first takes everything: that is for the misfit to
    // tell.
    if (this.edge === null || index < this.#lastFilling) return 0;
    const after = steps.slice(index + 1);
    // "sc around, leaving the last 4 sts"
    const left = after.find(({ kind }) => kind === 'leave');
    const free = left?.kind === 'leave' ? (left.count ?? 0) : 0;
    return (fixedSize(after.filter(isFabric))?.into ?? 0) + free;
  }

  #times(step: Step, into: number, made: number, times: number, body: readonly Worked[]): void {
    this.into += this.free ? 0 : into * times;
    this.made += made * times;
    this.#note(step, times, this.free ? 0 : into, made, body);
  }

  #fill(step: Step, into: number, made: number, reserved: number, body: readonly Worked[]): void {
    if (this.edge === null) {
      this.depends = true;
      return;
    }
    if (into === 0) {
      this.obstacles.push({ kind: 'edge-unknown' });
      return;
    }
    const room = Math.max(0, this.edge - this.into - reserved);
    const whole = Math.floor(room / into);
    const left = room - whole * into;
    this.#times(step, into, made, whole, body);
    // Of an odd number through both layers the one at the fold stays free.
    const atFold = left === 1 && step.kind === 'work' && step.place.kind === 'both-layers';
    if (left > 0 && !atFold) this.misfits.push({ kind: 'remainder', span: step.span, whole, left, each: into, room });
  }

  /** "dec around until 6 sts remain", "increase evenly to 30": shapings, on and on, until so many are there. */
  #until(
    step: Step,
    into: number,
    made: number,
    { count: target, grows = false, spread = false }: Extract<Amount, { kind: 'until-made' }>,
    body: readonly Worked[],
  ): void {
    if (this.edge === null) {
      this.depends = true;
      return;
    }
    if (made >= into && !grows) {
      this.#fill(step, into, made, target, body);
      return;
    }
    const room = this.edge - this.into + this.made;
    const change = grows ? target - room : room - target;
    const each = Math.abs(into - made);
    const whole = Math.max(0, Math.floor(change / each));
    if (change < 0 || change % each !== 0)
      this.misfits.push({
        kind: 'remainder',
        span: step.span,
        whole,
        left: Math.abs(change % each) || 1,
        each: into,
        room,
      });
    const used = this.into + whole * into;
    if (spread && used > this.edge) this.misfits.push({ kind: 'over', into: used, edge: this.edge });
    this.#note(step, whole, into, made, body);
    const plain = this.edge - this.into - whole * into;
    if (step.kind === 'work' && plain > 0) this.#note({ ...step, per: 1, over: 1 }, plain, 1, 1);
    this.into = this.edge;
    this.made = target;
  }

  #leavesTheRest(edge: number): boolean {
    return this.#leaves === null || this.into + (this.#leaves ?? NaN) === edge;
  }

  /** What is used beyond the edge, or left of it without a word; null where it comes out even. */
  #besideEdge(): Misfit | null {
    const { edge, into } = this;
    if (edge === null || into === edge) return null;
    if (into > edge) return { kind: 'over', into, edge };
    const atFold = this.#layers && into === edge - 1;
    return atFold || this.#leavesTheRest(edge) ? null : { kind: 'under', into, edge };
  }

  outcome(starts: boolean): Outcome {
    const misfits = [...this.misfits];
    const obstacles = [...this.obstacles];
    if (this.depends) obstacles.push({ kind: 'edge-unknown' });
    const computable = obstacles.every(({ kind }) => kind === 'no-amount');
    const beside = !starts && obstacles.length === 0 && misfits.length === 0 ? this.#besideEdge() : null;
    if (beside) misfits.push(beside);
    return {
      edge: starts ? null : this.edge,
      into: starts || !computable ? null : this.into,
      made: computable && !this.airy ? this.made : null,
      starts,
      misfits,
      obstacles,
      bracketed: false,
      chainGuess: null,
      worked: this.worked,
    };
  }
}

/** Stitches that a group leaves to work into. */
export function madeInGroup({ members }: Group): number {
  return members.reduce(
    (sum, { stitch, per, amount }) =>
      stitch === 'chain' || stitch === 'picot' ? sum : sum + per * (amount.kind === 'times' ? amount.times : 1),
    0,
  );
}

/** Index of the chain that a round begins with, before its first stitch; -1 where there is none. */
export function standingChainOf(steps: readonly Step[]): number {
  let found = -1;
  for (const [index, step] of steps.entries()) {
    if (step.kind === 'chain') found = index;
    // "ch 4, sl st to form a ring, ch 3": the first chain is the ring.
    else if (step.kind === 'join') found = -1;
    else if (isFabric(step)) return spans(steps[found], step) ? -1 : found;
  }
  return found;
}

/** Whether a chain stands at the beginning of a round, and is no hole. */
function stands(chain: Chain, next: Step | undefined, begun: boolean): boolean {
  return !begun && !spans(chain, next);
}

/** "ch 2, skip 2": the chain of a hole, as long as what it spans, and no stitch of its own. */
function spans(chain: Step | undefined, step: Step | undefined): boolean {
  if (chain?.kind !== 'chain' || step?.kind !== 'skip' || step.first || step.chains) return false;
  return step.count === chain.count && step.count > 1;
}

/** "sc, ch 2, sc in the same st": a loop over one stitch, and nothing to work into, as within a group. */
function isLoop(steps: readonly Step[], chain: number): boolean {
  const next = afterMarkers(steps, chain + 1);
  return next?.kind === 'work' && next.place.kind === 'same';
}

/** The first step from an index on that is more than a turn or a change of colour or loops. */
function afterMarkers(steps: readonly Step[], from: number): Step | undefined {
  for (let i = from; i < steps.length; i += 1) {
    const kind = steps[i]?.kind;
    if (kind !== 'turn' && kind !== 'colour' && kind !== 'loops') return steps[i];
  }
  return undefined;
}

/** Whether how often a step is done depends on the edge. */
function fills(step: Step): boolean {
  const amount = step.kind === 'work' || step.kind === 'group' || step.kind === 'repeat' ? step.amount : null;
  return amount?.kind === 'fill' || amount?.kind === 'until-made';
}

export function lastFabricOf(steps: readonly Step[]): number {
  return steps.findLastIndex(isFabric);
}

/** Whether a step uses or makes stitches. */
export function isFabric(step: Step): boolean {
  return step.kind === 'work' || step.kind === 'group' || step.kind === 'repeat' || step.kind === 'skip';
}
