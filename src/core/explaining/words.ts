import type { Worked } from '../counting/outcome.js';
import type { Group, Step, Work } from '../pattern/instruction.js';
import { DECORATED, longName, type StitchId, type Vocabulary } from '../vocabulary/stitches.js';

/** How a pattern speaks: its vocabulary, and the stitch that a bare increase or decrease is of. */
export interface Speech {
  readonly vocabulary: Vocabulary;
  readonly base: StitchId;
}

/**
 * The steps of a round as one sentence without its full stop: "3 single crochet, then 2 in the next stitch; do this
 * 6 times". A repeat among other steps stands in brackets; a stitch that was just named is not named again.
 */
export function stepsInWords(worked: readonly Worked[], speech: Speech): string {
  const told = alike(worked).map(asOne);
  const alone = told.filter(({ step }) => !LEADS.has(step.kind) && !SILENT.has(step.kind)).length === 1;
  // "6 sc, MR" and "MR: 6 sc": the ring is where the first stitches go.
  let ring = told.some(({ step }) => step.kind === 'ring');
  const phrases = new Phrases();
  for (const one of told) {
    const { step } = one;
    const words = step.kind === 'repeat' && !alone ? bracketed(one, speech) : stepInWords(one, speech);
    if (LEADS.has(step.kind)) phrases.lead(words);
    else if (step.kind === 'work') {
      phrases.add(words + (ring && step.place.kind === 'edge' ? ' in the ring' : ''), true);
      ring = false;
    } else if (step.kind !== 'ring') phrases.add(words, false);
  }
  return phrases.joined();
}

/** What is done in a round, one after the other. */
class Phrases {
  readonly #phrases: string[] = [];
  #lead = '';
  /** The stitch that was named last. */
  #named = '';

  /** Words on how the next step is worked. */
  lead(words: string): void {
    this.#lead += `${words}, `;
  }

  add(words: string, isWork: boolean): void {
    if (words === '') return;
    const [, name = '', where] = /^\d+ (.+?)( in (?:the|each) .*)?$/.exec(words) ?? [];
    const again = where !== undefined && name === this.#named;
    this.#phrases.push(this.#lead + (again ? words.replace(` ${name}`, '') : words));
    this.#named = isWork ? name : '';
    this.#lead = '';
  }

