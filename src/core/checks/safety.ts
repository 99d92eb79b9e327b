import { firstMention } from './prose.js';
import type { Rule } from './rule.js';

const SMALL_CAUTION =
  /small (?:parts?|details?|pieces?)|chok|swallow|not (?:suitable |fit |safe |meant )?for (?:small |young |very young )?(?:child|children|bab|kids|toddler)|under (?:the age of )?(?:3|three|36 months)|keep[^.]{0,40}from (?:small |young )?(?:child|bab)|(?:embroider|stitch)[^.]{0,80}(?:child|baby|babies|kids|toddler)/i;

/** A reminder of a danger: what brings it, and the words that show that the pattern has thought of it. */
function reminder(
  id: string,
  about: string,
  uses: RegExp,
  caution: RegExp,
  says: string,
  examples: Pick<Rule, 'failing' | 'passing'>,
): Rule {
  return {
    id,
    severity: 'warning',
    across: true,
    about,
    ...examples,
    *check({ pattern }, prose) {
      const { text } = pattern.source;
      const span = firstMention(prose.talk, uses);
      if (!span || caution.test(text)) return;
      const words = text.slice(span.from, span.to);
      yield { span, round: null, message: `${words.charAt(0).toUpperCase()}${words.slice(1)}: ${says}` };
    },
  };
}

const BALL = 'BALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nFasten off.\n';

export const safetySmallParts = reminder(
  'safety/small-parts',
  'Safety eyes are used, and no caution about small parts stands in the text.',
  /(?:safety|screw|plastic|googly) eyes?|eyes? (?:\d+(?:\.\d+)? ?mm )?on screws?/i,
  SMALL_CAUTION,
  'no caution about small parts stands in the text. Usual: not suitable for children under three; embroider the eyes instead.',
  {
    failing: { text: `US terms\n\nMaterials: 6 mm safety eyes\n\n${BALL}Add the eyes.\n`, says: ['small parts'] },
    passing: `US terms\n\nMaterials: 6 mm safety eyes (small parts, not for children under three)\n\n${BALL}Add the eyes.\n`,
  },
);

export const safetyWire = reminder(
  'safety/wire',
  'Wire is used, and no caution about its ends stands in the text.',
  /pipe ?cleaners?|chenille stems?|(?<!\p{L})(?:craft |floral |copper )?wires?(?!\p{L})/iu,
  /(?:wire|pipe ?cleaner|stem)[^.]{0,80}(?:sharp|pierc|poke|bend|fold|tape|caution|not for|not suitable)|(?:sharp|pierc|poke|bend|fold|tape)[^.]{0,60}(?:wire|pipe ?cleaner|ends?)/i,
  'no caution about wire ends stands in the text. Usual: bend the ends over and cover them; not for small children.',
  {
    failing: { text: `US terms\n\nMaterials: pipe cleaners\n\n${BALL}Put a pipe cleaner in.\n`, says: ['wire ends'] },
    passing: `US terms\n\nMaterials: pipe cleaners\n\n${BALL}Put a pipe cleaner in, and bend its sharp ends over.\n`,
  },
);
