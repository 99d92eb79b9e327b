import type { Found, Rule } from './rule.js';

const SAYS = {
  'never-closed': (mark: string) => `"${mark}" is opened and never closed, so it can't be told what is repeated.`,
  'never-opened': (mark: string) => `"${mark}" closes a bracket that was never opened.`,
  'star-alone': () => 'A star begins a repeat and nothing says from where to where, or how often.',
} as const;

/** The bracket that a line leaves open; null where it closes them all. A figure with one behind it only numbers the line. */
function openIn(line: string): string | null {
  const open: string[] = [];
  for (const mark of line) {
    if ('([{'.includes(mark)) open.push(mark);
    else if (')]}'.includes(mark)) open.pop();
  }
  return open.at(-1) ?? null;
}

export const notationBracket: Rule = {
  id: 'notation/bracket',
  severity: 'error',
  about: 'Brackets or stars do not close.',
  failing: {
    text: 'Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: ((sc 1, inc) x 2, sc 2 x 2 (16)\n',
    says: ['never closed'],
  },
  passing: 'Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: ((sc 1, inc) x 2, sc 2) x 2 (16)\n',
  *check({ pattern, rounds }): Iterable<Found> {
    for (const { heading } of pattern.parts) {
      const words = pattern.source.text.slice(heading.from, heading.to);
      const mark = openIn(words);
      // "HEAD {" opens what follows, as code does.
      if (mark && mark !== '{')
        yield {
          span: heading,
          round: null,
          message: `"${mark}" is opened in this heading and never closed.`,
        };
    }
    for (const counted of rounds) {
      for (const { span, what, mark } of counted.round.brackets)
        yield { span, round: counted, message: SAYS[what](mark) };
      if (counted.outcome.bracketed)
        yield {
          span: counted.round.span,
          round: counted,
          severity: 'hint',
          message:
            'As written, only the last step is repeated. It comes out when all of them are: brackets round them would say so.',
        };
    }
  },
};
