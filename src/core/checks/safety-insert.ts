import { BALL, reminder } from './reminder.js';

export const safetyInsert = reminder(
  'safety/insert',
  'Something hard is put inside, and no caution about it stands in the text.',
  /(?<!\p{L})(?:rattles?(?! ?snake)|squeakers?|jingle bells?|music boxe?s?|(?:glass|poly|plastic|weighting) (?:beads|pellets)|pellets|(?:dried?|uncooked) (?:rice|lentils|peas|beans))(?!\p{L})/iu,
  /(?:inner|second|separate|closed|tight|own) (?:bag|pouch|sock|stocking|ball|cover)|(?:bag|pouch|sock|stocking|tights)[^.]{0,60}(?:inside|first|knot|sewn|closed)|sewn (?:in|into|inside) (?:an? |its )(?:\p{L}+ )?(?:bag|pouch|sock)|chok|small parts?|not (?:suitable |safe |meant )?for (?:small |young )?(?:child|bab)|under (?:3|three)/iu,
  'no caution about what is put inside stands in the text. Usual: in a bag of its own, sewn shut, so that it cannot come out.',
  {
    failing: { text: `US terms\n\n${BALL}Put a squeaker in.\n`, says: ['inside'] },
    passing: `US terms\n\n${BALL}Put a squeaker in, in an inner bag that is sewn shut.\n`,
  },
);
