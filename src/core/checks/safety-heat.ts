import { BALL, reminder } from './reminder.js';

export const safetyHeat = reminder(
  'safety/heat',
  'The piece is heated or set by a flame, and no caution about heat stands in the text.',
  /(?<!\p{L})(?:microwav\p{L}*|heat ?packs?|hand ?warmers?|wheat bags?|tea ?lights?|hot[- ]water bottles?|oven|hot glue|glue gun|lighter|(?:over|with|in|to) (?:a|the) (?:candle )?flame)(?!\p{L})/iu,
  /(?:never|not|only|don['’]?t)[^.]{0,60}(?:flame|hot|heat|microwav|burn|tea ?light|unattended|oven)|(?:hot|heat|microwav|burn|flame|tea ?light|oven)[^.]{0,80}(?:never|not|only|caution|careful|don['’]?t|melt|pure cotton|100 ?%)|burn/iu,
  'no caution about heat stands in the text. Usual: only yarn that does not melt, and never left alone.',
  {
    failing: { text: `US terms\n\n${BALL}Fill it with wheat; it makes a hand warmer.\n`, says: ['heat'] },
    passing: `US terms\n\n${BALL}Fill it with wheat; it makes a hand warmer. Never leave it in the microwave unattended.\n`,
  },
);
