import type { Part, Pattern } from '../pattern/pattern.js';
import type { Span } from '../text/source.js';
import { formsOf, nounOf } from '../document/prose.js';
import type { Found, Rule } from './rule.js';

export const makeNotAttached: Rule = {
  id: 'make/not-attached',
  severity: 'warning',
  across: true,
  about: 'A part that the assembly never mentions.',
  failing: {
    text: 'US terms\n\nHEAD\nRnd 1: 6 sc in MR (6)\nRnd 2: sc around (6)\nFasten off.\n\nHORNS (make 2)\nRnd 1: 5 sc in MR (5)\nRnd 2: sc around (5)\nFasten off with a tail.\n\nEARS (make 2)\nRnd 1: 5 sc in MR (5)\nFasten off with a tail.\n\nASSEMBLY\nSew the ears to the head.\n',
    says: ['Horns'],
  },
  passing:
    'US terms\n\nHEAD\nRnd 1: 6 sc in MR (6)\nRnd 2: sc around (6)\nFasten off.\n\nHORNS (make 2)\nRnd 1: 5 sc in MR (5)\nRnd 2: sc around (5)\nFasten off with a tail.\n\nASSEMBLY\nSew the horns to the head.\n',
  *check({ pattern }, prose): Iterable<Found> {
    const attached = new Set(pattern.parts.filter((part) => prose.mentions(part).length > 0));
    // Only an assembly that speaks of most parts has forgotten one.
    if (attached.size === 0 || attached.size < pattern.parts.length / 2) return;
    const standsOutside = outsideIn(pattern);
    const largest = pattern.parts.reduce((most, part) => (lengthOf(part) > lengthOf(most) ? part : most));
    for (const [i, part] of pattern.parts.entries()) {
      // All else is attached to the largest piece, and to the one that others are worked into.
      if (i === 0 || attached.has(part) || part === largest || joinsOthers(part)) continue;
      const own = { from: part.heading.from, to: pattern.parts[i + 1]?.heading.from ?? Infinity };
      const elsewhere = formsOf(nounOf(part)).some((form) => standsOutside(form, own));
      // A collar is worked on the piece that it belongs to.
      const grows = part.stretches.some(
        ({ into, rounds: some }) => into ?? some.some(({ steps }) => steps.some(({ kind }) => kind === 'free-loops')),
      );
      if (elsewhere || grows) continue;
      yield {
        span: part.heading,
        round: null,
        message: `${part.name}: ${part.make === 1 ? 'one is' : `${part.make} are`} made, and the assembly never mentions ${part.make === 1 ? 'it' : 'them'}.`,
      };
    }
  },
};

function lengthOf({ stretches }: Part): number {
  return stretches.flatMap(({ rounds }) => rounds.flatMap(({ numbers }) => numbers)).length;
}

function joinsOthers({ stretches }: Part): boolean {
  return stretches.some(({ rounds }) =>
    rounds.some(({ steps }) => steps.some((step) => step.kind === 'work' && step.source !== undefined)),
  );
}

const OF_YARN = /(?:leav\p{L}*|with|a|the|yarn|long) (?:a |an )?(?:long |short )?$/u;
const LETTER = /\p{L}/u;

/** Looks for a word outside of a stretch of the text, the materials left out; each word is searched once. */
function outsideIn({ source, sections }: Pattern): (word: string, own: Span) => boolean {
  const text = source.text.toLowerCase();
  const materials = sections.filter(({ kind }) => kind === 'materials').map(({ span }) => span);
  const places = new Map<string, number[]>();
  const inside = (at: number, { from, to }: Span) => from <= at && at < to;
  return (word, own) => {
    let found = places.get(word);
    if (!found) {
      found = [];
      for (let at = text.indexOf(word); at >= 0; at = text.indexOf(word, at + word.length)) {
        const whole = !LETTER.test(text.charAt(at - 1)) && !LETTER.test(text.charAt(at + word.length));
        // "leaving a tail" is of yarn.
        const ofYarn = word === 'tail' && OF_YARN.test(text.slice(Math.max(0, at - 24), at));
        if (whole && !ofYarn && !materials.some((span) => inside(at, span))) found.push(at);
      }
      places.set(word, found);
    }
    return found.some((at) => !inside(at, own));
  };
}