  joined(): string {
    const open = this.#lead === '' ? [] : [this.#lead.slice(0, -2)];
    return [...this.#phrases, ...open].join(', then ');
  }
}

/** Steps that are the same and follow each other, together: "s s s" is told as "3 s". */
export function alike(worked: readonly Worked[]): readonly (readonly Worked[])[] {
  const groups: Worked[][] = [];
  for (const one of worked) {
    const group = groups.at(-1);
    if (group?.[0] && sameWork(group[0], one)) group.push(one);
    else groups.push([one]);
  }
  return groups;
}

function sameWork(a: Worked, b: Worked): boolean {
  const [one, other] = [a.step, b.step];
  if (one.kind !== 'work' || other.kind !== 'work' || a.into !== b.into || a.made !== b.made) return false;
  const plain = one.place.kind === 'edge' && other.place.kind === 'edge' && one.source === other.source;
  return plain && one.stitch === other.stitch && one.per === other.per && one.over === other.over;
}

/** A group of steps that are the same, as one. */
export function asOne(group: readonly Worked[]): Worked {
  const [first, ...others] = group;
  if (!first) throw new RangeError('A group of steps has at least one.');
  const times = others.reduce((sum, one) => sum + one.times, first.times);
  const to = others.at(-1)?.step.span.to ?? first.step.span.to;
  return { ...first, times, step: { ...first.step, span: { from: first.step.span.from, to } } };
}

function bracketed({ times, body }: Worked, speech: Speech): string {
  const inside = `(${stepsInWords(body, speech).replaceAll(', then ', ', ')})`;
  return times === 1 ? inside : `${often(times)} ${inside}`;
}

const SILENT: ReadonlySet<Step['kind']> = new Set(['flat', 'ring']);

/** Steps that only say how the next one is worked. */
const LEADS: ReadonlySet<Step['kind']> = new Set(['colour', 'loops', 'free-loops', 'first-chain']);

/** One step in plain words, in the pattern's own vocabulary. Empty for steps that need none. */
export function stepInWords(worked: Worked, speech: Speech): string {
  const { step, times, into, made, body } = worked;
  switch (step.kind) {
    case 'work':
      return into === 0 && made === 0 ? besideTheEdge(step, times, speech) : workInWords(step, times, made, speech);
    case 'group':
      return `${membersInWords(step, speech)}${step.members.length > 1 ? ', all' : ''} ${inStitches(step.place.kind, times)}`;
    case 'repeat': {
      const inner = stepsInWords(body, speech);
      return times === 1 ? inner : `${inner}; do this ${often(times)}`;
    }
    case 'skip':
      return `${speech.vocabulary === 'us' ? 'skip' : 'miss'} ${stitches(step.count)}`;
    case 'chain':
      return `chain ${step.count}${made === 1 && step.count > 1 ? ' (counts as a stitch)' : ''}`;
    default:
      return beside(step);
  }
}

/** What is said in a round besides its stitches. */
function beside(step: Exclude<Step, { kind: 'work' | 'group' | 'repeat' | 'skip' | 'chain' }>): string {
  switch (step.kind) {
    case 'leave':
      return step.count === null ? 'leave the rest' : `leave ${stitches(step.count)}`;
    case 'join':
      return 'close with a slip stitch';
    case 'turn':
      return 'turn';
    case 'other-side':
      return 'go on along the other side of the chain';
    case 'loops':
      return step.loops === 'both' ? 'in both loops' : `in the ${step.loops} loops only`;
    case 'colour':
      return `with ${step.name}`;
    case 'free-loops':
      return `into the loops left free${step.round === null ? '' : ` in round ${step.round}`}`;
    case 'first-chain':
      return `from the ${ordinal(step.k)} chain from the hook`;
    case 'ring':
      return 'into a ring';
    case 'picot':
      return 'a picot';
    case 'flat':
      return '';
  }
}

function workInWords(step: Work, times: number, made: number, speech: Speech): string {
  const name = nameOf(step.stitch, speech);
  switch (step.place.kind) {
    case 'ring':
      return `${many(times * step.per, name)} in the ring`;
    case 'same':
      return `${many(made, name)} in the same stitch`;
    case 'chain-from-hook':
      return `${many(step.per * times, name)} in the ${ordinal(step.place.k)} chain from the hook`;
    case 'last-chain':
      return `${many(step.per * times, name)} in the last chain`;
    case 'both-layers':
      return `${many(times * step.per, name)} through both layers`;
    case 'surface':
      return `${name} along the edge of the fabric`;
    case 'edge':
      if (step.over > 1) return `${name} ${step.over} together${times > 1 ? `, ${often(times)}` : ''}`;
      if (step.per > 1) return `${many(step.per, name)} ${inStitches('edge', times)}`;
      return many(times, name);
  }
}

function besideTheEdge(step: Work, times: number, speech: Speech): string {
  const name = nameOf(step.stitch, speech);
  return step.stitch === 'slip'
    ? `${many(times, name)} (not counted)`
    : `${many(times * step.per, name)} along the chain`;
}

function membersInWords({ members }: Group, speech: Speech): string {
  const names = members.map(({ stitch, per, amount }) => {
    const count = per * (amount.kind === 'times' ? amount.times : 1);
    return count === 1 ? nameOf(stitch, speech) : many(count, nameOf(stitch, speech));
  });
  const last = names.pop() ?? '';
  return names.length === 0 ? last : `${names.join(', ')} and ${last}`;
}

/** The name of a stitch in the pattern's vocabulary. */
export function nameOf(stitch: StitchId | null, { vocabulary, base }: Speech): string {
  const id = stitch ?? base;
  return longName(id, vocabulary).replace(DECORATED.has(id) ? / stitch$/ : /^$/, '');
}

function many(count: number, name: string): string {
  const counted = / stitch$/.test(name) || /^(?:bobble|puff|popcorn|cluster|chain)$/.test(name);
  return `${count} ${counted && count > 1 ? plural(name) : name}`;
}

function plural(name: string): string {
  return /(?:ch|sh|x)$/.test(name) ? `${name}es` : `${name}s`;
}

function inStitches(place: string, times: number): string {
  if (place === 'ring') return 'in the ring';
  if (place === 'same') return 'in the same stitch';
  return times === 1 ? 'in the next stitch' : `in each of the next ${times} stitches`;
}

function stitches(count: number): string {
  return `${count} ${count === 1 ? 'stitch' : 'stitches'}`;
}

function often(times: number): string {
  return times === 2 ? 'twice' : `${times} times`;
}

const RANKS = new Intl.PluralRules('en', { type: 'ordinal' });
const ENDINGS: ReadonlyMap<Intl.LDMLPluralRule, string> = new Map([
  ['one', 'st'],
  ['two', 'nd'],
  ['few', 'rd'],
]);

function ordinal(value: number): string {
  return `${value}${ENDINGS.get(RANKS.select(value)) ?? 'th'}`;
}
