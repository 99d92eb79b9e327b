import type { Found, Rule } from './rule.js';

const FINISH =
  /fasten|finish|cut|break|end off|bind off|(?<!\p{L})(?:fo|tail|thread|close|gather|draw|sew|whip ?stitch|weave|hide|pull|leave|end)(?!\p{L})|don['’]?t|do not|go (?:straight )?on|continue|without cutting|closing|sewing|^\W*stop(?=\s*(?:[.!,]|$))/imu;

export const makeNoFinish: Rule = {
  id: 'make/no-finish',
  severity: 'warning',
  across: true,
  about: 'A part ends without fasten off, tail or what comes next.',
  failing: {
    text: 'US terms\n\nHEAD\nRnd 1: 6 sc in MR (6)\nRnd 2: sc around (6)\nFasten off.\n\nEAR\nRnd 1: 6 sc in MR (6)\nFasten off.\n\nTAIL\nRnd 1: 5 sc in MR (5)\nRnd 2: sc around (5)\n\nASSEMBLY\nSew ear and tail to the head.\n',
    says: ['Tail', 'Rnd 2'],
  },
  passing:
    'US terms\n\nHEAD\nRnd 1: 6 sc in MR (6)\nRnd 2: sc around (6)\nFasten off.\n\nEAR\nRnd 1: 6 sc in MR (6)\nFasten off.\n\nTAIL\nRnd 1: 5 sc in MR (5)\nRnd 2: sc around (5)\nFasten off with a tail.\n\nASSEMBLY\nSew ear and tail to the head.\n',
  *check({ pattern, rounds }, prose): Iterable<Found> {
    const { afterRound } = prose;
    const counts = new Map(rounds.map((counted) => [counted.round, counted]));
    const ends = pattern.parts.map((part) => {
      const last = part.stretches.at(-1)?.rounds.at(-1);
      const words = (last && afterRound.get(last)) ?? [];
      return { part, last, finished: words.some(({ text }) => FINISH.test(text)) };
    });
    // A pattern that never says so has said it in a way that is not understood here.
    if (ends.filter(({ finished }) => finished).length < Math.max(2, ends.length / 2)) return;
    for (const [i, { part, last, finished }] of ends.entries()) {
      // What is worked through both layers is closed.
      if (finished || !last || last.steps.some((step) => step.kind === 'work' && step.place.kind === 'both-layers'))
        continue;
      // A piece that the next one grows on is not finished.
      const goesOn = pattern.parts[i + 1]?.stretches[0]?.rounds[0];
      if (goesOn && goesOn.from === last.to + 1) continue;
      yield {
        span: last.labelSpan,
        round: counts.get(last) ?? null,
        message: `${part.name} ends after ${last.label} without fasten off, tail, or what comes next.`,
      };
    }
  },
};
