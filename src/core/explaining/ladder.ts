import type { Outcome, Worked } from '../counting/outcome.js';
import type { Group } from '../pattern/instruction.js';
import type { StitchId } from '../vocabulary/stitches.js';
import type { Ladder } from './schema.js';
import { nameOf, type Speech } from './words.js';

/** No more stitches than this are laid out; a longer round is cut, and says so. */
export const LONGEST_LADDER = 1200;

type Stitch = Ladder['stitches'][number];

/**
 * Lays a round out stitch by stitch: which stitch of the edge each made stitch sits on.
 * @param outcome a traced outcome; see `CountedRound.trace`.
 * @param indexOf the number of each step, as the account gives it.
 */
export function ladderOf(outcome: Outcome, speech: Speech, indexOf: ReadonlyMap<Worked, number>): Ladder | null {
  if (outcome.worked.length === 0 || outcome.made === null) return null;
  const rungs = new Rungs(speech, indexOf);
  rungs.lay(outcome.worked, null);
  const edge = outcome.starts ? null : outcome.edge;
  const left: number[] = [];
  for (let i = rungs.at; edge !== null && i < Math.min(edge, LONGEST_LADDER); i += 1) left.push(i);
  return {
    edge,
    start: !outcome.starts ? null : inRing(outcome.worked) ? 'ring' : 'chain',
    stitches: rungs.stitches,
    missed: rungs.missed,
    left: rungs.cut ? [] : left,
    beyond: edge === null ? 0 : Math.max(0, rungs.at - edge),
    cut: rungs.cut,
  };
}

function inRing(worked: readonly Worked[]): boolean {
  return worked.some(
    ({ step, body }) =>
      step.kind === 'ring' ||
      ((step.kind === 'work' || step.kind === 'group') && step.place.kind === 'ring') ||
      inRing(body),
  );
}

class Rungs {
  readonly stitches: Stitch[] = [];
  readonly missed: number[] = [];
  /** The next stitch of the edge. */
  at = 0;
  cut = false;
  #colour: string | null = null;
  readonly #speech: Speech;
  readonly #indexOf: ReadonlyMap<Worked, number>;

  constructor(speech: Speech, indexOf: ReadonlyMap<Worked, number>) {
    this.#speech = speech;
    this.#indexOf = indexOf;
  }

  /** @returns false where there is no more room. */
  lay(worked: readonly Worked[], pass: number | null): boolean {
    for (const one of worked) {
      const { step, times, into, made, body } = one;
      if (step.kind === 'colour') this.#colour = step.name;
      for (let i = 0; i < times; i += 1) {
        const room = step.kind === 'repeat' ? this.lay(body, pass ?? i) : this.#once(one, into, made, pass);
        if (!room) return false;
      }
    }
    return true;
  }

  /** One time of a step that is not itself a repeat. */
  #once(one: Worked, into: number, made: number, pass: number | null): boolean {
    if (this.stitches.length + made > LONGEST_LADDER || this.at + into > LONGEST_LADDER) {
      this.cut = true;
      return false;
    }
    const { step } = one;
    const same = into === 0 && (step.kind === 'work' || step.kind === 'group') && step.place.kind === 'same';
    const on = same ? [Math.max(0, this.at - 1)] : Array.from({ length: into }, (_, i) => this.at + i);
    this.at += into;
    if (made === 0) this.missed.push(...on);
    const names = step.kind === 'group' ? namesInGroup(step) : null;
    const plain = step.kind === 'work' ? step.stitch : step.kind === 'chain' ? 'chain' : null;
    for (let i = 0; i < made; i += 1) {
      this.stitches.push({
        on,
        name: nameOf(names ? (names[i] ?? null) : plain, this.#speech),
        colour: this.#colour,
        step: this.#indexOf.get(one) ?? 0,
        pass,
      });
    }
    return true;
  }
}

/** The stitches of a group one by one; chains in it are air. */
function namesInGroup({ members }: Group): (StitchId | null)[] {
  return members.flatMap(({ stitch, per, amount }) =>
    stitch === 'chain' || stitch === 'picot'
      ? []
      : Array.from({ length: per * (amount.kind === 'times' ? amount.times : 1) }, () => stitch),
  );
}
