import type { CountedPattern, CountedRound } from '../counting/counted.js';
import type { Part } from '../pattern/pattern.js';
import type { Fix, Found, Rule } from './rule.js';
import { rounds as roundsInWords } from './wording.js';

export const frameReference: Rule = {
  id: 'frame/reference',
  severity: 'error',
  about: 'A round, or a piece, is referred to that does not exist.',
  failing: {
    text: 'US terms\n\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: rep Rnd 7 (12)\n',
    says: ['7', '3 rounds'],
  },
  passing: 'US terms\n\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: sc around (12)\nRnd 4: rep Rnd 3 (12)\n',
  *check({ rounds, pattern }): Iterable<Found> {
    let known: Map<Part, Set<number>> | null = null;
    const numbersOf = (part: Part) => (known ??= numbersByPart(rounds)).get(part) ?? new Set<number>();
    for (const counted of rounds) {
      const { reference } = counted.round;
      if (reference && counted.outcome.obstacles.some(({ kind }) => kind === 'reference')) {
        const message = reference.part
          ? `No piece before this one is called "${reference.part}", or its rounds could not be read.`
          : missing(counted, numbersOf(counted.part), reference.rounds);
        const fixes = reference.part ? [] : slipsOf(pattern.source.text, counted, numbersOf(counted.part));
        yield { span: reference.span, round: counted, message, fixes };
      }
      for (const step of counted.round.steps) {
        // Those of another piece are counted where that one is known by this name.
        if (step.kind !== 'free-loops' || step.round === null || step.part !== undefined) continue;
        const numbers = numbersOf(counted.part);
        if (numbers.has(step.round)) continue;
        yield { span: step.span, round: counted, message: missing(counted, numbers, [step.round]) };
      }
    }
  },
};

/** "as Rd 14" for Rd 4: a figure too many in the number of a round. */
function slipsOf(text: string, { round }: CountedRound, known: ReadonlySet<number>): Fix[] {
  const { reference } = round;
  const [number, ...more] = reference?.rounds ?? [];
  if (!reference || number === undefined || more.length > 0) return [];
  const written = String(number);
  const words = text.slice(reference.span.from, reference.span.to);
  const at = words.indexOf(written);
  const meant = Array.from(written, (_, i) => Number(written.slice(0, i) + written.slice(i + 1)));
  const right = meant.filter((one) => known.has(one) && one < round.from).sort((a, b) => b - a)[0];
  if (at < 0 || right === undefined) return [];
  const from = reference.span.from + at;
  const edits = [{ span: { from, to: from + written.length }, text: String(right) }];
  return [{ title: `${right} instead of ${written}`, edits }];
}

/** The numbers of the rounds of each part; one whose numbers go on from the part before has those, too. */
function numbersByPart(rounds: CountedPattern['rounds']): Map<Part, Set<number>> {
  const known = new Map<Part, Set<number>>();
  let before = new Set<number>();
  for (const { part, round } of rounds) {
    const numbers = known.get(part) ?? new Set(round.from > 1 && before.has(round.from - 1) ? before : []);
    before = numbers;
    for (const number of round.numbers) numbers.add(number);
    known.set(part, numbers);
  }
  return known;
}

function missing({ part, round }: CountedRound, known: ReadonlySet<number>, numbers: readonly number[]): string {
  const gone = numbers.filter((number) => !known.has(number));
  let last = 0;
  for (const number of known) last = Math.max(last, number);
  if (gone.length === 0) return `This refers to a ${round.kind} that comes later, or could not be read.`;
  const none = gone.length === 1 ? `is no ${round.kind}` : `are no ${round.kind}s`;
  return `There ${none} ${gone.slice(0, 6).join(', ')}: ${part.name} has ${roundsInWords(last, round.kind)}.`;
}
