import { BALL, reminder } from './reminder.js';

export const safetyMagnet = reminder(
  'safety/magnet',
  'Magnets are used, and no caution about swallowing them stands in the text.',
  /(?<!\p{L})magnets?(?!\p{L})/iu,
  /magnets?[^.]{0,120}(?:swallow|danger|caution|careful|never|not for|not suitable|seal|sewn in|secure|child)|(?:swallow|danger|caution|careful|never|not for|child)[^.]{0,120}magnets?/iu,
  'no caution about magnets stands in the text. Usual: swallowed magnets are dangerous; not for children.',
  {
    failing: { text: `US terms\n\n${BALL}Sew a magnet to the back.\n`, says: ['swallowed'] },
    passing: `US terms\n\n${BALL}Sew a magnet to the back. Magnets are dangerous when swallowed.\n`,
  },
);
