import { BALL, reminder } from './reminder.js';

const SMALL_CAUTION =
  /small (?:parts?|details?|pieces?)|chok|swallow|not (?:suitable |fit |safe |meant )?for (?:small |young |very young )?(?:child|children|bab|kids|toddler)|under (?:the age of )?(?:3|three|36 months)|keep[^.]{0,40}from (?:small |young )?(?:child|bab)|(?:embroider|stitch|felt|fabric)[^.]{0,80}(?:child|baby|babies|kids|toddler)|(?:child|baby|babies|kids|toddler)[^.]{0,60}embroider/i;

export const safetySmallParts = reminder(
  'safety/small-parts',
  'Safety eyes, buttons or bells are used, and no caution about small parts stands in the text.',
  // Small letters for what may be a name: "Button the Bear".
  /(?<!(?:[Nn]o|[Ww]ithout|not use|[Ii]nstead of) )(?:SAFETY EYES?|(?:[Ss]afety|[Ss]crew|[Pp]lastic|[Gg]oogly) [Ee]yes?|[Ee]yes? (?:\d+(?:\.\d+)? ?mm )?on screws?|(?<!\p{L})(?:buttons?|(?:[Jj]ingle |little |small )bells?)(?! ?(?:holes?|stitch|loops?|shaped|like|band))(?!\p{L}))/u,
  SMALL_CAUTION,
  'no caution about small parts stands in the text. Usual: not suitable for children under three; embroider the eyes instead.',
  {
    failing: { text: `US terms\n\nMaterials: 6 mm safety eyes\n\n${BALL}Add the eyes.\n`, says: ['small parts'] },
    passing: `US terms\n\nMaterials: 6 mm safety eyes (small parts, not for children under three)\n\n${BALL}Add the eyes.\n`,
  },
);
