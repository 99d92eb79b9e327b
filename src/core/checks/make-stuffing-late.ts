import type { Found, Rule } from './rule.js';

const STUFFS = /(?<!\p{L})(?:stuff|fill|add (?:the )?(?:stuffing|filling))(?:s|ing|ed)?(?!\p{L})/iu;
const NOT = /(?<!\p{L})(?:not|n['’]t|no|never|without)(?!\p{L})/iu;

export const makeStuffingLate: Rule = {
  id: 'make/stuffing-late',
  severity: 'warning',
  across: true,
  about: 'Stuffing is first mentioned after the part has been worked shut.',
  failing: {
    text: 'US terms\n\nBODY\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnds 3-5: sc around (12)\nFold flat and sc 6 through both layers (6)\nStuff the body now.\nFasten off.\n',
    says: ['Body', 'shut'],
  },
  passing:
    'US terms\n\nBODY\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnds 3-5: sc around (12)\nStuff the body now.\nFold flat and sc 6 through both layers (6)\nFasten off.\n',
  *check({ pattern }, prose): Iterable<Found> {
    const { ofPart } = prose;
    for (const part of pattern.parts) {
      const shut = part.stretches
        .flatMap(({ rounds }) => rounds)
        // A flat piece that is seamed along its rows is open at both ends.
        .find(
          ({ steps, kind }) =>
            kind === 'round' && steps.some((step) => step.kind === 'work' && step.place.kind === 'both-layers'),
        );
      const first = (ofPart.get(part) ?? []).find((one) => STUFFS.test(one.text) && !NOT.test(one.text));
      if (!shut || !first || first.span.from < shut.span.to) continue;
      yield {
        span: first.span,
        round: null,
        message: `${part.name} has been worked shut in line with "${shut.label}", and this is the first mention of stuffing. It belongs before that.`,
      };
    }
  },
};
